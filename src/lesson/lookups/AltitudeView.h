#pragma once

#include "physics/Cooking.h"
#include "quantities/Quantities.h"
#include "text/Text.h"

#include <optional>
#include <string>
#include <vector>

namespace uttrin {

/// Boiling and cooking at one height in the standard atmosphere.
struct AltitudeRow {
    double metre = 0.0, kilopascal = 0.0, celsius = 0.0;
    double relativeTime = 1.0; ///< cooking time over the one at 100 degC
    bool here = false;
};

/// Rows from `lowest` to `highest` in even steps, and one for this room's pressure.
/// @param activationEnergy  J/mol.
[[nodiscard]] std::vector<AltitudeRow> altitudeRows(double lowest, double highest, double step,
                                                    double activationEnergy, std::optional<Pressure> room);

/// What the lowered boiling point means for cooking here, in two sentences, with the reminder that it still
/// scalds.
[[nodiscard]] Text altitudeAdvice(const AltitudeRow& here, const Text& process);

} // namespace uttrin
