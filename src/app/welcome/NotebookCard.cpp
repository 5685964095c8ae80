#include "NotebookCard.h"

#include "app/controls/OnScreen.h"
#include "app/controls/Theme.h"
#include "quantities/Rounding.h"

#include <QFileInfo>
#include <QPainter>

#include <algorithm>
#include <cmath>

namespace uttrin::app {
namespace {

constexpr int kMapWidth = 128, kEdge = 12;

} // namespace

NotebookCard::NotebookCard(const QString& path, const Result<NotebookGlance>& glance, Milliseconds now,
                           QWidget* parent)
    : QAbstractButton(parent), m_glance(glance) {
    setFocusPolicy(Qt::StrongFocus);
    setCursor(Qt::PointingHandCursor);
    setSizePolicy(QSizePolicy::Expanding, QSizePolicy::Fixed);
    setToolTip(path);
    const QString file = QFileInfo(path).fileName();
    if (glance) {
        m_lines << (glance->title.empty() ? file : asIs(glance->title));
        m_lines << onScreen(Text::tr("{} · {1} {1|run|runs}, {2} {2|point|points}",
                                     Text::data(glance->heldOn), glance->runs, glance->points));
        if (glance->room)
            m_lines << onScreen(Text::tr("room {} kPa, {}", fixed(glance->room->station.kilopascal(), 2),
                                         ageText(glance->roomReadAt, now)));
        else
            m_lines << tr("the room’s pressure is not read yet");
        m_lines << (glance->madeUp ? tr("%1, made-up data").arg(file) : file);
    } else {
        m_lines << file << onScreen(glance.error().message);
    }
    setAccessibleName(m_lines.join(QStringLiteral(", ")));
}

QSize NotebookCard::sizeHint() const { return {scaled(420), scaled(104)}; }

void NotebookCard::paintMap(QPainter& p, const QRectF& area) const {
    const Theme& t = theme();
    p.save();
    p.setClipRect(area);
    p.fillRect(area, t.liquid);
    if (m_glance && m_glance->substance && !m_glance->map.empty()) {
        const auto [cold, hot] = std::ranges::minmax(m_glance->map, {}, &std::pair<double, double>::first);
        const auto [low, high] = std::ranges::minmax(m_glance->map, {}, &std::pair<double, double>::second);
        const double t0 = cold.first - 5.0, t1 = hot.first + 5.0, p0 = std::log(low.second) - 0.3,
                     p1 = std::log(high.second) + 0.3;
        const auto at = [&](double kelvin, double pascal) {
            return QPointF(area.left() + area.width() * (kelvin - t0) / (t1 - t0),
                           area.bottom() - area.height() * (std::log(pascal) - p0) / (p1 - p0));
        };
        QPolygonF curve;
        constexpr int kSamples = 40;
        for (int i = 0; i <= kSamples; ++i) {
            const double kelvin = std::lerp(t0, t1, i / static_cast<double>(kSamples));
            if (const auto pressure = m_glance->substance->vapourPressure(Temperature::fromKelvin(kelvin)))
                curve << at(kelvin, pressure->pascal());
        }
        if (!curve.isEmpty()) {
            QPolygonF vapour = curve;
            vapour << QPointF(curve.last().x(), area.bottom() + 1)
                   << QPointF(curve.first().x(), area.bottom() + 1);
            p.setPen(Qt::NoPen);
            p.setBrush(t.vapour);
            p.drawPolygon(vapour);
            p.setPen(QPen(t.ink, 1.4));
            p.drawPolyline(curve);
        }
        p.setPen(Qt::NoPen);
        p.setBrush(t.done);
        for (const auto& [kelvin, pascal] : m_glance->map)
            p.drawEllipse(at(kelvin, pascal), 2.6, 2.6);
    }
    p.restore();
    p.setBrush(Qt::NoBrush);
    p.setPen(t.hairline);
    p.drawRect(area);
}

void NotebookCard::paintEvent(QPaintEvent*) {
    const Theme& t = theme();
    QPainter p(this);
    p.setRenderHint(QPainter::Antialiasing);
    p.setPen(t.edge);
    p.setBrush(underMouse() || isDown() ? t.navigation : t.card);
    p.drawRoundedRect(QRectF(rect()).adjusted(0.5, 0.5, -0.5, -0.5), 6, 6);
    const int map = scaled(kMapWidth);
    paintMap(p, QRectF(kEdge, kEdge, map, height() - 2 * kEdge));
    const int left = map + 2 * kEdge + 4, wide = width() - left - kEdge, line = t.text + 7;
    int y = kEdge - 2;
    for (int i = 0; i < m_lines.size(); ++i) {
        const bool failed = !m_glance && i > 0;
        p.setFont(fontOf(i == 0 ? t.text : t.small, i == 0 ? QFont::DemiBold : QFont::Normal));
        p.setPen(i == 0 ? t.ink : failed ? t.caution : t.muted);
        const int high = failed ? height() - y - kEdge : i == 0 ? line : t.small + 6;
        const QString shown =
            failed ? m_lines[i] : p.fontMetrics().elidedText(m_lines[i], Qt::ElideMiddle, wide);
        p.drawText(QRect(left, y, wide, high),
                   (failed ? Qt::TextWordWrap : 0) | Qt::AlignLeft | Qt::AlignVCenter, shown);
        y += high;
    }
}

} // namespace uttrin::app

#include "moc_NotebookCard.cpp"
