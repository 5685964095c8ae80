#include "photo/PhotoMarking.h"

#include <gmock/gmock.h>
#include <gtest/gtest.h>

namespace uttrin {
namespace {

using ::testing::HasSubstr;

/// The kinds of the steps, a letter each.
std::string kinds(const PhotoMarking& m) {
    std::string out;
    for (const MarkStep& s : m.steps())
        out += "CGOS"[static_cast<int>(s.kind)];
    return out;
}

TEST(PhotoMarking, AsksForWhatSuchAPictureNeeds) {
    PhotoMarking m;
    EXPECT_EQ(kinds(m), "GGS");
    m.arrange(ScaleShape::Straight, false, 2);
    EXPECT_EQ(kinds(m), "GGSS");
    m.arrange(ScaleShape::Straight, true, 1);
    EXPECT_EQ(kinds(m), "GOGOS");
    m.arrange(ScaleShape::Round, false, 1);
    EXPECT_EQ(kinds(m), "CGGS");
    m.arrange(ScaleShape::Round, true, 1);
    EXPECT_EQ(kinds(m), "CGGGGS");
}

TEST(PhotoMarking, LeadsFromMarkToMarkAndReads) {
    PhotoMarking m;
    EXPECT_THAT(m.marks().error().message, HasSubstr("graduation 1"));
    m.place(*m.next(), {100.0, 900.0});
    EXPECT_EQ(m.next(), 1U);
    m.place(*m.next(), {100.0, 100.0});
    EXPECT_THAT(m.marks().error().message, HasSubstr("printed at graduation 1"));
    m.setValue(0, 0.0);
    m.setValue(1, 80.0);
    EXPECT_THAT(m.marks().error().message, HasSubstr("to be read"));
    m.place(*m.next(), {130.0, 300.0});
    EXPECT_FALSE(m.next());
    const auto marks = m.marks();
    ASSERT_TRUE(marks);
    EXPECT_DOUBLE_EQ(readPhoto(*marks)->front().value, 60.0);
    m.clear();
    EXPECT_EQ(m.next(), 0U);
    EXPECT_EQ(m.steps()[1].value, 80.0) << "the printed numbers serve the next picture too";
}

TEST(PhotoMarking, MarksStayWhenThePictureTurnsOutTilted) {
    PhotoMarking m;
    m.place(0, {1.0, 2.0});
    m.setValue(0, 20.0);
    m.place(2, {9.0, 9.0});
    m.arrange(ScaleShape::Straight, true, 1);
    EXPECT_EQ(m.steps()[0].at, (PhotoPoint{1.0, 2.0}));
    EXPECT_EQ(m.steps()[0].value, 20.0);
    EXPECT_EQ(m.next(), 1U);
    EXPECT_EQ(m.steps()[4].at, (PhotoPoint{9.0, 9.0}));
}

TEST(PhotoMarking, FindsTheMarkUnderThePointer) {
    PhotoMarking m;
    m.place(0, {100.0, 100.0});
    m.place(1, {110.0, 100.0});
    EXPECT_EQ(m.nearest({104.0, 100.0}, 8.0), 0U);
    EXPECT_EQ(m.nearest({107.0, 100.0}, 8.0), 1U);
    EXPECT_FALSE(m.nearest({130.0, 100.0}, 8.0));
}

TEST(PhotoMarking, StoredMarksCanBeTakenUpAgain) {
    PhotoMarks stored;
    stored.shape = ScaleShape::Round;
    stored.clockwise = false;
    stored.centre = PhotoPoint{5, 5};
    stored.graduations = {{0.0, {0, 5}, std::nullopt}, {1.0, {10, 5}, std::nullopt}};
    stored.sights = {{5, 0}};
    const auto again = PhotoMarking(stored).marks();
    ASSERT_TRUE(again);
    EXPECT_EQ(*again, stored);
}

} // namespace
} // namespace uttrin
