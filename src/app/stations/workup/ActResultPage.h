#pragma once

#include "app/controller/StationPage.h"

class QComboBox;
class QTextBrowser;

namespace uttrin::app {

class ActAnalyses;
class ForecastChart;
class Words;

/// A demonstration after it: what was read and seen against what was expected, and whether it went as it
/// should.
class ActResultPage : public StationPage {
    Q_OBJECT
public:
    /// @param analyses  outlive this. @param before  a control that stands at the beginning of its row.
    ActResultPage(LessonController& controller, ActAnalyses& analyses, QWidget* before);

protected:
    void refresh() override;

private:
    [[nodiscard]] const Act* act() const;
    ActAnalyses& m_analyses;
    std::optional<RowId> m_chosen;
    QComboBox* m_acts;
    Words *m_verdict, *m_evidence, *m_lowest, *m_notMeasured;
    ForecastChart* m_chart;
    QTextBrowser* m_tables;
};

} // namespace uttrin::app
