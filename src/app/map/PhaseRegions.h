#pragma once

#include "app/controls/KeptPicture.h"
#include "lesson/views/MapView.h"

#include <qcustomplot.h>

#include <optional>
#include <vector>

namespace uttrin::app {

class PhaseMap;

class PhaseCurve;

/// The phases as tinted regions with their borders, under everything else.
class PhaseRegions : public QCPLayerable {
    Q_OBJECT
public:
    explicit PhaseRegions(PhaseMap* map);

    /// Whether what was painted last would be painted the same now.
    [[nodiscard]] bool isCurrent() const { return m_picture.isOf(key()); }

protected:
    void applyDefaultAntialiasingHint(QCPPainter* painter) const override;
    void draw(QCPPainter* painter) override;
    QRect clipRect() const override;

private:
    /// All that the picture depends on.
    struct Key {
        QRect area;
        double xLow = 0.0, xHigh = 0.0, yLow = 0.0, yHigh = 0.0;
        int axes = -1, small = 0, title = 0;
        QString theme, locale;
        const Substance* substance = nullptr;
        std::vector<const Substance*> overlays;
        std::optional<Solute> solute;
        QRectF names;
        std::vector<QRectF> taken;
        friend bool operator==(const Key&, const Key&) = default;
    };
    [[nodiscard]] Key key() const;
    void paint(QCPPainter& p) const;
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
    /// What lines, names and the overview take of the area: no name of a phase stands there.
    [[nodiscard]] std::vector<QRectF> taken() const;
    /// A place for the name of a phase on its side of the border, as near its middle as there is room;
    /// nothing if there is none.
    [[nodiscard]] std::optional<QRectF> placeFor(QSizeF size, double x, bool above,
                                                 const QPolygonF& border) const;
    void drawLabels(QCPPainter& p, const QPolygonF& border) const;
    PhaseMap* m_map;
    KeptPicture<Key> m_picture;
};

} // namespace uttrin::app
