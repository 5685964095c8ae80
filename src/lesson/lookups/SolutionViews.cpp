#include "SolutionViews.h"

#include "physics/Constants.h"
#include "quantities/Rounding.h"
#include "solutions/BinaryMixture.h"
#include "solutions/Liquid.h"
#include "solutions/SodiumChloride.h"
#include "solutions/Sucrose.h"
#include "substances/SubstanceLibrary.h"

#include <algorithm>
#include <cmath>

namespace uttrin {
namespace {

constexpr int kCurvePoints = 80;

/// Calls back with evenly spaced values, both ends among them.
template <typename Visit>
void evenly(double from, double to, int points, Visit visit) {
    for (int i = 0; i < points; ++i)
        visit(std::lerp(from, to, static_cast<double>(i) / (points - 1)));
}

Result<void> inside(double percent, double highest, const Text& what) {
    if (percent >= 0.0 && percent <= highest) return {};
    return fail(Failure::OutOfRange,
                Text::tr("{} from 0 to {:.1f} % by mass; {:.4g} % lies outside", what, highest, percent));
}

// Ice with salt.

double bathCelsius(double percent) {
    const auto depression =
        sodiumChloride::freezingPointDepression(sodiumChloride::molalityOf(0.01 * percent));
    return depression ? -depression->kelvin() : sodiumChloride::kEutecticCelsius;
}

/// Salt for 100 g of water, g.
double saltFor100g(double percent) { return 100.0 * percent / (100.0 - percent); }

Result<SolutionChart> saltBath(double percent) {
    constexpr double kEnd = 100.0 * sodiumChloride::kEutecticMassFraction;
    if (const auto ok = inside(percent, kEnd, Text::tr("an ice bath’s brine has salt")); !ok)
        return tl::unexpected(ok.error());
    SolutionChart c;
    c.horizontal = Text::tr("salt in the brine, % by mass");
    c.vertical = Text::tr("temperature of the bath, °C");
    SolutionChart::Curve curve{Text::tr("ice and brine together"), {}, false};
    evenly(0.0, kEnd, kCurvePoints, [&](double p) { curve.points.emplace_back(p, bathCelsius(p)); });
    c.curves.push_back(std::move(curve));
    c.marks.push_back(
        {kEnd, sodiumChloride::kEutecticCelsius, Text::tr("eutectic: as cold as it gets"), false});
    c.marks.push_back(
        {percent, bathCelsius(percent), Text::set("{} °C", fixed(bathCelsius(percent), 1)), true});
    c.columns = {Text::tr("% salt"), Text::tr("g for 100 g water"), Text::set("°C")};
    for (const double p : {0.0, 2.0, 5.0, 8.0, 11.0, 14.0, 17.0, 20.0, kEnd})
        c.rows.push_back({fixed(p, 1), fixed(saltFor100g(p), 1), fixed(bathCelsius(p), 1)});
    c.answer = Text::tr("Brine of {} % salt ({} g for 100 g of water) stands with ice at {} °C.",
                        fixed(percent, 1), fixed(saltFor100g(percent), 1), fixed(bathCelsius(percent), 1));
    c.advice = Text::tr("The bath keeps this temperature as long as both ice and undissolved salt are left; "
                        "brine alone grows thinner as the ice melts, and warmer. About one part of salt to "
                        "three of ice by mass reaches {} °C; more salt only "
                        "lies on the bottom. "
                        "Caution: wet skin freezes to metal in it; use gloves and tongs.",
                        fixed(sodiumChloride::kEutecticCelsius, 1));
    c.source = sodiumChloride::kFreezingSource;
    return c;
}

// Syrup.

Result<Temperature> syrupBoils(double fraction, Pressure room) {
    return Liquid::make(water(), {SoluteKind::Sucrose, fraction, 1.0}).and_then([&](const Liquid& l) {
        return l.boilingPoint(room);
    });
}

/// At this room's pressure, of a syrup that boils at this temperature at sea level.
Result<std::pair<double, double>> atThisRoom(double seaLevelCelsius, Pressure room) {
    const auto elevation = Temperature::fromCelsius(seaLevelCelsius) - water().facts().normalBoilingPoint;
    return sucrose::massFractionForElevation(elevation).and_then([&](double fraction) {
        return syrupBoils(fraction, room).map([&](Temperature t) {
            return std::pair(100.0 * fraction, t.celsius());
        });
    });
}

Result<SolutionChart> syrup(Pressure room, double percent) {
    constexpr double kEnd = 100.0 * sucrose::kHighestMassFraction;
    if (const auto ok = inside(percent, kEnd, Text::tr("syrups are known with sugar")); !ok)
        return tl::unexpected(ok.error());
    const auto boils = syrupBoils(0.01 * percent, room);
    if (!boils) return tl::unexpected(boils.error());
    SolutionChart c;
    c.horizontal = Text::tr("sugar, % by mass");
    c.vertical = Text::tr("boils here at, °C");
    SolutionChart::Curve here{Text::tr("in this room"), {}, false}, sea{Text::tr("at sea level"), {}, true};
    evenly(0.0, kEnd, kCurvePoints, [&](double p) {
        if (const auto t = syrupBoils(0.01 * p, room)) here.points.emplace_back(p, t->celsius());
        if (const auto t = syrupBoils(0.01 * p, Pressure::fromPascal(kStandardAtmospherePascal)))
            sea.points.emplace_back(p, t->celsius());
    });
    c.curves = {std::move(here), std::move(sea)};
    c.columns = {Text::tr("stage"), Text::tr("sea level, °C"), Text::tr("here, °C"), Text::tr("% sugar")};
    std::vector<double> lower; // K, by how much each stage is reached earlier here
    for (const sucrose::Stage& s : sucrose::stages()) {
        const auto low = atThisRoom(s.lowCelsius, room),
                   high = atThisRoom(
                       std::min(s.highCelsius, water().facts().normalBoilingPoint.celsius() + 65.9), room);
        if (!low || !high) continue;
        lower.push_back(s.lowCelsius - low->second);
        c.rows.push_back({s.name, Text::set("{:.0f} – {:.0f}", s.lowCelsius, s.highCelsius),
                          Text::set("{:.0f} – {:.0f}", low->second, high->second),
                          Text::set("{:.0f} – {:.0f}", low->first, high->first)});
        c.marks.push_back({low->first, low->second, s.name, false});
    }
    const double u = sucrose::elevationU(0.01 * percent);
    c.marks.push_back({percent, boils->celsius(), Text::set("{} °C", fixed(boils->celsius(), 1)), true});
    c.answer =
        Text::tr("Syrup of {} % sugar boils here at {} ± {} °C, {} K above water.", fixed(percent, 1),
                 fixed(boils->celsius(), decimalsForUncertainty(u)), fixed(u, decimalsForUncertainty(u)),
                 fixed(boils->celsius() - water().boilingPoint(room)->celsius(), 1));
    const Text first = fixed(std::abs(lower.front()), 1), last = fixed(std::abs(lower.back()), 1);
    const Text stages =
        lower.front() >= 0.0
            ? Text::tr(
                  "A stage is a share of water left: the first is reached here {} K and the last {} K lower "
                  "than at sea level.",
                  first, last)
            : Text::tr(
                  "A stage is a share of water left: the first is reached here {} K and the last {} K higher "
                  "than at sea level.",
                  first, last);
    c.advice = Text::sentences(
        {stages, Text::tr("The water leaves steadily, but towards the end the temperature runs away. "
                          "Caution: boiling syrup sticks "
                          "and burns far deeper than water; goggles, long sleeves, cold water at hand.")});
    c.source = sucrose::kSource;
    return c;
}

// Mixtures with water.

Result<SolutionChart> mixture(const BinaryMixture& m, Pressure room, double percent) {
    if (const auto ok = inside(percent, 100.0, Text::tr("a mixture has {}", m.first().facts().name)); !ok)
        return tl::unexpected(ok.error());
    const Text name = m.first().facts().name;
    const auto bubble = [&](double p) { return m.bubblePoint(m.amountFraction(0.01 * p), room); };
    const auto dew = [&](double p) { return m.dewPoint(m.amountFraction(0.01 * p), room); };
    const auto asked = bubble(percent);
    if (!asked) return tl::unexpected(asked.error());
    SolutionChart c;
    c.horizontal = Text::tr("{}, % by mass", name);
    c.vertical = Text::tr("temperature, °C");
    SolutionChart::Curve liquid{Text::tr("liquid begins to boil"), {}, false},
        vapour{Text::tr("vapour begins to condense"), {}, true};
    evenly(0.0, 100.0, kCurvePoints, [&](double p) {
        if (const auto s = bubble(p)) liquid.points.emplace_back(p, s->temperature.celsius());
        if (const auto s = dew(p)) vapour.points.emplace_back(p, s->temperature.celsius());
    });
    c.curves = {std::move(liquid), std::move(vapour)};
    const auto massPercent = [&](double amount) { return 100.0 * m.massFraction(amount); };
    const auto azeotrope = m.azeotrope(room);
    if (azeotrope)
        c.marks.push_back({massPercent(azeotrope->liquidFraction), azeotrope->temperature.celsius(),
                           Text::tr("azeotrope {} %", fixed(massPercent(azeotrope->liquidFraction), 1)),
                           false});
    c.marks.push_back({percent, asked->temperature.celsius(),
                       Text::set("{} °C", fixed(asked->temperature.celsius(), 1)), true});
    c.columns = {Text::tr("% in the liquid"), Text::tr("boils, °C"), Text::tr("% in its vapour")};
    for (int p = 0; p <= 100; p += 10)
        if (const auto s = bubble(p))
            c.rows.push_back({Text::set("{}", p), fixed(s->temperature.celsius(), 1),
                              fixed(massPercent(s->vapourFraction), 1)});
    c.answer =
        Text::tr("A liquid with {} % {} begins to boil here at {} ± {} °C; its first vapour holds {} %.",
                 fixed(percent, 1), name, fixed(asked->temperature.celsius(), 1), fixed(m.temperatureU(), 1),
                 fixed(massPercent(asked->vapourFraction), 0));
    c.advice = Text::sentences(
        {azeotrope ? Text::tr("At the azeotrope vapour and liquid are alike: distilling goes no further.")
                   : Text::tr("Vapour and liquid never agree: distilling separates them all the way."),
         Text::tr("As it boils, the liquid loses the lighter part and its boiling point climbs. Caution: the "
                  "vapour "
                  "burns; no flame, and an exhaust for a pump.")});
    c.source = m.source();
    return c;
}

} // namespace

Result<SolutionChart> solutionChart(SolutionTopic topic, std::optional<Pressure> known, double percent) {
    const Pressure room = known.value_or(Pressure::fromPascal(kStandardAtmospherePascal));
    const char* mixed = nullptr;
    switch (topic) {
    case SolutionTopic::SaltBath:
        return saltBath(percent);
    case SolutionTopic::Syrup:
        return syrup(room, percent);
    case SolutionTopic::EthanolWater:
        mixed = "ethanol";
        break;
    case SolutionTopic::MethanolWater:
        mixed = "methanol";
        break;
    case SolutionTopic::AcetoneWater:
        mixed = "acetone";
        break;
    }
    return findWaterMixture(mixed).and_then(
        [&](const BinaryMixture* m) { return mixture(*m, room, percent); });
}

} // namespace uttrin
