#pragma once

#include "RowTypes.h"
#include "quantities/Observation.h"

#include <cstddef>
#include <optional>
#include <string>
#include <tuple>
#include <vector>

/// Rows of the notebook that tell of instruments that were listened to, see Records.h.
namespace uttrin {

/// One instrument that was listened to, or that a logger's file came from.
struct LiveStream {
    RowId id = 0;
    RowId lessonId = 0;
    std::string name;
    std::string quantity;       ///< "absolute-pressure", "gauge-pressure", "temperature"
    std::string source;         ///< where it was heard: "tcp:127.0.0.1:5025"; the name of a file
    Milliseconds startedAt = 0; ///< its second nought
    double step = 0.0;          ///< the smallest difference that its figures can show, SI
};

/// What arrived in a little while, packed (trace/PackedSamples.h).
struct LiveChunk {
    RowId id = 0;
    RowId streamId = 0;
    std::vector<std::byte> samples;
};

/// Over which stretch of time a reading was taken from live instruments, and how well; it has the reading's
/// id.
struct LiveCapture {
    RowId id = 0;
    Milliseconds fromMs = 0, toMs = 0;
    bool steady = false;           ///< both stood still
    bool madeUp = false;           ///< by simulated instruments
    std::optional<double> uPascal; ///< of the mean; nothing where the gauge was typed
    std::optional<double> uKelvin; ///< of the mean; nothing where the thermometer was typed
    friend bool operator==(const LiveCapture&, const LiveCapture&) = default;
};

/// What is known of an instrument of the school, for machines that do not know it.
struct InstrumentRow {
    RowId id = 0;
    std::string known; ///< JSON (register/InstrumentRegister.h)
};

/// What is tested of a rig.
enum class RigTestKind { Leak, PumpDown };

/// A test of a rig: its readings, from which all else is worked out.
struct RigTest {
    RowId id = 0;
    RowId setupId = 0;
    Milliseconds takenAt = 0;
    RigTestKind kind = RigTestKind::Leak;
    double litre = 1.0;   ///< that air comes into, or is pumped out of
    bool wet = false;     ///< with liquid in it
    std::string note;     ///< what was done before it: "seat greased"
    std::string readings; ///< CSV of a trace (trace/TraceCsv.h)
};

template <>
struct Identifiers<RigTestKind> {
    static Text what() { return Text::tr("a test of a rig"); }
    static constexpr std::array table{std::pair{RigTestKind::Leak, std::string_view("leak")},
                                      std::pair{RigTestKind::PumpDown, std::string_view("pump-down")}};
};

} // namespace uttrin
