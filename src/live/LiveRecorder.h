#pragma once

#include "LiveDecoder.h"
#include "trace/Trace.h"

namespace uttrin {

/// Makes a trace of what one instrument sends, and tells when it is silent or sends what cannot be read: what
/// came before stays.
class LiveRecorder {
public:
    /// A time in which nothing came, s.
    struct Gap {
        double from = 0.0, to = 0.0;
    };

    /// @param roomPascal  for a gauge that counts from the room's pressure; 0 leaves that as it is sent.
    LiveRecorder(LiveProfile profile, std::optional<double> roomPascal);

    /// A line that came, s since the beginning; an empty one is passed over. BadInput says what is wrong with
    /// it, Unreferenced that it needs the room's pressure: it counts as rejected then.
    [[nodiscard]] Result<void> take(std::string_view line, double seconds);
    /// Values that were read out of registers.
    [[nodiscard]] Result<void> take(std::span<const HeardReading> readings, double seconds);
    /// Counts something that came and could not be read.
    void reject() { ++m_rejected; }
    /// Nothing more comes: a silence until then is a gap, too.
    void finish(double seconds);

    [[nodiscard]] const Trace& trace() const { return m_trace; }
    /// What came since it was asked last, and forgets it.
    [[nodiscard]] Trace takeAway();
    [[nodiscard]] const std::vector<Gap>& gaps() const { return m_gaps; }
    [[nodiscard]] std::size_t samples() const { return m_trace.pascal.size() + m_trace.kelvin.size(); }
    [[nodiscard]] std::size_t rejected() const { return m_rejected; }

private:
    void cameAt(double seconds);
    LiveProfile m_profile;
    std::optional<double> m_roomPascal, m_last;
    Trace m_trace;
    std::vector<Gap> m_gaps;
    std::size_t m_rejected = 0;
    int m_headerLeft = 0;
};

} // namespace uttrin
