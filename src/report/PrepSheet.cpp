#include "PrepSheet.h"

#include "ReportParts.h"
#include "lesson/acts/ActRig.h"
#include "rehearsal/card/ToldCard.h"

#include <algorithm>
#include <set>

namespace uttrin {
namespace {

/// What acts take of the room: pumps, heaters, hands.
std::vector<Text> roomNeeds(const LessonSession& s, ActForecasts& forecasts,
                            const std::set<RigNeed>& wanted) {
    std::set<Resource> taken;
    for (const Act& act : s.model().data().acts)
        if (isToCome(act))
            for (const Occupation& o : forecasts.of(s, act).timed.takes)
                taken.insert(o.what);
    std::vector<Text> needs;
    for (const RigNeed need : wanted)
        needs.push_back(needText(need));
    if (taken.contains(Resource::Pump))
        needs.push_back(Text::tr("a vacuum pump with power, its oil looked at"));
    if (taken.contains(Resource::Heater)) needs.push_back(Text::tr("a hob or heater with power"));
    return needs;
}

/// "Sealed flask (boiling chips: fresh; water: from the tap)".
Text setUpText(const Text& title, const std::vector<Text>& setUp) {
    return setUp.empty() ? title : Text::set("{} ({})", title, Text::join(setUp, Text::set("; ")));
}

void addActs(Document& d, const PeriodView& view, const LessonSession& s, ActForecasts& forecasts) {
    d.blocks.emplace_back(Heading{2, Text::tr("Who does what, and how it is set up")});
    Table t{{}, {Text::tr("from"), Text::tr("to"), Text::tr("who, how long"), Text::tr("act")}, {}, {}, true};
    for (const auto& lane : view.lanes) {
        const Act* act = s.model().act(lane.id);
        t.rows.push_back({periodTime(s.model(), lane.starts), periodTime(s.model(), lane.ends), lane.under,
                          setUpText(lane.title, act ? forecasts.of(s, *act).setUp : std::vector<Text>())});
    }
    d.blocks.emplace_back(std::move(t));
}

void addCautionsByAct(Document& d, const LessonSession& s, ActForecasts& forecasts) {
    d.blocks.emplace_back(Heading{2, Text::tr("Cautions")});
    std::set<std::string> said;
    for (const Act& act : s.model().data().acts) {
        if (!isToCome(act)) continue;
        std::vector<Text> anew;
        for (const Text& c : forecasts.of(s, act).cautions)
            if (said.insert(plain(c)).second) anew.push_back(c);
        if (!anew.empty())
            d.blocks.emplace_back(
                CautionBox{Text::tr("{}: {}", Text::typed(act.title), Text::sentences(anew))});
    }
    d.blocks.emplace_back(
        Paragraph{Text::tr("These are the usual cautions. Local rules, the maker’s rating of a "
                           "vessel and qualified staff come first.")});
}

/// What each act leaves to be done, to be ticked off.
void addHandOver(Document& d, const LessonSession& s, ActForecasts& forecasts) {
    for (const Act& act : s.model().data().acts) {
        const std::vector<Text> list = forecasts.of(s, act).handOver;
        if (list.empty() || act.state == ActState::Skipped) continue;
        d.blocks.emplace_back(Heading{2, Text::typed(act.title)});
        BulletList boxes;
        for (const Text& item : list)
            boxes.items.push_back(Text::set("\u2610  {}", item));
        d.blocks.emplace_back(std::move(boxes));
    }
    d.blocks.emplace_back(Paragraph{Text::tr("For the next group: whoever hands it over ticks it off.")});
}

Text titleOf(PrepSheetKind kind, const Text& lesson) {
    switch (kind) {
    case PrepSheetKind::Technician:
        return Text::tr("To prepare: {}", lesson);
    case PrepSheetKind::HandOver:
        return Text::tr("Hand-over: {}", lesson);
    case PrepSheetKind::Whole:
        break;
    }
    return Text::tr("Prep sheet: {}", lesson);
}

} // namespace

Document prepSheet(const LessonSession& s, ActForecasts& forecasts, PrepSheetKind kind) {
    const bool technician = kind == PrepSheetKind::Technician;
    const PeriodView view = periodView(s, forecasts);
    Document d;
    d.title = titleOf(kind, Text::data(s.model().lesson().title));
    opening(d, s.model().lesson(), view.summary);
    if (kind == PrepSheetKind::HandOver) {
        addHandOver(d, s, forecasts);
        return d;
    }
    for (const auto& clash : view.clashes)
        d.blocks.emplace_back(CautionBox{clash.says});
    if (view.lanes.empty()) return d;
    Table todo{{}, {Text::tr("at"), Text::tr("what")}, {}, {}, true};
    for (const auto& t : view.todo)
        if (!technician || t.minute < 0.0) todo.rows.push_back({t.when, t.what});
    if (!todo.rows.empty()) {
        d.blocks.emplace_back(Heading{2, Text::tr("What to do when")});
        d.blocks.emplace_back(std::move(todo));
    }
    d.blocks.emplace_back(Heading{2, Text::tr("To fetch, for all of it")});
    d.blocks.emplace_back(BulletList{view.fetch, 2});
    d.blocks.emplace_back(Heading{2, Text::tr("The room")});
    d.blocks.emplace_back(BulletList{roomNeeds(s, forecasts, view.needs)});
    if (!technician) addActs(d, view, s, forecasts);
    addCautionsByAct(d, s, forecasts);
    return d;
}

} // namespace uttrin
