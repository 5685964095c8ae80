#include "EarlierLesson.h"

#include "notebook/Notebook.h"

namespace uttrin {

Result<PlannedLesson> plannedLessonOf(const std::filesystem::path& path) {
    const auto notebook = Notebook::openToRead(path);
    if (!notebook) return tl::unexpected(notebook.error());
    const auto lessons = notebook->lessons();
    if (!lessons) return tl::unexpected(lessons.error());
    if (lessons->empty()) return PlannedLesson();
    return notebook->load(lessons->back().id).map([](LessonData&& data) {
        return PlannedLesson{std::move(data.acts), std::move(data.setups)};
    });
}

} // namespace uttrin
