#pragma once

#include <QLayout>

#include <vector>

namespace uttrin::app {

/// Things side by side, each as wide as it needs, in as many rows as that takes; what a row has left over is
/// shared out among those of its things that may grow.
class FlowLayout : public QLayout {
    Q_OBJECT
public:
    explicit FlowLayout(QWidget* parent);
    /// Of a widget of its own, its `parentWidget()`, without margins.
    [[nodiscard]] static FlowLayout* inRow();
    /// A thing that stays as wide and as high as it asks to be.
    void addFixed(QWidget* widget);
    ~FlowLayout() override;

    void addItem(QLayoutItem* item) override;
    [[nodiscard]] int count() const override { return static_cast<int>(m_items.size()); }
    [[nodiscard]] QLayoutItem* itemAt(int index) const override;
    QLayoutItem* takeAt(int index) override;
    [[nodiscard]] Qt::Orientations expandingDirections() const override { return {}; }
    [[nodiscard]] bool hasHeightForWidth() const override { return true; }
    [[nodiscard]] int heightForWidth(int width) const override;
    [[nodiscard]] QSize sizeHint() const override;    ///< all of it in one row
    [[nodiscard]] QSize minimumSize() const override; ///< of the widest thing
    void setGeometry(const QRect& rect) override;
    void invalidate() override;

private:
    struct Thing {
        QLayoutItem* item;
        QSize hint; ///< kept: a styled button takes long to tell
    };
    /// What is not hidden.
    [[nodiscard]] const std::vector<Thing>& things() const;
    /// Rows of a width: for each, the first thing after it.
    [[nodiscard]] std::vector<std::size_t> rowEnds(int width) const;
    /// Of the things of a row.
    [[nodiscard]] std::vector<int> widths(std::size_t begin, std::size_t end, int width) const;
    [[nodiscard]] int rowHeight(std::size_t begin, const std::vector<int>& wide) const;

    std::vector<QLayoutItem*> m_items;
    mutable std::vector<Thing> m_things; ///< empty until it is asked for
};

} // namespace uttrin::app
