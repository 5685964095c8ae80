#pragma once

#include "instruments/PressureInstrument.h"
#include "instruments/Thermometer.h"

#include <QWidget>

#include <array>

namespace uttrin::app {

class DialPicture;
class InstrumentPicture;
class MeterPicture;
class ThermometerPicture;
class UTubePicture;

/// The two instruments of a rig side by side, as they look: its gauge or U-tube, and its thermometer. Both
/// follow values and can be set by hand.
class InstrumentPair : public QWidget {
    Q_OBJECT
public:
    explicit InstrumentPair(QWidget* parent = nullptr);
    /// @param roomPascal  for the span of a dial that declares none.
    void setInstruments(const PressureInstrument& gauge, const Thermometer& thermometer, double roomPascal);
    void showGauge(const std::optional<GaugeReading>& reading);
    void showTemperature(std::optional<double> reading); ///< as the thermometer shows it
    /// What both will show at the next target; either may be empty.
    void showTarget(const std::optional<GaugeReading>& gauge, std::optional<double> temperature);

signals:
    void gaugeMoved(const GaugeReading& reading); ///< by the person
    void temperatureMoved(double reading);        ///< by the person

private:
    [[nodiscard]] std::optional<double> onScale(const std::optional<GaugeReading>& reading) const;
    PressureInstrument m_gauge;
    // One of each group is shown.
    DialPicture* m_dial;
    UTubePicture* m_tube;
    MeterPicture* m_display;
    ThermometerPicture* m_glass;
    MeterPicture* m_meter;
    DialPicture* m_round;
    std::array<InstrumentPicture*, 3> m_gauges, m_thermometers; ///< the same, by group
};

} // namespace uttrin::app
