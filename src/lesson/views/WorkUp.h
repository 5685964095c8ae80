#pragma once

#include "lesson/commands/LessonSession.h"

#include <string>
#include <vector>

namespace uttrin {

/// One step from reading to fit, written out so that it can be checked by hand.
struct WorkStep {
    std::string label; ///< "Difference of the arms"
    std::string how;   ///< "61.7 cm − 20.4 cm"
    std::string value; ///< "41.3 cm"
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
    std::string gauge, temperature;                          ///< as read
    std::string absolute, kelvin, inverse, logarithm;        ///< kPa, K, 1000/K, 1: what a student works out
    std::string residualKelvin, residualPressure, superheat; ///< K, kPa, K
    std::string marks, struckReason;
    bool struck = false, inFit = false, outlier = false;
};

/// A fit in one line, for comparing methods, runs and groups.
struct FitLine {
    std::string label;        ///< "York", "Cedar, run 1"
    std::string enthalpy;     ///< "42.1 ± 0.3"
    std::string interval;     ///< "41.4 to 42.8"
    std::string boilingPoint; ///< at standard pressure, degC
    std::string roomBoilingPoint;
    std::string difference; ///< from the reference slope, percent
    int points = 0;
    bool current = false;
};

/// Everything the Work-up station shows for the selected run.
struct WorkUpView {
    std::vector<WorkRow> rows;
    std::string problem;     ///< why there is no fit yet, and what to do; empty with a fit
    std::string result;      ///< "ΔH = 42.1 ± 0.3 kJ/mol"
    std::string resultUnder; ///< interval and common errors
    std::string comparison;  ///< against the curve over the same span
    std::string boilingPoints;
    std::string dissolved;           ///< amount dissolved, from the elevations; empty for a pure liquid
    std::vector<FitLine> methods;    ///< unweighted, weighted, York
    std::vector<FitLine> runs;       ///< all runs of this plan
    std::vector<std::string> causes; ///< diagnosis, strongest first; or that there is not enough to tell
    std::optional<RunFit> fit;
};

[[nodiscard]] WorkUpView workUpView(const LessonSession& session, const FitOptions& options);

/// What a student filled in for one reading.
struct StudentAnswer {
    std::optional<double> absoluteKilopascal, kelvin, inverse, logarithm; ///< inverse in 1000/K
};

/// The first wrong step of a student's line; empty if all that is filled in is right. Later steps are judged
/// by the student's own earlier values, so that one mistake counts once.
[[nodiscard]] std::optional<std::string> firstWrongStep(const ReducedReading& reading,
                                                        const StudentAnswer& answer);

} // namespace uttrin
