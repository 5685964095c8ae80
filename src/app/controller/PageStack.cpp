#include "PageStack.h"

#include <QLayout>
#include <QResizeEvent>
#include <QScrollArea>
#include <QVBoxLayout>

#include <algorithm>

namespace uttrin::app {

PageStack::PageStack(QWidget* parent) : QStackedWidget(parent) {
    connect(this, &QStackedWidget::currentChanged, this, [this] { updateGeometry(); });
}

QSize PageStack::minimumSizeHint() const {
    if (!currentWidget()) return QStackedWidget::minimumSizeHint();
    QSize least = currentWidget()->minimumSizeHint();
    // Rows of choices that take a second row in a narrow window: what they need is known for a width only.
    if (const QLayout* page = currentWidget()->layout(); page && page->hasHeightForWidth())
        least.setHeight(
            std::max(least.height(), page->totalMinimumHeightForWidth(std::max(least.width(), width()))));
    return least;
}

void PageStack::resizeEvent(QResizeEvent* event) {
    QStackedWidget::resizeEvent(event);
    if (event->oldSize().width() != event->size().width()) updateGeometry();
}

QSize PageStack::sizeHint() const {
    return currentWidget() ? currentWidget()->sizeHint() : QStackedWidget::sizeHint();
}

QScrollArea* scrolled(QWidget* content) {
    auto* around = new QWidget;
    around->setObjectName(QStringLiteral("scrollBody"));
    auto* only = new QVBoxLayout(around);
    only->setContentsMargins(0, 0, 0, 0);
    only->addWidget(content);
    auto* area = new QScrollArea;
    area->setWidgetResizable(true);
    area->setFocusPolicy(Qt::NoFocus);
    area->setWidget(around);
    return area;
}

} // namespace uttrin::app

#include "moc_PageStack.cpp"
