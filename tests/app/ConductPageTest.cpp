#include "Driver.h"
#include "SeenWhole.h"
#include "lesson/actcommands/ActCommands.h"
#include "lesson/actcommands/ConductCommands.h"
#include "lesson/acts/ConductView.h"

#include <QCheckBox>
#include <QComboBox>

#include <algorithm>

namespace uttrin {
namespace {

using testing::Driver;

/// The flask of the sample's lesson, before the class.
class ConductPageTest : public testing::SampleLesson {
protected:
    void SetUp() override {
        testing::SampleLesson::SetUp();
        Act another;
        another.kind = ActKind::Demonstration;
        another.title = "Another flask";
        another.rig = R"({"rig":"sealed-flask","values":{"/vessels/flask/liquid":"500 g"}})";
        id = *d->controller.carryOut(&ActCommands::add, another);
        goTo(Station::Run);
        d->press("runFace_1");
        auto* acts = d->find<QComboBox>("conductAct");
        acts->setCurrentIndex(acts->findData(QVariant::fromValue<qlonglong>(id)));
        emit acts->activated(acts->currentIndex());
        Driver::settle();
    }
    void TearDown() override {
        d.reset();
        app::applyTheme(app::Theme::paper());
    }
    [[nodiscard]] std::vector<Stamp> stamps() const {
        auto all = d->session().model().data().stamps;
        std::erase_if(all, [this](const Stamp& s) { return s.actId != id; });
        return all;
    }
    RowId id = 0;
    void confirmAll() {
        for (auto* box : d->window.findChildren<QCheckBox*>())
            if (box->isVisible() && box->objectName().startsWith(QStringLiteral("confirm"))) box->click();
        Driver::settle();
    }
};

TEST_F(ConductPageTest, AStepIsDoneOnlyWhenAllIsConfirmedAndEnterHeldDoesNothingMore) {
    EXPECT_FALSE(d->find<QAbstractButton>("conductDone")->isEnabled());
    d->press("conductBegin");
    EXPECT_TRUE(d->text("conductHeading").startsWith(QStringLiteral("Step 1 of 9")));
    d->press("conductDone");
    EXPECT_TRUE(d->text("conductHeading").startsWith(QStringLiteral("Step 1 of 9")))
        << "nothing is confirmed yet";
    EXPECT_TRUE(d->text("message").contains(QStringLiteral("Confirm first")));
    confirmAll();
    auto* done = d->find<QAbstractButton>("conductDone");
    done->setFocus();
    QTest::keyClick(done, Qt::Key_Return);
    Driver::settle();
    EXPECT_TRUE(d->text("conductHeading").startsWith(QStringLiteral("Step 2 of 9")))
        << d->text("conductHeading").toStdString();
    EXPECT_TRUE(done->hasFocus()) << "a confirmation never takes the keyboard by itself";
    QKeyEvent held(QEvent::KeyPress, Qt::Key_Return, Qt::NoModifier, QStringLiteral("\r"), true);
    for (int i = 0; i < 5; ++i)
        QApplication::sendEvent(done, &held);
    Driver::settle();
    EXPECT_TRUE(d->text("conductHeading").startsWith(QStringLiteral("Step 2 of 9")));
    d->window.findChild<QAction*>(QStringLiteral("actionUndo"))->trigger();
    Driver::settle();
    EXPECT_TRUE(d->text("conductHeading").startsWith(QStringLiteral("Step 1 of 9")));
}

TEST_F(ConductPageTest, WhatIsSeenIsOnKeysThatNoFieldTakes) {
    d->press("conductBegin");
    auto* field = d->find<QLineEdit>("conductCelsius");
    field->setFocus();
    QTest::keyClicks(field, QStringLiteral("61.5"));
    QTest::keyClick(field, Qt::Key_F4); // ice on
    Driver::settle();
    ASSERT_EQ(stamps().size(), 2U);
    EXPECT_EQ(stamps().back().kind, StampKind::Seen);
    EXPECT_EQ(stamps().back().what, plain(thingsSeen()[2]));
    EXPECT_EQ(field->text(), QStringLiteral("61.5")) << "what is being typed stays";
    QTest::keyClick(field, Qt::Key_Return);
    Driver::settle();
    ASSERT_EQ(stamps().size(), 3U);
    EXPECT_EQ(stamps().back().value, 61.5);
    EXPECT_TRUE(field->text().isEmpty());
    d->type("conductWords", QStringLiteral("hand-warm"));
    d->press("conductCapture");
    EXPECT_EQ(stamps().back().what, "hand-warm");
    EXPECT_TRUE(d->text("conductStamps").contains(QStringLiteral("hand-warm")));
}

// The lab's last point boils; the flask that has just begun does not.
TEST_F(ConductPageTest, TheStripTellsOfTheActThatGoesOn) {
    const QString lab = d->text("stripGauge");
    d->press("conductBegin");
    EXPECT_NE(d->text("stripGauge"), lab);
    EXPECT_TRUE(d->text("stripRoomUnder").contains(QStringLiteral("rehearsed")))
        << d->text("stripRoomUnder").toStdString();
    d->press("runFaceActs_0");
    EXPECT_EQ(d->text("stripGauge"), lab);
    EXPECT_TRUE(d->find<QAbstractButton>("runFace_0")->hasFocus()) << "the keyboard stays with the choice";
    d->press("runFace_1");
    EXPECT_TRUE(d->find<QAbstractButton>("runFaceActs_1")->hasFocus());
    d->press("conductFinish");
    EXPECT_EQ(d->text("stripGauge"), lab);
}

TEST_F(ConductPageTest, AnActThatIsFinishedIsStampedNoMore) {
    QTest::keyClick(d->find<QWidget>("conductAct"), Qt::Key_F2);
    EXPECT_TRUE(stamps().empty()) << "not before it has begun";
    d->press("conductBegin");
    d->press("conductFinish");
    EXPECT_FALSE(d->find<QAbstractButton>("conductDone")->isEnabled());
    EXPECT_FALSE(d->find<QAbstractButton>("conductFinish")->isEnabled());
    EXPECT_EQ(stamps().back().kind, StampKind::Finished);
}

TEST_F(ConductPageTest, ALabIsLedRoundAndRoundItsPoints) {
    auto* list = d->find<QComboBox>("conductAct");
    const int lab = list->findText(QStringLiteral("Eleven points"));
    ASSERT_GE(lab, 0);
    list->setCurrentIndex(lab);
    emit list->activated(lab);
    Driver::settle();
    id = list->itemData(lab).toLongLong();
    EXPECT_TRUE(d->text("conductHeading").contains(QStringLiteral("point 7")))
        << d->text("conductHeading").toStdString();
    EXPECT_TRUE(d->text("conductSteps").contains(QStringLiteral("6 points")));
    EXPECT_TRUE(d->text("conductSee").contains(QStringLiteral("heater on")))
        << "what stands at what after it";
    confirmAll();
    d->press("conductDone");
    EXPECT_TRUE(d->text("conductHeading").startsWith(QStringLiteral("Step 3")));
    EXPECT_EQ(stamps().back().what, "again");
    confirmAll();
    d->press("conductLast");
    EXPECT_TRUE(d->text("conductHeading").startsWith(QStringLiteral("Step 4")));
    EXPECT_FALSE(d->find<QAbstractButton>("conductLast")->isVisible());
}

TEST_F(ConductPageTest, LiquidInTheLineStopsTheStepsUntilItIsDrained) {
    auto* list = d->find<QComboBox>("conductAct");
    const int freezing = list->findText(QStringLiteral("Freezing by boiling"));
    list->setCurrentIndex(freezing);
    emit list->activated(freezing);
    Driver::settle();
    id = list->itemData(freezing).toLongLong();
    d->press("conductBegin");
    EXPECT_TRUE(d->text("conductHeading").startsWith(QStringLiteral("Step 1")));
    // Its first step weighs: the balance is at hand.
    EXPECT_TRUE(d->find<QComboBox>("conductWay")->currentText().contains(QStringLiteral("balance")));
    EXPECT_FALSE(d->find<QComboBox>("conductPlace")->isVisible());
    d->type("conductCelsius", QStringLiteral("12.34"));
    d->press("conductCapture");
    EXPECT_EQ(stamps().back().unit, "g");
    QTest::keyClick(list, Qt::Key_D, Qt::AltModifier);
    Driver::settle();
    EXPECT_TRUE(d->text("conductHeading").startsWith(QStringLiteral("Stop")));
    EXPECT_FALSE(d->find<QAbstractButton>("conductSkip")->isEnabled());
    d->press("conductDone");
    EXPECT_TRUE(d->text("conductHeading").startsWith(QStringLiteral("Step 1")));
    EXPECT_EQ(stamps().back().what, plain(lineDrained()));
}

TEST_F(ConductPageTest, ThePlansBellsAndThoseForColdHandsAreOnAKeyEach) {
    d->press("conductBegin");
    const auto running = [&] { return d->session().model().data().bells.size(); };
    const auto before = running();
    d->press("bellHands");
    ASSERT_EQ(running(), before + 1);
    EXPECT_EQ(d->session().model().data().bells.back().lastsMs, 30'000);
    QTest::keyClick(d->find<QComboBox>("conductAct"), Qt::Key_P, Qt::AltModifier);
    Driver::settle();
    EXPECT_GT(running(), before + 1) << "the sample’s freezing is still to come";
    const auto all = running();
    QTest::keyClick(d->find<QComboBox>("conductAct"), Qt::Key_P, Qt::AltModifier);
    Driver::settle();
    EXPECT_EQ(running(), all) << "each once";
}

TEST_F(ConductPageTest, ASecondUnitStandsBesideTheUsualOne) {
    const auto unit = [&](int which) {
        d->window.findChild<QAction*>(QStringLiteral("actionSecondUnit_%1").arg(which))->trigger();
        Driver::settle();
    };
    d->press("conductBegin");
    unit(2);
    const double celsius = d->text("stripLiquid").replace(QChar(0x2212), QLatin1Char('-')).toDouble();
    EXPECT_TRUE(d->text("stripLiquidUnder")
                    .contains(QStringLiteral("= %1 °F").arg(celsius * 1.8 + 32.0, 0, 'f', 1)) ||
                std::abs(d->text("stripLiquidUnder").section(QLatin1Char(' '), 1, 1).toDouble() -
                         (celsius * 1.8 + 32.0)) < 0.2)
        << d->text("stripLiquidUnder").toStdString();
    unit(1);
    EXPECT_TRUE(d->text("stripLiquidUnder").endsWith(QStringLiteral("K")));
    unit(0);
    EXPECT_FALSE(d->text("stripLiquidUnder").startsWith(QLatin1Char('=')));
}

TEST_F(ConductPageTest, ItIsSeenWholeInEverySizeAndTheme) {
    d->press("conductBegin");
    testing::expectSeenWhole(*d);
}

} // namespace
} // namespace uttrin
