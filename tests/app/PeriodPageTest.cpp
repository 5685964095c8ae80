#include "Driver.h"
#include "SeenWhole.h"
#include "app/controller/Dialogs.h"
#include "app/stations/plan/PeriodTimeline.h"
#include "lesson/actcommands/ActCommands.h"
#include "physics/Constants.h"
#include "rehearsal/library/RigLibrary.h"

#include <QComboBox>

#include <algorithm>

namespace uttrin {
namespace {

using testing::Driver;

/// The lesson of the sample, at its acts.
class PeriodPageTest : public testing::SampleLesson {
protected:
    void SetUp() override {
        testing::SampleLesson::SetUp();
        for (const Act& act : std::vector<Act>(acts()))
            ASSERT_TRUE(d->controller.carryOut(&ActCommands::remove, act.id));
        goTo(Station::Plan);
        if (!lines()->isVisible()) d->press("planFaceLadder_1");
    }
    void TearDown() override {
        d->press("planFace_0"); // as other tests expect it
        d.reset();
        app::applyTheme(app::Theme::paper());
    }

    [[nodiscard]] const std::vector<Act>& acts() const { return d->session().model().data().acts; }
    app::PeriodTimeline* lines() { return d->window.findChild<app::PeriodTimeline*>(); }
    void addDemonstration(const char* id) {
        auto* list = d->find<QComboBox>("addDemonstration");
        list->setCurrentIndex(list->findData(QLatin1String(id)));
        emit list->activated(list->currentIndex());
        Driver::settle();
    }
    void key(Qt::Key key, Qt::KeyboardModifiers with = Qt::NoModifier) {
        QTest::keyClick(lines(), key, with);
        Driver::settle();
    }
    /// Types a value and leaves the field by the Tab key.
    void enter(const char* field, const QString& text) {
        d->type(field, text);
        QTest::keyClick(d->find<QLineEdit>(field), Qt::Key_Tab);
        Driver::settle();
    }
};

TEST_F(PeriodPageTest, ALessonOfFourActsWithAFlaskReadyAtMinuteFiveTakesFewerThanFortyActions) {
    int actions = 0;
    const auto typed = [&](const char* field, const char* text) {
        enter(field, QLatin1String(text));
        ++actions;
    };
    d->press("addBlock");
    addDemonstration("sealed-flask");
    actions += 2;
    typed("actReady", "5");
    typed("actReadyCelsius", "60");
    EXPECT_NE(d->text("actSays").indexOf(QStringLiteral("Ready at minute 5 at 60 °C: begin at minute")), -1)
        << d->text("actSays").toStdString();
    // It begins when the wish says so.
    d->press("actToWish");
    addDemonstration("freeze-by-boiling");
    typed("actStarts", "12");
    d->press("addLab");
    typed("actStarts", "18");
    actions += 3;
    ASSERT_EQ(acts().size(), 4U);
    const Act& flask = acts()[1];
    ASSERT_TRUE(flask.readyS && flask.readyK);
    EXPECT_EQ(*flask.readyS, 300);
    EXPECT_NEAR(*flask.readyK, 60.0 + kIcePointKelvin, 1e-9);
    EXPECT_LT(flask.startsS, 0) << "it is shut before the bell";
    EXPECT_LT(actions, 40);
    EXPECT_TRUE(d->text("periodTodo").contains(QStringLiteral("Sealed flask")))
        << d->text("periodTodo").toStdString();
    EXPECT_TRUE(d->text("periodFetch").contains(QStringLiteral("ice, in portions: 180 g")));
}

TEST_F(PeriodPageTest, ByKeysAnActIsChosenMovedLengthenedAndTakenAway) {
    d->press("addBlock");
    d->press("addBlock");
    ASSERT_EQ(acts().size(), 2U);
    lines()->setFocus();
    key(Qt::Key_Up);
    key(Qt::Key_Right);
    key(Qt::Key_Right, Qt::ShiftModifier);
    EXPECT_EQ(acts()[0].startsS, 6 * 60);
    key(Qt::Key_Left);
    EXPECT_EQ(acts()[0].startsS, 5 * 60);
    key(Qt::Key_Right, Qt::ControlModifier);
    EXPECT_EQ(acts()[0].lastsS, 6 * 60);
    for (int i = 0; i < 20; ++i)
        key(Qt::Key_Left, Qt::ControlModifier);
    EXPECT_EQ(acts()[0].lastsS, 60) << "a minute at least";
    key(Qt::Key_Down);
    key(Qt::Key_Delete);
    ASSERT_EQ(acts().size(), 1U);
    d->window.findChild<QAction*>(QStringLiteral("actionUndo"))->trigger();
    EXPECT_EQ(acts().size(), 2U);
}

TEST_F(PeriodPageTest, ABlockIsDraggedByWholeMinutesAndDrawnLongerAtItsEnd) {
    d->press("addBlock");
    const auto drag = [&](QPointF from, double minutes) {
        const QPointF to = from + QPointF(minutes * (lines()->x(1.0) - lines()->x(0.0)), 0);
        QTest::mousePress(lines(), Qt::LeftButton, {}, from.toPoint());
        QTest::mouseMove(lines(), to.toPoint());
        QTest::mouseRelease(lines(), Qt::LeftButton, {}, to.toPoint());
        Driver::settle();
    };
    drag(lines()->laneRect(0).center(), 10.2);
    EXPECT_EQ(acts()[0].startsS, 10 * 60);
    const QRectF block = lines()->laneRect(0);
    drag(QPointF(block.right(), block.center().y()), 3.0);
    EXPECT_EQ(acts()[0].lastsS, 8 * 60);
    EXPECT_EQ(acts()[0].startsS, 10 * 60);
    drag(lines()->laneRect(0).center(), 0.2);
    EXPECT_EQ(acts()[0].startsS, 10 * 60) << "less than half a minute is no move";
}

TEST_F(PeriodPageTest, WhatConflictsIsSaidAndMendedOnOneKey) {
    addDemonstration("bell-jar");
    addDemonstration("freeze-by-boiling");
    enter("actStarts", QStringLiteral("3"));
    EXPECT_TRUE(d->text("periodClashes").contains(QStringLiteral("the pump is wanted by")))
        << d->text("periodClashes").toStdString();
    EXPECT_TRUE(d->find<QWidget>("periodClashes")->isVisible());
    d->press("mendPeriod");
    EXPECT_FALSE(d->find<QWidget>("periodClashes")->isVisible()) << d->text("periodClashes").toStdString();
    d->window.findChild<QAction*>(QStringLiteral("actionUndo"))->trigger();
    Driver::settle();
    EXPECT_TRUE(d->find<QWidget>("periodClashes")->isVisible());
    enter("periodPumps", QStringLiteral("2"));
    EXPECT_FALSE(d->text("periodClashes").contains(QStringLiteral("pump")));
}

TEST_F(PeriodPageTest, ValuesOfTheRigAreThisTeachersOwn) {
    addDemonstration("sealed-flask");
    enter("actKnob1", QStringLiteral("300"));
    EXPECT_NE(acts()[0].rig.find("300 g"), std::string::npos) << acts()[0].rig;
    enter("actKnob1", QStringLiteral("99999"));
    EXPECT_NE(acts()[0].rig.find("300 g"), std::string::npos) << "out of its range it is refused";
    auto* variants = d->find<QComboBox>("actVariant");
    const int jar = variants->findText(QStringLiteral("household jar"));
    ASSERT_GT(jar, 0);
    variants->setCurrentIndex(jar);
    emit variants->activated(jar);
    Driver::settle();
    EXPECT_EQ(acts()[0].rig.find("household"), std::string::npos) << "household glass is no act";
    EXPECT_TRUE(d->text("message").contains(QStringLiteral("only to be rehearsed")))
        << d->text("message").toStdString();
    EXPECT_EQ(variants->currentIndex(), 0);
}

TEST_F(PeriodPageTest, HowItIsSetUpIsChosenAndARigIsKeptForOtherLessons) {
    addDemonstration("sealed-flask");
    auto* chips = d->find<QComboBox>("actCondition1");
    chips->setCurrentIndex(2);
    emit chips->activated(2);
    Driver::settle();
    EXPECT_NE(acts()[0].rig.find(R"("boiling chips":"none")"), std::string::npos) << acts()[0].rig;
    auto* water = d->find<QComboBox>("actCondition2");
    water->lineEdit()->setText(QStringLiteral("melted snow"));
    QTest::keyClick(water->lineEdit(), Qt::Key_Return);
    Driver::settle();
    EXPECT_NE(acts()[0].rig.find("melted snow"), std::string::npos) << "own words";
    auto* vessel = d->find<QComboBox>("actVessel0");
    vessel->setCurrentIndex(2);
    emit vessel->activated(2);
    Driver::settle();
    EXPECT_EQ(acts()[0].rig.find("household"), std::string::npos);
    EXPECT_TRUE(d->text("message").contains(QStringLiteral("household glass")));
    EXPECT_EQ(vessel->currentIndex(), 0);
    enter("actKnob1", QStringLiteral("330"));
    app::dialogs::answerNext(QStringLiteral("Our flask"));
    d->press("actKeepRig");
    auto* list = d->find<QComboBox>("addDemonstration");
    const int own = list->findText(QStringLiteral("Own: Our flask"));
    ASSERT_GT(own, 0);
    list->setCurrentIndex(own);
    emit list->activated(own);
    Driver::settle();
    ASSERT_EQ(acts().size(), 2U);
    EXPECT_EQ(acts()[1].title, "Our flask");
    EXPECT_EQ(d->find<QLineEdit>("actKnob1")->text(), QStringLiteral("330"));
    ASSERT_TRUE(ownRigs().remove("our-flask"));
}

TEST_F(PeriodPageTest, AnEarlierLessonIsTakenOverAndItsIceAndPeopleAreCounted) {
    addDemonstration("sealed-flask");
    app::dialogs::answerNext(QString::fromStdString((dir / "sample.uttrin").string()));
    ASSERT_TRUE(writeDemoNotebook(dir / "sample.uttrin"));
    d->press("earlierLesson");
    EXPECT_EQ(acts().size(), 6U) << "the five of the sample, as planned";
    EXPECT_TRUE(std::ranges::all_of(acts(), [](const Act& a) { return a.state == ActState::Planned; }));
    enter("periodPeople", QStringLiteral("27"));
    EXPECT_TRUE(d->text("periodFetch").contains(QStringLiteral("eye protection: 27")));
    enter("periodIce", QStringLiteral("100"));
    EXPECT_TRUE(d->text("periodClashes").contains(QStringLiteral("the ice runs out")));
    enter("periodIce", QString());
    EXPECT_FALSE(d->text("periodClashes").contains(QStringLiteral("the ice runs out")));
}

TEST_F(PeriodPageTest, TheBellGivesTimesByTheClock) {
    d->press("addBlock");
    enter("periodBell", QStringLiteral("10:00"));
    EXPECT_TRUE(d->text("periodTodo").startsWith(QStringLiteral("10:00")))
        << d->text("periodTodo").toStdString();
    enter("periodBell", QStringLiteral("soon"));
    EXPECT_TRUE(d->text("message").contains(QStringLiteral("no clock time")));
    EXPECT_EQ(d->find<QLineEdit>("periodBell")->text(), QStringLiteral("10:00"));
    enter("periodLasts", QStringLiteral("3"));
    EXPECT_TRUE(d->text("periodClashes").contains(QStringLiteral("ends 2 min after the bell")));
}

TEST_F(PeriodPageTest, ItIsSeenWholeInEverySizeAndTheme) {
    d->press("addBlock");
    for (const char* id : {"sealed-flask", "bell-jar", "freeze-by-boiling"})
        addDemonstration(id);
    d->press("addLab");
    testing::expectSeenWhole(*d);
}

} // namespace
} // namespace uttrin
