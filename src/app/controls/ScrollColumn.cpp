#include "ScrollColumn.h"

#include "Grid.h"

#include <QScrollBar>

#include <algorithm>

namespace uttrin::app {

ScrollColumn::ScrollColumn(QWidget* parent) : QScrollArea(parent) {
    auto* body = new QWidget;
    body->setObjectName(QStringLiteral("scrollBody"));
    m_column = new QVBoxLayout(body);
    m_column->setContentsMargins(0, 0, grid::kHalfStep, 0);
    m_column->setSpacing(grid::kMargin);
    setWidget(body);
    setWidgetResizable(true);
    setHorizontalScrollBarPolicy(Qt::ScrollBarAlwaysOff);
    setFocusPolicy(Qt::NoFocus);
}

void ScrollColumn::setWidths(int narrowest, int widest) {
    m_narrowest = narrowest;
    m_widest = widest;
    fit();
}

void ScrollColumn::fit() {
    const int needed = widget()->minimumSizeHint().width() + verticalScrollBar()->sizeHint().width();
    setMinimumWidth(std::max(m_narrowest, needed));
    setMaximumWidth(std::max(m_widest, needed));
}

int ScrollColumn::lacksHeight() const {
    const QLayout* held = widget()->layout();
    const int wide = viewport()->width();
    const int high =
        held->hasHeightForWidth() ? held->totalMinimumHeightForWidth(wide) : held->minimumSize().height();
    return high - viewport()->height();
}

bool ScrollColumn::eventFilter(QObject* watched, QEvent* event) {
    if (watched == widget() && event->type() == QEvent::LayoutRequest) {
        fit();
        updateGeometry(); // a page that is scrolled shows all of it
    }
    return QScrollArea::eventFilter(watched, event);
}

} // namespace uttrin::app

#include "moc_ScrollColumn.cpp"
