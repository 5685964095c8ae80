#include "photo/PhotoMarks.h"

#include "support/Camera.h"

#include <gmock/gmock.h>
#include <gtest/gtest.h>
#include <rapidcheck.h>
#include <rapidcheck/gtest.h>

#include <cmath>
#include <numbers>
#include <random>

namespace uttrin {
namespace {

using testing::Camera;
using ::testing::HasSubstr;

double within(double low, double high) { return low + (high - low) * (*rc::gen::inRange(0, 10001)) / 1e4; }

/// A ruler from 20 to 60 that stands upright in the plane, 40 units being 2 of the plane.
PhotoPoint onRuler(double value, double x) { return {x, (value - 40.0) / 20.0}; }

PhotoMarks rulerSeenBy(const Camera& camera, double value) {
    PhotoMarks m;
    m.tilted = true;
    for (const double v : {20.0, 60.0})
        m.graduations.push_back({v, camera.see(onRuler(v, -0.3)), camera.see(onRuler(v, 0.4))});
    m.sights = {camera.see(onRuler(value, 0.7))};
    return m;
}

/// A dial from -1 to 0 over three quarters of a circle, clockwise from the lower left.
PhotoPoint onDial(double value, double radius) {
    const double angle = (225.0 - 270.0 * (value + 1.0)) * std::numbers::pi / 180.0;
    return {radius * std::cos(angle), radius * std::sin(angle)};
}

PhotoMarks dialSeenBy(const Camera& camera, double value) {
    PhotoMarks m;
    m.shape = ScaleShape::Round;
    m.tilted = true;
    m.centre = camera.see({0.0, 0.0});
    for (const double v : {-1.0, -0.7, -0.3, 0.0})
        m.graduations.push_back({v, camera.see(onDial(v, 1.0)), std::nullopt});
    m.sights = {camera.see(onDial(value, 0.8))};
    return m;
}

TEST(PhotoMarks, ASquareRulerIsReadInProportion) {
    PhotoMarks m;
    m.graduations = {{10.0, {100.0, 900.0}, std::nullopt}, {50.0, {100.0, 100.0}, std::nullopt}};
    m.sights = {{180.0, 500.0}, {20.0, 340.0}};
    const auto read = readPhoto(m);
    ASSERT_TRUE(read) << read.error().message;
    EXPECT_DOUBLE_EQ(read->at(0).value, 30.0);
    EXPECT_DOUBLE_EQ(read->at(1).value, 38.0);
}

TEST(PhotoMarks, ASquareDialIsReadByItsAngle) {
    PhotoMarks m;
    m.shape = ScaleShape::Round;
    m.centre = PhotoPoint{500, 500};
    // A clock: 12 at the top and 3 to the right; the hand halfway between 4 and 5.
    m.graduations = {{0.0, {500, 100}, std::nullopt}, {3.0, {900, 500}, std::nullopt}};
    const double angle = 4.5 / 12.0 * 2.0 * std::numbers::pi;
    m.sights = {{500 + 300 * std::sin(angle), 500 - 300 * std::cos(angle)}};
    EXPECT_NEAR(readPhoto(m)->front().value, 4.5, 1e-9);
    m.clockwise = false; // then 3 is three quarters of a turn on from 0, and the hand a quarter before it
    const double backwards = 3.0 * (1.0 - 4.5 / 12.0) / 0.75;
    EXPECT_NEAR(readPhoto(m)->front().value, backwards, 1e-9);
}

RC_GTEST_PROP(PhotoMarks, ATiltedRulerReadsTheSameFromEverywhere, ()) {
    const Camera camera{within(-0.8, 0.8), within(-0.8, 0.8), within(-0.5, 0.5)};
    const double value = within(15.0, 65.0);
    const auto read = readPhoto(rulerSeenBy(camera, value));
    RC_ASSERT(read.has_value());
    RC_ASSERT(std::abs(read->front().value - value) < 1e-6);
    RC_ASSERT(read->front().u > 0.0);
}

RC_GTEST_PROP(PhotoMarks, ATiltedDialReadsTheSameFromEverywhere, ()) {
    const Camera camera{within(-0.7, 0.7), within(-0.7, 0.7), within(-0.5, 0.5)};
    const double value = within(-1.0, 0.0);
    const auto read = readPhoto(dialSeenBy(camera, value));
    RC_ASSERT(read.has_value());
    RC_ASSERT(std::abs(read->front().value - value) < 1e-5);
    RC_ASSERT(read->front().u > 0.0);
}

TEST(PhotoMarks, ReadAsIfSquareATiltedPictureIsWrong) {
    const Camera camera{0.6, 0.3, 0.0};
    PhotoMarks m = rulerSeenBy(camera, 50.0);
    m.tilted = false;
    for (auto& g : m.graduations)
        g.otherEnd.reset();
    EXPECT_GT(std::abs(readPhoto(m)->front().value - 50.0), 1.0);
}

/// Scatter of the reading when each mark is placed at random about its place.
double scatterOf(const PhotoMarks& marks) {
    std::mt19937 random(20260423); // NOLINT(cert-msc51-cpp,cert-msc32-c): the same marks each time
    std::normal_distribution<double> slip(0.0, marks.placingPx);
    const auto shake = [&](PhotoPoint& p) {
        p.x += slip(random);
        p.y += slip(random);
    };
    double sum = 0.0, squares = 0.0;
    constexpr int kTimes = 1500;
    for (int i = 0; i < kTimes; ++i) {
        PhotoMarks m = marks;
        if (m.centre) shake(*m.centre);
        for (auto& g : m.graduations) {
            shake(g.at);
            if (g.otherEnd) shake(*g.otherEnd);
        }
        shake(m.sights.front());
        const double value = readPhoto(m)->front().value;
        sum += value;
        squares += value * value;
    }
    return std::sqrt((squares - sum * sum / kTimes) / (kTimes - 1));
}

TEST(PhotoMarks, TheUncertaintyIsTheScatterOfMarksPlacedAnew) {
    const Camera camera{0.3, -0.4, 0.1};
    for (const PhotoMarks& m : {rulerSeenBy(camera, 33.0), dialSeenBy(camera, -0.42)}) {
        const double u = readPhoto(m)->front().u;
        EXPECT_NEAR(scatterOf(m) / u, 1.0, 0.08); // 1500 trials know a scatter to 2 %
    }
}

TEST(PhotoMarks, WhatIsMissingOrImpossibleIsNamed) {
    PhotoMarks m;
    m.shape = ScaleShape::Round;
    EXPECT_THAT(readPhoto(m).error().message, HasSubstr("centre"));
    m.centre = PhotoPoint{500, 500};
    EXPECT_THAT(readPhoto(m).error().message, HasSubstr("graduation 1 of 2"));
    m.graduations = {{0.0, {500, 100}, std::nullopt}, {0.0, {900, 500}, std::nullopt}};
    EXPECT_THAT(readPhoto(m).error().message, HasSubstr("different"));
    m.graduations[1].value = 3.0;
    EXPECT_THAT(readPhoto(m).error().message, HasSubstr("to be read"));
    m.sights = {{700, 300}};
    EXPECT_TRUE(readPhoto(m));
    m.tilted = true;
    EXPECT_THAT(readPhoto(m).error().message, HasSubstr("graduation 3 of 4"));
    m.graduations.push_back({1.0, {900, 510}, std::nullopt});
    m.graduations.push_back({2.0, {500, 120}, std::nullopt}); // in no order that a dial has
    EXPECT_THAT(readPhoto(m).error().message, HasSubstr("one dial"));
}

TEST(PhotoMarks, TheMarksComeBackFromTheirText) {
    PhotoMarks dial = dialSeenBy(Camera{}, -0.3);
    dial.clockwise = false;
    dial.placingPx = 0.7;
    PhotoMarks ruler = rulerSeenBy(Camera{0.2, 0.1, 0.0}, 31.0);
    for (const PhotoMarks& m : {dial, ruler}) {
        const auto back = photoMarksFromJson(writePhotoMarks(m));
        ASSERT_TRUE(back) << back.error().message;
        EXPECT_EQ(*back, m);
    }
}

TEST(PhotoMarks, ABrokenTextIsNamed) {
    const auto message = [](std::string_view text) { return photoMarksFromJson(text).error().message; };
    EXPECT_THAT(message("{"), HasSubstr("not JSON"));
    EXPECT_THAT(message("[]"), HasSubstr("marks"));
    EXPECT_THAT(message(R"({"shape":"oval"})"), HasSubstr("oval"));
    EXPECT_THAT(message(R"({"shape":"round","centre":[1]})"), HasSubstr("centre"));
    EXPECT_THAT(message(R"({"shape":"round","sights":[[1,"a"]]})"), HasSubstr("marks/sights/0/1"));
    EXPECT_THAT(message(R"({"shape":"straight","graduations":[{"value":1}]})"),
                HasSubstr("marks/graduations/0"));
    EXPECT_THAT(message(R"({"shape":"straight","sights":[[1e9,0]]})"), HasSubstr("marks/sights/0"));
}

} // namespace
} // namespace uttrin
