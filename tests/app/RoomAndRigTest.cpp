#include "Driver.h"
#include "app/controller/Dialogs.h"
#include "app/instruments/InstrumentPicture.h"
#include "app/map/PhaseMap.h"
#include "app/shell/NavigationColumn.h"
#include "lesson/commands/LessonCommands.h"
#include "substances/SubstanceLibrary.h"

#include <QCheckBox>
#include <QComboBox>

#include <cmath>

namespace uttrin {
namespace {

using app::PhaseMap;
using testing::Driver;
using RoomStation = testing::NewLesson;
using RigStation = testing::NewLesson;

TEST_F(RoomStation, NothingIsAssumedUntilASourceIsGiven) {
    EXPECT_FALSE(d.session().room());
    EXPECT_TRUE(d.text("stripRoomUnder").contains(QStringLiteral("unreferenced")));
    EXPECT_FALSE(d.find<QAbstractButton>("roomEnter")->isEnabled());
    EXPECT_TRUE(d.window.findChild<app::StationButton*>(QStringLiteral("station1"))->state().missing);
    enterRoom();
    ASSERT_TRUE(d.session().room());
    EXPECT_NEAR(d.session().room()->station.pascal(), 94310.0, 1e-6);
    EXPECT_EQ(d.text("stripRoom"), QStringLiteral("94.31"));
    EXPECT_FALSE(d.window.findChild<app::StationButton*>(QStringLiteral("station1"))->state().missing);
}

TEST_F(RoomStation, AWeatherReportMustSayWhetherItIsReduced) {
    d.press("roomMethod_1");
    d.type("roomValue", QStringLiteral("1018.4"));
    EXPECT_FALSE(d.find<QAbstractButton>("roomEnter")->isEnabled());
    d.press("roomReduced_0");
    d.type("roomAltitude", QStringLiteral("612"));
    d.type("roomAir", QStringLiteral("18"));
    ASSERT_TRUE(d.find<QAbstractButton>("roomEnter")->isEnabled());
    d.press("roomEnter");
    EXPECT_NEAR(d.session().room()->station.pascal(), 94830.0, 10.0);
}

TEST_F(RoomStation, AnAssumedValueSaysWhatItCostsHere) {
    d.press("roomMethod_4");
    d.type("roomValue", QStringLiteral("1013.25"));
    d.type("roomAltitude", QStringLiteral("612"));
    // 101.325 against 94.19 kPa: 99.97 against 97.94 degC.
    EXPECT_TRUE(d.text("roomWarning").contains(QStringLiteral("about 2.0 K wrong")))
        << d.text("roomWarning").toStdString();
    d.press("roomEnter");
    EXPECT_EQ(d.session().room()->method, RoomMethod::Nominal);
    EXPECT_TRUE(d.text("stripRoomUnder").contains(QStringLiteral("nominal")));
}

TEST_F(RoomStation, AnImpossibleReadingIsRefusedWithTheReason) {
    d.press("roomMethod_0");
    d.type("roomValue", QStringLiteral("94.31"));
    EXPECT_FALSE(d.find<QAbstractButton>("roomEnter")->isEnabled());
    EXPECT_TRUE(d.text("roomWarning").contains(QStringLiteral("30 to 120 kPa")));
    d.type("roomValue", QStringLiteral("abc"));
    EXPECT_TRUE(d.find<QLineEdit>("roomValue")->property("wrong").toBool());
}

TEST_F(RoomStation, AMercuryColumnIsReadWithItsVernierAndCorrected) {
    d.press("roomMethod_5");
    d.type("barometerMain", QStringLiteral("709"));
    d.type("barometerVernier", QStringLiteral("4"));
    d.type("barometerAttached", QStringLiteral("21"));
    d.type("barometerLatitude", QStringLiteral("61.2"));
    EXPECT_FALSE(d.find<QAbstractButton>("roomEnter")->isEnabled());
    d.type("barometerHeight", QStringLiteral("612"));
    EXPECT_TRUE(d.text("barometerSteps").contains(QStringLiteral("709.4")));
    EXPECT_TRUE(d.text("barometerSteps").contains(QStringLiteral("Temperature, brass scale at 21.0")));
    d.press("roomEnter");
    ASSERT_TRUE(d.session().room());
    MercuryReading m;
    m.mainScale = 709.0;
    m.vernierLine = 4;
    m.attachedCelsius = 21.0;
    m.latitudeDegrees = 61.2;
    m.altitudeM = 612.0;
    EXPECT_EQ(d.session().room()->station, stationPressure(m)->station);
    EXPECT_TRUE(d.text("roomHistory").contains(QStringLiteral("mercury barometer")));
}

TEST_F(RoomStation, WhatWasDoneAtTheBarometerIsTickedAndKept) {
    d.press("roomMethod_5");
    for (const auto& [field, value] : {std::pair{"barometerMain", "526"},
                                       {"barometerVernier", "7"},
                                       {"barometerAttached", "9"},
                                       {"barometerLatitude", "-16.5"},
                                       {"barometerHeight", "3010"}})
        d.type(field, QString::fromLatin1(value));
    d.press("barometerTick_attached");
    d.press("barometerTick_slide");
    EXPECT_TRUE(d.text("roomWarning").contains(QStringLiteral("not set to the tip of the cone")))
        << d.text("roomWarning").toStdString();
    d.press("barometerTick_cone");
    EXPECT_FALSE(d.text("roomWarning").contains(QStringLiteral("cone")));
    d.press("roomEnter");
    ASSERT_TRUE(d.session().room());
    const RoomEntry* kept = d.session().model().roomEntry(d.session().model().data().rooms.back().id);
    ASSERT_TRUE(kept && kept->mercury.ticks);
    EXPECT_EQ(*kept->mercury.ticks, (BarometerTicks{true, true, true, false}));
    EXPECT_EQ(d.session().model().roomCelsius({}), 9.0);
}

TEST_F(RoomStation, APullWithAnUnknownPumpAndTheRoomsTemperatureAreTaken) {
    d.press("roomMethod_3");
    d.type("roomValue", QStringLiteral("-71.4"));
    auto* units = d.find<QComboBox>("roomUnit");
    units->setCurrentText(QStringLiteral("kPa"));
    emit units->activated(units->currentIndex());
    Driver::settle();
    ASSERT_TRUE(d.find<QAbstractButton>("roomEnter")->isEnabled()) << d.text("roomWarning").toStdString();
    EXPECT_TRUE(d.text("roomWarning").contains(QStringLiteral("up to 3 kPa higher")));
    d.type("roomTemperature", QStringLiteral("abc"));
    EXPECT_TRUE(d.find<QLineEdit>("roomTemperature")->property("wrong").toBool());
    d.type("roomTemperature", QStringLiteral("31,5"));
    d.press("roomEnter");
    EXPECT_NEAR(d.session().room()->station.pascal(), 71'400.0, 1e-6);
    EXPECT_EQ(d.session().model().roomCelsius({}), 31.5);
    // The demonstrations are rehearsed in that room.
    const RoomEntry* kept = d.session().model().roomEntry(d.session().model().data().rooms.back().id);
    ASSERT_TRUE(kept);
    EXPECT_FALSE(kept->ultimatePa);
}

TEST_F(RoomStation, TheVernierPictureIsSetByKeysAndByDragging) {
    d.press("roomMethod_5");
    d.type("barometerMain", QStringLiteral("709"));
    auto* picture = d.find<app::VernierPicture>("vernierPicture");
    EXPECT_NEAR(*picture->value(), 709.0, 1e-9);
    picture->setFocus();
    QTest::keyClick(picture, Qt::Key_Up);
    EXPECT_EQ(d.find<QLineEdit>("barometerVernier")->text(), QStringLiteral("1"));
    const QPoint from = picture->rect().center(), to = from - QPoint(0, 120);
    QTest::mousePress(picture, Qt::LeftButton, {}, from);
    QMouseEvent move(QEvent::MouseMove, to, picture->mapToGlobal(to), Qt::NoButton, Qt::LeftButton,
                     Qt::NoModifier);
    QApplication::sendEvent(picture, &move);
    QTest::mouseRelease(picture, Qt::LeftButton, {}, to);
    EXPECT_GT(*picture->value(), 710.0);
    EXPECT_GE(d.find<QLineEdit>("barometerMain")->text().toDouble(), 710.0);
}

TEST_F(RigStation, ChangingTheConventionChangesWhatTheDialWillShow) {
    enterRoom();
    goTo(Station::Rig);
    d.press("gaugeConvention_3");
    EXPECT_EQ(d.session().plan().rig.gauge.convention, PressureConvention::TwoArm);
    EXPECT_EQ(d.session().plan().rig.gauge.unit, "cm");
    d.type("gaugeArmSum", QStringLiteral("82.1"));
    EXPECT_TRUE(d.text("rigMeaning").contains(QStringLiteral("41.05 | 41.05 cm")))
        << d.text("rigMeaning").toStdString();
    d.press("gaugeConvention_2");
    EXPECT_EQ(d.session().plan().rig.gauge.convention, PressureConvention::Absolute);
    ASSERT_TRUE(d.controller.carryOut(&LessonCommands::undo));
    EXPECT_EQ(d.session().plan().rig.gauge.convention, PressureConvention::TwoArm);
}

TEST_F(RigStation, ASpanAndAClassGiveTheDialItsScaleAndItsAccuracy) {
    enterRoom();
    goTo(Station::Rig);
    d.type("gaugeClass", QStringLiteral("2.5"));
    EXPECT_TRUE(d.text("message").contains(QStringLiteral("ends of the scale")))
        << d.text("message").toStdString();
    d.type("gaugeSpanLow", QStringLiteral("-1"));
    d.type("gaugeSpanHigh", QStringLiteral("0.6"));
    d.type("gaugeClass", QStringLiteral("2.5"));
    const auto& gauge = d.session().plan().rig.gauge;
    EXPECT_EQ(gauge.spanLow, -1.0);
    EXPECT_NEAR(gauge.accuracy, 0.04, 1e-12); // 2.5 % of 1.6 bar
    EXPECT_EQ(d.find<app::DialPicture>("dialPicture")->span(), (std::pair{-1.0, 0.6}));
}

TEST_F(RigStation, TheInstrumentsStandAsTheyWillWhenItBoilsAndFollowEachOther) {
    enterRoom();
    goTo(Station::Rig);
    auto* dial = d.find<app::DialPicture>("dialPicture");
    ASSERT_TRUE(dial->value());
    EXPECT_NEAR(*dial->value(), -0.74, 0.011); // water at 60 degC, 19.95 kPa, in 94.31 kPa
    QTest::mouseClick(dial, Qt::LeftButton, {}, dial->needleTip(-0.5).toPoint());
    Driver::settle();
    auto* meter = d.find<app::MeterPicture>("meterPicture");
    const double boils =
        water().boilingPoint(Pressure::fromPascal(94310.0 + 1e5 * *dial->value()))->celsius();
    EXPECT_NEAR(*meter->value(), boils, 0.01);
    QTest::keyClick(meter, Qt::Key_PageDown);
    Driver::settle();
    EXPECT_LT(*dial->value(), -0.5);
    EXPECT_TRUE(d.text("rigMeaning").contains(QStringLiteral("boils at")))
        << d.text("rigMeaning").toStdString();
}

TEST_F(RigStation, FiguresAndNeedlesLookAsTheyAreDeclared) {
    enterRoom();
    goTo(Station::Rig);
    EXPECT_TRUE(d.find<app::DialPicture>("dialPicture")->isVisible());
    d.press("gaugeDisplay_1");
    EXPECT_TRUE(d.session().plan().rig.gauge.digital);
    auto* figures = d.find<app::MeterPicture>("gaugeMeterPicture");
    EXPECT_TRUE(figures->isVisible());
    EXPECT_FALSE(d.find<app::DialPicture>("dialPicture")->isVisible());
    EXPECT_LT(*figures->value(), -0.5); // where water boils at 60 degC
    d.key(Qt::Key_Z, Qt::ControlModifier);
    EXPECT_FALSE(d.session().plan().rig.gauge.digital);
    auto* kind = d.find<QComboBox>("thermometerKind");
    kind->setCurrentIndex(kind->findData(QStringLiteral("dial")));
    Driver::settle();
    auto* round = d.find<app::DialPicture>("thermometerDialPicture");
    ASSERT_TRUE(round->isVisible());
    EXPECT_NEAR(*round->value(), 60.0, 1e-9);
    QTest::mouseClick(round, Qt::LeftButton, {}, round->needleTip(80.0).toPoint());
    Driver::settle();
    // Steam tables: 47.41 kPa at 80 degC, so the gauge shows -0.469 bar here.
    EXPECT_NEAR(*d.find<app::DialPicture>("dialPicture")->value(), 0.4741 - 0.9431, 0.03);
}

TEST_F(RigStation, AnotherLiquidMovesTheWholeLessonToItsCurve) {
    enterRoom();
    goTo(Station::Rig);
    auto* liquid = d.find<QComboBox>("substance");
    liquid->setCurrentIndex(liquid->findData(QStringLiteral("acetone")));
    emit liquid->activated(liquid->currentIndex());
    Driver::settle();
    EXPECT_EQ(d.session().plan().substance, "acetone");
    EXPECT_TRUE(d.text("rigMeaning").contains(QStringLiteral("acetone boils at")));
    EXPECT_EQ(d.text("stripLiquidCaption"), QStringLiteral("ACETONE"));
    // Acetone boils at 56.07 °C at 101.325 kPa, and near 54 °C in this room.
    EXPECT_LT(d.session().sheet()->targets.back().boils.celsius(), 54.5);
    goTo(Station::Plan);
    EXPECT_TRUE(d.text("planCautions").contains(QStringLiteral("acetone burns")));
    EXPECT_EQ(d.find<PhaseMap>("phaseMap")->view().substance->facts().id, "acetone");
    d.key(Qt::Key_Z, Qt::ControlModifier);
    EXPECT_EQ(d.session().plan().substance, "water");
}

TEST_F(RigStation, SaltInTheWaterRaisesTheBoilingPointsAndMakesASecondPart) {
    enterRoom();
    goTo(Station::Rig);
    const double before = d.session().sheet()->targets.back().boils.kelvin();
    auto* solute = d.find<QComboBox>("solute");
    solute->setCurrentIndex(solute->findData(QStringLiteral("nacl")));
    emit solute->activated(solute->currentIndex());
    Driver::settle();
    d.type("soluteAmount", QStringLiteral("2"));
    EXPECT_NEAR(d.session().sheet()->targets.back().boils.kelvin() - before, 1.95, 0.12);
    EXPECT_EQ(d.text("stripLiquidCaption"), QStringLiteral("SOLUTION"));
    EXPECT_TRUE(d.find<PhaseMap>("phaseMap")->view().solution.has_value());
    const auto setups = d.session().model().data().setups.size();
    d.press("secondPart");
    EXPECT_EQ(d.session().model().data().setups.size(), setups + 1);
    EXPECT_NEAR(d.session().plan().solute.amount, 2.0, 1e-12);
    EXPECT_EQ(d.session().model().plan(d.session().model().data().setups[0].id).solute.kind,
              SoluteKind::None);
}

TEST_F(RigStation, AThermometerIsDeclaredByItsKindAndCalibrated) {
    enterRoom();
    goTo(Station::Rig);
    d.type("calibrationIce", QStringLiteral("0.5"));
    d.type("calibrationSteam", QStringLiteral("98.5"));
    d.press("calibrate");
    ASSERT_EQ(d.session().plan().rig.thermometer.calibrations.size(), 1U);
    EXPECT_TRUE(d.text("calibrationResult").contains(QStringLiteral("97.98")))
        << d.text("calibrationResult").toStdString();
    auto* kind = d.find<QComboBox>("thermometerKind");
    kind->setCurrentIndex(kind->findData(QStringLiteral("platinum")));
    Driver::settle();
    EXPECT_TRUE(d.session().plan().rig.thermometer.calibrations.empty()); // they were in degrees
    d.type("thermometerOhm", QStringLiteral("1000"));
    EXPECT_NEAR(d.session().plan().rig.thermometer.nominalOhm, 1000.0, 1e-12);
    goTo(Station::Run);
    d.type("newGroup", QStringLiteral("Cedar"), Qt::Key_Return);
    d.type("readTemperature", QStringLiteral("1385.1")); // 100 degC by IEC 60751
    const auto t = toTemperature(d.session().plan().rig.thermometer, *d.session().draft().temperature);
    EXPECT_NEAR(t->temperature.celsius(), 100.0, 0.02);
}

TEST_F(RigStation, OtherSubstancesAreLaidOverTheMap) {
    enterRoom();
    goTo(Station::Rig);
    auto* map = d.find<PhaseMap>("phaseMap");
    emit map->layOver(QStringLiteral("acetone"), true);
    Driver::settle();
    ASSERT_EQ(map->view().overlays.size(), 1U);
    EXPECT_EQ(map->view().overlays[0]->facts().id, "acetone");
    emit map->layOver(QStringLiteral("acetone"), false);
    Driver::settle();
    EXPECT_TRUE(map->view().overlays.empty());
    map->showAll();
    EXPECT_TRUE(map->plotArea().contains(map->pixelOf(647.096, 22.064e6).toPoint())); // the critical point
    EXPECT_TRUE(map->plotArea().contains(map->pixelOf(273.16, 611.657).toPoint()));
}

} // namespace
} // namespace uttrin
