#include "ThemeChoice.h"

#include <QApplication>
#include <QPalette>

namespace uttrin::app {

QStringList themeNames() {
    return {QStringLiteral("system"), QStringLiteral("paper"), QStringLiteral("night"),
            QStringLiteral("projector"), QStringLiteral("contrast")};
}

QString titleOfTheme(const QString& name) {
    const QString titles[] = {
        QCoreApplication::translate("ThemeChoice", "As the &system"),
        QCoreApplication::translate("ThemeChoice", "&Paper: light"),
        QCoreApplication::translate("ThemeChoice", "&Night: dark"),
        QCoreApplication::translate("ThemeChoice", "P&rojector: dark and large"),
        QCoreApplication::translate("ThemeChoice", "&Contrast: black on white"),
    };
    const auto at = themeNames().indexOf(name);
    return at < 0 ? name : titles[at];
}

QList<int> textSizes() { return {90, 100, 110, 125, 150, 175, 200}; }

Theme themeOf(const ThemeChoice& choice, bool darkSystem) {
    const Theme theme = choice.theme == QLatin1String("night")       ? Theme::night()
                        : choice.theme == QLatin1String("projector") ? Theme::projector()
                        : choice.theme == QLatin1String("contrast")  ? Theme::contrast()
                        : choice.theme == QLatin1String("paper")     ? Theme::paper()
                        : darkSystem                                 ? Theme::night()
                                                                     : Theme::paper();
    return theme.at(choice.percent);
}

bool systemIsDark() {
    static const bool dark = [] {
        const QPalette palette = QApplication::palette();
        return palette.color(QPalette::Window).lightness() < palette.color(QPalette::WindowText).lightness();
    }();
    return dark;
}

} // namespace uttrin::app
