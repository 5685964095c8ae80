#pragma once

#include <QObject>

namespace uttrin::app {

/// Habits that all controls share. The wheel over a list, a slider or a number that has not the keyboard
/// scrolls the page: what is only scrolled past is not changed. Enter presses the button that has the
/// keyboard.
class ControlHabits : public QObject {
    Q_OBJECT
public:
    using QObject::QObject;
    bool eventFilter(QObject* watched, QEvent* event) override;
};

} // namespace uttrin::app
