#include "StepPanel.h"

#include "ActInHand.h"
#include "app/controller/Dialogs.h"
#include "app/controls/Grid.h"
#include "app/controls/Labels.h"
#include "app/controls/OnScreen.h"
#include "lesson/actcommands/ConductCommands.h"

#include <QCheckBox>
#include <QHBoxLayout>
#include <QMouseEvent>
#include <QPushButton>

namespace uttrin::app {
namespace {

/// A box to tick with words beside it that break into lines; a click on them ticks it too.
class Confirmation : public QWidget {
public:
    Confirmation(const QString& says, const QString& name) : m_box(new QCheckBox) {
        auto* row = new QHBoxLayout(this);
        row->setContentsMargins(0, 0, 0, 0);
        row->setSpacing(grid::kStep);
        m_box->setObjectName(name);
        m_box->setAccessibleName(says);
        row->addWidget(m_box, 0, Qt::AlignTop);
        row->addWidget(makeLabel(says), 1);
    }

protected:
    void mouseReleaseEvent(QMouseEvent* event) override {
        if (rect().contains(event->position().toPoint())) m_box->click();
    }

private:
    QCheckBox* m_box;
};

} // namespace

StepPanel::StepPanel(LessonController& controller, ActInHand& hand) : m_controller(controller), m_hand(hand) {
    m_heading = makeLabel({}, "heading");
    m_heading->setObjectName(QStringLiteral("conductHeading"));
    m_says = makeLabel({}, "title");
    m_says->setObjectName(QStringLiteral("conductSays"));
    m_hazard = makeLabel({}, "caution");
    m_hazard->setObjectName(QStringLiteral("conductHazard"));
    auto* confirmations = new QWidget;
    m_confirmations = new QVBoxLayout(confirmations);
    m_confirmations->setContentsMargins(0, 0, 0, 0);
    m_confirmations->setSpacing(grid::kHalfStep);
    m_see = makeLabel({}, "smallNote");
    m_see->setObjectName(QStringLiteral("conductSee"));
    auto* act = new QHBoxLayout;
    m_done = new QPushButton(tr("Done"));
    m_done->setObjectName(QStringLiteral("conductDone"));
    setRole(m_done, "main");
    m_skip = new QPushButton(tr("Skip…"));
    m_skip->setObjectName(QStringLiteral("conductSkip"));
    m_skip->setProperty("beside", "main");
    m_last = new QPushButton(tr("That was the last"));
    m_last->setObjectName(QStringLiteral("conductLast"));
    m_last->setToolTip(tr("Of the steps that are repeated for each point: go on to what comes after them"));
    m_last->setProperty("beside", "main");
    act->addWidget(m_done, 3);
    act->addWidget(m_last, 2);
    act->addWidget(m_skip, 1);
    for (QWidget* w :
         std::initializer_list<QWidget*>{m_heading, m_says, m_hazard, m_confirmations->parentWidget(), m_see})
        column()->addWidget(w);
    column()->addLayout(act);
    connect(m_done, &QPushButton::clicked, this, [this] {
        const ConductView& view = m_hand.view();
        if (!view.drain.empty())
            m_controller.carryOut(&ConductCommands::see, view.act, plain(lineDrained()), std::nullopt);
        else if (view.current)
            confirm(view.steps[static_cast<std::size_t>(*view.current)].repeats);
    });
    connect(m_last, &QPushButton::clicked, this, [this] { confirm(false); });
    connect(m_skip, &QPushButton::clicked, this, &StepPanel::skip);
}

void StepPanel::confirm(bool again) {
    const ConductView& view = m_hand.view();
    if (!view.current) return;
    const auto boxes = m_confirmations->parentWidget()->findChildren<QCheckBox*>();
    for (const QCheckBox* box : boxes)
        if (!box->isChecked()) {
            m_controller.say(
                tr("Confirm first: %1. Or skip the step, with a word of why.").arg(box->accessibleName()));
            return;
        }
    m_controller.carryOut(&ConductCommands::confirm, view.act, *view.current, again);
}

void StepPanel::skip() {
    const ConductView& view = m_hand.view();
    if (!view.current) return;
    const auto why = dialogs::askText(window(), tr("Skip"), tr("Why is this step skipped?"),
                                      {tr("done before"), tr("not needed today"), tr("no time")});
    if (why) m_controller.carryOut(&ConductCommands::skip, view.act, *view.current, why->toStdString());
}

void StepPanel::refresh() {
    const ConductView& view = m_hand.view();
    const bool begun = view.live || !view.stamps.empty();
    const int current = view.current.value_or(-1);
    const auto count = static_cast<int>(view.steps.size());
    m_hazard->setText(view.hazard.empty() ? QString() : QStringLiteral("\u26A0 ") + onScreen(view.hazard));
    m_hazard->setVisible(!view.hazard.empty());
    m_done->setEnabled(current >= 0);
    m_skip->setEnabled(current >= 0);
    const bool repeats = current >= 0 && view.steps[static_cast<std::size_t>(current)].repeats;
    m_done->setText(repeats ? tr("Done, go on") : tr("Done"));
    m_last->setVisible(repeats);
    if (current < 0) {
        m_heading->setText(!view.hazard.empty() ? tr("Stopped")
                           : !begun             ? tr("%n step(s)", nullptr, count)
                           : view.live          ? tr("All steps are done")
                                                : tr("Done"));
        m_says->setText(!view.hazard.empty()
                            ? tr("Uttrin leads this act no further. Undo (Ctrl+Z) takes the skipping back.")
                        : view.canBegin ? tr("Begin it when it goes live: its forecast is frozen then.")
                                        : QString());
    } else {
        const auto& step = view.steps[static_cast<std::size_t>(current)];
        m_heading->setText(
            step.repeats ? tr("Step %1 of %2, %3, point %4")
                               .arg(current + 1)
                               .arg(count)
                               .arg(onScreen(step.kind))
                               .arg(step.times + 1)
                         : tr("Step %1 of %2, %3").arg(current + 1).arg(count).arg(onScreen(step.kind)));
        m_says->setText(onScreen(step.says));
    }
    m_says->setVisible(!m_says->text().isEmpty());
    const QString see =
        current >= 0 ? onScreen(view.steps[static_cast<std::size_t>(current)].see) : QString();
    const QString valves =
        current >= 0 ? onScreen(view.steps[static_cast<std::size_t>(current)].valves) : QString();
    QStringList after;
    if (!see.isEmpty()) after << tr("Seen then: %1.").arg(see);
    if (!valves.isEmpty()) after << tr("Stands at: %1.").arg(valves);
    m_see->setText(after.join(QLatin1Char(' ')));
    m_see->setVisible(!after.isEmpty());
    showDrain();
    if (!view.drain.empty()) return;
    if (current == m_stepShown && view.act == m_actShown) return;
    m_stepShown = current;
    m_actShown = view.act;
    showConfirmations(current);
}

/// Liquid in the line goes before all else.
void StepPanel::showDrain() {
    const ConductView& view = m_hand.view();
    if (view.drain.empty()) return;
    m_heading->setText(tr("Stop: liquid in the line"));
    m_says->setText(onScreen(view.drain));
    m_says->setVisible(true);
    m_see->setVisible(false);
    m_done->setText(tr("It is dry again"));
    m_done->setEnabled(true);
    m_last->setVisible(false);
    m_skip->setEnabled(false);
    m_stepShown = -2;
    emptyLayout(*m_confirmations);
}

void StepPanel::showConfirmations(int step) {
    emptyLayout(*m_confirmations);
    if (step >= 0)
        for (const auto& c : m_hand.view().steps[static_cast<std::size_t>(step)].confirm) {
            m_confirmations->addWidget(
                new Confirmation(onScreen(c), QStringLiteral("confirm%1").arg(m_confirmations->count())));
        }
    keepFocusOrder(m_confirmations->parentWidget());
}

} // namespace uttrin::app

#include "moc_StepPanel.cpp"
