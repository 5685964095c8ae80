#pragma once

#include "app/accessibility/Spoken.h"
#include "app/controls/KeptPicture.h"

#include <QWidget>

namespace uttrin {
class Substance;
}

namespace uttrin::app {

class PhaseMap;

/// The whole substance in a corner, with a frame for what the map shows; the frame can be dragged.
class MapOverview : public QWidget, public Spoken {
    Q_OBJECT
public:
    explicit MapOverview(PhaseMap* map);
    [[nodiscard]] QAccessible::Role spokenRole() const override { return QAccessible::Graphic; }
    [[nodiscard]] QString spokenValue() const override;
    /// As large as its picture and its title need. REQUIRES: the map has a substance.
    void fit();

protected:
    void paintEvent(QPaintEvent* event) override;
    void mousePressEvent(QMouseEvent* event) override;
    void mouseMoveEvent(QMouseEvent* event) override;

private:
    /// All that the picture depends on.
    struct Key {
        double xLow = 0.0, xHigh = 0.0, yLow = 0.0, yHigh = 0.0;
        int axes = -1, tick = 0;
        QString theme, locale;
        const Substance* substance = nullptr;
        friend bool operator==(const Key&, const Key&) = default;
    };
    [[nodiscard]] Key key() const;
    void paint(QPainter& p) const;
    [[nodiscard]] QString title() const;
    [[nodiscard]] static int titleHigh(); ///< px
    [[nodiscard]] QRectF field() const;
    /// What the little picture spans.
    struct Ends {
        double lowKelvin, highKelvin, lowPascal, highPascal;
    };
    [[nodiscard]] Ends ends() const;
    [[nodiscard]] QPointF place(const Ends& ends, double kelvin, double pascal) const;
    void moveTo(QPointF pixel);
    PhaseMap* m_map;
    KeptPicture<Key> m_picture;
};

} // namespace uttrin::app
