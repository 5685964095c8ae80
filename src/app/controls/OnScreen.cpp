#include "OnScreen.h"

#include "quantities/Rounding.h"
#include "quantities/Units.h"

#include <QCoreApplication>
#include <QLocale>

namespace uttrin::app {
namespace {

/// Under which the catalogue keeps the core's sentences, and the texts of data files.
constexpr const char* kSentences = "uttrin::Text";
constexpr const char* kData = "Data";
constexpr const char* kPlurals = "PluralForm";
//: Not shown: translate each form by its own number alone, 0 for the first, 1 for the second and so on. The
//: words of a choice in braces, {0|point|points}, stand in this order.
constexpr const char* kPluralForm = QT_TRANSLATE_N_NOOP("PluralForm", "form for %n");

} // namespace

std::string ScreenWording::sentence(const char* source) const {
    return QCoreApplication::translate(kSentences, source).toStdString();
}

std::string ScreenWording::data(const std::string& source) const {
    const QString text = QString::fromStdString(source);
    const QString said = QCoreApplication::translate(kData, source.c_str());
    // What the program wrote into a file itself is a sentence of its own.
    return (said == text ? QCoreApplication::translate(kSentences, source.c_str()) : said).toStdString();
}

std::string ScreenWording::capitalised(std::string text) const {
    QString said = QString::fromStdString(text);
    if (!said.isEmpty()) said.replace(0, 1, QLocale().toUpper(said.left(1)));
    return said.toStdString();
}

std::string ScreenWording::language() const { return QLocale().bcp47Name().toStdString(); }

std::string ScreenWording::decimalPoint() const { return QLocale().decimalPoint().toStdString(); }

std::size_t ScreenWording::pluralForm(long long count) const {
    const QString form = QCoreApplication::translate(kPlurals, kPluralForm, nullptr, static_cast<int>(count));
    bool translated = false;
    const auto index = form.toULongLong(&translated);
    return translated ? static_cast<std::size_t>(index) : Wording::pluralForm(count);
}

QString onScreen(const Text& text) { return QString::fromStdString(text.said(ScreenWording())); }

QString asIs(std::string_view text) {
    return QString::fromUtf8(text.data(), static_cast<qsizetype>(text.size()));
}

QString onScreen(double value, int decimals) { return onScreen(fixed(value, decimals)); }

bool canBeReadTwoWays(const QString& text) {
    // "1,200" where the comma is no decimal sign, "1.200" where the point is none: a thousand or not.
    const bool point = QLocale().decimalPoint() == QLatin1String(".");
    return uttrin::canBeReadTwoWays(text.toStdString(), point ? ',' : '.');
}

std::optional<double> typedNumber(const QString& text) {
    QString clean = text.trimmed();
    if (canBeReadTwoWays(clean)) return std::nullopt;
    clean.replace(QLocale().decimalPoint(), QLatin1String("."));
    clean.replace(QLatin1Char(','), QLatin1Char('.'));
    const auto number = parseNumber(clean.toStdString());
    return number ? std::optional(*number) : std::nullopt;
}

namespace {
SecondUnit g_secondUnit = SecondUnit::None;
} // namespace

void useSecondUnit(SecondUnit unit) { g_secondUnit = unit; }
SecondUnit secondUnit() { return g_secondUnit; }

QString inSecondUnit(double kelvin) {
    if (g_secondUnit == SecondUnit::None) return {};
    const Unit& in = unit(g_secondUnit == SecondUnit::Kelvin ? "K" : "degF");
    return QStringLiteral("%1 %2").arg(onScreen(in.fromSi(kelvin), 1), asIs(in.display));
}

QString fieldText(double value) {
    QString text = QString::number(value, 'g', 8);
    text.replace(QLatin1Char('.'), QLocale().decimalPoint());
    text.replace(QLatin1Char('-'), QChar(0x2212));
    return text;
}

} // namespace uttrin::app
