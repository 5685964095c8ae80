#include "FocusRing.h"

#include "app/controls/Theme.h"

#include <QAbstractScrollArea>
#include <QApplication>
#include <QEvent>
#include <QPainter>
#include <QScrollArea>

namespace uttrin::app {
namespace {

constexpr int kGap = 2, kLine = 2, kOut = kGap + kLine;
constexpr const char* kName = "focusRing";

/// What is seen of a widget's surroundings: it may stand in areas that are scrolled.
QRect seen(const QWidget& widget, const QWidget& window) {
    QRect visible = window.rect();
    for (const QWidget* w = &widget; w && w != &window; w = w->parentWidget()) {
        const auto* area = qobject_cast<const QAbstractScrollArea*>(w->parentWidget());
        if (area && area->viewport() == w) visible &= QRect(w->mapTo(&window, QPoint(0, 0)), w->size());
    }
    return visible;
}

/// The control that stands for a widget with the keyboard: the view for its viewport, the list for its line.
QWidget* controlOf(QWidget* focused) {
    auto* area = qobject_cast<QAbstractScrollArea*>(focused->parentWidget());
    return area && area->viewport() == focused ? area : focused;
}

/// Scrolls every area that a control stands in until the control is seen.
void bringIntoView(QWidget* control) {
    constexpr int kAround = 12;
    for (QWidget* w = control->parentWidget(); w && !w->isWindow(); w = w->parentWidget())
        if (auto* area = qobject_cast<QScrollArea*>(w);
            area && area->widget() && area->widget()->isAncestorOf(control)) {
            // All of it; ensureWidgetVisible() is content with a field's cursor.
            const QPoint centre = control->mapTo(area->widget(), control->rect().center());
            area->ensureVisible(centre.x(), centre.y(), control->width() / 2 + kAround,
                                control->height() / 2 + kAround);
        }
}

} // namespace

void FocusRing::follow() {
    QObject::connect(qApp, &QApplication::focusChanged, qApp, [](QWidget* old, QWidget* now) {
        const auto ringOf = [](QWidget* w) {
            return w->window()->findChild<FocusRing*>(QLatin1String(kName), Qt::FindDirectChildrenOnly);
        };
        if (old && (!now || old->window() != now->window()))
            if (FocusRing* ring = ringOf(old)) ring->goTo(nullptr);
        if (!now || (now->window()->windowFlags() & Qt::Popup) == Qt::Popup) return;
        FocusRing* ring = ringOf(now);
        if (!ring) ring = new FocusRing(now->window());
        bringIntoView(now);
        ring->goTo(controlOf(now));
    });
}

FocusRing::FocusRing(QWidget* window) : QWidget(window) {
    setObjectName(QLatin1String(kName));
    setAttribute(Qt::WA_TransparentForMouseEvents);
    setAttribute(Qt::WA_NoSystemBackground);
    setFocusPolicy(Qt::NoFocus);
    hide();
}

void FocusRing::goTo(QWidget* focused) {
    for (const auto& w : m_watched)
        if (w) w->removeEventFilter(this);
    m_watched.clear();
    m_focused = focused;
    for (QWidget* w = focused; w; w = w->parentWidget()) {
        w->installEventFilter(this);
        m_watched.emplace_back(w);
        if (w->isWindow()) break;
    }
    place();
}

bool FocusRing::eventFilter(QObject*, QEvent* event) {
    switch (event->type()) {
    case QEvent::Move:
    case QEvent::Resize:
    case QEvent::Show:
    case QEvent::Hide:
    case QEvent::ZOrderChange:
    case QEvent::LayoutRequest:
        place();
        break;
    default:
        break;
    }
    return false;
}

void FocusRing::place() {
    const bool page =
        m_focused && m_focused->objectName() == QLatin1String("page"); // holds keys for all on it
    if (!m_focused || page || !m_focused->isVisible() || m_focused->window() != window()) return hide();
    const QRect control(m_focused->mapTo(window(), QPoint(0, 0)), m_focused->size());
    const QRect visible = seen(*m_focused, *window());
    QRect ring = control.adjusted(-kOut, -kOut, kOut, kOut);
    // At the edges of the window it lies on the control instead of outside it.
    ring &= window()->rect();
    const QRect shown = ring & visible.adjusted(-kOut, -kOut, kOut, kOut);
    if (shown.isEmpty() || (control & visible).isEmpty()) return hide();
    const QRect whole = ring.translated(-shown.topLeft());
    raise();
    if (isVisible() && geometry() == shown && m_ring == whole) return; // nothing to paint anew
    m_ring = whole;
    setGeometry(shown);
    show();
    update();
}

void FocusRing::paintEvent(QPaintEvent*) {
    QPainter p(this);
    p.setRenderHint(QPainter::Antialiasing);
    p.setBrush(Qt::NoBrush);
    constexpr double kCorner = 8.0;
    const QRectF outer = QRectF(m_ring).adjusted(kLine / 2.0, kLine / 2.0, -kLine / 2.0, -kLine / 2.0);
    p.setPen(QPen(theme().card, kGap + 1));
    p.drawRoundedRect(outer.adjusted(kGap, kGap, -kGap, -kGap), kCorner - kGap, kCorner - kGap);
    p.setPen(QPen(theme().focus, kLine));
    p.drawRoundedRect(outer, kCorner, kCorner);
}

} // namespace uttrin::app

#include "moc_FocusRing.cpp"
