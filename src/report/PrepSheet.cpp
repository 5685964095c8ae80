#include "PrepSheet.h"

#include "ReportParts.h"
#include "lesson/acts/ActRig.h"
#include "quantities/Rounding.h"

#include <algorithm>
#include <set>

namespace uttrin {
namespace {

/// What acts take of the room: pumps, heaters, hands.
std::vector<Text> roomNeeds(const LessonSession& s, ActForecasts& forecasts) {
    std::set<Resource> taken;
    for (const Act& act : s.model().data().acts)
        if (isToCome(act))
            for (const Occupation& o : forecasts.of(s, act).timed.takes)
                taken.insert(o.what);
    std::vector<Text> needs;
    if (taken.contains(Resource::Pump)) needs.push_back(Text::tr("a vacuum pump with power, its oil looked at"));
    if (taken.contains(Resource::Heater)) needs.push_back(Text::tr("a hob or heater with power"));
    needs.push_back(Text::tr("a sink, and cold water at hand for burns"));
    needs.push_back(Text::tr("eye protection for everybody in the room"));
    return needs;
}

void addActs(Document& d, const PeriodView& view, const LessonSession& s) {
    Table t{Text::tr("Acts"),
            {Text::tr("from"), Text::tr("to"), Text::tr("who, how long"), Text::tr("act")},
            {},
            {},
            true};
    for (const auto& lane : view.lanes)
        t.rows.push_back({periodTime(s.model(), lane.starts), periodTime(s.model(), lane.ends), lane.under,
                          lane.title});
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
        for (const Text& c : anew)
            d.blocks.emplace_back(CautionBox{Text::tr("{}: {}", Text::typed(act.title), c)});
    }
    d.blocks.emplace_back(Paragraph{Text::tr("These are the usual cautions. Local rules, the maker’s rating of a "
                                             "vessel and qualified staff come first.")});
}

} // namespace

Document prepSheet(const LessonSession& s, ActForecasts& forecasts, const PrepOptions& options) {
    const PeriodView view = periodView(s, forecasts);
    Document d;
    const Text lesson = Text::data(s.model().lesson().title);
    d.title = options.technician ? Text::tr("To prepare: {}", lesson) : Text::tr("Prep sheet: {}", lesson);
    opening(d, s.model().lesson(), view.summary);
    for (const auto& clash : view.clashes)
        d.blocks.emplace_back(CautionBox{clash.says});
    if (view.lanes.empty()) return d;
    Table todo{Text::tr("What to do when"), {Text::tr("at"), Text::tr("what")}, {}, {}, true};
    for (const auto& t : view.todo)
        if (!options.technician || t.minute < 0.0) todo.rows.push_back({t.when, t.what});
    if (!todo.rows.empty()) d.blocks.emplace_back(std::move(todo));
    d.blocks.emplace_back(Heading{2, Text::tr("To fetch, for all of it")});
    d.blocks.emplace_back(BulletList{view.fetch});
    d.blocks.emplace_back(Heading{2, Text::tr("The room")});
    d.blocks.emplace_back(BulletList{roomNeeds(s, forecasts)});
    if (!options.technician) addActs(d, view, s);
    addCautionsByAct(d, s, forecasts);
    return d;
}

} // namespace uttrin
