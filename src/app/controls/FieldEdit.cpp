#include "FieldEdit.h"

#include <QKeyEvent>

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
    return QLineEdit::event(event);
}

QLineEdit* nameEdit(const char* name, const QString& accessible) {
    auto* edit = new FieldEdit;
    edit->setObjectName(QLatin1String(name));
    edit->setAccessibleName(accessible);
    return edit;
}

} // namespace uttrin::app

#include "moc_FieldEdit.cpp"
