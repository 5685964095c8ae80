#include "RigDrawing.h"

#include "RigParts.h"
#include "VesselOutline.h"
#include "app/controls/OnScreen.h"
#include "app/controls/Theme.h"

#include <QPainter>

#include <algorithm>
#include <cmath>

namespace uttrin::app {
namespace {

constexpr int kMargin = 14;

int labelColumn() { return theme().large ? 190 : 148; }

/// A number from 0 to 1 that belongs to an index: bubbles keep their places.
double scatter(int index, int salt) {
    const double s = std::sin(12.9898 * index + 78.233 * salt) * 43758.5453;
    return s - std::floor(s);
}

bool standsInJar(VesselShape shape) {
    return shape == VesselShape::BellJar || shape == VesselShape::Dish || shape == VesselShape::Cup;
}

} // namespace

RigDrawing::RigDrawing(QWidget* parent) : QWidget(parent) {
    setObjectName(QStringLiteral("rigDrawing"));
    setMinimumSize(300, 140);
    setSizePolicy(QSizePolicy::Expanding, QSizePolicy::Expanding);
}

void RigDrawing::show(const RigScene& scene, double phase) {
    m_scene = scene;
    m_phase = phase;
    QStringList words;
    for (const ScenePart& part : scene.parts)
        words << onScreen(part.name) + QLatin1Char(' ') + onScreen(part.state);
    setAccessibleName(tr("Rig in cross-section: %1").arg(words.join(QStringLiteral(", "))));
    update();
}

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

void RigDrawing::drawSwelling(QPainter& p, std::size_t index) const {
    const Theme& t = theme();
    const SceneVessel& v = m_scene.vessels[index];
    const QRectF box = boxOf(index);
    const QPainterPath outline = vesselOutline(v.shape, box, v.plunger);
    p.setPen(QPen(t.ink, 2));
    p.setBrush(v.shape == VesselShape::Balloon ? t.liquid : t.card);
    p.drawPath(outline);
    if (v.shape == VesselShape::Balloon) return;
    p.save(); // its cells, which grow with it
    p.setClipPath(outline, Qt::IntersectClip);
    p.setPen(QPen(t.muted, 1));
    p.setBrush(Qt::NoBrush);
    constexpr int kCells = 40;
    for (int i = 0; i < kCells; ++i) {
        const double r = box.width() * (0.04 + 0.05 * scatter(i, 11));
        p.drawEllipse(
            QPointF(box.left() + box.width() * scatter(i, 9), box.top() + box.height() * scatter(i, 10)), r,
            r);
    }
    p.restore();
}

void RigDrawing::drawVessel(QPainter& p, std::size_t index) const {
    const Theme& t = theme();
    const SceneVessel& v = m_scene.vessels[index];
    const QRectF box = boxOf(index);
    const QPainterPath outline = vesselOutline(v.shape, box, v.plunger);
    const QRectF body = bodyOf(v.shape, box, v.plunger);
    const double level = levelIn(v.shape, body, v.fill);
    p.setPen(Qt::NoPen);
    p.setBrush(t.vapour);
    if (v.shape != VesselShape::Film) p.drawPath(outline);
    QPainterPath inside = outline;
    if (standsInJar(v.shape)) {
        inside = QPainterPath();
        inside.addRoundedRect(body, 4, 4);
    }
    if (!holdsOthers(index)) drawContents(p, v, inside, level);
    p.save();
    p.setClipPath(outline, Qt::IntersectClip);
    const QRectF shell = outline.boundingRect();
    if (v.drops || v.frost) {
        p.setPen(v.frost ? QPen(t.muted, 1.4) : QPen(t.done, 1.2));
        p.setBrush(v.frost ? t.ice : t.liquid);
        for (int i = 0; i < 34; ++i) {
            const double along = outline.percentAtLength(outline.length() * scatter(i, 7));
            const QPointF at = outline.pointAtPercent(along);
            if (at.y() > level - 4 && !standsInJar(v.shape)) continue;
            const QPointF in = at + (shell.center() - at) * 0.03;
            if (v.frost)
                p.drawRect(QRectF(in.x() - 3, in.y() - 3, 6, 6));
            else
                p.drawEllipse(in, 2.2, 3.4);
        }
    }
    p.restore();
    p.setBrush(Qt::NoBrush);
    p.setPen(QPen(t.ink, 2.4, Qt::SolidLine, Qt::RoundCap, Qt::RoundJoin));
    if (v.shape == VesselShape::Pan || v.shape == VesselShape::Bath) // open above
        p.drawPolyline(QPolygonF{body.topLeft(), body.bottomLeft(), body.bottomRight(), body.topRight()});
    else
        p.drawPath(outline);
    if (v.shape == VesselShape::Pan) // its handle
        p.drawLine(QPointF(body.right(), body.top() + 12),
                   QPointF(body.right() + body.width() * 0.2, body.top() + 4));
    if (standsInJar(v.shape)) {
        p.setPen(QPen(t.ink, 1.8));
        if (!holdsOthers(index))
            p.drawPolyline(QPolygonF{body.topLeft(), body.bottomLeft(), body.bottomRight(), body.topRight()});
        p.setPen(QPen(t.ink, 4));
        p.drawLine(QPointF(box.left(), box.bottom() + 2), QPointF(box.right(), box.bottom() + 2));
        if (v.shape == VesselShape::Dish) { // its stand
            p.setPen(QPen(t.muted, 6));
            p.drawLine(QPointF(body.center().x(), body.bottom() + 4),
                       QPointF(body.center().x(), box.bottom() - 30));
        }
    }
    if (v.shape == VesselShape::RoundFlask) { // stopper
        const double width = body.width() * 0.2;
        p.setPen(Qt::NoPen);
        p.setBrush(t.muted);
        p.drawRect(QRectF(body.center().x() - width / 2 - 3, box.top() - 4, width + 6, 24));
    }
    if (v.shape == VesselShape::Syringe) {
        p.setPen(QPen(t.ink, 4));
        p.drawLine(body.topLeft(), body.topRight());
        p.setPen(QPen(t.ink, 2));
        p.drawLine(QPointF(body.center().x(), body.top()), QPointF(body.center().x(), box.top() - 18));
    }
}

void RigDrawing::drawParts(QPainter& p, std::vector<Label>& labels) const {
    int valves = 0, around = 0;
    for (const ScenePart& part : m_scene.parts) {
        const DrawnPlace place = placeOf(static_cast<std::size_t>(part.vessel));
        p.setPen(QPen(theme().ink, 2.4));
        p.setBrush(theme().card);
        QPointF anchor;
        switch (part.kind) {
        case ScenePart::Valve:
            anchor = drawValve(p, place, part.active, valves++);
            break;
        case ScenePart::Tube:
            if (part.fromBelow)
                drawStem(p, place, placeOf(static_cast<std::size_t>(part.other)));
            else
                drawTube(p, place, placeOf(static_cast<std::size_t>(part.other)));
            continue; // it needs no word
        case ScenePart::Pump:
            anchor = drawPump(p, place, part.active, part.vessel > 0, m_phase);
            break;
        case ScenePart::Heater:
            anchor = drawHeater(p, place, part.active);
            break;
        case ScenePart::Ice:
            anchor = drawIce(p, place, part.onDryGlass, part.left);
            break;
        case ScenePart::Warm:
        case ScenePart::Cold:
            anchor = drawAround(p, place, part.kind == ScenePart::Cold, part.onDryGlass, around++);
            break;
        case ScenePart::Draught:
            anchor = drawDraught(p, place, part.active);
            break;
        case ScenePart::Dish:
            anchor = drawDish(p, place);
            break;
        }
        labels.push_back({anchor, onScreen(part.name), onScreen(part.state), part.active});
    }
}

DrawnPlace RigDrawing::placeOf(std::size_t vessel) const {
    const SceneVessel& v = m_scene.vessels[vessel];
    const QRectF box = boxOf(vessel);
    return {v.shape, box, bodyOf(v.shape, box, v.plunger),
            vesselOutline(v.shape, box, v.plunger).boundingRect()};
}

void RigDrawing::drawInstruments(QPainter& p, std::vector<Label>& labels) const {
    const Theme& t = theme();
    const auto watched = static_cast<std::size_t>(m_scene.watched);
    if (watched >= m_scene.vessels.size()) return;
    const SceneVessel& v = m_scene.vessels[watched];
    const QRectF box = boxOf(watched);
    const QRectF body = bodyOf(v.shape, box, v.plunger);
    if (!m_scene.thermometer.empty()) {
        const double level = levelIn(v.shape, body, v.fill);
        const double aside = v.shape == VesselShape::Syringe ? -0.3 : -0.04; // of the plunger's rod
        const double x = body.center().x() + body.width() * aside;
        const double tip = std::min(body.bottom() - 8, level + std::max(8.0, (body.bottom() - level) * 0.6));
        p.setFont(fontOf(t.text + 2, QFont::Bold));
        const QString reads = onScreen(m_scene.thermometer);
        const double wide = p.fontMetrics().horizontalAdvance(reads) + 4, high = t.text + 10;
        const double top = std::max(6.0, standsInJar(v.shape) ? body.top() - 60 : box.top() - 30);
        QRectF words(x - 10 - wide, top - 4, wide, high); // beside the stem; over it where that has no room
        if (words.left() < 2.0) {
            words.moveLeft(std::max(2.0, x - wide / 2.0));
            words.moveBottom(std::max(high, top - 2.0));
        }
        p.setPen(QPen(t.ink, 3.2, Qt::SolidLine, Qt::RoundCap));
        p.drawLine(QPointF(x, top), QPointF(x, tip));
        p.setBrush(t.ink);
        p.drawEllipse(QPointF(x, tip), 4.5, 4.5);
        if (standsInJar(v.shape)) { // the jar's wall runs there
            QColor ground = t.paper;
            ground.setAlpha(200);
            p.fillRect(words, ground);
        }
        p.drawText(words, Qt::AlignRight | Qt::AlignVCenter, reads);
    }
    if (!m_scene.gauge.empty()) {
        const QRectF shell = vesselOutline(v.shape, box, v.plunger).boundingRect();
        labels.push_back({QPointF(shell.right() - 4, shell.top() + shell.height() * 0.3), tr("gauge"),
                          onScreen(m_scene.gauge), true});
    }
}

/// Words stand in a column at the right, each with a hair to its place.
void RigDrawing::drawLabels(QPainter& p, std::vector<Label>& labels) const {
    const Theme& t = theme();
    std::ranges::stable_sort(labels, {}, [](const Label& l) { return l.anchor.y(); });
    const double left = width() - labelColumn(), line = t.small + 4;
    double free = 4, bottom = height() - 2.0 * (t.small + 5) - 4;
    constexpr double kGap = 6; // px between labels, where there is room
    const double spare = (bottom - free) / std::max(1.0, static_cast<double>(labels.size())) - 2 * line;
    const double high = 2 * line + std::clamp(spare, 0.0, kGap);
    std::vector<double> tops; // each at its place or below the one before, then up from the last lines
    for (const Label& l : labels) {
        tops.push_back(std::max(l.anchor.y() - line, free));
        free = tops.back() + high;
    }
    for (auto top = tops.rbegin(); top != tops.rend(); ++top) {
        *top = std::min(*top, bottom - high);
        bottom = *top;
    }
    for (std::size_t i = 0; i < labels.size(); ++i) {
        const Label& l = labels[i];
        const double y = tops[i];
        p.setPen(QPen(t.hairline, 1.4));
        p.drawLine(l.anchor, QPointF(left - 4, y + line));
        p.setFont(fontOf(t.small, QFont::DemiBold));
        p.setPen(l.strong ? t.ink : t.muted);
        const double wide = labelColumn() - 6;
        p.drawText(QRectF(left, y, wide, line), Qt::AlignLeft | Qt::AlignVCenter,
                   p.fontMetrics().elidedText(l.text, Qt::ElideRight, static_cast<int>(wide)));
        p.setFont(fontOf(t.small));
        p.setPen(t.muted);
        p.drawText(QRectF(left, y + line, wide, line), Qt::AlignLeft | Qt::AlignVCenter,
                   p.fontMetrics().elidedText(l.under, Qt::ElideRight, static_cast<int>(wide)));
    }
}

/// Under each vessel; under what swells also by how much it has grown.
void RigDrawing::drawNames(QPainter& p) const {
    const Theme& t = theme();
    p.setFont(fontOf(t.small, QFont::DemiBold));
    p.setPen(t.ink);
    for (std::size_t i = 0; i < m_scene.vessels.size(); ++i) {
        if (holdsOthers(i)) continue;
        const SceneVessel& v = m_scene.vessels[i];
        const QRectF box = boxOf(i);
        QRectF place(box.left() - 20, box.bottom() + 16, box.width() + 40, t.small + 6);
        if (v.within >= 0) { // in its own part of the floor
            const QRectF slot = slotOf(i);
            place = QRectF(slot.left(), slot.bottom() + 10, slot.width(), t.small + 6);
            p.drawText(place.translated(0, t.small + 4), Qt::AlignCenter, onScreen(v.note));
            p.drawText(place, Qt::AlignCenter, onScreen(v.name));
            continue;
        }
        if (isStacked()) place = QRectF(kMargin, placeOf(i).body.center().y(), 100, t.small + 6);
        p.drawText(place, Qt::AlignCenter, onScreen(v.name));
    }
}

void RigDrawing::paintEvent(QPaintEvent*) {
    const Theme& t = theme();
    QPainter p(this);
    p.setRenderHint(QPainter::Antialiasing);
    if (m_scene.vessels.empty()) return;
    std::vector<Label> labels;
    for (std::size_t i = 0; i < m_scene.vessels.size(); ++i)
        m_scene.vessels[i].within < 0 ? drawVessel(p, i) : drawSwelling(p, i);
    drawParts(p, labels);
    drawInstruments(p, labels);
    drawLabels(p, labels);
    if (m_scene.vessels.size() > 1) drawNames(p);
    p.setFont(fontOf(t.small));
    p.setPen(t.muted);
    QStringList words;
    for (const std::string& line : m_scene.lines)
        words << onScreen(line);
    const double lines = 2.0 * (t.small + 5);
    p.drawText(QRectF(kMargin, height() - lines - 2, width() - 2.0 * kMargin, lines),
               Qt::AlignLeft | Qt::AlignBottom | Qt::TextWordWrap, words.join(QStringLiteral("   ·   ")));
}

} // namespace uttrin::app

#include "moc_RigDrawing.cpp"
