#pragma once

#include "app/controls/NumberField.h"
#include "rehearsal/rigfile/RigFile.h"

class QSlider;

namespace uttrin::app {

/// A number that can be typed or slid, with its unit.
class KnobField : public QWidget {
    Q_OBJECT
public:
    KnobField(const RigKnob& knob, const QString& name, QWidget* parent = nullptr);
    void setSi(double value); ///< emits nothing
    [[nodiscard]] const RigKnob& knob() const { return m_knob; }

signals:
    void turned(double si); ///< typed within its ends, or slid

private:
    [[nodiscard]] double siAt(int position) const;
    [[nodiscard]] int positionOf(double si) const;
    RigKnob m_knob;
    bool m_byRatio; ///< the slider goes by the logarithm
    NumberField* m_number;
    QSlider* m_slider;
};

} // namespace uttrin::app
