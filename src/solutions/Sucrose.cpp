#include "Sucrose.h"

#include "SolventActivity.h"
#include "physics/Constants.h"
#include "physics/MonotoneTable.h"
#include "substances/SubstanceLibrary.h"

#include <boost/math/tools/roots.hpp>

#include <algorithm>
#include <array>

namespace uttrin::sucrose {
namespace {

// Per cent by mass, K.
const MonotoneTable& table() {
    static const MonotoneTable t({{0, 0.0},
                                  {10, 0.14},
                                  {20, 0.33},
                                  {30, 0.62},
                                  {40, 1.07},
                                  {50, 1.80},
                                  {55, 2.3},
                                  {60, 3.0},
                                  {65, 3.9},
                                  {70, 5.2},
                                  {75, 7.0},
                                  {80, 9.6},
                                  {85, 13.9},
                                  {90, 21.7},
                                  {92, 26.9},
                                  {95, 39.6},
                                  {97, 51.0},
                                  {98.2, 60.0},
                                  {99.5, 66.0}});
    return t;
}

} // namespace

Result<TemperatureDifference> elevationAtStandardPressure(double massFraction) {
    if (!(massFraction >= 0.0 && massFraction <= kHighestMassFraction))
        return fail(Failure::OutOfRange,
                    Text::tr("sucrose solutions are known from 0 to {} % by mass; {:.4g} % lies outside",
                             100.0 * kHighestMassFraction, 100.0 * massFraction));
    return TemperatureDifference::fromKelvin(table()(100.0 * massFraction));
}

Result<double> massFractionForElevation(TemperatureDifference elevation) {
    const double highest = table()(100.0 * kHighestMassFraction), wanted = elevation.kelvin();
    if (!(wanted >= 0.0 && wanted <= highest))
        return fail(Failure::OutOfRange,
                    Text::tr("sucrose solutions boil 0 to {:.0f} K higher than water; {:.4g} K lies outside",
                             highest, wanted));
    constexpr int kBits = 40;
    const auto above = [&](double percent) { return table()(percent) - wanted; };
    const auto [low, high] = boost::math::tools::bisect(above, 0.0, 100.0 * kHighestMassFraction,
                                                        boost::math::tools::eps_tolerance<double>(kBits));
    return 0.01 * 0.5 * (low + high);
}

double elevationU(double massFraction) {
    constexpr double kRelative = 0.06, kLeast = 0.05; // K
    return std::max(kLeast, kRelative * table()(100.0 * massFraction));
}

Result<double> waterActivity(double massFraction) {
    return elevationAtStandardPressure(massFraction).and_then([](TemperatureDifference elevation) {
        const auto boils = water().facts().normalBoilingPoint + elevation;
        return solventActivity(water(), boils, Pressure::fromPascal(kStandardAtmospherePascal));
    });
}

std::span<const Stage> stages() {
    static constexpr std::array all{
        Stage{Text::phrase("thread"), 106.0, 112.0},      Stage{Text::phrase("soft ball"), 112.0, 116.0},
        Stage{Text::phrase("firm ball"), 118.0, 120.0},   Stage{Text::phrase("hard ball"), 121.0, 130.0},
        Stage{Text::phrase("soft crack"), 132.0, 143.0},  Stage{Text::phrase("hard crack"), 146.0, 154.0},
        Stage{Text::phrase("clear liquid"), 160.0, 168.0}};
    return all;
}

} // namespace uttrin::sucrose
