#pragma once

#include "LiveBench.h"
#include "app/controller/StationPage.h"
#include "lesson/live/RigTestView.h"

class QComboBox;
class QPlainTextEdit;
class QPushButton;
class QTableView;

namespace uttrin::app {

class FieldEdit;
class NumberField;
class Segments;
class TableModel;
class TraceChart;
class Words;

/// Does the rig hold, and how far does its pump reach? A test is watched live or typed, told in kelvin of the
/// boiling points that are to be measured, kept, and compared with the one before.
class RigTestPage : public StationPage {
    Q_OBJECT
public:
    /// @param bench  outlives this. @param choice  of the faces of the station, which stands here too.
    RigTestPage(LessonController& controller, LiveBench& bench, QWidget* choice);

protected:
    void refresh() override;

private:
    QWidget* buildTest(QWidget* choice);
    QWidget* buildResult();
    void begin();
    void end();
    void stamp();
    void keep(const Trace& trace);
    void showLive();
    void showState();
    void showTest();
    [[nodiscard]] Result<Trace> typedTrace() const;
    [[nodiscard]] RigTestLimits limits() const;
    [[nodiscard]] const RigTest* chosen() const;

    LiveBench& m_bench;
    Segments *m_kind, *m_wet;
    NumberField *m_volume, *m_capture, *m_kelvin, *m_reading, *m_liquid;
    FieldEdit* m_note;
    QPlainTextEdit* m_typed;
    QPushButton *m_begin, *m_stamp, *m_keep, *m_remove, *m_use;
    QWidget* m_typedBox;
    Words *m_how, *m_verdict, *m_rate, *m_enthalpy, *m_advice, *m_comparison;
    QComboBox* m_tests;
    QTableView* m_table;
    TableModel* m_rows;
    TraceChart* m_chart;
    std::optional<double> m_begun;            ///< s of the bench's clock, while a test is watched
    std::optional<Milliseconds> m_firstStamp; ///< of what is typed
};

} // namespace uttrin::app
