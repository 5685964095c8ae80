#include "Notebook.h"

#include "ChangeSet.h"
#include "RowAccess.h"
#include "Schema.h"

#include <fmt/format.h>

#include <array>
#include <fcntl.h>
#include <fstream>
#include <stdexcept>
#include <unistd.h>

namespace uttrin {
namespace fs = std::filesystem;

namespace {

constexpr std::size_t kMostUndo = 200;
constexpr int kBusyMilliseconds = 2000;

struct Step {
    std::string label;
    ChangeSet changes; ///< as made; undoing applies the inverse
};

tl::unexpected<Failure> storage(const fs::path& path, std::string_view what) {
    return fail(Failure::Storage, fmt::format("{}: {}", path.filename().string(), what));
}

bool hasSqliteHeader(const fs::path& path) {
    static constexpr std::string_view kMagic = "SQLite format 3";
    std::array<char, 16> head{};
    std::ifstream file(path, std::ios::binary);
    file.read(head.data(), head.size());
    return file.gcount() == 16 && std::string_view(head.data(), kMagic.size()) == kMagic;
}

/// Whether this process may do so to the file. @param what  R_OK or W_OK.
bool may(const fs::path& path, int what) {
    return ::faccessat(AT_FDCWD, path.c_str(), what, AT_EACCESS) == 0;
}

void configure(SQLite::Database& db, bool readOnly) {
    db.setBusyTimeout(kBusyMilliseconds);
    db.exec("PRAGMA foreign_keys = ON");
    db.exec("PRAGMA trusted_schema = OFF");
    db.exec("PRAGMA cell_size_check = ON");
    if (!readOnly) db.exec("PRAGMA journal_mode = DELETE; PRAGMA synchronous = FULL");
}

int pragma(SQLite::Database& db, const char* name) {
    return db.execAndGet(fmt::format("PRAGMA {}", name)).getInt();
}

/// Brings the tables of an older notebook up to this version, all of it or nothing.
void upgrade(SQLite::Database& db) {
    SQLite::Transaction transaction(db);
    db.exec(kPhotoTables);
    db.exec(fmt::format("PRAGMA user_version = {}", kSchemaVersion));
    transaction.commit();
}

constexpr int kFirstVersionWithPhotos = 2;

/// The first few complaints of SQLite's own check.
std::vector<std::string> complaints(SQLite::Database& db, const char* check) {
    std::vector<std::string> out;
    SQLite::Statement statement(db, fmt::format("PRAGMA {}(20)", check));
    while (statement.executeStep())
        if (const auto line = statement.getColumn(0).getString(); line != "ok") out.push_back(line);
    return out;
}

} // namespace

struct Notebook::State {
    fs::path path;
    SQLite::Database db;
    bool readOnly = false;
    std::string notice;
    std::vector<Step> done, undone;

    State(fs::path p, int flags)
        : path(std::move(p)), db(path.string(), flags), readOnly((flags & SQLite::OPEN_READONLY) != 0) {}
};

Notebook::Notebook(std::unique_ptr<State> state) : m_state(std::move(state)) {}
Notebook::Notebook(Notebook&&) noexcept = default;
Notebook& Notebook::operator=(Notebook&&) noexcept = default;
Notebook::~Notebook() = default;

Result<Notebook> Notebook::create(const fs::path& path) {
    std::error_code ignored;
    if (fs::exists(path, ignored))
        return storage(path, "there is a file of this name already; choose another name");
    try {
        auto state = std::make_unique<State>(path, SQLite::OPEN_READWRITE | SQLite::OPEN_CREATE);
        configure(state->db, false);
        SQLite::Transaction transaction(state->db);
        state->db.exec(kSchema);
        state->db.exec(kPhotoTables);
        state->db.exec(fmt::format("PRAGMA application_id = {}; PRAGMA user_version = {}", kApplicationId,
                                   kSchemaVersion));
        transaction.commit();
        return Notebook(std::move(state));
    } catch (const SQLite::Exception& e) {
        return storage(
            path, fmt::format("cannot be made here ({}); choose a folder that you may write to", e.what()));
    }
}

Result<Notebook> Notebook::open(const fs::path& path) {
    std::error_code error;
    if (!fs::is_regular_file(path, error)) return storage(path, "there is no such file");
    if (!may(path, R_OK)) return storage(path, "you may not read this file");
    if (!hasSqliteHeader(path)) return storage(path, "this is not an Uttrin notebook; nothing was changed");
    try {
        const bool writable = may(path, W_OK);
        auto state = std::make_unique<State>(path, writable ? SQLite::OPEN_READWRITE : SQLite::OPEN_READONLY);
        configure(state->db, true);
        if (pragma(state->db, "application_id") != kApplicationId)
            return storage(path, "this is a database, but not an Uttrin notebook; nothing was changed");
        const int version = pragma(state->db, "user_version");
        if (version < 1)
            return storage(path, "this notebook has no version; it is damaged. Nothing was changed; what can "
                                 "be read can be saved to a new notebook");
        if (const auto wrong = complaints(state->db, "quick_check"); !wrong.empty())
            return storage(path, fmt::format("this notebook is damaged ({}). Nothing was changed; what can "
                                             "be read can be saved to a new notebook",
                                             wrong.front()));
        (void)tables::select<Lesson>(state->db,
                                     ""); // a missing table or column shows before anything is written
        if (version > kSchemaVersion) {
            state = std::make_unique<State>(path, SQLite::OPEN_READONLY);
            configure(state->db, true);
            state->notice = "A newer version of Uttrin wrote this notebook. It is open for reading only; "
                            "nothing in it is changed.";
        } else if (!writable) {
            state->notice = "This notebook is read-only. Save a copy to work in it.";
        } else {
            configure(state->db, false);
            if (version < kSchemaVersion) upgrade(state->db);
        }
        return Notebook(std::move(state));
    } catch (const SQLite::Exception& e) {
        return storage(path, fmt::format("this notebook cannot be read ({}). Nothing was changed; what can "
                                         "be read can be saved to a new notebook",
                                         e.what()));
    }
}

const fs::path& Notebook::path() const { return m_state->path; }
bool Notebook::readOnly() const { return m_state->readOnly; }
const std::string& Notebook::notice() const { return m_state->notice; }

std::vector<Lesson> Notebook::lessons() const {
    return tables::select<Lesson>(m_state->db, "ORDER BY held_on DESC, id DESC");
}

LessonData Notebook::load(RowId lessonId) const {
    auto& db = m_state->db;
    LessonData data;
    auto lesson = tables::select<Lesson>(db, "WHERE id = ?", lessonId);
    if (lesson.empty()) throw std::runtime_error(fmt::format("no lesson {}", lessonId));
    data.lesson = std::move(lesson.front());
    data.rooms = tables::select<RoomRecord>(db, "WHERE lesson_id = ? ORDER BY id", lessonId);
    data.setups = tables::select<Setup>(db, "WHERE lesson_id = ? ORDER BY id", lessonId);
    data.groups = tables::select<Group>(db, "WHERE lesson_id = ? ORDER BY id", lessonId);
    data.predictions = tables::select<Prediction>(
        db, "JOIN setup ON setup.id = prediction.setup_id WHERE setup.lesson_id = ? ORDER BY prediction.id",
        lessonId);
    data.runs = tables::select<Run>(
        db, "JOIN setup ON setup.id = run.setup_id WHERE setup.lesson_id = ? ORDER BY run.id", lessonId);
    const auto ofRuns = [](const char* table, const char* order) {
        return fmt::format("JOIN run ON run.id = {0}.run_id JOIN setup ON setup.id = run.setup_id WHERE "
                           "setup.lesson_id = ? ORDER BY {1}",
                           table, order);
    };
    data.readings =
        tables::select<Reading>(db, ofRuns("reading", "reading.run_id, reading.position"), lessonId);
    data.zeros = tables::select<ZeroCheck>(db, ofRuns("zero_check", "zero_check.id"), lessonId);
    data.notes = tables::select<Note>(db, ofRuns("note", "note.id"), lessonId);
    if (pragma(db, "user_version") >= kFirstVersionWithPhotos)
        data.photos = tables::select<Photo>(db, "WHERE lesson_id = ? ORDER BY id", lessonId);
    return data;
}

std::vector<std::byte> Notebook::picture(RowId id) const {
    auto found = tables::select<Picture>(m_state->db, "WHERE id = ?", id);
    return found.empty() ? std::vector<std::byte>() : std::move(found.front().bytes);
}

int Notebook::count(const std::string& table) const {
    return m_state->db.execAndGet("SELECT count(*) FROM " + table).getInt();
}

namespace {

template <typename Record>
RowId insertRecord(SQLite::Database& db, const Record& record) {
    SQLite::Statement statement(db, tables::insertSql<Record>());
    tables::bindRecord(statement, record);
    statement.exec();
    return db.getLastInsertRowid();
}

template <typename Record>
void updateRecord(SQLite::Database& db, const Record& record) {
    SQLite::Statement statement(db, tables::updateSql<Record>());
    tables::bindRecord(statement, record);
    if (statement.exec() != 1)
        throw std::runtime_error(fmt::format("no row {} in {}", record.id, tables::Table<Record>::name));
}

} // namespace

RowId Notebook::Editor::insert(const Lesson& r) { return insertRecord(m_notebook.m_state->db, r); }
RowId Notebook::Editor::insert(const RoomRecord& r) { return insertRecord(m_notebook.m_state->db, r); }
RowId Notebook::Editor::insert(const Setup& r) { return insertRecord(m_notebook.m_state->db, r); }
RowId Notebook::Editor::insert(const Prediction& r) { return insertRecord(m_notebook.m_state->db, r); }
RowId Notebook::Editor::insert(const Group& r) { return insertRecord(m_notebook.m_state->db, r); }
RowId Notebook::Editor::insert(const Run& r) { return insertRecord(m_notebook.m_state->db, r); }
RowId Notebook::Editor::insert(const Reading& r) { return insertRecord(m_notebook.m_state->db, r); }
RowId Notebook::Editor::insert(const ZeroCheck& r) { return insertRecord(m_notebook.m_state->db, r); }
RowId Notebook::Editor::insert(const Note& r) { return insertRecord(m_notebook.m_state->db, r); }
RowId Notebook::Editor::insert(const Picture& r) { return insertRecord(m_notebook.m_state->db, r); }
RowId Notebook::Editor::insert(const Photo& r) { return insertRecord(m_notebook.m_state->db, r); }
void Notebook::Editor::update(const Lesson& r) { updateRecord(m_notebook.m_state->db, r); }
void Notebook::Editor::update(const RoomRecord& r) { updateRecord(m_notebook.m_state->db, r); }
void Notebook::Editor::update(const Setup& r) { updateRecord(m_notebook.m_state->db, r); }
void Notebook::Editor::update(const Run& r) { updateRecord(m_notebook.m_state->db, r); }
void Notebook::Editor::update(const Reading& r) { updateRecord(m_notebook.m_state->db, r); }

void Notebook::Editor::remove(const Prediction& r) {
    SQLite::Statement statement(m_notebook.m_state->db, "DELETE FROM prediction WHERE id = ?");
    statement.bind(1, r.id);
    statement.exec();
}

Result<void> Notebook::perform(const std::string& label, const std::function<void(Editor&)>& change) {
    if (m_state->readOnly)
        return storage(m_state->path, "this notebook is open for reading only; save a copy to work in it");
    try {
        const ChangeRecorder recorder(m_state->db.getHandle());
        SQLite::Transaction transaction(m_state->db);
        Editor editor(*this);
        change(editor);
        transaction.commit();
        ChangeSet changes = recorder.changes();
        if (changes.empty()) return {};
        m_state->undone.clear();
        m_state->done.push_back({label, std::move(changes)});
        if (m_state->done.size() > kMostUndo) m_state->done.erase(m_state->done.begin());
        return {};
    } catch (const SQLite::Exception& e) {
        return storage(m_state->path, fmt::format("could not be written ({}). Nothing was lost from it; free "
                                                  "some space or save a copy elsewhere",
                                                  e.what()));
    }
}

bool Notebook::canUndo() const { return !m_state->done.empty(); }
bool Notebook::canRedo() const { return !m_state->undone.empty(); }
std::string Notebook::undoLabel() const { return canUndo() ? m_state->done.back().label : std::string(); }
std::string Notebook::redoLabel() const { return canRedo() ? m_state->undone.back().label : std::string(); }

Result<void> Notebook::step(bool back) {
    auto& from = back ? m_state->done : m_state->undone;
    auto& to = back ? m_state->undone : m_state->done;
    if (from.empty()) return {};
    try {
        SQLite::Transaction transaction(m_state->db);
        applyChanges(m_state->db.getHandle(), back ? inverted(from.back().changes) : from.back().changes);
        transaction.commit();
    } catch (const std::runtime_error& e) {
        return storage(m_state->path, fmt::format("could not be changed ({})", e.what()));
    }
    to.push_back(std::move(from.back()));
    from.pop_back();
    return {};
}

Result<void> Notebook::undo() { return step(true); }
Result<void> Notebook::redo() { return step(false); }

Result<void> Notebook::saveCopy(const fs::path& to) const {
    std::error_code ignored;
    if (fs::exists(to, ignored))
        return storage(to, "there is a file of this name already; choose another name");
    try {
        SQLite::Statement statement(m_state->db, "VACUUM INTO ?");
        statement.bind(1, to.string());
        statement.exec();
        return {};
    } catch (const SQLite::Exception& e) {
        return storage(to, fmt::format("the copy could not be written ({})", e.what()));
    }
}

std::vector<std::string> Notebook::check() const {
    auto wrong = complaints(m_state->db, "integrity_check");
    SQLite::Statement keys(m_state->db, "PRAGMA foreign_key_check");
    while (keys.executeStep())
        wrong.push_back(fmt::format("row {} of {} refers to a missing row of {}",
                                    keys.getColumn(1).getString(), keys.getColumn(0).getString(),
                                    keys.getColumn(2).getString()));
    return wrong;
}

namespace {

/// Copies rows with their ids until the damaged file gives no more.
template <typename Record>
void copyTable(SQLite::Database& from, SQLite::Database& to) {
    try {
        SQLite::Statement source(from, tables::selectSql<Record>(""));
        while (source.executeStep()) {
            const Record record = tables::readRecord<Record>(source);
            const RowId id = insertRecord(to, record);
            SQLite::Statement keepId(
                to, fmt::format("UPDATE {} SET id = ? WHERE id = ?", tables::Table<Record>::name));
            keepId.bind(1, record.id);
            keepId.bind(2, id);
            keepId.exec();
        }
    } catch (const SQLite::Exception&) {
        // The rest of this table cannot be read; the next table may be.
    }
}

} // namespace

void Notebook::copyReadable(State& from, Notebook& into) {
    SQLite::Database& to = into.m_state->db;
    to.exec("PRAGMA foreign_keys = OFF");
    SQLite::Transaction transaction(to);
    copyTable<Lesson>(from.db, to);
    copyTable<Group>(from.db, to);
    copyTable<RoomRecord>(from.db, to);
    copyTable<Setup>(from.db, to);
    copyTable<Prediction>(from.db, to);
    copyTable<Run>(from.db, to);
    copyTable<ZeroCheck>(from.db, to);
    copyTable<Reading>(from.db, to);
    copyTable<Note>(from.db, to);
    copyTable<Picture>(from.db, to);
    copyTable<Photo>(from.db, to);
    transaction.commit();
    to.exec("PRAGMA foreign_keys = ON");
}

Result<int> Notebook::salvage(const fs::path& damaged, const fs::path& to) {
    if (!hasSqliteHeader(damaged)) return storage(damaged, "nothing in this file can be read as a notebook");
    auto fresh = create(to);
    if (!fresh) return tl::unexpected(fresh.error());
    try {
        State source(damaged, SQLite::OPEN_READONLY);
        source.db.exec(
            "PRAGMA writable_schema = ON"); // makes SQLite read a file that is shorter than its header says
        copyReadable(source, *fresh);
    } catch (const SQLite::Exception&) {
        // Not even its first page can be read: the count below says that nothing was saved.
    }
    const int saved = fresh->count("reading");
    if (saved == 0 && fresh->count("lesson") == 0) {
        *fresh = Notebook(nullptr);
        fs::remove(to);
        return storage(damaged, "nothing in this notebook can be read any more");
    }
    return saved;
}

} // namespace uttrin
