#include "EarlierLesson.h"

#include "notebook/Notebook.h"

namespace uttrin {

Result<std::vector<Act>> plannedActsOf(const std::filesystem::path& path) {
    const auto notebook = Notebook::openToRead(path);
    if (!notebook) return tl::unexpected(notebook.error());
    const auto lessons = notebook->lessons();
    if (!lessons) return tl::unexpected(lessons.error());
    if (lessons->empty()) return std::vector<Act>();
    return notebook->load(lessons->back().id).map([](LessonData&& data) { return std::move(data.acts); });
}

} // namespace uttrin
