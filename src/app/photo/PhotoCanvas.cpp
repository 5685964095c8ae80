#include "PhotoCanvas.h"

#include "app/controls/OnScreen.h"
#include "app/controls/Theme.h"

#include <QKeyEvent>
#include <QMouseEvent>
#include <QPainter>
#include <QWheelEvent>

#include <algorithm>
#include <cmath>

namespace uttrin::app {
namespace {

constexpr double kGrab = 12.0;                      // px of the widget within which a mark is taken hold of
constexpr double kSmallest = 0.02, kLargest = 24.0; // px of the widget in one px of the picture
constexpr double kWheelStep = 1.2, kLoupe = 5.0;

/// A cross with a light edge, so that it is seen on any picture.
void drawCross(QPainter& p, QPointF at, double reach, const QColor& colour, double gap) {
    for (const auto& [ink, width] : {std::pair{QColor(255, 255, 255, 200), 4.0}, {colour, 1.6}}) {
        p.setPen(QPen(ink, width));
        for (const QPointF d : {QPointF(1, 0), QPointF(-1, 0), QPointF(0, 1), QPointF(0, -1)})
            p.drawLine(at + gap * d, at + reach * d);
    }
}

} // namespace

PhotoCanvas::PhotoCanvas(PhotoMarking& marking, QWidget* parent) : QWidget(parent), m_marking(marking) {
    setObjectName(QStringLiteral("photoCanvas"));
    setAccessibleName(tr("Picture of the instrument, with marks"));
    setFocusPolicy(Qt::StrongFocus);
    setMouseTracking(true);
    setCursor(Qt::CrossCursor);
    setMinimumSize(320, 320);
}

void PhotoCanvas::setPicture(const QImage& picture) {
    m_picture = picture;
    m_chosen = m_marking.next().value_or(0);
    showWhole();
}

void PhotoCanvas::choose(std::size_t step) {
    m_chosen = std::min(step, m_marking.steps().size() - 1);
    if (const auto at = m_marking.steps()[m_chosen].at) emit lookedAt({at->x, at->y});
    update();
    emit chosenChanged();
}

void PhotoCanvas::showWhole() {
    m_whole = true;
    if (!m_picture.isNull()) {
        m_scale = std::min(width() / double(m_picture.width()), height() / double(m_picture.height()));
        m_origin =
            0.5 * (QPointF(width(), height()) - m_scale * QPointF(m_picture.width(), m_picture.height()));
    }
    update();
}

QPointF PhotoCanvas::toWidget(PhotoPoint p) const { return m_origin + m_scale * QPointF(p.x, p.y); }

PhotoPoint PhotoCanvas::toPicture(QPointF pixel) const {
    const QPointF p = (pixel - m_origin) / m_scale;
    return {p.x(), p.y()};
}

void PhotoCanvas::place(PhotoPoint at) {
    at.x = std::clamp(at.x, 0.0, double(m_picture.width()));
    at.y = std::clamp(at.y, 0.0, double(m_picture.height()));
    m_marking.place(m_chosen, at);
    emit lookedAt({at.x, at.y});
    update();
    emit marked();
}

void PhotoCanvas::enlargeAbout(QPointF pixel, double factor) {
    if (m_picture.isNull()) return;
    const double before = m_scale;
    m_scale = std::clamp(m_scale * factor, kSmallest, kLargest);
    m_origin = pixel - (pixel - m_origin) * (m_scale / before);
    m_whole = false;
    update();
}

void PhotoCanvas::resizeEvent(QResizeEvent*) {
    if (m_whole) showWhole();
}

void PhotoCanvas::mousePressEvent(QMouseEvent* event) {
    if (m_picture.isNull()) return;
    if (event->button() == Qt::RightButton || event->button() == Qt::MiddleButton) {
        m_grabbed = event->position() - m_origin;
        return;
    }
    if (event->button() != Qt::LeftButton) return;
    m_dragging = true;
    if (const auto under = m_marking.nearest(toPicture(event->position()), kGrab / m_scale)) {
        choose(*under); // takes hold of it where it is
        return;
    }
    place(toPicture(event->position()));
}

void PhotoCanvas::mouseMoveEvent(QMouseEvent* event) {
    if (m_picture.isNull()) return;
    if (m_grabbed) {
        m_origin = event->position() - *m_grabbed;
        m_whole = false;
        update();
    } else if (m_dragging && event->buttons() & Qt::LeftButton) {
        place(toPicture(event->position()));
    } else {
        const PhotoPoint p = toPicture(event->position());
        emit lookedAt({p.x, p.y});
    }
}

void PhotoCanvas::mouseReleaseEvent(QMouseEvent* event) {
    m_grabbed.reset();
    if (event->button() != Qt::LeftButton || !m_dragging) return;
    m_dragging = false;
    if (const auto open = m_marking.next()) choose(*open); // on to the next mark
}

void PhotoCanvas::wheelEvent(QWheelEvent* event) {
    enlargeAbout(event->position(), event->angleDelta().y() > 0 ? kWheelStep : 1.0 / kWheelStep);
}

void PhotoCanvas::keyPressEvent(QKeyEvent* event) {
    const auto& step = m_marking.steps()[m_chosen];
    const double by = event->modifiers() & Qt::ShiftModifier     ? 0.25
                      : event->modifiers() & Qt::ControlModifier ? 10.0
                                                                 : 1.0;
    PhotoPoint at = step.at.value_or(toPicture(QRectF(rect()).center()));
    switch (event->key()) {
    case Qt::Key_Left:
        at.x -= by;
        break;
    case Qt::Key_Right:
        at.x += by;
        break;
    case Qt::Key_Up:
        at.y -= by;
        break;
    case Qt::Key_Down:
        at.y += by;
        break;
    case Qt::Key_Return:
    case Qt::Key_Enter:
        if (const auto open = m_marking.next()) choose(*open);
        return;
    case Qt::Key_Plus:
        return enlarge(kWheelStep);
    case Qt::Key_Minus:
        return enlarge(1.0 / kWheelStep);
    default:
        return QWidget::keyPressEvent(event);
    }
    if (!m_picture.isNull()) place(at);
}

void PhotoCanvas::paintEvent(QPaintEvent*) {
    const Theme& t = theme();
    QPainter p(this);
    p.fillRect(rect(), t.navigation);
    if (m_picture.isNull()) {
        p.setPen(QPen(t.muted, 2, Qt::DashLine));
        p.setBrush(t.card);
        p.drawRoundedRect(QRectF(rect()).adjusted(16, 16, -16, -16), 10, 10);
        p.setFont(fontOf(t.text));
        p.setPen(t.ink);
        p.drawText(QRectF(rect()).adjusted(40, 40, -40, -40), Qt::AlignCenter | Qt::TextWordWrap,
                   tr("Drop a picture of the instrument here, paste one with Ctrl+V, or open one.\n\nStand "
                      "square before it, far enough away that the whole scale is in the picture."));
        return;
    }
    p.setRenderHints(QPainter::Antialiasing | QPainter::SmoothPixmapTransform);
    p.drawImage(QRectF(m_origin, m_scale * QSizeF(m_picture.size())), m_picture);
    const auto steps = m_marking.steps();
    // What belongs together is joined: the scale from graduation to graduation, the needle from its centre.
    p.setPen(QPen(t.done, 1.4, Qt::DashLine));
    const MarkStep* last = nullptr;
    for (const MarkStep& s : steps)
        if (s.at && s.kind == MarkKind::Graduation) {
            if (last && m_marking.shape() == ScaleShape::Straight)
                p.drawLine(toWidget(*last->at), toWidget(*s.at));
            last = &s;
        } else if (s.at && s.kind == MarkKind::OtherEnd && last) {
            p.drawLine(toWidget(*last->at), toWidget(*s.at));
        }
    if (steps.front().kind == MarkKind::Centre && steps.front().at && steps.back().at)
        p.drawLine(toWidget(*steps.front().at), toWidget(*steps.back().at));
    p.setFont(fontOf(t.small, QFont::Bold));
    for (std::size_t i = 0; i < steps.size(); ++i) {
        if (!steps[i].at) continue;
        const QPointF at = toWidget(*steps[i].at);
        const QColor& colour = steps[i].kind == MarkKind::Sight ? t.sightOnPhoto : t.onPhoto;
        drawCross(p, at, i == m_chosen ? 20.0 : 13.0, colour, 4.0);
        const QRectF label(at + QPointF(7, 6), QSizeF(20, 18));
        p.setPen(Qt::NoPen);
        p.setBrush(i == m_chosen ? colour : QColor(255, 255, 255, 220));
        p.drawRoundedRect(label, 4, 4);
        p.setPen(i == m_chosen ? QColor(Qt::white) : colour);
        p.drawText(label, Qt::AlignCenter, QString::number(i + 1));
    }
}

Loupe::Loupe(QWidget* parent) : QWidget(parent) {
    setObjectName(QStringLiteral("photoLoupe"));
    setAccessibleName(tr("Loupe over the mark in hand"));
    setFixedSize(180, 180);
}

void Loupe::look(const QImage& picture, QPointF at) {
    m_picture = picture;
    m_at = at;
    update();
}

void Loupe::paintEvent(QPaintEvent*) {
    const Theme& t = theme();
    QPainter p(this);
    p.setRenderHint(QPainter::Antialiasing);
    p.fillRect(rect(), t.navigation);
    const QPointF middle = QRectF(rect()).center();
    if (!m_picture.isNull()) {
        p.save();
        p.translate(middle);
        p.scale(kLoupe, kLoupe);
        p.translate(-m_at);
        p.drawImage(QPointF(0, 0), m_picture);
        p.restore();
        drawCross(p, middle, 60.0, t.sightOnPhoto, 3.0);
    } else {
        constexpr int kInside = 14; // px
        p.setPen(t.muted);
        p.setFont(fontOf(t.small));
        p.drawText(rect().adjusted(kInside, kInside, -kInside, -kInside), Qt::AlignCenter | Qt::TextWordWrap,
                   tr("Loupe: the mark in hand, enlarged"));
    }
    p.setPen(QPen(t.hairline.darker(130), 2));
    p.setBrush(Qt::NoBrush);
    p.drawRect(QRectF(rect()).adjusted(1, 1, -1, -1));
}

QString PhotoCanvas::spokenValue() const {
    const auto steps = m_marking.steps();
    const auto placed = std::ranges::count_if(steps, [](const MarkStep& s) { return s.at.has_value(); });
    return tr("%1 of %2 marks placed").arg(placed).arg(static_cast<qlonglong>(steps.size()));
}

std::vector<Spoken::Part> PhotoCanvas::spokenParts() const {
    std::vector<Part> all;
    std::size_t index = 0;
    for (const MarkStep& s : m_marking.steps()) {
        const QPoint at = s.at ? toWidget(*s.at).toPoint() : QPoint();
        if (s.at)
            all.push_back({tr("mark %1 at %2, %3 px")
                               .arg(static_cast<qlonglong>(index + 1))
                               .arg(onScreen(s.at->x, 0), onScreen(s.at->y, 0)),
                           QRect(at - QPoint(8, 8), QSize(16, 16)), index == m_chosen});
        ++index;
    }
    return all;
}

QString Loupe::spokenValue() const {
    return m_picture.isNull() ? tr("nothing to enlarge yet")
                              : tr("about %1, %2 px").arg(onScreen(m_at.x(), 0), onScreen(m_at.y(), 0));
}

} // namespace uttrin::app

#include "moc_PhotoCanvas.cpp"
