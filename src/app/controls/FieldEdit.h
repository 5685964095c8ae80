#pragma once

#include <QLineEdit>

namespace uttrin::app {

/// A line of text that leaves Undo and Redo to the notebook when it has nothing of its own to take back.
class FieldEdit : public QLineEdit {
    Q_OBJECT
public:
    using QLineEdit::QLineEdit;
    bool event(QEvent* event) override;
};

/// A field for a name, known by this object name.
QLineEdit* nameEdit(const char* name, const QString& accessible);

} // namespace uttrin::app
