// The vectors, matrices and the solver that CVODE is given, against SUNDIALS' own.
#include "rig/SolverAlgebra.h"

#include <gtest/gtest.h>
#include <rapidcheck/gtest.h>

#include <algorithm>
#include <cmath>
#include <vector>

namespace uttrin {
namespace {

using cvode::Vector;

class SolverAlgebra : public testing::Test {
protected:
    SolverAlgebra() {
        SUNContext raw = nullptr;
        SUNContext_Create(nullptr, &raw);
        m_context.reset(raw);
    }
    [[nodiscard]] SUNContext context() const { return m_context.get(); }
    [[nodiscard]] Vector own(const std::vector<double>& values) const {
        return filled(cvode::newVector(static_cast<sunindextype>(values.size()), context()), values);
    }
    [[nodiscard]] Vector plain(const std::vector<double>& values) const {
        return filled(Vector(N_VNew_Serial(static_cast<sunindextype>(values.size()), context())), values);
    }
    static std::vector<double> of(const Vector& v) {
        const double* data = N_VGetArrayPointer(v.get());
        return {data, data + N_VGetLength(v.get())};
    }

private:
    static Vector filled(Vector v, const std::vector<double>& values) {
        std::ranges::copy(values, N_VGetArrayPointer(v.get()));
        return v;
    }
    cvode::Context m_context;
};

std::vector<double> numbers(std::size_t count) {
    return *rc::gen::container<std::vector<double>>(
        count, rc::gen::map(rc::gen::inRange(-100'000, 100'000), [](int i) { return i / 1000.0; }));
}

void expectSame(const std::vector<double>& ours, const std::vector<double>& theirs) {
    RC_ASSERT(ours.size() == theirs.size());
    for (std::size_t i = 0; i < ours.size(); ++i)
        RC_ASSERT(std::abs(ours[i] - theirs[i]) <= 1e-12 * (1.0 + std::abs(theirs[i])));
}

RC_GTEST_FIXTURE_PROP(SolverAlgebra, VectorsCountAsTheSerialOnes, ()) {
    const auto size = static_cast<std::size_t>(*rc::gen::inRange(1, 25));
    const auto a = numbers(size), b = numbers(size);
    auto positive = numbers(size);
    for (double& p : positive)
        p = 1.0 + std::abs(p);
    const Vector x = own(a), y = own(b), z = own(positive), x0 = plain(a), y0 = plain(b),
                 z0 = plain(positive);
    const Vector out(N_VClone(x.get())), out0(N_VClone(x0.get()));
    const auto same = [&] { expectSame(of(out), of(out0)); };
    N_VLinearSum(2.5, x.get(), -1.0, y.get(), out.get());
    N_VLinearSum(2.5, x0.get(), -1.0, y0.get(), out0.get());
    same();
    N_VLinearSum(1.0, out.get(), 3.0, x.get(), out.get()); // into one of its own terms
    N_VLinearSum(1.0, out0.get(), 3.0, x0.get(), out0.get());
    same();
    N_VProd(x.get(), y.get(), out.get());
    N_VProd(x0.get(), y0.get(), out0.get());
    same();
    N_VDiv(x.get(), z.get(), out.get());
    N_VDiv(x0.get(), z0.get(), out0.get());
    same();
    N_VInv(z.get(), out.get());
    N_VInv(z0.get(), out0.get());
    same();
    N_VAbs(x.get(), out.get());
    N_VAbs(x0.get(), out0.get());
    same();
    N_VAddConst(x.get(), -7.0, out.get());
    N_VAddConst(x0.get(), -7.0, out0.get());
    same();
    N_VScale(-0.5, out.get(), out.get());
    N_VScale(-0.5, out0.get(), out0.get());
    same();
    expectSame({N_VWrmsNorm(x.get(), z.get()), N_VMaxNorm(x.get()), N_VMin(x.get())},
               {N_VWrmsNorm(x0.get(), z0.get()), N_VMaxNorm(x0.get()), N_VMin(x0.get())});
    N_VConst(4.0, out.get());
    RC_ASSERT(of(out) == std::vector<double>(size, 4.0));
}

RC_GTEST_FIXTURE_PROP(SolverAlgebra, SumsOfManyCountAsTheSerialOnes, ()) {
    const auto size = static_cast<std::size_t>(*rc::gen::inRange(1, 25));
    std::vector<Vector> ours, theirs;
    for (int i = 0; i < 3; ++i) {
        const auto values = numbers(size);
        ours.push_back(own(values));
        theirs.push_back(plain(values));
    }
    std::vector<double> factors = numbers(3);
    const auto handles = [](const std::vector<Vector>& of) {
        return std::vector<N_Vector>{of[0].get(), of[1].get(), of[2].get()};
    };
    auto x = handles(ours), x0 = handles(theirs);
    const auto same = [&] {
        for (std::size_t i = 0; i < ours.size(); ++i)
            expectSame(of(ours[i]), of(theirs[i]));
    };
    N_VLinearCombination(3, factors.data(), x.data(), x[0]); // into the first of its terms
    N_VLinearCombination(3, factors.data(), x0.data(), x0[0]);
    same();
    N_VScaleVectorArray(3, factors.data(), x.data(), x.data());
    N_VScaleVectorArray(3, factors.data(), x0.data(), x0.data());
    same();
    N_VScaleAddMulti(2, factors.data(), x[2], x.data(), x.data());
    N_VScaleAddMulti(2, factors.data(), x0[2], x0.data(), x0.data());
    same();
}

RC_GTEST_FIXTURE_PROP(SolverAlgebra, WhatItSolvesMeetsItsEquations, ()) {
    const auto size = static_cast<std::size_t>(*rc::gen::inRange(1, 25));
    const auto n = static_cast<sunindextype>(size);
    const auto matrix = cvode::newMatrix(n, context());
    const auto entries = numbers(size * size);
    std::ranges::copy(entries, SUNDenseMatrix_Data(matrix.get()));
    for (sunindextype i = 0; i < n; ++i) // of rank n, with its largest entries off the diagonal
        SUNDenseMatrix_Column(matrix.get(), i)[(i + 1) % n] += 1000.0 * static_cast<double>(n);
    const cvode::Matrix kept(SUNMatClone(matrix.get()));
    SUNMatCopy(matrix.get(), kept.get());
    const auto solver = cvode::newDirectSolver(context());
    const Vector b = own(numbers(size)), x = own(std::vector<double>(size)),
                 back = own(std::vector<double>(size));
    RC_ASSERT(SUNLinSolSetup(solver.get(), matrix.get()) == 0);
    RC_ASSERT(SUNLinSolSolve(solver.get(), matrix.get(), x.get(), b.get(), 0.0) == 0);
    SUNMatMatvec(kept.get(), x.get(), back.get());
    const auto wanted = of(b), got = of(back);
    for (std::size_t i = 0; i < size; ++i)
        RC_ASSERT(std::abs(got[i] - wanted[i]) < 1e-10);
}

TEST_F(SolverAlgebra, AMatrixIsScaledAndOneIsAddedToItsDiagonal) {
    const auto matrix = cvode::newMatrix(2, context());
    std::ranges::copy(std::vector{1.0, 2.0, 3.0, 4.0}, SUNDenseMatrix_Data(matrix.get()));
    const cvode::Matrix copy(SUNMatClone(matrix.get()));
    SUNMatCopy(matrix.get(), copy.get());
    SUNMatScaleAddI(-0.5, copy.get());
    const double* data = SUNDenseMatrix_Data(copy.get());
    EXPECT_EQ(std::vector<double>(data, data + 4), (std::vector{0.5, -1.0, -1.5, -1.0}));
    EXPECT_EQ(SUNDenseMatrix_Data(matrix.get())[0], 1.0);
}

TEST_F(SolverAlgebra, ASingularMatrixIsAnErrorThatTheSolverMayRecoverFrom) {
    const auto matrix = cvode::newMatrix(2, context());
    std::ranges::copy(std::vector{1.0, 2.0, 2.0, 4.0}, SUNDenseMatrix_Data(matrix.get()));
    EXPECT_GT(SUNLinSolSetup(cvode::newDirectSolver(context()).get(), matrix.get()), 0);
}

} // namespace
} // namespace uttrin
