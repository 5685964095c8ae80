#pragma once

#include "Rehearsal.h"

#include <functional>
#include <vector>

namespace uttrin {

/// What is known of a demonstration that goes on; s from when its clock starts, see `clockStart`.
struct Observed {
    /// A temperature of the watched vessel's contents.
    struct Reading {
        enum Kind { Is, AtMost, AtLeast } kind = Is;
        double seconds = 0.0;
        double kelvin = 0.0;
        double u = 0.0; ///< K, standard uncertainty; more than zero
    };
    /// A move that was made, by its place in the procedure.
    struct Made {
        int move = 0;
        double seconds = 0.0;
    };
    /// Somebody saw it begin or cease to boil.
    struct Boiling {
        double seconds = 0.0; ///< below zero before the clock starts
        bool begins = true;
    };
    std::vector<Reading> readings;
    std::vector<Boiling> boiling; ///< by time
    std::vector<Made> moves;      ///< in the order of the procedure and of time
    double now = 0.0;             ///< what is not made by now is made later
    double until = 0.0;           ///< the forecast goes so far at least
};

/// A rig with its moves made when they were made, and those that were not made by now later than that.
[[nodiscard]] Result<RigSetup> setupAsObserved(const RigFile& rig, const std::vector<RigSetting>& settings,
                                               const Observed& observed);

/// A rehearsal's temperature of the watched vessel so long after its clock starts, K, straight between
/// samples.
[[nodiscard]] double kelvinFromClock(const Rehearsal& rehearsal, double seconds);

/// The uncertain values of a rig that explain best what was observed, each held to what its file says of it:
/// the least squares of (simulated - read) / u and of how many standard uncertainties each value moved, by
/// Levenberg and Marquardt. Temperatures that are only bounded count where they are passed.
struct LikeliestValues {
    std::vector<double> moved; ///< standard uncertainties, in the order of the file
    /// Their covariance, row by row: the spread of what is likely; somewhat wider than the file says in what
    /// readings say nothing of, and than the cost's curvature in what they tell of.
    std::vector<double> covariance;
    double cost = 0.0;      ///< what is left of all, chi square: of the readings and of what is held
    double rmsKelvin = 0.0; ///< of what is left of the readings
    Rehearsal rehearsal;    ///< with these values
};
/// Without readings nothing moves. @param accuracy  with which it is played. OutOfRange if a reading lies
/// outside the rehearsal's time.
[[nodiscard]] Result<LikeliestValues>
likeliestValues(const RigFile& rig, const std::vector<RigSetting>& settings, const Observed& observed,
                RigSimulator::Accuracy accuracy, const std::function<bool()>& goOn = {});

/// The same of values that were moved so far: what is left then; without a covariance.
[[nodiscard]] Result<LikeliestValues> valuesMoved(const RigFile& rig, const std::vector<RigSetting>& settings,
                                                  const Observed& observed, const std::vector<double>& moved,
                                                  RigSimulator::Accuracy accuracy,
                                                  const std::function<bool()>& goOn = {});

} // namespace uttrin
