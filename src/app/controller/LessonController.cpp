#include "LessonController.h"

#include "app/controls/OnScreen.h"
#include "lesson/commands/LessonCommands.h"

#include <QDateTime>
#include <QFileInfo>

namespace uttrin::app {

LessonController::LessonController(const Clock& clock, QObject* parent) : QObject(parent), m_clock(clock) {}

bool LessonController::open(const QString& path) {
    const bool same =
        isOpen() && m_session->notebook().isStillThere() &&
        QFileInfo(path).canonicalFilePath() ==
            QFileInfo(QString::fromStdString(m_session->notebook().path().string())).canonicalFilePath();
    if (same) {
        emit changed();
        return true;
    }
    return adopt(Notebook::open(path.toStdString()));
}

bool LessonController::create(const QString& path) { return adopt(Notebook::create(path.toStdString())); }

bool LessonController::adopt(Result<Notebook> notebook) {
    const auto refuse = [this](const Failure& failure) {
        tell(failure);
        return false;
    };
    if (!notebook) return refuse(notebook.error());
    const QString notice = onScreen(notebook->notice());
    const int offset = QDateTime::currentDateTime().offsetFromUtc() / 60;
    auto session = std::make_unique<LessonSession>(std::move(*notebook), m_clock, offset);
    if (session->staleBecause()) return refuse(*session->staleBecause());
    if (!session->hasLesson())
        if (const auto added = LessonCommands(*session).addLesson(
                Lesson{0, tr("New lesson").toStdString(), "", "", "", 0.0, false, 0, false});
            !added)
            return refuse(added.error());
    m_session = std::move(session);
    emit opened();
    emit changed();
    if (!notice.isEmpty()) emit said(notice);
    return true;
}

void LessonController::setDraft(const BenchDraft& draft) {
    if (m_session->draft().saysTheSame(draft)) return; // a capture takes what was told at the last key
    (void)BenchCommands(*m_session).setDraft(draft);
    emit draftChanged();
}

void LessonController::takeLive(const std::optional<LiveEvidence>& gauge,
                                const std::optional<LiveEvidence>& thermometer) {
    if (carryOutQuietly(&BenchCommands::takeLive, gauge, thermometer).value_or(false)) emit draftChanged();
}

void LessonController::tell(const Failure& failure) { emit failed(onScreen(failure.message)); }

void LessonController::lookAgain() {
    if (isOpen() && m_session->staleBecause())
        emit failed(tr("What was done before is on disk, but the lesson could not be read again: %1")
                        .arg(onScreen(m_session->staleBecause()->message)));
    emit changed();
}

} // namespace uttrin::app

#include "moc_LessonController.cpp"
