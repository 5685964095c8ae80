#include "ChangeSet.h"

#include "NotebookFault.h"

#include <memory>
#include <stdexcept>

namespace uttrin {
namespace {

void demand(int code, const Text& what) {
    if (code == SQLITE_OK) return;
    if (code == SQLITE_ABORT || code == SQLITE_CONSTRAINT)
        throw NotebookFault(
            Text::tr("this cannot be done: what it rests on was changed in another window meanwhile. Nothing "
                     "was changed"));
    throw NotebookFault(Text::tr("{} failed: {}. Nothing was changed; try again, or save a copy elsewhere",
                                 what, sqlite3_errstr(code)));
}

struct Freed {
    void operator()(void* p) const { sqlite3_free(p); }
};

ChangeSet taken(int size, void* data) {
    const std::unique_ptr<void, Freed> owned(data);
    const auto* bytes = static_cast<const std::byte*>(data);
    return {bytes, bytes + size};
}

/// @param rested  bool, set where a row that stays rests on one that would go.
int abortOnConflict(void* rested, int conflict, sqlite3_changeset_iter*) {
    *static_cast<bool*>(rested) |= conflict == SQLITE_CHANGESET_FOREIGN_KEY;
    return SQLITE_CHANGESET_ABORT;
}

} // namespace

ChangeRecorder::ChangeRecorder(sqlite3* db) {
    demand(sqlite3session_create(db, "main", &m_session), Text::tr("recording changes"));
    demand(sqlite3session_attach(m_session, nullptr), Text::tr("recording changes"));
}

ChangeRecorder::~ChangeRecorder() { sqlite3session_delete(m_session); }

ChangeSet ChangeRecorder::changes() const {
    int size = 0;
    void* data = nullptr;
    demand(sqlite3session_changeset(m_session, &size, &data), Text::tr("reading the recorded changes"));
    return taken(size, data);
}

ChangeSet inverted(const ChangeSet& changes) {
    int size = 0;
    void* data = nullptr;
    demand(sqlite3changeset_invert(static_cast<int>(changes.size()), changes.data(), &size, &data),
           Text::tr("inverting a change"));
    return taken(size, data);
}

void applyChanges(sqlite3* db, const ChangeSet& changes) {
    // SQLite's signature lacks const, but the bytes are only read.
    auto* bytes = const_cast<std::byte*>(changes.data());
    bool rested = false;
    const int code = sqlite3changeset_apply(db, static_cast<int>(changes.size()), bytes, nullptr,
                                            abortOnConflict, &rested);
    if (rested)
        throw NotebookFault(Text::tr("this cannot be taken back: what live instruments said since, or what "
                                     "another window wrote, belongs to it and stays. Nothing was changed"));
    demand(code, Text::tr("undoing or redoing a change"));
}

} // namespace uttrin
