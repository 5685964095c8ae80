#pragma once

#include "app/accessibility/Spoken.h"
#include "lesson/acts/ConductView.h"

#include <QWidget>

namespace uttrin::app {

/// The frozen forecast of an act with its band, what was read on it, and where it is now.
class ForecastChart : public QWidget, public Spoken {
    Q_OBJECT
public:
    explicit ForecastChart(QWidget* parent = nullptr);
    void show(std::shared_ptr<const FrozenForecast> forecast, const ConductView& view);
    [[nodiscard]] QAccessible::Role spokenRole() const override { return QAccessible::Chart; }
    [[nodiscard]] QString spokenValue() const override;
    [[nodiscard]] QSize minimumSizeHint() const override;

protected:
    void paintEvent(QPaintEvent* event) override;

private:
    [[nodiscard]] QRectF field() const;
    [[nodiscard]] QPointF at(double seconds, double celsius) const;
    void paintAxes(QPainter& p) const;
    void paintForecast(QPainter& p) const;
    void paintRead(QPainter& p) const;
    std::shared_ptr<const FrozenForecast> m_forecast;
    ConductView m_view;
    double m_seconds = 60.0, m_low = 0.0, m_high = 100.0; ///< what it spans
};

} // namespace uttrin::app
