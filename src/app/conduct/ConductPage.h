#pragma once

#include "app/controller/StationPage.h"
#include "lesson/acts/ActTapeView.h"
#include "lesson/views/StripView.h"

class QBoxLayout;
class QVBoxLayout;
class QComboBox;
class QPushButton;

namespace uttrin::app {

class ActInHand;
class ActTape;
class BellPanel;
class ClassPanel;
class ForecastChart;
class ReadPanel;
class RigDrawing;
class ScrollColumn;
class SeenPanel;
class StepPanel;
class Words;

/// An act before a class: the rig as it should look now, the frozen forecast with what was read, the step to
/// do, what is read and seen, the class's question, bells. Enter acts on the button that has the keyboard
/// only.
class ConductPage : public StationPage {
    Q_OBJECT
public:
    /// @param before  a control that stands at the beginning of its row.
    ConductPage(LessonController& controller, ActInHand& hand, QWidget* before);
    void takeFocus() override;

signals:
    /// The bench strip over the act, by its course.
    void stripChanged(const uttrin::StripView& view);

protected:
    void refresh() override;
    void resizeEvent(QResizeEvent* event) override;

private:
    QWidget* buildHead(QWidget* before);
    QWidget* buildFigures();
    QWidget* buildRight();
    void wireKeys();
    void tick();
    void showCourse();
    void showSteps();
    void begin();

    ActInHand& m_hand;
    QComboBox* m_acts;
    QPushButton *m_begin, *m_finish;
    ActForecasts m_forecasts;
    QVBoxLayout* m_left;
    QBoxLayout* m_pictures; ///< side by side where there is room
    RigDrawing* m_drawing;
    ForecastChart* m_chart;
    ScrollColumn* m_stepsColumn; ///< of a lab, in place of a forecast
    QWidget* m_figures;          ///< the big ones, seen while an act goes on
    Words *m_figure, *m_figureUnder, *m_next, *m_nextUnder, *m_now, *m_outlook, *m_stamps, *m_cautions,
        *m_steps;
    StepPanel* m_step;
    ReadPanel* m_read;
    SeenPanel* m_seen;
    ClassPanel* m_class;
    BellPanel* m_bells;
    ActTape* m_tape;
    ActTapeView m_minutes; ///< as the tape shows them
    QWidget* m_live;       ///< what is of use only while an act goes on
};

} // namespace uttrin::app
