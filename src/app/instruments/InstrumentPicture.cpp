#include "InstrumentPicture.h"

#include "app/controls/OnScreen.h"
#include "app/controls/Theme.h"
#include "quantities/Rounding.h"

#include <QKeyEvent>
#include <QMouseEvent>
#include <QPainter>
#include <QPolygonF>
#include <QWheelEvent>

#include <algorithm>
#include <cmath>

namespace uttrin::app {

InstrumentPicture::InstrumentPicture(const QString& name, QWidget* parent) : QWidget(parent) {
    setObjectName(name);
    setFocusPolicy(Qt::StrongFocus);
    setCursor(Qt::PointingHandCursor);
    setToolTip(usage());
    setAccessibleName(tr("Picture of the instrument"));
}

void InstrumentPicture::setValue(std::optional<double> value) {
    if (m_value == value) return;
    m_value = value;
    spokenChanged(this);
    update();
}

QString InstrumentPicture::spokenValue() const { return m_value ? said(*m_value) : tr("no reading yet"); }

QString InstrumentPicture::said(double value) const {
    return QStringLiteral("%1 %2").arg(onScreen(value, decimalsForDivision(step())), unitShown());
}

std::optional<Spoken::Setting> InstrumentPicture::spokenSetting() const {
    const auto [low, high] = ends();
    return Setting{m_value.value_or(resting()), low, high, step()};
}

QString InstrumentPicture::usage() {
    return tr("Drag it, or use the arrow keys, until it looks like the instrument before you.");
}

void InstrumentPicture::setTarget(std::optional<double> target) {
    m_target = target;
    setToolTip(usage() + (target ? tr(" The pointer at its scale shows the next target.") : QString()));
    update();
}

std::optional<double> InstrumentPicture::target() const {
    const auto [low, high] = ends();
    return m_target && *m_target >= low && *m_target <= high ? m_target : std::nullopt;
}

void InstrumentPicture::drawTarget(QPainter& painter, QPointF tip, QPointF towards) {
    constexpr double kLong = 13.0, kHalf = 7.0; // px
    const QPointF across(-towards.y(), towards.x());
    painter.setPen(QPen(theme().card, 1.5));
    painter.setBrush(theme().done);
    painter.drawPolygon(
        QPolygonF({tip, tip - kLong * towards + kHalf * across, tip - kLong * towards - kHalf * across}));
}

void InstrumentPicture::setTo(double value) {
    const auto [low, high] = ends();
    const double readable = std::round(std::clamp(value, low, high) / step()) * step();
    if (m_value && std::abs(*m_value - readable) < 1e-9 * step()) return;
    setValue(readable);
    emit moved(readable);
}

void InstrumentPicture::mousePressEvent(QMouseEvent* event) {
    if (event->button() == Qt::LeftButton) setTo(valueAt(event->position()));
}

void InstrumentPicture::mouseMoveEvent(QMouseEvent* event) {
    if (event->buttons() & Qt::LeftButton) setTo(valueAt(event->position()));
}

void InstrumentPicture::keyPressEvent(QKeyEvent* event) {
    constexpr int kPage = 10; // steps
    const double here = m_value.value_or(resting());
    switch (event->key()) {
    case Qt::Key_Up:
    case Qt::Key_Right:
        return setTo(here + step());
    case Qt::Key_Down:
    case Qt::Key_Left:
        return setTo(here - step());
    case Qt::Key_PageUp:
        return setTo(here + kPage * step());
    case Qt::Key_PageDown:
        return setTo(here - kPage * step());
    default:
        QWidget::keyPressEvent(event);
    }
}

void InstrumentPicture::wheelEvent(QWheelEvent* event) {
    if (!hasFocus()) return QWidget::wheelEvent(event); // a page that scrolls under the pointer sets nothing
    setTo(m_value.value_or(resting()) + (event->angleDelta().y() > 0 ? step() : -step()));
}

} // namespace uttrin::app

#include "moc_InstrumentPicture.cpp"
