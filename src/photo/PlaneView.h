#pragma once

#include <array>
#include <optional>

namespace uttrin {

/// A point of a picture, px from its upper left corner, or of the plane that it shows.
struct PhotoPoint {
    double x = 0.0, y = 0.0;
    friend bool operator==(const PhotoPoint&, const PhotoPoint&) = default;
};

/// How a camera sees a plane: the projective map that takes four points of the picture to their places in
/// the plane (R. Hartley, A. Zisserman, Multiple View Geometry, 2nd ed. 2004, section 4.1).
class PlaneView {
public:
    /// Empty where three of the points lie on one line, or two are the same.
    [[nodiscard]] static std::optional<PlaneView> through(const std::array<PhotoPoint, 4>& picture,
                                                          const std::array<PhotoPoint, 4>& plane);
    /// Where a point of the picture lies in the plane; empty on the plane's horizon and beyond it.
    [[nodiscard]] std::optional<PhotoPoint> toPlane(PhotoPoint picture) const;

private:
    std::array<double, 9> m_h{};   ///< rows of the map
    double m_sideOfTheMarks = 1.0; ///< sign of the third coordinate where the four points lie
};

} // namespace uttrin
