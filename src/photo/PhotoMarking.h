#pragma once

#include "PhotoMarks.h"

#include <cstddef>
#include <optional>
#include <span>
#include <vector>

namespace uttrin {

/// What one mark is put on.
enum class MarkKind { Centre, Graduation, OtherEnd, Sight };

/// One mark that a picture asks for.
struct MarkStep {
    MarkKind kind = MarkKind::Sight;
    int number = 1;                   ///< of its kind, from 1; OtherEnd: that of its graduation
    std::optional<PhotoPoint> at;     ///< empty until it is placed
    std::optional<double> value = {}; ///< Graduation: what is printed at it; empty until it is typed
};

/// Marks being put on a picture, one step after the other: which comes next, and what they amount to so far.
class PhotoMarking {
public:
    PhotoMarking() { arrange(ScaleShape::Straight, false, 1); }
    /// Marks as they were stored.
    explicit PhotoMarking(const PhotoMarks& marks);

    /// Asks for the marks of such a picture. Marks that both arrangements have stay where they are.
    /// @param sights  how many things are read: two for the arms of a U-tube.
    void arrange(ScaleShape shape, bool tilted, int sights);
    void setClockwise(bool clockwise) { m_clockwise = clockwise; }
    void setPlacing(double px) { m_placingPx = px; }

    [[nodiscard]] ScaleShape shape() const { return m_shape; }
    [[nodiscard]] bool tilted() const { return m_tilted; }
    [[nodiscard]] bool clockwise() const { return m_clockwise; }
    [[nodiscard]] double placing() const { return m_placingPx; }
    [[nodiscard]] std::span<const MarkStep> steps() const { return m_steps; }

    void place(std::size_t step, PhotoPoint at) { m_steps.at(step).at = at; }
    void setValue(std::size_t step, std::optional<double> value) { m_steps.at(step).value = value; }
    /// Takes every mark off; the printed numbers stay.
    void clear();
    /// The first step that is not placed; empty when all are.
    [[nodiscard]] std::optional<std::size_t> next() const;
    /// The placed mark nearest to a point, not farther away than this many px.
    [[nodiscard]] std::optional<std::size_t> nearest(PhotoPoint point, double within) const;

    /// The marks as they stand, for reading and storing. BadInput says what is still to be marked or typed.
    [[nodiscard]] Result<PhotoMarks> marks() const;

private:
    ScaleShape m_shape = ScaleShape::Straight;
    bool m_tilted = false, m_clockwise = true;
    double m_placingPx = PhotoMarks{}.placingPx;
    std::vector<MarkStep> m_steps;
};

} // namespace uttrin
