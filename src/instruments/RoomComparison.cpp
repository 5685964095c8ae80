#include "RoomComparison.h"

#include "physics/Constants.h"
#include "quantities/Rounding.h"

#include <cmath>

namespace uttrin {
namespace {

constexpr double kCoverage = 2.0;
constexpr double kReportU = 50.0; // Pa, a report's rounding and its distance, where none was stated

double uOf(const RoomSource& s) {
    const bool report =
        s.entry.method == RoomMethod::StationReport || s.entry.method == RoomMethod::SeaLevelReport;
    return report ? std::hypot(s.pressure.uPa, kReportU) : s.pressure.uPa;
}

/// The question that a difference (second less first) suggests; empty if none fits.
Text question(const RoomSource& a, const RoomSource& b, double difference, double u,
              std::optional<double> altitudeM) {
    const auto fits = [&](double expected) {
        return std::abs(difference - expected) < std::max(kCoverage * u, 0.15 * std::abs(expected));
    };
    // How much lower the pressure is here than at sea level on a standard day.
    const auto here = standardAtmospherePressure(Length::fromMetre(altitudeM.value_or(0.0)));
    const double reduction = here ? kStandardAtmospherePascal - here->pascal() : 0.0;
    constexpr double kLeastHeight = 30.0; // m, below which a reduction is lost in the readings' uncertainty
    if (altitudeM && here && b.entry.method == RoomMethod::StationReport &&
        std::abs(*altitudeM) > kLeastHeight && fits(reduction))
        return Text::tr("is it reduced to sea level?");
    if (altitudeM && here && b.entry.method == RoomMethod::SeaLevelReport && fits(-reduction))
        return Text::tr("was it already the station’s own pressure?");
    if (b.entry.method == RoomMethod::StationReport && difference > 0.0 && !altitudeM)
        return Text::tr("is it reduced to sea level?");
    if (b.entry.method == RoomMethod::DeadHead)
        return difference < 0.0
                   ? Text::tr("does the pump leave more than was said, or is there water in the vessel?")
                   : Text::tr("does the pump leave less than was said, or is the gauge’s scale off?");
    constexpr double kTorr = kStandardAtmospherePascal / 760.0, kHectopascal = 100.0;
    const double ratio = b.pressure.station.pascal() / a.pressure.station.pascal();
    if (std::abs(ratio - kTorr / kHectopascal) < 0.02 || std::abs(ratio - kHectopascal / kTorr) < 0.02)
        return Text::tr("are mmHg and hPa mixed up?");
    return Text::tr("read both again.");
}

} // namespace

Text compare(const RoomSource& a, const RoomSource& b, std::optional<double> altitudeM) {
    // What was measured in the room comes first: the other is held against it.
    if (measuredHere(b.entry.method) && !measuredHere(a.entry.method)) return compare(b, a, altitudeM);
    if (a.entry.method == RoomMethod::Nominal || b.entry.method == RoomMethod::Nominal)
        return {}; // nothing was measured
    const double difference = (b.pressure.station - a.pressure.station).pascal();
    const double u = std::hypot(uOf(a), uOf(b));
    if (std::abs(difference) <= kCoverage * u) return {};
    const bool yours = measuredHere(a.entry.method), above = difference > 0.0;
    const Text theOther = label(b.entry.method), first = label(a.entry.method);
    const Text kPa = fixed(std::abs(difference) * 1e-3, std::abs(difference) < 1000.0 ? 2 : 1);
    const Text asked = question(a, b, difference, u, altitudeM);
    if (yours)
        return above ? Text::tr("The {} lies {} kPa above your {}: {}", theOther, kPa, first, asked)
                     : Text::tr("The {} lies {} kPa below your {}: {}", theOther, kPa, first, asked);
    return above ? Text::tr("The {} lies {} kPa above the {}: {}", theOther, kPa, first, asked)
                 : Text::tr("The {} lies {} kPa below the {}: {}", theOther, kPa, first, asked);
}

Text doubtAtHeight(const RoomSource& source, double altitudeM) {
    const bool told = source.entry.method == RoomMethod::StationReport || measuredHere(source.entry.method);
    const auto usual = standardAtmospherePressure(Length::fromMetre(altitudeM));
    if (!told || !usual) return {};
    const double pa = source.pressure.station.pascal();
    const double usually = usual->pascal();
    // Between the deepest lows and the strongest highs lie some 3.5 kPa either way.
    constexpr double kWeatherAtMost = 3500.0;
    if (std::abs(pa - usually) <= kWeatherAtMost) return {};
    const Text said = Text::tr("At {} m the pressure is usually near {} kPa, and {} kPa is not the weather.",
                               fixed(altitudeM, 0), fixed(usually * 1e-3, 1), fixed(pa * 1e-3, 1));
    if (std::abs(pa - kStandardAtmospherePascal) <= kWeatherAtMost)
        return Text::sentences(
            {said,
             source.entry.method == RoomMethod::StationReport
                 ? Text::tr("It looks reduced to sea level: say so above if it is, and check the height.")
                 : Text::tr("A barometer that is set to sea level shows this: set it to the station’s own "
                            "pressure, and check the height.")});
    return Text::sentences({said, Text::tr("Check the number, its unit and the height.")});
}

std::vector<Text> compareAll(const std::vector<RoomSource>& sources, std::optional<double> altitudeM) {
    std::vector<Text> out;
    for (std::size_t i = 0; i < sources.size(); ++i)
        for (std::size_t j = i + 1; j < sources.size(); ++j)
            if (Text sentence = compare(sources[i], sources[j], altitudeM); !sentence.empty())
                out.push_back(std::move(sentence));
    return out;
}

} // namespace uttrin
