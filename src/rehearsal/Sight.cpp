#include "Sight.h"

#include <fmt/format.h>

#include <cmath>

namespace uttrin {
namespace {

constexpr double kBoiling = 8e-3, kViolent = 0.2; // m/s, of vigour
constexpr double kTrace = 1e-6;                   // kg
constexpr double kMuchAir = 5e3;                  // Pa, through which hardly any vapour gets away

} // namespace

Seen seen(const Vessel& vessel, const VesselState& s) {
    const double condensed = s.liquid + s.solid;
    if (condensed < kTrace) return Seen::Dry;
    if (s.liquid < 1e-3 * condensed) return vessel.condensed > kTrace ? Seen::Frozen : Seen::Frost;
    constexpr double kBumps = 1.5; // K of superheat at which bubbles come all at once
    if (s.vigour > kViolent)
        return s.margin > kBumps && vessel.nucleation > kBumps ? Seen::Bumping : Seen::Violent;
    if (s.vigour > kBoiling) return Seen::Boiling;
    if (s.solid > 1e-3 * condensed) return Seen::SkinOfIce;
    if (s.vigour > kFirstBubbles) return Seen::FirstBubbles;
    constexpr double kEnough = 1e-6; // kg of air to a kg of liquid
    if (s.supersaturation > 0.5 && s.dissolved > kEnough * s.liquid) return Seen::WallBubbles;
    return Seen::Quiet;
}

bool boils(Seen seen) {
    return seen == Seen::FirstBubbles || seen == Seen::Boiling || seen == Seen::Violent ||
           seen == Seen::Bumping;
}

std::string_view nameOf(Seen seen) {
    switch (seen) {
    case Seen::Quiet:
        return "quiet";
    case Seen::WallBubbles:
        return "bubbles of dissolved air";
    case Seen::FirstBubbles:
        return "first steady bubbles";
    case Seen::Boiling:
        return "boiling";
    case Seen::Violent:
        return "violent boiling";
    case Seen::Bumping:
        return "bumping";
    case Seen::Frost:
        return "frost";
    case Seen::SkinOfIce:
        return "skin of ice";
    case Seen::Frozen:
        return "frozen through";
    case Seen::Dry:
        return "dry";
    }
    return "";
}

std::string sentenceFor(const Vessel& vessel, const VesselState& s) {
    const std::string below = fmt::format("{:.{}f} K below boiling", -s.margin, s.margin > -10.0 ? 1 : 0);
    const bool nearSurface = s.marginAtBottom < 0.0;
    switch (seen(vessel, s)) {
    case Seen::Quiet:
        return s.margin < 0.0
                   ? fmt::format("Quiet: {}.", below)
                   : std::string("Quiet: at its boiling point, but too little vapour leaves to see.");
    case Seen::WallBubbles:
        return fmt::format(
            "Small bubbles on the wall: dissolved air comes out. This is not boiling yet; it is {}.", below);
    case Seen::FirstBubbles:
        return nearSurface ? "First steady bubbles, and only near the surface: deeper down the weight of the "
                             "liquid holds them back."
                           : "First steady bubbles rise.";
    case Seen::Boiling:
        return nearSurface ? "It boils in its upper part; below, the weight of the liquid holds it back."
                           : "It boils right through.";
    case Seen::Violent:
        return "It boils violently and splashes.";
    case Seen::Bumping:
        return fmt::format("It bumps: {:.0f} K above boiling, it goes off all at once.", s.margin);
    case Seen::Frost:
        return "Frost grows on the cold wall.";
    case Seen::SkinOfIce:
        return fmt::format("Ice has formed: {:.0f} % of it is frozen.",
                           100.0 * s.solid / (s.solid + s.liquid));
    case Seen::Frozen:
        return s.airPascal < kMuchAir ? "Frozen through; the ice goes on giving off vapour without melting."
                                      : "Frozen through.";
    case Seen::Dry:
        return "Dry.";
    }
    return {};
}

} // namespace uttrin
