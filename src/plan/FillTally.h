#pragma once

#include "Plan.h"

#include <optional>
#include <span>
#include <string>
#include <string_view>

namespace uttrin {

/// What was done to the liquid in a vessel between two points.
struct Filling {
    enum class What {
        Ice,   ///< put in, and melted
        Water, ///< poured in
        Anew   ///< poured out, and so much poured in
    } what = What::Water;
    double kilograms = 0.0;
    friend bool operator==(const Filling&, const Filling&) = default;
};

/// As it is noted with the time: "added 120 g of ice", "added 80 g of water", "filled anew with 300 g". To
/// the gram.
[[nodiscard]] std::string noteOf(const Filling& filling);
/// Reads such a note; nothing for any other.
[[nodiscard]] std::optional<Filling> fillingOf(std::string_view note);

/// What stands in a vessel now.
struct Charge {
    double kilograms = 0.0; ///< a litre of water is near enough a kilogram
    double depthCm = 0.0;   ///< over the place where bubbles form, in a vessel with straight walls
    int fillings = 0;       ///< that were noted
};
/// From the rig's liquid and what was noted since.
[[nodiscard]] Charge chargeAfter(const Rig& rig, std::span<const Filling> fillings);

/// Above this share of the vessel boiling liquid is thrown into the line.
inline constexpr double kFullShare = 0.6;

} // namespace uttrin
