#include "RunSheet.h"

#include "quantities/Rounding.h"
#include "substances/SubstanceLibrary.h"

#include <algorithm>
#include <cmath>
#include <limits>
#include <numbers>

namespace uttrin {
namespace {

// Bench habits, from timing the steps of both methods; they steer the estimate and nothing else.
constexpr double kHeaterEfficiency = 0.7;
constexpr double kHeaterEfficiencyU = 0.1; // standard uncertainty: a mantle in a draught, or well wrapped
constexpr double kHandsU = 1.0 / 3.0;      // of what hands and eyes take at a point
constexpr double kSteadySeconds = 45.0;    // until the picture of boiling is judged the agreed one
constexpr double kPlateauSeconds = 60.0;   // until an isolated gauge settles
constexpr double kReadSeconds = 15.0;
constexpr double kBleedSeconds = 20.0;
constexpr double kRefillSeconds = 90.0; // pour in hot water, stir
constexpr double kUsualHeatCapacity =
    2000.0; // J/(kg K), of most liquids, where a substance's own is not known
constexpr double kSecondsPerMinute = 60.0;

/// m2, of a sphere that holds so many litres.
double sphereArea(double litre) {
    return std::cbrt(36.0 * std::numbers::pi) * std::pow(litre * 1e-3, 2.0 / 3.0);
}

double pumpSeconds(const Rig& rig, double fromPa, double toPa) {
    const double litres = std::max(rig.vesselLitre - rig.liquidLitre, 0.01);
    const double reach = std::max(toPa - rig.pumpUltimatePa, 0.02 * toPa);
    const double start = fromPa - rig.pumpUltimatePa;
    return start > reach ? kSecondsPerMinute * litres / rig.pumpLitrePerMinute * std::log(start / reach)
                         : 0.0;
}

/// Time to warm the liquid from one temperature to a higher one.
double heatSeconds(const Rig& rig, const Substance& substance, double fromKelvin, double toKelvin) {
    const auto density = substance.condensedDensity(Temperature::fromKelvin(toKelvin));
    const auto& molar = substance.properties().liquidHeatCapacity;
    const double capacity = molar ? molar->value / substance.facts().molarMass : kUsualHeatCapacity;
    const double joule =
        rig.liquidLitre * 1e-3 * density.value_or(1000.0) * capacity * std::max(toKelvin - fromKelvin, 0.0);
    return joule / (rig.heaterWatt * kHeaterEfficiency);
}

/// J/K, of the liquid and of the glass that it wets.
double heatCapacity(const Rig& rig, const Substance& substance, double kelvin) {
    constexpr double kGlass = 840.0, kGlassDensity = 2230.0,
                     kThick = 2.5e-3; // J/(kg K), kg/m3, m: borosilicate
    const auto density = substance.condensedDensity(Temperature::fromKelvin(kelvin));
    const auto& molar = substance.properties().liquidHeatCapacity;
    const double capacity = molar ? molar->value / substance.facts().molarMass : kUsualHeatCapacity;
    const double wetted =
        sphereArea(rig.vesselLitre) * std::clamp(rig.liquidLitre / rig.vesselLitre, 0.0, 1.0);
    return rig.liquidLitre * 1e-3 * density.value_or(1000.0) * capacity +
           wetted * kThick * kGlassDensity * kGlass;
}

/// Time for a flask with its liquid to cool in still air, by Newton's law. Endless towards the room's
/// temperature.
double coolSeconds(const Rig& rig, const Substance& substance, double fromKelvin, double toKelvin,
                   double roomKelvin) {
    constexpr double kStillAir = 10.0; // W/(m2 K), free convection and what it radiates
    if (toKelvin >= fromKelvin) return 0.0;
    if (toKelvin <= roomKelvin) return std::numeric_limits<double>::infinity();
    return heatCapacity(rig, substance, fromKelvin) / (kStillAir * sphereArea(rig.vesselLitre)) *
           std::log((fromKelvin - roomKelvin) / (toKelvin - roomKelvin));
}

constexpr double kBelow =
    3.0; // K, below the first boiling point, so that it does not flash when it is pumped

/// The same points once more but for the trial point, from where the first run ended.
void estimateSecondRun(const Plan& plan, const Substance& substance, Pressure room, RunSheet& sheet) {
    RunSheet::SecondRun& second = sheet.second;
    const Target *first = nullptr, *last = nullptr;
    for (const Target& t : sheet.targets) {
        if (t.state != TargetState::Ok) continue;
        last = &t;
        if (t.trial) continue;
        if (!first) first = &t;
        ++second.points;
        second.seconds += t.seconds;
    }
    if (!first) return;
    second.fromCelsius = second.toCelsius = last->boils.celsius();
    if (plan.method != Method::HoldPressure) return; // fresh water of the first temperature is poured in
    second.toCelsius = std::min(second.fromCelsius, first->boils.celsius() - kBelow);
    second.coolSeconds = coolSeconds(plan.rig, substance, kIcePointKelvin + second.fromCelsius,
                                     kIcePointKelvin + second.toCelsius, kIcePointKelvin + sheet.roomCelsius);
    second.seconds +=
        second.coolSeconds + pumpSeconds(plan.rig, room.pascal(), first->absolute.pascal()) +
        heatSeconds(plan.rig, substance, kIcePointKelvin + second.toCelsius, first->boils.kelvin()) -
        (first->seconds - kSteadySeconds - kReadSeconds - kBleedSeconds);
}

/// Fills in the estimated times along the order of taking.
void estimateTimes(const Plan& plan, const Substance& substance, Pressure room, RunSheet& sheet) {
    double kelvin = kIcePointKelvin + sheet.startCelsius, pa = room.pascal();
    sheet.totalSeconds = kSetUpSeconds + kClearUpSeconds;
    double heated = 0.0,
           squares = std::pow(kHandsU * kSetUpSeconds, 2) + std::pow(kHandsU * kClearUpSeconds, 2);
    for (Target& t : sheet.targets) {
        if (t.state != TargetState::Ok) continue;
        double hands = kReadSeconds + kBleedSeconds;
        if (plan.method == Method::HoldPressure) {
            const double heat = heatSeconds(plan.rig, substance, kelvin, t.boils.kelvin());
            hands += kSteadySeconds;
            t.seconds = pumpSeconds(plan.rig, pa, t.absolute.pascal()) + heat + hands;
            heated += heat;
            pa = t.absolute.pascal();
        } else {
            hands += kPlateauSeconds + kRefillSeconds;
            t.seconds = pumpSeconds(plan.rig, room.pascal(), t.absolute.pascal()) + hands;
        }
        squares += std::pow(kHandsU * hands, 2);
        kelvin = t.boils.kelvin();
        sheet.totalSeconds += t.seconds;
    }
    // A heater is as good as it is at every point; hands are quick at one and slow at another.
    sheet.secondsU = std::hypot(heated * kHeaterEfficiencyU / kHeaterEfficiency, std::sqrt(squares));
    const double period = plan.periodMinutes * kSecondsPerMinute;
    sheet.fits = sheet.totalSeconds <= period;
    estimateSecondRun(plan, substance, room, sheet);
    sheet.second.fits = sheet.totalSeconds + sheet.second.seconds <= period;
}

Result<Target> describe(const Plan& plan, const Liquid& liquid, Pressure p, const RoomPressure& room) {
    const auto s = liquid.saturationAt(p);
    if (!s) return tl::unexpected(s.error());
    Target t;
    t.absolute = p;
    t.boils = s->temperature;
    t.dial = toReadableReading(plan.rig.gauge, p, room.station);
    const auto absolute = toAbsolute(plan.rig.gauge, t.dial, room);
    if (!absolute) return tl::unexpected(absolute.error());
    t.boilsU = std::hypot(absolute->u() / s->slope, s->temperatureU());
    t.kelvinPerDivision = plan.rig.gauge.division * pascalPerScaleUnit(plan.rig.gauge) / s->slope;
    const auto rise = liquid.boilingPointRiseAtDepth(p, Length::fromCentimetre(plan.rig.depthCm));
    if (!rise) return tl::unexpected(rise.error());
    t.depthKelvin = rise->kelvin();
    constexpr double kRoundingPa = 0.01; // a dial step of zero is the room itself
    if (p.pascal() > room.station.pascal() + kRoundingPa)
        t.state = TargetState::AboveRoom;
    else if (p.pascal() < plan.rig.pumpUltimatePa)
        t.state = TargetState::BelowPumpFloor;
    return t;
}

Text whyLowestFirst(Method method) {
    return method == Method::HoldPressure
               ? Text::tr("Lowest pressure first: heating on to the next, higher boiling point is quick, "
                          "cooling back "
                          "is slow.")
               : Text::tr("Coldest first: warming is quick, cooling back is slow.");
}

Result<std::vector<Pressure>> dialLadder(const Plan& plan, Pressure room) {
    const Ladder& l = plan.ladder;
    const int steps = static_cast<int>(std::floor(std::abs(l.to - l.from) / l.dialStep + 1e-9));
    const double sign = l.to >= l.from ? 1.0 : -1.0;
    std::vector<Pressure> out;
    for (int i = 0; i <= steps; ++i) {
        const double value = l.from + sign * i * l.dialStep;
        const auto p = toAbsolute(plan.rig.gauge, readingAt(plan.rig.gauge, value),
                                  RoomPressure{room, 0.0, RoomMethod::Barometer});
        if (!p) return tl::unexpected(p.error());
        if (p->pressure.pascal() > 0.0) out.push_back(p->pressure);
    }
    if (out.empty())
        return fail(Failure::BadInput, Text::tr("no step of this dial ladder is above a perfect vacuum"));
    std::sort(out.begin(), out.end());
    return out;
}

} // namespace

Result<std::vector<Pressure>> ladderPressures(const Plan& plan, Pressure room) {
    const auto substance = findSubstance(plan.substance);
    if (!substance) return tl::unexpected(substance.error());
    const auto liquid = Liquid::make(**substance, plan.solute);
    if (!liquid) return tl::unexpected(liquid.error());
    const Ladder& l = plan.ladder;
    if (l.spacing == Spacing::DialSteps) return dialLadder(plan, room);
    std::vector<Pressure> out;
    for (int i = 0; i < l.count; ++i) {
        const double f = l.count > 1 ? static_cast<double>(i) / (l.count - 1) : 0.0;
        if (l.spacing == Spacing::Pressure) {
            out.push_back(Pressure::fromPascal(l.from + f * (l.to - l.from)));
            continue;
        }
        const double kelvin = l.spacing == Spacing::Temperature
                                  ? l.from + f * (l.to - l.from)
                                  : 1.0 / (1.0 / l.from + f * (1.0 / l.to - 1.0 / l.from));
        const auto p = liquid->vapourPressure(Temperature::fromKelvin(kelvin));
        if (!p) return tl::unexpected(p.error());
        out.push_back(*p);
    }
    return out;
}

namespace {

/// Where the times count from: as the plan says, else as warm as the room, as long as the liquid is one
/// there.
void setStart(const Plan& plan, const Substance& substance, std::optional<double> roomCelsius,
              RunSheet& sheet) {
    const SubstanceFacts& facts = substance.facts();
    const double room = roomCelsius.value_or(kAssumedRoomCelsius);
    const double hottest = std::max(facts.normalBoilingPoint, facts.triple).celsius();
    sheet.startCelsius = plan.startCelsius.value_or(std::clamp(room, facts.triple.celsius(), hottest));
    sheet.startAssumed = !plan.startCelsius && !roomCelsius;
    sheet.roomCelsius = room;
    if (plan.method != Method::HoldPressure) return; // what is poured in has the temperature of each target
    double coldest = std::numeric_limits<double>::infinity();
    for (Target& t : sheet.targets) {
        t.flashes = t.state == TargetState::Ok && t.boils.celsius() < sheet.startCelsius;
        if (t.flashes) coldest = std::min(coldest, t.boils.celsius());
    }
    const double colder = std::floor(coldest - kBelow);
    if (std::isfinite(colder) && colder >= facts.triple.celsius()) sheet.colderCelsius = colder;
}

} // namespace

Text startText(const Plan& plan, const RunSheet& sheet) {
    if (plan.method != Method::HoldPressure) return {};
    const Text celsius = fixed(sheet.startCelsius, 0);
    return sheet.startAssumed
               ? Text::tr("The liquid is assumed to start at {} °C: Room has no temperature yet.", celsius)
               : Text::tr("The liquid starts at {} °C.", celsius);
}

Text flashText(const RunSheet& sheet) {
    const auto flashing = std::ranges::count_if(sheet.targets, &Target::flashes);
    if (flashing == 0) return {};
    const Text what =
        Text::tr("The liquid starts above its boiling point at {} {1|target|targets}: it flashes there.",
                 flashing, flashing);
    return sheet.colderCelsius
               ? Text::sentences({what, Text::tr("Start at {} °C or below.", fixed(*sheet.colderCelsius, 0))})
               : Text::sentences({what, Text::tr("No liquid is cold enough for that: leave them out.")});
}

Result<RunSheet> makeRunSheet(const Plan& plan, const RoomPressure& room, std::optional<double> roomCelsius) {
    if (const auto ok = check(plan); !ok) return tl::unexpected(ok.error());
    const Liquid liquid = liquidOf(plan);
    const auto ladder = ladderPressures(plan, room.station);
    if (!ladder) return tl::unexpected(ladder.error());

    RunSheet sheet;
    const auto add = [&](int place, double pa, bool trial) -> Result<void> {
        const auto moved = plan.ladder.moved.find(place);
        const bool byHand = moved != plan.ladder.moved.end();
        auto t = describe(plan, liquid, Pressure::fromPascal(byHand ? moved->second : pa), room);
        if (!t) return tl::unexpected(t.error());
        t->place = place;
        t->moved = byHand;
        t->trial = trial;
        t->inFit = !trial || plan.ladder.trialInFit;
        sheet.targets.push_back(*t);
        return {};
    };
    if (plan.ladder.trialPa)
        if (const auto ok = add(-1, *plan.ladder.trialPa, true); !ok) return tl::unexpected(ok.error());
    for (std::size_t i = 0; i < ladder->size(); ++i)
        if (const auto ok = add(static_cast<int>(i), (*ladder)[i].pascal(), false); !ok)
            return tl::unexpected(ok.error());

    std::stable_sort(sheet.targets.begin(), sheet.targets.end(),
                     [](const Target& a, const Target& b) { return a.absolute < b.absolute; });
    for (std::size_t i = 0; i < sheet.targets.size(); ++i)
        sheet.targets[i].order = static_cast<int>(i) + 1;
    setStart(plan, liquid.solvent(), roomCelsius, sheet);
    estimateTimes(plan, liquid.solvent(), room.station, sheet);
    sheet.whyLowestFirst = whyLowestFirst(plan.method);
    sheet.materials = materialsFor(plan);
    sheet.cautions = cautionsFor(plan, room.method);
    return sheet;
}

Text secondRunText(const RunSheet& sheet) {
    const RunSheet::SecondRun& second = sheet.second;
    if (second.points == 0) return {};
    if (!std::isfinite(second.coolSeconds))
        return Text::tr("A second run does not fit: the flask does not cool below the room’s temperature.");
    const Text fits =
        second.fits
            ? Text::tr("A second run of {} {1|point|points} fits too.", second.points, second.points)
            : Text::tr("A second run of {} {1|point|points} does not fit.", second.points, second.points);
    if (second.coolSeconds < kSecondsPerMinute) return fits;
    return Text::sentences(
        {fits, Text::tr("Before it the flask cools from {} to {} °C: {} min.", fixed(second.fromCelsius, 0),
                        fixed(second.toCelsius, 0), fixed(second.coolSeconds / kSecondsPerMinute, 0))});
}

Result<Ladder> withSpacing(const Plan& plan, Spacing spacing, Pressure room) {
    const auto pressures = ladderPressures(plan, room);
    if (!pressures) return tl::unexpected(pressures.error());
    const Liquid liquid = liquidOf(plan);
    const Pressure low = pressures->front(), high = pressures->back();
    Ladder out = plan.ladder;
    out.spacing = spacing;
    out.moved.clear();
    out.count = std::clamp(static_cast<int>(pressures->size()), 2, 100);
    switch (spacing) {
    case Spacing::Pressure:
        out.from = low.pascal();
        out.to = high.pascal();
        return out;
    case Spacing::Temperature:
    case Spacing::InverseTemperature: {
        const auto a = liquid.boilingPoint(low), b = liquid.boilingPoint(high);
        if (!a) return tl::unexpected(a.error());
        if (!b) return tl::unexpected(b.error());
        out.from = a->kelvin();
        out.to = b->kelvin();
        return out;
    }
    case Spacing::DialSteps:
        break;
    }
    const double a = scaleValue(plan.rig.gauge, toReading(plan.rig.gauge, low, room));
    const double b = scaleValue(plan.rig.gauge, toReading(plan.rig.gauge, high, room));
    // A round step in the manner of dials (1, 2, 5) that gives about as many targets.
    const double raw = std::abs(b - a) / (out.count - 1);
    const double power = std::pow(10.0, std::floor(std::log10(raw)));
    const double lead = raw / power;
    out.dialStep = power * (lead < 1.5 ? 1.0 : lead < 3.5 ? 2.0 : lead < 7.5 ? 5.0 : 10.0);
    out.from = std::round(a / out.dialStep) * out.dialStep;
    out.to = std::round(b / out.dialStep) * out.dialStep;
    return out;
}

Result<Plan> withSubstance(const Plan& plan, const std::string& id, Pressure room) {
    const auto substance = findSubstance(id);
    if (!substance) return tl::unexpected(substance.error());
    const SubstanceFacts& facts = (*substance)->facts();
    const auto ladder = withSpacing(plan, Spacing::Pressure, room);
    if (!ladder) return tl::unexpected(ladder.error());
    Plan out = plan;
    out.substance = id;
    if (!Liquid::make(**substance, out.solute)) out.solute = {};
    out.ladder = *ladder;
    const double low = (*substance)->vapourPressure(facts.lowest)->pascal(),
                 high = (*substance)->vapourPressure(facts.highest)->pascal();
    out.ladder.from = std::clamp(ladder->from, low, high);
    out.ladder.to = std::clamp(ladder->to, low, high);
    if (!(out.ladder.to > out.ladder.from))
        return fail(
            Failure::OutOfRange,
            Text::tr("{}’s curve has none of this plan’s pressures ({:.4g} to {:.4g} kPa); change the ladder "
                     "at the Plan station first",
                     facts.name, ladder->from * 1e-3, ladder->to * 1e-3));
    const Temperature hottest = std::max(facts.normalBoilingPoint, facts.triple);
    if (plan.startCelsius)
        out.startCelsius = std::clamp(*plan.startCelsius, facts.triple.celsius(), hottest.celsius());
    if (plan.ladder.spacing == Spacing::Pressure) return out;
    return withSpacing(out, plan.ladder.spacing, room).map([&out](const Ladder& spaced) {
        out.ladder = spaced;
        return out;
    });
}

} // namespace uttrin
