#include "MainWindow.h"

#include "BenchStrip.h"
#include "ComingStation.h"
#include "GuardedApplication.h"
#include "MinuteTape.h"
#include "NavigationColumn.h"
#include "Outputs.h"
#include "SampleNotebook.h"
#include "ToolWindows.h"
#include "app/conduct/ActAnalyses.h"
#include "app/conduct/ActInHand.h"
#include "app/conduct/BellRinger.h"
#include "app/conduct/ClassWindow.h"
#include "app/conduct/KeptForecasts.h"
#include "app/controller/Dialogs.h"
#include "app/controller/PageStack.h"
#include "app/controls/Labels.h"
#include "app/controls/MessageLine.h"
#include "app/controls/OnScreen.h"
#include "app/controls/Theme.h"
#include "app/live/LiveBench.h"
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
#include "rehearsal/Demonstrations.h"

#include <QApplication>
#include <QCloseEvent>
#include <QDateTime>
#include <QDir>
#include <QDragEnterEvent>
#include <QFile>
#include <QFileInfo>
#include <QHBoxLayout>
#include <QMenuBar>
#include <QMimeData>
#include <QScreen>
#include <QScrollArea>
#include <QSettings>
#include <QStackedWidget>
#include <QTimer>

namespace uttrin::app {

MainWindow::MainWindow(LessonController& controller)
    : m_controller(controller), m_live(new LiveBench(controller, this)), m_forecasts(new KeptForecasts(this)),
      m_hand(new ActInHand(controller, *m_forecasts, this)),
      m_analyses(new ActAnalyses(controller, *m_forecasts, this)), m_bells(new BellRinger(controller, this)),
      m_tools(new ToolWindows(controller, *m_live, this)) {
    setWindowTitle(QStringLiteral("Uttrin"));
    constexpr QSize kLeast(960, 540); // px; a screen that is smaller, or shows all twice as large, scrolls it
    setMinimumSize(kLeast.boundedTo(screen()->availableSize()));
    resize(1280, 800);
    setAcceptDrops(true);
    build();
    buildMenus();
    wire();
    restore();
    showAll();
}

MainWindow::~MainWindow() {
    m_class.reset();
    hide(); // a field that is still being typed in commits while everything that listens is there
    m_controller.disconnect(this);
}

void MainWindow::build() {
    auto* body = new QWidget;
    body->setObjectName(QStringLiteral("page"));
    auto* row = new QHBoxLayout(body);
    row->setContentsMargins(0, 0, 0, 0);
    row->setSpacing(0);
    m_navigation = new NavigationColumn;
    row->addWidget(m_navigation);
    auto* column = new QVBoxLayout;
    column->setSpacing(0);
    m_strip = new BenchStrip;
    column->addWidget(m_strip);
    m_stations = new PageStack;
    m_stations->setObjectName(QStringLiteral("stations"));
    for (int i = 0; i < kStations; ++i)
        m_stations->addWidget(new QWidget); // until the page is first opened
    QScrollArea* pages = scrolled(m_stations);
    pages->setObjectName(QStringLiteral("pages"));
    column->addWidget(pages, 1);
    m_tape = new MinuteTape;
    column->addWidget(m_tape);
    row->addLayout(column, 1);
    m_stack = new QStackedWidget;
    m_welcome = new WelcomePage;
    auto* welcome = new PageStack;
    welcome->addWidget(m_welcome);
    m_stack->addWidget(scrolled(welcome));
    m_stack->addWidget(scrolled(body));
    auto* centre = new QWidget;
    centre->setObjectName(QStringLiteral("page"));
    m_offers = new QVBoxLayout(centre);
    m_offers->setContentsMargins(0, 0, 0, 0);
    m_offers->setSpacing(0);
    m_offers->addWidget(m_stack, 1);
    setCentralWidget(centre);
    m_message = new MessageLine(menuBar());
}

QWidget* MainWindow::make(Station station) {
    switch (station) {
    case Station::Room:
        return new RoomStation(m_controller);
    case Station::Rig: {
        auto* rig = new RigStation(m_controller, *m_live);
        connect(rig, &RigStation::sealedCoolingRequested, this, [this] {
            goTo(Station::Plan);
            static_cast<PlanStation*>(page(Station::Plan))->addSealedCooling();
        });
        return rig;
    }
    case Station::Plan: {
        auto* plan = new PlanStation(m_controller);
        connect(plan, &PlanStation::printRequested, this,
                [this](bool boilingPoints) { printSheet(m_controller, boilingPoints, this); });
        connect(plan, &PlanStation::saveSheetRequested, this,
                [this](bool boilingPoints) { saveSheet(m_controller, boilingPoints, this); });
        connect(plan, &PlanStation::rehearseRequested, this, [this](const QString& rig) {
            goTo(Station::Rehearse);
            if (const Demonstration* d = findDemonstration(rig.toStdString()))
                static_cast<RehearseStation*>(page(Station::Rehearse))
                    ->choose(static_cast<int>(d - demonstrations().data()));
        });
        return plan;
    }
    case Station::Rehearse: {
        auto* rehearse = new RehearseStation(m_controller);
        connect(rehearse, &RehearseStation::stripChanged, this, [this](const StripView& view) {
            if (this->station() == Station::Rehearse) m_strip->show(view);
        });
        return rehearse;
    }
    case Station::Run: {
        auto* run = new RunStation(m_controller, *m_hand, *m_live);
        connect(run, &RunStation::pictureRequested, m_tools, &ToolWindows::showPhotoOf);
        connect(run, &RunStation::benchPictureRequested, m_tools, &ToolWindows::showBenchPicture);
        connect(run, &RunStation::listenRequested, m_tools, &ToolWindows::openListen);
        connect(run, &RunStation::traceRequested, m_tools, &ToolWindows::openTrace);
        connect(run, &RunStation::faceChanged, this, &MainWindow::showStrip);
        connect(run, &RunStation::faceChanged, this, &MainWindow::placeTape);
        connect(run, &RunStation::stripChanged, this, [this, run](const StripView& view) {
            if (this->station() == Station::Run && run->showsAct()) m_strip->show(view);
        });
        return run;
    }
    case Station::WorkUp:
        return new WorkUpStation(m_controller, *m_analyses);
    case Station::Report:
        return new ReportStation(m_controller, *m_analyses);
    case Station::Practise:
        break;
    }
    return new ComingStation(
        tr("Practise: to come"),
        tr("Here students will practise reading a dial, a U-tube and a thermometer until they get it right, "
           "on made-up instruments drawn to scale."),
        tr("Until then the Work-up station can hide its results and check what students fill in."));
}

QWidget* MainWindow::page(Station station) {
    const int index = static_cast<int>(station);
    QWidget*& made = m_pages[static_cast<std::size_t>(index)];
    if (made) return made;
    made = make(station);
    for (PhaseMap* map : made->findChildren<PhaseMap*>())
        connect(map, &PhaseMap::layOver, this, &MainWindow::layOver);
    QWidget* empty = m_stations->widget(index);
    const bool current = m_stations->currentIndex() == index;
    m_stations->insertWidget(index, made);
    m_stations->removeWidget(empty);
    delete empty;
    if (current) m_stations->setCurrentIndex(index);
    return made;
}

void MainWindow::askNew() {
    const QString path =
        dialogs::saveFile(this, tr("New notebook"), dialogs::suggestedFile(Text::tr("boiling"), "uttrin"),
                          dialogs::notebookFilter(), QStringLiteral("uttrin"));
    if (!path.isEmpty()) createNotebook(path);
}

void MainWindow::askOpen() {
    const QString path = dialogs::openFile(this, tr("Open a notebook"), dialogs::notebookFilter());
    if (!path.isEmpty()) openNotebook(path);
}

void MainWindow::wire() {
    connect(m_tools, &ToolWindows::barometerTaken, this,
            [this](const PhotoEvidence& evidence, const QString& unit) {
                goTo(Station::Room);
                page<RoomStation>(Station::Room)->takePhoto(evidence, unit);
            });
    connect(m_tools, &ToolWindows::momentTaken, this, [this] { goTo(Station::Run); });
    connect(m_live, &LiveBench::told, this, [this](const QString& what) { m_message->say(what, false); });
    wireWelcome();
    connect(m_navigation, &NavigationColumn::picked, this, [this](int i) { goTo(static_cast<Station>(i)); });
    connect(&m_controller, &LessonController::changed, this, &MainWindow::showAll);
    connect(&m_controller, &LessonController::draftChanged, this,
            [this] { m_strip->show(stripView(m_controller.session())); });
    connect(&m_controller, &LessonController::changed, m_message, &MessageLine::forgetFailure);
    connect(&m_controller, &LessonController::failed, this,
            [this](const QString& text) { m_message->say(text, true); });
    connect(&m_controller, &LessonController::said, this,
            [this](const QString& text) { m_message->say(text, false); });
    connect(m_hand, &ActInHand::changed, this, &MainWindow::showStrip);
    connect(m_bells, &BellRinger::rang, this, [this](const QString& words) {
        m_message->say(words, false);
        announce(this, words, windowTitle());
    });
    if (auto* guarded = qobject_cast<GuardedApplication*>(QCoreApplication::instance()))
        connect(guarded, &GuardedApplication::faultCaught, this, &MainWindow::tellFault);
    auto* minute = new QTimer(this); // the tape's "now" moves on
    connect(minute, &QTimer::timeout, this, [this] {
        if (m_controller.isOpen() && m_tape->isVisible()) m_tape->show(tapeView(m_controller.session()));
    });
    minute->start(15'000);
}

void MainWindow::tellFault(const QString& what) {
    m_message->say(tr("The program met a fault of its own (%1). What was captured is on disk, what is typed "
                      "stays; save a "
                      "copy of the notebook if it comes again.")
                       .arg(what),
                   true);
}

void MainWindow::tellSubstanceProblems(const std::vector<SubstanceProblem>& problems) {
    QStringList lines;
    for (const SubstanceProblem& p : problems)
        lines << onScreen(p.sentence());
    constexpr qsizetype kMost = 4;
    const QString more = lines.size() > kMost ? tr(" … and %1 more").arg(lines.size() - kMost) : QString();
    m_message->say(tr("Your own substances: %1%2").arg(lines.mid(0, kMost).join(QStringLiteral("; ")), more),
                   true);
}

PhaseMap* MainWindow::shownMap() const { return m_stations->currentWidget()->findChild<PhaseMap*>(); }

void MainWindow::layOver(const QString& substance, bool shown) {
    m_controller.carryOut(&SelectionCommands::layOver, substance.toStdString(), shown);
}

void MainWindow::showAll() {
    const bool open = m_controller.isOpen();
    if (open && m_stack->currentIndex() == 0)
        m_stations->setFocus(Qt::OtherFocusReason); // not on the navigation column
    m_stack->setCurrentIndex(open ? 1 : 0);
    for (QAction* a : m_needNotebook)
        a->setEnabled(open);
    m_undo->setEnabled(open && m_controller.session().canUndo());
    m_redo->setEnabled(open && m_controller.session().canRedo());
    if (!open) return;
    const auto& s = m_controller.session();
    m_undo->setText(s.canUndo() ? tr("&Undo: %1").arg(onScreen(s.notebook().undoLabel())) : tr("&Undo"));
    m_redo->setText(s.canRedo() ? tr("&Redo: %1").arg(onScreen(s.notebook().redoLabel())) : tr("&Redo"));
    const Lesson& lesson = s.model().lesson();
    setWindowTitle(QStringLiteral("%1%2 — %3 — Uttrin")
                       .arg(QString::fromStdString(lesson.title),
                            lesson.madeUp ? tr(" (made-up data)") : QString(),
                            QFileInfo(QString::fromStdString(s.notebook().path().string())).fileName()));
    m_navigation->show(navigationView(s));
    showStrip();
    m_tape->show(tapeView(s));
    placeTape(); // the theme may be another
    m_lessons->clear();
    for (const Lesson& l : s.notebook().lessons().value_or(std::vector<Lesson>())) {
        QAction* a = m_lessons->addAction(
            QStringLiteral("%1  %2").arg(QString::fromStdString(l.heldOn), QString::fromStdString(l.title)),
            this, [this, id = l.id] { m_controller.carryOut(&SelectionCommands::selectLesson, id); });
        a->setCheckable(true);
        a->setChecked(l.id == s.lessonId());
    }
}

void MainWindow::goTo(Station s) {
    const bool onNavigation = m_navigation->isAncestorOf(QApplication::focusWidget());
    m_navigation->setCurrent(static_cast<int>(s));
    if (onNavigation) m_navigation->station(static_cast<int>(s))->setFocus();
    if (s != station()) m_message->forgetFailure();
    m_stations->setCurrentWidget(page(s));
    placeTape();
    if (auto* shown = qobject_cast<StationPage*>(m_stations->currentWidget()); shown && !onNavigation)
        shown->takeFocus();
    showStrip();
}

/// The tape of the minutes stands under Run; not before a class on a low screen, where the points need its
/// room.
void MainWindow::placeTape() {
    constexpr int kLow = 900; // px
    const auto* run = qobject_cast<RunStation*>(m_stations->currentWidget());
    m_tape->setVisible(run && !run->isOnActs() && !(theme().large && height() < kLow));
}

void MainWindow::resizeEvent(QResizeEvent* event) {
    QMainWindow::resizeEvent(event);
    placeTape();
}

/// What is at the bench; where something is rehearsed, or an act goes on, its station shows that instead.
void MainWindow::showStrip() {
    const auto* run = qobject_cast<RunStation*>(m_stations->currentWidget());
    if (!m_controller.isOpen() || station() == Station::Rehearse || (run && run->showsAct())) return;
    m_strip->show(stripView(m_controller.session()));
}

/// On the screen that the teacher's window is not on, if there is one; else beside it.
void MainWindow::showClass(bool shown) {
    m_classShown->setChecked(shown);
    if (!shown) {
        if (m_class) m_class->hide();
        return;
    }
    if (!m_class) {
        m_class = std::make_unique<ClassWindow>(m_controller, *m_hand, *m_live);
        connect(m_class.get(), &ClassWindow::closed, this, [this] { m_classShown->setChecked(false); });
    }
    QScreen* other = nullptr;
    const auto screens = QGuiApplication::screens();
    for (QScreen* s : screens)
        if (s != screen()) other = s;
    if (other) {
        m_class->setGeometry(other->geometry());
        m_class->showFullScreen();
    } else {
        m_class->show();
    }
    m_class->raise();
    activateWindow(); // the keyboard stays with the teacher
}

Station MainWindow::station() const { return static_cast<Station>(m_stations->currentIndex()); }

void MainWindow::restore() {
    const QSettings settings;
    restoreGeometry(settings.value(QStringLiteral("window/geometry")).toByteArray());
    const ThemeChoice usual;
    useTheme({settings.value(QStringLiteral("window/theme"), usual.theme).toString(),
              settings.value(QStringLiteral("window/textSize"), usual.percent).toInt()});
    goTo(Station::Room);
}

void MainWindow::closeEvent(QCloseEvent* event) {
    QSettings settings;
    settings.setValue(QStringLiteral("window/geometry"), saveGeometry());
    settings.setValue(QStringLiteral("window/theme"), m_look.theme);
    settings.setValue(QStringLiteral("window/textSize"), m_look.percent);
    if (m_class) m_class->close();
    dropUnchangedSample();
    event->accept();
}

void MainWindow::dragEnterEvent(QDragEnterEvent* event) {
    if (event->mimeData()->hasUrls()) event->acceptProposedAction();
}

void MainWindow::dropEvent(QDropEvent* event) {
    const auto urls = event->mimeData()->urls();
    for (const QUrl& url : urls) {
        const QString path = url.toLocalFile();
        if (path.endsWith(QLatin1String(".csv"), Qt::CaseInsensitive) && m_controller.isOpen())
            page<ReportStation>(Station::Report)->importCsvFile(path);
        else if (PhotoReader::isPicture(path) && m_controller.isOpen())
            m_tools->openPhotoReader()->openPicture(path);
        else if (!path.isEmpty())
            openNotebook(path);
    }
}

} // namespace uttrin::app

#include "moc_MainWindow.cpp"
