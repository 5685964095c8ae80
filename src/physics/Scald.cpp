#include "Scald.h"

namespace uttrin {
namespace {

constexpr double kLong = 43.0, kMinutes = 49.0, kSeconds = 55.0, kAtOnce = 65.0; // °C

} // namespace

Scald scaldBy(Temperature t) {
    const double c = t.celsius();
    return c < kLong      ? Scald::None
           : c < kMinutes ? Scald::InLong
           : c < kSeconds ? Scald::InMinutes
           : c < kAtOnce  ? Scald::InSeconds
                          : Scald::AtOnce;
}

Text scaldText(Temperature t) {
    switch (scaldBy(t)) {
    case Scald::None:
        return {};
    case Scald::InLong:
        return Text::tr("Liquid this warm scalds whoever stays in it for long.");
    case Scald::InMinutes:
        return Text::tr("Liquid this hot scalds within minutes.");
    case Scald::InSeconds:
        return Text::tr("Liquid this hot scalds within seconds.");
    case Scald::AtOnce:
        break;
    }
    return Text::tr("Liquid this hot scalds at once.");
}

Text coolBoilingText(Temperature t) {
    constexpr double kAsUsual = 99.0; // °C
    if (t.celsius() >= kAsUsual) return {};
    return Text::tr("Boiling at this temperature does not sterilise, and does not cook faster.");
}

} // namespace uttrin
