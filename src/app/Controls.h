#pragma once

#include <QFrame>
#include <QLabel>
#include <QLineEdit>
#include <QPushButton>
#include <QScrollArea>
#include <QVBoxLayout>

#include <optional>
#include <utility>

class QButtonGroup;

namespace uttrin::app {

/// A surface that lies on the paper, told apart by a hairline, with a column of things on it.
class Card : public QFrame {
    Q_OBJECT
public:
    explicit Card(QWidget* parent = nullptr);
    QVBoxLayout* column() { return m_column; }

private:
    QVBoxLayout* m_column;
};

/// A label with a role of the style sheet: "title", "heading", "muted", "live", "caution", "note".
QLabel* makeLabel(const QString& text, const char* role = nullptr, QWidget* parent = nullptr);

/// A row that keeps a widget of fixed width in the middle, as high as its text needs.
QLayout* centred(QWidget* widget);

/// A field for a name, known by this object name.
QLineEdit* nameEdit(const char* name, const QString& accessible);

/// A caption over a control.
QVBoxLayout* labelled(const QString& label, QWidget* widget);

/// Where a value stands in a list of choices; -1 if it does not.
template <typename E, std::size_t N>
int indexOf(const E (&all)[N], E value) {
    for (std::size_t i = 0; i < N; ++i)
        if (all[i] == value) return static_cast<int>(i);
    return -1;
}

/// Gives a label another role and restyles it.
void setRole(QWidget* widget, const char* role);

/// A line of text that leaves Undo and Redo to the notebook when it has nothing of its own to take back.
class FieldEdit : public QLineEdit {
    Q_OBJECT
public:
    using QLineEdit::QLineEdit;
    bool event(QEvent* event) override;
};

/// A field for one number with its unit beside it. Accepts '.' and the locale's decimal sign; what is not a
/// number is shown as wrong and gives no value.
class NumberField : public QWidget {
    Q_OBJECT
public:
    /// @param name  object name of the line edit and its accessible name
    NumberField(const QString& label, const QString& unit, const QString& name, QWidget* parent = nullptr);
    [[nodiscard]] std::optional<double> value() const;
    void setValue(std::optional<double> value); ///< emits nothing
    void setUnit(const QString& unit);
    void setLabel(const QString& label);
    void setBig();
    void setPlaceholder(const QString& text) { m_edit->setPlaceholderText(text); }
    QLineEdit* edit() { return m_edit; }

signals:
    void edited();    ///< at every keystroke
    void committed(); ///< on Return or leaving the field, if the text changed

private:
    void judge();
    QLabel* m_label;
    QLineEdit* m_edit;
    QLabel* m_unit;
    QString m_committedText;
};

/// A row of buttons of which one is chosen.
class Segments : public QWidget {
    Q_OBJECT
public:
    enum class Rows { One, AsNeeded };
    explicit Segments(const QString& name, Rows rows = Rows::One, QWidget* parent = nullptr);
    void setChoices(const QStringList& labels);
    [[nodiscard]] int chosen() const;
    void choose(int index); ///< emits nothing; -1 chooses none
    QPushButton* button(int index);

signals:
    void picked(int index); ///< by the person

private:
    QButtonGroup* m_group;
};

/// A column that scrolls when the window is small.
class ScrollColumn : public QScrollArea {
    Q_OBJECT
public:
    explicit ScrollColumn(QWidget* parent = nullptr);
    /// Takes its share of the row between these widths, px; wider where what it holds cannot be narrower.
    void setWidths(int narrowest, int widest);
    QVBoxLayout* column() { return m_column; }

protected:
    bool eventFilter(QObject* watched, QEvent* event) override;

private:
    void fit();
    QVBoxLayout* m_column;
    int m_narrowest = 0, m_widest = QWIDGETSIZE_MAX;
};

} // namespace uttrin::app
