#pragma once

#include "quantities/Units.h"

class QComboBox;

namespace uttrin::app {

/// Fills a list with the units of a dimension. @param chosen  null: the first of them.
void offerUnits(QComboBox& box, Dimension dimension, const Unit* chosen);
/// The one that is chosen in it; null where it holds none of this dimension.
[[nodiscard]] const Unit* unitIn(const QComboBox& box, Dimension dimension);

} // namespace uttrin::app
