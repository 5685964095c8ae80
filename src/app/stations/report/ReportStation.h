#pragma once

#include "app/controller/StationPage.h"
#include "report/Document.h"

class QCheckBox;
class QScrollArea;

namespace uttrin::app {

class Words;
/// The lab report as it will print, and everything that can be handed in or taken along.
class ReportStation : public StationPage {
    Q_OBJECT
public:
    explicit ReportStation(LessonController& controller);

public slots:
    void savePdf();
    void saveHtml();
    void saveCsv();
    void saveJson();
    void importCsv();
    void printReport();
    void importCsvFile(const QString& path);

protected:
    void refresh() override;

private:
    void showPages();
    [[nodiscard]] std::optional<Document> report();
    void saveText(const QString& title, const QString& filter, const QString& suffix,
                  const std::string& text);
    [[nodiscard]] QString suggestion(const QString& suffix) const;

    QScrollArea* m_pages;
    Words *m_problem, *m_complaints;
    QCheckBox* m_student;
};

} // namespace uttrin::app
