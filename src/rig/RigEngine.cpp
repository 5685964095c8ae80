#include "RigEngine.h"

#include <algorithm>
#include <cmath>
#include <stdexcept>
#include <utility>

namespace uttrin {
namespace {

constexpr double kLeastShare = 1e-7; // of all energy, where that is less: a rig that holds next to none
constexpr double kNewton = 0.02; // of the tolerance: what Newton leaves over would be missed in the balances
constexpr double kFrozen = 1e-4; // share that counts as none, or as all
constexpr double kTrace = 1e-4;  // kg of liquid; whether less of it boils nobody calls out
constexpr double kSettles = 0.1; // K below the superheat of bubbles at which boiling is over
constexpr double kDry = 1e-6;    // kg
constexpr double kOverRoom = 1.05; // times the room's pressure: a closed vessel that pushes outwards
constexpr double kIceLeft = 0.005; // share of the ice that counts as gone
constexpr int kMostLoose = 200, kMostSteps = 5'000, kMostTight = 50'000; // between two samples
constexpr double kApart = 1e-6;    // s; events closer than this cannot be told apart
constexpr int kMostTogether = 200; // of such events

/// What a root and its direction mean; nothing for those that no one would call out.
std::optional<RigEventKind> meaning(int root, int direction, const VesselState& s) {
    const bool wet = s.liquid + s.solid > kDry;
    switch (root) {
    case Boils:
        return direction > 0 ? RigEventKind::BoilingStarts : RigEventKind::BoilingStops;
    case HasIce:
        if (!wet) return std::nullopt;
        return direction > 0 ? RigEventKind::IceAppears : RigEventKind::Melted;
    case IsFrozen:
        return direction > 0 && wet ? std::optional(RigEventKind::FrozenThrough) : std::nullopt;
    case IsDry:
        return direction < 0 ? std::optional(RigEventKind::Dry) : std::nullopt;
    case IsOverRoom:
        return direction > 0 ? std::optional(RigEventKind::AboveRoom) : std::nullopt;
    default:
        return std::nullopt;
    }
}

} // namespace

Result<void> RigSimulator::Engine::setUp() {
    first = balance.start();
    gaveWay.assign(vessels(), 0);
    for (std::size_t i = 0; i < vessels(); ++i)
        if (const auto s = balance.state(0.0, first, i); !s)
            return fail(Failure::BadInput, s.error().message);
    massScale = balance.totalMass(first);
    energyScale = std::abs(balance.totalEnergy(first));
    if (SUNContext_Create(nullptr, &rawContext) != 0) throw std::bad_alloc();
    context.reset(rawContext);
    const auto size = static_cast<sunindextype>(balance.size());
    y = cvode::newVector(size, rawContext);
    least = cvode::newVector(size, rawContext);
    matrix = cvode::newMatrix(size, rawContext);
    linear = cvode::newDirectSolver(rawContext);
    solver.reset(CVodeCreate(CV_BDF, rawContext));
    std::ranges::copy(first, N_VGetArrayPointer(y.get()));
    double held = 0.0;
    for (std::size_t i = 0; i < balance.size(); ++i)
        if (balance.isEnergy(i)) held += std::abs(first[i]);
    leastEnergy = std::clamp(kLeastShare * held, kLeastShare * kLeastEnergy, kLeastEnergy);
    const auto rates = [](realtype t, N_Vector now, N_Vector out, void* engine) {
        auto& e = *static_cast<Engine*>(engine);
        try { // nothing may be thrown through the solver, which is C
            const auto done = e.balance.rates(t, valuesOf(now), {N_VGetArrayPointer(out), e.balance.size()});
            if (done) return 0;
            e.failure = done.error();
        } catch (const std::domain_error&) {
            e.failure = Failure{Failure::OutOfRange,
                                Text::tr("a state came to lie outside the tables of the substance")};
        } catch (...) {
            e.thrown = std::current_exception();
            return -1; // it gives up; see advance()
        }
        return 1; // CVODE tries a shorter step
    };
    const auto found = [](realtype t, N_Vector now, realtype* out, void* engine) {
        auto& e = *static_cast<Engine*>(engine);
        try {
            e.findBands(t, valuesOf(now), {out, static_cast<std::size_t>(e.roots())});
        } catch (const std::domain_error&) {
            return 1;
        } catch (...) {
            e.thrown = std::current_exception();
            return -1;
        }
        return 0;
    };
    settle();
    void* s = solver.get();
    if (CVodeInit(s, rates, 0.0, y.get()) != CV_SUCCESS || CVodeSetUserData(s, this) != CV_SUCCESS ||
        CVodeSetLinearSolver(s, linear.get(), matrix.get()) != CV_SUCCESS ||
        CVodeRootInit(s, roots(), found) != CV_SUCCESS || CVodeSetNoInactiveRootWarn(s) != CV_SUCCESS ||
        CVodeSetNonlinConvCoef(s, kNewton) != CV_SUCCESS || CVodeSetErrFile(s, nullptr) != CV_SUCCESS)
        return fail(Failure::BadInput, Text::tr("the rig cannot be set up to run"));
    within(kRelative);
    await();
    makeDueMoves();
    return {};
}

/// Goes on with other tolerances; with fine ones it looks at the slopes anew at each step.
void RigSimulator::Engine::within(double relative) {
    constexpr double kUnweighed = 10.0; // times less care for traces in a coarse run: 0.2 Pa of air in 1 l
    const double part = relative / kRelative, ofMass = relative > kRelative ? kUnweighed * part : part;
    for (std::size_t i = 0; i < balance.size(); ++i)
        N_VGetArrayPointer(least.get())[i] = balance.isEnergy(i) ? part * leastEnergy : ofMass * kLeastMass;
    tolerance = relative;
    CVodeSVtolerances(solver.get(), relative, least.get());
    CVodeSetMaxNumSteps(solver.get(), relative > kRelative ? kMostLoose
                                      : relative > kTight  ? kMostSteps
                                                           : kMostTight);
    constexpr int kFew = 3, kUsual = 5; // coarse steps gain nothing by high orders
    CVodeSetMaxOrd(solver.get(), relative > kRelative ? kFew : kUsual);
    if (relative <= kTight) CVodeSetLSetupFrequency(solver.get(), 1);
}

/// Something changed that the solver does not know of.
void RigSimulator::Engine::restart() {
    settle();
    CVodeReInit(solver.get(), time, y.get());
}

/// Above zero once a condition of the contents holds; nothing for those of time and events.
std::optional<double> RigSimulator::Engine::conditionOf(const RigTrigger& t, const VesselState& s) {
    switch (t.kind) {
    case RigTrigger::WarmerThan:
        return s.kelvin - t.value;
    case RigTrigger::CoolerThan:
        return t.value - s.kelvin;
    case RigTrigger::PressureOver:
        return s.pascal - t.value;
    case RigTrigger::PressureUnder:
        return t.value - s.pascal;
    default:
        return std::nullopt;
    }
}

void RigSimulator::Engine::findRoots(double at, std::span<const double> unknowns,
                                     std::span<double> out) const {
    std::ranges::fill(out, -1.0);
    const std::size_t ofContacts = kVesselRoots * vessels();
    for (std::size_t i = 0; i < vessels(); ++i) {
        const auto s = balance.state(at, unknowns, i);
        if (!s) continue;
        const double condensed = s->liquid + s->solid;
        double* own = &out[kVesselRoots * i];
        const bool bubbling = balance.flags()[i].bubbling;
        if (s->pascal > 0.0) // and there is enough of it to see
            own[Boils] = std::min(s->kelvin - balance.boilingKelvin(*s, s->pascal) -
                                      balance.bubbleThreshold(i) + (bubbling ? kSettles : 0.0),
                                  s->liquid / (bubbling ? 0.5 * kTrace : kTrace) - 1.0);
        own[HasIce] = s->solid - kFrozen * condensed - 0.1 * kDry;
        own[IsFrozen] = s->solid - (1.0 - kFrozen) * condensed - 0.1 * kDry;
        own[IsDry] = condensed - kDry;
        own[IsOverRoom] = s->pascal / model.roomPascalAt(at) - kOverRoom;
        if (const auto& limits = model.vessels[i].givesWay; gaveWay[i] < limits.size())
            own[GivesWayNext] = (s->pascal - model.roomPascalAt(at)) / limits[gaveWay[i]].overRoom - 1.0;
        if (!balance.flags()[i].seeded) // a seeded one stays at the triple point, and a root on zero is none
            own[Freezes] = balance.freezingKelvin(*s) - model.vessels[i].supercooling - s->kelvin;
        const int vessel = static_cast<int>(i);
        for (std::size_t c = 0; c < model.contacts.size(); ++c)
            if (const Contact& ice = model.contacts[c]; ice.vessel == vessel && ice.iceKg > 0.0 && ice.on)
                out[ofContacts + c] = kIceLeft - balance.iceLeft(unknowns, c) / ice.iceKg;
        if (next < moves.size() && due == kForever && moves[next].when.vessel == vessel)
            if (const auto met = conditionOf(moves[next].when, *s)) out[out.size() - 1] = *met;
    }
}

/// The roots with a narrow band about zero, which is crossed whole: a value that changes slowly stays on zero
/// for longer than the solver bears.
void RigSimulator::Engine::findBands(double at, std::span<const double> unknowns,
                                     std::span<double> out) const {
    findRoots(at, unknowns, out);
    constexpr double kBand = 1e-9;
    for (std::size_t r = 0; r < out.size(); ++r)
        out[r] += above[r] ? kBand : -kBand;
}

/// Takes note of the side of zero on which each root lies now.
void RigSimulator::Engine::settle() {
    std::vector<double> now(static_cast<std::size_t>(roots()));
    findRoots(time, values(), now);
    above.resize(now.size());
    for (std::size_t r = 0; r < now.size(); ++r)
        above[r] = now[r] > 0.0 ? 1 : 0;
}

void RigSimulator::Engine::called(RigEvent event) {
    events.push_back(event);
    await();
}

/// The next move is due then, or as soon after as it may be made.
void RigSimulator::Engine::dueAt(double at) { due = std::max(at, movedAt + moves[next].when.earliest); }

/// Works out when the next move is due, as far as that is known by now.
void RigSimulator::Engine::await() {
    if (next >= moves.size() || due < kForever) return;
    const RigTrigger& t = moves[next].when;
    if (t.kind == RigTrigger::AtTime)
        dueAt(std::max(time, t.value));
    else if (t.kind == RigTrigger::After)
        dueAt(movedAt + t.value);
    else if (t.kind == RigTrigger::OnEvent) {
        for (std::size_t e = eventsBefore; e < events.size(); ++e)
            if (events[e].kind == t.event && events[e].vessel == t.vessel) {
                return dueAt(events[e].seconds + t.delay);
            }
    } else if (const auto s = balance.state(time, values(), static_cast<std::size_t>(t.vessel)))
        if (const auto met = conditionOf(t, *s); met && *met >= 0.0) dueAt(time + t.delay);
}

/// A hand reaches in: fresh ice has taken no heat yet. `restart` must follow.
void RigSimulator::Engine::reachIn(const RigAction& action) {
    carryOut(action, time, model);
    if (action.what == RigAction::Volume) { // a plunger stands where it has gone
        const auto vessel = static_cast<std::size_t>(action.part);
        if (balance.hasPlunger(vessel))
            model.vessels[vessel].stroke->from = balance.volumeOf(time, values(), vessel);
    }
    if (action.what == RigAction::Ice)
        N_VGetArrayPointer(y.get())[balance.iceUnknown(static_cast<std::size_t>(action.part))] = 0.0;
}

void RigSimulator::Engine::makeDueMoves() {
    bool moved = false;
    while (next < moves.size() && due <= time) {
        const RigMove& move = moves[next];
        for (const RigAction& a : move.actions)
            reachIn(a);
        moved = true;
        movedAt = time;
        eventsBefore = events.size();
        due = kForever;
        events.push_back({time, 0, RigEventKind::Moved, static_cast<int>(next++)});
        await();
    }
    if (moved) restart();
}

/// The next move or end of a ramp, where rates jump or bend: the solver must not step over it.
double RigSimulator::Engine::nextBreak() const {
    double at = due;
    const auto consider = [&](const std::optional<Ramp>& ramp) {
        if (ramp && ramp->end > time) at = std::min(at, ramp->end);
    };
    consider(model.climb);
    for (const Vessel& v : model.vessels) {
        consider(v.stroke);
        consider(v.feed);
    }
    return std::max(at, time);
}

/// Has the solver stop there. It may have looked further ahead already; then it must look again.
void RigSimulator::Engine::stopAt(double at) {
    double ahead = time;
    CVodeGetCurrentTime(solver.get(), &ahead);
    if (at < ahead) restart();
    CVodeSetStopTime(solver.get(), at);
}

void RigSimulator::Engine::handle(const std::vector<int>& found) {
    bool changed = false;
    for (int r = 0; r < roots(); ++r) {
        const int direction = found[static_cast<std::size_t>(r)];
        if (direction == 0) continue;
        const auto root = static_cast<std::size_t>(r);
        above[root] = direction > 0 ? 1 : 0;
        if (root + 1 == found.size()) {
            if (direction > 0 && due == kForever) dueAt(time + moves[next].when.delay);
            continue;
        }
        if (root >= kVesselRoots * vessels()) {
            const auto c = root - kVesselRoots * vessels();
            if (direction < 0) continue;
            model.contacts[c].on = false;
            changed = true;
            called({time, model.contacts[c].vessel, RigEventKind::IceGone, static_cast<int>(c)});
            continue;
        }
        const std::size_t vessel = root / kVesselRoots;
        const int what = r % kVesselRoots;
        const auto state = balance.state(time, values(), vessel);
        if (!state) continue;
        if (what == GivesWayNext && direction > 0) {
            const GivesWay& limit = model.vessels[vessel].givesWay[gaveWay[vessel]];
            called(
                {time, static_cast<int>(vessel), RigEventKind::GaveWay, static_cast<int>(gaveWay[vessel]++)});
            if (gaveWay[vessel] == model.vessels[vessel].givesWay.size())
                over =
                    Failure{Failure::OutOfRange, Text::tr("at {:.0f} kPa over the room {}",
                                                          limit.overRoom / 1000.0, Text::data(limit.says))};
            changed = true;
            continue;
        }
        VesselFlags& flags = balance.flags()[vessel];
        if (what == Freezes && direction > 0 && !flags.seeded) {
            flags.seeded = changed = true;
            called({time, static_cast<int>(vessel), RigEventKind::IceAppears});
        }
        if (what == Boils && flags.bubbling != (direction > 0)) {
            const double before = balance.bubbleThreshold(vessel);
            flags.bubbling = direction > 0;
            changed = changed || balance.bubbleThreshold(vessel) != before;
        }
        if (const auto kind = meaning(what, direction, *state))
            called({time, static_cast<int>(vessel), *kind});
    }
    if (changed) restart();
}

void RigSimulator::Engine::weigh() {
    const auto now = values();
    massScale = std::max({massScale, balance.totalMass(now), std::abs(now[now.size() - 2])});
    energyScale = std::max({energyScale, std::abs(balance.totalEnergy(now)), std::abs(now[now.size() - 1])});
}

Result<void> RigSimulator::Engine::advance(double until) {
    std::vector<int> found(static_cast<std::size_t>(roots()));
    double lastEvent = -kForever;
    int together = 0;
    while (time < until) {
        if (over) return tl::unexpected(*over);
        const double at = nextBreak();
        if (at > time) {
            stopAt(at);
            failure.reset();
            const int flag = CVode(solver.get(), std::min(at, until), y.get(), &time, CV_NORMAL);
            if (thrown) std::rethrow_exception(std::exchange(thrown, nullptr)); // here it is C++ again
            if (flag < 0 &&
                tolerance > kTight) { // where streams turn to and fro a finer measure gets on better
                within(tolerance > kRelative ? kRelative : kTight);
                restart();
                continue;
            }
            if (flag < 0)
                return tl::unexpected(failure.value_or(
                    Failure{Failure::OutOfRange,
                            Text::tr("the equations cannot be followed beyond {:.1f} s", time)}));
            if (flag == CV_ROOT_RETURN) {
                together = time - lastEvent < kApart ? together + 1 : 0;
                lastEvent = time;
                if (together > kMostTogether)
                    return fail(Failure::OutOfRange,
                                Text::tr("at {:.1f} s events follow one another without end", time));
                CVodeGetRootInfo(solver.get(), found.data());
                handle(found);
            } else if (flag == CV_TSTOP_RETURN && due > time)
                restart(); // a ramp ended
        }
        makeDueMoves();
    }
    weigh();
    if (over) return tl::unexpected(*over);
    return {};
}

} // namespace uttrin
