#include "PressureInstrument.h"

#include "physics/Constants.h"
#include "quantities/Identifiers.h"
#include "quantities/Rounding.h"
#include "substances/SubstanceLibrary.h"

#include <algorithm>
#include <cmath>
#include <numbers>

namespace uttrin {
namespace {

constexpr double kGravityRelativeU =
    0.0015; // local gravity differs from the standard by up to 0.27 % (pole, equator)

constexpr double kGasFactorRelativeU = 0.15;

/// Standard uncertainty of the liquid's density, relative.
double densityRelativeU(ManometerLiquid liquid) {
    return liquid == ManometerLiquid::Mercury ? 5e-6 : liquid == ManometerLiquid::Water ? 3e-4 : 5e-3;
}

Dimension scaleDimension(PressureConvention c) {
    return hasTwoArms(c) ? Dimension::Length : Dimension::Pressure;
}

/// Zero error in scale units: what the instrument shows open to the room, less what it should.
double zeroError(const PressureInstrument& i, const GaugeReading& zero, std::optional<Pressure> room) {
    const double shown = scaleValue(i, zero);
    if (countsFromRoom(i.convention)) return shown;
    return room ? shown - room->pascal() / pascalPerScaleUnit(i) : 0.0;
}

} // namespace

double AbsoluteReading::u() const { return std::hypot(uIndependent, uShared); }

std::string_view id(PressureConvention convention) {
    switch (convention) {
    case PressureConvention::Absolute:
        return "absolute";
    case PressureConvention::GaugeNegative:
        return "gauge-negative";
    case PressureConvention::VacuumDepth:
        return "vacuum-depth";
    case PressureConvention::TwoArm:
        return "two-arm";
    case PressureConvention::ClosedTwoArm:
        return "closed-two-arm";
    case PressureConvention::ThermalConductivity:
        return "thermal-conductivity";
    }
    return "";
}

Result<PressureConvention> pressureConventionFromId(std::string_view wanted) {
    return fromId(wanted,
                  std::array{PressureConvention::Absolute, PressureConvention::GaugeNegative,
                             PressureConvention::VacuumDepth, PressureConvention::TwoArm,
                             PressureConvention::ClosedTwoArm, PressureConvention::ThermalConductivity},
                  Text::tr("a gauge convention"));
}

std::string_view id(PressureTap tap) { return tap == PressureTap::Vessel ? "vessel" : "pump-line"; }

Result<PressureTap> pressureTapFromId(std::string_view wanted) {
    return fromId(wanted, std::array{PressureTap::Vessel, PressureTap::PumpLine},
                  Text::tr("a place for a gauge"));
}

double mercuryDensity(double celsius) {
    return 13595.08 / (1.0 + 1.8145e-4 * celsius + 9.2e-9 * celsius * celsius);
}

bool hasTwoArms(PressureConvention c) {
    return c == PressureConvention::TwoArm || c == PressureConvention::ClosedTwoArm;
}

bool countsFromRoom(PressureConvention c) {
    return c == PressureConvention::GaugeNegative || c == PressureConvention::VacuumDepth ||
           c == PressureConvention::TwoArm;
}

std::string_view id(ManometerLiquid liquid) {
    return liquid == ManometerLiquid::Mercury ? "mercury"
           : liquid == ManometerLiquid::Water ? "water"
                                              : "oil";
}

Result<ManometerLiquid> manometerLiquidFromId(std::string_view wanted) {
    return fromId(wanted, std::array{ManometerLiquid::Mercury, ManometerLiquid::Water, ManometerLiquid::Oil},
                  Text::tr("a liquid for a U-tube"));
}

std::span<const GasFactor> gasFactors() {
    static constexpr GasFactor all[] = {{"air", Text::phrase("air"), 1.0},
                                        {"nitrogen", Text::phrase("nitrogen"), 1.0},
                                        {"water-vapour", Text::phrase("water vapour"), 0.6},
                                        {"carbon-dioxide", Text::phrase("carbon dioxide"), 0.95},
                                        {"argon", Text::phrase("argon"), 1.6},
                                        {"helium", Text::phrase("helium"), 0.9},
                                        {"hydrogen", Text::phrase("hydrogen"), 0.5}};
    return all;
}

Result<double> gasFactor(std::string_view gas) {
    for (const GasFactor& g : gasFactors())
        if (g.gas == gas) return g.factor;
    return fail(Failure::BadInput, Text::tr("'{}' is not a gas with a known factor; accepted: {}", gas,
                                            Text::list(gasFactors(), &GasFactor::gas)));
}

double manometerDensity(const PressureInstrument& i) {
    constexpr double kOilExpansion = 7.0e-4; // 1/K, cubic, of light oils
    constexpr double kReferenceCelsius = 20.0;
    switch (i.liquid) {
    case ManometerLiquid::Mercury:
        return mercuryDensity(i.liquidCelsius);
    case ManometerLiquid::Water:
        return water()
            .condensedDensity(std::max(Temperature::fromCelsius(i.liquidCelsius), water().facts().triple))
            .value_or(1000.0);
    case ManometerLiquid::Oil:
        break;
    }
    return i.oilDensity20 / (1.0 + kOilExpansion * (i.liquidCelsius - kReferenceCelsius));
}

double pascalPerScaleUnit(const PressureInstrument& i) {
    const double factor = unit(i.unit).factor;
    if (i.convention == PressureConvention::ThermalConductivity)
        return factor * gasFactor(i.gas).value_or(1.0);
    return hasTwoArms(i.convention) ? factor * manometerDensity(i) * kStandardGravity : factor;
}

double scalePerPascal(const PressureInstrument& i) {
    const bool downwards =
        i.convention == PressureConvention::VacuumDepth || i.convention == PressureConvention::TwoArm;
    return (downwards ? -1.0 : 1.0) / pascalPerScaleUnit(i);
}

double scaleValue(const PressureInstrument& i, const GaugeReading& reading) {
    return hasTwoArms(i.convention) ? reading.first - reading.second.value_or(0.0) : reading.first;
}

GaugeReading readingAt(const PressureInstrument& i, double scaleValue) {
    if (!hasTwoArms(i.convention)) return {scaleValue, std::nullopt};
    return {0.5 * (i.armSum + scaleValue), 0.5 * (i.armSum - scaleValue)};
}

double readableStep(const PressureInstrument& i) {
    if (i.digital && !hasTwoArms(i.convention)) return i.division;
    constexpr double kHalf = 0.5, kFifth = 0.2;
    const double leading = i.division / std::pow(10.0, std::floor(std::log10(i.division) + 1e-9));
    // Half of 0.05 would have a figure more than the scale has: the eye divides such a division in five.
    return i.division * (std::abs(leading - 5.0) < 1e-6 ? kFifth : kHalf);
}

std::pair<double, double> spanShown(const PressureInstrument& i, double roomPascal) {
    if (i.spanHigh != i.spanLow) return std::minmax(i.spanLow, i.spanHigh);
    const double room = roomPascal / pascalPerScaleUnit(i);
    // A dial that ends at one bar is not given a step more because the room stands a little above it.
    constexpr double kLittle = 0.1, kSteps = 10.0; // of a step; across the scale
    const double step = roundStep(room / kSteps);
    const double atmosphere = step * std::ceil(room / step - kLittle);
    if (i.convention == PressureConvention::GaugeNegative) return {-atmosphere, 0.0};
    return {0.0, atmosphere};
}

Result<void> check(const PressureInstrument& i) {
    if (const auto u = findUnit(i.unit, scaleDimension(i.convention)); !u) return tl::unexpected(u.error());
    if (!(i.division > 0.0) || !std::isfinite(i.division))
        return fail(Failure::BadInput, Text::tr("the smallest division of the gauge must be above zero"));
    if (!(i.accuracy >= 0.0) || !std::isfinite(i.accuracy))
        return fail(Failure::BadInput, Text::tr("the accuracy of the gauge must be zero or above"));
    if (!(i.lagSeconds >= 0.0 && i.lagSeconds <= 600.0))
        return fail(Failure::BadInput, Text::tr("the lag of the gauge must lie from 0 to 600 s"));
    if (hasTwoArms(i.convention) && !(i.armSum > 0.0 && std::isfinite(i.armSum)))
        return fail(Failure::BadInput,
                    Text::tr("the two arms of a U-tube must add up to a length above zero"));
    if (!std::isfinite(i.spanLow) || !std::isfinite(i.spanHigh))
        return fail(Failure::BadInput, Text::tr("the ends of the gauge’s scale must be numbers"));
    if (!(i.liquidCelsius > -20.0 && i.liquidCelsius < 60.0))
        return fail(Failure::BadInput,
                    Text::tr("the temperature of the gauge’s liquid must be between -20 and 60 degC"));
    if (!(i.oilDensity20 > 500.0 && i.oilDensity20 < 2000.0))
        return fail(Failure::BadInput,
                    Text::tr("the density of the gauge’s oil must lie between 500 and 2000 kg/m3"));
    if (i.convention == PressureConvention::ThermalConductivity)
        if (const auto factor = gasFactor(i.gas); !factor) return tl::unexpected(factor.error());
    return {};
}

Result<AbsoluteReading> toAbsolute(const PressureInstrument& i, const GaugeReading& reading,
                                   const std::optional<RoomPressure>& room,
                                   const std::optional<GaugeReading>& zero) {
    const bool twoArm = hasTwoArms(i.convention);
    if (twoArm && !reading.second)
        return fail(Failure::BadInput, Text::tr("a U-tube is read as two arms; the right arm is missing"));
    if (countsFromRoom(i.convention) && !room)
        return fail(
            Failure::Unreferenced,
            Text::tr(
                "this reading counts from the room’s pressure, and the room’s pressure is not known yet"));
    const double scale = pascalPerScaleUnit(i);
    double value = scaleValue(i, reading);
    const EmptyPull* pull = room && room->pull && countsFromRoom(i.convention) && room->pull->unit == i.unit
                                ? &*room->pull
                                : nullptr;
    if (zero && !pull) value -= zeroError(i, *zero, room ? std::optional(room->station) : std::nullopt);

    AbsoluteReading out;
    // A reading is good to half a division either way; the two arms are read one by one, as is the zero.
    const double once = 0.5 * i.division * scale / std::numbers::sqrt3;
    out.uIndependent = twoArm ? std::numbers::sqrt2 * once : once;
    double accuracy = i.accuracy * scale / std::numbers::sqrt3;
    const double column =
        twoArm ? std::hypot(kGravityRelativeU, densityRelativeU(i.liquid)) * std::abs(value) * scale : 0.0;
    switch (i.convention) {
    case PressureConvention::ThermalConductivity:
        out.pressure = Pressure::fromPascal(value * scale);
        out.uShared = std::hypot(
            accuracy, gasFactor(i.gas).value_or(1.0) == 1.0 ? 0.0 : kGasFactorRelativeU * value * scale);
        break;
    case PressureConvention::Absolute:
    case PressureConvention::ClosedTwoArm:
        out.pressure = Pressure::fromPascal(value * scale);
        out.uShared = std::hypot(accuracy, column);
        break;
    case PressureConvention::GaugeNegative:
        out.pressure = room->station + PressureDifference::fromPascal(value * scale);
        out.uShared = std::hypot(accuracy, room->uPa);
        break;
    case PressureConvention::VacuumDepth:
    case PressureConvention::TwoArm:
        out.pressure = room->station - PressureDifference::fromPascal(value * scale);
        out.uShared = std::hypot(accuracy, room->uPa, column);
        break;
    }
    if (pull) {
        // p = floor + depth of the pull - depth of the reading, both off by the same zero: of the class what
        // grows with the difference of the two is left.
        const double between =
            (out.pressure.pascal() - pull->floorPa) / std::max(pull->depthPa, scale * i.division);
        accuracy *= std::clamp(std::abs(between), 0.0, 1.0);
        out.uShared = std::hypot(accuracy, pull->floorUPa, std::numbers::sqrt2 * column);
    } else if (zero) { // read by the same scale once for all points; against the room where it does not count
                       // from it
        const double ofZero = countsFromRoom(i.convention) || !room ? 0.0 : room->uPa;
        out.uShared = std::hypot(out.uShared, out.uIndependent, ofZero);
    }
    return out;
}

GaugeReading toReading(const PressureInstrument& i, Pressure absolute, Pressure room,
                       const std::optional<GaugeReading>& zero) {
    const double scale = pascalPerScaleUnit(i);
    const double error = zero ? zeroError(i, *zero, room) : 0.0;
    double pascal = 0.0;
    switch (i.convention) {
    case PressureConvention::Absolute:
    case PressureConvention::ClosedTwoArm:
    case PressureConvention::ThermalConductivity:
        pascal = absolute.pascal();
        break;
    case PressureConvention::GaugeNegative:
        pascal = (absolute - room).pascal();
        break;
    case PressureConvention::VacuumDepth:
    case PressureConvention::TwoArm:
        pascal = (room - absolute).pascal();
        break;
    }
    return readingAt(i, pascal / scale + error);
}

GaugeReading toReadableReading(const PressureInstrument& i, Pressure absolute, Pressure room,
                               const std::optional<GaugeReading>& zero) {
    const double step = readableStep(i);
    const auto rounded = [step](double v) { return std::round(v / step) * step; };
    GaugeReading r = toReading(i, absolute, room, zero);
    r.first = rounded(r.first);
    if (r.second) r.second = rounded(*r.second);
    return r;
}

Text text(const PressureInstrument& i, const GaugeReading& reading) {
    // Whole divisions need the decimals of a division; a reading between two of them shows those of half a
    // division.
    const auto decimals = [&](double value) {
        const double divisions = value / i.division;
        const bool whole = std::abs(divisions - std::round(divisions)) < 1e-6;
        return decimalsForDivision(whole ? i.division : readableStep(i));
    };
    if (!reading.second) return fixed(reading.first, decimals(reading.first));
    const int both = std::max(decimals(reading.first), decimals(*reading.second));
    return Text::set("{} | {}", fixed(reading.first, both), fixed(*reading.second, both));
}

Text tableText(const PressureInstrument& i, const GaugeReading& reading) {
    const int decimals = decimalsForDivision(readableStep(i));
    const Text first = fixed(reading.first, decimals);
    return reading.second ? Text::set("{} | {}", first, fixed(*reading.second, decimals)) : first;
}

std::string_view unitText(const PressureInstrument& i) { return unit(i.unit).display; }

bool zeroJumped(const PressureInstrument& instrument, const GaugeReading& before, const GaugeReading& now) {
    return std::abs(scaleValue(instrument, now) - scaleValue(instrument, before)) >
           std::max(instrument.accuracy, instrument.division);
}

} // namespace uttrin
