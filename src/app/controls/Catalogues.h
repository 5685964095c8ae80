#pragma once

#include <QLocale>
#include <QString>

namespace uttrin::app {

/// Puts a catalogue of translations before those that are installed. @return whether it could be read.
bool installCatalogue(const QString& file);

/// Installs the catalogue that ships with the program for a locale, and Qt's own for its dialogs. Where there
/// is none, all stays English, Qt's words too: half a language helps nobody. UTTRIN_CATALOGUE names a file to
/// be taken instead, for those who translate.
void installCatalogues(const QLocale& locale);

} // namespace uttrin::app
