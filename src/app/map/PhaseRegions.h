#pragma once

#include <qcustomplot.h>

namespace uttrin::app {

class PhaseMap;

class PhaseCurve;

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
    [[nodiscard]] double xPixel(double kelvin) const;
    [[nodiscard]] double yPixel(double pascal) const; ///< kept within reach of the area
    [[nodiscard]] QPolygonF borderOf(const PhaseCurve& curve) const;
    void fillSolid(QCPPainter& p, const PhaseCurve& curve, const QPolygonF& border) const;
    void fillAboveCritical(QCPPainter& p, const PhaseCurve& curve) const;
    void drawCurve(QCPPainter& p, const PhaseCurve& curve) const;
    void drawMetastable(QCPPainter& p) const;
    void drawSolution(QCPPainter& p) const;
    void drawNamedPoints(QCPPainter& p, const PhaseCurve& curve) const;
    void drawOverlays(QCPPainter& p) const;
    void drawLabels(QCPPainter& p, const QPolygonF& border) const;
    PhaseMap* m_map;
};

} // namespace uttrin::app
