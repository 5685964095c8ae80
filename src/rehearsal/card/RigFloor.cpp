#include "RigFloor.h"

#include "physics/Constants.h"
#include "quantities/Rounding.h"

#include <algorithm>

namespace uttrin {
namespace {

/// Whether something touches a vessel at the beginning or by a move.
bool everTouches(const RigSetup& setup, std::size_t contact) {
    return setup.model.contacts[contact].on || std::ranges::any_of(setup.moves, [&](const RigMove& move) {
               return std::ranges::any_of(move.actions, [&](const RigAction& a) {
                   return a.what == RigAction::Touch && a.part == static_cast<int>(contact) && a.value > 0.0;
               });
           });
}

/// The lowest temperature at which its liquid boils, as far as its curve is known.
double lowestBoilingKelvin(const RigFluid& fluid) {
    return fluid.hasSolid() ? std::max(fluid.tripleKelvin(), fluid.lowestLiquidKelvin())
                            : fluid.lowestKelvin();
}

void lower(std::optional<RigFloor>& floor, RigFloor other) {
    if (!floor || other.pascal < floor->pascal) floor = std::move(other);
}

} // namespace

std::optional<RigFloor> floorOf(const RigSetup& setup) {
    const auto fluid = rigFluid(setup.substance);
    if (!fluid) return std::nullopt;
    const RigModel& m = setup.model;
    std::optional<RigFloor> floor;
    for (const DryingDish& dish : m.dishes)
        if (dish.surface > 0.0)
            lower(floor, {RigFloor::DryingAgent,
                          dish.name,
                          dish.agent.activity(dish.waterKg) * fluid->liquidSaturation(m.roomKelvin),
                          {}});
    constexpr double kColder = 5.0; // K, below the room
    // Where a pump draws, it takes what a cold wall leaves: a condenser sets no floor.
    for (std::size_t i = 0; m.pumps.empty() && i < m.contacts.size(); ++i) {
        const Contact& c = m.contacts[i];
        const bool cold = c.iceKg <= 0.0 && c.conductance > 0.0 && c.kelvin < m.roomKelvin - kColder;
        if (!cold || isOfTheRoom(c) || !everTouches(setup, i) || c.kelvin < fluid->lowestKelvin()) continue;
        const bool frozen = fluid->hasSolid() && c.kelvin < fluid->tripleKelvin();
        lower(floor, {RigFloor::ColdBath,
                      c.name,
                      frozen ? fluid->solidSaturation(c.kelvin) : fluid->liquidSaturation(c.kelvin),
                      {}});
    }
    if (!floor)
        for (const PumpAt& p : m.pumps)
            lower(floor, {RigFloor::Pump, p.name, p.pump.ultimatePa, {}});
    if (floor && floor->pascal >= fluid->liquidSaturation(lowestBoilingKelvin(*fluid)))
        floor->boilingKelvin = fluid->boilingKelvin(floor->pascal);
    return floor;
}

Text floorText(const RigFloor& f, const RigSetup& setup) {
    const auto fluid = rigFluid(setup.substance);
    constexpr double kFine = 1000.0; // Pa
    const Text pressure = Text::set("{} kPa", fixed(f.pascal / 1000.0, f.pascal < kFine ? 3 : 1));
    const Text name = Text::data(f.name);
    if (f.boilingKelvin)
        return Text::tr("{}: no lower than {} absolute, where it boils at {} °C.", name, pressure,
                        fixed(*f.boilingKelvin - kIcePointKelvin, 0));
    if (!fluid || !fluid->hasSolid()) return Text::tr("{}: down to {} absolute.", name, pressure);
    return Text::tr("{}: down to {} absolute, below the {} Pa of the triple point: it can freeze.", name,
                    pressure, fixed(fluid->liquidSaturation(fluid->tripleKelvin()), 0));
}

} // namespace uttrin
