#include "BenchCommands.h"

#include <tuple>
#include <utility>

namespace uttrin {

Result<void> BenchCommands::setDraft(const BenchDraft& typed) {
    auto gaugePhoto = std::move(draft().gaugePhoto), thermometerPhoto = std::move(draft().thermometerPhoto);
    const auto gaugeLive = draft().gaugeLive, thermometerLive = draft().thermometerLive;
    const bool sameGauge = draft().first == typed.first && draft().second == typed.second,
               sameTemperature = draft().temperature == typed.temperature;
    const auto gaugeMs = sameGauge ? draft().gaugeTypedMs : now(),
               temperatureMs = sameTemperature ? draft().temperatureTypedMs : now();
    draft() = typed;
    draft().gaugeTypedMs = gaugeMs;
    draft().temperatureTypedMs = temperatureMs;
    draft().gaugeLive = gaugeLive;
    draft().thermometerLive = thermometerLive;
    draft().gaugePhoto = std::move(gaugePhoto);
    draft().thermometerPhoto = std::move(thermometerPhoto);
    return {};
}

Result<void> BenchCommands::takeFromPhoto(PhotoEvidence evidence) {
    draft().take(std::move(evidence));
    return {};
}

Result<bool> BenchCommands::takeLive(const std::optional<LiveEvidence>& gauge,
                                     const std::optional<LiveEvidence>& thermometer) {
    BenchDraft& d = draft();
    const auto shown = [&d] { return std::tuple(d.first, d.second, d.temperature); };
    const auto before = shown();
    if (!d.gaugeIsTyped()) {
        d.first = gauge ? std::optional(gauge->reading.first) : std::nullopt;
        d.second = gauge ? gauge->reading.second : std::nullopt;
        d.gaugeLive = gauge;
    }
    if (!d.temperatureIsTyped()) {
        d.temperature = thermometer ? std::optional(thermometer->reading.first) : std::nullopt;
        d.thermometerLive = thermometer;
    }
    return shown() != before;
}

Result<void> BenchCommands::stepDone() {
    const ReadOrder& order = session().benchPlan().rig.readOrder;
    BenchDraft& d = draft();
    if (d.stepsDone >= order.size()) return {};
    if (order[d.stepsDone] == ReadStep::Isolate) d.isolated = true;
    if (++d.stepsDone >= order.size()) d.stepsDone = 0; // the next point
    return {};
}

namespace {

/// What was done of an order when a point is captured: the steps that were confirmed, and the reading.
ReadOrder orderKept(const ReadOrder& order, std::size_t stepsDone) {
    ReadOrder kept;
    const int last = lastReadStep(order);
    for (int i = 0; i < static_cast<int>(order.size()); ++i) {
        const ReadStep step = order[static_cast<std::size_t>(i)];
        const bool reads =
            step == ReadStep::ReadBoth || step == ReadStep::ReadPressure || step == ReadStep::ReadTemperature;
        if (reads || i < static_cast<int>(stepsDone) || i > last) kept.push_back(step);
    }
    return kept;
}

} // namespace

Result<CaptureOutcome> BenchCommands::capture(bool keepOddPair) {
    const Rig& rig = session().hasLesson() ? session().benchPlan().rig : Rig{};
    const LiveReading live = session().draftReading();
    if (!session().runId())
        return fail(Failure::BadInput, Text::tr("No run has been started: choose the group first."));
    if (!live.hasGauge)
        return fail(Failure::BadInput, hasTwoArms(rig.gauge.convention)
                                           ? Text::tr("Type both arms as they stand now.")
                                           : Text::tr("Type the gauge as it shows now."));
    if (!live.hasTemperature)
        return fail(Failure::BadInput, Text::tr("Type the thermometer as it shows now."));
    Reading reading = live.reading;
    const ReadOrder order = session().benchPlan().rig.readOrder; // the model is made anew with the point
    reading.readOrder = wordsOf(orderKept(order, draft().stepsDone));
    if (const auto t = toTemperature(rig.thermometer, reading.temperature); !t)
        return tl::unexpected(t.error());
    CaptureOutcome outcome;
    outcome.asksWhetherShut = !draft().isolated;
    if (outcome.asksWhetherShut) return outcome;
    outcome.finding = session().checkDraft();
    if (outcome.finding.kind != SlipKind::None && !keepOddPair) return outcome;
    RowId id = 0;
    const auto done = perform(Text::tr("Capture point {}", reading.position), [&](Notebook::Editor& edit) {
        id = edit.insert(reading);
        // A picture speaks for a reading only if that was not typed over.
        const GaugeReading gauge{reading.first, reading.second};
        if (draft().gaugePhoto && draft().gaugePhoto->reading == gauge)
            keepPhoto(edit, *draft().gaugePhoto, id, std::nullopt);
        if (draft().thermometerPhoto && draft().thermometerPhoto->reading.first == reading.temperature)
            keepPhoto(edit, *draft().thermometerPhoto, id, std::nullopt);
    });
    if (!done) return tl::unexpected(done.error());
    outcome.readingId = id;
    selection().targetPlace.reset();
    draft().clearReadings();
    const auto after = static_cast<std::size_t>(lastReadStep(order) + 1);
    draft().stepsDone = after < order.size() ? after : 0;
    return outcome;
}

Result<CaptureOutcome> BenchCommands::captureBracket() {
    const auto before = selection().targetPlace;
    if (const auto run = session().runId()) // it confirms the point that was taken last and stands
        for (const Reading& r : model().readingsOf(*run))
            if (r.place && !r.struckReason) selection().targetPlace = r.place;
    if (!draft().isolated) draft().isolated = false; // air is bled in, or the pump pulls
    const auto criterion =
        std::exchange(draft().criterion, session().bracketAwaitsRestart() ? BoilingCriterion::BracketStarts
                                                                          : BoilingCriterion::BracketStops);
    auto outcome = capture(true);
    draft().criterion = criterion;
    if (!outcome || !outcome->readingId) selection().targetPlace = before;
    return outcome;
}

} // namespace uttrin
