#include "ResidualChart.h"

#include "app/controls/OnScreen.h"
#include "app/controls/Theme.h"
#include "quantities/Rounding.h"

#include <QPainter>

#include <algorithm>
#include <cmath>

namespace uttrin::app {
namespace {

/// A scale with room at both ends, and round graduations.
struct Scale {
    double low = 0.0, high = 1.0, step = 1.0;
    Scale(double least, double most, double leastSpan) {
        const double air = std::max(0.1 * (most - least), 0.5 * (leastSpan - (most - least)));
        low = least - air;
        high = most + air;
        constexpr double kLines = 5.0;
        step = roundStep((high - low) / kLines);
    }
    [[nodiscard]] double part(double value) const { return (value - low) / (high - low); }
};

} // namespace

ResidualChart::ResidualChart(QWidget* parent) : QWidget(parent) {
    setObjectName(QStringLiteral("residualChart"));
    setAccessibleName(tr("Residuals"));
}

QSize ResidualChart::minimumSizeHint() const { return {scaled(260), scaled(180)}; }

void ResidualChart::show(ResidualView view) {
    m_view = std::move(view);
    spokenChanged(this);
    update();
}

QString ResidualChart::spokenValue() const {
    return tr("%n points off their line, against the %1", nullptr, static_cast<int>(m_view.points.size()))
        .arg(onScreen(m_view.axis));
}

void ResidualChart::paintEvent(QPaintEvent*) {
    QPainter p(this);
    p.setRenderHint(QPainter::Antialiasing);
    const Theme& t = theme();
    p.fillRect(rect(), t.card);
    if (m_view.points.empty()) {
        p.setPen(t.muted);
        p.setFont(fontOf(t.text));
        p.drawText(rect().adjusted(12, 12, -12, -12), Qt::AlignCenter | Qt::TextWordWrap,
                   onScreen(m_view.told));
        return;
    }
    p.setFont(fontOf(t.tick));
    const int left = p.fontMetrics().horizontalAdvance(QStringLiteral("−00.00")) + 14;
    const QRectF field(QPointF(left, 12 + tickLine()), QPointF(width() - 14, height() - 2 * tickLine() - 14));
    const auto [least, most] = std::ranges::minmax(m_view.points, {}, &ResidualView::Point::x);
    double farthest = 0.0;
    for (const auto& point : m_view.points)
        farthest = std::max(farthest, std::abs(point.kelvin));
    const Scale x(least.x, most.x, 1.0), y(-farthest, farthest, 0.2);
    const auto at = [&](double across, double up) {
        return QPointF(field.left() + field.width() * x.part(across),
                       field.bottom() - field.height() * y.part(up));
    };
    for (double v = std::ceil(y.low / y.step) * y.step; v <= y.high; v += y.step) {
        const bool line = std::abs(v) < 1e-9 * y.step + 1e-12;
        p.setPen(QPen(line ? t.ink : t.hairline, line ? 1.5 : 1.0));
        p.drawLine(at(x.low, v), at(x.high, v));
        p.setPen(t.muted);
        p.drawText(QRectF(0, at(x.low, v).y() - tickLine() / 2.0, left - 6, tickLine()),
                   Qt::AlignRight | Qt::AlignVCenter,
                   onScreen(fixedSigned(line ? 0.0 : v, decimalsForDivision(y.step))));
    }
    for (double v = std::ceil(x.low / x.step) * x.step; v <= x.high; v += x.step) {
        p.setPen(t.hairline);
        p.drawLine(at(v, y.low), at(v, y.high));
        p.setPen(t.muted);
        p.drawText(QRectF(at(v, y.low).x() - 40, field.bottom() + 3, 80, tickLine()), Qt::AlignCenter,
                   onScreen(v, decimalsForDivision(x.step)));
    }
    p.setPen(t.ink);
    p.drawText(QRectF(field.left(), 4, field.width(), tickLine() + 4), Qt::AlignLeft | Qt::AlignVCenter,
               tr("off the line, K"));
    p.drawText(QRectF(field.left(), field.bottom() + tickLine() + 4, field.width(), tickLine() + 4),
               Qt::AlignRight | Qt::AlignVCenter, onScreen(m_view.axis));
    for (const auto& point : m_view.points) {
        const QPointF centre = at(point.x, point.kelvin);
        p.setPen(QPen(t.done, 2.0));
        p.setBrush(point.outlier ? Qt::NoBrush : QBrush(t.done)); // what stands out is hollow
        p.drawEllipse(centre, 5.0, 5.0);
        p.setPen(t.muted);
        p.drawText(QRectF(centre.x() + 7, centre.y() - tickLine(), 40, tickLine()), Qt::AlignLeft,
                   QString::number(point.position));
    }
}

} // namespace uttrin::app

#include "moc_ResidualChart.cpp"
