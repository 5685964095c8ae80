#pragma once

#include "text/Text.h"

#include <functional>
#include <optional>
#include <string>
#include <vector>

namespace uttrin {

/// A point of a picture in the report.
struct PlotPoint {
    double x = 0.0, y = 0.0;
    double ux = 0.0, uy = 0.0; ///< error bars, half-lengths; 0 for none
    bool hollow = false;
};

/// A picture with two linear axes, points with error bars, curves and level lines, as SVG Tiny 1.2.
struct SvgPlot {
    Text xLabel, yLabel;
    double xLow = 0.0, xHigh = 1.0, yLow = 0.0, yHigh = 1.0;
    std::vector<PlotPoint> points;
    struct Curve {
        std::function<double(double)> y;
        bool dashed = false;
        Text label; ///< written at its right end; may be empty
    };
    std::vector<Curve> curves;
    struct Level {
        double y = 0.0;
        Text label;
    };
    std::vector<Level> levels;
    int divisions =
        1; ///< of a step of the axes: above 1 the picture is paper to draw on, with finer lines between
};

/// Sets the ends of both axes so that all points lie inside with some space around them.
void frameAround(SvgPlot& plot);

/// Widens both axes to whole steps, so that their ends give nothing away of what lies inside.
void widenToSteps(SvgPlot& plot);

/// The picture as SVG Tiny 1.2, without scripts or outside references, as a face says it.
[[nodiscard]] std::string toSvg(const SvgPlot& plot, const Wording& wording);

/// Text with the characters that HTML and SVG reserve written as entities.
[[nodiscard]] std::string escaped(const std::string& text);

} // namespace uttrin
