#include "Catalogues.h"

#include <QCoreApplication>
#include <QLibraryInfo>
#include <QTranslator>

#include <memory>

namespace uttrin::app {
namespace {

/// The application keeps it while it is loaded.
bool install(std::unique_ptr<QTranslator> translator, bool loaded) {
    if (loaded) QCoreApplication::installTranslator(translator.release());
    return loaded;
}

std::unique_ptr<QTranslator> translator() {
    return std::make_unique<QTranslator>(QCoreApplication::instance());
}

} // namespace

bool installCatalogue(const QString& file) {
    auto own = translator();
    const bool loaded = own->load(file);
    return install(std::move(own), loaded);
}

void installCatalogues(const QLocale& locale) {
    const QString asked = qEnvironmentVariable("UTTRIN_CATALOGUE");
    auto own = translator();
    const bool known = asked.isEmpty() && own->load(locale, QStringLiteral("uttrin"), QStringLiteral("_"),
                                                    QStringLiteral(":/translations"));
    if (!(asked.isEmpty() ? known : own->load(asked))) return;
    auto ofQt = translator();
    const bool loaded = ofQt->load(locale, QStringLiteral("qtbase"), QStringLiteral("_"),
                                   QLibraryInfo::path(QLibraryInfo::TranslationsPath));
    install(std::move(ofQt), loaded);
    install(std::move(own), true);
}

} // namespace uttrin::app
