#pragma once

#include <QWidget>

namespace uttrin::app {

/// What is seen while no notebook is open.
class WelcomePage : public QWidget {
    Q_OBJECT
public:
    explicit WelcomePage(QWidget* parent = nullptr);

signals:
    void newRequested();
    void openRequested();
    void sampleRequested();
};

} // namespace uttrin::app
