#pragma once

#include "quantities/Units.h"
#include "text/Text.h"

#include <string_view>

namespace uttrin {

/// What a quantity of a rig file counts from, so that a rig fits into any room: "2 K below boiling" is a
/// temperature 2 K below the one at which the liquid boils under the room's air.
enum class RigReference {
    None,         ///< "96 degC", "94 kPa"
    BelowBoiling, ///< K
    AboveBoiling,
    BelowRoom, ///< K, of the room's temperature
    AboveRoom,
    OverRoom, ///< Pa, of the room's pressure
    UnderRoom,
    OfRoom,      ///< a share of the room's pressure
    OfSaturation ///< a share of the saturation pressure at the vessel's temperature
};

/// A text "VALUE UNIT" and what it counts from.
struct ReferredText {
    std::string_view amount;
    RigReference reference = RigReference::None;
};
[[nodiscard]] ReferredText splitReference(std::string_view text);
/// " below boiling" as a file has it; nothing for None.
[[nodiscard]] std::string_view suffixOf(RigReference reference);
/// "below boiling", for people.
[[nodiscard]] Text phraseOf(RigReference reference);

/// What references count from.
struct ReferencePoints {
    double roomPascal = 0.0, roomKelvin = 0.0;
    double boilingKelvin = 0.0;    ///< of the liquid in question under the room's pressure
    double saturationPascal = 0.0; ///< over the contents of the vessel in question
};

/// A temperature in K, or a pressure in Pa, between bounds in SI; BadInput says what is accepted.
[[nodiscard]] Result<double> referredKelvin(std::string_view text, const ReferencePoints& points, double low,
                                            double high);
[[nodiscard]] Result<double> referredPascal(std::string_view text, const ReferencePoints& points, double low,
                                            double high);

} // namespace uttrin
