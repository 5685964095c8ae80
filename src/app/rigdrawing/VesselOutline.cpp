#include "VesselOutline.h"

#include <algorithm>
#include <cmath>

namespace uttrin::app {
namespace {

/// A square of the greatest size at the bottom of a box, in its middle.
QRectF squareIn(const QRectF& box, double share) {
    const double side = std::min(box.width(), share * box.height());
    return {box.center().x() - side / 2, box.bottom() - side, side, side};
}

QPainterPath neckOver(const QRectF& body, const QRectF& box, double width) {
    QPainterPath neck;
    neck.addRect(QRectF(body.center().x() - width / 2, box.top(), width, body.center().y() - box.top()));
    return neck;
}

} // namespace

QRectF bodyOf(VesselShape shape, const QRectF& box, double plunger) {
    switch (shape) {
    case VesselShape::RoundFlask:
        return squareIn(box, 0.74);
    case VesselShape::Bulb:
        return squareIn(box, 0.6);
    case VesselShape::Bottle:
        return box.adjusted(box.width() * 0.18, box.height() * 0.3, -box.width() * 0.18, 0);
    case VesselShape::Jar:
        return box.adjusted(box.width() * 0.12, box.height() * 0.12, -box.width() * 0.12, 0);
    case VesselShape::BellJar: { // the beaker under the jar
        const double width = box.width() * 0.42, height = box.height() * 0.36;
        return {box.center().x() - width / 2, box.bottom() - height - 8, width, height};
    }
    case VesselShape::Dish: {
        const double width = box.width() * 0.46, height = box.height() * 0.1;
        return {box.center().x() - width / 2, box.center().y() - height / 2, width, height};
    }
    case VesselShape::Cup: {
        const double width = box.width() * 0.4, height = box.height() * 0.4;
        return {box.center().x() - width / 2, box.bottom() - height - 8, width, height};
    }
    case VesselShape::Syringe: {
        const double height = box.height() * 0.8 * std::clamp(plunger, 0.1, 1.0);
        return {box.center().x() - box.width() * 0.13, box.bottom() - height, box.width() * 0.26, height};
    }
    case VesselShape::Kettle:
        return box.adjusted(box.width() * 0.1, box.height() * 0.35, -box.width() * 0.1, 0);
    case VesselShape::Tube:
        return {box.center().x() - box.width() * 0.12, box.top() + box.height() * 0.1, box.width() * 0.24,
                box.height() * 0.9};
    case VesselShape::Pan:
        return box.adjusted(box.width() * 0.08, box.height() * 0.55, -box.width() * 0.08, 0);
    case VesselShape::Bath:
        return box.adjusted(box.width() * 0.1, box.height() * 0.4, -box.width() * 0.1, 0);
    case VesselShape::Balloon:
    case VesselShape::Sweet:
    case VesselShape::Foam:
        return box;
    case VesselShape::Film:
        return {box.left() + box.width() * 0.1, box.center().y() - 7, box.width() * 0.8, 14};
    }
    return box;
}

QPainterPath vesselOutline(VesselShape shape, const QRectF& box, double plunger) {
    const QRectF body = bodyOf(shape, box, plunger);
    QPainterPath path;
    switch (shape) {
    case VesselShape::RoundFlask:
        path.addEllipse(body);
        return path.united(neckOver(body, box, body.width() * 0.2)).simplified();
    case VesselShape::Bulb:
        path.addEllipse(body);
        return path;
    case VesselShape::Bottle:
        path.addRoundedRect(body, 16, 16);
        return path.united(neckOver(body, box, body.width() * 0.3)).simplified();
    case VesselShape::BellJar:
    case VesselShape::Dish:
    case VesselShape::Cup: { // what stands in the jar is drawn in it
        const QRectF jar = box.adjusted(box.width() * 0.06, box.height() * 0.06, -box.width() * 0.06, 0);
        path.moveTo(jar.bottomLeft());
        path.lineTo(jar.left(), jar.top() + jar.width() / 2);
        path.arcTo(QRectF(jar.left(), jar.top(), jar.width(), jar.width()), 180, -180);
        path.lineTo(jar.bottomRight());
        path.closeSubpath();
        return path;
    }
    case VesselShape::Balloon: { // with its knot
        path.addEllipse(body);
        QPainterPath knot(QPointF(body.center().x(), body.bottom() - 2));
        knot.lineTo(body.center().x() + 5, body.bottom() + 5);
        knot.lineTo(body.center().x() - 5, body.bottom() + 5);
        knot.closeSubpath();
        return path.united(knot).simplified();
    }
    case VesselShape::Sweet:
        path.addRoundedRect(body.adjusted(0, body.height() * 0.12, 0, 0), body.width() * 0.18,
                            body.height() * 0.18);
        return path;
    case VesselShape::Foam: { // a heap
        for (const double side : {-0.26, 0.0, 0.26}) {
            QPainterPath lump;
            const double width = body.width() * 0.48, high = body.height() * (side == 0.0 ? 1.0 : 0.68);
            lump.addRoundedRect(QRectF(body.center().x() + side * body.width() - width / 2,
                                       body.bottom() - high, width, high),
                                width * 0.5, high * 0.5);
            path = path.united(lump);
        }
        return path.simplified();
    }
    case VesselShape::Jar:
    case VesselShape::Tube:
        path.addRoundedRect(body, 12, 12);
        return path;
    case VesselShape::Kettle:
    case VesselShape::Pan:
    case VesselShape::Bath:
        path.addRoundedRect(body, 18, 18);
        return path;
    case VesselShape::Syringe:
    case VesselShape::Film:
        path.addRect(body);
        return path;
    }
    path.addRect(body);
    return path;
}

double levelIn(VesselShape shape, const QRectF& body, double fill) {
    double height = std::clamp(fill, 0.0, 1.0);
    const bool inner =
        shape == VesselShape::BellJar || shape == VesselShape::Dish || shape == VesselShape::Cup;
    if (inner) { // the share is of the jar; what stands in it is nearly full at the start
        constexpr double kScale = 30.0;
        height = std::clamp(kScale * fill, 0.0, 0.92);
    } else if (shape == VesselShape::RoundFlask || shape == VesselShape::Bulb) {
        double low = 0.0, high = 1.0; // of a sphere: v = h^2 (3 - 2 h)
        for (int i = 0; i < 30; ++i) {
            const double h = 0.5 * (low + high);
            (h * h * (3.0 - 2.0 * h) < fill ? low : high) = h;
        }
        height = low;
    } else if (shape == VesselShape::Film)
        height = std::clamp(fill * 2.0, 0.0, 1.0);
    return body.bottom() - height * body.height();
}

} // namespace uttrin::app
