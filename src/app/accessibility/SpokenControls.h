#pragma once

#include "Spoken.h"

#include <QAccessibleWidget>

class QAbstractButton;
class QComboBox;
class QLineEdit;
class QSlider;

namespace uttrin::app {

/// A button: a radio button where one of several is chosen, a check box where it can be ticked. Pressed or
/// toggled, it does what a click does.
class SpokenButton : public QAccessibleWidget {
public:
    explicit SpokenButton(QAbstractButton* button);
    [[nodiscard]] QAccessible::Role role() const override;
    [[nodiscard]] QAccessible::State state() const override;
    [[nodiscard]] QString text(QAccessible::Text kind) const override;
    [[nodiscard]] QStringList actionNames() const override;
    void doAction(const QString& name) override;
    [[nodiscard]] QStringList keyBindingsForAction(const QString& name) const override;

private:
    QAbstractButton* m_button;
};

/// A list to choose from: named by its label, with what is chosen as its value.
class SpokenList : public QAccessibleWidget {
public:
    explicit SpokenList(QComboBox* list);
    [[nodiscard]] QAccessible::State state() const override;
    [[nodiscard]] QString text(QAccessible::Text kind) const override;
    [[nodiscard]] int childCount() const override;
    [[nodiscard]] QAccessibleInterface* child(int index) const override;
    [[nodiscard]] int indexOfChild(const QAccessibleInterface* child) const override;
    [[nodiscard]] QStringList actionNames() const override;
    void doAction(const QString& name) override;

private:
    QComboBox* m_list;
};

/// A line of text to be typed in: it says when what stands in it is wrong, and why.
class SpokenField : public QAccessibleWidget,
                    public QAccessibleTextInterface,
                    public QAccessibleEditableTextInterface {
public:
    explicit SpokenField(QLineEdit* field);
    void* interface_cast(QAccessible::InterfaceType type) override;
    [[nodiscard]] QAccessible::State state() const override;
    [[nodiscard]] QString text(QAccessible::Text kind) const override;
    void setText(QAccessible::Text kind, const QString& text) override;

    void selection(int index, int* start, int* end) const override;
    [[nodiscard]] int selectionCount() const override;
    void addSelection(int start, int end) override;
    void removeSelection(int index) override;
    void setSelection(int index, int start, int end) override;
    [[nodiscard]] int cursorPosition() const override;
    void setCursorPosition(int position) override;
    [[nodiscard]] QString text(int start, int end) const override;
    [[nodiscard]] int characterCount() const override;
    [[nodiscard]] QRect characterRect(int offset) const override;
    [[nodiscard]] int offsetAtPoint(const QPoint& point) const override;
    void scrollToSubstring(int start, int end) override;
    QString attributes(int offset, int* start, int* end) const override;

    void deleteText(int start, int end) override;
    void insertText(int offset, const QString& text) override;
    void replaceText(int start, int end, const QString& text) override;

private:
    QLineEdit* m_field;
};

/// A control with a number that can be set.
class SpokenSetting : public QAccessibleWidget, public QAccessibleValueInterface {
public:
    using QAccessibleWidget::QAccessibleWidget;
    void* interface_cast(QAccessible::InterfaceType type) override;
    [[nodiscard]] QVariant currentValue() const override;
    [[nodiscard]] QVariant maximumValue() const override;
    [[nodiscard]] QVariant minimumValue() const override;
    [[nodiscard]] QVariant minimumStepSize() const override;

protected:
    /// As it is now; none where nothing can be set.
    [[nodiscard]] virtual std::optional<Spoken::Setting> setting() const = 0;
};

/// A slider, whose value is what its property "spokenValue" says: "450 g", not its position.
class SpokenSlider : public SpokenSetting {
public:
    explicit SpokenSlider(QSlider* slider);
    [[nodiscard]] QString text(QAccessible::Text kind) const override;
    void setCurrentValue(const QVariant& value) override;

protected:
    [[nodiscard]] std::optional<Spoken::Setting> setting() const override;

private:
    QSlider* m_slider;
};

} // namespace uttrin::app
