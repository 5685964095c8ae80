#include "NotebookState.h"

#include <fmt/format.h>
#include <sqlite3.h>

#include <array>
#include <cerrno>
#include <fcntl.h>
#include <fstream>
#include <sys/file.h>
#include <sys/stat.h>
#include <unistd.h>

namespace uttrin {
namespace fs = std::filesystem;

namespace {

constexpr int kBusyMilliseconds = 2000;
constexpr int kLongestValue = 256 << 20; // bytes, above any picture

Text adviceFor(int code, const char* what) {
    switch (code & 0xff) {
    case SQLITE_BUSY:
    case SQLITE_LOCKED:
        return Text::tr(
            "another program is using this notebook. Nothing was changed; close it there and try again");
    case SQLITE_FULL:
        return Text::tr(
            "could not be written: the disk is full. Nothing was changed; free some space and try again, "
            "or save a copy elsewhere");
    case SQLITE_READONLY:
    case SQLITE_PERM:
        return Text::tr(
            "could not be written: you may not write this file or its folder. Nothing was changed; save a "
            "copy elsewhere");
    case SQLITE_IOERR:
    case SQLITE_CANTOPEN:
        return Text::tr("the disk did not do as it was told ({}). What was captured before is safe; try "
                        "again, or save a copy elsewhere",
                        what);
    case SQLITE_CORRUPT:
    case SQLITE_NOTADB:
        return Text::tr("this notebook is damaged ({}). Nothing was changed; what can be read can be saved "
                        "to a new notebook",
                        what);
    default:
        return Text::tr("this notebook cannot be read as it should ({}). Nothing was changed; what can be "
                        "read can be saved to a new notebook",
                        what);
    }
}

} // namespace

FileHold::FileHold(const fs::path& path) : m_fd(::open(path.c_str(), O_RDONLY | O_CLOEXEC)) {
    struct stat status {};
    if (m_fd < 0 || ::fstat(m_fd, &status) != 0) return;
    m_device = status.st_dev;
    m_inode = status.st_ino;
    m_alone = ::flock(m_fd, LOCK_EX | LOCK_NB) == 0 || errno != EWOULDBLOCK;
}

FileHold::~FileHold() {
    if (m_fd >= 0) ::close(m_fd);
}

bool FileHold::isStillAt(const fs::path& path) const {
    struct stat status {};
    return m_fd < 0 ||
           (::stat(path.c_str(), &status) == 0 && status.st_dev == m_device && status.st_ino == m_inode);
}

Notebook::State::State(fs::path p, int flags)
    : path(std::move(p)), hold(path), db(path.string(), flags),
      readOnly((flags & SQLite::OPEN_READONLY) != 0) {}

tl::unexpected<Failure> storage(const fs::path& path, const Text& what) {
    return fail(Failure::Storage, Text::set("{}: {}", path.filename().string(), what));
}

tl::unexpected<Failure> explained(const fs::path& path, const SQLite::Exception& e) {
    return storage(path, adviceFor(e.getErrorCode(), e.what()));
}

void configure(SQLite::Database& db, bool writes) {
    db.setBusyTimeout(kBusyMilliseconds);
    sqlite3* handle = db.getHandle();
    sqlite3_db_config(handle, SQLITE_DBCONFIG_ENABLE_TRIGGER, 0, nullptr);
    sqlite3_db_config(handle, SQLITE_DBCONFIG_ENABLE_VIEW, 0, nullptr);
    sqlite3_limit(handle, SQLITE_LIMIT_LENGTH, kLongestValue);
    db.exec("PRAGMA foreign_keys = ON");
    db.exec("PRAGMA trusted_schema = OFF");
    db.exec("PRAGMA cell_size_check = ON");
    if (writes) db.exec("PRAGMA journal_mode = DELETE; PRAGMA synchronous = FULL");
}

int pragma(SQLite::Database& db, const char* name) {
    return db.execAndGet(fmt::format("PRAGMA {}", name)).getInt();
}

std::vector<std::string> complaints(SQLite::Database& db, const char* check) {
    std::vector<std::string> out;
    SQLite::Statement statement(db, fmt::format("PRAGMA {}(20)", check));
    while (statement.executeStep())
        if (const auto line = statement.getColumn(0).getString(); line != "ok") out.push_back(line);
    return out;
}

void removeDatabase(const fs::path& path) {
    std::error_code ignored;
    fs::remove(path, ignored);
    fs::remove(path.string() + "-journal", ignored);
}

bool hasSqliteHeader(const fs::path& path) {
    static constexpr std::string_view kMagic = "SQLite format 3";
    std::array<char, 16> head{};
    std::ifstream file(path, std::ios::binary);
    file.read(head.data(), head.size());
    return file.gcount() == 16 && std::string_view(head.data(), kMagic.size()) == kMagic;
}

} // namespace uttrin
