#include "ConductView.h"

#include "ActReadings.h"
#include "ActSteps.h"
#include "OutlookTexts.h"
#include "lesson/actcommands/ConductCommands.h"
#include "lesson/model/Clock.h"
#include "physics/Constants.h"
#include "quantities/Rounding.h"
#include "rehearsal/Appearance.h"
#include "rehearsal/CoolingFit.h"
#include "rehearsal/StoryFigures.h"

#include <algorithm>
#include <cmath>
#include <map>

namespace uttrin {
namespace {

Text stampText(const Stamp& s) {
    switch (s.kind) {
    case StampKind::Begun:
        return Text::tr("begun");
    case StampKind::Confirmed:
        return s.what == kAgain ? Text::tr("step {} done, once more to come", s.step.value_or(0) + 1)
                                : Text::tr("step {} done", s.step.value_or(0) + 1);
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
    if (forecast) p.inBand = isInBand(forecast->outlook.band, seconds, stamp, read);
    return p;
}

/// Whether liquid was seen in the line, and nobody said since that it is dry.
bool isLiquidInLine(const std::vector<const Stamp*>& stamps) {
    bool there = false;
    for (const Stamp* s : stamps)
        if (s->kind == StampKind::Seen) {
            if (s->what == plain(liquidInLine())) there = true;
            if (s->what == plain(lineDrained())) there = false;
        }
    return there;
}

/// What boils below the usual point is believed by a temperature before it and one after.
Text readingWanted(const LessonModel& model, const FrozenForecast& forecast,
                   const std::vector<const Stamp*>& stamps) {
    const auto lowest = lowestBoiling(forecast.rehearsal);
    const auto fluid = rigFluid(forecast.rehearsal.setup.substance);
    constexpr double kClearlyBelow = 2.0; // K
    if (!lowest || !fluid ||
        *lowest > fluid->boilingKelvin(forecast.rehearsal.setup.model.roomPascal) - kClearlyBelow)
        return {};
    bool read = false, boiled = false, after = false;
    for (const Stamp* s : stamps) {
        if (temperatureOf(model, *s)) (boiled ? after : read) = true;
        const auto boils = seenBoiling(*s);
        if (boils == true) boiled = true;
        if (boils == false) after = false;
    }
    if (!boiled && !read) return Text::tr("Read it before it boils: the record wants it before and after.");
    if (boiled && !after) return Text::tr("Read it again: the record wants it before and after.");
    return {};
}

} // namespace

Result<std::string> toFreeze(const LessonSession& s, const Act& act) {
    if (act.kind == ActKind::Lab) // its plan is its forecast; what is kept is the card by which it is led
        return cardOf(s.model(), act).map([](const ActRig& card) { return writeActRig(card); });
    auto rig = readActRig(act.rig);
    if (!rig) return tl::unexpected(rig.error());
    if (const Text why = rig->refused(); !why.empty()) return fail(Failure::BadInput, why);
    if (!rig->liquidKnown) return writeActRig(*rig); // nothing of it depends on the room
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
    const RigSetup& setup = frozen->rehearsal.setup;
    const auto first = static_cast<std::size_t>(std::max(setup.clockMove, 0));
    if (!course.clockRuns() && first < setup.moves.size()) v.waitsFor = Text::data(setup.moves[first].says);
    v.outlook = outlookTexts(*frozen, learned, course, now, s.model().lesson().utcOffsetMin);
}

ConductView conductView(const LessonSession& s, const Act& act, const FrozenForecast* forecast,
                        const LearnedForecast* learned) {
    ConductView v;
    v.act = act.id;
    v.title = Text::typed(act.title);
    v.live = act.state == ActState::GoingOn;
    v.canBegin = act.kind != ActKind::PlainBlock &&
                 (act.state == ActState::Planned || act.state == ActState::Prepared);
    const auto rig = cardOf(s.model(), act);
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
    const auto setup = rig->rig()->setup(rig->settings());
    addSteps(v, story, told, setup ? valveTable(story, *setup) : ValveTable(), stamps, offset);
    v.liquidKnown = rig->liquidKnown;
    v.drainable = !story.card.pump.drain.empty();
    if (v.live && isLiquidInLine(stamps)) v.drain = Text::data(story.card.pump.drain);
    if (story.card.coldHands) v.coldHands = *story.card.coldHands;
    if (v.live && forecast) v.wanted = readingWanted(s.model(), *forecast, stamps);
    follow(v, s, act, forecast, learned);
    std::map<std::optional<RowId>, ActCourse> courses; // each group's rig has a clock of its own
    if (forecast) v.since = countedFrom(forecast->rehearsal);
    for (auto stamp = stamps.rbegin(); stamp != stamps.rend(); ++stamp) {
        v.stamps.push_back({Text::typed(clockTextWithSeconds((*stamp)->takenAt, offset)),
                            byGroup(s.model(), **stamp, stampText(**stamp))});
        const auto read = temperatureOf(s.model(), **stamp);
        if (!read || !forecast || !v.begun) continue;
        const auto group = (*stamp)->groupId;
        const ActCourse& course = courses.try_emplace(group, s.model(), act, *forecast, group).first->second;
        v.points.push_back(pointOf(*read, **stamp, course.fromClock((*stamp)->takenAt), forecast));
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

std::optional<bool> seenBoiling(const Stamp& stamp) {
    if (stamp.kind != StampKind::Seen) return std::nullopt;
    if (stamp.what == plain(thingsSeen()[kBoils])) return true;
    if (stamp.what == plain(thingsSeen()[kStops])) return false;
    return std::nullopt;
}

const Text& liquidInLine() {
    static const Text kSeen = Text::phrase("liquid in the line");
    return kSeen;
}

const Text& lineDrained() {
    static const Text kSeen = Text::phrase("line drained");
    return kSeen;
}

std::string vigourStamp(int vigour) { return plain(Text::tr("vigour {} of 5", vigour)); }

} // namespace uttrin
