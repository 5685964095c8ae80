#include "ClassPanel.h"

#include "ActInHand.h"
#include "app/controller/Dialogs.h"
#include "app/controls/FieldEdit.h"
#include "app/controls/FlowLayout.h"
#include "app/controls/Grid.h"
#include "app/controls/Labels.h"
#include "app/controls/OnScreen.h"

#include <QComboBox>
#include <QHBoxLayout>
#include <QPushButton>
#include <QSignalBlocker>

#include <algorithm>

namespace uttrin::app {
namespace {

/// The question to work on: the last one asked that is not revealed, else one of which nobody has said yet
/// how it came out, else that of the step to do, else the next.
std::optional<QuestionView> toWorkOn(const std::vector<QuestionView>& all, std::optional<int> current) {
    const auto last = [&](auto is) {
        const auto found = std::find_if(all.rbegin(), all.rend(), is);
        return found == all.rend() ? std::optional<QuestionView>() : std::optional(*found);
    };
    if (auto open = last([](const QuestionView& q) { return q.id != 0 && !q.revealed; })) return open;
    if (auto told = last([](const QuestionView& q) { return q.revealed && q.asked.result.empty(); }))
        return told;
    if (auto now = last([&](const QuestionView& q) { return q.id == 0 && current && q.step == current; }))
        return now;
    const auto next = std::ranges::find_if(all, [&](const QuestionView& q) {
        return q.id == 0 && (!current || q.step.value_or(0) >= *current);
    });
    if (next != all.end()) return *next;
    return all.empty() ? std::nullopt : std::optional(all.back());
}

} // namespace

ClassPanel::ClassPanel(LessonController& controller, ActInHand& hand)
    : m_controller(controller), m_hand(hand) {
    m_asks = makeLabel({}, "heading");
    m_asks->setObjectName(QStringLiteral("classAsks"));
    column()->addWidget(m_asks);
    m_answers = new QWidget;
    auto* answers = new QHBoxLayout(m_answers);
    answers->setContentsMargins(0, 0, 0, 0);
    answers->setSpacing(grid::kStep);
    m_who = new QComboBox;
    m_who->setObjectName(QStringLiteral("classWho"));
    m_who->setAccessibleName(tr("Whose answer it is"));
    answers->addWidget(m_who);
    m_choices = FlowLayout::inRow();
    answers->addWidget(m_choices->parentWidget(), 1);
    m_number = new FieldEdit;
    m_number->setObjectName(QStringLiteral("classNumber"));
    m_number->setAccessibleName(tr("The answer, a number"));
    answers->addWidget(m_number, 1);
    column()->addWidget(m_answers);
    m_standing = makeLabel({}, "muted");
    m_standing->setObjectName(QStringLiteral("classStanding"));
    column()->addWidget(m_standing);
    auto* act = FlowLayout::inRow();
    const auto button = [&](const QString& text, const char* name, const QString& tip, auto slot) {
        auto* b = new QPushButton(text);
        b->setObjectName(QLatin1String(name));
        b->setToolTip(tip);
        connect(b, &QPushButton::clicked, this, slot);
        act->addFixed(b);
        return b;
    };
    m_ask = button(tr("Ask the class"), "classAsk", tr("Its window shows the question; answers are counted"),
                   &ClassPanel::ask);
    m_lock = button(tr("Lock"), "classLock", tr("Alt+L: from now on no answer changes"), [this] {
        if (m_question) m_controller.carryOut(&ClassCommands::lock, m_question->id);
    });
    m_reveal = button(tr("Reveal"), "classReveal", tr("Alt+R: the class sees answers and forecast"), [this] {
        if (m_question) m_controller.carryOut(&ClassCommands::reveal, m_question->id);
    });
    m_own = button(tr("Own question…"), "classOwn",
                   tr("Yes or no; or answers apart by /; or a number with its unit in brackets"),
                   &ClassPanel::askOwn);
    column()->addWidget(act->parentWidget());
    m_result = new FieldEdit;
    m_result->setObjectName(QStringLiteral("classResult"));
    m_result->setAccessibleName(tr("How it came out"));
    m_outcome = besideLabel(tr("it came out:"), m_result);
    column()->addWidget(m_outcome);
    connect(m_number, &QLineEdit::returnPressed, this, &ClassPanel::takeNumber);
    connect(m_result, &QLineEdit::returnPressed, this, &ClassPanel::settle);
}

void ClassPanel::ask() {
    const Act* act = m_hand.act();
    if (act && m_question && m_question->id == 0)
        m_controller.carryOut(&ClassCommands::ask, m_question->asked);
}

void ClassPanel::askOwn() {
    const Act* act = m_hand.act();
    if (!act) return;
    const auto words = dialogs::askText(
        window(), tr("Own question"),
        tr("What is the class asked? For a choice, put the answers after it, apart by “/”; for a number, its "
           "unit in brackets."),
        {tr("Does it get colder?"), tr("Which is faster? ice / cold water / a wet hand"),
         tr("How warm is it when it stops? [degC]")});
    if (!words) return;
    Question q = questionInWords(words->toStdString());
    q.actId = act->id;
    m_controller.carryOut(&ClassCommands::ask, q);
}

void ClassPanel::answer(const QString& said, int by) {
    if (!m_question || m_question->id == 0) return;
    const RowId group = m_who->currentData().toLongLong();
    if (group != 0)
        m_controller.carryOut(&ClassCommands::groupSays, m_question->id, group, said.toStdString());
    else
        m_controller.carryOut(&ClassCommands::vote, m_question->id, said.toStdString(), by);
}

void ClassPanel::takeNumber() {
    const auto number = typedNumber(m_number->text());
    if (!number) {
        m_controller.say(tr("'%1' is not a number.").arg(m_number->text()));
        return;
    }
    answer(QString::number(*number), 1);
    m_number->clear();
    if (m_who->currentIndex() > 0 && m_who->currentIndex() + 1 < m_who->count())
        m_who->setCurrentIndex(m_who->currentIndex() + 1); // the next group
}

void ClassPanel::settle() {
    if (!m_question || m_question->id == 0) return;
    const auto number = typedNumber(m_result->text());
    QString result = m_question->kind == QuestionKind::Number && number ? QString::number(*number)
                                                                        : m_result->text().trimmed();
    for (const auto& count : m_question->counts) // as it is kept, whatever the language of the window
        if (result.compare(onScreen(count.says), Qt::CaseInsensitive) == 0)
            result = QString::fromStdString(count.said);
    m_controller.carryOut(&ClassCommands::settle, m_question->id, result.toStdString());
}

/// Builds the choices anew only for another question: a key may come before new ones are seen.
void ClassPanel::showChoices() {
    QString now = QString::number(m_question ? m_question->id : 0);
    if (m_question)
        for (const auto& count : m_question->counts)
            now += QLatin1Char('|') + QString::fromStdString(count.said);
    if (now != m_shown) {
        m_shown = now;
        buildChoices();
    }
    for (std::size_t i = 0; m_question && i < m_question->counts.size(); ++i) {
        const auto& count = m_question->counts[i];
        auto* button = findChild<QPushButton*>(QStringLiteral("answer%1").arg(i));
        button->setText(QStringLiteral("%1  %2").arg(onScreen(count.says)).arg(count.votes));
        button->setAccessibleName(tr("%1, said by %n", nullptr, count.votes).arg(onScreen(count.says)));
    }
}

void ClassPanel::buildChoices() {
    emptyLayout(*m_choices);
    for (std::size_t i = 0; m_question && i < m_question->counts.size(); ++i) {
        auto* button = new QPushButton;
        button->setObjectName(QStringLiteral("answer%1").arg(i));
        button->setToolTip(tr("Alt+Shift+%1 counts one more; Ctrl+Z takes it back").arg(i + 1));
        setRole(button, "smallSegment");
        connect(button, &QPushButton::clicked, this,
                [this, said = QString::fromStdString(m_question->counts[i].said)] { answer(said, 1); });
        m_choices->addFixed(button);
    }
    keepFocusOrder(m_choices->parentWidget());
}

QString ClassPanel::standing() const {
    if (!m_question || m_question->id == 0) return tr("not asked yet");
    QStringList parts;
    if (!m_question->tally.empty()) parts << onScreen(m_question->tally);
    if (m_question->answers == 0) parts << tr("nobody has answered yet");
    parts << (m_question->revealed ? tr("revealed")
              : m_question->locked ? tr("locked; hidden from the class until you reveal it")
                                   : tr("open"));
    if (!m_question->result.empty()) parts << tr("it came out: %1").arg(onScreen(m_question->result));
    if (!m_question->verdict.empty()) parts << onScreen(m_question->verdict);
    return parts.join(QStringLiteral(" · "));
}

void ClassPanel::refresh() {
    const Act* act = m_hand.act();
    m_question =
        act ? toWorkOn(questionsOf(m_controller.session(), *act), m_hand.view().current) : std::nullopt;
    m_asks->setText(m_question ? tr("Class: %1").arg(onScreen(m_question->asks))
                               : tr("Class: no question yet"));
    const bool asked = m_question && m_question->id != 0;
    const bool open = asked && !m_question->locked;
    const bool number = m_question && m_question->kind == QuestionKind::Number;
    const QSignalBlocker quiet(m_who);
    const QVariant chosen = m_who->currentData();
    m_who->clear();
    m_who->addItem(tr("the class"), QVariant::fromValue<qlonglong>(0));
    if (m_question)
        for (const auto& g : m_question->groups) {
            const QString said = QString::fromStdString(g.said);
            m_who->addItem(said.isEmpty() ? onScreen(g.name) : tr("%1: %2").arg(onScreen(g.name), said),
                           QVariant::fromValue<qlonglong>(g.group));
        }
    m_who->setCurrentIndex(std::max(0, m_who->findData(chosen)));
    m_answers->setVisible(open);
    m_choices->parentWidget()->setVisible(open && !number);
    m_number->setVisible(open && number);
    if (number) m_number->setQuestion(tr("a number, %1").arg(onScreen(m_question->unit)));
    showChoices();
    m_standing->setText(standing());
    m_ask->setVisible(m_question && !asked);
    m_lock->setVisible(open);
    m_reveal->setVisible(asked && m_question->locked && !m_question->revealed);
    m_outcome->setVisible(asked && m_question->locked && m_question->result.empty());
    QStringList choices;
    for (std::size_t i = 0; asked && i < m_question->counts.size(); ++i)
        choices << onScreen(m_question->counts[i].says);
    if (!choices.isEmpty())
        m_result->setQuestion(choices.join(QStringLiteral(", ")));
    else if (number)
        m_result->setQuestion(onScreen(m_question->unit));
}

} // namespace uttrin::app

#include "moc_ClassPanel.cpp"
