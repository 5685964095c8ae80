#include "lesson/results/ActResult.h"

#include "lesson/actcommands/ClassCommands.h"
#include "lesson/exchange/ActsExchange.h"
#include "quantities/KeptTogether.h"
#include "rehearsal/CoolingFit.h"
#include "report/ActRecord.h"
#include "report/PrepSheet.h"
#include "support/ConductedLesson.h"

#include <gtest/gtest.h>
#include <rapidcheck/gtest.h>

#include <algorithm>

namespace uttrin {
namespace {

class ActResults : public testing::ConductedLesson {
protected:
    void SetUp() override {
        testing::ConductedLesson::SetUp();
        enterRoom(875.0);
        addFlask("Flask “one”, =1+1");
    }
    void addFlask(const std::string& title) {
        add("sealed-flask", {}, {{"/vessels/flask/liquid", "420 g"}});
        Act named = act();
        named.title = title;
        ASSERT_TRUE(ActCommands(*s).change(named, Text::typed("name")));
    }
    void conduct(double warmer) {
        beginAndShut();
        const auto forecast = forecasts.of(act());
        for (const int minute : {3, 6}) {
            clock.time += 180'000;
            const double c = kelvinFromClock(forecast->rehearsal, 60.0 * minute) - 273.15 + warmer;
            ASSERT_TRUE(ConductCommands(*s).read(id, {std::round(10.0 * c) / 10.0, "", "in the liquid"}));
        }
        ASSERT_TRUE(ConductCommands(*s).read(id, {std::nullopt, "hand-warm", "by hand"}));
        ASSERT_TRUE(ConductCommands(*s).skip(id, 3, "asked before"));
    }
    ActResult result() {
        const auto frozen = forecasts.of(act());
        const auto task = analysisTask(*s, act(), *frozen);
        const ActAnalysis analysis = task ? analyse(*task) : ActAnalysis();
        return actResult(*s, act(), frozen.get(), &analysis);
    }
};

TEST_F(ActResults, OneThatWentAsItShouldSaysSo) {
    EXPECT_EQ(plain(actResult(*s, act(), nullptr, nullptr).verdict), "It has not begun yet.");
    conduct(0.0);
    const ActResult r = result();
    EXPECT_NE(plain(r.verdict).find("as it should"), std::string::npos) << plain(r.verdict);
    EXPECT_TRUE(r.asForeseen);
    ASSERT_EQ(r.reads.size(), 3U);
    EXPECT_FALSE(r.reads[0].outside);
    EXPECT_TRUE(r.notMeasured.empty()) << "two temperatures were read";
    EXPECT_NE(plain(r.steps.back()).find("asked before"), std::string::npos);
    EXPECT_EQ(r.values.size(), act().frozen.empty() ? 0U : 5U);
    for (const auto& value : r.values)
        EXPECT_FALSE(value.found.empty()) << plain(value.name);
}

TEST_F(ActResults, OneThatWentOtherwiseIsNotPraised) {
    conduct(-14.0);
    const ActResult r = result();
    EXPECT_FALSE(r.asForeseen) << plain(r.verdict);
    EXPECT_NE(plain(r.verdict).find("otherwise"), std::string::npos);
    EXPECT_TRUE(r.reads[0].outside);
}

// Saturated steam at 80 °C: 47.41 kPa (IAPWS R7-97), the air that is left on top of it.
TEST_F(ActResults, ThePressureInsideFollowsFromWhatWasRead) {
    beginAndShut();
    clock.time += 400'000;
    ASSERT_TRUE(ConductCommands(*s).read(id, {80.0, "", "in the liquid"}));
    const ActResult r = result();
    ASSERT_EQ(r.reads.size(), 1U);
    const std::string inside = plain(r.reads[0].inside);
    EXPECT_NEAR(std::stod(inside), 47.9, 0.8) << inside;
    EXPECT_NE(plain(r.notMeasured).find("one was read"), std::string::npos);
}

TEST_F(ActResults, EveryPaperIsMadeInAnyState) {
    const auto words = [](const Document& d) { return asWritten(toHtml(d, Wording())); };
    EXPECT_NE(words(actGuide(*s, act())).find("Step 7"), std::string::npos);
    EXPECT_NE(words(pupilsSheet(*s, act())).find("Will it boil again?"), std::string::npos);
    (void)words(actRecord(*s, act(), nullptr, nullptr));
    conduct(0.0);
    const auto frozen = forecasts.of(act());
    const auto record = words(actRecord(*s, act(), frozen.get(), nullptr));
    EXPECT_NE(record.find("asked before"), std::string::npos);
    EXPECT_NE(record.find("hand-warm"), std::string::npos);
    EXPECT_NE(record.find("87.50 kPa"), std::string::npos) << "the room it went live in";
    ASSERT_TRUE(s->enterRoom(barometer(1013.0), RoomRole::Start, clock.time));
    EXPECT_NE(words(actRecord(*s, act(), frozen.get(), nullptr)).find("87.50 kPa"), std::string::npos);
}

TEST_F(ActResults, ThePrepSheetAddsUpWhatIsFetchedAndTheTechnicianGetsNoPhysics) {
    ActForecasts times;
    addFlask("second flask");
    ASSERT_TRUE(ActCommands(*s).moveTo(id, -1200));
    const std::string sheet = asWritten(toHtml(prepSheet(*s, times), Wording()));
    EXPECT_NE(sheet.find("ice, in portions: 360 g"), std::string::npos)
        << "three portions of 60 g for each of two";
    EXPECT_NE(sheet.find("Local rules"), std::string::npos);
    const std::string page = asWritten(toHtml(prepSheet(*s, times, PrepSheetKind::Technician), Wording()));
    EXPECT_NE(page.find("minute −20"), std::string::npos);
    EXPECT_EQ(page.find("<h2>Why"), std::string::npos);
    EXPECT_LT(page.size(), sheet.size());
}

TEST_F(ActResults, WhatIsExportedIsImportedTheSame) {
    conduct(0.0);
    Question q;
    q.actId = id;
    q.asks = "Does it, \"really\"?";
    const RowId asked = *ClassCommands(*s).ask(q);
    ASSERT_TRUE(ClassCommands(*s).vote(asked, "yes"));
    const LessonData before = s->model().data();
    for (const bool json : {false, true}) {
        const std::string text = json ? actsJson(s->model()) : actsCsv(s->model());
        EXPECT_TRUE(holdsActs(text));
        const auto read = json ? readActsJson(text) : readActsCsv(text);
        ASSERT_TRUE(read) << read.error().message;
        EXPECT_TRUE(read->complaints.empty());
        ASSERT_EQ(read->acts.size(), 1U);
        EXPECT_EQ(read->acts[0].act.title, before.acts[0].title);
        EXPECT_EQ(read->acts[0].act.frozen, before.acts[0].frozen);
        ASSERT_EQ(read->acts[0].stamps.size(), before.stamps.size());
        for (std::size_t i = 0; i < before.stamps.size(); ++i) {
            EXPECT_EQ(read->acts[0].stamps[i].takenAt, before.stamps[i].takenAt);
            EXPECT_EQ(read->acts[0].stamps[i].kind, before.stamps[i].kind);
            EXPECT_EQ(read->acts[0].stamps[i].value, before.stamps[i].value);
            EXPECT_EQ(read->acts[0].stamps[i].what, before.stamps[i].what);
        }
        EXPECT_EQ(read->acts[0].questions.size(), json ? 1U : 0U);
        ASSERT_EQ(*ActCommands(*s).addImported(read->acts), 1);
        EXPECT_EQ(s->model().data().stamps.size(), 2 * before.stamps.size());
        ASSERT_TRUE(s->undo());
    }
    EXPECT_FALSE(readActsCsv("a,b\n1,2\n"));
    EXPECT_FALSE(readActsJson("[]"));
    EXPECT_FALSE(readActsJson(R"({"acts": []})"));
    const auto bad = readActsJson(R"({"acts": [{"title": "x", "kind": "dance"}, 5]})");
    ASSERT_FALSE(bad);
}

RC_GTEST_PROP(ActsExchange, AnyTextIsReadOrRefusedWithASentence, (const std::string& text)) {
    const auto fine = [](const auto& read) { return read || !plain(read.error().message).empty(); };
    RC_ASSERT(fine(readActsCsv(text)));
    RC_ASSERT(fine(readActsCsv("act,title,kind,doer,state,starts_s,stamp,taken_at\n" + text)));
    RC_ASSERT(fine(readActsJson(text)));
}

} // namespace
} // namespace uttrin
