#include "RehearsalTape.h"

#include "app/controls/MessageLine.h"
#include "app/controls/OnScreen.h"
#include "app/controls/Theme.h"

#include <QHelpEvent>
#include <QKeyEvent>
#include <QPainter>
#include <QPainterPath>
#include <QToolTip>

#include <algorithm>
#include <array>
#include <cmath>

namespace uttrin::app {
namespace {

constexpr int kTop = 18;
/// Beside the curves, for their figures and half of the last one's, and under them: px.
int left() { return scaled(42); }
int right() { return scaled(34); }
int axisHeight() { return tickLine() + 14; }
constexpr double kIcePoint = 273.15;

} // namespace

RehearsalTape::RehearsalTape(QWidget* parent) : QWidget(parent) {
    setObjectName(QStringLiteral("rehearsalTape"));
    setAttribute(Qt::WA_OpaquePaintEvent);
    setFocusPolicy(Qt::StrongFocus);
    setAccessibleName(tr("Tape of the rehearsal"));
    setMinimumHeight(scaled(112));
    setSizePolicy(QSizePolicy::Expanding, QSizePolicy::Expanding);
}

void RehearsalTape::show(const RehearsalTapeView& view) {
    m_view = view;
    spokenChanged(this);
    update();
}

void RehearsalTape::setBand(std::shared_ptr<const EnsembleOutcome> chance) {
    m_chance = std::move(chance);
    update();
}

void RehearsalTape::setMoment(double seconds) {
    m_moment = seconds;
    spokenChanged(this);
    update();
}

void RehearsalTape::tellSince(double seconds) {
    for (const auto& mark : m_view.marks)
        if (mark.seconds > seconds && mark.seconds <= m_moment)
            announce(this, onScreen(mark.text), tr("Tape of the rehearsal"));
}

QString RehearsalTape::spokenValue() const {
    const auto at = std::ranges::lower_bound(m_view.times, m_moment);
    const auto i = static_cast<std::size_t>(at - m_view.times.begin());
    const QString where =
        tr("%1 of %2").arg(onScreen(momentText(m_moment)), onScreen(momentText(m_view.seconds)));
    if (i >= m_view.celsius.size() || i >= m_view.vigour.size()) return where;
    return tr("%1: %2 °C, %3")
        .arg(where, onScreen(m_view.celsius[i], 1), m_view.vigour[i] > 0.0 ? tr("boiling") : tr("quiet"));
}

std::vector<Spoken::Part> RehearsalTape::spokenParts() const {
    std::vector<Part> all;
    for (const auto& mark : m_view.marks)
        all.push_back({tr("%1: %2").arg(onScreen(momentText(mark.seconds)), onScreen(mark.text)),
                       QRect(static_cast<int>(x(mark.seconds)) - 6, 0, 12, height())});
    return all;
}

std::optional<Spoken::Setting> RehearsalTape::spokenSetting() const {
    return Setting{m_moment, 0.0, m_view.seconds, 1.0};
}

double RehearsalTape::x(double seconds) const {
    return left() + (width() - left() - right()) * seconds / std::max(1.0, m_view.seconds);
}

double RehearsalTape::secondsAt(double at) const {
    return std::clamp((at - left()) / std::max(1, width() - left() - right()), 0.0, 1.0) * m_view.seconds;
}

void RehearsalTape::drawAxis(QPainter& p) const {
    const Theme& t = theme();
    const double axis = height() - axisHeight();
    const double minutes = m_view.seconds / 60.0;
    constexpr std::array kSteps{0.25, 0.5, 1.0, 2.0, 5.0, 10.0, 20.0, 60.0, 120.0};
    double step = kSteps.back();
    for (const double s : kSteps)
        if (minutes / s <= 11.0) {
            step = s;
            break;
        }
    p.setPen(QPen(t.ink, 1.5));
    p.drawLine(QPointF(x(0), axis), QPointF(x(m_view.seconds), axis));
    p.setFont(fontOf(theme().tick));
    for (double m = 0.0; m <= minutes + 1e-9; m += step) {
        p.setPen(QPen(t.ink, 1));
        p.drawLine(QPointF(x(60 * m), axis), QPointF(x(60 * m), axis + 6));
        p.setPen(t.muted);
        const int decimals = step < 0.5 ? 2 : step < 1.0 ? 1 : 0;
        const QString text =
            m + step > minutes ? tr("%1 min").arg(onScreen(m, decimals)) : onScreen(m, decimals);
        const double wide = p.fontMetrics().horizontalAdvance(text) + 2.0;
        const double from = std::clamp(x(60 * m) - wide / 2, 0.0, std::max(0.0, width() - wide));
        p.drawText(QRectF(from, axis + 8, wide, tickLine()), Qt::AlignHCenter | Qt::AlignTop, text);
    }
}

void RehearsalTape::drawCurves(QPainter& p) const {
    const Theme& t = theme();
    if (m_view.times.size() < 2) return;
    const double axis = height() - axisHeight(), bumps = 26;
    double low = 1e9, high = -1e9;
    for (const double c : m_view.celsius) {
        low = std::min(low, c);
        high = std::max(high, c);
    }
    low -= 2.0;
    high += 2.0;
    const auto y = [&](double c) {
        return axis - bumps - (axis - bumps - kTop) * std::clamp((c - low) / (high - low), -0.05, 1.05);
    };
    if (m_chance && m_chance->members > 1) {
        const EnsembleBand& band = m_chance->band;
        QPolygonF around;
        for (std::size_t i = 0; i < band.seconds.size(); ++i)
            around << QPointF(x(band.seconds[i]), y(band.highKelvin[i] - kIcePoint));
        for (std::size_t i = band.seconds.size(); i-- > 0;)
            around << QPointF(x(band.seconds[i]), y(band.lowKelvin[i] - kIcePoint));
        p.setPen(Qt::NoPen);
        p.setBrush(t.liquid);
        p.drawPolygon(around);
    }
    QPolygonF temperature, boiling, burst;
    burst << QPointF(x(m_view.times.front()), axis);
    for (std::size_t i = 0; i < m_view.times.size(); ++i) {
        const double at = x(m_view.times[i]);
        temperature << QPointF(at, y(m_view.celsius[i]));
        boiling << QPointF(at, y(m_view.boilsCelsius[i]));
        burst << QPointF(at, axis - bumps * m_view.vigour[i]);
    }
    burst << QPointF(x(m_view.times.back()), axis);
    p.setPen(Qt::NoPen);
    p.setBrush(t.hot);
    p.drawPolygon(burst);
    p.setBrush(Qt::NoBrush);
    p.setPen(QPen(t.ink, 1.4));
    p.drawPolyline(boiling);
    p.setPen(QPen(t.done, 2.4));
    p.drawPolyline(temperature);
    p.setFont(fontOf(theme().tick));
    p.setPen(t.muted);
    for (const double c : {high - 2.0, low + 2.0})
        p.drawText(QRectF(0, y(c) - 0.5 * tickLine(), left() - 5, tickLine()),
                   Qt::AlignRight | Qt::AlignVCenter, QStringLiteral("%1°").arg(onScreen(c, 0)));
}

void RehearsalTape::paintEvent(QPaintEvent*) {
    const Theme& t = theme();
    QPainter p(this);
    p.setRenderHint(QPainter::Antialiasing);
    p.fillRect(rect(), t.card);
    if (m_view.seconds <= 0.0) return;
    const double axis = height() - axisHeight();
    p.setPen(Qt::NoPen);
    p.setBrush(t.ice);
    for (const auto& span : m_view.cooling)
        p.drawRect(QRectF(x(span.from), kTop, std::max(2.0, x(span.to) - x(span.from)), axis - kTop));
    drawCurves(p);
    drawAxis(p);
    p.setBrush(t.ink);
    for (const auto& mark : m_view.marks)
        if (mark.move) {
            const double at = x(mark.seconds);
            const QPointF pointer[] = {{at - 5, kTop - 11.0}, {at + 5, kTop - 11.0}, {at, kTop - 2.0}};
            p.setPen(Qt::NoPen);
            p.drawPolygon(pointer, 3);
        }
    p.setPen(QPen(t.ink, 2));
    p.drawLine(QPointF(x(m_moment), 2), QPointF(x(m_moment), axis + 4));
}

void RehearsalTape::mousePressEvent(QMouseEvent* e) { emit momentPicked(secondsAt(e->position().x())); }
void RehearsalTape::mouseMoveEvent(QMouseEvent* e) {
    if (e->buttons() & Qt::LeftButton) emit momentPicked(secondsAt(e->position().x()));
}

void RehearsalTape::keyPressEvent(QKeyEvent* e) {
    switch (e->key()) {
    case Qt::Key_Left:
        return emit stepped(e->modifiers() & Qt::ShiftModifier ? -10 : -1);
    case Qt::Key_Right:
        return emit stepped(e->modifiers() & Qt::ShiftModifier ? 10 : 1);
    case Qt::Key_Home:
        return emit momentPicked(0.0);
    case Qt::Key_End:
        return emit momentPicked(m_view.seconds);
    default:
        QWidget::keyPressEvent(e);
    }
}

bool RehearsalTape::event(QEvent* e) {
    if (e->type() != QEvent::ToolTip) return QWidget::event(e);
    const auto* help = static_cast<QHelpEvent*>(e);
    QStringList near;
    constexpr double kNear = 8.0; // px
    for (const auto& mark : m_view.marks)
        if (std::abs(x(mark.seconds) - help->pos().x()) < kNear)
            near << QStringLiteral("%1  %2").arg(onScreen(momentText(mark.seconds)), onScreen(mark.text));
    near.isEmpty() ? QToolTip::hideText()
                   : QToolTip::showText(help->globalPos(), near.join(QLatin1Char('\n')), this);
    return true;
}

} // namespace uttrin::app

#include "moc_RehearsalTape.cpp"
