#pragma once

#include "Plan.h"

#include <string>
#include <vector>

namespace uttrin {

/// Why a target can or cannot be taken.
enum class TargetState { Ok, AboveRoom, BelowPumpFloor };

/// One line of the run sheet.
struct Target {
    int order = 0; ///< 1 for the first to be taken
    int place = 0; ///< place in the ladder, -1 for the trial point: the key of Ladder::moved
    bool trial = false;
    bool inFit = true;
    bool moved = false;   ///< set by hand
    bool flashes = false; ///< the liquid starts above its boiling point there
    TargetState state = TargetState::Ok;
    Pressure absolute = Pressure::fromPascal(0.0);
    GaugeReading dial; ///< what this instrument will show, to half a division
    Temperature boils = Temperature::fromKelvin(0.0);
    double boilsU = 0.0;            ///< K, standard uncertainty: gauge, room, formulation
    double kelvinPerDivision = 0.0; ///< boiling point's change for one smallest division of the gauge
    double depthKelvin = 0.0;       ///< boiling point at the liquid's depth above the one at the surface
    double seconds = 0.0;           ///< estimated time for this target
};

/// Something that can hurt someone, or spoil the rig, and what is usually done about it.
struct Caution {
    std::string id;
    Text text;
};

/// Everything that the bench needs to know, worked out from a plan in a room.
struct RunSheet {
    std::vector<Target> targets; ///< in the order of taking
    double totalSeconds = 0.0;   ///< of all targets that can be taken, with set-up and clearing away
    double secondsU = 0.0;       ///< s, standard uncertainty of that
    double startCelsius = 20.0;  ///< from which the times count
    double roomCelsius = 20.0;   ///< to which a flask cools
    bool startAssumed = false;   ///< nobody has measured it, nor the room
    /// A start from which no target that can be taken flashes, °C; nothing where none does, or where no
    /// liquid is as cold.
    std::optional<double> colderCelsius;
    bool fits = true; ///< into the period
    /// A second run, right after the first: without the low trial point, once the liquid has cooled.
    struct SecondRun {
        std::size_t points = 0;
        double fromCelsius = 0.0, toCelsius = 0.0; ///< between which it cools
        double coolSeconds = 0.0;                  ///< 0 where fresh water is poured in
        double seconds = 0.0;                      ///< of it all, the cooling too
        bool fits = false;                         ///< into the period, after the first
    };
    SecondRun second;
    Text whyLowestFirst;
    std::vector<Text> materials;
    std::vector<Caution> cautions;
};

/// Time before the first and after the last target, s: assembling, leak test; cooling, clearing up.
inline constexpr double kSetUpSeconds = 300.0;
inline constexpr double kClearUpSeconds = 240.0;
/// The room's temperature where nobody has read it.
inline constexpr double kAssumedRoomCelsius = 20.0;

/// Whether a second run fits, and what it takes.
[[nodiscard]] Text secondRunText(const RunSheet& sheet);

/// From what the minutes of a run sheet count: where the liquid is heated, and whether that was measured.
[[nodiscard]] Text startText(const Plan& plan, const RunSheet& sheet);

/// That the liquid flashes at the first targets, and from which start it does not. Empty where none does.
[[nodiscard]] Text flashText(const RunSheet& sheet);

/// Works out the run sheet. Estimates: heating at 70 % of the heater's power into the liquid; pumping a dry
/// volume exponentially to the ultimate pressure; fixed times for steadying, reading and bleeding (named in
/// the source file). Fails where the plan makes no sense, or a target lies outside the substance's curve.
/// @param roomCelsius  of the room's air, which a liquid has whose start the plan does not say; 20 °C are
///                     assumed where that is not known either.
[[nodiscard]] Result<RunSheet> makeRunSheet(const Plan& plan, const RoomPressure& room,
                                            std::optional<double> roomCelsius = {});

/// The absolute pressures of a ladder in a room, lowest first, the trial point not among them.
[[nodiscard]] Result<std::vector<Pressure>> ladderPressures(const Plan& plan, Pressure room);

/// The same ends expressed for another spacing, so that changing the spacing keeps the span.
[[nodiscard]] Result<Ladder> withSpacing(const Plan& plan, Spacing spacing, Pressure room);

/// The same plan for another substance: the ladder keeps its pressures as far as this one's curve covers
/// them, and the start stays liquid. Fails for an unknown substance, or one whose curve has none of the
/// pressures.
[[nodiscard]] Result<Plan> withSubstance(const Plan& plan, const std::string& substance, Pressure room);

[[nodiscard]] std::vector<Text> materialsFor(const Plan& plan);
/// The same for one rig, without what everybody in the room has one of.
[[nodiscard]] std::vector<Text> thingsFor(const Plan& plan);
/// @param room  how its pressure is had, where that is known.
[[nodiscard]] std::vector<Caution> cautionsFor(const Plan& plan, std::optional<RoomMethod> room = {});

} // namespace uttrin
