#pragma once

#include "rehearsal/rigfile/RigFile.h"

#include <QRectF>

class QPainter;

namespace uttrin::app {

/// Where a vessel is drawn: what it stands in, the part that fills, its whole outline.
struct DrawnPlace {
    VesselShape shape;
    QRectF box, body, shell;
};

// Each draws one thing at a vessel and gives the point to which its word belongs.

/// A tube with a valve. @param index  how many stand there already.
QPointF drawValve(QPainter& p, const DrawnPlace& at, bool open, int index);
void drawTube(QPainter& p, const DrawnPlace& from, const DrawnPlace& to);
/// A tube that dips to the bottom of one vessel and opens at the bottom of the other, above it.
void drawStem(QPainter& p, const DrawnPlace& below, const DrawnPlace& above);
/// @param atRight  of its vessel; else at the left. @param phase  s of animation.
QPointF drawPump(QPainter& p, const DrawnPlace& at, bool running, bool atRight, double phase);
QPointF drawHeater(QPainter& p, const DrawnPlace& at, bool on);
/// On the dry glass above the liquid, or beside the liquid. @param left  share of the ice that has not
/// melted.
QPointF drawIce(QPainter& p, const DrawnPlace& at, bool onDryGlass, double left);
/// A bath, a hand or skin about the lower half, or on the dry glass. @param index  how many lie there
/// already.
QPointF drawAround(QPainter& p, const DrawnPlace& at, bool cold, bool onDryGlass, int index);
QPointF drawDraught(QPainter& p, const DrawnPlace& at, bool blows);
/// A dish of drying agent. @param grains  of a salt, heaped; else a liquid with its surface.
QPointF drawDish(QPainter& p, const DrawnPlace& at, bool grains);

} // namespace uttrin::app
