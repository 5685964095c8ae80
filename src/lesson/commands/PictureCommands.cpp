#include "PictureCommands.h"

#include "photo/PictureTime.h"

#include <algorithm>

namespace uttrin {

Result<RowId> PictureCommands::keep(const Text& label, RowId runId, std::optional<RowId> readingId,
                                    std::vector<std::byte> file, Milliseconds fileMs) {
    if (file.empty() || file.size() > kLargestPicture)
        return fail(Failure::BadInput, Text::tr("A picture of up to 40 MB can be kept in the notebook."));
    const Milliseconds taken = pictureTime(file, model().lesson().utcOffsetMin).value_or(fileMs);
    RowId id = 0;
    const auto done = perform(label, [&](Notebook::Editor& edit) {
        const RowId picture = edit.insert(Picture{0, std::move(file)});
        id = edit.insert(BenchPicture{0, runId, readingId, taken, now(), picture});
    });
    if (!done) return tl::unexpected(done.error());
    return id;
}

Result<RowId> PictureCommands::keepReference(std::vector<std::byte> file, Milliseconds fileMs) {
    const auto run = session().runId();
    if (!run)
        return fail(Failure::BadInput, Text::tr("The picture of boiling belongs to a run: start one first."));
    return keep(Text::tr("Keep the picture of boiling"), *run, std::nullopt, std::move(file), fileMs);
}

Result<RowId> PictureCommands::attach(RowId readingId, std::vector<std::byte> file, Milliseconds fileMs) {
    const auto& all = model().data().readings;
    const auto reading = std::ranges::find(all, readingId, &Reading::id);
    if (reading == all.end())
        return fail(Failure::BadInput, Text::tr("This point is no longer in the lesson."));
    return keep(Text::tr("Attach a picture to point {}", reading->position), reading->runId, readingId,
                std::move(file), fileMs);
}

Result<RowId> PictureCommands::readFrom(RowId benchPictureId, const PhotoEvidence& evidence) {
    const auto& pictures = model().data().benchPictures;
    const auto picture = std::ranges::find(pictures, benchPictureId, &BenchPicture::id);
    if (picture == pictures.end() || !picture->readingId)
        return fail(Failure::BadInput, Text::tr("This picture is attached to no point."));
    const auto& all = model().data().readings;
    const auto before = std::ranges::find(all, *picture->readingId, &Reading::id);
    if (before == all.end() || before->struckReason)
        return fail(Failure::BadInput,
                    Text::tr("This point is struck or gone: restore it before it is read from its picture."));
    if (evidence.shows == PhotoSubject::Room)
        return fail(Failure::BadInput, Text::tr("A point has a gauge and a thermometer, not a barometer."));
    const bool pressure = evidence.shows == PhotoSubject::Pressure;
    Reading struck = *before, read = *before;
    struck.struckReason = plain(
        Text::tr("read from the picture at {}", clockText(picture->takenAt, model().lesson().utcOffsetMin)));
    read.id = 0;
    read.position = model().readingsOf(before->runId).back().position + 1;
    if (pressure) {
        read.first = evidence.reading.first;
        read.second = evidence.reading.second;
    } else {
        read.temperature = evidence.reading.first;
    }
    if (read.live) // what is read by eye on a picture is no mean of a stretch any more
        (pressure ? read.live->uPascal : read.live->uKelvin).reset();
    if (read.live && !read.live->uPascal && !read.live->uKelvin) read.live.reset();
    // The other instrument keeps the picture that it was read from.
    const Photo* other =
        model().photoOf(before->id, pressure ? PhotoSubject::Temperature : PhotoSubject::Pressure);
    const Reading& old = *before; // as it is until the change is made
    const BenchPicture from = *picture;
    const std::optional<Photo> kept = other ? std::optional(*other) : std::nullopt;
    RowId id = 0;
    const auto done = perform(Text::tr("Read point {} from its picture", old.position), [&](auto& edit) {
        edit.update(old, struck);
        id = edit.insert(read);
        const Photo photo{0,
                          session().lessonId(),
                          id,
                          std::nullopt,
                          evidence.shows,
                          now(),
                          from.pictureId,
                          writePhotoMarks(evidence.marks),
                          evidence.uFirst,
                          evidence.uSecond};
        edit.insert(photo);
        if (kept) {
            Photo again = *kept;
            again.id = 0;
            again.readingId = id;
            edit.insert(again);
        }
        BenchPicture moved = from;
        moved.id = 0;
        moved.readingId = id;
        edit.insert(moved);
    });
    if (!done) return tl::unexpected(done.error());
    return id;
}

} // namespace uttrin
