#include "Notebook.h"

#include "NotebookState.h"
#include "RowAccess.h"
#include "Schema.h"
#include "files/WholeFile.h"

#include <fcntl.h>
#include <unistd.h>

namespace uttrin {
namespace fs = std::filesystem;

namespace {

constexpr std::size_t kMostUndo = 200;

/// Whether this process may do so to the file. @param what  R_OK or W_OK.
bool may(const fs::path& path, int what) {
    return ::faccessat(AT_FDCWD, path.c_str(), what, AT_EACCESS) == 0;
}

/// What keeps a file with an SQLite header from being opened as a notebook; empty if nothing does.
Text troubleOf(SQLite::Database& db) {
    if (pragma(db, "application_id") != kApplicationId)
        return Text::tr("this is a database, but not an Uttrin notebook; nothing was changed");
    const Text rescue = Text::tr("Nothing was changed; what can be read can be saved to a new notebook");
    const int version = pragma(db, "user_version");
    if (version < 1) return Text::tr("this notebook has no version; it is damaged. {}", rescue);
    if (const auto wrong = complaints(db, "quick_check"); !wrong.empty())
        return Text::tr("this notebook is damaged ({}). {}", wrong.front(), rescue);
    if (version <= kSchemaVersion)
        if (const auto trouble = schemaTrouble(db, version); !trouble.empty())
            return Text::tr("this notebook is damaged ({}). {}", trouble, rescue);
    return {};
}

} // namespace

Notebook::Notebook(std::unique_ptr<State> state) : m_state(std::move(state)) {}
Notebook::Notebook(Notebook&&) noexcept = default;
Notebook& Notebook::operator=(Notebook&&) noexcept = default;
Notebook::~Notebook() = default;

Result<Notebook> Notebook::create(const fs::path& path) {
    std::error_code ignored;
    if (fs::exists(path, ignored))
        return storage(path, Text::tr("there is a file of this name already; choose another name"));
    const auto made = guarded(path, [&] {
        State state(path, SQLite::OPEN_READWRITE | SQLite::OPEN_CREATE);
        configure(state.db, true);
        createSchema(state.db);
    });
    auto opened = made ? open(path) : Result<Notebook>(tl::unexpected(made.error()));
    if (!opened) removeDatabase(path); // half a notebook would block the next try
    return opened;
}

Result<Notebook> Notebook::open(const fs::path& path) { return open(path, may(path, W_OK)); }

Result<Notebook> Notebook::openToRead(const fs::path& path) { return open(path, false); }

Result<Notebook> Notebook::open(const fs::path& path, bool writable) {
    std::error_code error;
    if (!fs::is_regular_file(path, error)) return storage(path, Text::tr("there is no such file"));
    if (!may(path, R_OK)) return storage(path, Text::tr("you may not read this file"));
    if (!hasSqliteHeader(path))
        return storage(path, Text::tr("this is not an Uttrin notebook; nothing was changed"));
    Text trouble;
    auto opened = guarded(path, [&] {
        auto state = std::make_unique<State>(path, writable ? SQLite::OPEN_READWRITE : SQLite::OPEN_READONLY);
        configure(state->db, false);
        trouble = troubleOf(state->db);
        if (!trouble.empty()) return state;
        const int version = pragma(state->db, "user_version");
        const bool newer = version > kSchemaVersion, busy = !state->hold.isAlone();
        if (newer || (busy && writable)) {
            state = nullptr; // its locks first
            state = std::make_unique<State>(path, SQLite::OPEN_READONLY);
            configure(state->db, false);
        }
        if (newer)
            state->notice =
                Text::tr("A newer version of Uttrin wrote this notebook. It is open for reading only; "
                         "nothing in it is changed.");
        else if (!may(path, W_OK))
            state->notice = Text::tr("This notebook is read-only. Save a copy to work in it.");
        else if (busy)
            state->notice =
                Text::tr("This notebook is open in another window already: here it is open for reading "
                         "only. Save a copy to work in that.");
        else
            configure(state->db, true);
        if (version < kSchemaVersion && !state->readOnly) upgradeSchema(state->db, version);
        return state;
    });
    if (!opened) return tl::unexpected(opened.error());
    if (!trouble.empty()) return storage(path, trouble);
    return Notebook(std::move(*opened));
}

const fs::path& Notebook::path() const { return m_state->path; }
bool Notebook::readOnly() const { return m_state->readOnly; }
bool Notebook::isStillThere() const { return m_state->hold.isStillAt(m_state->path); }
const Text& Notebook::notice() const { return m_state->notice; }

Result<std::vector<Lesson>> Notebook::lessons() const {
    return guarded(m_state->path, [&] {
        return tables::select<Lesson>(m_state->statements, "ORDER BY held_on DESC, id DESC");
    });
}

Result<LessonData> Notebook::load(RowId lessonId) const {
    return guarded(m_state->path, [&] { return loadLesson(m_state->statements, lessonId); });
}

Result<std::vector<std::byte>> Notebook::picture(RowId id) const {
    return guarded(m_state->path, [&] {
        auto found = tables::select<Picture>(m_state->statements, "WHERE id = ?", id);
        return found.empty() ? std::vector<std::byte>() : std::move(found.front().bytes);
    });
}

Result<std::vector<LiveChunk>> Notebook::chunks(RowId streamId) const {
    return guarded(m_state->path, [&] {
        return tables::select<LiveChunk>(m_state->statements, "WHERE stream_id = ? ORDER BY id", streamId);
    });
}

Result<int> Notebook::count(const std::string& table) const {
    return guarded(m_state->path,
                   [&] { return m_state->db.execAndGet("SELECT count(*) FROM " + table).getInt(); });
}

namespace {

/// What is written goes through here: it begins with the file as it should be, and leaves it so.
template <typename Work>
Result<void> write(Notebook::State& state, Work work) {
    if (state.readOnly)
        return storage(state.path,
                       Text::tr("this notebook is open for reading only; save a copy to work in it"));
    if (!state.hold.isStillAt(state.path))
        return storage(state.path,
                       Text::tr("the file was moved, deleted or replaced by another program since it was "
                                "opened. Nothing was written; save a copy to keep what is here"));
    return guarded(state.path, [&] {
        // A disk that was full may have kept the last attempt from being taken back.
        if (sqlite3_get_autocommit(state.db.getHandle()) == 0) state.db.exec("ROLLBACK");
        SQLite::Transaction transaction(state.db, SQLite::TransactionBehavior::IMMEDIATE);
        work();
        transaction.commit();
    });
}

} // namespace

Result<void> Notebook::perform(const Text& label, const std::function<void(Editor&)>& change) {
    ChangeSet changes;
    auto done = write(*m_state, [&] {
        const ChangeRecorder recorder(m_state->db.getHandle());
        Editor editor(*this);
        change(editor);
        changes = recorder.changes();
    });
    if (!done || changes.empty()) return done;
    m_state->undone.clear();
    m_state->done.push_back({label, std::move(changes)});
    if (m_state->done.size() > kMostUndo) m_state->done.erase(m_state->done.begin());
    return {};
}

Result<RowId> Notebook::openStream(const LiveStream& stream) {
    RowId id = 0;
    const auto done = write(*m_state, [&] { id = Editor(*this).insert(stream); });
    if (!done) return tl::unexpected(done.error());
    return id;
}

Result<void> Notebook::keepInstrument(const InstrumentRow& instrument) {
    return write(*m_state, [&] {
        auto keep =
            m_state->statements.use("INSERT INTO instrument (id, known) VALUES (?, ?) ON CONFLICT (id) "
                                    "DO UPDATE SET known = excluded.known");
        if (instrument.id == 0)
            keep->bind(1); // SQLite's to give
        else
            keep->bind(1, instrument.id);
        keep->bind(2, instrument.known);
        keep->exec();
    });
}

Result<void> Notebook::append(const std::vector<LiveChunk>& chunks) {
    return write(*m_state, [&] {
        for (const LiveChunk& chunk : chunks) {
            auto insert = m_state->statements.use(tables::insertSql<LiveChunk>());
            tables::bindRecord(*insert, chunk);
            insert->exec();
        }
    });
}

bool Notebook::canUndo() const { return !m_state->done.empty(); }
bool Notebook::canRedo() const { return !m_state->undone.empty(); }
Text Notebook::undoLabel() const { return canUndo() ? m_state->done.back().label : Text(); }
Text Notebook::redoLabel() const { return canRedo() ? m_state->undone.back().label : Text(); }

Result<void> Notebook::step(bool back) {
    auto& from = back ? m_state->done : m_state->undone;
    auto& to = back ? m_state->undone : m_state->done;
    if (from.empty()) return {};
    auto done = write(*m_state, [&] {
        applyChanges(m_state->db.getHandle(), back ? inverted(from.back().changes) : from.back().changes);
    });
    if (!done) return done;
    to.push_back(std::move(from.back()));
    from.pop_back();
    return {};
}

Result<void> Notebook::undo() { return step(true); }
Result<void> Notebook::redo() { return step(false); }

Result<void> Notebook::saveCopy(const fs::path& to) const {
    std::error_code ignored;
    if (fs::exists(to, ignored))
        return storage(to, Text::tr("there is a file of this name already; choose another name"));
    return writeBeside(
        to,
        [&](const fs::path& beside) -> Result<void> {
            removeDatabase(beside); // of a program that was ended
            auto copied = guarded(to, [&] {
                SQLite::Statement statement(m_state->db, "VACUUM INTO ?");
                statement.bind(1, beside.string());
                statement.exec();
            });
            if (!copied) {
                removeDatabase(beside);
                return copied;
            }
            const auto sound = guarded(to, [&] {
                SQLite::Database copy(beside.string(), SQLite::OPEN_READONLY);
                return complaints(copy, "quick_check");
            });
            if (!sound) return tl::unexpected(sound.error());
            if (!sound->empty())
                return storage(
                    to, Text::tr("the copy came out damaged ({}); choose another place", sound->front()));
            return {};
        },
        false);
}

Result<std::vector<Text>> Notebook::check() const {
    return guarded(m_state->path, [&] {
        std::vector<Text> wrong;
        for (const std::string& line : complaints(m_state->db, "integrity_check"))
            wrong.push_back(Text::typed(line));
        SQLite::Statement keys(m_state->db, "PRAGMA foreign_key_check");
        while (keys.executeStep())
            wrong.push_back(Text::tr("row {} of {} refers to a missing row of {}",
                                     keys.getColumn(1).getString(), keys.getColumn(0).getString(),
                                     keys.getColumn(2).getString()));
        return wrong;
    });
}

} // namespace uttrin
