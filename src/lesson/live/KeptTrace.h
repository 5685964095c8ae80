#pragma once

#include "lesson/commands/LessonSession.h"
#include "live/LiveMoment.h"
#include "trace/Trace.h"

namespace uttrin {

/// A while of a lesson in which instruments were listened to, or a logger's file.
struct KeptTrace {
    Text name;                   ///< of its instruments, for people
    Milliseconds begunMs = 0;    ///< its second nought
    double from = 0.0, to = 0.0; ///< s
    LiveQuantity pressureQuantity = LiveQuantity::AbsolutePressure;
    Trace trace; ///< pressures as they were sent
};

/// With absolute pressures, by the room at its beginning.
[[nodiscard]] Trace absoluteOf(const LessonSession& session, const KeptTrace& kept);

/// What arrived of a stream, packed for the notebook.
[[nodiscard]] LiveChunk chunkOf(RowId stream, LiveQuantity quantity, const TraceChannel& channel);

/// What was kept in the lesson, those that were begun together as one, newest first; of two that measure the
/// same the first one. Storage where it cannot be read.
[[nodiscard]] Result<std::vector<KeptTrace>> keptTraces(const LessonSession& session);

/// A place in it that is worth a look.
struct TraceSuggestion {
    double from = 0.0, to = 0.0; ///< s; alike for a moment
    Text what;                   ///< "steady for 40 s", "the pressure begins to rise"
};
/// Plateaus by the rig and the liquid at the bench, where boiling starts and stops by the two instruments,
/// and where the pressure turns from falling to rising.
[[nodiscard]] std::vector<TraceSuggestion> suggestionsIn(const LessonSession& session, const KeptTrace& kept);

/// What both instruments said about a moment, as `LiveWatch` has it: over the plateau around it, else over
/// three seconds.
[[nodiscard]] LiveMoment momentAt(const LessonSession& session, const KeptTrace& kept, double seconds);

/// Commands on what was listened to.
class TraceCommands : public SessionCommands {
public:
    using SessionCommands::SessionCommands;
    /// Begins a stream of an instrument. @return its id.
    [[nodiscard]] Result<RowId> openStream(const LiveStream& stream);
    /// Keeps what arrived: on disk when it returns.
    [[nodiscard]] Result<void> append(const std::vector<LiveChunk>& chunks);
    /// Keeps a logger's file as a trace that begins at a time; one step of undo.
    [[nodiscard]] Result<void> importTrace(const std::string& name, const Trace& trace, Milliseconds begunMs);
    /// Puts a moment of a trace into the draft, as if it were now. @return why one of its instruments is none
    /// of the rig's; empty where both are.
    [[nodiscard]] Result<Text> takeMoment(const KeptTrace& kept, double seconds);
};

} // namespace uttrin
