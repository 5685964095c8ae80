#include "trace/PackedSamples.h"

#include <gtest/gtest.h>
#include <rapidcheck/gtest.h>

#include <cmath>

namespace uttrin {
namespace {

RC_GTEST_PROP(PackedSamples, ComeBackToAMillisecondAndAnEighthOfAStep, ()) {
    TraceChannel in;
    in.step = *rc::gen::element(0.0, 0.1, 100.0);
    const double finest = 0.01;
    double when = *rc::gen::inRange(-1'000'000, 1'000'000) / 1000.0;
    const int count = *rc::gen::inRange(0, 50);
    for (int i = 0; i < count; ++i) {
        when += *rc::gen::inRange(1, 100'000) / 1000.0;
        in.seconds.push_back(when);
        in.values.push_back(*rc::gen::inRange(-2'000'000'000, 2'000'000'000) / 137.0);
    }
    const auto out = unpackSamples(packSamples(in, finest));
    RC_ASSERT(out.has_value());
    RC_ASSERT(out->size() == in.size());
    const double quantum = in.step > 0.0 ? in.step / 8.0 : finest;
    for (std::size_t i = 0; i < in.size(); ++i) {
        RC_ASSERT(std::abs(out->seconds[i] - in.seconds[i]) <= 0.0005 + 1e-9);
        RC_ASSERT(std::abs(out->values[i] - in.values[i]) <= quantum / 2.0 + 1e-6);
    }
}

RC_GTEST_PROP(PackedSamples, RefuseWhatTheyAreNot, (const std::vector<std::uint8_t>& bytes)) {
    std::vector<std::byte> raw;
    for (const std::uint8_t b : bytes)
        raw.push_back(static_cast<std::byte>(b));
    const auto read = unpackSamples(raw); // whatever it says, it says it without harm
    if (!read) {
        RC_ASSERT(!plain(read.error().message).empty());
    }
}

TEST(PackedSamples, CutAnywhereTheyAreRefusedOrShorter) {
    TraceChannel in;
    for (int i = 0; i < 20; ++i) {
        in.seconds.push_back(0.1 * i);
        in.values.push_back(350.0 + i % 3);
    }
    const auto whole = packSamples(in, 1e-4);
    EXPECT_FALSE(unpackSamples({}));
    for (std::size_t end = 0; end < whole.size(); ++end)
        if (const auto cut = unpackSamples(std::span(whole).first(end))) {
            EXPECT_LT(cut->size(), in.size());
        }
}

// A second of ten readings, as the notebook keeps it.
TEST(PackedSamples, TakeFewBytes) {
    TraceChannel in;
    in.step = 0.01;
    for (int i = 0; i < 10; ++i) {
        in.seconds.push_back(3600.0 + 0.1003 * i);
        in.values.push_back(353.15 + 0.01 * (i % 4));
    }
    EXPECT_LT(packSamples(in, 1e-4).size(), 50U);
}

} // namespace
} // namespace uttrin
