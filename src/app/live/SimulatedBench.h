#pragma once

#include "feeds/WorkThread.h"
#include "rehearsal/ManualRun.h"

#include <QObject>

#include <memory>
#include <vector>

namespace uttrin {
class HandStandIn;
class Outlets;
} // namespace uttrin

namespace uttrin::app {

/// A rig that is worked by hand and stands in for real instruments: it goes on by itself, on a thread of its
/// own, and sends what its gauge and thermometer show over the network of this machine only.
class SimulatedBench : public QObject {
    Q_OBJECT
public:
    /// @param rig  of the shipped ones. @param speed  s of the rig in each of the clock.
    SimulatedBench(RigFile rig, std::vector<RigSetting> changes, double speed);
    ~SimulatedBench() override;
    void start();
    void press(const uttrin::RigControl& control);

signals:
    void ready(const QString& endpoint); ///< where it can be heard: "tcp:127.0.0.1:…"
    void failed(const QString& why);
    void controlsChanged(const std::vector<uttrin::RigControl>& controls);

private:
    void begin();
    void tellControls();
    RigFile m_rig;
    std::vector<RigSetting> m_changes;
    double m_speed;
    std::unique_ptr<HandStandIn> m_stand; ///< on the thread, as is the next
    std::unique_ptr<Outlets> m_outlets;
    WorkThread m_thread;
};

} // namespace uttrin::app
