#pragma once

#include "app/accessibility/Spoken.h"
#include "trace/Trace.h"

#include <QWidget>

#include <functional>
#include <optional>
#include <vector>

namespace uttrin::app {

/// Pressure and temperature against the clock, one over the other, with where they stand still, what was
/// captured, and a moment that a person moves along both.
class TraceChart : public QWidget, public Spoken {
    Q_OBJECT
public:
    explicit TraceChart(QWidget* parent = nullptr);

    /// What lies on it.
    struct View {
        TraceChannel pascal, kelvin;                     ///< absolute pressure, temperature
        double from = 0.0, to = 60.0;                    ///< s, that are shown
        std::vector<std::pair<double, double>> plateaus; ///< s
        std::vector<double> turns;                       ///< s, where something begins or ends
        std::vector<double> captured;                    ///< s
        std::vector<double> explained; ///< Pa, at the times of the pressures: a fit; may be empty
    };
    /// @param clock  what stands at a time of the axis.
    using QWidget::show;
    void show(View view, std::function<QString(double seconds)> clock);
    /// Has a moment that can be moved: by mouse, arrows, Home and End.
    void setCursorShown(bool shown);
    [[nodiscard]] std::optional<double> cursor() const { return m_cursor; }
    void setCursor(double seconds); ///< emits nothing
    using QWidget::setCursor;
    [[nodiscard]] const View& view() const { return m_view; }

    [[nodiscard]] QAccessible::Role spokenRole() const override { return QAccessible::Chart; }
    [[nodiscard]] QString spokenValue() const override;
    [[nodiscard]] QSize minimumSizeHint() const override;

signals:
    void cursorMoved(double seconds);    ///< by the person
    void framed(double from, double to); ///< another stretch is wanted, by wheel or keys

protected:
    void paintEvent(QPaintEvent* event) override;
    void mousePressEvent(QMouseEvent* event) override;
    void mouseMoveEvent(QMouseEvent* event) override;
    void wheelEvent(QWheelEvent* event) override;
    void keyPressEvent(QKeyEvent* event) override;

private:
    struct Pane {
        QRectF field;
        double low = 0.0, high = 1.0;
        [[nodiscard]] double y(double value) const {
            return field.bottom() - field.height() * (value - low) / (high - low);
        }
    };
    [[nodiscard]] Pane paneFor(const TraceChannel& channel, QRectF field, double toUnit, double offset) const;
    [[nodiscard]] double xOf(double seconds) const;
    [[nodiscard]] double secondsAt(double x) const;
    void paintPane(QPainter& p, const Pane& pane, const TraceChannel& channel, const QString& caption,
                   double toUnit, double offset) const;
    void paintCurve(QPainter& p, const Pane& pane, const std::vector<double>& seconds,
                    const std::vector<double>& values, double toUnit, double offset) const;
    void paintTimes(QPainter& p, const QRectF& field) const;
    void paintMarks(QPainter& p, const QRectF& field) const;
    void moveCursor(double seconds);

    View m_view;
    std::function<QString(double)> m_clock;
    std::optional<double> m_cursor;
    bool m_cursorShown = false;
    QRectF m_field; ///< of both panes together
};

} // namespace uttrin::app
