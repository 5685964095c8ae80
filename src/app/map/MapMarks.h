#pragma once

#include <qcustomplot.h>

namespace uttrin::app {

class PhaseMap;

/// What the names of rehearsed paths take of a map: the corner at the right that the paths themselves leave
/// freest, the lower one if there is a choice. Empty without.
[[nodiscard]] QRectF pathNamesBox(const PhaseMap& map);

/// Targets, captured points, room, pump floor, live point, fitted line: over the regions and the grid.
class MapMarks : public QCPLayerable {
    Q_OBJECT
public:
    /// The layer of the plot that it is drawn on, for itself.
    static constexpr QLatin1String kLayer{"marks"};
    explicit MapMarks(PhaseMap* map);

protected:
    void applyDefaultAntialiasingHint(QCPPainter* painter) const override;
    void draw(QCPPainter* painter) override;
    QRect clipRect() const override;

private:
    void drawLines(QCPPainter& p) const;
    void drawPaths(QCPPainter& p) const;
    void drawTargets(QCPPainter& p) const;
    void drawPoints(QCPPainter& p) const;
    void drawLegend(QCPPainter& p) const;
    void drawLive(QCPPainter& p) const;
    void drawCursor(QCPPainter& p) const;
    PhaseMap* m_map;
};

} // namespace uttrin::app
