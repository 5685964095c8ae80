#include "Driver.h"
#include "app/controller/Dialogs.h"
#include "app/live/LiveBench.h"
#include "app/photo/PhotoCanvas.h"
#include "app/photo/PhotoReader.h"
#include "app/photo/SamplePhotos.h"
#include "feeds/Outlets.h"
#include "files/UserFolder.h"
#include "lesson/commands/PlanCommands.h"
#include "lesson/live/KeptTrace.h"
#include "lesson/views/BenchAids.h"
#include "live/OwnProfiles.h"
#include "register/InstrumentRegister.h"
#include "support/StillInstruments.h"

#include <QAction>
#include <QClipboard>
#include <QComboBox>
#include <QGuiApplication>
#include <QTableView>

#include <filesystem>
#include <fstream>

namespace uttrin {
namespace {

using testing::Driver;

class BenchAidsWindow : public testing::NewLesson {
protected:
    void SetUp() override { enterRoom("1004.0"); }
    void trigger(const char* action) {
        auto* a = d.window.findChild<QAction*>(QLatin1String(action));
        ASSERT_TRUE(a && a->isEnabled()) << action;
        a->trigger();
        Driver::settle();
    }
    void startRun() {
        goTo(Station::Run);
        d.type("newGroup", QStringLiteral("Fjord"), Qt::Key_Return);
    }
    void capture(const char* gauge, const char* temperature) {
        d.type("readFirst", QLatin1String(gauge));
        d.type("readTemperature", QLatin1String(temperature));
        d.capture();
        if (auto* keep = d.window.findChild<QPushButton*>(QStringLiteral("keep")); keep->isVisible())
            d.press("keep");
    }
    QString picture(const QImage& image, const char* name) {
        const QString path = QString::fromStdString((dir / name).string());
        EXPECT_TRUE(image.save(path));
        return path;
    }
};

TEST_F(BenchAidsWindow, ALogIsPastedAsATraceAndReadBack) {
    startRun();
    trigger("actionTrace");
    QGuiApplication::clipboard()->setText(QStringLiteral("  "));
    d.press("tracePaste");
    EXPECT_TRUE(d.text("message").contains(QStringLiteral("The clipboard holds no text")));
    QString log = QStringLiteral("time;absolute (hPa);T (°C)\n");
    for (int i = 0; i < 60; ++i)
        log += QStringLiteral("%1;473,%2;79,8\n").arg(i).arg(i % 5);
    QGuiApplication::clipboard()->setText(log);
    d.press("tracePaste");
    EXPECT_TRUE(d.text("loggerState").contains(QStringLiteral("pasted log: 60 pressures, 60 temperatures")))
        << d.text("loggerState").toStdString();
    d.type("loggerBegun", QStringLiteral("10:31:05"));
    d.press("loggerBringIn");
    const auto kept = keptTraces(d.session());
    ASSERT_TRUE(kept && kept->size() == 1U);
    EXPECT_EQ(kept->front().trace.pascal.size(), 60U);
    EXPECT_NEAR(kept->front().trace.pascal.values[1], 47'310.0, 0.1);
    EXPECT_EQ(clockTextWithSeconds(kept->front().begunMs, d.session().model().lesson().utcOffsetMin),
              "10:31:05");
}

TEST_F(BenchAidsWindow, AColderStartIsOfferedAndTaken) {
    Plan plan = d.session().plan();
    plan.startCelsius = 80.0;
    ASSERT_TRUE(d.controller.carryOut(&PlanCommands::changePlan, plan, Text::typed("hot")));
    goTo(Station::Plan);
    EXPECT_TRUE(d.text("planFlash").contains(QStringLiteral("it flashes there")));
    d.press("planColder");
    ASSERT_TRUE(d.session().plan().startCelsius);
    EXPECT_LT(*d.session().plan().startCelsius, 60.0); // 20 kPa, the first target, boils at 60.1
    EXPECT_FALSE(d.find<QLabel>("planFlash")->isVisible());
    EXPECT_FALSE(d.find<QPushButton>("planColder")->isVisible());
    trigger("actionUndo");
    EXPECT_EQ(*d.session().plan().startCelsius, 80.0);
    d.type("planStart", QStringLiteral("35"), Qt::Key_Return);
    EXPECT_EQ(d.session().plan().startCelsius, 35.0);
    EXPECT_FALSE(d.find<QLabel>("planFlash")->isVisible());
    d.type("planStart", QStringLiteral("400")); // no longer a liquid: told, and put back
    EXPECT_TRUE(d.text("message").contains(QStringLiteral("must start between")));
    EXPECT_EQ(d.session().plan().startCelsius, 35.0);
    d.type("planStart", QString());
    EXPECT_FALSE(d.session().plan().startCelsius);
}

TEST_F(BenchAidsWindow, PumpAndFillingsAreStampedAtTheBench) {
    ASSERT_TRUE(d.controller.carryOut(&PlanCommands::addSetup, Method::HoldTemperature));
    goTo(Station::Rig);
    d.type("pumpWarmUp", QStringLiteral("6"));
    EXPECT_EQ(d.session().plan().rig.warmUpMinutes, 6.0);
    d.type("tubeBore", QStringLiteral("6"));
    d.type("tubeLength", QStringLiteral("1.5"));
    EXPECT_EQ(d.session().plan().rig.tubeLengthM, 1.5);
    auto* also = d.find<QComboBox>("gaugeAlsoUnit");
    also->setCurrentIndex(also->findData(QStringLiteral("mmHg")));
    Driver::settle();
    EXPECT_EQ(d.session().plan().rig.alsoUnit, "mmHg");
    startRun();
    d.press("pumpOn");
    EXPECT_TRUE(d.text("pumpWarms").contains(QStringLiteral("pump warm in 6 min")))
        << d.text("pumpWarms").toStdString();
    EXPECT_FALSE(d.find<QPushButton>("pumpOn")->isVisible());
    const double boils = d.session().currentTarget()->boils.celsius();
    d.type("readTemperature", QString::number(boils + 8.0, 'f', 1));
    const auto advised = advisedFilling(d.session());
    ASSERT_TRUE(advised);
    d.key(Qt::Key_F, Qt::ControlModifier | Qt::ShiftModifier);
    ASSERT_EQ(chargeInHand(d.session()).fillings, 1);
    EXPECT_TRUE(d.text("benchAids").contains(QStringLiteral("after 1 filling")));
    app::dialogs::answerNext(QStringLiteral("much"));
    trigger("fillAnew");
    EXPECT_TRUE(d.text("message").contains(QStringLiteral("'much' is not a mass")));
    app::dialogs::answerNext(QStringLiteral("250"));
    trigger("fillAnew");
    EXPECT_NEAR(chargeInHand(d.session()).kilograms, 0.25, 1e-9);
}

TEST_F(BenchAidsWindow, ResidualsAreDrawnAgainstWhatIsChosen) {
    goTo(Station::WorkUp);
    d.press("workAxes_2");
    EXPECT_TRUE(d.find<QWidget>("residualChart")->isVisible());
    startRun();
    for (const auto& [gauge, temperature] :
         {std::pair{"-0.8", "60.4"}, {"-0.6", "76.1"}, {"-0.4", "86.2"}, {"-0.2", "93.8"}}) {
        d.type("heaterSetting", QStringLiteral("4"));
        capture(gauge, temperature);
    }
    ASSERT_EQ(d.session().model().data().notes.size(), 1U); // where it was set, and not at each point
    EXPECT_EQ(d.session().model().data().notes.front().text, "heater at 4");
    trigger("stageWrapped");
    EXPECT_EQ(d.session().model().data().notes.back().text, "vessel wrapped");
    trigger("stageUnwrapped");
    EXPECT_EQ(d.session().model().data().notes.back().text, "wrap taken off");
    goTo(Station::WorkUp);
    EXPECT_TRUE(d.said("residualChart").contains(QStringLiteral("4 points")))
        << d.said("residualChart").toStdString();
    d.press("residualsAgainst_2");
    EXPECT_TRUE(d.said("residualChart").contains(QStringLiteral("heater’s setting")));
    EXPECT_TRUE(d.text("residualsSay").contains(QStringLiteral("All points stand at one value")));
    d.press("studentMode");
    EXPECT_TRUE(d.said("residualChart").contains(QStringLiteral("0 points")));
    d.press("workAxes_0");
    EXPECT_FALSE(d.find<QWidget>("residualChart")->isVisible());
}

TEST_F(BenchAidsWindow, APictureOfBoilingStandsBesideTheCapture) {
    startRun();
    EXPECT_FALSE(d.text("boilingSentence").isEmpty());
    EXPECT_FALSE(d.find<QPushButton>("boilingPicture")->isVisible());
    const auto text = dir / "no.png";
    std::ofstream(text) << "no picture";
    app::dialogs::answerNext(QString::fromStdString(text.string()));
    trigger("boilingPictureFile");
    EXPECT_TRUE(d.text("message").contains(QStringLiteral("cannot be read as a PNG or JPEG")));
    EXPECT_EQ(d.session().notebook().count("picture"), 0);
    QImage image(300, 200, QImage::Format_RGB32);
    image.fill(Qt::darkCyan);
    app::dialogs::answerNext(picture(image, "boils.png"));
    trigger("boilingPictureFile");
    EXPECT_TRUE(d.find<QPushButton>("boilingPicture")->isVisible());
    QGuiApplication::clipboard()->setImage(image);
    trigger("boilingPicturePaste");
    EXPECT_EQ(d.session().notebook().count("bench_picture"), 2);
    d.press("boilingPicture");
    const auto* reader = d.window.findChild<app::PhotoReader*>();
    ASSERT_TRUE(reader && reader->isVisible());
    EXPECT_EQ(reader->findChild<app::PhotoCanvas*>()->picture().size(), image.size());
    EXPECT_FALSE(reader->findChild<QPushButton*>(QStringLiteral("photoTake"))->isEnabled());
}

TEST_F(BenchAidsWindow, APointIsReadLaterFromItsPicture) {
    startRun();
    capture("-0.6", "75");
    ASSERT_EQ(d.session().notebook().count("reading"), 1);
    const auto sample = app::sampleDial(d.session().plan().rig.gauge, -0.62, 100'400.0, false);
    app::dialogs::answerNext(picture(sample.picture, "dial.png"));
    d.press("takenAttach"); // nothing is chosen: to the newest
    d.find<QTableView>("taken")->selectRow(0);
    d.press("takenPicture");
    auto* reader = d.window.findChild<app::PhotoReader*>();
    ASSERT_TRUE(reader && reader->isVisible());
    auto* canvas = reader->findChild<app::PhotoCanvas*>();
    const PhotoMarking wanted(sample.marks);
    for (std::size_t i = 0; i < wanted.steps().size(); ++i) {
        QTest::mouseClick(canvas, Qt::LeftButton, {}, canvas->toWidget(*wanted.steps()[i].at).toPoint());
        Driver::settle();
        if (const auto value = wanted.steps()[i].value)
            d.type(qPrintable(QStringLiteral("photoValue_%1").arg(i)), QString::number(*value));
    }
    auto* take = reader->findChild<QPushButton*>(QStringLiteral("photoTake"));
    ASSERT_TRUE(take->isEnabled());
    EXPECT_EQ(take->text(), QStringLiteral("Read the point from its picture"));
    QTest::mouseClick(take, Qt::LeftButton);
    Driver::settle();
    const auto readings = d.session().model().readingsOf(*d.session().runId());
    ASSERT_EQ(readings.size(), 2U);
    EXPECT_TRUE(readings[0].struckReason.has_value());
    EXPECT_NEAR(readings[1].first, -0.62, 0.01);
    EXPECT_EQ(readings[1].temperature, 75.0);
}

// The register keeps how the rig's gauge is listened to, and offers it in a lesson to come.
TEST_F(BenchAidsWindow, AnInstrumentOfTheRegisterIsListenedToAgain) {
    goTo(Station::Rig);
    d.type("gaugeName", QStringLiteral("Gauge nine"));
    d.press("gaugeConvention_2");
    auto* unit = d.find<QComboBox>("gaugeUnit");
    unit->setCurrentIndex(unit->findData(QStringLiteral("kPa")));
    d.press("registerKeepGauge");
    startRun();
    EXPECT_FALSE(d.find<QPushButton>("liveAgain")->isVisible());
    testing::StillInstruments shown(std::vector<StandInFault>{});
    OutletSettings settings;
    settings.tcpPort = 0;
    settings.every = 0.02;
    Outlets outlets(shown, settings);
    const auto where = outlets.open();
    ASSERT_TRUE(where);
    auto* live = d.window.findChild<app::LiveBench*>();
    live->listenTo(QStringLiteral("by hand"), *readEndpoint(where->front()),
                   findProfile("pressure-and-temperature-lines")->profile);
    Driver::settle();
    const auto known = ownInstruments().heardOf(d.session().plan().rig);
    ASSERT_EQ(known.size(), 1U);
    EXPECT_TRUE(known[0].way.made.empty()); // it ships
    EXPECT_EQ(known[0].way.endpoint, where->front());
    EXPECT_EQ(known[0].way.profile, "pressure-and-temperature-lines");
    live->stop();
    Driver::settle();
    ASSERT_TRUE(d.find<QPushButton>("liveAgain")->isVisible());
    EXPECT_EQ(d.find<QPushButton>("liveAgain")->text(), QStringLiteral("Listen to Gauge nine"));
    d.press("liveAgain");
    EXPECT_TRUE(QTest::qWaitFor([&] { return d.session().draftReading().hasGauge; }, 8000));
    live->stop();
    // By a profile of one's own; then the notebook goes to a machine that knows neither.
    LiveProfile mine = findProfile("pressure-and-temperature-lines")->profile;
    mine.name = "Ours";
    live->listenTo(QStringLiteral("by hand"), *readEndpoint(where->front()), mine);
    Driver::settle();
    live->stop();
    std::filesystem::remove_all(userDataFolder());
    ASSERT_FALSE(profileWithId("ours"));
    goTo(Station::Rig);
    d.press("registerKeepHere");
    ASSERT_EQ(ownInstruments().heardOf(d.session().plan().rig).size(), 1U);
    goTo(Station::Run);
    d.controller.setDraft(BenchDraft{});
    d.press("liveAgain");
    EXPECT_TRUE(QTest::qWaitFor([&] { return d.session().draftReading().hasGauge; }, 8000));
    live->stop();
    ASSERT_TRUE(ownInstruments().remove(ownInstruments().shelf().instruments.front().id));
}

} // namespace
} // namespace uttrin
