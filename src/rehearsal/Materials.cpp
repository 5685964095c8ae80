#include "Materials.h"

#include "RigTiming.h"
#include "StoryFigures.h"
#include "quantities/Rounding.h"

#include <algorithm>
#include <cmath>

namespace uttrin {
namespace {

constexpr double kGramsAKilogram = 1000.0, kMillilitresACubicMetre = 1e6;

Needed neededOf(const RigMaterial& m, const Rehearsal* played) {
    Needed n{Needed::Things, storyText(m.says, played), m.of, m.each};
    switch (m.amount) {
    case RigMaterial::Thing:
        break;
    case RigMaterial::Ice:
        n.kind = Needed::Kilograms;
        n.amount.reset();
        if (played) {
            n.amount = 0.0;
            for (const IcePortion& portion : iceOf(*played))
                *n.amount += portion.kg;
        }
        break;
    case RigMaterial::Liquid:
        n.kind = Needed::Kilograms;
        n.amount = played ? std::optional(played->watched().condensed) : std::nullopt;
        break;
    case RigMaterial::Mass:
        n.kind = Needed::Kilograms;
        break;
    case RigMaterial::Volume:
        n.kind = Needed::CubicMetres;
        break;
    }
    return n;
}

} // namespace

Text gramsText(double kg) {
    const double g = kGramsAKilogram * kg;
    constexpr double kCoarse = 10.0;
    return Text::set("{} g", fixed(g, g < kCoarse ? 1 : 0));
}

std::vector<Needed> neededFor(const RigStory& story, const Rehearsal* played) {
    std::vector<Needed> all;
    for (const RigMaterial& m : story.materials)
        if (Needed n = neededOf(m, played); n.amount != 0.0) all.push_back(std::move(n));
    return all;
}

Text neededText(const Needed& n) {
    if (n.each) return Text::tr("{}, for everybody", n.what);
    switch (n.kind) {
    case Needed::Kilograms:
        return Text::set("{}: {}", n.what, n.amount ? gramsText(*n.amount) : Text::set("…"));
    case Needed::CubicMetres:
        return Text::set("{}: {} mL", n.what, fixed(n.amount.value_or(0.0) * kMillilitresACubicMetre, 0));
    case Needed::Things:
        break;
    }
    return n.amount.value_or(1.0) > 1.0 ? Text::set("{}: {}", n.what, fixed(*n.amount, 0)) : n.what;
}

} // namespace uttrin
