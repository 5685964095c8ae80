#pragma once

#include "CvodeHandles.h"

/// Vectors, matrices and the direct solver for CVODE, of the serial and dense kinds that SUNDIALS knows, with
/// Eigen for the arithmetic. A rig has some ten unknowns, and SUNDIALS' own loops, which Debian builds
/// without optimisation, took half the time of a run.
namespace uttrin::cvode {

/// @returns `size` numbers, of no value yet; its clones are of the same kind.
[[nodiscard]] Vector newVector(sunindextype size, SUNContext context);
/// @returns a square matrix of zeros, by columns.
[[nodiscard]] Matrix newMatrix(sunindextype size, SUNContext context);
/// @returns a solver by LU with partial pivots; a singular matrix is an error that CVODE may recover from.
/// REQUIRES: a matrix of `newMatrix`, vectors of `newVector`.
[[nodiscard]] LinearSolver newDirectSolver(SUNContext context);

} // namespace uttrin::cvode
