#include "BenchStrip.h"

#include "app/controls/Labels.h"
#include "app/controls/MessageLine.h"
#include "app/controls/OnScreen.h"
#include "app/controls/Theme.h"

#include <QHBoxLayout>
#include <QLocale>
#include <QPainter>

#include <algorithm>

namespace uttrin::app {
namespace {

constexpr double kLowest = -20.0, kHighest = 5.0; // K, ends of the margin's scale

} // namespace

MarginBar::MarginBar(QWidget* parent) : QWidget(parent) {
    setObjectName(QStringLiteral("margin"));
    setMinimumWidth(190);
    setAccessibleName(tr("Margin to boiling"));
    setToolTip(tr("Temperature of the liquid less the temperature at which it boils at this pressure"));
    setSizePolicy(QSizePolicy::Expanding, QSizePolicy::Expanding);
}

void MarginBar::show(const StripView& view) {
    const bool begins = view.boiling && !m_view.boiling && m_view.marginKelvin;
    m_view = view;
    spokenChanged(this);
    if (begins) announce(this, tr("Boiling"), tr("Margin to boiling"));
    update();
}

QString MarginBar::spokenValue() const { return onScreen(m_view.marginText); }

void MarginBar::paintEvent(QPaintEvent*) {
    const Theme& t = theme();
    QPainter p(this);
    p.setRenderHint(QPainter::Antialiasing);
    const int left = 20, right = width() - 26;
    const int small = std::max(t.tick, t.small - 1);
    const auto x = [&](double kelvin) {
        return left +
               (right - left) * (std::clamp(kelvin, kLowest, kHighest) - kLowest) / (kHighest - kLowest);
    };
    const bool boiling = m_view.marginKelvin && m_view.boiling;
    p.setPen(t.muted);
    p.setFont(fontOf(small, QFont::DemiBold));
    p.drawText(QRect(8, 8, width(), small + 6), Qt::AlignLeft | Qt::AlignVCenter,
               width() > 300 ? tr("MARGIN TO BOILING") : tr("MARGIN"));
    p.setFont(fontOf(scaled(t.large ? 28 : 17), QFont::Bold));
    p.setPen(boiling ? t.hot : m_view.marginKelvin ? t.ink : t.muted);
    p.drawText(QRect(left, scaled(t.large ? 34 : 4), width() - 8 - left, scaled(t.large ? 34 : 24)),
               Qt::AlignRight | Qt::AlignVCenter, onScreen(m_view.marginText));

    const double top = height() * (t.large ? 0.56 : 0.41), bar = scaled(14);
    const int line = tickLine();
    p.setPen(Qt::NoPen);
    p.setBrush(t.liquid);
    p.drawRect(QRectF(x(kLowest), top, x(0) - x(kLowest), bar));
    p.setBrush(t.hotTint);
    p.drawRect(QRectF(x(0), top, x(kHighest) - x(0), bar));
    p.setBrush(QBrush(t.hot, Qt::BDiagPattern)); // told apart by more than its tint
    p.drawRect(QRectF(x(0), top, x(kHighest) - x(0), bar));
    p.setFont(fontOf(theme().tick));
    for (const int k : {-20, -15, -10, -5, 0, 5}) {
        p.setPen(QPen(k == 0 ? t.ink : t.muted, k == 0 ? 2 : 1));
        p.drawLine(QPointF(x(k), top - (k == 0 ? 3 : 0)), QPointF(x(k), top + bar + 3));
        p.setPen(k == 0 ? t.ink : t.muted);
        if (k == 0) p.setFont(fontOf(theme().tick, QFont::DemiBold));
        const QString label = k == 0 ? tr("boils") : k == 5 ? QStringLiteral("+5 K") : onScreen(k, 0);
        p.drawText(QRectF(x(k) - scaled(30), top + bar + 3, scaled(60), line),
                   Qt::AlignHCenter | Qt::AlignTop, label);
        p.setFont(fontOf(theme().tick));
    }
    p.setPen(t.muted);
    p.drawText(QRect(8, height() - line - 1, right, line), Qt::AlignLeft | Qt::AlignVCenter,
               onScreen(m_view.marginUnder));
    if (!m_view.marginKelvin) return;
    const double at = x(*m_view.marginKelvin);
    p.setPen(QPen(t.card, 1.5));
    p.setBrush(boiling ? t.hot : t.ink);
    const QPointF pointer[] = {{at - 8, top - 7}, {at + 8, top - 7}, {at, top + bar - 2}};
    p.drawPolygon(pointer, 3);
}

BenchStrip::BenchStrip(QWidget* parent) : QWidget(parent), m_margin(new MarginBar) {
    setObjectName(QStringLiteral("strip"));
    auto* row = new QHBoxLayout(this);
    row->setContentsMargins(20, 6, 4, 4);
    row->setSpacing(22);
    const char* names[] = {"stripRoom", "stripGauge", "stripLiquid", "stripBoils"};
    for (int i = 0; i < 4; ++i) {
        auto* column = new QVBoxLayout;
        column->setSpacing(0);
        auto* numbers = new QHBoxLayout;
        numbers->setSpacing(5);
        m_figures[i] = {makeLabel({}, "muted"), makeLabel({}, "live"), makeLabel({}, "muted"),
                        makeLabel({}, "muted")};
        for (QLabel* l : {m_figures[i].label, m_figures[i].number, m_figures[i].unit, m_figures[i].under})
            l->setWordWrap(false);
        m_figures[i].label->setObjectName(QLatin1String(names[i]) + QLatin1String("Caption"));
        m_figures[i].number->setObjectName(QLatin1String(names[i]));
        m_figures[i].under->setObjectName(QLatin1String(names[i]) + QLatin1String("Under"));
        numbers->addWidget(m_figures[i].number);
        numbers->addWidget(m_figures[i].unit, 0, Qt::AlignBottom);
        numbers->addStretch();
        column->addWidget(m_figures[i].label);
        column->addLayout(numbers);
        column->addWidget(m_figures[i].under);
        row->addLayout(column);
    }
    row->addWidget(m_margin, 1);
}

void BenchStrip::fill(Figure& f, const StripFigure& shown) {
    f.label->setText(QLocale().toUpper(onScreen(shown.label)));
    f.label->setFont(fontOf(std::max(theme().tick, theme().small - 1), QFont::DemiBold));
    f.number->setText(shown.number.empty() ? QStringLiteral("–") : onScreen(shown.number));
    f.unit->setText(onScreen(shown.unit));
    f.unit->setContentsMargins(0, 0, 0, 5);
    f.under->setText((shown.missing ? QStringLiteral("\u26A0 ") : QString()) + onScreen(shown.under));
    setRole(f.under, shown.missing ? "cautionText" : "muted");
    f.under->setFont(
        fontOf(std::max(theme().tick, theme().small - 1), shown.missing ? QFont::DemiBold : QFont::Normal));
    f.number->setAccessibleName(onScreen(shown.label) + QLatin1Char(' ') + f.number->text() +
                                QLatin1Char(' ') + f.unit->text());
}

void BenchStrip::show(const StripView& view) {
    const bool large = theme().large;
    setFixedHeight(scaled(large ? 142 : 92));
    for (QLabel* l : {m_figures[0].label, m_figures[0].number, m_figures[0].unit, m_figures[0].under})
        l->setVisible(!large);
    fill(m_figures[0], view.room);
    fill(m_figures[1], large ? view.pressure : view.gauge);
    fill(m_figures[2], view.liquid);
    fill(m_figures[3], view.boils);
    m_margin->setMinimumWidth(large ? 205 : 190);
    m_margin->show(view);
    fit();
}

void BenchStrip::fit() {
    const QFontMetrics full(fontOf(theme().live, QFont::DemiBold));
    const QMargins around = layout()->contentsMargins();
    int needed = around.left() + around.right() + m_margin->minimumWidth();
    for (const Figure& f : m_figures) {
        if (f.number->isHidden()) continue;
        constexpr int kBeforeUnit = 5;
        const int wide = full.horizontalAdvance(f.number->text()) + kBeforeUnit + f.unit->sizeHint().width();
        needed +=
            std::max({wide, f.label->sizeHint().width(), f.under->sizeHint().width()}) + layout()->spacing();
    }
    for (const Figure& f : m_figures)
        setRole(f.number, needed > width() ? "liveNarrow" : "live");
}

void BenchStrip::resizeEvent(QResizeEvent* event) {
    QWidget::resizeEvent(event);
    fit();
}

void BenchStrip::paintEvent(QPaintEvent*) {
    QPainter p(this);
    p.fillRect(rect(), theme().card);
    p.setPen(theme().hairline);
    p.drawLine(0, height() - 1, width(), height() - 1);
    for (int i = theme().large ? 2 : 1; i < 4; ++i) {
        const int x = m_figures[i].label->x() - 12;
        p.drawLine(x, 14, x, height() - 12);
    }
    p.drawLine(m_margin->x() - 6, 14, m_margin->x() - 6, height() - 12);
}

} // namespace uttrin::app

#include "moc_BenchStrip.cpp"
