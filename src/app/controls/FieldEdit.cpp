#include "FieldEdit.h"

#include "Theme.h"

#include <QKeyEvent>

#include <algorithm>

namespace uttrin::app {

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
    const bool done = QLineEdit::event(event);
    if (event->type() == QEvent::StyleChange || event->type() == QEvent::Polish) {
        inkQuestion();
        if (!m_question.isEmpty()) fit();
    }
    return done;
}

/// The style would make it half transparent: too pale to be read.
void FieldEdit::inkQuestion() {
    QPalette inked = palette();
    if (inked.color(QPalette::PlaceholderText) == theme().muted) return;
    inked.setColor(QPalette::PlaceholderText, theme().muted);
    setPalette(inked);
}

void FieldEdit::setQuestion(const QString& question) {
    m_question = question;
    setPlaceholderText(question);
    fit();
    updateGeometry();
}

int FieldEdit::widthOfQuestion() const {
    constexpr int kFrame = 26; // px: padding, frame, cursor
    return m_question.isEmpty() ? 0 : fontMetrics().horizontalAdvance(m_question) + kFrame;
}

void FieldEdit::setUsualWidth(int px) {
    m_usual = px;
    setLeastWidth(px);
}

void FieldEdit::setLeastWidth(int px) {
    m_least = px;
    fit();
}

void FieldEdit::fit() { setMinimumWidth(std::max(m_least, widthOfQuestion())); }

QSize FieldEdit::sizeHint() const {
    const QSize hint = QLineEdit::sizeHint();
    return m_usual > 0 || !m_question.isEmpty() ? QSize(minimumWidth(), hint.height()) : hint;
}

QLineEdit* nameEdit(const char* name, const QString& accessible) {
    auto* edit = new FieldEdit;
    edit->setObjectName(QLatin1String(name));
    edit->setAccessibleName(accessible);
    return edit;
}

} // namespace uttrin::app

#include "moc_FieldEdit.cpp"
