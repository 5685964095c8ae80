#pragma once

#include "Theme.h"

#include <QStringList>

namespace uttrin::app {

/// The look that a person chose: a theme, or that of the system, and how large the text is.
struct ThemeChoice {
    QString theme = QStringLiteral("system"); ///< one of `themeNames()`
    int percent = 100;                        ///< of the text, 90 to 200
};

/// "system", "paper", "night", "projector", "contrast", in this order.
[[nodiscard]] QStringList themeNames();
/// What a theme is called in a menu.
[[nodiscard]] QString titleOfTheme(const QString& name);
/// The sizes of text to choose from, percent.
[[nodiscard]] QList<int> textSizes();

/// What a choice looks like. @param darkSystem  whether the system's own windows are dark; used by "system".
[[nodiscard]] Theme themeOf(const ThemeChoice& choice, bool darkSystem);
/// Whether the system's own windows are dark. REQUIRES: asked before a theme is applied for the first time;
/// the answer stays.
[[nodiscard]] bool systemIsDark();

} // namespace uttrin::app
