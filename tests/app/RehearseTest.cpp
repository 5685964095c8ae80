#include "Driver.h"
#include "app/controller/Dialogs.h"
#include "app/map/MapMarks.h"
#include "app/map/PhaseMap.h"
#include "app/rehearse/KnobField.h"
#include "app/rehearse/RehearsalTape.h"
#include "app/rehearse/RehearseStation.h"
#include "app/rigdrawing/RigDrawing.h"
#include "rehearsal/Demonstrations.h"
#include "rehearsal/ManualRun.h"

#include <QAction>
#include <QComboBox>
#include <QLabel>
#include <QPlainTextEdit>
#include <QPushButton>
#include <QSlider>
#include <QTextBrowser>

#include <algorithm>
#include <cmath>
#include <fstream>
#include <map>
#include <set>

namespace uttrin {
namespace {

using app::RehearseStation;
using app::RigDrawing;

/// The sample lesson at the Rehearse station, the first demonstration played through.
class Rehearse : public testing::SampleLesson {
protected:
    void SetUp() override {
        SampleLesson::SetUp();
        goTo(Station::Rehearse);
        station = d->window.findChild<RehearseStation*>();
        choose("sealed-flask");
    }

    void begin(const Demonstration& demonstration) {
        station->choose(static_cast<int>(&demonstration - demonstrations().data()));
    }

    void choose(std::string_view id) {
        begin(*findDemonstration(id));
        wait();
    }

    void wait() {
        ASSERT_TRUE(QTest::qWaitFor([this] { return station->isReady(); }, 60'000));
        Driver::settle();
    }

    const RigScene& scene() { return d->find<RigDrawing>("rigDrawing")->scene(); }
    const MapView& map() { return d->find<app::PhaseMap>("rehearseMap")->view(); }
    using Driver = testing::Driver;
    RehearseStation* station = nullptr;
};

TEST_F(Rehearse, PlaysTheDemonstrationOnDrawingMapTapeStripAndCard) {
    station->goTo(700.0);
    Driver::settle();
    ASSERT_EQ(map().paths.size(), 2U); // and the variant beside it
    EXPECT_EQ(map().paths[1].name, "boiled a full minute");
    EXPECT_TRUE(map().paths[0].second);
    EXPECT_TRUE(map().liveKelvin);
    EXPECT_TRUE(scene().vessels[0].boiling);
    const auto ice = std::ranges::find(scene().parts, ScenePart::Ice, &ScenePart::kind);
    ASSERT_NE(ice, scene().parts.end());
    EXPECT_LT(ice->left, 1.0);
    EXPECT_TRUE(d->text("willSee").startsWith(QStringLiteral("It boils")) ||
                d->text("willSee").startsWith(QStringLiteral("First steady")));
    EXPECT_TRUE(d->text("comesNext").startsWith(QStringLiteral("Next, in ")));
    EXPECT_EQ(d->text("stripGaugeCaption"), QStringLiteral("IN THE FLASK, ABS."));
    EXPECT_TRUE(d->text("chance").endsWith(QStringLiteral(" %")));
    EXPECT_FALSE(d->text("rigCaution").isEmpty());
    goTo(Station::Run); // there the strip is the lesson's own again
    EXPECT_NE(d->text("stripGaugeCaption"), QStringLiteral("IN THE FLASK, ABS."));
}

TEST_F(Rehearse, UsesTheRoomThatWasRead) {
    EXPECT_NEAR(*map().roomPascal, d->session().room()->station.pascal(), 0.01);
    EXPECT_EQ(d->text("stripRoom"), QStringLiteral("94.3"));
}

TEST_F(Rehearse, AKnobIsTypedOrSlidAndThePathFollowsAtOnce) {
    const auto before = map().paths[1].points;
    d->type("knob1", QStringLiteral("300"));
    wait();
    EXPECT_NE(map().paths[1].points, before);
    EXPECT_EQ(d->find<QSlider>("knob1Slider")->value(), 100); // of 400: 300 g between 100 and 900 g
    d->find<QSlider>("knob1Slider")->setValue(200);
    wait();
    EXPECT_EQ(d->find<QLineEdit>("knob1")->text(), QStringLiteral("500"));
    const auto slid = map().paths[1].points;
    d->type("knob1", QStringLiteral("5000")); // outside its ends: nothing moves
    wait();
    EXPECT_EQ(map().paths[1].points, slid);
}

TEST_F(Rehearse, VariantsAreChosenAndComparedOnTheSameAxes) {
    d->press("rigVariant_1");
    wait();
    ASSERT_EQ(map().paths.size(), 1U); // it was the one beside; none is beside itself
    EXPECT_EQ(map().paths[0].name, "shut at once");
    auto* beside = d->find<QComboBox>("compareWith");
    beside->setCurrentIndex(1);
    emit beside->activated(1);
    wait();
    ASSERT_EQ(map().paths.size(), 2U);
    EXPECT_EQ(map().paths[0].name, "boiled a full minute");
}

TEST_F(Rehearse, WhatIsSaidOfAVariantStandsBesideItAndInTheGuide) {
    const QString usual = d->text("rigCaution");
    d->press("rigVariant_5");
    EXPECT_NE(d->text("rigCaution"), usual);
    EXPECT_TRUE(d->text("rigCaution").contains(QStringLiteral("Household jars")));
    wait();
    EXPECT_EQ(scene().vessels[0].shape, VesselShape::Jar);
    EXPECT_TRUE(d->find<QTextBrowser>("rigGuide")->toPlainText().contains(QStringLiteral("household jar: ")));
    d->press("rigVariant_0");
    EXPECT_EQ(d->text("rigCaution"), usual);
}

TEST_F(Rehearse, ALongPathAppearsBitByBit) {
    const std::string text = findDemonstration("hand-warmed-bulb")
                                 ->rig.text({{"/duration", "3 h"}, {"/sample", "1 s"}}, "a long lesson");
    const auto path = dir / "long.json";
    std::ofstream(path) << text;
    app::dialogs::answerNext(QString::fromStdString(path.string()));
    d->press("rehearseFace_1");
    d->press("openRig");
    ASSERT_TRUE(QTest::qWaitFor([this] { return station->isPlayed(); }, 60'000));
    std::size_t points = map().paths.back().points.size(), first = points;
    constexpr std::size_t kAll = 3 * 3600 + 1;
    ASSERT_TRUE(QTest::qWaitFor(
        [&] {
            const std::size_t now = map().paths.back().points.size();
            EXPECT_GE(now, points); // it only grows
            points = now;
            return now == kAll;
        },
        60'000));
    EXPECT_LT(first, kAll);
}

TEST_F(Rehearse, TheTapeIsScrubbedSteppedAndPlayed) {
    auto* tape = d->find<app::RehearsalTape>("rehearsalTape");
    QTest::mouseClick(tape, Qt::LeftButton, {}, QPoint(tape->width() / 2, 40));
    EXPECT_NEAR(station->moment(), 2700.0, 120.0);
    const double at = station->moment();
    tape->setFocus();
    QTest::keyClick(tape, Qt::Key_Right);
    EXPECT_NEAR(station->moment(), at + 10.0, 1e-9);
    QTest::keyClick(tape, Qt::Key_Home);
    EXPECT_EQ(station->moment(), 0.0);
    d->press("rehearsalSpeed_4");
    d->press("playRehearsal");
    ASSERT_TRUE(QTest::qWaitFor([this] { return station->moment() > 20.0; }, 10'000));
    d->press("playRehearsal");
    const double paused = station->moment();
    QTest::qWait(150);
    EXPECT_EQ(station->moment(), paused);
}

TEST_F(Rehearse, ItIsFlownByHand) {
    choose("bell-jar");
    d->press("rehearsalSpeed_4");
    d->press("runByHand");
    ASSERT_TRUE(station->isManual());
    EXPECT_FALSE(scene().parts.empty());
    const auto pump = [&] { return *std::ranges::find(scene().parts, ScenePart::Pump, &ScenePart::kind); };
    EXPECT_FALSE(pump().active);
    d->press("handle2"); // bleed, pump, palm
    ASSERT_TRUE(QTest::qWaitFor([&] { return pump().active; }, 5'000));
    ASSERT_TRUE(QTest::qWaitFor([&] { return scene().vessels[0].boiling; }, 20'000));
    d->key(Qt::Key_C); // a button that is pressed by its key is seen to go down first
    EXPECT_TRUE(QTest::qWaitFor([&] { return d->text("chance").endsWith(QStringLiteral("K off")); }, 2'000))
        << d->text("chance").toStdString();
    EXPECT_FALSE(d->text("chanceUnder").isEmpty());
    d->key(Qt::Key_F5);
    ASSERT_TRUE(QTest::qWaitFor([&] { return !station->isManual(); }, 2'000));
    wait();
    EXPECT_TRUE(d->text("chance").endsWith(QStringLiteral(" %")));
}

TEST_F(Rehearse, TheKeyboardAloneFliesARig) {
    choose("snow-under-vacuum");
    d->key(Qt::Key_F5);
    ASSERT_TRUE(QTest::qWaitFor([&] { return station->isManual(); }, 2'000));
    QTest::keyClick(station, Qt::Key_Space); // paused
    const double paused = station->moment();
    QTest::qWait(150);
    EXPECT_EQ(station->moment(), paused);
    EXPECT_EQ(std::ranges::find(scene().parts, ScenePart::Valve, &ScenePart::kind)->state, "shut");
    auto* bleed = d->find<QPushButton>("handle1");
    const auto reads = [&](const char* text) {
        return QTest::qWaitFor([&] { return bleed->text() == QLatin1String(text); }, 2'000);
    };
    d->key(Qt::Key_V);
    d->key(Qt::Key_H); // there is no heater
    // The key stands on its button, with how the thing is now.
    EXPECT_TRUE(reads("bleed: open  V")) << bleed->text().toStdString();
    EXPECT_TRUE(bleed->isChecked());
    d->press("rehearsalSpeed_1");
    QTest::keyClick(station, Qt::Key_Space);
    ASSERT_TRUE(QTest::qWaitFor([&] { return station->moment() > paused; }, 5'000));
    EXPECT_EQ(std::ranges::find(scene().parts, ScenePart::Valve, &ScenePart::kind)->state, "open");
    EXPECT_TRUE(d->said("rigDrawing").contains(QStringLiteral("bleed open")));
    EXPECT_EQ(map().paths.front().name, "run by hand");
    // It works wherever the keyboard is.
    d->find<QComboBox>("demonstration")->setFocus();
    d->key(Qt::Key_V);
    EXPECT_TRUE(reads("bleed: shut  V")) << bleed->text().toStdString();
    EXPECT_FALSE(bleed->isChecked());
    d->key(Qt::Key_F5);
    EXPECT_TRUE(QTest::qWaitFor([&] { return !station->isManual(); }, 2'000));
    d->key(Qt::Key_F5);
    EXPECT_TRUE(QTest::qWaitFor([&] { return station->isManual(); }, 2'000));
    choose("sealed-flask"); // another rig lands this one
    EXPECT_FALSE(station->isManual());
    EXPECT_EQ(station->moment(), 0.0);
}

// V is a valve, H a heater, I ice in every rig; a second of its kind has Shift.
TEST_F(Rehearse, AKeyMeansTheSameInEveryRig) {
    const std::map<RigControl::Kind, QString> keys{
        {RigControl::Valve, QStringLiteral("V")},   {RigControl::Pump, QStringLiteral("P")},
        {RigControl::Ballast, QStringLiteral("B")}, {RigControl::Heater, QStringLiteral("H")},
        {RigControl::Ice, QStringLiteral("I")},     {RigControl::Contact, QStringLiteral("T")},
        {RigControl::Draught, QStringLiteral("F")}};
    for (const Demonstration& demonstration : demonstrations()) {
        SCOPED_TRACE(demonstration.id);
        begin(demonstration);
        station->runByHand(true);
        station->play(false);
        auto made = ManualRun::make(demonstration.rig, {});
        ASSERT_TRUE(made);
        std::set<QString> used;
        int place = 0;
        for (const RigControl& control : made->controls()) {
            const auto name = QStringLiteral("handle%1").arg(++place).toLatin1();
            const QString key = d->find<QPushButton>(name.constData())->shortcut().toString();
            EXPECT_TRUE(key == keys.at(control.kind) ||
                        key == QStringLiteral("Shift+") + keys.at(control.kind))
                << key.toStdString() << " " << plain(control.name);
            EXPECT_TRUE(used.insert(key).second) << key.toStdString();
        }
        station->runByHand(false);
    }
}

TEST_F(Rehearse, ReadingsOfACoolingFlaskPredictTheRest) {
    d->press("rehearseFace_2");
    d->type("measuredClock", QStringLiteral("10:00"));
    const auto readings = d->find<QPlainTextEdit>("measuredReadings");
    readings->setPlainText(QStringLiteral("10:05 ninety"));
    d->press("fitMeasured");
    EXPECT_TRUE(d->text("fitText").startsWith(QStringLiteral("line 1: '10:05 ninety'")));
    readings->setPlainText(QStringLiteral("10:03 94.5\n10:06 91.2\n10:09 88.1"));
    d->press("fitMeasured");
    ASSERT_TRUE(QTest::qWaitFor(
        [&] { return d->text("fitText").contains(QStringLiteral("At 65 °C at 10:")); }, 30'000))
        << d->text("fitText").toStdString();
    EXPECT_TRUE(d->text("fitText").contains(QStringLiteral("It can still be made to boil until about 10:")));
    d->find<QPlainTextEdit>("wantedMoments")->setPlainText(QStringLiteral("11:00 70\n11:10 5"));
    d->press("planReady");
    ASSERT_TRUE(
        QTest::qWaitFor([&] { return d->text("readyText").contains(QStringLiteral("shut at 10:")); }, 30'000))
        << d->text("readyText").toStdString();
    EXPECT_TRUE(d->text("readyText").contains(QStringLiteral("does not cool to 5.0 °C by itself")));
    // The forecast stands beside what was fitted, and comes back.
    ASSERT_EQ(map().paths.size(), 2U);
    EXPECT_EQ(map().paths[0].name, "forecast");
    EXPECT_EQ(map().paths[1].name, "fitted to your readings");
    d->press("backToForecast");
    wait();
    EXPECT_EQ(map().paths.back().name, "boiled a full minute");
    EXPECT_FALSE(d->find<QPushButton>("backToForecast")->isVisible());
    // Readings belong to the rig that they were read off.
    const QString typed = readings->toPlainText();
    choose("bell-jar");
    EXPECT_TRUE(readings->toPlainText().isEmpty());
    choose("sealed-flask");
    EXPECT_EQ(readings->toPlainText(), typed);
}

TEST_F(Rehearse, WhatWasSetStaysWhenAnotherVariantIsChosenAndAnotherRoomPlaysItAnew) {
    d->type("knob1", QStringLiteral("300"));
    wait();
    d->press("rigVariant_1");
    wait();
    EXPECT_EQ(d->find<QLineEdit>("knob1")->text(), QStringLiteral("300"));
    const double before = *map().roomPascal;
    goTo(Station::Room);
    d->type("roomValue", QStringLiteral("851"));
    d->press("roomEnter");
    goTo(Station::Rehearse);
    wait();
    EXPECT_NEAR(*map().roomPascal, 85'100.0, 1.0);
    EXPECT_TRUE(d->text("stripRoomUnder").contains(QStringLiteral("21 °C, rehearsed"))) // as it was read
        << d->text("stripRoomUnder").toStdString();
    goTo(Station::Room);
    d->type("roomValue", QStringLiteral("851"));
    d->type("roomTemperature", QStringLiteral("33"));
    d->press("roomEnter");
    goTo(Station::Rehearse);
    wait();
    EXPECT_TRUE(d->text("stripRoomUnder").contains(QStringLiteral("33 °C, rehearsed")))
        << d->text("stripRoomUnder").toStdString();
    goTo(Station::Room);
    d->type("roomTemperature", QString());
    d->press("roomEnter");
    goTo(Station::Rehearse);
    wait();
    EXPECT_TRUE(d->text("stripRoomUnder").contains(QStringLiteral("°C assumed")))
        << d->text("stripRoomUnder").toStdString();
    EXPECT_NE(*map().roomPascal, before);
    EXPECT_NE(d->text("comesNext"), QString());
}

TEST_F(Rehearse, EveryDemonstrationIsDrawnAndHasItsGuide) {
    for (const Demonstration& demonstration : demonstrations()) {
        SCOPED_TRACE(demonstration.id);
        begin(demonstration);
        ASSERT_TRUE(QTest::qWaitFor([this] { return station->isPlayed(); }, 60'000));
        station->goTo(30.0);
        Driver::settle();
        const QImage drawn = d->find<RigDrawing>("rigDrawing")->grab().toImage();
        int ink = 0;
        for (int y = 0; y < drawn.height(); y += 3)
            for (int x = 0; x < drawn.width(); x += 3)
                ink += drawn.pixelColor(x, y) == app::theme().ink ? 1 : 0;
        EXPECT_GT(ink, 20);
        const QString guide = d->find<QTextBrowser>("rigGuide")->toPlainText();
        for (const std::string& caution : demonstration.rig.story().cautions)
            EXPECT_TRUE(guide.contains(QString::fromStdString(caution)));
    }
}

TEST_F(Rehearse, InASmallWindowNoFigureAndNoChoiceIsCut) {
    choose("freeze-by-boiling"); // seven variants with long names
    station->goTo(300.0);
    const auto theme = [this](bool large) {
        for (QAction* action : d->window.findChildren<QAction*>())
            if (action->text().contains(QStringLiteral("rojector")) && action->isChecked() != large)
                action->trigger();
        Driver::settle();
    };
    for (const bool large : {false, true})
        for (const QSize size : {QSize(1024, 700), QSize(1280, 800)}) {
            theme(large);
            d->window.resize(size);
            Driver::settle();
            ASSERT_EQ(d->window.size(), size);
            for (const QPushButton* b : station->findChildren<QPushButton*>())
                if (b->isVisible()) {
                    EXPECT_GE(b->width(), b->sizeHint().width())
                        << b->text().toStdString() << " at " << size.width();
                }
            int figures = 0;
            for (const QLabel* l : d->window.findChildren<QLabel*>())
                if (l->isVisible() && l->property("role").toString().startsWith(QStringLiteral("live"))) {
                    ++figures;
                    EXPECT_GE(l->width(), l->sizeHint().width()) << l->text().toStdString();
                }
            EXPECT_GE(figures, 3);
            const QWidget* margin = d->window.findChild<QWidget*>(QStringLiteral("margin"));
            EXPECT_LE(margin->mapTo(&d->window, margin->rect().topRight()).x(), size.width());
        }
    theme(false);
}

TEST_F(Rehearse, TheNamesOfPathsLeaveThePathsFree) {
    auto* plot = d->find<app::PhaseMap>("rehearseMap");
    MapView view = map();
    view.liveKelvin.reset();
    const auto along = [&](double lowKelvin, double highKelvin, double pascal) {
        view.paths = {{Text::typed("one"), {}, false}, {Text::typed("another"), {}, true}};
        for (int i = 0; i <= 100; ++i)
            view.paths[0].points.emplace_back(std::lerp(lowKelvin, highKelvin, i / 100.0), pascal);
        view.paths[1].points = view.paths[0].points;
        plot->show(view);
        return app::pathNamesBox(*plot);
    };
    const double middle = std::sqrt(view.lowPascal * view.highPascal);
    const QRectF area = plot->plotArea();
    EXPECT_GT(along(view.lowKelvin, view.highKelvin, view.highPascal / 1.2).top(), area.center().y());
    EXPECT_LT(along(view.lowKelvin, view.highKelvin, view.lowPascal * 1.2).bottom(), area.center().y());
    EXPECT_GT(along(view.lowKelvin, view.highKelvin, middle).top(),
              area.center().y()); // if there is a choice
    const QRectF low = app::pathNamesBox(*plot);
    std::tie(view.liveKelvin, view.livePascal) = plot->valuesAt(low.center());
    EXPECT_LT(along(view.lowKelvin, view.highKelvin, middle).bottom(), area.center().y());
    view.paths.clear();
    plot->show(view);
    EXPECT_TRUE(app::pathNamesBox(*plot).isEmpty());
}

TEST_F(Rehearse, ARigIsSavedAndOpenedAgainAndAWrongOneSaysWhere) {
    d->type("knob1", QStringLiteral("300"));
    wait();
    d->press("rehearseFace_1");
    app::dialogs::answerNext(QString::fromStdString((dir / "mine.json").string()));
    d->press("saveRig");
    ASSERT_TRUE(std::filesystem::exists(dir / "mine.json"));
    app::dialogs::answerNext(QString::fromStdString((dir / "mine.json").string()));
    d->press("openRig");
    wait();
    EXPECT_EQ(d->find<QComboBox>("demonstration")->currentText(), QStringLiteral("mine"));
    EXPECT_EQ(d->find<QLineEdit>("knob1")->text(), QStringLiteral("300"));
    std::ofstream(dir / "wrong.json")
        << R"({"name":"x","substance":"water","vessels":{"a":{"volume":"1 kg"}},"duration":"1 min"})";
    app::dialogs::answerNext(QString::fromStdString((dir / "wrong.json").string()));
    d->press("openRig");
    EXPECT_TRUE(d->text("message").contains(QStringLiteral("/vessels/a/volume")));
    EXPECT_EQ(d->find<QComboBox>("demonstration")->currentText(), QStringLiteral("mine"));
}

} // namespace
} // namespace uttrin
