#pragma once

#include <qcustomplot.h>

namespace uttrin::app {

class PhaseMap;

/// The plot that a phase map is drawn on. It takes no mouse and no keys of its own: the map does, and passes
/// on what moves or zooms the axes.
class PhasePlot : public QCustomPlot {
    Q_OBJECT
public:
    explicit PhasePlot(PhaseMap& map);
    using QCustomPlot::mouseMoveEvent;
    using QCustomPlot::mousePressEvent;
    using QCustomPlot::mouseReleaseEvent;
    using QCustomPlot::wheelEvent;

protected:
    void paintEvent(QPaintEvent* event) override;
    void resizeEvent(QResizeEvent* event) override;

private:
    PhaseMap& m_map;
};

} // namespace uttrin::app
