#pragma once

#include "text/Text.h"

#include <stdexcept>
#include <utility>

namespace uttrin {

/// A row or a file that is not as it should be, within this room: the notebook's functions make a Failure of
/// it. The text is the sentence that people see.
class NotebookFault : public std::runtime_error {
public:
    explicit NotebookFault(Text text) : std::runtime_error(plain(text)), m_text(std::move(text)) {}
    [[nodiscard]] const Text& text() const { return m_text; }

private:
    Text m_text;
};

} // namespace uttrin
