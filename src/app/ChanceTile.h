#pragma once

#include "Controls.h"
#include "rehearsal/Chance.h"
#include "rehearsal/Flight.h"

namespace uttrin::app {

/// One figure with a line beside it: the chance that a demonstration works, or how far off a capture was.
class ChanceTile : public Card {
    Q_OBJECT
public:
    explicit ChanceTile(QWidget* parent = nullptr);
    void wait(); ///< it is being worked out
    void show(const RehearsalChance& chance, const RigGoal& goal);
    void show(const FlightCapture& capture);
    void invite(); ///< to capture

private:
    QLabel *m_figure, *m_line;
};

} // namespace uttrin::app
