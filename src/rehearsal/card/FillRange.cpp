#include "FillRange.h"

#include "physics/Constants.h"
#include "quantities/Rounding.h"
#include "rehearsal/Materials.h"

#include <algorithm>
#include <array>

namespace uttrin {
namespace {

/// Vessels whose volume is that of what stands in them; of a jar over a dish nothing is known of the dish.
constexpr std::array kFilled{VesselShape::RoundFlask, VesselShape::Bottle, VesselShape::Jar,
                             VesselShape::Kettle,     VesselShape::Pan,    VesselShape::Tube,
                             VesselShape::Bulb};

constexpr double kMinute = 60.0; // s

std::optional<double> firstOf(const Rehearsal& r, RigEventKind kind) {
    for (const RigEvent& e : r.run.events)
        if (e.kind == kind && e.vessel == r.setup.watched) return e.seconds;
    return std::nullopt;
}

/// The rig with another filling.
class Filled {
public:
    Filled(const RigFile& rig, const std::vector<RigSetting>& settings, std::string pointer,
           const std::function<bool()>& goOn)
        : m_rig(rig), m_settings(settings), m_pointer(std::move(pointer)), m_goOn(goOn) {}

    [[nodiscard]] Result<Rehearsal> with(double kg) const {
        std::vector<RigSetting> settings = m_settings;
        settings.push_back(m_rig.setting(m_pointer, kg, m_settings));
        return rehearse(m_rig, settings, m_goOn);
    }
    [[nodiscard]] std::optional<double> dryAfter(double kg) const {
        const auto r = with(kg);
        return r ? firstOf(*r, RigEventKind::Dry) : std::nullopt;
    }

private:
    const RigFile& m_rig;
    const std::vector<RigSetting>& m_settings;
    std::string m_pointer;
    const std::function<bool()>& m_goOn;
};

/// How much hotter it boils at its bottom than at its top, where the pressure on it is lowest.
double depthKelvin(const Rehearsal& r, const RigFluid& fluid) {
    const Vessel& v = r.watched();
    const auto coldest = lowestBoiling(r);
    if (!coldest || v.surface <= 0.0) return 0.0;
    const double top = fluid.liquidSaturation(*coldest);
    return fluid.boilingKelvin(top + kStandardGravity * v.condensed / v.surface) - fluid.boilingKelvin(top);
}

/// The least that does not run dry, between a twentieth of it and all; nothing if a twentieth lasts.
void findLeast(FillRange& range, const Filled& rig) {
    constexpr double kTwentieth = 0.05;
    constexpr int kHalvings = 5;
    double low = kTwentieth * range.now, high = range.now;
    if (rig.dryAfter(high)) {
        range.least = high;
    } else if (rig.dryAfter(low)) {
        for (int i = 0; i < kHalvings; ++i) {
            const double middle = (low + high) / 2.0;
            (rig.dryAfter(middle) ? low : high) = middle;
        }
        range.least = high;
    }
    if (range.least) range.dryAfter = rig.dryAfter(*range.least / 2.0).value_or(0.0);
}

} // namespace

std::optional<FillRange> fillRange(const RigFile& rig, const std::vector<RigSetting>& settings,
                                   const std::function<bool()>& goOn) {
    const auto now = rehearse(rig, settings, goOn);
    if (!now) return std::nullopt;
    const Vessel& vessel = now->watched();
    const std::string pointer = "/vessels/" + vessel.name + "/liquid";
    const auto fluid = rigFluid(now->setup.substance);
    if (!rig.sets(pointer) || vessel.condensed <= 0.0 || !fluid) return std::nullopt;
    const Filled filled(rig, settings, pointer, goOn);
    FillRange range;
    range.now = vessel.condensed;
    const VesselShape shape = now->setup.shapes[static_cast<std::size_t>(now->setup.watched)];
    if (std::ranges::find(kFilled, shape) != kFilled.end())
        range.most = vessel.volume * fluid->liquidDensity() / 2.0;
    range.depthKelvin = depthKelvin(*now, *fluid);
    constexpr double kQuarterMore = 1.25;
    const auto boils = firstOf(*now, RigEventKind::BoilingStarts);
    if (const auto more = filled.with(kQuarterMore * range.now); more && boils)
        if (const auto later = firstOf(*more, RigEventKind::BoilingStarts))
            range.laterSeconds = *later - *boils;
    findLeast(range, filled);
    if (goOn && !goOn()) return std::nullopt;
    return range;
}

std::vector<Text> fillTexts(const FillRange& f) {
    std::vector<Text> texts;
    texts.push_back(f.most
                        ? Text::tr("Filled with {}; at most {}, half of the vessel: fuller it splashes over.",
                                   gramsText(f.now), gramsText(*f.most))
                        : Text::tr("Filled with {}.", gramsText(f.now)));
    constexpr double kWorthTelling = 0.1; // min, K
    if (f.laterSeconds / kMinute >= kWorthTelling)
        texts.push_back(
            Text::tr("With a quarter more it boils {} min later.", fixed(f.laterSeconds / kMinute, 1)));
    if (f.depthKelvin >= kWorthTelling)
        texts.push_back(
            Text::tr("At the lowest pressure its bottom boils {} K later than its top, for the weight "
                     "of the liquid above it.",
                     fixed(f.depthKelvin, 1)));
    if (f.least)
        texts.push_back(
            f.dryAfter > 0.0
                ? Text::tr("With less than {} it runs dry before the end: half of that at minute {}.",
                           gramsText(*f.least), fixed(f.dryAfter / kMinute, 0))
                : Text::tr("With less than {} it runs dry before the end.", gramsText(*f.least)));
    return texts;
}

} // namespace uttrin
