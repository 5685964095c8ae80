#include "SlipCheck.h"

#include "SlipOfThePen.h"
#include "quantities/Rounding.h"

#include <algorithm>
#include <cmath>
#include <numbers>

namespace uttrin {
namespace {

constexpr double kCoverageFactor = 3.0;  // deviations beyond three standard uncertainties are spoken of
constexpr double kScatter = 0.2;         // K, what boiling 'slow and steady' scatters by anyway
constexpr double kExplainedWithin = 1.5; // K, a slip explains a pair if it brings it this close to the curve
constexpr double kMostSuperheat = 12.0;  // K, clean glass does not hold back more at the bench
constexpr double kAboveRoom = 1.05;      // relative, what a vessel on a pump cannot be
// How often an odd pair is a slip of the pen, and how far from boiling the bench itself goes in the mean.
constexpr double kPenShare = 0.3;
constexpr double kMeanSuperheat = 2.0, kMeanBelow = 4.0; // K
// What is offered: likelier than this, and not more than so many.
constexpr double kLeastShare = 0.1;
constexpr std::size_t kMostOffers = 3;

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

double gaussian(double x, double sigma) {
    return std::exp(-0.5 * (x / sigma) * (x / sigma)) / (sigma * std::sqrt(2.0 * std::numbers::pi));
}

/// How well the two arms add up to what they do in this tube: one if they do, or for other instruments.
double armsFit(const PressureInstrument& gauge, const GaugeReading& reading) {
    if (!reading.second || !(gauge.armSum > 0.0)) return 1.0;
    constexpr double kEvenBore = 0.005; // relative, how even the bore of a good tube is
    const double sigma = std::max(std::hypot(gauge.accuracy, gauge.division), kEvenBore * gauge.armSum);
    const double off = (reading.first + *reading.second - gauge.armSum) / sigma;
    return std::exp(-0.5 * off * off);
}

/// How likely the pair is as it stands: superheated, or bubbling below boiling.
double weightAsTyped(const CapturePair& pair, const std::optional<Deviation>& plain) {
    if (!plain || plain->kelvin > kMostSuperheat) return 0.0;
    const double mean = plain->kelvin > 0.0 ? kMeanSuperheat : kMeanBelow;
    return (1.0 - kPenShare) * std::exp(-std::abs(plain->kelvin) / mean) / mean *
           armsFit(pair.gauge, pair.reading);
}

/// What may have been meant, the likeliest first, with shares of everything that may have happened.
std::vector<SlipOffer> offersFor(const CapturePair& pair, const Liquid& liquid, double asTyped) {
    std::vector<SlipOffer> offers;
    double total = asTyped;
    for (SlipOfThePen& slip : slipsOfThePen(pair)) {
        const auto d = deviation(pair, slip.gauge, slip.temperature, liquid);
        if (!d || std::abs(d->kelvin) > std::max(kExplainedWithin, kCoverageFactor * d->u)) continue;
        SlipOffer offer{slip.kind, std::move(slip.sentence), std::move(slip.meant), {}, {}, 0.0};
        offer.share = kPenShare * slip.weight * gaussian(d->kelvin, std::hypot(d->u, kScatter)) *
                      armsFit(pair.gauge, slip.gauge);
        if (slip.ofThermometer)
            offer.temperature = slip.temperature;
        else
            offer.gauge = slip.gauge;
        total += offer.share;
        offers.push_back(std::move(offer));
    }
    for (SlipOffer& offer : offers)
        offer.share /= total;
    std::ranges::stable_sort(offers, std::ranges::greater{}, &SlipOffer::share);
    return offers;
}

bool isTarget(const CapturePair& pair) {
    if (!pair.targetReading) return false;
    const double tolerance = 0.01 * pair.gauge.division;
    return std::abs(scaleValue(pair.gauge, *pair.targetReading) - scaleValue(pair.gauge, pair.reading)) <
           tolerance;
}

SlipFinding describe(const CapturePair& pair, SlipFinding f) {
    const double off = f.superheatKelvin;
    if (off > 0.0 && off <= kMostSuperheat) {
        f.kind = SlipKind::Superheated;
        f.sentence = Text::tr("Superheated by {} K: calm it down and read again.", fixed(off, 1));
    } else if (off < 0.0 && isTarget(pair)) {
        f.kind = SlipKind::TargetForActual;
        f.sentence = Text::tr(
            "This is exactly the target’s reading, and {} K below boiling. Is it what the gauge shows now?",
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
    if (plain) {
        finding.superheatKelvin = plain->kelvin;
        finding.superheatU = plain->u;
        if (std::abs(plain->kelvin) <= kCoverageFactor * std::hypot(plain->u, kScatter)) return finding;
        finding = describe(pair, finding);
    } else {
        finding.kind = SlipKind::Impossible;
        finding.sentence =
            Text::tr("That pressure cannot be in this vessel: below a perfect vacuum, or well above "
                     "the room. Read the gauge again.");
    }
    const double asTyped = weightAsTyped(pair, plain);
    finding.offers = offersFor(pair, liquid, asTyped);
    std::erase_if(finding.offers, [](const SlipOffer& o) { return o.share < kLeastShare; });
    if (finding.offers.size() > kMostOffers) finding.offers.resize(kMostOffers);
    if (finding.offers.empty()) return finding;
    double penShare = 0.0;
    for (const SlipOffer& o : finding.offers)
        penShare += o.share;
    if (penShare > 0.5) {
        finding.kind = finding.offers.front().kind;
        finding.sentence = finding.offers.front().sentence;
    } else {
        finding.sentence = Text::sentences({finding.sentence, Text::tr("It may also be a slip of the pen."),
                                            finding.offers.front().sentence});
    }
    return finding;
}

} // namespace uttrin
