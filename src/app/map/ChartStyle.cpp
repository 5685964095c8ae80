#include "ChartStyle.h"

#include "ScaleTicker.h"
#include "app/controls/Theme.h"

#include <qcustomplot.h>

namespace uttrin::app {

void restyleChart(QCustomPlot& chart) {
    const Theme& t = theme();
    chart.clearGraphs();
    chart.clearItems();
    chart.setBackground(t.ground);
    for (QCPAxis* axis : {chart.xAxis, chart.yAxis}) {
        axis->setTicker(QSharedPointer<RealMinusTicker>::create());
        axis->setTickLabelFont(fontOf(t.small));
        axis->setLabelFont(fontOf(t.small, QFont::Medium));
        axis->setTickLabelColor(t.ink);
        axis->setLabelColor(t.muted);
        axis->setBasePen(QPen(t.muted, 1));
        axis->setTickPen(QPen(t.muted, 1));
        axis->setSubTickPen(QPen(t.muted, 1));
        axis->grid()->setPen(QPen(t.hairline, 1));
    }
}

void writeBeside(QCustomPlot& chart, double x, double y, const QString& text, Qt::Alignment corner,
                 bool strong, int lift) {
    const Theme& t = theme();
    auto* label = new QCPItemText(&chart);
    label->setPositionAlignment(corner);
    label->position->setCoords(x, y);
    label->setPadding(QMargins(10, 6, 10, 6 + lift));
    label->setText(text);
    label->setFont(fontOf(strong ? t.text : t.small, strong ? QFont::DemiBold : QFont::Normal));
    label->setColor(strong ? t.done : t.muted);
}

void markPoint(QCustomPlot& chart, double x, double y, bool strong) {
    const Theme& t = theme();
    auto* mark = chart.addGraph();
    mark->setLineStyle(QCPGraph::lsNone);
    mark->setScatterStyle(
        QCPScatterStyle(QCPScatterStyle::ssDisc, strong ? t.done : t.muted, strong ? 13 : 7));
    mark->addData(x, y);
    mark->removeFromLegend();
}

} // namespace uttrin::app
