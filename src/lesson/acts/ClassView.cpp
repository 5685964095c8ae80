#include "ClassView.h"

#include "ActReadings.h"
#include "lesson/model/Clock.h"
#include "physics/Constants.h"
#include "physics/Scald.h"
#include "quantities/Rounding.h"
#include "rehearsal/CoolingFit.h"

#include <algorithm>
#include <cmath>

namespace uttrin {
namespace {

Text unitText(const std::string& symbol) {
    const Unit* found = anyUnit(symbol);
    return Text::typed(found ? found->display : symbol);
}

Text figure(double value, const Text& unit) {
    const int decimals = std::abs(value - std::round(value)) < 1e-9 ? 0 : 1;
    return Text::set("{} {}", fixed(value, decimals), unit);
}

/// What was said, as it was: a number with its unit, a choice in the language of the face.
Text saidText(const QuestionView& q, const std::string& said) {
    return q.kind == QuestionKind::Number ? Text::set("{} {}", Text::typed(said), q.unit) : Text::data(said);
}

void countChoices(QuestionView& q, const std::vector<const Answer*>& answers) {
    for (const std::string& choice : choicesOf(q.asked)) {
        QuestionView::Count count{choice, Text::data(choice), 0};
        for (const Answer* a : answers)
            if (a->said == choice) count.votes += a->votes;
        q.counts.push_back(count);
    }
    const auto most = std::ranges::max_element(q.counts, {}, &QuestionView::Count::votes);
    if (q.answers > 0) q.tally = Text::tr("{} of {} say: {}", most->votes, q.answers, most->says);
    if (q.asked.result.empty() || q.answers == 0) return;
    const auto right = std::ranges::find(q.counts, q.asked.result, &QuestionView::Count::said);
    q.verdict = Text::tr("{} of {} were right", right == q.counts.end() ? 0 : right->votes, q.answers);
}

void countNumbers(QuestionView& q, const std::vector<const Answer*>& answers, const LessonModel& model) {
    std::vector<double> values;
    for (const Answer* a : answers)
        if (a->value) values.insert(values.end(), static_cast<std::size_t>(std::max(a->votes, 0)), *a->value);
    if (values.empty()) return;
    std::ranges::sort(values);
    const double middle = values[values.size() / 2];
    q.tally = values.size() == 1 ? Text::tr("one answer: {}", figure(middle, q.unit))
                                 : Text::tr("{} answers: {} to {}, half of them below {}", values.size(),
                                            figure(values.front(), q.unit), figure(values.back(), q.unit),
                                            figure(middle, q.unit));
    const auto result = parseNumber(q.asked.result);
    if (!result) return;
    const auto off = [&](const Answer* a) { return a->value ? std::abs(*a->value - *result) : 1e9; };
    const Answer* nearest = *std::ranges::min_element(answers, {}, off);
    const Text whose = nearest->groupId ? Text::typed(model.group(*nearest->groupId).name) : Text();
    q.verdict = whose.empty() ? Text::tr("nearest: {}", saidText(q, nearest->said))
                              : Text::tr("nearest: {}, {}", whose, saidText(q, nearest->said));
}

QuestionView viewOf(const LessonModel& model, const Question& asked) {
    QuestionView q;
    q.asked = asked;
    q.id = asked.id;
    q.step = asked.step;
    q.asks = Text::data(asked.asks);
    q.kind = asked.kind;
    if (!asked.unit.empty()) q.unit = unitText(asked.unit);
    q.locked = asked.lockedAt.has_value();
    q.revealed = asked.revealedAt.has_value();
    std::vector<const Answer*> answers;
    for (const Answer& a : model.data().answers)
        if (a.questionId == asked.id && asked.id != 0) {
            answers.push_back(&a);
            q.answers += a.votes;
        }
    for (const Group& g : model.data().groups) {
        const auto said = std::ranges::find_if(answers, [&](const Answer* a) { return a->groupId == g.id; });
        q.groups.push_back({g.id, Text::typed(g.name), said == answers.end() ? "" : (*said)->said});
    }
    if (!asked.result.empty()) q.result = saidText(q, asked.result);
    asked.kind == QuestionKind::Number ? countNumbers(q, answers, model) : countChoices(q, answers);
    return q;
}

Question draftOf(const Act& act, int step, const RigQuestion& of) {
    Question q;
    q.actId = act.id;
    q.step = step;
    q.asks = of.asks;
    q.unit = of.unit;
    q.kind = !of.unit.empty()      ? QuestionKind::Number
             : !of.choices.empty() ? QuestionKind::Choice
                                   : QuestionKind::YesOrNo;
    for (const std::string& choice : of.choices)
        q.choices += (q.choices.empty() ? "" : "\n") + choice;
    return q;
}

} // namespace

std::vector<QuestionView> questionsOf(const LessonSession& s, const Act& act) {
    std::vector<QuestionView> views;
    for (const Question& q : s.model().data().questions)
        if (q.actId == act.id) views.push_back(viewOf(s.model(), q));
    if (const auto rig = cardOf(s.model(), act)) {
        const RigStory& story = rig->story();
        for (std::size_t i = 0; i < story.steps.size(); ++i) {
            const int step = static_cast<int>(i);
            if (story.steps[i].question &&
                std::ranges::find(views, std::optional(step), &QuestionView::step) == views.end())
                views.push_back(viewOf(s.model(), draftOf(act, step, *story.steps[i].question)));
        }
    }
    std::ranges::stable_sort(views, {}, [](const QuestionView& q) { return q.step.value_or(-1); });
    return views;
}

namespace {

/// The question that the class has before it: the last one asked that is not revealed, else the last one
/// revealed.
std::optional<QuestionView> inHand(const std::vector<QuestionView>& questions) {
    std::optional<QuestionView> found;
    for (const QuestionView& q : questions)
        if (q.id != 0 && (!found || !q.revealed || found->revealed)) found = q;
    if (found && !found->locked) {
        for (auto& count : found->counts)
            count.votes = 0;
        found->groups.clear();
        found->tally = Text();
    }
    if (found && !found->revealed) found->result = found->verdict = Text();
    return found;
}

/// Whether the last that was seen of it is that it boils.
bool boilsNow(const LessonModel& model, const Act& act) {
    bool boils = false;
    for (const Stamp& stamp : model.data().stamps)
        if (stamp.actId == act.id) boils = seenBoiling(stamp).value_or(boils);
    return boils;
}

void showRead(ClassView& v, const LessonSession& s, const Act& act) {
    const Stamp* last = nullptr;
    for (const Stamp& stamp : s.model().data().stamps)
        if (stamp.actId == act.id && stamp.kind == StampKind::Read) last = &stamp;
    if (!last) return;
    const auto read = temperatureOf(s.model(), *last);
    v.read = Text::tr("read at {}", Text::typed(clockText(last->takenAt, s.model().lesson().utcOffsetMin)));
    if (!read) {
        v.temperature = readingText(*last);
        return;
    }
    const Text celsius = fixed(read->kelvin - kIcePointKelvin, 1);
    v.temperature = last->bound == StampBound::Below   ? Text::set("< {}", celsius)
                    : last->bound == StampBound::Above ? Text::set("> {}", celsius)
                                                       : celsius;
    v.temperatureUnit = Text::set("°C");
    if (last->bound == StampBound::None) v.kelvin = read->kelvin;
    const auto warm = Temperature::fromKelvin(read->kelvin);
    v.scald = boilsNow(s.model(), act) ? Text::sentences({scaldText(warm), coolBoilingText(warm)})
                                       : scaldText(warm);
}

} // namespace

ClassView classView(const LessonSession& s, const Act& act, const ConductView& view,
                    const FrozenForecast* frozen, bool showsAnyway) {
    ClassView v;
    v.title = view.title;
    const auto questions = questionsOf(s, act);
    v.question = inHand(questions);
    v.showsForecast = showsAnyway || std::ranges::all_of(questions, &QuestionView::revealed);
    showRead(v, s, act);
    if (v.showsForecast && frozen && view.seconds) {
        const Rehearsal& r = frozen->rehearsal;
        if (const double at = clockStart(r) + *view.seconds; at <= r.run.samples.back().seconds)
            v.pressure = Text::tr("{} kPa inside", fixed(r.watchedAt(r.sampleAt(at)).pascal / 1000.0, 1));
    }
    v.cautions = view.cautions;
    v.bells = bellsOf(s);
    return v;
}

} // namespace uttrin
