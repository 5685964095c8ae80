#pragma once

#include "photo/PlaneView.h"

#include <cmath>

namespace uttrin::testing {

/// A pinhole camera before a plane: turned about the plane's two axes, and then rolled.
struct Camera {
    double tiltX = 0.0, tiltY = 0.0, roll = 0.0; ///< rad
    double away = 5.0;                           ///< in units of the plane
    double focal = 3000.0;                       ///< px
    double middleX = 1000.0, middleY = 800.0;    ///< px

    /// Where the picture shows a point of the plane; y of the picture points down, y of the plane up.
    [[nodiscard]] PhotoPoint see(PhotoPoint plane) const {
        const double y1 = plane.y * std::cos(tiltX), z1 = plane.y * std::sin(tiltX);
        const double x2 = plane.x * std::cos(tiltY) + z1 * std::sin(tiltY);
        const double z2 = -plane.x * std::sin(tiltY) + z1 * std::cos(tiltY);
        const double x = x2 * std::cos(roll) - y1 * std::sin(roll);
        const double y = x2 * std::sin(roll) + y1 * std::cos(roll);
        const double scale = focal / (away + z2);
        return {middleX + scale * x, middleY - scale * y};
    }
};

} // namespace uttrin::testing
