#include "Controls.h"

#include "FlowLayout.h"
#include "OnScreen.h"
#include "Theme.h"

#include <QButtonGroup>
#include <QHBoxLayout>
#include <QKeyEvent>
#include <QScrollBar>
#include <QStyle>

#include <algorithm>

namespace uttrin::app {

Card::Card(QWidget* parent) : QFrame(parent), m_column(new QVBoxLayout(this)) {
    setObjectName(QStringLiteral("card"));
    m_column->setContentsMargins(16, 12, 16, 14);
    m_column->setSpacing(8);
}

void setRole(QWidget* widget, const char* role) {
    const QVariant wanted = role ? QVariant(QLatin1String(role)) : QVariant();
    if (widget->property("role") == wanted) return; // restyling is slow
    widget->setProperty("role", wanted);
    widget->style()->unpolish(widget);
    widget->style()->polish(widget);
}

QLabel* makeLabel(const QString& text, const char* role, QWidget* parent) {
    auto* label = new QLabel(text, parent);
    label->setWordWrap(true);
    label->setTextFormat(Qt::PlainText);
    if (role) setRole(label, role);
    return label;
}

bool FieldEdit::event(QEvent* event) {
    if (event->type() == QEvent::ShortcutOverride) {
        const auto* key = static_cast<QKeyEvent*>(event);
        const bool nothingOfItsOwn = (key->matches(QKeySequence::Undo) && !isUndoAvailable()) ||
                                     (key->matches(QKeySequence::Redo) && !isRedoAvailable());
        if (nothingOfItsOwn) {
            event->ignore();
            return false;
        }
    }
    return QLineEdit::event(event);
}

QLayout* centred(QWidget* widget) {
    auto* row = new QHBoxLayout;
    row->addStretch();
    row->addWidget(widget);
    row->addStretch();
    return row;
}

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
    m_edit->setToolTip(wrong ? tr("This is not a number. Type digits, for instance −0.7.") : QString());
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

void NumberField::setBig() {
    m_edit->setProperty("big", true);
    m_edit->setMinimumHeight(46);
}

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

ScrollColumn::ScrollColumn(QWidget* parent) : QScrollArea(parent) {
    auto* body = new QWidget;
    body->setObjectName(QStringLiteral("scrollBody"));
    m_column = new QVBoxLayout(body);
    m_column->setContentsMargins(0, 0, 4, 0);
    m_column->setSpacing(12);
    setWidget(body);
    setWidgetResizable(true);
    setHorizontalScrollBarPolicy(Qt::ScrollBarAlwaysOff);
    setFocusPolicy(Qt::NoFocus);
}

void ScrollColumn::setWidths(int narrowest, int widest) {
    m_narrowest = narrowest;
    m_widest = widest;
    fit();
}

void ScrollColumn::fit() {
    const int needed = widget()->minimumSizeHint().width() + verticalScrollBar()->sizeHint().width();
    setMinimumWidth(std::max(m_narrowest, needed));
    setMaximumWidth(std::max(m_widest, needed));
}

bool ScrollColumn::eventFilter(QObject* watched, QEvent* event) {
    if (watched == widget() && event->type() == QEvent::LayoutRequest) fit();
    return QScrollArea::eventFilter(watched, event);
}

QLineEdit* nameEdit(const char* name, const QString& accessible) {
    auto* edit = new FieldEdit;
    edit->setObjectName(QLatin1String(name));
    edit->setAccessibleName(accessible);
    return edit;
}

QVBoxLayout* labelled(const QString& label, QWidget* widget) {
    auto* column = new QVBoxLayout;
    column->setSpacing(3);
    column->addWidget(makeLabel(label, "muted"));
    column->addWidget(widget);
    return column;
}

} // namespace uttrin::app
