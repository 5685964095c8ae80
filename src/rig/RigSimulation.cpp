#include "RigSimulation.h"

#include "RigBalance.h"

#include <fmt/format.h>

#include <algorithm>
#include <cmath>
#include <cvode/cvode.h>
#include <memory>
#include <nvector/nvector_serial.h>
#include <sunlinsol/sunlinsol_dense.h>
#include <sunmatrix/sunmatrix_dense.h>

namespace uttrin {
namespace {

constexpr double kRelative = 1e-8, kLeastMass = 1e-13, kLeastEnergy = 1e-8; // tolerances; kg, J
constexpr double kFrozen = 1e-4; // share that counts as none, or as all
constexpr double kDry = 1e-6;    // kg
constexpr int kRootsPerVessel = 4;
constexpr int kMostSteps = 200'000; // between two samples

/// Handles of SUNDIALS that go when they are no longer held.
template <auto Free>
struct Freed {
    template <typename Handle>
    void operator()(Handle* handle) const {
        Free(handle);
    }
};
void freeContext(SUNContext context) { SUNContext_Free(&context); }
void freeSolver(void* solver) { CVodeFree(&solver); }
void freeLinear(SUNLinearSolver linear) { SUNLinSolFree(linear); }

template <typename Handle, auto Free>
using Held = std::unique_ptr<std::remove_pointer_t<Handle>, Freed<Free>>;

struct Problem {
    RigBalance balance;
    const RigModel* model;
    const RigFluid* fluid;
    std::optional<Failure> failure; ///< of the last rates that could not be had
};

std::span<const double> valuesOf(N_Vector v) {
    return {N_VGetArrayPointer(v), static_cast<std::size_t>(N_VGetLength(v))};
}

int ratesFor(realtype, N_Vector y, N_Vector rates, void* problem) {
    auto& p = *static_cast<Problem*>(problem);
    const auto done = p.balance.rates(valuesOf(y), {N_VGetArrayPointer(rates), p.balance.size()});
    if (done) return 0;
    p.failure = done.error();
    return 1; // CVODE tries a shorter step
}

double marginOf(const VesselState& s, const RigFluid& fluid) {
    return s.pascal > 0.0 ? s.kelvin - fluid.boilingKelvin(s.pascal) : 0.0;
}

int rootsFor(realtype, N_Vector y, realtype* out, void* problem) {
    auto& p = *static_cast<Problem*>(problem);
    for (std::size_t i = 0; i < p.model->vessels.size(); ++i) {
        const auto s = p.balance.state(valuesOf(y), i);
        if (!s) return 1;
        const double condensed = s->liquid + s->solid;
        realtype* own = out + kRootsPerVessel * i;
        own[0] = s->liquid > 0.0 ? marginOf(*s, *p.fluid) - p.model->vessels[i].nucleation : -1.0;
        own[1] = s->solid - kFrozen * condensed - 0.1 * kDry;
        own[2] = s->solid - (1.0 - kFrozen) * condensed - 0.1 * kDry;
        own[3] = condensed - kDry;
    }
    return 0;
}

/// What a root and its direction mean; nothing for those that no one would call out.
std::optional<RigEventKind> meaning(int root, int direction, const VesselState& s) {
    const bool wet = s.liquid + s.solid > kDry;
    switch (root) {
    case 0:
        return direction > 0 ? RigEventKind::BoilingStarts : RigEventKind::BoilingStops;
    case 1:
        if (!wet) return std::nullopt;
        return direction > 0 ? RigEventKind::IceAppears : RigEventKind::Melted;
    case 2:
        return direction > 0 && wet ? std::optional(RigEventKind::FrozenThrough) : std::nullopt;
    default:
        return direction < 0 ? std::optional(RigEventKind::Dry) : std::nullopt;
    }
}

Result<void> check(const RigModel& m, double seconds, double every) {
    const auto refuse = [](const std::string& what) { return fail(Failure::BadInput, what); };
    if (m.vessels.empty()) return refuse("a rig needs a vessel");
    if (!(seconds > 0.0 && every > 0.0 && std::isfinite(seconds)))
        return refuse("a run and its samples need a time");
    if (!(m.roomPascal > 0.0 && m.roomKelvin > 0.0))
        return refuse("the room needs a pressure and a temperature");
    for (const Vessel& v : m.vessels) {
        if (!(v.volume > 0.0)) return refuse(fmt::format("{}: a volume above zero is needed", v.name));
        if (!(v.condensed >= 0.0 && v.airPascal >= 0.0 && v.surface >= 0.0 && v.dryWall >= 0.0 &&
              v.wallHeatCapacity >= 0.0 && v.wallToContents >= 0.0))
            return refuse(fmt::format("{}: amounts, areas and conductances are not negative", v.name));
        if (!(v.condensed + v.airPascal > 0.0))
            return refuse(fmt::format("{}: there is nothing in it", v.name));
        if (!(v.nucleation >= 0.0))
            return refuse(fmt::format("{}: bubbles form above boiling, not below", v.name));
        if (!(v.sticking > 0.0 && v.sticking <= 1.0))
            return refuse(fmt::format("{}: the share of molecules that stick lies from 0 to 1", v.name));
    }
    const auto known = [&](int vessel) {
        return vessel >= 0 && static_cast<std::size_t>(vessel) < m.vessels.size();
    };
    for (const Link& l : m.links) {
        if (!(known(l.from) || l.from == kRoom) || !(known(l.to) || l.to == kRoom) || l.from == l.to)
            return refuse("a link joins two vessels, or a vessel and the room");
        if (!(l.tube.diameter > 0.0 && l.tube.length >= 0.0))
            return refuse("a tube has a diameter and a length");
    }
    for (const PumpAt& p : m.pumps)
        if (!known(p.vessel) || !(p.pump.speed >= 0.0 && p.pump.ultimatePa >= 0.0))
            return refuse("a pump stands at a vessel, with a speed and an ultimate pressure");
    for (const Contact& c : m.contacts)
        if (!known(c.vessel) || !(c.conductance >= 0.0 && c.kelvin > 0.0))
            return refuse("a contact touches a vessel, with a conductance and a temperature");
    for (const Heater& h : m.heaters)
        if (!known(h.vessel) || !std::isfinite(h.watt))
            return refuse("a heater stands at a vessel, with a power");
    return {};
}

} // namespace

Result<RigRun> simulate(const RigModel& model, const RigFluid& fluid, double seconds, double every) {
    if (const auto fine = check(model, seconds, every); !fine) return tl::unexpected(fine.error());
    Problem problem{RigBalance(model, fluid), &model, &fluid, std::nullopt};
    const RigBalance& balance = problem.balance;
    const std::vector<double> first = balance.start();
    for (std::size_t i = 0; i < model.vessels.size(); ++i)
        if (const auto s = balance.state(first, i); !s) return fail(Failure::BadInput, s.error().message);

    SUNContext rawContext = nullptr;
    if (SUNContext_Create(nullptr, &rawContext) != 0) throw std::bad_alloc();
    const Held<SUNContext, freeContext> context(rawContext);
    const auto size = static_cast<sunindextype>(balance.size());
    const Held<N_Vector, N_VDestroy> y(N_VNew_Serial(size, rawContext)),
        least(N_VNew_Serial(size, rawContext));
    const Held<SUNMatrix, SUNMatDestroy> matrix(SUNDenseMatrix(size, size, rawContext));
    const Held<SUNLinearSolver, freeLinear> linear(SUNLinSol_Dense(y.get(), matrix.get(), rawContext));
    const std::unique_ptr<void, Freed<freeSolver>> solver(CVodeCreate(CV_BDF, rawContext));
    std::ranges::copy(first, N_VGetArrayPointer(y.get()));
    for (std::size_t i = 0; i < balance.size(); ++i) {
        const bool mass = i + 2 >= balance.size() ? i + 2 == balance.size() : i % RigBalance::kPerVessel < 3;
        N_VGetArrayPointer(least.get())[i] = mass ? kLeastMass : kLeastEnergy;
    }
    void* cvode = solver.get();
    const int roots = kRootsPerVessel * static_cast<int>(model.vessels.size());
    if (CVodeInit(cvode, ratesFor, 0.0, y.get()) != CV_SUCCESS ||
        CVodeSetUserData(cvode, &problem) != CV_SUCCESS ||
        CVodeSVtolerances(cvode, kRelative, least.get()) != CV_SUCCESS ||
        CVodeSetLinearSolver(cvode, linear.get(), matrix.get()) != CV_SUCCESS ||
        CVodeRootInit(cvode, roots, rootsFor) != CV_SUCCESS ||
        CVodeSetMaxNumSteps(cvode, kMostSteps) != CV_SUCCESS ||
        CVodeSetNoInactiveRootWarn(cvode) != CV_SUCCESS || CVodeSetErrFile(cvode, nullptr) != CV_SUCCESS)
        return fail(Failure::BadInput, "the rig cannot be set up to run");

    RigRun run;
    double massScale = balance.totalMass(first), energyScale = std::abs(balance.totalEnergy(first));
    const auto sample = [&](double at) {
        RigSample s{at, {}};
        for (std::size_t i = 0; i < model.vessels.size(); ++i) {
            const auto state = balance.state(valuesOf(y.get()), i);
            if (!state) {
                run.stopped = state.error();
                return;
            }
            s.vessels.push_back(*state);
            s.vessels.back().margin = marginOf(*state, fluid);
        }
        run.samples.push_back(std::move(s));
        const auto now = valuesOf(y.get());
        massScale = std::max({massScale, balance.totalMass(now), std::abs(now[now.size() - 2])});
        energyScale =
            std::max({energyScale, std::abs(balance.totalEnergy(now)), std::abs(now[now.size() - 1])});
    };
    sample(0.0);
    std::vector<int> found(static_cast<std::size_t>(roots));
    double time = 0.0;
    for (double next = std::min(every, seconds); !run.stopped;) {
        const int flag = CVode(cvode, next, y.get(), &time, CV_NORMAL);
        if (flag == CV_ROOT_RETURN) {
            CVodeGetRootInfo(cvode, found.data());
            for (int r = 0; r < roots; ++r) {
                const int direction = found[static_cast<std::size_t>(r)], vessel = r / kRootsPerVessel;
                const auto state = balance.state(valuesOf(y.get()), static_cast<std::size_t>(vessel));
                if (direction == 0 || !state) continue;
                if (const auto kind = meaning(r % kRootsPerVessel, direction, *state))
                    run.events.push_back({time, vessel, *kind});
            }
            continue;
        }
        if (flag < 0) {
            run.stopped = problem.failure.value_or(Failure{
                Failure::OutOfRange, fmt::format("the equations cannot be followed beyond {:.1f} s", time)});
            break;
        }
        sample(next);
        if (next >= seconds) break;
        next = std::min(next + every, seconds);
    }
    const auto last = valuesOf(y.get());
    run.massDrift = std::abs(balance.totalMass(last) - balance.totalMass(first) - last[last.size() - 2]) /
                    std::max(massScale, 1e-30);
    run.energyDrift =
        std::abs(balance.totalEnergy(last) - balance.totalEnergy(first) - last[last.size() - 1]) /
        std::max(energyScale, 1e-30);
    return run;
}

} // namespace uttrin
