#include "RigModel.h"

#include <algorithm>
#include <cmath>

namespace uttrin {

double Skin::pressure(double ratio) const {
    constexpr double kSecond = 0.1; // of the sheet's second constant to its first, as of rubber
    if (law == SkinLaw::Plunger) return 0.0;
    const double stretch = std::cbrt(ratio);
    if (law == SkinLaw::Sheet) {
        if (ratio <= 1.0) return 0.0; // it hangs limp
        const double first = shear / (1.0 + kSecond);
        return 2.0 * solidShare * first * (1.0 / stretch - std::pow(stretch, -7.0)) *
               (1.0 + kSecond * stretch * stretch);
    }
    const double outer = std::cbrt(ratio * (1.0 - solidShare) + solidShare);
    const auto side = [](double l) { return 4.0 / l + 1.0 / (l * l * l * l); };
    return 0.5 * shear * (side(outer) - side(stretch));
}

bool startsFrozen(const RigModel& m, const RigFluid& fluid, const Vessel& v) {
    if (v.kelvin >= fluid.tripleKelvin() || !fluid.hasSolid()) return false;
    // A solution may start below the solvent's triple point as long as it does not freeze there.
    return !(m.solute && v.solute > 0.0 &&
             v.kelvin >= m.solute->freezingKelvin(v.solute / (v.solute + v.condensed)));
}

RigSolute::Saturation startingSaturation(const RigModel& m, const RigFluid& fluid, const Vessel& v) {
    if (v.condensed + v.solute <= 0.0) return {};
    if (startsFrozen(m, fluid, v)) return {fluid.solidSaturation(v.kelvin), 0.0};
    if (m.solute && v.solute > 0.0)
        return m.solute->saturation(fluid, v.solute / (v.solute + v.condensed), v.kelvin);
    return {fluid.liquidSaturation(v.kelvin), 0.0};
}

double startingBoilingKelvin(const RigModel& m, const RigFluid& fluid, const Vessel& v, double pascal) {
    if (!m.solute || v.solute <= 0.0) return fluid.boilingKelvin(pascal);
    return m.solute->boilingKelvin(
        fluid, std::min(v.solute / (v.solute + v.condensed), m.solute->highestShare()), pascal);
}

Result<void> check(const RigModel& m) {
    const auto refuse = [](const Text& what) { return fail(Failure::BadInput, what); };
    if (m.vessels.empty()) return refuse(Text::tr("a rig needs a vessel"));
    if (!(m.roomPascal > 0.0 && m.roomKelvin > 0.0))
        return refuse(Text::tr("the room needs a pressure and a temperature"));
    for (const Vessel& v : m.vessels) {
        if (!(v.volume > 0.0))
            return refuse(Text::tr("{}: a volume above zero is needed", Text::data(v.name)));
        if (!(v.condensed >= 0.0 && v.airPascal >= 0.0 && v.surface >= 0.0 && v.dissolving >= 0.0))
            return refuse(
                Text::tr("{}: amounts, areas and conductances are not negative", Text::data(v.name)));
        if (v.walls.size() > kMostWalls)
            return refuse(Text::tr("{}: at most {} walls", Text::data(v.name), kMostWalls));
        for (const Wall& w : v.walls)
            if (!(w.heatCapacity > 0.0 && w.toContents >= 0.0 && w.dry >= 0.0))
                return refuse(
                    Text::tr("{}: a wall has a heat capacity above zero, and no area or conductance below it",
                             Text::data(v.name)));
        for (std::size_t k = 0; k < v.givesWay.size(); ++k)
            if (!(v.givesWay[k].overRoom > (k > 0 ? v.givesWay[k - 1].overRoom : 0.0)))
                return refuse(
                    Text::tr("{}: it gives way at pressures over the room’s that rise", Text::data(v.name)));
        if (v.vapourPascal && !(*v.vapourPascal >= 0.0))
            return refuse(Text::tr("{}: the vapour’s pressure is not negative", Text::data(v.name)));
        if (!(v.condensed + v.airPascal + v.vapourPascal.value_or(0.0) > 0.0))
            return refuse(Text::tr("{}: there is nothing in it", Text::data(v.name)));
        if (!(v.solute >= 0.0) || (v.solute > 0.0 && !m.solute))
            return refuse(Text::tr("{}: what is dissolved in it is not said", Text::data(v.name)));
        if (m.solute && v.solute > m.solute->highestShare() * (v.solute + v.condensed))
            return refuse(Text::tr("{}: there is more {} in it than the model knows, {:.1f} % by mass",
                                   Text::data(v.name), m.solute->name(), 100.0 * m.solute->highestShare()));
        if (!(v.nucleation >= 0.0))
            return refuse(Text::tr("{}: bubbles form above boiling, not below", Text::data(v.name)));
        if (!(v.supercooling >= 0.0 && v.mouth >= 0.0 && v.airDissolved >= 0.0 && v.airDissolved <= 1.0))
            return refuse(Text::tr("{}: supercooling and mouth are not negative; the share of dissolved "
                                   "air lies from 0 to 1",
                                   Text::data(v.name)));
        if (!(v.sticking > 0.0 && v.sticking <= 1.0))
            return refuse(
                Text::tr("{}: the share of molecules that stick lies from 0 to 1", Text::data(v.name)));
    }
    const auto isWall = [&](int vessel, int wall) { // the first stands for the contents where there is none
        return wall == 0 || (wall > 0 && static_cast<std::size_t>(wall) <
                                             m.vessels[static_cast<std::size_t>(vessel)].walls.size());
    };
    const auto known = [&](int vessel) {
        return vessel >= 0 && static_cast<std::size_t>(vessel) < m.vessels.size();
    };
    for (const Link& l : m.links) {
        if (!(known(l.from) || l.from == kRoom) || !(known(l.to) || l.to == kRoom) || l.from == l.to)
            return refuse(Text::tr("a link joins two vessels, or a vessel and the room"));
        if (!(l.tube.diameter > 0.0 && l.tube.length >= 0.0))
            return refuse(Text::tr("a tube has a diameter and a length"));
        if (!(l.opening >= 0.0 && l.opening <= 1.0 && l.reliefPascal >= 0.0))
            return refuse(Text::tr("a link is open from 0 to 1, and its relief pressure is not negative"));
    }
    for (const LiquidTube& t : m.liquidTubes)
        if (!known(t.from) || !known(t.to) || t.from == t.to ||
            !(t.tube.diameter > 0.0 && t.tube.length > 0.0 && t.viscosity > 0.0) || !std::isfinite(t.rise))
            return refuse(
                Text::tr("a tube for liquid joins two vessels, with a diameter, a length and a viscosity"));
    for (const Skin& s : m.skins) {
        if (!known(s.inside) || !(known(s.around) || s.around == kRoom) || s.inside == s.around)
            return refuse(Text::tr("a skin lies around one vessel, in another or in the room"));
        if (!(s.shear >= 0.0 && s.solidShare >= 0.0 && s.solidShare < 1.0 && s.viscosity > 0.0 &&
              s.holds > 0.0 && s.bursting >= 0.0 && s.rest >= 0.0 && s.friction >= 0.0))
            return refuse(
                Text::tr("a skin has a modulus, a share of solid below 1 and a viscosity above zero"));
        for (const Skin& other : m.skins)
            if (&other != &s && (other.inside == s.inside || other.inside == s.around))
                return refuse(Text::tr("a vessel has one skin, and nothing swells in what swells"));
    }
    for (const PumpAt& p : m.pumps)
        if (!known(p.vessel) || !(p.pump.speed >= 0.0 && p.pump.ultimatePa >= 0.0 && p.oilKelvin >= 0.0 &&
                                  p.ballast >= 0.0 && p.ballastOpen >= 0.0 && p.ballastOpen <= 1.0))
            return refuse(
                Text::tr("a pump stands at a vessel, with a speed, an ultimate pressure and a ballast"));
    for (const Contact& c : m.contacts)
        if (!known(c.vessel) || !(known(c.other) || c.other == kRoom) || c.other == c.vessel ||
            (c.other != kRoom && c.iceKg > 0.0) ||
            !(c.conductance >= 0.0 && c.kelvin > 0.0 && c.iceKg >= 0.0) || !isWall(c.vessel, c.wall))
            return refuse(Text::tr("a contact touches a vessel, with a conductance and a temperature"));
    for (const Heater& h : m.heaters)
        if (!known(h.vessel) || !std::isfinite(h.watt) || !isWall(h.vessel, h.wall))
            return refuse(Text::tr("a heater stands at a vessel, with a power"));
    for (const Draught& d : m.draughts)
        if (!known(d.vessel) ||
            !(d.surface >= 0.0 && d.transfer >= 0.0 && d.humidity >= 0.0 && d.humidity <= 1.0))
            return refuse(Text::tr("a draught blows over a vessel’s surface, with a humidity from 0 to 1"));
    for (const DryingDish& d : m.dishes)
        if (!known(d.vessel) ||
            !(d.surface >= 0.0 && d.toRoom >= 0.0 && d.agent.dryKg > 0.0 && d.waterKg >= 0.0))
            return refuse(Text::tr("a drying agent stands in a vessel, with a mass and a surface"));
    return {};
}

} // namespace uttrin
