#pragma once

#include "rehearsal/Rehearsal.h"

namespace uttrin {

/// Something that goes wrong with instruments, for so long, s of the rig's time.
struct StandInFault {
    enum class Kind {
        Gap,       ///< nothing is sent
        Rubbish,   ///< bytes that are no reading
        Noise,     ///< ten times as much of it, and some more
        Unplugged, ///< whoever listens is cut off
        ClockJump  ///< its clock is ahead by as long as it lasts, from then on
    } kind = Kind::Gap;
    double from = 0.0, lasts = 0.0;
};
/// "gap:20:5": from 20 s on, for 5 s. BadInput says what is accepted.
[[nodiscard]] Result<StandInFault> readFault(std::string_view word);

/// How the instruments of a stand-in are, beside what its rig file says of them.
struct StandInSettings {
    double zeroPascal = 0.0;                     ///< that the gauge shows too much
    double noisePascal = 0.0, noiseKelvin = 0.0; ///< standard deviations
    std::vector<StandInFault> faults = {};
    std::uint64_t seed = 1;
};

/// A rig that is played through beforehand, and its gauge and thermometer as they would be read: with their
/// lag, zero, resolution and noise. It stands in for instruments where there are none.
class StandIn {
public:
    /// BadInput for a rig whose watched vessel has neither gauge nor thermometer.
    [[nodiscard]] static Result<StandIn> make(const RigFile& rig, const std::vector<RigSetting>& settings,
                                              StandInSettings stand);

    struct Shown {
        double pascal = 0.0, kelvin = 0.0;
    };
    /// What they show at a time of the rig; as at its end after that. Equal times show the same.
    [[nodiscard]] Shown shownAt(double seconds) const;
    [[nodiscard]] bool suffers(StandInFault::Kind kind, double seconds) const;
    /// A line as the profile 'pressure-and-temperature-lines' reads it; rubbish or nothing where that is the
    /// fault.
    [[nodiscard]] std::string lineAt(double seconds) const;
    /// A line of a file as the profile 'logger-file' reads it, and the one that stands before all.
    [[nodiscard]] std::string fileLineAt(double seconds) const;
    [[nodiscard]] static std::string fileHeader();
    [[nodiscard]] double lasts() const { return m_rehearsal.run.samples.back().seconds; }
    [[nodiscard]] const Rehearsal& rehearsal() const { return m_rehearsal; }

private:
    StandIn(Rehearsal rehearsal, StandInSettings stand);
    Rehearsal m_rehearsal;
    StandInSettings m_stand;
    double m_pascalStep = 0.0, m_kelvinStep = 0.0;
};

} // namespace uttrin
