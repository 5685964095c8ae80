#include "PhotoMarks.h"

#include "quantities/Identifiers.h"

#include <boost/math/tools/minima.hpp>

#include <algorithm>
#include <array>
#include <cmath>
#include <numbers>

namespace uttrin {
namespace {

constexpr double kFullTurn = 2.0 * std::numbers::pi;

double distance(PhotoPoint a, PhotoPoint b) { return std::hypot(a.x - b.x, a.y - b.y); }

/// Angle of a point about a centre, radian, growing clockwise as a picture is seen (y points down).
double bearing(PhotoPoint centre, PhotoPoint p) { return std::atan2(p.y - centre.y, p.x - centre.x); }

/// The same angle moved by full turns to lie within half a turn of another.
double nearest(double angle, double to) { return angle - kFullTurn * std::round((angle - to) / kFullTurn); }

/// Square view of a straight scale: the share of the way from one graduation to the other.
double straightSquare(const PhotoMarks& m, PhotoPoint sight) {
    const auto& [a, b] = std::tie(m.graduations[0], m.graduations[1]);
    const double dx = b.at.x - a.at.x, dy = b.at.y - a.at.y;
    const double share = ((sight.x - a.at.x) * dx + (sight.y - a.at.y) * dy) / (dx * dx + dy * dy);
    return a.value + share * (b.value - a.value);
}

/// Tilted view of a straight scale: two graduations are two sides of a rectangle, of which the height is
/// known in the scale's unit. Its width does not matter to where a point stands along the scale.
std::optional<double> straightTilted(const PhotoMarks& m, PhotoPoint sight) {
    const auto& [a, b] = std::tie(m.graduations[0], m.graduations[1]);
    const auto view = PlaneView::through({a.at, *a.otherEnd, *b.otherEnd, b.at},
                                         {PhotoPoint{0.0, 0.0}, {1.0, 0.0}, {1.0, 1.0}, {0.0, 1.0}});
    const auto seen = view ? view->toPlane(sight) : std::nullopt;
    if (!seen) return std::nullopt;
    return a.value + seen->y * (b.value - a.value);
}

/// The value of an angle on a round scale of which one graduation and the angle of a unit are known. Of the
/// values a turn apart, the one nearest to the middle of the marked graduations.
double valueOfAngle(double angle, double zeroAngle, double zeroValue, double anglePerUnit, double middle) {
    const double middleAngle = zeroAngle + anglePerUnit * (middle - zeroValue);
    return zeroValue + (nearest(angle, middleAngle) - zeroAngle) / anglePerUnit;
}

double middleValue(const PhotoMarks& m) {
    const auto [low, high] = std::ranges::minmax(m.graduations, {}, &GraduationMark::value);
    return 0.5 * (low.value + high.value);
}

/// Square view of a dial: angles about the centre.
double roundSquare(const PhotoMarks& m, PhotoPoint sight) {
    const auto& low = std::ranges::min(m.graduations, {}, &GraduationMark::value);
    const auto& high = std::ranges::max(m.graduations, {}, &GraduationMark::value);
    const double from = bearing(*m.centre, low.at), to = bearing(*m.centre, high.at);
    double sweep = m.clockwise ? to - from : from - to;
    sweep -= kFullTurn * std::floor(sweep / kFullTurn);
    const double perUnit = (m.clockwise ? sweep : -sweep) / (high.value - low.value);
    return valueOfAngle(bearing(*m.centre, sight), from, low.value, perUnit, middleValue(m));
}

/// The view of a dial under a supposed angle for one unit.
std::optional<PlaneView> dialView(const PhotoMarks& m, double perUnit) {
    std::array<PhotoPoint, 4> picture, plane;
    for (std::size_t i = 0; i < 4; ++i) {
        const auto& g = m.graduations[i];
        picture[i] = g.at;
        plane[i] = {std::cos(perUnit * g.value), std::sin(perUnit * g.value)};
    }
    return PlaneView::through(picture, plane);
}

/// Tilted view of a dial. Four graduations lie on a circle at angles in proportion to their values; the angle
/// of a unit is the one for which the marked centre falls on the centre of that circle.
/// @param near  the angle of a unit for nearly the same marks, where it is known: spares the search.
std::optional<double> anglePerUnit(const PhotoMarks& m, std::optional<double> near) {
    const auto [low, high] = std::ranges::minmax(m.graduations, {}, &GraduationMark::value);
    const double span = high.value - low.value, sign = m.clockwise ? 1.0 : -1.0;
    constexpr double kFar = 1e3;
    const auto miss = [&](double sweep) {
        const auto view = dialView(m, sign * sweep / span);
        const auto centre = view ? view->toPlane(*m.centre) : std::nullopt;
        return centre ? std::hypot(centre->x, centre->y) : kFar;
    };
    constexpr int kSteps = 90;
    constexpr double kNarrowest = 0.1; // rad between the outer graduations
    const double step = (kFullTurn - 2.0 * kNarrowest) / kSteps;
    double best = near ? *near * sign * span : kNarrowest;
    for (int i = 1; i <= kSteps && !near; ++i)
        if (const double sweep = kNarrowest + i * step; miss(sweep) < miss(best)) best = sweep;
    constexpr int kHalfOfTheBits = 26; // beyond it a minimum of doubles is flat
    const auto [sweep, left] = boost::math::tools::brent_find_minima(
        miss, std::max(best - step, 0.5 * kNarrowest), best + step, kHalfOfTheBits);
    constexpr double kBeside = 0.15; // of the radius
    if (!(left < kBeside)) return std::nullopt;
    return sign * sweep / span;
}

std::optional<double> roundTilted(const PhotoMarks& m, PhotoPoint sight, std::optional<double> near) {
    const auto perUnit = anglePerUnit(m, near);
    const auto view = perUnit ? dialView(m, *perUnit) : std::nullopt;
    const auto centre = view ? view->toPlane(*m.centre) : std::nullopt;
    const auto tip = view ? view->toPlane(sight) : std::nullopt;
    if (!centre || !tip) return std::nullopt;
    return valueOfAngle(bearing(*centre, *tip), 0.0, 0.0, *perUnit, middleValue(m));
}

std::optional<double> valueAt(const PhotoMarks& m, PhotoPoint sight, std::optional<double> near) {
    if (m.shape == ScaleShape::Straight)
        return m.tilted ? straightTilted(m, sight) : std::optional(straightSquare(m, sight));
    return m.tilted ? roundTilted(m, sight, near) : std::optional(roundSquare(m, sight));
}

/// Calls back with each coordinate of each mark that bears on a sight.
template <typename Visit>
void eachCoordinate(PhotoMarks& m, PhotoPoint& sight, Visit visit) {
    const auto point = [&](PhotoPoint& p) {
        visit(p.x);
        visit(p.y);
    };
    if (m.shape == ScaleShape::Round) point(*m.centre);
    for (GraduationMark& g : m.graduations) {
        point(g.at);
        if (g.otherEnd) point(*g.otherEnd);
    }
    point(sight);
}

Result<void> check(const PhotoMarks& m) {
    const std::size_t needed = graduationsNeeded(m.shape, m.tilted);
    if (m.shape == ScaleShape::Round && !m.centre)
        return fail(Failure::BadInput, Text::tr("Mark the centre of the dial."));
    if (m.graduations.size() < needed)
        return fail(Failure::BadInput, Text::tr("Mark graduation {} of {} and type what is printed at it.",
                                                m.graduations.size() + 1, needed));
    if (m.graduations.size() > needed)
        return fail(Failure::BadInput, Text::tr("Only {} graduations are needed in this view; {} are "
                                                "marked.",
                                                needed, m.graduations.size()));
    if (!(m.placingPx > 0.0) || !std::isfinite(m.placingPx))
        return fail(Failure::BadInput, Text::tr("How well a mark is placed must be above 0 px."));
    constexpr double kSamePlace = 4.0; // px
    for (std::size_t i = 0; i < needed; ++i) {
        const auto& g = m.graduations[i];
        if (!std::isfinite(g.value))
            return fail(Failure::BadInput, Text::tr("Type what is printed at graduation {}.", i + 1));
        if (m.tilted && m.shape == ScaleShape::Straight &&
            (!g.otherEnd || distance(g.at, *g.otherEnd) < kSamePlace))
            return fail(Failure::BadInput, Text::tr("Mark the other end of the line of graduation {}, "
                                                    "well away from the first.",
                                                    i + 1));
        if (m.shape == ScaleShape::Round && distance(*m.centre, g.at) < kSamePlace)
            return fail(Failure::BadInput, Text::tr("Graduation {} lies on the centre.", i + 1));
        for (std::size_t k = 0; k < i; ++k)
            if (m.graduations[k].value == g.value || distance(m.graduations[k].at, g.at) < kSamePlace)
                return fail(Failure::BadInput, Text::tr("Graduations {} and {} must be two different "
                                                        "ones, with different numbers.",
                                                        k + 1, i + 1));
    }
    if (m.sights.empty()) return fail(Failure::BadInput, Text::tr("Mark what is to be read."));
    return {};
}

} // namespace

std::string_view id(ScaleShape shape) { return shape == ScaleShape::Round ? "round" : "straight"; }

Result<ScaleShape> scaleShapeFromId(std::string_view wanted) {
    return fromId(wanted, std::array{ScaleShape::Straight, ScaleShape::Round},
                  Text::tr("a shape of a scale"));
}

std::size_t graduationsNeeded(ScaleShape shape, bool tilted) {
    return shape == ScaleShape::Round && tilted ? 4 : 2;
}

Result<std::vector<PhotoReading>> readPhoto(const PhotoMarks& marks) {
    if (const auto sound = check(marks); !sound) return tl::unexpected(sound.error());
    const auto noView = [&] {
        return fail(
            Failure::BadInput,
            marks.shape == ScaleShape::Round
                ? Text::tr("These marks do not lie on one dial: look at the centre, at the numbers of the "
                           "graduations and at the way in which they rise.")
                : Text::tr("These marks do not lie on one flat scale: look at the ends of the graduations."));
    };
    const bool tiltedDial = marks.shape == ScaleShape::Round && marks.tilted;
    const auto perUnit = tiltedDial ? anglePerUnit(marks, std::nullopt) : std::nullopt;
    if (tiltedDial && !perUnit) return noView();
    std::vector<PhotoReading> out;
    for (const PhotoPoint& sight : marks.sights) {
        const auto value = valueAt(marks, sight, perUnit);
        if (!value) return noView();
        PhotoMarks moved = marks;
        PhotoPoint movedSight = sight;
        double variance = 0.0;
        bool seen = true;
        eachCoordinate(moved, movedSight, [&](double& coordinate) {
            const double before = coordinate;
            coordinate = before + marks.placingPx;
            const auto above = valueAt(moved, movedSight, perUnit);
            coordinate = before - marks.placingPx;
            const auto below = valueAt(moved, movedSight, perUnit);
            coordinate = before;
            seen = seen && above && below;
            if (above && below) variance += 0.25 * (*above - *below) * (*above - *below);
        });
        if (!seen || !std::isfinite(variance) || !std::isfinite(*value)) return noView();
        out.push_back({*value, std::sqrt(variance)});
    }
    return out;
}

} // namespace uttrin
