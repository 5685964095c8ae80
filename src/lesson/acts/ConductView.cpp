#include "ConductView.h"

#include "lesson/model/Clock.h"
#include "physics/Constants.h"
#include "quantities/Rounding.h"
#include "rehearsal/Appearance.h"
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
    case StampKind::Read: {
        const Text read = s.value ? Text::tr("{} °C", fixed(*s.value, 1)) : Text::typed(s.what);
        return s.place.empty() ? read : Text::tr("{}, {}", read, Text::data(s.place));
    }
    case StampKind::Finished:
        break;
    }
    return Text::tr("finished");
}

/// The band at a moment, °C; none outside its time.
std::optional<std::pair<double, double>> bandAt(const EnsembleBand& band, double seconds) {
    if (band.seconds.empty() || seconds < band.seconds.front() || seconds > band.seconds.back())
        return std::nullopt;
    const auto after = std::ranges::lower_bound(band.seconds, seconds);
    const auto i = static_cast<std::size_t>(after - band.seconds.begin());
    if (i == 0) return std::pair(band.lowKelvin[0] - kIcePointKelvin, band.highKelvin[0] - kIcePointKelvin);
    const double share = (seconds - band.seconds[i - 1]) / (band.seconds[i] - band.seconds[i - 1]);
    return std::pair(std::lerp(band.lowKelvin[i - 1], band.lowKelvin[i], share) - kIcePointKelvin,
                     std::lerp(band.highKelvin[i - 1], band.highKelvin[i], share) - kIcePointKelvin);
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
            s.confirm.push_back({Text::data(c.says), !c.hazard.empty()});
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

Text momentOf(const FrozenForecast& f, double seconds) {
    const Rehearsal& r = f.rehearsal;
    if (seconds > r.run.samples.back().seconds) return Text::tr("The forecast ends before this.");
    const VesselState& state = r.watchedAt(r.sampleAt(seconds));
    const Text celsius = fixed(state.kelvin - kIcePointKelvin, 1);
    const auto band = bandAt(f.band, seconds);
    const Text within =
        band ? Text::tr(" ({} to {})", fixed(band->first, 1), fixed(band->second, 1)) : Text();
    return boils(appearanceOf(r.watched(), state))
               ? Text::tr("Forecast now: {} °C{}, boiling.", celsius, within)
               : Text::tr("Forecast now: {} °C{}, quiet.", celsius, within);
}

} // namespace

std::shared_ptr<const FrozenForecast> FrozenForecasts::of(const Act& act) {
    if (act.frozen.empty()) return nullptr;
    if (const auto known = m_known.find(act.frozen); known != m_known.end()) return known->second;
    std::shared_ptr<FrozenForecast> forecast;
    if (const auto rig = readActRig(act.frozen)) {
        if (auto played = rehearse(*rig->rig(), rig->settings())) {
            forecast = std::make_shared<FrozenForecast>();
            forecast->rehearsal = std::move(*played);
            constexpr int kMembers = 40;
            constexpr std::uint64_t kSeed = 1;
            if (const auto ensemble = playEnsemble(*rig->rig(), rig->settings(), kMembers, kSeed))
                forecast->band = ensemble->band;
        }
    }
    return m_known[act.frozen] = forecast;
}

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

void follow(ConductView& v, Milliseconds now, const FrozenForecast* forecast) {
    if (!v.begun || !v.live) return;
    v.seconds = static_cast<double>(now - *v.begun) / 1000.0;
    if (forecast) v.now = momentOf(*forecast, *v.seconds);
}

ConductView conductView(const LessonSession& s, const Act& act, FrozenForecasts& forecasts) {
    ConductView v;
    v.act = act.id;
    v.title = Text::typed(act.title);
    v.live = act.state == ActState::GoingOn;
    v.canBegin = act.kind == ActKind::Demonstration &&
                 (act.state == ActState::Planned || act.state == ActState::Prepared);
    const auto rig = readActRig(act.frozen.empty() ? act.rig : act.frozen);
    if (!rig) return v;
    const int offset = s.model().lesson().utcOffsetMin;
    std::vector<const Stamp*> stamps;
    std::optional<Milliseconds> begun;
    for (const Stamp& stamp : s.model().data().stamps)
        if (stamp.actId == act.id) {
            stamps.push_back(&stamp);
            if (stamp.kind == StampKind::Begun) begun = stamp.takenAt;
        }
    const auto forecast = forecasts.of(act);
    const RigStory& story = rig->rig()->story(rig->variantPlace());
    const ToldStory told = toldStory(story, forecast ? &forecast->rehearsal : nullptr);
    v.cautions = told.cautions;
    addSteps(v, story, told, stamps, offset);
    v.begun = begun;
    follow(v, s.clock().now(), forecast.get());
    const auto since = [&](Milliseconds at) { return static_cast<double>(at - *begun) / 1000.0; };
    for (auto stamp = stamps.rbegin(); stamp != stamps.rend(); ++stamp) {
        v.stamps.push_back(
            {Text::typed(clockTextWithSeconds((*stamp)->takenAt, offset)), stampText(**stamp)});
        if ((*stamp)->kind != StampKind::Read || !(*stamp)->value || !begun) continue;
        ConductView::Point p{since((*stamp)->takenAt), *(*stamp)->value, std::nullopt};
        if (const auto band = forecast ? bandAt(forecast->band, p.seconds) : std::nullopt)
            p.inBand = p.celsius >= band->first && p.celsius <= band->second;
        v.points.push_back(p);
    }
    std::ranges::reverse(v.points);
    return v;
}

Text remarkOn(const Text& seen, const ConductView& view, const FrozenForecast* forecast) {
    constexpr double kFarBelow = 3.0; // K
    if (!forecast || !view.seconds || plain(seen) != plain(thingsSeen().front())) return {};
    const Rehearsal& r = forecast->rehearsal;
    if (*view.seconds > r.run.samples.back().seconds) return {};
    const auto margin = r.watchedAt(r.sampleAt(*view.seconds)).margin;
    if (!margin || *margin > -kFarBelow) return {};
    return Text::tr(
        "By the forecast it is {} K below boiling: bubbles now are dissolved air, not yet boiling.",
        fixed(-*margin, 0));
}

const std::vector<Text>& placesRead() {
    static const std::vector<Text> kPlaces{Text::phrase("in the liquid"), Text::phrase("on the glass"),
                                           Text::phrase("in the vapour"), Text::phrase("by hand")};
    return kPlaces;
}

const std::vector<Text>& thingsSeen() {
    static const std::vector<Text> kThings{
        Text::phrase("boils"),   Text::phrase("stops"),    Text::phrase("ice on"), Text::phrase("ice off"),
        Text::phrase("hiss in"), Text::phrase("hiss out"), Text::phrase("frost"),  Text::phrase("bursts")};
    return kThings;
}

} // namespace uttrin
