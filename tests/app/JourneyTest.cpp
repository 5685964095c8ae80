#include "Driver.h"
#include "app/controller/Dialogs.h"
#include "app/stations/run/RunStation.h"
#include "substances/SubstanceLibrary.h"

#include <QProcess>
#include <QTableView>

#include <cmath>

namespace uttrin {
namespace {

using testing::Driver;
using testing::TempDir;

// A real window, from New to a printed report, by keyboard and mouse, through every station.
TEST(Journey, FromANewNotebookToAReportWhoseTextCanBeReadBack) {
    ASSERT_NE(QGuiApplication::platformName(), QStringLiteral("offscreen"))
        << "this test wants a real window";
    const TempDir dir;
    Driver d;
    ASSERT_TRUE(QTest::qWaitForWindowActive(&d.window));
    app::dialogs::answerNext(QString::fromStdString((dir / "journey").string())); // the suffix is added
    d.press("welcomeNew");
    ASSERT_TRUE(d.controller.isOpen());
    ASSERT_TRUE(std::filesystem::exists(dir / "journey.uttrin"));

    d.press("roomMethod_0");
    d.type("roomValue", QStringLiteral("943.1"));
    d.type("roomUncertainty", QStringLiteral("0.3"));
    d.press("roomEnter");
    d.type("lessonTitle", QStringLiteral("A journey"));

    d.key(Qt::Key_2, Qt::ControlModifier);
    ASSERT_EQ(d.window.station(), Station::Rig);
    d.press("gaugeConvention_3");
    d.type("gaugeArmSum", QStringLiteral("82.1"));

    d.key(Qt::Key_3, Qt::ControlModifier);
    ASSERT_EQ(d.window.station(), Station::Plan);
    d.type("planCount", QStringLiteral("8"));
    ASSERT_EQ(d.session().sheet()->targets.size(), 8U);
    app::dialogs::answerNext(QString::fromStdString((dir / "sheet.pdf").string()));
    d.press("saveSheet");
    EXPECT_TRUE(std::filesystem::exists(dir / "sheet.pdf"));
    app::dialogs::answerNext(QString::fromStdString((dir / "printed.pdf").string()));
    d.press("printSheet");
    EXPECT_TRUE(std::filesystem::exists(dir / "printed.pdf"));

    d.key(Qt::Key_4, Qt::ControlModifier);
    ASSERT_EQ(d.window.station(), Station::Rehearse);
    d.key(Qt::Key_5, Qt::ControlModifier);
    ASSERT_EQ(d.window.station(), Station::Run);
    d.type("newGroup", QStringLiteral("Fjord"), Qt::Key_Return);
    while (const auto target = d.session().currentTarget()) {
        d.clock.time += 120'000;
        const double celsius = water().boilingPoint(target->absolute)->celsius();
        d.type("readFirst", QString::number(target->dial.first, 'f', 2), Qt::Key_Return);
        d.type("readSecond", QString::number(*target->dial.second, 'f', 2), Qt::Key_Return);
        d.type("readTemperature", QString::number(std::round(celsius * 4) / 4, 'f', 2), Qt::Key_Return);
        ASSERT_FALSE(d.session().draft().first) << d.text("finding").toStdString();
    }
    EXPECT_EQ(d.find<QTableView>("taken")->model()->rowCount(), 8);

    d.key(Qt::Key_6, Qt::ControlModifier);
    ASSERT_EQ(d.window.station(), Station::WorkUp);
    EXPECT_TRUE(d.text("workResult").startsWith(QStringLiteral("ΔH = 4")));
    d.key(Qt::Key_7, Qt::ControlModifier);
    ASSERT_EQ(d.window.station(), Station::Report);
    app::dialogs::answerNext(QString::fromStdString((dir / "report.pdf").string()));
    d.press("savePdf");
    d.key(Qt::Key_8, Qt::ControlModifier);
    ASSERT_EQ(d.window.station(), Station::Practise);

    QProcess reader;
    reader.start(QStringLiteral("pdftotext"),
                 {QStringLiteral("-layout"), QString::fromStdString((dir / "report.pdf").string()),
                  QStringLiteral("-")});
    ASSERT_TRUE(reader.waitForFinished());
    const QString text = QString::fromUtf8(reader.readAllStandardOutput());
    for (const char* needed :
         {"A journey", "group Fjord, run 1", "94.31 ± 0.03 kPa", "ΔH = 4", "kJ/mol", "implode"})
        EXPECT_TRUE(text.contains(QString::fromUtf8(needed))) << needed;
}

} // namespace
} // namespace uttrin
