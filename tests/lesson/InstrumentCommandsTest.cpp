#include "lesson/commands/InstrumentCommands.h"

#include "support/DrivenLesson.h"

#include <gmock/gmock.h>

namespace uttrin::testing {
namespace {

KnownInstrument dial(const std::string& name) {
    KnownInstrument known;
    known.name = name;
    known.gauge = PressureInstrument{};
    known.gauge->name = name;
    known.gauge->unit = "mbar";
    known.zeros = {{1'000, {2.0, std::nullopt}}};
    return known;
}

class Instruments : public DrivenLesson {
protected:
    InstrumentCommands commands() { return InstrumentCommands(*s); }
    std::vector<KnownInstrument> kept() { return notebookInstruments(s->model()); }
};

TEST_F(Instruments, WhatIsTakenForTheRigIsKeptWithTheNotebook) {
    ASSERT_TRUE(commands().take(dial("Dial 3")));
    EXPECT_EQ(s->plan().rig.gauge.name, "Dial 3");
    ASSERT_EQ(kept().size(), 1U);
    EXPECT_EQ(kept()[0].zeros.size(), 1U);
    ASSERT_TRUE(s->undo()); // the plan goes back; what is known stays known
    EXPECT_NE(s->plan().rig.gauge.name, "Dial 3");
    EXPECT_EQ(kept().size(), 1U);
    KnownInstrument probe;
    probe.name = "Dial 3"; // another thing, whatever it is called
    probe.thermometer = Thermometer{};
    ASSERT_TRUE(commands().take(probe));
    EXPECT_EQ(kept().size(), 2U);
}

TEST_F(Instruments, ZerosOfHereAndThereComeTogether) {
    ASSERT_TRUE(commands().keep(dial("Dial 3")));
    ASSERT_TRUE(commands().addZero("Dial 3", {9'000, {3.0, std::nullopt}}));
    ASSERT_TRUE(commands().addZero("nobody’s", {9'000, {3.0, std::nullopt}}));
    KnownInstrument elsewhere = dial("Dial 3");
    elsewhere.zeros = {{5'000, {2.5, std::nullopt}}};
    ASSERT_TRUE(commands().keep(elsewhere));
    ASSERT_TRUE(commands().keep(elsewhere));
    const auto known = kept();
    ASSERT_EQ(known.size(), 1U);
    std::vector<std::int64_t> moments;
    for (const auto& zero : known[0].zeros)
        moments.push_back(zero.atMs);
    EXPECT_THAT(moments, ::testing::ElementsAre(1'000, 5'000, 9'000));
}

TEST(InstrumentHistory, TellsTheLastThreeZerosWithTheirDates) {
    KnownInstrument known = dial("Dial 3");
    known.zeros.clear();
    EXPECT_TRUE(historyOf(known, 0).empty());
    constexpr std::int64_t kDay = 86'400'000, kNewYear2026 = 1'767'225'600'000;
    for (int day = 0; day < 5; ++day)
        known.zeros.push_back({kNewYear2026 + day * kDay, {2.0 + day, std::nullopt}});
    known.calibratedMs = kNewYear2026 - 1;
    const std::string said = plain(historyOf(known, 0));
    EXPECT_THAT(said,
                ::testing::HasSubstr("4 mbar on 2026-01-03, 5 mbar on 2026-01-04, 6 mbar on 2026-01-05"));
    EXPECT_THAT(said, ::testing::Not(::testing::HasSubstr("2026-01-02")));
    EXPECT_THAT(said, ::testing::HasSubstr("Compared on 2025-12-31."));
    // East of Greenwich it was next year already.
    EXPECT_THAT(plain(historyOf(known, 60)), ::testing::HasSubstr("Compared on 2026-01-01."));
}

TEST_F(Instruments, ComeWithACopyOfTheNotebook) {
    ASSERT_TRUE(commands().keep(dial("Dial 3")));
    ASSERT_TRUE(s->notebook().saveCopy(dir / "copy.uttrin"));
    auto copy = Notebook::open(dir / "copy.uttrin");
    ASSERT_TRUE(copy);
    const auto data = copy->load(s->lessonId());
    ASSERT_TRUE(data && data->instruments.size() == 1U);
    EXPECT_EQ(readKnown(data->instruments[0].known)->zeros, dial("Dial 3").zeros);
    // What another program wrote into it is passed over, and not lost.
    ASSERT_TRUE(copy->keepInstrument({0, "no instrument"}));
    EXPECT_EQ(notebookInstruments(LessonModel(*copy->load(s->lessonId()))).size(), 1U);
    EXPECT_EQ(copy->load(s->lessonId())->instruments.size(), 2U);
}

} // namespace
} // namespace uttrin::testing
