#pragma once

#include "app/accessibility/Spoken.h"
#include "lesson/views/MapView.h"

#include <QSharedPointer>
#include <QWidget>

#include <optional>
#include <utility>

class QCPAxisTicker;

namespace uttrin::app {

class PhaseRegions;
class MapMarks;
class PhasePlot;
class ScaleTicker;
class MapOverview;

/// The phase map: temperature across, pressure up, the phases as tints, the instrument's own scale at the
/// right edge. Or the same data as ln p against 1/T. Targets can be dragged, or moved with the arrow keys.
class PhaseMap : public QWidget, public Spoken {
    Q_OBJECT
public:
    enum class Axes { PressureLog, PressureLinear, ClausiusClapeyron };

    explicit PhaseMap(QWidget* parent = nullptr);
    void show(const MapView& view);
    void setAxes(Axes axes);
    [[nodiscard]] Axes axes() const { return m_axes; }
    void setTargetsMovable(bool movable) { m_movable = movable; }
    void setOverviewShown(bool shown);
    /// Shows the substance from below its triple point to beyond its critical point.
    void showAll();
    /// Frames what matters again, after zooming.
    void resetFrame();
    [[nodiscard]] const MapView& view() const { return m_view; }
    [[nodiscard]] int selectedTarget() const { return m_selected; }

    // Between physics and plot coordinates in the present axes.
    [[nodiscard]] double xOf(double kelvin) const;
    [[nodiscard]] double yOf(double pascal) const;
    [[nodiscard]] double kelvinAt(double x) const;
    [[nodiscard]] double pascalAt(double y) const;
    [[nodiscard]] QPointF pixelOf(double kelvin, double pascal) const;

    /// K and Pa at a pixel.
    [[nodiscard]] std::pair<double, double> valuesAt(QPointF pixel) const;
    /// px, within the axes.
    [[nodiscard]] QRect plotArea() const;
    /// Draws at once what would be drawn when the events are done.
    void redraw();

    [[nodiscard]] QAccessible::Role spokenRole() const override { return QAccessible::Chart; }
    [[nodiscard]] QString spokenValue() const override;
    [[nodiscard]] std::vector<Part> spokenParts() const override;

    /// The map as a file's bytes.
    [[nodiscard]] QByteArray asSvg();
    [[nodiscard]] QByteArray asPng();

signals:
    void targetMoved(int place, double pascal);
    void targetPicked(int place);
    void pointPicked(qlonglong readingId);
    void layOver(const QString& substance, bool shown);

protected:
    void mousePressEvent(QMouseEvent* event) override;
    void mouseMoveEvent(QMouseEvent* event) override;
    void mouseReleaseEvent(QMouseEvent* event) override;
    void mouseDoubleClickEvent(QMouseEvent* event) override;
    void wheelEvent(QWheelEvent* event) override;
    void leaveEvent(QEvent* event) override;
    void keyPressEvent(QKeyEvent* event) override;
    void resizeEvent(QResizeEvent* event) override;
    void contextMenuEvent(QContextMenuEvent* event) override;
    bool event(QEvent* event) override;

private:
    friend class PhaseRegions;
    friend class MapMarks;
    friend class MapOverview;
    friend class PhasePlot;
    void placeOverview();
    /// Over the edges: what the two scales count.
    void paintCaptions(QPainter& painter) const;
    [[nodiscard]] bool isLow() const;
    void styleAxes();
    void fitTicks();
    void frame();
    /// Draws anew, when the events are done, what lies over the regions and the axes, but not those.
    void replotMarks();
    [[nodiscard]] std::optional<int> targetNear(QPointF pixel) const;
    [[nodiscard]] std::optional<RowId> pointNear(QPointF pixel) const;
    void readOut(QPointF pixel);

    PhasePlot* m_plot; ///< fills the map and draws; hands and keys are taken here
    MapView m_view;
    Axes m_axes = Axes::PressureLog;
    bool m_movable = false;
    bool m_framed = false;
    bool m_overviewWanted = true;
    int m_selected = -2; ///< place of the selected target; -2: none
    std::optional<int> m_dragged;
    double m_draggedPascal = 0.0;
    QPointF m_pressedAt;
    std::optional<QPointF> m_cursor;
    PhaseRegions* m_regions;
    MapMarks* m_marks;
    QSharedPointer<ScaleTicker> m_dial, m_pressure;
    QSharedPointer<QCPAxisTicker> m_plain;
    MapOverview* m_overview;
    bool m_marksQueued = false;
};

} // namespace uttrin::app
