#include "NavigationColumn.h"

#include "app/controls/OnScreen.h"
#include "app/controls/Theme.h"

#include <QPainter>
#include <QPainterPath>
#include <QVBoxLayout>

#include <algorithm>

namespace uttrin::app {
namespace {

constexpr int kTubeX = 18, kTubeWidth = 12, kTextX = 48, kTop = 62;

} // namespace

StationButton::StationButton(const QString& name, QWidget* parent) : QAbstractButton(parent) {
    setText(name);
    setCheckable(true);
    setAutoExclusive(true);
    setFocusPolicy(Qt::StrongFocus);
    setCursor(Qt::PointingHandCursor);
    setSizePolicy(QSizePolicy::Preferred, QSizePolicy::Expanding);
}

void StationButton::show(const StationState& state) {
    if (state == m_state) return; // most of what happens at one station changes no other's
    m_state = state;
    const QString lines = onScreen(state.line1) +
                          (state.line2.empty() ? QString() : QLatin1String(", ") + onScreen(state.line2));
    setAccessibleName(text() + QLatin1String(": ") + lines);
    setToolTip(lines);
    update();
}

QSize StationButton::sizeHint() const { return {scaled(172), scaled(64)}; }

void StationButton::paintEvent(QPaintEvent*) {
    const Theme& t = theme();
    QPainter p(this);
    p.setRenderHint(QPainter::Antialiasing);
    if (isChecked()) {
        p.setPen(t.hairline);
        p.setBrush(t.card);
        QPainterPath tab; // open to the right: the station continues in the page
        tab.moveTo(width() + 1, 4.5);
        tab.lineTo(kTextX - 6, 4.5);
        tab.lineTo(kTextX - 6, height() - 4.5);
        tab.lineTo(width() + 1, height() - 4.5);
        p.drawPath(tab);
    }
    const bool quiet = !m_state.done && !m_state.missing && !isChecked();
    const QFont under =
        fontOf(std::max(t.tick, t.small - 1), m_state.missing ? QFont::DemiBold : QFont::Normal);
    const int width = this->width() - kTextX - 6, title = std::min(lineOf(t.text) + 2, height());
    QStringList lines;
    for (const Text& s : {m_state.line1, m_state.line2})
        if (!s.empty())
            lines << (m_state.missing && lines.isEmpty() ? QStringLiteral("\u26A0 ") : QString()) +
                         onScreen(s);
    // Where the window is low the last lines are left out, not cut through; the tip has them all.
    const auto highOf = [&] {
        return QFontMetrics(under)
            .boundingRect(QRect(0, 0, width, height()), Qt::TextWordWrap, lines.join(QLatin1Char('\n')))
            .height();
    };
    constexpr int kTab = 6; // px, of the tab's edges
    while (!lines.isEmpty() && title + highOf() > height() - kTab)
        lines.removeLast();
    const QString all = lines.join(QLatin1Char('\n'));
    const int y = std::max(0, (height() - title - (lines.isEmpty() ? 0 : highOf())) / 2);
    p.setFont(fontOf(t.text, QFont::DemiBold));
    p.setPen(quiet ? t.muted : t.ink);
    p.drawText(QRect(kTextX + 4, y, width, title), Qt::AlignLeft | Qt::AlignVCenter, text());
    p.setFont(under);
    p.setPen(m_state.missing ? t.caution : t.muted);
    p.drawText(QRect(kTextX + 4, y + title, width, height() - y - title),
               Qt::AlignLeft | Qt::AlignTop | Qt::TextWordWrap, all);
}

QString NavigationColumn::stationName(int index) {
    const QString names[] = {tr("Room"), tr("Rig"),     tr("Plan"),   tr("Rehearse"),
                             tr("Run"),  tr("Work-up"), tr("Report"), tr("Practise")};
    return names[index];
}

NavigationColumn::NavigationColumn(QWidget* parent) : QWidget(parent) {
    setObjectName(QStringLiteral("navigation"));
    setAttribute(Qt::WA_OpaquePaintEvent);
    auto* column = new QVBoxLayout(this);
    column->setSpacing(0);
    for (int i = 0; i < kStations; ++i) {
        auto* b = new StationButton(stationName(i), this);
        b->setObjectName(QStringLiteral("station%1").arg(i + 1));
        connect(b, &QAbstractButton::clicked, this, [this, i] { emit picked(i); });
        m_stations.push_back(b);
        column->addWidget(b, 1);
    }
    fit();
    setCurrent(0);
}

void NavigationColumn::show(const std::vector<StationState>& states) {
    bool marks = false; // what the column itself draws beside its buttons
    for (std::size_t i = 0; i < m_stations.size(); ++i) {
        marks = marks || m_stations[i]->state().done != states[i].done;
        m_stations[i]->show(states[i]);
    }
    if (marks) update();
}

void NavigationColumn::setCurrent(int station) {
    m_current = station;
    m_stations[static_cast<std::size_t>(station)]->setChecked(true);
    update();
}

void NavigationColumn::fit() {
    layout()->setContentsMargins(0, kTop, 0, tickLine() + 10);
    setFixedWidth(scaled(theme().large ? 210 : 172));
}

void NavigationColumn::changeEvent(QEvent* event) {
    QWidget::changeEvent(event);
    if (event->type() == QEvent::StyleChange) fit();
}

void NavigationColumn::paintEvent(QPaintEvent*) {
    const Theme& t = theme();
    QPainter p(this);
    p.setRenderHint(QPainter::Antialiasing);
    p.fillRect(rect(), t.navigation);
    p.setPen(t.hairline);
    p.drawLine(width() - 1, 0, width() - 1, height());
    p.setPen(t.ink);
    constexpr int kLargest = 34, kNameTop = 8, kNameHigh = 44; // px
    p.setFont(fontOf(std::min(scaled(22), kLargest), QFont::Bold));
    p.drawText(QRect(20, kNameTop, width(), kNameHigh), Qt::AlignLeft | Qt::AlignVCenter,
               QStringLiteral("Uttrin"));

    const QRectF tube(kTubeX, kTop - 4, kTubeWidth, height() - kTop - 18);
    p.setPen(QPen(t.hairline, 1.4));
    p.setBrush(t.card);
    p.drawRoundedRect(tube, kTubeWidth / 2.0, kTubeWidth / 2.0);
    // Filled down to the last station that is done with none missing above it.
    double filled = 0.0;
    for (const StationButton* b : m_stations) {
        const bool skipped = b->state().line1 == "to come";
        if (!b->state().done && !skipped) break;
        if (b->state().done) filled = b->geometry().center().y() - tube.top();
    }
    if (filled > 0.0) {
        p.setPen(Qt::NoPen);
        p.setBrush(t.done);
        p.drawRoundedRect(QRectF(tube.left() + 2.5, tube.top() + 2.5, tube.width() - 5, filled), 3.5, 3.5);
    }
    for (const StationButton* b : m_stations) {
        const int y = b->geometry().center().y();
        p.setPen(QPen(b->state().done || b->isChecked() ? t.ink : t.muted, b->isChecked() ? 3 : 2));
        p.drawLine(kTubeX + kTubeWidth + 2, y, kTextX - 7, y);
    }
    p.setPen(t.muted);
    p.setFont(fontOf(theme().tick));
    p.drawText(QRect(20, height() - tickLine() - 4, width(), tickLine()), Qt::AlignLeft | Qt::AlignVCenter,
               QStringLiteral("Ctrl+1 … 8"));
}

} // namespace uttrin::app

#include "moc_NavigationColumn.cpp"
