#include "RigStation.h"

#include "ThermometerCard.h"
#include "app/controls/Card.h"
#include "app/controls/FieldEdit.h"
#include "app/controls/Labels.h"
#include "app/controls/NumberField.h"
#include "app/controls/OnScreen.h"
#include "app/controls/ScrollColumn.h"
#include "app/controls/Segments.h"
#include "app/instruments/InstrumentPair.h"
#include "app/map/PhaseMap.h"
#include "quantities/Rounding.h"
#include "substances/SubstanceLibrary.h"

#include <QCheckBox>
#include <QComboBox>
#include <QGridLayout>
#include <QHBoxLayout>
#include <QPushButton>

#include <cmath>

namespace uttrin::app {
namespace {

constexpr PressureConvention kConventions[] = {
    PressureConvention::GaugeNegative, PressureConvention::VacuumDepth,
    PressureConvention::Absolute,      PressureConvention::TwoArm,
    PressureConvention::ClosedTwoArm,  PressureConvention::ThermalConductivity};
constexpr NucleationAid kAids[] = {NucleationAid::Chips, NucleationAid::Stirrer, NucleationAid::None};

} // namespace

RigStation::RigStation(LessonController& controller) : StationPage(controller) {
    auto* row = new QHBoxLayout(this);
    row->setContentsMargins(20, 14, 16, 14);
    row->setSpacing(16);
    auto* left = new ScrollColumn;
    left->setWidths(530, 560);
    row->addWidget(left, 2);
    auto* method = new Card;
    method->column()->addWidget(makeLabel(tr("Method"), "title"));
    m_setup = new Segments(QStringLiteral("rigSetup"), Segments::Rows::AsNeeded);
    method->column()->addWidget(m_setup);
    left->column()->addWidget(method);
    left->column()->addWidget(buildGauge());
    m_thermometer = new ThermometerCard;
    left->column()->addWidget(m_thermometer);
    left->column()->addWidget(buildVessel());
    left->column()->addStretch();
    auto* right = new QVBoxLayout;
    m_meaning = makeLabel({}, "note");
    m_meaning->setObjectName(QStringLiteral("rigMeaning"));
    right->addWidget(m_meaning);
    m_pair = new InstrumentPair;
    m_pair->setToolTip(tr("How both stand when the liquid boils: drag either, the other follows."));
    right->addWidget(m_pair, 1);
    m_map = new PhaseMap;
    right->addWidget(m_map, 1);
    row->addLayout(right, 1);
    connect(m_pair, &InstrumentPair::temperatureMoved, this, [this](double reading) {
        if (const auto t = toTemperature(session().plan().rig.thermometer, reading)) m_boils = t->temperature;
        showMeaning();
    });
    connect(m_pair, &InstrumentPair::gaugeMoved, this, [this](const GaugeReading& reading) {
        const auto p = toAbsolute(session().plan().rig.gauge, reading, session().room());
        const auto boils = p ? liquidOf(session().plan()).boilingPoint(p->pressure)
                             : Result<Temperature>(tl::unexpected(Failure{}));
        if (boils) m_boils = *boils;
        showMeaning();
    });
    wire();
}

QWidget* RigStation::buildGauge() {
    auto* card = new Card;
    card->column()->addWidget(makeLabel(tr("Pressure instrument"), "heading"));
    m_convention = new Segments(QStringLiteral("gaugeConvention"), Segments::Rows::AsNeeded);
    m_convention->setChoices({tr("Gauge, − below room"), tr("Vacuum depth, +"), tr("Absolute"),
                              tr("U-tube, open arm"), tr("U-tube, closed arm"), tr("Heat conduction")});
    card->column()->addWidget(
        makeLabel(tr("What do its numbers count? Declared once, never asked again."), "muted"));
    card->column()->addWidget(m_convention);
    m_conventionNote = makeLabel({}, "muted");
    card->column()->addWidget(m_conventionNote);
    auto* grid = new QGridLayout;
    grid->setHorizontalSpacing(14);
    m_gaugeName = nameEdit("gaugeName", tr("Name of the pressure instrument"));
    m_gaugeUnit = new QComboBox;
    m_gaugeUnit->setObjectName(QStringLiteral("gaugeUnit"));
    m_gaugeUnit->setAccessibleName(tr("Unit of the pressure instrument"));
    m_division = new NumberField(tr("Smallest division"), {}, QStringLiteral("gaugeDivision"));
    m_accuracy = new NumberField(tr("Accuracy ±"), {}, QStringLiteral("gaugeAccuracy"));
    m_armSum = new NumberField(tr("Arms add up to"), {}, QStringLiteral("gaugeArmSum"));
    m_liquidTemperature =
        new NumberField(tr("Its liquid at"), QStringLiteral("°C"), QStringLiteral("gaugeLiquidTemperature"));
    m_tap = new Segments(QStringLiteral("gaugeTap"));
    m_tap->setChoices({tr("the vessel"), tr("the pump line")});
    grid->addLayout(labelled(tr("Name"), m_gaugeName), 0, 0);
    grid->addLayout(labelled(tr("Unit"), m_gaugeUnit), 0, 1);
    grid->addWidget(m_division, 0, 2);
    grid->addWidget(m_accuracy, 0, 3);
    grid->addLayout(labelled(tr("Gauge connected at"), m_tap), 1, 0, 1, 2);
    grid->addWidget(m_armSum, 1, 2);
    grid->addWidget(m_liquidTemperature, 1, 3);
    m_tubeLiquid = new QComboBox;
    m_tubeLiquid->setObjectName(QStringLiteral("gaugeLiquid"));
    m_tubeLiquid->setAccessibleName(tr("Liquid in the U-tube"));
    for (const auto& [liquid, label] : {std::pair{ManometerLiquid::Mercury, tr("mercury")},
                                        {ManometerLiquid::Water, tr("water")},
                                        {ManometerLiquid::Oil, tr("oil")}})
        m_tubeLiquid->addItem(label, onScreen(id(liquid)));
    m_oilDensity = new NumberField(tr("Oil at 20 °C"), QStringLiteral("kg/m³"), QStringLiteral("oilDensity"));
    m_gas = new QComboBox;
    m_gas->setObjectName(QStringLiteral("gaugeGas"));
    m_gas->setAccessibleName(tr("Gas that the gauge really sees"));
    for (const GasFactor& g : gasFactors())
        m_gas->addItem(
            tr("%1, × %2")
                .arg(onScreen(g.gas).replace(QLatin1Char('-'), QLatin1Char(' ')), onScreen(g.factor, 2)),
            onScreen(g.gas));
    m_tubeLiquidBox = new QWidget;
    m_tubeLiquidBox->setLayout(labelled(tr("Filled with"), m_tubeLiquid));
    m_gasBox = new QWidget;
    m_gasBox->setLayout(labelled(tr("Gas at the gauge"), m_gas));
    m_display = new Segments(QStringLiteral("gaugeDisplay"));
    m_display->setChoices({tr("a needle"), tr("figures")});
    m_displayBox = new QWidget;
    m_displayBox->setLayout(labelled(tr("Shows it with"), m_display));
    for (QWidget* box : {m_tubeLiquidBox, m_gasBox, m_displayBox})
        box->layout()->setContentsMargins(0, 0, 0, 0);
    grid->addWidget(m_tubeLiquidBox, 2, 0);
    grid->addWidget(m_oilDensity, 2, 1, 1, 2);
    grid->addWidget(m_gasBox, 2, 0, 1, 2);
    grid->addWidget(m_displayBox, 1, 2, 1, 2); // where a tube has its arms
    m_spanLow = new NumberField(tr("Scale from"), {}, QStringLiteral("gaugeSpanLow"));
    m_spanHigh = new NumberField(tr("to"), {}, QStringLiteral("gaugeSpanHigh"));
    m_class = new NumberField(tr("Class, of the span"), QStringLiteral("%"), QStringLiteral("gaugeClass"));
    m_class->setToolTip(tr("Accuracy class as printed on the dial: limits of error in percent of its span"));
    for (NumberField* f : {m_spanLow, m_spanHigh})
        f->setPlaceholder(tr("auto"));
    m_class->setPlaceholder(tr("not stated"));
    grid->addWidget(m_spanLow, 3, 0);
    grid->addWidget(m_spanHigh, 3, 1, 1, 2);
    grid->addWidget(m_class, 3, 3);
    card->column()->addLayout(grid);
    return card;
}

QWidget* RigStation::buildVessel() {
    auto* card = new Card;
    card->column()->addWidget(makeLabel(tr("Vessel, heat and pump"), "heading"));
    auto* grid = new QGridLayout;
    grid->setHorizontalSpacing(10);
    m_vessel = new NumberField(tr("Vessel"), QStringLiteral("L"), QStringLiteral("vesselVolume"));
    m_substance = new QComboBox;
    m_substance->setObjectName(QStringLiteral("substance"));
    m_substance->setAccessibleName(tr("Liquid"));
    for (const Substance* s : substances())
        m_substance->addItem(onScreen(s->facts().name), QString::fromStdString(s->facts().id));
    m_liquid = new NumberField(tr("Amount"), QStringLiteral("L"), QStringLiteral("liquidVolume"));
    m_depth = new NumberField(tr("Depth"), QStringLiteral("cm"), QStringLiteral("liquidDepth"));
    m_heater = new NumberField(tr("Heater"), QStringLiteral("W"), QStringLiteral("heaterPower"));
    m_pump = new NumberField(tr("Pump speed"), QStringLiteral("L/min"), QStringLiteral("pumpSpeed"));
    m_floor = new NumberField(tr("Pump floor, abs."), QStringLiteral("kPa"), QStringLiteral("pumpFloor"));
    grid->addLayout(labelled(tr("Liquid"), m_substance), 0, 0);
    grid->addWidget(m_liquid, 0, 1);
    grid->addWidget(m_depth, 0, 2);
    grid->addWidget(m_vessel, 0, 3);
    grid->addWidget(m_pump, 1, 0);
    grid->addWidget(m_floor, 1, 1);
    grid->addWidget(m_heater, 1, 2);
    card->column()->addLayout(grid);
    m_solute = new QComboBox;
    m_solute->setObjectName(QStringLiteral("solute"));
    m_solute->setAccessibleName(tr("Dissolved in it"));
    for (const auto& [kind, label] : {std::pair{SoluteKind::None, tr("nothing")},
                                      {SoluteKind::SodiumChloride, tr("sodium chloride")},
                                      {SoluteKind::Sucrose, tr("sugar (sucrose)")},
                                      {SoluteKind::Ideal, tr("another solute, dilute")},
                                      {SoluteKind::Ethanol, tr("ethanol, mixed")},
                                      {SoluteKind::Methanol, tr("methanol, mixed")},
                                      {SoluteKind::Acetone, tr("acetone, mixed")}})
        m_solute->addItem(label, onScreen(id(kind)));
    m_soluteAmount = new NumberField(tr("How much"), {}, QStringLiteral("soluteAmount"));
    m_soluteFactor = new NumberField(tr("van 't Hoff i"), {}, QStringLiteral("soluteFactor"));
    m_secondPart = new QPushButton(tr("Make it a second part"));
    m_secondPart->setObjectName(QStringLiteral("secondPart"));
    m_secondPart->setToolTip(
        tr("Adds the same run with this solution as a plan of its own, and leaves the present plan with the "
           "pure liquid"));
    grid->addLayout(labelled(tr("Dissolved in it"), m_solute), 2, 0);
    grid->addWidget(m_soluteAmount, 2, 1);
    grid->addWidget(m_soluteFactor, 2, 2);
    grid->addWidget(m_secondPart, 3, 0, 1, 2);
    for (QComboBox* c : {m_substance, m_solute}) { // or the longest name widens the page
        c->setSizeAdjustPolicy(QComboBox::AdjustToMinimumContentsLengthWithIcon);
        c->setMinimumContentsLength(10);
    }
    auto* aidRow = new QHBoxLayout;
    m_aid = new Segments(QStringLiteral("nucleationAid"));
    m_aid->setChoices({tr("boiling chips"), tr("stirrer"), tr("nothing")});
    m_fresh = new QCheckBox(tr("fresh for this run"));
    m_fresh->setObjectName(QStringLiteral("nucleationFresh"));
    m_fresh->setToolTip(tr("Boiling chips work once: their air is gone after the first boil."));
    aidRow->addWidget(m_aid);
    aidRow->addWidget(m_fresh);
    aidRow->addStretch();
    card->column()->addWidget(makeLabel(tr("What helps bubbles start"), "muted"));
    card->column()->addLayout(aidRow);
    return card;
}

void RigStation::wire() {
    connect(m_setup, &Segments::picked, this, [this](int index) {
        m_boils.reset();
        session().selectSetup(session().model().data().setups[static_cast<std::size_t>(index)].id);
        m_controller.refresh();
    });
    connect(m_convention, &Segments::picked, this, [this](int index) {
        fillUnits(kConventions[index]);
        apply();
    });
    for (Segments* s : {m_tap, m_display, m_aid})
        connect(s, &Segments::picked, this, &RigStation::apply);
    for (QComboBox* c : {m_gaugeUnit, m_tubeLiquid, m_gas})
        connect(c, &QComboBox::currentIndexChanged, this, &RigStation::apply);
    connect(m_gaugeName, &QLineEdit::editingFinished, this, &RigStation::apply);
    connect(m_thermometer, &ThermometerCard::edited, this, &RigStation::apply);
    connect(m_thermometer, &ThermometerCard::calibrated, this, &RigStation::calibrate);
    connect(m_class, &NumberField::committed, this, [this] {
        const double span = std::abs(m_spanHigh->value().value_or(0.0) - m_spanLow->value().value_or(0.0));
        if (!(span > 0.0))
            m_controller.say(tr("A class counts from the span: type the ends of the scale first."));
        else if (const auto percent = m_class->value())
            m_accuracy->setValue(0.01 * *percent * span);
        apply();
    });
    for (NumberField* f : {m_spanLow, m_spanHigh, m_division, m_accuracy, m_armSum, m_liquidTemperature,
                           m_oilDensity, m_vessel, m_liquid, m_depth, m_heater, m_pump, m_floor})
        connect(f, &NumberField::committed, this, &RigStation::apply);
    connect(m_fresh, &QCheckBox::clicked, this, &RigStation::apply);
    for (NumberField* f : {m_soluteAmount, m_soluteFactor})
        connect(f, &NumberField::committed, this, &RigStation::apply);
    connect(m_solute, &QComboBox::activated, this, [this] {
        const auto kind = chosenSolute().kind;
        m_soluteAmount->setValue(byMassFraction(kind) ? 20.0 : 1.0);
        m_soluteFactor->setValue(1.0);
        apply();
    });
    connect(m_secondPart, &QPushButton::clicked, this, [this] {
        const Solute solute = session().plan().solute;
        Plan pure = session().plan();
        pure.solute = {};
        const auto changed = session().changePlan(pure, tr("Change the rig").toStdString());
        if (changed)
            m_controller.report(session().addSolutionPart(solute));
        else
            m_controller.report(changed);
    });
    connect(m_substance, &QComboBox::activated, this, [this] {
        m_boils.reset();
        const auto changed =
            withSubstance(session().plan(), m_substance->currentData().toString().toStdString(),
                          session().roomOrStandard());
        const bool taken = !session().model().runsOf(session().setupId()).empty();
        if (m_controller.report(changed
                                    ? session().changePlan(*changed, tr("Change the liquid").toStdString())
                                    : Result<void>(tl::unexpected(changed.error()))) &&
            taken)
            m_controller.say(tr("The readings of this plan are now worked out as %1. Undo takes that back.")
                                 .arg(m_substance->currentText()));
    });
}

void RigStation::fillUnits(PressureConvention convention) {
    const QSignalBlocker quiet(m_gaugeUnit);
    const QString before = m_gaugeUnit->currentData().toString();
    m_gaugeUnit->clear();
    for (const Unit& u : unitsOf(hasTwoArms(convention) ? Dimension::Length : Dimension::Pressure)) {
        if (u.symbol == "km" || u.symbol == "ft" || (u.symbol == "m" && hasTwoArms(convention))) continue;
        m_gaugeUnit->addItem(onScreen(u.display), onScreen(u.symbol));
    }
    const int same = m_gaugeUnit->findData(before);
    m_gaugeUnit->setCurrentIndex(
        same >= 0
            ? same
            : m_gaugeUnit->findData(hasTwoArms(convention) ? QStringLiteral("cm") : QStringLiteral("kPa")));
}

void RigStation::apply() {
    if (m_filling || !m_controller.isOpen()) return;
    Plan p = session().plan();
    const auto take = [](const NumberField* f, double& into) {
        if (const auto v = f->value()) into = *v;
    };
    auto& g = p.rig.gauge;
    const auto before = g;
    g.convention = kConventions[std::max(0, m_convention->chosen())];
    g.unit = m_gaugeUnit->currentData().toString().toStdString();
    g.name = m_gaugeName->text().trimmed().toStdString();
    g.tap = m_tap->chosen() == 1 ? PressureTap::PumpLine : PressureTap::Vessel;
    take(m_division, g.division);
    take(m_accuracy, g.accuracy);
    take(m_armSum, g.armSum);
    g.digital = m_display->chosen() == 1;
    g.spanLow = m_spanLow->value().value_or(0.0);
    g.spanHigh = m_spanHigh->value().value_or(0.0);
    take(m_liquidTemperature, g.liquidCelsius);
    take(m_oilDensity, g.oilDensity20);
    g.liquid = manometerLiquidFromId(m_tubeLiquid->currentData().toString().toStdString()).value_or(g.liquid);
    g.gas = m_gas->currentData().toString().toStdString();
    if (hasTwoArms(g.convention) && !hasTwoArms(before.convention)) {
        g.name = tr("U-tube").toStdString();
        g.division = g.accuracy = unit("mm").factor / unit(g.unit).factor;
        g.spanLow = g.spanHigh = 0.0;
        if (!(g.armSum > 0.0)) g.armSum = 0.82 / unit(g.unit).factor;
    } else if (hasTwoArms(before.convention) && !hasTwoArms(g.convention)) {
        g.name = tr("vacuum gauge").toStdString();
        g.division = g.accuracy = 1e3 / unit(g.unit).factor;
    } else if (before.unit != g.unit) { // the same instrument with its scale in another unit
        const double factor = unit(before.unit).factor / unit(g.unit).factor;
        for (double* v : {&g.division, &g.accuracy, &g.armSum, &g.spanLow, &g.spanHigh})
            *v = QString::number(*v * factor, 'g', 2).toDouble();
    }
    if (p.ladder.spacing == Spacing::DialSteps &&
        (before.unit != g.unit || before.convention != g.convention)) {
        if (const auto room = session().room()) {
            const auto kept = withSpacing(session().plan(), Spacing::Pressure, room->station);
            if (kept) p.ladder = *kept;
        }
    }
    m_thermometer->take(p.rig.thermometer);
    take(m_vessel, p.rig.vesselLitre);
    take(m_liquid, p.rig.liquidLitre);
    take(m_depth, p.rig.depthCm);
    take(m_heater, p.rig.heaterWatt);
    take(m_pump, p.rig.pumpLitrePerMinute);
    if (const auto floor = m_floor->value()) p.rig.pumpUltimatePa = *floor * 1e3;
    p.solute = chosenSolute();
    p.rig.aid = kAids[std::max(0, m_aid->chosen())];
    p.rig.aidFresh = m_fresh->isChecked();
    m_controller.report(session().changePlan(p, tr("Change the rig").toStdString()));
}

void RigStation::calibrate(std::optional<double> ice, std::optional<double> steam, bool alsoEarlier) {
    if (!ice || !steam) {
        m_controller.say(tr("Type what it shows in melting ice and in steam first."));
        return;
    }
    const auto done = session().calibrate(*ice, *steam, alsoEarlier);
    if (!m_controller.report(done)) return;
    m_thermometer->clearCalibration();
    m_controller.say(onScreen(*done));
}

Solute RigStation::chosenSolute() const {
    Solute s;
    s.kind = soluteKindFromId(m_solute->currentData().toString().toStdString()).value_or(SoluteKind::None);
    constexpr double kPercent = 100.0;
    s.amount = m_soluteAmount->value().value_or(0.0) / (byMassFraction(s.kind) ? kPercent : 1.0);
    s.factor = m_soluteFactor->value().value_or(1.0);
    if (s.kind == SoluteKind::None) s = {};
    return s;
}

void RigStation::showSolute(const Plan& plan) {
    const Solute& s = plan.solute;
    const bool some = s.kind != SoluteKind::None, mass = byMassFraction(s.kind);
    m_solute->setCurrentIndex(m_solute->findData(onScreen(id(s.kind))));
    m_soluteAmount->setVisible(some);
    m_soluteAmount->setUnit(mass ? tr("% by mass") : tr("mol/kg"));
    m_soluteAmount->setValue(some ? std::optional(mass ? 100.0 * s.amount : s.amount) : std::nullopt);
    m_soluteFactor->setVisible(s.kind == SoluteKind::Ideal);
    m_soluteFactor->setValue(s.factor);
    m_secondPart->setVisible(some);
}

void RigStation::showMeaning() {
    const auto& g = session().plan().rig.gauge;
    const auto room = session().room();
    if (!room && countsFromRoom(g.convention)) {
        m_meaning->setText(tr("This gauge counts from the room's pressure. Enter that at the Room station "
                              "(Ctrl+1), and this line says what the dial means."));
        return;
    }
    const Pressure here = room ? room->station : Pressure::fromKilopascal(101.325);
    const Substance& liquid = substanceOf(session().plan());
    constexpr double kBelowNormal = 40.0; // K, a boiling point that a lesson would choose: 60 degC for water
    const double usual =
        10.0 * std::round((liquid.facts().normalBoilingPoint.celsius() - kBelowNormal) / 10.0);
    const Temperature boils = m_boils.value_or(Temperature::fromCelsius(usual));
    const Liquid boiling = liquidOf(session().plan());
    const auto example = boiling.vapourPressure(boils);
    if (!example) {
        m_meaning->setText(onScreen(example.error().message));
        return;
    }
    const QString u = onScreen(unitText(g));
    const GaugeReading shown = toReadableReading(g, *example, here);
    m_pair->showGauge(shown);
    m_pair->showTemperature(toReading(session().plan().rig.thermometer, boils));
    m_meaning->setText(
        tr("Open to the room it shows %1 %3. When %5 at %6 °C (%4 kPa absolute) it shows %2 %3.")
            .arg(onScreen(uttrin::text(g, toReadableReading(g, here, here))),
                 onScreen(uttrin::text(g, shown)), u, onScreen(example->kilopascal(), 1),
                 onScreen(boiling.name()) + (boils < liquid.facts().triple ? tr(" sublimes") : tr(" boils")),
                 onScreen(boils.celsius(), m_boils ? 1 : 0)));
}

void RigStation::refresh() {
    m_filling = true;
    const auto& setups = session().model().data().setups;
    const Plan& p = session().plan();
    QStringList names;
    int current = 0;
    for (std::size_t i = 0; i < setups.size(); ++i) {
        names << QString::fromStdString(setups[i].name);
        if (setups[i].id == session().setupId()) current = static_cast<int>(i);
    }
    m_setup->setChoices(names);
    m_setup->choose(current);
    const auto& g = p.rig.gauge;
    fillUnits(g.convention);
    m_convention->choose(indexOf(kConventions, g.convention));
    const QString conventions[] = {
        tr("Shows 0 open to the room, −0.7 when the vessel is 0.7 below it."),
        tr("Shows 0 open to the room, 70 when the vessel is 70 below it."),
        tr("Shows 0 in a perfect vacuum, the room's pressure when open."),
        tr("Left arm towards the vessel, right arm open to the room. Read both on "
           "the ruler; nobody subtracts."),
        tr("Closed arm first, then the arm towards the vessel: their difference is the absolute "
           "pressure, whatever the room does."),
        tr("Reads by how well the gas conducts heat, and is right for air only: over boiling "
           "water it sees vapour. Good below about 1 hPa.")};
    m_conventionNote->setText(conventions[std::max(0, m_convention->chosen())]);
    {
        const QSignalBlocker quietGauge(m_gaugeUnit), quietLiquid(m_substance), quietTube(m_tubeLiquid),
            quietGas(m_gas);
        m_tubeLiquid->setCurrentIndex(m_tubeLiquid->findData(onScreen(id(g.liquid))));
        m_gas->setCurrentIndex(m_gas->findData(QString::fromStdString(g.gas)));
        m_substance->setCurrentIndex(m_substance->findData(QString::fromStdString(p.substance)));
        m_gaugeUnit->setCurrentIndex(m_gaugeUnit->findData(QString::fromStdString(g.unit)));
    }
    m_gaugeName->setText(QString::fromStdString(g.name));
    if (!m_gaugeName->hasFocus()) m_gaugeName->setCursorPosition(0);
    const QString u = onScreen(unitText(g));
    m_division->setUnit(u);
    m_accuracy->setUnit(u);
    m_armSum->setUnit(u);
    m_division->setValue(g.division);
    m_accuracy->setValue(g.accuracy);
    m_armSum->setValue(g.armSum);
    m_liquidTemperature->setValue(g.liquidCelsius);
    const bool twoArm = hasTwoArms(g.convention);
    const double span = std::abs(g.spanHigh - g.spanLow);
    const bool declared = span > 0.0;
    for (NumberField* f : {m_spanLow, m_spanHigh, m_class})
        f->setVisible(!twoArm);
    m_spanLow->setUnit(u);
    m_spanHigh->setUnit(u);
    m_spanLow->setValue(declared ? std::optional(g.spanLow) : std::nullopt);
    m_spanHigh->setValue(declared ? std::optional(g.spanHigh) : std::nullopt);
    m_class->setValue(declared ? std::optional(100.0 * g.accuracy / span) : std::nullopt);
    m_armSum->setVisible(twoArm);
    m_liquidTemperature->setVisible(twoArm);
    m_tubeLiquidBox->setVisible(twoArm);
    m_oilDensity->setVisible(twoArm && g.liquid == ManometerLiquid::Oil);
    m_oilDensity->setValue(g.oilDensity20);
    m_gasBox->setVisible(g.convention == PressureConvention::ThermalConductivity);
    m_displayBox->setVisible(!twoArm);
    m_display->choose(g.digital ? 1 : 0);
    m_tap->choose(g.tap == PressureTap::PumpLine ? 1 : 0);
    m_thermometer->show(p.rig.thermometer, session().model().lesson().utcOffsetMin);
    m_vessel->setValue(p.rig.vesselLitre);
    m_liquid->setValue(p.rig.liquidLitre);
    m_depth->setValue(p.rig.depthCm);
    m_heater->setValue(p.rig.heaterWatt);
    m_heater->setVisible(p.method == Method::HoldPressure);
    m_pump->setValue(p.rig.pumpLitrePerMinute);
    m_floor->setValue(p.rig.pumpUltimatePa * 1e-3);
    m_aid->choose(indexOf(kAids, p.rig.aid));
    m_fresh->setChecked(p.rig.aidFresh);
    m_fresh->setVisible(p.rig.aid == NucleationAid::Chips);
    showSolute(p);
    m_pair->setInstruments(g, p.rig.thermometer, session().roomOrStandard().pascal());
    showMeaning();
    m_map->show(mapView(session(), MapPurpose::Plan));
    m_filling = false;
}

} // namespace uttrin::app

#include "moc_RigStation.cpp"
