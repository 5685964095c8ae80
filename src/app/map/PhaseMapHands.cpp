// What mouse, wheel and keys do on the map.

#include "PhaseMap.h"
#include "PhasePlot.h"
#include "app/controls/OnScreen.h"
#include "substances/SubstanceLibrary.h"

#include <QContextMenuEvent>
#include <QMenu>

#include <algorithm>

namespace uttrin::app {
namespace {

constexpr double kReach = 14.0; // px, how near a press must be to take hold of a mark

} // namespace

std::optional<int> PhaseMap::targetNear(QPointF pixel) const {
    std::optional<int> nearest;
    double best = kReach;
    for (const MapTarget& t : m_view.targets) {
        const double away = QLineF(pixel, pixelOf(t.kelvin, t.pascal)).length();
        if (away < best) {
            best = away;
            nearest = t.place;
        }
    }
    return nearest;
}

std::optional<RowId> PhaseMap::pointNear(QPointF pixel) const {
    for (const MapPoint& p : m_view.points)
        if (p.currentRun && QLineF(pixel, pixelOf(p.kelvin, p.pascal)).length() < kReach) return p.readingId;
    return std::nullopt;
}

void PhaseMap::mousePressEvent(QMouseEvent* event) {
    setFocus(Qt::MouseFocusReason);
    m_pressedAt = event->position();
    if (event->button() == Qt::LeftButton) {
        if (const auto target = targetNear(event->position())) {
            m_selected = *target;
            emit targetPicked(*target);
            if (m_movable) {
                m_dragged = target;
                readOut(event->position());
                return;
            }
        }
        if (const auto point = pointNear(event->position())) emit pointPicked(*point);
    }
    m_plot->mousePressEvent(event);
}

void PhaseMap::readOut(QPointF pixel) {
    m_cursor = m_plot->axisRect()->rect().contains(pixel.toPoint()) || m_dragged ? std::optional(pixel)
                                                                                 : std::nullopt;
    if (m_dragged) {
        const double top = m_plot->axisRect()->top(), bottom = m_plot->axisRect()->bottom();
        m_draggedPascal = pascalAt(m_plot->yAxis->pixelToCoord(std::clamp(pixel.y(), top, bottom)));
    }
    replotMarks();
}

void PhaseMap::mouseMoveEvent(QMouseEvent* event) {
    readOut(event->position());
    setCursor(m_dragged                                    ? Qt::ClosedHandCursor
              : m_movable && targetNear(event->position()) ? Qt::OpenHandCursor
                                                           : Qt::ArrowCursor);
    if (!m_dragged) m_plot->mouseMoveEvent(event);
}

void PhaseMap::mouseReleaseEvent(QMouseEvent* event) {
    if (!m_dragged) {
        m_plot->mouseReleaseEvent(event);
        return;
    }
    const int place = *m_dragged;
    const bool moved = QLineF(m_pressedAt, event->position()).length() > 3.0;
    m_dragged.reset();
    if (moved)
        emit targetMoved(place, m_draggedPascal);
    else
        replotMarks();
}

void PhaseMap::mouseDoubleClickEvent(QMouseEvent* event) {
    if (!targetNear(event->position())) resetFrame();
}

void PhaseMap::leaveEvent(QEvent*) {
    m_cursor.reset();
    replotMarks();
}

void PhaseMap::keyPressEvent(QKeyEvent* event) {
    const auto& targets = m_view.targets;
    const auto at = std::find_if(targets.begin(), targets.end(),
                                 [this](const MapTarget& t) { return t.place == m_selected; });
    const bool next = event->key() == Qt::Key_Right, previous = event->key() == Qt::Key_Left;
    if ((next || previous) && !targets.empty()) {
        const auto index = at == targets.end() ? (next ? -1 : static_cast<std::ptrdiff_t>(targets.size()))
                                               : at - targets.begin();
        m_selected =
            targets[static_cast<std::size_t>(std::clamp<std::ptrdiff_t>(
                        index + (next ? 1 : -1), 0, static_cast<std::ptrdiff_t>(targets.size()) - 1))]
                .place;
        emit targetPicked(m_selected);
        replotMarks();
        return;
    }
    const bool up = event->key() == Qt::Key_Up, down = event->key() == Qt::Key_Down;
    if ((up || down) && m_movable && at != targets.end()) {
        const double division = m_view.gauge.division * pascalPerScaleUnit(m_view.gauge);
        emit targetMoved(m_selected, std::max(at->pascal + (up ? division : -division), division));
        return;
    }
    if (event->key() == Qt::Key_Home)
        resetFrame();
    else
        QWidget::keyPressEvent(event);
}

void PhaseMap::wheelEvent(QWheelEvent* event) { m_plot->wheelEvent(event); }

void PhaseMap::contextMenuEvent(QContextMenuEvent* event) {
    QMenu menu(this);
    const std::pair<QString, Axes> kinds[] = {{tr("Pressure, logarithmic"), Axes::PressureLog},
                                              {tr("Pressure, linear"), Axes::PressureLinear},
                                              {tr("ln p against 1/T"), Axes::ClausiusClapeyron}};
    for (const auto& [label, axes] : kinds) {
        QAction* action = menu.addAction(label, this, [this, kind = axes] { setAxes(kind); });
        action->setCheckable(true);
        action->setChecked(axes == m_axes);
    }
    menu.addSeparator();
    QMenu* over = menu.addMenu(tr("Lay over"));
    for (const Substance* s : substances()) {
        if (s == m_view.substance) continue;
        const bool shown =
            std::find(m_view.overlays.begin(), m_view.overlays.end(), s) != m_view.overlays.end();
        QAction* action = over->addAction(onScreen(s->facts().name), this, [this, s, shown] {
            emit layOver(QString::fromStdString(s->facts().id), !shown);
        });
        action->setCheckable(true);
        action->setChecked(shown);
    }
    menu.addAction(tr("Show all of %1").arg(onScreen(m_view.substance->facts().name)), this,
                   &PhaseMap::showAll);
    menu.addAction(tr("Frame what matters"), this, &PhaseMap::resetFrame);
    menu.exec(event->globalPos());
}

} // namespace uttrin::app
