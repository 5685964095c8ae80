#pragma once

#include <QWidget>

namespace uttrin::app {

/// A station that is not there yet and says so plainly.
class ComingStation : public QWidget {
    Q_OBJECT
public:
    ComingStation(const QString& title, const QString& what, const QString& meanwhile);
};

} // namespace uttrin::app
