#pragma once

#include "StationPage.h"

class QCheckBox;
class QComboBox;
class QGridLayout;
class QLabel;
class QLineEdit;
class QPushButton;
class QVBoxLayout;

namespace uttrin::app {

class NumberField;
class PhaseMap;
class Segments;

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
    QWidget* buildThermometer();
    QWidget* buildVessel();
    void addThermometerKind(QGridLayout* grid);
    void addCalibration(QVBoxLayout* column);
    void showThermometer(const Thermometer& thermometer);
    void takeThermometer(Thermometer& thermometer) const;
    void wire();
    void apply();
    void fillUnits(PressureConvention convention);
    void showMeaning();
    void showSolute(const Plan& plan);
    [[nodiscard]] Solute chosenSolute() const;

    Segments *m_setup, *m_convention, *m_tap, *m_place, *m_aid;
    QLineEdit *m_gaugeName, *m_thermometerName;
    QComboBox *m_gaugeUnit, *m_thermometerUnit, *m_substance, *m_solute, *m_tubeLiquid, *m_gas;
    QWidget *m_tubeLiquidBox, *m_gasBox;
    NumberField *m_division, *m_accuracy, *m_armSum, *m_liquidTemperature, *m_oilDensity;
    NumberField *m_thermometerDivision, *m_thermometerAccuracy;
    QComboBox* m_kind;
    NumberField *m_nominal, *m_emergent, *m_stem, *m_emissivitySet, *m_emissivity, *m_reflected, *m_wall;
    NumberField *m_ice, *m_steam;
    QCheckBox* m_alsoEarlier;
    QLabel* m_calibration;
    NumberField *m_soluteAmount, *m_soluteFactor;
    QPushButton* m_secondPart;
    NumberField *m_vessel, *m_liquid, *m_depth, *m_heater, *m_pump, *m_floor;
    QCheckBox* m_fresh;
    QLabel *m_meaning, *m_placeNote, *m_conventionNote;
    PhaseMap* m_map;
    bool m_filling = false;
};

} // namespace uttrin::app
