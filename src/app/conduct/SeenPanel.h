#pragma once

#include "app/controller/LessonController.h"

#include <QWidget>

class QPushButton;

namespace uttrin::app {

class ActInHand;
class FieldEdit;

/// What is seen, each on a key that no field takes and that is the same in every rig: F2 to F9, how hard it
/// boils on Alt+1 to Alt+5, liquid in a pump's line on Alt+D; the rest in one's own words.
class SeenPanel : public QWidget {
    Q_OBJECT
public:
    SeenPanel(LessonController& controller, ActInHand& hand);
    void refresh();

private:
    void stamp(const Text& what);
    LessonController& m_controller;
    ActInHand& m_hand;
    FieldEdit* m_words;
    QPushButton* m_liquid;
};

} // namespace uttrin::app
