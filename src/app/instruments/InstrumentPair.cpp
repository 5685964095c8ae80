#include "InstrumentPair.h"

#include "InstrumentPicture.h"
#include "app/controls/Theme.h"

#include <QHBoxLayout>

namespace uttrin::app {

InstrumentPair::InstrumentPair(QWidget* parent) : QWidget(parent) {
    auto* row = new QHBoxLayout(this);
    row->setContentsMargins(0, 0, 0, 0);
    m_dial = new DialPicture(QStringLiteral("dialPicture"));
    m_tube = new UTubePicture(QStringLiteral("tubePicture"));
    m_glass = new ThermometerPicture(QStringLiteral("thermometerPicture"));
    m_meter = new MeterPicture(QStringLiteral("meterPicture"));
    m_display = new MeterPicture(QStringLiteral("gaugeMeterPicture"));
    m_round = new DialPicture(QStringLiteral("thermometerDialPicture"));
    m_gauges = {m_dial, m_tube, m_display};
    m_thermometers = {m_glass, m_meter, m_round};
    m_dial->setMinimumSize(168, 180);
    m_tube->setMinimumSize(168, 180);
    m_display->setMinimumSize(168, 180);
    m_display->setMaximumWidth(260);
    m_glass->setMinimumSize(92, 180);
    m_glass->setMaximumWidth(130);
    m_meter->setMinimumSize(160, 180);
    m_meter->setMaximumWidth(220);
    m_round->setMinimumSize(130, 130);
    row->addWidget(m_dial, 3);
    row->addWidget(m_tube, 3);
    row->addWidget(m_display, 3);
    row->addWidget(m_glass, 1);
    row->addWidget(m_meter, 2);
    row->addWidget(m_round, 2);
    for (InstrumentPicture* gauge : m_gauges)
        connect(gauge, &InstrumentPicture::moved, this,
                [this](double value) { emit gaugeMoved(readingAt(m_gauge, value)); });
    for (InstrumentPicture* thermometer : m_thermometers)
        connect(thermometer, &InstrumentPicture::moved, this, &InstrumentPair::temperatureMoved);
}

void InstrumentPair::setInstruments(const PressureInstrument& gauge, const Thermometer& thermometer,
                                    double roomPascal) {
    m_gauge = gauge;
    const bool arms = hasTwoArms(gauge.convention);
    m_dial->setInstrument(gauge, roomPascal);
    m_tube->setInstrument(gauge);
    m_display->setInstrument(gauge, roomPascal);
    m_dial->setVisible(!arms && !gauge.digital);
    m_tube->setVisible(arms);
    m_display->setVisible(!arms && gauge.digital);
    const bool glass =
        thermometer.kind == ThermometerKind::Mercury || thermometer.kind == ThermometerKind::Spirit;
    const bool round = thermometer.kind == ThermometerKind::Dial;
    m_glass->setInstrument(thermometer);
    m_glass->setMaximumWidth(scaled(130));
    m_glass->setMinimumWidth(scaled(104));
    m_meter->setInstrument(thermometer);
    m_round->setInstrument(thermometer);
    m_glass->setVisible(glass);
    m_meter->setVisible(!glass && !round);
    m_round->setVisible(round);
}

std::optional<double> InstrumentPair::onScale(const std::optional<GaugeReading>& reading) const {
    const bool whole = reading && (!hasTwoArms(m_gauge.convention) || reading->second);
    return whole ? std::optional(scaleValue(m_gauge, *reading)) : std::nullopt;
}

void InstrumentPair::showGauge(const std::optional<GaugeReading>& reading) {
    for (InstrumentPicture* gauge : m_gauges)
        gauge->setValue(onScale(reading));
}

void InstrumentPair::showTarget(const std::optional<GaugeReading>& gauge, std::optional<double> temperature) {
    for (InstrumentPicture* picture : m_gauges)
        picture->setTarget(onScale(gauge));
    for (InstrumentPicture* picture : m_thermometers)
        picture->setTarget(temperature);
}

void InstrumentPair::showTemperature(std::optional<double> reading) {
    for (InstrumentPicture* thermometer : m_thermometers)
        thermometer->setValue(reading);
}

} // namespace uttrin::app

#include "moc_InstrumentPair.cpp"
