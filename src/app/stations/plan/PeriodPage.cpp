#include "PeriodPage.h"

#include "ActCard.h"
#include "PeriodTimeline.h"
#include "app/controller/Dialogs.h"
#include "app/controller/OwnRigs.h"
#include "app/controls/FieldEdit.h"
#include "app/controls/FlowLayout.h"
#include "app/controls/Grid.h"
#include "app/controls/Labels.h"
#include "app/controls/NumberField.h"
#include "app/controls/OnScreen.h"
#include "app/controls/ScrollColumn.h"
#include "lesson/actcommands/ActCommands.h"
#include "lesson/exchange/EarlierLesson.h"
#include "lesson/model/Clock.h"
#include "rehearsal/Demonstrations.h"
#include "rehearsal/library/RigLibrary.h"

#include <QComboBox>
#include <QHBoxLayout>
#include <QPushButton>

#include <algorithm>
#include <cmath>

namespace uttrin::app {
namespace {

constexpr int kSeconds = 60; // a minute
const QString kDot = QStringLiteral("\u2022 ");

/// One below the other, each with a dot where there are several things in a list.
QString lines(const std::vector<Text>& texts, const QString& sign = {}) {
    QStringList all;
    for (const Text& t : texts)
        all << sign + onScreen(t);
    return all.join(QLatin1Char('\n'));
}

} // namespace

PeriodPage::PeriodPage(LessonController& controller, QWidget* before) : StationPage(controller) {
    auto* whole = new QVBoxLayout(this);
    whole->setContentsMargins(0, 0, 0, 0);
    auto* scroll = new ScrollColumn;
    whole->addWidget(scroll);
    auto* column = scroll->column();
    column->setSpacing(grid::kStep);
    column->addWidget(buildHead(before));
    m_timeline = new PeriodTimeline;
    column->addWidget(m_timeline);
    m_clashes = makeLabel({}, "caution");
    m_clashes->setObjectName(QStringLiteral("periodClashes"));
    column->addWidget(m_clashes);
    m_summary = makeLabel({}, "smallNote");
    m_summary->setObjectName(QStringLiteral("periodSummary"));
    column->addWidget(m_summary);
    auto* under = new QHBoxLayout;
    under->setSpacing(grid::kMargin);
    m_card = new ActCard(controller);
    under->addWidget(m_card, 1);
    under->addWidget(buildPeriod(), 1);
    column->addLayout(under);
    column->addStretch();
    wire();
}

QWidget* PeriodPage::buildHead(QWidget* before) {
    auto* head = FlowLayout::inRow();
    head->addFixed(before);
    m_demonstrations = new QComboBox;
    m_demonstrations->setObjectName(QStringLiteral("addDemonstration"));
    m_demonstrations->setAccessibleName(tr("Add a demonstration"));
    fillDemonstrations();
    m_lab = new QPushButton(tr("Add the lab"));
    m_lab->setObjectName(QStringLiteral("addLab"));
    m_lab->setToolTip(tr("The plan in hand, with its runs"));
    m_sealed = new QPushButton(tr("Add sealed cooling"));
    m_sealed->setObjectName(QStringLiteral("addSealedCooling"));
    m_sealed->setToolTip(
        tr("The third way of a lab: each group cools a flask of its own, reads it and stamps whether "
           "it boils"));
    m_block = new QPushButton(tr("Add a block"));
    m_block->setObjectName(QStringLiteral("addBlock"));
    m_block->setToolTip(tr("Talk, setting up, clearing away"));
    m_mend = new QPushButton(tr("Mend"));
    m_mend->setObjectName(QStringLiteral("mendPeriod"));
    m_mend->setShortcut(Qt::Key_F9);
    m_mend->setToolTip(tr("Moves acts by the fewest minutes, so that nothing conflicts (F9)"));
    m_earlier = new QPushButton(tr("As in an earlier lesson…"));
    m_earlier->setObjectName(QStringLiteral("earlierLesson"));
    m_earlier->setToolTip(
        tr("Takes the acts of another notebook over, as they were planned, with their rigs and instruments"));
    head->addFixed(m_demonstrations);
    for (QPushButton* b : {m_lab, m_sealed, m_block, m_earlier, m_mend})
        head->addFixed(b);
    return head->parentWidget();
}

QWidget* PeriodPage::buildPeriod() {
    auto* card = new Card;
    auto* fields = FlowLayout::inRow();
    m_bell = new FieldEdit;
    m_bell->setObjectName(QStringLiteral("periodBell"));
    m_bell->setAccessibleName(tr("Clock time of the bell with which the period begins"));
    m_bell->setQuestion(QStringLiteral("hh:mm"));
    m_bell->setUsualWidth(72);
    m_lasts = new NumberField(tr("period"), QStringLiteral("min"), QStringLiteral("periodLasts"));
    m_pumps = new NumberField(tr("pumps"), QString(), QStringLiteral("periodPumps"));
    m_heaters = new NumberField(tr("heaters"), QString(), QStringLiteral("periodHeaters"));
    m_people = new NumberField(tr("people"), QString(), QStringLiteral("periodPeople"));
    m_people->setPlaceholder(QStringLiteral("–"));
    m_people->setToolTip(tr("In the room: how much eye protection is to be fetched"));
    m_ice = new NumberField(tr("ice"), QStringLiteral("g"), QStringLiteral("periodIce"));
    m_ice->setPlaceholder(QStringLiteral("–"));
    m_ice->setToolTip(tr("That there is for all of it: the period says when it runs out"));
    auto* bell = new QWidget;
    auto* bellColumn = labelled(tr("first bell"), m_bell);
    bellColumn->setContentsMargins(0, 0, 0, 0);
    bell->setLayout(bellColumn);
    fields->addFixed(bell);
    for (NumberField* f : {m_lasts, m_pumps, m_heaters, m_people, m_ice}) {
        f->edit()->setUsualWidth(64);
        fields->addFixed(f);
    }
    card->column()->addWidget(fields->parentWidget());
    card->column()->addWidget(makeLabel(tr("What to do when"), "heading"));
    m_todo = makeLabel({});
    m_todo->setObjectName(QStringLiteral("periodTodo"));
    card->column()->addWidget(m_todo);
    card->column()->addWidget(makeLabel(tr("To fetch"), "heading"));
    m_fetch = makeLabel({});
    m_fetch->setObjectName(QStringLiteral("periodFetch"));
    card->column()->addWidget(m_fetch);
    m_cautions = makeLabel({}, "caution");
    m_cautions->setObjectName(QStringLiteral("periodCautions"));
    card->column()->addWidget(m_cautions);
    card->column()->addStretch();
    return card;
}

void PeriodPage::wire() {
    connect(m_demonstrations, &QComboBox::activated, this, &PeriodPage::addDemonstration);
    connect(m_lab, &QPushButton::clicked, this, [this] {
        Act act;
        act.kind = ActKind::Lab;
        act.title = session().plan().title;
        if (isBlank(act.title)) act.title = plain(Text::tr("Lab"));
        act.doer = ActDoer::Groups;
        act.setupId = session().setupId();
        add(act);
    });
    connect(m_sealed, &QPushButton::clicked, this, &PeriodPage::addSealedCooling);
    connect(m_block, &QPushButton::clicked, this, [this] {
        Act act;
        act.title = tr("Talk").toStdString();
        act.lastsS = 5 * kSeconds;
        add(act);
    });
    connect(m_mend, &QPushButton::clicked, this, &PeriodPage::mend);
    connect(m_timeline, &PeriodTimeline::chosen, this, &PeriodPage::choose);
    connect(m_timeline, &PeriodTimeline::moved, this, &PeriodPage::move);
    connect(m_timeline, &PeriodTimeline::lengthened, this, &PeriodPage::lengthen);
    connect(m_timeline, &PeriodTimeline::takenAway, this,
            [this](RowId act) { m_controller.carryOut(&ActCommands::remove, act); });
    connect(m_card, &ActCard::rehearseRequested, this, &PeriodPage::rehearseRequested);
    connect(m_bell, &QLineEdit::editingFinished, this, &PeriodPage::applyPeriod);
    connect(m_earlier, &QPushButton::clicked, this, &PeriodPage::takeOver);
    connect(m_card, &ActCard::rigKept, this, &PeriodPage::fillDemonstrations);
    for (NumberField* f : {m_lasts, m_pumps, m_heaters, m_people, m_ice})
        connect(f, &NumberField::committed, this, &PeriodPage::applyPeriod);
}

double PeriodPage::endOfAll() const {
    double end = 0.0;
    for (const auto& lane : m_view.lanes)
        end = std::max(end, lane.ends);
    return end;
}

/// Those that ship and can be acts, then the person's own.
void PeriodPage::fillDemonstrations() {
    m_rigs.clear();
    m_demonstrations->clear();
    m_demonstrations->addItem(tr("Add a demonstration…"));
    const auto add = [this](ActRig rig, const QString& name, const std::string& id) {
        if (!rig.refused().empty()) return;
        m_rigs.push_back(std::move(rig));
        m_demonstrations->addItem(name, QString::fromStdString(id));
    };
    for (const Demonstration& d : demonstrations())
        add({d.id, {}, {}, {}, std::nullopt}, onScreen(Text::data(d.rig.name())), d.id);
    const auto own = ownRigs().shelf();
    for (const Demonstration& d : own.rigs)
        add({{}, {}, {}, {}, d.rig}, tr("Own: %1").arg(QString::fromStdString(d.rig.name())), d.id);
    listTroubles(*m_demonstrations, own.troubles);
}

void PeriodPage::addDemonstration(int index) {
    m_demonstrations->setCurrentIndex(0);
    if (index <= 0) return;
    const ActRig& rig = m_rigs[static_cast<std::size_t>(index) - 1];
    addRig(rig, rig.file ? rig.file->name() : plain(Text::data(rig.rig()->name())), ActDoer::Teacher);
}

void PeriodPage::addSealedCooling() {
    addRig(sealedCoolingLab(), plain(Text::tr("Lab: sealed cooling")), ActDoer::Groups);
}

void PeriodPage::addRig(const ActRig& rig, const std::string& title, ActDoer doer) {
    Act act;
    act.kind = ActKind::Demonstration;
    act.title = title;
    act.doer = doer;
    act.rig = writeActRig(rig);
    add(act);
}

/// The acts of the lesson that another notebook was last in, as they were planned there.
void PeriodPage::takeOver() {
    const QString path = dialogs::openFile(this, tr("As in an earlier lesson"), tr("Notebooks (*.uttrin)"));
    if (path.isEmpty()) return;
    const auto earlier = plannedLessonOf(path.toStdString());
    if (!earlier) return m_controller.tell(earlier.error());
    const auto count = m_controller.carryOut(&ActCommands::takeOver, *earlier);
    if (count) m_controller.say(tr("%n act(s) taken over. Undo takes them away again.", nullptr, *count));
}

void PeriodPage::add(Act act) {
    act.startsS = kSeconds * static_cast<int>(std::ceil(endOfAll()));
    const auto id = m_controller.carryOut(&ActCommands::add, act);
    if (!id) return;
    choose(*id);
    m_timeline->setFocus();
}

void PeriodPage::choose(RowId act) {
    m_chosen = act;
    refresh();
}

/// The one chosen; else the first that goes on or is to come.
const Act* PeriodPage::chosenAct() const {
    if (const Act* chosen = session().model().act(m_chosen.value_or(0))) return chosen;
    const auto& acts = session().model().data().acts;
    for (const ActState state : {ActState::GoingOn, ActState::Prepared, ActState::Planned})
        if (const auto first = std::ranges::find(acts, state, &Act::state); first != acts.end())
            return &*first;
    return nullptr;
}

void PeriodPage::move(RowId id, int minutes) {
    m_controller.carryOut(&ActCommands::moveBy, std::vector<std::pair<RowId, int>>{{id, minutes}});
}

void PeriodPage::lengthen(RowId id, int minutes) {
    const Act* at = session().model().act(id);
    if (!at) return;
    Act after = *at;
    const double lasts = m_forecasts.of(session(), *at).timed.lasts + kSeconds * minutes;
    after.lastsS = std::max(kSeconds, static_cast<int>(std::lround(lasts / kSeconds)) * kSeconds);
    m_controller.carryOut(&ActCommands::change, after, Text::tr("Change a length"));
}

void PeriodPage::mend() {
    const auto moves = uttrin::mendOf(session(), m_forecasts);
    if (!moves) {
        m_controller.say(tr("Moving does not mend it: there is more to do than there is time. Skip an act or "
                            "make one shorter."));
        return;
    }
    if (moves->empty()) {
        m_controller.say(tr("Nothing conflicts."));
        return;
    }
    int sum = 0;
    for (const auto& [act, minutes] : *moves)
        sum += std::abs(minutes);
    if (m_controller.carryOut(&ActCommands::moveBy, *moves))
        m_controller.say(tr("Mended: %1 min moved in all. Undo puts it back.").arg(onScreen(sum, 0)));
}

void PeriodPage::applyPeriod() {
    if (!m_controller.isOpen()) return;
    PeriodRow row = periodRow(session().model());
    const PeriodRow before = row;
    if (const auto v = m_lasts->value()) row.lastsS = static_cast<int>(std::lround(*v * kSeconds));
    if (const auto v = m_pumps->value()) row.pumps = static_cast<int>(*v);
    if (const auto v = m_heaters->value()) row.heaters = static_cast<int>(*v);
    const auto whole = [](const NumberField& field) {
        const auto v = field.value();
        return v ? std::optional(static_cast<int>(std::lround(*v))) : std::nullopt;
    };
    row.people = whole(*m_people);
    row.iceG = whole(*m_ice);
    const QString bell = m_bell->text().trimmed();
    if (bell.isEmpty())
        row.bellAt.reset();
    else if (const auto at = onTheDay(session().model().lesson(), bell.toStdString()))
        row.bellAt = *at;
    else {
        m_controller.complain(tr("'%1' is no clock time; type the first bell as 10:00.").arg(bell));
        showBell();
    }
    if (row.bellAt == before.bellAt && row.lastsS == before.lastsS && row.pumps == before.pumps &&
        row.heaters == before.heaters && row.people == before.people && row.iceG == before.iceG)
        return;
    m_controller.carryOut(&ActCommands::setPeriod, row);
}

void PeriodPage::showBell() {
    const PeriodRow row = periodRow(session().model());
    m_bell->setText(
        row.bellAt ? QString::fromStdString(clockText(*row.bellAt, session().model().lesson().utcOffsetMin))
                   : QString());
}

void PeriodPage::refresh() {
    if (!m_controller.isOpen()) return;
    m_view = periodView(session(), m_forecasts);
    const Act* act = chosenAct();
    m_timeline->show(m_view, act ? std::optional(act->id) : std::nullopt);
    m_card->show(act, act ? m_forecasts.of(session(), *act) : ActForecast());
    std::vector<Text> clashes;
    for (const auto& c : m_view.clashes)
        clashes.push_back(c.says);
    m_clashes->setText((clashes.empty() ? QString() : QStringLiteral("\u26A0 ")) + lines(clashes));
    m_clashes->setVisible(!clashes.empty());
    m_mend->setEnabled(!clashes.empty());
    m_summary->setText(onScreen(m_view.summary));
    QStringList todo;
    for (const auto& t : m_view.todo)
        todo << tr("%1  %2").arg(onScreen(t.when), onScreen(t.what));
    m_todo->setText(todo.isEmpty() ? tr("Nothing yet.") : todo.join(QLatin1Char('\n')));
    m_fetch->setText(m_view.fetch.empty() ? tr("Nothing yet.") : lines(m_view.fetch, kDot));
    m_cautions->setText(lines(m_view.cautions, kDot));
    m_cautions->setVisible(!m_view.cautions.empty());
    const PeriodRow row = periodRow(session().model());
    if (!m_bell->hasFocus()) showBell();
    m_lasts->setValue(row.lastsS / static_cast<double>(kSeconds));
    m_pumps->setValue(row.pumps);
    m_heaters->setValue(row.heaters);
    const auto amount = [](std::optional<int> of) {
        return of ? std::optional(static_cast<double>(*of)) : std::nullopt;
    };
    m_people->setValue(amount(row.people));
    m_ice->setValue(amount(row.iceG));
}

} // namespace uttrin::app

#include "moc_PeriodPage.cpp"
