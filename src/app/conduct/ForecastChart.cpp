#include "ForecastChart.h"

#include "app/controls/OnScreen.h"
#include "app/controls/Theme.h"
#include "physics/Constants.h"
#include "rehearsal/CoolingFit.h"

#include <QPainter>

#include <algorithm>
#include <cmath>

namespace uttrin::app {
namespace {

constexpr int kRight = 12, kTop = 8; // px

int leftOf() {
    constexpr int kAir = 10; // px
    return QFontMetrics(fontOf(theme().tick)).horizontalAdvance(QStringLiteral("−100°")) + kAir;
}

} // namespace

ForecastChart::ForecastChart(QWidget* parent) : QWidget(parent) {
    setObjectName(QStringLiteral("forecastChart"));
    setAccessibleName(tr("The frozen forecast and what was read"));
}

QSize ForecastChart::minimumSizeHint() const { return {scaled(220), scaled(140)}; }

void ForecastChart::setShowsForecast(bool shows) {
    m_shows = shows;
    update();
}

void ForecastChart::show(std::shared_ptr<const FrozenForecast> forecast,
                         std::shared_ptr<const LearnedForecast> learned, const ConductView& view) {
    m_forecast = std::move(forecast);
    m_learned = std::move(learned);
    m_view = view;
    m_from = 0.0;
    m_to = 60.0;
    m_low = 100.0;
    m_high = 0.0;
    const auto widen = [this](double celsius) {
        m_low = std::min(m_low, celsius);
        m_high = std::max(m_high, celsius);
    };
    if (m_forecast) {
        const auto& samples = m_forecast->rehearsal.run.samples;
        const double clock = clockStart(m_forecast->rehearsal);
        m_from = -clock;
        m_to = samples.back().seconds - clock;
        for (std::size_t i = 0; i < samples.size(); ++i)
            widen(m_forecast->rehearsal.watchedAt(i).kelvin - kIcePointKelvin);
        for (const auto* edge : {&m_forecast->outlook.band.lowKelvin, &m_forecast->outlook.band.highKelvin})
            for (const double kelvin : *edge)
                widen(kelvin - kIcePointKelvin);
    }
    for (const auto& p : m_view.points)
        widen(p.celsius);
    if (m_high <= m_low) m_high = m_low + 1.0;
    const double air = 0.05 * (m_high - m_low);
    m_low -= air;
    m_high += air;
    spokenChanged(this);
    update();
}

QString ForecastChart::spokenValue() const {
    if (!m_forecast) return tr("no forecast yet");
    return m_view.now.empty() ? tr("%n temperatures read", nullptr, static_cast<int>(m_view.points.size()))
                              : onScreen(m_view.now);
}

QString ForecastChart::axisText() const { return tr("min since %1").arg(onScreen(m_view.since)); }

int ForecastChart::axisLines() const {
    const QFontMetrics metrics(fontOf(theme().tick));
    return metrics.horizontalAdvance(axisText()) > width() - kRight ? 2 : 1;
}

QRectF ForecastChart::fieldNow() const {
    return QRectF(QPointF(leftOf(), kTop + tickLine() / 2.0),
                  QPointF(width() - kRight, height() - (1.0 + axisLines()) * tickLine() - 8.0));
}

QPointF ForecastChart::at(double seconds, double celsius) const {
    const QRectF& f = m_field;
    return {f.left() + f.width() * (seconds - m_from) / (m_to - m_from),
            f.bottom() - f.height() * (celsius - m_low) / (m_high - m_low)};
}

void ForecastChart::paintEvent(QPaintEvent*) {
    m_field = fieldNow();
    QPainter p(this);
    p.setRenderHint(QPainter::Antialiasing);
    if (!m_forecast) {
        p.setPen(theme().muted);
        p.setFont(fontOf(theme().text));
        p.drawText(
            rect().adjusted(8, 8, -8, -8), Qt::AlignCenter | Qt::TextWordWrap,
            m_view.liquidKnown
                ? tr("Its forecast is frozen when it begins, and stands here.")
                : tr("The liquid is unknown: what is read and seen is kept, and nothing is forecast."));
        return;
    }
    paintAxes(p);
    if (m_shows) {
        paintForecast(p);
        paintLearned(p);
    }
    paintRead(p);
}

void ForecastChart::paintAxes(QPainter& p) const {
    const Theme& t = theme();
    const QRectF& f = m_field;
    p.setFont(fontOf(t.tick));
    const double step = m_high - m_low > 40.0 ? 20.0 : m_high - m_low > 12.0 ? 5.0 : 1.0;
    for (double c = std::ceil(m_low / step) * step; c <= m_high; c += step) {
        p.setPen(t.hairline);
        p.drawLine(QPointF(f.left(), at(0, c).y()), QPointF(f.right(), at(0, c).y()));
        p.setPen(t.muted);
        p.drawText(QRectF(0, at(0, c).y() - tickLine() / 2.0, leftOf() - 6, tickLine()),
                   Qt::AlignRight | Qt::AlignVCenter, onScreen(c, 0) + QStringLiteral("°"));
    }
    const double minutes = (m_to - m_from) / 60.0;
    double every = 1.0;
    for (const double m : {1.0, 2.0, 5.0, 10.0, 20.0, 60.0})
        if (minutes / (every = m) <= 9.0) break;
    const double wide = p.fontMetrics().horizontalAdvance(onScreen(-minutes, 0)) + 4.0;
    for (double m = std::ceil(m_from / 60.0 / every) * every; m <= m_to / 60.0; m += every) {
        const double x = at(60.0 * m, m_low).x();
        p.setPen(QPen(t.ink, 1));
        p.drawLine(QPointF(x, f.bottom()), QPointF(x, f.bottom() + 5));
        p.setPen(t.muted);
        p.drawText(QRectF(std::min(x - wide / 2, width() - wide), f.bottom() + 6, wide, tickLine()),
                   Qt::AlignHCenter | Qt::AlignTop, onScreen(m, 0));
    }
    p.drawText(QRectF(0, f.bottom() + 6 + tickLine(), f.right(), axisLines() * tickLine()),
               Qt::AlignRight | Qt::AlignTop | Qt::TextWordWrap, axisText());
    p.setPen(QPen(t.ink, 1.5));
    p.drawLine(f.bottomLeft(), f.bottomRight());
    p.drawLine(f.bottomLeft(), f.topLeft());
}

QPolygonF ForecastChart::areaOf(const ForecastBand& band) const {
    QPolygonF area;
    for (std::size_t i = 0; i < band.seconds.size(); ++i)
        area << at(band.seconds[i], band.highKelvin[i] - kIcePointKelvin);
    for (std::size_t i = band.seconds.size(); i > 0; --i)
        area << at(band.seconds[i - 1], band.lowKelvin[i - 1] - kIcePointKelvin);
    return area;
}

/// What was learned, from now on: dashed, between lines, so that both are told apart without colour.
void ForecastChart::paintLearned(QPainter& p) const {
    if (!m_learned) return;
    const Theme& t = theme();
    ForecastBand ahead;
    const ForecastBand& whole = m_learned->outlook.band;
    for (std::size_t i = 0; i < whole.seconds.size(); ++i) {
        if (whole.seconds[i] < m_view.seconds.value_or(0.0) || whole.seconds[i] > m_to) continue;
        ahead.seconds.push_back(whole.seconds[i]);
        ahead.kelvin.push_back(whole.kelvin[i]);
        ahead.lowKelvin.push_back(whole.lowKelvin[i]);
        ahead.highKelvin.push_back(whole.highKelvin[i]);
    }
    if (ahead.seconds.size() < 2) return;
    p.setClipRect(m_field.adjusted(0, -1, 1, 1));
    p.setBrush(Qt::NoBrush);
    const auto draw = [&](const std::vector<double>& kelvin, const QPen& pen) {
        QPolygonF line;
        for (std::size_t i = 0; i < ahead.seconds.size(); ++i)
            line << at(ahead.seconds[i], kelvin[i] - kIcePointKelvin);
        p.setPen(pen);
        p.drawPolyline(line);
    };
    draw(ahead.lowKelvin, QPen(t.ink, 1));
    draw(ahead.highKelvin, QPen(t.ink, 1));
    draw(ahead.kelvin, QPen(t.ink, 2, Qt::DashLine));
    p.setClipping(false);
}

void ForecastChart::paintForecast(QPainter& p) const {
    const Theme& t = theme();
    p.setPen(Qt::NoPen);
    p.setBrush(t.liquid);
    p.drawPolygon(areaOf(m_forecast->outlook.band));
    QPolygonF line;
    const Rehearsal& r = m_forecast->rehearsal;
    const double clock = clockStart(r);
    for (std::size_t i = 0; i < r.run.samples.size(); ++i)
        line << at(r.run.samples[i].seconds - clock, r.watchedAt(i).kelvin - kIcePointKelvin);
    p.setBrush(Qt::NoBrush);
    p.setPen(QPen(t.done, 2));
    p.drawPolyline(line);
}

void ForecastChart::paintRead(QPainter& p) const {
    const Theme& t = theme();
    if (m_view.seconds && *m_view.seconds <= m_to) {
        p.setPen(QPen(t.ink, 1.5, Qt::DashLine));
        p.drawLine(at(*m_view.seconds, m_low), at(*m_view.seconds, m_high));
    }
    for (const auto& point : m_view.points) {
        const QPointF c = at(point.seconds, point.celsius);
        const QPointF lozenge[] = {c + QPointF(0, -7), c + QPointF(7, 0), c + QPointF(0, 7),
                                   c + QPointF(-7, 0)};
        p.setPen(QPen(t.ink, 1.5));
        p.setBrush(point.inBand.value_or(point.ofTheLiquid) ? t.done : t.card); // outside it is hollow
        p.drawPolygon(lozenge, 4);
        // Only a bound: an arrow to the side on which it lies.
        const double way = point.bound == StampBound::Below   ? 1.0
                           : point.bound == StampBound::Above ? -1.0
                                                              : 0.0;
        if (way == 0.0) continue;
        const QPointF tip = c + QPointF(0, way * 20);
        p.drawLine(c + QPointF(0, way * 7), tip);
        p.drawLine(tip, tip + QPointF(-4, -way * 5));
        p.drawLine(tip, tip + QPointF(4, -way * 5));
    }
}

} // namespace uttrin::app

#include "moc_ForecastChart.cpp"
