#include "BenchAids.h"

#include "plan/BoilingStage.h"
#include "plan/Refill.h"
#include "quantities/Rounding.h"
#include "substances/SubstanceLibrary.h"

#include <algorithm>
#include <cmath>

namespace uttrin {
namespace {

constexpr double kGrams = 1000.0, kMsAMinute = 60'000.0;

/// What the thermometer at the bench says now.
std::optional<Temperature> liquidNow(const LessonSession& session) {
    const LiveReading live = session.liveReading();
    if (!live.hasTemperature) return std::nullopt;
    const auto t =
        toTemperature(session.benchPlan().rig.thermometer, live.reading.temperature, live.reading.takenAt);
    return t ? std::optional(t->temperature) : std::nullopt;
}

bool holdsTemperature(const LessonSession& session) {
    return session.runId() && session.benchPlan().method == Method::HoldTemperature;
}

} // namespace

Text zeroJump(const LessonSession& session) {
    if (!session.runId()) return {};
    std::vector<GaugeReading> zeros;
    for (const ZeroCheck& z : session.model().data().zeros)
        if (z.runId == *session.runId()) zeros.push_back({z.first, z.second});
    const PressureInstrument& gauge = session.benchPlan().rig.gauge;
    if (zeros.size() < 2 || !zeroJumped(gauge, zeros[zeros.size() - 2], zeros.back())) return {};
    return Text::tr(
        "The zero jumped from {} to {} {}: look at the gauge, and put the new zero to points that were "
        "taken after it moved.",
        text(gauge, zeros[zeros.size() - 2]), text(gauge, zeros.back()), unitText(gauge));
}

Text flashWarning(const LessonSession& session) {
    const auto target = session.currentTarget();
    const LiveReading live = session.liveReading();
    if (!target || !session.runId() || !live.hasTemperature) return {};
    const auto liquid =
        toTemperature(session.benchPlan().rig.thermometer, live.reading.temperature, live.reading.takenAt);
    if (!liquid) return {};
    constexpr double kPlainly = 2.0; // K
    const double over = liquid->temperature.kelvin() - target->boils.kelvin();
    if (over < kPlainly) return {};
    if (const auto filling = advisedFilling(session); filling && filling->what == Filling::What::Ice)
        return Text::tr("Too hot by {} K: it will flash. Ice first.", Text::number(over, 0));
    return Text::tr(
        "The liquid is {} K above its boiling point there: it will flash. Let it cool first, or take a "
        "higher target before it.",
        Text::number(over, 0));
}

Charge chargeInHand(const LessonSession& session) {
    std::vector<Filling> fillings;
    if (session.runId())
        for (const Note& n : session.model().data().notes)
            if (n.runId == *session.runId())
                if (const auto filling = fillingOf(n.text)) fillings.push_back(*filling);
    return chargeAfter(session.benchPlan().rig, fillings);
}

Text chargeText(const LessonSession& session) {
    if (!holdsTemperature(session)) return {};
    const Charge charge = chargeInHand(session);
    if (charge.fillings == 0) return {};
    const Text now =
        Text::tr("{} kg in the vessel, {} cm deep, after {} {2|filling|fillings}",
                 Text::number(charge.kilograms, 2), Text::number(charge.depthCm, 1), charge.fillings);
    return charge.kilograms > kFullShare * session.benchPlan().rig.vesselLitre
               ? Text::tr("{}: too full, pour some out", now)
               : now;
}

std::optional<Filling> advisedFilling(const LessonSession& session) {
    const Plan& plan = session.benchPlan();
    const auto target = session.currentTarget();
    const bool plainWater = &substanceOf(plan) == &water() && plan.solute.kind == SoluteKind::None;
    const auto now = liquidNow(session);
    if (plan.method != Method::HoldTemperature || !target || !plainWater || !now) return std::nullopt;
    constexpr double kNear = 1.0;     // K: the pump does the rest
    constexpr double kHotLoses = 4.0; // K, on the way from the kettle
    const double from = now->celsius(), to = target->boils.celsius();
    if (std::abs(from - to) < kNear) return std::nullopt;
    const auto kettle = water().boilingPoint(session.roomOrStandard());
    if (!kettle) return std::nullopt;
    const auto refill = refillFor(chargeInHand(session).kilograms, from, to, kettle->celsius() - kHotLoses);
    if (!refill) return std::nullopt;
    return refill->iceKg > 0.0 ? Filling{Filling::What::Ice, refill->iceKg}
                               : Filling{Filling::What::Water, refill->hotKg};
}

Text nameOf(const Filling& filling) {
    const long grams = std::lround(kGrams * filling.kilograms);
    return filling.what == Filling::What::Ice ? Text::tr("{} g of ice", grams)
                                              : Text::tr("{} g of water", grams);
}

Text refillText(const LessonSession& session) {
    const auto filling = advisedFilling(session);
    if (!filling) return {};
    const Text what = filling->what == Filling::What::Ice
                          ? Text::tr("add about {}", nameOf(*filling))
                          : Text::tr("add about {}, off the boil", nameOf(*filling));
    if (chargeInHand(session).kilograms + filling->kilograms >
        kFullShare * session.benchPlan().rig.vesselLitre)
        return Text::tr("{}: that is too full for this vessel, pour some out first", what);
    return what;
}

std::optional<double> pumpRunsFor(const LessonSession& session) {
    std::optional<double> minutes;
    if (session.runId() && session.plan().rig.warmUpMinutes > 0.0)
        for (const Note& n : session.model().data().notes)
            if (n.runId == *session.runId() && n.text == kPumpOn)
                minutes = static_cast<double>(session.clock().now() - n.takenAt) / kMsAMinute;
    return minutes;
}

Text warmUpText(const LessonSession& session) {
    if (!session.runId()) return {};
    const double needed = session.plan().rig.warmUpMinutes;
    if (!(needed > 0.0)) return {};
    const auto runs = pumpRunsFor(session);
    if (!runs) return Text::tr("warms up for {} min", fixed(needed, 0));
    if (*runs < needed)
        return Text::tr("pump warm in {} min", fixed(std::ceil(std::min(needed, needed - *runs)), 0));
    return Text::tr("pump is warm");
}

std::optional<IceBound> iceBound(const LessonSession& session) {
    if (!session.hasLesson()) return std::nullopt;
    const Plan& plan = session.benchPlan();
    const auto now = liquidNow(session);
    if (!now || plan.solute.kind != SoluteKind::None || !readsTheLiquid(plan.rig.thermometer.place))
        return std::nullopt;
    const Substance& substance = substanceOf(plan);
    if (!(*now < substance.facts().triple)) return std::nullopt;
    const auto over = substance.saturationAt(*now);
    if (!over || over->phases != Phases::SolidVapour) return std::nullopt;
    return IceBound{now->kelvin(), over->pressure.pascal()};
}

Text iceBoundText(const LessonSession& session) {
    const auto bound = iceBound(session);
    if (!bound) return {};
    const Text celsius = Text::number(bound->kelvin - kIcePointKelvin, 1),
               kPa = Text::number(bound->pascal * 1e-3, 3);
    const Text name = &substanceOf(session.benchPlan()) == &water()
                          ? Text::tr("Ice")
                          : Text::tr("Solid {}", substanceOf(session.benchPlan()).facts().name);
    return Text::sentences(
        {Text::tr(
             "{} that stays at {} °C, with the sensor in it, bounds the vapour above it: {} kPa at most.",
             name, celsius, kPa),
         Text::tr("It bounds the whole pressure only once the air is swept out.")});
}

Text readOrderCounts(const std::vector<ReducedReading>& readings) {
    std::vector<std::pair<std::string, int>> counts; // by when they came first
    for (const ReducedReading& r : readings) {
        if (r.struck()) continue;
        const auto known = std::ranges::find(counts, r.raw.readOrder, &std::pair<std::string, int>::first);
        if (known == counts.end())
            counts.emplace_back(r.raw.readOrder, 1);
        else
            ++known->second;
    }
    if (counts.size() < 2) return {};
    std::vector<Text> said;
    for (const auto& [words, count] : counts) {
        const auto order = readOrderOf(words);
        said.push_back(order && !order->empty() ? Text::tr("{} as {}", count, nameOf(*order))
                                                : Text::tr("{} without an order", count));
    }
    return Text::tr("Read in different orders: {}. Look whether they lie apart.",
                    Text::join(said, Text::set("; ")));
}

Text carriedText(const LessonSession& session) {
    const LiveReading live = session.draftReading();
    if (live.carriedSeconds == 0.0) return {};
    const Text seconds = Text::number(std::abs(live.carriedSeconds), 0);
    return live.carriedKelvin != 0.0
               ? Text::tr("the temperature is carried by {} K over {} s, to when the gauge was typed",
                          Text::number(live.carriedKelvin, 2, true), seconds)
               : Text::tr("the pressure is carried by {} kPa over {} s, to when the thermometer was typed",
                          Text::number(live.carriedPascal * 1e-3, 2, true), seconds);
}

} // namespace uttrin
