#include "InstrumentPicture.h"
#include "app/controls/OnScreen.h"
#include "app/controls/Theme.h"
#include "quantities/Rounding.h"

#include <QPainter>
#include <QPainterPath>

#include <algorithm>
#include <cmath>

namespace uttrin::app {
namespace {

// px: above and below the ruler, width of the tube and of the ruler
constexpr double kTube = 22.0, kRuler = 52.0; // px
/// Over the arms and under them, px, with a line of words each.
double head() { return 20.0 + lineOf(theme().small - 1); }
double foot() { return 46.0 + lineOf(theme().text); }

QColor mixed(const QColor& a, const QColor& b) {
    return {(a.red() + 2 * b.red()) / 3, (a.green() + 2 * b.green()) / 3, (a.blue() + 2 * b.blue()) / 3};
}

} // namespace

void UTubePicture::setInstrument(const PressureInstrument& instrument) {
    m_instrument = instrument;
    update();
}

std::pair<double, double> UTubePicture::ends() const { return {-m_instrument.armSum, m_instrument.armSum}; }

double UTubePicture::yOf(double ruler) const {
    const double top = std::max(m_instrument.armSum, 1e-6);
    return height() - foot() - (height() - head() - foot()) * ruler / top;
}

double UTubePicture::xOf(bool first) const {
    const double half = std::min(0.32 * width(), 90.0);
    return width() / 2.0 + (first ? -half : half);
}

QPointF UTubePicture::meniscus(bool first) const {
    const double difference = value().value_or(0.0);
    return {xOf(first), yOf(0.5 * (m_instrument.armSum + (first ? difference : -difference)))};
}

QPointF UTubePicture::graduation(double ruler, bool left) const {
    return {width() / 2.0 + (left ? -0.5 : 0.5) * kRuler, yOf(ruler)};
}

double UTubePicture::valueAt(QPointF pixel) const {
    const bool first = pixel.x() < width() / 2.0;
    const double ruler = (height() - foot() - pixel.y()) / (height() - head() - foot()) * m_instrument.armSum;
    const double difference = 2.0 * ruler - m_instrument.armSum;
    return first ? difference : -difference;
}

/// Over or under an arm, and within the picture.
void UTubePicture::write(QPainter& p, double x, double y, const QString& words) const {
    const double wide = p.fontMetrics().horizontalAdvance(words) + 2.0;
    const double left = std::clamp(x - wide / 2, 0.0, std::max(0.0, width() - wide));
    p.drawText(QRectF(left, y, wide, p.fontMetrics().height()), Qt::AlignCenter, words);
}

void UTubePicture::paintEvent(QPaintEvent*) {
    const Theme& t = theme();
    QPainter p(this);
    p.setRenderHint(QPainter::Antialiasing);
    const bool closed = m_instrument.convention == PressureConvention::ClosedTwoArm;
    const QColor liquid = m_instrument.liquid == ManometerLiquid::Mercury ? QColor(0x8C, 0x95, 0x9C)
                          : m_instrument.liquid == ManometerLiquid::Water ? t.liquid.darker(120)
                                                                          : QColor(0xC9, 0xA2, 0x4B);
    const double bottom = yOf(0.0), turn = bottom + 14.0;
    const QPointF a = meniscus(true), b = meniscus(false);
    const auto tube = [&](QPointF from, QPointF to) {
        QPainterPath path(from);
        path.lineTo(from.x(), turn - 6);
        path.quadTo(from.x(), turn + 12, from.x() + 18, turn + 12);
        path.lineTo(to.x() - 18, turn + 12);
        path.quadTo(to.x(), turn + 12, to.x(), turn - 6);
        path.lineTo(to);
        return path;
    };
    const QPointF topA(a.x(), closed ? head() - 14 : head() - 18), topB(b.x(), head() - 18);
    p.setBrush(Qt::NoBrush);
    p.setPen(QPen(t.ink, kTube + 3, Qt::SolidLine, Qt::FlatCap));
    p.drawPath(tube(topA, topB));
    p.setPen(QPen(t.card, kTube, Qt::SolidLine, Qt::FlatCap));
    p.drawPath(tube(topA + QPointF(0, closed ? 3 : 0), topB));
    // Without a reading the liquid stands level, and pale.
    p.setPen(QPen(value() ? liquid : mixed(liquid, t.card), kTube - 4, Qt::SolidLine, Qt::FlatCap));
    p.drawPath(tube(a, b));
    // The ruler in the middle, in its own unit.
    const double x = width() / 2.0, ruler = kRuler;
    p.setPen(QPen(t.hairline.darker(120), 1));
    p.setBrush(t.card);
    p.drawRect(QRectF(x - ruler / 2, head() - 8, ruler, bottom - head() + 16));
    const double perUnit = (height() - head() - foot()) / m_instrument.armSum;
    double tick = m_instrument.division;
    while (tick * perUnit < 2.6)
        tick *= tick * perUnit * 5.0 < 2.6 ? 10.0 : 5.0;
    constexpr double kLabelsApart = 28.0; // px, at least
    const double label = std::max(10.0 * m_instrument.division, roundStep(kLabelsApart / perUnit));
    p.setFont(fontOf(t.small - 1));
    for (const double v : evenSteps(0.0, m_instrument.armSum, tick)) {
        const double n = v / label;
        const bool major = std::abs(n - std::round(n)) < 1e-6;
        p.setPen(QPen(t.ink, major ? 1.4 : 0.8));
        const double length = major ? 10 : 5, y = yOf(v);
        p.drawLine(QPointF(x - ruler / 2, y), QPointF(x - ruler / 2 + length, y));
        p.drawLine(QPointF(x + ruler / 2, y), QPointF(x + ruler / 2 - length, y));
        if (major)
            p.drawText(
                QRectF(x - ruler / 2 + 9, y - 0.5 * lineOf(t.small - 1), ruler - 18, lineOf(t.small - 1)),
                Qt::AlignCenter, onScreen(v, decimalsForDivision(label)));
    }
    if (value() && m_figures) {
        p.setPen(QPen(t.done, 1.4, Qt::DashLine));
        p.drawLine(QPointF(a.x() + kTube / 2, a.y()), QPointF(x - ruler / 2, a.y()));
        p.drawLine(QPointF(b.x() - kTube / 2, b.y()), QPointF(x + ruler / 2, b.y()));
        p.setPen(t.ink);
        p.setFont(fontOf(t.text, QFont::DemiBold));
        const int decimals = decimalsForDivision(0.5 * m_instrument.division);
        const double sum = m_instrument.armSum, difference = *value();
        const auto arm = [&](double at, double level) {
            write(p, at, height() - lineOf(t.text) - 2,
                  QStringLiteral("%1 %2").arg(onScreen(level, decimals), asIs(unitText(m_instrument))));
        };
        arm(a.x(), 0.5 * (sum + difference));
        arm(b.x(), 0.5 * (sum - difference));
    }
    if (target())
        for (const bool first : {true, false}) {
            const double side = first ? -1.0 : 1.0;
            drawTarget(p,
                       QPointF(xOf(first) + side * (kTube / 2 + 2),
                               yOf(0.5 * (m_instrument.armSum - side * *target()))),
                       QPointF(-side, 0));
        }
    p.setFont(fontOf(t.small - 1, QFont::DemiBold));
    p.setPen(t.muted);
    write(p, a.x(), 0, closed ? tr("closed") : tr("vessel"));
    write(p, b.x(), 0, closed ? tr("vessel") : tr("room"));
}

QString UTubePicture::said(double value) const {
    return QStringLiteral("%1 %2").arg(onScreen(text(m_instrument, readingAt(m_instrument, value))),
                                       unitShown());
}

QString UTubePicture::unitShown() const { return asIs(unitText(m_instrument)); }

} // namespace uttrin::app
