#pragma once

#include <QPointer>
#include <QWidget>

class QBoxLayout;
class QHBoxLayout;

namespace uttrin::app {

/// A row of a scrolled column that stays in sight: where its place is below what is seen, it lies over the
/// lower edge of that.
class RowInSight : public QWidget {
    Q_OBJECT
public:
    /// @param into  the column in which its place is; both live as long as it.
    explicit RowInSight(QBoxLayout& into);
    QHBoxLayout* row() { return m_row; }
    /// Whether its place is out of sight.
    [[nodiscard]] bool lies() const { return m_lies; }

protected:
    bool event(QEvent* event) override;
    bool eventFilter(QObject* watched, QEvent* event) override;
    void paintEvent(QPaintEvent* event) override;

private:
    void climb();
    void fit();
    void settle();
    void uncover(const QWidget& now);

    QPointer<QWidget> m_place; ///< goes with the column, maybe before this
    QHBoxLayout* m_row;
    bool m_lies = false;
};

} // namespace uttrin::app
