#include "SpokenControls.h"

#include <QLineEdit>

namespace uttrin::app {

SpokenField::SpokenField(QLineEdit* field)
    : QAccessibleWidget(field, QAccessible::EditableText), m_field(field) {}

void* SpokenField::interface_cast(QAccessible::InterfaceType type) {
    if (type == QAccessible::TextInterface) return static_cast<QAccessibleTextInterface*>(this);
    if (type == QAccessible::EditableTextInterface)
        return static_cast<QAccessibleEditableTextInterface*>(this);
    return QAccessibleWidget::interface_cast(type);
}

QAccessible::State SpokenField::state() const {
    QAccessible::State state = QAccessibleWidget::state();
    state.editable = !m_field->isReadOnly();
    state.readOnly = m_field->isReadOnly();
    state.selectableText = true;
    state.invalid = m_field->property("wrong").toBool();
    return state;
}

QString SpokenField::text(QAccessible::Text kind) const {
    return kind == QAccessible::Value ? m_field->text() : QAccessibleWidget::text(kind);
}

/// As if it were typed: what follows from it follows.
void SpokenField::setText(QAccessible::Text kind, const QString& text) {
    if (kind == QAccessible::Value)
        replaceText(0, characterCount(), text);
    else
        QAccessibleWidget::setText(kind, text);
}

void SpokenField::selection(int index, int* start, int* end) const {
    const bool any = index == 0 && m_field->hasSelectedText();
    *start = any ? m_field->selectionStart() : 0;
    *end = any ? m_field->selectionEnd() : 0;
}
int SpokenField::selectionCount() const { return m_field->hasSelectedText() ? 1 : 0; }
void SpokenField::addSelection(int start, int end) { setSelection(0, start, end); }
void SpokenField::removeSelection(int index) {
    if (index == 0) m_field->deselect();
}
void SpokenField::setSelection(int index, int start, int end) {
    if (index == 0) m_field->setSelection(start, end - start);
}

int SpokenField::cursorPosition() const { return m_field->cursorPosition(); }
void SpokenField::setCursorPosition(int position) { m_field->setCursorPosition(position); }
int SpokenField::characterCount() const { return static_cast<int>(m_field->text().size()); }

QString SpokenField::text(int start, int end) const {
    return m_field->text().mid(start, (end < 0 ? characterCount() : end) - start);
}

QRect SpokenField::characterRect(int offset) const {
    const QFontMetrics metrics = m_field->fontMetrics();
    const QString before = m_field->text().left(offset), upTo = m_field->text().left(offset + 1);
    const int from = metrics.horizontalAdvance(before), all = metrics.horizontalAdvance(m_field->text());
    const int left = m_field->alignment() & Qt::AlignRight ? m_field->width() - all : 0;
    return QRect(m_field->mapToGlobal(QPoint(left + from, 0)),
                 QSize(metrics.horizontalAdvance(upTo) - from, m_field->height()));
}

int SpokenField::offsetAtPoint(const QPoint& point) const {
    return m_field->cursorPositionAt(m_field->mapFromGlobal(point));
}

void SpokenField::scrollToSubstring(int start, int) { m_field->setCursorPosition(start); }

QString SpokenField::attributes(int, int* start, int* end) const {
    *start = 0;
    *end = characterCount();
    return {};
}

void SpokenField::deleteText(int start, int end) { replaceText(start, end, {}); }
void SpokenField::insertText(int offset, const QString& text) { replaceText(offset, offset, text); }

void SpokenField::replaceText(int start, int end, const QString& text) {
    if (m_field->isReadOnly() || !m_field->isEnabled()) return;
    m_field->setSelection(start, end - start);
    m_field->insert(text);
}

} // namespace uttrin::app
