#include "register/InstrumentRegister.h"

#include "support/TempDir.h"

#include <gmock/gmock.h>
#include <gtest/gtest.h>
#include <rapidcheck/gtest.h>

#include <algorithm>
#include <fstream>

namespace uttrin {
namespace {

using ::testing::HasSubstr;

constexpr std::int64_t kDayMs = 86'400'000;

KnownInstrument gauge(const std::string& name) {
    KnownInstrument known;
    known.name = name;
    known.gauge = PressureInstrument{};
    known.gauge->name = name;
    known.gauge->unit = "bar";
    known.gauge->division = 0.02;
    known.gauge->accuracy = 0.01;
    return known;
}

RC_GTEST_PROP(InstrumentRegister, AnInstrumentComesBackAsItWas, ()) {
    KnownInstrument in = gauge("G" + std::to_string(*rc::gen::inRange(0, 99)));
    in.gauge->lagSeconds = *rc::gen::inRange(0, 50) / 10.0;
    const int zeros = *rc::gen::inRange(0, 4);
    for (int i = 0; i < zeros; ++i)
        in.zeros.push_back({1'000'000 + i, {*rc::gen::inRange(-50, 50) / 100.0, std::nullopt}});
    if (*rc::gen::arbitrary<bool>()) in.calibratedMs = *rc::gen::inRange(1, 1'000'000);
    in.way.profile = *rc::gen::element(std::string(), std::string("vacuum-gauge-lines"));
    if (*rc::gen::arbitrary<bool>()) in.way.made = R"({"name":"mine","unit":"kPa"})";
    const auto out = readKnown(writeKnown(in));
    RC_ASSERT(out.has_value());
    RC_ASSERT(out->gauge == in.gauge);
    RC_ASSERT(out->zeros == in.zeros);
    RC_ASSERT(out->calibratedMs == in.calibratedMs);
    RC_ASSERT(out->way == in.way && out->name == in.name);
}

RC_GTEST_PROP(InstrumentRegister, WhatTwoPlacesKnowIsKnownOnce, ()) {
    const auto someZeros = [] {
        std::vector<KnownInstrument::Zero> zeros;
        for (int at = 0; at < 12; ++at)
            if (*rc::gen::arbitrary<bool>()) zeros.push_back({at, {at * 0.01, std::nullopt}});
        return zeros;
    };
    KnownInstrument a = gauge("Dial 3"), b = gauge("Dial 3");
    a.zeros = someZeros();
    b.zeros = someZeros();
    if (*rc::gen::arbitrary<bool>()) a.calibratedMs = *rc::gen::inRange(1, 100);
    if (*rc::gen::arbitrary<bool>()) b.calibratedMs = *rc::gen::inRange(1, 100);
    const KnownInstrument both = merged(a, b), turned = merged(b, a);
    RC_ASSERT(both.zeros == turned.zeros);
    RC_ASSERT(std::ranges::is_sorted(both.zeros, std::less(), &KnownInstrument::Zero::atMs));
    for (const auto* of : {&a, &b})
        for (const auto& zero : of->zeros)
            RC_ASSERT(std::ranges::count(both.zeros, zero) == 1);
    RC_ASSERT(both.zeros.size() <= a.zeros.size() + b.zeros.size());
    RC_ASSERT(both.calibratedMs == std::max(a.calibratedMs, b.calibratedMs));
    RC_ASSERT(merged(both, b).zeros == both.zeros);
}

TEST(InstrumentRegister, WhereItWasHeardHereCountsMore) {
    KnownInstrument here = gauge("Dial 3"), there = gauge("Dial 3");
    there.way.profile = "lines";
    there.way.endpoint = "tcp:10.0.0.4:5025";
    EXPECT_EQ(merged(here, there).way.endpoint, there.way.endpoint);
    here.way.profile = "lines";
    here.way.endpoint = "serial:/dev/ttyUSB0";
    EXPECT_EQ(merged(here, there).way.endpoint, here.way.endpoint);
    EXPECT_TRUE(isSame(here, there));
    there.name = "Dial 4";
    EXPECT_FALSE(isSame(here, there));
    KnownInstrument probe = here;
    probe.gauge.reset();
    probe.thermometer = Thermometer{};
    EXPECT_FALSE(isSame(here, probe));
}

TEST(InstrumentRegister, AProfileInItIsAnObject) {
    KnownInstrument known = gauge("Dial 3");
    known.way.made = R"({"name":"mine"})";
    std::string text = writeKnown(known);
    const auto at = text.find("\"own_profile\": {");
    ASSERT_NE(at, std::string::npos);
    text.replace(at, text.find('}', at) + 1 - at, "\"own_profile\": 5");
    const auto read = readKnown(text);
    ASSERT_FALSE(read);
    EXPECT_THAT(plain(read.error().message), HasSubstr("own_profile"));
}

TEST(InstrumentRegister, KnowsHowThoseOfARigAreListenedTo) {
    const testing::TempDir dir;
    const InstrumentRegister reg(dir / "instruments");
    Rig rig;
    rig.gauge.name = "Dial 3";
    rig.thermometer.name = "probe";
    ASSERT_TRUE(reg.keep(gauge("Dial 3")));
    ASSERT_TRUE(reg.keep(gauge("Dial 4")));
    KnownInstrument probe;
    probe.name = "probe";
    probe.thermometer = Thermometer{};
    ASSERT_TRUE(reg.keep(probe));
    EXPECT_TRUE(reg.heardOf(rig).empty());
    ASSERT_TRUE(reg.addWay("Dial 3", {"lines", "", "tcp:127.0.0.1:5025"}));
    ASSERT_TRUE(reg.addWay("Dial 4", {"lines", "", "tcp:127.0.0.1:5026"})); // of no rig in hand
    ASSERT_TRUE(reg.addWay("nobody’s", {"lines", "", "tcp:127.0.0.1:5027"}));
    ASSERT_EQ(reg.heardOf(rig).size(), 1U);
    EXPECT_EQ(reg.heardOf(rig)[0].way.profile, "lines");
    // One instrument that says both is listened to once.
    ASSERT_TRUE(reg.addWay("probe", {"lines", "", "tcp:127.0.0.1:5025"}));
    EXPECT_EQ(reg.heardOf(rig).size(), 1U);
    ASSERT_TRUE(reg.addWay("probe", {"lines", "", "serial:/dev/ttyUSB0"}));
    EXPECT_EQ(reg.heardOf(rig).size(), 2U);
}

TEST(InstrumentRegister, KeepsThemAcrossLessonsAndRemembersZeros) {
    const testing::TempDir dir;
    const InstrumentRegister reg(dir / "instruments");
    EXPECT_TRUE(reg.shelf().instruments.empty());
    ASSERT_TRUE(reg.keep(gauge("Dial 3")));
    ASSERT_TRUE(reg.addZero("Dial 3", {5'000, {0.01, std::nullopt}}));
    ASSERT_TRUE(reg.addZero("nobody’s", {5'000, {0.01, std::nullopt}}));
    ASSERT_TRUE(reg.addZero("Dial 3", {9'000, {0.02, std::nullopt}}));
    const auto shelf = reg.shelf();
    ASSERT_EQ(shelf.instruments.size(), 1U);
    EXPECT_EQ(shelf.instruments[0].zeros.size(), 2U);
    EXPECT_THAT(plain(remarkOn(shelf.instruments[0], 0)), HasSubstr("Never calibrated"));
    ASSERT_TRUE(reg.remove(shelf.instruments[0].id));
    EXPECT_TRUE(reg.shelf().instruments.empty());
}

TEST(InstrumentRegister, TellsOfOldCalibrationsAndZerosThatJumped) {
    KnownInstrument known = gauge("Dial 3");
    known.calibratedMs = 10 * kDayMs;
    EXPECT_TRUE(remarkOn(known, 300 * kDayMs).empty());
    EXPECT_THAT(plain(remarkOn(known, 500 * kDayMs)), HasSubstr("490 days old"));
    known.zeros = {{1, {0.0, std::nullopt}}, {2, {0.015, std::nullopt}}};
    EXPECT_TRUE(remarkOn(known, 11 * kDayMs).empty()); // within what can be read
    known.zeros.push_back({3, {0.06, std::nullopt}});
    EXPECT_THAT(plain(remarkOn(known, 11 * kDayMs)), HasSubstr("Its zero jumped from"));
    KnownInstrument glass;
    glass.name = "T1";
    glass.thermometer = Thermometer{};
    glass.thermometer->calibrations = {{0.2, 98.0, 95e3, 30.0, 20 * kDayMs}};
    EXPECT_TRUE(remarkOn(glass, 30 * kDayMs).empty());
    EXPECT_FALSE(remarkOn(glass, 400 * kDayMs).empty());
}

TEST(InstrumentRegister, NamesFilesThatCannotBeReadAndReadsTheRest) {
    const testing::TempDir dir;
    const InstrumentRegister reg(dir / "instruments");
    ASSERT_TRUE(reg.keep(gauge("Dial 3")));
    for (const auto& [name, text] : {std::pair{"bad.json", "{"},
                                     {"both.json", "{\"name\": \"x\"}"},
                                     {"odd.json", "{\"name\": \"x\", \"gauge\": {\"division\": -1}}"}})
        std::ofstream(dir / "instruments" / name) << text;
    const auto shelf = reg.shelf();
    EXPECT_EQ(shelf.instruments.size(), 1U);
    ASSERT_EQ(shelf.troubles.size(), 3U);
    EXPECT_THAT(plain(shelf.troubles[0]), HasSubstr("bad.json"));
    EXPECT_FALSE(reg.keep(gauge("- -")));
}

} // namespace
} // namespace uttrin
