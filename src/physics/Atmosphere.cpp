#include "Atmosphere.h"

#include "Constants.h"

#include <cmath>

namespace uttrin {
namespace {

// ISO 2533:1975, table 1 and section 2.
constexpr double kSeaLevelK = 288.15;
constexpr double kLapse = 0.0065;             // K/m
constexpr double kAirGasConstant = 287.05287; // J/(kg K)
constexpr double kEarthRadius = 6356766.0;    // m, for geopotential height
constexpr double kExponent = kStandardGravity / (kAirGasConstant * kLapse);
constexpr double kLowest = -5000.0, kHighest = 11000.0; // m, geopotential

double geopotential(double h) { return kEarthRadius * h / (kEarthRadius + h); }
double geometric(double h) { return kEarthRadius * h / (kEarthRadius - h); }

Result<double> checkedHeight(Length altitude) {
    const double h = geopotential(altitude.metre());
    if (!(h >= kLowest && h <= kHighest))
        return fail(
            Failure::OutOfRange,
            Text::tr("the standard atmosphere’s lowest layer covers {} m to {} m; {:.6g} m lies outside",
                     kLowest, kHighest, altitude.metre()));
    return h;
}

/// station / sea level for a column over height h (geopotential) that ends at the station.
double columnRatio(double h, Temperature air, Reduction reduction) {
    if (reduction == Reduction::StandardAtmosphere) return std::pow(1.0 - kLapse * h / kSeaLevelK, kExponent);
    const double mean = air.kelvin() + 0.5 * kLapse * h;
    return std::exp(-kStandardGravity * h / (kAirGasConstant * mean));
}

/// Pressure of the standard atmosphere so much (geopotential) above where it is another.
double standardAbove(double pascal, double h) {
    const double below = std::pow(pascal / kStandardAtmospherePascal, 1.0 / kExponent);
    return kStandardAtmospherePascal * std::pow(std::max(below - kLapse * h / kSeaLevelK, 0.0), kExponent);
}

} // namespace

Result<Pressure> standardAtmospherePressure(Length altitude) {
    return checkedHeight(altitude).map([](double h) {
        return Pressure::fromPascal(kStandardAtmospherePascal *
                                    std::pow(1.0 - kLapse * h / kSeaLevelK, kExponent));
    });
}

Result<Length> standardAtmosphereAltitude(Pressure p) {
    const double ratio = p.pascal() / kStandardAtmospherePascal;
    const double h = kSeaLevelK / kLapse * (1.0 - std::pow(ratio, 1.0 / kExponent));
    if (!(h >= kLowest && h <= kHighest))
        return fail(Failure::OutOfRange,
                    Text::tr("no height between {} m and {} m has a standard pressure of {:.6g} Pa", kLowest,
                             kHighest, p.pascal()));
    return Length::fromMetre(geometric(h));
}

Result<Pressure> stationFromSeaLevel(Pressure seaLevel, Length altitude, Temperature air,
                                     Reduction reduction) {
    return checkedHeight(altitude).map([&](double h) {
        return Pressure::fromPascal(reduction == Reduction::AltimeterSetting
                                        ? standardAbove(seaLevel.pascal(), h)
                                        : seaLevel.pascal() * columnRatio(h, air, reduction));
    });
}

Result<Pressure> seaLevelFromStation(Pressure station, Length altitude, Temperature air,
                                     Reduction reduction) {
    return checkedHeight(altitude).map([&](double h) {
        return Pressure::fromPascal(reduction == Reduction::AltimeterSetting
                                        ? standardAbove(station.pascal(), -h)
                                        : station.pascal() / columnRatio(h, air, reduction));
    });
}

} // namespace uttrin
