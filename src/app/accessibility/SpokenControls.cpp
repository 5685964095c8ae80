#include "SpokenControls.h"

#include "app/controls/Labels.h"

#include <QAbstractButton>
#include <QAbstractItemView>
#include <QButtonGroup>
#include <QComboBox>
#include <QPushButton>
#include <QSlider>

namespace uttrin::app {
namespace {

bool isExclusive(const QAbstractButton& b) {
    return b.isCheckable() && (b.autoExclusive() || (b.group() && b.group()->exclusive()));
}

} // namespace

SpokenButton::SpokenButton(QAbstractButton* button)
    : QAccessibleWidget(button, QAccessible::Button), m_button(button) {}

QAccessible::Role SpokenButton::role() const {
    if (isExclusive(*m_button)) return QAccessible::RadioButton;
    if (m_button->isCheckable()) return QAccessible::CheckBox;
    const auto* push = qobject_cast<QPushButton*>(m_button);
    return push && push->menu() ? QAccessible::ButtonMenu : QAccessible::Button;
}

QAccessible::State SpokenButton::state() const {
    QAccessible::State state = QAccessibleWidget::state();
    state.checkable = m_button->isCheckable();
    state.checked = m_button->isChecked();
    state.pressed = m_button->isDown();
    if (const auto* push = qobject_cast<QPushButton*>(m_button)) state.defaultButton = push->isDefault();
    return state;
}

QString SpokenButton::text(QAccessible::Text kind) const {
    if (kind == QAccessible::Name) {
        const QString name = m_button->accessibleName();
        if (!name.isEmpty()) return name;
        const QString caption = plainCaption(m_button->text());
        return caption.isEmpty() ? m_button->toolTip() : caption;
    }
    if (kind == QAccessible::Accelerator) return m_button->shortcut().toString(QKeySequence::NativeText);
    return QAccessibleWidget::text(kind);
}

QStringList SpokenButton::actionNames() const {
    QStringList names;
    if (m_button->isEnabled()) names << (m_button->isCheckable() ? toggleAction() : pressAction());
    if (m_button->isEnabled() && m_button->isCheckable()) names << pressAction();
    return names << QAccessibleWidget::actionNames();
}

void SpokenButton::doAction(const QString& name) {
    if (!m_button->isEnabled()) return;
    if (name == pressAction() || name == toggleAction())
        m_button->click();
    else
        QAccessibleWidget::doAction(name);
}

QStringList SpokenButton::keyBindingsForAction(const QString& name) const {
    if ((name == pressAction() || name == toggleAction()) && !m_button->shortcut().isEmpty())
        return {m_button->shortcut().toString()};
    return {};
}

SpokenList::SpokenList(QComboBox* list) : QAccessibleWidget(list, QAccessible::ComboBox), m_list(list) {}

QAccessible::State SpokenList::state() const {
    QAccessible::State state = QAccessibleWidget::state();
    state.expandable = true;
    state.expanded = m_list->view()->isVisible();
    return state;
}

QString SpokenList::text(QAccessible::Text kind) const {
    return kind == QAccessible::Value ? m_list->currentText() : QAccessibleWidget::text(kind);
}

int SpokenList::childCount() const { return 1; }

QAccessibleInterface* SpokenList::child(int index) const {
    return index == 0 ? QAccessible::queryAccessibleInterface(m_list->view()) : nullptr;
}

int SpokenList::indexOfChild(const QAccessibleInterface* child) const {
    return child && child->object() == m_list->view() ? 0 : -1;
}

QStringList SpokenList::actionNames() const {
    return QStringList{showMenuAction(), pressAction()} << QAccessibleWidget::actionNames();
}

void SpokenList::doAction(const QString& name) {
    if (name == showMenuAction() || name == pressAction())
        m_list->showPopup();
    else
        QAccessibleWidget::doAction(name);
}

void* SpokenSetting::interface_cast(QAccessible::InterfaceType type) {
    return type == QAccessible::ValueInterface && setting() ? static_cast<QAccessibleValueInterface*>(this)
                                                            : QAccessibleWidget::interface_cast(type);
}

QVariant SpokenSetting::currentValue() const { return setting() ? QVariant(setting()->value) : QVariant(); }
QVariant SpokenSetting::maximumValue() const { return setting() ? QVariant(setting()->high) : QVariant(); }
QVariant SpokenSetting::minimumValue() const { return setting() ? QVariant(setting()->low) : QVariant(); }
QVariant SpokenSetting::minimumStepSize() const { return setting() ? QVariant(setting()->step) : QVariant(); }

SpokenSlider::SpokenSlider(QSlider* slider) : SpokenSetting(slider, QAccessible::Slider), m_slider(slider) {}

QString SpokenSlider::text(QAccessible::Text kind) const {
    if (kind != QAccessible::Value) return QAccessibleWidget::text(kind);
    const QString spoken = m_slider->property("spokenValue").toString();
    return spoken.isEmpty() ? QString::number(m_slider->value()) : spoken;
}

void SpokenSlider::setCurrentValue(const QVariant& value) { m_slider->setValue(value.toInt()); }

std::optional<Spoken::Setting> SpokenSlider::setting() const {
    return Spoken::Setting{static_cast<double>(m_slider->value()), static_cast<double>(m_slider->minimum()),
                           static_cast<double>(m_slider->maximum()),
                           static_cast<double>(m_slider->singleStep())};
}

} // namespace uttrin::app
