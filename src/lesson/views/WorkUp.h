#pragma once

#include "lesson/commands/LessonSession.h"
#include "text/Text.h"

#include <string>
#include <vector>

namespace uttrin {

/// One step from reading to fit, written out so that it can be checked by hand.
struct WorkStep {
    Text label; ///< "Difference of the arms"
    Text how;   ///< "61.7 cm − 20.4 cm"
    Text value; ///< "41.3 cm"
};

/// All steps of one reading: to the absolute pressure, to ln p and 1/T. Stops with the reason where the room
/// is not known.
[[nodiscard]] std::vector<WorkStep> stepsOf(const ReducedReading& reading, const Plan& plan,
                                            const std::optional<GaugeReading>& zero);

/// One line of the work-up table, as texts with the digits that the instruments deserve. A gap is an empty
/// text.
struct WorkRow {
    RowId readingId = 0;
    int position = 0;
    Text gauge, temperature;                          ///< as read
    Text absolute, kelvin, inverse, logarithm;        ///< kPa, K, 1000/K, 1: what a student works out
    Text residualKelvin, residualPressure, superheat; ///< K, kPa, K
    Text marks, struckReason;
    bool struck = false, inFit = false, outlier = false;
};

/// A fit in one line, for comparing methods, runs and groups.
struct FitLine {
    Text label;        ///< "York", "Cedar, run 1"
    Text enthalpy;     ///< "42.1 ± 0.3"
    Text interval;     ///< "41.4 to 42.8"
    Text boilingPoint; ///< at standard pressure, degC
    Text roomBoilingPoint;
    Text difference; ///< from the reference slope, percent
    int points = 0;
    bool current = false;
};

/// Everything the Work-up station shows for the selected run.
struct WorkUpView {
    std::vector<WorkRow> rows;
    Text problem;     ///< why there is no fit yet, and what to do; empty with a fit
    Text result;      ///< "ΔH = 42.1 ± 0.3 kJ/mol"
    Text resultUnder; ///< interval and common errors
    Text comparison;  ///< against the curve over the same span
    Text boilingPoints;
    Text dissolved;               ///< amount dissolved, from the elevations; empty for a pure liquid
    std::vector<FitLine> methods; ///< unweighted, weighted, York
    std::vector<FitLine> runs;    ///< all runs of this plan
    std::vector<Text> causes;     ///< diagnosis, strongest first; or that there is not enough to tell
    std::optional<RunFit> fit;
};

[[nodiscard]] WorkUpView workUpView(const LessonSession& session, const FitOptions& options);

/// What a student filled in for one reading.
struct StudentAnswer {
    std::optional<double> absoluteKilopascal, kelvin, inverse, logarithm; ///< inverse in 1000/K
};

/// The first wrong step of a student's line; empty if all that is filled in is right. Later steps are judged
/// by the student's own earlier values, so that one mistake counts once.
[[nodiscard]] std::optional<Text> firstWrongStep(const ReducedReading& reading, const StudentAnswer& answer);

} // namespace uttrin
