#include "ThermometerCard.h"

#include "app/controls/FieldEdit.h"
#include "app/controls/Grid.h"
#include "app/controls/Labels.h"
#include "app/controls/OnScreen.h"
#include "lesson/model/Clock.h"
#include "quantities/Rounding.h"

#include <QCheckBox>
#include <QComboBox>
#include <QGridLayout>
#include <QHBoxLayout>

#include <algorithm>

namespace uttrin::app {
namespace {

constexpr SensorPlace kPlaces[] = {SensorPlace::Liquid, SensorPlace::NearChips, SensorPlace::Vapour,
                                   SensorPlace::OutsideWall};

} // namespace

ThermometerCard::ThermometerCard(QWidget* parent) : Card(parent) {
    column()->addWidget(makeLabel(tr("Thermometer"), "heading"));
    auto* grid = new QGridLayout;
    grid->setHorizontalSpacing(grid::kMargin);
    m_name = nameEdit("thermometerName", tr("Name of the thermometer"));
    m_unit = new QComboBox;
    m_unit->setObjectName(QStringLiteral("thermometerUnit"));
    m_unit->setAccessibleName(tr("Unit of the thermometer"));
    for (const Unit& u : unitsOf(Dimension::Temperature))
        m_unit->addItem(asIs(u.display), asIs(u.symbol));
    m_division = new NumberField(tr("Smallest division"), {}, QStringLiteral("thermometerDivision"));
    m_accuracy = new NumberField(tr("Accuracy ±"), {}, QStringLiteral("thermometerAccuracy"));
    grid->addLayout(labelled(tr("Name"), m_name), 0, 0);
    grid->addLayout(labelled(tr("Unit"), m_unit), 0, 1);
    grid->addWidget(m_division, 0, 2);
    grid->addWidget(m_accuracy, 0, 3);
    addKind(grid);
    grid->setColumnStretch(0, 2);
    grid->setColumnStretch(2, 1);
    grid->setColumnStretch(3, 1);
    column()->addLayout(grid);
    m_place = new Segments(QStringLiteral("thermometerPlace"), tr("Where the thermometer is"));
    m_lag = new NumberField(tr("Follows within"), QStringLiteral("s"), QStringLiteral("thermometerLag"));
    m_lag->setToolTip(
        tr("Its time constant in the liquid: what it says live is set back by that, so that pressure "
           "and temperature belong to one moment"));
    grid->addWidget(m_lag, 2, 0);
    m_place->setChoices({tr("in the liquid"), tr("near the chips"), tr("in the vapour"), tr("outside wall")});
    column()->addWidget(makeLabel(tr("Its sensor sits"), "muted"));
    column()->addWidget(m_place);
    m_placeNote = makeLabel({}, "caution");
    column()->addWidget(m_placeNote);
    addPair();
    addCalibration();
    wire();
}

void ThermometerCard::addKind(QGridLayout* grid) {
    m_kind = new QComboBox;
    m_kind->setObjectName(QStringLiteral("thermometerKind"));
    m_kind->setAccessibleName(tr("Kind of thermometer"));
    m_kind->setSizeAdjustPolicy(
        QComboBox::AdjustToMinimumContentsLengthWithIcon); // or its longest name widens the page
    m_kind->setMinimumContentsLength(10);
    for (const auto& [kind, label] : {std::pair{ThermometerKind::Plain, tr("digital, thermocouple")},
                                      {ThermometerKind::Dial, tr("dial, kitchen or bimetal")},
                                      {ThermometerKind::Mercury, tr("mercury in glass")},
                                      {ThermometerKind::Spirit, tr("spirit in glass")},
                                      {ThermometerKind::Platinum, tr("platinum, in ohms")},
                                      {ThermometerKind::Copper, tr("copper coil, in ohms")},
                                      {ThermometerKind::Infrared, tr("infrared, on the wall")}})
        m_kind->addItem(label, asIs(id(kind)));
    const QString degrees = QStringLiteral("°C");
    m_nominal = new NumberField(tr("Nominal"), QStringLiteral("Ω"), QStringLiteral("thermometerOhm"));
    m_coilPerKelvin =
        new NumberField(tr("Coil’s coefficient"), QStringLiteral("1/K"), QStringLiteral("coilPerKelvin"));
    m_coilPerKelvin->setToolTip(tr("0.00393 for annealed copper; a coil of one’s own may differ"));
    m_reference = new NumberField(tr("Measured at"), degrees, QStringLiteral("coilReference"));
    m_referenceU = new NumberField(tr("known to ±"), QStringLiteral("K"), QStringLiteral("coilReferenceU"));
    m_emergent = new NumberField(tr("Stem out from"), degrees, QStringLiteral("thermometerEmergent"));
    m_emergent->setPlaceholder(tr("none"));
    m_emergent->setToolTip(
        tr("What the scale reads where the column leaves the liquid; empty if all of it is immersed"));
    m_stem = new NumberField(tr("Air at the stem"), degrees, QStringLiteral("thermometerStem"));
    m_emissivitySet = new NumberField(tr("Emissivity set"), {}, QStringLiteral("emissivitySet"));
    m_emissivity = new NumberField(tr("of the wall"), {}, QStringLiteral("emissivity"));
    m_reflected = new NumberField(tr("Reflected"), degrees, QStringLiteral("reflected"));
    m_wall = new NumberField(tr("Glass wall"), QStringLiteral("mm"), QStringLiteral("wallThickness"));
    grid->addLayout(labelled(tr("Kind"), m_kind), 1, 0, 1, 2);
    grid->addWidget(m_nominal, 1, 2);
    grid->addWidget(m_coilPerKelvin, 1, 3);
    grid->addWidget(m_reference, 2, 2);
    grid->addWidget(m_referenceU, 2, 3);
    grid->addWidget(m_emergent, 1, 2);
    grid->addWidget(m_stem, 1, 3);
    grid->addWidget(m_emissivitySet, 1, 2);
    grid->addWidget(m_emissivity, 1, 3);
    grid->addWidget(m_reflected, 2, 2);
    grid->addWidget(m_wall, 2, 3);
}

void ThermometerCard::addPair() {
    m_pairBox = new QWidget;
    auto* row = new QHBoxLayout(m_pairBox);
    row->setContentsMargins(0, 0, 0, 0);
    m_pairShown = new NumberField(tr("It shows outside"), {}, QStringLiteral("pairShown"));
    m_pairInside = new NumberField(tr("Inside it is"), QStringLiteral("°C"), QStringLiteral("pairInside"));
    auto* correct = new QPushButton(tr("Correct it"));
    correct->setObjectName(QStringLiteral("pairCorrect"));
    correct->setToolTip(
        tr("Sets the wall’s emissivity so that both mean the same: read it and a thermometer in the "
           "liquid at one moment"));
    row->addWidget(m_pairShown, 1);
    row->addWidget(m_pairInside, 1);
    row->addWidget(correct, 0, Qt::AlignBottom);
    column()->addWidget(m_pairBox);
    connect(correct, &QPushButton::clicked, this, [this] {
        if (m_pairShown->value() && m_pairInside->value())
            emit paired(*m_pairShown->value(), *m_pairInside->value());
    });
}

void ThermometerCard::addCalibration() {
    column()->addWidget(makeLabel(
        tr("Calibrate in crushed, stirred, drained melting ice, in steam over boiling water, or in both"),
        "muted"));
    auto* row = new QHBoxLayout;
    m_ice = new NumberField(tr("In ice it shows"), {}, QStringLiteral("calibrationIce"));
    m_steam = new NumberField(tr("In steam it shows"), {}, QStringLiteral("calibrationSteam"));
    auto* store = new QPushButton(tr("Store"));
    store->setObjectName(QStringLiteral("calibrate"));
    store->setToolTip(tr(
        "Water boils at the room’s own boiling point, not at 100 °C; the room’s pressure of now is used."));
    m_alsoEarlier = new QCheckBox(tr("also for readings\ntaken already"));
    m_alsoEarlier->setObjectName(QStringLiteral("calibrationEarlier"));
    row->addWidget(m_ice, 1);
    row->addWidget(m_steam, 1);
    row->addWidget(m_alsoEarlier, 0, Qt::AlignBottom);
    row->addWidget(store, 0, Qt::AlignBottom);
    column()->addLayout(row);
    m_calibration = makeLabel({}, "note");
    m_calibration->setObjectName(QStringLiteral("calibrationResult"));
    m_calibration->hide();
    column()->addWidget(m_calibration);
    connect(store, &QPushButton::clicked, this,
            [this] { emit calibrated(m_ice->value(), m_steam->value(), m_alsoEarlier->isChecked()); });
}

void ThermometerCard::clearCalibration() {
    m_ice->setValue(std::nullopt);
    m_steam->setValue(std::nullopt);
}

void ThermometerCard::wire() {
    connect(m_place, &Segments::picked, this, &ThermometerCard::edited);
    for (QComboBox* c : {m_unit, m_kind})
        connect(c, &QComboBox::currentIndexChanged, this, &ThermometerCard::edited);
    connect(m_name, &QLineEdit::editingFinished, this, &ThermometerCard::edited);
    for (NumberField* f : {m_coilPerKelvin, m_reference, m_referenceU, m_lag, m_division, m_accuracy,
                           m_nominal, m_emergent, m_stem, m_emissivitySet, m_emissivity, m_reflected, m_wall})
        connect(f, &NumberField::committed, this, &ThermometerCard::edited);
}

void ThermometerCard::take(Thermometer& t) const {
    if (m_name->isModified()) t.name = m_name->text().trimmed().toStdString();
    t.unit = m_unit->currentData().toString().toStdString();
    t.place = kPlaces[std::max(0, m_place->chosen())];
    m_division->putInto(t.division);
    m_lag->putInto(t.lagSeconds);
    m_accuracy->putInto(t.accuracy);
    const bool ohmsBefore = readsOhms(t);
    t.kind = thermometerKindFromId(m_kind->currentData().toString().toStdString()).value_or(t.kind);
    if (readsOhms(t) != ohmsBefore) t.calibrations.clear(); // they are in degrees, or in ohms
    m_nominal->putInto(t.nominalOhm);
    m_coilPerKelvin->putInto(t.coilPerKelvin);
    m_reference->putInto(t.referenceCelsius);
    m_referenceU->putInto(t.referenceU);
    const bool glass = t.kind == ThermometerKind::Mercury || t.kind == ThermometerKind::Spirit;
    t.emergentFromCelsius = glass ? m_emergent->value() : std::nullopt;
    m_stem->putInto(t.stemCelsius);
    m_emissivitySet->putInto(t.emissivitySet);
    m_emissivity->putInto(t.emissivity);
    m_reflected->putInto(t.reflectedCelsius);
    m_wall->putInto(t.wallMillimetre);
}

void ThermometerCard::show(const Thermometer& t, int utcOffsetMin) {
    const QSignalBlocker quiet(m_kind), quietUnit(m_unit);
    m_unit->setCurrentIndex(m_unit->findData(QString::fromStdString(t.unit)));
    m_name->setText(onScreen(Text::data(t.name)));
    if (!m_name->hasFocus()) m_name->setCursorPosition(0);
    m_division->setValue(t.division);
    m_lag->setValue(t.lagSeconds);
    m_accuracy->setValue(t.accuracy);
    m_place->choose(indexOf(kPlaces, t.place));
    const bool outside = !readsTheLiquid(t.place);
    m_placeNote->setVisible(outside);
    m_placeNote->setText(
        QStringLiteral("\u26A0  ") +
        tr("This sensor does not read the liquid: its points stay out of the fit unless you put "
           "each one in."));
    m_kind->setCurrentIndex(m_kind->findData(asIs(id(t.kind))));
    const bool glass = t.kind == ThermometerKind::Mercury || t.kind == ThermometerKind::Spirit;
    const bool infrared = t.kind == ThermometerKind::Infrared;
    m_nominal->setVisible(readsOhms(t));
    m_emergent->setVisible(glass);
    m_stem->setVisible(glass);
    for (NumberField* f : {m_emissivitySet, m_emissivity, m_reflected, m_wall})
        f->setVisible(infrared);
    m_nominal->setValue(t.nominalOhm);
    for (NumberField* f : {m_coilPerKelvin, m_reference, m_referenceU})
        f->setVisible(t.kind == ThermometerKind::Copper);
    m_coilPerKelvin->setValue(t.coilPerKelvin);
    m_reference->setValue(t.referenceCelsius);
    m_referenceU->setValue(t.referenceU);
    m_emergent->setValue(t.emergentFromCelsius);
    m_stem->setValue(t.stemCelsius);
    m_pairBox->setVisible(infrared);
    m_pairShown->setUnit(asIs(readingUnit(t)));
    m_emissivitySet->setValue(t.emissivitySet);
    m_emissivity->setValue(t.emissivity);
    m_reflected->setValue(t.reflectedCelsius);
    m_wall->setValue(t.wallMillimetre);
    const QString u = asIs(readingUnit(t));
    for (NumberField* f : {m_division, m_accuracy, m_ice, m_steam})
        f->setUnit(u);
    const ThermometerCalibration* last = calibrationAt(t, std::nullopt);
    m_calibration->setVisible(last != nullptr);
    if (!last) return;
    const auto residuals = residualsOf(t, *last);
    if (residuals)
        m_calibration->setText(
            tr("Calibrated %1: %2 K off in ice, %3 K in steam (%4 °C here). %5 in the record.")
                .arg(QString::fromStdString(dateText(last->atMs, utcOffsetMin) + ' ' +
                                            clockText(last->atMs, utcOffsetMin)),
                     onScreen(fixedSigned(residuals->ice, 2)), onScreen(fixedSigned(residuals->steam, 2)),
                     onScreen(residuals->steamTrue.celsius(), 2))
                .arg(t.calibrations.size()));
}

} // namespace uttrin::app

#include "moc_ThermometerCard.cpp"
