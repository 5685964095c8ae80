#pragma once

#include "app/controller/LessonController.h"
#include "app/controls/Card.h"
#include "lesson/acts/ActForecast.h"

class QComboBox;
class QPushButton;

namespace uttrin::app {

class ActSetUp;
class FieldEdit;
class FlowLayout;
class NumberField;
class Segments;
class Words;

/// The act that is chosen in the period, with this teacher's own values. What is typed is stored at once.
class ActCard : public Card {
    Q_OBJECT
public:
    explicit ActCard(LessonController& controller);
    /// @param act  null: none is chosen.
    void show(const Act* act, const ActForecast& forecast);
    void takeFocus();

signals:
    /// The demonstration of an act, its variant and its values, are to be seen at Rehearse.
    void rehearseRequested(const QString& rig);
    void rigKept(); ///< among the person's own

private:
    void build();
    void wire();
    void showRig(const Act& act);
    void store(const std::function<void(Act&)>& change, const Text& label);
    void storeKnob(const RigKnob& knob, double si);
    void storeRig(const std::function<void(ActRig&)>& change, const Text& label);
    void keepRig();
    LessonController& m_controller;
    std::optional<Act> m_act;
    std::string m_shownRig; ///< for which the fields of its values were made
    FieldEdit* m_title;
    Segments* m_doer;
    QComboBox* m_variant;
    NumberField *m_starts, *m_lasts, *m_readyAt, *m_readyAtCelsius;
    QWidget *m_fields, *m_wishes, *m_variantRow;
    FlowLayout* m_knobs;
    ActSetUp* m_setUp;
    Words *m_empty, *m_says;
    std::optional<double> m_wishStarts; ///< s of the period
    QPushButton *m_toWish, *m_rehearse, *m_keep, *m_skip, *m_away;
};

} // namespace uttrin::app
