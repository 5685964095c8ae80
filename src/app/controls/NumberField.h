#pragma once

#include "FieldEdit.h"

#include <QLabel>
#include <QPointer>

#include <optional>

namespace uttrin::app {

class Words;

/// A field for one number with its unit beside it. Accepts '.' and the locale's decimal sign; what is not a
/// number is marked as wrong, with a sentence under it, and gives no value.
class NumberField : public QWidget {
    Q_OBJECT
public:
    /// @param name  object name of the line edit and its accessible name
    NumberField(const QString& label, const QString& unit, const QString& name, QWidget* parent = nullptr);
    [[nodiscard]] std::optional<double> value() const;
    /// What is wrong with what stands in it; empty if nothing.
    [[nodiscard]] QString error() const;
    /// Its value, if there is one; else what was there stays.
    void putInto(double& value) const { value = this->value().value_or(value); }
    void setValue(std::optional<double> value); ///< emits nothing
    void setUnit(const QString& unit);
    void setLabel(const QString& label);
    void wrapLabel(); ///< where several stand side by side
    void setBig();
    void setPlaceholder(const QString& text) { m_edit->setQuestion(text); }
    [[nodiscard]] FieldEdit* edit() { return m_edit; }
    bool event(QEvent* event) override;

signals:
    void edited();    ///< at every keystroke
    void committed(); ///< on Return or leaving the field, if the text changed

private:
    void judge();
    void placeError();
    Words* m_label;
    FieldEdit* m_edit;
    Words* m_unit;
    QString m_committedText;
    QPointer<QLabel> m_error; ///< under it, over what lies there: nothing moves for it
};

} // namespace uttrin::app
