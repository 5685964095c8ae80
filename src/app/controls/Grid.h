#pragma once

#include <QMargins>

/// What pages, cards and controls lie on, px.
namespace uttrin::app::grid {

/// Distances: steps of 8, half a step between a label and its control.
inline constexpr int kMargin = 16, kStep = 8, kHalfStep = 4;
/// Around what stands on a page or a card.
inline constexpr QMargins kAround{kMargin, kStep, kMargin, kStep};
/// The two heights of fields, lists and buttons at a text size of 100 %: of all, and of those that a page is
/// about.
inline constexpr int kControl = 32, kAction = 48;
/// The height of a button that is a link.
inline constexpr int kLink = 24;

} // namespace uttrin::app::grid
