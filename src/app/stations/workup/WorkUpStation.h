#pragma once

#include "app/controller/StationPage.h"

#include <array>
#include <map>

class QCheckBox;
class QStackedWidget;
class QTableView;

namespace uttrin {
struct WorkUpView;
}

namespace uttrin::app {

class ActAnalyses;
class ActResultPage;
class Faces;
class Words;
class PhaseMap;
class RunChoice;
class Segments;
class ResidualChart;
class TableModel;

/// From reading to absolute pressure to ln p and 1/T, every step written out; the fit; comparison; what could
/// be wrong.
class WorkUpStation : public StationPage {
    Q_OBJECT
public:
    /// @param analyses  of the acts; outlive this.
    WorkUpStation(LessonController& controller, ActAnalyses& analyses);

public slots:
    void strikeSelected();
    void toggleInFit();

protected:
    void refresh() override;

private:
    QWidget* buildResult();
    QWidget* buildResiduals();
    void wire();
    void showRows();
    void showSteps();
    void showResiduals(const WorkUpView& view);
    void showLines();
    void judgeStudent(int row);
    [[nodiscard]] std::optional<int> selectedRow() const;

    QWidget* buildLab();
    ActAnalyses& m_analyses;
    Faces* m_faces; ///< the lab, or an act
    Segments *m_toActs, *m_axes, *m_against, *m_method;
    RunChoice* m_run;
    PhaseMap* m_map;
    QStackedWidget* m_plot; ///< the map, or the residuals
    ResidualChart* m_residuals;
    Words *m_residualsSay, *m_orders;
    Words *m_result, *m_resultUnder, *m_comparison, *m_boils, *m_causes, *m_steps, *m_student;
    QTableView *m_table, *m_lines;
    TableModel *m_rows, *m_lineRows;
    QCheckBox *m_scale, *m_studentMode;
    std::vector<ReducedReading> m_readings;
    std::map<RowId, std::array<QString, 4>> m_answers; ///< what a student typed, by reading
};

} // namespace uttrin::app
