#include "NumberField.h"

#include "FieldEdit.h"
#include "Labels.h"
#include "OnScreen.h"

#include <QHBoxLayout>
#include <QLocale>
#include <QStyle>
#include <QVBoxLayout>

namespace uttrin::app {

NumberField::NumberField(const QString& label, const QString& unit, const QString& name, QWidget* parent)
    : QWidget(parent), m_label(makeLabel(label, "muted")), m_edit(new FieldEdit),
      m_unit(makeLabel(unit, "muted")) {
    auto* column = new QVBoxLayout(this);
    column->setContentsMargins(0, 0, 0, 0);
    column->setSpacing(3);
    column->addWidget(m_label);
    auto* row = new QHBoxLayout;
    row->setSpacing(6);
    row->addWidget(m_edit, 1);
    row->addWidget(m_unit);
    column->addLayout(row);
    m_label->setWordWrap(false);
    m_unit->setWordWrap(false);
    m_edit->setObjectName(name);
    m_edit->setAccessibleName(label + QLatin1String(", ") + unit);
    m_edit->setAlignment(Qt::AlignRight);
    m_edit->setMinimumWidth(72);
    m_label->setVisible(!label.isEmpty());
    m_unit->setVisible(!unit.isEmpty());
    connect(m_edit, &QLineEdit::textEdited, this, [this] {
        judge();
        emit edited();
    });
    connect(m_edit, &QLineEdit::editingFinished, this, [this] {
        if (m_edit->text() == m_committedText) return;
        m_committedText = m_edit->text();
        emit committed();
    });
}

void NumberField::judge() {
    const bool wrong = !m_edit->text().trimmed().isEmpty() && !value();
    if (m_edit->property("wrong").toBool() == wrong) return;
    m_edit->setProperty("wrong", wrong);
    m_edit->setToolTip(!wrong ? QString()
                       : canBeReadTwoWays(m_edit->text())
                           ? tr("This can be read two ways. Write a thousand without a separator, and decimals behind %1.")
                                 .arg(QLocale().decimalPoint())
                           : tr("This is not a number. Type digits, for instance −0.7."));
    m_edit->style()->unpolish(m_edit);
    m_edit->style()->polish(m_edit);
}

std::optional<double> NumberField::value() const { return typedNumber(m_edit->text()); }

void NumberField::setValue(std::optional<double> value) {
    if (m_edit->hasFocus() && value == this->value()) return; // do not disturb what is being typed
    m_edit->setText(value ? fieldText(*value) : QString());
    m_committedText = m_edit->text();
    judge();
}

void NumberField::setUnit(const QString& unit) {
    m_unit->setText(unit);
    m_unit->setVisible(!unit.isEmpty());
    m_edit->setAccessibleName(m_label->text() + QLatin1String(", ") + unit);
}

void NumberField::setLabel(const QString& label) {
    m_label->setText(label);
    m_label->setVisible(!label.isEmpty());
    m_edit->setAccessibleName(label + QLatin1String(", ") + m_unit->text());
}

void NumberField::wrapLabel() { m_label->setWordWrap(true); }

void NumberField::setBig() {
    m_edit->setProperty("big", true);
    m_edit->setMinimumHeight(46);
}

} // namespace uttrin::app

#include "moc_NumberField.cpp"
