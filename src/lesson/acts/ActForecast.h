#pragma once

#include "ActRig.h"
#include "lesson/commands/LessonSession.h"
#include "period/Period.h"
#include "rehearsal/Materials.h"
#include "rehearsal/RigTiming.h"

#include <map>
#include <tuple>

namespace uttrin {

/// A part of an act as the period shows it, s from the act's start.
struct ActPart {
    enum Kind {
        Prepare, ///< by hand, before there is something to see
        Wait,    ///< it does it by itself
        Show     ///< before the class
    } kind = Show;
    double from = 0.0, to = 0.0;
    Text what;
    double u = 0.0; ///< s, standard uncertainty of its end; 0 where none is known
};

/// The parts of a demonstration, by what hands do; s from its beginning, without an uncertainty.
[[nodiscard]] std::vector<ActPart> partsOf(const RigTiming& timing);

/// What an act comes to, by the model of what it does.
struct ActForecast {
    TimedAct timed;
    std::vector<ActPart> parts;
    std::vector<Needed> materials;
    std::vector<Text> cautions;
    std::vector<RigNeed> needs; ///< of the room
    std::vector<Text> setUp;    ///< "boiling chips: fresh"
    std::vector<Text> handOver; ///< before the next group has it
    Text whoMay;                ///< who may do it, where it is planned for others; empty where it is not
    Text trouble;               ///< why there is no forecast; empty if there is one
    std::optional<double> wishStarts; ///< s of the period at which it has to start for what is wished
    Text wish;                        ///< the same in words; empty without a wish
};

/// Forecasts of acts, worked out when they are first asked for and kept for as long as what they come from is
/// the same. Not thread-safe.
class ActForecasts {
public:
    [[nodiscard]] ActForecast of(const LessonSession& session, const Act& act);

private:
    /// All that a forecast depends on but when the act starts and how far it is.
    using Key = std::tuple<ActKind, std::string, std::optional<int>, std::optional<int>,
                           std::optional<double>, std::optional<double>, std::optional<double>, ActDoer>;
    std::map<Key, ActForecast> m_known;
};

/// Whether an act is still done: it is neither done nor skipped.
[[nodiscard]] bool isToCome(const Act& act);

/// The period of a lesson: as it was set, else as long as its first plan says.
[[nodiscard]] PeriodRow periodRow(const LessonModel& model);
[[nodiscard]] Period periodOf(const LessonModel& model);

} // namespace uttrin
