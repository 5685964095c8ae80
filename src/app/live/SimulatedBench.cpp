#include "SimulatedBench.h"

#include "app/controls/OnScreen.h"
#include "feeds/Outlets.h"
#include "standin/StandIn.h"

namespace uttrin::app {

SimulatedBench::SimulatedBench(RigFile rig, std::vector<RigSetting> changes, double speed)
    : m_rig(std::move(rig)), m_changes(std::move(changes)), m_speed(speed) {}

SimulatedBench::~SimulatedBench() {
    m_thread.end([this] { m_outlets.reset(); });
}

void SimulatedBench::start() {
    m_thread.start([this] { begin(); });
}

void SimulatedBench::begin() {
    constexpr double kNoisePascal = 20.0, kNoiseKelvin = 0.03, kEvery = 0.2; // Pa, K, s
    auto made =
        HandStandIn::make(m_rig, m_changes, {.noisePascal = kNoisePascal, .noiseKelvin = kNoiseKelvin});
    if (!made) return emit failed(onScreen(made.error().message));
    m_stand = std::make_unique<HandStandIn>(std::move(*made));
    OutletSettings settings;
    settings.tcpPort = 0;
    settings.every = kEvery;
    settings.speed = m_speed;
    m_outlets = std::make_unique<Outlets>(*m_stand, settings);
    connect(m_outlets.get(), &Outlets::ended, m_outlets.get(),
            [this] { emit failed(tr("The simulated rig has come to its end.")); });
    const auto where = m_outlets->open();
    if (!where) return emit failed(onScreen(where.error().message));
    emit ready(QString::fromStdString(where->front()));
    tellControls();
}

void SimulatedBench::tellControls() { emit controlsChanged(m_stand->controls()); }

void SimulatedBench::press(const RigControl& control) {
    m_thread.post([this, control] {
        if (!m_stand) return;
        m_stand->press(control);
        tellControls();
    });
}

} // namespace uttrin::app

#include "moc_SimulatedBench.cpp"
