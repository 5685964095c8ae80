#include "StationPage.h"

namespace uttrin::app {

StationPage::StationPage(LessonController& controller) : m_controller(controller) {
    setObjectName(QStringLiteral("page"));
    setAutoFillBackground(true); // nothing of the window is painted under it
    connect(&controller, &LessonController::changed, this, [this] {
        if (isVisible() && m_controller.isOpen()) refresh();
    });
    connect(&controller, &LessonController::draftChanged, this, [this] {
        if (isVisible() && m_controller.isOpen()) refreshDraft();
    });
}

void StationPage::takeFocus() {
    for (QWidget* w = nextInFocusChain(); w != this; w = w->nextInFocusChain())
        if (isAncestorOf(w) && w->isVisible() && w->isEnabled() &&
            (w->focusPolicy() & Qt::TabFocus) == Qt::TabFocus)
            return w->setFocus(Qt::OtherFocusReason);
}

void StationPage::showEvent(QShowEvent* event) {
    QWidget::showEvent(event);
    if (m_controller.isOpen()) refresh();
}

} // namespace uttrin::app

#include "moc_StationPage.cpp"
