#include "TargetCard.h"

#include "app/controls/Grid.h"
#include "app/controls/Labels.h"
#include "app/controls/OnScreen.h"

#include <QHBoxLayout>

namespace uttrin::app {

TargetCard::TargetCard() {
    column()->setContentsMargins(grid::kMargin, grid::kHalfStep, grid::kMargin, grid::kHalfStep);
    column()->setSpacing(grid::kHalfStep);
    auto* head = new QHBoxLayout;
    m_heading = makeLabel({}, "heading");
    m_heading->setObjectName(QStringLiteral("targetHeading"));
    m_heading->setWordWrap(false);
    head->addWidget(m_heading);
    head->addStretch();
    auto* ahead = new QVBoxLayout;
    ahead->setSpacing(0);
    m_next = makeLabel({}, "muted");
    m_timeLeft = makeLabel({}, "muted");
    for (Words* l : {m_next, m_timeLeft}) {
        l->setAlignment(Qt::AlignRight);
        l->setWordWrap(false);
        ahead->addWidget(l);
    }
    head->addLayout(ahead);
    head->addSpacing(grid::kStep);
    const auto stepper = [&](const QString& sign, const char* name, const QString& accessible, Qt::Key key,
                             int by) {
        auto* button = new QPushButton(sign);
        button->setObjectName(QLatin1String(name));
        button->setAccessibleName(accessible);
        button->setToolTip(accessible + QStringLiteral(" (%1)").arg(QKeySequence(key).toString()));
        button->setShortcut(key);
        button->setMinimumWidth(40);
        setRole(button, "segment");
        connect(button, &QPushButton::clicked, this, [this, by] { emit stepped(by); });
        head->addWidget(button);
    };
    stepper(QStringLiteral("←"), "targetBefore", tr("The target before"), Qt::Key_PageUp, -1);
    stepper(QStringLiteral("→"), "targetAfter", tr("The target after"), Qt::Key_PageDown, 1);
    column()->addLayout(head);

    auto* numbers = new QHBoxLayout;
    m_dial = makeLabel({}, "figure");
    m_dial->setObjectName(QStringLiteral("targetDial"));
    m_dial->setWordWrap(false);
    m_unit = makeLabel({}, "muted");
    numbers->addWidget(m_dial);
    numbers->addWidget(m_unit, 0, Qt::AlignBottom);
    m_instruction = makeLabel({}, "muted");
    m_instruction->setObjectName(QStringLiteral("targetInstruction"));
    numbers->addSpacing(grid::kMargin);
    numbers->addWidget(m_instruction, 1, Qt::AlignVCenter);
    column()->addLayout(numbers);
    m_warning = makeLabel({}, "caution");
    m_warning->setObjectName(QStringLiteral("targetWarning"));
    m_warning->hide();
    column()->addWidget(m_warning);
}

void TargetCard::warn(const QString& warning) {
    if (m_warning->text() == warning && m_warning->isHidden() == warning.isEmpty()) return;
    m_warning->setText(warning);
    m_warning->setVisible(!warning.isEmpty());
}

void TargetCard::show(const RunView& v) {
    m_heading->setText(onScreen(v.heading));
    m_dial->setText(onScreen(v.dial));
    m_unit->setText(v.dial.empty() ? QString() : onScreen(v.unit));
    m_instruction->setText(onScreen(v.instruction));
    m_next->setText(onScreen(v.next));
    m_timeLeft->setText(onScreen(v.timeLeft));
}

} // namespace uttrin::app

#include "moc_TargetCard.cpp"
