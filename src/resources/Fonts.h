#pragma once

namespace uttrin {

/// Registers the fonts that ship, and makes the shipped icons known. REQUIRES: a QGuiApplication.
void loadFonts();

} // namespace uttrin
