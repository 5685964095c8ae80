#include "ClassCommands.h"

#include "quantities/Units.h"

#include <algorithm>
#include <sstream>

namespace uttrin {
namespace {

bool isChoice(const Question& question, const std::string& said) {
    const auto choices = choicesOf(question);
    return std::ranges::find(choices, said) != choices.end();
}

Result<void> fits(const Question& q, const std::string& said, std::optional<double>& value) {
    if (q.kind != QuestionKind::Number) {
        if (isChoice(q, said)) return {};
        return fail(Failure::BadInput, Text::tr("'{}' is none of its answers; accepted: {}",
                                                Text::typed(said), Text::list(choicesOf(q))));
    }
    std::string number = said;
    std::ranges::replace(number, ',', '.');
    const auto read = parseNumber(number);
    if (!read) return tl::unexpected(read.error());
    value = *read;
    return {};
}

} // namespace

std::vector<std::string> choicesOf(const Question& q) {
    if (q.kind == QuestionKind::Number) return {};
    if (q.kind == QuestionKind::YesOrNo) return {plain(Text::phrase("yes")), plain(Text::phrase("no"))};
    std::vector<std::string> choices;
    std::istringstream lines(q.choices);
    for (std::string line; std::getline(lines, line);)
        if (!isBlank(line)) choices.push_back(line);
    return choices;
}

Question questionInWords(const std::string& words) {
    Question q;
    q.asks = trimmed(words);
    const auto open = q.asks.rfind('['), close = q.asks.rfind(']');
    if (open != std::string::npos && close == q.asks.size() - 1 && close > open + 1) {
        q.kind = QuestionKind::Number;
        q.unit = std::string(trimmed(q.asks.substr(open + 1, close - open - 1)));
        q.asks = std::string(trimmed(q.asks.substr(0, open)));
        return q;
    }
    const auto mark = q.asks.find('?');
    if (mark == std::string::npos || q.asks.find('/', mark) == std::string::npos) return q;
    q.kind = QuestionKind::Choice;
    std::istringstream answers(q.asks.substr(mark + 1));
    q.asks = q.asks.substr(0, mark + 1);
    for (std::string answer; std::getline(answers, answer, '/');)
        if (const std::string one(trimmed(answer)); !one.empty())
            q.choices += (q.choices.empty() ? "" : "\n") + one;
    return q;
}

Result<Question> ClassCommands::find(RowId id) const {
    const auto& all = model().data().questions;
    const auto found = std::ranges::find(all, id, &Question::id);
    if (found == all.end()) return fail(Failure::BadInput, Text::tr("There is no such question."));
    return *found;
}

Result<Question> ClassCommands::open(RowId id) const {
    auto question = find(id);
    if (question && question->lockedAt)
        return fail(
            Failure::BadInput,
            Text::tr("The answers are locked: they stay as they were said. Undo takes the lock back."));
    return question;
}

Result<RowId> ClassCommands::ask(const Question& question) {
    if (!model().act(question.actId))
        return fail(Failure::BadInput, Text::tr("There is no such act in this lesson."));
    if (isBlank(question.asks)) return fail(Failure::BadInput, Text::tr("Type what the class is asked."));
    if (question.kind == QuestionKind::Choice && choicesOf(question).size() < 2)
        return fail(Failure::BadInput, Text::tr("A choice needs two answers at least, one a line."));
    if (question.kind == QuestionKind::Number && isBlank(question.unit))
        return fail(Failure::BadInput, Text::tr("A number needs its unit."));
    RowId id = 0;
    return perform(Text::tr("Ask the class"), [&](Notebook::Editor& edit) { id = edit.insert(question); })
        .map([&] { return id; });
}

Result<void> ClassCommands::vote(RowId id, const std::string& said, int by) {
    const auto question = open(id);
    if (!question) return tl::unexpected(question.error());
    std::optional<double> value;
    if (const auto fine = fits(*question, said, value); !fine) return fine;
    const auto& answers = model().data().answers;
    const auto before = std::ranges::find_if(
        answers, [&](const Answer& a) { return a.questionId == id && !a.groupId && a.said == said; });
    if (before == answers.end()) {
        if (by < 1) return {};
        const Answer first{0, id, std::nullopt, said, value, by};
        return perform(Text::tr("Count an answer"), [&](Notebook::Editor& edit) { edit.insert(first); });
    }
    const Answer old = *before;
    Answer after = old;
    after.votes += by;
    return perform(Text::tr("Count an answer"), [&](Notebook::Editor& edit) {
        if (after.votes > 0)
            edit.update(old, after);
        else
            edit.remove(old);
    });
}

Result<void> ClassCommands::groupSays(RowId id, RowId group, const std::string& said) {
    const auto question = open(id);
    if (!question) return tl::unexpected(question.error());
    const auto& groups = model().data().groups;
    if (std::ranges::find(groups, group, &Group::id) == groups.end())
        return fail(Failure::BadInput, Text::tr("There is no such group in this lesson."));
    Answer now{0, id, group, said, std::nullopt, 1};
    if (const auto fine = fits(*question, said, now.value); !fine) return fine;
    const auto& answers = model().data().answers;
    const auto before = std::ranges::find_if(
        answers, [&](const Answer& a) { return a.questionId == id && a.groupId == group; });
    const std::optional<Answer> old = before != answers.end() ? std::optional(*before) : std::nullopt;
    return perform(Text::tr("A group’s answer"), [&](Notebook::Editor& edit) {
        if (old) {
            now.id = old->id;
            edit.update(*old, now);
        } else {
            edit.insert(now);
        }
    });
}

Result<void> ClassCommands::lock(RowId id) {
    const auto question = open(id);
    if (!question) return tl::unexpected(question.error());
    const auto& answers = model().data().answers;
    if (std::ranges::find(answers, id, &Answer::questionId) == answers.end())
        return fail(Failure::BadInput, Text::tr("Nobody has answered yet: count answers first."));
    Question locked = *question;
    locked.lockedAt = now();
    return perform(Text::tr("Lock the answers"),
                   [&](Notebook::Editor& edit) { edit.update(*question, locked); });
}

Result<void> ClassCommands::reveal(RowId id) {
    const auto question = find(id);
    if (!question) return tl::unexpected(question.error());
    if (!question->lockedAt)
        return fail(Failure::BadInput, Text::tr("Lock the answers first: then nobody can change them."));
    if (question->revealedAt) return {};
    Question shown = *question;
    shown.revealedAt = now();
    return perform(Text::tr("Reveal"), [&](Notebook::Editor& edit) { edit.update(*question, shown); });
}

Result<void> ClassCommands::settle(RowId id, const std::string& result) {
    const auto question = find(id);
    if (!question) return tl::unexpected(question.error());
    if (isBlank(result)) return fail(Failure::BadInput, Text::tr("Say how it came out."));
    std::optional<double> value;
    if (const auto fine = fits(*question, result, value); !fine) return fine;
    Question settled = *question;
    settled.result = result;
    return perform(Text::tr("How it came out"),
                   [&](Notebook::Editor& edit) { edit.update(*question, settled); });
}

} // namespace uttrin
