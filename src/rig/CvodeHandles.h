#pragma once

#include <cvode/cvode.h>
#include <memory>
#include <nvector/nvector_serial.h>
#include <sunmatrix/sunmatrix_dense.h>
#include <type_traits>

/// Handles of SUNDIALS that go when they are no longer held.
namespace uttrin::cvode {

template <auto Free>
struct Freed {
    template <typename Handle>
    void operator()(Handle* handle) const {
        Free(handle);
    }
};
inline void freeContext(SUNContext context) { SUNContext_Free(&context); }
inline void freeSolver(void* solver) { CVodeFree(&solver); }
inline void freeLinear(SUNLinearSolver linear) { SUNLinSolFree(linear); }

template <typename Handle, auto Free>
using Held = std::unique_ptr<std::remove_pointer_t<Handle>, Freed<Free>>;

using Context = Held<SUNContext, freeContext>;
using Vector = Held<N_Vector, N_VDestroy>;
using Matrix = Held<SUNMatrix, SUNMatDestroy>;
using LinearSolver = Held<SUNLinearSolver, freeLinear>;
using Solver = std::unique_ptr<void, Freed<freeSolver>>;

} // namespace uttrin::cvode
