#pragma once

#include "app/controls/Card.h"
#include "rehearsal/ManualRun.h"

#include <vector>

class QPushButton;
class QSlider;

namespace uttrin::app {

class FlowLayout;
class Words;

/// The hands on a simulated rig: its valves by how far they are open, its heater by its power, all else on
/// and off.
class SimulatedPanel : public Card {
    Q_OBJECT
public:
    SimulatedPanel();
    void show(const std::vector<RigControl>& controls);

signals:
    void pressed(const uttrin::RigControl& control);
    void endRequested();

private:
    void addSwitch(const RigControl& control, int place);
    void addSlider(const RigControl& control, int place);
    FlowLayout* m_row;
    std::vector<RigControl> m_controls;
};

} // namespace uttrin::app
