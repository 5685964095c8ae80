#include "TraceChart.h"

#include "app/controls/OnScreen.h"
#include "app/controls/Theme.h"
#include "quantities/Quantities.h"
#include "quantities/Rounding.h"

#include <QMouseEvent>
#include <QPainter>
#include <QWheelEvent>

#include <algorithm>
#include <cmath>

namespace uttrin::app {
namespace {

constexpr double kPaPerKPa = 1e3;
constexpr int kGap = 10, kRight = 10, kTop = 6; // px

int leftOfPlot() {
    return QFontMetrics(fontOf(theme().tick)).horizontalAdvance(QStringLiteral("000.00")) + 12;
}

} // namespace

TraceChart::TraceChart(QWidget* parent) : QWidget(parent) {
    setObjectName(QStringLiteral("traceChart"));
    setAccessibleName(tr("Pressure and temperature against the clock"));
    m_clock = [](double seconds) { return onScreen(seconds, 0); };
}

QSize TraceChart::minimumSizeHint() const { return {scaled(240), scaled(120)}; }

void TraceChart::show(View view, std::function<QString(double)> clock) {
    m_view = std::move(view);
    m_clock = std::move(clock);
    if (!(m_view.to > m_view.from)) m_view.to = m_view.from + 1.0;
    spokenChanged(this);
    update();
}

void TraceChart::setCursorShown(bool shown) {
    m_cursorShown = shown;
    setFocusPolicy(shown ? Qt::StrongFocus : Qt::NoFocus);
    update();
}

void TraceChart::setCursor(double seconds) {
    m_cursor = seconds;
    spokenChanged(this);
    update();
}

QString TraceChart::spokenValue() const {
    if (m_view.pascal.empty() && m_view.kelvin.empty()) return tr("nothing yet");
    const double when = m_cursor.value_or(m_view.to);
    QStringList said{m_clock(when)};
    const auto near = [&](const TraceChannel& c) {
        return c.empty() ? std::optional<double>()
                         : c.at(std::clamp(when, c.seconds.front(), c.seconds.back()));
    };
    if (const auto p = near(m_view.pascal)) said << tr("%1 kPa absolute").arg(onScreen(*p / kPaPerKPa, 2));
    if (const auto t = near(m_view.kelvin)) said << tr("%1 °C").arg(onScreen(*t - kIcePointKelvin, 2));
    return said.join(QStringLiteral(", "));
}

double TraceChart::xOf(double seconds) const {
    return m_field.left() + m_field.width() * (seconds - m_view.from) / (m_view.to - m_view.from);
}

double TraceChart::secondsAt(double x) const {
    return m_view.from + (m_view.to - m_view.from) * (x - m_field.left()) / std::max(1.0, m_field.width());
}

TraceChart::Pane TraceChart::paneFor(const TraceChannel& channel, QRectF field, double toUnit,
                                     double offset) const {
    Pane pane{field, 0.0, 1.0};
    const TraceChannel seen = channel.between(m_view.from, m_view.to);
    if (seen.empty()) return pane;
    const auto [least, most] = std::ranges::minmax(seen.values);
    pane.low = least / toUnit - offset;
    pane.high = most / toUnit - offset;
    const double least_span = toUnit > 1.0 ? 0.2 : 0.4; // kPa, K: noise alone is no picture
    const double air = std::max(0.08 * (pane.high - pane.low), 0.5 * (least_span - (pane.high - pane.low)));
    pane.low -= air;
    pane.high += air;
    return pane;
}

void TraceChart::paintEvent(QPaintEvent*) {
    QPainter p(this);
    p.setRenderHint(QPainter::Antialiasing);
    const Theme& t = theme();
    const double bottom = height() - tickLine() - 8.0;
    m_field = QRectF(QPointF(leftOfPlot(), kTop), QPointF(width() - kRight, bottom));
    if (m_view.pascal.empty() && m_view.kelvin.empty()) {
        p.setPen(t.muted);
        p.setFont(fontOf(t.text));
        p.drawText(rect().adjusted(8, 8, -8, -8), Qt::AlignCenter | Qt::TextWordWrap,
                   tr("What the instruments say is drawn here as it comes."));
        return;
    }
    const bool both = !m_view.pascal.empty() && !m_view.kelvin.empty();
    const double half = both ? (m_field.height() - kGap) / 2.0 : m_field.height();
    for (const auto& [from, to] : m_view.plateaus) { // under all
        const double left = std::max(xOf(from), m_field.left()), right = std::min(xOf(to), m_field.right());
        if (right > left)
            p.fillRect(QRectF(QPointF(left, m_field.top()), QPointF(right, m_field.bottom())), t.liquid);
    }
    QRectF upper = m_field, lower = m_field;
    if (both) {
        upper.setBottom(m_field.top() + half);
        lower.setTop(m_field.bottom() - half);
    }
    if (!m_view.pascal.empty())
        paintPane(p, paneFor(m_view.pascal, upper, kPaPerKPa, 0.0), m_view.pascal, tr("kPa abs."), kPaPerKPa,
                  0.0);
    if (!m_view.kelvin.empty())
        paintPane(p, paneFor(m_view.kelvin, lower, 1.0, kIcePointKelvin), m_view.kelvin, tr("°C"), 1.0,
                  kIcePointKelvin);
    paintTimes(p, m_field);
    paintMarks(p, m_field);
}

void TraceChart::paintPane(QPainter& p, const Pane& pane, const TraceChannel& channel, const QString& caption,
                           double toUnit, double offset) const {
    const Theme& t = theme();
    p.setFont(fontOf(t.tick));
    constexpr double kLines = 3.0; // or some more
    const double step = roundStep((pane.high - pane.low) / kLines);
    const int decimals = decimalsForDivision(step);
    double lastLabel = 1e9;
    for (double v = std::ceil(pane.low / step) * step; v <= pane.high; v += step) {
        p.setPen(t.hairline);
        p.drawLine(QPointF(pane.field.left(), pane.y(v)), QPointF(pane.field.right(), pane.y(v)));
        if (lastLabel - pane.y(v) < tickLine()) continue;
        lastLabel = pane.y(v);
        p.setPen(t.muted);
        p.drawText(QRectF(0, pane.y(v) - tickLine() / 2.0, leftOfPlot() - 6, tickLine()),
                   Qt::AlignRight | Qt::AlignVCenter, onScreen(v, decimals));
    }
    p.setPen(QPen(t.ink, 1));
    p.drawLine(pane.field.bottomLeft(), pane.field.topLeft());
    p.drawLine(pane.field.bottomLeft(), pane.field.bottomRight());
    if (toUnit > 1.0 && m_view.explained.size() == channel.size()) {
        p.setPen(QPen(t.ink, 1.5, Qt::DashLine));
        paintCurve(p, pane, channel.seconds, m_view.explained, toUnit, offset);
    }
    p.setPen(QPen(t.done, 1.6));
    paintCurve(p, pane, channel.seconds, channel.values, toUnit, offset);
    const QRectF word(pane.field.right() - 90, pane.field.top(), 86, tickLine());
    p.setPen(t.muted);
    p.drawText(word, Qt::AlignRight | Qt::AlignTop, caption);
}

/// At most a low and a high point for each pixel; broken where nothing came for long.
void TraceChart::paintCurve(QPainter& p, const Pane& pane, const std::vector<double>& seconds,
                            const std::vector<double>& values, double toUnit, double offset) const {
    const auto first = std::ranges::lower_bound(seconds, m_view.from) - seconds.begin();
    const auto last = std::ranges::upper_bound(seconds, m_view.to) - seconds.begin();
    if (last <= first) return;
    const double typical =
        (seconds[static_cast<std::size_t>(last - 1)] - seconds[static_cast<std::size_t>(first)]) /
        static_cast<double>(std::max<std::ptrdiff_t>(1, last - first - 1));
    const double longest = std::max(2.0, 5.0 * typical); // s
    QPolygonF line;
    double column = -1e9, low = 0.0, high = 0.0;
    const auto flush = [&] {
        if (column > -1e8) {
            line << QPointF(column, low);
            if (high != low) line << QPointF(column, high);
        }
        column = -1e9;
    };
    p.setBrush(Qt::NoBrush);
    for (auto i = first; i < last; ++i) {
        const auto at = static_cast<std::size_t>(i);
        if (i > first && seconds[at] - seconds[at - 1] > longest) {
            flush();
            p.drawPolyline(line);
            line.clear();
        }
        const double x = std::round(xOf(seconds[at])), y = pane.y(values[at] / toUnit - offset);
        if (x != column) {
            flush();
            column = x;
            low = high = y;
        } else {
            low = std::min(low, y);
            high = std::max(high, y);
        }
    }
    flush();
    p.drawPolyline(line);
}

void TraceChart::paintTimes(QPainter& p, const QRectF& field) const {
    const Theme& t = theme();
    p.setFont(fontOf(t.tick));
    const double wide = p.fontMetrics().horizontalAdvance(m_clock(m_view.to)) + 14.0;
    const double span = m_view.to - m_view.from;
    double step = span;
    for (const double s : {1.0, 2.0, 5.0, 10.0, 15.0, 30.0, 60.0, 120.0, 300.0, 600.0, 1800.0, 3600.0})
        if (field.width() * s / span >= wide) {
            step = s;
            break;
        }
    for (double s = std::ceil(m_view.from / step) * step; s <= m_view.to; s += step) {
        const double x = xOf(s);
        p.setPen(QPen(t.ink, 1));
        p.drawLine(QPointF(x, field.bottom()), QPointF(x, field.bottom() + 4));
        p.setPen(t.muted);
        const double left = std::clamp(x - wide / 2, 0.0, std::max(0.0, this->width() - wide));
        p.drawText(QRectF(left, field.bottom() + 5, wide, tickLine()), Qt::AlignHCenter | Qt::AlignTop,
                   m_clock(s));
    }
}

void TraceChart::paintMarks(QPainter& p, const QRectF& field) const {
    const Theme& t = theme();
    p.setPen(QPen(t.muted, 1, Qt::DashLine));
    for (const double s : m_view.turns)
        if (s >= m_view.from && s <= m_view.to)
            p.drawLine(QPointF(xOf(s), field.top()), QPointF(xOf(s), field.bottom()));
    for (const double s : m_view.captured) {
        if (s < m_view.from || s > m_view.to) continue;
        const QPointF c(xOf(s), field.top() + 6);
        const QPointF lozenge[] = {c + QPointF(0, -6), c + QPointF(6, 0), c + QPointF(0, 6),
                                   c + QPointF(-6, 0)};
        p.setPen(QPen(t.done, 1));
        p.drawLine(QPointF(c.x(), field.top()), QPointF(c.x(), field.bottom()));
        p.setBrush(t.done);
        p.drawPolygon(lozenge, 4);
    }
    if (m_cursorShown && m_cursor && *m_cursor >= m_view.from && *m_cursor <= m_view.to) {
        p.setPen(QPen(hasFocus() ? t.focus : t.ink, 2));
        p.drawLine(QPointF(xOf(*m_cursor), field.top()), QPointF(xOf(*m_cursor), field.bottom()));
    }
}

void TraceChart::moveCursor(double seconds) {
    m_cursor = std::clamp(seconds, m_view.from, m_view.to);
    spokenChanged(this);
    update();
    emit cursorMoved(*m_cursor);
}

void TraceChart::mousePressEvent(QMouseEvent* event) {
    if (m_cursorShown && event->button() == Qt::LeftButton) moveCursor(secondsAt(event->position().x()));
}

void TraceChart::mouseMoveEvent(QMouseEvent* event) {
    if (m_cursorShown && (event->buttons() & Qt::LeftButton)) moveCursor(secondsAt(event->position().x()));
}

void TraceChart::wheelEvent(QWheelEvent* event) {
    if (!m_cursorShown) return event->ignore();
    constexpr double kNotch = 120.0, kCloser = 0.8;
    const double factor = std::pow(kCloser, event->angleDelta().y() / kNotch);
    const double at = secondsAt(event->position().x());
    emit framed(at - (at - m_view.from) * factor, at + (m_view.to - at) * factor);
    event->accept();
}

void TraceChart::keyPressEvent(QKeyEvent* event) {
    if (!m_cursorShown) return QWidget::keyPressEvent(event);
    const double span = m_view.to - m_view.from, now = m_cursor.value_or(m_view.from);
    const double step = event->modifiers() & Qt::ShiftModifier ? span / 20.0 : span / 200.0;
    switch (event->key()) {
    case Qt::Key_Left:
        return moveCursor(now - step);
    case Qt::Key_Right:
        return moveCursor(now + step);
    case Qt::Key_Home:
        return moveCursor(m_view.from);
    case Qt::Key_End:
        return moveCursor(m_view.to);
    case Qt::Key_Plus:
        emit framed(now - 0.4 * span, now + 0.4 * span);
        return;
    case Qt::Key_Minus:
        emit framed(now - 0.625 * span, now + 0.625 * span);
        return;
    default:
        QWidget::keyPressEvent(event);
    }
}

} // namespace uttrin::app

#include "moc_TraceChart.cpp"
