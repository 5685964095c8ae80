#include "SlipCheck.h"

#include "quantities/Rounding.h"

#include <array>
#include <cmath>

namespace uttrin {
namespace {

constexpr double kCoverageFactor = 3.0;  // deviations beyond three standard uncertainties are spoken of
constexpr double kSmallestOddity = 0.6;  // K, what boiling 'slow and steady' scatters by anyway
constexpr double kExplainedWithin = 1.5; // K, a slip explains a pair if it brings it this close to the curve
constexpr double kWorthExplaining = 3.0; // K, closer pairs are superheat or air, not slips of the pen
constexpr double kMostSuperheat = 12.0;  // K, clean glass does not hold back more at the bench
constexpr double kAboveRoom = 1.05;      // relative, what a vessel on a pump cannot be

struct Deviation {
    double kelvin, u;
};

/// Superheat of a pair, or nothing where the pressure is not possible.
std::optional<Deviation> deviation(const CapturePair& pair, const GaugeReading& reading,
                                   double temperatureReading, const Liquid& liquid) {
    const auto p = toAbsolute(pair.gauge, reading, pair.room, pair.zero);
    const auto t = toTemperature(pair.thermometer, temperatureReading);
    if (!p || !t || !(p->pressure.pascal() > 0.0)) return std::nullopt;
    if (pair.room && p->pressure.pascal() > kAboveRoom * pair.room->station.pascal()) return std::nullopt;
    const auto boils = liquid.saturationAt(p->pressure);
    if (!boils) return std::nullopt;
    return Deviation{(t->temperature - boils->temperature).kelvin(),
                     std::hypot(t->u(), p->u() / boils->slope, boils->temperatureU())};
}

struct Explanation {
    SlipKind kind;
    GaugeReading reading;
    double temperature;
    Text sentence;
};

std::vector<Explanation> explanations(const CapturePair& pair) {
    const auto& r = pair.reading;
    const double t = pair.temperatureReading;
    const auto shown = [&](const GaugeReading& g) {
        return Text::set("{} {}", text(pair.gauge, g), unitText(pair.gauge));
    };
    std::vector<Explanation> all;
    const auto add = [&](SlipKind kind, GaugeReading g, const Text& why) {
        all.push_back({kind, g, t, Text::sentences({why, Text::tr("Did you mean {}?", shown(g))})});
    };
    if (r.second) {
        add(SlipKind::ArmsSwapped, {*r.second, r.first},
            Text::tr("The arms look swapped: the arm towards the vessel stands above the other once it is "
                     "pumped."));
    } else {
        add(SlipKind::Sign, {-r.first, std::nullopt},
            pair.gauge.convention == PressureConvention::GaugeNegative
                ? Text::tr("The minus sign is missing.")
                : Text::tr("There is a minus sign too many."));
        add(SlipKind::TenFold, {r.first * 10.0, std::nullopt}, Text::tr("Ten times too small, it seems."));
        add(SlipKind::TenFold, {r.first / 10.0, std::nullopt}, Text::tr("Ten times too large, it seems."));
        const Unit& own = unit(pair.gauge.unit);
        for (const std::string_view other : {"kPa", "mbar", "bar", "mmHg", "cmHg", "inHg", "psi"})
            if (std::abs(unit(other).factor / own.factor - 1.0) > 0.01)
                add(SlipKind::PressureUnit, {r.first * unit(other).factor / own.factor, std::nullopt},
                    Text::tr("That looks like a reading in {}.", unit(other).display));
    }
    const Unit& scale = unit(pair.thermometer.unit);
    if (scale.symbol != "K") {
        const Unit& other = unit(scale.symbol == "degC" ? "degF" : "degC");
        const double mended = scale.fromSi(other.toSi(t));
        all.push_back({SlipKind::TemperatureUnit, r, mended,
                       Text::tr("That looks like a temperature in {}. Did you mean {} {}?", other.display,
                                fixed(mended, 1), scale.display)});
    }
    return all;
}

bool isTarget(const CapturePair& pair) {
    if (!pair.targetReading) return false;
    const double tolerance = 0.01 * pair.gauge.division;
    return std::abs(scaleValue(pair.gauge, *pair.targetReading) - scaleValue(pair.gauge, pair.reading)) <
           tolerance;
}

SlipFinding explain(const CapturePair& pair, const Liquid& liquid, SlipFinding finding) {
    for (Explanation& e : explanations(pair)) {
        const auto d = deviation(pair, e.reading, e.temperature, liquid);
        if (!d || std::abs(d->kelvin) > std::max(kExplainedWithin, kCoverageFactor * d->u)) continue;
        finding.kind = e.kind;
        finding.sentence = std::move(e.sentence);
        if (e.kind == SlipKind::TemperatureUnit)
            finding.mendedTemperature = e.temperature;
        else
            finding.mendedGauge = e.reading;
        return finding;
    }
    return finding;
}

SlipFinding describe(const CapturePair& pair, SlipFinding f) {
    const double off = f.superheatKelvin;
    if (off > 0.0 && off <= kMostSuperheat) {
        f.kind = SlipKind::Superheated;
        f.sentence = Text::tr("Superheated by {} K: calm it down and read again.", fixed(off, 1));
    } else if (off < 0.0 && isTarget(pair)) {
        f.kind = SlipKind::TargetForActual;
        f.sentence = Text::tr(
            "This is exactly the target's reading, and {} K below boiling. Is it what the gauge shows now?",
            fixed(-off, 1));
    } else if (off < 0.0) {
        f.kind = SlipKind::BelowBoiling;
        f.sentence = Text::tr("{} K below boiling: bubbles here may be dissolved air, or rise at the heater "
                              "only; a thermometer that lags "
                              "looks the same.",
                              fixed(-off, 1));
    } else {
        f.kind = SlipKind::Disagrees;
        f.sentence =
            Text::tr("{} K above boiling, more than a liquid can be superheated here. Read both again.",
                     fixed(off, 1));
    }
    return f;
}

} // namespace

SlipFinding checkForSlip(const CapturePair& pair, const Liquid& liquid) {
    SlipFinding finding;
    if (!pair.room && countsFromRoom(pair.gauge.convention)) return finding;
    const auto plain = deviation(pair, pair.reading, pair.temperatureReading, liquid);
    if (!plain) {
        finding.kind = SlipKind::Impossible;
        finding.sentence =
            Text::tr("That pressure cannot be in this vessel: below a perfect vacuum, or well above "
                     "the room. Read the gauge again.");
        return explain(pair, liquid, finding);
    }
    finding.superheatKelvin = plain->kelvin;
    finding.superheatU = plain->u;
    const double off = std::abs(plain->kelvin);
    if (off <= std::max(kSmallestOddity, kCoverageFactor * plain->u)) return finding;
    if (off > std::max(kWorthExplaining, kCoverageFactor * plain->u)) {
        SlipFinding explained = explain(pair, liquid, finding);
        if (explained.kind != SlipKind::None) return explained;
    }
    return describe(pair, finding);
}

} // namespace uttrin
