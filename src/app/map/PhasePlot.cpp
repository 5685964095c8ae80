#include "PhasePlot.h"

#include "PhaseMap.h"

#include <QPainter>

namespace uttrin::app {

PhasePlot::PhasePlot(PhaseMap& map) : QCustomPlot(&map), m_map(map) {
    setAttribute(Qt::WA_TransparentForMouseEvents);
    setFocusPolicy(Qt::NoFocus);
}

void PhasePlot::paintEvent(QPaintEvent* event) {
    QCustomPlot::paintEvent(event);
    QPainter p(this);
    m_map.paintCaptions(p);
}

void PhasePlot::resizeEvent(QResizeEvent* event) {
    // The plot sets out its ticks before it lays itself out: those would be of the size that it had.
    setViewport(rect());
    for (const auto phase : {QCPLayoutElement::upMargins, QCPLayoutElement::upLayout})
        plotLayout()->update(phase);
    QCustomPlot::resizeEvent(event);
    m_map.placeOverview();
}

} // namespace uttrin::app

#include "moc_PhasePlot.cpp"
