#include "Fonts.h"

#include <QFontDatabase>
#include <QString>

// Outside any namespace, as Qt asks of a resource in a static library.
static void takeInResources() { Q_INIT_RESOURCE(resources); }

namespace uttrin {

void loadFonts() {
    takeInResources();
    for (const char* weight : {"Regular", "Medium", "SemiBold", "Bold"})
        QFontDatabase::addApplicationFont(
            QStringLiteral(":/fonts/InterTabular-%1.otf").arg(QLatin1String(weight)));
}

} // namespace uttrin
