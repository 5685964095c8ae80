#include "Remarks.h"

#include "Appearance.h"
#include "physics/Constants.h"
#include "physics/Cooking.h"
#include "quantities/Rounding.h"
#include "solutions/Sucrose.h"

#include <fmt/format.h>

#include <algorithm>
#include <cmath>

namespace uttrin {
namespace {

double celsius(double kelvin) { return kelvin - kIcePointKelvin; }

bool hasTelling(const Rehearsal& r, RigRemark telling) {
    return std::ranges::find(r.setup.tells, telling) != r.setup.tells.end();
}

std::string cookingTime(const VesselState& s) {
    const CookingProcess& vegetables = cookingProcesses().front();
    const double times = relativeCookingTime(vegetables.activationEnergy, Temperature::fromKelvin(s.kelvin));
    constexpr double kScalds = 60.0; // degC, for a few seconds
    const std::string scalds = celsius(s.kelvin) > kScalds ? "; it still scalds" : "";
    return fmt::format("{}: {:.2g} times as long as at 100 °C{}", vegetables.name, times, scalds);
}

/// By how much hotter it is than water would boil there, as the stages are told at sea level.
std::string syrupStage(const VesselState& s, const RigFluid& fluid) {
    const auto seaLevel = sucrose::elevationAtStandardPressure(s.share());
    if (!seaLevel || s.share() <= 0.0) return {};
    const double atSea = celsius(fluid.boilingKelvin(kStandardAtmospherePascal)) + seaLevel->kelvin();
    const std::string share = fmt::format("{:.0f} % sugar", 100.0 * s.share());
    for (const sucrose::Stage& stage : sucrose::stages())
        if (atSea >= stage.lowCelsius && atSea <= stage.highCelsius)
            return fmt::format("{}; a drop in cold water forms: {}", share, stage.name);
    return share + (atSea < sucrose::stages().front().lowCelsius ? "; thinner than any stage"
                                                                 : "; between two stages");
}

/// What the instruments say of it: the thermometer by the curve, beside the gauge.
std::string pressureByIce(const Rehearsal& r, std::size_t at, const RigFluid& fluid) {
    const VesselState& s = r.watchedAt(at);
    if (s.solid <= 0.0 || s.liquid > 1e-3 * s.solid) return {};
    const auto* thermometer = shownOf(r, RigInstrument::Thermometer, r.setup.watched);
    const auto* gauge = shownOf(r, RigInstrument::Gauge, r.setup.watched);
    if (!thermometer) return {};
    const double kelvin = (*thermometer)[at];
    if (kelvin >= fluid.tripleKelvin() || kelvin <= fluid.lowestKelvin()) return {};
    std::string text = fmt::format("ice at {} °C alone says {:.0f} Pa", fixed(celsius(kelvin), 1),
                                   fluid.solidSaturation(kelvin));
    if (gauge) text += fmt::format(", the gauge {:.0f} Pa", (*gauge)[at]);
    constexpr double kMuch = 0.1; // of the pressure
    if (s.airPascal > kMuch * s.pascal) text += ", most of it air";
    return text;
}

struct Swelling {
    std::string name;
    double times = 1.0, most = 1.0; ///< its size at first: now, and so far at most
};

std::vector<Swelling> swellings(const Rehearsal& r, std::size_t at) {
    std::vector<Swelling> all;
    for (const Skin& skin : r.setup.model.skins) {
        const auto v = static_cast<std::size_t>(skin.inside);
        const double first = r.run.samples.front().vessels[v].volume;
        Swelling one{r.setup.model.vessels[v].name, r.run.samples[at].vessels[v].volume / first, 1.0};
        for (std::size_t i = 0; i <= at; ++i)
            one.most = std::max(one.most, r.run.samples[i].vessels[v].volume / first);
        all.push_back(std::move(one));
    }
    return all;
}

std::string times(double ratio) { return fmt::format("{:.{}f}", ratio, ratio < 10.0 ? 1 : 0); }

std::string sizes(const Rehearsal& r, std::size_t at) {
    const auto all = swellings(r, at);
    constexpr double kSame = 0.04, kSmaller = 0.9, kGrew = 1.3;
    const bool still = std::ranges::all_of(all, [](const Swelling& s) { return s.most < 1.0 + kSame; });
    if (still) return "Nothing swells yet.";
    std::vector<std::string> now, smaller;
    for (const Swelling& s : all) {
        now.push_back(s.name + " " + times(s.times));
        if (s.times < kSmaller && s.most > kGrew) smaller.push_back(s.name);
    }
    std::string text = fmt::format("Times its size at first: {}.", fmt::join(now, ", "));
    if (!smaller.empty())
        text += fmt::format(" Smaller than before: {}. Cells burst while stretched, and their gas is gone.",
                            fmt::join(smaller, ", "));
    return text;
}

/// Where a stream of air comes in that pushes harder than what stands in the vessel weighs.
std::string blownOver(const Rehearsal& r, std::size_t at) {
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
            return fmt::format(
                "air rushes in and pushes with {:.2g} N: more than the {} weighs, it is blown over", s.jet,
                lightest->name);
    }
    return {};
}

} // namespace

std::string appearanceAt(const Rehearsal& r, std::size_t at) {
    if (hasTelling(r, RigRemark::Sizes)) return sizes(r, at);
    std::string says = appearanceText(r.watched(), r.watchedAt(at));
    const RigSample& now = r.run.samples[at];
    for (std::size_t i = 0; i < now.liquidTubes.size(); ++i) {
        const LiquidTube& t = r.setup.model.liquidTubes[i];
        const double gas = now.liquidTubes[i].gas;
        if (std::abs(gas) < kSeenGas) continue;
        const auto from = static_cast<std::size_t>(gas > 0.0 ? t.from : t.to),
                   into = static_cast<std::size_t>(gas > 0.0 ? t.to : t.from);
        const Vessel& through = r.setup.model.vessels[into];
        if (now.vessels[into].liquid <= 0.0) continue;
        says += fmt::format(" Gas from the {} bubbles up through the {}{}.", r.setup.model.vessels[from].name,
                            through.name,
                            boils(appearanceOf(through, now.vessels[into])) ? "" : ", which does not boil");
    }
    return says;
}

std::vector<std::string> remarksAt(const Rehearsal& r, std::size_t at) {
    std::vector<std::string> lines;
    const auto fluid = rigFluid(r.setup.substance);
    const VesselState& s = r.watchedAt(at);
    const auto add = [&](std::string line) {
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
