#pragma once

#include "ChangeSet.h"
#include "Notebook.h"
#include "NotebookFault.h"
#include "StatementCache.h"

#include <SQLiteCpp/SQLiteCpp.h>

#include <string>
#include <string_view>
#include <sys/types.h>
#include <vector>

namespace uttrin {

/// Says which file of the system a path leads to, and keeps other windows from writing it while it lives.
class FileHold {
public:
    FileHold() = default;
    /// Takes hold of a file that is there. Whether it is the only one says `isAlone`.
    explicit FileHold(const std::filesystem::path& path);
    FileHold(const FileHold&) = delete;
    FileHold& operator=(const FileHold&) = delete;
    ~FileHold();
    [[nodiscard]] bool isAlone() const { return m_alone; }
    /// Whether the path still leads to the file that was taken hold of.
    [[nodiscard]] bool isStillAt(const std::filesystem::path& path) const;

private:
    int m_fd = -1;
    bool m_alone = true;
    dev_t m_device = 0;
    ino_t m_inode = 0;
};

struct Notebook::State {
    struct Step {
        Text label;
        ChangeSet changes; ///< as made; undoing applies the inverse
    };

    std::filesystem::path path;
    FileHold hold; ///< let go after the database: closing a file drops SQLite's own locks on it
    SQLite::Database db;
    StatementCache statements{db};
    bool readOnly = false;
    Text notice;
    std::vector<Step> done, undone;

    State(std::filesystem::path p, int flags);
};

/// "lesson.uttrin: the disk is full …"
[[nodiscard]] tl::unexpected<Failure> storage(const std::filesystem::path& path, const Text& what);

/// What went wrong with a notebook's file, and what to do about it.
[[nodiscard]] tl::unexpected<Failure> explained(const std::filesystem::path& path,
                                                const SQLite::Exception& e);

/// What `work` gives; a Failure where SQLite, the disk or a row refused.
template <typename Work>
auto guarded(const std::filesystem::path& path, Work work) -> Result<decltype(work())> {
    try {
        if constexpr (std::is_void_v<decltype(work())>) {
            work();
            return {};
        } else {
            return work();
        }
    } catch (const SQLite::Exception& e) {
        return explained(path, e);
    } catch (const NotebookFault& e) {
        return storage(path, e.text());
    }
}

/// Sets up a connection: no triggers, no views, no code of the file's own. @param writes  journal and syncs.
void configure(SQLite::Database& db, bool writes);

[[nodiscard]] int pragma(SQLite::Database& db, const char* name);

/// All rows of a lesson, as far as the version of the file has them. @throws NotebookFault if it is not
/// there.
[[nodiscard]] LessonData loadLesson(StatementCache& statements, RowId lessonId);

/// The first few complaints of SQLite's own check.
[[nodiscard]] std::vector<std::string> complaints(SQLite::Database& db, const char* check);

/// Takes a database away, with the journal of what it could not finish.
void removeDatabase(const std::filesystem::path& path);

[[nodiscard]] bool hasSqliteHeader(const std::filesystem::path& path);

} // namespace uttrin
