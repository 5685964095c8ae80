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
namespace {

bool standsInJar(VesselShape shape) {
    return shape == VesselShape::BellJar || shape == VesselShape::Dish || shape == VesselShape::Cup;
}

} // namespace

RigDrawing::RigDrawing(QWidget* parent) : QWidget(parent) {
    setObjectName(QStringLiteral("rigDrawing"));
    setAccessibleName(tr("Rig in cross-section"));
    setSizePolicy(QSizePolicy::Expanding, QSizePolicy::Expanding);
}

QSize RigDrawing::minimumSizeHint() const { return {scaled(360), scaled(theme().large ? 252 : 216)}; }

void RigDrawing::show(const RigScene& scene, double phase) {
    m_scene = scene;
    m_phase = phase;
    spokenChanged(this);
    update();
}

QString RigDrawing::spokenValue() const {
    QStringList words;
    if (!m_scene.thermometer.empty()) words << tr("thermometer %1").arg(onScreen(m_scene.thermometer));
    if (!m_scene.gauge.empty()) words << tr("gauge %1").arg(onScreen(m_scene.gauge));
    for (const ScenePart& part : m_scene.parts)
        words << onScreen(part.name) + QLatin1Char(' ') + onScreen(part.state);
    // Before the first part of a rehearsal is there.
    return words.isEmpty() ? tr("not played yet") : words.join(QStringLiteral(", "));
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
            anchor = drawDish(p, place, part.grains);
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
            QColor ground = t.ground;
            ground.setAlpha(200);
            p.fillRect(words, ground);
        }
        p.drawText(words, Qt::AlignRight | Qt::AlignVCenter, reads);
    }
    if (!m_scene.gauge.empty())
        labels.push_back({drawGauge(p, vesselOutline(v.shape, box, v.plunger)), tr("gauge"),
                          onScreen(m_scene.gauge), true});
}

/// A small dial on the wall of the upper part. @return where its word points.
QPointF RigDrawing::drawGauge(QPainter& p, const QPainterPath& outline) const {
    const Theme& t = theme();
    constexpr double kRadius = 9.0, kStub = 7.0, kHigh = 0.3; // px; of the height, from the top
    const QRectF shell = outline.boundingRect();
    const double y = shell.top() + shell.height() * kHigh;
    double x = shell.right();
    while (x > shell.center().x() && !outline.contains(QPointF(x, y)))
        x -= 1.0;
    const QPointF dial(x + kStub + kRadius, y);
    p.setPen(QPen(t.ink, 3.0));
    p.drawLine(QPointF(x, y), QPointF(x + kStub, y));
    p.setPen(QPen(t.ink, 1.6));
    p.setBrush(t.card);
    p.drawEllipse(dial, kRadius, kRadius);
    p.drawLine(dial, dial + QPointF(-0.55 * kRadius, -0.55 * kRadius));
    return dial + QPointF(kRadius, 0.0);
}

/// Words stand in a column at the right, each with a hair to its place.
void RigDrawing::drawLabels(QPainter& p, std::vector<Label>& labels) const {
    const Theme& t = theme();
    std::ranges::stable_sort(labels, {}, [](const Label& l) { return l.anchor.y(); });
    const double left = width() - labelColumn(), line = t.small + 4;
    double free = 4, bottom = height() - 2.0 * (t.small + 5) - 4;
    const QFont strong = fontOf(t.small, QFont::DemiBold), plainFont = fontOf(t.small);
    const int wide = static_cast<int>(labelColumn()) - 6;
    const auto highOf = [&](const QFont& font, const QString& words) {
        const QRect room(0, 0, wide, height());
        return std::max(line, 4.0 + QFontMetrics(font).boundingRect(room, Qt::TextWordWrap, words).height());
    };
    std::vector<double> nameHigh, stateHigh;
    double all = 0.0;
    for (const Label& l : labels) {
        nameHigh.push_back(highOf(strong, l.text));
        stateHigh.push_back(l.under.isEmpty() ? 0.0 : highOf(plainFont, l.under));
        all += nameHigh.back() + stateHigh.back();
    }
    constexpr double kGap = 6; // px between labels, where there is room
    const double gap = std::clamp((bottom - free - all) / std::max(1.0, double(labels.size())), 0.0, kGap);
    std::vector<double> tops; // each at its place or below the one before, then up from the last lines
    for (std::size_t i = 0; i < labels.size(); ++i) {
        tops.push_back(std::max(labels[i].anchor.y() - line, free));
        free = tops.back() + nameHigh[i] + stateHigh[i] + gap;
    }
    for (std::size_t i = labels.size(); i-- > 0;) {
        tops[i] = std::min(tops[i], bottom - nameHigh[i] - stateHigh[i] - gap);
        bottom = tops[i];
    }
    for (std::size_t i = 0; i < labels.size(); ++i) {
        const Label& l = labels[i];
        const double y = tops[i];
        p.setPen(QPen(t.hairline, 1.4));
        p.drawLine(l.anchor, QPointF(left - 4, y + line));
        constexpr int kHow = Qt::AlignLeft | Qt::AlignVCenter | Qt::TextWordWrap;
        p.setFont(strong);
        p.setPen(l.strong ? t.ink : t.muted);
        p.drawText(QRectF(left, y, wide, nameHigh[i]), kHow, l.text);
        p.setFont(plainFont);
        p.setPen(t.muted);
        p.drawText(QRectF(left, y + nameHigh[i], wide, stateHigh[i]), kHow, l.under);
    }
}

/// Under each vessel; under what swells also by how much it has grown.
void RigDrawing::drawNames(QPainter& p) const {
    const Theme& t = theme();
    p.setFont(fontOf(t.small, QFont::DemiBold));
    p.setPen(t.ink);
    // Over the middle of its place, and within the picture.
    const auto write = [&](const QRectF& place, const QString& words) {
        const double wide = std::max(place.width(), p.fontMetrics().horizontalAdvance(words) + 2.0);
        const double left =
            std::clamp(place.center().x() - wide / 2, 2.0, std::max(2.0, width() - wide - 2.0));
        p.drawText(QRectF(left, place.top(), wide, place.height()), Qt::AlignCenter, words);
    };
    for (std::size_t i = 0; i < m_scene.vessels.size(); ++i) {
        if (holdsOthers(i)) continue;
        const SceneVessel& v = m_scene.vessels[i];
        const QRectF box = boxOf(i);
        QRectF place(box.left() - 20, box.bottom() + 16, box.width() + 40, t.small + 6);
        if (v.within >= 0) { // in its own part of the floor
            const QRectF slot = slotOf(i);
            place = QRectF(slot.left(), slot.bottom() + 10, slot.width(), t.small + 6);
            write(place.translated(0, t.small + 4), onScreen(v.note));
            write(place, onScreen(v.name));
            continue;
        }
        if (isStacked()) place = QRectF(kMargin, placeOf(i).body.center().y(), 100, t.small + 6);
        write(place, onScreen(v.name));
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
    for (const Text& line : m_scene.lines)
        words << onScreen(line);
    const double lines = 2.0 * (t.small + 5);
    const QRectF room(kMargin, height() - lines - 2, width() - 2.0 * kMargin, lines);
    constexpr int kHow = Qt::AlignLeft | Qt::AlignBottom | Qt::TextWordWrap;
    const QString between = QStringLiteral("   ·   ");
    // The last ones give way where there is no room for all.
    while (words.size() > 1 && p.boundingRect(room, kHow, words.join(between)).height() > room.height())
        words.removeLast();
    p.drawText(room, kHow, words.join(between));
}

} // namespace uttrin::app

#include "moc_RigDrawing.cpp"
