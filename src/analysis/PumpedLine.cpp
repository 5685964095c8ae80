#include "PumpedLine.h"

#include "rig/matter/RigFluid.h"

#include <boost/math/tools/toms748_solve.hpp>

#include <cstdint>

namespace uttrin {
Result<double> mostAboveGauge(const PumpedLine& line, const Substance& vapour, Temperature temperature,
                              Pressure atGauge) {
    if (!(line.boreMetre > 0.0 && line.lengthMetre >= 0.0 && line.pumpCubicMetres > 0.0))
        return fail(Failure::BadInput, Text::tr("a pumped line needs a bore and a pump’s speed above zero"));
    const auto gas = vapourOf(vapour);
    if (!gas)
        return fail(Failure::BadInput,
                    Text::tr("the viscosity of the vapour of {} is not known", vapour.facts().name));
    const double kelvin = temperature.kelvin(), shown = atGauge.pascal();
    const double taken = pumpMassFlow({line.pumpCubicMetres, line.ultimatePascal}, *gas, kelvin, shown);
    if (!(taken > 0.0)) return 0.0;
    const Tube tube{line.boreMetre, line.lengthMetre};
    const auto lacking = [&](double above) {
        return tubeMassFlow(tube, *gas, kelvin, shown + above, shown) - taken;
    };
    double high = shown;
    constexpr int kDoublings = 60;
    for (int i = 0; i < kDoublings && lacking(high) < 0.0; ++i)
        high *= 2.0;
    if (lacking(high) < 0.0)
        return fail(Failure::OutOfRange, Text::tr("such a tube lets next to nothing through to that pump"));
    std::uintmax_t steps = 100;
    constexpr int kBits = 40;
    const auto [low, top] = boost::math::tools::toms748_solve(
        lacking, 0.0, high, -taken, lacking(high), boost::math::tools::eps_tolerance<double>(kBits), steps);
    return 0.5 * (low + top);
}

} // namespace uttrin
