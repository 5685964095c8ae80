#pragma once

#include "Trace.h"
#include "physics/Substance.h"

#include <functional>

namespace uttrin {

/// What makes the pressure rise in a vessel that was pumped down and shut.
enum class RiseKind {
    Tight,  ///< nothing
    Leak,   ///< air that comes in
    Vapour, ///< vapour that forms, or air that leaves liquid and walls: it rises and fades
    Both
};

/// "tight", "leak", "vapour", "both".
[[nodiscard]] std::string_view id(RiseKind kind);
[[nodiscard]] Text nameOf(RiseKind kind);

/// The vessel that is tested.
struct TestedVessel {
    double cubicMetres = 1e-3;        ///< that air comes into
    std::optional<double> roomPascal; ///< up to half of which a leak is choked, and the rise straight
    /// Saturation pressure of the liquid in it at a time, Pa; empty for a dry one.
    std::function<double(double seconds)> saturation;
};

/// What a test says.
struct LeakTest {
    RiseKind kind = RiseKind::Tight;
    double oddsLeak = 0.0;          ///< of a leak against none, by how well each explains the readings
    double rise = 0.0, riseU = 0.0; ///< Pa/s, by the leak; with one kind told, by that alone
    double leak = 0.0, leakU = 0.0; ///< Pa m3/s, into the vessel
    double fades = 0.0, fadesU = 0.0, fadesIn = 0.0; ///< Pa, of what rises and fades; s, its time constant
    double start = 0.0;   ///< Pa, what was in it besides saturated vapour when what fades has faded, less
                          ///< what leaked in
    double spread = 0.0;  ///< Pa, of readings about what explains them
    std::size_t used = 0; ///< readings

    /// What explains the readings, without the saturation pressure, Pa. @param seconds  since the first
    /// reading.
    [[nodiscard]] double at(double seconds) const;
};

/// The saturation pressure of a liquid by what was logged of its temperature; outside of that time as at its
/// ends. BadInput where nothing was logged, OutOfRange for a temperature outside the liquid's curve.
/// @param liquid  outlives what is given.
[[nodiscard]] Result<std::function<double(double seconds)>> saturationAlong(const Substance& liquid,
                                                                            const TraceChannel& kelvin);

/// Tells apart what rises on straight and what fades: readings less the saturation pressure, as a constant, a
/// straight line, an exponential that ends, and both, are compared by the Bayesian information criterion, the
/// spread taken from the fullest of them and not below the gauge's step. Leaks and what fades are not
/// negative.
/// @param pascal  from when the vessel was shut. TooFewPoints under ten readings below half of the room's
/// pressure.
[[nodiscard]] Result<LeakTest> testForLeak(const TraceChannel& pascal, const TestedVessel& vessel);

/// By how much the boiling point at a target moves while a point is captured, K: the leak is choked below
/// half of the room's pressure and less above, as air flows through a nozzle.
/// @param rise  Pa/s where it is choked. OutOfRange outside the substance's curve.
[[nodiscard]] Result<double> kelvinPerCapture(const Substance& substance, Pressure target, double rise,
                                              double captureSeconds, std::optional<double> roomPascal);

/// Whether a second test is better than a first by more than their uncertainties (95 %), worse, or neither.
[[nodiscard]] Text comparedText(const LeakTest& before, const LeakTest& after);

} // namespace uttrin
