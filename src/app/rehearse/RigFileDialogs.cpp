#include "RigFileDialogs.h"

#include "app/controller/Dialogs.h"
#include "app/controls/OnScreen.h"
#include "files/WholeFile.h"

#include <QFileInfo>

namespace uttrin::app {
namespace {

QString rigFilter() { return onScreen(Text::tr("Rig files (*.json)")); }

} // namespace

std::optional<Demonstration> openRigFile(QWidget* parent, LessonController& controller) {
    const QString path = dialogs::openFile(parent, LessonController::tr("Open a rig file"), rigFilter());
    if (path.isEmpty()) return std::nullopt;
    const auto text = readWholeFile(path.toStdString(), kMebibyte);
    if (!text) {
        controller.tell(text.error());
        return std::nullopt;
    }
    auto read = readRigFile(*text);
    if (!read) {
        emit controller.failed(
            QStringLiteral("%1: %2").arg(QFileInfo(path).fileName(), onScreen(read.error().message)));
        return std::nullopt;
    }
    return Demonstration{QFileInfo(path).completeBaseName().toStdString(), std::move(*read)};
}

void saveRigFile(QWidget* parent, LessonController& controller, const RigFile& rig,
                 const std::vector<RigSetting>& settings) {
    const QString path = dialogs::saveFile(parent, LessonController::tr("Save this rig"),
                                           dialogs::suggestedFile(Text::tr("rig"), "json"), rigFilter(),
                                           QStringLiteral("json"));
    if (path.isEmpty()) return;
    const std::string text = rig.text(settings, QFileInfo(path).completeBaseName().toStdString());
    if (const auto done = writeWholeFile(path.toStdString(), text); !done)
        controller.tell(done.error());
    else
        emit controller.said(LessonController::tr("The rig as it is set now is in %1.").arg(path));
}

} // namespace uttrin::app
