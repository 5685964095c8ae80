#include "InstrumentPicture.h"
#include "app/controls/OnScreen.h"
#include "app/controls/Theme.h"
#include "physics/Constants.h"
#include "quantities/Rounding.h"

#include <QMouseEvent>
#include <QPainter>

#include <cmath>

namespace uttrin::app {
namespace {

constexpr double kDivisionsShown = 22.0;

} // namespace

void VernierPicture::setInstrument(const MercuryReading& reading) {
    m_reading = reading;
    // Before it is read, and while a number is half typed, it stands as on a standard day.
    if (const auto [low, high] = ends(); !(reading.value() >= low && reading.value() <= high))
        m_reading = withValue(reading, kStandardAtmospherePascal / unit(reading.unit).factor);
    const double half = 0.35 * kDivisionsShown * reading.mainDivision;
    if (std::abs(m_reading.value() - m_middle) > half) m_middle = m_reading.value();
    setValue(m_reading.value());
}

std::pair<double, double> VernierPicture::ends() const {
    const double factor = unit(m_reading.unit).factor;
    return {kLowestRoomPascal / factor, kHighestRoomPascal / factor};
}

double VernierPicture::resting() const { return m_reading.value(); }
double VernierPicture::pixelsPerUnit() const { return height() / (kDivisionsShown * m_reading.mainDivision); }

double VernierPicture::yOf(double value) const {
    return height() / 2.0 - (value - m_middle) * pixelsPerUnit();
}
double VernierPicture::edge() const { return 0.64 * width(); }

QPointF VernierPicture::zeroLine(double value) const { return {edge() + 10.0, yOf(value)}; }

QPointF VernierPicture::graduation(double value, bool left) const {
    return {edge() - (left ? 26.0 : 1.0), yOf(value)};
}

// A drag moves the vernier by as much as the hand: the coincidence is far finer than a pixel of its zero.
double VernierPicture::valueAt(QPointF pixel) const {
    constexpr double kGear = 0.25; // of the hand's way, so that one line of the vernier is easy to meet
    return m_grabbedValue + kGear * (m_grabbedY - pixel.y()) / pixelsPerUnit();
}

void VernierPicture::mousePressEvent(QMouseEvent* event) {
    m_grabbedY = event->position().y();
    m_grabbedValue = value().value_or(m_reading.value());
}

void VernierPicture::paintEvent(QPaintEvent*) {
    const Theme& t = theme();
    QPainter p(this);
    p.setRenderHint(QPainter::Antialiasing);
    const double shown = value().value_or(m_reading.value());
    if (std::abs(shown - m_middle) > 0.35 * kDivisionsShown * m_reading.mainDivision) m_middle = shown;
    const auto y = [this](double v) { return yOf(v); };
    const double tube = 0.14 * width(), scale = edge();
    p.setPen(QPen(t.hairline.darker(120), 1));
    p.setBrush(t.card);
    p.drawRoundedRect(QRectF(rect()).adjusted(0.5, 0.5, -0.5, -0.5), 6, 6);
    // The tube with the mercury up to the vernier's zero.
    p.fillRect(QRectF(10, 2, tube, height() - 4), t.ground);
    p.fillRect(QRectF(10, y(shown), tube, height() - 2 - y(shown)), QColor(0x8C, 0x95, 0x9C));
    p.setPen(QPen(t.ink, 1.4));
    p.drawLine(QPointF(10, 2), QPointF(10, height() - 2.0));
    p.drawLine(QPointF(10 + tube, 2), QPointF(10 + tube, height() - 2.0));
    // Main scale.
    p.setFont(fontOf(t.small));
    const double d = m_reading.mainDivision;
    const int first = static_cast<int>(std::floor((m_middle - 0.5 * kDivisionsShown * d) / d)),
              last = static_cast<int>(std::ceil((m_middle + 0.5 * kDivisionsShown * d) / d));
    for (int i = first; i <= last; ++i) {
        const bool ten = i % 10 == 0, five = i % 5 == 0;
        p.setPen(QPen(t.ink, ten ? 1.8 : 1.0));
        p.drawLine(QPointF(scale - (ten ? 34 : five ? 26 : 18), y(i * d)), QPointF(scale, y(i * d)));
        constexpr double kHalfLine = 10.0; // px
        if (five && y(i * d) > kHalfLine && y(i * d) < height() - kHalfLine)
            p.drawText(QRectF(10 + tube, y(i * d) - kHalfLine, scale - 48 - tube, 2 * kHalfLine),
                       Qt::AlignRight | Qt::AlignVCenter, onScreen(i * d, decimalsForDivision(d)));
    }
    p.drawLine(QPointF(scale, 2), QPointF(scale, height() - 2.0));
    // The vernier: its n spaces take n - 1 of the scale's, so that one line meets a graduation.
    const int n = m_reading.vernierDivisions;
    const double space = n > 1 ? d * (n - 1.0) / n : d;
    const double zero = y(shown);
    p.setBrush(t.vapour);
    p.setPen(QPen(t.ink, 1.2));
    p.drawRect(
        QRectF(scale, y(shown + n * space) - 8, width() - scale - 8, zero - y(shown + n * space) + 16));
    const int coincides = static_cast<int>(std::lround((shown / d - std::floor(shown / d + 1e-9)) * n));
    for (int k = 0; k <= n; ++k) {
        const bool meets = n > 1 && k == coincides % n;
        p.setPen(QPen(meets ? t.done : t.ink, meets ? 2.6 : 1.0));
        const double at = y(shown + k * space);
        p.drawLine(QPointF(scale, at), QPointF(scale + (k % 5 == 0 ? 26 : 17), at));
        if (k % 5 == 0)
            p.drawText(QRectF(scale + 30, at - 10, 30, 20), Qt::AlignLeft | Qt::AlignVCenter,
                       QString::number(k));
    }
}

QString VernierPicture::unitShown() const { return asIs(unit(m_reading.unit).display); }

} // namespace uttrin::app
