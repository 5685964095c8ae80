#include "files/WholeFile.h"

#include "support/TempDir.h"

#include <gtest/gtest.h>

#include <csignal>
#include <fstream>
#include <iterator>
#include <sys/resource.h>
#include <sys/stat.h>

namespace uttrin {
namespace {

namespace fs = std::filesystem;

std::string bytesOf(const fs::path& path) {
    std::ifstream file(path, std::ios::binary);
    return {std::istreambuf_iterator<char>(file), {}};
}

/// Files may be no longer than this while it lives: a write beyond fails as on a full disk.
class ShortFiles {
public:
    explicit ShortFiles(rlim_t bytes) {
        ::signal(SIGXFSZ, SIG_IGN);
        ::getrlimit(RLIMIT_FSIZE, &m_before);
        const rlimit now{bytes, m_before.rlim_max};
        ::setrlimit(RLIMIT_FSIZE, &now);
    }
    ShortFiles(const ShortFiles&) = delete;
    ShortFiles& operator=(const ShortFiles&) = delete;
    ~ShortFiles() { ::setrlimit(RLIMIT_FSIZE, &m_before); }

private:
    rlimit m_before{};
};

TEST(WholeFile, ComesBackByteForByteAndReplacesWhatWasThere) {
    const testing::TempDir dir;
    const std::string bytes("a\0b\r\n\xff", 6);
    ASSERT_TRUE(writeWholeFile(dir / "a", "before"));
    ASSERT_TRUE(writeWholeFile(dir / "a", bytes));
    EXPECT_EQ(*readWholeFile(dir / "a", 100), bytes);
    ASSERT_TRUE(writeWholeFile(dir / "a", ""));
    EXPECT_EQ(*readWholeFile(dir / "a", 100), "");
}

// A PDF was called saved with 24,576 of its 342,967 bytes.
TEST(WholeFile, AWriteThatDoesNotFitLeavesTheOldFileAndNothingBeside) {
    const testing::TempDir dir;
    ASSERT_TRUE(writeWholeFile(dir / "a", "before"));
    {
        const ShortFiles limit(1000);
        const auto written = writeWholeFile(dir / "a", std::string(5000, 'x'));
        ASSERT_FALSE(written);
        EXPECT_EQ(written.error().kind, Failure::Storage);
        EXPECT_NE(plain(written.error().message).find("could not be written"), std::string::npos);
    }
    EXPECT_EQ(bytesOf(dir / "a"), "before");
    EXPECT_EQ(std::distance(fs::directory_iterator(dir / ""), fs::directory_iterator()), 1);
    EXPECT_TRUE(writeWholeFile(dir / "a", std::string(5000, 'x')));
}

TEST(WholeFile, SaysWhatIsWrongWithThePlace) {
    const testing::TempDir dir;
    EXPECT_EQ(writeWholeFile("/nowhere/at/all", "x").error().message,
              "/nowhere/at/all could not be written: there is no such folder");
    ASSERT_TRUE(writeWholeFile(dir / "a", "x"));
    const auto again = writeBeside(
        dir / "a", [](const fs::path& beside) { return writeWholeFile(beside, "y"); }, false);
    ASSERT_FALSE(again);
    EXPECT_NE(plain(again.error().message).find("a file of this name already"), std::string::npos);
    EXPECT_EQ(bytesOf(dir / "a"), "x");
}

TEST(WholeFile, WhatIsNoFileOrTooLongIsNotRead) {
    const testing::TempDir dir;
    ASSERT_EQ(::mkfifo((dir / "pipe").c_str(), 0600), 0);
    for (const fs::path& path : {fs::path("/dev/zero"), fs::path(dir / "pipe"), fs::path(dir / "")}) {
        const auto read = readWholeFile(path, kMebibyte);
        ASSERT_FALSE(read) << path;
        EXPECT_NE(plain(read.error().message).find("not a file but a folder, a device or a pipe"),
                  std::string::npos)
            << read.error().message;
    }
    ASSERT_TRUE(writeWholeFile(dir / "long", std::string(kMebibyte + 1, 'x')));
    EXPECT_NE(plain(readWholeFile(dir / "long", kMebibyte).error().message).find("longer than 1 MiB"),
              std::string::npos);
    EXPECT_EQ(readWholeFile(dir / "none", 1).error().message,
              (dir / "none").string() + " cannot be read: there is no such file");
}

} // namespace
} // namespace uttrin
