#include "ToolWindow.h"

namespace uttrin::app {

ToolWindow::ToolWindow(LessonController& controller, QWidget* parent)
    : QDialog(parent), m_controller(controller) {
    connect(&m_controller, &LessonController::changed, this, [this] {
        if (isVisible()) refresh();
    });
}

void ToolWindow::showEvent(QShowEvent* event) {
    QDialog::showEvent(event);
    refresh();
}

} // namespace uttrin::app

#include "moc_ToolWindow.cpp"
