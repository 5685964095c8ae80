#include "InstrumentPicture.h"
#include "OnScreen.h"
#include "Theme.h"
#include "quantities/Rounding.h"

#include <QPainter>
#include <QPainterPath>

#include <algorithm>
#include <cmath>

namespace uttrin::app {
namespace {

constexpr double kEdge = 8.0, kDisplayTop = 30.0, kDisplay = 54.0; // px
constexpr double kColdest = -10.0, kHottest = 110.0;               // degC, ends of the bar

} // namespace

void MeterPicture::setInstrument(const Thermometer& thermometer) {
    m_thermometer = thermometer;
    m_low = toReading(thermometer, Temperature::fromCelsius(kColdest));
    m_high = toReading(thermometer, Temperature::fromCelsius(kHottest));
    update();
}

double MeterPicture::resting() const { return toReading(m_thermometer, Temperature::fromCelsius(20.0)); }

QRectF MeterPicture::bar() const {
    return {kEdge + 16.0, kDisplayTop + kDisplay + 16.0, width() - 2.0 * (kEdge + 16.0), 10.0};
}

double MeterPicture::xOf(double reading) const {
    return bar().left() + bar().width() * std::clamp((reading - m_low) / (m_high - m_low), 0.0, 1.0);
}

double MeterPicture::valueAt(QPointF pixel) const {
    return m_low + (pixel.x() - bar().left()) / bar().width() * (m_high - m_low);
}

void MeterPicture::paintEvent(QPaintEvent*) {
    const Theme& t = theme();
    QPainter p(this);
    p.setRenderHint(QPainter::Antialiasing);
    const QRectF body(kEdge, kEdge, width() - 2 * kEdge, std::min(170.0, height() - 2.0 * kEdge - 20.0));
    p.setPen(QPen(t.ink, 1.6));
    p.setBrush(t.card);
    p.drawRoundedRect(body, 10, 10);
    const QRectF display(body.left() + 10, kDisplayTop, body.width() - 20, kDisplay);
    p.setBrush(t.liquid);
    p.drawRoundedRect(display, 5, 5);
    p.setPen(t.ink);
    p.setFont(fontOf(t.title + 6, QFont::DemiBold));
    const int decimals = decimalsForDivision(m_thermometer.division);
    const QString unit = onScreen(readingUnit(m_thermometer));
    p.drawText(display.adjusted(4, 0, -4, 0), Qt::AlignCenter,
               value() ? QStringLiteral("%1 %2").arg(onScreen(*value(), decimals), unit)
                       : QStringLiteral("– ") + unit);
    p.setFont(fontOf(t.small - 1, QFont::DemiBold));
    p.setPen(t.muted);
    p.drawText(QRectF(body.left(), body.top() + 2, body.width(), 20), Qt::AlignCenter,
               p.fontMetrics().elidedText(QString::fromStdString(m_thermometer.name), Qt::ElideRight,
                                          static_cast<int>(body.width()) - 12));
    // The bar from cold to hot, in the unit of the reading, with its handle.
    p.setPen(QPen(t.hairline.darker(120), 1));
    p.setBrush(t.paper);
    p.drawRoundedRect(bar(), 5, 5);
    p.setFont(fontOf(t.small - 1));
    p.setPen(t.muted);
    for (const double celsius : {0.0, 50.0, 100.0}) {
        const double reading = toReading(m_thermometer, Temperature::fromCelsius(celsius));
        p.drawLine(QPointF(xOf(reading), bar().bottom()), QPointF(xOf(reading), bar().bottom() + 5));
        p.drawText(QRectF(xOf(reading) - 25, bar().bottom() + 6, 50, 16), Qt::AlignCenter,
                   onScreen(reading, 0));
    }
    if (value()) {
        p.setPen(QPen(t.card, 2));
        p.setBrush(t.done);
        p.drawEllipse(QPointF(xOf(*value()), bar().center().y()), 9, 9);
    }
    if (target()) drawTarget(p, QPointF(xOf(*target()), bar().top() + 1), QPointF(0, 1));
    drawSensor(p, QPointF(body.center().x(), body.bottom()));
    if (hasFocus()) {
        p.setPen(QPen(t.done, 2));
        p.setBrush(Qt::NoBrush);
        p.drawRoundedRect(body.adjusted(-3, -3, 3, 3), 12, 12);
    }
}

/// What the meter is joined to: a probe in a lead, a coil between two wires, or the spot it is aimed at.
void MeterPicture::drawSensor(QPainter& p, QPointF from) const {
    const Theme& t = theme();
    const double bottom = height() - kEdge;
    if (bottom - from.y() < 50.0) return;
    p.setBrush(Qt::NoBrush);
    if (m_thermometer.kind == ThermometerKind::Infrared) {
        // A cone of sight onto the glass wall, with the liquid behind it.
        const double wall = bottom - 22.0;
        p.setPen(Qt::NoPen);
        p.setBrush(QColor(t.sightOnPhoto.red(), t.sightOnPhoto.green(), t.sightOnPhoto.blue(), 60));
        p.drawPolygon(QPolygonF({from, QPointF(from.x() - 22, wall), QPointF(from.x() + 22, wall)}));
        p.fillRect(QRectF(kEdge, wall, width() - 2 * kEdge, 6), t.hairline.darker(115));
        p.fillRect(QRectF(kEdge, wall + 6, width() - 2 * kEdge, bottom - wall - 6), t.liquid);
        return;
    }
    p.setPen(QPen(t.ink, 1.6));
    if (readsOhms(m_thermometer)) {
        // Two wires to a coil.
        const double top = from.y() + 8, coil = std::min(60.0, bottom - top - 12);
        for (const double dx : {-8.0, 8.0})
            p.drawLine(from + QPointF(dx, 0), QPointF(from.x() + dx, top));
        constexpr int kTurns = 7;
        QPainterPath winding(QPointF(from.x() - 8, top));
        for (int i = 0; i < kTurns; ++i) {
            const double y = top + coil * (i + 0.5) / kTurns;
            winding.lineTo(from.x() + (i % 2 == 0 ? 14 : -14), y);
        }
        winding.lineTo(from.x() + 8, top + coil);
        winding.lineTo(from.x() + 8, top);
        p.setPen(QPen(m_thermometer.kind == ThermometerKind::Copper ? QColor(0xA8, 0x5C, 0x2E) : t.muted, 2));
        p.drawPath(winding);
        return;
    }
    // A lead and a steel probe.
    QPainterPath lead(from);
    lead.cubicTo(from + QPointF(0, 24), from + QPointF(18, 16), from + QPointF(18, 40));
    p.drawPath(lead);
    p.setBrush(t.hairline);
    p.drawRoundedRect(QRectF(from.x() + 14, from.y() + 40, 8, std::max(10.0, bottom - from.y() - 44)), 4, 4);
}

} // namespace uttrin::app
