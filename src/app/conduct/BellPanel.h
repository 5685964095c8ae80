#pragma once

#include "app/controller/LessonController.h"
#include "app/controls/Card.h"
#include "lesson/acts/ActForecast.h"
#include "lesson/acts/Bells.h"

class QPushButton;
class QVBoxLayout;

namespace uttrin::app {

class ActInHand;
class FieldEdit;
class NumberField;

/// Bells that are running, what rings next first; a new one from the model's next move, or by hand.
class BellPanel : public Card {
    Q_OBJECT
public:
    /// @param forecasts  outlive this.
    BellPanel(LessonController& controller, ActInHand& hand, ActForecasts& forecasts);
    void refresh();
    void tick(); ///< only the times move

private:
    struct Row;
    void build(const std::vector<BellView>& bells);
    void start(bool up);
    void ringForNext();
    void ringForPlan();
    void ringForHands();
    LessonController& m_controller;
    ActInHand& m_hand;
    ActForecasts& m_forecasts;
    QVBoxLayout* m_rows;
    std::vector<Row*> m_shown;
    QPushButton *m_next, *m_plan, *m_hands;
    FieldEdit *m_title, *m_minutes;
};

} // namespace uttrin::app
