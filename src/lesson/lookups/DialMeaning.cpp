#include "DialMeaning.h"

#include "physics/Atmosphere.h"
#include "quantities/Rounding.h"
#include "substances/SubstanceLibrary.h"

#include <algorithm>
#include <cmath>

namespace uttrin {
namespace {

/// Every way to write a minus sign becomes '-', every run of blanks one blank.
std::string plain(std::string_view text) {
    std::string out;
    for (std::size_t i = 0; i < text.size(); ++i) {
        if (text.substr(i, 3) == "\u2212" || text.substr(i, 3) == "\u2013") {
            out += '-';
            i += 2;
        } else if (std::isspace(static_cast<unsigned char>(text[i]))) {
            if (!out.empty() && out.back() != ' ') out += ' ';
        } else {
            out += text[i];
        }
    }
    while (!out.empty() && out.back() == ' ')
        out.pop_back();
    return out;
}

/// Whether the sign at a place is that of an exponent: 1e-3.
bool isExponent(const std::string& text, std::size_t i) {
    const auto digit = [&](std::size_t at) {
        return std::isdigit(static_cast<unsigned char>(text[at])) != 0;
    };
    return i >= 2 && (text[i - 1] == 'e' || text[i - 1] == 'E') && (digit(i - 2) || text[i - 2] == '.') &&
           digit(i + 1);
}

/// Where two arms are parted: at '|', or at a minus sign that stands after a blank or a unit and is not the
/// first sign.
std::size_t armBreak(const std::string& text) {
    if (const auto bar = text.find('|'); bar != std::string::npos) return bar;
    for (std::size_t i = 1; i + 1 < text.size(); ++i)
        if (text[i] == '-' && !isExponent(text, i) &&
            (text[i - 1] == ' ' || std::isalpha(static_cast<unsigned char>(text[i - 1]))))
            return i;
    return std::string::npos;
}

Result<DialText> readArms(const std::string& text, std::size_t at, const PressureInstrument& gauge) {
    DialText out{gauge, {}, false};
    const bool own = hasTwoArms(gauge.convention);
    const std::string first = text.substr(0, at), second = text.substr(at + 1);
    const auto trimmed = [](std::string s) { return plain(s); };
    const auto a = parseMeasure(trimmed(first), Dimension::Length),
               b = parseMeasure(trimmed(second), Dimension::Length);
    const auto bareA = parseNumber(trimmed(first)), bareB = parseNumber(trimmed(second));
    if (!own) {
        out.instrument = {};
        out.instrument.name = "U-tube";
        out.instrument.convention = PressureConvention::TwoArm;
        out.instrument.unit = "cm";
        out.instrument.division = out.instrument.accuracy = 0.1;
    }
    if (own && bareA && bareB) {
        out.reading = {*bareA, *bareB};
    } else {
        if (!b) return tl::unexpected(b.error());
        // "46 − 21 cm": the unit of the second serves both.
        const Measure left = a ? *a : Measure{bareA.value_or(0.0), b->unit};
        if (!a && !bareA) return tl::unexpected(a.error());
        const Unit& unitOfRuler = own ? unit(gauge.unit) : *left.unit;
        out.instrument.unit = std::string(unitOfRuler.symbol);
        out.reading = {unitOfRuler.fromSi(left.si()), unitOfRuler.fromSi(b->si())};
    }
    out.instrument.armSum = std::max(1e-9, out.reading.first + *out.reading.second);
    return out;
}

Text kilopascal(Pressure p, double u) {
    return Text::set("{} kPa", fixed(p.kilopascal(), std::clamp(decimalsForUncertainty(u * 1e-3), 1, 3)));
}

} // namespace

Result<DialText> readDialText(std::string_view given, const PressureInstrument& gauge, CountsFrom from) {
    const std::string text = plain(given);
    if (text.empty())
        return fail(Failure::BadInput, Text::tr("Type or paste a reading: −0.62 bar, or 46 cm − 21 cm."));
    if (const auto at = armBreak(text); at != std::string::npos) return readArms(text, at, gauge);
    if (const auto number = parseNumber(text)) {
        if (hasTwoArms(gauge.convention))
            return fail(Failure::BadInput,
                        Text::tr("This rig’s U-tube is read as two arms: type both, 61.7 | 20.4."));
        return DialText{gauge, {*number, std::nullopt}, false};
    }
    const auto measure = parseMeasure(text, Dimension::Pressure);
    if (!measure) return tl::unexpected(measure.error());
    DialText out;
    out.instrument = {};
    out.instrument.name = "gauge";
    out.instrument.unit = std::string(measure->unit->symbol);
    // Good to the last digit that was written.
    const auto point = text.find('.');
    std::size_t digits = 0;
    while (point != std::string::npos && std::isdigit(static_cast<unsigned char>(text[point + 1 + digits])))
        ++digits;
    out.instrument.division = out.instrument.accuracy = std::pow(10.0, -static_cast<double>(digits));
    out.reading = {measure->number, std::nullopt};
    switch (from) {
    case CountsFrom::Absolute:
        out.instrument.convention = PressureConvention::Absolute;
        break;
    case CountsFrom::Depth:
        out.instrument.convention = PressureConvention::VacuumDepth;
        break;
    case CountsFrom::Gauge:
        out.instrument.convention = PressureConvention::GaugeNegative;
        break;
    case CountsFrom::Instrument:
        out.instrument.convention = PressureConvention::GaugeNegative;
        out.ambiguous = measure->number > 0.0;
        break;
    }
    return out;
}

Result<DialMeaning> dialMeaning(const LessonSession& s, const PressureInstrument& instrument,
                                const GaugeReading& reading) {
    const auto room = s.room();
    const auto p = toAbsolute(instrument, reading, room);
    if (!p) return tl::unexpected(p.error());
    if (!(p->pressure.pascal() > 0.0))
        return fail(
            Failure::BadInput,
            Text::tr("That is below a perfect vacuum in this room ({} absolute): check its sign and unit.",
                     kilopascal(p->pressure, p->u())));
    DialMeaning out;
    out.absolute = p->pressure;
    out.lines.push_back(
        {Text::tr("absolute"),
         Text::set("{} ± {}", kilopascal(p->pressure, p->u()),
                   fixed(p->u() * 1e-3, std::clamp(decimalsForUncertainty(p->u() * 1e-3), 1, 3)))});
    if (room) {
        const double gauge = GaugePressure::of(p->pressure, room->station).pascal() * 1e-3;
        out.lines.push_back(
            {Text::tr("gauge"), gauge < 0.0 ? Text::tr("{} kPa (below the room)", fixedSigned(gauge, 1))
                                            : Text::tr("{} kPa (above the room)", fixedSigned(gauge, 1))});
    } else {
        out.lines.push_back({Text::tr("gauge"), Text::tr("unreferenced: the room’s pressure is not known")});
    }
    const auto boiling = [&](const Liquid& liquid) {
        const auto state = liquid.saturationAt(p->pressure);
        if (!state) {
            out.lines.push_back({liquid.name(), Text::tr("outside its curve")});
            return;
        }
        const double u = std::hypot(p->u() / state->slope, state->temperatureU());
        const int decimals = std::clamp(decimalsForUncertainty(u), 0, 2);
        const Text celsius = fixed(state->temperature.celsius(), decimals), spread = fixed(u, decimals);
        if (state->phases == Phases::LiquidVapour) {
            out.lines.push_back({liquid.name(), Text::tr("boils at {} ± {} °C", celsius, spread)});
            return;
        }
        out.lines.push_back({liquid.name(), Text::tr("solid, sublimes at {} ± {} °C", celsius, spread)});
        if (const auto liquidAt = liquid.solvent().metastableLiquidTemperature(p->pressure);
            liquidAt && liquid.pure())
            out.lines.push_back({{},
                                 Text::tr("supercooled liquid, boils at {} ± {} °C",
                                          fixed(liquidAt->celsius(), decimals), spread)});
    };
    boiling(liquidOf(s.plan()));
    for (const std::string& id : s.selection().laidOver)
        if (const auto over = findSubstance(id)) boiling(Liquid(**over));
    if (const auto height = standardAtmosphereAltitude(p->pressure))
        out.lines.push_back(
            {Text::tr("a room at"), Text::tr("{} m, on a standard day", fixed(height->metre(), 0))});
    return out;
}

Result<GaugeReading> dialForBoiling(const LessonSession& s, Temperature t) {
    const auto p = liquidOf(s.plan()).vapourPressure(t);
    if (!p) return tl::unexpected(p.error());
    const auto& gauge = s.plan().rig.gauge;
    const auto room = s.room();
    if (!room && countsFromRoom(gauge.convention))
        return fail(
            Failure::Unreferenced,
            Text::tr("this gauge counts from the room’s pressure, and the room’s pressure is not known yet"));
    return toReadableReading(gauge, *p, room ? room->station : *p);
}

Result<Text> dialForBoilingText(const LessonSession& s, Temperature t) {
    return dialForBoiling(s, t).map([&](const GaugeReading& reading) {
        const auto& gauge = s.plan().rig.gauge;
        const Liquid liquid = liquidOf(s.plan());
        return Text::tr("{} boils at {} °C at {} kPa absolute: the {} shows {} {}.", liquid.name(),
                        fixed(t.celsius(), 1), fixed(liquid.vapourPressure(t)->kilopascal(), 1),
                        Text::data(gauge.name), text(gauge, reading), unitText(gauge));
    });
}

} // namespace uttrin
