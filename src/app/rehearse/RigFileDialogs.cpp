#include "RigFileDialogs.h"

#include "app/controller/Dialogs.h"
#include "app/controls/OnScreen.h"

#include <QFileInfo>
#include <QSaveFile>

namespace uttrin::app {
namespace {

const QString kFilter = QStringLiteral("Rig files (*.json)");

} // namespace

std::optional<Demonstration> openRigFile(QWidget* parent, LessonController& controller) {
    const QString path = dialogs::openFile(parent, LessonController::tr("Open a rig file"), kFilter);
    if (path.isEmpty()) return std::nullopt;
    QFile file(path);
    if (!file.open(QIODevice::ReadOnly)) {
        emit controller.failed(
            LessonController::tr("%1 could not be read: %2").arg(path, file.errorString()));
        return std::nullopt;
    }
    auto read = RigFile::parse(file.readAll().toStdString());
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
                                           dialogs::documentsFolder() + LessonController::tr("/rig.json"),
                                           kFilter, QStringLiteral("json"));
    if (path.isEmpty()) return;
    QSaveFile file(path);
    const std::string text = rig.text(settings, QFileInfo(path).completeBaseName().toStdString());
    if (!file.open(QIODevice::WriteOnly) || file.write(text.data(), qint64(text.size())) < 0 ||
        !file.commit())
        emit controller.failed(
            LessonController::tr("%1 could not be written: %2").arg(path, file.errorString()));
    else
        emit controller.said(LessonController::tr("The rig as it is set now is in %1.").arg(path));
}

} // namespace uttrin::app
