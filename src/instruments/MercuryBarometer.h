#pragma once

#include "quantities/Failure.h"
#include "quantities/Quantities.h"

#include <optional>
#include <span>
#include <string>
#include <string_view>
#include <vector>

namespace uttrin {

/// What the scale of a mercury barometer is made of; it expands as the mercury does, but less.
enum class ScaleMaterial { Brass, Glass };
[[nodiscard]] std::string_view id(ScaleMaterial material); ///< "brass", "glass"
[[nodiscard]] Result<ScaleMaterial> scaleMaterialFromId(std::string_view id);

/// What was done when a mercury barometer was read, in the order in which it is done.
struct BarometerTicks {
    bool attached = false; ///< its thermometer first, before a hand or a breath warms it
    bool cone = false;     ///< the mercury in the cistern made to touch the tip of the cone
    bool slide = false;    ///< the slide brought down until it just touches the top of the mercury
    bool vernier = false;  ///< the vernier read
    friend bool operator==(const BarometerTicks&, const BarometerTicks&) = default;
};

/// A step of reading a mercury barometer.
struct BarometerTick {
    std::string_view id; ///< in files: "attached", "cone", "slide", "vernier"
    bool BarometerTicks::*done;
    Phrase name; ///< what is ticked
    Phrase what; ///< how it is done, in one sentence
};
/// In order.
[[nodiscard]] std::span<const BarometerTick> barometerTicks();

/// A mercury barometer as a person sees it: the last graduation below the vernier's zero, and which line of
/// the vernier meets a graduation.
struct MercuryReading {
    double mainScale = 0.0; ///< in `unit`
    std::string unit =
        "mmHg"; ///< symbol of a pressure unit that the scale is graduated in: mmHg, cmHg, inHg, hPa, mbar
    double mainDivision = 1.0; ///< distance of the scale's graduations, in `unit`
    int vernierDivisions = 10; ///< of the vernier; one for a barometer without
    int vernierLine = 0;       ///< the line that coincides, 0 to vernierDivisions
    double attachedCelsius = 20.0;
    ScaleMaterial scale = ScaleMaterial::Brass;
    double latitudeDegrees = 45.0;
    double altitudeM = 0.0;
    double indexCorrection = 0.0; ///< of this instrument, from its certificate, added; in `unit`
    std::optional<BarometerTicks> ticks = std::nullopt; ///< empty: nobody was asked

    /// The reading with its vernier, in `unit`.
    [[nodiscard]] double value() const;
    /// What one line of the vernier counts, in `unit`.
    [[nodiscard]] double vernierStep() const { return mainDivision / vernierDivisions; }
    friend bool operator==(const MercuryReading&, const MercuryReading&) = default;
};

/// The reading closest to a value, with the same vernier.
[[nodiscard]] MercuryReading withValue(MercuryReading reading, double value);

/// One correction of a barometer reading, with its size.
struct BarometerStep {
    Text label;    ///< "Temperature, brass scale at 23.5 °C"
    double pascal; ///< what it adds
    double after;  ///< Pa, the pressure with it and all before
};

struct MercuryPressure {
    Pressure station = Pressure::fromPascal(0.0);
    double uPa = 0.0;
    PressureDifference index = PressureDifference::fromPascal(0.0), temperature = index, gravity = index;
    std::vector<BarometerStep> steps; ///< index, temperature, gravity
};

/// Acceleration of free fall, m/s2, WMO-No. 8 (CIMO guide), part I, annex 3.A eq. 3.A.1 to 3.A.3: at sea
/// level 9.80620 (1 - 0.0026442 cos 2 lat + 0.0000058 cos^2 2 lat), less 3.086e-6 /s2 times the height (level
/// country).
[[nodiscard]] double freeFall(double latitudeDegrees, double altitudeM);

/// Station pressure from a mercury barometer, WMO-No. 8, part I, chapter 3: index, temperature (cubic
/// expansion of mercury 1.818e-4 /K, linear of brass 1.84e-5 /K, of glass 8.0e-6 /K; scales in millimetres
/// and hectopascal true at 0 degC, in inches at 62 degF) and gravity to 9.80665 m/s2. Uncertainty: half a
/// step of the vernier, 0.5 K in the attached thermometer, 0.1 hPa for the instrument. BadInput names what is
/// out of range.
[[nodiscard]] Result<MercuryPressure> stationPressure(const MercuryReading& reading);

} // namespace uttrin
