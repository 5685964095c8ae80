#include "BenchCommands.h"

#include <utility>

namespace uttrin {

Result<void> BenchCommands::setDraft(const BenchDraft& typed) {
    auto gaugePhoto = std::move(draft().gaugePhoto), thermometerPhoto = std::move(draft().thermometerPhoto);
    draft() = typed;
    draft().gaugePhoto = std::move(gaugePhoto);
    draft().thermometerPhoto = std::move(thermometerPhoto);
    return {};
}

Result<void> BenchCommands::takeFromPhoto(PhotoEvidence evidence) {
    draft().take(std::move(evidence));
    return {};
}

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
    const Reading& reading = live.reading;
    if (const auto t = toTemperature(rig.thermometer, reading.temperature); !t)
        return tl::unexpected(t.error());
    CaptureOutcome outcome;
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
    return outcome;
}

Result<CaptureOutcome> BenchCommands::captureBracket() {
    const auto before = selection().targetPlace;
    if (const auto run = session().runId()) // it confirms the point that was taken last and stands
        for (const Reading& r : model().readingsOf(*run))
            if (r.place && !r.struckReason) selection().targetPlace = r.place;
    const auto criterion =
        std::exchange(draft().criterion, session().bracketAwaitsRestart() ? BoilingCriterion::BracketStarts
                                                                          : BoilingCriterion::BracketStops);
    auto outcome = capture(true);
    draft().criterion = criterion;
    if (!outcome || !outcome->readingId) selection().targetPlace = before;
    return outcome;
}

} // namespace uttrin
