#include "KnobField.h"

#include "app/controls/Grid.h"
#include "app/controls/OnScreen.h"

#include <QSlider>

#include <algorithm>
#include <cmath>

namespace uttrin::app {
namespace {

constexpr int kPositions = 400;
constexpr double kWide = 30.0; // ratio of its ends from which on a slider goes by the logarithm

} // namespace

KnobField::KnobField(const RigKnob& knob, const QString& name, QWidget* parent)
    : QWidget(parent), m_knob(knob), m_byRatio(knob.low > 0.0 && knob.high / knob.low > kWide &&
                                               knob.unit->dimension != Dimension::Temperature) {
    auto* column = new QVBoxLayout(this);
    column->setContentsMargins(0, 0, 0, 0);
    column->setSpacing(grid::kHalfStep);
    const Text title = knob.reference == RigReference::None
                           ? Text::data(knob.name)
                           : Text::set("{}, {}", Text::data(knob.name), phraseOf(knob.reference));
    m_number = new NumberField(onScreen(title), asIs(knob.unit->display), name);
    constexpr int kNarrow = 48; // px: four stand side by side in a small window
    m_number->edit()->setMinimumWidth(kNarrow);
    m_number->wrapLabel();
    m_slider = new QSlider(Qt::Horizontal);
    m_slider->setObjectName(name + QStringLiteral("Slider"));
    m_slider->setAccessibleName(onScreen(title));
    m_slider->setRange(0, kPositions);
    m_slider->setPageStep(kPositions / 10);
    column->addWidget(m_number);
    column->addWidget(m_slider);
    setToolTip(tr("%1 to %2 %3")
                   .arg(fieldText(knob.unit->fromSi(knob.low)), fieldText(knob.unit->fromSi(knob.high)),
                        asIs(knob.unit->display)));
    connect(m_number->edit(), &QLineEdit::textChanged, this, [this](const QString& text) {
        m_slider->setProperty("spokenValue", QStringLiteral("%1 %2").arg(text, asIs(m_knob.unit->display)));
    });
    connect(m_number, &NumberField::edited, this, [this] {
        const auto number = m_number->value();
        if (!number) return;
        const double si = m_knob.unit->toSi(*number);
        if (si < m_knob.low * (1 - 1e-9) - 1e-300 || si > m_knob.high * (1 + 1e-9)) return;
        const QSignalBlocker quiet(m_slider);
        m_slider->setValue(positionOf(si));
        emit turned(si);
    });
    connect(m_slider, &QSlider::valueChanged, this, [this](int position) {
        const double si = siAt(position);
        m_number->setValue(m_knob.unit->fromSi(si));
        emit turned(si);
    });
}

void KnobField::setSi(double si) {
    const QSignalBlocker quiet(m_slider);
    m_slider->setValue(positionOf(si));
    m_number->setValue(m_knob.unit->fromSi(si));
}

double KnobField::siAt(int position) const {
    const double share = static_cast<double>(position) / kPositions;
    const double si = m_byRatio ? m_knob.low * std::pow(m_knob.high / m_knob.low, share)
                                : m_knob.low + (m_knob.high - m_knob.low) * share;
    // In three figures of its own unit, so that it reads well.
    const double shown = m_knob.unit->fromSi(si);
    if (shown == 0.0) return si;
    const double scale = std::pow(10.0, 2.0 - std::floor(std::log10(std::abs(shown))));
    return std::clamp(m_knob.unit->toSi(std::round(shown * scale) / scale), m_knob.low, m_knob.high);
}

int KnobField::positionOf(double si) const {
    const double share =
        m_byRatio ? std::log(std::max(si, m_knob.low) / m_knob.low) / std::log(m_knob.high / m_knob.low)
                  : (si - m_knob.low) / (m_knob.high - m_knob.low);
    return static_cast<int>(std::lround(std::clamp(share, 0.0, 1.0) * kPositions));
}

} // namespace uttrin::app

#include "moc_KnobField.cpp"
