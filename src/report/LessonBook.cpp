#include "LessonBook.h"

#include "ActRecord.h"
#include "LabReport.h"
#include "PrepSheet.h"

namespace uttrin {

Result<Document> paperOfAct(const LessonSession& s, RowId id, PaperFor whom, const KnownOfAct& known) {
    const Act* act = s.model().act(id);
    if (!act) return fail(Failure::BadInput, Text::tr("There is no such act in this lesson."));
    if (whom == PaperFor::Pupils) return pupilsSheet(s, *act);
    const bool begun = act->state == ActState::GoingOn || act->state == ActState::Done;
    // A lab has no forecast that is frozen, and a demonstration nothing to record before it is.
    if (act->kind == ActKind::Lab ? !begun : act->frozen.empty()) return actGuide(s, *act);
    return actRecord(s, *act, known.frozen.get(), known.analysis.get());
}

Document lessonBook(const LessonSession& s, ActForecasts& forecasts, PaperFor whom,
                    const std::function<KnownOfAct(const Act&)>& know) {
    std::vector<Document> papers{prepSheet(s, forecasts)};
    for (const Act& act : s.model().data().acts)
        if (act.kind != ActKind::PlainBlock)
            if (auto paper = paperOfAct(s, act.id, whom, know(act))) papers.push_back(std::move(*paper));
    if (auto lab = labReport(s, {whom == PaperFor::Teacher, {}})) papers.push_back(std::move(*lab));
    return joined(Text::data(s.model().lesson().title), papers);
}

} // namespace uttrin
