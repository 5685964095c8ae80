#include "SuccessTile.h"

#include "app/controls/Grid.h"
#include "app/controls/Labels.h"
#include "app/controls/OnScreen.h"
#include "physics/Constants.h"

#include <QHBoxLayout>

#include <algorithm>

namespace uttrin::app {

SuccessTile::SuccessTile(QWidget* parent)
    : Card(parent), m_figure(makeLabel({}, "title")), m_line(makeLabel({}, "muted")) {
    m_figure->setObjectName(QStringLiteral("chance"));
    m_figure->setWordWrap(false);
    m_line->setObjectName(QStringLiteral("chanceUnder"));
    column()->setContentsMargins(grid::kMargin, grid::kHalfStep, grid::kMargin, grid::kHalfStep);
    auto* words = new QHBoxLayout;
    words->setSpacing(grid::kMargin);
    words->addWidget(m_figure);
    words->addWidget(m_line, 1);
    column()->addLayout(words);
}

QSize SuccessTile::sizeHint() const {
    constexpr int kUsual = 290; // px: the figure and two short lines; more where there is room
    const QSize hint = Card::sizeHint();
    return {std::min(hint.width(), kUsual), hint.height()};
}

void SuccessTile::wait() { m_figure->setText(QStringLiteral("…")); }

void SuccessTile::show(const EnsembleOutcome& chance, const RigGoal& goal) {
    if (goal.kind == RigGoal::None) {
        m_figure->setText(QStringLiteral("–"));
        return m_line->setText(tr("played %1 times").arg(chance.members));
    }
    m_figure->setText(onScreen(chanceText(chance)));
    const QString goalSays = onScreen(goalText(goal));
    m_line->setText(chance.mainReason ? tr("that it %1; else %2").arg(goalSays, onScreen(*chance.mainReason))
                                      : tr("that it %1").arg(goalSays));
}

void SuccessTile::show(const ManualCapture& c) {
    m_figure->setText(tr("%1 K off").arg(onScreen(c.offKelvin, 1)));
    m_line->setText(tr("%1 °C at %2 kPa, where it boils at %3 °C. %4")
                        .arg(onScreen(c.shownKelvin - kIcePointKelvin, 1),
                             onScreen(c.shownPascal / 1000.0, 2),
                             onScreen(c.boilsKelvin - kIcePointKelvin, 1), onScreen(c.why)));
}

void SuccessTile::invite() {
    m_figure->clear();
    m_line->setText(tr("When it boils, capture."));
}

} // namespace uttrin::app

#include "moc_SuccessTile.cpp"
