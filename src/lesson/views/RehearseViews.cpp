#include "RehearseViews.h"

#include "physics/Constants.h"
#include "quantities/Rounding.h"
#include "rehearsal/Remarks.h"

#include <algorithm>
#include <cmath>

namespace uttrin {
namespace {

Text kilopascals(double pascal) {
    const double kpa = pascal / 1000.0;
    return fixed(kpa, kpa < 1.0 ? 3 : kpa < 10.0 ? 2 : 1);
}

constexpr double kDensity = 1000.0; // kg/m3; a drawing needs no better

double celsius(double kelvin) { return kelvin - kIcePointKelvin; }

/// Where the liquid boils now, or where one would under this gas, K.
double boilingAt(const Rehearsal& r, const VesselState& s) {
    if (s.margin) return s.kelvin - *s.margin;
    const auto fluid = rigFluid(r.setup.substance);
    return fluid && s.pascal > 0.0 ? fluid->boilingKelvin(s.pascal) : s.kelvin;
}

/// Where a value lies between two on a logarithmic scale, 0 to 1: none up to the least, from there on at
/// least so much that it is seen.
double logarithmicShare(double value, double least, double most, double faintest) {
    return value <= least ? 0.0 : std::clamp(std::log(value / least) / std::log(most / least), faintest, 1.0);
}

/// How lively bubbles are drawn, by their vigour in m/s.
double liveliness(double vigour) { return logarithmicShare(vigour, 3e-4, 0.5, 0.05); }

/// How thickly gas that bubbles in through a liquid is drawn, by its flow in kg/s.
double gush(double flow) { return logarithmicShare(flow, kSeenGas, 1e-5, 0.1); }

SceneVessel vesselScene(const Rehearsal& r, std::size_t v, const VesselState& s) {
    const Vessel& built = r.setup.model.vessels[v];
    SceneVessel scene;
    scene.shape = r.setup.shapes[v];
    scene.name = Text::data(built.name);
    const double condensed = s.liquid + s.solid + s.solute + s.undissolved;
    scene.fill = s.volume > 0.0 ? std::clamp(condensed / kDensity / s.volume, 0.0, 1.0) : 0.0;
    scene.frozen = condensed > 0.0 ? s.solid / condensed : 0.0;
    scene.bubbling = liveliness(s.vigour);
    const Appearance what = appearanceOf(built, s);
    scene.boiling = boils(what);
    scene.airBubbles = what == Appearance::WallBubbles;
    const double margin = s.margin.value_or(0.0), span = margin - s.marginAtBottom.value_or(0.0);
    scene.boilingDepth = span > 0.0 ? std::clamp(margin / span, 0.0, 1.0) : 1.0;
    constexpr double kVisible = 2e-7; // kg/s of condensate
    const bool cold = s.wallKelvin() < kIcePointKelvin;
    scene.frost = what == Appearance::Frost || (cold && s.condensing > 0.0);
    scene.drops = !cold && s.condensing > kVisible;
    double widest = built.volume; // a syringe is drawn as far as it is ever pulled
    for (const RigSample& sample : r.run.samples)
        widest = std::max(widest, sample.vessels[v].volume);
    scene.plunger = s.volume / widest;
    for (const Skin& skin : r.setup.model.skins)
        if (skin.inside == static_cast<int>(v) && skin.around != kRoom) {
            scene.within = skin.around;
            scene.note = Text::set("{:.1f}×", s.volume / r.run.samples.front().vessels[v].volume);
            scene.size =
                std::cbrt(s.volume / r.setup.model.vessels[static_cast<std::size_t>(skin.around)].volume);
        }
    return scene;
}

/// Whether the wall that is reckoned with is the dry glass over a liquid; a bulb or a trap is held whole.
bool hasDryGlass(VesselShape shape) {
    return shape == VesselShape::RoundFlask || shape == VesselShape::Jar || shape == VesselShape::Bottle;
}

void addContacts(const RigSetup& setup, const RigModel& m, const RigSample& sample, RigScene& scene) {
    for (std::size_t i = 0; i < m.contacts.size(); ++i) {
        const Contact& c = m.contacts[i];
        if (!c.on || isOfTheRoom(c) || c.conductance <= 0.0) continue;
        const ContactState& s = sample.contacts[i];
        const VesselState& touched = sample.vessels[static_cast<std::size_t>(c.vessel)];
        ScenePart part{ScenePart::Warm, c.vessel, kRoom, true, 1.0, Text::data(c.name), {}};
        const bool wall = c.part == TouchedPart::Wall;
        part.onDryGlass =
            wall && (c.iceKg > 0.0 || hasDryGlass(setup.shapes[static_cast<std::size_t>(c.vessel)]));
        if (c.iceKg > 0.0) {
            part.kind = ScenePart::Ice;
            part.left = s.iceKg / c.iceKg;
            part.state = Text::tr("{:.0f} g left, takes {:.0f} W", 1000.0 * s.iceKg, std::abs(s.watt));
        } else {
            const double kelvin =
                c.other == kRoom ? c.kelvin : sample.vessels[static_cast<std::size_t>(c.other)].kelvin;
            part.kind = kelvin > touched.kelvin ? ScenePart::Warm : ScenePart::Cold;
            part.state = s.watt > 0.0
                             ? Text::tr("{} °C, gives {:.0f} W", fixed(celsius(kelvin), 0), s.watt)
                             : Text::tr("{} °C, takes {:.0f} W", fixed(celsius(kelvin), 0), std::abs(s.watt));
        }
        scene.parts.push_back(std::move(part));
    }
}

Text pumpState(const PumpAt& p, const PumpState& s) {
    constexpr double kTells = 5e-5; // kg
    const Text text = !p.on                 ? Text::tr("off")
                      : p.ballastOpen > 0.0 ? Text::tr("ballast open")
                                            : Text::tr("running");
    return s.oilKg > kTells ? Text::tr("{}, {:.1f} g in oil", text, 1000.0 * s.oilKg) : text;
}

void addParts(const RigSetup& setup, const RigModel& m, const RigSample& sample, RigScene& scene) {
    for (const Link& l : m.links) {
        const bool between = l.from != kRoom && l.to != kRoom;
        if (isLeak(l) || isOpenTop(setup, l)) continue;
        const int vessel = l.from == kRoom ? l.to : l.from;
        scene.parts.push_back({between ? ScenePart::Tube : ScenePart::Valve, vessel, between ? l.to : kRoom,
                               l.opening > 0.0, 1.0, Text::data(l.name),
                               l.reliefPascal > 0.0 ? Text::tr("lifts at {:.0f} kPa", l.reliefPascal / 1000.0)
                               : l.opening > 0.0    ? Text::tr("open")
                                                    : Text::tr("shut")});
    }
    for (std::size_t i = 0; i < m.liquidTubes.size(); ++i) {
        const LiquidTube& t = m.liquidTubes[i];
        ScenePart part{ScenePart::Tube, t.from, t.to, true, 1.0, Text::data(t.name), Text::tr("for liquid")};
        part.fromBelow = t.rise > 0.0;
        scene.parts.push_back(std::move(part));
        const double gas = sample.liquidTubes[i].gas;
        const auto into = static_cast<std::size_t>(gas > 0.0 ? t.to : t.from);
        scene.vessels[into].stream = std::max(scene.vessels[into].stream, gush(std::abs(gas)));
    }
    for (std::size_t i = 0; i < m.pumps.size(); ++i) {
        const PumpAt& p = m.pumps[i];
        scene.parts.push_back(
            {ScenePart::Pump, p.vessel, kRoom, p.on, 1.0, Text::data(p.name), pumpState(p, sample.pumps[i])});
    }
    for (const Heater& h : m.heaters)
        scene.parts.push_back({ScenePart::Heater, h.vessel, kRoom, h.watt > 0.0, 1.0, Text::data(h.name),
                               h.watt > 0.0 ? Text::set("{:.0f} W", h.watt) : Text::tr("off")});
    for (const Draught& d : m.draughts)
        scene.parts.push_back({ScenePart::Draught, d.vessel, kRoom, d.on, 1.0, Text::data(d.name),
                               d.on ? Text::tr("blows") : Text::tr("still")});
    for (std::size_t i = 0; i < m.dishes.size(); ++i) {
        if (m.dishes[i].surface <= 0.0) continue;
        scene.parts.push_back(
            {ScenePart::Dish, m.dishes[i].vessel, kRoom, true, 1.0, Text::data(m.dishes[i].name),
             Text::tr("{} °C, {:.1f} g taken up", fixed(celsius(sample.dishes[i].kelvin), 0),
                      1000.0 * sample.dishes[i].waterKg)});
        scene.parts.back().grains = m.dishes[i].agent.kind == DryingAgentKind::CalciumChloride;
    }
}

} // namespace

RigScene sceneOf(const Rehearsal& r, std::size_t at) {
    const RigSample& sample = r.run.samples[at];
    const RigModel model = modelAt(r, sample.seconds);
    RigScene scene;
    scene.watched = r.setup.watched;
    for (std::size_t v = 0; v < sample.vessels.size(); ++v)
        scene.vessels.push_back(vesselScene(r, v, sample.vessels[v]));
    addContacts(r.setup, model, sample, scene);
    addParts(r.setup, model, sample, scene);
    if (const auto* shown = shownOf(r, RigInstrument::Thermometer, r.setup.watched))
        scene.thermometer = Text::set("{} °C", fixed(celsius((*shown)[at]), 1));
    if (const auto* shown = shownOf(r, RigInstrument::Gauge, r.setup.watched))
        scene.gauge = Text::tr("{} kPa abs.", kilopascals((*shown)[at]));
    const VesselState& s = r.watchedAt(at);
    constexpr double kPush = 1.0; // N
    if (r.watched().mouth > 0.0 && std::abs(s.force) > kPush) {
        const bool plunger =
            r.setup.shapes[static_cast<std::size_t>(r.setup.watched)] == VesselShape::Syringe;
        const double newton = std::abs(s.force);
        scene.lines.push_back(plunger
                                  ? (s.force > 0.0 ? Text::tr("plunger pushed in with {:.0f} N", newton)
                                                   : Text::tr("plunger pushed OUT with {:.0f} N", newton))
                                  : (s.force > 0.0 ? Text::tr("stopper pushed in with {:.0f} N", newton)
                                                   : Text::tr("stopper pushed OUT with {:.0f} N", newton)));
    }
    constexpr double kTrace = 1e-6; // kg
    if (const double all = s.liquid + s.solid + s.vapour; s.liquid + s.solid > kTrace)
        scene.lines.push_back(Text::tr("{:.2g} % of the mass is vapour", 100.0 * s.vapour / all));
    // The opening test: which way it hisses, and how much air of the room goes in or gas comes out.
    const double outside = model.roomPascalAt(sample.seconds), lacks = (outside - s.pascal) / outside;
    constexpr double kHiss = 0.02, kLitre = 1e-3; // of the pressure; m3
    if (r.watched().mouth > 0.0 && std::abs(lacks) > kHiss) {
        const double gas = s.volume - (s.liquid + s.solid) / kDensity;
        const double litres = std::abs(lacks) * gas * model.roomKelvin / s.kelvin / kLitre;
        scene.lines.push_back(lacks > 0.0 ? Text::tr("opened now: {:.2g} L of air hisses in", litres)
                                          : Text::tr("opened now: {:.2g} L of gas hisses OUT", litres));
    }
    std::ranges::move(remarksAt(r, at), std::back_inserter(scene.lines));
    return scene;
}

StripView rehearsalStrip(const Rehearsal& r, std::size_t at, bool temperatureKnown) {
    const VesselState& s = r.watchedAt(at);
    const RigModel& m = r.setup.model;
    const double room = modelAt(r, r.run.samples[at].seconds).roomPascalAt(r.run.samples[at].seconds);
    StripView v;
    v.room = {Text::tr("Room"), kilopascals(room), Text::set("kPa"),
              temperatureKnown ? Text::tr("{} °C, rehearsed", fixed(celsius(m.roomKelvin), 0))
                               : Text::tr("{} °C assumed", fixed(celsius(m.roomKelvin), 0)),
              false};
    const Text air = s.pascal > 0.0 && s.airPascal > 0.001 * s.pascal
                         ? Text::tr("{} kPa of it air", kilopascals(s.airPascal))
                         : Text::tr("hardly any of it air");
    v.gauge = {Text::tr("In the {}, abs.", Text::data(r.watched().name)), kilopascals(s.pascal),
               Text::set("kPa"), air, false};
    v.pressure = v.gauge;
    const Text boilsAt = fixed(celsius(boilingAt(r, s)), 1);
    if (r.watched().condensed + r.watched().solute <= 0.0) { // there never was a liquid
        v.liquid = {Text::tr("Gas"), fixed(celsius(s.gasKelvin), 1), Text::set("°C"),
                    Text::tr("no liquid in it"), false};
        v.boils = {Text::tr("Would boil at"), boilsAt, Text::set("°C"), Text::tr("a liquid here"), false};
        v.marginText = Text::tr("no liquid");
        return v;
    }
    v.liquid = {s.liquid > 0.0 ? Text::tr("Liquid") : Text::tr("Contents"),
                fixed(celsius(s.kelvin), 1),
                Text::set("°C"),
                s.solid > 0.0 ? Text::tr("{:.0f} % frozen", 100.0 * s.solid / (s.solid + s.liquid))
                              : Text::tr("bulk"),
                false,
                s.kelvin};
    v.boils = {Text::tr("Boils at"),       boilsAt, Text::set("°C"),
               Text::tr("at the surface"), false,   boilingAt(r, s)};
    if (s.liquid <= 0.0) {
        v.marginText = s.solid > 0.0 ? Text::tr("frozen") : Text::tr("dry");
        return v;
    }
    const double margin = s.margin.value_or(0.0);
    v.marginKelvin = s.margin;
    const Appearance what = appearanceOf(r.watched(), s);
    v.boiling = boils(what); // only where bubbles of vapour rise
    v.marginText = v.boiling      ? Text::tr("boiling, {:.1f} K above", std::max(0.0, margin))
                   : margin < 0.0 ? Text::tr("{:.1f} K to go", -margin)
                                  : Text::tr("{:.1f} K above, quiet", margin);
    v.marginUnder = nameOf(what);
    return v;
}

MapView rehearsalMap(MapView base, const Rehearsal& r, const Text& name, const Rehearsal* other,
                     const Text& otherName, std::size_t at) {
    MapView v = std::move(base);
    v.targets.clear();
    v.points.clear();
    v.groupNames.clear();
    v.fitSlope = v.fitIntercept = v.pumpFloorPascal = {};
    v.solution.reset();
    if (const auto found = findSubstance(r.setup.substance)) v.substance = *found;
    v.roomPascal = r.setup.model.roomPascal;
    double lowT = 1e9, highT = 0.0, lowP = 1e12, highP = r.setup.model.roomPascal;
    const auto add = [&](const Rehearsal& of, const Text& called, bool second) {
        MapPath path{called, {}, second};
        for (std::size_t i = 0; i < of.run.samples.size(); ++i) {
            const VesselState& s = of.watchedAt(i);
            if (s.pascal <= 0.0) continue;
            path.points.emplace_back(s.kelvin, s.pascal);
            lowT = std::min(lowT, s.kelvin);
            highT = std::max(highT, s.kelvin);
            lowP = std::min(lowP, s.pascal);
            highP = std::max(highP, s.pascal);
        }
        v.paths.push_back(std::move(path));
    };
    if (other) add(*other, otherName, true);
    add(r, name, false);
    constexpr double kAround = 5.0, kLeast = 25.0; // K
    const double middle = 0.5 * (lowT + highT), half = std::max(0.5 * (highT - lowT) + kAround, 0.5 * kLeast);
    v.lowKelvin = middle - half;
    v.highKelvin = middle + half;
    v.lowPascal = 0.7 * lowP;
    v.highPascal = 1.3 * highP;
    v.liveKelvin = r.watchedAt(at).kelvin;
    v.livePascal = r.watchedAt(at).pascal;
    // The map's line is the pure liquid's: from a solution's point no distance to it is shown.
    v.liveBoils = r.watchedAt(at).liquid > 0.0 && r.watchedAt(at).solute <= 0.0;
    v.liveQuiet = !boils(appearanceOf(r.watched(), r.watchedAt(at)));
    return v;
}

Text momentText(double seconds) {
    const auto whole = static_cast<long>(std::lround(std::max(0.0, seconds)));
    if (whole >= 3600) return Text::set("{}:{:02}:{:02}", whole / 3600, whole / 60 % 60, whole % 60);
    return Text::set("{}:{:02}", whole / 60, whole % 60);
}

RehearsalCard rehearsalCard(const Rehearsal& r, std::size_t at) {
    RehearsalCard card;
    const double now = r.run.samples[at].seconds;
    card.see = appearanceAt(r, at);
    for (const RigEvent& e : r.run.events) {
        if (e.seconds <= now) continue;
        if (e.kind != RigEventKind::Moved && e.vessel != r.setup.watched) continue;
        card.next = Text::tr("Next, in {}: {}.", momentText(e.seconds - now), eventText(r.setup, e));
        break;
    }
    const RehearsalFacts facts = factsOf(r);
    if (!facts.warnings.empty())
        card.note = facts.warnings.front();
    else if (r.setup.goal.kind == RigGoal::Happens && facts.lostShare > 0.01)
        card.note = Text::tr("{:.0f} % of it is gone as vapour at the end.", 100.0 * facts.lostShare);
    else if (facts.lowestBoilingKelvin && !r.setup.model.solute) // a solution's changes as it boils
        card.note = facts.airStoppedIt
                        ? Text::tr("It still boils down to about {} °C, then the air left stops it.",
                                   fixed(celsius(*facts.lowestBoilingKelvin), 0))
                        : Text::tr("It still boils down to about {} °C.",
                                   fixed(celsius(*facts.lowestBoilingKelvin), 0));
    return card;
}

RehearsalTapeView rehearsalTape(const Rehearsal& r) {
    RehearsalTapeView v;
    v.seconds = r.now ? std::max(60.0, r.run.samples.back().seconds * 1.15) : r.setup.seconds;
    const std::size_t step = std::max<std::size_t>(1, r.run.samples.size() / 600);
    for (std::size_t i = 0; i < r.run.samples.size(); i += step) {
        const VesselState& s = r.watchedAt(i);
        v.times.push_back(r.run.samples[i].seconds);
        v.celsius.push_back(celsius(s.kelvin));
        v.boilsCelsius.push_back(celsius(boilingAt(r, s)));
        v.vigour.push_back(liveliness(s.vigour));
    }
    // Where ice, a bath or a hand lies on.
    for (std::size_t i = 0; i < r.run.samples.size(); i += step) {
        bool lies = false;
        for (std::size_t c = 0; c < r.run.samples[i].contacts.size(); ++c)
            lies = lies || (!isOfTheRoom(r.setup.model.contacts[c]) &&
                            std::abs(r.run.samples[i].contacts[c].watt) > 0.5);
        const double at = r.run.samples[i].seconds;
        if (lies && (v.cooling.empty() || v.cooling.back().to < at - 1.5 * r.setup.every * double(step)))
            v.cooling.push_back({at, at});
        if (lies) v.cooling.back().to = at;
    }
    for (const RigEvent& e : r.run.events) {
        const bool move = e.kind == RigEventKind::Moved;
        if (!move && e.vessel != r.setup.watched) continue;
        v.marks.push_back({e.seconds, eventText(r.setup, e), move});
    }
    return v;
}

} // namespace uttrin
