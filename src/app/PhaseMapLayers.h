#pragma once

#include "PhaseMap.h"

#include <functional>
#include <vector>

namespace uttrin::app {

/// The phases as tinted regions with their borders, under everything else.
class PhaseRegions : public QCPLayerable {
    Q_OBJECT
public:
    explicit PhaseRegions(PhaseMap* map);

protected:
    void applyDefaultAntialiasingHint(QCPPainter* painter) const override;
    void draw(QCPPainter* painter) override;
    QRect clipRect() const override;

private:
    PhaseMap* m_map;
};

/// Targets, captured points, room, pump floor, live point, fitted line: over the regions and the grid.
class MapMarks : public QCPLayerable {
    Q_OBJECT
public:
    explicit MapMarks(PhaseMap* map);

protected:
    void applyDefaultAntialiasingHint(QCPPainter* painter) const override;
    void draw(QCPPainter* painter) override;
    QRect clipRect() const override;

private:
    void drawLines(QCPPainter& p) const;
    void drawTargets(QCPPainter& p) const;
    void drawPoints(QCPPainter& p) const;
    void drawLegend(QCPPainter& p) const;
    void drawLive(QCPPainter& p) const;
    void drawCursor(QCPPainter& p) const;
    PhaseMap* m_map;
};

/// Round graduations of any scale that runs along an axis, however unevenly: a dial, a logarithm.
class ScaleTicker : public QCPAxisTicker {
public:
    using Map = std::function<double(double)>;
    /// @param coordOf  from the scale's value to the axis' coordinate; @param valueOf  its inverse.
    ScaleTicker(const QCPAxis* axis, Map coordOf, Map valueOf)
        : m_axis(axis), m_coordOf(std::move(coordOf)), m_valueOf(std::move(valueOf)) {}
    void setShown(bool shown) { m_shown = shown; }

protected:
    void generate(const QCPRange& range, const QLocale& locale, QChar formatChar, int precision,
                  QVector<double>& ticks, QVector<double>* subTicks, QVector<QString>* tickLabels) override;

private:
    struct Graduation {
        double value, coord, pixel;
    };
    [[nodiscard]] std::vector<Graduation> graduations(double low, double high, double fewestPixels) const;
    const QCPAxis* m_axis;
    Map m_coordOf, m_valueOf;
    bool m_shown = true;
};

/// The whole substance in a corner, with a frame for what the map shows; the frame can be dragged.
class MapOverview : public QWidget {
    Q_OBJECT
public:
    explicit MapOverview(PhaseMap* map);

protected:
    void paintEvent(QPaintEvent* event) override;
    void mousePressEvent(QMouseEvent* event) override;
    void mouseMoveEvent(QMouseEvent* event) override;

private:
    [[nodiscard]] QRectF field() const;
    [[nodiscard]] QPointF place(double kelvin, double pascal) const;
    void moveTo(QPointF pixel);
    PhaseMap* m_map;
};

} // namespace uttrin::app
