#pragma once

#include "ReadOrder.h"
#include "instruments/PressureInstrument.h"
#include "instruments/Thermometer.h"
#include "quantities/Observation.h"
#include "solutions/Liquid.h"

#include <map>
#include <optional>
#include <string>
#include <string_view>

namespace uttrin {

/// The two schools of measuring a boiling point against pressure.
enum class Method {
    HoldPressure,   ///< set a pressure, heat until it boils
    HoldTemperature ///< take water of a temperature, pump until it boils
};

/// What helps bubbles to start.
enum class NucleationAid { None, Chips, Stirrer };
/// What heats the liquid.
enum class HeatSource { Mantle, HotPlate, WaterBath };
enum class PumpKind { Motor, Hand };

/// The apparatus as far as plan and record need it.
struct Rig {
    PressureInstrument gauge;
    Thermometer thermometer;
    double vesselLitre = 1.0;
    double liquidLitre = 0.3;
    double depthCm = 4.0; ///< of the liquid over the place where bubbles form
    NucleationAid aid = NucleationAid::Chips;
    bool aidFresh = true;      ///< chips work once
    double heaterWatt = 300.0; ///< HoldPressure
    HeatSource heat = HeatSource::Mantle;
    PumpKind pump = PumpKind::Motor;
    double pumpLitrePerMinute = 20.0;
    double pumpUltimatePa = 1000.0;             ///< lowest pressure that the pump reaches
    double warmUpMinutes = 0.0;                 ///< of the pump, before it reaches that; 0: none
    double tubeBoreMm = 0.0, tubeLengthM = 0.0; ///< between vessel and pump; bore 0: not known
    ReadOrder readOrder;                        ///< agreed for all points; empty: none
    std::string alsoUnit; ///< of a pressure that is said beside the gauge's own; empty: none
};

/// How targets are spread between the two ends.
enum class Spacing { Pressure, Temperature, InverseTemperature, DialSteps };

/// A ladder of targets. What `from` and `to` count depends on the spacing.
struct Ladder {
    Spacing spacing = Spacing::Pressure;
    double from =
        20e3;         ///< Pa absolute (Pressure), K (Temperature, InverseTemperature), dial unit (DialSteps)
    double to = 90e3; ///< as `from`
    int count = 10;   ///< all spacings but DialSteps
    double dialStep = 0.1;         ///< DialSteps: in the gauge's unit
    std::optional<double> trialPa; ///< one extra single low point, Pa absolute
    bool trialInFit = false;
    std::map<int, double>
        moved; ///< targets set by hand: place in the ladder (trial point: -1) to Pa absolute
};

/// A lab as it is to be done.
struct Plan {
    std::string title = "Boiling point against pressure";
    std::string substance = "water"; ///< the liquid, or the solvent
    Solute solute;                   ///< what is dissolved in it
    Method method = Method::HoldPressure;
    Rig rig;
    Ladder ladder;
    double periodMinutes = 55.0;
    std::optional<double> startCelsius; ///< of the liquid at the start; empty: as warm as the room
    BoilingCriterion criterion = BoilingCriterion::Steady; ///< the class's picture of boiling; no bracket
};

/// Identifiers in files.
[[nodiscard]] std::string_view id(Method method);
[[nodiscard]] std::string_view id(NucleationAid aid);
[[nodiscard]] std::string_view id(HeatSource heat);
[[nodiscard]] std::string_view id(PumpKind pump);
[[nodiscard]] std::string_view id(Spacing spacing);
[[nodiscard]] Result<Method> methodFromId(std::string_view id);
[[nodiscard]] Result<NucleationAid> nucleationAidFromId(std::string_view id);
[[nodiscard]] Result<HeatSource> heatSourceFromId(std::string_view id);
[[nodiscard]] Result<PumpKind> pumpKindFromId(std::string_view id);
[[nodiscard]] Result<Spacing> spacingFromId(std::string_view id);

/// What is to be seen when a point is taken: one sentence for each criterion; empty for the halves
/// of a bracket.
[[nodiscard]] Text criterionText(BoilingCriterion criterion);
/// The criterion that an identifier names, of those that a plan can agree on.
[[nodiscard]] Result<BoilingCriterion> agreedCriterion(std::string_view word);
[[nodiscard]] Text methodText(Method method);

/// The plan's substance. REQUIRES: check(plan).
[[nodiscard]] const Substance& substanceOf(const Plan& plan);
/// What boils: the substance with what is dissolved in it. REQUIRES: check(plan).
[[nodiscard]] Liquid liquidOf(const Plan& plan);

/// Checks that a plan makes sense; the failure names the field. The room is not needed.
[[nodiscard]] Result<void> check(const Plan& plan);

} // namespace uttrin
