#pragma once

#include <QPainter>
#include <QPixmap>

#include <utility>

namespace uttrin::app {

/// A picture that is painted once and kept until something that it depends on changes: most paintings are for
/// what lies over it. @tparam Key  all that it depends on but its size and ratio; has no two equal values
/// that look different.
template <typename Key>
class KeptPicture {
public:
    /// @param size  px of the widget; @param ratio  device pixels in one of them.
    /// @param paint  called with a painter on an empty picture, where it must be painted anew.
    template <typename Painter = QPainter, typename Paint>
    const QPixmap& of(const Key& key, QSize size, double ratio, Paint paint) {
        if (m_picture.size() == size * ratio && m_ratio == ratio && m_key == key) return m_picture;
        m_key = key;
        m_ratio = ratio;
        m_picture = QPixmap(size * ratio);
        m_picture.setDevicePixelRatio(ratio);
        m_picture.fill(Qt::transparent);
        Painter painter(&m_picture);
        painter.setRenderHint(QPainter::Antialiasing);
        paint(painter);
        return m_picture;
    }
    /// Whether it would be painted the same again.
    [[nodiscard]] bool isOf(const Key& key) const { return !m_picture.isNull() && m_key == key; }

private:
    Key m_key{};
    double m_ratio = 0.0;
    QPixmap m_picture;
};

} // namespace uttrin::app
