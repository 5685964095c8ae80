#include "PhaseRegions.h"

#include "MapMarks.h"
#include "MapOverview.h"
#include "PhaseCurve.h"
#include "PhaseMap.h"
#include "PhasePlot.h"
#include "app/controls/OnScreen.h"
#include "app/controls/Theme.h"

#include <algorithm>
#include <cmath>
#include <ranges>

namespace uttrin::app {
namespace {

constexpr int kStep = 3; // px between samples of a curve

} // namespace

PhaseRegions::PhaseRegions(PhaseMap* map)
    : QCPLayerable(map->m_plot, QStringLiteral("background")), m_map(map) {}
void PhaseRegions::applyDefaultAntialiasingHint(QCPPainter* p) const { p->setAntialiasing(true); }
QRect PhaseRegions::clipRect() const { return m_map->m_plot->axisRect()->rect(); }

PhaseRegions::Key PhaseRegions::key() const {
    PhasePlot& plot = *m_map->m_plot;
    const MapView& view = m_map->view();
    const Theme& t = theme();
    return {clipRect(),
            plot.xAxis->range().lower,
            plot.xAxis->range().upper,
            plot.yAxis->range().lower,
            plot.yAxis->range().upper,
            static_cast<int>(m_map->axes()),
            t.small,
            t.title,
            t.name,
            QLocale().name(),
            view.substance,
            view.overlays,
            view.solution ? std::optional(view.solution->solute()) : std::nullopt,
            pathNamesBox(*m_map),
            taken()};
}

void PhaseRegions::draw(QCPPainter* p) {
    const QRect area = clipRect();
    if (area.isEmpty()) return; // before the first layout
    if (p->modes() & (QCPPainter::pmVectorized | QCPPainter::pmNoCaching)) return paint(*p);
    const double ratio = m_map->m_plot->bufferDevicePixelRatio();
    p->drawPixmap(area.topLeft(),
                  m_picture.of<QCPPainter>(key(), area.size(), ratio, [&](QCPPainter& painter) {
                      painter.setAntialiasing(true);
                      painter.translate(-area.topLeft());
                      paint(painter);
                  }));
}

void PhaseRegions::paint(QCPPainter& p) const {
    const Theme& t = theme();
    const QRect area = clipRect();
    const PhaseCurve curve(*m_map->view().substance);
    p.setPen(Qt::NoPen);
    p.setBrush(t.liquid);
    p.drawRect(area);
    const QPolygonF border = borderOf(curve);
    fillSolid(p, curve, border);
    QPolygonF vapour = border;
    vapour << QPointF(border.last().x(), area.bottom() + 60)
           << QPointF(border.first().x(), area.bottom() + 60);
    p.setPen(Qt::NoPen);
    p.setBrush(t.vapour);
    p.drawPolygon(vapour);
    fillAboveCritical(p, curve);
    p.setBrush(Qt::NoBrush);
    p.setPen(QPen(t.ink, 2));
    drawCurve(p, curve);
    drawMetastable(p);
    drawSolution(p);
    drawNamedPoints(p, curve);
    drawOverlays(p);
    drawLabels(p, border);
}

double PhaseRegions::xPixel(double kelvin) const {
    return m_map->m_plot->xAxis->coordToPixel(m_map->xOf(kelvin));
}

double PhaseRegions::yPixel(double pascal) const {
    const QRect area = clipRect();
    return std::clamp(m_map->m_plot->yAxis->coordToPixel(m_map->yOf(pascal)), area.top() - 50.0,
                      area.bottom() + 50.0);
}

QPolygonF PhaseRegions::borderOf(const PhaseCurve& curve) const {
    const QRect area = clipRect();
    QPolygonF border;
    for (int px = area.left(); px <= area.right() + kStep; px += kStep)
        border << QPointF(px, yPixel(curve.pascal(m_map->kelvinAt(m_map->m_plot->xAxis->pixelToCoord(px)))));
    return border;
}

void PhaseRegions::fillSolid(QCPPainter& p, const PhaseCurve& curve, const QPolygonF& border) const {
    const QRect area = clipRect();
    const bool mirrored = m_map->axes() == PhaseMap::Axes::ClausiusClapeyron;
    const QPointF triple(xPixel(curve.tripleKelvin()), yPixel(curve.triplePascal()));
    if (mirrored ? triple.x() > area.right() : triple.x() < area.left()) return;
    const double top = m_map->pascalAt(m_map->m_plot->yAxis->range().upper);
    const QPointF upper(xPixel(curve.meltingKelvin(std::max(top, curve.triplePascal()))), area.top());
    QPolygonF region;
    for (const QPointF& at : border)
        if (mirrored ? at.x() > triple.x() : at.x() < triple.x()) region << at;
    if (region.isEmpty()) return;
    if (mirrored)
        region.prepend(triple);
    else
        region.append(triple);
    const QPointF outer(mirrored ? region.last().x() : region.first().x(), area.top());
    if (mirrored)
        region << outer << upper;
    else
        region << upper << outer;
    p.setPen(Qt::NoPen);
    p.setBrush(theme().ice);
    p.drawPolygon(region);
    p.setPen(QPen(theme().ink, 1.2));
    p.drawLine(upper, triple);
}

void PhaseRegions::fillAboveCritical(QCPPainter& p, const PhaseCurve& curve) const {
    const QRect area = clipRect();
    const double x = xPixel(curve.criticalKelvin());
    const bool mirrored = m_map->axes() == PhaseMap::Axes::ClausiusClapeyron;
    if (mirrored ? x < area.left() : x > area.right()) return;
    p.setPen(Qt::NoPen);
    p.setBrush(theme().card);
    p.drawRect(mirrored ? QRectF(area.left(), area.top(), x - area.left(), area.height())
                        : QRectF(x, area.top(), area.right() - x + 1, area.height()));
}

void PhaseRegions::drawCurve(QCPPainter& p, const PhaseCurve& curve) const {
    const QRect area = clipRect();
    QPolygonF line;
    for (int px = area.left() - kStep; px <= area.right() + kStep; px += kStep) {
        const double kelvin = m_map->kelvinAt(m_map->m_plot->xAxis->pixelToCoord(px));
        if (curve.covers(kelvin)) line << QPointF(px, yPixel(curve.pascal(kelvin)));
    }
    p.drawPolyline(line);
}

void PhaseRegions::drawMetastable(QCPPainter& p) const {
    const Substance& s = *m_map->view().substance;
    const double low = s.lowestMetastable().kelvin(), high = s.facts().triple.kelvin();
    if (!(low < high)) return;
    QPolygonF line;
    constexpr int kSamples = 60;
    for (int i = 0; i <= kSamples; ++i) {
        const double kelvin = std::lerp(low, high, i / static_cast<double>(kSamples));
        if (const auto pressure = s.metastableLiquidPressure(Temperature::fromKelvin(kelvin)))
            line << QPointF(xPixel(kelvin), yPixel(pressure->pascal()));
    }
    const QPointF middle = line.at(line.size() / 2);
    const QRect area = clipRect();
    if (!area.contains(middle.toPoint())) return;
    p.setPen(QPen(theme().ink, 1.4, Qt::DashLine));
    p.drawPolyline(line);
    p.setFont(fontOf(theme().small));
    const QString words = PhaseMap::tr("metastable liquid");
    constexpr double kBeside = 10;
    const double left = middle.x() - kBeside - p.fontMetrics().horizontalAdvance(words);
    if (left > area.left())
        p.drawText(QPointF(left, middle.y() - kBeside), words); // else the line says enough
}

void PhaseRegions::drawSolution(QCPPainter& p) const {
    const MapView& v = m_map->view();
    if (!v.solution) return;
    const QRect area = clipRect();
    QPolygonF line;
    for (int px = area.left(); px <= area.right(); px += 2 * kStep) {
        const auto kelvin = Temperature::fromKelvin(m_map->kelvinAt(m_map->m_plot->xAxis->pixelToCoord(px)));
        if (const auto pressure = v.solution->vapourPressure(kelvin))
            line << QPointF(px, yPixel(pressure->pascal()));
    }
    p.setPen(QPen(theme().done, 2));
    p.drawPolyline(line);
    // Its name stands on the vapour's side, a third down the map.
    const double height = area.top() + 0.35 * area.height();
    const auto at = std::min_element(line.begin(), line.end(), [height](QPointF a, QPointF b) {
        return std::abs(a.y() - height) < std::abs(b.y() - height);
    });
    if (at == line.end()) return;
    const bool mirrored = m_map->axes() == PhaseMap::Axes::ClausiusClapeyron;
    const double room = mirrored ? at->x() - area.left() - 14 : area.right() - at->x() - 12;
    p.setFont(fontOf(theme().small, QFont::DemiBold));
    p.drawText(QRectF(mirrored ? area.left() + 4 : at->x() + 10, at->y() + 6, room, 70),
               (mirrored ? Qt::AlignRight : Qt::AlignLeft) | Qt::TextWordWrap, onScreen(v.solution->name()));
}

void PhaseRegions::drawNamedPoints(QCPPainter& p, const PhaseCurve& curve) const {
    const Theme& t = theme();
    const auto point = [&](double kelvin, double pascal, const QString& name) {
        const QPointF at(xPixel(kelvin), yPixel(pascal));
        if (!clipRect().contains(at.toPoint())) return;
        p.setPen(QPen(t.ink, 1.6));
        p.setBrush(t.card);
        p.drawEllipse(at, 4.5, 4.5);
        constexpr int kNames = 90; // px; a lower map has no room for them
        if (clipRect().height() < kNames) return;
        p.setFont(fontOf(t.small, QFont::DemiBold));
        const QRectF words(at.x() + 10, at.y() + 2, p.fontMetrics().horizontalAdvance(name), 20);
        const bool left = at.x() > clipRect().right() - 150 || words.intersects(pathNamesBox(*m_map));
        // To the left of it the curve runs below, and with it the paths.
        p.drawText(QRectF(left ? at.x() - 160 : at.x() + 10, left ? at.y() - 22 : at.y() + 2, 150, 20),
                   (left ? Qt::AlignRight : Qt::AlignLeft) | Qt::AlignVCenter, name);
    };
    point(curve.tripleKelvin(), curve.triplePascal(), PhaseMap::tr("triple point"));
    point(curve.criticalKelvin(), curve.criticalPascal(), PhaseMap::tr("critical point"));
}

void PhaseRegions::drawOverlays(QCPPainter& p) const {
    const Theme& t = theme();
    const QRect area = clipRect();
    constexpr Qt::PenStyle kStyles[] = {Qt::DashLine, Qt::DashDotLine, Qt::DashDotDotLine, Qt::DotLine};
    int number = 0;
    for (const Substance* s : m_map->view().overlays) {
        const PhaseCurve curve(*s);
        p.setPen(QPen(t.ink, 1.8, kStyles[number++ % 4]));
        drawCurve(p, curve);
        // Each name stands at a height of its own, so that neighbours do not cover each other.
        const double wanted = area.top() + area.height() * std::fmod(0.10 + 0.13 * number, 0.9);
        QPointF at(0, -1e6);
        for (int px = area.left(); px <= area.right(); px += kStep) {
            const double kelvin = m_map->kelvinAt(m_map->m_plot->xAxis->pixelToCoord(px));
            if (!curve.covers(kelvin)) continue;
            const QPointF here(px, yPixel(curve.pascal(kelvin)));
            if (std::abs(here.y() - wanted) < std::abs(at.y() - wanted)) at = here;
        }
        if (!area.contains(at.toPoint())) continue;
        p.setFont(fontOf(t.small, QFont::DemiBold));
        const QString name = onScreen(s->facts().name);
        QRectF box(0, 0, p.fontMetrics().horizontalAdvance(name) + 14, 20);
        box.moveCenter(at);
        if (box.left() < area.left()) box.moveLeft(area.left() + 2);
        if (box.right() > area.right()) box.moveRight(area.right() - 2);
        p.setPen(t.hairline);
        p.setBrush(t.card);
        p.drawRoundedRect(box, 4, 4);
        p.setPen(t.ink);
        p.setBrush(Qt::NoBrush);
        p.drawText(box, Qt::AlignCenter, name);
    }
}

std::vector<QRectF> PhaseRegions::taken() const {
    std::vector<QRectF> boxes;
    const QRect area = clipRect();
    const int line = lineOf(theme().small);
    for (const auto& level :
         {m_map->view().roomPascal, m_map->view().pumpFloorPascal, m_map->view().icePascal})
        if (level && *level > 0) // a line with its name over it, or under it
            boxes.emplace_back(area.left(), yPixel(*level) - line, area.width(), 2 * line);
    if (const QRectF names = pathNamesBox(*m_map); !names.isEmpty()) boxes.push_back(names);
    if (m_map->m_overview->isVisibleTo(m_map)) boxes.emplace_back(m_map->m_overview->geometry());
    return boxes;
}

std::optional<QRectF> PhaseRegions::placeFor(QSizeF size, double x, bool above,
                                             const QPolygonF& border) const {
    const QRectF area = clipRect();
    constexpr double kTry = 4.0, kClear = 4.0; // px
    const double reach = size.width() / 2 + kClear;
    if (2 * reach > area.width()) return std::nullopt;
    QRectF box(QPointF(std::clamp(x, area.left() + reach, area.right() - reach) - size.width() / 2, 0), size);
    double edge = above ? area.bottom() : area.top(); // of the border, within the width of the words
    for (const QPointF& at : border)
        if (at.x() >= box.left() - kStep && at.x() <= box.right() + kStep)
            edge = above ? std::min(edge, at.y()) : std::max(edge, at.y());
    const double top = above ? area.top() : edge, bottom = above ? edge : area.bottom();
    const auto boxes = taken();
    const double middle = (top + bottom - size.height()) / 2;
    for (double off = 0.0; off < (bottom - top) / 2; off += kTry)
        for (const double y : {middle + off, middle - off}) {
            box.moveTop(y);
            const QRectF around = box.adjusted(-kClear, -kClear, kClear, kClear);
            const bool inside = around.top() >= top && around.bottom() <= bottom;
            if (inside && std::ranges::none_of(boxes, [&](const QRectF& b) { return b.intersects(around); }))
                return box;
        }
    return std::nullopt;
}

void PhaseRegions::drawLabels(QCPPainter& p, const QPolygonF& border) const {
    const Theme& t = theme();
    const QRect area = clipRect();
    p.setFont(fontOf(t.title + 1, QFont::DemiBold));
    const bool mirrored = m_map->axes() == PhaseMap::Axes::ClausiusClapeyron;
    const auto label = [&](double fraction, bool above, const QString& text, const QColor& colour) {
        const QSizeF size(p.fontMetrics().horizontalAdvance(text), p.fontMetrics().height());
        const auto box = placeFor(size, area.left() + fraction * area.width(), above, border);
        if (!box) return; // its colour says enough
        p.setPen(colour);
        p.drawText(*box, Qt::AlignCenter, text);
    };
    const bool dark = t.dark;
    // Solid and liquid share the upper side; each stands in the middle of what is its own there.
    const double triple = std::clamp(
        (xPixel(m_map->view().substance->facts().triple.kelvin()) - area.left()) / area.width(), 0.0, 1.0);
    const double liquid = mirrored ? 0.78 * triple : triple + 0.22 * (1.0 - triple);
    const double solid = mirrored ? (1.0 + triple) / 2.0 : triple / 2.0;
    constexpr double kLeast = 0.12; // of the width, below which a region has no room for its name
    if ((mirrored ? triple : 1.0 - triple) > kLeast)
        label(liquid, true, PhaseMap::tr("liquid"), dark ? t.liquid.lighter(220) : t.liquid.darker(190));
    if ((mirrored ? 1.0 - triple : triple) > kLeast)
        label(solid, true, PhaseMap::tr("solid"), dark ? t.ice.lighter(220) : t.ice.darker(180));
    label(mirrored ? 0.25 : 0.74, false, PhaseMap::tr("vapour"),
          dark ? t.vapour.lighter(280) : QColor(0x8A, 0x74, 0x35));
}

} // namespace uttrin::app

#include "moc_PhaseRegions.cpp"
