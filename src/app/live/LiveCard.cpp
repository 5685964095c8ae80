#include "LiveCard.h"

#include "app/controls/FlowLayout.h"
#include "app/controls/Grid.h"
#include "app/controls/Labels.h"
#include "app/controls/OnScreen.h"

#include <QCheckBox>
#include <QHBoxLayout>
#include <QPushButton>

namespace uttrin::app {

LiveCard::LiveCard(LiveBench& bench) : m_bench(bench) {
    column()->setContentsMargins(grid::kMargin, grid::kHalfStep, grid::kMargin, grid::kHalfStep);
    column()->setSpacing(grid::kHalfStep);
    m_verdict = makeLabel({}, "heading");
    m_verdict->setObjectName(QStringLiteral("liveVerdict"));
    m_verdict->setWordWrap(false);
    m_trend = makeLabel({}, "muted");
    m_trend->setObjectName(QStringLiteral("liveTrend"));
    m_trend->setAlignment(Qt::AlignRight | Qt::AlignVCenter);
    auto* top = new QHBoxLayout;
    top->addWidget(m_verdict);
    top->addWidget(m_trend, 1);
    column()->addLayout(top);
    m_trouble = makeLabel({}, "caution");
    m_trouble->setObjectName(QStringLiteral("liveTrouble"));
    column()->addWidget(m_trouble);
    FlowLayout* row = FlowLayout::inRow();
    const auto link = [&](const QString& text, const char* name, const QString& tip) {
        QPushButton* made = makeLink(text, name, tip);
        row->addFixed(made);
        return made;
    };
    m_again =
        link({}, "liveAgain", tr("As the register of instruments has it: where it was heard last, and how"));
    m_connect =
        link(tr("Listen to an instrument…"), "liveConnect",
             tr("A gauge, a thermometer or a logger with a serial port, on the network, or that writes a "
                "file. Only what you name is connected to."));
    m_simulate =
        link(tr("Try it with simulated instruments"), "liveSimulate",
             tr("A simulated rig that you work by hand: its gauge and its thermometer are listened to like "
                "real ones. Its readings are made up."));
    m_trace = link(tr("Trace…"), "liveTrace",
                   tr("All that came, to be read again: take points from it, or bring in a logger’s file"));
    m_gauge =
        link(tr("Take the rig’s gauge as the live one"), "liveGauge",
             tr("Declares the gauge of this run as the instrument that is listened to: absolute or against "
                "the room. Undo takes it back."));
    m_bySelf = new QCheckBox(tr("capture by itself"));
    m_bySelf->setObjectName(QStringLiteral("liveBySelf"));
    m_bySelf->setToolTip(tr("Each time that both stand still after they moved, a point is captured."));
    row->addFixed(m_bySelf);
    m_stop = link(tr("Stop"), "liveStop", tr("What came stays in the notebook."));
    column()->addWidget(row->parentWidget());
    connect(m_again, &QPushButton::clicked, this, &LiveCard::againRequested);
    connect(m_connect, &QPushButton::clicked, this, &LiveCard::connectRequested);
    connect(m_simulate, &QPushButton::clicked, this, &LiveCard::simulateRequested);
    connect(m_trace, &QPushButton::clicked, this, &LiveCard::traceRequested);
    connect(m_gauge, &QPushButton::clicked, this, &LiveCard::gaugeRequested);
    connect(m_stop, &QPushButton::clicked, &m_bench, &LiveBench::stop);
    connect(m_bySelf, &QCheckBox::toggled, &m_bench, &LiveBench::setCapturesBySelf);
    connect(&m_bench, &LiveBench::changed, this, &LiveCard::showState);
    connect(&m_bench, &LiveBench::moved, this, &LiveCard::showMoment);
    showState();
}

void LiveCard::showState() {
    const bool live = m_bench.isLive();
    for (QWidget* w :
         {static_cast<QWidget*>(m_verdict), static_cast<QWidget*>(m_bySelf), static_cast<QWidget*>(m_stop)})
        w->setVisible(live);
    m_again->setVisible(!live && !m_known.isEmpty());
    m_again->setText(tr("Listen to %1").arg(m_known));
    m_simulate->setVisible(!live && !m_bench.isSimulated());
    m_connect->setText(live ? tr("Another instrument…") : tr("Listen to an instrument…"));
    m_trace->setVisible(m_bench.hasTrace());
    m_bySelf->setChecked(m_bench.capturesBySelf());
    showMoment();
}

void LiveCard::offerAgain(const QString& names) {
    m_known = names;
    showState();
}

void LiveCard::showMoment() {
    const bool live = m_bench.isLive();
    const LiveView& view = m_bench.view();
    if (live) {
        // A sign before the words, so that it is seen from afar and without colour.
        const QString verdict =
            (view.steady ? QStringLiteral("\u25A0 ") : QStringLiteral("\u25B2 ")) + onScreen(view.verdict);
        if (verdict != m_verdict->text()) m_verdict->setText(verdict);
    }
    const QString trend = live ? onScreen(view.trend) : QString();
    if (trend != m_trend->text()) m_trend->setText(trend);
    m_trend->setVisible(!trend.isEmpty());
    QStringList troubles;
    for (const LiveBench::State& s : m_bench.states())
        if (!s.trouble.isEmpty()) troubles << QStringLiteral("%1: %2").arg(s.name, s.trouble);
    const bool mismatch = live && !view.trouble.empty();
    if (mismatch) troubles << onScreen(view.trouble);
    const QString trouble =
        troubles.isEmpty() ? QString() : QStringLiteral("\u26A0 ") + troubles.join(QLatin1Char('\n'));
    if (trouble != m_trouble->text()) m_trouble->setText(trouble);
    m_trouble->setVisible(!trouble.isEmpty());
    m_gauge->setVisible(mismatch);
}

} // namespace uttrin::app

#include "moc_LiveCard.cpp"
