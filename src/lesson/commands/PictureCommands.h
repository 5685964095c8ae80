#pragma once

#include "LessonSession.h"

#include <cstddef>
#include <vector>

namespace uttrin {

/// Pictures taken at the bench: of points, to be looked at and read later, and of boiling as a run means it.
class PictureCommands : public SessionCommands {
public:
    using SessionCommands::SessionCommands;
    /// Keeps how it looks when it boils, for the run in hand: it stands beside every capture.
    /// @param file  PNG or JPEG. @param fileMs  when the file was written, for one that does not say itself
    /// when it was taken.
    [[nodiscard]] Result<RowId> keepReference(std::vector<std::byte> file, Milliseconds fileMs);
    /// Attaches a picture to a point of the lesson.
    [[nodiscard]] Result<RowId> attach(RowId readingId, std::vector<std::byte> file, Milliseconds fileMs);
    /// Reads an instrument of a point from a picture that is attached to it. The point as it was stays,
    /// struck with that reason; another one takes its place, with the marks of the picture. @return its id.
    [[nodiscard]] Result<RowId> readFrom(RowId benchPictureId, const PhotoEvidence& evidence);

private:
    [[nodiscard]] Result<RowId> keep(const Text& label, RowId runId, std::optional<RowId> readingId,
                                     std::vector<std::byte> file, Milliseconds fileMs);
};

/// A file that is kept in a notebook is no larger than this, bytes.
inline constexpr std::size_t kLargestPicture = 40'000'000;

} // namespace uttrin
