#include "RigModel.h"

#include <fmt/format.h>

#include <cmath>

namespace uttrin {

Result<void> check(const RigModel& m) {
    const auto refuse = [](const std::string& what) { return fail(Failure::BadInput, what); };
    if (m.vessels.empty()) return refuse("a rig needs a vessel");
    if (!(m.roomPascal > 0.0 && m.roomKelvin > 0.0))
        return refuse("the room needs a pressure and a temperature");
    for (const Vessel& v : m.vessels) {
        if (!(v.volume > 0.0)) return refuse(fmt::format("{}: a volume above zero is needed", v.name));
        if (!(v.condensed >= 0.0 && v.airPascal >= 0.0 && v.surface >= 0.0 && v.dryWall >= 0.0 &&
              v.wallHeatCapacity >= 0.0 && v.wallToContents >= 0.0))
            return refuse(fmt::format("{}: amounts, areas and conductances are not negative", v.name));
        if (v.vapourPascal && !(*v.vapourPascal >= 0.0))
            return refuse(fmt::format("{}: the vapour's pressure is not negative", v.name));
        if (!(v.condensed + v.airPascal + v.vapourPascal.value_or(0.0) > 0.0))
            return refuse(fmt::format("{}: there is nothing in it", v.name));
        if (!(v.nucleation >= 0.0))
            return refuse(fmt::format("{}: bubbles form above boiling, not below", v.name));
        if (!(v.supercooling >= 0.0 && v.mouth >= 0.0 && v.airDissolved >= 0.0 && v.airDissolved <= 1.0))
            return refuse(fmt::format("{}: supercooling and mouth are not negative; the share of dissolved "
                                      "air lies from 0 to 1",
                                      v.name));
        if (!(v.sticking > 0.0 && v.sticking <= 1.0))
            return refuse(fmt::format("{}: the share of molecules that stick lies from 0 to 1", v.name));
    }
    const auto known = [&](int vessel) {
        return vessel >= 0 && static_cast<std::size_t>(vessel) < m.vessels.size();
    };
    for (const Link& l : m.links) {
        if (!(known(l.from) || l.from == kRoom) || !(known(l.to) || l.to == kRoom) || l.from == l.to)
            return refuse("a link joins two vessels, or a vessel and the room");
        if (!(l.tube.diameter > 0.0 && l.tube.length >= 0.0))
            return refuse("a tube has a diameter and a length");
        if (!(l.opening >= 0.0 && l.opening <= 1.0 && l.reliefPascal >= 0.0))
            return refuse("a link is open from 0 to 1, and its relief pressure is not negative");
    }
    for (const PumpAt& p : m.pumps)
        if (!known(p.vessel) || !(p.pump.speed >= 0.0 && p.pump.ultimatePa >= 0.0))
            return refuse("a pump stands at a vessel, with a speed and an ultimate pressure");
    for (const Contact& c : m.contacts)
        if (!known(c.vessel) || !(c.conductance >= 0.0 && c.kelvin > 0.0 && c.iceKg >= 0.0))
            return refuse("a contact touches a vessel, with a conductance and a temperature");
    for (const Heater& h : m.heaters)
        if (!known(h.vessel) || !std::isfinite(h.watt))
            return refuse("a heater stands at a vessel, with a power");
    for (const Draught& d : m.draughts)
        if (!known(d.vessel) ||
            !(d.surface >= 0.0 && d.transfer >= 0.0 && d.humidity >= 0.0 && d.humidity <= 1.0))
            return refuse("a draught blows over a vessel's surface, with a humidity from 0 to 1");
    for (const DryingDish& d : m.dishes)
        if (!known(d.vessel) || !(d.surface >= 0.0 && d.toRoom >= 0.0 && d.agent.dryKg > 0.0))
            return refuse("a drying agent stands in a vessel, with a mass and a surface");
    return {};
}

} // namespace uttrin
