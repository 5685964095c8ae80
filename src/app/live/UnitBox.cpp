#include "UnitBox.h"

#include "app/controls/OnScreen.h"

#include <QComboBox>

namespace uttrin::app {

void offerUnits(QComboBox& box, Dimension dimension, const Unit* chosen) {
    box.clear();
    for (const Unit& u : unitsOf(dimension))
        box.addItem(asIs(u.display), asIs(u.symbol));
    if (chosen) box.setCurrentIndex(box.findData(asIs(chosen->symbol)));
}

const Unit* unitIn(const QComboBox& box, Dimension dimension) {
    const auto unit = findUnit(box.currentData().toString().toStdString(), dimension);
    return unit ? *unit : nullptr;
}

} // namespace uttrin::app
