#include "Outputs.h"

#include "app/controller/Dialogs.h"
#include "app/controller/LessonController.h"
#include "app/controls/OnScreen.h"
#include "app/map/PhaseMap.h"
#include "files/WholeFile.h"
#include "pdf/PdfReport.h"
#include "report/LabReport.h"

#include <QCoreApplication>

namespace uttrin::app {
namespace {

QString tr(const char* text, int count = -1) {
    return QCoreApplication::translate("uttrin::app::Outputs", text, nullptr, count);
}

} // namespace

void printSheet(LessonController& controller, QWidget* over) {
    const auto sheet = benchSheet(controller.session());
    if (!sheet)
        controller.complain(onScreen(sheet.error().message));
    else if (dialogs::print(over, *sheet))
        controller.say(tr("Sent to the printer."));
}

void saveSheet(LessonController& controller, QWidget* over) {
    const auto sheet = benchSheet(controller.session());
    if (!sheet) return controller.complain(onScreen(sheet.error().message));
    const QString path =
        dialogs::saveFile(over, tr("Run sheet as PDF"), dialogs::documentsFolder() + tr("/run-sheet.pdf"),
                          QStringLiteral("PDF (*.pdf)"), QStringLiteral("pdf"));
    if (path.isEmpty()) return;
    if (const auto pages = writePdf(*sheet, ScreenWording(), path); pages)
        controller.say(onScreen(Text::tr("Saved {0}, {1} {1|page|pages}.", path.toStdString(), *pages)));
    else
        controller.complain(onScreen(pages.error().message));
}

void saveMap(LessonController& controller, PhaseMap* map, QWidget* over) {
    if (!map) return controller.complain(tr("There is no map at this station."));
    const QString path =
        dialogs::saveFile(over, tr("Save the map"), dialogs::documentsFolder() + tr("/phase-map.svg"),
                          tr("Pictures (*.svg *.png)"), QStringLiteral("svg"));
    if (path.isEmpty()) return;
    const QByteArray picture =
        path.endsWith(QLatin1String(".png"), Qt::CaseInsensitive) ? map->asPng() : map->asSvg();
    const auto done =
        writeWholeFile(path.toStdString(), {picture.constData(), static_cast<std::size_t>(picture.size())});
    if (done)
        controller.say(tr("Saved %1.").arg(path));
    else
        controller.complain(onScreen(done.error().message));
}

} // namespace uttrin::app
