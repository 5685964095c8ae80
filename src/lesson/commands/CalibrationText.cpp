#include "CalibrationText.h"

#include "quantities/Rounding.h"

#include <fmt/format.h>
#include <fmt/ranges.h>

#include <cmath>

namespace uttrin {

std::string calibrationText(const CalibrationResiduals& residuals, const std::map<RowId, double>& before,
                            const std::map<RowId, double>& after, const std::vector<std::string>& runs) {
    constexpr double kUnchanged = 1e-9; // K
    int moved = 0;
    double sum = 0.0;
    for (const auto& [id, kelvin] : after) {
        const double change = kelvin - before.at(id);
        if (std::abs(change) < kUnchanged) continue;
        ++moved;
        sum += change;
    }
    return fmt::format("It was {} K off in ice and {} K in steam, where water boils at {} °C here.{}",
                       fixedSigned(residuals.ice, 2), fixedSigned(residuals.steam, 2),
                       fixed(residuals.steamTrue.celsius(), 2),
                       moved > 0 ? fmt::format(" {} readings move, by {} K on average.", moved,
                                               fixedSigned(sum / moved, 2))
                                 : " It serves the readings from now on.") +
           (runs.empty() ? std::string() : fmt::format(" It applies to {}.", fmt::join(runs, "; ")));
}

} // namespace uttrin
