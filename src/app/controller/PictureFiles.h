#pragma once

#include <QByteArray>
#include <QImage>

#include <cstddef>
#include <vector>

namespace uttrin::app::pictures {

/// Pictures as files, as a notebook keeps them: PNG or JPEG.

/// The bytes of a file as the core has them, and back.
[[nodiscard]] std::vector<std::byte> bytesOf(const QByteArray& file);
[[nodiscard]] QByteArray fileOf(const std::vector<std::byte>& bytes);

/// What a file shows.
struct Decoded {
    QImage image;       ///< as the camera was held; null where it cannot be read
    bool known = false; ///< it is a PNG or a JPEG
    QString why;        ///< that it cannot be read
};
[[nodiscard]] Decoded decoded(QByteArray file);

/// The picture on the clipboard as a PNG; empty where there is none.
[[nodiscard]] QByteArray onClipboard();

} // namespace uttrin::app::pictures
