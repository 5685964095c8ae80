#pragma once

#include <initializer_list>
#include <memory>
#include <span>
#include <utility>
#include <vector>

namespace uttrin {

/// A printed table, interpolated smoothly without overshoot (Fritsch-Carlson cubic). Not to be asked outside
/// its ends.
class MonotoneTable {
public:
    /// @param points  at least four, x rising.
    explicit MonotoneTable(std::span<const std::pair<double, double>> points);
    MonotoneTable(std::initializer_list<std::pair<double, double>> points);
    [[nodiscard]] double operator()(double x) const;
    [[nodiscard]] double slope(double x) const;
    [[nodiscard]] double first() const { return m_first; }
    [[nodiscard]] double last() const { return m_last; }

private:
    struct Curve;
    std::shared_ptr<const Curve> m_curve;
    double m_first, m_last;
};

} // namespace uttrin
