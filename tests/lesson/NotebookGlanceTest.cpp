#include "lesson/model/NotebookGlance.h"

#include "demo/DemoNotebook.h"
#include "support/DrivenLesson.h"

#include <fstream>

namespace uttrin {
namespace {

using NotebookGlanceTest = testing::DrivenLesson;

std::string bytesOf(const std::filesystem::path& path) {
    std::ifstream file(path, std::ios::binary);
    return {std::istreambuf_iterator<char>(file), {}};
}

// Another room, another liquid's lesson, and what is struck is no point on the map.
TEST_F(NotebookGlanceTest, TellsWhatIsInANotebookThatIsOpenElsewhereAndChangesNothing) {
    enterRoom(702.0);
    captureAll(70'200.0);
    ASSERT_TRUE(s->strike(s->model().readingsOf(*s->runId())[1].id, "leak"));
    const auto before = bytesOf(dir / "a.uttrin");
    const auto glance = glanceAt(dir / "a.uttrin"); // the session has it open
    ASSERT_TRUE(glance) << glance.error().message;
    EXPECT_EQ(glance->title, "Boiling");
    EXPECT_EQ(glance->runs, 1);
    EXPECT_EQ(glance->points, static_cast<int>(s->model().readingsOf(*s->runId()).size()));
    EXPECT_EQ(static_cast<int>(glance->map.size()), glance->points - 1);
    ASSERT_TRUE(glance->room);
    EXPECT_NEAR(glance->room->station.pascal(), 70'200.0, 1e-6);
    for (const auto& [kelvin, pascal] : glance->map)
        EXPECT_NEAR(glance->substance->boilingPoint(Pressure::fromPascal(pascal))->kelvin(), kelvin, 0.3);
    EXPECT_EQ(bytesOf(dir / "a.uttrin"), before);
    ASSERT_TRUE(s->startRun("Ember")); // and the session goes on
}

TEST(NotebookGlance, WhatCannotBeReadIsNamed) {
    const testing::TempDir dir;
    EXPECT_FALSE(glanceAt(dir / "none.uttrin"));
    std::ofstream(dir / "b.uttrin") << "not a notebook";
    const auto foreign = glanceAt(dir / "b.uttrin");
    ASSERT_FALSE(foreign);
    EXPECT_NE(plain(foreign.error().message).find("not an Uttrin notebook"), std::string::npos);
    { const auto empty = *Notebook::create(dir / "c.uttrin"); }
    EXPECT_FALSE(glanceAt(dir / "c.uttrin"));
}

TEST(NotebookGlance, AgesAreSaidAsPeopleSayThem) {
    constexpr Milliseconds kDay = 24LL * 3600 * 1000, now = 1'776'932'460'000;
    for (const auto& [days, says] : {std::pair{0, "today"},
                                     {1, "yesterday"},
                                     {2, "2 days ago"},
                                     {59, "59 days ago"},
                                     {60, "2 months ago"},
                                     {400, "13 months ago"}})
        EXPECT_EQ(ageText(now - days * kDay, now), says);
    EXPECT_EQ(ageText(now + 5 * kDay, now), "today"); // a clock that was set back
}

} // namespace
} // namespace uttrin
