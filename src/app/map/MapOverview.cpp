#include "MapOverview.h"

#include "PhaseCurve.h"
#include "PhaseMap.h"
#include "PhasePlot.h"
#include "app/controls/Grid.h"
#include "app/controls/OnScreen.h"
#include "app/controls/Theme.h"

#include <QPaintEngine>
#include <QPainterPath>

#include <algorithm>
#include <cmath>

namespace uttrin::app {

MapOverview::MapOverview(PhaseMap* map) : QWidget(map), m_map(map) {
    setObjectName(QStringLiteral("overview"));
    setAccessibleName(tr("What the map shows of the whole"));
    setToolTip(PhaseMap::tr(
        "The whole substance. Drag the frame to look elsewhere; double-click the map to come back."));
    setCursor(Qt::OpenHandCursor);
}

QString MapOverview::title() const {
    return PhaseMap::tr("all of %1").arg(onScreen(m_map->view().substance->facts().name));
}

void MapOverview::fit() {
    constexpr int kWide = 180, kHigh = 108, kBeside = 20; // px; the picture alone
    const QFontMetrics letters(fontOf(theme().tick, QFont::DemiBold));
    resize(std::max(kWide, letters.horizontalAdvance(title()) + kBeside), kHigh + titleHigh());
}

int MapOverview::titleHigh() { return tickLine() + grid::kStep; }

MapOverview::Ends MapOverview::ends() const {
    const PhaseCurve curve(*m_map->view().substance);
    const double low = curve.overviewLowKelvin(), high = curve.overviewHighKelvin();
    constexpr double kMargin = 1.6; // times the pressures at the ends
    return {low, high, curve.pascal(low) * kMargin, curve.pascal(high) * kMargin};
}

QRectF MapOverview::field() const { return QRectF(rect()).adjusted(9, titleHigh(), -9, -8); }

QPointF MapOverview::place(const Ends& e, double kelvin, double pascal) const {
    const QRectF f = field();
    return {f.left() + f.width() * (kelvin - e.lowKelvin) / (e.highKelvin - e.lowKelvin),
            f.bottom() - f.height() * std::log(pascal / e.lowPascal) / std::log(e.highPascal / e.lowPascal)};
}

MapOverview::Key MapOverview::key() const {
    const auto x = m_map->m_plot->xAxis->range(), y = m_map->m_plot->yAxis->range();
    const Theme& t = theme();
    return {x.lower,
            x.upper,
            y.lower,
            y.upper,
            static_cast<int>(m_map->axes()),
            t.tick,
            t.name,
            QLocale().name(),
            m_map->view().substance};
}

void MapOverview::paintEvent(QPaintEvent*) {
    QPainter p(this);
    if (p.paintEngine()->type() != QPaintEngine::Raster) return paint(p); // letters stay letters
    p.drawPixmap(0, 0, m_picture.of(key(), size(), devicePixelRatioF(), [this](QPainter& on) { paint(on); }));
}

void MapOverview::paint(QPainter& p) const {
    const Theme& t = theme();
    p.setRenderHint(QPainter::Antialiasing);
    p.setPen(t.hairline);
    p.setBrush(t.card);
    p.drawRoundedRect(QRectF(rect()).adjusted(0.5, 0.5, -0.5, -0.5), 6, 6);
    p.setPen(t.muted);
    p.setFont(fontOf(theme().tick, QFont::DemiBold));
    p.drawText(QRectF(10, 4, width(), tickLine()), Qt::AlignLeft | Qt::AlignVCenter, title());
    const PhaseCurve curve(*m_map->view().substance);
    const Ends e = ends();
    const QRectF f = field();
    p.setClipRect(f);
    p.fillRect(f, t.liquid);
    QPainterPath below, ice;
    below.moveTo(f.bottomLeft());
    ice.moveTo(f.topLeft());
    constexpr int kSamples = 80;
    for (int i = 0; i <= kSamples; ++i) {
        const double k = e.lowKelvin + (e.highKelvin - e.lowKelvin) * i / kSamples;
        below.lineTo(place(e, k, curve.pascal(k)));
        if (k < curve.tripleKelvin()) ice.lineTo(place(e, k, curve.pascal(k)));
    }
    below.lineTo(f.bottomRight());
    const QPointF triple = place(e, curve.tripleKelvin(), curve.triplePascal());
    ice.lineTo(triple);
    ice.lineTo(QPointF(triple.x(), f.top()));
    p.fillPath(ice, t.ice);
    p.fillPath(below, t.vapour);
    p.setPen(QPen(t.ink, 1.2));
    p.setBrush(Qt::NoBrush);
    p.drawPath(below);
    p.drawLine(triple, QPointF(triple.x(), f.top()));
    const auto x = m_map->m_plot->xAxis->range(), y = m_map->m_plot->yAxis->range();
    const double k1 = m_map->kelvinAt(x.lower), k2 = m_map->kelvinAt(x.upper);
    p.setPen(QPen(t.ink, 2));
    p.drawRect(QRectF(place(e, std::min(k1, k2), m_map->pascalAt(y.upper)),
                      place(e, std::max(k1, k2), std::max(1.0, m_map->pascalAt(y.lower))))
                   .intersected(f.adjusted(1, 1, -1, -1)));
}

void MapOverview::moveTo(QPointF pixel) {
    const QRectF f = field();
    const Ends e = ends();
    const double kelvin = e.lowKelvin + (e.highKelvin - e.lowKelvin) * (pixel.x() - f.left()) / f.width();
    const double pascal =
        e.lowPascal * std::pow(e.highPascal / e.lowPascal, (f.bottom() - pixel.y()) / f.height());
    const auto shift = [](QCPAxis* axis, double to, bool ratio) {
        const QCPRange r = axis->range();
        if (ratio) {
            const double factor = to / std::sqrt(r.lower * r.upper);
            axis->setRange(r.lower * factor, r.upper * factor);
        } else {
            axis->setRange(to - r.size() / 2, to + r.size() / 2);
        }
    };
    shift(m_map->m_plot->xAxis, m_map->xOf(kelvin), false);
    shift(m_map->m_plot->yAxis, m_map->yOf(pascal), m_map->axes() == PhaseMap::Axes::PressureLog);
    m_map->m_plot->replot();
}

void MapOverview::mousePressEvent(QMouseEvent* event) { moveTo(event->position()); }
void MapOverview::mouseMoveEvent(QMouseEvent* event) {
    if (event->buttons() & Qt::LeftButton) moveTo(event->position());
}

QString MapOverview::spokenValue() const {
    const QRect area = m_map->plotArea();
    const auto low = m_map->valuesAt(area.bottomLeft()), high = m_map->valuesAt(area.topRight());
    const auto celsius = std::minmax(low.first, high.first);
    return tr("%1 to %2 °C, %3 to %4 kPa")
        .arg(onScreen(celsius.first - kIcePointKelvin, 0), onScreen(celsius.second - kIcePointKelvin, 0),
             onScreen(low.second * 1e-3, 1), onScreen(high.second * 1e-3, 1));
}

} // namespace uttrin::app

#include "moc_MapOverview.cpp"
