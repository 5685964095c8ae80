#include "Card.h"

namespace uttrin::app {

Card::Card(QWidget* parent) : QFrame(parent), m_column(new QVBoxLayout(this)) {
    setObjectName(QStringLiteral("card"));
    m_column->setContentsMargins(16, 12, 16, 14);
    m_column->setSpacing(8);
}

} // namespace uttrin::app

#include "moc_Card.cpp"
