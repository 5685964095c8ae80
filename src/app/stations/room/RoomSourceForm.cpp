#include "RoomSourceForm.h"

#include "MercuryForm.h"
#include "app/controls/Grid.h"
#include "app/controls/Labels.h"
#include "app/controls/NumberField.h"
#include "app/controls/OnScreen.h"
#include "app/controls/Segments.h"
#include "quantities/Units.h"

#include <QComboBox>
#include <QGridLayout>
#include <QVBoxLayout>

namespace uttrin::app {
namespace {

constexpr int kBarometer = 0, kReport = 1, kHeight = 2, kEmptyVessel = 3, kNominal = 4, kMercury = 5;
constexpr int kReducedYes = 0, kReducedNo = 1, kAirport = 2;

} // namespace

RoomSourceForm::RoomSourceForm() : m_column(new QVBoxLayout(this)) {
    m_column->setContentsMargins(0, 0, 0, 0);
    m_column->setSpacing(grid::kStep);
    buildSource();
    buildFields();
    wire();
    showFields();
}

void RoomSourceForm::buildSource() {
    m_column->addWidget(makeLabel(tr("How do you know this room’s pressure?"), "title"));
    m_method = new Segments(QStringLiteral("roomMethod"), tr("How the room’s pressure is known"),
                            Segments::Rows::AsNeeded);
    m_method->setChoices({tr("Barometer"), tr("Weather report"), tr("Height alone"), tr("Empty vessel"),
                          tr("Assume a value"), tr("Mercury column")});
    m_column->addWidget(m_method);
    m_reducedQuestion = makeLabel(tr("Is the report reduced to sea level? Most are: near 1013 hPa whatever "
                                     "the height. Weather services reduce it "
                                     "with the temperature, airports give an altimeter setting."),
                                  "muted");
    m_column->addWidget(m_reducedQuestion);
    m_reduced = new Segments(QStringLiteral("roomReduced"), tr("Whether the report is reduced to sea level"));
    m_reduced->setChoices(
        {tr("Yes, to sea level"), tr("No, as read at the station"), tr("Yes, at an airport")});
    m_column->addWidget(m_reduced);
}

void RoomSourceForm::buildFields() {
    auto* grid = new QGridLayout;
    grid->setHorizontalSpacing(grid::kMargin);
    grid->setVerticalSpacing(grid::kStep);
    m_value = new NumberField(tr("Reading"), QString(), QStringLiteral("roomValue"));
    m_uncertainty = new NumberField(tr("good to ±"), QString(), QStringLiteral("roomUncertainty"));
    m_unit = new QComboBox;
    m_unit->setObjectName(QStringLiteral("roomUnit"));
    m_unit->setAccessibleName(tr("Unit of the reading"));
    for (const Unit& u : unitsOf(Dimension::Pressure))
        m_unit->addItem(asIs(u.display), asIs(u.symbol));
    m_unit->setCurrentText(QStringLiteral("hPa"));
    m_altitude =
        new NumberField(tr("Height above sea level"), QStringLiteral("m"), QStringLiteral("roomAltitude"));
    m_air = new NumberField(tr("Air outdoors"), QStringLiteral("°C"), QStringLiteral("roomAir"));
    m_ultimate = new NumberField(tr("The pump leaves"), QStringLiteral("Pa"), QStringLiteral("roomUltimate"));
    m_ultimate->setToolTip(tr("The pump’s ultimate pressure; leave it empty where it is not known"));
    m_roomTemperature =
        new NumberField(tr("Room temperature"), QStringLiteral("°C"), QStringLiteral("roomTemperature"));
    m_roomTemperature->setToolTip(tr("Of the air in the room: what liquids start from and cool towards. 20 "
                                     "°C are assumed where it is left empty."));
    m_unitBox = new QWidget;
    auto* unitColumn = new QVBoxLayout(m_unitBox);
    unitColumn->setContentsMargins(0, 0, 0, 0);
    unitColumn->setSpacing(grid::kHalfStep);
    unitColumn->addWidget(makeLabel(tr("unit"), "muted"));
    unitColumn->addWidget(m_unit);
    grid->addWidget(m_value, 0, 0);
    grid->addWidget(m_unitBox, 0, 1);
    grid->addWidget(m_uncertainty, 0, 2);
    grid->addWidget(m_altitude, 1, 0, 1, 2);
    grid->addWidget(m_air, 1, 2, 1, 2);
    grid->addWidget(m_ultimate, 2, 0, 1, 2);
    grid->addWidget(m_roomTemperature, 3, 0, 1, 2);
    m_column->addLayout(grid);
    m_mercury = new MercuryForm;
    m_column->addWidget(m_mercury);
}

void RoomSourceForm::wire() {
    const auto changed = [this] {
        showFields();
        emit edited();
    };
    connect(m_method, &Segments::picked, this, changed);
    connect(m_reduced, &Segments::picked, this, changed);
    connect(m_unit, &QComboBox::currentIndexChanged, this, changed);
    for (NumberField* f : {m_value, m_uncertainty, m_altitude, m_air, m_ultimate, m_roomTemperature})
        connect(f, &NumberField::edited, this, &RoomSourceForm::edited);
    connect(m_mercury, &MercuryForm::edited, this, &RoomSourceForm::edited);
}

bool RoomSourceForm::isChosen() const { return m_method->chosen() >= 0; }
std::optional<double> RoomSourceForm::altitude() const { return m_altitude->value(); }

void RoomSourceForm::clear(std::optional<double> altitudeM) {
    m_method->choose(-1);
    m_reduced->choose(-1);
    if (altitudeM) {
        m_altitude->setValue(*altitudeM);
        m_mercury->setHeight(*altitudeM);
    }
    showFields();
}

void RoomSourceForm::setMercury(double value, const QString& unit) {
    m_method->choose(kMercury);
    m_mercury->setRead(value, unit);
    showFields();
}

RoomMethod RoomSourceForm::method() const {
    switch (m_method->chosen()) {
    case kReport:
        return m_reduced->chosen() == kReducedNo ? RoomMethod::StationReport : RoomMethod::SeaLevelReport;
    case kHeight:
        return RoomMethod::Altitude;
    case kEmptyVessel:
        return RoomMethod::DeadHead;
    case kNominal:
        return RoomMethod::Nominal;
    case kMercury:
        return RoomMethod::MercuryBarometer;
    default:
        return RoomMethod::Barometer;
    }
}

void RoomSourceForm::showFields() {
    const int chosen = m_method->chosen();
    const bool report = chosen == kReport;
    m_reducedQuestion->setVisible(report);
    m_reduced->setVisible(report);
    // Before it is said whether a report is reduced, what every report has is asked for.
    const bool open = report && m_reduced->chosen() < 0;
    const RoomFields asked =
        chosen < 0 ? RoomFields{} : fieldsAsked(open ? RoomMethod::StationReport : method());
    m_mercury->setVisible(asked.mercury);
    m_value->setVisible(asked.value);
    m_unitBox->setVisible(asked.value);
    m_uncertainty->setVisible(asked.uncertainty);
    m_altitude->setVisible(asked.altitude);
    m_air->setVisible(asked.air && m_reduced->chosen() != kAirport);
    m_ultimate->setVisible(asked.ultimate);
    m_roomTemperature->setVisible(chosen >= 0 &&
                                  !asked.mercury); // a mercury barometer has its own thermometer
    m_value->setLabel(chosen == kEmptyVessel ? tr("Gauge, pumped down")
                      : chosen == kNominal   ? tr("Assumed")
                                             : tr("Reading"));
    m_uncertainty->setUnit(m_unit->currentText());
}

std::optional<RoomEntry> RoomSourceForm::typed() const {
    const int chosen = m_method->chosen();
    if (chosen < 0 || (chosen == kReport && m_reduced->chosen() < 0)) return std::nullopt;
    RoomEntry e;
    e.method = method();
    if (e.method == RoomMethod::MercuryBarometer) {
        const auto mercury = m_mercury->typed();
        if (!mercury) return std::nullopt;
        e.mercury = *mercury;
        return e;
    }
    e.unit = m_unit->currentData().toString().toStdString();
    const RoomFields needed = fieldsNeeded(e.method);
    for (const auto& [isNeeded, field] : {std::pair{needed.value, m_value},
                                          {needed.altitude, m_altitude},
                                          {needed.air && m_reduced->chosen() != kAirport, m_air}})
        if (isNeeded && !field->value()) return std::nullopt;
    e.value = m_value->value().value_or(0.0);
    e.valueU = m_uncertainty->value().value_or(0.0);
    e.altitudeM = m_altitude->value().value_or(0.0);
    e.reduction = m_reduced->chosen() == kAirport ? Reduction::AltimeterSetting : Reduction::Hypsometric;
    e.airCelsius = m_air->value().value_or(15.0);
    if (e.method == RoomMethod::DeadHead) e.ultimatePa = m_ultimate->value();
    e.roomCelsius = m_roomTemperature->value();
    return e;
}

void RoomSourceForm::show(const RoomEntry& e) {
    const int chosen = e.method == RoomMethod::Barometer          ? kBarometer
                       : e.method == RoomMethod::Altitude         ? kHeight
                       : e.method == RoomMethod::DeadHead         ? kEmptyVessel
                       : e.method == RoomMethod::Nominal          ? kNominal
                       : e.method == RoomMethod::MercuryBarometer ? kMercury
                                                                  : kReport;
    m_method->choose(chosen);
    if (chosen == kMercury) {
        m_mercury->show(e.mercury);
        showFields();
        return;
    }
    m_reduced->choose(e.method == RoomMethod::SeaLevelReport
                          ? e.reduction == Reduction::AltimeterSetting ? kAirport : kReducedYes
                      : e.method == RoomMethod::StationReport ? kReducedNo
                                                              : -1);
    m_unit->setCurrentIndex(m_unit->findData(QString::fromStdString(e.unit)));
    m_value->setValue(e.method == RoomMethod::Altitude ? std::nullopt : std::optional(e.value));
    m_uncertainty->setValue(e.valueU);
    m_altitude->setValue(e.altitudeM != 0.0 ? std::optional(e.altitudeM) : std::nullopt);
    m_air->setValue(e.method == RoomMethod::SeaLevelReport ? std::optional(e.airCelsius) : std::nullopt);
    m_ultimate->setValue(e.method == RoomMethod::DeadHead ? e.ultimatePa : std::nullopt);
    m_roomTemperature->setValue(e.roomCelsius);
    showFields();
}

} // namespace uttrin::app

#include "moc_RoomSourceForm.cpp"
