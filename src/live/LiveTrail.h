#pragma once

#include "LiveProfile.h"
#include "trace/Trace.h"

namespace uttrin {

/// What the instruments at a bench gave in the last minutes, by one clock that nobody can set: s since it was
/// begun. Pressures stay as they were sent, absolute or against the room.
class LiveTrail {
public:
    static constexpr double kKeeps = 900.0; ///< s; what is older is in the notebook alone

    /// What came of an instrument since it was asked last, by time. One that measures another pressure than the
    /// one before takes its place.
    void take(LiveQuantity quantity, const TraceChannel& came);
    void clear() { *this = LiveTrail(); }

    [[nodiscard]] LiveQuantity pressureQuantity() const { return m_pressureQuantity; }
    [[nodiscard]] const TraceChannel& pressure() const { return m_pressure; }
    [[nodiscard]] const TraceChannel& temperature() const { return m_temperature; }
    [[nodiscard]] bool empty() const { return m_pressure.empty() && m_temperature.empty(); }
    /// The time of what came last, s; 0 where nothing did.
    [[nodiscard]] double last() const;

    /// Absolute pressure and temperature, each moved back by the lag of its instrument, so that both tell of
    /// the same moments.
    /// @param roomPascal  for one that counts from the room.
    struct Lags {
        double pressure = 0.0, temperature = 0.0; ///< s, time constants
    };
    [[nodiscard]] Trace aligned(double roomPascal, const Lags& lags, double from, double to) const;

private:
    LiveQuantity m_pressureQuantity = LiveQuantity::AbsolutePressure;
    TraceChannel m_pressure, m_temperature;
};

} // namespace uttrin
