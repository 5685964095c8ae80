#pragma once

#include "lesson/BenchViews.h"

#include <qcustomplot.h>

#include <optional>

namespace uttrin::app {

class PhaseRegions;
class MapMarks;
class ScaleTicker;
class MapOverview;

/// The phase map: temperature across, pressure up, the phases as tints, the instrument's own scale at the
/// right edge. Or the same data as ln p against 1/T. Targets can be dragged, or moved with the arrow keys.
class PhaseMap : public QCustomPlot {
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

    bool exportSvg(const QString& path);
    bool exportPng(const QString& path);

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
    void leaveEvent(QEvent* event) override;
    void keyPressEvent(QKeyEvent* event) override;
    void resizeEvent(QResizeEvent* event) override;
    void contextMenuEvent(QContextMenuEvent* event) override;
    bool event(QEvent* event) override;

private:
    friend class PhaseRegions;
    friend class MapMarks;
    friend class MapOverview;
    void placeOverview();
    [[nodiscard]] bool isLow() const;
    void styleAxes();
    void frame();
    [[nodiscard]] std::optional<int> targetNear(QPointF pixel) const;
    [[nodiscard]] std::optional<RowId> pointNear(QPointF pixel) const;
    void readOut(QPointF pixel);

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
    MapMarks* m_marks;
    QSharedPointer<ScaleTicker> m_dial, m_pressure;
    QSharedPointer<QCPAxisTicker> m_plain;
    MapOverview* m_overview;
};

} // namespace uttrin::app
