#pragma once

#include "ShownInstruments.h"
#include "rehearsal/ManualRun.h"

namespace uttrin {

/// A rig that is played through beforehand, and its gauge and thermometer as they would be read. It stands in
/// for instruments where there are none.
class StandIn : public ShownInstruments {
public:
    /// BadInput for a rig whose watched vessel has neither gauge nor thermometer.
    [[nodiscard]] static Result<StandIn> make(const RigFile& rig, const std::vector<RigSetting>& changes,
                                              StandInSettings settings);
    /// The same rig, played once, with instruments that are otherwise.
    [[nodiscard]] StandIn with(StandInSettings settings) const { return {m_rehearsal, std::move(settings)}; }
    [[nodiscard]] double lasts() const override { return m_rehearsal.run.samples.back().seconds; }
    [[nodiscard]] const Rehearsal& rehearsal() const { return m_rehearsal; }

protected:
    [[nodiscard]] Shown followed(double seconds) override;

private:
    StandIn(Rehearsal rehearsal, StandInSettings settings);
    Rehearsal m_rehearsal;
};

/// A rig that goes on while it is read, and is worked by hand meanwhile.
class HandStandIn : public ShownInstruments {
public:
    /// BadInput as for `StandIn`.
    [[nodiscard]] static Result<HandStandIn> make(const RigFile& rig, const std::vector<RigSetting>& changes,
                                                  StandInSettings settings);
    [[nodiscard]] double lasts() const override;
    [[nodiscard]] std::vector<RigControl> controls() const { return m_run.controls(); }
    void press(const RigControl& control) { m_run.press(control); }
    [[nodiscard]] const ManualRun& run() const { return m_run; }

protected:
    [[nodiscard]] Shown followed(double seconds) override;

private:
    HandStandIn(ManualRun run, StandInSettings settings);
    ManualRun m_run;
};

} // namespace uttrin
