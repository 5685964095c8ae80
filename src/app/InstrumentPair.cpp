#include "InstrumentPair.h"

#include "InstrumentPicture.h"

#include <QHBoxLayout>

namespace uttrin::app {

InstrumentPair::InstrumentPair(QWidget* parent) : QWidget(parent) {
    auto* row = new QHBoxLayout(this);
    row->setContentsMargins(0, 0, 0, 0);
    m_dial = new DialPicture(QStringLiteral("dialPicture"));
    m_tube = new UTubePicture(QStringLiteral("tubePicture"));
    m_glass = new ThermometerPicture(QStringLiteral("thermometerPicture"));
    m_meter = new MeterPicture(QStringLiteral("meterPicture"));
    m_dial->setMinimumSize(168, 180);
    m_tube->setMinimumSize(168, 220);
    m_glass->setMinimumSize(92, 180);
    m_glass->setMaximumWidth(130);
    m_meter->setMinimumSize(130, 180);
    m_meter->setMaximumWidth(220);
    row->addWidget(m_dial, 3);
    row->addWidget(m_tube, 3);
    row->addWidget(m_glass, 1);
    row->addWidget(m_meter, 2);
    for (InstrumentPicture* gauge :
         {static_cast<InstrumentPicture*>(m_dial), static_cast<InstrumentPicture*>(m_tube)})
        connect(gauge, &InstrumentPicture::moved, this,
                [this](double value) { emit gaugeMoved(readingAt(m_gauge, value)); });
    for (InstrumentPicture* thermometer :
         {static_cast<InstrumentPicture*>(m_glass), static_cast<InstrumentPicture*>(m_meter)})
        connect(thermometer, &InstrumentPicture::moved, this, &InstrumentPair::temperatureMoved);
}

void InstrumentPair::setInstruments(const PressureInstrument& gauge, const Thermometer& thermometer,
                                    double roomPascal) {
    m_gauge = gauge;
    const bool arms = hasTwoArms(gauge.convention);
    m_dial->setInstrument(gauge, roomPascal);
    m_tube->setInstrument(gauge);
    m_dial->setVisible(!arms);
    m_tube->setVisible(arms);
    const bool glass =
        thermometer.kind == ThermometerKind::Mercury || thermometer.kind == ThermometerKind::Spirit;
    m_glass->setInstrument(thermometer);
    m_meter->setInstrument(thermometer);
    m_glass->setVisible(glass);
    m_meter->setVisible(!glass);
}

std::optional<double> InstrumentPair::onScale(const std::optional<GaugeReading>& reading) const {
    const bool whole = reading && (!hasTwoArms(m_gauge.convention) || reading->second);
    return whole ? std::optional(scaleValue(m_gauge, *reading)) : std::nullopt;
}

void InstrumentPair::showGauge(const std::optional<GaugeReading>& reading) {
    m_dial->setValue(onScale(reading));
    m_tube->setValue(onScale(reading));
}

void InstrumentPair::showTarget(const std::optional<GaugeReading>& gauge, std::optional<double> temperature) {
    m_dial->setTarget(onScale(gauge));
    m_tube->setTarget(onScale(gauge));
    m_glass->setTarget(temperature);
    m_meter->setTarget(temperature);
}

void InstrumentPair::showTemperature(std::optional<double> reading) {
    m_glass->setValue(reading);
    m_meter->setValue(reading);
}

} // namespace uttrin::app
