#include "GuardedApplication.h"

#include <exception>

namespace uttrin::app {

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
