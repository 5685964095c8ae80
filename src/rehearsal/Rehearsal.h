#pragma once

#include "rehearsal/rigfile/RigFile.h"

#include <functional>
#include <optional>
#include <string>
#include <vector>

namespace uttrin {

/// A demonstration played through: the rig, what happened in it, what its instruments showed.
struct Rehearsal {
    RigSetup setup;
    RigRun run;
    std::optional<RigModel> now;            ///< as hands have made it, of one that is still going on
    std::vector<std::vector<double>> shown; ///< instrument by instrument, sample by sample, SI

    [[nodiscard]] const VesselState& watchedAt(std::size_t sample) const {
        return run.samples[sample].vessels[static_cast<std::size_t>(setup.watched)];
    }
    [[nodiscard]] const Vessel& watched() const {
        return setup.model.vessels[static_cast<std::size_t>(setup.watched)];
    }
    /// The sample at or before a time.
    [[nodiscard]] std::size_t sampleAt(double seconds) const;
};

/// A hole to the room that is too fine to be a valve: it is not drawn and not reached.
[[nodiscard]] bool isLeak(const Link& link);
/// The open top of what has no lid: no valve is drawn there, and no hand shuts it.
[[nodiscard]] bool isOpenTop(const RigSetup& setup, const Link& link);
/// A contact that is always there, as its name says (docs/rig-format.md): it is not drawn and not reached.
[[nodiscard]] bool isOfTheRoom(const Contact& contact);

/// When a move was made, s; nothing if it never was.
[[nodiscard]] std::optional<double> movedAt(const Rehearsal& rehearsal, int move);

/// K, the lowest temperature at which the watched vessel is seen to boil; nothing if it never does.
[[nodiscard]] std::optional<double> lowestBoiling(const Rehearsal& rehearsal);

/// The rig as its moves have made it by a time: valves, pumps, ice.
[[nodiscard]] RigModel modelAt(const Rehearsal& rehearsal, double seconds);

/// Has the instruments of a rehearsal look at its samples anew.
void readInstruments(Rehearsal& rehearsal);
/// What the first instrument of a kind on a vessel showed, sample by sample; null if there is none.
[[nodiscard]] const std::vector<double>* shownOf(const Rehearsal& rehearsal, RigInstrument::Kind kind,
                                                 int vessel);

/// A run of a rig with what its instruments showed.
[[nodiscard]] Rehearsal rehearsalOf(RigSetup setup, RigRun run);

/// Plays a rig file through. @param goOn  asked between samples; false ends it there. @param soFar  gets to
/// see it after each sample: `rehearsalOf` makes a part of a rehearsal of it.
[[nodiscard]] Result<Rehearsal>
rehearse(const RigFile& rig, const std::vector<RigSetting>& settings, const std::function<bool()>& goOn = {},
         const std::function<void(const RigSetup&, const RigRun&)>& soFar = {});

/// Whether the goal was met, and when, s; nothing if it was not. A rig without a goal meets it at once.
[[nodiscard]] std::optional<double> goalMet(const RigGoal& goal, int watched, const RigRun& run);

/// What makes a success, after "that it": "boils below 40 °C". Nothing without a goal.
[[nodiscard]] Text goalText(const RigGoal& goal);

/// An event as a person calls it out: "boiling starts", "ice on the vapour".
[[nodiscard]] Text eventText(const RigSetup& setup, const RigEvent& event);

/// Times at which the watched vessel boils, s: from and to.
[[nodiscard]] std::vector<std::pair<double, double>> boilingSpells(const Rehearsal& rehearsal);

/// What the person in charge should know beside the picture.
struct RehearsalFacts {
    std::optional<double> lowestBoilingKelvin; ///< at which it was still seen to boil
    double airShare = 0.0;                     ///< of the pressure at the end, by air
    bool airStoppedIt = false;   ///< the boiling ended, though something cold still lay on the vessel
    double vapourQuality = 0.0;  ///< at the end, by mass
    double strongestForce = 0.0; ///< N, inwards on what closes the mouth
    double highestPascal = 0.0;
    double lostShare = 0.0;     ///< of what was condensed in the watched vessel at the start
    std::vector<Text> warnings; ///< of the hazards that came up
};
[[nodiscard]] RehearsalFacts factsOf(const Rehearsal& rehearsal);

} // namespace uttrin
