#pragma once

#include <stdexcept>

namespace uttrin {

/// A row or a file that is not as it should be, within this room: the notebook's functions make a Failure of
/// it. The text is the sentence that people see.
struct NotebookFault : std::runtime_error {
    using std::runtime_error::runtime_error;
};

} // namespace uttrin
