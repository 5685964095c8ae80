#include "BenchStrip.h"

#include "app/accessibility/Spoken.h"
#include "app/controls/Labels.h"
#include "app/controls/MessageLine.h"
#include "app/controls/OnScreen.h"
#include "app/controls/Theme.h"

#include <QLabel>
#include <QLocale>
#include <QPainter>

#include <algorithm>
#include <tuple>
#include <utility>

namespace uttrin::app {
namespace {

constexpr int kStripLeft = 20, kStripRight = 4, kStripTop = 6, kStripBottom = 4,
              kStripApart = 22;                       // px, as all below
constexpr int kStripBeforeUnit = 5, kStripUnitUp = 3; // the unit stands on the number's line
constexpr int kStripUnderLines = 8;                   // more than its font, a line of small text
constexpr double kLowest = -20.0, kHighest = 5.0;     // K, ends of the margin's scale

int wideOf(const Words* label, const QFont& font) {
    constexpr int kSpare = 1; // for what is drawn between two pixels
    return QFontMetrics(font).horizontalAdvance(label->text()) + kSpare;
}

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
    const int left = scaled(20), right = width() - scaled(26);
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

BenchStrip::BenchStrip(QWidget* parent) : QWidget(parent), m_margin(new MarginBar(this)) {
    setObjectName(QStringLiteral("strip"));
    setAttribute(Qt::WA_OpaquePaintEvent);
    const char* names[] = {"stripRoom", "stripGauge", "stripLiquid", "stripBoils"};
    for (int i = 0; i < 4; ++i) {
        Figure& f = m_figures[i];
        f.label = makeLabel({}, "stripLabel", this);
        f.number = makeLabel({}, "live", this);
        f.unit = makeLabel({}, "muted", this);
        f.under = makeLabel({}, "stripLine", this);
        for (Words* l : {f.label, f.number, f.unit, f.under})
            l->setWordWrap(false);
        f.number->setAlignment(Qt::AlignRight | Qt::AlignVCenter);
        f.label->setObjectName(QLatin1String(names[i]) + QLatin1String("Caption"));
        f.number->setObjectName(QLatin1String(names[i]));
        f.under->setObjectName(QLatin1String(names[i]) + QLatin1String("Under"));
    }
}

void BenchStrip::fill(Figure& f, const StripFigure& shown) {
    const QString label = QLocale().toUpper(onScreen(shown.label)), unit = onScreen(shown.unit),
                  number = shown.number.empty() ? QStringLiteral("–") : onScreen(shown.number),
                  second = shown.kelvin ? inSecondUnit(*shown.kelvin) : QString(),
                  said = onScreen(shown.under),
                  under = (shown.missing ? QStringLiteral("\u26A0 ") : QString()) +
                          (second.isEmpty() ? said : QStringLiteral("= ") + second);
    const int line = std::max(theme().tick, theme().small - 1);
    const std::tuple now(label, number, unit, under, theme().live, line);
    if (now == f.shown) return;
    if (f.label->text() != label || f.unit->text() != unit || f.missing != shown.missing) forgetWidths();
    f.shown = now;
    f.missing = shown.missing;
    spokenNamed(f.number, onScreen(shown.label) + QLatin1Char(' ') + number + QLatin1Char(' ') + unit);
    spokenNamed(f.label, label);
    spokenNamed(f.unit, unit.isEmpty() ? label : unit);
    spokenNamed(f.under, under.isEmpty() ? label : under);
    f.label->setText(label);
    f.number->setText(number);
    f.unit->setText(unit);
    f.unit->setAlignment(Qt::AlignLeft | Qt::AlignBottom);
    f.under->setText(under);
    f.under->setToolTip(second.isEmpty() ? QString() : said);
    setRole(f.under, shown.missing ? "stripMissing" : "stripLine");
    measure(f);
}

void BenchStrip::show(const StripView& view) {
    const bool large = theme().large;
    setFixedHeight(scaled(large ? 142 : 92));
    for (Words* l : {m_figures[0].label, m_figures[0].number, m_figures[0].unit, m_figures[0].under})
        l->setVisible(!large);
    fill(m_figures[0], view.room);
    fill(m_figures[1], large ? view.pressure : view.gauge);
    fill(m_figures[2], view.liquid);
    fill(m_figures[3], view.boils);
    m_margin->setMinimumWidth(scaled(large ? 205 : 190));
    m_margin->show(view);
    fit();
}

void BenchStrip::measure(Figure& f) {
    f.full = wideOf(f.number, fontOf(theme().live, QFont::DemiBold));
    f.narrow = wideOf(f.number, fontOf(theme().live * 2 / 3, QFont::DemiBold));
    f.unitWide = wideOf(f.unit, fontOf(theme().small));
    const int line = std::max(theme().tick, theme().small - 1);
    f.linesWide = std::max(wideOf(f.label, fontOf(line, QFont::DemiBold)),
                           wideOf(f.under, fontOf(line, f.missing ? QFont::DemiBold : QFont::Normal)));
}

int BenchStrip::widen(bool narrow) {
    int needed = kStripLeft + kStripRight + m_margin->minimumWidth();
    for (Figure& f : m_figures) {
        if (f.number->isHidden()) continue;
        f.numberWide = std::max(f.numberWide, narrow ? f.narrow : f.full);
        f.wide = std::max({f.wide, f.numberWide + kStripBeforeUnit + f.unitWide, f.linesWide});
        needed += f.wide + kStripApart;
    }
    return needed;
}

void BenchStrip::forgetWidths() {
    for (Figure& f : m_figures)
        f.numberWide = f.wide = 0;
    m_narrow = false;
    m_least = 0;
}

QSize BenchStrip::minimumSizeHint() const { return {m_least, height()}; }

void BenchStrip::fit() {
    if (const std::pair now{width(), theme().live}; std::exchange(m_fitted, now) != now) forgetWidths();
    // With the widths that were needed before, else with those that are needed now, else smaller.
    if (widen(m_narrow) > width()) {
        forgetWidths();
        if (widen(false) > width()) {
            forgetWidths();
            m_narrow = true;
            widen(true);
        }
    }
    arrange();
    // The least that it needed so far: the window is not laid out anew for a narrower number.
    int least = kStripLeft + kStripRight + m_margin->minimumWidth();
    for (const Figure& f : m_figures)
        if (!f.number->isHidden())
            least += kStripApart + std::max(f.narrow + kStripBeforeUnit + f.unitWide, f.linesWide);
    if (least > m_least) {
        m_least = least;
        updateGeometry();
    }
}

void BenchStrip::arrange() {
    const int lines = std::max(theme().tick, theme().small - 1) + kStripUnderLines;
    const int under = height() - kStripBottom - lines, numbers = kStripTop + lines;
    int x = kStripLeft;
    for (const Figure& f : m_figures) {
        if (f.number->isHidden()) continue;
        setRole(f.number, m_narrow ? "liveNarrow" : "live");
        f.label->setGeometry(x, kStripTop, f.wide, lines);
        f.number->setGeometry(x, numbers, f.numberWide, under - numbers);
        const int unit = x + f.numberWide + kStripBeforeUnit;
        f.unit->setGeometry(unit, numbers, x + f.wide - unit, under - numbers - kStripUnitUp);
        f.under->setGeometry(x, under, f.wide, lines);
        x += f.wide + kStripApart;
    }
    m_margin->setGeometry(x, kStripTop, width() - x - kStripRight, height() - kStripTop - kStripBottom);
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
