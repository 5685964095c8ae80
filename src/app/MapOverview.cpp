#include "MapOverview.h"

#include "Theme.h"
#include "WaterCurve.h"

#include <QPainterPath>

#include <algorithm>
#include <cmath>

namespace uttrin::app {

MapOverview::MapOverview(PhaseMap* map) : QWidget(map), m_map(map) {
    setObjectName(QStringLiteral("overview"));
    setToolTip(
        PhaseMap::tr("All of water. Drag the frame to look elsewhere; double-click the map to come back."));
    setCursor(Qt::OpenHandCursor);
    resize(180, 132);
}

namespace {
constexpr double kOverviewLowK = 243.0, kOverviewHighK = 400.0, kOverviewLowPa = 60.0,
                 kOverviewHighPa = 250e3;
}

QRectF MapOverview::field() const { return QRectF(rect()).adjusted(9, 24, -9, -8); }

QPointF MapOverview::place(double kelvin, double pascal) const {
    const QRectF f = field();
    return {f.left() + f.width() * (kelvin - kOverviewLowK) / (kOverviewHighK - kOverviewLowK),
            f.bottom() -
                f.height() * std::log(pascal / kOverviewLowPa) / std::log(kOverviewHighPa / kOverviewLowPa)};
}

void MapOverview::paintEvent(QPaintEvent*) {
    const Theme& t = theme();
    QPainter p(this);
    p.setRenderHint(QPainter::Antialiasing);
    p.setPen(t.hairline);
    p.setBrush(t.card);
    p.drawRoundedRect(QRectF(rect()).adjusted(0.5, 0.5, -0.5, -0.5), 6, 6);
    p.setPen(t.muted);
    p.setFont(fontOf(12, QFont::DemiBold));
    p.drawText(QRectF(10, 4, width(), 18), Qt::AlignLeft | Qt::AlignVCenter, PhaseMap::tr("all of water"));
    const QRectF f = field();
    p.setClipRect(f);
    p.fillRect(f, t.liquid);
    QPainterPath below, ice;
    below.moveTo(f.bottomLeft());
    ice.moveTo(f.topLeft());
    constexpr int kSamples = 80;
    for (int i = 0; i <= kSamples; ++i) {
        const double k = kOverviewLowK + (kOverviewHighK - kOverviewLowK) * i / kSamples;
        below.lineTo(place(k, vapourPressure(k)));
        if (k < kTripleK) ice.lineTo(place(k, vapourPressure(k)));
    }
    below.lineTo(f.bottomRight());
    ice.lineTo(place(kTripleK, kTriplePascal));
    ice.lineTo(QPointF(place(kTripleK, kTriplePascal).x(), f.top()));
    p.fillPath(ice, t.ice);
    p.fillPath(below, t.vapour);
    p.setPen(QPen(t.ink, 1.2));
    p.setBrush(Qt::NoBrush);
    p.drawPath(below);
    p.drawLine(place(kTripleK, kTriplePascal), QPointF(place(kTripleK, kTriplePascal).x(), f.top()));
    const auto x = m_map->xAxis->range(), y = m_map->yAxis->range();
    const double k1 = m_map->kelvinAt(x.lower), k2 = m_map->kelvinAt(x.upper);
    p.setPen(QPen(t.ink, 2));
    p.drawRect(QRectF(place(std::min(k1, k2), m_map->pascalAt(y.upper)),
                      place(std::max(k1, k2), std::max(1.0, m_map->pascalAt(y.lower))))
                   .intersected(f.adjusted(1, 1, -1, -1)));
}

void MapOverview::moveTo(QPointF pixel) {
    const QRectF f = field();
    const double kelvin =
        kOverviewLowK + (kOverviewHighK - kOverviewLowK) * (pixel.x() - f.left()) / f.width();
    const double pascal =
        kOverviewLowPa * std::pow(kOverviewHighPa / kOverviewLowPa, (f.bottom() - pixel.y()) / f.height());
    const auto shift = [](QCPAxis* axis, double to, bool ratio) {
        const QCPRange r = axis->range();
        if (ratio) {
            const double factor = to / std::sqrt(r.lower * r.upper);
            axis->setRange(r.lower * factor, r.upper * factor);
        } else {
            axis->setRange(to - r.size() / 2, to + r.size() / 2);
        }
    };
    shift(m_map->xAxis, m_map->xOf(kelvin), false);
    shift(m_map->yAxis, m_map->yOf(pascal), m_map->axes() == PhaseMap::Axes::PressureLog);
    m_map->replot();
}

void MapOverview::mousePressEvent(QMouseEvent* event) { moveTo(event->position()); }
void MapOverview::mouseMoveEvent(QMouseEvent* event) {
    if (event->buttons() & Qt::LeftButton) moveTo(event->position());
}

} // namespace uttrin::app
