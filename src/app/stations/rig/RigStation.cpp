#include "RigStation.h"

#include "GaugeCard.h"
#include "ReadOrderCard.h"
#include "RegisterCard.h"
#include "ThermometerCard.h"
#include "VesselCard.h"
#include "app/controller/Faces.h"
#include "app/controls/Grid.h"
#include "app/controls/Labels.h"
#include "app/controls/OnScreen.h"
#include "app/controls/ScrollColumn.h"
#include "app/controls/Segments.h"
#include "app/instruments/InstrumentPair.h"
#include "app/live/RigTestPage.h"
#include "app/map/PhaseMap.h"
#include "lesson/commands/InstrumentCommands.h"
#include "lesson/commands/PlanCommands.h"
#include "lesson/commands/SelectionCommands.h"
#include "lesson/views/MapView.h"
#include "lesson/views/RigView.h"
#include "plan/RigChanges.h"
#include "plan/RunSheet.h"

#include <QHBoxLayout>
#include <QPushButton>

namespace uttrin::app {

RigStation::RigStation(LessonController& controller, LiveBench& live) : StationPage(controller) {
    auto* whole = new QVBoxLayout(this);
    whole->setContentsMargins(grid::kAround);
    m_faces = new Faces(tr("What of the rig"), {tr("Rig"), tr("Tests")},
                        {tr("Instruments, vessel and method, as they are"),
                         tr("Leak test and pump-down, told in kelvin of the planned points")});
    whole->addWidget(m_faces);
    m_faces->addWidget(buildRig(m_faces->makeChoice(QStringLiteral("rigFace"))));
    m_faces->addWidget(
        new RigTestPage(controller, live, m_faces->makeChoice(QStringLiteral("rigFaceTests"))));
    m_faces->showFace(0);
    wire();
}

QWidget* RigStation::buildRig(QWidget* choice) {
    auto* page = new QWidget;
    auto* row = new QHBoxLayout(page);
    row->setContentsMargins(0, 0, 0, 0);
    row->setSpacing(grid::kMargin);
    row->addWidget(buildLeft(choice), 2);
    row->addLayout(buildRight(), 1);
    return page;
}

QWidget* RigStation::buildLeft(QWidget* choice) {
    auto* left = new ScrollColumn;
    left->setWidths(500, 560);
    left->column()->addWidget(choice, 0, Qt::AlignLeft);
    auto* method = new Card;
    method->column()->addWidget(makeLabel(tr("Method"), "title"));
    m_setup = new Segments(QStringLiteral("rigSetup"), tr("Set-up"), Segments::Rows::AsNeeded);
    method->column()->addWidget(m_setup);
    m_runNote = makeLabel({}, "note");
    m_runNote->setObjectName(QStringLiteral("runRigNote"));
    method->column()->addWidget(m_runNote);
    m_correct = new QPushButton(tr("Correct the set-up of this run"));
    m_correct->setObjectName(QStringLiteral("correctRun"));
    m_correct->setToolTip(tr("Works out the readings of this run with the rig as it stands here. The report "
                             "names the correction; Undo takes it back."));
    method->column()->addWidget(m_correct);
    auto* sealed = new QPushButton(tr("Third way: sealed cooling, in groups"));
    sealed->setObjectName(QStringLiteral("sealedCooling"));
    sealed->setToolTip(
        tr("No pump and no gauge: each group cools a shut flask, reads it and stamps whether it boils. "
           "Puts it into the lesson at Plan."));
    connect(sealed, &QPushButton::clicked, this, &RigStation::sealedCoolingRequested);
    method->column()->addWidget(sealed, 0, Qt::AlignLeft);
    left->column()->addWidget(method);
    m_register = new RegisterCard;
    left->column()->addWidget(m_register);
    m_gauge = new GaugeCard;
    left->column()->addWidget(m_gauge);
    m_thermometer = new ThermometerCard;
    left->column()->addWidget(m_thermometer);
    m_vessel = new VesselCard;
    left->column()->addWidget(m_vessel);
    m_order = new ReadOrderCard;
    left->column()->addWidget(m_order);
    left->column()->addStretch();
    return left;
}

QLayout* RigStation::buildRight() {
    auto* right = new QVBoxLayout;
    m_meaning = makeLabel({}, "note");
    m_meaning->setObjectName(QStringLiteral("rigMeaning"));
    right->addWidget(m_meaning);
    m_pair = new InstrumentPair;
    m_pair->setToolTip(tr("How both stand when the liquid boils: drag either, the other follows."));
    right->addWidget(m_pair, 1);
    m_map = new PhaseMap;
    right->addWidget(m_map, 1);
    return right;
}

void RigStation::wire() {
    connect(m_setup, &Segments::picked, this, [this](int index) {
        m_boils.reset();
        m_controller.carryOut(&SelectionCommands::selectSetup,
                              session().model().data().setups[static_cast<std::size_t>(index)].id);
    });
    connect(m_correct, &QPushButton::clicked, this, [this] {
        if (const auto run = session().runId()) m_controller.carryOut(&PlanCommands::correctRun, *run);
    });
    connect(m_register, &RegisterCard::picked, this, [this](const KnownInstrument& instrument) {
        m_controller.carryOut(&InstrumentCommands::take, instrument);
    });
    connect(m_register, &RegisterCard::kept, this, [this](const KnownInstrument& instrument) {
        m_controller.carryOut(&InstrumentCommands::keep, instrument);
    });
    connect(m_register, &RegisterCard::failed, this, [this](const Failure& f) { m_controller.tell(f); });
    connect(m_register, &RegisterCard::told, this,
            [this](const QString& sentence) { m_controller.say(sentence); });
    connect(m_order, &ReadOrderCard::picked, this, [this](const ReadOrder& order) {
        change([&](Plan& p) { p.rig.readOrder = order; }, Text::tr("Agree on a read order"));
    });
    connect(m_gauge, &GaugeCard::edited, this, &RigStation::apply);
    connect(m_gauge, &GaugeCard::told, this, [this](const QString& sentence) { m_controller.say(sentence); });
    connect(m_thermometer, &ThermometerCard::edited, this, &RigStation::apply);
    connect(m_thermometer, &ThermometerCard::paired, this, [this](double shown, double inside) {
        const auto corrected =
            correctedByPair(session().plan().rig.thermometer, shown, Temperature::fromCelsius(inside));
        if (!corrected) return m_controller.tell(corrected.error());
        change([&](Plan& p) { p.rig.thermometer = *corrected; },
               Text::tr("Correct the infrared thermometer"));
        m_controller.say(tr("The wall’s emissivity is %1.").arg(onScreen(corrected->emissivity, 3)));
    });
    connect(m_thermometer, &ThermometerCard::calibrated, this, &RigStation::calibrate);
    connect(m_vessel, &VesselCard::edited, this, &RigStation::apply);
    connect(m_vessel, &VesselCard::substanceChosen, this, &RigStation::changeSubstance);
    connect(m_vessel, &VesselCard::secondPartRequested, this,
            [this] { m_controller.carryOut(&PlanCommands::splitOffSolution); });
    connect(m_pair, &InstrumentPair::temperatureMoved, this, [this](double reading) {
        if (const auto t = boilsAtThermometer(session(), reading)) m_boils = *t;
        showMeaning();
    });
    connect(m_pair, &InstrumentPair::gaugeMoved, this, [this](const GaugeReading& reading) {
        if (const auto t = boilsAtGauge(session(), reading)) m_boils = *t;
        showMeaning();
    });
}

void RigStation::apply() {
    if (m_filling || !m_controller.isOpen()) return;
    Plan p = session().plan();
    PressureInstrument gauge = p.rig.gauge;
    m_gauge->take(gauge);
    const auto room = session().room();
    p = m_memory.withGauge(p, gauge, room ? std::optional(room->station) : std::nullopt);
    Thermometer thermometer = p.rig.thermometer;
    m_thermometer->take(thermometer);
    p.rig.thermometer = m_memory.withKind(p.rig.thermometer, thermometer);
    m_vessel->take(p);
    p.rig.alsoUnit = m_gauge->alsoUnit();
    m_controller.carryOut(&PlanCommands::changePlan, p, Text::tr("Change the rig"));
}

void RigStation::change(const std::function<void(Plan&)>& how, const Text& label) {
    Plan plan = session().plan();
    how(plan);
    m_controller.carryOut(&PlanCommands::changePlan, plan, label);
}

void RigStation::changeSubstance(const QString& id) {
    m_boils.reset();
    const auto changed = withSubstance(session().plan(), id.toStdString(), session().roomOrStandard());
    if (changed)
        m_controller.carryOut(&PlanCommands::changePlan, *changed, Text::tr("Change the liquid"));
    else
        m_controller.report(changed);
}

void RigStation::calibrate(std::optional<double> ice, std::optional<double> steam, bool alsoEarlier) {
    if (!ice && !steam) {
        m_controller.say(tr("Type what it shows in melting ice, in steam, or in both first."));
        return;
    }
    const auto done = m_controller.carryOut(&PlanCommands::calibrate, ice, steam, alsoEarlier);
    if (!done) return;
    m_thermometer->clearCalibration();
    m_controller.say(onScreen(*done));
}

void RigStation::showMeaning() {
    const RigMeaning meaning = rigMeaning(session(), m_boils);
    m_meaning->setText(onScreen(meaning.sentence));
    if (!meaning.gauge) return;
    m_pair->showGauge(*meaning.gauge);
    m_pair->showTemperature(meaning.thermometer);
}

void RigStation::refresh() {
    m_filling = true;
    const std::pair rig(session().setupId(), session().notebook().path());
    if (std::exchange(m_remembered, rig) != rig) m_memory.forget();
    const auto& setups = session().model().data().setups;
    const Plan& p = session().plan();
    QStringList names;
    int current = 0;
    for (std::size_t i = 0; i < setups.size(); ++i) {
        names << onScreen(Text::data(setups[i].name));
        if (setups[i].id == session().setupId()) current = static_cast<int>(i);
    }
    m_setup->setChoices(names);
    m_setup->choose(current);
    const Text note = runRigNote(session());
    m_runNote->setVisible(!note.empty());
    m_correct->setVisible(!note.empty());
    m_runNote->setText(onScreen(note));
    m_register->show(p.rig, m_controller.clock().now(), session().model().lesson().utcOffsetMin,
                     notebookInstruments(session().model()));
    m_order->show(p.rig.readOrder);
    m_gauge->show(p.rig.gauge);
    m_gauge->showAlsoUnit(p.rig.alsoUnit);
    m_thermometer->show(p.rig.thermometer, session().model().lesson().utcOffsetMin);
    m_vessel->show(p);
    m_pair->setInstruments(p.rig.gauge, p.rig.thermometer, session().roomOrStandard().pascal());
    showMeaning();
    m_map->show(mapView(session(), MapPurpose::Plan));
    m_filling = false;
}

} // namespace uttrin::app

#include "moc_RigStation.cpp"
