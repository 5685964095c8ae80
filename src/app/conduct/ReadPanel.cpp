#include "ReadPanel.h"

#include "ActInHand.h"
#include "app/controller/Dialogs.h"
#include "app/controls/FieldEdit.h"
#include "app/controls/Grid.h"
#include "app/controls/Labels.h"
#include "app/controls/NumberField.h"
#include "app/controls/OnScreen.h"
#include "lesson/actcommands/ActCommands.h"
#include "lesson/actcommands/ConductCommands.h"

#include <QComboBox>
#include <QHBoxLayout>
#include <QPushButton>

#include <algorithm>

namespace uttrin::app {
namespace {

constexpr qlonglong kNewGroup = -1; // in the list of groups

} // namespace

ReadPanel::ReadPanel(LessonController& controller, ActInHand& hand) : m_controller(controller), m_hand(hand) {
    m_wanted = makeLabel({}, "smallNote");
    m_wanted->setObjectName(QStringLiteral("conductWanted"));
    column()->addWidget(m_wanted);
    m_group = new QComboBox;
    m_group->setObjectName(QStringLiteral("conductGroup"));
    m_group->setAccessibleName(tr("Whose rig is read and seen"));
    m_group->setToolTip(
        tr("Each group has a rig of its own: its readings and what it sees are kept as its own"));
    column()->addWidget(m_group);
    connect(m_group, &QComboBox::activated, this, &ReadPanel::chooseGroup);
    auto* fields = new QHBoxLayout;
    m_figure = new NumberField(tr("thermometer"), QStringLiteral("°C"), QStringLiteral("conductCelsius"));
    m_figure->setBig();
    m_words = new FieldEdit;
    m_words->setObjectName(QStringLiteral("conductWords"));
    m_words->setAccessibleName(tr("How warm it is, in words"));
    m_words->setQuestion(tr("hand-warm, under 60"));
    auto* beside = new QVBoxLayout;
    beside->setSpacing(grid::kHalfStep);
    beside->addLayout(labelled(tr("or in words"), m_words));
    fields->addWidget(m_figure, 1);
    beside->addStretch();
    fields->addLayout(beside, 1);
    column()->addLayout(fields);
    m_way = new QComboBox;
    m_way->setObjectName(QStringLiteral("conductWay"));
    m_way->setAccessibleName(tr("With which thermometer"));
    m_place = new QComboBox;
    m_place->setObjectName(QStringLiteral("conductPlace"));
    m_place->setAccessibleName(tr("Where it is read"));
    for (const Text& place : placesRead())
        m_place->addItem(onScreen(place));
    m_capture = new QPushButton(tr("Capture   ⏎"));
    m_capture->setObjectName(QStringLiteral("conductCapture"));
    m_capture->setToolTip(tr("Enter in the fields: on disk at once"));
    auto* act = new QHBoxLayout;
    act->addWidget(m_way, 1);
    act->addWidget(m_place);
    column()->addLayout(act);
    column()->addWidget(m_capture);
    connect(m_way, &QComboBox::activated, this, &ReadPanel::showUnit);
    connect(m_capture, &QPushButton::clicked, this, &ReadPanel::read);
    connect(m_figure->edit(), &QLineEdit::returnPressed, this, &ReadPanel::read);
    connect(m_words, &QLineEdit::returnPressed, this, &ReadPanel::read);
}

void ReadPanel::refresh() {
    const ConductView& view = m_hand.view();
    m_wanted->setText(onScreen(view.wanted));
    m_wanted->setVisible(!view.wanted.empty());
    const std::string measures =
        view.current ? view.steps[static_cast<std::size_t>(*view.current)].measures : std::string();
    m_ways = waysToRead(m_controller.session().model(), measures);
    const Act* act = m_hand.act();
    const auto& groups = m_controller.session().model().data().groups;
    m_group->setVisible(act && act->doer == ActDoer::Groups && act->kind == ActKind::Demonstration);
    m_group->clear();
    m_group->addItem(tr("everybody’s"), QVariant::fromValue<qlonglong>(0));
    for (const Group& g : groups)
        m_group->addItem(QString::fromStdString(g.name), QVariant::fromValue<qlonglong>(g.id));
    m_group->addItem(tr("New group…"), kNewGroup);
    m_group->setCurrentIndex(
        std::max(0, m_group->findData(QVariant::fromValue<qlonglong>(m_hand.group().value_or(0)))));
    // A step that measures has its instrument at hand; what was chosen otherwise stays.
    const bool sameStep = measures == m_measures;
    m_measures = measures;
    const int chosen = sameStep ? std::max(0, m_way->currentIndex()) : 0;
    m_way->clear();
    for (const WayToRead& way : m_ways)
        m_way->addItem(onScreen(way.says));
    m_way->setCurrentIndex(std::min(chosen, m_way->count() - 1));
    showUnit();
}

void ReadPanel::chooseGroup(int index) {
    RowId group = m_group->itemData(index).toLongLong();
    if (group == kNewGroup) {
        const auto name = dialogs::askText(window(), tr("New group"), tr("What is it called?"), {});
        group = m_hand.group().value_or(0);
        if (name)
            if (const auto added =
                    m_controller.carryOut(&ActCommands::addGroup, name->trimmed().toStdString()))
                group = *added;
    }
    m_hand.chooseGroup(group > 0 ? std::optional(group) : std::nullopt);
    refresh(); // where the choice stayed as it was
}

void ReadPanel::showUnit() {
    const auto at = static_cast<std::size_t>(std::max(0, m_way->currentIndex()));
    if (at >= m_ways.size()) return;
    const bool warm = m_ways[at].isTemperature();
    m_figure->setUnit(asIs(m_ways[at].unitText));
    m_figure->setLabel(warm ? tr("thermometer") : tr("measured"));
    m_place->setVisible(warm);
}

void ReadPanel::read() {
    const Act* act = m_hand.act();
    if (!act || m_ways.empty()) return;
    if (!m_figure->value() && !m_figure->edit()->text().trimmed().isEmpty()) {
        m_controller.say(m_figure->error());
        return;
    }
    const WayToRead& way = m_ways[static_cast<std::size_t>(std::max(0, m_way->currentIndex()))];
    const Text& place = placesRead()[static_cast<std::size_t>(std::max(0, m_place->currentIndex()))];
    const TypedTemperature typed{m_figure->value(),
                                 m_words->text().trimmed().toStdString(),
                                 way.isTemperature() ? plain(place) : way.place,
                                 way.unit,
                                 way.instrument,
                                 m_hand.group()};
    if (!m_controller.carryOut(&ConductCommands::read, act->id, typed)) return;
    m_figure->setValue(std::nullopt);
    m_figure->edit()->clear();
    m_words->clear();
    m_figure->edit()->setFocus();
}

} // namespace uttrin::app

#include "moc_ReadPanel.cpp"
