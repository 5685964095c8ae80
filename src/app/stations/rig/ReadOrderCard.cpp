#include "ReadOrderCard.h"

#include "app/controls/FieldEdit.h"
#include "app/controls/Labels.h"
#include "app/controls/OnScreen.h"

#include <QComboBox>

namespace uttrin::app {

ReadOrderCard::ReadOrderCard() {
    column()->addWidget(makeLabel(tr("In which order a point is read"), "heading"));
    column()->addWidget(makeLabel(tr("Shown step by step at Run, and kept with each point: points that were read "
                                     "otherwise are told apart."),
                                  "muted"));
    m_usual = new QComboBox;
    m_usual->setObjectName(QStringLiteral("readOrder"));
    m_usual->setAccessibleName(tr("Read order"));
    m_usual->setSizeAdjustPolicy(QComboBox::AdjustToMinimumContentsLengthWithIcon);
    m_usual->setMinimumContentsLength(20);
    m_usual->addItem(tr("nothing agreed"));
    for (const UsualReadOrder& usual : usualReadOrders())
        m_usual->addItem(onScreen(usual.name));
    m_usual->addItem(tr("of my own steps"));
    column()->addWidget(m_usual);
    m_words = new FieldEdit;
    m_words->setObjectName(QStringLiteral("readOrderWords"));
    m_words->setAccessibleName(tr("Steps of the read order"));
    m_words->setToolTip(tr("Words with spaces between: isolate, plateau, quiet, pressure, temperature, both, vent, zero"));
    column()->addWidget(m_words);
    m_wrong = makeLabel({}, "caution");
    m_wrong->setObjectName(QStringLiteral("readOrderWrong"));
    m_wrong->hide();
    column()->addWidget(m_wrong);
    m_says = makeLabel({}, "note");
    m_says->setObjectName(QStringLiteral("readOrderSays"));
    column()->addWidget(m_says);
    connect(m_usual, &QComboBox::activated, this, [this](int index) {
        const auto usual = usualReadOrders();
        m_wrong->hide();
        if (index == 0) emit picked({});
        else if (index <= static_cast<int>(usual.size()))
            emit picked(usual[static_cast<std::size_t>(index) - 1].order);
        else {
            m_words->show();
            m_words->setFocus();
        }
    });
    connect(m_words, &QLineEdit::editingFinished, this, &ReadOrderCard::takeWords);
}

void ReadOrderCard::takeWords() {
    if (!m_words->isModified()) return;
    const auto order = readOrderOf(m_words->text().toStdString());
    m_wrong->setVisible(!order);
    if (!order) return m_wrong->setText(QStringLiteral("\u26A0 ") + onScreen(order.error().message));
    m_words->setModified(false);
    emit picked(*order);
}

void ReadOrderCard::show(const ReadOrder& order) {
    const auto usual = usualReadOrders();
    int index = order.empty() ? 0 : static_cast<int>(usual.size()) + 1;
    for (std::size_t i = 0; i < usual.size(); ++i)
        if (!order.empty() && usual[i].order == order) index = static_cast<int>(i) + 1;
    m_usual->setCurrentIndex(index);
    m_words->setVisible(index > static_cast<int>(usual.size()));
    if (!m_words->isModified()) m_words->setText(QString::fromStdString(wordsOf(order)));
    QStringList steps;
    for (std::size_t i = 0; i < order.size(); ++i)
        steps << QStringLiteral("%1. %2").arg(i + 1).arg(onScreen(instruction(order[i])));
    m_says->setText(steps.join(QLatin1Char('\n')));
    m_says->setVisible(!order.empty());
}

} // namespace uttrin::app

#include "moc_ReadOrderCard.cpp"
