#include "FaultyDisk.h"

#include <sqlite3.h>

#include <array>
#include <cstring>
#include <new>

namespace uttrin::testing {
namespace {

struct Plan {
    int operation = -1, nth = 0, code = SQLITE_IOERR;
    bool stays = false, failed = false;
    std::array<int, FaultyDisk::kOperations> counts{};
};
Plan plan; // of the one disk that lives at a time
sqlite3_vfs* below = nullptr;

/// SQLITE_OK, or the code with which this operation is to fail.
int due(FaultyDisk::Operation operation) {
    const int n = ++plan.counts[operation];
    if (operation != plan.operation || (plan.stays ? n < plan.nth : n != plan.nth)) return SQLITE_OK;
    plan.failed = true;
    return plan.code;
}

/// A file of the shim, with the system's own behind it in the same memory.
struct File {
    sqlite3_file base;
    sqlite3_file* real;
};
sqlite3_file* real(sqlite3_file* file) { return reinterpret_cast<File*>(file)->real; }

int closeFile(sqlite3_file* f) { return real(f)->pMethods->xClose(real(f)); }
int readFile(sqlite3_file* f, void* to, int size, sqlite3_int64 at) {
    if (const int code = due(FaultyDisk::Read)) return code;
    return real(f)->pMethods->xRead(real(f), to, size, at);
}
int writeFile(sqlite3_file* f, const void* from, int size, sqlite3_int64 at) {
    if (const int code = due(FaultyDisk::Write)) return code;
    return real(f)->pMethods->xWrite(real(f), from, size, at);
}
int truncateFile(sqlite3_file* f, sqlite3_int64 size) {
    if (const int code = due(FaultyDisk::Truncate)) return code;
    return real(f)->pMethods->xTruncate(real(f), size);
}
int syncFile(sqlite3_file* f, int flags) {
    if (const int code = due(FaultyDisk::Sync)) return code;
    return real(f)->pMethods->xSync(real(f), flags);
}
int fileSize(sqlite3_file* f, sqlite3_int64* size) { return real(f)->pMethods->xFileSize(real(f), size); }
int lockFile(sqlite3_file* f, int kind) {
    if (const int code = due(FaultyDisk::Lock)) return code;
    return real(f)->pMethods->xLock(real(f), kind);
}
int unlockFile(sqlite3_file* f, int kind) { return real(f)->pMethods->xUnlock(real(f), kind); }
int checkLock(sqlite3_file* f, int* out) { return real(f)->pMethods->xCheckReservedLock(real(f), out); }
int control(sqlite3_file* f, int op, void* arg) { return real(f)->pMethods->xFileControl(real(f), op, arg); }
int sectorSize(sqlite3_file* f) { return real(f)->pMethods->xSectorSize(real(f)); }
int traits(sqlite3_file* f) { return real(f)->pMethods->xDeviceCharacteristics(real(f)); }

const sqlite3_io_methods kMethods{1,        closeFile,  readFile, writeFile,  truncateFile,
                                  syncFile, fileSize,   lockFile, unlockFile, checkLock,
                                  control,  sectorSize, traits,   nullptr,    nullptr,
                                  nullptr,  nullptr,    nullptr,  nullptr};

int openFile(sqlite3_vfs*, const char* name, sqlite3_file* file, int flags, int* out) {
    auto* own = reinterpret_cast<File*>(file);
    own->real = reinterpret_cast<sqlite3_file*>(own + 1);
    own->base.pMethods = nullptr;
    const int code = below->xOpen(below, name, own->real, flags, out);
    if (own->real->pMethods) own->base.pMethods = &kMethods;
    return code;
}
int deleteFile(sqlite3_vfs*, const char* name, int sync) { return below->xDelete(below, name, sync); }
int access_(sqlite3_vfs*, const char* name, int flags, int* out) {
    return below->xAccess(below, name, flags, out);
}
int fullPath(sqlite3_vfs*, const char* name, int size, char* out) {
    return below->xFullPathname(below, name, size, out);
}

sqlite3_vfs shim;

} // namespace

FaultyDisk::FaultyDisk() {
    below = sqlite3_vfs_find(nullptr);
    plan = Plan{};
    shim = *below; // what is not replaced goes straight through
    shim.zName = "faulty";
    shim.szOsFile = static_cast<int>(sizeof(File)) + below->szOsFile;
    shim.xOpen = openFile;
    shim.xDelete = deleteFile;
    shim.xAccess = access_;
    shim.xFullPathname = fullPath;
    sqlite3_vfs_register(&shim, 1);
}

FaultyDisk::~FaultyDisk() {
    sqlite3_vfs_register(below, 1);
    sqlite3_vfs_unregister(&shim);
}

void FaultyDisk::breakAt(Operation operation, int n, int code, bool stays) {
    plan = Plan{operation, n, code, stays, false, {}};
}
void FaultyDisk::mend() { plan.operation = -1; }
int FaultyDisk::count(Operation operation) const { return plan.counts[operation]; }
bool FaultyDisk::hasFailed() const { return plan.failed; }

std::string nameOf(FaultyDisk::Operation operation) {
    static constexpr std::array<const char*, FaultyDisk::kOperations> names{"read", "write", "sync",
                                                                            "truncate", "lock"};
    return names[operation];
}

} // namespace uttrin::testing
