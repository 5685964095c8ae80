#include "PlaneView.h"

#include <Eigen/Dense>

#include <algorithm>
#include <cmath>

namespace uttrin {
namespace {

using Matrix = Eigen::Matrix3d;

/// Moves and scales points to about the origin and unit size, so that px and scale values weigh alike.
Matrix normalising(const std::array<PhotoPoint, 4>& points) {
    double x = 0.0, y = 0.0, spread = 0.0;
    for (const PhotoPoint& p : points) {
        x += 0.25 * p.x;
        y += 0.25 * p.y;
    }
    for (const PhotoPoint& p : points)
        spread = std::max(spread, std::hypot(p.x - x, p.y - y));
    const double s = spread > 0.0 ? 1.0 / spread : 1.0;
    return (Matrix() << s, 0.0, -s * x, 0.0, s, -s * y, 0.0, 0.0, 1.0).finished();
}

Eigen::Vector3d moved(const Matrix& by, PhotoPoint p) { return by * Eigen::Vector3d(p.x, p.y, 1.0); }

/// Twice the area of the triangle of three points.
double turn(PhotoPoint a, PhotoPoint b, PhotoPoint c) {
    return (b.x - a.x) * (c.y - a.y) - (b.y - a.y) * (c.x - a.x);
}

/// Whether three of the points lie on one line, as seen from the size of the figure.
bool degenerate(const std::array<PhotoPoint, 4>& q) {
    constexpr double kThin = 1e-3; // of the square of the longest distance
    double longest = 0.0;
    for (const PhotoPoint& a : q)
        for (const PhotoPoint& b : q)
            longest = std::max(longest, std::hypot(a.x - b.x, a.y - b.y));
    const double least = kThin * longest * longest;
    for (std::size_t left = 0; left < 4; ++left) { // each triangle leaves one point out
        const PhotoPoint a = q[(left + 1) % 4], b = q[(left + 2) % 4], c = q[(left + 3) % 4];
        if (!(std::abs(turn(a, b, c)) > least)) return true;
    }
    return false;
}

} // namespace

std::optional<PlaneView> PlaneView::through(const std::array<PhotoPoint, 4>& picture,
                                            const std::array<PhotoPoint, 4>& plane) {
    if (degenerate(picture) || degenerate(plane)) return std::nullopt;
    const Matrix fromPicture = normalising(picture), fromPlane = normalising(plane);
    Eigen::Matrix<double, 8, 8> a = Eigen::Matrix<double, 8, 8>::Zero();
    Eigen::Matrix<double, 8, 1> b;
    for (int i = 0; i < 4; ++i) {
        const auto at = static_cast<std::size_t>(i);
        const Eigen::Vector3d p = moved(fromPicture, picture[at]), q = moved(fromPlane, plane[at]);
        a.row(2 * i) << p.x(), p.y(), 1.0, 0.0, 0.0, 0.0, -p.x() * q.x(), -p.y() * q.x();
        a.row(2 * i + 1) << 0.0, 0.0, 0.0, p.x(), p.y(), 1.0, -p.x() * q.y(), -p.y() * q.y();
        b(2 * i) = q.x();
        b(2 * i + 1) = q.y();
    }
    const Eigen::Matrix<double, 8, 1> h = a.fullPivLu().solve(b);
    constexpr double kSolved = 1e-9;                          // of coordinates about 1
    if (!((a * h - b).norm() < kSolved)) return std::nullopt; // crossed over: the horizon cuts the middle
    Matrix between;
    between << h(0), h(1), h(2), h(3), h(4), h(5), h(6), h(7), 1.0;
    const Matrix whole = fromPlane.inverse() * between * fromPicture;
    PlaneView view;
    for (int r = 0; r < 3; ++r)
        for (int c = 0; c < 3; ++c)
            view.m_h[static_cast<std::size_t>(3 * r + c)] = whole(r, c);
    // A camera sees all four on one side of the horizon.
    const double side = moved(whole, picture[0]).z();
    for (const PhotoPoint& p : picture)
        if (!(moved(whole, p).z() * side > 0.0)) return std::nullopt;
    view.m_sideOfTheMarks = side > 0.0 ? 1.0 : -1.0;
    return view;
}

std::optional<PhotoPoint> PlaneView::toPlane(PhotoPoint p) const {
    const double w = m_h[6] * p.x + m_h[7] * p.y + m_h[8];
    if (!(w * m_sideOfTheMarks > 0.0)) return std::nullopt;
    return PhotoPoint{(m_h[0] * p.x + m_h[1] * p.y + m_h[2]) / w, (m_h[3] * p.x + m_h[4] * p.y + m_h[5]) / w};
}

} // namespace uttrin
