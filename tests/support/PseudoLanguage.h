#pragma once

#include <QRegularExpression>
#include <QSet>
#include <QString>
#include <QStringList>

namespace uttrin::testing {

/// The marks around each text of the pseudo-language (scripts/pseudo-language).
inline constexpr QChar kOpens(0x27E6), kCloses(0x27E7);

/// What of a text stands outside the marks.
[[nodiscard]] inline QString outsideMarks(const QString& text) {
    QString outside;
    int depth = 0;
    for (const QChar c : text) {
        if (c == kOpens)
            ++depth;
        else if (c == kCloses)
            depth = std::max(0, depth - 1);
        else if (depth == 0)
            outside += c;
    }
    return outside;
}

/// Whether a text has lost one of its marks: it was cut off.
[[nodiscard]] inline bool isCut(const QString& text) { return text.count(kOpens) != text.count(kCloses); }

/// Words of a text that no translator was asked for. Symbols of units, names of formats and what people typed
/// (`names`) are no words.
[[nodiscard]] inline QStringList untranslatedWords(QString text, const QStringList& names) {
    static const QRegularExpression word(QStringLiteral("\\p{L}{3,}"));
    static const QSet<QString> symbols{
        QStringLiteral("kPa"),  QStringLiteral("hPa"),   QStringLiteral("MPa"),    QStringLiteral("mbar"),
        QStringLiteral("bar"),  QStringLiteral("atm"),   QStringLiteral("Torr"),   QStringLiteral("mmHg"),
        QStringLiteral("cmHg"), QStringLiteral("inHg"),  QStringLiteral("psi"),    QStringLiteral("mol"),
        QStringLiteral("min"),  QStringLiteral("PDF"),   QStringLiteral("HTML"),   QStringLiteral("CSV"),
        QStringLiteral("JSON"), QStringLiteral("SVG"),   QStringLiteral("Uttrin"), QStringLiteral("Ctrl"),
        QStringLiteral("Alt"),  QStringLiteral("Shift"), QStringLiteral("Del"),    QStringLiteral("png"),
        QStringLiteral("svg"),  QStringLiteral("inH"),   QStringLiteral("PgUp"),   QStringLiteral("PgDown")};
    static const QRegularExpression path(QStringLiteral("/[^\\s]+\\.uttrin"));
    text.remove(path); // of notebooks that were open before
    for (const QString& name : names)
        text.replace(name, QString(), Qt::CaseInsensitive);
    QStringList words;
    for (auto match = word.globalMatch(outsideMarks(text)); match.hasNext();) {
        const QString found = match.next().captured();
        if (!symbols.contains(found)) words << found;
    }
    return words;
}

} // namespace uttrin::testing
