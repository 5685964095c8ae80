#pragma once

#include "Rehearsal.h"

namespace uttrin {

/// What somebody read off a demonstration that is under way.
struct MeasuredMoment {
    double seconds = 0.0; ///< from when its clock starts, see `clockStart`
    double kelvin = 0.0;  ///< of the watched vessel's contents
};

/// When the clock of a rehearsal starts, s: at the move that its file names, else at its beginning.
[[nodiscard]] double clockStart(const Rehearsal& rehearsal);

/// A rig brought to agree with what was measured.
struct CoolingFit {
    struct Value {
        std::string name, pointer;
        double before = 0.0, after = 0.0, u = 0.0; ///< SI, and its standard uncertainty now
    };
    std::vector<Value> values;
    double rmsKelvin = 0.0; ///< of what is left
    Rehearsal rehearsal;    ///< with the values fitted
};

/// Fits the uncertain values of a rig to readings, see `likeliestValues`.
/// @param readingU  K, standard uncertainty of a reading. TooFewPoints without readings; OutOfRange if they
/// lie outside the rehearsal's time.
[[nodiscard]] Result<CoolingFit> fitToReadings(const RigFile& rig, const std::vector<RigSetting>& settings,
                                               const std::vector<MeasuredMoment>& readings, double readingU,
                                               const std::function<bool()>& goOn = {});

/// How long before a moment a vessel must be ready so that it has cooled to a temperature by then.
struct LeadTime {
    double fromClock = 0.0; ///< s, from when the clock starts (it is shut) until it is that warm
    double fromStart = 0.0; ///< s, from the beginning of the procedure
    double u = 0.0;         ///< s, standard uncertainty, from what is uncertain of the rig
};

/// Lead time for a temperature, with the moves up to the start of the clock only: nobody cools it on purpose.
/// OutOfRange if it does not get there in its time.
[[nodiscard]] Result<LeadTime> leadTimeFor(const RigFile& rig, const std::vector<RigSetting>& settings,
                                           double kelvin);

} // namespace uttrin
