#include "MercuryBarometer.h"

#include "physics/Atmosphere.h"
#include "physics/Constants.h"
#include "quantities/Identifiers.h"
#include "quantities/Rounding.h"
#include "quantities/Units.h"

#include <cmath>
#include <numbers>

namespace uttrin {
namespace {

constexpr double kMercuryExpansion = 1.818e-4;           // 1/K, cubic
constexpr double kBrassExpansion = 1.84e-5;              // 1/K, linear
constexpr double kGlassExpansion = 8.0e-6;               // 1/K, linear
constexpr double kInchScaleTrueAt = (62.0 - 32.0) / 1.8; // degC
constexpr double kAttachedU = 0.5;                       // K
constexpr double kInstrumentU = 10.0;                    // Pa

constexpr BarometerTick kTicks[] = {
    {"attached", &BarometerTicks::attached, Text::phrase("attached thermometer read first"),
     Text::phrase("Read it before your hand and breath warm it.")},
    {"cone", &BarometerTicks::cone, Text::phrase("mercury just touches the cone"),
     Text::phrase(
         "Screw the cistern up or down until the tip of the cone and its image in the mercury just meet.")},
    {"slide", &BarometerTicks::slide, Text::phrase("slide set on the top of the mercury"),
     Text::phrase("Tap the tube. Bring the slide down, your eye level with it, until its edge just touches "
                  "the top of the "
                  "mercury.")},
    {"vernier", &BarometerTicks::vernier, Text::phrase("vernier read"),
     Text::phrase("Read the scale below the vernier’s 0, then the line of the vernier that meets another.")},
};

} // namespace

std::span<const BarometerTick> barometerTicks() { return kTicks; }

std::string_view id(ScaleMaterial material) { return material == ScaleMaterial::Brass ? "brass" : "glass"; }

Result<ScaleMaterial> scaleMaterialFromId(std::string_view wanted) {
    return fromId(wanted, std::array{ScaleMaterial::Brass, ScaleMaterial::Glass},
                  Text::tr("a barometer’s scale"));
}

double MercuryReading::value() const { return mainScale + vernierLine * vernierStep(); }

MercuryReading withValue(MercuryReading r, double value) {
    const double steps = std::round(value / r.vernierStep());
    r.mainScale = std::floor(steps / r.vernierDivisions) * r.mainDivision;
    r.vernierLine = static_cast<int>(steps - std::floor(steps / r.vernierDivisions) * r.vernierDivisions);
    return r;
}

double freeFall(double latitudeDegrees, double altitudeM) {
    const double c = std::cos(2.0 * latitudeDegrees * std::numbers::pi / 180.0);
    return 9.80620 * (1.0 - 0.0026442 * c + 0.0000058 * c * c) - 3.086e-6 * altitudeM;
}

Result<MercuryPressure> stationPressure(const MercuryReading& r) {
    const auto unit = findUnit(r.unit, Dimension::Pressure);
    if (!unit) return tl::unexpected(unit.error());
    const auto refuse = [](const Text& what) { return fail(Failure::BadInput, what); };
    if (!(r.mainDivision > 0.0 && r.vernierDivisions >= 1))
        return refuse(Text::tr("the scale’s and the vernier’s divisions must be above zero"));
    if (r.vernierLine < 0 || r.vernierLine > r.vernierDivisions)
        return refuse(Text::tr("the vernier has lines 0 to {}, not {}", r.vernierDivisions, r.vernierLine));
    if (!(r.attachedCelsius >= -30.0 && r.attachedCelsius <= 50.0))
        return refuse(Text::tr("the attached thermometer shows -30 to 50 degC, not {:g}", r.attachedCelsius));
    if (!(r.latitudeDegrees >= -90.0 && r.latitudeDegrees <= 90.0))
        return refuse(Text::tr("a latitude lies from -90 to 90 degrees, not at {:g}", r.latitudeDegrees));
    if (!(r.altitudeM >= -500.0 && r.altitudeM <= 9000.0))
        return refuse(Text::tr("a height lies from -500 to 9000 m, not at {:g} m", r.altitudeM));
    const double read = (*unit)->toSi(r.value());
    if (!(read >= kLowestRoomPascal && read <= kHighestRoomPascal))
        return refuse(Text::tr(
            "{:g} {} is {:.2f} kPa, which no room has; check the number and its unit (30 to 120 kPa)",
            r.value(), r.unit, read * 1e-3));

    MercuryPressure out;
    double p = read;
    const auto step = [&](Text label, double pascal) {
        p += pascal;
        out.steps.push_back({std::move(label), pascal, p});
        return PressureDifference::fromPascal(pascal);
    };
    out.index = step(Text::tr("Index, of this instrument"), r.indexCorrection * (*unit)->factor);
    const double t = r.attachedCelsius, scaleTrueAt = r.unit == "inHg" ? kInchScaleTrueAt : 0.0;
    const double scale = r.scale == ScaleMaterial::Brass ? kBrassExpansion : kGlassExpansion;
    const auto temperatureFactor = [&](double celsius) {
        return -(kMercuryExpansion * celsius - scale * (celsius - scaleTrueAt)) /
               (1.0 + kMercuryExpansion * celsius);
    };
    const double corrected = p;
    out.temperature =
        step(r.scale == ScaleMaterial::Brass ? Text::tr("Temperature, brass scale at {} °C", fixed(t, 1))
                                             : Text::tr("Temperature, glass scale at {} °C", fixed(t, 1)),
             corrected * temperatureFactor(t));
    const double g = freeFall(r.latitudeDegrees, r.altitudeM);
    out.gravity = step(Text::tr("Gravity, {} m/s² at latitude {}° and {} m", fixed(g, 4),
                                fixed(r.latitudeDegrees, 1), fixed(r.altitudeM, 0)),
                       p * (g / kStandardGravity - 1.0));
    out.station = Pressure::fromPascal(p);
    const double readingU = 0.5 * r.vernierStep() * (*unit)->factor / std::numbers::sqrt3;
    const double temperatureU =
        corrected * std::abs(temperatureFactor(t + kAttachedU) - temperatureFactor(t));
    out.uPa = std::hypot(readingU, temperatureU, kInstrumentU);
    return out;
}

} // namespace uttrin
