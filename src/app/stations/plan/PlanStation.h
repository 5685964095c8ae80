#pragma once

#include "app/controller/StationPage.h"

class QCheckBox;
class QPushButton;
class QTableView;

namespace uttrin::app {

class Words;
class Faces;
class NumberField;
class PeriodPage;
class PhaseMap;
class Segments;
class TableModel;

/// The period with its acts; and the ladder of targets of its lab, on the phase map and as a run sheet with
/// what this instrument will show.
class PlanStation : public StationPage {
    Q_OBJECT
public:
    explicit PlanStation(LessonController& controller);
    /// Puts a lab of sealed cooling into the period, and shows that.
    void addSealedCooling();

signals:
    /// @param boilingPoints  whether the sheet shows them.
    void printRequested(bool boilingPoints);
    void saveSheetRequested(bool boilingPoints);
    void rehearseRequested(const QString& rig);

protected:
    void refresh() override;

private:
    QWidget* buildLadder();
    QWidget* buildLadderPage();
    void wire();
    void apply();
    void showSheet(const RunSheet& sheet);
    void showEnds();
    void predicted(int row, const QString& text);

    Faces* m_faces;
    PeriodPage* m_acts;
    PhaseMap* m_map;
    Segments *m_spacing, *m_criterion;
    NumberField *m_from, *m_to, *m_count, *m_step, *m_trial, *m_start, *m_period;
    QCheckBox* m_trialInFit;
    QTableView* m_table;
    TableModel* m_rows;
    Words *m_summary, *m_materials, *m_cautions, *m_problem, *m_flash;
    QPushButton* m_colder;
    bool m_filling = false;
    std::vector<Target> m_targets;
};

} // namespace uttrin::app
