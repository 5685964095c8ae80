#include "app/controls/Theme.h"
#include "app/instruments/InstrumentPicture.h"
#include "app/map/PhaseCurve.h"
#include "substances/SubstanceLibrary.h"

#include <QApplication>
#include <QMouseEvent>
#include <QSignalSpy>
#include <QTest>
#include <QWheelEvent>
#include <gtest/gtest.h>

#include <cmath>

namespace uttrin::app {
namespace {

PressureInstrument vacuumDial() {
    PressureInstrument i;
    i.convention = PressureConvention::GaugeNegative;
    i.unit = "bar";
    i.division = 0.02;
    return i;
}

PressureInstrument tube(PressureConvention convention = PressureConvention::TwoArm) {
    PressureInstrument i;
    i.convention = convention;
    i.unit = "cm";
    i.division = 0.1;
    i.armSum = 82.0;
    return i;
}

/// A shown picture with the last value that a person set.
template <typename Picture>
struct Shown {
    Picture picture{QStringLiteral("picture")};
    std::optional<double> moved;
    Shown() {
        picture.resize(300, 420);
        picture.show();
        QObject::connect(&picture, &InstrumentPicture::moved, [this](double value) { moved = value; });
    }
    void drag(QPointF from, QPointF to) {
        QTest::mousePress(&picture, Qt::LeftButton, {}, from.toPoint());
        QMouseEvent move(QEvent::MouseMove, to, picture.mapToGlobal(to), Qt::NoButton, Qt::LeftButton,
                         Qt::NoModifier);
        QApplication::sendEvent(&picture, &move);
        QTest::mouseRelease(&picture, Qt::LeftButton, {}, to.toPoint());
    }
};

TEST(DialPicture, TheNeedleGoesWhereItIsDraggedAcrossTheWholeScale) {
    Shown<DialPicture> s;
    s.picture.setInstrument(vacuumDial(), 94310.0);
    for (double value = -0.98; value < 0.0; value += 0.14) {
        SCOPED_TRACE(value);
        s.drag(s.picture.rect().center(), s.picture.needleTip(value));
        ASSERT_TRUE(s.moved);
        EXPECT_NEAR(*s.moved, value, 0.011); // half a division, and a pixel
    }
}

TEST(DialPicture, StopsAtTheEndsOfItsScaleAndFollowsADeclaredSpan) {
    Shown<DialPicture> s;
    PressureInstrument i = vacuumDial();
    i.convention = PressureConvention::Absolute;
    i.unit = "mbar";
    i.division = 5.0;
    i.spanLow = 0.0;
    i.spanHigh = 250.0;
    s.picture.setInstrument(i, 94310.0);
    s.picture.setValue(249.0);
    s.picture.setFocus();
    for (int k = 0; k < 5; ++k)
        QTest::keyClick(&s.picture, Qt::Key_PageUp);
    EXPECT_EQ(*s.picture.value(), 250.0);
    QTest::keyClick(&s.picture, Qt::Key_Down);
    EXPECT_EQ(*s.picture.value(), 249.0); // a fifth of a division of 5
}

TEST(DialPicture, SettingItFromOutsideIsNotAPersonsMove) {
    Shown<DialPicture> s;
    s.picture.setInstrument(vacuumDial(), 94310.0);
    s.picture.setValue(-0.5);
    EXPECT_FALSE(s.moved);
    EXPECT_TRUE(s.picture.spokenValue().contains(QStringLiteral("0.5")));
}

TEST(UTubePicture, EitherMeniscusIsDraggedAndTheOtherFollows) {
    Shown<UTubePicture> s;
    s.picture.setInstrument(tube());
    s.picture.setValue(0.0);
    const QPointF left = s.picture.meniscus(true), right = s.picture.meniscus(false);
    EXPECT_NEAR(left.y(), right.y(), 1e-9); // level at no difference
    s.drag(left, left - QPointF(0, 60));
    const double up = *s.moved;
    EXPECT_GT(up, 10.0);
    EXPECT_LT(s.picture.meniscus(true).y(), s.picture.meniscus(false).y());
    EXPECT_NEAR(s.picture.meniscus(true).y() + s.picture.meniscus(false).y(), left.y() + right.y(), 1.0);
    s.picture.setValue(0.0);
    s.drag(right, right - QPointF(0, 60));
    EXPECT_NEAR(*s.moved, -up, 0.1);
}

TEST(ThermometerPicture, TheWheelSetsItOnlyWhileItHasTheFocus) {
    Shown<ThermometerPicture> s;
    Thermometer t;
    t.division = 1.0;
    s.picture.setInstrument(t);
    s.picture.setValue(60.0);
    const auto turn = [&] {
        QWheelEvent wheel(QPointF(10, 10), s.picture.mapToGlobal(QPointF(10, 10)), {}, QPoint(0, 120),
                          Qt::NoButton, Qt::NoModifier, Qt::NoScrollPhase, false);
        QApplication::sendEvent(&s.picture, &wheel);
    };
    s.picture.clearFocus();
    turn();
    EXPECT_EQ(*s.picture.value(), 60.0);
    s.picture.activateWindow();
    s.picture.setFocus();
    QApplication::processEvents();
    if (s.picture.hasFocus()) {
        turn();
        EXPECT_EQ(*s.picture.value(), 60.5);
    }
}

TEST(MeterPicture, TheBarSetsWhatTheMeterShowsInItsOwnUnit) {
    Shown<MeterPicture> s;
    Thermometer t;
    t.kind = ThermometerKind::Platinum;
    t.division = 0.01;
    s.picture.setInstrument(t);
    const double boiling = 138.5055; // ohm at 100 degC, IEC 60751
    s.drag(s.picture.bar().center(), QPointF(s.picture.xOf(boiling), s.picture.bar().center().y()));
    ASSERT_TRUE(s.moved);
    EXPECT_NEAR(*s.moved, boiling, 0.2); // a pixel of the bar
    const double before = *s.moved;
    s.picture.setFocus();
    QTest::keyClick(&s.picture, Qt::Key_Up);
    EXPECT_NEAR(*s.moved, before + 0.01, 1e-9);
    EXPECT_TRUE(s.picture.spokenValue().contains(QString::number(*s.moved, 'f', 2)));
}

TEST(MeterPicture, ADigitalGaugeIsSetInStepsOfItsDisplay) {
    Shown<MeterPicture> s;
    PressureInstrument i = vacuumDial();
    i.convention = PressureConvention::Absolute;
    i.unit = "hPa";
    i.division = 1.0;
    i.digital = true;
    s.picture.setInstrument(i, 94310.0);
    s.drag(s.picture.bar().center(), QPointF(s.picture.xOf(423.4), s.picture.bar().center().y()));
    ASSERT_TRUE(s.moved);
    EXPECT_NEAR(*s.moved, 423.4, 1000.0 / s.picture.bar().width()); // a pixel
    EXPECT_DOUBLE_EQ(*s.moved, std::round(*s.moved));
    const double before = *s.moved;
    QTest::keyClick(&s.picture, Qt::Key_Up);
    EXPECT_DOUBLE_EQ(*s.moved, before + 1.0);
}

TEST(DialPicture, AKitchenDialInFahrenheitReachesFromIceToSteam) {
    Shown<DialPicture> s;
    Thermometer t;
    t.kind = ThermometerKind::Dial;
    t.unit = "degF";
    t.division = 2.0;
    s.picture.setInstrument(t);
    const auto [low, high] = s.picture.span();
    EXPECT_LE(low, 32.0);
    EXPECT_GE(high, 212.0);
    s.drag(s.picture.rect().center(), s.picture.needleTip(140.0));
    ASSERT_TRUE(s.moved);
    EXPECT_NEAR(*s.moved, 140.0, 1.1); // half a division, and a pixel
    EXPECT_NEAR(toTemperature(t, *s.moved)->temperature.celsius(), 60.0, 0.7);
}

TEST(VernierPicture, StandsAsOnAStandardDayUntilItIsRead) {
    Shown<VernierPicture> s;
    MercuryReading half;
    half.mainScale = 7.0; // "741", half typed
    s.picture.setInstrument(half);
    EXPECT_NEAR(*s.picture.value(), 760.0, 0.1);
    EXPECT_FALSE(s.moved);
    half.mainScale = 741.0;
    s.picture.setInstrument(half);
    EXPECT_NEAR(*s.picture.value(), 741.0, 1e-9);
}

TEST(VernierPicture, AStepOfTheKeysIsOneLine) {
    Shown<VernierPicture> s;
    MercuryReading r;
    r.mainScale = 741.0;
    r.vernierLine = 9;
    s.picture.setInstrument(r);
    s.picture.setFocus();
    QTest::keyClick(&s.picture, Qt::Key_Up);
    EXPECT_NEAR(*s.moved, 742.0, 1e-9); // over to the next graduation
    EXPECT_EQ(withValue(r, *s.moved).vernierLine, 0);
    EXPECT_EQ(withValue(r, *s.moved).mainScale, 742.0);
}

TEST(PhaseCurve, IsThePublishedCurveWhereThereIsOneAndContinuesItSmoothly) {
    for (const Substance* s : substances()) {
        SCOPED_TRACE(s->facts().id);
        const PhaseCurve curve(*s);
        const auto& f = s->facts();
        const double middle = 0.5 * (f.lowest.kelvin() + f.highest.kelvin());
        EXPECT_NEAR(curve.pascal(middle) / s->vapourPressure(Temperature::fromKelvin(middle))->pascal(), 1.0,
                    1e-12);
        EXPECT_TRUE(curve.covers(middle));
        EXPECT_FALSE(curve.covers(f.highest.kelvin() + 1.0));
        for (const double end : {f.lowest.kelvin(), f.highest.kelvin()}) {
            const double out = end == f.lowest.kelvin() ? -1e-3 : 1e-3;
            EXPECT_NEAR(curve.pascal(end + out) / curve.pascal(end), 1.0, 0.01);
        }
        EXPECT_LT(curve.overviewLowKelvin(), curve.overviewHighKelvin());
        EXPECT_NEAR(curve.meltingKelvin(curve.triplePascal()), curve.tripleKelvin(), 1e-9);
    }
    // Ice melts lower under pressure, solid carbon dioxide higher.
    EXPECT_LT(PhaseCurve(water()).meltingKelvin(1e7), 273.16);
    EXPECT_GT(PhaseCurve(**findSubstance("carbon-dioxide")).meltingKelvin(1e7), 216.592);
}

/// Whether the picture shows the pointer of a target: its colour, at a place where nothing else has it.
bool pointsAt(InstrumentPicture& picture, QPoint inside) {
    return picture.grab().toImage().pixelColor(inside) == theme().done;
}

TEST(InstrumentPicture, PointsAtTheNextTargetAndOnlyOnItsScale) {
    Shown<DialPicture> dial;
    dial.picture.setInstrument(vacuumDial(), 94310.0);
    Shown<UTubePicture> arms;
    arms.picture.setInstrument(tube());
    Shown<ThermometerPicture> glass;
    glass.picture.setInstrument(Thermometer{});
    Shown<MeterPicture> meter;
    meter.picture.setInstrument(Thermometer{});
    arms.picture.setValue(30.0);
    const QPoint vessel = (arms.picture.meniscus(true) - QPointF(21, 0)).toPoint(),
                 room = (arms.picture.meniscus(false) + QPointF(21, 0)).toPoint();
    arms.picture.setValue(std::nullopt);
    const QPointF centre = dial.picture.centre();
    const QPoint rim = (centre + 1.3 * (dial.picture.needleTip(-0.62) - centre)).toPoint();
    const QPoint column = (glass.picture.columnEnd(60.0) - QPointF(18, 0)).toPoint();
    const QPoint bar(static_cast<int>(meter.picture.xOf(60.0)),
                     static_cast<int>(meter.picture.bar().top()) - 6);
    const auto all = [&](double gauge, double arm, double temperature) {
        dial.picture.setTarget(gauge);
        arms.picture.setTarget(arm);
        glass.picture.setTarget(temperature);
        meter.picture.setTarget(temperature);
        return std::vector{pointsAt(dial.picture, rim), pointsAt(arms.picture, vessel),
                           pointsAt(arms.picture, room), pointsAt(glass.picture, column),
                           pointsAt(meter.picture, bar)};
    };
    EXPECT_EQ(all(-0.62, 30.0, 60.0), std::vector<bool>(5, true));
    EXPECT_EQ(all(-0.2, -40.0, 20.0), std::vector<bool>(5, false));  // elsewhere
    EXPECT_EQ(all(-3.0, 300.0, 900.0), std::vector<bool>(5, false)); // off the scale
}

} // namespace
} // namespace uttrin::app
