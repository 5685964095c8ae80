#pragma once

#include "quantities/Failure.h"

#include <string_view>

namespace uttrin {

/// Whether a JSON text keeps a JSON schema (draft 7). BadInput names the line, the path and what the schema
/// asks for there. REQUIRES: the text is within the bounds of `parseJson`, the schema is sound.
[[nodiscard]] Result<void> keepsSchema(std::string_view text, std::string_view schema);

/// A failure whose message begins with a path of the text ("/vessels/flask/volume: …") with the line on which
/// that stands before it; any other one as it is.
[[nodiscard]] Failure withLine(Failure failure, std::string_view text);

} // namespace uttrin
