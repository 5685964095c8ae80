#pragma once

#include "app/controller/ToolWindow.h"

class QComboBox;
class QCustomPlot;
class QTableView;

namespace uttrin::app {

class Words;
class NumberField;
class TableModel;

/// Boiling point against height, as a chart and a table, with what it means for cooking.
class AltitudeWindow : public ToolWindow {
    Q_OBJECT
public:
    explicit AltitudeWindow(LessonController& controller, QWidget* parent = nullptr);

protected:
    void refresh() override;

private:
    QCustomPlot* m_chart;
    QTableView* m_table;
    TableModel* m_rows;
    QComboBox* m_process;
    NumberField* m_energy;
    Words* m_advice;
};

} // namespace uttrin::app
