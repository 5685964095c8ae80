// What looks odd about a reading, and its mending.
#include "ReadingCard.h"
#include "app/controls/FlowLayout.h"
#include "app/controls/Labels.h"
#include "app/controls/MessageLine.h"
#include "app/controls/NumberField.h"
#include "app/controls/OnScreen.h"

#include <QPushButton>

namespace uttrin::app {

void ReadingCard::buildFinding() {
    m_findingBox = new Card(this);
    auto* box = m_findingBox->column();
    m_finding = makeLabel({}, "caution");
    m_finding->setObjectName(QStringLiteral("finding"));
    box->addWidget(m_finding);
    FlowLayout* choices = FlowLayout::inRow();
    // One button for each thing that may have been meant, the likeliest first.
    for (std::size_t i = 0; i < m_mend.size(); ++i) {
        m_mend[i] = new QPushButton;
        m_mend[i]->setObjectName(i == 0 ? QStringLiteral("mend") : QStringLiteral("mend%1").arg(i));
        connect(m_mend[i], &QPushButton::clicked, this, [this, i] { mend(i); });
        choices->addWidget(m_mend[i]);
    }
    m_keep = new QPushButton(tr("Keep as typed"));
    m_keep->setObjectName(QStringLiteral("keep"));
    choices->addWidget(m_keep);
    box->addWidget(choices->parentWidget());
    m_findingBox->hide();
}

void ReadingCard::mend(std::size_t which) {
    if (which >= m_shownFinding.offers.size()) return;
    const SlipOffer& offer = m_shownFinding.offers[which];
    if (offer.gauge) {
        m_first->setValue(offer.gauge->first);
        m_second->setValue(offer.gauge->second);
    }
    if (offer.temperature) m_temperature->setValue(offer.temperature);
    emit edited();
    hideFinding();
    m_capture->setFocus();
}

void ReadingCard::focusMending() {
    if (!m_shownFinding.offers.empty())
        m_mend.front()->setFocus();
    else
        m_temperature->edit()->setFocus();
}

void ReadingCard::showFinding(const SlipFinding& finding, bool waiting) {
    m_shownFinding = finding;
    m_finds = finding.kind != SlipKind::None;
    m_waits = m_finds && waiting;
    if (!m_finds) return m_findingBox->hide();
    const bool isNew = !m_findingBox->isVisible() || m_finding->text() != onScreen(finding.sentence);
    m_finding->setText(onScreen(finding.sentence));
    QStringList said{m_finding->text()};
    for (std::size_t i = 0; i < m_mend.size(); ++i) {
        m_mend[i]->setVisible(i < finding.offers.size());
        if (i >= finding.offers.size()) continue;
        m_mend[i]->setText(tr("Take %1").arg(onScreen(finding.offers[i].meant)));
        m_mend[i]->setToolTip(onScreen(finding.offers[i].sentence));
        said << m_mend[i]->text();
    }
    m_keep->setVisible(waiting);
    placeFinding();
    if (isNew) announce(m_finding, said.join(QStringLiteral(". ")));
}

void ReadingCard::placeFinding() {
    if (!m_finds) return;
    constexpr int kApart = 8;
    if (m_findingBox->parentWidget() != parentWidget()) m_findingBox->setParent(parentWidget());
    const int height = m_findingBox->hasHeightForWidth() ? m_findingBox->heightForWidth(width())
                                                         : m_findingBox->sizeHint().height();
    m_findingBox->setGeometry(x(), y() + this->height() + kApart, width(), height);
    m_findingBox->show();
    m_findingBox->raise();
}

void ReadingCard::resizeEvent(QResizeEvent* event) {
    Card::resizeEvent(event);
    placeFinding();
}

void ReadingCard::moveEvent(QMoveEvent* event) {
    Card::moveEvent(event);
    placeFinding();
}

void ReadingCard::hideFinding() { showFinding({}, false); }

} // namespace uttrin::app
