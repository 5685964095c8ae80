#include "app/conduct/ClassWindow.h"

#include "Driver.h"
#include "app/controller/Dialogs.h"
#include "lesson/actcommands/ClassCommands.h"
#include "lesson/acts/Bells.h"

#include <QAction>
#include <QComboBox>
#include <QTextBrowser>

#include <algorithm>

namespace uttrin {
namespace {

using testing::Driver;

/// The sample's flask, which goes on; the class has answered, and nothing is revealed.
class ClassWindowTest : public testing::SampleLesson {
protected:
    void SetUp() override {
        testing::SampleLesson::SetUp();
        goTo(Station::Run);
        d->press("runFace_1");
        d->window.findChild<QAction*>(QStringLiteral("actionClass"))->trigger();
        Driver::settle();
        const auto all = QApplication::topLevelWidgets();
        for (QWidget* top : all)
            if (auto* found = qobject_cast<app::ClassWindow*>(top)) window = found;
        ASSERT_NE(window, nullptr);
    }
    void waitFor(const std::function<bool()>& isSo) {
        for (int i = 0; i < 200 && !isSo(); ++i)
            QTest::qWait(50);
        EXPECT_TRUE(isSo());
    }
    app::ClassWindow* window = nullptr;
};

TEST_F(ClassWindowTest, ShowsTheTallyOnceLockedAndTheForecastOnlyOnceRevealed) {
    ASSERT_TRUE(window->view().question);
    EXPECT_EQ(plain(window->view().question->tally), "17 of 24 say: no");
    EXPECT_FALSE(window->view().showsForecast);
    EXPECT_TRUE(window->view().pressure.empty());
    EXPECT_FALSE(window->view().temperature.empty());
    d->press("classReveal");
    d->type("classResult", QStringLiteral("yes"), Qt::Key_Return);
    EXPECT_EQ(plain(window->view().question->verdict), "7 of 24 were right");
    d->press("classAsk"); // the next question of its rig
    ASSERT_TRUE(window->view().question);
    EXPECT_EQ(window->view().question->kind, QuestionKind::Number);
    d->type("classNumber", QStringLiteral("41"), Qt::Key_Return);
    EXPECT_TRUE(window->view().question->tally.empty()) << "not locked yet";
    d->press("classLock");
    EXPECT_FALSE(window->view().question->tally.empty());
    d->press("classReveal");
    EXPECT_TRUE(window->view().showsForecast);
    EXPECT_FALSE(window->view().pressure.empty());
}

TEST_F(ClassWindowTest, ItsFiguresAreReadFromTheBackRow) {
    window->resize(1920, 1080);
    Driver::settle();
    EXPECT_GE(window->figureHeight(), 96);
    for (const QSize size : {QSize(1280, 720), QSize(1920, 1080), QSize(640, 360)}) {
        window->resize(size);
        Driver::settle();
        EXPECT_FALSE(window->grab().isNull());
    }
    EXPECT_TRUE(window->spokenValue().contains(QStringLiteral("Will it boil again?")));
    QTest::keyClick(window, Qt::Key_Escape);
    EXPECT_FALSE(window->isVisible());
    EXPECT_FALSE(d->window.findChild<QAction*>(QStringLiteral("actionClass"))->isChecked());
}

TEST_F(ClassWindowTest, AnswersAreCountedByKeysAndATeachersOwnQuestionIsAsked) {
    app::dialogs::answerNext(QStringLiteral("Which cools it faster? ice / a wet hand"));
    d->press("classReveal");
    d->press("classOwn");
    auto* key = d->find<QWidget>("conductAct");
    for (int i = 0; i < 3; ++i)
        QTest::keyClick(key, Qt::Key_1, Qt::AltModifier | Qt::ShiftModifier);
    QTest::keyClick(key, Qt::Key_2, Qt::AltModifier | Qt::ShiftModifier);
    QTest::keyClick(key, Qt::Key_L, Qt::AltModifier);
    Driver::settle();
    EXPECT_EQ(plain(window->view().question->tally), "3 of 4 say: ice");
    QTest::keyClick(key, Qt::Key_1, Qt::AltModifier | Qt::ShiftModifier);
    Driver::settle();
    EXPECT_EQ(plain(window->view().question->tally), "3 of 4 say: ice") << "it is locked";
    QTest::keyClick(key, Qt::Key_R, Qt::AltModifier);
    Driver::settle();
    EXPECT_TRUE(window->view().question->revealed);
}

TEST_F(ClassWindowTest, ABellRingsInWordsWhereverOneIsAndIsSetForWhatIsDueNext) {
    d->type("bellTitle", QStringLiteral("goggles off?"));
    d->type("bellMinutes", QStringLiteral("0.5"), Qt::Key_Return);
    ASSERT_EQ(bellsOf(d->session()).size(), 1U);
    goTo(Station::Plan);
    d->clock.time += 31'000;
    waitFor([this] { return d->text("message").contains(QStringLiteral("goggles off?")); });
    goTo(Station::Run);
    EXPECT_TRUE(bellsOf(d->session())[0].rings);
    const RowId id = bellsOf(d->session())[0].id;
    d->press(qPrintable(QStringLiteral("bellLater%1").arg(id)));
    EXPECT_FALSE(bellsOf(d->session())[0].rings);
    d->press(qPrintable(QStringLiteral("bellDone%1").arg(id)));
    EXPECT_TRUE(bellsOf(d->session()).empty());
    d->press("bellCountUp");
    EXPECT_TRUE(bellsOf(d->session())[0].up);
}

// The second ice of the sample is due; what was read since is told as it was learned.
TEST_F(ClassWindowTest, TheTeacherSeesWhatIsDueAndWhatWasLearned) {
    waitFor([this] { return d->text("conductOutlook").contains(QStringLiteral("By what was read")); });
    waitFor([this] { return d->text("conductNext") == QStringLiteral("now"); });
    EXPECT_TRUE(d->text("conductNextUnder").contains(QStringLiteral("ice, second time")));
    auto* figure = d->find<QLabel>("conductFigure");
    EXPECT_GE(QFontInfo(figure->font()).pixelSize(), 40);
    auto* key = d->find<QWidget>("conductAct");
    QTest::keyClick(key, Qt::Key_F4); // ice on
    Driver::settle();
    waitFor([this] { return d->text("conductNextUnder").contains(QStringLiteral("third time")); });
    QTest::keyClick(key, Qt::Key_3, Qt::AltModifier);
    Driver::settle();
    EXPECT_EQ(d->session().model().data().stamps.back().what, vigourStamp(3));
}

TEST_F(ClassWindowTest, WorkUpSaysHowItWentAndTheReportIsItsRecord) {
    goTo(Station::WorkUp);
    d->press("workFace_1");
    auto* acts = d->find<QComboBox>("resultAct");
    ASSERT_EQ(acts->count(), 2) << "the jar and the flask have begun";
    acts->setCurrentIndex(0);
    emit acts->activated(0);
    waitFor([this] { return d->text("resultVerdict").contains(QStringLiteral("as it should")); });
    EXPECT_TRUE(d->find<QTextBrowser>("resultTables")->toPlainText().contains(QStringLiteral("no time")));
    goTo(Station::Report);
    auto* papers = d->find<QComboBox>("reportPaper");
    EXPECT_EQ(papers->count(), 9) << "lab, its act, three demonstrations, three prep sheets, the whole";
    for (int i = 0; i < papers->count(); ++i) {
        papers->setCurrentIndex(i);
        emit papers->activated(i);
        Driver::settle();
        EXPECT_FALSE(d->find<QWidget>("reportPages")->findChildren<QLabel*>().isEmpty()) << i;
    }
}

} // namespace
} // namespace uttrin
