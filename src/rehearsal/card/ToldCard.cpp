#include "ToldCard.h"

#include "RigFloor.h"
#include "quantities/Rounding.h"

#include <algorithm>

namespace uttrin {
namespace {

std::vector<Text> dataTexts(const std::vector<std::string>& texts) {
    std::vector<Text> all;
    for (const std::string& text : texts)
        all.push_back(Text::data(text));
    return all;
}

/// The vessels that stand under vacuum, by their places.
std::vector<std::size_t> evacuatedOf(const RigCard& card, const RigSetup& setup) {
    std::vector<std::size_t> places;
    for (std::size_t i = 0; i < setup.model.vessels.size(); ++i)
        if (std::ranges::find(card.evacuated, setup.model.vessels[i].name) != card.evacuated.end())
            places.push_back(i);
    return places;
}

std::vector<Text> vesselTexts(const RigCard& card, const RigSetup& setup) {
    std::vector<Text> texts;
    for (const std::size_t i : evacuatedOf(card, setup))
        texts.push_back(Text::tr("{}, under vacuum: {}. {}", Text::data(setup.model.vessels[i].name),
                                 makingText(setup.making[i]), makingAdvice(setup.making[i])));
    return texts;
}

std::vector<Text> whoTexts(const RigCard& card, const RigSetup& setup) {
    std::vector<Text> texts{doerText(card.who)};
    const auto all = evacuatedOf(card, setup);
    const bool rated =
        std::ranges::all_of(all, [&](std::size_t i) { return setup.making[i] == VesselMaking::Vacuum; });
    if (!rated && card.who == RigDoer::Pupils)
        texts = {
            Text::tr("{}: glass that is not made for vacuum is not for pupils", doerText(RigDoer::Teacher))};
    texts.push_back(Text::tr("Local rules come first."));
    return texts;
}

std::vector<Text> pumpTexts(const RigPumpCare& pump) {
    std::vector<Text> texts;
    if (!pump.side.empty()) texts.push_back(Text::data(pump.side));
    for (const std::string& step : pump.start)
        texts.push_back(Text::tr("start: {}", Text::data(step)));
    for (const std::string& step : pump.stop)
        texts.push_back(Text::tr("stop: {}", Text::data(step)));
    if (!pump.drain.empty()) texts.push_back(Text::data(pump.drain));
    return texts;
}

std::vector<Text> valveTexts(const ValveTable& table) {
    std::vector<Text> texts;
    if (table.empty()) return texts;
    for (std::size_t i = 0; i < table.after.size(); ++i)
        texts.push_back(Text::tr("after step {}: {}", i + 1, valvesAfter(table, i)));
    return texts;
}

} // namespace

Text doerText(RigDoer who) {
    return who == RigDoer::Teacher ? Text::tr("teacher, behind a screen")
                                   : Text::tr("pupils, under the teacher’s eyes");
}

Text needText(RigNeed need) {
    switch (need) {
    case RigNeed::Sink:
        return Text::tr("a sink, and cold water at hand for burns");
    case RigNeed::CoolingWater:
        return Text::tr("cooling water that runs, its hoses held by clips");
    case RigNeed::Hood:
        return Text::tr("a fume hood");
    case RigNeed::Power:
        return Text::tr("power at the bench, leads out of the wet");
    case RigNeed::Dark:
        return Text::tr("a room that can be darkened");
    case RigNeed::OpenWindow:
        break;
    }
    return Text::tr("fresh air: an open window");
}

Text makingText(VesselMaking making) {
    switch (making) {
    case VesselMaking::Vacuum:
        return Text::tr("made for vacuum");
    case VesselMaking::Laboratory:
        return Text::tr("laboratory glass");
    case VesselMaking::Household:
        break;
    }
    return Text::tr("household glass");
}

Text makingAdvice(VesselMaking making) {
    switch (making) {
    case VesselMaking::Vacuum:
        return Text::tr(
            "Round and rated by its maker; looked over for scratches each time, behind a screen.");
    case VesselMaking::Laboratory:
        return Text::tr(
            "Made for heat and chemicals: under vacuum only small and round ones, and only where local "
            "rules allow it; never flat-bottomed or conical ones.");
    case VesselMaking::Household:
        break;
    }
    return Text::tr("Made neither for vacuum nor for sudden cold. Some do it; many jars shatter: it is only "
                    "rehearsed, to see why.");
}

std::vector<Text> conditionTexts(const RigCard& card, const std::map<std::string, std::string>& chosen) {
    std::vector<Text> texts;
    for (const RigCondition& c : card.conditions) {
        const auto own = chosen.find(c.name);
        const bool usual = own == chosen.end();
        const bool listed = !usual && std::ranges::find(c.choices, own->second) != c.choices.end();
        texts.push_back(Text::set("{}: {}", Text::data(c.name),
                                  usual    ? Text::data(c.choices.front())
                                  : listed ? Text::data(own->second)
                                           : Text::typed(own->second)));
    }
    return texts;
}

Text vesselRefused(const RigCard& card, const RigSetup& setup) {
    for (const std::size_t i : evacuatedOf(card, setup))
        if (setup.making[i] == VesselMaking::Household)
            return Text::tr(
                "only to be rehearsed: the {} is household glass, made neither for vacuum nor for sudden "
                "cold. Some do it; many shatter. Take one made for vacuum",
                Text::data(setup.model.vessels[i].name));
    return {};
}

ToldCard toldCard(const RigStory& story, const RigSetup& setup,
                  const std::map<std::string, std::string>& chosen) {
    const RigCard& card = story.card;
    ToldCard told;
    told.valves = valveTable(story, setup);
    const auto add = [&](ToldCard::Kind kind, const Text& title, std::vector<Text> lines) {
        if (!lines.empty()) told.sections.push_back({kind, title, std::move(lines)});
    };
    if (story.steps.empty()) return told; // nothing here is to be done
    add(ToldCard::Who, Text::tr("Who may do it"), whoTexts(card, setup));
    add(ToldCard::Vessels, Text::tr("Vessels"), vesselTexts(card, setup));
    std::vector<Text> needs;
    for (const RigNeed need : card.needs)
        needs.push_back(needText(need));
    add(ToldCard::Needs, Text::tr("What it takes of the room"), std::move(needs));
    add(ToldCard::SetUp, Text::tr("Set up with"), conditionTexts(card, chosen));
    if (!card.control.empty())
        add(ToldCard::Control, Text::tr("Beside it, to compare"), {Text::data(card.control)});
    add(ToldCard::Valves, Text::tr("Valves and switches"), valveTexts(told.valves));
    add(ToldCard::Pump, Text::tr("The pump"), pumpTexts(card.pump));
    if (const auto floor = floorOf(setup))
        add(ToldCard::Floor, Text::tr("How low it gets"), {floorText(*floor, setup)});
    if (card.coldHands)
        add(ToldCard::Hands, Text::tr("Cold hands"),
            {Text::tr("Bare hands hold what is cold for {} s at most; then others take over.",
                      fixed(*card.coldHands, 0))});
    add(ToldCard::HandOver, Text::tr("Before the next group has it"), dataTexts(card.handOver));
    return told;
}

} // namespace uttrin
