#include "ForecastChart.h"

#include "app/controls/OnScreen.h"
#include "app/controls/Theme.h"
#include "physics/Constants.h"

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

QSize ForecastChart::minimumSizeHint() const { return {scaled(260), scaled(140)}; }

void ForecastChart::show(std::shared_ptr<const FrozenForecast> forecast, const ConductView& view) {
    m_forecast = std::move(forecast);
    m_view = view;
    m_seconds = 60.0;
    m_low = 100.0;
    m_high = 0.0;
    const auto widen = [this](double celsius) {
        m_low = std::min(m_low, celsius);
        m_high = std::max(m_high, celsius);
    };
    if (m_forecast) {
        m_seconds = m_forecast->rehearsal.run.samples.back().seconds;
        for (std::size_t i = 0; i < m_forecast->rehearsal.run.samples.size(); ++i)
            widen(m_forecast->rehearsal.watchedAt(i).kelvin - kIcePointKelvin);
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

QRectF ForecastChart::field() const {
    return QRectF(QPointF(leftOf(), kTop + tickLine() / 2.0),
                  QPointF(width() - kRight, height() - 2.0 * tickLine() - 8.0));
}

QPointF ForecastChart::at(double seconds, double celsius) const {
    const QRectF f = field();
    return {f.left() + f.width() * seconds / m_seconds,
            f.bottom() - f.height() * (celsius - m_low) / (m_high - m_low)};
}

void ForecastChart::paintEvent(QPaintEvent*) {
    QPainter p(this);
    p.setRenderHint(QPainter::Antialiasing);
    if (!m_forecast) {
        p.setPen(theme().muted);
        p.setFont(fontOf(theme().text));
        p.drawText(rect().adjusted(8, 8, -8, -8), Qt::AlignCenter | Qt::TextWordWrap,
                   tr("Its forecast is frozen when it begins, and stands here."));
        return;
    }
    paintAxes(p);
    paintForecast(p);
    paintRead(p);
}

void ForecastChart::paintAxes(QPainter& p) const {
    const Theme& t = theme();
    const QRectF f = field();
    p.setFont(fontOf(t.tick));
    const double step = m_high - m_low > 40.0 ? 20.0 : m_high - m_low > 12.0 ? 5.0 : 1.0;
    for (double c = std::ceil(m_low / step) * step; c <= m_high; c += step) {
        p.setPen(t.hairline);
        p.drawLine(at(0, c), QPointF(f.right(), at(0, c).y()));
        p.setPen(t.muted);
        p.drawText(QRectF(0, at(0, c).y() - tickLine() / 2.0, leftOf() - 6, tickLine()),
                   Qt::AlignRight | Qt::AlignVCenter, onScreen(c, 0) + QStringLiteral("°"));
    }
    const double minutes = m_seconds / 60.0;
    double every = 1.0;
    for (const double m : {1.0, 2.0, 5.0, 10.0, 20.0, 60.0})
        if (minutes / (every = m) <= 9.0) break;
    const double wide = p.fontMetrics().horizontalAdvance(onScreen(minutes, 0)) + 4.0;
    for (double m = 0.0; m <= minutes; m += every) {
        const double x = at(60.0 * m, m_low).x();
        p.setPen(QPen(t.ink, 1));
        p.drawLine(QPointF(x, f.bottom()), QPointF(x, f.bottom() + 5));
        p.setPen(t.muted);
        p.drawText(QRectF(std::min(x - wide / 2, width() - wide), f.bottom() + 6, wide, tickLine()),
                   Qt::AlignHCenter | Qt::AlignTop, onScreen(m, 0));
    }
    p.drawText(QRectF(f.left(), f.bottom() + 6 + tickLine(), f.width(), tickLine()),
               Qt::AlignRight | Qt::AlignTop, tr("minutes since it began"));
    p.setPen(QPen(t.ink, 1.5));
    p.drawLine(f.bottomLeft(), f.bottomRight());
    p.drawLine(f.bottomLeft(), f.topLeft());
}

void ForecastChart::paintForecast(QPainter& p) const {
    const Theme& t = theme();
    const EnsembleBand& band = m_forecast->band;
    QPolygonF area;
    for (std::size_t i = 0; i < band.seconds.size(); ++i)
        area << at(band.seconds[i], band.highKelvin[i] - kIcePointKelvin);
    for (std::size_t i = band.seconds.size(); i > 0; --i)
        area << at(band.seconds[i - 1], band.lowKelvin[i - 1] - kIcePointKelvin);
    p.setPen(Qt::NoPen);
    p.setBrush(t.liquid);
    p.drawPolygon(area);
    QPolygonF line;
    const Rehearsal& r = m_forecast->rehearsal;
    for (std::size_t i = 0; i < r.run.samples.size(); ++i)
        line << at(r.run.samples[i].seconds, r.watchedAt(i).kelvin - kIcePointKelvin);
    p.setBrush(Qt::NoBrush);
    p.setPen(QPen(t.done, 2));
    p.drawPolyline(line);
}

void ForecastChart::paintRead(QPainter& p) const {
    const Theme& t = theme();
    if (m_view.seconds && *m_view.seconds <= m_seconds) {
        p.setPen(QPen(t.ink, 1.5, Qt::DashLine));
        p.drawLine(at(*m_view.seconds, m_low), at(*m_view.seconds, m_high));
    }
    for (const auto& point : m_view.points) {
        const QPointF c = at(point.seconds, point.celsius);
        const QPointF lozenge[] = {c + QPointF(0, -7), c + QPointF(7, 0), c + QPointF(0, 7),
                                   c + QPointF(-7, 0)};
        p.setPen(QPen(t.ink, 1.5));
        p.setBrush(point.inBand.value_or(true) ? t.done : t.card); // outside the band it is hollow
        p.drawPolygon(lozenge, 4);
    }
}

} // namespace uttrin::app

#include "moc_ForecastChart.cpp"
