#include "SolverAlgebra.h"

#include <Eigen/Dense>

#include <cmath>
#include <new>

namespace uttrin::cvode {
namespace {

using Numbers = Eigen::Map<Eigen::ArrayXd>;
using Square = Eigen::Map<Eigen::MatrixXd>;
using Factors = Eigen::PartialPivLU<Eigen::MatrixXd>;

Numbers of(N_Vector v) { return {NV_DATA_S(v), NV_LENGTH_S(v)}; }
Square of(SUNMatrix m) { return {SM_DATA_D(m), SM_ROWS_D(m), SM_COLUMNS_D(m)}; }
Factors& of(SUNLinearSolver s) { return *static_cast<Factors*>(s->content); }

template <typename Handle>
Handle made(Handle handle) {
    if (handle == nullptr) throw std::bad_alloc();
    return handle;
}

void linearSum(realtype a, N_Vector x, realtype b, N_Vector y, N_Vector sum) {
    of(sum) = a * of(x) + b * of(y);
}

int linearCombination(int count, realtype* factors, N_Vector* terms, N_Vector sum) {
    of(sum) = factors[0] * of(terms[0]); // the first may be the sum itself, no other
    for (int i = 1; i < count; ++i)
        of(sum) += factors[i] * of(terms[i]);
    return 0;
}

int scaleAddMulti(int count, realtype* factors, N_Vector x, N_Vector* terms, N_Vector* sums) {
    for (int i = 0; i < count; ++i)
        of(sums[i]) = factors[i] * of(x) + of(terms[i]);
    return 0;
}

int scaleVectors(int count, realtype* factors, N_Vector* from, N_Vector* to) {
    for (int i = 0; i < count; ++i)
        of(to[i]) = factors[i] * of(from[i]);
    return 0;
}

SUNMatrix withEigen(SUNMatrix matrix) {
    auto& ops = *matrix->ops;
    ops.clone = [](SUNMatrix m) {
        SUNMatrix copy = SUNMatClone_Dense(m);
        return copy == nullptr ? copy : withEigen(copy);
    };
    ops.copy = [](SUNMatrix from, SUNMatrix to) {
        of(to) = of(from);
        return int{SUNMAT_SUCCESS};
    };
    ops.scaleaddi = [](realtype factor, SUNMatrix m) {
        of(m) *= factor;
        of(m).diagonal().array() += 1.0;
        return int{SUNMAT_SUCCESS};
    };
    return matrix;
}

} // namespace

Vector newVector(sunindextype size, SUNContext context) {
    Vector v(made(N_VNew_Serial(size, context)));
    auto& ops = *v->ops;
    ops.nvlinearsum = linearSum;
    ops.nvlinearcombination = linearCombination;
    ops.nvscaleaddmulti = scaleAddMulti;
    ops.nvscalevectorarray = scaleVectors;
    ops.nvconst = [](realtype value, N_Vector out) { of(out) = value; };
    ops.nvprod = [](N_Vector x, N_Vector y, N_Vector out) { of(out) = of(x) * of(y); };
    ops.nvdiv = [](N_Vector x, N_Vector y, N_Vector out) { of(out) = of(x) / of(y); };
    ops.nvscale = [](realtype a, N_Vector x, N_Vector out) { of(out) = a * of(x); };
    ops.nvabs = [](N_Vector x, N_Vector out) { of(out) = of(x).abs(); };
    ops.nvinv = [](N_Vector x, N_Vector out) { of(out) = of(x).inverse(); };
    ops.nvaddconst = [](N_Vector x, realtype b, N_Vector out) { of(out) = of(x) + b; };
    ops.nvmaxnorm = [](N_Vector x) { return realtype{of(x).abs().maxCoeff()}; };
    ops.nvmin = [](N_Vector x) { return realtype{of(x).minCoeff()}; };
    ops.nvwrmsnorm = [](N_Vector x, N_Vector weights) {
        return std::sqrt((of(x) * of(weights)).square().mean());
    };
    return v;
}

Matrix newMatrix(sunindextype size, SUNContext context) {
    return Matrix(withEigen(made(SUNDenseMatrix(size, size, context))));
}

LinearSolver newDirectSolver(SUNContext context) {
    LinearSolver solver(made(SUNLinSolNewEmpty(context)));
    solver->content = new Factors;
    auto& ops = *solver->ops;
    ops.gettype = [](SUNLinearSolver) { return SUNLINEARSOLVER_DIRECT; };
    ops.getid = [](SUNLinearSolver) { return SUNLINEARSOLVER_CUSTOM; };
    ops.setup = [](SUNLinearSolver s, SUNMatrix m) {
        of(s).compute(of(m));
        const bool singular = (of(s).matrixLU().diagonal().array() == 0.0).any();
        return singular ? int{SUNLS_LUFACT_FAIL} : int{SUNLS_SUCCESS};
    };
    ops.solve = [](SUNLinearSolver s, SUNMatrix, N_Vector x, N_Vector b, realtype) {
        of(x).matrix() = of(s).solve(of(b).matrix());
        return int{SUNLS_SUCCESS};
    };
    ops.free = [](SUNLinearSolver s) {
        delete &of(s);
        s->content = nullptr;
        SUNLinSolFreeEmpty(s);
        return int{SUNLS_SUCCESS};
    };
    return solver;
}

} // namespace uttrin::cvode
