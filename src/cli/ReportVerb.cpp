#include "Verbs.h"
#include "WrittenDocument.h"
#include "lesson/commands/SelectionCommands.h"
#include "report/LabReport.h"

#include <memory>

namespace uttrin::cli {
Job addReport(VerbOptions& verb) {
    struct In {
        std::string file, out;
        RowId run = 0;
        bool student = false;
    };
    auto in = std::make_shared<In>();
    verb.add("file", in->file, "notebook (.uttrin)").required();
    verb.add("--run", in->run, "run id, see `notebook info`").required();
    verb.add("--out", in->out, "report.pdf or report.html").required();
    verb.flag("--student", in->student, "the student’s copy, without answers");
    return [in] {
        const SystemClock clock;
        LessonSession session(need(Notebook::open(in->file)), clock, 0);
        bool found = false;
        SelectionCommands select(session);
        for (const Lesson& l : need(session.notebook().lessons())) {
            need(select.selectLesson(l.id));
            for (const Run& r : session.model().data().runs)
                found = found || r.id == in->run;
            if (found) break;
        }
        if (!found)
            throw Refusal{
                {Failure::BadInput,
                 Text::tr("there is no run {} in {}; see `uttrin-cli notebook info`", in->run, in->file)}};
        need(select.selectRun(in->run));
        const auto document = need(labReport(session, {!in->student, {}}));
        return written(document, in->out);
    };
}

} // namespace uttrin::cli
