#include "PictureFiles.h"

#include <QBuffer>
#include <QClipboard>
#include <QGuiApplication>
#include <QImageReader>
#include <QMimeData>

namespace uttrin::app::pictures {

std::vector<std::byte> bytesOf(const QByteArray& file) {
    const auto* first = reinterpret_cast<const std::byte*>(file.constData());
    return {first, first + file.size()};
}

QByteArray fileOf(const std::vector<std::byte>& bytes) {
    return {reinterpret_cast<const char*>(bytes.data()), static_cast<qsizetype>(bytes.size())};
}

Decoded decoded(QByteArray file) {
    QBuffer buffer(&file);
    QImageReader reader(&buffer);
    reader.setAutoTransform(true); // as the camera was held
    Decoded picture;
    picture.known = QList<QByteArray>{"png", "jpeg"}.contains(reader.format());
    if (!picture.known) return picture;
    picture.image = reader.read();
    if (picture.image.isNull()) picture.why = reader.errorString();
    return picture;
}

QByteArray onClipboard() {
    const QMimeData* mime = QGuiApplication::clipboard()->mimeData();
    const QImage picture = mime && mime->hasImage() ? qvariant_cast<QImage>(mime->imageData()) : QImage();
    QByteArray file;
    if (picture.isNull()) return file;
    QBuffer buffer(&file);
    buffer.open(QIODevice::WriteOnly);
    picture.save(&buffer, "PNG");
    return file;
}

} // namespace uttrin::app::pictures
