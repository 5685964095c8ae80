#include "WholeFile.h"

#include <fmt/format.h>

#include <cerrno>
#include <cstring>
#include <fcntl.h>
#include <sys/stat.h>
#include <unistd.h>

namespace uttrin {
namespace fs = std::filesystem;

namespace {

/// A file of the system that is closed at the end.
class Descriptor {
public:
    explicit Descriptor(int fd) : m_fd(fd) {}
    Descriptor(const Descriptor&) = delete;
    Descriptor& operator=(const Descriptor&) = delete;
    ~Descriptor() {
        if (m_fd >= 0) ::close(m_fd);
    }
    [[nodiscard]] int get() const { return m_fd; }
    /// Closes it now. @return whether that went well: some file systems report a full disk only here.
    bool close() {
        const int fd = std::exchange(m_fd, -1);
        return fd < 0 || ::close(fd) == 0;
    }

private:
    int m_fd;
};

tl::unexpected<Failure> refused(const fs::path& path, const Text& what) {
    return fail(Failure::Storage, Text::set("{} {}", path.string(), what));
}

tl::unexpected<Failure> notWritten(const fs::path& path, int error) {
    return refused(path, Text::tr("could not be written: {}", adviceFor(error)));
}

/// Puts on disk what the folder says of its files; a file system that cannot is left to itself.
void syncFolder(const fs::path& path) {
    const fs::path folder = path.has_parent_path() ? path.parent_path() : fs::path(".");
    const Descriptor handle(::open(folder.c_str(), O_RDONLY | O_DIRECTORY | O_CLOEXEC));
    if (handle.get() >= 0) ::fsync(handle.get());
}

/// Takes a file away again at the end, unless it was put in its place.
class Beside {
public:
    explicit Beside(fs::path path) : m_path(std::move(path)) {}
    Beside(const Beside&) = delete;
    Beside& operator=(const Beside&) = delete;
    ~Beside() {
        if (m_path.empty()) return;
        std::error_code ignored;
        fs::remove(m_path, ignored);
    }
    [[nodiscard]] const fs::path& path() const { return m_path; }
    void keep() { m_path.clear(); }

private:
    fs::path m_path;
};

fs::path nameBeside(const fs::path& path) { return path.string() + fmt::format(".part-{}", ::getpid()); }

/// @param named  the place that a failure speaks of.
Result<void> writeBytes(const fs::path& path, std::string_view bytes, const fs::path& named) {
    Descriptor file(::open(path.c_str(), O_WRONLY | O_CREAT | O_TRUNC | O_CLOEXEC, 0666));
    if (file.get() < 0) return notWritten(named, errno);
    std::size_t done = 0;
    while (done < bytes.size()) {
        const auto written = ::write(file.get(), bytes.data() + done, bytes.size() - done);
        if (written < 0 && errno == EINTR) continue;
        if (written <= 0) return notWritten(named, errno);
        done += static_cast<std::size_t>(written);
    }
    if (!file.close()) return notWritten(named, errno);
    return {};
}

} // namespace

Text adviceFor(int systemError) {
    switch (systemError) {
    case ENOSPC:
    case EDQUOT:
        return Text::tr("the disk is full; free some space, or choose another folder");
    case EACCES:
    case EPERM:
    case EROFS:
        return Text::tr("you may not write there; choose a folder that you may write to");
    case ENOENT:
    case ENOTDIR:
        return Text::tr("there is no such folder");
    default:
        return Text::tr("{}; try again, or choose another folder", std::strerror(systemError));
    }
}

Result<std::string> readWholeFile(const fs::path& path, std::size_t mostBytes) {
    // Not blocking: a pipe that nobody writes to would hold the program for ever.
    const Descriptor file(::open(path.c_str(), O_RDONLY | O_NONBLOCK | O_CLOEXEC));
    if (file.get() < 0)
        return refused(path, errno == ENOENT ? Text::tr("cannot be read: there is no such file")
                                             : Text::tr("cannot be read: {}", std::strerror(errno)));
    struct stat status {};
    if (::fstat(file.get(), &status) != 0 || !S_ISREG(status.st_mode))
        return refused(path, Text::tr("cannot be read: it is not a file but a folder, a device or a pipe"));
    const Text tooLong = Text::tr("is longer than {} MiB, the most that is read here", mostBytes / kMebibyte);
    if (static_cast<std::uint64_t>(status.st_size) > mostBytes) return refused(path, tooLong);
    std::string bytes(static_cast<std::size_t>(status.st_size), '\0');
    std::size_t done = 0;
    while (done < bytes.size()) {
        const auto got = ::read(file.get(), bytes.data() + done, bytes.size() - done);
        if (got < 0 && errno == EINTR) continue;
        if (got < 0) return refused(path, Text::tr("cannot be read: {}", std::strerror(errno)));
        if (got == 0) break; // it was made shorter meanwhile
        done += static_cast<std::size_t>(got);
    }
    bytes.resize(done);
    return bytes;
}

Result<void> writeBeside(const fs::path& path, const std::function<Result<void>(const fs::path&)>& write,
                         bool replace) {
    Beside beside(nameBeside(path));
    if (const auto written = write(beside.path()); !written) return tl::unexpected(written.error());
    Descriptor file(::open(beside.path().c_str(), O_RDONLY | O_CLOEXEC));
    if (file.get() < 0 || ::fsync(file.get()) != 0 || !file.close()) return notWritten(path, errno);
    // A link refuses to take the place of a file that came meanwhile; a renaming does not.
    const int placed =
        replace ? ::rename(beside.path().c_str(), path.c_str()) : ::link(beside.path().c_str(), path.c_str());
    if (placed != 0 && !replace && errno == EEXIST)
        return refused(
            path,
            Text::tr("could not be written: there is a file of this name already; choose another name"));
    if (placed != 0) return notWritten(path, errno);
    if (replace) beside.keep();
    syncFolder(path);
    return {};
}

Result<void> writeWholeFile(const fs::path& path, std::string_view bytes) {
    return writeBeside(path, [&](const fs::path& beside) -> Result<void> {
        if (auto written = writeBytes(beside, bytes, path); !written) return written;
        const auto again = readWholeFile(beside, bytes.size());
        if (!again || *again != bytes)
            return refused(path,
                           Text::tr("could not be written: what was read back is not what was written"));
        return {};
    });
}

} // namespace uttrin
