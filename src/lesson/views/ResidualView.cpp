#include "ResidualView.h"

#include "analysis/LineFit.h"
#include "quantities/Rounding.h"

#include <algorithm>
#include <cmath>

namespace uttrin {
namespace {

std::optional<double> valueOf(const ReducedReading& r, ResidualAxis axis) {
    switch (axis) {
    case ResidualAxis::Order:
        return r.raw.position;
    case ResidualAxis::Temperature:
        return r.liquid.temperature.celsius();
    case ResidualAxis::HeaterSetting:
        return r.raw.heaterSetting;
    }
    return std::nullopt;
}

Text nameOf(ResidualAxis axis) {
    switch (axis) {
    case ResidualAxis::Order:
        return Text::tr("order of taking");
    case ResidualAxis::Temperature:
        return Text::tr("temperature, °C");
    case ResidualAxis::HeaterSetting:
        return Text::tr("heater’s setting");
    }
    return {};
}

/// What a trend of the residuals would mean.
Text meaningOf(ResidualAxis axis) {
    switch (axis) {
    case ResidualAxis::Order:
        return Text::tr("Something drifts while the run goes on.");
    case ResidualAxis::Temperature:
        return Text::tr("The line is not straight for these points: look at the causes beside it.");
    case ResidualAxis::HeaterSetting:
        return Text::tr(
            "Harder heating moves the points: take all of them with one setting, as low as boils.");
    }
    return {};
}

} // namespace

ResidualView residualView(const RunFit& fit, const std::vector<ReducedReading>& readings, ResidualAxis axis) {
    ResidualView view;
    view.axis = nameOf(axis);
    std::vector<FitPoint> points;
    for (std::size_t i = 0; i < fit.used.size(); ++i) {
        const ReducedReading& r = readings[fit.used[i]];
        const auto x = valueOf(r, axis);
        if (!x) continue;
        const PointResult& p = fit.fit.points[i];
        view.points.push_back({*x, p.residualKelvin, r.raw.position, !p.flag.empty()});
        points.push_back({*x, p.residualKelvin, 0.0, 1.0});
    }
    constexpr std::size_t kFewest = 4;
    if (points.size() < kFewest) {
        view.told = axis == ResidualAxis::HeaterSetting
                        ? Text::tr("Fewer than {} points say how the heater stood: type it at Run.", kFewest)
                        : Text::tr("A trend is told from {} points.", kFewest);
        return view;
    }
    const auto [least, most] = std::ranges::minmax(points, {}, &FitPoint::x);
    const double span = most.x - least.x;
    if (!(span > 0.0)) {
        view.told = Text::tr("All points stand at one value of it: nothing can be told.");
        return view;
    }
    const LineFit line = fitOls(points);
    const double factor = studentFactor(0.95, line.degreesOfFreedom);
    const double rise = line.slope * span, within = factor * line.slopeU * span;
    const int decimals = std::clamp(decimalsForUncertainty(within), 1, 3);
    const Text change = Text::tr("From the least to the most they move by {} ± {} K.",
                                 Text::number(rise, decimals, true), Text::number(within, decimals));
    view.told = std::abs(rise) > within
                    ? Text::sentences({change, meaningOf(axis)})
                    : Text::sentences({change, Text::tr("No trend is seen beyond the scatter (95 %).")});
    return view;
}

} // namespace uttrin
