#include "SeenPanel.h"

#include "ActInHand.h"
#include "app/controls/FieldEdit.h"
#include "app/controls/FlowLayout.h"
#include "app/controls/Grid.h"
#include "app/controls/Labels.h"
#include "app/controls/OnScreen.h"
#include "app/controls/Theme.h"
#include "lesson/actcommands/ConductCommands.h"

#include <QPushButton>
#include <QVBoxLayout>

namespace uttrin::app {
namespace {

constexpr int kFirstSeenKey = 2; // F2; F1 is for help
constexpr int kMostVigour = 5;

} // namespace

SeenPanel::SeenPanel(LessonController& controller, ActInHand& hand) : m_controller(controller), m_hand(hand) {
    auto* column = new QVBoxLayout(this);
    column->setContentsMargins(0, 0, 0, 0);
    column->setSpacing(grid::kStep);
    auto* things = FlowLayout::inRow();
    int key = kFirstSeenKey;
    for (const Text& thing : thingsSeen()) {
        auto* button = new QPushButton(QStringLiteral("%1  F%2").arg(onScreen(thing)).arg(key++));
        button->setObjectName(QStringLiteral("seen%1").arg(key - 1 - kFirstSeenKey));
        button->setToolTip(tr("Seen: %1").arg(onScreen(thing)));
        setRole(button, "smallSegment");
        connect(button, &QPushButton::clicked, this, [this, thing] { stamp(thing); });
        things->addFixed(button);
    }
    m_liquid = new QPushButton(tr("%1  Alt+D").arg(onScreen(liquidInLine())));
    m_liquid->setObjectName(QStringLiteral("seenLiquidInLine"));
    m_liquid->setToolTip(tr("Stops the guidance until the line is drained"));
    setRole(m_liquid, "smallSegment");
    connect(m_liquid, &QPushButton::clicked, this, [this] { stamp(liquidInLine()); });
    things->addFixed(m_liquid);
    column->addWidget(things->parentWidget());
    auto* below = FlowLayout::inRow();
    auto* hard = new QWidget;
    auto* row = new QHBoxLayout(hard);
    row->setContentsMargins(0, 0, 0, 0);
    row->setSpacing(grid::kHalfStep);
    row->addWidget(makeLabel(tr("vigour, Alt+"), "muted"));
    for (int vigour = 1; vigour <= kMostVigour; ++vigour) {
        auto* button = new QPushButton(QString::number(vigour));
        button->setObjectName(QStringLiteral("vigourSeen%1").arg(vigour));
        button->setAccessibleName(tr("How hard it boils: %1 of 5").arg(vigour));
        button->setToolTip(tr("1: few bubbles, 5: violent"));
        setRole(button, "smallSegment");
        button->setMinimumWidth(scaled(grid::kControl));
        connect(button, &QPushButton::clicked, this,
                [this, vigour] { stamp(Text::typed(vigourStamp(vigour))); });
        row->addWidget(button);
    }
    below->addFixed(hard);
    m_words = new FieldEdit;
    m_words->setObjectName(QStringLiteral("seenWords"));
    m_words->setAccessibleName(tr("What is seen, in your own words"));
    m_words->setQuestion(tr("own words, Enter stamps"));
    connect(m_words, &QLineEdit::returnPressed, this, [this] {
        const std::string words = m_words->text().trimmed().toStdString();
        if (words.empty()) return;
        stamp(Text::typed(words));
        m_words->clear();
    });
    below->addWidget(m_words);
    column->addWidget(below->parentWidget());
}

void SeenPanel::refresh() { m_liquid->setVisible(m_hand.view().drainable); }

void SeenPanel::stamp(const Text& what) {
    const Act* act = m_hand.act();
    if (!act || !m_controller.carryOut(&ConductCommands::see, act->id, plain(what), m_hand.group())) return;
    const Text remark = remarkOn(what, m_hand.view(), m_hand.frozen().get());
    if (!remark.empty()) m_controller.say(onScreen(remark));
}

} // namespace uttrin::app

#include "moc_SeenPanel.cpp"
