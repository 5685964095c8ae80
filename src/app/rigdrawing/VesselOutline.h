#pragma once

#include "rehearsal/rigfile/RigFile.h"

#include <QPainterPath>

namespace uttrin::app {

/// The inside of a vessel of this shape, standing in a box; its neck, if it has one, is part of it.
/// @param plunger  share of a syringe that is drawn out.
[[nodiscard]] QPainterPath vesselOutline(VesselShape shape, const QRectF& box, double plunger);

/// The part of an outline in which the level rises: without the neck.
[[nodiscard]] QRectF bodyOf(VesselShape shape, const QRectF& box, double plunger);

/// How high in its body a vessel stands full, y, when this share of its volume is filled.
[[nodiscard]] double levelIn(VesselShape shape, const QRectF& body, double fill);

} // namespace uttrin::app
