#include "StoryFigures.h"

#include "Materials.h"
#include "physics/Constants.h"
#include "quantities/Rounding.h"
#include "rehearsal/rigfile/RigWords.h"

#include <algorithm>
#include <cmath>

namespace uttrin {
namespace {

/// What figures are worked out from.
struct Played {
    const Rehearsal& r;
    const RigFluid& fluid;

    [[nodiscard]] const Vessel& vessel() const { return r.watched(); }
    [[nodiscard]] double roomPascal() const { return r.setup.model.roomPascal; }
    [[nodiscard]] double boiling(double pascal) const {
        return startingBoilingKelvin(r.setup.model, fluid, vessel(), pascal);
    }
    /// Something of the watched vessel, at its most.
    template <typename Of>
    [[nodiscard]] double most(Of of) const {
        double value = of(r.watchedAt(0));
        for (std::size_t i = 1; i < r.run.samples.size(); ++i)
            value = std::max(value, of(r.watchedAt(i)));
        return value;
    }
    [[nodiscard]] double highestPascal() const {
        return most([](const VesselState& s) { return s.pascal; });
    }
    [[nodiscard]] std::optional<double> timeOf(RigEventKind kind) const {
        for (const RigEvent& e : r.run.events)
            if (e.kind == kind && e.vessel == r.setup.watched) return e.seconds;
        return std::nullopt;
    }
};

Text dash() { return Text::set("–"); }
Text degrees(double kelvin, int decimals = 1) {
    return Text::set("{} °C", fixed(kelvin - kIcePointKelvin, decimals));
}
Text kelvins(double k) { return Text::set("{} K", fixed(k, 1)); }
Text kilopascals(double pascal) { return Text::set("{} kPa", fixed(pascal / 1000.0, pascal < 1e4 ? 2 : 1)); }
Text percent(double share) { return Text::set("{:.0f} %", 100.0 * share); }

Text boiling(const Played& p) { return degrees(p.boiling(p.roomPascal())); }
Text room(const Played& p) { return kilopascals(p.roomPascal()); }
Text start(const Played& p) { return degrees(p.vessel().kelvin, 0); }
Text liquid(const Played& p) { return gramsText(p.vessel().condensed + p.vessel().solute); }
Text saturation(const Played& p) {
    const auto over = startingSaturation(p.r.setup.model, p.fluid, p.vessel());
    return kilopascals(over.solvent + over.solute);
}

/// By how much hotter water boils under the standard atmosphere.
Text belowSea(const Played& p) {
    const double lower =
        p.fluid.boilingKelvin(kStandardAtmospherePascal) - p.fluid.boilingKelvin(p.roomPascal());
    return kelvins(lower);
}

/// What has gone by the goal's event; by the end where there is none.
Text lost(const Played& p) {
    const double first = p.vessel().condensed + p.vessel().solute;
    if (first <= 0.0) return dash();
    const auto at = p.r.setup.goal.kind == RigGoal::Happens ? p.timeOf(p.r.setup.goal.event) : std::nullopt;
    const VesselState& s = at ? p.r.watchedAt(std::min(p.r.sampleAt(*at) + 1, p.r.run.samples.size() - 1))
                              : p.r.watchedAt(p.r.run.samples.size() - 1);
    return percent(1.0 - (s.liquid + s.solid + s.solute + s.undissolved) / first);
}

/// Ice whose melting takes as much heat as a kelvin of the contents and of the glass that they touch.
Text icePerKelvin(const Played& p) {
    constexpr double kFusion = 333.4e3; // J/kg
    double capacity = p.vessel().condensed * p.fluid.liquidHeatCapacity();
    for (const Wall& w : p.vessel().walls)
        if (w.toContents > 0.0) capacity += w.heatCapacity;
    return gramsText(capacity / kFusion);
}

Text risePerKelvin(const Played& p) {
    const double t = p.vessel().kelvin;
    return percent(p.fluid.liquidSaturation(t + 0.5) / p.fluid.liquidSaturation(t - 0.5) - 1.0);
}

Text timesRoom(const Played& p) { return Text::number(p.highestPascal() / p.roomPascal(), 1); }
Text highest(const Played& p) {
    return degrees(p.most([](const VesselState& s) { return s.kelvin; }), 0);
}
Text lowestBoiling(const Played& p) {
    const auto lowest = factsOf(p.r).lowestBoilingKelvin;
    return lowest ? degrees(*lowest, 0) : dash();
}

Text dryAfter(const Played& p) {
    const auto dry = p.timeOf(RigEventKind::Dry);
    if (!dry) return Text::tr("more than {:.0f} min", p.r.setup.seconds / 60.0);
    return *dry < 90.0 ? Text::set("{:.0f} s", *dry) : Text::set("{:.1f} min", *dry / 60.0);
}

/// Boiling under the first relief valve that there is.
Text valveBoiling(const Played& p) {
    for (const Link& l : p.r.setup.model.links)
        if (l.reliefPascal > 0.0 && l.from == p.r.setup.watched)
            return degrees(p.boiling(p.roomPascal() + l.reliefPascal));
    return dash();
}

/// The first pressure that a move waits for, over the room's.
Text waitedForOverRoom(const Played& p) {
    for (const RigMove& m : p.r.setup.moves)
        if (m.when.kind == RigTrigger::PressureOver) return kilopascals(m.when.value - p.roomPascal());
    return dash();
}

/// Force of the room's air on a plunger over vapour that is saturated at the room's temperature.
Text push(const Played& p) {
    const double room = p.r.setup.model.roomKelvin;
    return Text::set("{:.0f} N", p.vessel().mouth * (p.roomPascal() - p.fluid.liquidSaturation(room)));
}

/// Pa/m, at the room's pressure and temperature.
double fallByHeight(const Played& p) {
    return p.roomPascal() * kStandardGravity * FlowingGas{}.molarMass /
           (kMolarGas * p.r.setup.model.roomKelvin);
}
Text fallPerKilometre(const Played& p) {
    return percent(-std::expm1(-1000.0 * fallByHeight(p) / p.roomPascal()));
}
Text metresPerKelvin(const Played& p) {
    const double t = p.fluid.boilingKelvin(p.roomPascal());
    const double slope = p.fluid.liquidSaturation(t + 0.5) - p.fluid.liquidSaturation(t - 0.5);
    constexpr double kRound = 10.0;
    return Text::set("{:.0f} m", kRound * std::round(slope / fallByHeight(p) / kRound));
}

struct NamedFigure {
    std::string_view name;
    Text (*figure)(const Played&);
};
constexpr NamedFigure kFigures[] = {{"air_over", waitedForOverRoom},
                                    {"below_sea", belowSea},
                                    {"boiling", boiling},
                                    {"dry_after", dryAfter},
                                    {"fall_per_km", fallPerKilometre},
                                    {"highest", highest},
                                    {"ice_per_kelvin", icePerKelvin},
                                    {"liquid", liquid},
                                    {"lost", lost},
                                    {"lowest_boiling", lowestBoiling},
                                    {"metres_per_kelvin", metresPerKelvin},
                                    {"push", push},
                                    {"rise_per_kelvin", risePerKelvin},
                                    {"room", room},
                                    {"saturation", saturation},
                                    {"start", start},
                                    {"times_room", timesRoom},
                                    {"valve_boiling", valveBoiling}};

static_assert(std::ranges::equal(kFigures, kStoryFigures, {}, &NamedFigure::name),
              "each that a file may name is worked out");

} // namespace

Text storyFigure(std::string_view name, const Rehearsal& played) {
    const auto found = std::ranges::find(kFigures, name, &NamedFigure::name);
    const auto fluid = rigFluid(played.setup.substance);
    return found == std::end(kFigures) || !fluid ? dash() : found->figure({played, *fluid});
}

Text storyText(const std::string& text, const Rehearsal* played) {
    std::vector<std::pair<std::string, Text>> figures;
    for (const NamedFigure& n : kFigures)
        if (text.find("{" + std::string(n.name) + "}") != std::string::npos)
            figures.emplace_back(n.name, played ? storyFigure(n.name, *played) : Text::set("…"));
    return Text::data(text, std::move(figures));
}

ToldStory toldStory(const RigStory& story, const Rehearsal* played) {
    const auto all = [&](const std::vector<std::string>& texts) {
        std::vector<Text> list;
        for (const std::string& text : texts)
            list.push_back(storyText(text, played));
        return list;
    };
    std::vector<Text> materials, steps;
    for (const Needed& n : neededFor(story, played))
        materials.push_back(neededText(n));
    for (const RigStep& step : story.steps)
        steps.push_back(storyText(step.says, played));
    return {storyText(story.aim, played), storyText(story.physics, played),
            std::move(materials),         std::move(steps),
            all(story.lookFor),           all(story.mistakes),
            all(story.cautions)};
}

} // namespace uttrin
