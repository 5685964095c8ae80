#include "Appearance.h"

#include "quantities/Rounding.h"

#include <cmath>

namespace uttrin {
namespace {

constexpr double kBoiling = 8e-3, kViolent = 0.2; // m/s, of vigour
constexpr double kTrace = 1e-6;                   // kg
constexpr double kMuchAir = 5e3;                  // Pa, through which hardly any vapour gets away

} // namespace

Appearance appearanceOf(const Vessel& vessel, const VesselState& s) {
    const double condensed = s.liquid + s.solid;
    if (condensed < kTrace) return Appearance::Dry;
    if (s.liquid < 1e-3 * condensed)
        return vessel.condensed > kTrace ? Appearance::Frozen : Appearance::Frost;
    constexpr double kBumps = 1.5; // K of superheat at which bubbles come all at once
    if (s.vigour > kViolent)
        return s.margin.value_or(0.0) > kBumps && vessel.nucleation > kBumps ? Appearance::Bumping
                                                                             : Appearance::Violent;
    if (s.vigour > kBoiling) return Appearance::Boiling;
    if (s.solid > 1e-3 * condensed) return Appearance::SkinOfIce;
    if (s.vigour > kFirstBubbles) return Appearance::FirstBubbles;
    constexpr double kEnough = 1e-6; // kg of air to a kg of liquid
    if (s.supersaturation > 0.5 && s.dissolved > kEnough * s.liquid) return Appearance::WallBubbles;
    return Appearance::Quiet;
}

bool boils(Appearance seen) {
    return seen == Appearance::FirstBubbles || seen == Appearance::Boiling || seen == Appearance::Violent ||
           seen == Appearance::Bumping;
}

Text nameOf(Appearance seen) {
    switch (seen) {
    case Appearance::Quiet:
        return Text::tr("quiet");
    case Appearance::WallBubbles:
        return Text::tr("bubbles of dissolved air");
    case Appearance::FirstBubbles:
        return Text::tr("first steady bubbles");
    case Appearance::Boiling:
        return Text::tr("boiling");
    case Appearance::Violent:
        return Text::tr("violent boiling");
    case Appearance::Bumping:
        return Text::tr("bumping");
    case Appearance::Frost:
        return Text::tr("frost");
    case Appearance::SkinOfIce:
        return Text::tr("skin of ice");
    case Appearance::Frozen:
        return Text::tr("frozen through");
    case Appearance::Dry:
        return Text::tr("dry");
    }
    return {};
}

Text appearanceText(const Vessel& vessel, const VesselState& s) {
    const double margin = s.margin.value_or(0.0);
    const Text below = Text::tr("{} K below boiling", fixed(-margin, margin > -10.0 ? 1 : 0));
    const bool nearSurface = s.marginAtBottom && *s.marginAtBottom < 0.0;
    switch (appearanceOf(vessel, s)) {
    case Appearance::Quiet:
        return margin < 0.0 ? Text::tr("Quiet: {}.", below)
                            : Text::tr("Quiet: at its boiling point, but too little vapour leaves to see.");
    case Appearance::WallBubbles:
        return Text::tr(
            "Small bubbles on the wall: dissolved air comes out. This is not boiling yet; it is {}.", below);
    case Appearance::FirstBubbles:
        return nearSurface
                   ? Text::tr(
                         "First steady bubbles, and only near the surface: deeper down the weight of the "
                         "liquid holds them back.")
                   : Text::tr("First steady bubbles rise.");
    case Appearance::Boiling:
        return nearSurface
                   ? Text::tr("It boils in its upper part; below, the weight of the liquid holds it back.")
                   : Text::tr("It boils right through.");
    case Appearance::Violent:
        return Text::tr("It boils violently and splashes.");
    case Appearance::Bumping:
        return Text::tr("It bumps: {:.0f} K above boiling, it goes off all at once.", margin);
    case Appearance::Frost:
        return Text::tr("Frost grows on the cold wall.");
    case Appearance::SkinOfIce:
        return Text::tr("Ice and water: {:.0f} % is ice.", 100.0 * s.solid / (s.solid + s.liquid));
    case Appearance::Frozen:
        return s.airPascal < kMuchAir
                   ? Text::tr("Frozen through; the ice goes on giving off vapour without melting.")
                   : Text::tr("Frozen through.");
    case Appearance::Dry:
        return Text::tr("Dry.");
    }
    return {};
}

} // namespace uttrin
