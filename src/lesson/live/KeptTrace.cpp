#include "KeptTrace.h"

#include "LiveReadings.h"
#include "lesson/commands/BenchCommands.h"
#include "trace/BoilingTurns.h"
#include "trace/PackedSamples.h"
#include "trace/Steady.h"

#include <algorithm>
#include <cmath>
#include <map>

namespace uttrin {
namespace {

Result<TraceChannel> channelOf(const LessonSession& session, const LiveStream& stream) {
    const auto chunks = session.notebook().chunks(stream.id);
    if (!chunks) return tl::unexpected(chunks.error());
    TraceChannel channel;
    for (const LiveChunk& chunk : *chunks) {
        const auto piece = unpackSamples(chunk.samples);
        if (!piece) return tl::unexpected(piece.error());
        channel.append(*piece);
    }
    channel.step = stream.step; // which is not in the pieces
    return channel;
}

/// By how much a pressure of it lies above what was sent, Pa.
double countsFrom(const LessonSession& session, const KeptTrace& kept) {
    if (kept.pressureQuantity != LiveQuantity::GaugePressure) return 0.0;
    const auto room = session.model().room(session.groupId(), kept.begunMs);
    return (room ? room->station : session.roomOrStandard()).pascal();
}

/// At most two readings a second, each the mean of those around it.
TraceChannel thinned(const TraceChannel& channel) {
    constexpr double kApart = 0.5; // s
    TraceChannel thin;
    thin.step = channel.step;
    for (std::size_t i = 0; i < channel.size();) {
        double seconds = 0.0, values = 0.0;
        std::size_t end = i;
        for (; end < channel.size() && (end == i || channel.seconds[end] < channel.seconds[i] + kApart);
             ++end) {
            seconds += channel.seconds[end];
            values += channel.values[end];
        }
        const auto count = static_cast<double>(end - i);
        thin.seconds.push_back(seconds / count);
        thin.values.push_back(values / count);
        i = end;
    }
    return thin;
}

} // namespace

Trace absoluteOf(const LessonSession& session, const KeptTrace& kept) {
    Trace trace = kept.trace;
    const double from = countsFrom(session, kept);
    for (double& pascal : trace.pascal.values)
        pascal += from;
    return trace;
}

LiveChunk chunkOf(RowId stream, LiveQuantity quantity, const TraceChannel& channel) {
    constexpr double kFinestPascal = 0.01, kFinestKelvin = 1e-4;
    return {0, stream,
            packSamples(channel, quantity == LiveQuantity::Temperature ? kFinestKelvin : kFinestPascal)};
}

Result<std::vector<KeptTrace>> keptTraces(const LessonSession& session) {
    std::map<Milliseconds, KeptTrace> byBeginning;
    std::map<Milliseconds, std::vector<std::string>> names;
    for (const LiveStream& stream : session.model().data().streams) {
        auto channel = channelOf(session, stream);
        if (!channel) return tl::unexpected(channel.error());
        if (channel->empty()) continue;
        KeptTrace& kept = byBeginning[stream.startedAt];
        kept.begunMs = stream.startedAt;
        if (auto& own = names[stream.startedAt]; std::ranges::find(own, stream.name) == own.end())
            own.push_back(stream.name);
        const auto quantity = liveQuantityFromId(stream.quantity);
        if (!quantity) return tl::unexpected(quantity.error());
        const bool temperature = *quantity == LiveQuantity::Temperature;
        TraceChannel& into = temperature ? kept.trace.kelvin : kept.trace.pascal;
        if (!into.empty()) continue;
        into = std::move(*channel);
        if (!temperature) kept.pressureQuantity = *quantity;
    }
    std::vector<KeptTrace> traces;
    for (auto& [begun, kept] : byBeginning) {
        kept.name = Text::list(names[begun]);
        for (const TraceChannel* channel : {&kept.trace.pascal, &kept.trace.kelvin}) {
            if (channel->empty()) continue;
            const bool first = kept.to == 0.0 && kept.from == 0.0;
            kept.from = first ? channel->seconds.front() : std::min(kept.from, channel->seconds.front());
            kept.to = std::max(kept.to, channel->seconds.back());
        }
        traces.push_back(std::move(kept));
    }
    std::ranges::reverse(traces);
    return traces;
}

std::vector<TraceSuggestion> suggestionsIn(const LessonSession& session, const KeptTrace& kept) {
    std::vector<TraceSuggestion> found;
    Trace trace = absoluteOf(session, kept);
    for (TraceChannel* channel : {&trace.pascal, &trace.kelvin})
        *channel = thinned(*channel); // hours of it are looked through in a moment
    constexpr double kHiccup = 5.0;   // s, by which chance breaks a plateau in two
    std::vector<std::pair<double, double>> plateaus;
    for (const SteadyStretch& s : steadyStretches(trace, substanceOf(session.benchPlan()), SteadyTolerance{}))
        if (plateaus.empty() || s.from > plateaus.back().second + kHiccup)
            plateaus.emplace_back(s.from, s.to);
        else
            plateaus.back().second = s.to;
    found.reserve(plateaus.size());
    for (const auto& [from, to] : plateaus)
        found.push_back({from, to, Text::tr("steady for {} s", std::lround(to - from))});
    constexpr double kBand = 0.3; // K, that the rig's instruments may be off together
    const Liquid liquid = liquidOf(session.benchPlan());
    const auto boilsAt = [&](double pascal) -> std::optional<double> {
        if (!(pascal > 0.0)) return std::nullopt;
        const auto boils = liquid.boilingPoint(Pressure::fromPascal(pascal));
        return boils ? std::optional(boils->kelvin()) : std::nullopt;
    };
    for (const BoilingTurn& turn : boilingTurns(trace, boilsAt, kBand))
        found.push_back({turn.seconds, turn.seconds,
                         turn.begins ? Text::tr("boiling starts: the boiling point is reached")
                                     : Text::tr("boiling stops: below the boiling point")});
    constexpr double kWindow = 90.0, kStep = 30.0, kApart = 20.0; // s
    std::optional<double> last;
    const auto steps = static_cast<int>(std::ceil((kept.to - kept.from) / kStep));
    for (int step = 0; step < steps; ++step) {
        const double at = kept.from + kStep * step;
        if (const auto since = risesSince(trace.pascal.between(at, at + kWindow)))
            if (!last || *since > *last + kApart) {
                found.push_back({*since, *since, Text::tr("the pressure begins to rise")});
                last = since;
            }
    }
    std::ranges::sort(found, {}, &TraceSuggestion::from);
    return found;
}

LiveMoment momentAt(const LessonSession& session, const KeptTrace& kept, double seconds) {
    constexpr double kHalf = 1.5, kAround = 60.0; // s
    const double from = countsFrom(session, kept);
    LiveMoment moment;
    moment.from = seconds - kHalf;
    moment.to = seconds + kHalf;
    Trace near{kept.trace.pascal.between(seconds - kAround, seconds + kAround),
               kept.trace.kelvin.between(seconds - kAround, seconds + kAround)};
    for (double& pascal : near.pascal.values)
        pascal += from;
    for (const SteadyStretch& s : steadyStretches(near, substanceOf(session.benchPlan()), SteadyTolerance{}))
        if (s.from <= seconds && seconds <= s.to) {
            moment.from = s.from;
            moment.to = s.to;
            moment.steady = true;
            moment.steadyFor = s.to - s.from;
        }
    const auto take = [&](const TraceChannel& channel, std::optional<Settled>& into) {
        const TraceChannel piece = channel.between(moment.from, moment.to);
        constexpr std::size_t kFewest = 3;
        if (piece.size() >= kFewest) {
            into = settled(piece.seconds, piece.values, piece.step);
        } else if (const auto there = channel.at(seconds)) { // a slow logger: between its readings
            into = Settled{};
            into->mean = *there;
            into->u = channel.step / std::sqrt(12.0);
            into->count = 1;
        }
    };
    take(kept.trace.pascal, moment.pressure);
    take(kept.trace.kelvin, moment.temperature);
    if (moment.pressure) moment.pressure->mean += from;
    addLags(moment, lagsOf(session.benchPlan().rig));
    return moment;
}

Result<RowId> TraceCommands::openStream(const LiveStream& stream) {
    auto opened = notebook().openStream(stream);
    if (opened) (void)reload();
    return opened;
}

Result<void> TraceCommands::append(const std::vector<LiveChunk>& chunks) { return notebook().append(chunks); }

Result<void> TraceCommands::importTrace(const std::string& name, const Trace& trace, Milliseconds begunMs) {
    return perform(Text::tr("Bring in {}", name), [&](Notebook::Editor& edit) {
        const auto keep = [&](const TraceChannel& channel, LiveQuantity quantity) {
            if (channel.empty()) return;
            const RowId stream = edit.insert(LiveStream{
                0, session().lessonId(), name, std::string(id(quantity)), name, begunMs, channel.step});
            edit.insert(chunkOf(stream, quantity, channel));
        };
        keep(trace.pascal, LiveQuantity::AbsolutePressure);
        keep(trace.kelvin, LiveQuantity::Temperature);
    });
}

Result<Text> TraceCommands::takeMoment(const KeptTrace& kept, double seconds) {
    LiveReadings readings =
        liveReadings(session(), momentAt(session(), kept, seconds), kept.pressureQuantity, kept.begunMs);
    draft().clearReadings();
    auto taken = BenchCommands(whole()).takeLive(readings.gauge, readings.thermometer);
    if (!taken) return tl::unexpected(taken.error());
    return readings.trouble;
}

} // namespace uttrin
