#include "app/controller/LessonController.h"
#include "app/shell/Application.h"
#include "app/shell/MainWindow.h"
#include "lesson/commands/RoomCommands.h"
#include "substances/SubstanceLibrary.h"

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
    type(window, "readTemperature", QString::number(std::round(celsius * 4) / 4, 'f', 2), Qt::Key_Return);
    if (window.findChild<QLabel*>(QStringLiteral("message"))->isHidden()) return;
    const auto* taken = window.findChild<QTableView*>(QStringLiteral("taken"))->model();
    std::printf("%s %s\n", qPrintable(taken->index(0, 0).data().toString()),
                qPrintable(taken->index(0, 3).data().toString()));
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
    window.goTo(Station::Run);
    QApplication::processEvents();
    if (!controller.session().runId()) type(window, "newGroup", QStringLiteral("Cedar"), Qt::Key_Return);
    std::puts("ready");
    std::fflush(stdout);
    auto* hands = new QTimer(&window);
    QObject::connect(hands, &QTimer::timeout, &window,
                     [&window, i = 0]() mutable { captureOne(window, i++); });
    hands->start(0);
}

} // namespace

int main(int argc, char** argv) { return app::runApplication(argc, argv, begin); }
