#include "Application.h"

#include "GuardedApplication.h"
#include "MainWindow.h"
#include "Screenshots.h"
#include "app/controller/LessonController.h"
#include "app/controls/Catalogues.h"
#include "app/controls/Theme.h"
#include "app/controls/ThemeChoice.h"
#include "demo/DemoNotebook.h"
#include "resources/Fonts.h"
#include "substances/SubstanceLibrary.h"

#include <QApplication>
#include <QCommandLineParser>
#include <QIcon>

namespace uttrin::app {
namespace {

/// The system's clock moved to another moment, so that the sample lesson is shown while it is going on.
class ShiftedClock final : public Clock {
public:
    explicit ShiftedClock(Milliseconds startAt) : m_shift(startAt - m_clock.now()) {}
    [[nodiscard]] Milliseconds now() const override { return m_clock.now() + m_shift; }

private:
    SystemClock m_clock;
    Milliseconds m_shift;
};

} // namespace

int runApplication(int argc, char** argv, const std::function<void(MainWindow&, LessonController&)>& started,
                   const Clock* clock) {
    GuardedApplication app(argc, argv);
    QApplication::setApplicationName(QStringLiteral("uttrin"));
    QApplication::setOrganizationName(QStringLiteral("uttrin"));
    QApplication::setApplicationDisplayName(QStringLiteral("Uttrin"));
    QApplication::setApplicationVersion(QStringLiteral(UTTRIN_VERSION));
    installCatalogues(QLocale());
    QCommandLineParser parser;
    parser.setApplicationDescription(
        QApplication::translate("main", "Bench companion for boiling points at reduced pressure."));
    parser.addHelpOption();
    parser.addVersionOption();
    const QCommandLineOption demo(
        QStringLiteral("demo"), QApplication::translate("main", "Open the sample lesson, at its own hour."));
    const QCommandLineOption shots(
        QStringLiteral("screenshots"),
        QApplication::translate("main",
                                "With --demo: write a picture of each station into a folder and quit."),
        QStringLiteral("folder"));
    parser.addOptions({demo, shots});
    parser.addPositionalArgument(QStringLiteral("file"), QApplication::translate("main", "Notebook to open."),
                                 QStringLiteral("[file]"));
    parser.process(app);

    loadFonts();
    QApplication::setWindowIcon(QIcon(QStringLiteral(":/icons/uttrin.svg")));
    QGuiApplication::setDesktopFileName(QStringLiteral("uttrin"));
    std::ignore = systemIsDark(); // before it is covered
    applyTheme(Theme::paper());
    // Before the window, which offers them.
    const auto problems = substanceLibrary().addFolder(ownSubstanceFolder());
    const bool sample = parser.isSet(demo) || parser.isSet(shots);
    const ShiftedClock lessonClock(kDemoNow);
    const SystemClock systemClock;
    LessonController controller(clock    ? *clock
                                : sample ? static_cast<const Clock&>(lessonClock)
                                         : systemClock);
    MainWindow window(controller);
    window.show();
    if (!problems.empty()) window.tellSubstanceProblems(problems);
    if (sample && !window.openSample()) return 1;
    if (!sample && !parser.positionalArguments().isEmpty())
        window.openNotebook(parser.positionalArguments().constFirst());
    if (parser.isSet(shots)) return takeScreenshots(window, controller, parser.value(shots)) ? 0 : 1;
    if (sample) window.goTo(Station::Run);
    if (started) started(window, controller);
    return QApplication::exec();
}

} // namespace uttrin::app
