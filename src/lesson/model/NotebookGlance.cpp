#include "NotebookGlance.h"

#include "notebook/Notebook.h"

#include <algorithm>

namespace uttrin {

Result<NotebookGlance> glanceAt(const std::filesystem::path& path) {
    constexpr int kMostPoints = 3000; // more are not read for a thumbnail
    const auto notebook = Notebook::openToRead(path);
    if (!notebook) return tl::unexpected(notebook.error());
    const auto lessons = notebook->lessons();
    if (!lessons) return tl::unexpected(lessons.error());
    if (lessons->empty())
        return fail(Failure::TooFewPoints, Text::tr("{} has no lesson yet", path.filename().string()));
    const Lesson& lesson = lessons->back();
    NotebookGlance out;
    out.title = lesson.title;
    out.heldOn = lesson.heldOn;
    out.madeUp = lesson.madeUp;
    out.points = notebook->count("reading").value_or(0);
    out.runs = notebook->count("run").value_or(0);
    if (out.points > kMostPoints) return out;
    auto data = notebook->load(lesson.id);
    if (!data) return tl::unexpected(data.error());
    out.runs = static_cast<int>(data->runs.size());
    out.points = static_cast<int>(data->readings.size());
    const LessonModel model(std::move(*data));
    if (!model.data().setups.empty())
        out.substance = &substanceOf(model.plan(model.data().setups.front().id));
    if (const RoomRecord* read = model.roomRecord({}, RoomRole::Start)) {
        out.room = model.room({});
        out.roomReadAt = read->takenAt;
    }
    for (const Run& run : model.data().runs)
        for (const ReducedReading& r : model.reduce(run.id))
            if (r.absolute && !r.raw.struckReason && r.absolute->pressure.pascal() > 0.0)
                out.map.emplace_back(r.liquid.temperature.kelvin(), r.absolute->pressure.pascal());
    return out;
}

Text ageText(Milliseconds then, Milliseconds now) {
    constexpr Milliseconds kDay = 24LL * 3600 * 1000;
    constexpr Milliseconds kWeeks = 60, kMonth = 30; // days: up to which they are counted; in a month
    const Milliseconds days = std::max<Milliseconds>(0, now - then) / kDay;
    if (days == 0) return Text::tr("today");
    if (days == 1) return Text::tr("yesterday");
    return days < kWeeks ? Text::tr("{0} {0|day|days} ago", days)
                         : Text::tr("{0} {0|month|months} ago", days / kMonth);
}

} // namespace uttrin
