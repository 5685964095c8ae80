#include "Outputs.h"

#include "app/controller/Dialogs.h"
#include "app/controller/LessonController.h"
#include "app/controls/OnScreen.h"
#include "app/map/PhaseMap.h"
#include "pdf/PdfReport.h"
#include "report/LabReport.h"

#include <QCoreApplication>

namespace uttrin::app {
namespace {

QString tr(const char* text, int count = -1) {
    return QCoreApplication::translate("uttrin::app::Outputs", text, nullptr, count);
}

QString notWritten(const QString& path) {
    return tr("%1 could not be written; choose a folder that you may write to.").arg(path);
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
    const int pages = writePdf(*sheet, path);
    if (pages > 0)
        controller.say(tr("Saved %1, %n page(s).", pages).arg(path));
    else
        controller.complain(notWritten(path));
}

void saveMap(LessonController& controller, PhaseMap* map, QWidget* over) {
    if (!map) return controller.complain(tr("There is no map at this station."));
    const QString path =
        dialogs::saveFile(over, tr("Save the map"), dialogs::documentsFolder() + tr("/phase-map.svg"),
                          tr("Pictures (*.svg *.png)"), QStringLiteral("svg"));
    if (path.isEmpty()) return;
    const bool done = path.endsWith(QLatin1String(".png"), Qt::CaseInsensitive) ? map->exportPng(path)
                                                                                : map->exportSvg(path);
    done ? controller.say(tr("Saved %1.").arg(path)) : controller.complain(notWritten(path));
}

} // namespace uttrin::app
