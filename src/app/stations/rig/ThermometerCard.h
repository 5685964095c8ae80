#pragma once

#include "app/controls/Card.h"
#include "app/controls/NumberField.h"
#include "app/controls/Segments.h"
#include "instruments/Thermometer.h"

class QCheckBox;
class QComboBox;
class QGridLayout;

namespace uttrin::app {

class Words;
/// The thermometer as it is declared once, and its calibration at two points.
class ThermometerCard : public Card {
    Q_OBJECT
public:
    explicit ThermometerCard(QWidget* parent = nullptr);
    void show(const Thermometer& thermometer, int utcOffsetMin); ///< emits nothing
    /// Puts what is declared into a thermometer; calibrations in other numbers than it now shows are dropped.
    void take(Thermometer& thermometer) const;
    void clearCalibration();

signals:
    void edited();
    /// Infrared: what it showed outside when a thermometer inside said so, °C.
    void paired(double shown, double insideCelsius);
    /// The person wants this calibration stored.
    void calibrated(std::optional<double> ice, std::optional<double> steam, bool alsoEarlier);

private:
    void addKind(QGridLayout* grid);
    void addPair();
    void addCalibration();
    void wire();

    QLineEdit* m_name;
    QComboBox *m_unit, *m_kind;
    Segments* m_place;
    QWidget* m_pairBox;
    NumberField *m_pairShown, *m_pairInside;
    NumberField *m_coilPerKelvin, *m_reference, *m_referenceU;
    NumberField *m_lag, *m_division, *m_accuracy, *m_nominal, *m_emergent, *m_stem;
    NumberField *m_emissivitySet, *m_emissivity, *m_reflected, *m_wall;
    NumberField *m_ice, *m_steam;
    QCheckBox* m_alsoEarlier;
    Words *m_placeNote, *m_calibration;
};

} // namespace uttrin::app
