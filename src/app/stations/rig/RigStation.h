#pragma once

#include "app/controller/StationPage.h"

class QCheckBox;
class QComboBox;
class QLabel;
class QLineEdit;
class QPushButton;

namespace uttrin::app {

class InstrumentPair;
class NumberField;
class PhaseMap;
class Segments;
class ThermometerCard;

/// Method, pressure instrument, thermometer, vessel: declared once, so that nobody converts or signs by hand
/// later.
class RigStation : public StationPage {
    Q_OBJECT
public:
    explicit RigStation(LessonController& controller);

protected:
    void refresh() override;

private:
    QWidget* buildGauge();
    QWidget* buildVessel();
    void wire();
    void apply();
    void fillUnits(PressureConvention convention);
    void showMeaning();
    void calibrate(std::optional<double> ice, std::optional<double> steam, bool alsoEarlier);
    void showSolute(const Plan& plan);
    [[nodiscard]] Solute chosenSolute() const;

    Segments *m_setup, *m_convention, *m_tap, *m_display, *m_aid;
    QLineEdit* m_gaugeName;
    ThermometerCard* m_thermometer;
    QComboBox *m_gaugeUnit, *m_substance, *m_solute, *m_tubeLiquid, *m_gas;
    QWidget *m_tubeLiquidBox, *m_gasBox, *m_displayBox;
    NumberField *m_division, *m_accuracy, *m_armSum, *m_liquidTemperature, *m_oilDensity;
    NumberField *m_soluteAmount, *m_soluteFactor;
    QPushButton* m_secondPart;
    NumberField *m_vessel, *m_liquid, *m_depth, *m_heater, *m_pump, *m_floor;
    QCheckBox* m_fresh;
    QLabel *m_meaning, *m_conventionNote;
    PhaseMap* m_map;
    InstrumentPair* m_pair;
    std::optional<Temperature> m_boils; ///< at which the instruments are shown, once a person moved one
    NumberField *m_spanLow, *m_spanHigh, *m_class;
    bool m_filling = false;
};

} // namespace uttrin::app
