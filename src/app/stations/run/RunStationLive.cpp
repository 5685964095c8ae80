// Live instruments at the bench.
#include "ReadingCard.h"
#include "RunStation.h"
#include "TargetCard.h"
#include "app/controls/OnScreen.h"
#include "app/controls/Segments.h"
#include "app/controls/Theme.h"
#include "app/live/LiveCard.h"
#include "app/live/SimulatedPanel.h"
#include "app/live/TraceChart.h"
#include "app/live/TraceView.h"
#include "lesson/commands/InstrumentCommands.h"
#include "lesson/commands/PlanCommands.h"
#include "lesson/commands/RunCommands.h"
#include "lesson/live/LiveView.h"
#include "lesson/views/BenchAids.h"
#include "live/OwnProfiles.h"
#include "register/InstrumentRegister.h"

#include <QBoxLayout>
#include <QPushButton>
#include <QStackedWidget>

#include <algorithm>
#include <set>

namespace uttrin::app {

void RunStation::wireLive() {
    connect(m_liveCard, &LiveCard::connectRequested, this, &RunStation::listenRequested);
    connect(m_liveCard, &LiveCard::againRequested, this, &RunStation::listenAgain);
    connect(&m_live, &LiveBench::begunToListen, this, &RunStation::rememberWay);
    connect(m_liveCard, &LiveCard::traceRequested, this, &RunStation::traceRequested);
    connect(m_liveCard, &LiveCard::simulateRequested, &m_live, &LiveBench::simulate);
    connect(m_liveCard, &LiveCard::gaugeRequested, this, &RunStation::takeGaugeAsHeard);
    connect(m_simulated, &SimulatedPanel::pressed, &m_live, &LiveBench::press);
    connect(m_simulated, &SimulatedPanel::endRequested, &m_live, &LiveBench::stop);
    connect(&m_live, &LiveBench::simulatedChanged, this, [this](const auto& controls) {
        m_simulated->show(controls);
        m_simulated->setVisible(true);
    });
    connect(&m_live, &LiveBench::changed, this, [this] {
        if (!m_live.isSimulated()) m_simulated->hide();
        if (!m_live.isLive() && isVisible()) offerKnown();
        placeTrace();
        placeBoiling();
    });
    connect(&m_live, &LiveBench::moved, this, &RunStation::showLive);
    connect(&m_live, &LiveBench::steadyReached, this, [this] {
        if (session().runId() && session().draftReading().isComplete()) capture();
    });
}

/// What the register knows of the rig's instruments: read when the page is shown, not at each change.
void RunStation::offerKnown() {
    QStringList names;
    if (m_controller.isOpen())
        for (const KnownInstrument& known : ownInstruments().heardOf(session().benchPlan().rig))
            names << onScreen(Text::data(known.name));
    m_liveCard->offerAgain(names.join(tr(" and ")));
}

void RunStation::listenAgain() {
    for (const KnownInstrument& known : ownInstruments().heardOf(session().benchPlan().rig)) {
        const auto profile =
            known.way.made.empty() ? profileWithId(known.way.profile) : readLiveProfile(known.way.made);
        if (profile)
            m_controller.report(
                m_live.listenAgain(onScreen(Text::data(known.name)), *profile, known.way.endpoint));
        else
            m_controller.tell(profile.error());
    }
}

/// Where the register has the rig's instrument, it keeps how that is listened to.
void RunStation::rememberWay(const LiveProfile& profile, const std::string& place) {
    const Rig& rig = session().benchPlan().rig;
    const InstrumentRegister own = ownInstruments();
    std::set<std::string> names;
    for (const auto& [quantity, name] : {std::pair{true, rig.gauge.name}, {false, rig.thermometer.name}})
        if (measures(profile, quantity)) names.insert(name);
    const auto shelf = own.shelf();
    if (std::ranges::none_of(shelf.instruments,
                             [&](const auto& known) { return names.contains(known.name); }))
        return;
    const auto id = idToFindAgain(profile);
    if (!id) {
        m_controller.report(id);
        return;
    }
    const std::string made = findProfile(*id) ? std::string() : writeLiveProfile(profile);
    for (const std::string& name : names)
        m_controller.report(own.addWay(name, {*id, made, place}));
    for (const KnownInstrument& known : own.heardOf(rig))
        m_controller.carryOut(&InstrumentCommands::keep, known); // with how it is listened to
}

void RunStation::showEvent(QShowEvent* event) {
    StationPage::showEvent(event);
    offerKnown();
}

bool RunStation::eventFilter(QObject* watched, QEvent* event) {
    if (watched == m_beside && event->type() == QEvent::Resize) placeTrace();
    return StationPage::eventFilter(watched, event);
}

/// Under the map where there is room for both.
void RunStation::placeTrace() {
    const int kRoomForBoth = scaled(740); // px, of the window
    const bool live = m_live.isLive(), under = live && window()->height() >= kRoomForBoth && !theme().large;
    m_trace->setVisible(under);
    const bool narrow = !under && m_beside->width() < scaled(430); // px: or the caution is a column of words
    m_below->setDirection(narrow ? QBoxLayout::TopToBottom : QBoxLayout::LeftToRight);
    m_shown->button(2)->setVisible(live && !under);
    if (m_shown->button(2)->isHidden() && m_shown->chosen() == 2) {
        m_shown->choose(0);
        m_beside->setCurrentIndex(0);
    }
}

void RunStation::showLive() {
    if (!isVisible()) return;
    placeTrace();
    m_reading->showLive(session().draft(), m_live.view());
    TraceChart* chart = m_trace->isVisible() ? m_trace : m_traceAlone;
    if (!chart->isVisible() || ++m_moves % 2 != 0)
        return;                      // a curve that is drawn each second is quick enough
    constexpr double kShown = 120.0; // s
    chart->show(traceViewOf(m_live, session(), kShown), traceClockOf(m_live, session()));
}

void RunStation::takeGaugeAsHeard() {
    Plan plan = session().plan();
    constexpr double kSimulated = 100.0; // Pa, of a gauge that steps by so much
    plan.rig.gauge =
        gaugeAsHeard(session().benchPlan().rig.gauge, m_live.trail().pressureQuantity(),
                     m_live.pressureStep(), m_live.isSimulated() ? std::optional(kSimulated) : std::nullopt);
    if (!m_controller.carryOut(&PlanCommands::changePlan, plan, Text::tr("Take the gauge as it is heard")))
        return;
    const auto run = session().runId();
    if (!run) return;
    // What was read with the gauge before keeps its meaning: such a run is not corrected, another one begins.
    if (session().model().readingsOf(*run).empty() && session().model().data().zeros.empty())
        m_controller.carryOut(&PlanCommands::correctRun, *run);
    else if (m_controller.carryOut(&RunCommands::startRun,
                                   session().model().group(*session().groupId()).name))
        m_controller.say(tr("Another run has begun: what was read with the gauge before keeps its meaning."));
}

void RunStation::showFlash() {
    const Text flash = flashWarning(session());
    m_target->warn(flash.empty() ? QString() : QStringLiteral("\u26A0 ") + onScreen(flash));
}

} // namespace uttrin::app
