#include "LessonSession.h"

#include "photo/PhotoMarks.h"
#include "physics/Constants.h"

#include <algorithm>
#include <set>

namespace uttrin {

LessonSession::LessonSession(Notebook notebook, const Clock& clock, int utcOffsetMin)
    : m_notebook(std::move(notebook)), m_clock(clock), m_utcOffsetMin(utcOffsetMin) {
    const auto lessons = m_notebook.lessons();
    if (!lessons || lessons->empty()) return;
    m_selection.lessonId = lessons->front().id;
    (void)reload(); // the first look says why, where it cannot be read
}

Result<void> LessonSession::reload() {
    auto data = m_notebook.load(m_selection.lessonId);
    if (!data) {
        m_stale = data.error();
        return tl::unexpected(data.error());
    }
    m_stale.reset();
    const auto criterionInHand = [this]() -> std::optional<BoilingCriterion> {
        return m_selection.setupId != 0 && m_model.hasPlan(m_selection.setupId)
                   ? std::optional(plan().criterion)
                   : std::nullopt;
    };
    const auto before = criterionInHand();
    m_model = LessonModel(std::move(*data));
    m_selection.settle(m_model);
    // The class's picture of boiling: as the plan has it when it is opened, and when it becomes another.
    if (const auto now = criterionInHand(); now && now != before) m_draft.criterion = *now;
    return {};
}

std::optional<RowId> LessonSession::groupId() const {
    return runId() ? std::optional(m_model.run(*runId()).groupId) : std::nullopt;
}

std::optional<RoomPressure> LessonSession::room() const {
    return m_model.room(groupId(), runId() ? std::optional(m_clock.now()) : std::nullopt);
}

Pressure LessonSession::roomOrStandard() const {
    const auto known = room();
    return known ? known->station : Pressure::fromPascal(kStandardAtmospherePascal);
}

std::optional<Target> LessonSession::currentTarget() const {
    const auto& s = benchSheet();
    if (!s) return std::nullopt;
    std::set<int> taken;
    if (runId())
        for (const Reading& r : m_model.readingsOf(*runId()))
            if (!r.struckReason && r.place) taken.insert(*r.place);
    // The low trial point is for getting to know the rig: a later run of a group goes on without it.
    const bool again = runId() && m_model.run(*runId()).number > 1;
    for (const Target& t : s->targets) {
        if (m_selection.targetPlace
                ? t.place == *m_selection.targetPlace
                : t.state == TargetState::Ok && !taken.contains(t.place) && !(again && t.trial))
            return t;
    }
    return std::nullopt;
}

/// Where one instrument was typed and the other is listened to, brings the one that is listened to to the
/// moment at which the other was typed: what cools while one reads shall not count.
void LessonSession::carry(LiveReading& live, bool gaugeLive, bool thermometerLive) const {
    if (gaugeLive == thermometerLive || !live.isComplete()) return;
    const LiveEvidence& heard = gaugeLive ? *m_draft.gaugeLive : *m_draft.thermometerLive;
    const auto typed = gaugeLive ? m_draft.temperatureTypedMs : m_draft.gaugeTypedMs;
    if (!typed) return;
    constexpr double kMs = 1000.0, kFarthest = 90.0; // s, over which a straight line is to be trusted
    const double seconds =
        (static_cast<double>(*typed) - 0.5 * static_cast<double>(heard.fromMs + heard.toMs)) / kMs;
    // What moves by no more than its own doubt is left where it is.
    if (std::abs(seconds) > kFarthest || std::abs(heard.slope) < 2.0 * heard.slopeU || heard.slope == 0.0)
        return;
    constexpr double kBends = 0.2; // of what is carried: no course is quite straight
    const double by = heard.slope * seconds, u = std::hypot(heard.u, heard.slopeU * seconds, kBends * by);
    Reading& r = live.reading;
    live.carriedSeconds = seconds;
    r.takenAt = *typed;
    if (gaugeLive) {
        const PressureInstrument& gauge = benchPlan().rig.gauge;
        const GaugeReading moved =
            readingAt(gauge, scaleValue(gauge, {r.first, r.second}) + by * scalePerPascal(gauge));
        r.first = moved.first;
        r.second = moved.second;
        r.live->uPascal = u;
        live.carriedPascal = by;
    } else {
        r.temperature += by / unit(benchPlan().rig.thermometer.unit).factor;
        r.live->uKelvin = u;
        live.carriedKelvin = by;
    }
}

LiveReading LessonSession::draftReading() const {
    LiveReading live;
    live.typed = true;
    live.hasGauge = m_draft.hasGauge(benchPlan().rig.gauge);
    live.hasTemperature = m_draft.temperature.has_value();
    Reading& r = live.reading;
    r.takenAt = m_clock.now();
    r.first = m_draft.first.value_or(0.0);
    r.second = m_draft.second;
    r.temperature = m_draft.temperature.value_or(0.0);
    r.beforePull = m_draft.beforePull;
    r.criterion = m_draft.criterion;
    r.judge = m_draft.judge;
    r.isolated = m_draft.isolated.value_or(false);
    r.heaterSetting = m_draft.heaterSetting;
    r.side = m_draft.side;
    r.vigour = std::clamp(m_draft.vigour, 1, 5);
    if (const auto target = currentTarget()) r.place = target->place;
    const bool gaugeLive = m_draft.gaugeLive && live.hasGauge && !m_draft.gaugeIsTyped(),
               thermometerLive =
                   m_draft.thermometerLive && live.hasTemperature && !m_draft.temperatureIsTyped();
    if (gaugeLive || thermometerLive) {
        const LiveEvidence& any = gaugeLive ? *m_draft.gaugeLive : *m_draft.thermometerLive;
        r.live = LiveCapture{0,
                             any.fromMs,
                             any.toMs,
                             any.steady,
                             any.madeUp,
                             gaugeLive ? std::optional(m_draft.gaugeLive->u) : std::nullopt,
                             thermometerLive ? std::optional(m_draft.thermometerLive->u) : std::nullopt};
    }
    carry(live, gaugeLive, thermometerLive);
    // A moment of a trace is read afterwards: its time is that of the moment.
    constexpr Milliseconds kLong = 60'000;
    if (gaugeLive && thermometerLive && r.takenAt - m_draft.gaugeLive->toMs > kLong)
        r.takenAt = m_draft.gaugeLive->toMs;
    if (!runId()) return live;
    const auto readings = m_model.readingsOf(*runId());
    r.runId = *runId();
    r.position = readings.empty() ? 1 : readings.back().position + 1;
    for (const ZeroCheck& z : m_model.data().zeros)
        if (z.runId == *runId()) r.zeroId = z.id;
    return live;
}

LiveReading LessonSession::liveReading() const {
    if (!m_draft.isEmpty()) return draftReading();
    LiveReading live;
    if (!runId()) return live;
    const auto readings = m_model.readingsOf(*runId());
    const auto last =
        std::find_if(readings.rbegin(), readings.rend(), [](const Reading& r) { return !r.struckReason; });
    if (last == readings.rend()) return live;
    live.reading = *last;
    live.hasGauge = live.hasTemperature = true;
    return live;
}

ReducedReading LessonSession::reduceHere(const Reading& reading) const {
    Run run = runId() ? m_model.run(*runId()) : Run{};
    run.setupId = setupId();
    return m_model.reduce(reading, run);
}

SlipFinding LessonSession::checkDraft() const {
    const LiveReading live = draftReading();
    if (!runId() || !live.isComplete()) return {};
    const Plan& p = benchPlan();
    const Reading& r = live.reading;
    CapturePair pair{
        p.rig.gauge,       {r.first, r.second}, m_model.zeroOf(r), m_model.room(groupId(), r.takenAt),
        p.rig.thermometer, r.temperature,       std::nullopt};
    if (const auto target = currentTarget()) pair.targetReading = target->dial;
    return checkForSlip(pair, liquidOf(p));
}

bool LessonSession::bracketAwaitsRestart() const {
    if (!runId()) return false;
    const auto readings = m_model.readingsOf(*runId());
    const auto last =
        std::find_if(readings.rbegin(), readings.rend(), [](const Reading& r) { return !r.struckReason; });
    return last != readings.rend() && last->criterion == BoilingCriterion::BracketStops;
}

Result<void> SessionCommands::perform(const Text& label,
                                      const std::function<void(Notebook::Editor&)>& change) {
    auto done = notebook().perform(label, change);
    // What was done is done, and on disk, even where it cannot be looked at now: see staleBecause().
    if (m_session.hasLesson()) (void)m_session.reload();
    return done;
}

std::optional<Rig> SessionCommands::rigInHand() const {
    if (m_session.setupId() == 0) return std::nullopt;
    return m_session.benchPlan().rig;
}

void SessionCommands::keepDraftOnlyFor(const std::optional<Rig>& before) {
    const auto now = rigInHand();
    if (before && now) draft().keepOnlyFor(*before, *now);
}

void SessionCommands::keepPhoto(Notebook::Editor& edit, const PhotoEvidence& evidence,
                                std::optional<RowId> readingId, std::optional<RowId> roomId) const {
    const RowId picture = edit.insert(Picture{0, evidence.bytes});
    edit.insert(Photo{0, m_session.lessonId(), readingId, roomId, evidence.shows, now(), picture,
                      writePhotoMarks(evidence.marks), evidence.uFirst, evidence.uSecond});
}

RowId SessionCommands::groupNamed(Notebook::Editor& edit, const std::string& name) const {
    for (const Group& g : model().data().groups)
        if (g.name == name) return g.id;
    return edit.insert(Group{0, m_session.lessonId(), name});
}

bool isBlank(const std::string& text) { return text.find_first_not_of(" \t") == std::string::npos; }

} // namespace uttrin
