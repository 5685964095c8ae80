#pragma once

#include "app/accessibility/Spoken.h"
#include "lesson/acts/ConductView.h"

#include <QWidget>

namespace uttrin::app {

/// The frozen forecast of an act with its band, what was learned since, what was read, and where it is now.
class ForecastChart : public QWidget, public Spoken {
    Q_OBJECT
public:
    explicit ForecastChart(QWidget* parent = nullptr);
    void show(std::shared_ptr<const FrozenForecast> forecast, std::shared_ptr<const LearnedForecast> learned,
              const ConductView& view);
    /// Without it only what was read is seen.
    void setShowsForecast(bool shows);
    [[nodiscard]] QAccessible::Role spokenRole() const override { return QAccessible::Chart; }
    [[nodiscard]] QString spokenValue() const override;
    [[nodiscard]] QSize minimumSizeHint() const override;

protected:
    void paintEvent(QPaintEvent* event) override;

private:
    [[nodiscard]] QRectF fieldNow() const;
    [[nodiscard]] QString axisText() const;
    [[nodiscard]] int axisLines() const; ///< that it takes
    [[nodiscard]] QPointF at(double seconds, double celsius) const;
    void paintAxes(QPainter& p) const;
    void paintForecast(QPainter& p) const;
    void paintLearned(QPainter& p) const;
    [[nodiscard]] QPolygonF areaOf(const ForecastBand& band) const;
    void paintRead(QPainter& p) const;
    std::shared_ptr<const FrozenForecast> m_forecast;
    std::shared_ptr<const LearnedForecast> m_learned;
    ConductView m_view;
    bool m_shows = true;
    QRectF m_field;                                                ///< of the curves, as it is painted
    double m_from = 0.0, m_to = 60.0, m_low = 0.0, m_high = 100.0; ///< what it spans: s from the clock, °C
};

} // namespace uttrin::app
