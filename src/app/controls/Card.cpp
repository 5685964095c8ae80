#include "Card.h"

#include "Grid.h"

namespace uttrin::app {

Card::Card(QWidget* parent) : QFrame(parent), m_column(new QVBoxLayout(this)) {
    setObjectName(QStringLiteral("card"));
    m_column->setContentsMargins(grid::kAround);
    m_column->setSpacing(grid::kStep);
}

} // namespace uttrin::app

#include "moc_Card.cpp"
