#include "VesselCard.h"

#include "app/controls/FlowLayout.h"
#include "app/controls/Grid.h"
#include "app/controls/Labels.h"
#include "app/controls/NumberField.h"
#include "app/controls/OnScreen.h"
#include "app/controls/Segments.h"
#include "plan/RigChanges.h"
#include "substances/SubstanceLibrary.h"

#include <QCheckBox>
#include <QComboBox>
#include <QGridLayout>
#include <QHBoxLayout>
#include <QPushButton>

namespace uttrin::app {
namespace {

constexpr NucleationAid kAids[] = {NucleationAid::Chips, NucleationAid::Stirrer, NucleationAid::None};
constexpr HeatSource kHeats[] = {HeatSource::Mantle, HeatSource::HotPlate, HeatSource::WaterBath};
constexpr double kPercent = 100.0;

} // namespace

VesselCard::VesselCard() {
    buildVessel();
    buildSolute();
    buildSources();
    buildAid();
    wire();
}

void VesselCard::buildVessel() {
    column()->addWidget(makeLabel(tr("Vessel, heat and pump"), "heading"));
    auto* grid = m_grid = new QGridLayout;
    grid->setHorizontalSpacing(grid::kStep);
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
    m_warmUp = new NumberField(tr("Pump warms up"), tr("min"), QStringLiteral("pumpWarmUp"));
    m_warmUp->setToolTip(
        tr("Until it reaches its floor; Run counts the minutes from when it was switched on"));
    m_bore = new NumberField(tr("Tube to pump, bore"), QStringLiteral("mm"), QStringLiteral("tubeBore"));
    m_bore->setToolTip(
        tr("Tells by how much at most a gauge on the pump line reads low while the pump pulls"));
    m_length = new NumberField(tr("Its length"), QStringLiteral("m"), QStringLiteral("tubeLength"));
    m_bore->setPlaceholder(tr("not known"));
    m_warmUp->setPlaceholder(tr("none"));
    grid->addWidget(m_warmUp, 1, 3);
    grid->addWidget(m_bore, 2, 0);
    grid->addWidget(m_length, 2, 1);
    column()->addLayout(grid);
}

void VesselCard::buildSources() {
    FlowLayout* sources = FlowLayout::inRow();
    m_heat = new Segments(QStringLiteral("heatSource"), tr("Heated by"));
    m_heat->setChoices({tr("heating mantle"), tr("hot plate"), tr("water bath")});
    m_pumpKind = new Segments(QStringLiteral("pumpKind"), tr("Pump"));
    m_pumpKind->setChoices({tr("motor pump"), tr("hand pump")});
    sources->addWidget(m_heat);
    sources->addWidget(m_pumpKind);
    column()->addWidget(sources->parentWidget());
}

void VesselCard::buildSolute() {
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
        m_solute->addItem(label, asIs(id(kind)));
    m_soluteAmount = new NumberField(tr("How much"), {}, QStringLiteral("soluteAmount"));
    m_soluteFactor = new NumberField(tr("van 't Hoff i"), {}, QStringLiteral("soluteFactor"));
    m_secondPart = new QPushButton(tr("Make it a second part"));
    m_secondPart->setObjectName(QStringLiteral("secondPart"));
    m_secondPart->setToolTip(
        tr("Adds the same run with this solution as a plan of its own, and leaves the present plan with the "
           "pure liquid"));
    m_grid->addLayout(labelled(tr("Dissolved in it"), m_solute), 3, 0);
    m_grid->addWidget(m_soluteAmount, 3, 1);
    m_grid->addWidget(m_soluteFactor, 3, 2);
    m_grid->addWidget(m_secondPart, 4, 0, 1, 2);
    for (QComboBox* c : {m_substance, m_solute}) { // or the longest name widens the page
        c->setSizeAdjustPolicy(QComboBox::AdjustToMinimumContentsLengthWithIcon);
        c->setMinimumContentsLength(10);
    }
}

void VesselCard::buildAid() {
    auto* aidRow = new QHBoxLayout;
    m_aid = new Segments(QStringLiteral("nucleationAid"), tr("Against superheat"));
    m_aid->setChoices({tr("boiling chips"), tr("stirrer"), tr("nothing")});
    m_fresh = new QCheckBox(tr("fresh for this run"));
    m_fresh->setObjectName(QStringLiteral("nucleationFresh"));
    m_fresh->setToolTip(tr("Boiling chips work once: their air is gone after the first boil."));
    aidRow->addWidget(m_aid);
    aidRow->addWidget(m_fresh);
    aidRow->addStretch();
    column()->addWidget(makeLabel(tr("What helps bubbles start"), "muted"));
    column()->addLayout(aidRow);
}

void VesselCard::wire() {
    for (Segments* s : {m_aid, m_heat, m_pumpKind})
        connect(s, &Segments::picked, this, &VesselCard::edited);
    for (NumberField* f : {m_vessel, m_liquid, m_depth, m_heater, m_pump, m_floor, m_warmUp, m_bore, m_length,
                           m_soluteAmount, m_soluteFactor})
        connect(f, &NumberField::committed, this, &VesselCard::edited);
    connect(m_fresh, &QCheckBox::clicked, this, &VesselCard::edited);
    connect(m_solute, &QComboBox::activated, this, [this] {
        const Solute usual = usualSolute(chosenSolute().kind);
        m_soluteAmount->setValue(usual.amount * (byMassFraction(usual.kind) ? kPercent : 1.0));
        m_soluteFactor->setValue(usual.factor);
        emit edited();
    });
    connect(m_secondPart, &QPushButton::clicked, this, &VesselCard::secondPartRequested);
    connect(m_substance, &QComboBox::activated, this,
            [this] { emit substanceChosen(m_substance->currentData().toString()); });
}

void VesselCard::take(Plan& p) const {
    m_vessel->putInto(p.rig.vesselLitre);
    m_liquid->putInto(p.rig.liquidLitre);
    m_depth->putInto(p.rig.depthCm);
    m_heater->putInto(p.rig.heaterWatt);
    m_pump->putInto(p.rig.pumpLitrePerMinute);
    if (const auto floor = m_floor->value()) p.rig.pumpUltimatePa = *floor * 1e3;
    p.rig.warmUpMinutes = m_warmUp->value().value_or(0.0);
    p.rig.tubeBoreMm = m_bore->value().value_or(0.0);
    p.rig.tubeLengthM = m_length->value().value_or(p.rig.tubeLengthM);
    p.rig.heat = kHeats[std::max(0, m_heat->chosen())];
    p.rig.pump = m_pumpKind->chosen() == 1 ? PumpKind::Hand : PumpKind::Motor;
    p.solute = chosenSolute();
    p.rig.aid = kAids[std::max(0, m_aid->chosen())];
    p.rig.aidFresh = m_fresh->isChecked();
}

void VesselCard::show(const Plan& p) {
    m_substance->setCurrentIndex(m_substance->findData(QString::fromStdString(p.substance)));
    m_vessel->setValue(p.rig.vesselLitre);
    m_liquid->setValue(p.rig.liquidLitre);
    m_depth->setValue(p.rig.depthCm);
    const auto ifAny = [](double v) { return v > 0.0 ? std::optional(v) : std::nullopt; };
    m_warmUp->setValue(ifAny(p.rig.warmUpMinutes));
    m_bore->setValue(ifAny(p.rig.tubeBoreMm));
    m_length->setValue(ifAny(p.rig.tubeLengthM));
    m_length->setEnabled(p.rig.tubeBoreMm > 0.0);
    m_heater->setValue(p.rig.heaterWatt);
    m_heater->setVisible(p.method == Method::HoldPressure);
    m_heat->choose(indexOf(kHeats, p.rig.heat));
    m_heat->setVisible(p.method == Method::HoldPressure);
    m_pumpKind->choose(p.rig.pump == PumpKind::Hand ? 1 : 0);
    m_pump->setValue(p.rig.pumpLitrePerMinute);
    m_floor->setValue(p.rig.pumpUltimatePa * 1e-3);
    m_aid->choose(indexOf(kAids, p.rig.aid));
    m_fresh->setChecked(p.rig.aidFresh);
    m_fresh->setVisible(p.rig.aid == NucleationAid::Chips);
    showSolute(p.solute);
}

Solute VesselCard::chosenSolute() const {
    Solute s;
    s.kind = soluteKindFromId(m_solute->currentData().toString().toStdString()).value_or(SoluteKind::None);
    s.amount = m_soluteAmount->value().value_or(0.0) / (byMassFraction(s.kind) ? kPercent : 1.0);
    s.factor = m_soluteFactor->value().value_or(1.0);
    if (s.kind == SoluteKind::None) s = {};
    return s;
}

void VesselCard::showSolute(const Solute& s) {
    const bool some = s.kind != SoluteKind::None, mass = byMassFraction(s.kind);
    m_solute->setCurrentIndex(m_solute->findData(asIs(id(s.kind))));
    m_soluteAmount->setVisible(some);
    m_soluteAmount->setUnit(mass ? tr("% by mass") : tr("mol/kg"));
    m_soluteAmount->setValue(some ? std::optional(mass ? 100.0 * s.amount : s.amount) : std::nullopt);
    m_soluteFactor->setVisible(s.kind == SoluteKind::Ideal);
    m_soluteFactor->setValue(s.factor);
    m_secondPart->setVisible(some);
}

} // namespace uttrin::app

#include "moc_VesselCard.cpp"
