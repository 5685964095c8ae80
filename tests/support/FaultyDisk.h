#pragma once

#include <string>

namespace uttrin::testing {

/// A disk under SQLite that fails on demand: a VFS over the system's own, the default one while it lives.
class FaultyDisk {
public:
    enum Operation { Read, Write, Sync, Truncate, Lock, kOperations };

    FaultyDisk();
    FaultyDisk(const FaultyDisk&) = delete;
    FaultyDisk& operator=(const FaultyDisk&) = delete;
    ~FaultyDisk();

    /// From now on the n-th operation of a kind (counted from 1) fails with this code of SQLite's.
    /// @param stays  whether all later ones of that kind fail too, until `mend`.
    void breakAt(Operation operation, int n, int code, bool stays);
    void mend();
    /// How many operations of a kind there were since `breakAt`.
    [[nodiscard]] int count(Operation operation) const;
    [[nodiscard]] bool hasFailed() const;
};

[[nodiscard]] std::string nameOf(FaultyDisk::Operation operation);

} // namespace uttrin::testing
