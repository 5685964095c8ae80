#pragma once

#include "app/accessibility/Spoken.h"
#include "photo/PhotoMarking.h"

#include <QImage>
#include <QWidget>

namespace uttrin::app {

/// A picture on which marks are put: a click puts the chosen one, a drag moves it, the arrow keys move it by
/// one px of the picture (with Shift by a quarter, with Ctrl by ten). The wheel enlarges, the right button
/// moves the picture.
class PhotoCanvas : public QWidget, public Spoken {
    Q_OBJECT
public:
    /// @param marking  stays with the caller and outlives this.
    explicit PhotoCanvas(PhotoMarking& marking, QWidget* parent = nullptr);
    void setPicture(const QImage& picture);
    [[nodiscard]] const QImage& picture() const { return m_picture; }
    void choose(std::size_t step);
    [[nodiscard]] std::size_t chosen() const { return m_chosen; }
    void showWhole(); ///< fits the picture into the widget
    /// Enlarges about the middle of what is seen. @param factor  above 1 makes larger.
    void enlarge(double factor) { enlargeAbout(rect().center(), factor); }
    [[nodiscard]] QPointF toWidget(PhotoPoint p) const;
    [[nodiscard]] PhotoPoint toPicture(QPointF pixel) const;

    [[nodiscard]] QAccessible::Role spokenRole() const override { return QAccessible::Canvas; }
    [[nodiscard]] QString spokenValue() const override;
    [[nodiscard]] std::vector<Part> spokenParts() const override;

signals:
    void marked();             ///< by the person
    void chosenChanged();      ///< which mark is in hand
    void lookedAt(QPointF at); ///< px of the picture, for the loupe

protected:
    void paintEvent(QPaintEvent* event) override;
    void resizeEvent(QResizeEvent* event) override;
    void mousePressEvent(QMouseEvent* event) override;
    void mouseMoveEvent(QMouseEvent* event) override;
    void mouseReleaseEvent(QMouseEvent* event) override;
    void wheelEvent(QWheelEvent* event) override;
    void keyPressEvent(QKeyEvent* event) override;

private:
    void place(PhotoPoint at);
    void enlargeAbout(QPointF pixel, double factor);

    PhotoMarking& m_marking;
    QImage m_picture;
    std::size_t m_chosen = 0;
    double m_scale = 1.0; ///< px of the widget in one px of the picture
    QPointF m_origin;     ///< where the picture's corner lies in the widget
    bool m_whole = true, m_dragging = false;
    std::optional<QPointF> m_grabbed; ///< where the right button took hold
};

/// What lies about a point of a picture, greatly enlarged, with a fine cross over it.
class Loupe : public QWidget, public Spoken {
    Q_OBJECT
public:
    explicit Loupe(QWidget* parent = nullptr);
    void look(const QImage& picture, QPointF at);
    [[nodiscard]] QAccessible::Role spokenRole() const override { return QAccessible::Graphic; }
    [[nodiscard]] QString spokenValue() const override;

protected:
    void paintEvent(QPaintEvent* event) override;

private:
    QImage m_picture;
    QPointF m_at;
};

} // namespace uttrin::app
