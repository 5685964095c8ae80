#pragma once

#include "app/controls/Theme.h"

#include <cmath>

/// What the sources of RigDrawing share.
namespace uttrin::app {

inline constexpr int kMargin = 14;

/// What the names at the right take, px.
inline int labelColumn() { return scaled(theme().large ? 190 : 148); }

/// A number from 0 to 1 that belongs to an index: bubbles keep their places.
inline double scatter(int index, int salt) {
    const double s = std::sin(12.9898 * index + 78.233 * salt) * 43758.5453;
    return s - std::floor(s);
}

} // namespace uttrin::app
