#pragma once

#include <QPointer>
#include <QWidget>

namespace uttrin::app {

/// The ring around what has the keyboard, the same for every control: two pixels of the page's colour, then
/// two that stand out from it. It lies over the window, so that nothing moves for it, and takes no clicks.
class FocusRing : public QWidget {
    Q_OBJECT
public:
    /// One for each window, following the focus of the application.
    static void follow();
    bool eventFilter(QObject* watched, QEvent* event) override;

protected:
    void paintEvent(QPaintEvent* event) override;

private:
    explicit FocusRing(QWidget* window);
    void goTo(QWidget* focused);
    void place();
    QPointer<QWidget> m_focused;
    std::vector<QPointer<QWidget>> m_watched; ///< what moves it: the control and all that it stands in
    QRect m_ring; ///< of the whole ring, px of this widget; parts may be scrolled away
};

} // namespace uttrin::app
