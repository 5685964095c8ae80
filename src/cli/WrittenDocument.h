#pragma once

#include "Arguments.h"
#include "report/Document.h"

namespace uttrin::cli {

/// Writes a paper as .pdf or .html, by the name of the file. @throws Refusal for another, or where it cannot
/// be written.
[[nodiscard]] Answer written(const Document& document, const std::string& out);

} // namespace uttrin::cli
