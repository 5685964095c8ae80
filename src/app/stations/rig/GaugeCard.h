#pragma once

#include "app/controls/Card.h"
#include "instruments/PressureInstrument.h"

class QComboBox;
class QGridLayout;
class QLineEdit;

namespace uttrin::app {

class Words;
class NumberField;
class Segments;

/// The pressure instrument as it is declared: what its numbers count, its unit, divisions and accuracy.
class GaugeCard : public Card {
    Q_OBJECT
public:
    GaugeCard();
    void show(const PressureInstrument& gauge);
    /// Puts what the fields hold into an instrument; what is empty leaves it as it is.
    void take(PressureInstrument& gauge) const;
    /// The unit in which a pressure is said beside the instrument's own: its symbol, or nothing.
    void showAlsoUnit(const std::string& symbol);
    [[nodiscard]] std::string alsoUnit() const;

signals:
    void edited();
    void told(const QString& sentence);

private:
    void buildNames();
    void buildTube();
    void buildScale();
    void wire();
    void fillUnits(PressureConvention convention);
    void accuracyFromClass();

    QGridLayout* m_grid;
    Segments *m_convention, *m_tap, *m_display;
    Words* m_conventionNote;
    QLineEdit* m_gaugeName;
    QComboBox *m_gaugeUnit, *m_alsoUnit, *m_tubeLiquid, *m_gas;
    QWidget *m_tubeLiquidBox, *m_gasBox, *m_displayBox;
    NumberField *m_division, *m_accuracy, *m_armSum, *m_liquidTemperature, *m_oilDensity;
    NumberField *m_spanLow, *m_spanHigh, *m_class, *m_lag;
};

} // namespace uttrin::app
