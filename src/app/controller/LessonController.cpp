#include "LessonController.h"

#include <QDateTime>

namespace uttrin::app {

LessonController::LessonController(const Clock& clock, QObject* parent) : QObject(parent), m_clock(clock) {}

bool LessonController::open(const QString& path) { return adopt(Notebook::open(path.toStdString())); }

bool LessonController::create(const QString& path) { return adopt(Notebook::create(path.toStdString())); }

bool LessonController::adopt(Result<Notebook> notebook) {
    if (!notebook) {
        emit failed(QString::fromStdString(notebook.error().message));
        return false;
    }
    const QString notice = QString::fromStdString(notebook->notice());
    const int offset = QDateTime::currentDateTime().offsetFromUtc() / 60;
    auto session = std::make_unique<LessonSession>(std::move(*notebook), m_clock, offset);
    if (!session->hasLesson())
        if (const auto added = session->addLesson(
                Lesson{0, tr("New lesson").toStdString(), "", "", "", 0.0, false, 0, false});
            !added) {
            emit failed(QString::fromStdString(added.error().message));
            return false;
        }
    m_session = std::move(session);
    emit opened();
    emit changed();
    if (!notice.isEmpty()) emit said(notice);
    return true;
}

} // namespace uttrin::app

#include "moc_LessonController.cpp"
