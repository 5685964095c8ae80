#include "ComingStation.h"

#include "app/controls/Card.h"
#include "app/controls/Grid.h"
#include "app/controls/Labels.h"

#include <QVBoxLayout>

namespace uttrin::app {

ComingStation::ComingStation(const QString& title, const QString& what, const QString& meanwhile) {
    setObjectName(QStringLiteral("page"));
    setAutoFillBackground(true);
    auto* column = new QVBoxLayout(this);
    column->setContentsMargins(grid::kAround);
    auto* card = new Card;
    card->setFixedWidth(640);
    card->column()->addWidget(makeLabel(title, "title"));
    card->column()->addWidget(makeLabel(what));
    card->column()->addWidget(makeLabel(meanwhile, "note"));
    column->addLayout(centred(card));
    column->addStretch();
}

} // namespace uttrin::app

#include "moc_ComingStation.cpp"
