#include "InstrumentPicture.h"
#include "app/controls/OnScreen.h"
#include "app/controls/Theme.h"
#include "quantities/Rounding.h"

#include <QPainter>

#include <algorithm>
#include <cmath>

namespace uttrin::app {
namespace {

// px above the scale, for the bulb below it, and from the column to the end of a long graduation
constexpr double kTop = 16.0, kBulb = 44.0, kLongTick = 22.0;

} // namespace

void ThermometerPicture::setInstrument(const Thermometer& thermometer) {
    m_thermometer = thermometer;
    update();
}

std::pair<double, double> ThermometerPicture::ends() const {
    const Unit& u = unit(m_thermometer.unit);
    const double low = u.fromSi(kIcePointKelvin - 10.0), high = u.fromSi(kIcePointKelvin + 110.0);
    return {std::round(low), std::round(high)};
}

double ThermometerPicture::resting() const { return unit(m_thermometer.unit).fromSi(kIcePointKelvin + 20.0); }

double ThermometerPicture::yOf(double v) const {
    const auto [low, high] = ends();
    return height() - kBulb - (height() - kBulb - kTop) * (v - low) / (high - low);
}

double ThermometerPicture::xOfColumn() const { return 0.36 * width(); }

QPointF ThermometerPicture::columnEnd(double v) const { return {xOfColumn(), yOf(v)}; }

QPointF ThermometerPicture::graduation(double v, bool left) const {
    return {xOfColumn() + (left ? 10.0 : kLongTick), yOf(v)};
}

double ThermometerPicture::valueAt(QPointF pixel) const {
    const auto [low, high] = ends();
    return low + (height() - kBulb - pixel.y()) / (height() - kBulb - kTop) * (high - low);
}

void ThermometerPicture::paintEvent(QPaintEvent*) {
    const Theme& t = theme();
    QPainter p(this);
    p.setRenderHint(QPainter::Antialiasing);
    const double x = xOfColumn();
    const auto [low, high] = ends();
    p.setPen(QPen(t.ink, 1.6));
    p.setBrush(t.card);
    p.drawRoundedRect(QRectF(x - 9, kTop - 10, 18, height() - kBulb - kTop + 26), 9, 9);
    const QColor column = t.dark ? QColor(0x8F, 0xB4, 0xF0) : QColor(0x2F, 0x4C, 0x7A);
    p.setBrush(column);
    p.drawEllipse(QPointF(x, height() - 22.0), 14, 14);
    p.setPen(QPen(column, 5, Qt::SolidLine, Qt::FlatCap));
    p.drawLine(QPointF(x, height() - 30.0), QPointF(x, yOf(std::clamp(value().value_or(low), low, high))));
    const double perUnit = (height() - kBulb - kTop) / (high - low);
    double tick = m_thermometer.division;
    for (const double factor : {1.0, 2.0, 2.5, 5.0, 10.0, 20.0, 50.0, 100.0}) {
        tick = m_thermometer.division * factor;
        if (tick * perUnit >= 3.0) break;
    }
    const double textHeight = QFontMetricsF(fontOf(t.small - 1)).height();
    double label = 10.0;
    while (label * perUnit < textHeight)
        label *= 2.0;
    p.setFont(fontOf(t.small - 1));
    const double line = lineOf(t.small - 1);
    for (const double v : evenSteps(std::ceil(low / tick) * tick, high, tick)) {
        const double n = v / label;
        const bool major = std::abs(n - std::round(n)) < 1e-6;
        p.setPen(QPen(t.ink, major ? 1.4 : 0.7));
        p.drawLine(QPointF(x + 10, yOf(v)), QPointF(x + (major ? kLongTick : 16.0), yOf(v)));
        if (major)
            p.drawText(QRectF(x + 26, yOf(v) - 0.5 * line, width() - x - 26, line),
                       Qt::AlignLeft | Qt::AlignVCenter, onScreen(v, 0));
    }
    if (target()) drawTarget(p, QPointF(x - 10, yOf(*target())), QPointF(1, 0));
    p.setPen(t.muted);
    p.drawText(QRectF(x + 22, height() - 22.0 - 0.5 * line, width() - x - 22, line),
               Qt::AlignLeft | Qt::AlignVCenter, asIs(unit(m_thermometer.unit).display));
}

QString ThermometerPicture::unitShown() const { return asIs(readingUnit(m_thermometer)); }

} // namespace uttrin::app
