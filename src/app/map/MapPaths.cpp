// Rehearsed paths on the map, and where their names stand.
#include "MapMarks.h"
#include "PhaseMap.h"
#include "PhasePlot.h"
#include "app/controls/OnScreen.h"
#include "app/controls/Theme.h"

#include <QPainterPath>

#include <algorithm>
#include <array>
#include <cmath>
#include <map>
#include <set>
#include <vector>

namespace uttrin::app {
namespace {

/// What a path's name takes.
QSizeF pathNameSize(const MapPath& path) {
    const int small = theme().small;
    constexpr double kSample = 34; // px, with the line before it
    return {QFontMetricsF(fontOf(small, QFont::DemiBold)).horizontalAdvance(onScreen(path.name)) + kSample,
            small + 7.0};
}

} // namespace

QRectF pathNamesBox(const PhaseMap& map) {
    const auto& paths = map.view().paths;
    QSizeF size(0, 0);
    for (const MapPath& path : paths)
        if (!path.points.empty()) {
            const QSizeF name = pathNameSize(path);
            size = {std::max(size.width(), name.width()), size.height() + name.height()};
        }
    if (size.isEmpty()) return {};
    const QRectF area = map.plotArea();
    constexpr double kEdge = 8;
    QRectF low({0, 0}, size), high({0, 0}, size);
    low.moveBottomRight(area.bottomRight() - QPointF(kEdge, kEdge));
    high.moveTopRight(area.topRight() + QPointF(-kEdge, kEdge));
    const auto crossed = [&](const QRectF& box) {
        constexpr std::ptrdiff_t kLive = 100; // counts as so many points of a path
        const auto& v = map.view();
        const bool live = v.liveKelvin && v.livePascal && *v.livePascal > 0.0 &&
                          box.contains(map.pixelOf(*v.liveKelvin, *v.livePascal));
        std::ptrdiff_t points = live ? kLive : 0;
        for (const MapPath& path : paths)
            points += std::ranges::count_if(path.points, [&](const auto& point) {
                return box.contains(map.pixelOf(point.first, point.second));
            });
        return points;
    };
    constexpr double kBesideRoom =
        0.55; // of the width: the room's pressure is named at the left of that corner
    const bool fits = high.width() < kBesideRoom * area.width();
    const std::ptrdiff_t below = crossed(low);
    return fits && below > 0 && below > 2 * crossed(high) ? high : low;
}

/// Rehearsed paths and their names; the one that is compared with is thinner and dashed.
void MapMarks::drawPaths(QCPPainter& p) const {
    const Theme& t = theme();
    const QRectF names = pathNamesBox(*m_map);
    double bottom = names.bottom();
    for (const MapPath& path : m_map->view().paths) {
        QPolygonF line;
        for (const auto& [kelvin, pascal] : path.points) {
            const QPointF at = m_map->pixelOf(kelvin, pascal);
            if (line.isEmpty() || std::hypot(at.x() - line.last().x(), at.y() - line.last().y()) > 1.0)
                line << at;
        }
        if (line.isEmpty()) continue;
        p.setBrush(Qt::NoBrush);
        p.setPen(QPen(path.second ? t.muted : t.done, path.second ? 2.0 : 3.0,
                      path.second ? Qt::DashLine : Qt::SolidLine, Qt::RoundCap, Qt::RoundJoin));
        p.drawPolyline(line);
        const QString name = onScreen(path.name);
        p.setFont(fontOf(t.small, QFont::DemiBold));
        const QSizeF size = pathNameSize(path);
        bottom -= size.height();
        const QRectF row({names.right() - size.width(), bottom}, size);
        const QPen pen = p.pen();
        QColor ground = t.card;
        ground.setAlpha(210);
        p.fillRect(row, ground);
        p.setPen(pen);
        p.drawLine(QPointF(row.left() + 4, row.center().y()), QPointF(row.left() + 24, row.center().y()));
        p.setPen(t.ink);
        p.drawText(row.adjusted(29, 0, 0, 0), Qt::AlignLeft | Qt::AlignVCenter, name);
    }
}

} // namespace uttrin::app
