#include "PeriodTimeline.h"

#include "app/controls/Grid.h"
#include "app/controls/OnScreen.h"
#include "app/controls/Theme.h"

#include <QHelpEvent>
#include <QKeyEvent>
#include <QMouseEvent>
#include <QPainter>
#include <QToolTip>

#include <algorithm>
#include <cmath>

namespace uttrin::app {
namespace {

constexpr int kRight = 16, kEndGrip = 8; // px
constexpr double kWorthShowing = 3.0;    // px, of an uncertainty
constexpr double kEvery = 5.0;           // min, between numbers at the scale

int headHigh() { return tickLine() + 14; }

QColor colourOf(ActPart::Kind kind) {
    switch (kind) {
    case ActPart::Prepare:
        return theme().liquid;
    case ActPart::Wait:
        return theme().vapour;
    case ActPart::Show:
        break;
    }
    return theme().ice;
}

} // namespace

PeriodTimeline::PeriodTimeline(QWidget* parent) : QWidget(parent) {
    setObjectName(QStringLiteral("periodTimeline"));
    setAccessibleName(tr("The period: acts in lanes before and after the bell"));
    setFocusPolicy(Qt::StrongFocus);
    setMouseTracking(true);
}

void PeriodTimeline::show(const PeriodView& view, std::optional<RowId> chosen) {
    m_view = view;
    m_chosen = chosen;
    fit();
    spokenChanged(this);
    updateGeometry();
    update();
}

QString PeriodTimeline::titleOf(const PeriodView::Lane& lane) {
    const QString sign = lane.conflict                  ? QStringLiteral("\u26A0 ")
                         : lane.state == ActState::Done ? QStringLiteral("\u2713 ")
                                                        : QString();
    return sign + onScreen(lane.title);
}

QRectF PeriodTimeline::wordsRect(const QString& words, int px, QFont::Weight weight) const {
    const QFontMetricsF letters(fontOf(px, weight));
    constexpr double kHigh = 1000.0; // px, enough for any
    return letters.boundingRect(QRectF(0, 0, left() - 1.5 * grid::kMargin, kHigh), Qt::TextWordWrap, words);
}

/// All lanes are as high as the one whose words need most lines.
void PeriodTimeline::fit() {
    double most = lineOf(theme().text) + tickLine();
    for (const auto& lane : m_view.lanes)
        most = std::max(most, wordsRect(titleOf(lane), theme().text, QFont::DemiBold).height() +
                                  wordsRect(onScreen(lane.under), theme().tick, QFont::Normal).height());
    constexpr int kAround = 14; // px
    const int high = static_cast<int>(std::ceil(most)) + kAround;
    if (high == m_laneHigh) return;
    m_laneHigh = high;
    updateGeometry();
}

void PeriodTimeline::resizeEvent(QResizeEvent* event) {
    QWidget::resizeEvent(event);
    fit();
}

QSize PeriodTimeline::minimumSizeHint() const {
    constexpr int kLeastLanes = 3;
    const int lanes = std::max(kLeastLanes, static_cast<int>(m_view.lanes.size()));
    return {scaled(480), headHigh() + lanes * m_laneHigh + grid::kStep};
}

double PeriodTimeline::left() const {
    const QFontMetricsF letters(fontOf(theme().text, QFont::DemiBold)), small(fontOf(theme().tick));
    double wide = scaled(96);
    for (const auto& lane : m_view.lanes)
        wide = std::max({wide, letters.horizontalAdvance(onScreen(lane.title)) + letters.height(),
                         small.horizontalAdvance(onScreen(lane.under))});
    return std::min(wide + 2.0 * grid::kMargin, 0.4 * width());
}

double PeriodTimeline::x(double minute) const {
    const double span = std::max(1.0, m_view.to - m_view.from);
    return left() + (width() - left() - kRight) * (minute - m_view.from) / span;
}

QRectF PeriodTimeline::laneRect(std::size_t lane) const {
    const auto& l = m_view.lanes[lane];
    const double top = headHigh() + static_cast<double>(lane) * m_laneHigh;
    return QRectF(QPointF(x(l.starts), top + 4.0), QPointF(x(l.ends), top + m_laneHigh - 4.0));
}

QString PeriodTimeline::spokenValue() const { return onScreen(m_view.summary); }

std::vector<Spoken::Part> PeriodTimeline::spokenParts() const {
    std::vector<Part> parts;
    for (std::size_t i = 0; i < m_view.lanes.size(); ++i) {
        const auto& lane = m_view.lanes[i];
        QString name = tr("%1, %2, minute %3 to %4")
                           .arg(onScreen(lane.title), onScreen(lane.under), onScreen(lane.starts, 0),
                                onScreen(lane.ends, 0));
        if (lane.conflict) name += QStringLiteral(", ") + tr("conflict");
        parts.push_back({name, laneRect(i).toAlignedRect(), lane.id == m_chosen});
    }
    return parts;
}

void PeriodTimeline::paintEvent(QPaintEvent*) {
    QPainter p(this);
    p.setRenderHint(QPainter::Antialiasing);
    const Theme& t = theme();
    p.setPen(t.hairline);
    p.setBrush(t.card);
    p.drawRoundedRect(QRectF(rect()).adjusted(0.5, 0.5, -0.5, -0.5), 6, 6);
    paintScale(p);
    if (m_view.lanes.empty()) {
        p.setPen(t.muted);
        p.setFont(fontOf(t.text));
        p.drawText(
            rect().adjusted(grid::kMargin, headHigh(), -grid::kMargin, 0), Qt::AlignCenter | Qt::TextWordWrap,
            tr("Here stand the acts of the lesson, before and after the bell. Add the first one above."));
        return;
    }
    for (std::size_t i = 0; i < m_view.lanes.size(); ++i)
        paintLane(p, i);
    paintClashes(p);
}

void PeriodTimeline::paintScale(QPainter& p) const {
    const Theme& t = theme();
    p.setFont(fontOf(t.tick));
    const double foot = height() - 4.0, top = headHigh() - 6.0;
    const QString bell = tr("bell"), ends = tr("bell %1").arg(onScreen(m_view.lasts, 0));
    const auto number = [&](double minute, const QString& text, bool strong) {
        p.setFont(fontOf(t.tick, strong ? QFont::Bold : QFont::Normal));
        p.setPen(strong ? t.ink : t.muted);
        const double wide = p.fontMetrics().horizontalAdvance(text) + 2.0;
        const double from = std::min(x(minute) - wide / 2.0, width() - wide - 2.0);
        p.drawText(QRectF(from, 4, wide, tickLine()), Qt::AlignHCenter | Qt::AlignTop, text);
        p.setPen(QPen(strong ? t.ink : t.hairline, strong ? 2 : 1));
        p.drawLine(QPointF(x(minute), top), QPointF(x(minute), foot));
    };
    const double wide = QFontMetricsF(fontOf(t.tick, QFont::Bold)).horizontalAdvance(ends) + 10.0;
    double every = kEvery;
    while (x(every) - x(0) < 0.7 * wide)
        every *= 2.0;
    for (double m = std::ceil(m_view.from / every) * every; m <= m_view.to; m += every)
        if (std::abs(x(m) - x(0)) > 0.8 * wide && std::abs(x(m) - x(m_view.lasts)) > 0.8 * wide)
            number(m, onScreen(m, 0), false);
    number(0, bell, true);
    number(m_view.lasts, ends, true);
    if (!m_view.now) return;
    p.setPen(QPen(t.done, 2, Qt::DashLine));
    p.drawLine(QPointF(x(*m_view.now), top), QPointF(x(*m_view.now), foot));
}

void PeriodTimeline::paintLane(QPainter& p, std::size_t index) const {
    const Theme& t = theme();
    const auto& lane = m_view.lanes[index];
    const bool held = m_grip && m_grip->lane == index;
    const double minute = x(1.0) - x(0.0);
    const double by = held && !m_grip->end ? m_grip->minutes * minute : 0.0;
    const double longer = held && m_grip->end ? m_grip->minutes * minute : 0.0;
    const QRectF block = laneRect(index).adjusted(by, 0, by + longer, 0);
    const double top = headHigh() + static_cast<double>(index) * m_laneHigh;
    if (lane.id == m_chosen) {
        p.fillRect(QRectF(4, top + 2, width() - 8.0, m_laneHigh - 4.0), t.ground);
        p.fillRect(QRectF(4, top + 2, 4, m_laneHigh - 4.0), t.done);
    }
    const QString title = titleOf(lane);
    const double titleHigh = wordsRect(title, t.text, QFont::DemiBold).height(),
                 wide = left() - 1.5 * grid::kMargin;
    p.setFont(fontOf(t.text, QFont::DemiBold));
    p.setPen(lane.conflict ? t.caution : t.ink);
    p.drawText(QRectF(grid::kMargin, top + 5, wide, titleHigh), Qt::AlignLeft | Qt::TextWordWrap, title);
    p.setFont(fontOf(t.tick));
    p.setPen(t.muted);
    p.drawText(QRectF(grid::kMargin, top + 5 + titleHigh, wide, m_laneHigh - titleHigh - 5),
               Qt::AlignLeft | Qt::TextWordWrap, onScreen(lane.under));
    for (const auto& part : lane.parts) {
        const bool last = &part == &lane.parts.back();
        const QRectF box(QPointF(x(part.from) + by, block.top()),
                         QPointF(x(part.to) + by + (last ? longer : 0.0), block.bottom()));
        p.setPen(t.edge);
        p.setBrush(colourOf(part.kind));
        p.drawRoundedRect(box, 3, 3);
        if (lane.state == ActState::Done) {
            p.setBrush(QBrush(t.edge, Qt::Dense7Pattern));
            p.drawRoundedRect(box, 3, 3);
        }
        QString says = onScreen(part.what);
        if (part.u * minute > kWorthShowing)
            says += tr(" ± %1 min").arg(onScreen(part.u, part.u < 1.0 ? 1 : 0));
        p.setPen(t.ink);
        if (p.fontMetrics().horizontalAdvance(says) + 8 < box.width())
            p.drawText(box.adjusted(4, 0, -4, 0), Qt::AlignLeft | Qt::AlignVCenter, says);
    }
    for (const auto& part : lane.parts)
        if (part.u * minute > kWorthShowing)
            paintSpread(p, QPointF(x(part.to) + by, block.bottom()), part.u * minute);
}

/// How uncertain it is when a part ends: as far as it may be earlier or later.
void PeriodTimeline::paintSpread(QPainter& p, QPointF end, double by) const {
    constexpr double kUp = 5.0, kCap = 3.0;
    const double y = end.y() - kUp;
    p.setPen(QPen(theme().ink, 1));
    p.drawLine(QPointF(end.x() - by, y), QPointF(end.x() + by, y));
    for (const double x : {end.x() - by, end.x() + by})
        p.drawLine(QPointF(x, y - kCap), QPointF(x, y + kCap));
}

void PeriodTimeline::paintClashes(QPainter& p) const {
    p.setBrush(Qt::NoBrush);
    p.setPen(QPen(theme().caution, 2));
    for (const auto& clash : m_view.clashes)
        for (std::size_t i = 0; i < m_view.lanes.size(); ++i)
            if (std::ranges::find(clash.acts, m_view.lanes[i].id) != clash.acts.end()) {
                const QRectF lane = laneRect(i);
                p.drawRoundedRect(
                    QRectF(QPointF(x(clash.from), lane.top() - 2), QPointF(x(clash.to), lane.bottom() + 2)),
                    3, 3);
            }
}

std::optional<std::size_t> PeriodTimeline::laneAt(double y) const {
    const double lane = std::floor((y - headHigh()) / m_laneHigh);
    if (lane < 0 || lane >= static_cast<double>(m_view.lanes.size())) return std::nullopt;
    return static_cast<std::size_t>(lane);
}

std::optional<std::size_t> PeriodTimeline::chosenLane() const {
    const auto at = std::ranges::find_if(m_view.lanes, [&](const auto& l) { return l.id == m_chosen; });
    if (at == m_view.lanes.end()) return std::nullopt;
    return static_cast<std::size_t>(at - m_view.lanes.begin());
}

bool PeriodTimeline::isAtEnd(std::size_t lane, double px) const {
    return std::abs(px - laneRect(lane).right()) <= kEndGrip;
}

void PeriodTimeline::mousePressEvent(QMouseEvent* event) {
    const auto lane = laneAt(event->position().y());
    if (!lane || event->button() != Qt::LeftButton) return;
    const double px = event->position().x();
    if (laneRect(*lane).adjusted(-kEndGrip, 0, kEndGrip, 0).contains(event->position()))
        m_grip = Grip{*lane, isAtEnd(*lane, px), px, 0};
    emit chosen(m_view.lanes[*lane].id);
}

void PeriodTimeline::mouseMoveEvent(QMouseEvent* event) {
    const auto lane = laneAt(event->position().y());
    if (!m_grip) {
        const bool over =
            lane && laneRect(*lane).adjusted(-kEndGrip, 0, kEndGrip, 0).contains(event->position());
        setCursor(!over                                   ? Qt::ArrowCursor
                  : isAtEnd(*lane, event->position().x()) ? Qt::SizeHorCursor
                                                          : Qt::OpenHandCursor);
        return;
    }
    m_grip->minutes =
        static_cast<int>(std::lround((event->position().x() - m_grip->from) / (x(1.0) - x(0.0))));
    update();
}

void PeriodTimeline::mouseReleaseEvent(QMouseEvent*) {
    if (!m_grip) return;
    const Grip grip = *m_grip;
    m_grip.reset();
    update();
    if (grip.minutes == 0 || grip.lane >= m_view.lanes.size()) return;
    const RowId act = m_view.lanes[grip.lane].id;
    if (grip.end)
        emit lengthened(act, grip.minutes);
    else
        emit moved(act, grip.minutes);
}

void PeriodTimeline::keyPressEvent(QKeyEvent* event) {
    const auto lane = chosenLane();
    const bool down = event->key() == Qt::Key_Down, up = event->key() == Qt::Key_Up;
    if ((down || up) && !m_view.lanes.empty()) {
        const std::size_t last = m_view.lanes.size() - 1;
        const std::size_t next = !lane  ? (down ? 0 : last)
                                 : down ? std::min(*lane + 1, last)
                                        : *lane - (*lane > 0 ? 1 : 0);
        emit chosen(m_view.lanes[next].id);
        return;
    }
    const bool right = event->key() == Qt::Key_Right, left = event->key() == Qt::Key_Left;
    if (lane && (right || left)) {
        constexpr int kFar = 5; // min
        const int by = (right ? 1 : -1) * (event->modifiers() & Qt::ShiftModifier ? kFar : 1);
        if (event->modifiers() & Qt::ControlModifier)
            emit lengthened(m_view.lanes[*lane].id, by);
        else
            emit moved(m_view.lanes[*lane].id, by);
        return;
    }
    if (lane && event->key() == Qt::Key_Delete) {
        emit takenAway(m_view.lanes[*lane].id);
        return;
    }
    QWidget::keyPressEvent(event);
}

bool PeriodTimeline::event(QEvent* event) {
    if (event->type() == QEvent::ToolTip) {
        const auto* help = static_cast<QHelpEvent*>(event);
        const auto lane = laneAt(help->pos().y());
        QString tip;
        if (lane)
            for (const auto& part : m_view.lanes[*lane].parts)
                if (help->pos().x() >= x(part.from) && help->pos().x() < x(part.to))
                    tip = tr("%1: minute %2 to %3")
                              .arg(onScreen(part.what.empty() ? m_view.lanes[*lane].title : part.what),
                                   onScreen(part.from, 0), onScreen(part.to, 0));
        if (!tip.isEmpty()) QToolTip::showText(help->globalPos(), tip, this);
        return true;
    }
    return QWidget::event(event);
}

} // namespace uttrin::app

#include "moc_PeriodTimeline.cpp"
