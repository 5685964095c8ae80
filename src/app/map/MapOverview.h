#pragma once

#include "app/accessibility/Spoken.h"

#include <QWidget>

namespace uttrin::app {

class PhaseMap;

/// The whole substance in a corner, with a frame for what the map shows; the frame can be dragged.
class MapOverview : public QWidget, public Spoken {
    Q_OBJECT
public:
    explicit MapOverview(PhaseMap* map);
    [[nodiscard]] QAccessible::Role spokenRole() const override { return QAccessible::Graphic; }
    [[nodiscard]] QString spokenValue() const override;

protected:
    void paintEvent(QPaintEvent* event) override;
    void mousePressEvent(QMouseEvent* event) override;
    void mouseMoveEvent(QMouseEvent* event) override;

private:
    [[nodiscard]] QRectF field() const;
    /// What the little picture spans.
    struct Ends {
        double lowKelvin, highKelvin, lowPascal, highPascal;
    };
    [[nodiscard]] Ends ends() const;
    [[nodiscard]] QPointF place(const Ends& ends, double kelvin, double pascal) const;
    void moveTo(QPointF pixel);
    PhaseMap* m_map;
};

} // namespace uttrin::app
