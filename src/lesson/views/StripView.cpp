#include "StripView.h"

#include "PressureText.h"
#include "substances/SubstanceLibrary.h"

#include <cmath>

namespace uttrin {
namespace {

StripFigure roomFigure(const LessonSession& s) {
    StripFigure f{Text::tr("Room"), {}, Text::set("kPa"), {}, false};
    const auto room = s.room();
    if (!room) {
        f.under = Text::tr("not known: unreferenced");
        f.missing = true;
        return f;
    }
    f.number = kilopascalText(room->station.pascal(), room->uPa);
    const Text also = s.hasLesson() ? alsoText(s.plan().rig, room->station.pascal(), room->uPa) : Text();
    f.under = room->method == RoomMethod::Nominal
                  ? Text::tr("nominal, not measured")
                  : Text::set("{}, ± {}", label(room->method), kilopascalText(room->uPa, room->uPa));
    if (!also.empty()) f.under = Text::set("{}, {}", f.under, also);
    f.missing = room->method == RoomMethod::Nominal;
    return f;
}

void fillMargin(StripView& v, const ReducedReading& r) {
    v.marginKelvin = r.superheatKelvin;
    v.marginU = r.superheatU;
    const double m = *r.superheatKelvin;
    const double band = std::max(0.1, r.superheatU);
    v.boiling = m >= -band;
    if (std::abs(m) <= band)
        v.marginText = Text::tr("boiling");
    else if (m < 0.0)
        v.marginText = Text::tr("{} K to go", fixed(-m, 1));
    else
        v.marginText = Text::tr("boiling, {} K above", fixed(m, 1));
    constexpr double kCalmKelvin = 0.6; // steady boiling scatters by this much
    if (m < -band)
        v.marginUnder = Text::tr("bubbles before 0 are dissolved air");
    else if (m > std::max(band, kCalmKelvin))
        v.marginUnder = Text::tr("superheated: calm it down");
    else
        v.marginUnder = Text::tr("within ± {} K", fixed(std::max(0.1, r.superheatU), 1));
}

} // namespace

StripView stripView(const LessonSession& s) {
    StripView v;
    v.room = roomFigure(s);
    const Plan& plan = s.benchPlan();
    const auto& gauge = plan.rig.gauge;
    const Unit& scale = unit(plan.rig.thermometer.unit);
    v.gauge = {Text::data(gauge.name), {}, Text::typed(unitText(gauge)), Text::tr("nothing read yet"), false};
    v.pressure = {Text::tr("Pressure, absolute"),
                  {},
                  Text::set("kPa"),
                  v.room.missing ? v.room.under : Text::tr("room {} kPa", v.room.number),
                  v.room.missing};
    v.liquid = {plan.solute.kind == SoluteKind::None ? substanceOf(plan).facts().name : Text::tr("solution"),
                {},
                Text::typed(readingUnit(plan.rig.thermometer)),
                Text::tr("nothing read yet"),
                false};
    v.boils = {Text::tr("Boils at"), {}, Text::typed(scale.display), {}, false};
    v.marginText = Text::tr("no reading yet");

    const LiveReading live = s.liveReading();
    if (live.hasTemperature) {
        v.liquid.number = fixed(live.reading.temperature, decimalsForDivision(plan.rig.thermometer.division));
        v.liquid.under = live.typed ? Text::tr("in the liquid, now") : Text::tr("last captured");
        if (const auto read = toTemperature(plan.rig.thermometer, live.reading.temperature, s.clock().now()))
            v.liquid.kelvin = read->temperature.kelvin();
    }
    if (!live.hasGauge) return v;
    v.gauge.number = text(gauge, {live.reading.first, live.reading.second});
    const ReducedReading r = s.reduceHere(live.reading);
    if (!r.absolute) {
        v.gauge.under = Text::tr("unreferenced: room unknown");
        v.gauge.missing = true;
        v.marginText = Text::tr("needs the room’s pressure");
        return v;
    }
    const double pascal = r.absolute->pressure.pascal(), uPascal = r.absolute->u();
    const Text also = alsoText(s.plan().rig, pascal, uPascal);
    v.gauge.under = also.empty() ? Text::tr("= {} kPa absolute", kilopascalText(pascal, uPascal))
                                 : Text::tr("= {} kPa, {} abs.", kilopascalText(pascal, uPascal), also);
    v.pressure.under =
        Text::set("{} {} {}", Text::data(gauge.name), v.gauge.number, Text::typed(unitText(gauge)));
    v.pressure.number = fixed(r.absolute->pressure.kilopascal(), 1);
    const auto boils = liquidOf(plan).saturationAt(r.absolute->pressure);
    if (!boils) {
        v.boils.under = Text::tr("outside the curve");
        return v;
    }
    const double u = std::hypot(r.absolute->u() / boils->slope, boils->temperatureU());
    v.boils.number = fixed(scale.fromSi(boils->temperature.kelvin()), std::min(decimalsForUncertainty(u), 1));
    v.boils.kelvin = boils->temperature.kelvin();
    v.boils.under = Text::tr("± {} K, here", fixed(u, std::min(decimalsForUncertainty(u), 2)));
    if (live.hasTemperature && r.superheatKelvin) fillMargin(v, r);
    return v;
}

} // namespace uttrin
