#include "ThemeChoice.h"

#include <QApplication>
#include <QPalette>

namespace uttrin::app {

namespace {

struct Known {
    const char* name;
    const char* title;
    Theme (*make)(); ///< none: as the system's
};
constexpr Known kThemes[] = {
    {"system", QT_TRANSLATE_NOOP("ThemeChoice", "As the &system"), nullptr},
    {"paper", QT_TRANSLATE_NOOP("ThemeChoice", "&Paper: light"), &Theme::paper},
    {"night", QT_TRANSLATE_NOOP("ThemeChoice", "&Night: dark"), &Theme::night},
    {"projector", QT_TRANSLATE_NOOP("ThemeChoice", "P&rojector: dark and large"), &Theme::projector},
    {"contrast", QT_TRANSLATE_NOOP("ThemeChoice", "&Contrast: black on white"), &Theme::contrast},
};

/// The one of this name; of a name that is not known, the system's.
const Known& known(const QString& name) {
    for (const Known& theme : kThemes)
        if (name == QLatin1String(theme.name)) return theme;
    return kThemes[0];
}

} // namespace

QStringList themeNames() {
    QStringList names;
    for (const Known& theme : kThemes)
        names << QLatin1String(theme.name);
    return names;
}

QString titleOfTheme(const QString& name) {
    return QCoreApplication::translate("ThemeChoice", known(name).title);
}

QList<int> textSizes() { return {90, 100, 110, 125, 150, 175, 200}; }

Theme themeOf(const ThemeChoice& choice, bool darkSystem) {
    const auto make = known(choice.theme).make;
    return (make ? make() : darkSystem ? Theme::night() : Theme::paper()).at(choice.percent);
}

bool systemIsDark() {
    static const bool dark = [] {
        const QPalette palette = QApplication::palette();
        return palette.color(QPalette::Window).lightness() < palette.color(QPalette::WindowText).lightness();
    }();
    return dark;
}

} // namespace uttrin::app
