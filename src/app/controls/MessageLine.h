#pragma once

#include <QElapsedTimer>
#include <QLabel>

class QMenuBar;
class QTimer;

namespace uttrin::app {

/// What the program says: in the free part of the menu's line, where nothing moves for it. A text that needs
/// more room grows over what lies below. A click takes it away; what is spoken is spoken at once.
class MessageLine : public QLabel {
    Q_OBJECT
public:
    /// @param bar  beside whose menus it stands; of the window that is its parent.
    explicit MessageLine(QMenuBar* bar);
    void say(const QString& text, bool failure);
    /// Takes a failure away whose cause is mended, or that belongs to what is left behind.
    void forgetFailure();
    bool eventFilter(QObject* watched, QEvent* event) override;

protected:
    void mousePressEvent(QMouseEvent* event) override;

private:
    void place();
    QMenuBar* m_bar;
    QTimer* m_away;
    QElapsedTimer m_said;
    bool m_failure = false;
};

/// All that is announced, for whoever else wants to hear it.
class Announcements : public QObject {
    Q_OBJECT
public:
    static Announcements& all();

signals:
    void said(const QString& text);
};

/// Says something to those who listen, at once, for a widget that shows it.
/// @param name  what the widget is called else; it is called so again afterwards.
void announce(QWidget* from, const QString& text, const QString& name = {});

} // namespace uttrin::app
