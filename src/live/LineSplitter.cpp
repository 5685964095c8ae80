#include "LineSplitter.h"

namespace uttrin {
namespace {

std::string withoutReturn(std::string line) {
    if (!line.empty() && line.back() == '\r') line.pop_back();
    return line;
}

} // namespace

std::vector<std::string> LineSplitter::feed(std::string_view bytes) {
    std::vector<std::string> lines;
    // A piece at a time, so that no line that is too long is ever held.
    while (!bytes.empty()) {
        const std::string_view piece = bytes.substr(0, kLongest);
        bytes.remove_prefix(piece.size());
        m_pending += piece;
        for (auto end = m_pending.find(m_terminator); end != std::string::npos;
             end = m_pending.find(m_terminator)) {
            std::string line = withoutReturn(m_pending.substr(0, end));
            m_pending.erase(0, end + m_terminator.size());
            if (m_leavingOut)
                m_leavingOut = false;
            else if (line.size() > kLongest)
                ++m_tooLong;
            else
                lines.push_back(std::move(line));
        }
        forgetWhatIsTooLong();
    }
    return lines;
}

/// Keeps as much of it as may be the beginning of an end.
void LineSplitter::forgetWhatIsTooLong() {
    if (m_pending.size() <= kLongest + m_terminator.size()) return;
    if (!m_leavingOut) ++m_tooLong;
    m_leavingOut = true;
    m_pending.erase(0, m_pending.size() - m_terminator.size() + 1);
}

std::string LineSplitter::rest() {
    std::string line = m_leavingOut ? std::string() : withoutReturn(std::move(m_pending));
    m_pending.clear();
    m_leavingOut = false;
    return line;
}

} // namespace uttrin
