#pragma once

#include "app/controller/LessonController.h"
#include "app/controls/Card.h"
#include "lesson/acts/ClassView.h"

class QComboBox;
class QPushButton;

namespace uttrin::app {

class ActInHand;
class FieldEdit;
class FlowLayout;
class Words;

/// The question to the class: asked, answers counted by key or by group, locked, revealed, and how it came
/// out beside them.
class ClassPanel : public Card {
    Q_OBJECT
public:
    ClassPanel(LessonController& controller, ActInHand& hand);
    void refresh();

private:
    void ask();
    void askOwn();
    void answer(const QString& said, int by);
    void takeNumber();
    void settle();
    void showChoices();
    void buildChoices();
    [[nodiscard]] QString standing() const;
    LessonController& m_controller;
    ActInHand& m_hand;
    std::optional<QuestionView> m_question; ///< in hand
    Words *m_asks, *m_standing;
    FlowLayout* m_choices;
    QComboBox* m_who;
    FieldEdit *m_number, *m_result;
    QPushButton *m_ask, *m_own, *m_lock, *m_reveal;
    QWidget *m_answers, *m_outcome;
    QString m_shown; ///< which choices are built
};

} // namespace uttrin::app
