#include "Thermometer.h"

#include "Thermometry.h"
#include "quantities/Identifiers.h"
#include "substances/SubstanceLibrary.h"

#include <cmath>
#include <limits>
#include <numbers>

namespace uttrin {

double LiquidTemperature::u() const { return std::hypot(uIndependent, uShared); }

std::string_view id(SensorPlace place) {
    switch (place) {
    case SensorPlace::Liquid:
        return "liquid";
    case SensorPlace::NearChips:
        return "near-chips";
    case SensorPlace::Vapour:
        return "vapour";
    case SensorPlace::OutsideWall:
        return "outside-wall";
    }
    return "";
}

Result<SensorPlace> sensorPlaceFromId(std::string_view wanted) {
    return fromId(wanted,
                  std::array{SensorPlace::Liquid, SensorPlace::NearChips, SensorPlace::Vapour,
                             SensorPlace::OutsideWall},
                  Text::tr("a place for a thermometer"));
}

std::string_view id(ThermometerKind kind) {
    switch (kind) {
    case ThermometerKind::Plain:
        return "plain";
    case ThermometerKind::Dial:
        return "dial";
    case ThermometerKind::Mercury:
        return "mercury";
    case ThermometerKind::Spirit:
        return "spirit";
    case ThermometerKind::Platinum:
        return "platinum";
    case ThermometerKind::Copper:
        return "copper";
    case ThermometerKind::Infrared:
        return "infrared";
    }
    return "";
}

Text nameOf(ThermometerKind kind) {
    switch (kind) {
    case ThermometerKind::Plain:
        return Text::tr("in figures");
    case ThermometerKind::Dial:
        return Text::tr("dial");
    case ThermometerKind::Mercury:
        return Text::tr("mercury");
    case ThermometerKind::Spirit:
        return Text::tr("spirit");
    case ThermometerKind::Platinum:
        return Text::tr("platinum");
    case ThermometerKind::Copper:
        return Text::tr("copper");
    case ThermometerKind::Infrared:
        return Text::tr("infrared");
    }
    return {};
}

Result<ThermometerKind> thermometerKindFromId(std::string_view wanted) {
    return fromId(wanted,
                  std::array{ThermometerKind::Plain, ThermometerKind::Dial, ThermometerKind::Mercury,
                             ThermometerKind::Spirit, ThermometerKind::Platinum, ThermometerKind::Copper,
                             ThermometerKind::Infrared},
                  Text::tr("a kind of thermometer"));
}

bool readsTheLiquid(SensorPlace place) {
    return place == SensorPlace::Liquid || place == SensorPlace::NearChips;
}

Result<void> check(const Thermometer& t) {
    if (const auto u = findUnit(t.unit, Dimension::Temperature); !u) return tl::unexpected(u.error());
    if (!(t.division > 0.0) || !std::isfinite(t.division))
        return fail(Failure::BadInput,
                    Text::tr("the smallest division of the thermometer must be above zero"));
    if (!(t.accuracy >= 0.0) || !std::isfinite(t.accuracy))
        return fail(Failure::BadInput, Text::tr("the accuracy of the thermometer must be zero or above"));
    if (!(t.nominalOhm > 0.0) || !std::isfinite(t.nominalOhm))
        return fail(Failure::BadInput,
                    Text::tr("the nominal resistance of the thermometer must be above zero"));
    if (!(t.lagSeconds >= 0.0 && t.lagSeconds <= 600.0))
        return fail(Failure::BadInput, Text::tr("the lag of the thermometer must lie from 0 to 600 s"));
    if (!(t.coilPerKelvin >= 1e-4 && t.coilPerKelvin <= 0.02))
        return fail(Failure::BadInput,
                    Text::tr("the coefficient of a coil must lie from 0.0001 to 0.02 per kelvin"));
    if (!(t.referenceCelsius > -50.0 && t.referenceCelsius < 150.0) ||
        !(t.referenceU >= 0.0 && t.referenceU <= 20.0))
        return fail(Failure::BadInput,
                    Text::tr("a coil is measured between −50 and 150 °C, known to 20 K or better"));
    for (const double e : {t.emissivity, t.emissivitySet})
        if (!(e >= 0.1 && e <= 1.0))
            return fail(Failure::BadInput, Text::tr("an emissivity must lie from 0.1 to 1"));
    if (!(t.wallMillimetre >= 0.0 && t.wallMillimetre < 50.0))
        return fail(Failure::BadInput, Text::tr("the wall’s thickness must lie from 0 to 50 mm"));
    for (const ThermometerCalibration& c : t.calibrations)
        if (const auto residuals = residualsOf(t, c); !residuals) return tl::unexpected(residuals.error());
    return {};
}

namespace {

/// The resistance at 20 degC of a coil that was measured at another temperature, ohm.
double coilOhm20(const Thermometer& t) {
    return t.nominalOhm / thermometry::coilResistance(t.referenceCelsius, 1.0, t.coilPerKelvin);
}

/// By the thermometer's kind alone, before any calibration, K.
Result<double> byKind(const Thermometer& t, double reading) {
    const double shown = readsOhms(t) ? 0.0 : unit(t.unit).toSi(reading);
    switch (t.kind) {
    case ThermometerKind::Plain:
    case ThermometerKind::Dial:
        return shown;
    case ThermometerKind::Mercury:
    case ThermometerKind::Spirit: {
        const double celsius = shown - kIcePointKelvin;
        if (!t.emergentFromCelsius || celsius <= *t.emergentFromCelsius) return shown;
        return shown + thermometry::emergentStemCorrection(celsius, celsius - *t.emergentFromCelsius,
                                                           t.stemCelsius, t.kind == ThermometerKind::Mercury);
    }
    case ThermometerKind::Platinum:
        return thermometry::platinumCelsius(reading, t.nominalOhm).map([](double c) {
            return c + kIcePointKelvin;
        });
    case ThermometerKind::Copper:
        return thermometry::coilCelsius(reading, coilOhm20(t), t.coilPerKelvin) + kIcePointKelvin;
    case ThermometerKind::Infrared: {
        constexpr double kGlass = 1.1, kMillimetre = 1e-3; // W/(m K), borosilicate
        const double around = t.reflectedCelsius + kIcePointKelvin;
        const double wall = thermometry::infraredKelvin(shown, t.emissivitySet, t.emissivity, around);
        return wall + thermometry::wallDrop(wall, around, t.wallMillimetre * kMillimetre, kGlass);
    }
    }
    return shown;
}

/// The line through the two points of a calibration: true = ice + (indicated - indicatedIce) * stretch.
struct Line {
    double indicatedIce, stretch, steamKelvin, steamU; ///< K, K/K
};

Result<Line> lineOf(const Thermometer& t, const ThermometerCalibration& c) {
    const auto ice = byKind(t, c.iceReading), steam = byKind(t, c.steamReading);
    if (!ice) return tl::unexpected(ice.error());
    if (!steam) return tl::unexpected(steam.error());
    const auto boils = water().saturationAt(Pressure::fromPascal(c.roomPascal));
    if (!boils) return tl::unexpected(boils.error());
    constexpr double kLeastSpan = 20.0; // K between the two readings
    if (!(*steam - *ice > kLeastSpan))
        return fail(
            Failure::BadInput,
            Text::tr(
                "the steam reading of a calibration must lie well above the ice reading; are they swapped?"));
    const double steamKelvin = boils->temperature.kelvin();
    return Line{*ice, (steamKelvin - kIcePointKelvin) / (*steam - *ice), steamKelvin,
                std::hypot(c.roomU / boils->slope, boils->temperatureU())};
}

} // namespace

bool readsDirectly(const Thermometer& t) {
    return t.kind == ThermometerKind::Plain || t.kind == ThermometerKind::Dial;
}

bool readsOhms(const Thermometer& t) {
    return t.kind == ThermometerKind::Platinum || t.kind == ThermometerKind::Copper;
}

std::string_view readingUnit(const Thermometer& t) { return readsOhms(t) ? "\u03A9" : unit(t.unit).display; }

const ThermometerCalibration* calibrationAt(const Thermometer& t, std::optional<std::int64_t> atMs) {
    const ThermometerCalibration* found = nullptr;
    for (const ThermometerCalibration& c : t.calibrations)
        if ((!atMs || c.atMs <= *atMs) && (!found || c.atMs >= found->atMs)) found = &c;
    return found;
}

double readingU(const Thermometer& t) { return 0.5 * t.division / std::numbers::sqrt3; }

Result<LiquidTemperature> toTemperature(const Thermometer& t, double reading,
                                        std::optional<std::int64_t> atMs) {
    const auto kind = byKind(t, reading);
    if (!kind) return tl::unexpected(kind.error());
    const auto beside = byKind(t, reading + 0.01 * t.division);
    const double perUnit = beside ? std::abs(*beside - *kind) / (0.01 * t.division) : unit(t.unit).factor;
    double kelvin = *kind;
    const double once = readingU(t) * perUnit;
    double shared = t.accuracy * perUnit / std::numbers::sqrt3;
    if (t.kind == ThermometerKind::Infrared) { // emissivity known to 0.02, the wall's heat loss to a third
        constexpr double kEmissivityU = 0.02, kWallU = 0.33;
        Thermometer other = t;
        other.emissivity = std::min(1.0, t.emissivity + kEmissivityU);
        Thermometer bare = t;
        bare.wallMillimetre = 0.0;
        shared = std::hypot(shared, byKind(other, reading).value_or(kelvin) - kelvin,
                            kWallU * (kelvin - byKind(bare, reading).value_or(kelvin)));
    }
    if (t.kind == ThermometerKind::Copper) // all of it moves with where it was measured
        shared = std::hypot(shared, t.referenceU * reading / t.nominalOhm);
    if (const ThermometerCalibration* c = calibrationAt(t, atMs)) {
        const auto line = lineOf(t, *c);
        if (!line) return tl::unexpected(line.error());
        const double fraction =
            (kelvin - line->indicatedIce) * line->stretch / (line->steamKelvin - kIcePointKelvin);
        kelvin = kIcePointKelvin + (kelvin - line->indicatedIce) * line->stretch;
        // Both points were read to half a division; between them the scale may bend by a tenth of its
        // accuracy.
        constexpr double kBend = 0.1;
        shared =
            std::hypot((1.0 - fraction) * once, fraction * std::hypot(once, line->steamU), kBend * shared);
    }
    if (!(kelvin > 0.0) || !std::isfinite(kelvin))
        return fail(Failure::BadInput, Text::tr("{} {} is not above absolute zero", reading,
                                                readsOhms(t) ? "ohm" : unit(t.unit).symbol));
    return LiquidTemperature{Temperature::fromKelvin(kelvin), once, shared};
}

Result<CalibrationResiduals> residualsOf(const Thermometer& t, const ThermometerCalibration& c) {
    const auto line = lineOf(t, c);
    if (!line) return tl::unexpected(line.error());
    const auto steam = byKind(t, c.steamReading);
    return CalibrationResiduals{line->indicatedIce - kIcePointKelvin, *steam - line->steamKelvin,
                                Temperature::fromKelvin(line->steamKelvin)};
}

double toReading(const Thermometer& t, Temperature temperature, std::optional<std::int64_t> atMs) {
    const double plain = unit(t.unit).fromSi(temperature.kelvin());
    if (readsDirectly(t) && !calibrationAt(t, atMs)) return plain;
    // What it shows rises with the temperature: start from a guess and follow the slope.
    double reading = t.kind == ThermometerKind::Platinum
                         ? thermometry::platinumResistance(temperature.celsius(), t.nominalOhm)
                     : t.kind == ThermometerKind::Copper
                         ? thermometry::coilResistance(temperature.celsius(), coilOhm20(t), t.coilPerKelvin)
                         : plain;
    constexpr int kSteps = 30;
    for (int i = 0; i < kSteps; ++i) {
        const double h = 0.01 * t.division;
        const auto here = toTemperature(t, reading, atMs), beside = toTemperature(t, reading + h, atMs);
        if (!here || !beside) break;
        const double slope = (beside->temperature - here->temperature).kelvin() / h;
        const double step = (temperature - here->temperature).kelvin() / slope;
        reading += step;
        if (std::abs(step) < 1e-10 * std::max(1.0, std::abs(reading))) break;
    }
    return reading;
}

Result<ThermometerCalibration> calibrationFrom(const Thermometer& thermometer, std::optional<double> ice,
                                               std::optional<double> steam, double roomPascal, double roomU,
                                               std::int64_t atMs) {
    if (!ice && !steam)
        return fail(Failure::BadInput, Text::tr("Type what it shows in melting ice, in steam, or both."));
    const auto boils = water().boilingPoint(Pressure::fromPascal(roomPascal));
    if (!boils) return tl::unexpected(boils.error());
    Thermometer plainly = thermometer;
    plainly.calibrations.clear();
    const double inIce = toReading(plainly, Temperature::fromCelsius(0.0)),
                 inSteam = toReading(plainly, *boils);
    const double off = ice ? *ice - inIce : *steam - inSteam;
    return ThermometerCalibration{ice.value_or(inIce + off), steam.value_or(inSteam + off), roomPascal, roomU,
                                  atMs};
}

Result<Thermometer> correctedByPair(const Thermometer& infrared, double shown, Temperature inside) {
    constexpr double kLow = 0.1, kHigh = 1.0;
    Thermometer t = infrared;
    t.calibrations.clear();
    // A wall that radiates less is hotter than it seems.
    const auto off = [&](double emissivity) {
        t.emissivity = emissivity;
        const auto read = toTemperature(t, shown);
        return read ? (read->temperature - inside).kelvin() : std::numeric_limits<double>::quiet_NaN();
    };
    double low = kLow, high = kHigh;
    const double atLow = off(low), atHigh = off(high);
    if (infrared.kind != ThermometerKind::Infrared || !(atLow * atHigh <= 0.0))
        return fail(
            Failure::OutOfRange,
            Text::tr("No emissivity from 0.1 to 1 makes {} {} on the wall mean {} °C inside: look at both "
                     "readings, and at what the wall mirrors.",
                     Text::number(shown, 1), unit(infrared.unit).display, Text::number(inside.celsius(), 1)));
    constexpr int kHalvings = 50;
    for (int i = 0; i < kHalvings; ++i) {
        const double middle = 0.5 * (low + high);
        (off(middle) * atLow > 0.0 ? low : high) = middle;
    }
    Thermometer corrected = infrared;
    corrected.emissivity = std::round(500.0 * (low + high)) / 1000.0; // to a thousandth
    return corrected;
}

} // namespace uttrin
