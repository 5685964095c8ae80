#include "RunStation.h"

#include "BoilingPicture.h"
#include "ReadingCard.h"
#include "TakenCard.h"
#include "TargetCard.h"
#include "app/conduct/ActInHand.h"
#include "app/conduct/ConductPage.h"
#include "app/controller/Dialogs.h"
#include "app/controller/Faces.h"
#include "app/controller/RunChoice.h"
#include "app/controls/FieldEdit.h"
#include "app/controls/FlowLayout.h"
#include "app/controls/Grid.h"
#include "app/controls/Labels.h"
#include "app/controls/OnScreen.h"
#include "app/controls/ScrollColumn.h"
#include "app/controls/Segments.h"
#include "app/controls/Theme.h"
#include "app/instruments/InstrumentPair.h"
#include "app/live/LiveCard.h"
#include "app/live/SimulatedPanel.h"
#include "app/live/TraceChart.h"
#include "app/live/TraceView.h"
#include "app/map/PhaseMap.h"
#include "lesson/commands/InstrumentCommands.h"
#include "lesson/commands/PlanCommands.h"
#include "lesson/commands/ReadingCommands.h"
#include "lesson/commands/RunCommands.h"
#include "lesson/commands/SelectionCommands.h"
#include "lesson/live/LiveView.h"
#include "lesson/views/BenchAids.h"
#include "lesson/views/MapView.h"
#include "lesson/views/RunView.h"
#include "register/InstrumentRegister.h"

#include <QHBoxLayout>
#include <QPushButton>
#include <QStackedWidget>

namespace uttrin::app {

RunStation::RunStation(LessonController& controller, ActInHand& hand, LiveBench& live)
    : StationPage(controller), m_hand(hand), m_live(live) {
    auto* whole = new QVBoxLayout(this);
    whole->setContentsMargins(grid::kAround);
    m_faces = new Faces(tr("What is conducted"), {tr("Lab"), tr("Acts")},
                        {tr("Points of the lab"), tr("The demonstrations of this lesson, step by step")});
    whole->addWidget(m_faces);
    m_toActs = m_faces->makeChoice(QStringLiteral("runFace"));
    m_faces->addWidget(buildBench());
    m_conduct = new ConductPage(controller, hand, m_faces->makeChoice(QStringLiteral("runFaceActs")));
    m_faces->addWidget(m_conduct);
    connect(m_conduct, &ConductPage::stripChanged, this, &RunStation::stripChanged);
    connect(m_faces, &Faces::picked, this, &RunStation::faceChanged);
    m_faces->showFace(0);
    wire();
    wireLive();
    wirePictures();
}

QWidget* RunStation::buildBench() {
    auto* page = new QWidget;
    auto* row = new QHBoxLayout(page);
    row->setContentsMargins(0, 0, 0, 0);
    row->setSpacing(grid::kMargin);
    auto* left = new QVBoxLayout;
    left->setSpacing(grid::kHalfStep);
    left->addWidget(buildRuns());
    m_beside = new QStackedWidget;
    m_beside->installEventFilter(this); // how wide it is decides what lies under it
    m_map = new PhaseMap;
    m_beside->addWidget(m_map);
    m_pair = new InstrumentPair;
    m_beside->addWidget(m_pair);
    m_traceAlone = new TraceChart;
    m_beside->addWidget(m_traceAlone);
    left->addWidget(m_beside, 3);
    m_trace = new TraceChart;
    m_trace->setObjectName(QStringLiteral("liveTraceChart"));
    m_trace->setMinimumHeight(scaled(130));
    m_trace->hide();
    left->addWidget(m_trace, 2);
    m_simulated = new SimulatedPanel;
    m_simulated->hide();
    left->addWidget(m_simulated);
    m_boiling = new BoilingPicture;
    left->addWidget(m_boiling);
    m_caution = makeLabel({}, "cautionText");
    m_caution->setObjectName(QStringLiteral("runCaution"));
    m_caution->setToolTip(tr("Local rules, the vessel maker’s rating and qualified staff come first. All "
                             "cautions stand on the Plan."));
    m_below = new QBoxLayout(QBoxLayout::LeftToRight);
    m_below->addWidget(m_caution, 1);
    m_shown = new Segments(QStringLiteral("runShown"), tr("What is shown beside the readings"));
    m_shown->setChoices({tr("Map"), tr("Instruments"), tr("Trace")});
    m_shown->choose(0);
    m_shown->button(2)->setToolTip(tr("What live instruments say, against the clock"));
    m_shown->button(2)->hide();
    m_shown->button(1)->setToolTip(
        tr("Your instruments as they look: drag them until they stand like those before you"));
    m_below->addWidget(m_shown);
    left->addLayout(m_below);
    row->addLayout(left, 1);
    m_right = new ScrollColumn;
    m_right->column()->setSpacing(grid::kStep);
    row->addWidget(m_right, 2);
    m_target = new TargetCard;
    m_right->column()->addWidget(m_target);
    m_liveCard = new LiveCard(m_live);
    m_right->column()->addWidget(m_liveCard);
    m_reading = new ReadingCard;
    m_right->column()->addWidget(m_reading);
    m_taken = new TakenCard;
    m_right->column()->addWidget(m_taken, 1);
    return page;
}

QWidget* RunStation::buildRuns() {
    FlowLayout* runs = FlowLayout::inRow();
    m_run = new RunChoice(m_controller, QStringLiteral("runChoice"));
    m_newGroup = new FieldEdit;
    m_newGroup->setObjectName(QStringLiteral("newGroup"));
    m_newGroup->setAccessibleName(tr("Group that starts a run"));
    m_newGroup->setUsualWidth(96);
    m_start = new QPushButton(tr("Start a run"));
    m_start->setObjectName(QStringLiteral("startRun"));
    runs->addFixed(m_toActs);
    runs->addFixed(m_run);
    runs->addFixed(besideLabel(tr("group"), m_newGroup));
    runs->addFixed(m_start);
    return runs->parentWidget();
}

void RunStation::wire() {
    connect(m_shown, &Segments::picked, m_beside, &QStackedWidget::setCurrentIndex);
    connect(m_pair, &InstrumentPair::gaugeMoved, m_reading, &ReadingCard::setGauge);
    connect(m_pair, &InstrumentPair::temperatureMoved, m_reading, &ReadingCard::setTemperature);
    connect(m_reading, &ReadingCard::edited, this, &RunStation::takeDraft);
    connect(m_reading, &ReadingCard::captureRequested, this, &RunStation::capture);
    connect(m_reading, &ReadingCard::keepRequested, this, [this] { settle(true); });
    connect(m_reading, &ReadingCard::bracketRequested, this, &RunStation::confirmBracket);
    connect(m_reading, &ReadingCard::noteRequested, this, &RunStation::askNote);
    connect(m_reading, &ReadingCard::stageRequested, this, [this](int stage) {
        takeDraft();
        if (m_controller.carryOut(&RunCommands::stampStage, static_cast<BoilingStage>(stage)))
            m_controller.say(
                tr("Stamped: %1.").arg(onScreen(Text::data(session().model().data().notes.back().text))));
    });
    connect(m_reading, &ReadingCard::insulated, this, [this](bool wrapped) {
        takeDraft();
        if (m_controller.carryOut(&RunCommands::insulate, wrapped))
            m_controller.say(wrapped ? tr("Stamped: points are marked as insulated from now on.")
                                     : tr("Stamped: points are no longer marked as insulated."));
    });
    connect(m_reading, &ReadingCard::heaterSet, this, [this] {
        takeDraft();
        m_controller.carryOut(&RunCommands::stampHeater);
    });
    connect(m_reading, &ReadingCard::topUpRequested, this, [this] {
        if (m_controller.carryOut(&RunCommands::topUp))
            m_controller.say(tr("Top-up stamped: let the pressure stand for some seconds before a point."));
    });
    connect(m_target, &TargetCard::pumpOnRequested, this, [this] {
        if (m_controller.carryOut(&RunCommands::pumpOn)) m_controller.say(tr("Stamped: the pump is on."));
    });
    connect(m_target, &TargetCard::advisedFilled, this, [this] {
        if (const auto filling = advisedFilling(session())) fill(*filling);
    });
    connect(m_target, &TargetCard::fillRequested, this, &RunStation::askFilling);
    m_minutes.setInterval(10'000); // ms: a pump warms up by minutes
    connect(&m_minutes, &QTimer::timeout, this, [this] { m_target->show(runView(session())); });
    connect(m_reading, &ReadingCard::stepDone, this, [this] {
        takeDraft();
        m_controller.carryOut(&BenchCommands::stepDone);
    });
    connect(m_reading, &ReadingCard::zeroRequested, this, &RunStation::checkZero);
    connect(m_reading, &ReadingCard::startRequested, this, &RunStation::stampStart);
    connect(m_start, &QPushButton::clicked, this, [this] { startRunFor(m_newGroup->text()); });
    connect(m_newGroup, &QLineEdit::returnPressed, this, [this] { startRunFor(m_newGroup->text()); });
    connect(m_target, &TargetCard::stepped, this,
            [this](int by) { m_controller.carryOut(&SelectionCommands::stepTarget, by); });
    connect(m_map, &PhaseMap::targetPicked, this, [this](int place) {
        m_controller.carryOut(&SelectionCommands::selectTarget, std::optional(place));
    });
    connect(m_map, &PhaseMap::pointPicked, m_taken, &TakenCard::choose);
    connect(m_taken, &TakenCard::strikeRequested, this, &RunStation::strikeSelected);
    connect(m_taken, &TakenCard::retakeRequested, this, &RunStation::retakeSelected);
    connect(m_taken, &TakenCard::zeroRequested, this, [this] {
        if (const auto id = m_taken->chosen()) m_controller.carryOut(&ReadingCommands::useLatestZero, *id);
    });
    connect(m_taken, &TakenCard::pictureRequested, this, [this] {
        if (const auto id = m_taken->chosen())
            emit pictureRequested(*id);
        else
            m_controller.say(tr("Choose the point in the list first."));
    });
}

void RunStation::takeDraft() { m_controller.setDraft(m_reading->typed()); }

void RunStation::setVigour(int vigour) { m_reading->setVigour(vigour); }

void RunStation::checkZero() {
    takeDraft();
    BenchDraft draft = session().draft();
    if (!draft.first) {
        m_controller.say(tr("Open the gauge to the room and type what it shows, then press Zero check."));
        m_reading->focusFirst();
        return;
    }
    const auto first = draft.first, second = draft.second;
    if (!m_controller.carryOut(&RunCommands::checkZero, *first, second)) return;
    draft.first.reset();
    draft.second.reset();
    m_controller.setDraft(draft);
    m_controller.refresh();
    const PressureInstrument& gauge = session().benchPlan().rig.gauge;
    const KnownInstrument::Zero zero{m_controller.clock().now(), {*first, second}};
    if (const auto kept = ownInstruments().addZero(gauge.name, zero); !kept) m_controller.tell(kept.error());
    m_controller.carryOut(&InstrumentCommands::addZero, std::string(gauge.name), zero);
    if (const Text jump = zeroJump(session()); !jump.empty())
        m_controller.complain(onScreen(jump));
    else
        m_controller.say(tr("Zero stored; it is taken off the readings from now on."));
}

bool RunStation::isOnActs() const { return m_faces->currentIndex() == 1; }

bool RunStation::showsAct() const { return isOnActs() && m_hand.isLive(); }

void RunStation::takeFocus() {
    if (m_faces->currentIndex() == 0)
        m_reading->focusFirst();
    else
        m_conduct->takeFocus();
}

void RunStation::stampStart() {
    takeDraft();
    BenchDraft draft = session().draft();
    if (!draft.temperature) {
        m_controller.say(
            tr("Type how warm the liquid is before anything is done to it, then press At the start."));
        m_reading->focusTemperature();
        return;
    }
    if (!m_controller.carryOut(&RunCommands::stampStart, *draft.temperature)) return;
    draft.temperature.reset();
    m_controller.setDraft(draft);
    m_controller.refresh();
    m_controller.say(tr("Start temperature stamped; the minutes still needed count from it."));
}

void RunStation::capture() {
    takeDraft();
    settle(false);
}

void RunStation::settle(bool keepOdd) {
    const auto outcome = m_controller.carryOut(&BenchCommands::capture, keepOdd);
    if (!outcome) return;
    if (outcome->asksWhetherShut) {
        m_reading->askWhetherShut();
        m_controller.say(
            tr("Was the pump shut off when both were read? Choose ‘shut off’ or ‘pulling’: then it "
               "is captured."));
        return;
    }
    if (!outcome->readingId) {
        m_reading->showFinding(outcome->finding, true);
        m_right->ensureWidgetVisible(m_reading->findingBox());
        // Enter again must not let a slip through.
        m_reading->focusMending();
        return;
    }
    m_reading->hideFinding();
    m_live.captured();
    const Text clock = clockWarning(session());
    if (clock.empty())
        m_controller.say(tr("Captured, and on disk."));
    else
        m_controller.complain(tr("Captured, and on disk. %1").arg(onScreen(clock)));
    m_reading->focusFirst();
}

void RunStation::confirmBracket() {
    takeDraft();
    const BenchDraft& d = session().draft();
    if (!d.first || !d.temperature) {
        m_controller.say(!session().bracketAwaitsRestart()
                             ? tr("Bleed until boiling stops, type both instruments, press Confirm.")
                             : tr("Pump until it boils again, type both instruments, press the button."));
        m_reading->focusFirst();
        return;
    }
    m_controller.carryOut(&BenchCommands::captureBracket);
}

void RunStation::fill(const Filling& filling) {
    if (m_controller.carryOut(&RunCommands::fill, filling))
        m_controller.say(tr("Stamped: %1.").arg(onScreen(chargeText(session()))));
}

void RunStation::askFilling(Filling::What what) {
    const auto grams = dialogs::askText(this, tr("Filled"), tr("How much, in grams:"), {});
    if (!grams) return;
    constexpr double kGrams = 1000.0;
    if (const auto typed = typedNumber(*grams))
        fill({what, *typed / kGrams});
    else
        m_controller.complain(
            tr("'%1' is not a mass in grams; type a number, for instance 120.").arg(*grams));
}

void RunStation::askNote() {
    QStringList phrases;
    for (const auto& p : readyPhrases())
        phrases << onScreen(p);
    const auto text = dialogs::askText(this, tr("Note"), tr("Stamped with the time:"), phrases);
    if (text) m_controller.carryOut(&RunCommands::addNote, text->toStdString());
}

void RunStation::startRunFor(const QString& group) {
    if (m_controller.carryOut(&RunCommands::startRun, group.trimmed().toStdString())) {
        m_newGroup->clear();
        m_reading->focusFirst();
    }
}

void RunStation::strikeSelected() {
    const auto id = m_taken->chosen();
    if (!id) {
        m_controller.say(tr("Choose the point to strike in the list first."));
        return;
    }
    strikeOrRestore(m_controller, *id, m_taken->isStruck(*id), this);
}

void RunStation::retakeSelected() {
    if (const auto id = m_taken->chosen())
        m_controller.carryOut(&ReadingCommands::retake, *id);
    else
        m_controller.say(tr("Choose the point to retake in the list first."));
}

void RunStation::showInstruments() {
    const BenchDraft& d = session().draft();
    m_pair->showGauge(d.first ? std::optional(GaugeReading{*d.first, d.second}) : std::nullopt);
    m_pair->showTemperature(d.temperature);
}

void RunStation::refreshDraft() {
    showInstruments();
    m_reading->showCarried(onScreen(carriedText(session())));
    // What is to be filled in counts from how warm the liquid is.
    if (session().benchPlan().method == Method::HoldTemperature) m_target->show(runView(session()));
    showFlash();
    m_map->show(mapView(session(), MapPurpose::Run));
    if (m_reading->showsFinding()) m_reading->showFinding(session().checkDraft(), m_reading->findingWaits());
}

void RunStation::refresh() {
    const bool hasActs = !m_hand.acts().empty();
    m_toActs->setVisible(hasActs);
    if (!hasActs) m_faces->showFace(0);
    const bool narrow = window()->width() < scaled(1200); // px: map and cards share little
    m_right->setWidths(scaled(!theme().large ? 440 : narrow ? 410 : 600), scaled(theme().large ? 628 : 512));
    m_target->setNarrow(theme().large && narrow);
    placeTrace();
    const Rig& rig = session().benchPlan().rig;
    m_reading->show(session());
    m_liveCard->showState();
    m_run->refresh(1);
    m_pair->setInstruments(rig.gauge, rig.thermometer, session().roomOrStandard().pascal());
    showInstruments();
    const RunView v = runView(session());
    m_target->show(v);
    const auto runs = pumpRunsFor(session());
    if (runs && *runs < session().plan().rig.warmUpMinutes)
        m_minutes.start();
    else
        m_minutes.stop();
    showFlash();
    m_caution->setText(QStringLiteral("\u26A0 ") + tr("Goggles on, shield up. Never warm a closed flask.") +
                       (v.scald.empty() ? QString() : QLatin1Char(' ') + onScreen(v.scald)));
    m_pair->showTarget(v.targetGauge, v.targetTemperature);
    showBoiling(v);
    m_reading->showRepeats(onScreen(v.repeats));
    m_reading->showCarried(onScreen(carriedText(session())));
    m_taken->show(v, asIs(readingUnit(rig.thermometer)));
    m_map->show(mapView(session(), MapPurpose::Run));
}

} // namespace uttrin::app

#include "moc_RunStation.cpp"
