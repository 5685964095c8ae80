#pragma once

#include "app/accessibility/Spoken.h"
#include "lesson/views/RehearseViews.h"

#include <QWidget>

namespace uttrin::app {

struct DrawnPlace;

/// A rig in cross-section that obeys the numbers: levels, bubbles by vigour, ice, frost, valves, what touches
/// it, each with a word beside it.
class RigDrawing : public QWidget, public Spoken {
    Q_OBJECT
public:
    explicit RigDrawing(QWidget* parent = nullptr);
    /// @param phase  s of animation, in which bubbles rise.
    void show(const RigScene& scene, double phase);
    [[nodiscard]] const RigScene& scene() const { return m_scene; }
    [[nodiscard]] QAccessible::Role spokenRole() const override { return QAccessible::Graphic; }
    [[nodiscard]] QString spokenValue() const override;

    /// Room for the drawing with the words beside it.
    [[nodiscard]] QSize minimumSizeHint() const override;

protected:
    void paintEvent(QPaintEvent* event) override;

private:
    /// A word with the place that it belongs to.
    struct Label {
        QPointF anchor;
        QString text, under;
        bool strong = false;
    };
    [[nodiscard]] bool isStacked() const; ///< the second of two vessels stands above the first
    [[nodiscard]] QRectF boxOf(std::size_t vessel) const;
    [[nodiscard]] std::pair<std::size_t, std::size_t> placeAmong(std::size_t vessel) const;
    [[nodiscard]] QRectF slotOf(std::size_t vessel) const;
    [[nodiscard]] QRectF innerBox(std::size_t vessel) const; ///< of what swells in another
    [[nodiscard]] bool holdsOthers(std::size_t vessel) const;
    [[nodiscard]] DrawnPlace placeOf(std::size_t vessel) const;
    void drawVessel(QPainter& p, std::size_t index) const;
    void drawSwelling(QPainter& p, std::size_t index) const;
    void drawNames(QPainter& p) const;
    void drawContents(QPainter& p, const SceneVessel& vessel, const QPainterPath& inside, double level) const;
    void drawParts(QPainter& p, std::vector<Label>& labels) const;
    [[nodiscard]] QPointF drawGauge(QPainter& p, const QPainterPath& outline) const;
    void drawInstruments(QPainter& p, std::vector<Label>& labels) const;
    void drawLabels(QPainter& p, std::vector<Label>& labels) const;
    RigScene m_scene;
    double m_phase = 0.0;
};

} // namespace uttrin::app
