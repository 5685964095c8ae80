#include "SampleNotebook.h"

#include <QCoreApplication>
#include <QDir>
#include <QFile>
#include <QStandardPaths>

namespace uttrin::app {
namespace {

/// Beside the program, as built or as installed; empty if it is not there.
QString shippedSample() {
    const QDir beside(QCoreApplication::applicationDirPath());
    for (const char* place : {"../demo.uttrin", "../share/uttrin/demo.uttrin", "demo.uttrin"})
        if (beside.exists(QLatin1String(place))) return beside.absoluteFilePath(QLatin1String(place));
    return {};
}

/// A folder that only this person may look into: that of the session, else the cache.
QString ownFolder() {
    for (const auto place : {QStandardPaths::RuntimeLocation, QStandardPaths::CacheLocation}) {
        const QString folder = QStandardPaths::writableLocation(place) + QStringLiteral("/uttrin");
        if (QDir().mkpath(folder) &&
            QFile::setPermissions(folder, QFile::ReadOwner | QFile::WriteOwner | QFile::ExeOwner))
            return folder;
    }
    return {};
}

} // namespace

Result<QString> copyOfSample() {
    const QString sample = shippedSample();
    if (sample.isEmpty())
        return fail(Failure::Storage, Text::tr("The sample notebook was not found beside the program."));
    const QString folder = ownFolder();
    if (folder.isEmpty())
        return fail(
            Failure::Storage,
            Text::tr("There is no folder of your own for the sample notebook; open it from where it lies."));
    const QString copy =
        QStringLiteral("%1/sample-%2.uttrin").arg(folder).arg(QCoreApplication::applicationPid());
    QFile::remove(copy);
    QFile file(sample);
    if (!file.copy(copy) || !QFile::setPermissions(copy, QFile::ReadOwner | QFile::WriteOwner))
        return fail(Failure::Storage, Text::tr("The sample notebook could not be copied to {}: {}.",
                                               copy.toStdString(), file.errorString().toStdString()));
    return copy;
}

} // namespace uttrin::app
