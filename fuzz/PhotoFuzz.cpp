#include "photo/PhotoMarks.h"
#include "photo/PictureTime.h"

#include <cmath>
#include <cstdint>
#include <cstdlib>
#include <span>

// Any bytes are a picture that says when it was taken, or does not. Any text is marks that write and read
// back as themselves, or a failure with a sentence; marks give readings that are finite and have an
// uncertainty, or say why not.
extern "C" int LLVMFuzzerTestOneInput(const std::uint8_t* data, std::size_t size) {
    using namespace uttrin;
    (void)pictureTime(std::as_bytes(std::span(data, size)), 120);
    const auto marks = photoMarksFromJson({reinterpret_cast<const char*>(data), size});
    if (!marks && marks.error().message.empty()) std::abort();
    if (!marks) return 0;
    const std::string once = writePhotoMarks(*marks);
    const auto back = photoMarksFromJson(once);
    if (!back || writePhotoMarks(*back) != once) std::abort();
    const auto readings = readPhoto(*marks);
    if (!readings && readings.error().message.empty()) std::abort();
    if (readings)
        for (const PhotoReading& r : *readings)
            if (!std::isfinite(r.value) || !std::isfinite(r.u) || r.u < 0.0) std::abort();
    return 0;
}
