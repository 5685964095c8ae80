#pragma once

#include <cstddef>
#include <string>
#include <string_view>
#include <vector>

namespace uttrin {

/// Makes lines of bytes that come in pieces.
class LineSplitter {
public:
    static constexpr std::size_t kLongest = 4096; ///< bytes; a longer line is none

    explicit LineSplitter(std::string terminator) : m_terminator(std::move(terminator)) {}

    /// The lines that are whole now, without their ends.
    [[nodiscard]] std::vector<std::string> feed(std::string_view bytes);
    /// What came since the last end, as a line; empty if nothing did. For the end of a file.
    [[nodiscard]] std::string rest();
    [[nodiscard]] std::size_t tooLong() const { return m_tooLong; } ///< so many were left out

private:
    void forgetWhatIsTooLong();
    std::string m_terminator, m_pending;
    bool m_leavingOut = false; ///< until the next end
    std::size_t m_tooLong = 0;
};

} // namespace uttrin
