#include "Plan.h"

#include "quantities/Identifiers.h"
#include "substances/SubstanceLibrary.h"

#include <array>
#include <cmath>

namespace uttrin {
namespace {

Result<void> above(double value, double floor, const Text& name, std::string_view unit) {
    if (std::isfinite(value) && value > floor) return {};
    return fail(Failure::BadInput,
                Text::tr("{} must be above {} {}; it is {} {}", name, floor, unit, value, unit));
}

Result<void> checkLadder(const Plan& plan) {
    const Ladder& l = plan.ladder;
    if (!std::isfinite(l.from) || !std::isfinite(l.to))
        return fail(Failure::BadInput, Text::tr("the ladder’s ends must be numbers"));
    if (l.spacing == Spacing::DialSteps) {
        if (!(l.dialStep > 0.0) || !std::isfinite(l.dialStep))
            return fail(Failure::BadInput, Text::tr("the ladder’s dial step must be above zero"));
        if (std::abs(l.to - l.from) / l.dialStep > 100.0)
            return fail(Failure::BadInput,
                        Text::tr("the ladder has more than 100 dial steps; take a larger step"));
        return {};
    }
    if (l.count < 2 || l.count > 100)
        return fail(Failure::BadInput, Text::tr("the ladder needs 2 to 100 targets; it has {}", l.count));
    if (const auto ok = above(l.from, 0.0, Text::tr("the ladder’s lower end"),
                              l.spacing == Spacing::Pressure ? "Pa" : "K");
        !ok)
        return ok;
    if (!(l.to > l.from))
        return fail(Failure::BadInput, Text::tr("the ladder’s upper end must be above its lower end"));
    return {};
}

} // namespace

std::string_view id(Method method) {
    return method == Method::HoldPressure ? "hold-pressure" : "hold-temperature";
}

std::string_view id(NucleationAid aid) {
    switch (aid) {
    case NucleationAid::None:
        return "none";
    case NucleationAid::Chips:
        return "chips";
    case NucleationAid::Stirrer:
        return "stirrer";
    }
    return "";
}

std::string_view id(HeatSource heat) {
    return heat == HeatSource::Mantle ? "mantle" : heat == HeatSource::HotPlate ? "hot-plate" : "water-bath";
}

std::string_view id(PumpKind pump) { return pump == PumpKind::Motor ? "motor" : "hand"; }

std::string_view id(Spacing spacing) {
    switch (spacing) {
    case Spacing::Pressure:
        return "pressure";
    case Spacing::Temperature:
        return "temperature";
    case Spacing::InverseTemperature:
        return "inverse-temperature";
    case Spacing::DialSteps:
        return "dial-steps";
    }
    return "";
}

Result<Method> methodFromId(std::string_view wanted) {
    return fromId(wanted, std::array{Method::HoldPressure, Method::HoldTemperature}, Text::tr("a method"));
}
Result<NucleationAid> nucleationAidFromId(std::string_view wanted) {
    return fromId(wanted, std::array{NucleationAid::None, NucleationAid::Chips, NucleationAid::Stirrer},
                  Text::tr("a nucleation aid"));
}
Result<HeatSource> heatSourceFromId(std::string_view wanted) {
    return fromId(wanted, std::array{HeatSource::Mantle, HeatSource::HotPlate, HeatSource::WaterBath},
                  Text::tr("a source of heat"));
}
Result<PumpKind> pumpKindFromId(std::string_view wanted) {
    return fromId(wanted, std::array{PumpKind::Motor, PumpKind::Hand}, Text::tr("a kind of pump"));
}
Result<Spacing> spacingFromId(std::string_view wanted) {
    return fromId(
        wanted,
        std::array{Spacing::Pressure, Spacing::Temperature, Spacing::InverseTemperature, Spacing::DialSteps},
        Text::tr("a spacing"));
}

Text criterionText(BoilingCriterion criterion) {
    switch (criterion) {
    case BoilingCriterion::FirstBubbles:
        return Text::tr("first bubbles that rise to the surface");
    case BoilingCriterion::Steady:
        return Text::tr("slow and steady: the class’s chosen picture");
    case BoilingCriterion::ThroughBulk:
        return Text::tr("bubbles through the whole of the liquid, not at the chips alone");
    case BoilingCriterion::StopsAfterIsolating:
        return Text::tr("the moment that boiling stops after isolating");
    case BoilingCriterion::BracketStops:
    case BoilingCriterion::BracketStarts:
        break;
    }
    return {};
}

Result<BoilingCriterion> agreedCriterion(std::string_view word) {
    const auto criterion = valueOf<BoilingCriterion>(word);
    if (criterion && !isBracket(*criterion)) return criterion;
    return fail(Failure::BadInput, Text::tr("'{}' is not a boiling criterion; accepted: first-bubbles, "
                                            "steady, through-bulk, stops-after-isolating",
                                            word));
}

Text methodText(Method method) {
    return method == Method::HoldPressure ? Text::tr("hold the pressure, heat until it boils")
                                          : Text::tr("hold the temperature, pump until it boils");
}

const Substance& substanceOf(const Plan& plan) { return **findSubstance(plan.substance); }

Liquid liquidOf(const Plan& plan) { return *Liquid::make(substanceOf(plan), plan.solute); }

Result<void> check(const Plan& plan) {
    if (const auto s = findSubstance(plan.substance); !s) return tl::unexpected(s.error());
    if (const auto liquid = Liquid::make(substanceOf(plan), plan.solute); !liquid)
        return tl::unexpected(liquid.error());
    if (const auto ok = check(plan.rig.gauge); !ok) return ok;
    if (const auto ok = check(plan.rig.thermometer); !ok) return ok;
    const Rig& r = plan.rig;
    for (const auto& [value, name, unit] :
         {std::tuple{r.vesselLitre, Text::tr("the vessel’s volume"), "L"},
          {r.liquidLitre, Text::tr("the liquid’s volume"), "L"},
          {r.heaterWatt, Text::tr("the heater’s power"), "W"},
          {r.pumpLitrePerMinute, Text::tr("the pump’s speed"), "L/min"},
          {r.pumpUltimatePa, Text::tr("the pump’s ultimate pressure"), "Pa"},
          {plan.periodMinutes, Text::tr("the period"), "min"}})
        if (const auto ok = above(value, 0.0, name, unit); !ok) return ok;
    constexpr double kMostLitres = 20.0; // on a bench, under vacuum, in glass
    if (r.vesselLitre > kMostLitres)
        return fail(Failure::BadInput, Text::tr("the vessel’s volume: {:.4g} L; accepted: up to {:.0f} L",
                                                r.vesselLitre, kMostLitres));
    if (!(r.liquidLitre < r.vesselLitre))
        return fail(Failure::BadInput, Text::tr("the liquid does not fit into the vessel"));
    if (!(r.depthCm >= 0.0 && r.depthCm < 200.0))
        return fail(Failure::BadInput, Text::tr("the liquid’s depth must be 0 to 200 cm"));
    constexpr double kLongestWarmUp = 240.0, kWidest = 200.0, kLongest = 100.0;
    for (const auto& [value, most, name, unit] :
         {std::tuple{r.warmUpMinutes, kLongestWarmUp, Text::tr("the pump’s warming up"), "min"},
          {r.tubeBoreMm, kWidest, Text::tr("the bore of the tube to the pump"), "mm"},
          {r.tubeLengthM, kLongest, Text::tr("the length of the tube to the pump"), "m"}})
        if (!(value >= 0.0 && value <= most))
            return fail(Failure::BadInput,
                        Text::tr("{}: {:.4g} {}; accepted: 0 to {:.0f} {}", name, value, unit, most, unit));
    const SubstanceFacts& facts = substanceOf(plan).facts();
    const Temperature hottest =
        facts.normalBoilingPoint > facts.triple ? facts.normalBoilingPoint : facts.critical;
    constexpr double kIcePointSlack = 0.02; // K: water begins at 0 degC, a little below its triple point
    if (plan.startCelsius && !(*plan.startCelsius >= facts.triple.celsius() - kIcePointSlack &&
                               *plan.startCelsius <= hottest.celsius() + kIcePointSlack))
        return fail(Failure::BadInput, Text::tr("{} must start between {:.4g} and {:.4g} degC, as a liquid",
                                                facts.name, facts.triple.celsius(), hottest.celsius()));
    if (isBracket(plan.criterion))
        return fail(Failure::BadInput,
                    Text::tr("a plan agrees on what counts as boiling, not on half of a bracket"));
    if (plan.ladder.trialPa)
        if (const auto ok = above(*plan.ladder.trialPa, 0.0, Text::tr("the trial point’s pressure"), "Pa");
            !ok)
            return ok;
    return checkLadder(plan);
}

} // namespace uttrin
