#pragma once

#include "quantities/Failure.h"

#include <cstdint>
#include <string>
#include <string_view>
#include <vector>

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

/// A gauge and a thermometer that stand in for real ones: what they show, and how they send it.
class ShownInstruments {
public:
    struct Shown {
        double pascal = 0.0, kelvin = 0.0;
    };

    explicit ShownInstruments(StandInSettings settings) : m_settings(std::move(settings)) {}
    virtual ~ShownInstruments() = default;

    /// What they show at a time of the rig, s: with their lag, zero, resolution and noise. Equal times show the
    /// same. A rig that is worked by hand goes on to there.
    [[nodiscard]] Shown shownAt(double seconds);
    [[nodiscard]] virtual double lasts() const = 0; ///< s
    [[nodiscard]] bool suffers(StandInFault::Kind kind, double seconds) const;

    /// A line as the profile 'pressure-and-temperature-lines' reads it; rubbish or nothing where that is the
    /// fault.
    [[nodiscard]] std::string lineAt(double seconds);
    /// A line of a file as the profile 'logger-file' reads it, and the one that stands before all.
    [[nodiscard]] std::string fileLineAt(double seconds);
    [[nodiscard]] static std::string fileHeader();

protected:
    /// With their lag, before zero, noise and resolution.
    [[nodiscard]] virtual Shown followed(double seconds) = 0;
    void setSteps(double pascal, double kelvin) {
        m_pascalStep = pascal;
        m_kelvinStep = kelvin;
    }

private:
    StandInSettings m_settings;
    double m_pascalStep = 0.0, m_kelvinStep = 0.0;
};

} // namespace uttrin
