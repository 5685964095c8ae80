#pragma once

#include "rehearsal/Flight.h"

#include <QWidget>

class QHBoxLayout;
class QPushButton;

namespace uttrin::app {

/// What hands can reach on a rig that is flown: a button each, also by the keys 1, 2, 3 …
class FlightHandles : public QWidget {
    Q_OBJECT
public:
    explicit FlightHandles(QWidget* parent = nullptr);
    /// @param flight  outlives this, or is replaced by another or by none.
    void take(Flight* flight);
    /// Presses the handle of a place, counted from 1; false if there is none.
    bool press(int place);

signals:
    void pressed();

private:
    void showState();
    QHBoxLayout* m_row;
    Flight* m_flight = nullptr;
    std::vector<QPushButton*> m_handles;
};

} // namespace uttrin::app
