#pragma once

#include "app/controller/LessonController.h"
#include "app/controls/ThemeChoice.h"
#include "lesson/views/NavigationView.h"
#include "substances/SubstanceLibrary.h"

#include <QMainWindow>

#include <array>
#include <functional>
#include <memory>

class QMenu;
class QStackedWidget;
class QVBoxLayout;

namespace uttrin::app {

class ActAnalyses;
class ActInHand;
class BellRinger;
class BenchStrip;
class ClassWindow;
class KeptForecasts;
class LiveBench;
class MessageLine;
class MinuteTape;
class PhaseMap;
class NavigationColumn;
class PageStack;
class ToolWindows;
class WelcomePage;

/// The window: navigation column, bench strip, the station in hand, minute tape, and a line that says what
/// just happened.
class MainWindow : public QMainWindow {
    Q_OBJECT
public:
    explicit MainWindow(LessonController& controller);
    ~MainWindow() override;

    /// Opens a notebook, and remembers it among the recent ones.
    bool openNotebook(const QString& path);
    bool createNotebook(const QString& path);
    /// Says which of the person's own substances could not be read, and why.
    void tellSubstanceProblems(const std::vector<SubstanceProblem>& problems);
    /// Says that an exception reached the event loop, and what is safe.
    void tellFault(const QString& what);
    void goTo(Station station);
    [[nodiscard]] Station station() const;
    /// Opens a copy of the sample in a folder of the person's own, so that the sample stays as it is. The
    /// copy goes when it is left unchanged.
    bool openSample();

protected:
    void closeEvent(QCloseEvent* event) override;
    void resizeEvent(QResizeEvent* event) override;
    void dragEnterEvent(QDragEnterEvent* event) override;
    void dropEvent(QDropEvent* event) override;

private:
    void build();
    void placeTape();
    void showStrip();
    void showClass(bool shown);
    void buildSecondUnit(QMenu* menu);
    void buildClass(QMenu* view);
    void buildMenus();
    void buildNotebookMenu();
    void buildEditMenu();
    void buildStationsMenu();
    void buildViewMenu();
    void buildOverlays(QMenu* over);
    /// @param needsNotebook  it can be chosen only while one is open. @param slot  gets to know whether it is
    /// checked.
    QAction* addAction(QMenu* menu, const QString& text, const QKeySequence& keys, const char* name,
                       const std::function<void(bool)>& slot, bool needsNotebook);
    void wire();
    /// The page of a station, built when it is first asked for.
    QWidget* page(Station station);
    template <typename Page>
    Page* page(Station station) {
        return static_cast<Page*>(page(station));
    }
    [[nodiscard]] QWidget* make(Station station);
    void askNew();
    void askOpen();
    void showAll();
    /// Paths, the last one first.
    [[nodiscard]] static QStringList recentNotebooks();
    void rememberRecent(const QString& path);
    void fillRecent();
    void wireWelcome();
    /// The notebook that was open last, or the sample lesson where there is none: for what needs a room, not
    /// a lab.
    void openAny();
    void offerSalvage(const QString& path);
    void layOver(const QString& substance, bool shown);
    /// The phase map of the station in hand, if it has one.
    [[nodiscard]] PhaseMap* shownMap() const;
    void useTheme(const ThemeChoice& choice);
    void buildThemes(QMenu* view);
    void restore();
    void dropUnchangedSample();

    LessonController& m_controller;
    LiveBench* m_live;
    KeptForecasts* m_forecasts;
    ActInHand* m_hand;
    ActAnalyses* m_analyses;
    BellRinger* m_bells;
    std::unique_ptr<ClassWindow> m_class; ///< what the class sees; none until it is first opened
    ToolWindows* m_tools;
    NavigationColumn* m_navigation;
    BenchStrip* m_strip;
    QStackedWidget* m_stack;
    PageStack* m_stations;
    std::array<QWidget*, kStations> m_pages{};
    MinuteTape* m_tape;
    WelcomePage* m_welcome;
    MessageLine* m_message;
    QVBoxLayout* m_offers; ///< the centre, with offers under it
    QMenu *m_recent, *m_lessons;
    QAction *m_undo, *m_redo, *m_projector, *m_classShown;
    QList<QAction*> m_themes, m_sizes;
    ThemeChoice m_look;
    QString m_lookBefore = QStringLiteral("system"); ///< to which the projector gives way again
    QList<QAction*> m_needNotebook;
    QString m_sample; ///< copy that is open; empty for any other notebook
};

} // namespace uttrin::app
