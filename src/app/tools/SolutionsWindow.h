#pragma once

#include "app/controller/ToolWindow.h"
#include "lesson/lookups/SolutionViews.h"

class QCustomPlot;
class QTableView;

namespace uttrin::app {

class Words;
class NumberField;
class Segments;
class TableModel;

/// Salted ice, syrup on the stove, and liquids mixed with water: chart, table, and what they mean at this
/// room's pressure.
class SolutionsWindow : public ToolWindow {
    Q_OBJECT
public:
    explicit SolutionsWindow(LessonController& controller, QWidget* parent = nullptr);

protected:
    void refresh() override;

private:
    void draw(const SolutionChart& chart);

    Segments* m_topic;
    NumberField* m_percent;
    QCustomPlot* m_chart;
    QTableView* m_table;
    TableModel* m_rows;
    Words *m_answer, *m_advice, *m_source;
};

} // namespace uttrin::app
