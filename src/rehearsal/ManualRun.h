#pragma once

#include "Rehearsal.h"

namespace uttrin {

/// Something on a rig that a hand can reach during a run by hand.
struct RigControl {
    /// What it is; the same key presses the same kind in every rig.
    enum Kind { Valve, Pump, Ballast, Heater, Ice, Contact, Draught };
    Kind kind = Valve;
    Text name;
    bool on = false; ///< open, running, lying on, heating
    RigAction press; ///< what a press does now
    double level = 0.0; ///< of a valve, the share that is open; of a heater, W
};

/// How it is now, in a word: "open", "shut", "on".
[[nodiscard]] Text stateOf(const RigControl& control);

/// What can be reached, as the rig is now. @param setup  as it was at the start, for a heater's power.
[[nodiscard]] std::vector<RigControl> controlsOf(const RigModel& now, const RigSetup& setup);

/// A reading taken during a run by hand, and how far it lies from the truth.
struct ManualCapture {
    double shownKelvin = 0.0, shownPascal = 0.0; ///< as the instruments showed them
    double boilsKelvin = 0.0;                    ///< at the pressure as shown
    double offKelvin = 0.0;                      ///< shown temperature less that
    Text why;                                    ///< the main reason, in a sentence
};

/// A rig that a person runs by hand: it goes on without its procedure, sample by sample.
class ManualRun {
public:
    [[nodiscard]] static Result<ManualRun> make(const RigFile& rig, const std::vector<RigSetting>& settings);

    /// Lets it go on by some seconds; false once it has ended, as it was meant to or because it left the
    /// model.
    bool goOn(double seconds);
    void press(const RigControl& control) { m_rig.apply(control.press); }
    [[nodiscard]] std::vector<RigControl> controls() const {
        return controlsOf(m_rig.model(), m_soFar.setup);
    }
    [[nodiscard]] ManualCapture capture() const;
    /// All that has happened, as of a rehearsal that ends now.
    [[nodiscard]] const Rehearsal& soFar() const { return m_soFar; }

private:
    ManualRun(RigSimulator rig, RigSetup setup);
    void look();

    RigSimulator m_rig;
    Rehearsal m_soFar;
};

} // namespace uttrin
