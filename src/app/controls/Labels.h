#pragma once

#include <QLabel>
#include <QVBoxLayout>

namespace uttrin::app {

/// A label with a role of the style sheet: "title", "heading", "muted", "live", "caution", "note".
QLabel* makeLabel(const QString& text, const char* role = nullptr, QWidget* parent = nullptr);

/// Gives a label another role and restyles it.
void setRole(QWidget* widget, const char* role);

/// A row that keeps a widget of fixed width in the middle, as high as its text needs.
QLayout* centred(QWidget* widget);

/// A caption over a control.
QVBoxLayout* labelled(const QString& label, QWidget* widget);

} // namespace uttrin::app
