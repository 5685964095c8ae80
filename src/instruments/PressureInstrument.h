#pragma once

#include "RoomPressure.h"

#include <optional>
#include <span>
#include <string>
#include <string_view>
#include <utility>
#include <vector>

namespace uttrin {

/// What the numbers on a pressure instrument count from. Declared once for an instrument, never asked again.
enum class PressureConvention {
    Absolute,           ///< counts from a perfect vacuum
    GaugeNegative,      ///< counts from the room, negative below it
    VacuumDepth,        ///< counts from the room, positive below it
    TwoArm,             ///< open U-tube: two arms read on a ruler, the left one towards the vessel
    ClosedTwoArm,       ///< U-tube with a closed, empty arm: the closed arm is the first, the one towards the
                        ///< vessel the second
    ThermalConductivity ///< counts from a vacuum, by how well the gas conducts heat: calibrated for air
};

/// Where the instrument is connected.
enum class PressureTap { Vessel, PumpLine };

/// Identifiers in files: "absolute", "gauge-negative", "vacuum-depth", "two-arm", "closed-two-arm",
/// "thermal-conductivity"; "vessel", "pump-line".
[[nodiscard]] std::string_view id(PressureConvention convention);
[[nodiscard]] Result<PressureConvention> pressureConventionFromId(std::string_view id);
[[nodiscard]] std::string_view id(PressureTap tap);
[[nodiscard]] Result<PressureTap> pressureTapFromId(std::string_view id);

/// What stands in a U-tube.
enum class ManometerLiquid { Mercury, Water, Oil };
[[nodiscard]] std::string_view id(ManometerLiquid liquid); ///< "mercury", "water", "oil"
[[nodiscard]] Result<ManometerLiquid> manometerLiquidFromId(std::string_view id);

/// A gas before a thermal-conductivity gauge that is calibrated for air: true pressure = reading times
/// factor, below about 1 hPa. Factors are typical of such gauges; each maker prints its own. Standard
/// uncertainty 15 %.
struct GasFactor {
    std::string_view
        gas;     ///< "air", "nitrogen", "water-vapour", "carbon-dioxide", "argon", "helium", "hydrogen"
    Phrase name; ///< for people
    double factor;
};
[[nodiscard]] std::span<const GasFactor> gasFactors();
[[nodiscard]] Result<double> gasFactor(std::string_view gas);

/// A pressure instrument as a person declares it once.
struct PressureInstrument {
    std::string name = "gauge";
    PressureConvention convention = PressureConvention::GaugeNegative;
    std::string unit = "kPa"; ///< symbol; a length (of mercury) for TwoArm
    double division = 1.0;    ///< smallest division, in `unit`
    double accuracy = 1.0;    ///< limits of error, plus or minus, in `unit`
    PressureTap tap = PressureTap::Vessel;
    double armSum = 0.0;         ///< TwoArm: left plus right, constant in a tube of even bore, in `unit`
    double liquidCelsius = 20.0; ///< U-tubes: temperature of the liquid in them
    ManometerLiquid liquid = ManometerLiquid::Mercury; ///< U-tubes
    double oilDensity20 = 860.0;          ///< kg/m3 at 20 degC, of ManometerLiquid::Oil, from its bottle
    std::string gas = "air";              ///< ThermalConductivity: what it really sees
    double spanLow = 0.0, spanHigh = 0.0; ///< ends of the dial's scale, in `unit`; equal if not known
    bool digital = false;    ///< shows figures, in steps of its division, not a needle; never a U-tube
    double lagSeconds = 0.0; ///< time constant with which it follows
    friend bool operator==(const PressureInstrument&, const PressureInstrument&) = default;
};

/// A reading exactly as the instrument shows it, in its own unit; `second` is the right arm of a U-tube.
struct GaugeReading {
    double first = 0.0;
    std::optional<double> second;
    friend bool operator==(const GaugeReading&, const GaugeReading&) = default;
};

/// An absolute pressure worked out from a reading.
struct AbsoluteReading {
    Pressure pressure = Pressure::fromPascal(0.0);
    double uIndependent =
        0.0;              ///< Pa, standard uncertainty from reading between divisions: new at every reading
    double uShared = 0.0; ///< Pa, standard uncertainty common to all readings: accuracy, room pressure
    [[nodiscard]] double u() const;
};

/// Density of mercury at atmospheric pressure, kg/m3: 13595.08 / (1 + 1.8145e-4 t + 9.2e-9 t2), t in degC,
/// -20 to 300 degC. Volume expansion as used in manometry (BS 2520); gives the accepted 13 545.85 kg/m3 at 20
/// degC (P. H. Bigg, Br. J. Appl. Phys. 15 (1964) 1111, on the scale of ITS-90) to 2 parts in a million.
[[nodiscard]] double mercuryDensity(double celsius);

/// Density of the liquid in a U-tube, kg/m3: mercury as above, water by IAPWS SR1-86, oil from its density at
/// 20 degC with 7.0e-4 /K.
[[nodiscard]] double manometerDensity(const PressureInstrument& instrument);

/// Whether two arms are read.
[[nodiscard]] bool hasTwoArms(PressureConvention convention);
/// Whether its readings need the room's pressure.
[[nodiscard]] bool countsFromRoom(PressureConvention convention);

/// Pascal in one unit of the instrument's scale (a centimetre of mercury at its temperature, for a U-tube).
[[nodiscard]] double pascalPerScaleUnit(const PressureInstrument& instrument);

/// By how much its single number rises for a pascal: below zero for one that counts downwards.
[[nodiscard]] double scalePerPascal(const PressureInstrument& instrument);

/// The single number that a reading amounts to, in the instrument's unit: left minus right for a U-tube.
[[nodiscard]] double scaleValue(const PressureInstrument& instrument, const GaugeReading& reading);

/// The reading at which it amounts to this number: the inverse of `scaleValue`, in a tube of even bore.
[[nodiscard]] GaugeReading readingAt(const PressureInstrument& instrument, double scaleValue);

/// The smallest difference that can be read: half a division between the lines of a scale (a fifth of one of
/// 5, 50 or 0.05, whose half has more figures than the scale), a whole one of a display.
[[nodiscard]] double readableStep(const PressureInstrument& instrument);

/// The ends of its scale, in its unit: as declared, else as a scale for a room of this pressure has them.
[[nodiscard]] std::pair<double, double> spanShown(const PressureInstrument& instrument, double roomPascal);

/// Checks that a declaration makes sense; the failure names the field.
[[nodiscard]] Result<void> check(const PressureInstrument& instrument);

/// The absolute pressure that a reading means.
/// @param room  needed by the conventions that count from it; Failure::Unreferenced without.
///              Where that comes from a pull on the empty vessel with this gauge, the error of its zero is in
///              both and cancels: no zero is taken off, and of its accuracy that of its scale remains.
/// @param zero  the instrument's own reading while open to the room; its error is taken off. Not needed.
[[nodiscard]] Result<AbsoluteReading> toAbsolute(const PressureInstrument& instrument,
                                                 const GaugeReading& reading,
                                                 const std::optional<RoomPressure>& room,
                                                 const std::optional<GaugeReading>& zero = std::nullopt);

/// What the instrument shows at an absolute pressure in a room: the inverse of `toAbsolute`.
[[nodiscard]] GaugeReading toReading(const PressureInstrument& instrument, Pressure absolute, Pressure room,
                                     const std::optional<GaugeReading>& zero = std::nullopt);

/// As `toReading`, rounded to what a person can set or read.
[[nodiscard]] GaugeReading toReadableReading(const PressureInstrument& instrument, Pressure absolute,
                                             Pressure room,
                                             const std::optional<GaugeReading>& zero = std::nullopt);

/// Whether a zero lies off the one before by more than its limits of error, and more than can be read.
[[nodiscard]] bool zeroJumped(const PressureInstrument& instrument, const GaugeReading& before,
                              const GaugeReading& now);

/// The reading for people, without its unit: "−0.70", or both arms "61.7 | 20.4".
[[nodiscard]] Text text(const PressureInstrument& instrument, const GaugeReading& reading);

/// As `text`, always with the decimals of what can be read, so that a column lines up.
[[nodiscard]] Text tableText(const PressureInstrument& instrument, const GaugeReading& reading);

/// Unit for people: "cm" with ruler for a U-tube, else the pressure unit.
[[nodiscard]] std::string_view unitText(const PressureInstrument& instrument);

} // namespace uttrin
