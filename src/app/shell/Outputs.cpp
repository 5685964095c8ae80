#include "Outputs.h"

#include "app/controller/Dialogs.h"
#include "app/controller/LessonController.h"
#include "app/controls/OnScreen.h"
#include "app/map/PhaseMap.h"
#include "files/WholeFile.h"
#include "pdf/PdfReport.h"
#include "report/BenchSheet.h"

namespace uttrin::app {
void printSheet(LessonController& controller, bool boilingPoints, QWidget* over) {
    const auto sheet = benchSheet(controller.session(), {boilingPoints});
    if (!sheet)
        controller.tell(sheet.error());
    else if (dialogs::print(over, *sheet))
        controller.say(onScreen(Text::tr("Sent to the printer.")));
}

void saveSheet(LessonController& controller, bool boilingPoints, QWidget* over) {
    const auto sheet = benchSheet(controller.session(), {boilingPoints});
    if (!sheet) return controller.tell(sheet.error());
    const QString path = dialogs::saveFile(over, onScreen(Text::tr("Run sheet as PDF")),
                                           dialogs::suggestedFile(Text::tr("run-sheet"), "pdf"),
                                           QStringLiteral("PDF (*.pdf)"), QStringLiteral("pdf"));
    if (path.isEmpty()) return;
    if (const auto pages = writePdf(*sheet, ScreenWording(), path); pages)
        controller.say(onScreen(Text::tr("Saved {0}, {1} {1|page|pages}.", path.toStdString(), *pages)));
    else
        controller.tell(pages.error());
}

void saveMap(LessonController& controller, PhaseMap* map, QWidget* over) {
    if (!map) return controller.complain(onScreen(Text::tr("There is no map at this station.")));
    const QString path = dialogs::saveFile(
        over, onScreen(Text::tr("Save the map")), dialogs::suggestedFile(Text::tr("phase-map"), "svg"),
        onScreen(Text::tr("Pictures (*.svg *.png)")), QStringLiteral("svg"));
    if (path.isEmpty()) return;
    const QByteArray picture =
        path.endsWith(QLatin1String(".png"), Qt::CaseInsensitive) ? map->asPng() : map->asSvg();
    const auto done =
        writeWholeFile(path.toStdString(), {picture.constData(), static_cast<std::size_t>(picture.size())});
    if (done)
        controller.say(onScreen(Text::tr("Saved {}.", path.toStdString())));
    else
        controller.tell(done.error());
}

} // namespace uttrin::app
