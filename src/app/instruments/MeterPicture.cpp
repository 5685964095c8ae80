#include "InstrumentPicture.h"
#include "app/controls/OnScreen.h"
#include "app/controls/Theme.h"
#include "quantities/Rounding.h"

#include <QPainter>
#include <QPainterPath>

#include <algorithm>
#include <cmath>
#include <tuple>

namespace uttrin::app {
namespace {

constexpr double kEdge = 8.0, kDisplayTop = 30.0, kDisplay = 54.0; // px

} // namespace

void MeterPicture::setInstrument(const Thermometer& thermometer) {
    const auto shown = [&](double celsius) {
        return toReading(thermometer, Temperature::fromCelsius(celsius));
    };
    constexpr double kColdest = -10.0, kHottest = 110.0, kRoom = 20.0; // degC
    m_low = shown(kColdest);
    m_high = shown(kHottest);
    m_resting = shown(kRoom);
    m_marks = {shown(0.0), shown(50.0), shown(100.0)};
    m_division = thermometer.division;
    m_unit = asIs(readingUnit(thermometer));
    m_name = onScreen(Text::data(thermometer.name));
    m_joined = thermometer.kind == ThermometerKind::Infrared   ? Joined::Sight
               : thermometer.kind == ThermometerKind::Copper   ? Joined::CopperCoil
               : thermometer.kind == ThermometerKind::Platinum ? Joined::PlatinumCoil
                                                               : Joined::Probe;
    update();
}

void MeterPicture::setInstrument(const PressureInstrument& instrument, double roomPascal) {
    std::tie(m_low, m_high) = spanShown(instrument, roomPascal);
    m_resting = std::clamp(0.0, m_low, m_high);
    m_marks = {m_low, 0.5 * (m_low + m_high), m_high};
    m_division = instrument.division;
    m_unit = asIs(unitText(instrument));
    m_name = onScreen(Text::data(instrument.name));
    m_joined = Joined::Hose;
    update();
}

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
    const int decimals = decimalsForDivision(m_division);
    p.drawText(display.adjusted(4, 0, -4, 0), Qt::AlignCenter,
               value() ? QStringLiteral("%1 %2").arg(onScreen(*value(), decimals), m_unit)
                       : QStringLiteral("– ") + m_unit);
    p.setFont(fontOf(t.small - 1, QFont::DemiBold));
    p.setPen(t.muted);
    p.drawText(QRectF(body.left(), body.top() + 2, body.width(), 20), Qt::AlignCenter,
               p.fontMetrics().elidedText(m_name, Qt::ElideRight, static_cast<int>(body.width()) - 12));
    // The bar from cold to hot, in the unit of the reading, with its handle.
    p.setPen(QPen(t.hairline.darker(120), 1));
    p.setBrush(t.ground);
    p.drawRoundedRect(bar(), 5, 5);
    p.setFont(fontOf(t.small - 1));
    p.setPen(t.muted);
    int markDecimals = 0; // no more than tell the marks apart
    while (markDecimals < decimals && std::abs(m_marks[1] - m_marks[0]) * std::pow(10.0, markDecimals) < 5.0)
        ++markDecimals;
    for (const double mark : m_marks) {
        p.drawLine(QPointF(xOf(mark), bar().bottom()), QPointF(xOf(mark), bar().bottom() + 5));
        const double left = std::clamp(xOf(mark) - 25.0, body.left(), body.right() - 50.0);
        p.drawText(QRectF(left, bar().bottom() + 6, 50, 16), Qt::AlignCenter, onScreen(mark, markDecimals));
    }
    if (value()) {
        p.setPen(QPen(t.card, 2));
        p.setBrush(t.done);
        p.drawEllipse(QPointF(xOf(*value()), bar().center().y()), 9, 9);
    }
    if (target()) drawTarget(p, QPointF(xOf(*target()), bar().top() + 1), QPointF(0, 1));
    drawJoined(p, QPointF(body.center().x(), body.bottom()));
}

void MeterPicture::drawJoined(QPainter& p, QPointF from) const {
    const Theme& t = theme();
    const double bottom = height() - kEdge;
    if (bottom - from.y() < 50.0) return;
    p.setBrush(Qt::NoBrush);
    p.setPen(QPen(t.ink, 1.6));
    switch (m_joined) {
    case Joined::Sight: { // a cone of sight onto the glass wall, with the liquid behind it
        const double wall = bottom - 22.0;
        p.setPen(Qt::NoPen);
        p.setBrush(QColor(t.sightOnPhoto.red(), t.sightOnPhoto.green(), t.sightOnPhoto.blue(), 60));
        p.drawPolygon(QPolygonF({from, QPointF(from.x() - 22, wall), QPointF(from.x() + 22, wall)}));
        p.fillRect(QRectF(kEdge, wall, width() - 2 * kEdge, 6), t.hairline.darker(115));
        p.fillRect(QRectF(kEdge, wall + 6, width() - 2 * kEdge, bottom - wall - 6), t.liquid);
        return;
    }
    case Joined::PlatinumCoil:
    case Joined::CopperCoil:
        return drawCoil(p, from);
    case Joined::Hose: { // to the vessel
        QPainterPath hose(from);
        hose.cubicTo(from + QPointF(0, 60), QPointF(from.x() + 40, bottom - 50), QPointF(from.x(), bottom));
        p.setPen(QPen(t.ink, 13, Qt::SolidLine, Qt::FlatCap));
        p.drawPath(hose);
        p.setPen(QPen(t.card, 9, Qt::SolidLine, Qt::FlatCap));
        p.drawPath(hose);
        return;
    }
    case Joined::Probe: // a lead and a steel probe
        QPainterPath lead(from);
        lead.cubicTo(from + QPointF(0, 24), from + QPointF(18, 16), from + QPointF(18, 40));
        p.drawPath(lead);
        p.setBrush(t.hairline);
        p.drawRoundedRect(QRectF(from.x() + 14, from.y() + 40, 8, std::max(10.0, bottom - from.y() - 44)), 4,
                          4);
    }
}

void MeterPicture::drawCoil(QPainter& p, QPointF from) const {
    const double top = from.y() + 8, coil = std::min(60.0, height() - kEdge - top - 12);
    for (const double dx : {-8.0, 8.0})
        p.drawLine(from + QPointF(dx, 0), QPointF(from.x() + dx, top));
    constexpr int kTurns = 7;
    QPainterPath winding(QPointF(from.x() - 8, top));
    for (int i = 0; i < kTurns; ++i)
        winding.lineTo(from.x() + (i % 2 == 0 ? 14 : -14), top + coil * (i + 0.5) / kTurns);
    winding.lineTo(from.x() + 8, top + coil);
    winding.lineTo(from.x() + 8, top);
    p.setPen(QPen(m_joined == Joined::CopperCoil ? QColor(0xA8, 0x5C, 0x2E) : theme().muted, 2));
    p.drawPath(winding);
}

} // namespace uttrin::app
