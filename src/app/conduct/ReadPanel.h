#pragma once

#include "app/controller/LessonController.h"
#include "app/controls/Card.h"
#include "lesson/acts/ActReadings.h"

class QComboBox;
class QPushButton;

namespace uttrin::app {

class ActInHand;
class FieldEdit;
class NumberField;
class Words;

/// Where a temperature of an act is typed: in figures or in words, with which thermometer, and where.
class ReadPanel : public Card {
    Q_OBJECT
public:
    ReadPanel(LessonController& controller, ActInHand& hand);
    void refresh();

private:
    void read();
    void chooseGroup(int index);
    void showUnit();
    LessonController& m_controller;
    ActInHand& m_hand;
    std::vector<WayToRead> m_ways;
    std::string m_measures; ///< unit of what the step in hand measures
    Words* m_wanted;
    NumberField* m_figure;
    FieldEdit* m_words;
    QComboBox *m_way, *m_place, *m_group;
    QPushButton* m_capture;
};

} // namespace uttrin::app
