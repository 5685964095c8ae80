#include "GuardedApplication.h"

#include "app/accessibility/ControlHabits.h"
#include "app/accessibility/FocusRing.h"
#include "app/accessibility/Spoken.h"

#include <exception>

namespace uttrin::app {

GuardedApplication::GuardedApplication(int& argc, char** argv) : QApplication(argc, argv) {
    speakControls();
    FocusRing::follow();
    installEventFilter(new ControlHabits(this));
}

bool GuardedApplication::notify(QObject* receiver, QEvent* event) {
    try {
        return QApplication::notify(receiver, event);
    } catch (const std::exception& e) {
        emit faultCaught(QString::fromUtf8(e.what()));
    } catch (...) {
        emit faultCaught(tr("of an unknown kind"));
    }
    return false;
}

} // namespace uttrin::app

#include "moc_GuardedApplication.cpp"
