#pragma once

#include "app/controller/StationPage.h"
#include "lesson/acts/ConductView.h"
#include "lesson/views/StripView.h"

class QCheckBox;
class QComboBox;
class QPushButton;
class QTimer;
class QVBoxLayout;

namespace uttrin::app {

class Card;
class FieldEdit;
class ForecastChart;
class NumberField;
class RigDrawing;
class Words;

/// An act before a class: the rig as its forecast has it now, the step to do with what must be so before it,
/// what is read and what is seen. Enter acts on the button that has the keyboard only; what is seen is on F2
/// to F9.
class ConductPage : public StationPage {
    Q_OBJECT
public:
    /// @param before  a control that stands at the beginning of its row.
    ConductPage(LessonController& controller, QWidget* before);
    void choose(RowId act);
    void takeFocus() override;
    /// Whether the lesson has an act to conduct.
    [[nodiscard]] bool hasActs() const;
    /// Whether the act in hand is going on: then the strip tells of it.
    [[nodiscard]] bool isLive() const;

signals:
    /// The bench strip over the act, by its frozen forecast.
    void stripChanged(const uttrin::StripView& view);

protected:
    void refresh() override;
    void keyPressEvent(QKeyEvent* event) override;

private:
    QWidget* buildHead(QWidget* before);
    QWidget* buildStep();
    QWidget* buildRead();
    QWidget* buildSeen();
    void wire();
    void tick();
    void showStep();
    void showDrawing();
    void begin();
    void confirm();
    void skip();
    void read();
    [[nodiscard]] const Act* act() const;

    FrozenForecasts m_forecasts;
    ConductView m_view;
    std::optional<RowId> m_chosen;
    int m_stepShown = -2;
    QTimer* m_clock;
    QComboBox *m_acts, *m_place;
    QPushButton *m_begin, *m_finish, *m_done, *m_skip, *m_capture;
    RigDrawing* m_drawing;
    ForecastChart* m_chart;
    Words *m_now, *m_heading, *m_says, *m_see, *m_hazard, *m_stamps, *m_cautions;
    QVBoxLayout* m_confirmations;
    NumberField* m_celsius;
    FieldEdit* m_words;
    QWidget* m_live; ///< what is of use only while an act goes on
};

} // namespace uttrin::app
