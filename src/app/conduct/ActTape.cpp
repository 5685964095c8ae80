#include "ActTape.h"

#include "app/controls/OnScreen.h"
#include "app/controls/Theme.h"

#include <QPainter>

#include <algorithm>
#include <cmath>

namespace uttrin::app {
namespace {

constexpr int kRightAir = 24, kGap = 3; // px
constexpr std::size_t kMostLanes = 4;

int laneHigh() { return tickLine() + 6; }

} // namespace

ActTape::ActTape(QWidget* parent) : QWidget(parent) {
    setObjectName(QStringLiteral("actTape"));
    setAccessibleName(tr("Minutes of the period, by acts"));
}

void ActTape::show(const ActTapeView& view) {
    m_view = view;
    const auto rows =
        static_cast<int>(std::min(view.lanes.size(), kMostLanes)) + (view.bells.empty() ? 0 : 1);
    setFixedHeight(rows * (laneHigh() + kGap) + 2 * tickLine() + 14);
    spokenChanged(this);
    update();
}

QString ActTape::spokenValue() const {
    QStringList parts;
    if (m_view.now) parts << tr("minute %1").arg(onScreen(*m_view.now, 0));
    for (const auto& lane : m_view.lanes)
        if (lane.live) parts << tr("%1 goes on").arg(onScreen(lane.title));
    for (const auto& bell : m_view.bells)
        parts << tr("bell %1 in %2").arg(onScreen(bell.title), onScreen(bell.time));
    return parts.join(QStringLiteral(", "));
}

double ActTape::leftNow() const {
    const QFontMetrics metrics(fontOf(theme().tick, QFont::DemiBold));
    int wide = metrics.horizontalAdvance(tr("bells"));
    for (std::size_t i = 0; i < std::min(m_view.lanes.size(), kMostLanes); ++i)
        wide = std::max(wide, metrics.horizontalAdvance(onScreen(m_view.lanes[i].title)));
    return std::min(wide, width() / 4) + 16.0;
}

double ActTape::x(double minute) const {
    const double l = left();
    return l + (width() - kRightAir - l) * (minute - m_view.from) / (m_view.to - m_view.from);
}

void ActTape::paintLane(QPainter& p, const ActTapeView::Lane& lane, double top) const {
    const Theme& t = theme();
    const int high = laneHigh();
    p.setFont(fontOf(t.tick, lane.live ? QFont::DemiBold : QFont::Normal));
    p.setPen(t.ink);
    const QString title =
        p.fontMetrics().elidedText(onScreen(lane.title), Qt::ElideRight, static_cast<int>(left()) - 12);
    p.drawText(QRectF(0, top, left() - 8, high), Qt::AlignLeft | Qt::AlignVCenter, title);
    for (const auto& part : lane.parts) {
        const QRectF block(x(part.from), top, std::max(2.0, x(part.to) - x(part.from) - 1.0), high);
        p.setPen(QPen(lane.live ? t.ink : t.hairline, 1));
        p.setBrush(part.kind == ActPart::Prepare ? t.vapour : part.kind == ActPart::Wait ? t.card : t.liquid);
        p.drawRoundedRect(block, 3, 3);
        const QString what = onScreen(part.what);
        if (p.fontMetrics().horizontalAdvance(what) + 8 > block.width()) continue;
        p.setPen(t.ink);
        p.drawText(block.adjusted(4, 0, -4, 0), Qt::AlignLeft | Qt::AlignVCenter, what);
    }
}

/// Each a pointer with its words beside it, where they do not reach the next.
void ActTape::paintBells(QPainter& p, double top) const {
    const Theme& t = theme();
    const double middle = top + laneHigh() / 2.0;
    p.setFont(fontOf(t.tick));
    p.setPen(t.ink);
    p.drawText(QRectF(0, top, left() - 8, laneHigh()), Qt::AlignLeft | Qt::AlignVCenter, tr("bells"));
    double free = left();
    for (const auto& bell : m_view.bells) {
        const double at = std::clamp(x(bell.minute), left(), static_cast<double>(width() - kRightAir));
        const QPointF pointer[] = {{at - 6, middle - 6}, {at + 6, middle - 6}, {at, middle + 6}};
        p.setPen(QPen(t.ink, 1));
        p.setBrush(bell.rings ? t.ink : t.card);
        p.drawPolygon(pointer, 3);
        const QString words = bell.rings ? tr("%1: now").arg(onScreen(bell.title)) : onScreen(bell.title);
        const double wide = p.fontMetrics().horizontalAdvance(words) + 4.0;
        const bool before = at + 10 + wide > width();
        const double from = before ? at - 10 - wide : at + 10;
        if (from < free) continue;
        p.setPen(t.ink);
        p.drawText(QRectF(from, top, wide, laneHigh()), Qt::AlignLeft | Qt::AlignVCenter, words);
        free = from + wide;
    }
}

void ActTape::paintAxis(QPainter& p, double top) const {
    const Theme& t = theme();
    p.setPen(QPen(t.ink, 1.5));
    p.drawLine(QPointF(left(), top), QPointF(width() - kRightAir, top));
    p.setFont(fontOf(t.tick));
    const double step = m_view.to - m_view.from > 100.0 ? 20.0 : 10.0;
    for (double m = std::ceil(m_view.from / step) * step; m <= m_view.to; m += step) {
        p.setPen(QPen(t.ink, 1));
        p.drawLine(QPointF(x(m), top), QPointF(x(m), top + 4));
        p.setPen(t.muted);
        p.drawText(QRectF(x(m) - 24, top + 5, 48, tickLine()), Qt::AlignHCenter | Qt::AlignTop,
                   onScreen(m, 0));
    }
    p.setPen(t.muted);
    p.drawText(QRectF(0, top + 5, left() - 8, tickLine()), Qt::AlignLeft | Qt::AlignTop, tr("minute"));
    if (!m_view.now || *m_view.now < m_view.from || *m_view.now > m_view.to) return;
    const double at = x(*m_view.now);
    p.setPen(QPen(t.ink, 2));
    p.drawLine(QPointF(at, tickLine()), QPointF(at, top));
    const QString words = onScreen(m_view.nowText);
    p.setFont(fontOf(t.tick, QFont::DemiBold));
    const double half = p.fontMetrics().horizontalAdvance(words) / 2.0 + 6.0;
    const QRectF box(std::clamp(at - half, 0.0, width() - 2.0 * half), 0, 2.0 * half, tickLine() + 2);
    p.setPen(Qt::NoPen);
    p.setBrush(t.action);
    p.drawRoundedRect(box, 3, 3);
    p.setPen(t.onAction);
    p.drawText(box, Qt::AlignCenter, words);
}

void ActTape::paintEvent(QPaintEvent*) {
    m_left = leftNow();
    QPainter p(this);
    p.setRenderHint(QPainter::Antialiasing);
    double top = tickLine() + 5.0;
    for (std::size_t i = 0; i < std::min(m_view.lanes.size(), kMostLanes); ++i) {
        paintLane(p, m_view.lanes[i], top);
        top += laneHigh() + kGap;
    }
    if (!m_view.bells.empty()) {
        paintBells(p, top);
        top += laneHigh() + kGap;
    }
    paintAxis(p, top);
}

} // namespace uttrin::app

#include "moc_ActTape.cpp"
