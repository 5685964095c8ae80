#include "SvgPlot.h"

#include "quantities/Rounding.h"

#include <fmt/format.h>

#include <algorithm>
#include <cmath>

namespace uttrin {
namespace {

constexpr double kWidth = 800, kHeight = 480, kLeft = 78, kRight = 20, kTop = 16, kBottom = 58;
constexpr const char* kInk = "#1D2B36";
constexpr const char* kMuted = "#5C6871";
constexpr const char* kGrid = "#E6DFCF";
constexpr const char* kPaper = "#C9BFA8"; // fine enough under a pencil, dark enough for a copier
constexpr const char* kTeal = "#0F6F7C";

class Canvas {
public:
    Canvas(const SvgPlot& plot, const Wording& wording) : m_plot(plot), m_wording(wording) {
        m_out = fmt::format(
            "<svg xmlns=\"http://www.w3.org/2000/svg\" version=\"1.2\" baseProfile=\"tiny\" viewBox=\"0 0 {} "
            "{}\" font-family=\"Inter Tabular, Inter, Arial, sans-serif\" font-size=\"14\">\n",
            kWidth, kHeight);
    }

    [[nodiscard]] double px(double x) const {
        return kLeft + (kWidth - kLeft - kRight) * (x - m_plot.xLow) / (m_plot.xHigh - m_plot.xLow);
    }
    [[nodiscard]] double py(double y) const {
        return kHeight - kBottom -
               (kHeight - kTop - kBottom) * (y - m_plot.yLow) / (m_plot.yHigh - m_plot.yLow);
    }
    [[nodiscard]] bool inside(double x, double y) const {
        return x >= m_plot.xLow && x <= m_plot.xHigh && y >= m_plot.yLow && y <= m_plot.yHigh;
    }

    void line(double x1, double y1, double x2, double y2, const char* colour, double width,
              const char* dash = "") {
        m_out += fmt::format("<line x1=\"{:.1f}\" y1=\"{:.1f}\" x2=\"{:.1f}\" y2=\"{:.1f}\" stroke=\"{}\" "
                             "stroke-width=\"{}\"{}/>\n",
                             x1, y1, x2, y2, colour, width,
                             *dash ? fmt::format(" stroke-dasharray=\"{}\"", dash) : "");
    }
    void text(double x, double y, const Text& s, const char* anchor, const char* colour) {
        m_out += fmt::format("<text x=\"{:.1f}\" y=\"{:.1f}\" text-anchor=\"{}\" fill=\"{}\">{}</text>\n", x,
                             y, anchor, colour, said(s));
    }
    [[nodiscard]] std::string said(const Text& text) const { return escaped(text.said(m_wording)); }
    void raw(const std::string& s) { m_out += s; }
    [[nodiscard]] std::string finished() { return m_out + "</svg>\n"; }

private:
    const SvgPlot& m_plot;
    const Wording& m_wording;
    std::string m_out;
};

/// Of an axis: ten lines at most.
double stepOf(double low, double high) {
    constexpr double kLines = 10.0;
    return roundStep((high - low) / kLines);
}

/// Paper to draw on: lines between the steps, and the steps themselves stronger.
void drawPaper(Canvas& c, const SvgPlot& plot, double dx, double dy) {
    const double bottom = kHeight - kBottom, right = kWidth - kRight;
    constexpr double kHair = 0.6, kStep = 1.4, kLittle = 1e-9;
    const auto lines = [&](double low, double high, double step, const auto& draw) {
        const double fine = step / plot.divisions;
        for (auto k = std::llround(std::ceil(low / fine - kLittle));
             static_cast<double>(k) * fine <= high + kLittle * fine; ++k)
            draw(static_cast<double>(k) * fine, k % plot.divisions == 0 ? kStep : kHair);
    };
    lines(plot.xLow, plot.xHigh, dx,
          [&](double x, double width) { c.line(c.px(x), kTop, c.px(x), bottom, kPaper, width); });
    lines(plot.yLow, plot.yHigh, dy,
          [&](double y, double width) { c.line(kLeft, c.py(y), right, c.py(y), kPaper, width); });
}

void drawAxes(Canvas& c, const SvgPlot& plot) {
    const double bottom = kHeight - kBottom, right = kWidth - kRight;
    const double dx = stepOf(plot.xLow, plot.xHigh), dy = stepOf(plot.yLow, plot.yHigh);
    if (plot.divisions > 1) drawPaper(c, plot, dx, dy);
    for (double x = std::ceil(plot.xLow / dx - 1e-9) * dx; x <= plot.xHigh + 1e-9 * dx; x += dx) {
        c.line(c.px(x), kTop, c.px(x), bottom, kGrid, 1);
        c.text(c.px(x), bottom + 20, fixed(x, decimalsForDivision(dx)), "middle", kInk);
    }
    for (double y = std::ceil(plot.yLow / dy - 1e-9) * dy; y <= plot.yHigh + 1e-9 * dy; y += dy) {
        c.line(kLeft, c.py(y), right, c.py(y), kGrid, 1);
        c.text(kLeft - 8, c.py(y) + 5, fixed(y, decimalsForDivision(dy)), "end", kInk);
    }
    c.line(kLeft, bottom, right, bottom, kInk, 1.2);
    c.line(kLeft, kTop, kLeft, bottom, kInk, 1.2);
    c.text((kLeft + right) / 2, kHeight - 12, plot.xLabel, "middle", kMuted);
    c.raw(fmt::format("<g transform=\"translate(20 {:.1f}) rotate(-90)\"><text text-anchor=\"middle\" "
                      "fill=\"{}\">{}</text></g>\n",
                      (kTop + bottom) / 2, kMuted, c.said(plot.yLabel)));
}

void drawCurve(Canvas& c, const SvgPlot& plot, const SvgPlot::Curve& curve) {
    constexpr int kSamples = 160;
    std::string points;
    double endX = 0.0, endY = 0.0;
    for (int i = 0; i <= kSamples; ++i) {
        const double x = plot.xLow + (plot.xHigh - plot.xLow) * i / kSamples, y = curve.y(x);
        if (!std::isfinite(y) || !c.inside(x, y)) continue;
        endX = c.px(x);
        endY = c.py(y);
        points += fmt::format("{:.1f},{:.1f} ", endX, endY);
    }
    if (points.empty()) return;
    c.raw(fmt::format("<polyline fill=\"none\" stroke=\"{}\" stroke-width=\"2\"{} points=\"{}\"/>\n",
                      curve.dashed ? kTeal : kInk, curve.dashed ? " stroke-dasharray=\"7 4\"" : "", points));
    if (!curve.label.empty())
        c.text(endX - 10, endY + (curve.dashed ? -10 : 22), curve.label, "end", curve.dashed ? kTeal : kInk);
}

void drawPoint(Canvas& c, const SvgPlot& plot, const PlotPoint& p) {
    if (!c.inside(p.x, p.y)) return;
    const auto clampX = [&](double x) { return c.px(std::clamp(x, plot.xLow, plot.xHigh)); };
    const auto clampY = [&](double y) { return c.py(std::clamp(y, plot.yLow, plot.yHigh)); };
    if (p.ux > 0.0) c.line(clampX(p.x - p.ux), c.py(p.y), clampX(p.x + p.ux), c.py(p.y), kInk, 1);
    if (p.uy > 0.0) c.line(c.px(p.x), clampY(p.y - p.uy), c.px(p.x), clampY(p.y + p.uy), kInk, 1);
    const double x = c.px(p.x), y = c.py(p.y), r = 6;
    c.raw(fmt::format("<polygon points=\"{:.1f},{:.1f} {:.1f},{:.1f} {:.1f},{:.1f} {:.1f},{:.1f}\" "
                      "fill=\"{}\" stroke=\"{}\" stroke-width=\"1.4\"/>\n",
                      x, y - r, x + r, y, x, y + r, x - r, y, p.hollow ? "none" : kTeal, kTeal));
}

} // namespace

void frameAround(SvgPlot& plot) {
    if (plot.points.empty()) return;
    const auto [xMin, xMax] = std::minmax_element(plot.points.begin(), plot.points.end(),
                                                  [](auto& a, auto& b) { return a.x < b.x; });
    const auto [yMin, yMax] = std::minmax_element(plot.points.begin(), plot.points.end(),
                                                  [](auto& a, auto& b) { return a.y < b.y; });
    const double dx = std::max(0.07 * (xMax->x - xMin->x), 1e-6),
                 dy = std::max(0.08 * (yMax->y - yMin->y), 1e-6);
    plot.xLow = xMin->x - dx;
    plot.xHigh = xMax->x + dx;
    plot.yLow = yMin->y - dy;
    plot.yHigh = yMax->y + dy;
}

namespace {

/// Rounds an interval outwards to whole steps. A product of step and count can end a last bit inside of what
/// it rounds, and what lay on the end would be left off the plot: so the end is never moved inwards.
void widen(double& low, double& high) {
    const double step = stepOf(low, high);
    low = std::min(low, step * std::floor(low / step));
    high = std::max(high, step * std::ceil(high / step));
}

} // namespace

void widenToSteps(SvgPlot& plot) {
    widen(plot.xLow, plot.xHigh);
    widen(plot.yLow, plot.yHigh);
}

std::string toSvg(const SvgPlot& plot, const Wording& wording) {
    Canvas c(plot, wording);
    drawAxes(c, plot);
    for (const auto& level : plot.levels) {
        if (level.y < plot.yLow || level.y > plot.yHigh) continue;
        c.line(kLeft, c.py(level.y), kWidth - kRight, c.py(level.y), kInk, 1.2, "6 4");
        c.text(kLeft + 8, c.py(level.y) - 6, level.label, "start", kInk);
    }
    for (const auto& curve : plot.curves)
        drawCurve(c, plot, curve);
    for (const auto& p : plot.points)
        drawPoint(c, plot, p);
    return c.finished();
}

std::string escaped(const std::string& text) {
    std::string out;
    for (const char c : text) {
        switch (c) {
        case '&':
            out += "&amp;";
            break;
        case '<':
            out += "&lt;";
            break;
        case '>':
            out += "&gt;";
            break;
        case '"':
            out += "&quot;";
            break;
        default:
            out += c;
        }
    }
    return out;
}

} // namespace uttrin
