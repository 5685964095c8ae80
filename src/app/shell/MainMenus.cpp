// The menus of the main window.
#include "BenchStrip.h"
#include "ComingStation.h"
#include "MainWindow.h"
#include "MinuteTape.h"
#include "NavigationColumn.h"
#include "Outputs.h"
#include "SampleNotebook.h"
#include "ToolWindows.h"
#include "app/conduct/ActInHand.h"
#include "app/conduct/BellRinger.h"
#include "app/conduct/ClassWindow.h"
#include "app/controller/Dialogs.h"
#include "app/controls/Labels.h"
#include "app/controls/MessageLine.h"
#include "app/controls/OnScreen.h"
#include "app/controls/Theme.h"
#include "app/map/PhaseMap.h"
#include "app/photo/PhotoReader.h"
#include "app/rehearse/RehearseStation.h"
#include "app/stations/plan/PlanStation.h"
#include "app/stations/report/ReportStation.h"
#include "app/stations/rig/RigStation.h"
#include "app/stations/room/RoomStation.h"
#include "app/stations/run/RunStation.h"
#include "app/stations/workup/WorkUpStation.h"
#include "app/welcome/WelcomePage.h"
#include "lesson/commands/LessonCommands.h"
#include "lesson/commands/SelectionCommands.h"
#include "lesson/views/NavigationView.h"
#include "lesson/views/StripView.h"
#include "lesson/views/TapeView.h"

#include <QActionGroup>
#include <QApplication>
#include <QCloseEvent>
#include <QDir>
#include <QDragEnterEvent>
#include <QFileInfo>
#include <QGuiApplication>
#include <QHBoxLayout>
#include <QMenuBar>
#include <QMimeData>
#include <QSettings>
#include <QShortcut>
#include <QStackedWidget>
#include <QTimer>

namespace uttrin::app {

QAction* MainWindow::addAction(QMenu* menu, const QString& text, const QKeySequence& keys, const char* name,
                               const std::function<void(bool)>& slot, bool needsNotebook) {
    QAction* a = menu->addAction(text);
    a->setShortcut(keys);
    a->setObjectName(QLatin1String(name));
    connect(a, &QAction::triggered, this, slot);
    if (needsNotebook) m_needNotebook << a;
    return a;
}

void MainWindow::buildMenus() {
    buildNotebookMenu();
    buildEditMenu();
    buildStationsMenu();
    buildViewMenu();
    fillRecent();
    auto* open = new QShortcut(Qt::Key_F10, this);
    connect(open, &QShortcut::activated, this,
            [this] { menuBar()->setActiveAction(menuBar()->actions().constFirst()); });
}

void MainWindow::buildNotebookMenu() {
    QMenu* file = menuBar()->addMenu(tr("&Notebook"));
    addAction(
        file, tr("&New…"), QKeySequence::New, "actionNew", [this](bool) { askNew(); }, false);
    addAction(
        file, tr("&Open…"), QKeySequence::Open, "actionOpen", [this](bool) { askOpen(); }, false);
    m_recent = file->addMenu(tr("Open &recent"));
    addAction(
        file, tr("Open the &sample lesson"), {}, "actionSample", [this](bool) { openSample(); }, false);
    addAction(
        file, tr("Save a &copy…"), QKeySequence(QStringLiteral("Ctrl+Shift+S")), "actionSaveCopy",
        [this](bool) {
            const QString path =
                dialogs::saveFile(this, tr("Save a copy"), dialogs::suggestedFile(Text::tr("copy"), "uttrin"),
                                  dialogs::notebookFilter(), QStringLiteral("uttrin"));
            if (!path.isEmpty() &&
                m_controller.carryOut(&LessonCommands::saveCopy, std::filesystem::path(path.toStdString())))
                m_message->say(tr("A complete copy is in %1.").arg(path), false);
        },
        true);
    file->addSeparator();
    m_lessons = file->addMenu(tr("&Lesson"));
    addAction(
        file, tr("New l&esson"), {}, "actionNewLesson",
        [this](bool) {
            m_controller.carryOut(&LessonCommands::addLesson, Lesson{0, tr("New lesson").toStdString(), "",
                                                                     "", "", 0.0, false, 0, false});
        },
        true);
    file->addSeparator();
    addAction(
        file, tr("&Import CSV…"), QKeySequence(QStringLiteral("Ctrl+I")), "actionImport",
        [this](bool) { page<ReportStation>(Station::Report)->importCsv(); }, true);
    addAction(
        file, tr("Print the r&un sheet as PDF…"), {}, "actionPrintSheet",
        [this](bool) { saveSheet(m_controller, true, this); }, true);
    addAction(
        file, tr("Print the report…"), QKeySequence::Print, "actionPrint",
        [this](bool) { page<ReportStation>(Station::Report)->printReport(); }, true);
    addAction(
        file, tr("&Quit"), QKeySequence::Quit, "actionQuit", [this](bool) { close(); }, false);
}

void MainWindow::buildEditMenu() {
    QMenu* edit = menuBar()->addMenu(tr("&Edit"));
    m_undo = addAction(
        edit, tr("&Undo"), QKeySequence::Undo, "actionUndo",
        [this](bool) { m_controller.carryOut(&LessonCommands::undo); }, false);
    m_redo = addAction(
        edit, tr("&Redo"), QKeySequence::Redo, "actionRedo",
        [this](bool) { m_controller.carryOut(&LessonCommands::redo); }, false);
    edit->addSeparator();
    addAction(
        edit, tr("&Strike or restore the chosen point…"), QKeySequence(QStringLiteral("Ctrl+K")),
        "actionStrike",
        [this](bool) {
            if (station() == Station::Run)
                page<RunStation>(Station::Run)->strikeSelected();
            else if (station() == Station::WorkUp)
                page<WorkUpStation>(Station::WorkUp)->strikeSelected();
            else
                m_message->say(tr("Points are chosen at the Run or Work-up station."), false);
        },
        true);
    addAction(
        edit, tr("Re&take the chosen point"), QKeySequence(QStringLiteral("Ctrl+R")), "actionRetake",
        [this](bool) { page<RunStation>(Station::Run)->retakeSelected(); }, true);
    addAction(
        edit, tr("Put the chosen point into the &fit, or leave it out"),
        QKeySequence(QStringLiteral("Ctrl+F")), "actionInFit",
        [this](bool) { page<WorkUpStation>(Station::WorkUp)->toggleInFit(); }, true);
}

void MainWindow::buildStationsMenu() {
    QMenu* go = menuBar()->addMenu(tr("&Stations"));
    for (int i = 0; i < kStations; ++i)
        addAction(
            go, NavigationColumn::stationName(i), QKeySequence(QStringLiteral("Ctrl+%1").arg(i + 1)),
            qPrintable(QStringLiteral("actionStation%1").arg(i + 1)),
            [this, i](bool) { goTo(static_cast<Station>(i)); }, true);
}

void MainWindow::buildViewMenu() {
    QMenu* view = menuBar()->addMenu(tr("&View"));
    m_projector = addAction(
        view, tr("Before the class: its window on the &projector, or on one screen the theme"),
        QKeySequence(Qt::Key_F11), "actionProjector",
        [this](bool on) {
            if (QGuiApplication::screens().size() < 2)
                return useTheme({on ? QStringLiteral("projector") : m_lookBefore, m_look.percent});
            m_projector->setChecked(false); // another screen shows the class its own window
            showClass(!m_classShown->isChecked());
        },
        false);
    m_projector->setCheckable(true);
    buildThemes(view);
    buildSecondUnit(view->addMenu(tr("A second &unit of temperature")));
    buildClass(view);
    addAction(
        view, tr("All &keys"), QKeySequence(QStringLiteral("Ctrl+?")), "actionKeys",
        [this](bool) { m_tools->openKeys(); }, false);
    addAction(
        view, tr("Save the &map as a picture…"), QKeySequence(QStringLiteral("Ctrl+E")), "actionExportMap",
        [this](bool) { saveMap(m_controller, shownMap(), this); }, true);
    addAction(
        view, tr("&Dial reader"), QKeySequence(QStringLiteral("Ctrl+D")), "actionDialReader",
        [this](bool) { m_tools->openDialReader(); }, true);
    addAction(
        view, tr("P&hoto reader"), QKeySequence(QStringLiteral("Ctrl+Shift+D")), "actionPhotoReader",
        [this](bool) { m_tools->openPhotoReader(); }, true);
    addAction(
        view, tr("Listen to an &instrument…"), QKeySequence(QStringLiteral("Ctrl+Shift+L")), "actionListen",
        [this](bool) { m_tools->openListen(); }, true);
    addAction(
        view, tr("Live tr&ace"), QKeySequence(QStringLiteral("Ctrl+L")), "actionTrace",
        [this](bool) { m_tools->openTrace(); }, true);
    addAction(
        view, tr("&Boiling against height"), QKeySequence(QStringLiteral("Ctrl+H")), "actionAltitudes",
        [this](bool) { m_tools->openAltitudes(); }, true);
    addAction(
        view, tr("&Salted ice, syrup and mixtures"), QKeySequence(QStringLiteral("Ctrl+J")),
        "actionSolutions", [this](bool) { m_tools->openSolutions(); }, true);
    buildOverlays(view->addMenu(tr("&Lay other substances over the map")));
    addAction(
        view, tr("Show &all of the substance on the map"), QKeySequence(QStringLiteral("Ctrl+0")),
        "actionShowAll",
        [this](bool) {
            if (auto* map = shownMap()) map->showAll();
        },
        true);
}

/// For a class that knows another unit: said beside the usual one along the top and on the class's window.
void MainWindow::buildSecondUnit(QMenu* menu) {
    auto* group = new QActionGroup(menu);
    const QPair<QString, SecondUnit> choices[] = {{tr("&none"), SecondUnit::None},
                                                  {QStringLiteral("&K"), SecondUnit::Kelvin},
                                                  {QStringLiteral("°&F"), SecondUnit::Fahrenheit}};
    const QString key = QStringLiteral("window/secondUnit");
    useSecondUnit(static_cast<SecondUnit>(std::clamp(QSettings().value(key, 0).toInt(), 0, 2)));
    for (const auto& [title, unit] : choices) {
        QAction* action = menu->addAction(title, this, [this, unit = unit, key] {
            useSecondUnit(unit);
            QSettings().setValue(key, static_cast<int>(unit));
            m_controller.refresh();
        });
        action->setObjectName(QStringLiteral("actionSecondUnit_%1").arg(static_cast<int>(unit)));
        action->setCheckable(true);
        action->setChecked(unit == secondUnit());
        group->addAction(action);
    }
}

void MainWindow::buildClass(QMenu* view) {
    m_classShown = addAction(
        view, tr("The &class’s window"), QKeySequence(Qt::SHIFT | Qt::Key_F11), "actionClass",
        [this](bool shown) { showClass(shown); }, true);
    m_classShown->setCheckable(true);
    QAction* anyway = addAction(
        view, tr("The class sees the &forecast before it is revealed"), {}, "actionClassForecast",
        [this](bool shown) {
            if (m_class) m_class->setShowsForecast(shown);
        },
        true);
    anyway->setCheckable(true);
    QAction* muted = addAction(
        view, tr("Bells &without sound"), {}, "actionMuteBells", [this](bool on) { m_bells->setMuted(on); },
        false);
    muted->setCheckable(true);
    muted->setChecked(m_bells->isMuted());
}

void MainWindow::buildOverlays(QMenu* over) {
    for (const Substance* s : substances()) {
        QAction* a = over->addAction(onScreen(s->facts().name));
        a->setCheckable(true);
        a->setData(QString::fromStdString(s->facts().id));
        connect(a, &QAction::triggered, this, [this, a](bool on) { layOver(a->data().toString(), on); });
    }
    connect(over, &QMenu::aboutToShow, this, [this, over] {
        for (QAction* a : over->actions()) {
            a->setEnabled(m_controller.isOpen());
            a->setChecked(m_controller.isOpen() &&
                          m_controller.session().selection().isLaidOver(a->data().toString().toStdString()));
        }
    });
}

void MainWindow::useTheme(const ThemeChoice& choice) {
    const QString projector = QStringLiteral("projector");
    if (choice.theme != projector) m_lookBefore = choice.theme;
    m_look = choice;
    const Theme wanted = themeOf(choice, systemIsDark());
    const bool changes = wanted != theme(); // restyling every widget is slow, and most starts need none
    if (changes) applyTheme(wanted);
    m_projector->setChecked(choice.theme == projector);
    for (QAction* a : std::as_const(m_themes))
        a->setChecked(a->data().toString() == choice.theme);
    for (QAction* a : std::as_const(m_sizes))
        a->setChecked(a->data().toInt() == choice.percent);
    if (changes) m_controller.isOpen() ? m_controller.refresh() : showAll();
}

void MainWindow::buildThemes(QMenu* view) {
    const auto choice = [this](QMenu* menu, const QString& title, const QString& name, const QVariant& value,
                               const auto& chosen) {
        QAction* a = menu->addAction(title, this, chosen);
        a->setObjectName(name);
        a->setData(value);
        a->setCheckable(true);
        return a;
    };
    QMenu* themes = view->addMenu(tr("&Theme"));
    const auto names = themeNames();
    for (const QString& name : names)
        m_themes << choice(themes, titleOfTheme(name), QStringLiteral("actionTheme_") + name, name,
                           [this, name] {
                               useTheme({name, m_look.percent});
                           });
    QMenu* sizes = view->addMenu(tr("Te&xt size"));
    const auto percents = textSizes();
    for (const int percent : percents)
        m_sizes << choice(sizes, tr("%1 %").arg(percent), QStringLiteral("actionText_%1").arg(percent),
                          percent, [this, percent] {
                              useTheme({m_look.theme, percent});
                          });
    sizes->addSeparator();
    const auto step = [this](int by) {
        const auto all = textSizes();
        const auto at = all.indexOf(m_look.percent);
        useTheme({m_look.theme, all.value(std::clamp<qsizetype>((at < 0 ? 1 : at) + by, 0, all.size() - 1))});
    };
    addAction(
        sizes, tr("&Larger"), QKeySequence(QStringLiteral("Ctrl++")), "actionLarger",
        [step](bool) { step(1); }, false);
    addAction(
        sizes, tr("&Smaller"), QKeySequence(QStringLiteral("Ctrl+-")), "actionSmaller",
        [step](bool) { step(-1); }, false);
}

void MainWindow::wireWelcome() {
    connect(m_welcome, &WelcomePage::newRequested, this, &MainWindow::askNew);
    connect(m_welcome, &WelcomePage::openRequested, this, &MainWindow::askOpen);
    connect(m_welcome, &WelcomePage::sampleRequested, this, &MainWindow::openSample);
    connect(m_welcome, &WelcomePage::notebookPicked, this, &MainWindow::openNotebook);
    connect(m_welcome, &WelcomePage::demonstrationRequested, this, [this] {
        openAny();
        if (m_controller.isOpen()) goTo(Station::Rehearse);
    });
    connect(m_welcome, &WelcomePage::numberRequested, this, [this] {
        openAny();
        if (m_controller.isOpen()) m_tools->openDialReader();
    });
}

void MainWindow::openAny() {
    const QStringList recent = recentNotebooks();
    for (const QString& path : recent)
        if (QFileInfo::exists(path) && openNotebook(path)) return;
    openSample();
}

} // namespace uttrin::app
