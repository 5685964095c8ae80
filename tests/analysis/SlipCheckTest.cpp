#include "analysis/SlipCheck.h"

#include "quantities/Rounding.h"
#include "substances/SubstanceLibrary.h"

#include <fmt/format.h>
#include <gtest/gtest.h>

#include <array>
#include <cmath>
#include <random>

namespace uttrin {
namespace {

const RoomPressure kRoom{Pressure::fromPascal(94310), 30, RoomMethod::Barometer};

/// A pair as a careful person reads it off a dial in bar at 38.31 kPa, where water boils at 74.9 degC.
CapturePair dialPair() {
    CapturePair pair;
    pair.gauge.convention = PressureConvention::GaugeNegative;
    pair.gauge.unit = "bar";
    pair.gauge.division = 0.01;
    pair.gauge.accuracy = 0.005;
    pair.reading = {-0.56, {}};
    pair.room = kRoom;
    pair.thermometer.division = 0.5;
    pair.thermometer.accuracy = 0.3;
    pair.temperatureReading =
        std::round(10.0 * water().boilingPoint(Pressure::fromPascal(38310))->celsius()) / 10.0;
    return pair;
}

CapturePair uTubePair() {
    CapturePair pair = dialPair();
    pair.gauge.convention = PressureConvention::TwoArm;
    pair.gauge.unit = "cm";
    pair.gauge.division = 0.1;
    pair.gauge.accuracy = 0.05;
    pair.gauge.armSum = 82.1;
    pair.reading = toReadableReading(pair.gauge, Pressure::fromPascal(38310), kRoom.station);
    return pair;
}

TEST(SlipCheck, ACarefulPairPasses) {
    EXPECT_EQ(checkForSlip(dialPair(), Liquid(water())).kind, SlipKind::None);
    EXPECT_EQ(checkForSlip(uTubePair(), Liquid(water())).kind, SlipKind::None);
}

struct SlipRow {
    SlipKind kind;
    double reading;
    const char* says;
};

TEST(SlipCheck, SlipsOfThePenAreNamedAndMended) {
    const SlipRow rows[] = {
        {SlipKind::Sign, 0.56, "minus sign"},
        {SlipKind::TenFold, -5.6, "Ten times too large"},
        {SlipKind::TenFold, -0.056, "Ten times too small"},
        {SlipKind::PressureUnit, -56, "in kPa"},
        {SlipKind::PressureUnit, -560, "in mbar"},
    };
    for (const SlipRow& row : rows) {
        SCOPED_TRACE(row.reading);
        CapturePair pair = dialPair();
        pair.reading.first = row.reading;
        const auto finding = checkForSlip(pair, Liquid(water()));
        EXPECT_EQ(finding.kind, row.kind) << finding.sentence;
        EXPECT_NE(plain(finding.sentence).find(row.says), std::string::npos) << finding.sentence;
        ASSERT_FALSE(finding.offers.empty());
        ASSERT_TRUE(finding.offers.front().gauge);
        EXPECT_NEAR(finding.offers.front().gauge->first, -0.56, 1e-9);
    }
}

TEST(SlipCheck, SwappedArmsAreNamed) {
    CapturePair pair = uTubePair();
    std::swap(pair.reading.first, *pair.reading.second);
    const auto finding = checkForSlip(pair, Liquid(water()));
    EXPECT_EQ(finding.kind, SlipKind::ArmsSwapped);
    ASSERT_FALSE(finding.offers.empty());
    EXPECT_EQ(finding.offers.front().gauge, uTubePair().reading);
}

TEST(SlipCheck, ATemperatureInTheOtherScaleIsNamed) {
    CapturePair pair = dialPair();
    pair.temperatureReading = pair.temperatureReading * 1.8 + 32.0;
    const auto finding = checkForSlip(pair, Liquid(water()));
    EXPECT_EQ(finding.kind, SlipKind::TemperatureUnit);
    ASSERT_FALSE(finding.offers.empty());
    EXPECT_NEAR(finding.offers.front().temperature.value_or(0.0), dialPair().temperatureReading, 1e-9);
}

TEST(SlipCheck, TellsSuperheatFromDissolvedAir) {
    CapturePair pair = dialPair();
    pair.temperatureReading += 1.9;
    auto finding = checkForSlip(pair, Liquid(water()));
    EXPECT_EQ(finding.kind, SlipKind::Superheated);
    EXPECT_EQ(finding.sentence, "Superheated by 1.9 K: calm it down and read again.");
    pair.temperatureReading -= 5.9;
    finding = checkForSlip(pair, Liquid(water()));
    EXPECT_EQ(finding.kind, SlipKind::BelowBoiling);
    EXPECT_EQ(finding.sentence, "4.0 K below boiling: bubbles here may be dissolved air, or rise at the "
                                "heater only; a thermometer that "
                                "lags looks the same.");
}

TEST(SlipCheck, TheTargetTypedForTheActualIsNamed) {
    CapturePair pair = dialPair();
    pair.temperatureReading -= 4.0;
    pair.targetReading = pair.reading;
    EXPECT_EQ(checkForSlip(pair, Liquid(water())).kind, SlipKind::TargetForActual);
}

struct FiguresRow {
    double pressure, temperature; ///< as typed, in bar and degC
    SlipKind kind;
    const char* meant;
    SlipKind first; ///< what it is taken for
};

TEST(SlipCheck, SlipsOfFiguresAreOfferedAsWhatTheyAre) {
    // At 640 m, where the room stands at 93.9 kPa: water at -0.50 bar boils at 78.1, at -0.74 at 58.9 and at
    // -0.38 bar at 84.1 degC.
    const FiguresRow rows[] = {
        {-0.49, 87.7, SlipKind::SwappedDigits, "78.7 °C", SlipKind::SwappedDigits},
        {-0.38, 8.41, SlipKind::TenFold, "84.1 °C", SlipKind::TenFold},
        {-0.47, 58.9, SlipKind::SwappedDigits, "−0.74 bar", SlipKind::SwappedDigits},
        {-0.74, 588.9, SlipKind::DigitTwice, "58.9 °C", SlipKind::DigitTwice},
        {-0.74, 8.9, SlipKind::DigitMissing, "58.9 °C", SlipKind::DigitMissing},
        {0.2, 58.9, SlipKind::OtherZero, "−0.74 bar", SlipKind::OtherZero},
        // 2.7 K below boiling, bubbles of dissolved air are likelier.
        {-0.49, 75.8, SlipKind::SwappedDigits, "78.5 °C", SlipKind::BelowBoiling},
    };
    for (const FiguresRow& row : rows) {
        SCOPED_TRACE(testing::Message() << row.pressure << " bar, " << row.temperature);
        CapturePair pair = dialPair();
        pair.room = RoomPressure{Pressure::fromPascal(93900), 30, RoomMethod::Barometer};
        pair.reading.first = row.pressure;
        pair.thermometer.division = 0.1;
        pair.temperatureReading = row.temperature;
        const SlipFinding finding = checkForSlip(pair, Liquid(water()));
        ASSERT_FALSE(finding.offers.empty()) << finding.sentence;
        EXPECT_EQ(finding.offers.front().kind, row.kind) << finding.sentence;
        EXPECT_EQ(finding.kind, row.first) << finding.sentence;
        EXPECT_EQ(finding.offers.front().meant, row.meant) << finding.offers.front().sentence;
    }
}

/// What seeded labs are done with: rooms between the shore and 3,000 m, five instruments, three substances.
class Labs {
public:
    struct Point {
        CapturePair pair;
        const Substance* substance;
    };

    explicit Labs(unsigned seed) : m_random(seed) {}

    /// A pair as careful people read it: every instrument off by what its declaration allows, the liquid
    /// boiling within 0.2 K of its boiling point.
    Point good() {
        const double roomPa = uniform(68e3, 104e3);
        CapturePair pair;
        pair.room = RoomPressure{Pressure::fromPascal(roomPa + gauss(30.0)), 30, RoomMethod::Barometer};
        pair.gauge = instrument(pick(5));
        pair.thermometer.division = pick(2) == 0 ? 0.1 : 0.5;
        pair.thermometer.accuracy = pair.thermometer.division;
        const Substance& substance =
            *findSubstance(std::array{"water", "ethanol", "acetone"}[std::size_t(pick(3))]).value();
        const double p = roomPa * uniform(0.1, 0.95);
        const double scale = pascalPerScaleUnit(pair.gauge);
        const auto shown = Pressure::fromPascal(p + uniform(-1.0, 1.0) * pair.gauge.accuracy * scale);
        pair.reading = toReadableReading(pair.gauge, shown, Pressure::fromPascal(roomPa));
        const double t = substance.boilingPoint(Pressure::fromPascal(p))->celsius() + gauss(0.2) +
                         uniform(-1.0, 1.0) * pair.thermometer.accuracy;
        const double step = pair.thermometer.division / 2.0;
        pair.temperatureReading = std::round(t / step) * step;
        return {pair, &substance};
    }

    int pick(int count) { return int(m_random() % unsigned(count)); }
    double uniform(double low, double high) { return std::uniform_real_distribution(low, high)(m_random); }
    double gauss(double sigma) { return std::normal_distribution(0.0, sigma)(m_random); }

private:
    static PressureInstrument instrument(int which) {
        PressureInstrument gauge;
        const auto is = [&](PressureConvention convention, const char* unit, double division,
                            double accuracy) {
            gauge.convention = convention;
            gauge.unit = unit;
            gauge.division = division;
            gauge.accuracy = accuracy;
        };
        switch (which) {
        case 0:
            is(PressureConvention::GaugeNegative, "bar", 0.02, 0.01);
            break;
        case 1:
            is(PressureConvention::VacuumDepth, "inHg", 0.5, 0.25);
            break;
        case 2:
            is(PressureConvention::Absolute, "kPa", 0.1, 0.2);
            break;
        case 3:
            is(PressureConvention::GaugeNegative, "mbar", 1.0, 4.0);
            break;
        default:
            is(PressureConvention::TwoArm, "cm", 0.1, 0.05);
            gauge.armSum = 82.1;
        }
        return gauge;
    }

    std::mt19937 m_random;
};

TEST(SlipCheck, FindsNothingAmissWithGoodPoints) {
    Labs labs(20261);
    int alarms = 0;
    for (int i = 0; i < 10'000; ++i) {
        const auto [pair, substance] = labs.good();
        alarms += checkForSlip(pair, Liquid(*substance)).kind != SlipKind::None;
    }
    EXPECT_LT(alarms, 100);
}

/// One slip of a kind made in a number: what was typed in its place.
std::optional<double> slipOfFigures(int kind, double value, int decimals, Labs& labs) {
    std::string text = fmt::format("{:.{}f}", std::abs(value), decimals);
    std::vector<std::size_t> digits;
    for (std::size_t i = 0; i < text.size(); ++i)
        if (text[i] != '.') digits.push_back(i);
    const std::size_t at = std::size_t(labs.pick(int(digits.size())));
    double typed = 0.0;
    switch (kind) {
    case 0: // neighbours
        if (at + 1 == digits.size()) return std::nullopt;
        std::swap(text[digits[at]], text[digits[at + 1]]);
        typed = std::stod(text);
        break;
    case 1:
        typed = std::stod(text) * std::array{10.0, 0.1}[std::size_t(labs.pick(2))];
        break;
    case 2:
        text.erase(digits[at], 1);
        if (text == ".") return std::nullopt;
        typed = std::stod(text);
        break;
    default:
        typed = std::stod(text.insert(digits[at], 1, text[digits[at]]));
    }
    return std::copysign(typed, value);
}

/// A good point in which one thing was typed wrongly, or nothing where the slip changes nothing.
std::optional<CapturePair> withASlip(const CapturePair& meant, Labs& labs) {
    CapturePair typed = meant;
    GaugeReading& g = typed.reading;
    const Unit& own = unit(meant.gauge.unit);
    const bool negative = meant.gauge.convention == PressureConvention::GaugeNegative;
    const int kind = labs.pick(8);
    if (kind < 4) {
        const bool thermometer = labs.pick(2) == 0, right = g.second && labs.pick(2) == 0;
        double& value = thermometer ? typed.temperatureReading : right ? *g.second : g.first;
        const double step = thermometer ? meant.thermometer.division / 2.0 : readableStep(meant.gauge);
        const auto slip = slipOfFigures(kind, value, decimalsForDivision(step), labs);
        if (!slip || *slip == value) return std::nullopt;
        value = *slip;
    } else if (kind == 4) {
        typed.temperatureReading = unit("degF").fromSi(unit("degC").toSi(meant.temperatureReading));
    } else if (g.second) {
        std::swap(g.first, *g.second);
    } else if (kind == 5) {
        g.first = -g.first;
    } else if (kind == 6) { // read off another scale of the same dial
        const Unit& other = unit(std::array{"kPa", "mbar", "inHg", "psi"}[std::size_t(labs.pick(4))]);
        if (other.symbol == own.symbol) return std::nullopt;
        g.first *= own.factor / other.factor;
    } else {
        const double room = meant.room->station.pascal() / own.factor;
        g.first = negative ? g.first + room : room - g.first;
    }
    return typed;
}

TEST(SlipCheck, OffersWhatWasMeantFirst) {
    Labs labs(20262);
    int slips = 0, right = 0;
    while (slips < 2'000) {
        const auto [meant, substance] = labs.good();
        const auto typed = withASlip(meant, labs);
        if (!typed || checkForSlip(meant, Liquid(*substance)).kind != SlipKind::None) continue;
        const SlipFinding finding = checkForSlip(*typed, Liquid(*substance));
        // One that moves the pair by no more than the instruments are good to can't be told from a good
        // point.
        if (finding.kind == SlipKind::None) continue;
        ++slips;
        if (finding.offers.empty()) continue;
        const SlipOffer& offer = finding.offers.front();
        const GaugeReading gauge = offer.gauge.value_or(typed->reading);
        const double t = offer.temperature.value_or(typed->temperatureReading);
        const double step = readableStep(meant.gauge) / 2.0;
        right += std::abs(gauge.first - meant.reading.first) < step &&
                 std::abs(gauge.second.value_or(0.0) - meant.reading.second.value_or(0.0)) < step &&
                 std::abs(t - meant.temperatureReading) < meant.thermometer.division / 4.0;
    }
    EXPECT_GE(right, 1'700) << "of " << slips;
}

TEST(SlipCheck, WithoutARoomADialCannotBeJudged) {
    CapturePair pair = dialPair();
    pair.room.reset();
    pair.reading.first = 0.56;
    EXPECT_EQ(checkForSlip(pair, Liquid(water())).kind, SlipKind::None);
}

} // namespace
} // namespace uttrin
