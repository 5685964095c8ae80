#include "lesson/acts/ClassView.h"
#include "lesson/commands/RunCommands.h"
#include "support/ConductedLesson.h"

#include <gtest/gtest.h>

#include <algorithm>

namespace uttrin {
namespace {

class Class : public testing::ConductedLesson {
protected:
    void SetUp() override {
        testing::ConductedLesson::SetUp();
        enterRoom(701.2);
        add("sealed-flask");
        begin();
    }
    ClassCommands commands() { return ClassCommands(*s); }
    RowId ask(const std::string& words) {
        Question q = questionInWords(words);
        q.actId = id;
        const auto asked = commands().ask(q);
        EXPECT_TRUE(asked) << asked.error().message;
        return asked.value_or(0);
    }
    [[nodiscard]] QuestionView view(RowId question) const {
        const auto all = questionsOf(*s, act());
        return *std::ranges::find(all, question, &QuestionView::id);
    }
    [[nodiscard]] ClassView seen(bool anyway = false) {
        const auto frozen = forecasts.of(act());
        return classView(*s, act(), conductView(*s, act(), frozen.get()), frozen.get(), anyway);
    }
};

TEST_F(Class, AQuestionIsTypedAsItIsSaid) {
    EXPECT_EQ(questionInWords("Does it boil?").kind, QuestionKind::YesOrNo);
    const Question choice = questionInWords(" Which is faster? ice / cold water/a wet hand ");
    EXPECT_EQ(choice.kind, QuestionKind::Choice);
    EXPECT_EQ(choice.asks, "Which is faster?");
    EXPECT_EQ(choicesOf(choice), (std::vector<std::string>{"ice", "cold water", "a wet hand"}));
    const Question number = questionInWords("How warm is it? [degC]");
    EXPECT_EQ(number.kind, QuestionKind::Number);
    EXPECT_EQ(number.unit, "degC");
    EXPECT_EQ(number.asks, "How warm is it?");
    EXPECT_EQ(questionInWords("[]").kind, QuestionKind::YesOrNo);
    EXPECT_FALSE(commands().ask(questionInWords("  ")));
}

TEST_F(Class, VotesAreCountedLockedAndKept) {
    const RowId q = ask("Will it boil again?");
    EXPECT_FALSE(commands().lock(q)) << "nobody has answered";
    for (int i = 0; i < 17; ++i)
        ASSERT_TRUE(commands().vote(q, "no"));
    for (int i = 0; i < 8; ++i)
        ASSERT_TRUE(commands().vote(q, "yes"));
    ASSERT_TRUE(commands().vote(q, "yes", -1));
    EXPECT_FALSE(commands().vote(q, "perhaps"));
    EXPECT_FALSE(commands().reveal(q)) << "not before it is locked";
    EXPECT_EQ(plain(view(q).tally), "17 of 24 say: no");
    ASSERT_TRUE(s->undo());
    EXPECT_EQ(view(q).answers, 25);
    ASSERT_TRUE(s->redo());
    ASSERT_TRUE(commands().lock(q));
    EXPECT_FALSE(commands().vote(q, "no"));
    EXPECT_FALSE(commands().settle(q, "perhaps"));
    ASSERT_TRUE(commands().settle(q, "yes"));
    EXPECT_EQ(plain(view(q).verdict), "7 of 24 were right");
    const auto data = Notebook::openToRead(dir / "a.uttrin")->load(s->lessonId()).value();
    ASSERT_EQ(data.questions.size(), 1U);
    EXPECT_TRUE(data.questions[0].lockedAt);
    EXPECT_EQ(data.answers.size(), 2U);
}

TEST_F(Class, GroupsGiveNumbersAndMayChangeTheirMindUntilTheLock) {
    ASSERT_TRUE(s->startRun("Basalt"));
    ASSERT_TRUE(s->startRun("Cedar"));
    const RowId q = ask("Down to what temperature? [degC]");
    const auto& groups = s->model().data().groups;
    ASSERT_TRUE(commands().groupSays(q, groups[0].id, "50"));
    ASSERT_TRUE(commands().groupSays(q, groups[0].id, "30"));
    ASSERT_TRUE(commands().groupSays(q, groups[1].id, "38,5"));
    EXPECT_FALSE(commands().groupSays(q, groups[1].id, "cold"));
    EXPECT_FALSE(commands().groupSays(q, 999, "40"));
    EXPECT_EQ(view(q).answers, 2);
    EXPECT_EQ(plain(view(q).tally), "2 answers: 30 °C to 38.5 °C, half of them below 38.5 °C");
    ASSERT_TRUE(commands().lock(q));
    ASSERT_TRUE(commands().settle(q, "37"));
    EXPECT_EQ(plain(view(q).verdict), "nearest: Cedar, 38,5 °C");
}

TEST_F(Class, SeesNoAnswerBeforeTheLockAndNoForecastBeforeItIsRevealed) {
    EXPECT_FALSE(seen().question) << "nothing is asked yet";
    const RowId q = ask("Will it boil again?");
    ASSERT_TRUE(commands().vote(q, "no"));
    ASSERT_TRUE(seen().question);
    EXPECT_TRUE(seen().question->tally.empty());
    const ClassView open = seen();
    for (const auto& count : open.question->counts)
        EXPECT_EQ(count.votes, 0);
    ASSERT_TRUE(commands().lock(q));
    ASSERT_TRUE(commands().settle(q, "yes"));
    EXPECT_FALSE(seen().question->tally.empty());
    EXPECT_TRUE(seen().question->result.empty()) << "not revealed";
    EXPECT_FALSE(seen().showsForecast);
    EXPECT_TRUE(seen().pressure.empty());
    EXPECT_FALSE(seen(true).pressure.empty()) << "the teacher may show it all the same";
    ASSERT_TRUE(commands().reveal(q));
    EXPECT_FALSE(seen().question->result.empty());
    EXPECT_FALSE(seen().showsForecast) << "its rig has questions that are still to be asked";
    for (const QuestionView& next : questionsOf(*s, act()))
        if (next.id == 0) {
            const auto asked = commands().ask(next.asked);
            ASSERT_TRUE(asked) << asked.error().message;
            ASSERT_TRUE(
                commands().vote(*asked, next.kind == QuestionKind::Number ? "40" : choicesOf(next.asked)[0]));
            ASSERT_TRUE(commands().lock(*asked));
            ASSERT_TRUE(commands().reveal(*asked));
        }
    EXPECT_TRUE(seen().showsForecast);
}

TEST_F(Class, SeesWhatWasReadLastWithItsScaldMark) {
    ASSERT_TRUE(ConductCommands(*s).read(id, {61.0, "", "in the liquid"}));
    EXPECT_EQ(plain(seen().temperature), "61.0");
    EXPECT_NE(plain(seen().scald).find("within seconds"), std::string::npos);
    ASSERT_TRUE(ConductCommands(*s).read(id, {std::nullopt, "under 40", "in the liquid"}));
    EXPECT_EQ(plain(seen().temperature), "< 40.0");
    EXPECT_TRUE(seen().scald.empty());
}

TEST_F(Class, AnActThatIsTakenAwayTakesItsQuestionsAndBellsAlongAndUndoBringsThemBack) {
    const RowId q = ask("Will it boil again?");
    ASSERT_TRUE(commands().vote(q, "no"));
    ASSERT_TRUE(BellCommands(*s).start("ice", 60.0, id));
    ASSERT_TRUE(ConductCommands(*s).read(id, {std::nullopt, "under 60", ""}));
    ASSERT_TRUE(ActCommands(*s).remove(id));
    EXPECT_TRUE(s->model().data().questions.empty());
    EXPECT_TRUE(s->model().data().bells.empty());
    ASSERT_TRUE(s->undo());
    EXPECT_EQ(s->model().data().answers.size(), 1U);
    EXPECT_EQ(s->model().data().bells.size(), 1U);
    EXPECT_EQ(s->model().data().stamps.back().bound, StampBound::Below);
}

class Bells : public testing::DrivenLesson {
protected:
    BellCommands commands() { return BellCommands(*s); }
    BellView only() { return bellsOf(*s).at(0); }
};

TEST_F(Bells, CountDownRingAndAreDone) {
    EXPECT_FALSE(commands().start(" ", 60.0));
    EXPECT_FALSE(commands().start("late", 90000.0));
    EXPECT_FALSE(commands().start("early", -1.0));
    const auto id = commands().start("ice, second time", 110.0);
    ASSERT_TRUE(id);
    EXPECT_EQ(plain(only().time), "1:50");
    clock.time += 109'500;
    EXPECT_FALSE(only().rings);
    EXPECT_EQ(plain(only().time), "0:01");
    clock.time += 12'500;
    EXPECT_TRUE(only().rings);
    EXPECT_EQ(plain(only().time), "−0:12");
    ASSERT_TRUE(commands().snooze(*id, 60.0));
    EXPECT_FALSE(only().rings);
    EXPECT_EQ(plain(only().time), "1:00");
    ASSERT_TRUE(commands().done(*id));
    EXPECT_TRUE(bellsOf(*s).empty());
    ASSERT_TRUE(s->undo());
    EXPECT_EQ(bellsOf(*s).size(), 1U);
}

TEST_F(Bells, SeveralGoOnTheNextFirstAndWhatCountsUpLast) {
    ASSERT_TRUE(commands().start("pump", std::nullopt));
    ASSERT_TRUE(commands().start("late", 600.0));
    ASSERT_TRUE(commands().start("soon", 60.0));
    clock.time += 3'661'000;
    const auto bells = bellsOf(*s);
    ASSERT_EQ(bells.size(), 3U);
    EXPECT_EQ(plain(bells[0].title), "soon");
    EXPECT_EQ(plain(bells[2].time), "+1:01:01");
    EXPECT_FALSE(bells[2].rings);
}

// Closed and opened again; asleep; with the clock on the wall set; started anew.
TEST_F(Bells, AreRightAfterWhateverHappensOrSayThatNobodyCanKnow) {
    ASSERT_TRUE(commands().start("frozen?", 600.0));
    const auto left = [&] {
        s.reset();
        s = std::make_unique<testing::HandledSession>(*Notebook::open(dir / "a.uttrin"), clock, 120);
        return only();
    };
    clock.time += 60'000; // closed, or asleep: the machine's own clock goes on
    EXPECT_EQ(plain(left().time), "9:00");
    clock.set = -3'600'000; // somebody set the clock on the wall an hour back
    EXPECT_EQ(plain(left().time), "9:00");
    EXPECT_TRUE(left().doubt.empty());
    clock.set = 0;
    clock.started = {100, "second start"}; // the machine was started anew
    EXPECT_EQ(plain(left().time), "9:00");
    EXPECT_FALSE(left().doubt.empty());
    clock.set = -3'600'000; // and its clock set back: nobody can know
    EXPECT_EQ(plain(left().time), "?");
    EXPECT_FALSE(left().rings);
    EXPECT_NE(plain(only().doubt).find("nobody can know"), std::string::npos);
    ASSERT_TRUE(commands().correct(only().id, 300.0));
    EXPECT_EQ(plain(only().time), "5:00");
    EXPECT_TRUE(only().doubt.empty());
}

} // namespace
} // namespace uttrin
