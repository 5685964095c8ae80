#include "ScaleTicker.h"

#include "app/controls/OnScreen.h"

#include <QFontMetricsF>

#include <algorithm>
#include <cmath>
#include <set>

namespace uttrin::app {

std::vector<ScaleTicker::Graduation> ScaleTicker::graduations(double low, double high,
                                                              double fewestPixels) const {
    constexpr int kMostMultiples = 2000;
    std::vector<Graduation> out;
    std::set<double> pixels;
    const auto crowded = [&](double pixel) {
        const auto next = pixels.lower_bound(pixel - fewestPixels);
        return next != pixels.end() && *next < pixel + fewestPixels;
    };
    const int top =
        static_cast<int>(std::ceil(std::log10(std::max({std::abs(low), std::abs(high), high - low}))));
    bool fine = false; // so many steps that none of them stand apart
    for (int power = top; power > top - 7 && !fine; --power) {
        const std::size_t before = out.size();
        for (const double lead : {5.0, 1.0}) { // round steps, coarse ones first, each a multiple of the next
            const double step = lead * std::pow(10.0, power);
            fine = (high - low) / step > kMostMultiples;
            if (fine) break;
            for (double n = std::ceil(low / step - 1e-9); n * step <= high + 1e-9 * step; ++n) {
                const double value = n * step, coord = m_coordOf(value), pixel = m_axis->coordToPixel(coord);
                // A step is used only where its own graduations stand far enough apart, so that spacing stays
                // regular.
                const auto away = [&](double other) {
                    const double there = m_axis->coordToPixel(m_coordOf(other));
                    return std::isfinite(there) ? std::abs(there - pixel) : 1e9;
                };
                if (!std::isfinite(pixel) || crowded(pixel) ||
                    std::min(away(value - step), away(value + step)) < fewestPixels)
                    continue;
                pixels.insert(pixel);
                out.push_back({value, coord, pixel});
            }
        }
        if (out.size() > 3 && out.size() == before) break;
    }
    if (out.size() < 2 && low > 0.0) { // decades close together: powers of ten alone
        out.clear();
        pixels.clear();
        for (int power = static_cast<int>(std::floor(std::log10(high))); std::pow(10.0, power) >= low;
             --power) {
            const double value = std::pow(10.0, power), coord = m_coordOf(value),
                         pixel = m_axis->coordToPixel(coord);
            if (!std::isfinite(pixel) || crowded(pixel)) continue;
            pixels.insert(pixel);
            out.push_back({value, coord, pixel});
        }
    }
    return out;
}

void ScaleTicker::generate(const QCPRange& range, const QLocale&, QChar, int, QVector<double>& ticks,
                           QVector<double>* subTicks, QVector<QString>* tickLabels) {
    constexpr double kTickPixels = 6.0, kOfALine = 1.3;
    const double labelPixels = kOfALine * QFontMetricsF(m_axis->tickLabelFont()).height();
    ticks.clear();
    if (subTicks) subTicks->clear();
    if (tickLabels) tickLabels->clear();
    const double a = m_valueOf(range.lower), b = m_valueOf(range.upper);
    if (!m_shown || !std::isfinite(a) || !std::isfinite(b) || a == b) return;
    // The same scale along the same stretch, as at most redraws: three of its values tell any other.
    const Stretch stretch{range.lower,
                          range.upper,
                          m_axis->coordToPixel(range.lower),
                          m_axis->coordToPixel(range.upper),
                          a,
                          m_valueOf(range.center()),
                          b,
                          labelPixels};
    if (stretch == m_stretch) {
        ticks = m_ticks;
        if (subTicks) *subTicks = m_subTicks;
        if (tickLabels) *tickLabels = m_labels;
        return;
    }
    auto labelled = graduations(std::min(a, b), std::max(a, b), labelPixels);
    m_labels.clear();
    m_subTicks.clear();
    std::sort(labelled.begin(), labelled.end(),
              [](const Graduation& l, const Graduation& r) { return l.coord < r.coord; });
    for (const Graduation& g : labelled) {
        ticks.push_back(g.coord);
        m_labels.push_back(fieldText(std::abs(g.value) < 1e-9 ? 0.0 : g.value));
    }
    for (const Graduation& g : graduations(std::min(a, b), std::max(a, b), kTickPixels))
        m_subTicks.push_back(g.coord);
    m_ticks = ticks;
    m_stretch = stretch;
    if (subTicks) *subTicks = m_subTicks;
    if (tickLabels) *tickLabels = m_labels;
}

} // namespace uttrin::app
