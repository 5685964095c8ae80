#pragma once

#include "lesson/commands/LessonSession.h"
#include "live/LiveMoment.h"

namespace uttrin {

/// What live instruments say as the instruments of the rig at the bench would show it.
struct LiveReadings {
    std::optional<LiveEvidence> gauge, thermometer;
    Text trouble; ///< why one of them cannot be taken for the rig's; empty where none is
};

/// @param quantity  of the pressure. @param begunMs  the wall's time at second nought of the moment.
[[nodiscard]] LiveReadings liveReadings(const LessonSession& session, const LiveMoment& moment,
                                        LiveQuantity quantity, Milliseconds begunMs);

/// The gauge of a rig as the instrument that is listened to has it: absolute or against the room, in the same
/// unit if that is one of pressure, else in kPa.
/// @param step  of its figures, Pa; 0 if not known. @param accuracyPascal  its limits of error; 1 kPa where
/// nobody has said better.
[[nodiscard]] PressureInstrument gaugeAsHeard(const PressureInstrument& gauge, LiveQuantity quantity,
                                              double step, std::optional<double> accuracyPascal);

/// Whether a gauge counts as an instrument that is listened to does.
[[nodiscard]] bool countsAlike(const PressureInstrument& gauge, LiveQuantity quantity);

/// The lags of the rig's instruments.
[[nodiscard]] LiveTrail::Lags lagsOf(const Rig& rig);

} // namespace uttrin
