#include "RigMoves.h"

namespace uttrin {

double Ramp::at(double seconds) const {
    if (seconds >= end) return to;
    if (seconds <= begin) return from;
    return from + (to - from) * (seconds - begin) / (end - begin);
}

double Ramp::slope(double seconds) const {
    return seconds > begin && seconds < end ? (to - from) / (end - begin) : 0.0;
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

} // namespace uttrin
