#include "SimulatedPanel.h"

#include "app/controls/FlowLayout.h"
#include "app/controls/Grid.h"
#include "app/controls/Labels.h"
#include "app/controls/OnScreen.h"
#include "app/controls/Theme.h"

#include <QHBoxLayout>
#include <QPushButton>
#include <QSlider>

#include <cmath>

namespace uttrin::app {
namespace {

constexpr double kMostWatt = 400.0;
constexpr int kParts = 100; // of a slider

bool isByDegrees(const RigControl& c) { return c.kind == RigControl::Valve || c.kind == RigControl::Heater; }

void sayLevel(Words& label, const RigControl& c, double share) {
    label.setText(c.kind == RigControl::Heater
                      ? QStringLiteral("%1 %2 W").arg(onScreen(c.name), onScreen(share * kMostWatt, 0))
                      : QStringLiteral("%1 %2 %").arg(onScreen(c.name), onScreen(100.0 * share, 0)));
}

} // namespace

SimulatedPanel::SimulatedPanel() {
    column()->setContentsMargins(grid::kMargin, grid::kHalfStep, grid::kMargin, grid::kHalfStep);
    column()->setSpacing(grid::kHalfStep);
    auto* head = new QHBoxLayout;
    auto* title = makeLabel(tr("Simulated rig, worked by hand"), "heading");
    head->addWidget(title, 1);
    auto* end = makeLink(tr("End"), "simulatedEnd",
                         tr("Ends the simulated instruments. What came of them stays, as made up."));
    head->addWidget(end);
    column()->addLayout(head);
    connect(end, &QPushButton::clicked, this, &SimulatedPanel::endRequested);
    m_row = FlowLayout::inRow();
    column()->addWidget(m_row->parentWidget());
}

void SimulatedPanel::addSwitch(const RigControl& control, int place) {
    auto* button = new QPushButton;
    button->setObjectName(QStringLiteral("simulated%1").arg(place));
    button->setCheckable(true);
    connect(button, &QPushButton::clicked, this, [this, place] {
        emit pressed(
            m_controls[static_cast<std::size_t>(place)]); // its press is from before: the other state
    });
    setRole(button, "smallSegment");
    button->setAccessibleName(onScreen(control.name));
    m_row->addFixed(button);
}

void SimulatedPanel::addSlider(const RigControl& control, int place) {
    auto* box = new QWidget;
    auto* row = new QHBoxLayout(box);
    row->setContentsMargins(0, 0, 0, 0);
    auto* name = makeLabel({}, "muted");
    name->setObjectName(QStringLiteral("simulatedName%1").arg(place));
    name->setWordWrap(false);
    constexpr int kName = 112, kSlider = 104;
    name->setMinimumWidth(scaled(kName));
    row->addWidget(name);
    auto* slider = new QSlider(Qt::Horizontal);
    slider->setObjectName(QStringLiteral("simulated%1").arg(place));
    slider->setRange(0, kParts);
    slider->setPageStep(kParts / 10);
    slider->setAccessibleName(onScreen(control.name));
    slider->setToolTip(control.kind == RigControl::Heater
                           ? tr("Its power: arrows, Page Up and Page Down, or drag")
                           : tr("How far it is open: arrows, Page Up and Page Down, "
                                "or drag"));
    slider->setMinimumWidth(scaled(kSlider));
    row->addWidget(slider, 1);
    m_row->addWidget(box);
    connect(slider, &QSlider::valueChanged, this, [this, place, name](int parts) {
        RigControl set = m_controls[static_cast<std::size_t>(place)];
        const double share = static_cast<double>(parts) / kParts;
        // A needle valve: most of its way is for little flow.
        set.press.value = set.kind == RigControl::Heater ? share * kMostWatt : share * share * share;
        set.press.what = set.kind == RigControl::Heater ? RigAction::Heat : RigAction::Open;
        sayLevel(*name, set, share);
        emit pressed(set);
    });
    const QSignalBlocker quiet(slider);
    const double share =
        control.kind == RigControl::Heater ? control.level / kMostWatt : std::cbrt(control.level);
    slider->setValue(static_cast<int>(std::lround(kParts * share)));
    sayLevel(*name, control, share);
}

void SimulatedPanel::show(const std::vector<RigControl>& controls) {
    const bool first = m_controls.empty();
    m_controls = controls;
    for (int i = 0; i < static_cast<int>(controls.size()); ++i) {
        const RigControl& c = controls[static_cast<std::size_t>(i)];
        if (first) isByDegrees(c) ? addSlider(c, i) : addSwitch(c, i);
        if (auto* button = findChild<QPushButton*>(QStringLiteral("simulated%1").arg(i))) {
            button->setText(QStringLiteral("%1: %2").arg(onScreen(c.name), onScreen(stateOf(c))));
            button->setChecked(c.on);
        }
    }
    if (first) keepFocusOrder(this);
}

} // namespace uttrin::app

#include "moc_SimulatedPanel.cpp"
