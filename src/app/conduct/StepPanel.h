#pragma once

#include "app/controller/LessonController.h"
#include "app/controls/Card.h"

class QPushButton;

namespace uttrin::app {

class ActInHand;
class Words;

/// The step to do, with what must be so before it. Enter acts on the button that has the keyboard only; a
/// confirmation never takes it by itself.
class StepPanel : public Card {
    Q_OBJECT
public:
    StepPanel(LessonController& controller, ActInHand& hand);
    void refresh();
    [[nodiscard]] QPushButton* doneButton() { return m_done; }

private:
    void confirm(bool again);
    void showDrain();
    void skip();
    void showConfirmations(int step);
    LessonController& m_controller;
    ActInHand& m_hand;
    RowId m_actShown = 0;
    int m_stepShown = -2;
    Words *m_heading, *m_says, *m_see, *m_hazard;
    QVBoxLayout* m_confirmations;
    QPushButton *m_done, *m_last, *m_skip;
};

} // namespace uttrin::app
