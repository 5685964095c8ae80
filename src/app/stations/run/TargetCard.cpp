#include "TargetCard.h"

#include "app/controls/Grid.h"
#include "app/controls/Labels.h"
#include "app/controls/OnScreen.h"

#include <QHBoxLayout>
#include <QMenu>
#include <QPushButton>

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
    auto* shown = new QVBoxLayout; // what the dial shows, and under it what can be stamped
    shown->setSpacing(grid::kHalfStep);
    auto* dial = new QHBoxLayout;
    dial->addWidget(m_dial);
    dial->addWidget(m_unit, 0, Qt::AlignBottom);
    dial->addStretch();
    shown->addLayout(dial);
    auto* stamps = new QHBoxLayout;
    stamps->setSpacing(grid::kStep);
    m_pumpOn = makeLink(tr("Pump is on"), "pumpOn",
                        tr("Stamps when the pump was switched on: the minutes until it is "
                           "warm are counted (Ctrl+Shift+P)"));
    m_pumpOn->setShortcut(QKeySequence(QStringLiteral("Ctrl+Shift+P")));
    connect(m_pumpOn, &QPushButton::clicked, this, &TargetCard::pumpOnRequested);
    stamps->addWidget(m_pumpOn);
    m_fill =
        makeLink(tr("Filled"), "fill", tr("Stamps what was filled into the vessel: charge and depth add up"));
    auto* menu = new QMenu(tr("Filled"), m_fill);
    m_asAdvised = menu->addAction(QString(), this, &TargetCard::advisedFilled);
    m_asAdvised->setObjectName(QStringLiteral("fillAsAdvised"));
    m_asAdvised->setShortcut(QKeySequence(QStringLiteral("Ctrl+Shift+F")));
    addAction(m_asAdvised); // its key works while the menu is shut
    for (const auto& [name, text, what] :
         {std::tuple{"fillIce", tr("Ice…"), Filling::What::Ice},
          {"fillWater", tr("Water…"), Filling::What::Water},
          {"fillAnew", tr("Poured out, and filled anew…"), Filling::What::Anew}})
        menu->addAction(text, this, [this, what = what] { emit fillRequested(what); })
            ->setObjectName(QLatin1String(name));
    m_fill->setMenu(menu);
    stamps->addWidget(m_fill);
    m_warmUp = makeLabel({}, "muted");
    m_warmUp->setObjectName(QStringLiteral("pumpWarms"));
    m_warmUp->setWordWrap(false);
    stamps->addWidget(m_warmUp);
    stamps->addStretch();
    shown->addLayout(stamps);
    numbers->addLayout(shown);
    m_instruction = makeLabel({}, "muted");
    m_instruction->setObjectName(QStringLiteral("targetInstruction"));
    numbers->addSpacing(grid::kMargin);
    numbers->addWidget(m_instruction, 1, Qt::AlignVCenter);
    column()->addLayout(numbers);
    m_aids = makeLabel({}, "note");
    m_aids->setObjectName(QStringLiteral("benchAids"));
    column()->addWidget(m_aids);
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

void TargetCard::setNarrow(bool narrow) {
    for (Words* ahead : {m_next, m_timeLeft})
        ahead->setWordWrap(narrow);
}

void TargetCard::show(const RunView& v) {
    m_heading->setText(onScreen(v.heading));
    m_dial->setText(onScreen(v.dial));
    m_unit->setText(v.dial.empty()   ? QString()
                    : v.also.empty() ? onScreen(v.unit)
                                     : tr("%1\n= %2 abs.").arg(onScreen(v.unit), onScreen(v.also)));
    m_instruction->setText(onScreen(v.instruction));
    m_next->setText(onScreen(v.next));
    m_timeLeft->setText(onScreen(v.timeLeft));
    QStringList aids;
    for (const Text* aid : {&v.charge, &v.ice})
        if (!aid->empty()) aids << onScreen(*aid);
    m_aids->setText(aids.join(QLatin1Char('\n')));
    m_aids->setVisible(!aids.isEmpty());
    m_pumpOn->setVisible(v.pumpWaits);
    m_fill->setVisible(v.fills);
    m_asAdvised->setVisible(!v.advised.empty());
    m_asAdvised->setEnabled(!v.advised.empty());
    m_asAdvised->setText(tr("As advised: %1").arg(onScreen(v.advised)));
    m_warmUp->setText(onScreen(v.warmUp));
    m_warmUp->setVisible(!v.warmUp.empty());
}

} // namespace uttrin::app

#include "moc_TargetCard.cpp"
