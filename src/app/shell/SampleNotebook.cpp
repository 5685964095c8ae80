#include "SampleNotebook.h"

#include <QCoreApplication>
#include <QDir>
#include <QFile>

namespace uttrin::app {
namespace {

/// Beside the program, as built or as installed; empty if it is not there.
QString shippedSample() {
    const QDir beside(QCoreApplication::applicationDirPath());
    for (const char* place : {"../demo.uttrin", "../share/uttrin/demo.uttrin", "demo.uttrin"})
        if (beside.exists(QLatin1String(place))) return beside.absoluteFilePath(QLatin1String(place));
    return {};
}

} // namespace

Result<QString> copyOfSample() {
    const QString sample = shippedSample();
    if (sample.isEmpty())
        return fail(Failure::Storage, "The sample notebook was not found beside the program.");
    const QString copy =
        QDir::tempPath() + QStringLiteral("/uttrin-sample-%1.uttrin").arg(QCoreApplication::applicationPid());
    QFile::remove(copy);
    QFile file(sample);
    if (!file.copy(copy))
        return fail(Failure::Storage, QStringLiteral("The sample notebook could not be copied to %1: %2.")
                                          .arg(copy, file.errorString())
                                          .toStdString());
    QFile::setPermissions(copy, QFile::ReadOwner | QFile::WriteOwner);
    return copy;
}

} // namespace uttrin::app
