#include "MessageLine.h"

#include "Labels.h"

#include <QAccessible>
#include <QEvent>
#include <QMenuBar>
#include <QTimer>

#include <algorithm>

namespace uttrin::app {
namespace {

constexpr int kSeconds = 8; // a message; a failure stays three times as long

} // namespace

Announcements& Announcements::all() {
    static Announcements announcements;
    return announcements;
}

void announce(QWidget* from, const QString& text, const QString& name) {
    if (text.isEmpty()) return;
    emit Announcements::all().said(text);
    from->setAccessibleName(text);
    QAccessibleEvent spoken(from, QAccessible::Alert);
    QAccessible::updateAccessibility(&spoken);
    if (!name.isEmpty()) from->setAccessibleName(name);
}

MessageLine::MessageLine(QMenuBar* bar) : QLabel(bar->window()), m_bar(bar), m_away(new QTimer(this)) {
    setObjectName(QStringLiteral("message"));
    setWordWrap(true);
    setTextFormat(Qt::PlainText);
    setRole(this, "message");
    setToolTip(tr("Click to put it away"));
    hide();
    m_away->setSingleShot(true);
    connect(m_away, &QTimer::timeout, this, &QWidget::hide);
    bar->window()->installEventFilter(this);
    bar->installEventFilter(this);
}

void MessageLine::say(const QString& text, bool failure) {
    m_failure = failure;
    m_said.start();
    setRole(this, failure ? "failure" : "message");
    setText((failure ? QStringLiteral("\u26A0  ") : QString()) + text);
    place();
    show();
    raise();
    m_away->start((failure ? 3 : 1) * kSeconds * 1000);
    announce(this, text);
}

void MessageLine::forgetFailure() {
    constexpr qint64 kSameStep = 300; // ms: what comes of the failure itself
    if (m_failure && m_said.elapsed() > kSameStep) hide();
}

bool MessageLine::eventFilter(QObject*, QEvent* event) {
    if (event->type() == QEvent::Resize && !isHidden()) place();
    return false;
}

void MessageLine::place() {
    constexpr int kGap = 24, kEdge = 12, kLeast = 320;
    int menus = 0;
    const auto shown = m_bar->actions();
    for (QAction* action : shown)
        menus = std::max(menus, m_bar->actionGeometry(action).right());
    QWidget* window = parentWidget();
    const int right = window->width() - kEdge,
              widest = std::max(kLeast, right - m_bar->mapTo(window, QPoint(menus, 0)).x() - kGap);
    setWordWrap(false); // as wide as its text, if that fits
    const int width = std::min(widest, sizeHint().width());
    setWordWrap(true);
    const int top = m_bar->mapTo(window, QPoint(0, 0)).y(),
              height = std::max(m_bar->height(), heightForWidth(width));
    setGeometry(right - width, top, width, height);
}

void MessageLine::mousePressEvent(QMouseEvent*) { hide(); }

} // namespace uttrin::app

#include "moc_MessageLine.cpp"
