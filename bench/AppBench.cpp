#include "app/conduct/ActInHand.h"
#include "app/controller/LessonController.h"
#include "app/controls/Theme.h"
#include "app/live/LiveBench.h"
#include "app/map/PhaseMap.h"
#include "app/rehearse/KnobField.h"
#include "app/rehearse/RehearseStation.h"
#include "app/shell/MainWindow.h"
#include "demo/DemoNotebook.h"
#include "feeds/Outlets.h"
#include "lesson/actcommands/ActCommands.h"
#include "lesson/actcommands/ConductCommands.h"
#include "lesson/acts/ActRig.h"
#include "lesson/acts/ConductView.h"
#include "lesson/commands/LessonCommands.h"
#include "lesson/commands/SelectionCommands.h"
#include "lesson/model/StartingPlan.h"
#include "live/ShippedProfiles.h"
#include "plan/PlanJson.h"
#include "rehearsal/Demonstrations.h"
#include "resources/Fonts.h"
#include "substances/SubstanceLibrary.h"
#include "support/FakeClock.h"
#include "support/StillInstruments.h"
#include "support/TempDir.h"

#include <QAbstractButton>
#include <QApplication>
#include <QLabel>
#include <QLineEdit>
#include <QTest>
#include <benchmark/benchmark.h>

#include <cmath>
#include <fstream>
#include <sstream>

namespace {

using namespace uttrin;

/// Opens a notebook in a new window and waits for its first picture.
void firstPicture(benchmark::State& state, const std::filesystem::path& path) {
    const uttrin::testing::FakeClock clock;
    for (auto _ : state) {
        app::LessonController controller(clock);
        app::MainWindow window(controller);
        window.openNotebook(QString::fromStdString(path.string()));
        window.show();
        QApplication::processEvents();
        benchmark::DoNotOptimize(window.grab());
    }
    std::ifstream status("/proc/self/status");
    for (std::string line; std::getline(status, line);)
        if (line.rfind("VmRSS:", 0) == 0) state.counters["resident_MB"] = std::stod(line.substr(6)) / 1024.0;
}

void firstPictureOfTheSampleLesson(benchmark::State& state) {
    const uttrin::testing::TempDir dir;
    (void)writeDemoNotebook(dir / "d.uttrin");
    firstPicture(state, dir / "d.uttrin");
}
BENCHMARK(firstPictureOfTheSampleLesson)->Unit(benchmark::kMillisecond)->UseRealTime();

/// 1 000 runs with 100 readings each, in one lesson.
void writeLargeNotebook(const std::filesystem::path& path) {
    auto notebook = *Notebook::create(path);
    (void)notebook.perform(Text::typed("fill"), [](Notebook::Editor& edit) {
        const RowId lesson = edit.insert(Lesson{0, "large", "", "", "2026-04-23", 0, false, 0, true});
        edit.insert(
            RoomRecord{0,
                       lesson,
                       {},
                       RoomRole::Start,
                       0,
                       0,
                       "{\"method\":\"barometer\",\"reading\":\"943.1 hPa\",\"uncertainty\":\"0.3 hPa\"}",
                       true});
        const RowId setup =
            edit.insert(Setup{0, lesson, "plan", writePlan(startingPlan(Method::HoldPressure)), {}});
        for (int r = 0; r < 1000; ++r) {
            const RowId run = edit.insert(
                Run{0, setup, edit.insert(Group{0, lesson, "group " + std::to_string(r)}), 1, 0, {}});
            for (int i = 0; i < 100; ++i) {
                Reading reading;
                reading.runId = run;
                reading.position = i + 1;
                reading.first = -0.74 + 0.007 * i;
                reading.temperature =
                    water().boilingPoint(Pressure::fromPascal(94310.0 + 1e5 * reading.first))->celsius();
                edit.insert(reading);
            }
        }
    });
}

void firstPictureOfAHundredThousandReadings(benchmark::State& state) {
    const uttrin::testing::TempDir dir;
    writeLargeNotebook(dir / "l.uttrin");
    firstPicture(state, dir / "l.uttrin");
}
BENCHMARK(firstPictureOfAHundredThousandReadings)->Unit(benchmark::kMillisecond)->UseRealTime();

/// The sample lesson, opened in a window.
struct SampleWindow {
    /// @param points  so many more in its last run.
    explicit SampleWindow(int points = 0) {
        (void)writeDemoNotebook(dir / "d.uttrin");
        if (points > 0) addPoints(points);
        window.openNotebook(QString::fromStdString((dir / "d.uttrin").string()));
    }
    void addPoints(int points) {
        auto notebook = *Notebook::open(dir / "d.uttrin");
        const auto lesson = *notebook.load(notebook.lessons()->front().id);
        const RowId run = lesson.runs.back().id;
        Reading reading = lesson.readings.back();
        (void)notebook.perform(Text::typed("fill"), [&](Notebook::Editor& edit) {
            for (int i = 0; i < points; ++i) {
                reading.runId = run;
                reading.zeroId.reset();
                reading.position = 100 + i;
                reading.first = 57.65 + 0.001 * (i % 100);
                edit.insert(reading);
            }
        });
    }

    uttrin::testing::TempDir dir;
    uttrin::testing::FakeClock clock;
    app::LessonController controller{clock};
    app::MainWindow window{controller};
};

/// Counts how often a widget paints itself.
struct PaintCounter : QObject {
    bool eventFilter(QObject*, QEvent* event) override {
        maps += event->type() == QEvent::Paint ? 1 : 0;
        return false;
    }
    int maps = 0;
};

/// Three instruments on this machine, each at ten readings a second, that are listened to as long as this
/// lives.
class Listening {
public:
    explicit Listening(app::MainWindow& window) : m_live(window.findChild<app::LiveBench*>()) {
        OutletSettings settings;
        settings.tcpPort = 0;
        constexpr int kInstruments = 3;
        for (int i = 0; i < kInstruments; ++i) {
            m_outlets.push_back(std::make_unique<Outlets>(m_shown, settings));
            if (const auto where = m_outlets.back()->open())
                m_live->listenTo(QString::number(i), *readEndpoint(where->front()),
                                 findProfile("pressure-and-temperature-lines")->profile);
        }
        constexpr int kUntilAllSpeak = 3000; // ms
        QTest::qWait(kUntilAllSpeak);
    }
    ~Listening() { m_live->stop(); }
    Listening(const Listening&) = delete;
    Listening& operator=(const Listening&) = delete;

private:
    uttrin::testing::StillInstruments m_shown;
    std::vector<std::unique_ptr<Outlets>> m_outlets;
    app::LiveBench* m_live;
};

/// From the key to the reading on disk and on the screen, with so many points in the run before, and
/// instruments that are listened to meanwhile or none.
void captureToShown(benchmark::State& state) {
    SampleWindow sample(static_cast<int>(state.range(0)));
    app::LessonController& controller = sample.controller;
    app::MainWindow& window = sample.window;
    controller.carryOut(&SelectionCommands::selectRun, controller.session().model().data().runs.back().id);
    window.show();
    window.goTo(Station::Run);
    QApplication::processEvents();
    auto* last = window.findChild<QLineEdit*>(QStringLiteral("readTemperature"));
    std::optional<Listening> listening;
    if (state.range(1) > 0) listening.emplace(window);
    PaintCounter painted;
    for (auto* map : window.findChildren<app::PhaseMap*>())
        if (map->isVisible())
            for (QWidget* part : map->findChildren<QWidget*>())
                part->installEventFilter(&painted);
    for (auto _ : state) {
        state.PauseTiming();
        BenchDraft draft;
        draft.first = 57.65;
        draft.second = 24.45;
        draft.temperature = 81.4;
        draft.isolated = true;
        controller.setDraft(draft);
        controller.refresh();
        QApplication::processEvents();
        state.ResumeTiming();
        painted.maps = 0;
        QTest::keyClick(last, Qt::Key_Return);
        QApplication::processEvents();
        if (painted.maps == 0) state.SkipWithError("the map was not painted again");
        state.PauseTiming();
        controller.carryOut(
            &LessonCommands::undo); // the next one is captured into the same run, not into a longer one
        state.ResumeTiming();
    }
}
BENCHMARK(captureToShown)
    ->Args({0, 0})
    ->Args({1000, 0})
    ->Args({0, 1})
    ->Unit(benchmark::kMillisecond)
    ->UseRealTime();

/// From the key to the step stamped on disk and on the screen, the forecast drawn again with it.
void stepConfirmedToShown(benchmark::State& state) {
    SampleWindow sample;
    sample.window.show();
    sample.window.goTo(Station::Run);
    sample.window.findChild<QAbstractButton*>(QStringLiteral("runFace_1"))->click();
    QTest::qWait(3000); // its forecast is drawn, and what was read is learned
    auto* done = sample.window.findChild<QAbstractButton*>(QStringLiteral("conductDone"));
    auto* heading = sample.window.findChild<QLabel*>(QStringLiteral("conductHeading"));
    for (auto _ : state) {
        const QString before = heading->text();
        done->click();
        QApplication::processEvents();
        if (heading->text() == before) state.SkipWithError("the step is not shown as done");
        state.PauseTiming();
        sample.controller.carryOut(&LessonCommands::undo);
        QTest::qWait(300);
        state.ResumeTiming();
    }
}
BENCHMARK(stepConfirmedToShown)->Unit(benchmark::kMillisecond)->UseRealTime()->Iterations(30);

/// A tick of the page while four acts go on: time, forecast, drawing, tape and bells follow it.
void tickOfFourActs(benchmark::State& state) {
    SampleWindow sample;
    for (const char* rig : {"bell-jar", "syringe", "snow-under-vacuum"}) {
        Act act;
        act.kind = ActKind::Demonstration;
        act.title = rig;
        act.rig = std::string(R"({"rig":")") + rig + R"(","values":{}})";
        const auto id = sample.controller.carryOut(&ActCommands::add, act);
        const auto frozen =
            toFreeze(sample.controller.session(), *sample.controller.session().model().act(*id));
        sample.controller.carryOut(&ConductCommands::begin, *id, *frozen);
    }
    sample.window.show();
    sample.window.goTo(Station::Run);
    sample.window.findChild<QAbstractButton*>(QStringLiteral("runFace_1"))->click();
    QTest::qWait(4000);
    auto* hand = sample.window.findChild<app::ActInHand*>();
    for (auto _ : state) {
        sample.clock.time += 100;
        emit hand->moved();
        QApplication::processEvents();
    }
}
BENCHMARK(tickOfFourActs)->Unit(benchmark::kMillisecond);

/// From a changed value to a path of it, or a part of one, on the screen.
void firstPathAfterAChange(benchmark::State& state, std::string_view id) {
    SampleWindow sample;
    app::MainWindow& window = sample.window;
    window.resize(1280, 800);
    window.show();
    window.goTo(Station::Rehearse);
    auto* station = window.findChild<app::RehearseStation*>();
    station->choose(static_cast<int>(findDemonstration(id) - demonstrations().data()));
    bool shown = false;
    auto* map = window.findChild<app::PhaseMap*>(QStringLiteral("rehearseMap"));
    QObject::connect(station, &app::RehearseStation::stripChanged, &window, [&] {
        if (shown) return; // the rest of the path, and the one beside it
        map->redraw();
        benchmark::DoNotOptimize(window.grab());
        shown = true;
    });
    const auto next = [&] {
        shown = false;
        while (!shown)
            QApplication::processEvents(QEventLoop::WaitForMoreEvents);
    };
    next();
    auto* knob = station->findChildren<app::KnobField*>().last(); // those before it may be of another rig
    bool more = false;
    for (auto _ : state) {
        more = !more;
        emit knob->turned(std::lerp(knob->knob().low, knob->knob().high, more ? 0.4 : 0.3));
        next();
        state.PauseTiming();
        while (!station->isReady())
            QApplication::processEvents(QEventLoop::WaitForMoreEvents);
        state.ResumeTiming();
    }
}
BENCHMARK_CAPTURE(firstPathAfterAChange, sealedFlask, "sealed-flask")
    ->Unit(benchmark::kMillisecond)
    ->UseRealTime();
BENCHMARK_CAPTURE(firstPathAfterAChange, handWarmedBulb, "hand-warmed-bulb")
    ->Unit(benchmark::kMillisecond)
    ->UseRealTime();
BENCHMARK_CAPTURE(firstPathAfterAChange, thingsThatSwell, "things-that-swell")
    ->Unit(benchmark::kMillisecond)
    ->UseRealTime();

void mapRedrawWithTenThousandPoints(benchmark::State& state) {
    MapView view;
    view.roomPascal = 94310.0;
    view.gauge = startingPlan(Method::HoldPressure).rig.gauge;
    view.lowPascal = 9e3;
    view.highPascal = 107e3;
    view.lowKelvin = 315.0;
    view.highKelvin = 377.0;
    for (int i = 0; i < 10'000; ++i) {
        const double pascal = 10e3 + 9.0 * i;
        view.points.push_back(
            {i, water().boilingPoint(Pressure::fromPascal(pascal))->kelvin() + 0.8 * std::sin(i * 1.7),
             pascal, 0.2, 300.0, false, true, i % 5, i % 3 == 0});
    }
    app::PhaseMap map;
    map.resize(640, 520);
    map.show(view);
    for (auto _ : state)
        map.redraw();
}
BENCHMARK(mapRedrawWithTenThousandPoints)->Unit(benchmark::kMillisecond);

} // namespace

int main(int argc, char** argv) {
    QApplication application(argc, argv);
    QCoreApplication::setOrganizationName(QStringLiteral("uttrin-bench"));
    loadFonts();
    app::applyTheme(app::Theme::paper());
    benchmark::Initialize(&argc, argv);
    benchmark::RunSpecifiedBenchmarks();
    return 0;
}
