#pragma once

#include <QAccessible>
#include <QLabel>
#include <QVBoxLayout>

#include <optional>

class QPushButton;

namespace uttrin::app {

/// A label whose lines break neither between a number and its unit nor within a unit.
class Words : public QLabel {
    Q_OBJECT
public:
    explicit Words(const QString& text = {}, QWidget* parent = nullptr);
    void setText(const QString& text);
    /// As it was set, with plain spaces.
    [[nodiscard]] QString text() const;
};

/// A label with a role of the style sheet: "title", "heading", "muted", "live", "caution", "note".
Words* makeLabel(const QString& text, const char* role = nullptr, QWidget* parent = nullptr);

/// Gives a label another role and restyles it.
void setRole(QWidget* widget, const char* role);

/// Gives a widget another role to those who do not see it than its class has: a group of exclusive choices, a
/// document. REQUIRES: called before its accessible name is set, which settles what it is.
void setSpokenRole(QWidget* widget, QAccessible::Role role);
/// The role that was given so.
[[nodiscard]] std::optional<QAccessible::Role> spokenRoleOf(const QWidget& widget);

/// A caption without the sign that marks its key.
[[nodiscard]] QString plainCaption(QString caption);

/// Puts what came into a container later where the container stands among the stops of the Tab key, not after
/// all the others of the window.
void keepFocusOrder(QWidget* container);

/// Takes everything out of a layout: it is not seen, not found by its name, and goes once what it does is
/// done.
void emptyLayout(QLayout& layout);

/// A row that keeps a widget of fixed width in the middle, as high as its text needs.
QLayout* centred(QWidget* widget);

/// A button that looks like a word one can press.
QPushButton* makeLink(const QString& text, const char* name, const QString& tip);

/// A caption and a control beside it, which stay together where rows break.
QWidget* besideLabel(const QString& label, QWidget* widget);

/// A caption over a control.
QVBoxLayout* labelled(const QString& label, QWidget* widget);

} // namespace uttrin::app
