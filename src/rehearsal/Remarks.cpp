#include "Remarks.h"

#include "Appearance.h"
#include "physics/Constants.h"
#include "physics/Cooking.h"
#include "quantities/Rounding.h"
#include "solutions/Sucrose.h"

#include <algorithm>
#include <cmath>

namespace uttrin {
namespace {

double celsius(double kelvin) { return kelvin - kIcePointKelvin; }

bool hasTelling(const Rehearsal& r, RigRemark telling) {
    return std::ranges::find(r.setup.tells, telling) != r.setup.tells.end();
}

Text cookingTime(const VesselState& s) {
    const CookingProcess& vegetables = cookingProcesses().front();
    const double times = relativeCookingTime(vegetables.activationEnergy, Temperature::fromKelvin(s.kelvin));
    constexpr double kScalds = 60.0; // degC, for a few seconds
    return celsius(s.kelvin) > kScalds
               ? Text::tr("{}: {:.2g} times as long as at 100 °C; it still scalds", vegetables.name, times)
               : Text::tr("{}: {:.2g} times as long as at 100 °C", vegetables.name, times);
}

/// By how much hotter it is than water would boil there, as the stages are told at sea level.
Text syrupStage(const VesselState& s, const RigFluid& fluid) {
    const auto seaLevel = sucrose::elevationAtStandardPressure(s.share());
    if (!seaLevel || s.share() <= 0.0) return {};
    const double atSea = celsius(fluid.boilingKelvin(kStandardAtmospherePascal)) + seaLevel->kelvin();
    const Text share = Text::tr("{:.0f} % sugar", 100.0 * s.share());
    for (const sucrose::Stage& stage : sucrose::stages())
        if (atSea >= stage.lowCelsius && atSea <= stage.highCelsius)
            return Text::tr("{}; a drop in cold water forms: {}", share, stage.name);
    return atSea < sucrose::stages().front().lowCelsius ? Text::tr("{}; thinner than any stage", share)
                                                        : Text::tr("{}; between two stages", share);
}

/// What the instruments say of it: the thermometer by the curve, beside the gauge.
Text pressureByIce(const Rehearsal& r, std::size_t at, const RigFluid& fluid) {
    const VesselState& s = r.watchedAt(at);
    if (s.solid <= 0.0 || s.liquid > 1e-3 * s.solid) return {};
    const auto* thermometer = shownOf(r, RigInstrument::Thermometer, r.setup.watched);
    const auto* gauge = shownOf(r, RigInstrument::Gauge, r.setup.watched);
    if (!thermometer) return {};
    const double kelvin = (*thermometer)[at];
    if (kelvin >= fluid.tripleKelvin() || kelvin <= fluid.lowestKelvin()) return {};
    const Text byIce = Text::tr("ice at {} °C alone says {:.0f} Pa", fixed(celsius(kelvin), 1),
                                fluid.solidSaturation(kelvin));
    if (!gauge) return byIce;
    constexpr double kMuch = 0.1; // of the pressure
    return s.airPascal > kMuch * s.pascal ? Text::tr("{}, the gauge {:.0f} Pa, {:.0f} % of it air", byIce,
                                                     (*gauge)[at], 100.0 * s.airPascal / s.pascal)
                                          : Text::tr("{}, the gauge {:.0f} Pa", byIce, (*gauge)[at]);
}

struct Swelling {
    Text name;
    double times = 1.0, most = 1.0; ///< its size at first: now, and so far at most
};

std::vector<Swelling> swellings(const Rehearsal& r, std::size_t at) {
    std::vector<Swelling> all;
    for (const Skin& skin : r.setup.model.skins) {
        const auto v = static_cast<std::size_t>(skin.inside);
        const double first = r.run.samples.front().vessels[v].volume;
        Swelling one{Text::data(r.setup.model.vessels[v].name), r.run.samples[at].vessels[v].volume / first,
                     1.0};
        for (std::size_t i = 0; i <= at; ++i)
            one.most = std::max(one.most, r.run.samples[i].vessels[v].volume / first);
        all.push_back(std::move(one));
    }
    return all;
}

Text times(double ratio) { return fixed(ratio, ratio < 10.0 ? 1 : 0); }

Text sizes(const Rehearsal& r, std::size_t at) {
    const auto all = swellings(r, at);
    constexpr double kSame = 0.04, kSmaller = 0.9, kGrew = 1.3;
    const bool still = std::ranges::all_of(all, [](const Swelling& s) { return s.most < 1.0 + kSame; });
    if (still) return Text::tr("Nothing swells yet.");
    std::vector<Text> now, smaller;
    for (const Swelling& s : all) {
        now.push_back(Text::set("{} {}", s.name, times(s.times)));
        if (s.times < kSmaller && s.most > kGrew) smaller.push_back(s.name);
    }
    const Text text = Text::tr("Now, times its first size: {}.", Text::list(now));
    if (smaller.empty()) return text;
    return Text::sentences(
        {text, Text::tr("Smaller than before: {}. Cells burst while stretched, and their gas is gone.",
                        Text::list(smaller))});
}

/// Where a stream of air comes in that pushes harder than what stands in the vessel weighs.
Text blownOver(const Rehearsal& r, std::size_t at) {
    constexpr double kNothing = 1e-3; // N; what has no contents of its own is tied or held
    const RigModel& m = r.setup.model;
    for (std::size_t l = 0; l < m.links.size(); ++l) {
        const Link& link = m.links[l];
        const LinkState& s = r.run.samples[at].links[l];
        const bool inwards = (link.from == kRoom && s.flow > 0.0) || (link.to == kRoom && s.flow < 0.0);
        if (!inwards) continue;
        const int into = link.from == kRoom ? link.to : link.from;
        const Vessel* lightest = nullptr;
        double least = s.jet;
        for (const Skin& skin : m.skins) {
            const auto v = static_cast<std::size_t>(skin.inside);
            const VesselState& held = r.run.samples[at].vessels[v];
            const double newtons = kStandardGravity * (held.liquid + held.solid + held.solute);
            if (skin.around != into || newtons <= kNothing || newtons >= least) continue;
            lightest = &m.vessels[v];
            least = newtons;
        }
        if (lightest)
            return Text::tr(
                "air rushes in and pushes with {:.2g} N: more than the {} weighs, so it is blown over", s.jet,
                Text::data(lightest->name));
    }
    return {};
}

/// What has given way by now in the watched vessel: nothing else is to be seen then.
Text gaveWay(const Rehearsal& r, double seconds) {
    Text last;
    for (const RigEvent& e : r.run.events)
        if (e.kind == RigEventKind::GaveWay && e.vessel == r.setup.watched && e.seconds <= seconds + 1e-6)
            last = Text::tr("By now {}.", eventText(r.setup, e));
    return last;
}

} // namespace

Text appearanceAt(const Rehearsal& r, std::size_t at) {
    if (hasTelling(r, RigRemark::Sizes)) return sizes(r, at);
    if (const Text broken = gaveWay(r, r.run.samples[at].seconds); !broken.empty()) return broken;
    std::vector<Text> says{appearanceText(r.watched(), r.watchedAt(at))};
    const RigSample& now = r.run.samples[at];
    for (std::size_t i = 0; i < now.liquidTubes.size(); ++i) {
        const LiquidTube& t = r.setup.model.liquidTubes[i];
        const double gas = now.liquidTubes[i].gas;
        if (std::abs(gas) < kSeenGas) continue;
        const auto from = static_cast<std::size_t>(gas > 0.0 ? t.from : t.to),
                   into = static_cast<std::size_t>(gas > 0.0 ? t.to : t.from);
        const Vessel& through = r.setup.model.vessels[into];
        if (now.vessels[into].liquid <= 0.0) continue;
        const Text source = Text::data(r.setup.model.vessels[from].name), name = Text::data(through.name);
        says.push_back(
            boils(appearanceOf(through, now.vessels[into]))
                ? Text::tr("Gas from the {} bubbles up through the {}.", source, name)
                : Text::tr("Gas from the {} bubbles up through the {}, which does not boil.", source, name));
    }
    return Text::sentences(says);
}

std::vector<Text> remarksAt(const Rehearsal& r, std::size_t at) {
    std::vector<Text> lines;
    const auto fluid = rigFluid(r.setup.substance);
    const VesselState& s = r.watchedAt(at);
    const auto add = [&](Text line) {
        if (!line.empty()) lines.push_back(std::move(line));
    };
    if (hasTelling(r, RigRemark::CookingTime)) add(cookingTime(s));
    const bool syrup = r.setup.model.solute && r.setup.model.solute->kind() == SoluteKind::Sucrose;
    if (hasTelling(r, RigRemark::SyrupStage) && syrup && fluid) add(syrupStage(s, *fluid));
    if (hasTelling(r, RigRemark::PressureByIce) && fluid) add(pressureByIce(r, at, *fluid));
    add(blownOver(r, at));
    return lines;
}

} // namespace uttrin
