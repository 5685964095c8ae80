#pragma once

#include "instruments/MercuryBarometer.h"

#include <QWidget>

#include <optional>
#include <vector>

class QCheckBox;
class QComboBox;

namespace uttrin::app {

class Words;
class NumberField;
class Segments;
class VernierPicture;

/// A mercury barometer as it is read: the picture of its vernier, what stands beside it, and the corrections
/// step by step.
class MercuryForm : public QWidget {
    Q_OBJECT
public:
    explicit MercuryForm(QWidget* parent = nullptr);
    /// Empty until the main scale, the attached thermometer, latitude and height are typed.
    [[nodiscard]] std::optional<MercuryReading> typed() const;
    void show(const MercuryReading& reading);
    void setHeight(double metre);
    /// Puts a value of the whole scale, in this unit, on main scale and vernier.
    void setRead(double value, const QString& unit);
    /// Where each correction is shown with its size; the page puts it in its place.
    [[nodiscard]] Words* steps() const { return m_steps; }
    /// Fills it for the typed reading; hides it where there is none.
    void showSteps(const std::optional<MercuryReading>& reading);

signals:
    void edited();

private:
    QLayout* buildFields();
    void follow();
    void moveVernier(double value);
    [[nodiscard]] std::string unit() const;
    [[nodiscard]] QLayout* buildTicks();

    VernierPicture* m_vernier;
    NumberField *m_mainScale, *m_vernierLine, *m_attached, *m_latitude, *m_height, *m_index;
    QComboBox* m_unit;
    Segments* m_scaleMaterial;
    Words* m_steps;
    std::vector<QCheckBox*> m_ticks; ///< one for each step of reading, in order
};

} // namespace uttrin::app
