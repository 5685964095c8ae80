#include "MarkList.h"

#include "app/controls/Grid.h"
#include "app/controls/Labels.h"
#include "app/controls/NumberField.h"

#include <QHBoxLayout>

namespace uttrin::app {

MarkList::MarkList(QWidget* parent) : QWidget(parent), m_column(new QVBoxLayout(this)) {
    m_column->setContentsMargins(0, 0, 0, 0);
    m_column->setSpacing(grid::kHalfStep);
}

MarkList::Line& MarkList::line(std::size_t step) {
    const int index = static_cast<int>(step);
    while (m_lines.size() <= index) {
        const int made = static_cast<int>(m_lines.size());
        Line l{new QWidget, new QPushButton, nullptr};
        l.value = new NumberField({}, {}, QStringLiteral("photoValue_%1").arg(made));
        l.name->setObjectName(QStringLiteral("photoMark_%1").arg(made));
        l.name->setCheckable(true);
        setRole(l.name, "mark");
        auto* row = new QHBoxLayout(l.box);
        row->setContentsMargins(0, 0, 0, 0);
        row->addWidget(l.name, 1);
        l.value->setMinimumWidth(130);
        row->addWidget(l.value);
        connect(l.name, &QPushButton::clicked, this, [this, made] { emit picked(made); });
        connect(l.value, &NumberField::edited, this,
                [this, made, field = l.value] { emit valueEdited(made, field->value()); });
        m_column->addWidget(l.box);
        m_lines << l;
    }
    return m_lines[index];
}

void MarkList::show(const PhotoMarking& marking, std::size_t chosen, const QStringList& sights,
                    const QString& unit) {
    const auto steps = marking.steps();
    for (std::size_t i = 0; i < steps.size(); ++i) {
        Line& l = line(i);
        const MarkStep& s = steps[i];
        const QString name = s.kind == MarkKind::Centre       ? tr("centre of the dial")
                             : s.kind == MarkKind::Graduation ? tr("a graduation")
                             : s.kind == MarkKind::OtherEnd   ? tr("its line, further along")
                                                              : sights.value(s.number - 1);
        l.name->setText(
            QStringLiteral("%1  %2   %3").arg(i + 1).arg(name, s.at ? QStringLiteral("\u2713") : QString()));
        l.name->setChecked(i == chosen);
        l.name->setAccessibleName(s.at ? tr("%1, marked").arg(name) : tr("%1, to be marked").arg(name));
        l.value->setVisible(s.kind == MarkKind::Graduation);
        l.value->setUnit(unit);
        l.value->setPlaceholder(tr("printed"));
        l.value->setValue(s.value);
        l.value->edit()->setAccessibleName(tr("Number printed at graduation %1").arg(s.number));
        l.box->show();
    }
    for (auto i = static_cast<qsizetype>(steps.size()); i < m_lines.size(); ++i)
        m_lines[i].box->hide();
}

} // namespace uttrin::app

#include "moc_MarkList.cpp"
