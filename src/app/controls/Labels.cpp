#include "Labels.h"

#include <QHBoxLayout>
#include <QStyle>

namespace uttrin::app {

void setRole(QWidget* widget, const char* role) {
    const QVariant wanted = role ? QVariant(QLatin1String(role)) : QVariant();
    if (widget->property("role") == wanted) return; // restyling is slow
    widget->setProperty("role", wanted);
    widget->style()->unpolish(widget);
    widget->style()->polish(widget);
}

QLabel* makeLabel(const QString& text, const char* role, QWidget* parent) {
    auto* label = new QLabel(text, parent);
    label->setWordWrap(true);
    label->setTextFormat(Qt::PlainText);
    if (role) setRole(label, role);
    return label;
}

QLayout* centred(QWidget* widget) {
    auto* row = new QHBoxLayout;
    row->addStretch();
    row->addWidget(widget);
    row->addStretch();
    return row;
}

QVBoxLayout* labelled(const QString& label, QWidget* widget) {
    auto* column = new QVBoxLayout;
    column->setSpacing(3);
    column->addWidget(makeLabel(label, "muted"));
    column->addWidget(widget);
    return column;
}

} // namespace uttrin::app
