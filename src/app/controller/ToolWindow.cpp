#include "ToolWindow.h"

#include "PageStack.h"
#include "app/controls/Theme.h"

#include <QScreen>
#include <QScrollArea>
#include <QVBoxLayout>

#include <utility>

namespace uttrin::app {

ToolWindow::ToolWindow(LessonController& controller, QWidget* parent)
    : QDialog(parent), m_controller(controller), m_body(new QWidget) {
    auto* pages = new PageStack;
    pages->addWidget(m_body);
    auto* whole = new QVBoxLayout(this);
    whole->setContentsMargins(0, 0, 0, 0);
    whole->addWidget(scrolled(pages));
    connect(&m_controller, &LessonController::changed, this, [this] {
        if (isVisible()) refresh();
    });
}

void ToolWindow::setUsualSize(QSize usual) {
    constexpr QSize kLeast(480, 320); // px
    setMinimumSize(kLeast);
    const QSize wanted(scaled(usual.width()), scaled(usual.height()));
    if (std::exchange(m_usual, wanted) != wanted)
        resize(wanted.expandedTo(size()).boundedTo(screen()->availableSize()));
}

void ToolWindow::showEvent(QShowEvent* event) {
    QDialog::showEvent(event);
    refresh();
}

} // namespace uttrin::app

#include "moc_ToolWindow.cpp"
