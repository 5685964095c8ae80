#include "Driver.h"
#include "app/controller/Dialogs.h"
#include "app/controls/OnScreen.h"
#include "app/map/PhaseMap.h"
#include "app/shell/BenchStrip.h"
#include "app/shell/MinuteTape.h"
#include "app/shell/NavigationColumn.h"
#include "app/tables/TableModel.h"
#include "lesson/commands/PlanCommands.h"
#include "lesson/commands/RunCommands.h"
#include "lesson/exchange/Exports.h"

#include <QAction>
#include <QCheckBox>
#include <QComboBox>
#include <QMenu>
#include <QMimeData>
#include <QSettings>
#include <QTableView>

#include <fstream>

namespace uttrin {
namespace {

using testing::Driver;
using testing::TempDir;

class WindowTest : public testing::SampleLesson {
protected:
    void trigger(const char* action) {
        auto* a = d->window.findChild<QAction*>(QLatin1String(action));
        ASSERT_NE(a, nullptr) << action;
        ASSERT_TRUE(a->isEnabled()) << action;
        a->trigger();
        Driver::settle();
    }
};

TEST_F(WindowTest, TheTitleSaysThatTheDataAreMadeUp) {
    EXPECT_TRUE(d->window.windowTitle().contains(QStringLiteral("made-up data")));
    EXPECT_TRUE(d->window.windowTitle().contains(QStringLiteral("demo.uttrin")));
}

TEST_F(WindowTest, UndoSaysWhatItTakesBack) {
    Plan plan = d->session().plan();
    plan.periodMinutes = 40;
    d->controller.carryOut(&PlanCommands::changePlan, plan, Text::typed("Change the plan"));
    Driver::settle();
    EXPECT_EQ(d->window.findChild<QAction*>(QStringLiteral("actionUndo"))->text(),
              QStringLiteral("&Undo: Change the plan"));
    trigger("actionUndo");
    EXPECT_EQ(d->session().plan().periodMinutes, 55.0);
    EXPECT_FALSE(d->window.findChild<QAction*>(QStringLiteral("actionUndo"))->isEnabled());
    trigger("actionRedo");
    EXPECT_EQ(d->session().plan().periodMinutes, 40.0);
}

TEST_F(WindowTest, ASecondRoomReadingGivesTheDrift) {
    d->window.goTo(Station::Room);
    Driver::settle();
    d->type("roomValue", QStringLiteral("942.1"));
    d->type("roomTime", QStringLiteral("9:42"));
    d->press("roomEnd");
    const auto* end = d->session().model().roomRecord(std::nullopt, RoomRole::End);
    ASSERT_NE(end, nullptr);
    const auto half = d->session().model().room(
        std::nullopt,
        (d->session().model().roomRecord(std::nullopt, RoomRole::Start)->takenAt + end->takenAt) / 2);
    EXPECT_NEAR(half->station.pascal(), 94260.0, 1e-6);
    EXPECT_TRUE(d->text("roomHistory").contains(QStringLiteral("09:42   94.21 kPa   barometer, at the end")))
        << d->text("roomHistory").toStdString();
    d->type("roomTime", QStringLiteral("half past"));
    d->press("roomEnd");
    EXPECT_TRUE(d->text("message").contains(QStringLiteral("is not a time")));
}

TEST_F(WindowTest, AnEmptyVesselPullWithABarometerGivesTheUltimatePressure) {
    d->window.goTo(Station::Room);
    Driver::settle();
    d->press("roomMethod_3");
    d->type("roomValue", QStringLiteral("-935.1"));
    d->type("roomUltimate", QStringLiteral("800"));
    EXPECT_TRUE(d->text("roomWarning").contains(QStringLiteral("the pump’s ultimate pressure: 0.80 kPa")))
        << d->text("roomWarning").toStdString();
    d->type("roomValue", QStringLiteral("935.1"));
    EXPECT_TRUE(d->text("roomWarning").contains(QStringLiteral("935.10 hPa below the room")))
        << d->text("roomWarning").toStdString(); // a depth without its sign is echoed in words
    EXPECT_EQ(d->text("roomResult").left(4), QStringLiteral("94.3"));
}

TEST_F(WindowTest, TheSecondReadingOfTheRoomHasItsOwnTime) {
    d->window.goTo(Station::Room);
    Driver::settle();
    const auto record = [&](RoomRole role) {
        return d->session().model().roomRecord(d->session().groupId(), role);
    };
    const Milliseconds first = record(RoomRole::Start)->takenAt;
    d->press("roomEnd"); // the time that stands there is the first reading's
    ASSERT_TRUE(record(RoomRole::End));
    EXPECT_EQ(record(RoomRole::End)->takenAt, d->clock.now());
    EXPECT_NE(record(RoomRole::End)->takenAt, first);
    // Corrected on another day the first one keeps its day and its time.
    d->type("roomValue", QStringLiteral("944"));
    d->press("roomEnter");
    EXPECT_EQ(record(RoomRole::Start)->takenAt, first);
}

TEST_F(WindowTest, AGroupCorrectsItsOwnRoomAndItsResultFollows) {
    select("Dune");
    d->window.goTo(Station::Room);
    Driver::settle();
    const double before = d->session().model().fit(*d->session().runId(), {})->fit.relativeToReference();
    EXPECT_LT(before, -0.1);
    d->press("roomMethod_0");
    d->type("roomValue", QStringLiteral("943.1"));
    d->press("roomEnter");
    EXPECT_NEAR(d->session().model().fit(*d->session().runId(), {})->fit.relativeToReference(), 0.0, 0.03);
    select("Cedar"); // the lesson's own value stays
    EXPECT_NEAR(d->session().model().room(d->session().groupId())->station.pascal(), 94310.0, 1e-9);
}

TEST_F(WindowTest, ASensorOutsideTheLiquidIsCautionedAgainst) {
    d->window.goTo(Station::Rig);
    Driver::settle();
    d->press("thermometerPlace_2");
    EXPECT_EQ(d->session().plan().rig.thermometer.place, SensorPlace::Vapour);
    bool cautioned = false;
    for (const QLabel* l : d->window.findChildren<QLabel*>())
        cautioned =
            cautioned || (l->isVisible() && l->text().contains(QStringLiteral("does not read the liquid")));
    EXPECT_TRUE(cautioned);
    // The run keeps the rig it was taken with until that is corrected on purpose.
    EXPECT_TRUE(d->session().model().fit(*d->session().runId(), {}));
    d->press("correctRun");
    EXPECT_FALSE(d->session().model().fit(*d->session().runId(), {}));
    EXPECT_TRUE(d->find<QWidget>("correctRun")->isHidden() || !d->find<QWidget>("correctRun")->isVisible());
}

TEST_F(WindowTest, TheRigsNumbersAreTakenAndNonsenseIsRefused) {
    d->window.goTo(Station::Rig);
    Driver::settle();
    d->type("vesselVolume", QStringLiteral("2"));
    d->type("liquidVolume", QStringLiteral("0.5"));
    d->type("pumpFloor", QStringLiteral("2.5"));
    EXPECT_EQ(d->session().plan().rig.vesselLitre, 2.0);
    EXPECT_EQ(d->session().plan().rig.pumpUltimatePa, 2500.0);
    d->type("liquidVolume", QStringLiteral("5"));
    EXPECT_TRUE(d->text("message").contains(QStringLiteral("does not fit into the vessel")));
    EXPECT_EQ(d->session().plan().rig.liquidLitre, 0.5);
}

TEST_F(WindowTest, TheOtherMethodIsOneClickAway) {
    d->window.goTo(Station::Rig);
    Driver::settle();
    d->press("rigSetup_1");
    EXPECT_EQ(d->session().plan().method, Method::HoldTemperature);
    d->window.goTo(Station::Run);
    Driver::settle();
    EXPECT_TRUE(d->find<QLineEdit>("readBeforePull")->isVisible());
    EXPECT_FALSE(d->find<QLineEdit>("readSecond")->isVisible());
}

TEST_F(WindowTest, ClassPredictionsAreTypedIntoTheRunSheetUntilTheyAreLocked) {
    const auto setup = d->controller.carryOut(&PlanCommands::addSetup, Method::HoldPressure);
    ASSERT_TRUE(setup);
    d->window.goTo(Station::Plan);
    d->controller.refresh();
    Driver::settle();
    auto* model = d->find<QTableView>("runSheet")->model();
    ASSERT_TRUE(model->setData(model->index(2, 4), QStringLiteral("70"), Qt::EditRole));
    Driver::settle();
    EXPECT_EQ(model->index(2, 4).data().toString(), QStringLiteral("70.0"));
    model->setData(model->index(2, 4), QStringLiteral("warm"), Qt::EditRole);
    EXPECT_TRUE(d->text("message").contains(QStringLiteral("is not a temperature")));
    d->press("lockPredictions"); // from then on it unlocks them
    EXPECT_EQ(d->find<QAbstractButton>("lockPredictions")->text(), QStringLiteral("Unlock predictions"));
    model->setData(model->index(2, 4), QStringLiteral("71"), Qt::EditRole);
    EXPECT_TRUE(d->text("message").contains(QStringLiteral("locked")));
    d->press("lockPredictions");
    model->setData(model->index(2, 4), QStringLiteral("71"), Qt::EditRole);
    EXPECT_EQ(model->index(2, 4).data().toString(), QStringLiteral("71.0"));
}

TEST_F(WindowTest, ATrialPointIsAddedMarkedAndPutIntoTheFit) {
    d->window.goTo(Station::Plan);
    Driver::settle();
    auto* table = d->find<QTableView>("runSheet");
    EXPECT_TRUE(table->model()->index(0, 8).data().toString().startsWith(QStringLiteral("trial point")));
    d->find<QCheckBox>("planTrialInFit")->click();
    Driver::settle();
    EXPECT_FALSE(d->session().plan().ladder.trialInFit);
    EXPECT_EQ(table->model()->index(0, 8).data().toString(), QStringLiteral("trial point, not fitted"));
    d->type("planTrial", QString());
    EXPECT_FALSE(d->session().plan().ladder.trialPa);
    EXPECT_EQ(table->model()->rowCount(), 10);
}

TEST_F(WindowTest, MovedTargetsGoBackTogether) {
    d->window.goTo(Station::Plan);
    Driver::settle();
    d->controller.carryOut(&PlanCommands::moveTarget, 3, Pressure::fromPascal(44e3));
    d->controller.carryOut(&PlanCommands::moveTarget, 5, Pressure::fromPascal(61e3));
    Driver::settle();
    EXPECT_EQ(d->session().plan().ladder.moved.size(), 2U);
    d->press("resetTargets");
    EXPECT_TRUE(d->session().plan().ladder.moved.empty());
}

TEST_F(WindowTest, AnotherRunIsChosenFromTheList) {
    d->window.goTo(Station::WorkUp);
    Driver::settle();
    auto* choice = d->find<QComboBox>("workRun");
    const int fjord = choice->findText(QStringLiteral("Fjord, run 1"));
    ASSERT_GE(fjord, 0);
    choice->setCurrentIndex(fjord);
    emit choice->activated(fjord);
    Driver::settle();
    EXPECT_EQ(d->session().model().group(*d->session().groupId()).name, "Fjord");
    EXPECT_TRUE(d->find<QTableView>("workTable")
                    ->model()
                    ->index(4, 10)
                    .data()
                    .toString()
                    .contains(QStringLiteral("stands out")));
}

TEST_F(WindowTest, APointIsStruckRestoredAndLeftOutFromTheWorkUp) {
    d->window.goTo(Station::WorkUp);
    Driver::settle();
    d->find<QTableView>("workTable")->selectRow(2);
    app::dialogs::answerNext(QStringLiteral("leak"));
    trigger("actionStrike");
    EXPECT_EQ(d->session().model().readingsOf(*d->session().runId())[2].struckReason, "leak");
    d->find<QTableView>("workTable")->selectRow(2);
    trigger("actionStrike");
    EXPECT_FALSE(d->session().model().readingsOf(*d->session().runId())[2].struckReason);
    d->find<QTableView>("workTable")->selectRow(2);
    trigger("actionInFit");
    EXPECT_EQ(d->session().model().readingsOf(*d->session().runId())[2].useInFit, false);
    EXPECT_EQ(d->session().model().fit(*d->session().runId(), {})->used.size(), 10U);
}

TEST_F(WindowTest, ADialogThatIsDismissedChangesNothing) {
    d->window.goTo(Station::WorkUp);
    Driver::settle();
    d->find<QTableView>("workTable")->selectRow(2);
    app::dialogs::answerNext(QString());
    trigger("actionStrike");
    EXPECT_FALSE(d->session().canUndo());
    app::dialogs::answerNext(QString());
    trigger("actionSaveCopy");
    EXPECT_TRUE(d->find<QLabel>("message")->isHidden());
}

TEST_F(WindowTest, TheStudentsCopyIsPrintedWithoutAnswers) {
    d->window.goTo(Station::Report);
    Driver::settle();
    d->find<QCheckBox>("studentCopy")->click();
    Driver::settle();
    app::dialogs::answerNext(path("student.html"));
    d->press("saveHtml");
    std::ifstream file(dir / "student.html");
    const std::string html((std::istreambuf_iterator<char>(file)), {});
    EXPECT_NE(html.find("student copy"), std::string::npos);
    EXPECT_EQ(html.find("ΔH = 42"), std::string::npos);
}

TEST_F(WindowTest, SavesACopyStartsALessonAndComesBackToTheOther) {
    app::dialogs::answerNext(path("copy"));
    trigger("actionSaveCopy");
    EXPECT_TRUE(std::filesystem::exists(dir / "copy.uttrin"));
    trigger("actionNewLesson");
    EXPECT_EQ(d->session().notebook().lessons()->size(), 2U);
    EXPECT_FALSE(d->session().room());
    EXPECT_FALSE(d->session().runId());
    trigger("actionUndo");
    EXPECT_EQ(d->session().notebook().lessons()->size(), 1U);
    EXPECT_EQ(d->session().model().lesson().title, "Boiling water without a hundred degrees");
}

// While a number is typed, what stands beside it in the strip stays where it is.
TEST_F(WindowTest, TheFiguresOfTheStripHoldTheirPlaces) {
    goTo(Station::Run);
    const auto margin = [&] { return d->find<QWidget>("margin")->geometry(); };
    d->type("readTemperature", QStringLiteral("108.4"));
    const QRect widest = margin();
    for (const char* typed : {"8", "81", "81.4", "9.9", ""}) {
        d->type("readTemperature", QLatin1String(typed));
        EXPECT_EQ(margin(), widest) << typed;
    }
    const QRect number = d->find<QLabel>("stripLiquid")->geometry();
    EXPECT_LE(number.right(), d->find<QLabel>("stripBoilsCaption")->geometry().left());
}

TEST_F(WindowTest, TheProjectorThemeGrowsTheFiguresAndGoesBack) {
    const auto size = [&] { return d->find<QLabel>("stripLiquid")->fontInfo().pixelSize(); };
    d->window.goTo(Station::Run);
    Driver::settle();
    EXPECT_EQ(size(), 30);
    trigger("actionProjector");
    EXPECT_GE(size(), 72);
    EXPECT_FALSE(d->window.findChild<QLabel*>(QStringLiteral("stripRoom"))->isVisible());
    trigger("actionProjector");
    EXPECT_EQ(size(), 30);
}

TEST_F(WindowTest, TheMapZoomsAndComesBackAndReadsOut) {
    d->window.goTo(Station::Plan);
    Driver::settle();
    auto* map = d->find<app::PhaseMap>("phaseMap");
    const auto span = [map] {
        const QRectF area = map->plotArea();
        return map->valuesAt(area.topRight()).first - map->valuesAt(area.topLeft()).first;
    };
    const double framed = span();
    QWheelEvent wheel(QPointF(200, 200), map->mapToGlobal(QPointF(200, 200)), {}, {0, 240}, Qt::NoButton,
                      Qt::NoModifier, Qt::NoScrollPhase, false);
    QApplication::sendEvent(map, &wheel);
    EXPECT_LT(span(), framed);
    QTest::keyClick(map, Qt::Key_Home);
    EXPECT_DOUBLE_EQ(span(), framed);
    const QImage quiet = map->grab().toImage();
    QTest::mouseMove(map, QPoint(180, 220));
    Driver::settle();
    EXPECT_NE(map->grab().toImage(), quiet); // the read-out appears at the cursor
}

TEST_F(WindowTest, FilesDroppedOnTheWindowOpenOrComeIn) {
    std::ofstream(dir / "more.csv") << "temperature_degC,absolute_kPa\n60.06,20.0\n81.3,50.0\n";
    const auto dropOn = [&](const char* name) {
        QMimeData data;
        data.setUrls({QUrl::fromLocalFile(path(name))});
        QDragEnterEvent enter(QPoint(10, 10), Qt::CopyAction, &data, Qt::LeftButton, Qt::NoModifier);
        QApplication::sendEvent(&d->window, &enter);
        EXPECT_TRUE(enter.isAccepted());
        QDropEvent drop(QPointF(10, 10), Qt::CopyAction, &data, Qt::LeftButton, Qt::NoModifier);
        QApplication::sendEvent(&d->window, &drop);
        Driver::settle();
    };
    dropOn("more.csv");
    EXPECT_EQ(d->session().model().readingsOf(*d->session().runId()).size(), 2U);
    ASSERT_TRUE(writeDemoNotebook(dir / "other.uttrin"));
    dropOn("other.uttrin");
    EXPECT_EQ(d->session().notebook().path(), dir / "other.uttrin");
}

TEST_F(WindowTest, WhatCanBeReadOfADamagedNotebookIsOffered) {
    std::ifstream whole(dir / "demo.uttrin", std::ios::binary);
    std::string bytes((std::istreambuf_iterator<char>(whole)), {});
    std::ofstream(dir / "cut.uttrin", std::ios::binary) << bytes.substr(0, bytes.size() * 8 / 10);
    EXPECT_FALSE(d->window.openNotebook(path("cut.uttrin")));
    Driver::settle();
    EXPECT_TRUE(d->text("message").contains(QStringLiteral("damaged")) ||
                d->text("message").contains(QStringLiteral("cannot be read")))
        << d->text("message").toStdString();
    d->press("salvage");
    EXPECT_EQ(d->session().notebook().path(), dir / "cut-rescued.uttrin");
    EXPECT_GT(*d->session().notebook().count("lesson"), 0);
}

TEST_F(WindowTest, SpineStripAndTapeSpeakToThoseWhoCannotSeeThem) {
    d->window.goTo(Station::Run);
    Driver::settle();
    EXPECT_TRUE(d->window.findChild<app::StationButton*>(QStringLiteral("station1"))
                    ->accessibleName()
                    .startsWith(QStringLiteral("Room: 94.31 kPa")));
    // Drawn widgets keep their name; what they show is their value.
    EXPECT_EQ(d->find<QWidget>("margin")->accessibleName(), QStringLiteral("Margin to boiling"));
    EXPECT_EQ(d->said("margin"), app::onScreen(stripView(d->session()).marginText));
    EXPECT_TRUE(d->said("tape").endsWith(QStringLiteral("11 points taken, 0 to come")))
        << d->said("tape").toStdString();
    EXPECT_EQ(d->said("phaseMap"), QStringLiteral("water: 11 targets, 11 points"));
}

TEST_F(WindowTest, NoTextOnAnyStationIsSmallerThanTwelvePixels) {
    for (int i = 0; i < kStations; ++i) {
        d->window.goTo(static_cast<Station>(i));
        Driver::settle();
        for (const QWidget* w : d->window.findChildren<QWidget*>())
            EXPECT_TRUE(!w->isVisible() || w->fontInfo().pixelSize() >= 12)
                << "station " << i + 1 << ": " << w->objectName().toStdString();
    }
}

TEST_F(WindowTest, EveryStationFitsASmallWindow) {
    d->window.resize(1024, 700);
    for (int i = 0; i < kStations; ++i) {
        d->window.goTo(static_cast<Station>(i));
        Driver::settle();
        const auto* strip = d->find<QWidget>("strip");
        EXPECT_LE(strip->mapTo(&d->window, QPoint(strip->width(), 0)).x(), 1024) << "station " << i + 1;
    }
}

// The page that is seen first asks what one has before oneself and leads there in one step.
TEST(Welcome, LeadsToADemonstrationToANumberAndToWhatWasOpenLast) {
    const TempDir dir;
    ASSERT_TRUE(writeDemoNotebook(dir / "demo.uttrin"));
    QSettings().remove(QStringLiteral("recent"));
    {
        Driver d;
        d.press("welcomeDemonstration"); // nothing was open yet: the sample lesson
        EXPECT_EQ(d.window.station(), Station::Rehearse);
    }
    { Driver d(dir / "demo.uttrin"); } // now it was
    {
        Driver d;
        auto* card = d.find<QAbstractButton>("notebook_0");
        ASSERT_TRUE(card && card->isVisible());
        EXPECT_TRUE(
            card->accessibleName().startsWith(QStringLiteral("Boiling water without a hundred degrees")))
            << card->accessibleName().toStdString();
        EXPECT_TRUE(card->accessibleName().contains(QStringLiteral("room 94.31 kPa")));
        card->setFocus();
        d.key(Qt::Key_Return);
        ASSERT_TRUE(d.controller.isOpen());
        EXPECT_EQ(d.session().notebook().path(), dir / "demo.uttrin");
    }
    {
        Driver d;
        d.press("welcomeNumber");
        ASSERT_TRUE(d.controller.isOpen());
        EXPECT_TRUE(d.find<QLineEdit>("dialText")->isVisible());
    }
    std::filesystem::remove(dir / "demo.uttrin"); // gone: its card says so and nothing else opens by mistake
    Driver d;
    d.press("notebook_0");
    EXPECT_FALSE(d.controller.isOpen());
    QSettings().remove(QStringLiteral("recent"));
}

TEST(Welcome, AWindowWithoutANotebookOffersTheThreeWaysIn) {
    Driver d;
    for (const char* way : {"welcomeNew", "welcomeOpen", "welcomeSample"})
        EXPECT_TRUE(d.find<QAbstractButton>(way)->isVisible());
    EXPECT_FALSE(d.window.findChild<QAction*>(QStringLiteral("actionSaveCopy"))->isEnabled());
    const TempDir dir;
    ASSERT_TRUE(writeDemoNotebook(dir / "demo.uttrin"));
    app::dialogs::answerNext(QString::fromStdString((dir / "demo.uttrin").string()));
    d.press("welcomeOpen");
    ASSERT_TRUE(d.controller.isOpen());
    bool remembered = false;
    for (const QAction* a : d.window.findChildren<QAction*>())
        remembered = remembered || a->text().endsWith(QStringLiteral("demo.uttrin"));
    EXPECT_TRUE(remembered);
}

TEST(Welcome, ANewerNotebookOpensForReadingAndSaysSo) {
    const TempDir dir;
    ASSERT_TRUE(writeDemoNotebook(dir / "demo.uttrin"));
    std::fstream file(dir / "demo.uttrin", std::ios::in | std::ios::out | std::ios::binary);
    file.seekp(60);
    file.write("\0\0\0\x63", 4);
    file.close();
    Driver d(dir / "demo.uttrin");
    EXPECT_TRUE(d.text("message").contains(QStringLiteral("newer version")));
    d.window.goTo(Station::Room);
    Driver::settle();
    EXPECT_FALSE(d.find<QAbstractButton>("roomEnter")->isEnabled());
    d.window.goTo(Station::Plan);
    Driver::settle();
    d.type("planCount", QStringLiteral("5"));
    EXPECT_TRUE(d.text("message").contains(QStringLiteral("reading only")))
        << d.text("message").toStdString();
}

TEST(SampleCopy, GoesWhenItIsClosedUnchangedAndStaysWhenItWasChanged) {
    for (const bool changed : {false, true}) {
        QString copy;
        {
            testing::Driver d;
            ASSERT_TRUE(d.window.openSample());
            copy = QString::fromStdString(d.session().notebook().path().string());
            EXPECT_TRUE(QFile::exists(copy));
            EXPECT_EQ(QFile::permissions(copy) & (QFile::ReadGroup | QFile::ReadOther), QFile::Permissions());
            if (changed) d.controller.carryOut(&RunCommands::addNote, "mine");
            d.window.close();
        }
        EXPECT_EQ(QFile::exists(copy), changed) << copy.toStdString();
        QFile::remove(copy);
    }
}

} // namespace
} // namespace uttrin
