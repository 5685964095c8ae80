#include "RigMoves.h"

#include <algorithm>
#include <cmath>

namespace uttrin {

double Ramp::at(double seconds) const {
    if (seconds >= end) return to;
    if (seconds <= begin) return from;
    return from + (to - from) * (seconds - begin) / (end - begin);
}

double Ramp::slope(double seconds) const {
    return seconds > begin && seconds < end ? (to - from) / (end - begin) : 0.0;
}

double Ramp::slope(double seconds, double constant) const {
    if (constant <= 0.0) return slope(seconds);
    if (seconds <= begin) return 0.0;
    const double steady = (to - from) / (end - begin), added = std::min(seconds, end) - begin;
    return -steady * std::expm1(-added / constant) * std::exp(-(std::max(seconds, end) - end) / constant);
}

void carryOut(const RigAction& a, double seconds, RigModel& m) {
    const auto at = static_cast<std::size_t>(a.part);
    constexpr double kQuick = 0.05; // s; nothing moves in no time
    const double over = a.over > kQuick ? a.over : kQuick;
    switch (a.what) {
    case RigAction::Open:
        m.links[at].opening = a.value;
        return;
    case RigAction::RunPump:
        m.pumps[at].on = a.value > 0.0;
        return;
    case RigAction::Touch:
        m.contacts[at].on = a.value > 0.0;
        return;
    case RigAction::Ice:
        m.contacts[at].iceKg = a.value;
        m.contacts[at].on = a.value > 0.0;
        return;
    case RigAction::BathKelvin:
        m.contacts[at].kelvin = a.value;
        return;
    case RigAction::Heat:
        m.heaters[at].watt = a.value;
        return;
    case RigAction::Volume:
        m.vessels[at].stroke = Ramp{m.vessels[at].volumeAt(seconds), a.value, seconds, seconds + over};
        return;
    case RigAction::LetGo:
        m.vessels[at].stroke.reset();
        return;
    case RigAction::RoomPressure:
        m.climb = Ramp{m.roomPascalAt(seconds), a.value, seconds, seconds + over};
        return;
    case RigAction::Fan:
        m.draughts[at].on = a.value > 0.0;
        return;
    case RigAction::Ballast:
        m.pumps[at].ballastOpen = a.value;
        return;
    case RigAction::StirIn:
        m.vessels[at].feed = Ramp{0.0, a.value, seconds, seconds + over};
        return;
    }
}

Result<void> check(const RigModel& m, const std::vector<RigMove>& moves) {
    const auto counts = [&m](RigAction::What what) {
        switch (what) {
        case RigAction::Open:
            return m.links.size();
        case RigAction::RunPump:
        case RigAction::Ballast:
            return m.pumps.size();
        case RigAction::Touch:
        case RigAction::Ice:
        case RigAction::BathKelvin:
            return m.contacts.size();
        case RigAction::Heat:
            return m.heaters.size();
        case RigAction::Volume:
        case RigAction::LetGo:
            return m.vessels.size();
        case RigAction::StirIn:
            return m.solute ? m.vessels.size() : std::size_t{0};
        case RigAction::RoomPressure:
            return std::size_t{1};
        case RigAction::Fan:
            return m.draughts.size();
        }
        return std::size_t{0};
    };
    for (std::size_t i = 0; i < moves.size(); ++i) {
        const RigTrigger& t = moves[i].when;
        if (t.vessel < 0 || static_cast<std::size_t>(t.vessel) >= m.vessels.size() || !(t.delay >= 0.0) ||
            !(t.earliest >= 0.0) || !std::isfinite(t.value))
            return fail(Failure::BadInput, Text::tr("move {}: it waits for what is not there", i + 1));
        for (const RigAction& a : moves[i].actions)
            if (a.part < 0 || static_cast<std::size_t>(a.part) >= counts(a.what) || !(a.over >= 0.0) ||
                !std::isfinite(a.value) ||
                (a.what == RigAction::Ice && m.contacts[static_cast<std::size_t>(a.part)].iceKg <= 0.0))
                return fail(Failure::BadInput, Text::tr("move {}: it moves what is not there", i + 1));
    }
    return {};
}

} // namespace uttrin
