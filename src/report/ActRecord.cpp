#include "ActRecord.h"

#include "ReportParts.h"
#include "physics/Constants.h"
#include "quantities/Rounding.h"
#include "rehearsal/CoolingFit.h"
#include "rehearsal/StoryFigures.h"
#include "rehearsal/card/FillRange.h"
#include "rehearsal/card/ToldCard.h"

#include <algorithm>
#include <cmath>

namespace uttrin {
namespace {

const Text& line() {
    static const Text kBlank = Text::set("________");
    return kBlank;
}

/// An act's rig and its story, with the figures of its frozen forecast where there is one.
struct Told {
    Result<ActRig> rig;
    RigStory story;
    ToldStory told;

    /// @param played  its forecast; null where none is known.
    Told(const LessonModel& model, const Act& act, const Rehearsal* played) : rig(cardOf(model, act)) {
        if (!rig) return;
        story = rig->story();
        told = toldStory(story, played);
    }
};

Text doerOf(const Act& act) {
    return act.doer == ActDoer::Teacher ? Text::tr("Done by the teacher.") : Text::tr("Done by groups.");
}

/// What this teacher set otherwise than the rig has it, and the amounts that follow.
std::vector<Text> amounts(const Told& t) {
    std::vector<Text> list = t.told.materials;
    const auto settings = t.rig->settings();
    for (const RigKnob& knob : t.rig->rig()->knobs()) {
        const double shown = knob.unit->fromSi(t.rig->rig()->value(knob.pointers.front(), settings));
        const Text value = Text::set("{} {}", fixed(shown, decimalsTyped(shown)), knob.unit->display);
        list.push_back(knob.reference == RigReference::None
                           ? Text::set("{}: {}", Text::data(knob.name), value)
                           : Text::set("{}: {} {}", Text::data(knob.name), value, phraseOf(knob.reference)));
    }
    return list;
}

/// Who may do it, with what, in which vessels, and what stands at what after which step.
void addCard(Document& d, const Told& t) {
    const auto setup = t.rig->rig()->setup(t.rig->settings());
    if (!setup) return;
    const ToldCard card = toldCard(t.story, *setup, t.rig->conditions);
    for (const auto& section : card.sections) {
        if (section.kind == ToldCard::Valves) continue;
        d.blocks.emplace_back(
            Paragraph{Text::set("{}: {}", section.title, Text::join(section.lines, Text::set("; ")))});
    }
    if (card.valves.empty()) return;
    Table valves{Text::tr("What stands at what after each step"), {Text::tr("step")}, {}, {}};
    for (const std::string& name : card.valves.names)
        valves.columns.push_back(Text::data(name));
    for (std::size_t step = 0; step < card.valves.after.size(); ++step) {
        auto& row = valves.rows.emplace_back();
        row.push_back(Text::set("{}", step + 1));
        for (std::size_t i = 0; i < card.valves.names.size(); ++i)
            row.push_back(valveAfter(card.valves, step, i));
    }
    d.blocks.emplace_back(std::move(valves));
}

void addCautions(Document& d, const std::vector<Text>& cautions) {
    d.blocks.emplace_back(Heading{2, Text::tr("Cautions")});
    for (const Text& c : cautions)
        d.blocks.emplace_back(CautionBox{c});
    d.blocks.emplace_back(
        Paragraph{Text::tr("These are the usual cautions. Local rules, the maker’s rating of a "
                           "vessel and qualified staff come first."),
                  true});
}

double celsius(double kelvin) { return kelvin - kIcePointKelvin; }

/// The frozen forecast with its band and what was read of the liquid, minutes across.
Figure plotOf(const FrozenForecast& frozen, const ConductView& view) {
    Figure f;
    f.caption = Text::tr("The forecast as it was frozen (90 % dashed), and what was read.");
    f.plot.xLabel = Text::tr("minutes since: {}", view.since);
    f.plot.yLabel = Text::tr("temperature, °C");
    const ForecastBand& band = frozen.outlook.band;
    for (const auto& p : view.points)
        if (p.ofTheLiquid)
            f.plot.points.push_back({p.seconds / 60.0, p.celsius, 0.0, 0.0, p.inBand == false});
    if (band.seconds.size() < 2) {
        frameAround(f.plot);
        return f;
    }
    f.plot.xHigh = band.seconds.back() / 60.0;
    f.plot.yLow = celsius(*std::ranges::min_element(band.lowKelvin)) - 2.0;
    f.plot.yHigh = celsius(*std::ranges::max_element(band.highKelvin)) + 2.0;
    for (const auto& p : f.plot.points) {
        f.plot.yLow = std::min(f.plot.yLow, p.y - 2.0);
        f.plot.yHigh = std::max(f.plot.yHigh, p.y + 2.0);
    }
    const auto curve = [&](double Interval90::*part, bool dashed, const Text& label) {
        f.plot.curves.push_back({[band, part](double minutes) {
                                     const auto k = band.at(60.0 * minutes);
                                     return k ? celsius((*k).*part) : std::nan("");
                                 },
                                 dashed, label});
    };
    curve(&Interval90::value, false, {});
    curve(&Interval90::low, true, {});
    curve(&Interval90::high, true, {});
    widenToSteps(f.plot);
    f.plot.xLow = std::max(f.plot.xLow, 0.0);
    return f;
}

void addQuestions(Document& d, const std::vector<QuestionView>& questions) {
    if (questions.empty()) return;
    Table t{Text::tr("What the class expected, and how it came out"),
            {Text::tr("question"), Text::tr("answers"), Text::tr("it came out"), Text::tr("verdict")},
            {},
            {}};
    for (const QuestionView& q : questions)
        t.rows.push_back({q.asks, q.tally, q.result.empty() ? Text::tr("not said") : q.result, q.verdict});
    d.blocks.emplace_back(std::move(t));
}

void addTables(Document& d, const ActResult& r) {
    if (!r.reads.empty()) {
        Table t{Text::tr("What was read"),
                {Text::tr("at"), Text::tr("min"), Text::tr("forecast (90 %)"), Text::tr("inside"),
                 Text::tr("read")},
                {},
                {}};
        for (const auto& read : r.reads)
            t.rows.push_back({read.when, read.minute, read.forecast, read.inside,
                              read.outside ? Text::tr("{} (outside)", read.read) : read.read});
        d.blocks.emplace_back(std::move(t));
    }
    if (!r.seen.empty()) {
        Table t{Text::tr("What was seen"),
                {Text::tr("at"), Text::tr("min"), Text::tr("by the forecast"), Text::tr("seen")},
                {},
                {},
                true};
        for (const auto& seen : r.seen)
            t.rows.push_back({seen.when, seen.minute, seen.forecast, seen.what});
        d.blocks.emplace_back(std::move(t));
    }
    if (!r.groups.empty()) {
        Table g{Text::tr("What each group found"),
                {Text::tr("group"), Text::tr("temperatures"), Text::tr("outside the forecast"),
                 Text::tr("boiled down to"), Text::tr("inside then")},
                {},
                {}};
        for (const auto& group : r.groups)
            g.rows.push_back({group.name, Text::set("{}", group.read), Text::set("{}", group.outside),
                              group.lowest, group.inside});
        d.blocks.emplace_back(std::move(g));
    }
    Table v{Text::tr("Values of the rig, with 90 %"),
            {Text::tr("value"), Text::tr("as expected"), Text::tr("by what was read")},
            {},
            {},
            true};
    for (const auto& value : r.values)
        if (!value.found.empty()) v.rows.push_back({value.name, value.expected, value.found});
    if (!v.rows.empty()) d.blocks.emplace_back(std::move(v));
}

/// How an act without a forecast of its own was led, and what was read and seen.
void addStamped(Document& d, const LessonSession& s, const Act& act) {
    d.blocks.emplace_back(Paragraph{act.kind == ActKind::Lab
                                        ? Text::tr("Its points and what came of them are in the lab report.")
                                        : Text::tr("The liquid was unknown: nothing was forecast.")});
    const ConductView view = conductView(s, act, nullptr);
    Table t{Text::tr("What was confirmed, read and seen"), {Text::tr("at"), Text::tr("what")}, {}, {}, true};
    for (auto stamp = view.stamps.rbegin(); stamp != view.stamps.rend(); ++stamp)
        t.rows.push_back({stamp->when, stamp->what});
    if (!t.rows.empty()) d.blocks.emplace_back(std::move(t));
    if (!view.hazard.empty()) d.blocks.emplace_back(CautionBox{view.hazard});
}

/// How full it may be, and what happens otherwise.
void addFilling(Document& d, const ActRig& rig) {
    const auto range = fillRange(*rig.rig(), rig.settings());
    if (!range) return;
    d.blocks.emplace_back(Heading{2, Text::tr("How full")});
    d.blocks.emplace_back(BulletList{fillTexts(*range)});
}

} // namespace

Document actRecord(const LessonSession& s, const Act& act, const FrozenForecast* frozen,
                   const ActAnalysis* analysis) {
    Document d;
    d.title = Text::tr("Record: {}", Text::typed(act.title));
    opening(d, s.model().lesson(), doerOf(act));
    const Told t(s.model(), act, frozen ? &frozen->rehearsal : nullptr);
    if (!t.rig) {
        d.blocks.emplace_back(Paragraph{t.rig.error().message});
        return d;
    }
    if (act.kind == ActKind::Lab || !t.rig->liquidKnown) {
        addStamped(d, s, act);
        addCard(d, t);
        addCautions(d, t.told.cautions);
        return d;
    }
    const ActResult r = actResult(s, act, frozen, analysis);
    d.blocks.emplace_back(Paragraph{Text::sentences({t.told.aim, r.verdict})});
    for (const Text& e : r.evidence)
        d.blocks.emplace_back(Paragraph{e, true});
    for (const Text* found : {&r.lowest, &r.bracket, &r.pooled})
        if (!found->empty()) d.blocks.emplace_back(Paragraph{*found});
    if (!r.notMeasured.empty()) d.blocks.emplace_back(CautionBox{r.notMeasured});
    if (frozen) {
        const LearnedForecast* learned = analysis && analysis->learned ? &*analysis->learned : nullptr;
        d.blocks.emplace_back(plotOf(*frozen, conductView(s, act, frozen, learned)));
        d.blocks.emplace_back(Paragraph{Text::tr("The room when it began: {}.", r.room)});
    }
    addQuestions(d, r.questions);
    addTables(d, r);
    d.blocks.emplace_back(Heading{2, Text::tr("Steps and confirmations")});
    d.blocks.emplace_back(BulletList{r.steps});
    d.blocks.emplace_back(Heading{2, Text::tr("What was used")});
    d.blocks.emplace_back(BulletList{amounts(t), 2});
    addCard(d, t);
    d.blocks.emplace_back(Heading{2, Text::tr("Why")});
    d.blocks.emplace_back(Paragraph{t.told.physics});
    addCautions(d, t.told.cautions);
    return d;
}

Document pupilsSheet(const LessonSession& s, const Act& act) {
    Document d;
    d.title = Text::typed(act.title);
    opening(d, s.model().lesson(), Text::tr("Name: ________________   Group: ________"));
    const Told t(s.model(), act, nullptr);
    if (t.rig) d.blocks.emplace_back(Paragraph{Text::data(t.story.aim)});
    d.blocks.emplace_back(Heading{2, Text::tr("Before it is done")});
    for (const QuestionView& q : questionsOf(s, act)) {
        std::vector<Text> answers;
        for (const auto& count : q.counts)
            answers.push_back(Text::set("[ ] {}", count.says));
        d.blocks.emplace_back(
            Paragraph{Text::sentences({q.asks, q.counts.empty() ? Text::set("{} {}", line(), q.unit)
                                                                : Text::join(answers, Text::set("   "))})});
    }
    d.blocks.emplace_back(Paragraph{Text::tr("I expect that, because: ________________________________")});
    d.blocks.emplace_back(Heading{2, Text::tr("What I read and see")});
    Table table{Text(), {Text::tr("min"), Text::tr("temperature, °C"), Text::tr("what I see")}, {}, {}, true};
    constexpr int kRows = 8;
    for (int i = 0; i < kRows; ++i)
        table.rows.push_back({Text(), Text(), Text()});
    d.blocks.emplace_back(std::move(table));
    Figure paper;
    paper.caption = Text::tr("Draw what you read.");
    paper.plot.xLabel = Text::tr("minutes");
    paper.plot.yLabel = Text::tr("temperature, °C");
    paper.plot.xHigh = 60.0;
    paper.plot.yHigh = 100.0;
    constexpr int kFine = 5;
    paper.plot.divisions = kFine;
    d.blocks.emplace_back(std::move(paper));
    if (t.rig) addCautions(d, t.told.cautions);
    return d;
}

Document actGuide(const LessonSession& s, const Act& act) {
    Document d;
    d.title = Text::tr("Steps: {}", Text::typed(act.title));
    opening(d, s.model().lesson(), doerOf(act));
    // As it would go now: the amounts follow from it.
    const auto played = cardOf(s.model(), act).and_then([](const ActRig& rig) {
        return rehearse(*rig.rig(), rig.settings());
    });
    const Told t(s.model(), act, played ? &*played : nullptr);
    if (!t.rig) return d;
    d.blocks.emplace_back(Heading{2, Text::tr("To fetch")});
    d.blocks.emplace_back(BulletList{amounts(t), 2});
    if (act.kind == ActKind::Demonstration && t.rig->liquidKnown) addFilling(d, *t.rig);
    addCard(d, t);
    for (std::size_t i = 0; i < t.story.steps.size(); ++i) {
        const RigStep& step = t.story.steps[i];
        d.blocks.emplace_back(Heading{2, Text::tr("Step {}", i + 1)});
        d.blocks.emplace_back(Paragraph{t.told.steps[i]});
        std::vector<Text> before;
        for (const RigConfirmation& c : step.confirm)
            before.push_back(Text::set("[ ] {}", Text::data(c.says)));
        if (step.question)
            before.push_back(Text::tr("Ask the class first: {}", Text::data(step.question->asks)));
        if (!before.empty()) d.blocks.emplace_back(BulletList{before});
        if (!step.see.empty())
            d.blocks.emplace_back(Paragraph{Text::tr("Seen then: {}", Text::data(step.see)), true});
    }
    addCautions(d, t.told.cautions);
    return d;
}

Document joined(const Text& title, const std::vector<Document>& papers) {
    Document whole;
    whole.title = title;
    for (const Document& paper : papers) {
        whole.blocks.emplace_back(Heading{1, paper.title});
        whole.blocks.insert(whole.blocks.end(), paper.blocks.begin(), paper.blocks.end());
    }
    return whole;
}

} // namespace uttrin
