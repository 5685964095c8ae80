#include "ControlHabits.h"

#include <QAbstractButton>
#include <QAbstractSpinBox>
#include <QComboBox>
#include <QKeyEvent>
#include <QSlider>

namespace uttrin::app {
namespace {

/// What the wheel would change.
bool isTurned(const QObject* control) {
    return qobject_cast<const QComboBox*>(control) || qobject_cast<const QSlider*>(control) ||
           qobject_cast<const QAbstractSpinBox*>(control);
}

} // namespace

bool ControlHabits::eventFilter(QObject* watched, QEvent* event) {
    if (event->type() == QEvent::Wheel && isTurned(watched) && !static_cast<QWidget*>(watched)->hasFocus()) {
        event->ignore(); // goes on to what it stands in
        return true;
    }
    if (event->type() != QEvent::KeyPress) return false;
    auto* button = qobject_cast<QAbstractButton*>(watched);
    const auto* key = static_cast<QKeyEvent*>(event);
    const bool enter = key->key() == Qt::Key_Return || key->key() == Qt::Key_Enter;
    if (!button || !enter || key->isAutoRepeat() || key->modifiers() & ~Qt::KeypadModifier) return false;
    button->click();
    return true;
}

} // namespace uttrin::app

#include "moc_ControlHabits.cpp"
