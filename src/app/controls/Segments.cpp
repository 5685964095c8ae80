#include "Segments.h"

#include "FlowLayout.h"
#include "Grid.h"
#include "Labels.h"

#include <QButtonGroup>
#include <QHBoxLayout>
#include <QKeyEvent>

namespace uttrin::app {

Segments::Segments(const QString& name, const QString& title, Rows rows, QWidget* parent)
    : QWidget(parent), m_group(new QButtonGroup(this)) {
    setObjectName(name);
    setSpokenRole(this, QAccessible::Grouping);
    setAccessibleName(title); // which settles what it is
    QLayout* row = rows == Rows::One ? static_cast<QLayout*>(new QHBoxLayout(this)) : new FlowLayout(this);
    row->setContentsMargins(0, 0, 0, 0);
    row->setSpacing(grid::kStep);
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
        b->installEventFilter(this);
        b->setCheckable(true);
        b->setObjectName(QStringLiteral("%1_%2").arg(objectName()).arg(i));
        setRole(b, "segment");
        m_group->addButton(b, i);
        layout()->addWidget(b);
    }
    keepFocusOrder(this);
}

/// The arrows go from one choice to the next and choose nothing: Space and Enter do.
bool Segments::eventFilter(QObject* watched, QEvent* event) {
    if (event->type() != QEvent::KeyPress) return false;
    const auto all = m_group->buttons();
    const auto here = static_cast<int>(all.indexOf(static_cast<QAbstractButton*>(watched)));
    const auto go = [&](int to) {
        const auto count = static_cast<int>(all.size());
        all[(to + count) % count]->setFocus(Qt::TabFocusReason);
        return true;
    };
    switch (static_cast<QKeyEvent*>(event)->key()) {
    case Qt::Key_Left:
    case Qt::Key_Up:
        return go(here - 1);
    case Qt::Key_Right:
    case Qt::Key_Down:
        return go(here + 1);
    case Qt::Key_Home:
        return go(0);
    case Qt::Key_End:
        return go(-1);
    default:
        return false;
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
