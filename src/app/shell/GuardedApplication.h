#pragma once

#include <QApplication>

namespace uttrin::app {

/// The application with the one place in which an exception ends that reached the event loop: it is told as a
/// sentence, and the window goes on.
class GuardedApplication : public QApplication {
    Q_OBJECT
public:
    GuardedApplication(int& argc, char** argv);
    bool notify(QObject* receiver, QEvent* event) override;

signals:
    /// @param what  the exception's own words.
    void faultCaught(const QString& what);
};

} // namespace uttrin::app
