#include "StationPage.h"

namespace uttrin::app {

StationPage::StationPage(LessonController& controller) : m_controller(controller) {
    setObjectName(QStringLiteral("page"));
    connect(&controller, &LessonController::changed, this, [this] {
        if (isVisible() && m_controller.isOpen()) refresh();
    });
    connect(&controller, &LessonController::draftChanged, this, [this] {
        if (isVisible() && m_controller.isOpen()) refreshDraft();
    });
}

void StationPage::showEvent(QShowEvent* event) {
    QWidget::showEvent(event);
    if (m_controller.isOpen()) refresh();
}

} // namespace uttrin::app

#include "moc_StationPage.cpp"
