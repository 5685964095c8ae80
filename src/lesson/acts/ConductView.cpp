#include "ConductView.h"

#include "ActReadings.h"
#include "OutlookTexts.h"
#include "lesson/model/Clock.h"
#include "physics/Constants.h"
#include "quantities/Rounding.h"
#include "rehearsal/Appearance.h"
#include "rehearsal/CoolingFit.h"
#include "rehearsal/StoryFigures.h"

#include <algorithm>
#include <cmath>

namespace uttrin {
namespace {

Text kindText(RigStep::Kind kind) {
    switch (kind) {
    case RigStep::Prepare:
        return Text::tr("prepare");
    case RigStep::Do:
        return Text::tr("do");
    case RigStep::Ask:
        return Text::tr("ask");
    case RigStep::Look:
        return Text::tr("look");
    case RigStep::Vent:
        return Text::tr("let air in");
    case RigStep::ClearAway:
        break;
    }
    return Text::tr("clear away");
}

Text stampText(const Stamp& s) {
    switch (s.kind) {
    case StampKind::Begun:
        return Text::tr("begun");
    case StampKind::Confirmed:
        return Text::tr("step {} done", s.step.value_or(0) + 1);
    case StampKind::Skipped:
        return Text::tr("step {} skipped: {}", s.step.value_or(0) + 1, Text::data(s.what));
    case StampKind::Seen:
        return Text::data(s.what);
    case StampKind::Read:
        return readingText(s);
    case StampKind::Finished:
        break;
    }
    return Text::tr("finished");
}

/// Steps with what was stamped of them; the first that is neither done nor skipped is to be done.
void addSteps(ConductView& v, const RigStory& story, const ToldStory& told,
              const std::vector<const Stamp*>& stamps, int offset) {
    for (std::size_t i = 0; i < story.steps.size(); ++i) {
        const RigStep& step = story.steps[i];
        ConductView::Step s;
        s.kind = kindText(step.kind);
        s.says = told.steps[i];
        if (!step.see.empty()) s.see = Text::data(step.see);
        for (const RigConfirmation& c : step.confirm)
            s.confirm.push_back(Text::data(c.says));
        for (const Stamp* stamp : stamps) {
            if (stamp->step != static_cast<int>(i)) continue;
            const bool skipped = stamp->kind == StampKind::Skipped;
            s.state = skipped ? ConductView::Step::Skipped : ConductView::Step::Done;
            s.when = Text::typed(clockText(stamp->takenAt, offset));
            for (const RigConfirmation& c : step.confirm)
                if (skipped && !c.hazard.empty() && v.hazard.empty()) v.hazard = Text::data(c.hazard);
        }
        if (s.state == ConductView::Step::ToCome && !v.current && v.live) {
            v.current = static_cast<int>(i);
            s.state = ConductView::Step::Current;
        }
        v.steps.push_back(std::move(s));
    }
    if (!v.hazard.empty()) v.current.reset(); // led no further
}

/// "71.0", a temperature for people, °C.
Text celsius(double kelvin) { return fixed(kelvin - kIcePointKelvin, 1); }

Text momentText(const FrozenForecast& f, double seconds) {
    const Rehearsal& r = f.rehearsal;
    const double at = clockStart(r) + seconds;
    if (at > r.run.samples.back().seconds) return Text::tr("The forecast ends before this.");
    const VesselState& state = r.watchedAt(r.sampleAt(at));
    const auto band = f.outlook.band.at(seconds);
    const Text within = band ? Text::tr(" ({} to {})", celsius(band->low), celsius(band->high)) : Text();
    return boils(appearanceOf(r.watched(), state))
               ? Text::tr("Forecast now: {} °C{}, boiling.", celsius(state.kelvin), within)
               : Text::tr("Forecast now: {} °C{}, quiet.", celsius(state.kelvin), within);
}

/// What the clock of a rehearsal is counted from.
Text countedFrom(const Rehearsal& r) {
    const int move = r.setup.clockMove;
    return move < 0 ? Text::tr("its beginning")
                    : Text::data(r.setup.moves[static_cast<std::size_t>(move)].says);
}

ConductView::Point pointOf(const StampedTemperature& read, const Stamp& stamp, double seconds,
                           const FrozenForecast* forecast) {
    ConductView::Point p{seconds, read.kelvin - kIcePointKelvin, stamp.bound, read.ofTheLiquid, std::nullopt};
    const auto band = forecast && read.ofTheLiquid ? forecast->outlook.band.at(seconds) : std::nullopt;
    if (band)
        p.inBand = (stamp.bound == StampBound::Below || read.kelvin >= band->low) &&
                   (stamp.bound == StampBound::Above || read.kelvin <= band->high);
    return p;
}

} // namespace

Result<std::string> toFreeze(const LessonSession& s, const Act& act) {
    auto rig = readActRig(act.rig);
    if (!rig) return tl::unexpected(rig.error());
    if (const Text why = rig->refused(); !why.empty()) return fail(Failure::BadInput, why);
    const auto room = s.room();
    if (!room)
        return fail(Failure::Unreferenced,
                    Text::tr("Its forecast depends on the room’s pressure: enter that first (Ctrl+1)."));
    rig->room = rig->rig()->roomSettings(room->station.pascal(), s.model().roomCelsius(s.groupId()));
    return writeActRig(*rig);
}

void follow(ConductView& v, const LessonSession& s, const Act& act, const FrozenForecast* frozen,
            const LearnedForecast* learned) {
    if (!v.begun || !v.live || !frozen) return;
    const ActCourse course(s.model(), act, *frozen);
    const Milliseconds now = s.clock().now();
    v.seconds = course.fromClock(now);
    v.now = momentText(*frozen, *v.seconds);
    v.next = nextMoveOf(*frozen, learned, course, now);
    v.outlook = outlookTexts(*frozen, learned, course, now, s.model().lesson().utcOffsetMin);
}

ConductView conductView(const LessonSession& s, const Act& act, const FrozenForecast* forecast,
                        const LearnedForecast* learned) {
    ConductView v;
    v.act = act.id;
    v.title = Text::typed(act.title);
    v.live = act.state == ActState::GoingOn;
    v.canBegin = act.kind == ActKind::Demonstration &&
                 (act.state == ActState::Planned || act.state == ActState::Prepared);
    const auto rig = rigOf(act);
    if (!rig) return v;
    const int offset = s.model().lesson().utcOffsetMin;
    std::vector<const Stamp*> stamps;
    for (const Stamp& stamp : s.model().data().stamps)
        if (stamp.actId == act.id) {
            stamps.push_back(&stamp);
            if (stamp.kind == StampKind::Begun) v.begun = stamp.takenAt;
        }
    const RigStory& story = rig->story();
    const ToldStory told = toldStory(story, forecast ? &forecast->rehearsal : nullptr);
    v.cautions = told.cautions;
    addSteps(v, story, told, stamps, offset);
    follow(v, s, act, forecast, learned);
    std::optional<ActCourse> course;
    if (forecast) {
        course.emplace(s.model(), act, *forecast);
        v.since = countedFrom(forecast->rehearsal);
    }
    for (auto stamp = stamps.rbegin(); stamp != stamps.rend(); ++stamp) {
        v.stamps.push_back(
            {Text::typed(clockTextWithSeconds((*stamp)->takenAt, offset)), stampText(**stamp)});
        const auto read = temperatureOf(s.model(), **stamp);
        if (read && course && v.begun)
            v.points.push_back(
                pointOf(*read, **stamp, course->fromClock((*stamp)->takenAt), forecast));
    }
    std::ranges::reverse(v.points);
    return v;
}

Text remarkOn(const Text& seen, const ConductView& view, const FrozenForecast* forecast) {
    constexpr double kFarBelow = 3.0; // K
    if (!forecast || !view.seconds || plain(seen) != plain(thingsSeen().front())) return {};
    const Rehearsal& r = forecast->rehearsal;
    const double at = clockStart(r) + *view.seconds;
    if (at > r.run.samples.back().seconds) return {};
    const auto margin = r.watchedAt(r.sampleAt(at)).margin;
    if (!margin || *margin > -kFarBelow) return {};
    return Text::tr(
        "By the forecast it is {} K below boiling: bubbles now are dissolved air, not yet boiling.",
        fixed(-*margin, 0));
}

const std::vector<Text>& thingsSeen() {
    static const std::vector<Text> kThings{
        Text::phrase("boils"),   Text::phrase("stops"),    Text::phrase("ice on"), Text::phrase("ice off"),
        Text::phrase("hiss in"), Text::phrase("hiss out"), Text::phrase("frost"),  Text::phrase("bursts")};
    return kThings;
}

std::string vigourStamp(int vigour) { return plain(Text::tr("vigour {} of 5", vigour)); }

} // namespace uttrin
