#include "MinuteTape.h"

#include "app/controls/MessageLine.h"
#include "app/controls/OnScreen.h"
#include "app/controls/Theme.h"

#include <QHelpEvent>
#include <QPaintEngine>
#include <QPainter>
#include <QToolTip>

#include <algorithm>
#include <cmath>
#include <set>
#include <tuple>
#include <utility>

namespace uttrin::app {
namespace {

constexpr int kLeft = 32, kRight = 32;

/// Heights from the top, px: of the names of blocks, the marks, the axis; they go with the text.
int namesTop() { return tickLine() + 4; }
int marksAt() { return namesTop() + tickLine() + 6; }
int axisAt() { return marksAt() + 20; }
int wholeHeight() { return axisAt() + 9 + 2 * tickLine() + 1; }

void lozenge(QPainter& p, QPointF at, double r) {
    const QPointF corners[] = {
        {at.x(), at.y() - r}, {at.x() + r, at.y()}, {at.x(), at.y() + r}, {at.x() - r, at.y()}};
    p.drawPolygon(corners, 4);
}

} // namespace

MinuteTape::MinuteTape(QWidget* parent) : QWidget(parent) {
    setAccessibleName(tr("Minutes of the period"));
    setObjectName(QStringLiteral("tape"));
    setAttribute(Qt::WA_OpaquePaintEvent);
    setFixedHeight(wholeHeight());
}

void MinuteTape::show(const TapeView& view) {
    const TapeView before = std::exchange(m_view, view);
    setFixedHeight(wholeHeight());
    spokenChanged(this);
    tellBell(before);
    if (before.period != view.period || before.blocks != view.blocks || before.marks != view.marks)
        return update();
    // Most often only the hand has moved.
    if (before.now == view.now && before.nowText == view.nowText) return;
    for (const TapeView* v : {&before, &view})
        if (v->now) update(handOf(*v).toAlignedRect().adjusted(-3, -3, 3, height()));
}

void MinuteTape::tellBell(const TapeView& before) {
    constexpr double kAhead = 5.0; // min
    const auto passed = [&](double minute) {
        return before.now && m_view.now && before.bell == m_view.bell && *before.now < minute &&
               *m_view.now >= minute;
    };
    const QString name = tr("Minutes of the period");
    if (passed(m_view.bell))
        announce(this, tr("The bell: the period is over."), name);
    else if (passed(m_view.bell - kAhead))
        announce(this, tr("%1 minutes to the bell.").arg(onScreen(kAhead, 0)), name);
}

QRectF MinuteTape::handOf(const TapeView& view) const {
    const QFontMetricsF metrics(fontOf(theme().tick, QFont::DemiBold));
    const double half = 0.5 * metrics.horizontalAdvance(onScreen(view.nowText)) + 8;
    return QRectF(std::clamp(x(*view.now) - half, 2.0, std::max(2.0, width() - 2.0 * half - 2.0)), 2,
                  2 * half, tickLine() + 2);
}

QString MinuteTape::spokenValue() const {
    const auto done =
        std::count_if(m_view.marks.begin(), m_view.marks.end(), [](const auto& m) { return m.done; });
    const QString points =
        tr("%1 points taken, %2 to come").arg(done).arg(static_cast<qlonglong>(m_view.marks.size()) - done);
    return m_view.now
               ? tr("minute %1 of %2, %3").arg(onScreen(*m_view.now, 0), onScreen(m_view.period, 0), points)
               : points;
}

std::vector<Spoken::Part> MinuteTape::spokenParts() const {
    std::vector<Part> all;
    const auto place = [&](double from, double to) {
        return QRect(static_cast<int>(x(from)) - 6, 0, static_cast<int>(x(to) - x(from)) + 12, height());
    };
    for (const TapeView::Block& b : m_view.blocks)
        all.push_back(
            {tr("%1, from minute %2 to %3").arg(onScreen(b.label), onScreen(b.from, 0), onScreen(b.to, 0)),
             place(b.from, b.to)});
    for (const TapeView::Mark& m : m_view.marks)
        all.push_back(
            {tr("minute %1: %2").arg(onScreen(m.minute, 0), onScreen(m.tip)), place(m.minute, m.minute)});
    return all;
}

double MinuteTape::x(double minute) const {
    return kLeft + (width() - kLeft - kRight) * minute / std::max(1.0, m_view.period);
}

/// The axis with its minutes.
void MinuteTape::paintGround(QPainter& p) const {
    const Theme& t = theme();
    p.fillRect(rect(), t.card);
    p.setPen(t.hairline);
    p.drawLine(0, 0, width(), 0);
    p.setFont(fontOf(t.tick));
    const double axis = axisAt();
    const int step = m_view.period > 130 ? 20 : m_view.period > 70 ? 10 : 5;
    p.setPen(QPen(t.ink, 1.5));
    p.drawLine(QPointF(x(0), axis), QPointF(x(m_view.period), axis));
    for (int m = 0; m <= static_cast<int>(m_view.period); ++m) {
        const bool labelled = m % step == 0;
        p.setPen(QPen(labelled ? t.ink : t.muted, 1));
        p.drawLine(QPointF(x(m), axis), QPointF(x(m), axis + (labelled ? 8 : 4)));
        p.setPen(t.muted);
        if (labelled)
            p.drawText(QRectF(x(m) - 20, axis + 9, 40, tickLine()), Qt::AlignCenter, QString::number(m));
    }
    p.drawText(QRectF(0, axis + 9 + tickLine(), width() - kRight, tickLine()), Qt::AlignRight,
               tr("minutes of the period"));
}

void MinuteTape::paintEvent(QPaintEvent* event) {
    const Theme& t = theme();
    const auto touched = [this, event](double left, double right) {
        return event->region().intersects(QRectF(left, 0, right - left, height()).toAlignedRect());
    };
    QPainter p(this);
    p.setRenderHint(QPainter::Antialiasing);
    if (p.paintEngine()->type() == QPaintEngine::Raster)
        p.drawPixmap(0, 0,
                     m_ground.of({m_view.period, t.tick, t.name, QLocale().name()}, size(),
                                 devicePixelRatioF(), [this](QPainter& on) { paintGround(on); }));
    else // a picture in lines and letters stays one
        paintGround(p);
    const double axis = axisAt(), mark = marksAt();
    p.setFont(fontOf(theme().tick));
    for (const auto& b : m_view.blocks) {
        const double left = x(b.from), right = x(b.to);
        p.setPen(Qt::NoPen);
        p.setBrush(t.hairline);
        p.drawRoundedRect(QRectF(left, mark - 7, right - left, 14), 3, 3);
        p.setPen(t.ink);
        if (!touched(std::min(left, (left + right) / 2 - 300), std::max(right, (left + right) / 2 + 300)))
            continue;
        const double wide = p.fontMetrics().horizontalAdvance(onScreen(b.label)) + 8;
        p.drawText(QRectF(std::clamp((left + right - wide) / 2, 2.0, std::max(2.0, width() - wide - 6.0)),
                          namesTop(), wide, tickLine()),
                   Qt::AlignCenter, onScreen(b.label));
    }
    std::set<std::tuple<int, bool, bool>> drawn; // marks of a kind on one pixel look like one
    for (const auto& m : m_view.marks) {
        const QPointF at(x(m.minute), mark);
        if (!touched(at.x() - 10, at.x() + 10)) continue;
        if (!drawn.emplace(static_cast<int>(at.x()), m.done, m.struck).second) continue;
        p.setPen(QPen(m.done ? t.done : t.ink, 1.6));
        p.setBrush(m.done && !m.struck ? t.done : t.card);
        if (m.done)
            lozenge(p, at, 7);
        else
            p.drawEllipse(at, 5.5, 5.5);
    }
    if (!m_view.now) return;
    const double now = x(*m_view.now);
    p.setPen(QPen(t.ink, 2));
    p.drawLine(QPointF(now, namesTop()), QPointF(now, axis));
    p.setPen(Qt::NoPen);
    p.setBrush(t.ink);
    p.setFont(fontOf(theme().tick, QFont::DemiBold));
    const QRectF flag = handOf(m_view);
    p.drawRoundedRect(flag, 3, 3);
    p.setPen(t.card);
    p.drawText(flag, Qt::AlignCenter, onScreen(m_view.nowText));
}

bool MinuteTape::event(QEvent* event) {
    if (event->type() != QEvent::ToolTip) return QWidget::event(event);
    const auto* help = static_cast<QHelpEvent*>(event);
    for (const auto& m : m_view.marks)
        if (std::abs(x(m.minute) - help->pos().x()) < 8) {
            QToolTip::showText(help->globalPos(), onScreen(m.tip), this);
            return true;
        }
    QToolTip::hideText();
    return true;
}

} // namespace uttrin::app

#include "moc_MinuteTape.cpp"
