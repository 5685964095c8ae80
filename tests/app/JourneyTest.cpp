#include "Driver.h"
#include "app/controller/Dialogs.h"
#include "app/stations/run/RunStation.h"
#include "substances/SubstanceLibrary.h"

#include <QCheckBox>
#include <QComboBox>
#include <QProcess>
#include <QTableView>

#include <cmath>

namespace uttrin {
namespace {

using testing::Driver;
using testing::TempDir;

/// What a printed page says, words apart by single spaces.
QString printed(const std::filesystem::path& pdf) {
    QProcess reader;
    reader.start(QStringLiteral("pdftotext"),
                 {QStringLiteral("-layout"), QString::fromStdString(pdf.string()), QStringLiteral("-")});
    EXPECT_TRUE(reader.waitForFinished());
    return QString::fromUtf8(reader.readAllStandardOutput()).simplified();
}

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
        d.press("pumpState_0");
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

    const QString text = printed(dir / "report.pdf");
    for (const char* needed :
         {"A journey", "group Fjord, run 1", "94.31 ± 0.03 kPa", "ΔH = 4", "kJ/mol", "implode"})
        EXPECT_TRUE(text.contains(QString::fromUtf8(needed))) << needed;
}

// The third way of a lab, in a room of its own: planned, conducted by its card, worked up, printed.
TEST(Journey, FromANewNotebookToThePrintedRecordOfADemonstration) {
    const TempDir dir;
    Driver d;
    ASSERT_TRUE(QTest::qWaitForWindowActive(&d.window));
    app::dialogs::answerNext(QString::fromStdString((dir / "acts").string()));
    d.press("welcomeNew");
    d.press("roomMethod_0");
    d.type("roomValue", QStringLiteral("802.5"));
    d.press("roomEnter");
    d.key(Qt::Key_2, Qt::ControlModifier);
    d.press("sealedCooling");
    ASSERT_EQ(d.window.station(), Station::Plan);
    ASSERT_EQ(d.session().model().data().acts.size(), 1U);
    const RowId act = d.session().model().data().acts.front().id;
    EXPECT_EQ(d.session().model().act(act)->doer, ActDoer::Groups);

    d.key(Qt::Key_5, Qt::ControlModifier);
    d.press("runFace_1");
    d.press("conductBegin");
    auto* groups = d.find<QComboBox>("conductGroup");
    const auto choose = [&](const QString& group) {
        const int known = groups->findText(group);
        groups->setCurrentIndex(known >= 0 ? known : groups->count() - 1);
        if (known < 0) app::dialogs::answerNext(group);
        emit groups->activated(groups->currentIndex());
        Driver::settle();
    };
    while (d.find<QAbstractButton>("conductDone")->isEnabled()) {
        d.clock.time += 240'000;
        const QString step = d.text("conductHeading");
        if (step.contains(QStringLiteral("look")))
            for (const char* group : {"Dune", "Ember"}) {
                choose(QLatin1String(group));
                d.key(Qt::Key_F2);
                d.type("conductCelsius", QStringLiteral("64.5"), Qt::Key_Return);
            }
        choose(groups->itemText(0));
        for (auto* box : d.window.findChildren<QCheckBox*>())
            if (box->isVisible() && box->objectName().startsWith(QStringLiteral("confirm"))) box->click();
        d.press("conductDone");
        ASSERT_NE(d.text("conductHeading"), step);
    }
    d.press("conductFinish");
    EXPECT_EQ(d.session().model().data().groups.size(), 2U);
    d.key(Qt::Key_6, Qt::ControlModifier);
    d.press("workFace_1");
    EXPECT_TRUE(d.text("resultVerdict").contains(QStringLiteral("temperatures that the groups read")))
        << d.text("resultVerdict").toStdString();

    d.key(Qt::Key_7, Qt::ControlModifier);
    auto* papers = d.find<QComboBox>("reportPaper");
    papers->setCurrentIndex(papers->findData(QVariant::fromValue<qlonglong>(act)));
    emit papers->activated(papers->currentIndex());
    Driver::settle();
    app::dialogs::answerNext(QString::fromStdString((dir / "record.pdf").string()));
    d.press("printReport");
    const QString text = printed(dir / "record.pdf");
    for (const char* needed :
         {"Record: Lab: sealed cooling", "80.25 kPa", "Dune: 64.5 °C", "What each group found",
          "2 groups: it boiled down to 64.5 °C", "Done by groups", "implode"})
        EXPECT_TRUE(text.contains(QString::fromUtf8(needed))) << needed;
}

} // namespace
} // namespace uttrin
