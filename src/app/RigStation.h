#pragma once

#include "StationPage.h"

class QCheckBox;
class QComboBox;
class QLabel;
class QLineEdit;
class QPushButton;

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
    void wire();
    void apply();
    void fillUnits(PressureConvention convention);
    void showMeaning();
    void showSolute(const Plan& plan);
    [[nodiscard]] Solute chosenSolute() const;

    Segments *m_setup, *m_convention, *m_tap, *m_place, *m_aid;
    QLineEdit *m_gaugeName, *m_thermometerName;
    QComboBox *m_gaugeUnit, *m_thermometerUnit, *m_substance, *m_solute;
    NumberField *m_division, *m_accuracy, *m_armSum, *m_liquidTemperature;
    NumberField *m_thermometerDivision, *m_thermometerAccuracy;
    NumberField *m_soluteAmount, *m_soluteFactor;
    QPushButton* m_secondPart;
    NumberField *m_vessel, *m_liquid, *m_depth, *m_heater, *m_pump, *m_floor;
    QCheckBox* m_fresh;
    QLabel *m_meaning, *m_placeNote, *m_conventionNote;
    PhaseMap* m_map;
    bool m_filling = false;
};

} // namespace uttrin::app
