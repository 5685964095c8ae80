#pragma once

#include <qcustomplot.h>

#include <array>
#include <functional>
#include <vector>

namespace uttrin::app {

/// The plot's own graduations, with a real minus sign.
class RealMinusTicker : public QCPAxisTicker {
protected:
    QString getTickLabel(double tick, const QLocale& locale, QChar format, int precision) override {
        return QCPAxisTicker::getTickLabel(tick, locale, format, precision)
            .replace(QLatin1Char('-'), QChar(0x2212));
    }
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
    /// What was asked for last, and the answer: its ends, where they lie, px, values of the scale, and
    /// how far apart labels are, px.
    using Stretch = std::array<double, 8>;
    Stretch m_stretch{};
    QVector<double> m_ticks, m_subTicks;
    QVector<QString> m_labels;
};

} // namespace uttrin::app
