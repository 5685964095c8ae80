#pragma once

#include "app/controller/StationPage.h"
#include "lesson/acts/ActForecast.h"
#include "report/LessonBook.h"

class QCheckBox;
class QComboBox;
class QScrollArea;

namespace uttrin::app {

class ActAnalyses;
class Words;
/// The lab report as it will print, and everything that can be handed in or taken along.
class ReportStation : public StationPage {
    Q_OBJECT
public:
    /// @param analyses  of the acts; outlive this.
    ReportStation(LessonController& controller, ActAnalyses& analyses);

public slots:
    void savePdf();
    void saveHtml();
    void saveCsv();
    void saveActsCsv();
    void saveActsJson();
    void saveJson();
    void importCsv();
    void printReport();
    void importCsvFile(const QString& path);

protected:
    void refresh() override;

private:
    void fillPapers();
    [[nodiscard]] Result<Document> paper();
    [[nodiscard]] KnownOfAct knownOf(const Act& act);
    [[nodiscard]] PaperFor whom() const;
    void showPages();
    void showComplaints(const std::vector<Text>& complaints);
    void importActs(const std::string& text, const QString& path);
    [[nodiscard]] std::optional<Document> report();
    void saveText(const QString& title, const QString& filter, const QString& suffix,
                  const std::string& text);
    [[nodiscard]] QString suggestion(const QString& suffix) const;

    ActAnalyses& m_analyses;
    ActForecasts m_forecasts;
    QComboBox* m_papers; ///< what is shown and handed in
    QScrollArea* m_pages;
    Words *m_problem, *m_complaints;
    QCheckBox* m_student;
};

} // namespace uttrin::app
