// Where the parts of a drawn rig stand, and what bubbles, streams and drips in them.
#include "RigDrawing.h"
#include "RigDrawingMeasures.h"
#include "RigParts.h"
#include "VesselOutline.h"
#include "app/controls/OnScreen.h"
#include "app/controls/Theme.h"

#include <QPainter>

#include <algorithm>
#include <cmath>
namespace uttrin::app {

bool RigDrawing::isStacked() const {
    return m_scene.vessels.size() == 2 && std::ranges::any_of(m_scene.parts, [](const ScenePart& part) {
               return part.fromBelow && part.vessel == 0;
           });
}

bool RigDrawing::holdsOthers(std::size_t vessel) const {
    return std::ranges::any_of(m_scene.vessels,
                               [&](const SceneVessel& v) { return v.within == static_cast<int>(vessel); });
}

/// Its place among those that stand beside it, in the same vessel or by themselves, and how many they are.
std::pair<std::size_t, std::size_t> RigDrawing::placeAmong(std::size_t vessel) const {
    std::size_t before = 0, all = 0;
    for (std::size_t i = 0; i < m_scene.vessels.size(); ++i)
        if (m_scene.vessels[i].within == m_scene.vessels[vessel].within) {
            before += i < vessel ? 1 : 0;
            ++all;
        }
    return {before, all};
}

/// Its part of the floor of the vessel around it: they stand side by side.
QRectF RigDrawing::slotOf(std::size_t vessel) const {
    const QRectF around = placeOf(static_cast<std::size_t>(m_scene.vessels[vessel].within)).shell;
    const auto [before, all] = placeAmong(vessel);
    const double wide = around.width() / static_cast<double>(all);
    return {around.left() + wide * static_cast<double>(before), around.top(), wide, around.height()};
}

/// As large as it is beside the vessel around it.
QRectF RigDrawing::innerBox(std::size_t vessel) const {
    const SceneVessel& v = m_scene.vessels[vessel];
    const QRectF around = placeOf(static_cast<std::size_t>(v.within)).shell;
    constexpr double kScale = 0.85; // of a cube's edge by the height of the jar
    const double side = kScale * v.size * around.height();
    const double left = std::clamp(slotOf(vessel).center().x() - side / 2, around.left() + 4,
                                   std::max(around.left() + 4, around.right() - 4 - side));
    return {left, around.bottom() - 8 - side, side, side};
}

QRectF RigDrawing::boxOf(std::size_t vessel) const {
    if (m_scene.vessels[vessel].within >= 0) return innerBox(vessel);
    if (isStacked()) {
        constexpr double kTop = 12, kBetween = 44, kBelow = 62;
        const double high = (height() - kTop - kBetween - kBelow) / 2;
        const double middle = kMargin + (width() - labelColumn() - 2.0 * kMargin) / 2;
        return {middle - high / 2, vessel == 0 ? kTop + high + kBetween : kTop, high, high};
    }
    const double room = width() - labelColumn() - 2.0 * kMargin;
    const auto [place, standing] = placeAmong(vessel);
    const double each = room / static_cast<double>(standing);
    const double top = 54, bottom = height() - (m_scene.vessels.size() > 1 ? 78 : 62);
    const double wide = std::min(each - 12, 1.1 * (bottom - top));
    const double left = kMargin + each * static_cast<double>(place) + (each - wide) / 2;
    return {left, top, wide, bottom - top};
}

void RigDrawing::drawContents(QPainter& p, const SceneVessel& v, const QPainterPath& inside,
                              double level) const {
    const Theme& t = theme();
    const QRectF box = inside.boundingRect();
    const double depth = box.bottom() - level;
    if (depth <= 0.5) return;
    p.save();
    p.setClipPath(inside, Qt::IntersectClip);
    p.fillRect(QRectF(box.left(), level, box.width(), depth), t.liquid);
    const double ice = depth * v.frozen;
    if (ice > 0.5) {
        p.fillRect(QRectF(box.left(), level, box.width(), ice), t.ice);
        p.setPen(QPen(t.muted, 1));
        constexpr int kApart = 16;
        for (int i = 0; i < static_cast<int>(box.width()) / kApart; ++i) {
            const double x = box.left() + 6 + kApart * i;
            p.drawLine(QPointF(x, level + 2), QPointF(x + 8, level + std::min(ice - 1, 12.0)));
        }
    }
    p.setPen(QPen(t.ink, 1.6));
    p.drawLine(QPointF(box.left(), level), QPointF(box.right(), level));
    const double top = level + ice;
    p.setPen(QPen(t.done, 1.2));
    p.setBrush(t.card);
    if (v.boiling) {
        const int count = 6 + static_cast<int>(60 * v.bubbling);
        const double reach = std::max(10.0, (box.bottom() - top) * v.boilingDepth);
        for (int i = 0; i < count; ++i) {
            const double up = std::fmod(scatter(i, 1) + m_phase * (0.3 + 0.9 * scatter(i, 2)), 1.0);
            const double y = top + reach * (1.0 - up);
            const double x =
                box.left() + box.width() * (0.06 + 0.88 * scatter(i, 3)) + 3.0 * std::sin(8.0 * up + i);
            const double r = (1.5 + 7.0 * v.bubbling * scatter(i, 4)) * (0.5 + 0.5 * up);
            p.drawEllipse(QPointF(x, y), r, r);
        }
    }
    const int streaming =
        static_cast<int>(std::ceil(16 * v.stream)); // one above the other, from the tube's end
    for (int i = 0; i < streaming; ++i) {
        const double up = std::fmod((i + scatter(i, 12)) / streaming + 0.7 * m_phase, 1.0);
        const double r = 2.5 + 3.0 * v.stream * (0.5 + 0.5 * scatter(i, 13));
        p.drawEllipse(QPointF(box.center().x() + 3.0 * std::sin(9.0 * up + i),
                              box.bottom() - (box.bottom() - top) * up),
                      r, r);
    }
    if (v.airBubbles)
        for (int i = 0; i < 26; ++i) {
            const bool left = i % 2 == 0;
            const double y = top + (box.bottom() - top) * scatter(i, 5);
            const double x = left ? box.left() + 4 + 5 * scatter(i, 6) : box.right() - 4 - 5 * scatter(i, 6);
            p.drawEllipse(QPointF(x, y), 2.2, 2.2);
        }
    p.restore();
}

} // namespace uttrin::app
