#include "HandPump.h"

#include <algorithm>
#include <cmath>

namespace uttrin {
namespace {

constexpr std::size_t kFewestStrokes = 4;

/// A stroke: the readings just before and just after it.
struct Stroke {
    std::size_t before = 0, after = 0;
};

std::vector<Stroke> strokesIn(const TraceChannel& p) {
    constexpr double kFall = 0.02, kSteps = 2.5, kLasts = 1.0; // of the pressure; steps of the figures; s
    std::vector<Stroke> strokes;
    for (std::size_t i = 1; i < p.size(); ++i) {
        const double fall = p.values[i - 1] - p.values[i];
        if (!(fall > std::max(kFall * p.values[i - 1], kSteps * p.step))) continue;
        const bool goesOn = !strokes.empty() && strokes.back().after == i - 1 &&
                            p.seconds[i] - p.seconds[strokes.back().before] <= kLasts;
        if (goesOn)
            strokes.back().after = i;
        else
            strokes.push_back({i - 1, i});
    }
    return strokes;
}

/// Whether it was read often enough to see pauses, and mostly there are none: a motor pumps.
bool fallsAllTheTime(const TraceChannel& p, const std::vector<Stroke>& strokes) {
    constexpr double kSlowest = 2.0; // s, between two strokes of a hurried hand
    std::size_t together = 0;
    for (std::size_t i = 1; i < strokes.size(); ++i)
        together += strokes[i].before == strokes[i - 1].after &&
                    p.seconds[strokes[i].after] - p.seconds[strokes[i - 1].after] < kSlowest;
    return 2 * together > strokes.size();
}

/// What comes in between strokes: the rises, put together by how long each was watched.
void fitLoss(HandPump& pump, const TraceChannel& p, const std::vector<Stroke>& strokes) {
    double rises = 0.0, lasts = 0.0;
    std::vector<std::pair<double, double>> pauses; // s, Pa
    for (std::size_t s = 0; s < strokes.size(); ++s) {
        const std::size_t from = strokes[s].after,
                          to = s + 1 < strokes.size() ? strokes[s + 1].before : p.size() - 1;
        if (to <= from) continue;
        pauses.emplace_back(p.seconds[to] - p.seconds[from], p.values[to] - p.values[from]);
        lasts += pauses.back().first;
        rises += pauses.back().second;
    }
    if (!(lasts > 0.0)) return;
    pump.loss = rises / lasts;
    double squares = 0.0;
    for (const auto& [seconds, pascal] : pauses)
        squares += (pascal - pump.loss * seconds) * (pascal - pump.loss * seconds);
    const auto count = static_cast<double>(pauses.size());
    const double ofSteps = p.step / std::sqrt(6.0) * std::sqrt(count); // two roundings a pause
    pump.lossU = std::hypot(ofSteps, count > 1.0 ? std::sqrt(squares * count / (count - 1.0)) : 0.0) / lasts;
    if (p.step == 0.0 && count < 2.0) pump.lossU = std::abs(pump.loss); // one pause alone says little
}

} // namespace

std::optional<int> HandPump::strokesTo(double fromPascal, double toPascal) const {
    if (!(toPascal > floor && fromPascal > floor && ratio > 0.0 && ratio < 1.0)) return std::nullopt;
    if (fromPascal <= toPascal) return 0;
    constexpr double kSlack = 1e-9; // of a stroke: rounding
    return static_cast<int>(
        std::ceil(std::log((toPascal - floor) / (fromPascal - floor)) / std::log(ratio) - kSlack));
}

Result<HandPump> fitStrokes(const TraceChannel& p, double cubicMetres) {
    if (!(cubicMetres > 0.0))
        return fail(Failure::BadInput, Text::tr("the vessel needs a volume above zero"));
    const std::vector<Stroke> strokes = strokesIn(p);
    if (fallsAllTheTime(p, strokes))
        return fail(Failure::BadInput,
                    Text::tr("the pressure falls without a pause: these are no strokes of a hand pump"));
    if (strokes.size() < kFewestStrokes)
        return fail(Failure::TooFewPoints,
                    Text::tr("{} strokes of the pump are seen; a hand pump is told from {}", strokes.size(),
                             kFewestStrokes));
    HandPump pump;
    pump.strokes = strokes.size();
    pump.start = p.values[strokes.front().before];
    // A straight line of what is left against what was there, by least squares.
    const auto count = static_cast<double>(strokes.size());
    double meanBefore = 0.0, meanAfter = 0.0;
    for (const Stroke& s : strokes) {
        meanBefore += p.values[s.before] / count;
        meanAfter += p.values[s.after] / count;
    }
    double xx = 0.0, xy = 0.0;
    for (const Stroke& s : strokes) {
        xx += (p.values[s.before] - meanBefore) * (p.values[s.before] - meanBefore);
        xy += (p.values[s.before] - meanBefore) * (p.values[s.after] - meanAfter);
    }
    pump.ratio = xy / xx;
    if (!(pump.ratio > 0.0 && pump.ratio < 1.0))
        return fail(
            Failure::BadInput,
            Text::tr("these strokes do not lead to a floor: each shall leave a share of what was there"));
    pump.floor = std::max(0.0, (meanAfter - pump.ratio * meanBefore) / (1.0 - pump.ratio));
    double squares = 0.0;
    for (const Stroke& s : strokes) {
        const double off = p.values[s.after] - (meanAfter + pump.ratio * (p.values[s.before] - meanBefore));
        squares += off * off;
    }
    const double perReading = std::max(squares / (count - 2.0), p.step * p.step / 6.0);
    pump.ratioU = std::sqrt(perReading / xx);
    pump.stroke = cubicMetres * (1.0 / pump.ratio - 1.0);
    pump.strokeU = cubicMetres * pump.ratioU / (pump.ratio * pump.ratio);
    fitLoss(pump, p, strokes);
    return pump;
}

} // namespace uttrin
