#pragma once

#include <filesystem>
#include <random>
#include <string>

namespace uttrin::testing {

/// A folder of its own that goes away with the test.
class TempDir {
public:
    TempDir()
        : m_path(std::filesystem::temp_directory_path() /
                 ("uttrin-test-" + std::to_string(std::random_device{}()))) {
        std::filesystem::create_directories(m_path);
    }
    TempDir(const TempDir&) = delete;
    TempDir& operator=(const TempDir&) = delete;
    ~TempDir() {
        std::error_code ignored;
        std::filesystem::remove_all(m_path, ignored);
    }
    [[nodiscard]] std::filesystem::path operator/(const std::string& name) const { return m_path / name; }

private:
    std::filesystem::path m_path;
};

} // namespace uttrin::testing
