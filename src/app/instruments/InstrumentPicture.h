#pragma once

#include "app/accessibility/Spoken.h"
#include "instruments/MercuryBarometer.h"
#include "instruments/PressureInstrument.h"
#include "instruments/Thermometer.h"

#include <QWidget>

#include <optional>
#include <vector>

class QPainter;

namespace uttrin::app {

/// An instrument drawn to scale. It follows a value, and can itself be set: by dragging its needle, meniscus
/// or vernier, by the wheel, and by the arrow keys, in steps of what can be read.
class InstrumentPicture : public QWidget, public Spoken {
    Q_OBJECT
public:
    explicit InstrumentPicture(const QString& name, QWidget* parent = nullptr);
    void
    setValue(std::optional<double> value); ///< emits nothing; empty shows the instrument without a reading
    [[nodiscard]] std::optional<double> value() const { return m_value; }
    /// Where the instrument is wanted next: a small pointer at the scale. Empty takes it away.
    void setTarget(std::optional<double> target);

    [[nodiscard]] QAccessible::Role spokenRole() const override { return QAccessible::Slider; }
    [[nodiscard]] QString spokenValue() const override;
    [[nodiscard]] std::optional<Setting> spokenSetting() const override;
    void setSpoken(double value) override { setTo(value); }

signals:
    void moved(double value); ///< by the person

protected:
    /// A value as it is read off, with its unit.
    [[nodiscard]] virtual QString said(double value) const;
    [[nodiscard]] virtual QString unitShown() const = 0;
    /// What one step of the keys and the wheel moves: the smallest difference that can be read.
    [[nodiscard]] virtual double step() const = 0;
    [[nodiscard]] virtual std::pair<double, double> ends() const = 0;
    /// The value to which a press or drag at this place sets the instrument.
    [[nodiscard]] virtual double valueAt(QPointF pixel) const = 0;
    /// What the keys begin from where nothing is shown yet.
    [[nodiscard]] virtual double resting() const { return ends().first; }

    void mousePressEvent(QMouseEvent* event) override;
    void mouseMoveEvent(QMouseEvent* event) override;
    void keyPressEvent(QKeyEvent* event) override;
    void wheelEvent(QWheelEvent* event) override;
    void setTo(double value);
    /// The target, if it lies on the scale.
    [[nodiscard]] std::optional<double> target() const;
    /// Draws the pointer of a target. @param tip  px. @param towards  the way it points, a unit vector.
    static void drawTarget(QPainter& painter, QPointF tip, QPointF towards);

private:
    [[nodiscard]] static QString usage();
    std::optional<double> m_value, m_target;
};

/// A round dial over three quarters of a circle: vacuum gauge, absolute gauge, dial thermometer.
class DialPicture : public InstrumentPicture {
    Q_OBJECT
public:
    using InstrumentPicture::InstrumentPicture;
    /// @param roomPascal  to choose a span where none is declared.
    void setInstrument(const PressureInstrument& instrument, double roomPascal);
    void setInstrument(const Thermometer& thermometer);
    [[nodiscard]] QPointF needleTip(double value) const; ///< px
    [[nodiscard]] QPointF centre() const;                ///< px
    [[nodiscard]] std::pair<double, double> span() const { return ends(); }

protected:
    void paintEvent(QPaintEvent* event) override;
    [[nodiscard]] QString unitShown() const override { return m_unit; }
    [[nodiscard]] double step() const override { return m_step; }
    [[nodiscard]] std::pair<double, double> ends() const override { return {m_low, m_high}; }
    [[nodiscard]] double valueAt(QPointF pixel) const override;
    [[nodiscard]] double resting() const override { return m_resting; }

private:
    [[nodiscard]] double angle(double value) const; ///< degrees, 0 to the right, counterclockwise
    [[nodiscard]] double radius() const;
    double m_low = -1.0, m_high = 0.0, m_division = 0.02, m_step = 0.01, m_resting = 0.0;
    QString m_unit;
};

/// A U-tube between two arms with a ruler; the value is the difference, first arm less second.
class UTubePicture : public InstrumentPicture {
    Q_OBJECT
public:
    using InstrumentPicture::InstrumentPicture;
    void setInstrument(const PressureInstrument& instrument);
    [[nodiscard]] QPointF meniscus(bool first) const; ///< px, at the present value
    /// The end of a graduation of the ruler. @param left  at its left edge, else at its right one.
    [[nodiscard]] QPointF graduation(double ruler, bool left) const; ///< px
    /// Whether what the arms show stands under them in figures, with lines to the ruler.
    void setFigures(bool shown) { m_figures = shown; }

protected:
    void paintEvent(QPaintEvent* event) override;
    [[nodiscard]] QString said(double value) const override;
    [[nodiscard]] QString unitShown() const override;
    [[nodiscard]] double step() const override { return readableStep(m_instrument); }
    [[nodiscard]] std::pair<double, double> ends() const override;
    [[nodiscard]] double valueAt(QPointF pixel) const override;
    [[nodiscard]] double resting() const override { return 0.0; }

private:
    void write(QPainter& p, double x, double y, const QString& words) const;
    [[nodiscard]] double yOf(double ruler) const;
    [[nodiscard]] double xOf(bool first) const;
    PressureInstrument m_instrument;
    bool m_figures = true;
};

/// A liquid-in-glass thermometer, upright.
class ThermometerPicture : public InstrumentPicture {
    Q_OBJECT
public:
    using InstrumentPicture::InstrumentPicture;
    void setInstrument(const Thermometer& thermometer);
    [[nodiscard]] QPointF columnEnd(double value) const;             ///< px
    [[nodiscard]] QPointF graduation(double value, bool left) const; ///< px, either end of its line

protected:
    void paintEvent(QPaintEvent* event) override;
    [[nodiscard]] QString unitShown() const override;
    [[nodiscard]] double step() const override { return 0.5 * m_thermometer.division; }
    [[nodiscard]] std::pair<double, double> ends() const override;
    [[nodiscard]] double valueAt(QPointF pixel) const override;
    [[nodiscard]] double resting() const override;

private:
    [[nodiscard]] double yOf(double value) const;
    [[nodiscard]] double xOfColumn() const;
    Thermometer m_thermometer;
};

/// A meter with figures: a digital thermometer, a sensor or coil read in ohms, an infrared thermometer aimed
/// at the wall, a digital gauge on a hose. A bar from low to high sets it.
class MeterPicture : public InstrumentPicture {
    Q_OBJECT
public:
    using InstrumentPicture::InstrumentPicture;
    void setInstrument(const Thermometer& thermometer);
    /// @param roomPascal  to choose a span where none is declared.
    void setInstrument(const PressureInstrument& instrument, double roomPascal);
    [[nodiscard]] double xOf(double reading) const; ///< px, on the bar
    [[nodiscard]] QRectF bar() const;               ///< px

protected:
    void paintEvent(QPaintEvent* event) override;
    [[nodiscard]] QString unitShown() const override { return m_unit; }
    [[nodiscard]] double step() const override { return m_division; }
    [[nodiscard]] std::pair<double, double> ends() const override { return {m_low, m_high}; }
    [[nodiscard]] double valueAt(QPointF pixel) const override;
    [[nodiscard]] double resting() const override { return m_resting; }

private:
    /// What hangs on it.
    enum class Joined { Probe, PlatinumCoil, CopperCoil, Sight, Hose };
    void drawJoined(QPainter& painter, QPointF from) const;
    void drawCoil(QPainter& painter, QPointF from) const;
    Joined m_joined = Joined::Probe;
    QString m_name, m_unit;
    double m_low = -10.0, m_high = 110.0, m_division = 1.0, m_resting = 20.0;
    std::vector<double> m_marks; ///< with numbers, along the bar
};

/// The window of a barometer: main scale at the left, vernier at the right, the mercury under its zero.
class VernierPicture : public InstrumentPicture {
    Q_OBJECT
public:
    using InstrumentPicture::InstrumentPicture;
    void setInstrument(const MercuryReading& reading);
    [[nodiscard]] QPointF zeroLine(double value) const;              ///< px, of the vernier
    [[nodiscard]] QPointF graduation(double value, bool left) const; ///< px, of the main scale

protected:
    void paintEvent(QPaintEvent* event) override;
    void mousePressEvent(QMouseEvent* event) override;
    [[nodiscard]] QString unitShown() const override;
    [[nodiscard]] double step() const override { return m_reading.vernierStep(); }
    [[nodiscard]] std::pair<double, double> ends() const override;
    [[nodiscard]] double valueAt(QPointF pixel) const override;
    [[nodiscard]] double resting() const override;

private:
    [[nodiscard]] double pixelsPerUnit() const;
    [[nodiscard]] double yOf(double value) const;
    [[nodiscard]] double edge() const; ///< px, where main scale and vernier meet
    MercuryReading m_reading;
    double m_middle = 750.0;                       ///< value in the middle of the window
    double m_grabbedY = 0.0, m_grabbedValue = 0.0; ///< where a drag began
};

} // namespace uttrin::app
