#pragma once

#include "PlaneView.h"
#include "quantities/Failure.h"

#include <optional>
#include <string>
#include <string_view>
#include <vector>

namespace uttrin {

/// How the scale of an instrument runs.
enum class ScaleShape {
    Straight, ///< U-tube, thermometer, barometer
    Round     ///< dial
};
[[nodiscard]] std::string_view id(ScaleShape shape); ///< "straight", "round"
[[nodiscard]] Result<ScaleShape> scaleShapeFromId(std::string_view id);

/// A graduation of the scale as it was marked in the picture.
struct GraduationMark {
    double value = 0.0; ///< what is printed at it
    PhotoPoint at;
    std::optional<PhotoPoint> otherEnd; ///< the same graduation further along its line: straight, tilted
    friend bool operator==(const GraduationMark&, const GraduationMark&) = default;
};

/// All that a person marked in a picture of an instrument.
///
/// Seen squarely: two graduations (round: and the centre). Tilted: a straight scale needs both ends of two
/// graduations, a round one the centre and four graduations; from these the view of the plane is found.
struct PhotoMarks {
    ScaleShape shape = ScaleShape::Straight;
    bool tilted = false;
    bool clockwise = true; ///< round: the numbers rise clockwise
    std::optional<PhotoPoint> centre;
    std::vector<GraduationMark> graduations;
    std::vector<PhotoPoint> sights; ///< what is read: needle's tip, menisci, vernier's zero line
    double placingPx = 1.5;         ///< standard uncertainty of one mark in each direction, px
    friend bool operator==(const PhotoMarks&, const PhotoMarks&) = default;
};

/// How many graduations such a picture needs.
[[nodiscard]] std::size_t graduationsNeeded(ScaleShape shape, bool tilted);

/// One sight, read.
struct PhotoReading {
    double value = 0.0; ///< in the unit of the scale
    double u = 0.0;     ///< standard uncertainty from the placing of all marks
};

/// The reading at each sight.
///
/// Uncertainty: each coordinate of each mark is moved by its standard uncertainty and the changes of the
/// reading are added in quadrature (JCGM 100:2008, 5.1.3, numerical form). Parallax of a needle or a meniscus
/// that stands in front of the scale, and what the scale itself is worth, are not in it.
/// @return BadInput, naming the mark that is missing, the same as another, or does not fit.
[[nodiscard]] Result<std::vector<PhotoReading>> readPhoto(const PhotoMarks& marks);

/// Marks as JSON, as they are stored with a picture; docs/notebook-format.md describes it.
[[nodiscard]] std::string writePhotoMarks(const PhotoMarks& marks);
[[nodiscard]] Result<PhotoMarks> photoMarksFromJson(std::string_view json);

} // namespace uttrin
