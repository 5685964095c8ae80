#include "app/controller/LessonController.h"
#include "app/live/LiveBench.h"
#include "app/shell/Application.h"
#include "app/shell/MainWindow.h"
#include "lesson/actcommands/ActCommands.h"
#include "lesson/acts/Bells.h"
#include "lesson/commands/PlanCommands.h"
#include "lesson/commands/RoomCommands.h"
#include "live/ShippedProfiles.h"
#include "substances/SubstanceLibrary.h"

#include <QAbstractButton>
#include <QComboBox>
#include <QLabel>
#include <QLineEdit>
#include <QTableView>
#include <QTest>
#include <QTimer>

#include <cmath>
#include <cstdio>

// The real program with hands: started as `uttrin NOTEBOOK` is, it types and captures through its own window
// without end, and prints a line for each reading once the screen shows it as captured; the test that started
// it kills it.
namespace {

using namespace uttrin;

void type(app::MainWindow& window, const char* field, const QString& text, Qt::Key last) {
    auto* edit = window.findChild<QLineEdit*>(QLatin1String(field));
    edit->setFocus();
    edit->selectAll();
    QTest::keyClick(edit, Qt::Key_Delete);
    QTest::keyClicks(edit, text);
    QTest::keyClick(edit, last);
    QApplication::processEvents();
}

void captureOne(app::MainWindow& window, int i) {
    const double bar = -0.70 + 0.01 * (i % 60);
    const double celsius = water().boilingPoint(Pressure::fromPascal(94310.0 + bar * 1e5))->celsius();
    type(window, "readFirst", QString::number(bar, 'f', 2), Qt::Key_Tab);
    window.findChild<QPushButton*>(QStringLiteral("pumpState_0"))->click();
    type(window, "readTemperature", QString::number(std::round(celsius * 4) / 4, 'f', 2), Qt::Key_Return);
    if (window.findChild<QLabel*>(QStringLiteral("message"))->isHidden()) return;
    const auto* taken = window.findChild<QTableView*>(QStringLiteral("taken"))->model();
    std::printf("%s %s\n", qPrintable(taken->index(0, 0).data().toString()),
                qPrintable(taken->index(0, 3).data().toString()));
    std::fflush(stdout);
}

void confirmStep(app::MainWindow& window) {
    const auto boxes = window.findChildren<QAbstractButton*>();
    for (QAbstractButton* box : boxes)
        if (box->isVisible() && box->isCheckable() &&
            box->objectName().startsWith(QStringLiteral("confirm")) && !box->isChecked())
            box->click();
    if (auto* done = window.findChild<QAbstractButton*>(QStringLiteral("conductDone")); done->isEnabled())
        done->click();
    QApplication::processEvents();
}

/// Four acts at once, as a person conducts them: one after the other is chosen, led on by a step, read,
/// stamped by a key, given a bell. Prints how many stamps stand on disk once the page shows the newest.
void conductOne(app::MainWindow& window, app::LessonController& controller, int i) {
    auto* acts = window.findChild<QComboBox*>(QStringLiteral("conductAct"));
    acts->setCurrentIndex(i % acts->count());
    emit acts->activated(acts->currentIndex());
    QApplication::processEvents();
    if (auto* start = window.findChild<QAbstractButton*>(QStringLiteral("conductBegin")); start->isEnabled())
        start->click();
    QTest::keyClick(acts, static_cast<Qt::Key>(Qt::Key_F2 + i % 8));
    QApplication::processEvents();
    if (i % 7 == 0) confirmStep(window);
    if (i % 9 == 0) type(window, "conductCelsius", QString::number(40 + i % 50), Qt::Key_Return);
    if (window.findChild<QLabel*>(QStringLiteral("conductStamps"))->text().isEmpty()) return;
    std::printf("stamps %zu\n", controller.session().model().data().stamps.size());
    if (i % 5 == 0) { // a bell whose title tells when it is due on the machine's own clock
        const auto due = controller.clock().machine().ms + 600'000;
        controller.carryOut(&BellCommands::start, std::to_string(due), std::optional(600.0), std::nullopt,
                            BellSource::Hand);
    }
    std::fflush(stdout);
}

/// Whether each bell is as far from ringing as it was set, however often the program was killed since.
void tellBells(const app::LessonController& controller) {
    for (const BellView& bell : bellsOf(controller.session())) {
        const double due =
            std::stod(plain(bell.title)) - static_cast<double>(controller.clock().machine().ms);
        const double off = 0.5 * std::max(1, qEnvironmentVariableIntValue("DURABILITY_SPEED")); // s
        std::puts(std::abs(due / 1000.0 - bell.remaining) < off && bell.doubt.empty() ? "bell right"
                                                                                      : "bell wrong");
    }
}

void addActs(app::LessonController& controller) {
    for (const char* rig : {"sealed-flask", "bell-jar", "syringe", "freeze-by-boiling"}) {
        Act act;
        act.kind = ActKind::Demonstration;
        act.title = rig;
        act.rig = std::string(R"({"rig":")") + rig + R"(","values":{}})";
        controller.carryOut(&ActCommands::add, act);
    }
}

/// Listens to instruments on this machine, captures again and again what they say, and prints how far they
/// were heard: what is not in the file then is what a kill loses.
void listen(app::MainWindow& window, app::LessonController& controller, const std::string& where) {
    auto* live = window.findChild<app::LiveBench*>();
    QObject::connect(live, &app::LiveBench::moved, &window, [&window, &controller, live] {
        if (live->trail().empty()) return;
        std::printf("heard %.3f\n", live->trail().last());
        const auto captured = controller.session().draftReading().isComplete();
        if (captured) {
            window.findChild<QPushButton*>(QStringLiteral("pumpState_0"))->click();
            window.findChild<QPushButton*>(QStringLiteral("capture"))->click();
            if (auto* keep = window.findChild<QPushButton*>(QStringLiteral("keep")); keep->isVisible())
                keep->click();
            const auto* taken = window.findChild<QTableView*>(QStringLiteral("taken"))->model();
            std::printf("shown %d\n", taken->rowCount());
        }
        std::fflush(stdout);
    });
    live->listenTo(QStringLiteral("instruments"), *readEndpoint(where),
                   findProfile("pressure-and-temperature-lines")->profile);
    std::puts("ready");
    std::fflush(stdout);
}

void begin(app::MainWindow& window, app::LessonController& controller) {
    if (!controller.session().room()) {
        RoomEntry e;
        e.value = 943.1;
        e.valueU = 0.3;
        controller.carryOut(&RoomCommands::enterRoom, e, RoomRole::Start, controller.clock().now(),
                            std::nullopt, nullptr);
    }
    const bool acts = qEnvironmentVariableIsSet("DURABILITY_ACTS");
    if (acts && controller.session().model().data().acts.empty()) addActs(controller);
    window.goTo(Station::Run);
    QApplication::processEvents();
    auto* hands = new QTimer(&window);
    if (acts) {
        window.findChild<QAbstractButton*>(QStringLiteral("runFace_1"))->click();
        QApplication::processEvents();
        tellBells(controller);
        std::puts("ready");
        std::fflush(stdout);
        QObject::connect(hands, &QTimer::timeout, &window,
                         [&window, &controller, i = 0]() mutable { conductOne(window, controller, i++); });
        return hands->start(0);
    }
    if (const QByteArray where = qgetenv("DURABILITY_LISTEN"); !where.isEmpty()) {
        if (!controller.session().runId()) {
            Plan plan = controller.session().plan();
            plan.rig.gauge.convention = PressureConvention::Absolute;
            plan.rig.gauge.unit = "kPa";
            controller.carryOut(&PlanCommands::changePlan, plan, Text::typed("gauge"));
            type(window, "newGroup", QStringLiteral("Cedar"), Qt::Key_Return);
        }
        return listen(window, controller, where.toStdString());
    }
    if (!controller.session().runId()) type(window, "newGroup", QStringLiteral("Cedar"), Qt::Key_Return);
    std::puts("ready");
    std::fflush(stdout);
    QObject::connect(hands, &QTimer::timeout, &window,
                     [&window, i = 0]() mutable { captureOne(window, i++); });
    hands->start(0);
}

} // namespace

/// The machine's clock, so many times as fast: a period passes in a minute, and goes on where it was after a
/// kill.
class FastClock final : public Clock {
public:
    explicit FastClock(int speed) : m_speed(speed) {}
    [[nodiscard]] Milliseconds now() const override { return kBegan + machine().ms; }
    [[nodiscard]] Machine machine() const override {
        Machine m = m_system.machine();
        m.ms *= m_speed;
        return m;
    }

private:
    static constexpr Milliseconds kBegan = 1'780'000'000'000;
    SystemClock m_system;
    int m_speed;
};

int main(int argc, char** argv) {
    const int speed = qEnvironmentVariableIntValue("DURABILITY_SPEED");
    const FastClock fast(speed);
    return app::runApplication(argc, argv, begin, speed > 0 ? &fast : nullptr);
}
