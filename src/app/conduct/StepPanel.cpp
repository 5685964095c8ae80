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
    act->addWidget(m_done, 3);
    act->addWidget(m_skip, 1);
    for (QWidget* w :
         std::initializer_list<QWidget*>{m_heading, m_says, m_hazard, m_confirmations->parentWidget(), m_see})
        column()->addWidget(w);
    column()->addLayout(act);
    connect(m_done, &QPushButton::clicked, this, &StepPanel::confirm);
    connect(m_skip, &QPushButton::clicked, this, &StepPanel::skip);
}

void StepPanel::confirm() {
    const ConductView& view = m_hand.view();
    if (!view.current) return;
    const auto boxes = m_confirmations->parentWidget()->findChildren<QCheckBox*>();
    for (const QCheckBox* box : boxes)
        if (!box->isChecked()) {
            m_controller.say(
                tr("Confirm first: %1. Or skip the step, with a word of why.").arg(box->accessibleName()));
            return;
        }
    m_controller.carryOut(&ConductCommands::confirm, view.act, *view.current);
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
    m_hazard->setText(view.hazard.empty() ? QString()
                                            : QStringLiteral("\u26A0 ") + onScreen(view.hazard));
    m_hazard->setVisible(!view.hazard.empty());
    m_done->setEnabled(current >= 0);
    m_skip->setEnabled(current >= 0);
    if (current < 0) {
        m_heading->setText(!view.hazard.empty() ? tr("Stopped")
                           : !begun               ? tr("%n step(s)", nullptr, count)
                           : view.live          ? tr("All steps are done")
                                                  : tr("Done"));
        m_says->setText(!view.hazard.empty()
                            ? tr("Uttrin leads this act no further. Undo (Ctrl+Z) takes the skipping back.")
                        : view.canBegin ? tr("Begin it when it goes live: its forecast is frozen then.")
                                          : QString());
    } else {
        const auto& step = view.steps[static_cast<std::size_t>(current)];
        m_heading->setText(tr("Step %1 of %2, %3").arg(current + 1).arg(count).arg(onScreen(step.kind)));
        m_says->setText(onScreen(step.says));
    }
    m_says->setVisible(!m_says->text().isEmpty());
    const QString see =
        current >= 0 ? onScreen(view.steps[static_cast<std::size_t>(current)].see) : QString();
    m_see->setText(tr("Seen then: %1").arg(see));
    m_see->setVisible(!see.isEmpty());
    if (current == m_stepShown && view.act == m_actShown) return;
    m_stepShown = current;
    m_actShown = view.act;
    showConfirmations(current);
}

void StepPanel::showConfirmations(int step) {
    emptyLayout(*m_confirmations);
    if (step >= 0)
        for (const auto& c : m_hand.view().steps[static_cast<std::size_t>(step)].confirm) {
            m_confirmations->addWidget(new Confirmation(
                onScreen(c), QStringLiteral("confirm%1").arg(m_confirmations->count())));
        }
    keepFocusOrder(m_confirmations->parentWidget());
}

} // namespace uttrin::app

#include "moc_StepPanel.cpp"
