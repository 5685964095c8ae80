#include "ActForecast.h"

#include "physics/Constants.h"
#include "quantities/Rounding.h"
#include "rehearsal/CoolingFit.h"
#include "rehearsal/StoryFigures.h"
#include "rehearsal/card/ToldCard.h"

#include <algorithm>

namespace uttrin {
namespace {

constexpr double kMinute = 60.0;           // s
constexpr double kUsualBlock = 5.0 * 60.0; // s, of a block whose length nobody has said

Text minuteText(double seconds) { return fixed(seconds / kMinute, 0); }

void take(ActForecast& f, Resource what, const std::vector<RigTiming::Spell>& spells) {
    for (const auto& s : spells)
        f.timed.takes.push_back({what, s.from, s.to});
}

/// A demonstration that is prepared waits longer or shorter than its rehearsal before it is shown.
void shiftShow(ActForecast& f, const RigTiming& t, double readyAt, double u, double kelvin) {
    const double by = readyAt - t.shown;
    for (ActPart& p : f.parts) {
        if (p.kind == ActPart::Wait) {
            p.to = readyAt;
            p.what = Text::tr("cools to {} °C", fixed(kelvin - kIcePointKelvin, 0));
            p.u = u;
        } else if (p.kind == ActPart::Show) {
            p.from += by;
            p.to += by;
        }
    }
    for (Occupation& o : f.timed.takes)
        if (o.from >= t.clock + kMinute) {
            o.from += by;
            o.to += by;
        }
    for (TimedAct::Ice& ice : f.timed.ice)
        if (ice.at >= t.clock + kMinute) ice.at += by;
    f.timed.shown = readyAt;
    f.timed.lasts += by;
}

void wish(ActForecast& f, const Act& act, const RigFile& rig, const std::vector<RigSetting>& settings,
          const RigTiming& t) {
    if (!act.readyS || !act.readyK) return;
    const auto lead = leadTimeFor(rig, settings, *act.readyK);
    if (!lead) {
        f.wish = Text::tr("Ready at minute {} at {} °C: {}", minuteText(*act.readyS),
                          fixed(*act.readyK - kIcePointKelvin, 0), lead.error().message);
        return;
    }
    if (t.shown > 0.0) shiftShow(f, t, lead->fromStart, lead->u, *act.readyK);
    f.wishStarts = *act.readyS - lead->fromStart;
    f.wish =
        Text::tr("Ready at minute {} at {} °C: begin at minute {}, shut it at minute {} (± {} min).",
                 minuteText(*act.readyS), fixed(*act.readyK - kIcePointKelvin, 0), minuteText(*f.wishStarts),
                 minuteText(*act.readyS - lead->fromClock), fixed(lead->u / kMinute, 0));
}

ActForecast plainBlock(const Act& act) {
    ActForecast f;
    f.timed.lasts = act.lastsS.value_or(static_cast<int>(kUsualBlock));
    f.parts = {{ActPart::Show, 0.0, f.timed.lasts, Text(), 0.0}};
    if (act.doer == ActDoer::Teacher) f.timed.takes.push_back({Resource::TeachersHands, 0.0, f.timed.lasts});
    return f;
}

void takeCard(ActForecast& f, const ActRig& rig) {
    const RigCard& card = rig.story().card;
    f.needs = card.needs;
    f.setUp = conditionTexts(card, rig.conditions);
    for (const std::string& what : card.handOver)
        f.handOver.push_back(Text::data(what));
}

/// What a demonstration needs, and what its card says of it.
/// @param played  null where nothing is forecast.
void takeStory(ActForecast& f, const Act& act, const ActRig& rig, const Rehearsal* played) {
    const RigStory& story = rig.story();
    f.materials = neededFor(story, played);
    for (const std::string& caution : story.cautions)
        f.cautions.push_back(storyText(caution, played));
    takeCard(f, rig);
    if (std::ranges::find(f.needs, RigNeed::Hood) != f.needs.end())
        f.timed.takes.push_back({Resource::Hood, 0.0, f.timed.lasts});
    if (act.doer == ActDoer::Groups && story.card.who == RigDoer::Teacher)
        f.whoMay = Text::tr("Its card says: {}. Groups do it only where local rules allow it.",
                            doerText(story.card.who));
}

ActForecast demonstration(const Act& act, std::optional<double> roomPascal,
                          std::optional<double> roomCelsius) {
    ActForecast f;
    auto rig = readActRig(act.rig);
    if (!rig) {
        f.trouble = rig.error().message;
        return f;
    }
    if (!rig->liquidKnown) {
        f = plainBlock(act);
        takeStory(f, act, *rig, nullptr);
        return f;
    }
    rig->room = rig->rig()->roomSettings(roomPascal, roomCelsius);
    const auto settings = rig->settings();
    const auto played = rehearse(*rig->rig(), settings);
    if (!played) {
        f.trouble = played.error().message;
        return f;
    }
    const RigTiming t = timingOf(*played);
    f.parts = partsOf(t);
    const auto spread = spreadOfEnds(*rig->rig(), settings, t);
    for (std::size_t i = 0; i < spread.size(); ++i)
        f.parts[i].u = spread[i];
    f.timed.lasts = t.lasts;
    f.timed.shown = t.shown;
    take(f, Resource::Pump, t.pump);
    take(f, Resource::Heater, t.heater);
    if (act.doer == ActDoer::Teacher) take(f, Resource::TeachersHands, t.hands);
    for (const auto& portion : t.ice)
        f.timed.ice.push_back({portion.at, portion.kg});
    takeStory(f, act, *rig, &*played);
    wish(f, act, *rig->rig(), settings, t);
    return f;
}

ActForecast lab(const LessonSession& s, const Act& act) {
    ActForecast f;
    if (!act.setupId || !s.model().hasPlan(*act.setupId)) {
        f.trouble = Text::tr("its plan is not in this notebook");
        return f;
    }
    const Plan& plan = s.model().plan(*act.setupId);
    const auto& sheet = s.model().sheet(*act.setupId);
    for (const Text& thing : thingsFor(plan))
        f.materials.push_back({Needed::Things, thing, 1.0, false});
    f.materials.push_back({Needed::Things, Text::data("eye protection"), 1.0, true});
    if (const auto card = cardOf(s.model(), act)) takeCard(f, *card);
    for (const Caution& c : cautionsFor(plan))
        f.cautions.push_back(c.text);
    if (!sheet) {
        f.trouble = sheet.error().message;
        return f;
    }
    const double all = sheet->totalSeconds;
    f.timed.lasts = all;
    f.parts = {{ActPart::Prepare, 0.0, kSetUpSeconds, Text::tr("set up, leak test"), 0.0},
               {ActPart::Show, kSetUpSeconds, all - kClearUpSeconds,
                Text::tr("{} {0|point|points}", sheet->targets.size()), sheet->secondsU},
               {ActPart::Prepare, all - kClearUpSeconds, all, Text::tr("cool, clear up"), 0.0}};
    f.timed.takes.push_back({Resource::Pump, kSetUpSeconds, all - kClearUpSeconds});
    if (plan.method == Method::HoldPressure)
        f.timed.takes.push_back({Resource::Heater, kSetUpSeconds, all - kClearUpSeconds});
    if (act.doer == ActDoer::Teacher) f.timed.takes.push_back({Resource::TeachersHands, 0.0, all});
    return f;
}

/// As long as a person says: what is shown ends earlier, or there is more time to look.
void setLength(ActForecast& f, double lasts) {
    f.timed.lasts = lasts;
    std::erase_if(f.parts, [&](const ActPart& p) { return p.from >= lasts; });
    std::erase_if(f.timed.takes, [&](const Occupation& o) { return o.from >= lasts; });
    for (Occupation& o : f.timed.takes)
        o.to = std::min(o.to, lasts);
    if (f.parts.empty())
        f.parts.push_back({ActPart::Show, 0.0, lasts, Text(), 0.0});
    else
        f.parts.back().to = lasts;
}

ActForecast forecast(const LessonSession& s, const Act& act, std::optional<double> pascal,
                     std::optional<double> celsius) {
    ActForecast f = act.kind == ActKind::Demonstration ? demonstration(act, pascal, celsius)
                    : act.kind == ActKind::Lab         ? lab(s, act)
                                                       : plainBlock(act);
    if (!f.trouble.empty() && f.timed.lasts == 0.0)
        f.timed.lasts = act.lastsS.value_or(static_cast<int>(kUsualBlock));
    if (act.lastsS) setLength(f, *act.lastsS);
    return f;
}

} // namespace

std::vector<ActPart> partsOf(const RigTiming& t) {
    std::vector<ActPart> parts;
    for (const auto& p : t.parts) {
        // What is done within a second of the clock's move belongs to it.
        const bool before = p.from + 1.5 < t.clock;
        const auto kind = before ? ActPart::Prepare : p.from < t.shown ? ActPart::Wait : ActPart::Show;
        parts.push_back({kind, p.from, p.to, p.begins.empty() ? Text::tr("set up") : p.begins, 0.0});
    }
    return parts;
}

ActForecast ActForecasts::of(const LessonSession& s, const Act& act) {
    const auto room = s.room();
    const auto pascal = room ? std::optional(room->station.pascal()) : std::nullopt;
    const auto celsius = s.model().roomCelsius(s.groupId());
    const auto anew = [&] { return forecast(s, act, pascal, celsius); };
    ActForecast f;
    if (act.kind == ActKind::Lab) { // depends on its plan, which the model keeps worked out
        f = anew();
    } else {
        const Key key{act.kind, act.rig, act.lastsS, act.readyS, act.readyK, pascal, celsius, act.doer};
        constexpr std::size_t kMost = 200;
        if (m_known.size() >= kMost && !m_known.contains(key)) m_known.clear();
        const auto known = m_known.find(key);
        f = known != m_known.end() ? known->second : m_known.emplace(key, anew()).first->second;
    }
    f.timed.starts = act.startsS;
    f.timed.fixed = act.state == ActState::GoingOn;
    return f;
}

bool isToCome(const Act& act) { return act.state != ActState::Done && act.state != ActState::Skipped; }

PeriodRow periodRow(const LessonModel& model) {
    if (model.data().period) return *model.data().period;
    PeriodRow row;
    row.lessonId = model.lesson().id;
    row.lastsS = static_cast<int>(Plan().periodMinutes * kMinute);
    for (const Setup& setup : model.data().setups)
        if (model.hasPlan(setup.id)) {
            row.lastsS = static_cast<int>(model.plan(setup.id).periodMinutes * kMinute);
            break;
        }
    return row;
}

Period periodOf(const LessonModel& model) {
    const PeriodRow row = periodRow(model);
    Period p;
    p.lasts = row.lastsS;
    p.pumps = row.pumps;
    p.heaters = row.heaters;
    constexpr double kGramsAKilogram = 1000.0;
    if (row.iceG) p.iceKg = *row.iceG / kGramsAKilogram;
    return p;
}

} // namespace uttrin
