#include "RigSimulation.h"

#include "RigEngine.h"

#include <algorithm>
#include <cmath>

namespace uttrin {

RigSimulator::RigSimulator(std::unique_ptr<Engine> engine) : m_engine(std::move(engine)) {}
RigSimulator::RigSimulator(RigSimulator&&) noexcept = default;
RigSimulator& RigSimulator::operator=(RigSimulator&&) noexcept = default;
RigSimulator::~RigSimulator() = default;

Result<RigSimulator> RigSimulator::make(RigModel model, RigFluid fluid, std::vector<RigMove> moves) {
    if (const auto fine = check(model); !fine) return tl::unexpected(fine.error());
    if (const auto fine = check(model, moves); !fine) return tl::unexpected(fine.error());
    auto engine = std::make_unique<Engine>(std::move(model), std::move(fluid), std::move(moves));
    if (const auto ready = engine->setUp(); !ready) return tl::unexpected(ready.error());
    return RigSimulator(std::move(engine));
}

double RigSimulator::seconds() const { return m_engine->time; }
Result<void> RigSimulator::advance(double until) { return m_engine->advance(until); }
const RigModel& RigSimulator::model() const { return m_engine->model; }
const std::vector<RigEvent>& RigSimulator::events() const { return m_engine->events; }

void RigSimulator::apply(const RigAction& action) {
    m_engine->reachIn(action);
    m_engine->events.push_back({m_engine->time, 0, RigEventKind::Moved, -1});
    m_engine->restart();
}

RigSample RigSimulator::sample() const {
    const Engine& e = *m_engine;
    RigSample s;
    s.seconds = e.time;
    for (std::size_t i = 0; i < e.vessels(); ++i) {
        const auto state = e.balance.observed(e.time, e.values(), i);
        s.vessels.push_back(state ? *state : VesselState{});
    }
    for (std::size_t i = 0; i < e.model.contacts.size(); ++i)
        s.contacts.push_back(e.balance.contact(s.vessels, e.values(), i));
    for (std::size_t i = 0; i < e.model.links.size(); ++i)
        s.links.push_back(e.balance.link(e.time, s.vessels, i));
    for (std::size_t i = 0; i < e.model.liquidTubes.size(); ++i)
        s.liquidTubes.push_back(e.balance.liquidTube(s.vessels, i));
    for (std::size_t i = 0; i < e.model.pumps.size(); ++i)
        s.pumps.push_back(e.balance.pump(e.values(), i));
    for (std::size_t i = 0; i < e.model.dishes.size(); ++i)
        s.dishes.push_back(e.balance.dish(e.values(), i));
    return s;
}

double RigSimulator::boilingKelvin(int vessel, double pascal) const {
    const Engine& e = *m_engine;
    const auto state = e.balance.state(e.time, e.values(), static_cast<std::size_t>(vessel));
    return state ? e.balance.boilingKelvin(*state, pascal) : e.fluid.boilingKelvin(pascal);
}

double RigSimulator::massDrift() const {
    const Engine& e = *m_engine;
    const auto now = e.values();
    return std::abs(e.balance.totalMass(now) - e.balance.totalMass(e.first) - now[now.size() - 2]) /
           std::max(e.massScale, 1e-30);
}

double RigSimulator::energyDrift() const {
    const Engine& e = *m_engine;
    const auto now = e.values();
    return std::abs(e.balance.totalEnergy(now) - e.balance.totalEnergy(e.first) - now[now.size() - 1]) /
           std::max(e.energyScale, 1e-30);
}

void RigSimulator::setAccuracy(Accuracy accuracy) {
    m_engine->within(accuracy == Accuracy::Coarse  ? kLoose
                     : accuracy == Accuracy::Close ? kTight
                                                   : kRelative);
}

} // namespace uttrin
