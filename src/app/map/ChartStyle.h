#pragma once

#include <Qt>

class QCustomPlot;
class QString;

namespace uttrin::app {

/// Gives a chart the colours, fonts and grid of the theme in use, and empties it.
void restyleChart(QCustomPlot& chart);

/// Writes a word beside a point of a chart.
/// @param corner  of the word that lies at the point. @param strong  in the colour of what a person set.
/// @param lift  px, by how much higher, to keep clear of the word below.
void writeBeside(QCustomPlot& chart, double x, double y, const QString& text, Qt::Alignment corner,
                 bool strong, int lift = 0);

/// Puts a disc on a point of a chart.
void markPoint(QCustomPlot& chart, double x, double y, bool strong);

} // namespace uttrin::app
