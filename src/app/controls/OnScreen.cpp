#include "OnScreen.h"

#include "quantities/Rounding.h"
#include "quantities/Units.h"

#include <QLocale>
#include <QRegularExpression>

namespace uttrin::app {

QString onScreen(std::string_view text) {
    QString out = QString::fromUtf8(text.data(), static_cast<qsizetype>(text.size()));
    const QString point = QLocale().decimalPoint();
    if (point == QLatin1String(".")) return out;
    static const QRegularExpression decimal(QStringLiteral("(\\d)\\.(\\d)"));
    return out.replace(decimal, QStringLiteral("\\1%1\\2").arg(point));
}

QString onScreen(double value, int decimals) { return onScreen(fixed(value, decimals)); }

std::optional<double> typedNumber(const QString& text) {
    QString clean = text.trimmed();
    clean.replace(QLocale().decimalPoint(), QLatin1String("."));
    clean.replace(QLatin1Char(','), QLatin1Char('.'));
    const auto number = parseNumber(clean.toStdString());
    return number ? std::optional(*number) : std::nullopt;
}

QString fieldText(double value) {
    QString text = QString::number(value, 'g', 8);
    text.replace(QLatin1Char('.'), QLocale().decimalPoint());
    text.replace(QLatin1Char('-'), QChar(0x2212));
    return text;
}

} // namespace uttrin::app
