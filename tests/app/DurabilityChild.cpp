#include "Driver.h"
#include "physics/Water.h"

#include <QTableView>

#include <cmath>
#include <cstdio>

// Captures through the real window without end and prints a line for each reading once the screen shows it as
// captured; the test that started it kills it. use: durability_child NOTEBOOK
int main(int argc, char** argv) {
    using namespace uttrin;
    QApplication application(argc, argv);
    app::loadFonts();
    app::applyTheme(app::Theme::light());
    uttrin::testing::Driver d(argv[1]);
    if (!d.session().room()) {
        RoomEntry e;
        e.value = 943.1;
        e.valueU = 0.3;
        if (!d.session().enterRoom(e, "start", d.clock.time)) return 1;
    }
    d.window.goTo(Station::Run);
    if (!d.session().runId()) d.type("newGroup", QStringLiteral("Cedar"), Qt::Key_Return);
    std::puts("ready");
    std::fflush(stdout);
    for (int i = 0;; ++i) {
        const double bar = -0.70 + 0.01 * (i % 60);
        const double celsius = water().boilingPoint(Pressure::fromPascal(94310.0 + bar * 1e5))->celsius();
        d.type("readFirst", QString::number(bar, 'f', 2));
        d.type("readTemperature", QString::number(std::round(celsius * 4) / 4, 'f', 2), Qt::Key_Return);
        const auto* taken = d.find<QTableView>("taken")->model();
        std::printf("%s %s\n", qPrintable(taken->index(0, 0).data().toString()),
                    qPrintable(taken->index(0, 3).data().toString()));
        std::fflush(stdout);
    }
}
