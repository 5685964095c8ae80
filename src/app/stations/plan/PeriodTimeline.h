#pragma once

#include "app/accessibility/Spoken.h"
#include "lesson/acts/PeriodView.h"

#include <QFont>
#include <QWidget>

namespace uttrin::app {

/// The acts of a lesson in lanes before and after the bell. A block is dragged to another minute and drawn
/// longer at its end; by keys, up and down choose, left and right move by a minute (with Shift five), with
/// Ctrl the length.
class PeriodTimeline : public QWidget, public Spoken {
    Q_OBJECT
public:
    explicit PeriodTimeline(QWidget* parent = nullptr);
    void show(const PeriodView& view, std::optional<RowId> chosen);
    [[nodiscard]] QAccessible::Role spokenRole() const override { return QAccessible::Chart; }
    [[nodiscard]] QString spokenValue() const override;
    [[nodiscard]] std::vector<Part> spokenParts() const override;
    [[nodiscard]] QSize minimumSizeHint() const override;
    [[nodiscard]] QSize sizeHint() const override { return minimumSizeHint(); }
    /// Where a minute stands, px; for tests and for those who drag.
    [[nodiscard]] double x(double minute) const;
    [[nodiscard]] QRectF laneRect(std::size_t lane) const;

signals:
    void chosen(uttrin::RowId act);
    void moved(uttrin::RowId act, int minutes);      ///< by so many
    void lengthened(uttrin::RowId act, int minutes); ///< by so many
    void takenAway(uttrin::RowId act);

protected:
    void paintEvent(QPaintEvent* event) override;
    void resizeEvent(QResizeEvent* event) override;
    void mousePressEvent(QMouseEvent* event) override;
    void mouseMoveEvent(QMouseEvent* event) override;
    void mouseReleaseEvent(QMouseEvent* event) override;
    void keyPressEvent(QKeyEvent* event) override;
    bool event(QEvent* event) override;

private:
    /// A block under the mouse.
    struct Grip {
        std::size_t lane = 0;
        bool end = false;  ///< it is held at its end
        double from = 0.0; ///< px, where it was taken
        int minutes = 0;   ///< by which it is off its place
    };
    [[nodiscard]] double left() const;
    [[nodiscard]] static QString titleOf(const PeriodView::Lane& lane);
    /// How much room words need beside their lane.
    [[nodiscard]] QRectF wordsRect(const QString& words, int px, QFont::Weight weight) const;
    void fit();
    [[nodiscard]] std::optional<std::size_t> laneAt(double y) const;
    [[nodiscard]] std::optional<std::size_t> chosenLane() const;
    [[nodiscard]] bool isAtEnd(std::size_t lane, double px) const;
    void paintScale(QPainter& p) const;
    void paintLane(QPainter& p, std::size_t lane) const;
    void paintSpread(QPainter& p, QPointF end, double by) const;
    void paintClashes(QPainter& p) const;
    PeriodView m_view;
    int m_laneHigh = 0; ///< px
    std::optional<RowId> m_chosen;
    std::optional<Grip> m_grip;
};

} // namespace uttrin::app
