#include "GaugeCard.h"

#include "app/controls/FieldEdit.h"
#include "app/controls/Grid.h"
#include "app/controls/Labels.h"
#include "app/controls/NumberField.h"
#include "app/controls/OnScreen.h"
#include "app/controls/Segments.h"
#include "plan/RigChanges.h"
#include "quantities/Units.h"

#include <QComboBox>
#include <QGridLayout>

#include <cmath>

namespace uttrin::app {
namespace {

constexpr PressureConvention kConventions[] = {
    PressureConvention::GaugeNegative, PressureConvention::VacuumDepth,
    PressureConvention::Absolute,      PressureConvention::TwoArm,
    PressureConvention::ClosedTwoArm,  PressureConvention::ThermalConductivity};

} // namespace

GaugeCard::GaugeCard() {
    buildNames();
    buildTube();
    buildScale();
    wire();
}

void GaugeCard::buildNames() {
    column()->addWidget(makeLabel(tr("Pressure instrument"), "heading"));
    m_convention = new Segments(QStringLiteral("gaugeConvention"), tr("What the pressure instrument shows"),
                                Segments::Rows::AsNeeded);
    m_convention->setChoices({tr("Gauge, − below room"), tr("Vacuum depth, +"), tr("Absolute"),
                              tr("U-tube, open arm"), tr("U-tube, closed arm"), tr("Heat conduction")});
    column()->addWidget(
        makeLabel(tr("What do its numbers count? Declared once, never asked again."), "muted"));
    column()->addWidget(m_convention);
    m_conventionNote = makeLabel({}, "muted");
    column()->addWidget(m_conventionNote);
    auto* grid = m_grid = new QGridLayout;
    grid->setHorizontalSpacing(grid::kMargin);
    m_gaugeName = nameEdit("gaugeName", tr("Name of the pressure instrument"));
    m_gaugeUnit = new QComboBox;
    m_gaugeUnit->setObjectName(QStringLiteral("gaugeUnit"));
    m_gaugeUnit->setAccessibleName(tr("Unit of the pressure instrument"));
    m_division = new NumberField(tr("Smallest division"), {}, QStringLiteral("gaugeDivision"));
    m_accuracy = new NumberField(tr("Accuracy ±"), {}, QStringLiteral("gaugeAccuracy"));
    m_armSum = new NumberField(tr("Arms add up to"), {}, QStringLiteral("gaugeArmSum"));
    m_liquidTemperature =
        new NumberField(tr("Its liquid at"), QStringLiteral("°C"), QStringLiteral("gaugeLiquidTemperature"));
    m_tap = new Segments(QStringLiteral("gaugeTap"), tr("Where the pressure is taken"));
    m_tap->setChoices({tr("the vessel"), tr("the pump line")});
    grid->addLayout(labelled(tr("Name"), m_gaugeName), 0, 0);
    grid->addLayout(labelled(tr("Unit"), m_gaugeUnit), 0, 1);
    grid->addWidget(m_division, 0, 2);
    grid->addWidget(m_accuracy, 0, 3);
    grid->addLayout(labelled(tr("Gauge connected at"), m_tap), 1, 0, 1, 2);
    grid->addWidget(m_armSum, 1, 2);
    grid->addWidget(m_liquidTemperature, 1, 3);
}

void GaugeCard::buildTube() {
    m_tubeLiquid = new QComboBox;
    m_tubeLiquid->setObjectName(QStringLiteral("gaugeLiquid"));
    m_tubeLiquid->setAccessibleName(tr("Liquid in the U-tube"));
    for (const auto& [liquid, label] : {std::pair{ManometerLiquid::Mercury, tr("mercury")},
                                        {ManometerLiquid::Water, tr("water")},
                                        {ManometerLiquid::Oil, tr("oil")}})
        m_tubeLiquid->addItem(label, asIs(id(liquid)));
    m_oilDensity = new NumberField(tr("Oil at 20 °C"), QStringLiteral("kg/m³"), QStringLiteral("oilDensity"));
    m_gas = new QComboBox;
    m_gas->setObjectName(QStringLiteral("gaugeGas"));
    m_gas->setAccessibleName(tr("Gas that the gauge really sees"));
    for (const GasFactor& g : gasFactors())
        m_gas->addItem(QStringLiteral("%1, × %2").arg(onScreen(g.name), onScreen(g.factor, 2)), asIs(g.gas));
    m_tubeLiquidBox = new QWidget;
    m_tubeLiquidBox->setLayout(labelled(tr("Filled with"), m_tubeLiquid));
    m_gasBox = new QWidget;
    m_gasBox->setLayout(labelled(tr("Gas at the gauge"), m_gas));
    m_display = new Segments(QStringLiteral("gaugeDisplay"), tr("How the pressure instrument shows it"));
    m_display->setChoices({tr("a needle"), tr("figures")});
    m_displayBox = new QWidget;
    m_displayBox->setLayout(labelled(tr("Shows it with"), m_display));
    for (QWidget* box : {m_tubeLiquidBox, m_gasBox, m_displayBox})
        box->layout()->setContentsMargins(0, 0, 0, 0);
    m_grid->addWidget(m_tubeLiquidBox, 2, 0);
    m_grid->addWidget(m_oilDensity, 2, 1, 1, 2);
    m_grid->addWidget(m_gasBox, 2, 0, 1, 2);
    m_grid->addWidget(m_displayBox, 1, 2, 1, 2); // where a tube has its arms
}

void GaugeCard::buildScale() {
    m_spanLow = new NumberField(tr("Scale from"), {}, QStringLiteral("gaugeSpanLow"));
    m_spanHigh = new NumberField(tr("to"), {}, QStringLiteral("gaugeSpanHigh"));
    m_class = new NumberField(tr("Class, of the span"), QStringLiteral("%"), QStringLiteral("gaugeClass"));
    m_class->setToolTip(tr("Accuracy class as printed on the dial: limits of error in percent of its span"));
    for (NumberField* f : {m_spanLow, m_spanHigh})
        f->setPlaceholder(tr("auto"));
    m_class->setPlaceholder(tr("not stated"));
    m_grid->addWidget(m_spanLow, 3, 0);
    m_grid->addWidget(m_spanHigh, 3, 1, 1, 2);
    m_grid->addWidget(m_class, 3, 3);
    m_lag = new NumberField(tr("Follows within"), QStringLiteral("s"), QStringLiteral("gaugeLag"));
    m_lag->setToolTip(
        tr("Its time constant: what it says live is set back by that, so that pressure and temperature "
           "belong to one moment"));
    m_grid->addWidget(m_lag, 4, 0);
    m_alsoUnit = new QComboBox;
    m_alsoUnit->setObjectName(QStringLiteral("gaugeAlsoUnit"));
    m_alsoUnit->setAccessibleName(tr("Second unit, said beside each pressure"));
    m_alsoUnit->setToolTip(
        tr("Absolute pressures are said in this unit too, on the strip and beside the target"));
    m_alsoUnit->addItem(tr("nothing else"), QString());
    for (const Unit& u : unitsOf(Dimension::Pressure))
        m_alsoUnit->addItem(asIs(u.display), asIs(u.symbol));
    m_grid->addLayout(labelled(tr("Absolute also in"), m_alsoUnit), 4, 1, 1, 2);
    column()->addLayout(m_grid);
}

void GaugeCard::wire() {
    connect(m_convention, &Segments::picked, this, [this](int index) {
        fillUnits(kConventions[index]);
        emit edited();
    });
    for (Segments* s : {m_tap, m_display})
        connect(s, &Segments::picked, this, &GaugeCard::edited);
    for (QComboBox* c : {m_gaugeUnit, m_alsoUnit, m_tubeLiquid, m_gas})
        connect(c, &QComboBox::currentIndexChanged, this, &GaugeCard::edited);
    connect(m_gaugeName, &QLineEdit::editingFinished, this, &GaugeCard::edited);
    connect(m_class, &NumberField::committed, this, &GaugeCard::accuracyFromClass);
    for (NumberField* f :
         {m_lag, m_spanLow, m_spanHigh, m_division, m_accuracy, m_armSum, m_liquidTemperature, m_oilDensity})
        connect(f, &NumberField::committed, this, &GaugeCard::edited);
}

void GaugeCard::accuracyFromClass() {
    const double span = std::abs(m_spanHigh->value().value_or(0.0) - m_spanLow->value().value_or(0.0));
    const auto percent = m_class->value();
    if (!(span > 0.0))
        emit told(tr("A class counts from the span: type the ends of the scale first."));
    else if (percent)
        m_accuracy->setValue(accuracyOfClass(*percent, span));
    emit edited();
}

void GaugeCard::fillUnits(PressureConvention convention) {
    const QSignalBlocker quiet(m_gaugeUnit);
    const QString before = m_gaugeUnit->currentData().toString();
    m_gaugeUnit->clear();
    for (const Unit& u : unitsOf(hasTwoArms(convention) ? Dimension::Length : Dimension::Pressure)) {
        if (u.symbol == "km" || u.symbol == "ft" || (u.symbol == "m" && hasTwoArms(convention))) continue;
        m_gaugeUnit->addItem(asIs(u.display), asIs(u.symbol));
    }
    const int same = m_gaugeUnit->findData(before);
    m_gaugeUnit->setCurrentIndex(
        same >= 0
            ? same
            : m_gaugeUnit->findData(hasTwoArms(convention) ? QStringLiteral("cm") : QStringLiteral("kPa")));
}

void GaugeCard::take(PressureInstrument& g) const {
    g.convention = kConventions[std::max(0, m_convention->chosen())];
    g.unit = m_gaugeUnit->currentData().toString().toStdString();
    if (m_gaugeName->isModified()) g.name = m_gaugeName->text().trimmed().toStdString();
    g.tap = m_tap->chosen() == 1 ? PressureTap::PumpLine : PressureTap::Vessel;
    m_division->putInto(g.division);
    m_lag->putInto(g.lagSeconds);
    m_accuracy->putInto(g.accuracy);
    m_armSum->putInto(g.armSum);
    g.digital = m_display->chosen() == 1;
    g.spanLow = m_spanLow->value().value_or(0.0);
    g.spanHigh = m_spanHigh->value().value_or(0.0);
    m_liquidTemperature->putInto(g.liquidCelsius);
    m_oilDensity->putInto(g.oilDensity20);
    g.liquid = manometerLiquidFromId(m_tubeLiquid->currentData().toString().toStdString()).value_or(g.liquid);
    g.gas = m_gas->currentData().toString().toStdString();
}

void GaugeCard::showAlsoUnit(const std::string& symbol) {
    const QSignalBlocker quiet(m_alsoUnit);
    m_alsoUnit->setCurrentIndex(std::max(0, m_alsoUnit->findData(QString::fromStdString(symbol))));
}

std::string GaugeCard::alsoUnit() const { return m_alsoUnit->currentData().toString().toStdString(); }

void GaugeCard::show(const PressureInstrument& g) {
    fillUnits(g.convention);
    m_convention->choose(indexOf(kConventions, g.convention));
    const QString conventions[] = {
        tr("Shows 0 open to the room, −0.7 when the vessel is 0.7 below it."),
        tr("Shows 0 open to the room, 70 when the vessel is 70 below it."),
        tr("Shows 0 in a perfect vacuum, the room’s pressure when open."),
        tr("Left arm towards the vessel, right arm open to the room. Read both on "
           "the ruler; nobody subtracts."),
        tr("Closed arm first, then the arm towards the vessel: their difference is the absolute "
           "pressure, whatever the room does."),
        tr("Reads by how well the gas conducts heat, and is right for air only: over boiling "
           "water it sees vapour. Good below about 1 hPa.")};
    m_conventionNote->setText(conventions[std::max(0, m_convention->chosen())]);
    {
        const QSignalBlocker quietGauge(m_gaugeUnit), quietTube(m_tubeLiquid), quietGas(m_gas);
        m_tubeLiquid->setCurrentIndex(m_tubeLiquid->findData(asIs(id(g.liquid))));
        m_gas->setCurrentIndex(m_gas->findData(QString::fromStdString(g.gas)));
        m_gaugeUnit->setCurrentIndex(m_gaugeUnit->findData(QString::fromStdString(g.unit)));
    }
    m_gaugeName->setText(onScreen(Text::data(g.name)));
    if (!m_gaugeName->hasFocus()) m_gaugeName->setCursorPosition(0);
    const QString u = asIs(unitText(g));
    m_division->setUnit(u);
    m_accuracy->setUnit(u);
    m_armSum->setUnit(u);
    m_division->setValue(g.division);
    m_accuracy->setValue(g.accuracy);
    m_armSum->setValue(g.armSum);
    m_lag->setValue(g.lagSeconds);
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
}

} // namespace uttrin::app

#include "moc_GaugeCard.cpp"
