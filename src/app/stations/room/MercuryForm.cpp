#include "MercuryForm.h"

#include "app/controls/Grid.h"
#include "app/controls/Labels.h"
#include "app/controls/NumberField.h"
#include "app/controls/OnScreen.h"
#include "app/controls/Segments.h"
#include "app/instruments/InstrumentPicture.h"
#include "instruments/BarometerScales.h"
#include "quantities/Rounding.h"
#include "quantities/Units.h"

#include <QCheckBox>
#include <QComboBox>
#include <QGridLayout>
#include <QHBoxLayout>
#include <QSignalBlocker>
#include <QVBoxLayout>

#include <algorithm>
#include <cmath>

namespace uttrin::app {

MercuryForm::MercuryForm(QWidget* parent) : QWidget(parent) {
    auto* column = new QVBoxLayout(this);
    column->setContentsMargins(0, 0, 0, 0);
    column->addLayout(buildTicks());
    auto* row = new QHBoxLayout;
    column->addLayout(row);
    m_vernier = new VernierPicture(QStringLiteral("vernierPicture"));
    m_vernier->setMinimumSize(165, 250);
    row->addWidget(m_vernier, 1);
    row->addLayout(buildFields(), 2);
    m_steps = makeLabel({}, "note");
    m_steps->setObjectName(QStringLiteral("barometerSteps"));
    m_steps->setTextFormat(Qt::RichText);
    for (NumberField* f : {m_mainScale, m_vernierLine, m_attached, m_latitude, m_height, m_index})
        connect(f, &NumberField::edited, this, &MercuryForm::follow);
    connect(m_scaleMaterial, &Segments::picked, this, &MercuryForm::follow);
    connect(m_unit, &QComboBox::activated, this, [this] {
        m_mainScale->setValue(std::nullopt);
        follow();
    });
    connect(m_vernier, &VernierPicture::moved, this, &MercuryForm::moveVernier);
}

QLayout* MercuryForm::buildTicks() {
    auto* ticks = new QVBoxLayout;
    ticks->setSpacing(grid::kHalfStep);
    ticks->addWidget(makeLabel(tr("In this order, a tick for each"), "muted"));
    for (const BarometerTick& step : barometerTicks()) {
        auto* tick =
            new QCheckBox(QStringLiteral("%1  %2").arg(ticks->count()).arg(onScreen(Text(step.name))));
        tick->setObjectName(QStringLiteral("barometerTick_") + asIs(step.id));
        tick->setToolTip(onScreen(Text(step.what)));
        connect(tick, &QCheckBox::toggled, this, &MercuryForm::edited);
        ticks->addWidget(tick);
        m_ticks.push_back(tick);
    }
    return ticks;
}

QLayout* MercuryForm::buildFields() {
    m_unit = new QComboBox;
    m_unit->setObjectName(QStringLiteral("barometerUnit"));
    m_unit->setAccessibleName(tr("What the barometer’s scale is graduated in"));
    for (const char* symbol : {"mmHg", "hPa", "inHg"})
        m_unit->addItem(asIs(uttrin::unit(symbol).display), QLatin1String(symbol));
    m_mainScale =
        new NumberField(tr("Main scale, below the 0 of the vernier"), {}, QStringLiteral("barometerMain"));
    m_vernierLine = new NumberField(tr("Line that meets"), {}, QStringLiteral("barometerVernier"));
    m_attached =
        new NumberField(tr("Attached therm."), QStringLiteral("°C"), QStringLiteral("barometerAttached"));
    m_latitude = new NumberField(tr("Latitude"), QStringLiteral("°"), QStringLiteral("barometerLatitude"));
    m_height = new NumberField(tr("Height"), QStringLiteral("m"), QStringLiteral("barometerHeight"));
    m_index = new NumberField(tr("Index corr."), {}, QStringLiteral("barometerIndex"));
    m_index->setValue(0.0);
    m_scaleMaterial = new Segments(QStringLiteral("barometerScale"), tr("Material of the scale"));
    m_scaleMaterial->setChoices({tr("brass scale"), tr("glass scale")});
    m_scaleMaterial->choose(0);
    auto* fields = new QGridLayout;
    fields->setHorizontalSpacing(grid::kStep);
    fields->setVerticalSpacing(grid::kHalfStep);
    fields->addWidget(m_mainScale, 0, 0, 1, 2);
    fields->addWidget(m_unit, 1, 0, Qt::AlignBottom);
    fields->addWidget(m_vernierLine, 1, 1);
    fields->addWidget(m_attached, 2, 0);
    fields->addWidget(m_index, 2, 1);
    fields->addWidget(m_latitude, 3, 0);
    fields->addWidget(m_height, 3, 1);
    fields->addWidget(m_scaleMaterial, 4, 0, 1, 2);
    show(barometerGraduatedIn(unit()));
    m_mainScale->setValue(std::nullopt);
    m_vernierLine->setValue(std::nullopt);
    for (NumberField* f : {m_attached, m_latitude, m_height})
        f->setValue(std::nullopt);
    return fields;
}

std::string MercuryForm::unit() const { return m_unit->currentData().toString().toStdString(); }

std::optional<MercuryReading> MercuryForm::typed() const {
    const auto main = m_mainScale->value(), attached = m_attached->value(), latitude = m_latitude->value(),
               height = m_height->value();
    if (!main || !attached || !latitude || !height) return std::nullopt;
    MercuryReading m = barometerGraduatedIn(unit());
    m.mainScale = *main;
    m.vernierLine = static_cast<int>(std::lround(m_vernierLine->value().value_or(0.0)));
    m.attachedCelsius = *attached;
    m.latitudeDegrees = *latitude;
    m.altitudeM = *height;
    m.indexCorrection = m_index->value().value_or(0.0);
    m.scale = m_scaleMaterial->chosen() == 1 ? ScaleMaterial::Glass : ScaleMaterial::Brass;
    m.ticks.emplace();
    for (std::size_t i = 0; i < m_ticks.size(); ++i)
        (*m.ticks).*barometerTicks()[i].done = m_ticks[i]->isChecked();
    return m;
}

void MercuryForm::show(const MercuryReading& m) {
    m_unit->setCurrentIndex(m_unit->findData(QString::fromStdString(m.unit)));
    m_mainScale->setUnit(asIs(uttrin::unit(m.unit).display));
    m_vernierLine->setUnit(QStringLiteral("/ %1").arg(m.vernierDivisions));
    m_mainScale->setValue(m.mainScale);
    m_vernierLine->setValue(m.vernierLine);
    m_attached->setValue(m.attachedCelsius);
    m_latitude->setValue(m.latitudeDegrees);
    m_height->setValue(m.altitudeM);
    m_index->setValue(m.indexCorrection);
    m_scaleMaterial->choose(m.scale == ScaleMaterial::Glass ? 1 : 0);
    for (std::size_t i = 0; i < m_ticks.size(); ++i) {
        const QSignalBlocker quiet(m_ticks[i]);
        m_ticks[i]->setChecked(m.ticks && (*m.ticks).*barometerTicks()[i].done);
    }
    m_vernier->setInstrument(m);
}

void MercuryForm::setHeight(double metre) { m_height->setValue(metre); }

void MercuryForm::setRead(double value, const QString& unit) {
    m_unit->setCurrentIndex(m_unit->findData(unit));
    moveVernier(value);
    follow();
}

void MercuryForm::moveVernier(double value) {
    const MercuryReading m = withValue(barometerGraduatedIn(unit()), value);
    m_mainScale->setValue(m.mainScale);
    m_vernierLine->setValue(m.vernierLine);
    emit edited();
}

void MercuryForm::follow() { // the picture shows what is typed, as far as it is
    MercuryReading m = typed().value_or(barometerGraduatedIn(unit()));
    constexpr double kUsualPascal = 1e5;
    const double usual = std::round(kUsualPascal / uttrin::unit(m.unit).factor);
    m.mainScale = m_mainScale->value().value_or(usual);
    m.vernierLine = std::clamp(static_cast<int>(m_vernierLine->value().value_or(0.0)), 0, m.vernierDivisions);
    m_mainScale->setUnit(asIs(uttrin::unit(m.unit).display));
    m_vernierLine->setUnit(QStringLiteral("/ %1").arg(m.vernierDivisions));
    m_vernier->setInstrument(m);
    emit edited();
}

void MercuryForm::showSteps(const std::optional<MercuryReading>& reading) {
    const auto corrected =
        reading ? stationPressure(*reading) : Result<MercuryPressure>(tl::unexpected(Failure{}));
    m_steps->setVisible(corrected.has_value());
    if (!corrected) return;
    const auto line = [](const QString& what, const QString& size) {
        return QStringLiteral("<tr><td>%1</td><td align='right'>&nbsp; %2</td></tr>")
            .arg(what.toHtmlEscaped(), size);
    };
    QString rows = line(
        tr("as read"),
        QStringLiteral("%1 %2").arg(onScreen(reading->value(), decimalsForDivision(reading->vernierStep())),
                                    asIs(uttrin::unit(reading->unit).display)));
    for (const BarometerStep& s : corrected->steps)
        rows += line(onScreen(s.label), tr("%1 Pa").arg(onScreen(fixedSigned(s.pascal, 0))));
    m_steps->setText(QStringLiteral("<table width='100%' cellspacing='0'>%1</table>").arg(rows));
}

} // namespace uttrin::app

#include "moc_MercuryForm.cpp"
