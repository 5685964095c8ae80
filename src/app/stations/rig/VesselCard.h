#pragma once

#include "app/controls/Card.h"
#include "plan/Plan.h"

class QCheckBox;
class QComboBox;
class QGridLayout;
class QPushButton;

namespace uttrin::app {

class NumberField;
class Segments;

/// Vessel, liquid, what is dissolved in it, heat and pump.
class VesselCard : public Card {
    Q_OBJECT
public:
    VesselCard();
    void show(const Plan& plan);
    /// Puts what the fields hold into a plan; what is empty leaves it as it is. The substance is not taken:
    /// see `substanceChosen`.
    void take(Plan& plan) const;

signals:
    void edited();
    void substanceChosen(const QString& id);
    void secondPartRequested();

private:
    void buildVessel();
    void buildSolute();
    void buildSources();
    void buildAid();
    void wire();
    void showSolute(const Solute& solute);
    [[nodiscard]] Solute chosenSolute() const;

    QGridLayout* m_grid;
    QComboBox *m_substance, *m_solute;
    NumberField *m_vessel, *m_liquid, *m_depth, *m_heater, *m_pump, *m_floor;
    NumberField *m_warmUp, *m_bore, *m_length;
    NumberField *m_soluteAmount, *m_soluteFactor;
    QPushButton* m_secondPart;
    Segments *m_aid, *m_heat, *m_pumpKind;
    QCheckBox* m_fresh;
};

} // namespace uttrin::app
