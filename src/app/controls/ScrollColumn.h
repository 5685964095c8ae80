#pragma once

#include <QScrollArea>
#include <QVBoxLayout>

namespace uttrin::app {

/// A column that scrolls when the window is small.
class ScrollColumn : public QScrollArea {
    Q_OBJECT
public:
    explicit ScrollColumn(QWidget* parent = nullptr);
    /// Takes its share of the row between these widths, px; wider where what it holds cannot be narrower.
    void setWidths(int narrowest, int widest);
    QVBoxLayout* column() { return m_column; }
    /// How much higher it would be, px, to show all that it holds; negative where it has room left over.
    [[nodiscard]] int lacksHeight() const;

protected:
    bool eventFilter(QObject* watched, QEvent* event) override;

private:
    void fit();
    QVBoxLayout* m_column;
    int m_narrowest = 0, m_widest = QWIDGETSIZE_MAX;
};

} // namespace uttrin::app
