#pragma once

#include "app/controller/ToolWindow.h"
#include "lesson/live/KeptTrace.h"

#include <filesystem>
#include <utility>

class QComboBox;
class QListWidget;
class QPushButton;

namespace uttrin::app {

class ColumnDialog;
class TraceChart;
class Words;

/// What instruments gave, read afterwards: a moment is moved along both curves, plateaus are offered, and
/// points are taken from it.
class TraceWindow : public ToolWindow {
    Q_OBJECT
public:
    explicit TraceWindow(LessonController& controller, QWidget* parent = nullptr);
    /// Asks for a logger's file and how it is laid out.
    void askForFile();
    /// Takes a log from the clipboard.
    void paste();

signals:
    void momentTaken(); ///< it is in the fields at Run

protected:
    void refresh() override;
    void hideEvent(QHideEvent* event) override;

private:
    void choose();
    void frame(double from, double to);
    void showChart();
    void showMoment();
    void take();
    [[nodiscard]] const KeptTrace* kept() const;
    [[nodiscard]] QString clockAt(double seconds) const;

    QComboBox* m_which;
    TraceChart* m_chart;
    Words *m_moment, *m_empty;
    QListWidget* m_places;
    [[nodiscard]] ColumnDialog* columns();

    QPushButton *m_take, *m_file, *m_paste;
    ColumnDialog* m_columns = nullptr;
    std::vector<KeptTrace> m_traces;
    std::vector<TraceSuggestion> m_suggestions;
    static constexpr std::size_t kNone = static_cast<std::size_t>(-1);
    std::size_t m_streams = kNone;                ///< that were read
    std::pair<std::filesystem::path, RowId> m_of; ///< the notebook and the lesson that they are of
    double m_from = 0.0, m_to = 60.0;
};

} // namespace uttrin::app
