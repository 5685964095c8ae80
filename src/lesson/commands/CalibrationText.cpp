#include "CalibrationText.h"

#include "quantities/Rounding.h"

#include <fmt/ranges.h>

#include <cmath>

namespace uttrin {

Text calibrationText(const CalibrationResiduals& residuals, const std::map<RowId, double>& before,
                     const std::map<RowId, double>& after, const std::vector<Text>& runs) {
    constexpr double kUnchanged = 1e-9; // K
    int moved = 0;
    double sum = 0.0;
    for (const auto& [id, kelvin] : after) {
        const double change = kelvin - before.at(id);
        if (std::abs(change) < kUnchanged) continue;
        ++moved;
        sum += change;
    }
    std::vector<Text> sentences{
        Text::tr("It was {} K off in ice and {} K in steam, where water boils at {} °C here.",
                 fixedSigned(residuals.ice, 2), fixedSigned(residuals.steam, 2),
                 fixed(residuals.steamTrue.celsius(), 2)),
        moved > 0 ? Text::tr("{0} {0|reading moves|readings move}, by {1} K on average.", moved,
                             fixedSigned(sum / moved, 2))
                  : Text::tr("It serves the readings from now on.")};
    if (!runs.empty()) sentences.push_back(Text::tr("It applies to {}.", Text::join(runs, Text::set("; "))));
    return Text::sentences(sentences);
}

} // namespace uttrin
