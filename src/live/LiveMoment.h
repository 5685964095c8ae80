#pragma once

#include "LiveTrail.h"
#include "trace/Steady.h"

namespace uttrin {

/// What live instruments say at a moment, and whether both stand still.
struct LiveMoment {
    double from = 0.0, to = 0.0;        ///< s, over which the means are taken
    std::optional<Settled> pressure;    ///< absolute, Pa; nothing where nothing came of late
    std::optional<Settled> temperature; ///< K
    double pressureU = 0.0,
           temperatureU = 0.0;             ///< Pa, K: standard uncertainties of the means as what was so in
                                           ///< the middle of that time: by noise, and lags known to a fifth
    bool steady = false;                   ///< over the last seconds of the tolerance
    double steadyFor = 0.0;                ///< s
    std::optional<double> kelvinPerSecond; ///< by which they move: of boiling point or temperature
    double plusMinus = 0.0;                ///< K: twice the standard uncertainty of the margin, by the means
    std::optional<double> risesSince;      ///< s: from when the pressure rises, after it had fallen
};

/// Takes the lags out of the means, and puts together what they are good for. An instrument that follows with
/// a time constant is behind by that times its slope, whatever the course was; a fifth of that is not known.
void addLags(LiveMoment& moment, const LiveTrail::Lags& lags);

/// Tells from moment to moment how still instruments stand.
class LiveWatch {
public:
    explicit LiveWatch(SteadyTolerance tolerance = {}) : m_tolerance(tolerance) {}
    /// Nothing is known of what came before: another liquid, another point.
    void beginAnew(double now) { m_begun = now, m_since.reset(); }

    /// @param roomPascal  for a gauge that counts from it. @param now  of the trail's clock, s.
    /// Where they stand still the means are over all of that, up to a minute of it; else over the last three
    /// seconds. An instrument of which nothing came for two seconds says nothing.
    [[nodiscard]] LiveMoment look(const LiveTrail& trail, const Substance& substance, double roomPascal,
                                  const LiveTrail::Lags& lags, double now);

private:
    SteadyTolerance m_tolerance;
    std::optional<double> m_since; ///< s, from when they stand still
    double m_begun = 0.0;
};

/// From when a pressure rises that had fallen before: what a shut valve does, if something leaks or boils.
/// Nothing where it does not rise by more than its own noise, or by more than a tenth: then air was let in.
/// @param channel  of the last minute or two.
[[nodiscard]] std::optional<double> risesSince(const TraceChannel& channel);

} // namespace uttrin
