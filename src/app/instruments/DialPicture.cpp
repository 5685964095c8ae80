#include "InstrumentPicture.h"
#include "app/controls/OnScreen.h"
#include "app/controls/Theme.h"
#include "quantities/Rounding.h"

#include <QPainter>
#include <QPainterPath>

#include <algorithm>
#include <cmath>
#include <numbers>
#include <tuple>

namespace uttrin::app {
namespace {

constexpr double kStart = 225.0, kSweep = 270.0; // degrees: from lower left clockwise to lower right

} // namespace

void DialPicture::setInstrument(const PressureInstrument& i, double roomPascal) {
    std::tie(m_low, m_high) = spanShown(i, roomPascal);
    m_division = i.division;
    m_step = readableStep(i);
    m_resting = std::clamp(0.0, m_low, m_high);
    m_unit = asIs(unitText(i));
    update();
}

void DialPicture::setInstrument(const Thermometer& thermometer) {
    constexpr double kColdest = -10.0, kHottest = 110.0, kRoom = 20.0,
                     kLabels = 10.0; // degC; across the dial
    const auto shown = [&](double celsius) {
        return toReading(thermometer, Temperature::fromCelsius(celsius));
    };
    const double step = roundStep((shown(kHottest) - shown(kColdest)) / kLabels);
    m_low = std::floor(shown(kColdest) / step) * step;
    m_high = std::ceil(shown(kHottest) / step) * step;
    m_division = thermometer.division;
    m_step = 0.5 * m_division;
    m_resting = shown(kRoom);
    m_unit = asIs(readingUnit(thermometer));
    update();
}

QPointF DialPicture::centre() const { return {width() / 2.0, height() / 2.0}; }
double DialPicture::radius() const { return 0.5 * std::min(width(), height()) - 6.0; }

double DialPicture::angle(double value) const { return kStart - kSweep * (value - m_low) / (m_high - m_low); }

QPointF DialPicture::needleTip(double value) const {
    const double a = angle(value) * std::numbers::pi / 180.0;
    return centre() + 0.78 * radius() * QPointF(std::cos(a), -std::sin(a));
}

double DialPicture::valueAt(QPointF pixel) const {
    const QPointF d = pixel - centre();
    double a = std::atan2(-d.y(), d.x()) * 180.0 / std::numbers::pi; // -180 to 180
    if (a < -90.0) a += 360.0;                                       // the gap of the scale is below
    return m_low + (kStart - a) / kSweep * (m_high - m_low);
}

void DialPicture::paintEvent(QPaintEvent*) {
    const Theme& t = theme();
    QPainter p(this);
    p.setRenderHint(QPainter::Antialiasing);
    const QPointF c = centre();
    const double r = radius();
    p.setPen(QPen(t.ink, 2));
    p.setBrush(t.card);
    p.drawEllipse(c, r, r);
    const double span = m_high - m_low;
    const double label = roundStep(span / 10.0);
    const double fewestApart = 2.5 * 360.0 / (2.0 * std::numbers::pi * 0.9 * r); // degrees of 2.5 px
    double tick = m_division;
    while (tick / span * kSweep < fewestApart)
        tick = roundStep(tick * 1.5);
    const auto ray = [&](double value, double from, double to) {
        const double a = angle(value) * std::numbers::pi / 180.0;
        const QPointF d(std::cos(a), -std::sin(a));
        p.drawLine(c + from * r * d, c + to * r * d);
    };
    for (const double v : evenSteps(m_low, m_high, tick)) {
        const double inLabels = (v - m_low) / label;
        const bool major = std::abs(inLabels - std::round(inLabels)) < 1e-6;
        const bool middle = std::abs(2.0 * inLabels - std::round(2.0 * inLabels)) < 1e-6;
        p.setPen(QPen(t.ink, major ? 2.0 : 1.0));
        ray(v, major ? 0.82 : middle ? 0.86 : 0.89, 0.95);
    }
    p.setFont(fontOf(std::max(t.small - 1, static_cast<int>(r / 11)), QFont::DemiBold));
    p.setPen(t.ink);
    for (const double v : evenSteps(m_low, m_high, label)) {
        const double a = angle(v) * std::numbers::pi / 180.0;
        const QPointF at = c + 0.68 * r * QPointF(std::cos(a), -std::sin(a));
        p.drawText(QRectF(at.x() - 30, at.y() - 11, 60, 22), Qt::AlignCenter,
                   onScreen(v, decimalsForDivision(label)));
    }
    p.setPen(t.muted);
    p.drawText(QRectF(c.x() - 70, c.y() + 0.34 * r, 140, 24), Qt::AlignCenter, m_unit);
    if (target()) {
        const QPointF out = (needleTip(*target()) - c) /
                            std::hypot(needleTip(*target()).x() - c.x(), needleTip(*target()).y() - c.y());
        drawTarget(p, c + 0.95 * r * out, -out);
    }
    if (value()) {
        const double v = std::clamp(*value(), m_low, m_high);
        const QPointF tip = needleTip(v), back = c - 0.2 * (tip - c);
        p.setPen(QPen(t.done, std::max(3.0, r / 40), Qt::SolidLine, Qt::RoundCap));
        p.drawLine(back, tip);
    }
    p.setPen(Qt::NoPen);
    p.setBrush(t.ink);
    p.drawEllipse(c, 0.05 * r, 0.05 * r);
}

} // namespace uttrin::app
