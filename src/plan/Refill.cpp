#include "Refill.h"

namespace uttrin {
namespace {

constexpr double kHeatCapacity = 4186.0; // J/(kg K), liquid water
constexpr double kFusion = 333.55e3;     // J/kg

} // namespace

Result<Refill> refillFor(double waterKg, double nowCelsius, double nextCelsius, double hotCelsius) {
    Refill refill;
    if (nextCelsius <= nowCelsius) {
        if (nextCelsius <= 0.0)
            return fail(Failure::OutOfRange, Text::tr("ice brings water to no less than 0 °C"));
        refill.iceKg =
            waterKg * kHeatCapacity * (nowCelsius - nextCelsius) / (kFusion + kHeatCapacity * nextCelsius);
        return refill;
    }
    if (hotCelsius <= nextCelsius)
        return fail(Failure::OutOfRange, Text::tr("water of {} °C cannot bring it to {} °C",
                                                  Text::number(hotCelsius, 0), Text::number(nextCelsius, 0)));
    refill.hotKg = waterKg * (nextCelsius - nowCelsius) / (hotCelsius - nextCelsius);
    return refill;
}

} // namespace uttrin
