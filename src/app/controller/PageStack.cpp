#include "PageStack.h"

#include "app/controls/ScrollColumn.h"

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
    least.setHeight(std::max(least.height(), heightOfScrolled(least.height())));
    return least;
}

/// A page that is scrolled as a whole shows its columns whole: one bar to scroll by, not two side by side.
int PageStack::heightOfScrolled(int least) const {
    const QWidget* around = parentWidget();
    while (around && !qobject_cast<const QScrollArea*>(around))
        around = around->parentWidget();
    const auto* area = qobject_cast<const QScrollArea*>(around);
    if (!area || least <= area->viewport()->height()) return least;
    int lacking = -height();
    const auto columns = currentWidget()->findChildren<ScrollColumn*>();
    for (const ScrollColumn* column : columns)
        if (column->isVisible()) lacking = std::max(lacking, column->lacksHeight());
    return height() + lacking;
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
