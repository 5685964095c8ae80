#include "live/Endpoint.h"
#include "live/LineSplitter.h"
#include "live/LiveRecorder.h"
#include "live/OwnProfiles.h"
#include "support/TempDir.h"
#include "trace/TraceCsv.h"

#include <gtest/gtest.h>
#include <rapidcheck/gtest.h>

#include <bit>
#include <cmath>
#include <filesystem>
#include <fstream>
#include <iterator>

namespace uttrin {
namespace {

LiveProfile profile(const std::string& text) {
    const auto p = readLiveProfile(text);
    EXPECT_TRUE(p) << plain(p.error().message);
    return p.value_or(LiveProfile());
}

LiveProfile both() {
    return profile(
        R"({"name": "both", "speaks": "lines", "period": "0.5 s", "decimal": ",", "overrange": ["OL"],
                       "values": [{"quantity": "absolute-pressure", "begins": "P1=", "unit": "hPa"},
                                  {"quantity": "temperature", "begins": "T2=", "unit": "degC", "offset": -0.5}]})");
}

TEST(LiveProfile, EveryOneThatShipsCanBeRead) {
    int count = 0;
    for (const auto& entry : std::filesystem::directory_iterator(PROFILES)) {
        if (entry.path().filename() == "profile.schema.json") continue;
        std::ifstream file(entry.path());
        const auto p = readLiveProfile(std::string{std::istreambuf_iterator<char>(file), {}});
        EXPECT_TRUE(p) << entry.path() << ": " << plain(p.error().message);
        EXPECT_FALSE(p->name.empty());
        ++count;
    }
    EXPECT_GE(count, 5);
}

TEST(LiveProfile, SaysWhatIsWrongAndWhatIsAccepted) {
    const auto why = [](const std::string& text) {
        const auto p = readLiveProfile(text);
        return p ? std::string() : plain(p.error().message);
    };
    const std::string value = R"("values": [{"quantity": "temperature", "unit": "degC"}])";
    EXPECT_TRUE(why(R"({"name": "a", "speaks": "lines", )" + value + "}").empty());
    EXPECT_NE(why(R"({"name": "a", "speaks": "words", )" + value + "}").find("modbus"), std::string::npos);
    EXPECT_NE(why(R"({"name": "a", "speaks": "lines"})").find("values"), std::string::npos);
    EXPECT_NE(why(R"({"name": "a", "speaks": "modbus", )" + value + "}").find("registers"),
              std::string::npos);
    EXPECT_NE(
        why(R"({"name": "a", "speaks": "lines", "values": [{"quantity": "temperature", "unit": "kPa"}]})")
            .find("degC"),
        std::string::npos);
    EXPECT_NE(why(R"({"name": "a", "speaks": "lines", "period": "0 s", )" + value + "}").find("period"),
              std::string::npos);
    EXPECT_NE(why(R"({"name": "a", "speaks": "lines", "colour": "red", )" + value + "}").find("colour"),
              std::string::npos);
    EXPECT_NE(why(R"({"name": "a", "speaks": "lines", "decimal": ";", )" + value + "}").find("decimal"),
              std::string::npos);
    EXPECT_NE(
        why(R"({"name": "a", "speaks": "lines", "serial": {"speed": 7}, )" + value + "}").find("4000000"),
        std::string::npos);
    EXPECT_FALSE(why("[]").empty());
    EXPECT_FALSE(why("{").empty());
}

TEST(LiveDecoder, FindsNumbersThatStandByThemselves) {
    using Numbers = std::vector<double>;
    EXPECT_EQ(numbersIn("CH1: 20.5 C, -3", '.'), (Numbers{20.5, -3.0}));
    EXPECT_EQ(numbersIn("P=1,5;T=\xE2\x88\x92"
                        "2,25",
                        ','),
              (Numbers{1.5, -2.25}));
    EXPECT_EQ(numbersIn("1.2e3 +4E-2 5e", '.'), (Numbers{1200.0, 0.04, 5.0}));
    EXPECT_EQ(numbersIn("12:30:05", '.'), (Numbers{12.0, 30.0, 5.0}));
    EXPECT_EQ(numbersIn("- + .5 A7", '.'), (Numbers{0.5}));
    EXPECT_TRUE(numbersIn("", '.').empty());
    EXPECT_TRUE(std::isnan(numbersIn("1e999", '.').front()));
}

TEST(LiveDecoder, KnowsTheUnitThatALineWritesItself) {
    const auto written = [](std::string_view line, std::size_t number) {
        const auto numbers = findNumbers(line, '.');
        const Unit* unit = unitBehind(line, numbers.at(number - 1));
        return unit ? unit->symbol : std::string_view();
    };
    EXPECT_EQ(written("P 48.800 kPa T 45.00 C", 1), "kPa");
    EXPECT_EQ(written("P 48.800 kPa T 45.00 C", 2), "degC");
    EXPECT_EQ(written("488 mbar;113.0 \u00b0F", 1), "mbar");
    EXPECT_EQ(written("488mbar;113.0 \u00b0F", 2), "degF");
    EXPECT_EQ(written("300.1 K", 1), "K");
    EXPECT_EQ(written("48.800,45.00", 1), "");
    EXPECT_EQ(written("48.800", 1), "");
    EXPECT_EQ(written("12 V", 1), "");
}

TEST(LiveDecoder, ReadsEachValueByItsPlaceUnitAndScale) {
    const auto line = decodeLine(both(), "P1=943,1 hPa T2=21,4 C");
    ASSERT_TRUE(line);
    ASSERT_EQ(line->readings.size(), 2U);
    EXPECT_DOUBLE_EQ(line->readings[0].si, 94310.0);
    EXPECT_NEAR(line->readings[1].si, 273.15 + 20.9, 1e-9);
    const auto why = [](const char* text) { return plain(decodeLine(both(), text).error().message); };
    EXPECT_NE(why("P1=OL T2=21,4").find("out of its range"), std::string::npos);
    EXPECT_NE(why("T2=21,4").find("P1="), std::string::npos);
    EXPECT_NE(why("P1= T2=").find("number"), std::string::npos);
    EXPECT_NE(why("P1=1e999 T2=1").find("too great"), std::string::npos);
}

TEST(LiveDecoder, ReadsRegistersOfAllKindsInBothOrders) {
    LiveRegister r;
    r.unit = &unit("kPa");
    const auto bits = std::bit_cast<std::uint32_t>(94.31F);
    const auto high = static_cast<std::uint16_t>(bits >> 16), low = static_cast<std::uint16_t>(bits);
    const auto si = [&](std::vector<std::uint16_t> registers) {
        const auto read = decodeRegisters(r, registers);
        return read ? read->si : -1.0;
    };
    EXPECT_NEAR(si({high, low}), 94310.0, 0.01);
    r.lowWordFirst = true;
    EXPECT_NEAR(si({low, high}), 94310.0, 0.01);
    EXPECT_EQ(si({low}), -1.0) << "one too few";
    EXPECT_EQ(si({0x0000, 0x7fc0}), -1.0) << "not a number";
    r.type = LiveRegister::Type::Int32;
    EXPECT_EQ(si({0xfffe, 0xffff}), -2000.0);
    r.type = LiveRegister::Type::Int16;
    r.scale = 0.1;
    EXPECT_NEAR(si({0xff38}), -20000.0, 1e-6);
    r.type = LiveRegister::Type::Uint16;
    EXPECT_NEAR(si({943}), 94300.0, 1e-6);
}

// However the bytes come in pieces, the lines are the same.
RC_GTEST_PROP(LineSplitter, LinesDoNotDependOnPieces, ()) {
    const auto lines = *rc::gen::container<std::vector<std::string>>(
        rc::gen::container<std::string>(rc::gen::inRange('a', 'f')));
    const std::string end = *rc::gen::element(std::string("\n"), std::string("\r\n"), std::string("*#"));
    std::string all;
    for (const std::string& line : lines)
        all += line + end;
    LineSplitter splitter(end);
    std::vector<std::string> got;
    while (!all.empty()) {
        const auto piece = *rc::gen::inRange<std::size_t>(1, all.size() + 1);
        for (auto& line : splitter.feed(std::string_view(all).substr(0, piece)))
            got.push_back(line);
        all.erase(0, piece);
    }
    RC_ASSERT(got == lines);
    RC_ASSERT(splitter.rest().empty());
    RC_ASSERT(splitter.tooLong() == 0U);
}

TEST(LineSplitter, LeavesOutWhatIsTooLongAndGoesOn) {
    LineSplitter splitter("\r\n");
    const std::string endless(3 * LineSplitter::kLongest, 'x');
    EXPECT_TRUE(splitter.feed(endless).empty());
    EXPECT_EQ(splitter.feed("yy\r"), std::vector<std::string>());
    EXPECT_EQ(splitter.feed("\ngood\r\nhalf"), std::vector<std::string>{"good"});
    EXPECT_EQ(splitter.tooLong(), 1U);
    EXPECT_EQ(splitter.rest(), "half");
    EXPECT_EQ(splitter.rest(), "");
    LineSplitter plainEnd("\n");
    EXPECT_EQ(plainEnd.feed("a\r\nb\n"), (std::vector<std::string>{"a", "b"}));
}

RC_GTEST_PROP(LiveDecoder, NoBytesBreakIt, (const std::string& bytes)) {
    const LiveProfile p = both();
    const auto line = decodeLine(p, bytes);
    if (line)
        for (const HeardReading& r : line->readings)
            RC_ASSERT(std::isfinite(r.si));
    LineSplitter splitter("\n");
    LiveRecorder recorder(p, {});
    double at = 0.0;
    for (const auto& one : splitter.feed(bytes + "\n"))
        (void)recorder.take(one, at += 0.1);
    RC_ASSERT(recorder.trace().pascal.size() == recorder.trace().kelvin.size());
}

// What a stand-in prints is read back to its last figure.
RC_GTEST_PROP(LiveDecoder, WhatIsPrintedIsReadBack, ()) {
    const auto hundredths = *rc::gen::inRange(-2'000'000, 2'000'000);
    const double value = hundredths / 100.0;
    std::array<char, 64> text{};
    std::snprintf(text.data(), text.size(), "T2=%.2f C P1=%.2f", value, -value);
    std::string line = text.data();
    std::ranges::replace(line, '.', ',');
    const auto read = decodeLine(both(), line);
    RC_ASSERT(read);
    RC_ASSERT(std::abs(read->readings[1].si - (value - 0.5 + 273.15)) < 1e-6);
    RC_ASSERT(std::abs(read->readings[0].si + 100.0 * value) < 1e-4);
}

TEST(LiveRecorder, KeepsWhatCameAndTellsGapsAndRubbish) {
    LiveRecorder recorder(both(), {});
    for (double at = 0.0; at < 5.0; at += 0.5)
        EXPECT_TRUE(recorder.take("P1=200,0 T2=60,5", at));
    EXPECT_FALSE(recorder.take("\x01\x02 rubbish", 5.0));
    EXPECT_TRUE(recorder.take("   ", 5.1)) << "an empty line is passed over";
    EXPECT_TRUE(recorder.take("P1=201,0 T2=60,5", 9.0));
    recorder.finish(20.0);
    EXPECT_EQ(recorder.samples(), 22U);
    EXPECT_EQ(recorder.rejected(), 1U);
    ASSERT_EQ(recorder.gaps().size(), 2U);
    EXPECT_DOUBLE_EQ(recorder.gaps()[0].from, 4.5);
    EXPECT_DOUBLE_EQ(recorder.gaps()[0].to, 9.0);
    EXPECT_DOUBLE_EQ(recorder.gaps()[1].to, 20.0);
    // A clock that goes back does not take the trace along.
    EXPECT_TRUE(recorder.take("P1=202,0 T2=60,5", 3.0));
    EXPECT_TRUE(std::ranges::is_sorted(recorder.trace().pascal.seconds));
}

TEST(LiveRecorder, AGaugeNeedsTheRoomAndALoggerHasItsOwnClock) {
    const LiveProfile gauge = profile(R"({"name": "dial", "speaks": "lines",
        "values": [{"quantity": "gauge-pressure", "unit": "bar"}]})");
    LiveRecorder without(gauge, {});
    const auto why = without.take("-0.7", 0.0);
    ASSERT_FALSE(why);
    EXPECT_EQ(why.error().kind, Failure::Unreferenced);
    LiveRecorder with(gauge, 86600.0);
    ASSERT_TRUE(with.take("-0.7", 0.0));
    EXPECT_NEAR(with.trace().pascal.values.front(), 16600.0, 1e-6);
    const LiveProfile logger =
        profile(R"({"name": "logger", "speaks": "csv", "decimal": ",", "header_lines": 1, "time_number": 1,
        "values": [{"quantity": "temperature", "unit": "degC", "number": 2}]})");
    LiveRecorder csv(logger, {});
    ASSERT_TRUE(csv.take("Time (s);Temperature (°C)", 100.0));
    ASSERT_TRUE(csv.take("0,5;21,25", 100.1));
    EXPECT_FALSE(csv.take("1e300;21,25", 100.2)) << "no clock counts so far";
    EXPECT_FALSE(csv.take("1e999;21,25", 100.3));
    EXPECT_DOUBLE_EQ(csv.trace().kelvin.seconds.front(), 0.5);
    EXPECT_NEAR(csv.trace().kelvin.values.front(), 294.4, 1e-9);
}

RC_GTEST_PROP(TraceCsv, WhatIsWrittenIsReadBack, ()) {
    Trace t;
    for (TraceChannel* channel : {&t.pascal, &t.kelvin}) {
        double at = 0.0;
        const auto count = *rc::gen::inRange<std::size_t>(1, 40);
        for (std::size_t i = 0; i < count; ++i) {
            at += *rc::gen::inRange(1, 5000) / 1000.0;
            channel->seconds.push_back(at);
            channel->values.push_back(*rc::gen::inRange(1, 100'000'000) / 777.0);
        }
    }
    const auto back = readTraceCsv(writeTraceCsv(t));
    RC_ASSERT(back);
    RC_ASSERT(back->pascal.seconds == t.pascal.seconds);
    RC_ASSERT(back->pascal.values == t.pascal.values);
    RC_ASSERT(back->kelvin.seconds == t.kelvin.seconds);
    RC_ASSERT(back->kelvin.values == t.kelvin.values);
}

TEST(LiveProfile, WrittenItReadsBackTheSameAndIsKeptAcrossLessons) {
    const testing::TempDir dir;
    const OwnProfiles own(dir / "profiles");
    for (const ShippedProfile& shipped : shippedProfiles()) {
        const std::string text = writeLiveProfile(shipped.profile);
        const auto back = readProfileFile(text);
        ASSERT_TRUE(back) << shipped.id << ": " << back.error().message;
        EXPECT_EQ(writeLiveProfile(*back), text) << shipped.id;
        EXPECT_EQ(back->values.size(), shipped.profile.values.size());
        EXPECT_EQ(back->registers.size(), shipped.profile.registers.size());
        EXPECT_EQ(back->poll, shipped.profile.poll);
        EXPECT_EQ(back->serial.parity, shipped.profile.serial.parity);
        EXPECT_EQ(pressureQuantityOf(*back), pressureQuantityOf(shipped.profile));
        ASSERT_TRUE(own.keep(shipped.profile));
    }
    std::ofstream(dir / "profiles" / "bad.json") << "{}";
    const auto shelf = own.shelf();
    EXPECT_EQ(shelf.profiles.size(), shippedProfiles().size());
    ASSERT_EQ(shelf.troubles.size(), 1U);
    EXPECT_NE(plain(shelf.troubles[0]).find("bad.json"), std::string::npos);
}

TEST(Endpoint, WrittenItReadsBackTheSame) {
    for (const char* word : {"tcp:127.0.0.1:5025", "modbus:10.0.0.7:502", "tcp:[::1]:80",
                             "serial:/dev/ttyUSB0", "file:/tmp/a:b.csv"}) {
        const auto read = readEndpoint(word);
        ASSERT_TRUE(read) << word;
        EXPECT_EQ(writeEndpoint(*read), word);
    }
}

} // namespace
} // namespace uttrin
