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

constexpr int kShapes = 5;

/// Where what is in the vessel boils: the solution, or the pure substance.
Result<Temperature> boilingAt(const MapView& v, Pressure p) {
    return v.solution ? v.solution->boilingPoint(p) : v.substance->boilingPoint(p);
}

/// A group's shape: colour is never the only sign.
void shape(QPainter& p, int group, QPointF at, double r) {
    QPolygonF corners;
    switch (group % kShapes) {
    case 0:
        corners << QPointF(0, -r) << QPointF(r, 0) << QPointF(0, r) << QPointF(-r, 0);
        break;
    case 1:
        corners << QPointF(0, -r) << QPointF(0.95 * r, 0.75 * r) << QPointF(-0.95 * r, 0.75 * r);
        break;
    case 2:
        corners << QPointF(-0.8 * r, -0.8 * r) << QPointF(0.8 * r, -0.8 * r) << QPointF(0.8 * r, 0.8 * r)
                << QPointF(-0.8 * r, 0.8 * r);
        break;
    case 3:
        corners << QPointF(0, r) << QPointF(0.95 * r, -0.75 * r) << QPointF(-0.95 * r, -0.75 * r);
        break;
    default:
        corners << QPointF(0, -r) << QPointF(0.95 * r, -0.3 * r) << QPointF(0.6 * r, 0.85 * r)
                << QPointF(-0.6 * r, 0.85 * r) << QPointF(-0.95 * r, -0.3 * r);
        break;
    }
    p.drawPolygon(corners.translated(at));
}

/// Colours that stay apart for colour-blind eyes, none of them the hot one.
QColor groupColour(int group) {
    static const std::array<QColor, kShapes> colours{QColor(0x5B, 0x4B, 0x9E), QColor(0x2F, 0x6B, 0xB0),
                                                     QColor(0x8A, 0x5A, 0x83), QColor(0x4D, 0x72, 0x2A),
                                                     QColor(0x6B, 0x5B, 0x4A)};
    const QColor c = colours[static_cast<std::size_t>(group % kShapes)];
    return theme().dark ? c.lighter(190) : c;
}

} // namespace

MapMarks::MapMarks(PhaseMap* map) : QCPLayerable(map->m_plot, kLayer), m_map(map) {}
void MapMarks::applyDefaultAntialiasingHint(QCPPainter* p) const { p->setAntialiasing(true); }
QRect MapMarks::clipRect() const { return m_map->m_plot->axisRect()->rect(); }

void MapMarks::draw(QCPPainter* p) {
    if (clipRect().isEmpty()) return; // before the first layout
    drawLines(*p);
    drawPaths(*p);
    drawTargets(*p);
    drawPoints(*p);
    drawLegend(*p);
    drawLive(*p);
    drawCursor(*p);
}

void MapMarks::drawLines(QCPPainter& p) const {
    const Theme& t = theme();
    const QRect area = clipRect();
    const MapView& v = m_map->view();
    const auto level = [&](double pascal, const QString& text, Qt::PenStyle style) {
        const double y = m_map->m_plot->yAxis->coordToPixel(m_map->yOf(pascal));
        if (y < area.top() - 1 || y > area.bottom() + 1) return;
        p.setPen(QPen(t.ink, 1.4, style));
        p.drawLine(QPointF(area.left(), y), QPointF(area.right(), y));
        p.setFont(fontOf(t.small, QFont::DemiBold));
        const bool above = y - area.top() > t.small + 10; // under the line where there is no room over it
        const bool mirrored =
            m_map->axes() == PhaseMap::Axes::ClausiusClapeyron; // the quiet side is the liquid's
        p.drawText(QRectF(area.left() + 8, above ? y - t.small - 9 : y + 3, area.width() - 16, t.small + 6),
                   (mirrored ? Qt::AlignRight : Qt::AlignLeft) | (above ? Qt::AlignBottom : Qt::AlignTop),
                   text);
    };
    if (v.roomPascal)
        level(*v.roomPascal, PhaseMap::tr("room %1 kPa").arg(onScreen(*v.roomPascal * 1e-3, 2)),
              Qt::DashLine);
    if (v.pumpFloorPascal)
        level(*v.pumpFloorPascal,
              PhaseMap::tr("pump floor %1 kPa").arg(onScreen(*v.pumpFloorPascal * 1e-3, 1)), Qt::DotLine);
    if (v.icePascal)
        level(*v.icePascal,
              PhaseMap::tr("vapour over this ice: %1 kPa at most").arg(onScreen(*v.icePascal * 1e-3, 3)),
              Qt::DashDotLine);
    if (v.fitSlope) {
        QPolygonF line;
        for (int px = area.left(); px <= area.right(); px += 4) {
            const double kelvin = m_map->kelvinAt(m_map->m_plot->xAxis->pixelToCoord(px));
            const double y = m_map->m_plot->yAxis->coordToPixel(
                m_map->yOf(std::exp(*v.fitIntercept + *v.fitSlope / kelvin)));
            if (y > area.top() - 40 && y < area.bottom() + 40) line << QPointF(px, y);
        }
        p.setPen(QPen(t.done, 2, Qt::DashLine));
        p.drawPolyline(line);
    }
}

void MapMarks::drawTargets(QCPPainter& p) const {
    const Theme& t = theme();
    for (const MapTarget& target : m_map->view().targets) {
        const bool dragged = m_map->m_dragged == target.place;
        double kelvin = target.kelvin, pascal = target.pascal;
        if (dragged) {
            pascal = m_map->m_draggedPascal;
            if (const auto boils = boilingAt(m_map->view(), Pressure::fromPascal(pascal)))
                kelvin = boils->kelvin();
        }
        const QPointF at = m_map->pixelOf(kelvin, pascal);
        const bool selected = m_map->hasFocus() && m_map->selectedTarget() == target.place;
        p.setBrush(dragged ? t.done : QBrush(Qt::NoBrush));
        p.setPen(QPen(target.possible ? t.ink : t.muted, target.current || dragged ? 2.6 : 1.5,
                      target.possible ? Qt::SolidLine : Qt::DotLine));
        if (target.taken) p.setPen(QPen(t.muted, 1.0));
        p.drawEllipse(at, target.current ? 9 : 7, target.current ? 9 : 7);
        if (target.trial) p.drawEllipse(at, 3, 3);
        if (selected) {
            p.setPen(QPen(t.done, 2));
            p.drawRect(QRectF(at.x() - 12, at.y() - 12, 24, 24));
        }
    }
}

namespace {

/// Which places of the map hold a mark already, to the half of a mark: thousands of points redraw as fast as
/// a few hundred.
class Occupied {
public:
    explicit Occupied(const QRect& area)
        : m_area(area), m_columns(area.width() / kCell + 2),
          m_taken(static_cast<std::size_t>(m_columns * (area.height() / kCell + 2)), false) {}

    /// Takes the place of a point. @return false if it lies outside or is taken.
    bool take(QPointF at, int kind) {
        if (kind != m_kind) { // marks of different kinds do not hide each other
            m_taken.assign(m_taken.size(), false);
            m_kind = kind;
        }
        const QPoint pixel = at.toPoint();
        if (!m_area.contains(pixel)) return false;
        auto cell = m_taken.begin() +
                    ((pixel.y() - m_area.top()) / kCell * m_columns + (pixel.x() - m_area.left()) / kCell);
        if (*cell) return false;
        *cell = true;
        return true;
    }

private:
    static constexpr int kCell = 3; // px
    QRect m_area;
    int m_columns;
    std::vector<bool> m_taken;
    int m_kind = -1;
};

void errorBars(QPainter& p, const PhaseMap& map, const MapPoint& point, QPointF at) {
    const double left = map.pixelOf(point.kelvin - point.kelvinU, point.pascal).x(),
                 right = map.pixelOf(point.kelvin + point.kelvinU, point.pascal).x();
    const double low = map.pixelOf(point.kelvin, std::max(1.0, point.pascal - point.pascalU)).y(),
                 high = map.pixelOf(point.kelvin, point.pascal + point.pascalU).y();
    const QLineF bars[] = {{left, at.y(), right, at.y()}, {at.x(), low, at.x(), high}};
    p.drawLines(bars, 2);
}

/// One mark of a kind.
void mark(QPainter& p, const MapPoint& point, QPointF at) {
    const Theme& t = theme();
    const QColor colour = point.currentRun ? t.done : groupColour(point.group);
    const bool hollow = point.struck || !point.inFit;
    p.setPen(QPen(hollow ? colour : t.card, hollow ? 1.6 : 0.8));
    p.setBrush(hollow ? QBrush(Qt::NoBrush) : QBrush(colour));
    shape(p, point.group, at, point.currentRun ? 7 : 5);
    if (point.struck) p.drawLine(at + QPointF(-8, 8), at + QPointF(8, -8));
}

/// What two marks must share to look alike.
int kindOf(const MapPoint& point) {
    return (point.group % kShapes) * 8 + (point.currentRun ? 4 : 0) + (point.struck ? 2 : 0) +
           (point.inFit ? 1 : 0);
}

} // namespace

void MapMarks::drawPoints(QCPPainter& p) const {
    constexpr int kStamp = 24; // px, side of a pre-drawn mark
    const bool vector = p.modes().testFlag(QCPPainter::pmVectorized);
    const double ratio = m_map->devicePixelRatioF();
    std::vector<const MapPoint*> points;
    for (const MapPoint& point : m_map->view().points)
        points.push_back(&point);
    std::stable_sort(points.begin(), points.end(),
                     [](auto* a, auto* b) { return kindOf(*a) < kindOf(*b); }); // the current run on top
    std::stable_partition(points.begin(), points.end(), [](auto* a) { return !a->currentRun; });
    Occupied occupied(clipRect());
    std::map<int, QPixmap> stamps;
    p.setPen(QPen(theme().ink, 1));
    for (const MapPoint* point : points) {
        const QPointF at = m_map->pixelOf(point->kelvin, point->pascal);
        const int kind = kindOf(*point);
        if (!occupied.take(at, kind)) continue;
        if (point->currentRun) {
            p.setPen(QPen(theme().ink, 1));
            errorBars(p, *m_map, *point, at);
        }
        if (vector) {
            mark(p, *point, at);
            continue;
        }
        QPixmap& stamp = stamps[kind];
        if (stamp.isNull()) {
            stamp = QPixmap(QSize(kStamp, kStamp) * ratio);
            stamp.setDevicePixelRatio(ratio);
            stamp.fill(Qt::transparent);
            QPainter drawing(&stamp);
            drawing.setRenderHint(QPainter::Antialiasing);
            mark(drawing, *point, QPointF(kStamp / 2.0, kStamp / 2.0));
        }
        p.drawPixmap(at - QPointF(kStamp / 2.0, kStamp / 2.0), stamp);
    }
}

void MapMarks::drawLegend(QCPPainter& p) const {
    const MapView& v = m_map->view();
    std::map<int, const MapPoint*> groups; // one example of each group
    for (const MapPoint& point : v.points) {
        const MapPoint*& example = groups[point.group];
        if (!example || (point.currentRun && !example->currentRun)) example = &point;
    }
    if (groups.size() < 2 || groups.size() > 8) return;
    const Theme& t = theme();
    const int line = t.small + 8;
    const QRect area = clipRect();
    const bool mirrored = m_map->axes() == PhaseMap::Axes::ClausiusClapeyron;
    int y = area.bottom() - 10 - line * static_cast<int>(groups.size());
    p.setFont(fontOf(t.small));
    for (const auto& [group, example] : groups) {
        const QPointF at(mirrored ? area.left() + 18.0 : area.right() - 110.0, y + line / 2.0);
        MapPoint sample = *example;
        sample.struck = false;
        sample.inFit = true;
        mark(p, sample, at);
        p.setPen(t.ink);
        const std::string name = static_cast<std::size_t>(group) < v.groupNames.size()
                                     ? v.groupNames[static_cast<std::size_t>(group)]
                                     : std::string();
        p.drawText(QRectF(at.x() + 14, y, 100, line), Qt::AlignLeft | Qt::AlignVCenter, asIs(name));
        y += line;
    }
}

void MapMarks::drawLive(QCPPainter& p) const {
    const Theme& t = theme();
    const MapView& v = m_map->view();
    if (!v.liveKelvin || !v.livePascal || *v.livePascal <= 0.0) return;
    const QPointF at = m_map->pixelOf(*v.liveKelvin, *v.livePascal);
    const auto boils = boilingAt(m_map->view(), Pressure::fromPascal(*v.livePascal));
    if (boils && v.liveBoils &&
        m_map->m_plot->xAxis->range().contains(
            m_map->xOf(boils->kelvin()))) { // the distance to boiling at this pressure
        const double away = *v.liveKelvin - boils->kelvin();
        // Red is for what boils; before that, the way that is left is only told.
        const QColor colour = away >= 0.0 && !v.liveQuiet ? t.hot : t.ink;
        p.setPen(QPen(colour, 4, Qt::SolidLine, Qt::FlatCap));
        p.drawLine(at, m_map->pixelOf(boils->kelvin(), *v.livePascal));
        p.setFont(fontOf(t.text + 1, QFont::Bold));
        const QString text = away < 0 ? PhaseMap::tr("%1 K to go").arg(onScreen(-away, 1))
                                      : PhaseMap::tr("%1 K above").arg(onScreen(away, 1));
        QRectF box(away < 0 ? at.x() - 150 : at.x() + 12, at.y() - 34, 138, 24);
        if (box.right() > clipRect().right()) box.moveLeft(at.x() - 150);
        const double wide = p.fontMetrics().horizontalAdvance(text) + 8.0;
        if (box.left() < at.x() && box.right() - wide < clipRect().left()) box.moveLeft(at.x() + 12);
        if (box.top() < clipRect().top()) box.moveTop(at.y() + 10);
        const bool left = box.left() < at.x();
        QColor ground = t.card;
        ground.setAlpha(190);
        p.fillRect(QRectF(left ? box.right() - wide : box.left() - 4, box.top() + 2, wide, 20), ground);
        p.drawText(box, (left ? Qt::AlignRight : Qt::AlignLeft) | Qt::AlignVCenter, text);
    }
    p.setPen(QPen(t.card, 2));
    p.setBrush(t.ink);
    p.drawEllipse(at, 9, 9);
}

void MapMarks::drawCursor(QCPPainter& p) const {
    if (!m_map->m_cursor) return;
    const Theme& t = theme();
    const QRect area = clipRect();
    const QPointF at = m_map->m_dragged
                           ? QPointF(m_map->m_cursor->x(),
                                     m_map->m_plot->yAxis->coordToPixel(m_map->yOf(m_map->m_draggedPascal)))
                           : *m_map->m_cursor;
    const double pascal = m_map->pascalAt(m_map->m_plot->yAxis->pixelToCoord(at.y()));
    double kelvin = m_map->kelvinAt(m_map->m_plot->xAxis->pixelToCoord(at.x()));
    QString text;
    const auto boils = boilingAt(m_map->view(), Pressure::fromPascal(pascal));
    if (m_map->m_dragged && boils) kelvin = boils->kelvin();
    text =
        PhaseMap::tr("%1 kPa, %2 °C").arg(onScreen(pascal * 1e-3, 2), onScreen(kelvin - kIcePointKelvin, 1));
    if (boils && !m_map->m_dragged)
        text += PhaseMap::tr("\nboils here at %1 °C").arg(onScreen(boils->celsius(), 1));
    const MapView& v = m_map->view();
    if (v.roomPascal && countsFromRoom(v.gauge.convention)) {
        const auto reading =
            toReadableReading(v.gauge, Pressure::fromPascal(pascal), Pressure::fromPascal(*v.roomPascal));
        text += PhaseMap::tr("\ngauge shows %1 %2")
                    .arg(onScreen(uttrin::text(v.gauge, reading)), asIs(unitText(v.gauge)));
    }
    p.setPen(QPen(t.muted, 1, Qt::DotLine));
    p.drawLine(QPointF(at.x(), at.y()), QPointF(area.right(), at.y()));
    p.drawLine(QPointF(at.x(), at.y()), QPointF(at.x(), area.bottom()));
    p.setFont(fontOf(t.small));
    const QRectF need = p.fontMetrics().boundingRect(QRect(0, 0, 260, 90), Qt::AlignLeft, text);
    QRectF box(at.x() + 14, at.y() - need.height() - 16, need.width() + 16, need.height() + 10);
    if (box.right() > area.right()) box.moveRight(at.x() - 14);
    if (box.top() < area.top()) box.moveTop(at.y() + 14);
    p.setPen(t.hairline);
    p.setBrush(t.card);
    p.drawRoundedRect(box, 4, 4);
    p.setPen(t.ink);
    p.drawText(box.adjusted(8, 5, -8, -5), Qt::AlignLeft, text);
}

} // namespace uttrin::app

#include "moc_MapMarks.cpp"
