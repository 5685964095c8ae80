#include "Segments.h"

#include "FlowLayout.h"
#include "Labels.h"

#include <QButtonGroup>
#include <QHBoxLayout>

namespace uttrin::app {

Segments::Segments(const QString& name, Rows rows, QWidget* parent)
    : QWidget(parent), m_group(new QButtonGroup(this)) {
    setObjectName(name);
    QLayout* row = rows == Rows::One ? static_cast<QLayout*>(new QHBoxLayout(this)) : new FlowLayout(this);
    row->setContentsMargins(0, 0, 0, 0);
    row->setSpacing(6);
    connect(m_group, &QButtonGroup::idClicked, this, &Segments::picked);
}

void Segments::setChoices(const QStringList& labels) {
    const auto old = m_group->buttons();
    if (old.size() == labels.size()) { // the same row again, perhaps from the click of one of its own buttons
        for (int i = 0; i < labels.size(); ++i)
            m_group->button(i)->setText(labels[i]);
        return;
    }
    for (QAbstractButton* b : old) {
        m_group->removeButton(b);
        layout()->removeWidget(b);
        b->hide();
        b->deleteLater();
    }
    for (int i = 0; i < labels.size(); ++i) {
        auto* b = new QPushButton(labels[i]);
        b->setCheckable(true);
        b->setObjectName(QStringLiteral("%1_%2").arg(objectName()).arg(i));
        setRole(b, "segment");
        m_group->addButton(b, i);
        layout()->addWidget(b);
    }
}

int Segments::chosen() const { return m_group->checkedId(); }

void Segments::choose(int index) {
    m_group->setExclusive(false);
    const auto all = m_group->buttons();
    for (QAbstractButton* b : all)
        b->setChecked(m_group->id(b) == index);
    m_group->setExclusive(true);
}

QPushButton* Segments::button(int index) { return static_cast<QPushButton*>(m_group->button(index)); }

} // namespace uttrin::app

#include "moc_Segments.cpp"
