#include "MonotoneTable.h"

// Boost 1.74's pchip calls isnan unqualified, so math.h comes first.
// clang-format off
#include <math.h>
#include <boost/math/interpolators/pchip.hpp>
// clang-format on

#include <algorithm>

namespace uttrin {
namespace {

std::vector<double> column(std::span<const std::pair<double, double>> points, bool second) {
    std::vector<double> out;
    for (const auto& [x, y] : points)
        out.push_back(second ? y : x);
    return out;
}

} // namespace

struct MonotoneTable::Curve {
    boost::math::interpolators::pchip<std::vector<double>> value;
};

MonotoneTable::MonotoneTable(std::span<const std::pair<double, double>> points)
    : m_curve(std::make_shared<const Curve>(Curve{{column(points, false), column(points, true)}})),
      m_first(points.front().first), m_last(points.back().first) {}

MonotoneTable::MonotoneTable(std::initializer_list<std::pair<double, double>> points)
    : MonotoneTable(std::span(points.begin(), points.size())) {}

double MonotoneTable::operator()(double x) const { return m_curve->value(std::clamp(x, m_first, m_last)); }

double MonotoneTable::slope(double x) const { return m_curve->value.prime(std::clamp(x, m_first, m_last)); }

} // namespace uttrin
