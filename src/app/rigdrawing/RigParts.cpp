#include "RigParts.h"

#include "app/controls/Theme.h"

#include <QPainter>

#include <algorithm>
#include <cmath>

namespace uttrin::app {

QPointF drawValve(QPainter& p, const DrawnPlace& at, bool open, int index) {
    const double x = std::min(at.shell.center().x() + at.shell.width() * 0.06, at.shell.right()) + 12 * index;
    const double y = at.shell.top() - 22 - 2 * index;
    const double foot = at.shell.top() + (at.shape == VesselShape::RoundFlask ? 14 : 0); // in its stopper
    p.drawPolyline(QPolygonF{QPointF(x, foot), QPointF(x, y), QPointF(x + 46, y)});
    p.setBrush(open ? theme().card : theme().muted);
    p.drawRect(QRectF(x + 46, y - 9, 12, 18));
    if (open) p.drawLine(QPointF(x + 58, y), QPointF(x + 74, y));
    return {x + 62, y};
}

namespace {

void drawHollow(QPainter& p, const QPolygonF& tube) {
    p.setBrush(Qt::NoBrush);
    p.setPen(QPen(theme().ink, 7, Qt::SolidLine, Qt::FlatCap, Qt::MiterJoin));
    p.drawPolyline(tube);
    p.setPen(QPen(theme().vapour, 3, Qt::SolidLine, Qt::FlatCap, Qt::MiterJoin));
    p.drawPolyline(tube);
}

} // namespace

void drawTube(QPainter& p, const DrawnPlace& from, const DrawnPlace& to) {
    const double y = std::min(from.body.top(), to.body.top()) - 26;
    drawHollow(p, {QPointF(from.body.center().x(), from.body.top()), QPointF(from.body.center().x(), y),
                   QPointF(to.body.center().x(), y), QPointF(to.body.center().x(), to.body.top())});
}

void drawStem(QPainter& p, const DrawnPlace& below, const DrawnPlace& above) {
    constexpr double kOffBottom = 6;
    drawHollow(p, {QPointF(below.body.center().x(), below.body.bottom() - kOffBottom),
                   QPointF(above.body.center().x(), above.body.bottom() - 1)});
}

QPointF drawPump(QPainter& p, const DrawnPlace& at, bool running, bool atRight, double phase) {
    const QPointF centre(atRight ? at.box.right() - 24 : at.box.left() + 4, at.box.top() - 16);
    p.drawLine(centre,
               QPointF(at.shell.left() + at.shell.width() * (atRight ? 0.7 : 0.3), at.shell.top() + 16));
    p.setBrush(running ? theme().done : theme().card);
    p.drawEllipse(centre, 14, 14);
    p.setPen(QPen(running ? theme().card : theme().ink, 2));
    constexpr double kTurning = 6.0, kResting = 0.8; // rad/s, rad
    const double turn = running ? kTurning * phase : kResting;
    p.drawLine(centre, centre + 10 * QPointF(std::cos(turn), std::sin(turn)));
    return centre + QPointF(16, -6);
}

QPointF drawHeater(QPainter& p, const DrawnPlace& at, bool on) {
    const QRectF plate(at.body.center().x() - 60, at.box.bottom() + 6, 120, 10);
    p.setBrush(on ? theme().muted : theme().card);
    p.drawRoundedRect(plate, 3, 3);
    if (on) {
        p.setPen(QPen(theme().muted, 2));
        for (int i = -2; i <= 2; ++i) {
            const double x = plate.center().x() + 22 * i;
            p.drawLine(QPointF(x, plate.bottom() + 5), QPointF(x, plate.bottom() + 13));
        }
    }
    return {plate.right(), plate.center().y()};
}

QPointF drawIce(QPainter& p, const DrawnPlace& at, bool onDryGlass, double left) {
    p.setPen(QPen(theme().muted, 1.6));
    p.setBrush(theme().ice);
    const int cubes = std::max(1, static_cast<int>(std::ceil(4 * left)));
    const double size = 20 * std::cbrt(std::max(left, 0.1));
    QPointF anchor;
    for (int i = 0; i < cubes; ++i) {
        const double angle = (i % 2 ? 1 : -1) * ((onDryGlass ? 0.45 : 1.0) + 0.35 * (i / 2));
        const QPointF on(at.body.center().x() + std::sin(angle) * (at.body.width() / 2 + size * 0.45),
                         at.body.center().y() -
                             (onDryGlass ? 1 : -1) * std::cos(angle) * (at.body.height() / 2 + size * 0.45));
        p.save();
        p.translate(on);
        p.rotate(30 + 25 * i);
        p.drawRoundedRect(QRectF(-size / 2, -size / 2, size, size), 3, 3);
        p.restore();
        if (i == std::min(1, cubes - 1)) anchor = on + QPointF(size * 0.6, 0);
    }
    return anchor;
}

QPointF drawAround(QPainter& p, const DrawnPlace& at, bool cold, bool onDryGlass, int index) {
    p.setPen(QPen(theme().muted, 1.6, Qt::DashLine));
    QColor ground = cold ? theme().ice : theme().vapour;
    ground.setAlpha(120);
    p.setBrush(ground);
    const double half = at.body.center().y() + 6 * index;
    const QRectF around = onDryGlass ? QRectF(at.body.left() - 12, at.body.top() - 6, at.body.width() + 24,
                                              at.body.height() * 0.45)
                                     : QRectF(at.shell.left() - 12, half, at.shell.width() + 24,
                                              at.shell.bottom() - at.body.center().y() + 14);
    p.drawRoundedRect(around, 10, 10);
    return {around.right(), around.center().y()};
}

QPointF drawDraught(QPainter& p, const DrawnPlace& at, bool blows) {
    p.setPen(QPen(theme().muted, 2));
    for (int i = 0; blows && i < 3; ++i) {
        const double y = at.body.top() - 16 - 10 * i;
        p.drawLine(QPointF(at.body.left() + 10, y), QPointF(at.body.left() + 70 + 14 * i, y));
    }
    return {at.body.right() - 20, at.body.top() - 20};
}

QPointF drawDish(QPainter& p, const DrawnPlace& at, bool grains) {
    const QRectF tray(at.body.center().x() - at.shell.width() * 0.36, at.box.bottom() - 26,
                      at.shell.width() * 0.72, 20);
    if (grains) {
        constexpr double kGrain = 7.0;
        p.setPen(QPen(theme().muted, 1));
        p.setBrush(theme().card);
        const int across = static_cast<int>(tray.width() / kGrain);
        for (int row = 0; row < 3; ++row) // a heap: each row a grain shorter at both ends
            for (int i = row; i < across - row; ++i)
                p.drawEllipse(QPointF(tray.left() + kGrain * (i + 0.5), tray.bottom() - kGrain * (row + 0.5)),
                              0.5 * kGrain, 0.5 * kGrain);
    } else {
        constexpr double kRim = 6.0;
        p.setPen(Qt::NoPen);
        p.setBrush(theme().hairline);
        p.drawRect(tray.adjusted(0, kRim, 0, 0));
        p.setPen(QPen(theme().muted, 1));
        p.drawLine(tray.topLeft() + QPointF(0, kRim), tray.topRight() + QPointF(0, kRim));
    }
    p.setPen(QPen(theme().ink, 1.8));
    p.drawPolyline(QPolygonF{tray.topLeft(), tray.bottomLeft(), tray.bottomRight(), tray.topRight()});
    return {tray.right(), tray.center().y()};
}

} // namespace uttrin::app
