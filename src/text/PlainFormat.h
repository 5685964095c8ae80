#pragma once

#include "Text.h"

#include <fmt/format.h>

/// For faces that speak plain English with '.', as the command line does. Not for the core: what it formats
/// is said already.
template <>
struct fmt::formatter<uttrin::Text> : fmt::formatter<std::string> {
    auto format(const uttrin::Text& text, format_context& context) const {
        return fmt::formatter<std::string>::format(uttrin::plain(text), context);
    }
};
