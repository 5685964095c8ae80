#pragma once

#include "lesson/model/LiveEvidence.h"
#include "lesson/model/PhotoEvidence.h"
#include "notebook/Records.h"
#include "plan/Plan.h"

#include <optional>
#include <string>

namespace uttrin {

/// What is in hand at the bench: typed, not yet captured. It lives as long as nothing was captured, whatever
/// happens to the notebook's file.
struct BenchDraft {
    std::optional<double> first, second; ///< gauge as it shows now
    std::optional<double> temperature;   ///< thermometer as it shows now
    std::optional<double> beforePull;    ///< thermometer before the pump was opened
    BoilingCriterion criterion = BoilingCriterion::Steady;
    std::string judge;
    ApproachSide side = ApproachSide::Heating;
    std::optional<bool> isolated; ///< from the pump; asked anew for each point
    std::optional<double> heaterSetting;
    std::size_t stepsDone = 0;                                    ///< of the rig's read order, at this point
    std::optional<Milliseconds> gaugeTypedMs, temperatureTypedMs; ///< when what stands there was typed
    int vigour = 2;
    std::optional<PhotoEvidence> gaugePhoto, thermometerPhoto; ///< kept while the fields show their reading
    std::optional<LiveEvidence> gaugeLive, thermometerLive;    ///< likewise

    /// Whether the same is typed and judged; pictures do not count.
    [[nodiscard]] bool saysTheSame(const BenchDraft& other) const;
    [[nodiscard]] bool isEmpty() const { return !first && !second && !temperature; }
    /// Whether the gauge's fields are filled: both arms where it has two.
    [[nodiscard]] bool hasGauge(const PressureInstrument& gauge) const;

    /// Forgets what was typed for an instrument that is no longer the one in hand: another scale or unit.
    void keepOnlyFor(const Rig& before, const Rig& now);
    /// Forgets what was captured; how it was judged, and how the heater stands, stay for the next point.
    void clearReadings();
    /// Whether a field holds what a person typed, not what is listened to.
    [[nodiscard]] bool gaugeIsTyped() const;
    [[nodiscard]] bool temperatureIsTyped() const;
    /// Takes over what a picture shows, and the picture with it.
    void take(PhotoEvidence evidence);
};

/// A reading as it would be captured now, with what of it is there.
struct LiveReading {
    Reading reading;
    bool hasGauge = false, hasTemperature = false;
    bool typed = false; ///< of the draft; else the last one that was captured
    /// What is listened to was carried, by its slope, from the middle of its means to when the other
    /// instrument was typed: by so many seconds, K or Pa. 0 where nothing was.
    double carriedSeconds = 0.0, carriedKelvin = 0.0, carriedPascal = 0.0;

    [[nodiscard]] bool isComplete() const { return hasGauge && hasTemperature; }
};

} // namespace uttrin
