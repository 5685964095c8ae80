#pragma once

#include "CvodeHandles.h"
#include "RigBalance.h"
#include "RigSimulation.h"
#include "SolverAlgebra.h"

#include <exception>
#include <memory>
#include <optional>
#include <span>
#include <vector>

namespace uttrin {

/// Relative tolerances: usual, close, coarse.
inline constexpr double kRelative = 5e-6, kTight = 1e-8, kLoose = 1e-4;
inline constexpr double kLeastMass = 1e-11, kLeastEnergy = 1e-5; ///< absolute ones; kg or m3, J
inline constexpr double kForever = 1e30;                         ///< s

/// What crosses zero in each vessel.
enum VesselRoot { Boils, HasIce, IsFrozen, IsDry, IsOverRoom, Freezes, GivesWayNext, kVesselRoots };

[[nodiscard]] inline std::span<const double> valuesOf(N_Vector v) {
    return {N_VGetArrayPointer(v), static_cast<std::size_t>(N_VGetLength(v))};
}

/// Holds everything at addresses that CVODE may keep.
struct RigSimulator::Engine {
    RigModel model;
    RigFluid fluid;
    std::vector<RigMove> moves;
    RigBalance balance{model, fluid};
    std::vector<char> above;          ///< root by root: whether it was last above zero
    std::optional<Failure> failure;   ///< of the last rates that could not be had
    std::vector<std::size_t> gaveWay; ///< vessel by vessel, how far it came in its list
    std::optional<Failure> over;      ///< what ended it: there is no rig any more
    std::exception_ptr thrown;        ///< by what the solver called: it is C, nothing may go through it
    std::vector<RigEvent> events;
    double time = 0.0;
    double tolerance = kRelative; ///< relative
    double leastEnergy = kLeastEnergy;

    std::size_t next = 0;         ///< the move that is waited for
    double movedAt = 0.0;         ///< when the one before it was made
    std::size_t eventsBefore = 0; ///< that had happened by then
    double due = kForever;        ///< s, once its time is known

    std::vector<double> first;
    double massScale = 0.0, energyScale = 0.0;

    SUNContext rawContext = nullptr;
    cvode::Context context;
    cvode::Vector y, least;
    cvode::Matrix matrix;
    cvode::LinearSolver linear;
    cvode::Solver solver;

    Engine(RigModel m, RigFluid f, std::vector<RigMove> steps)
        : model(std::move(m)), fluid(std::move(f)), moves(std::move(steps)) {}

    [[nodiscard]] std::size_t vessels() const { return model.vessels.size(); }
    [[nodiscard]] int roots() const {
        return static_cast<int>(kVesselRoots * vessels() + model.contacts.size() + 1);
    }
    [[nodiscard]] std::span<const double> values() const { return valuesOf(y.get()); }

    Result<void> setUp();
    void restart();
    void within(double relative);
    Result<void> advance(double until);
    void handle(const std::vector<int>& found);
    void called(RigEvent event);
    void dueAt(double at);
    void await();
    void reachIn(const RigAction& action);
    void makeDueMoves();
    void weigh();
    [[nodiscard]] double nextBreak() const;
    void stopAt(double at);
    [[nodiscard]] static std::optional<double> conditionOf(const RigTrigger& trigger, const VesselState& s);
    void findRoots(double at, std::span<const double> unknowns, std::span<double> out) const;
    void findBands(double at, std::span<const double> unknowns, std::span<double> out) const;
    void settle();
};

} // namespace uttrin
