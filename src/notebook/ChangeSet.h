#pragma once

#include <sqlite3.h>

#include <cstddef>
#include <vector>

namespace uttrin {

/// A recorded change of the database, as SQLite's session extension writes it.
using ChangeSet = std::vector<std::byte>;

/// Records all changes to a database from construction on.
class ChangeRecorder {
public:
    /// @throws NotebookFault if SQLite cannot record.
    explicit ChangeRecorder(sqlite3* db);
    ChangeRecorder(const ChangeRecorder&) = delete;
    ChangeRecorder& operator=(const ChangeRecorder&) = delete;
    ~ChangeRecorder();
    [[nodiscard]] ChangeSet changes() const;

private:
    sqlite3_session* m_session = nullptr;
};

/// The change that takes another one back.
[[nodiscard]] ChangeSet inverted(const ChangeSet& changes);

/// Makes a recorded change; all of it or, with NotebookFault, nothing.
void applyChanges(sqlite3* db, const ChangeSet& changes);

} // namespace uttrin
