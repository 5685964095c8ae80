#include "RowInSight.h"

#include "app/controls/Grid.h"
#include "app/controls/Theme.h"

#include <QAbstractScrollArea>
#include <QApplication>
#include <QEvent>
#include <QHBoxLayout>
#include <QPainter>
#include <QScrollBar>

#include <algorithm>

namespace uttrin::app {
namespace {

constexpr int kAbove = grid::kStep, kBeside = grid::kMargin; // px, around the row where it lies over others

/// The area that a widget is the viewport of, if it is.
QAbstractScrollArea* areaOf(const QWidget& viewport) {
    auto* area = qobject_cast<QAbstractScrollArea*>(viewport.parentWidget());
    return area && area->viewport() == &viewport ? area : nullptr;
}

} // namespace

RowInSight::RowInSight(QBoxLayout& into) : m_place(new QWidget), m_row(new QHBoxLayout(this)) {
    m_row->setContentsMargins(kBeside, kAbove, kBeside, kAbove);
    into.addWidget(m_place);
    setParent(m_place);
    m_place->installEventFilter(this);
    connect(qApp, &QApplication::focusChanged, this, [this](QWidget*, QWidget* now) {
        if (now) uncover(*now);
    });
}

/// What has the keyboard is scrolled out from under the row.
void RowInSight::uncover(const QWidget& now) {
    if (!m_lies || !isVisible() || !parentWidget()->isAncestorOf(&now) || isAncestorOf(&now)) return;
    int under = now.mapTo(parentWidget(), QPoint(0, now.height())).y() + kAbove - y();
    for (const QWidget* up = parentWidget(); up && under > 0; up = up->parentWidget())
        if (const QAbstractScrollArea* area = areaOf(*up)) {
            QScrollBar* bar = area->verticalScrollBar();
            const int before = bar->value();
            bar->setValue(before + under);
            under -= bar->value() - before;
        }
}

/// Into the view that scrolls it, from where it hears of everything that moves its place.
void RowInSight::climb() {
    for (QWidget* up = m_place; up; up = up->parentWidget()) {
        up->removeEventFilter(this);
        up->installEventFilter(this);
        QAbstractScrollArea* area = areaOf(*up);
        if (!area) continue;
        if (parentWidget() == m_place) setParent(up);
        connect(area->verticalScrollBar(), &QScrollBar::valueChanged, this, &RowInSight::settle,
                Qt::UniqueConnection);
    }
    fit();
    show();
    raise();
    settle();
}

void RowInSight::fit() {
    if (!m_place) return;
    const QSize least = m_row->minimumSize(); // with its margins
    m_place->setMinimumSize(least.width() - 2 * kBeside, least.height() - 2 * kAbove);
}

void RowInSight::settle() {
    if (!m_place || parentWidget() == m_place) return;
    const QPoint at = m_place->mapTo(parentWidget(), QPoint());
    int lowest = parentWidget()->height(); // that is seen
    for (const QWidget* up = parentWidget(); up; up = up->parentWidget())
        if (areaOf(*up)) lowest = std::min(lowest, parentWidget()->mapFrom(up, QPoint(0, up->height())).y());
    const int high = m_place->height() + 2 * kAbove, there = at.y() - kAbove;
    m_lies = there + high - kAbove > lowest;
    setGeometry(at.x() - kBeside, m_lies ? lowest - high : there, m_place->width() + 2 * kBeside, high);
    update();
}

bool RowInSight::event(QEvent* event) {
    if (event->type() == QEvent::LayoutRequest) fit();
    return QWidget::event(event);
}

bool RowInSight::eventFilter(QObject* watched, QEvent* event) {
    switch (event->type()) {
    case QEvent::Show:
        if (watched == m_place) climb();
        break;
    case QEvent::Hide:
        if (watched == m_place) setVisible(m_place->isVisibleTo(parentWidget()));
        break;
    case QEvent::Move:
    case QEvent::Resize:
        settle();
        break;
    default:
        break;
    }
    return QWidget::eventFilter(watched, event);
}

void RowInSight::paintEvent(QPaintEvent* event) {
    QWidget::paintEvent(event);
    if (!m_lies) return;
    QPainter p(this);
    p.fillRect(rect(), theme().card);
    p.setPen(theme().edge);
    p.drawLine(rect().topLeft(), rect().topRight());
}

} // namespace uttrin::app

#include "moc_RowInSight.cpp"
