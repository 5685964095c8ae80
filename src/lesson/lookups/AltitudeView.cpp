#include "AltitudeView.h"

#include "physics/Atmosphere.h"
#include "physics/Cooking.h"
#include "quantities/Rounding.h"
#include "substances/SubstanceLibrary.h"

#include <algorithm>

namespace uttrin {
namespace {

std::optional<AltitudeRow> rowAt(double metre, Pressure p, double activationEnergy) {
    const auto boils = water().boilingPoint(p);
    if (!boils) return std::nullopt;
    return AltitudeRow{metre, p.kilopascal(), boils->celsius(), relativeCookingTime(activationEnergy, *boils),
                       false};
}

} // namespace

std::vector<AltitudeRow> altitudeRows(double lowest, double highest, double step, double activationEnergy,
                                      std::optional<Pressure> room) {
    std::vector<AltitudeRow> rows;
    for (double metre = lowest; metre <= highest + 0.5 * step; metre += step)
        if (const auto p = standardAtmospherePressure(Length::fromMetre(metre)))
            if (auto row = rowAt(metre, *p, activationEnergy)) rows.push_back(*row);
    if (room)
        if (const auto height = standardAtmosphereAltitude(*room))
            if (auto row = rowAt(height->metre(), *room, activationEnergy)) {
                row->here = true;
                rows.push_back(*row);
            }
    std::stable_sort(rows.begin(), rows.end(),
                     [](const AltitudeRow& a, const AltitudeRow& b) { return a.metre < b.metre; });
    return rows;
}

Text altitudeAdvice(const AltitudeRow& here, const Text& process) {
    return Text::tr("Here water boils at {} °C, and boils no hotter however hard it is heated: {} takes "
                    "about {} times as long "
                    "as at 100 °C. Food cooks by its temperature, not by bubbles. And it still scalds: "
                    "skin burns in seconds "
                    "from about 60 °C.",
                    fixed(here.celsius, 1), process, fixed(here.relativeTime, 2));
}

} // namespace uttrin
