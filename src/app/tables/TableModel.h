#pragma once

#include <QAbstractTableModel>
#include <QStringList>
#include <QVector>

class QTableView;

namespace uttrin::app {

/// A ready-made table of texts: the core decides what it says, this only shows it.
class TableModel : public QAbstractTableModel {
    Q_OBJECT
public:
    struct Row {
        QStringList cells;
        QStringList tips;   ///< one a cell; may be empty
        bool quiet = false; ///< not taking part: muted
        bool struck = false;
        bool strong = false;
        qlonglong id = 0;
        friend bool operator==(const Row&, const Row&) = default;
    };
    using QAbstractTableModel::QAbstractTableModel;
    /// @param leftColumns  columns that hold words and are left-aligned.
    void show(const QStringList& columns, const QVector<Row>& rows, const QVector<int>& leftColumns);
    void setEditable(const QVector<int>& columns) { m_editable = columns; }
    [[nodiscard]] const Row& row(int index) const { return m_rows[index]; }

    [[nodiscard]] int rowCount(const QModelIndex& parent = {}) const override;
    [[nodiscard]] int columnCount(const QModelIndex& parent = {}) const override;
    [[nodiscard]] QVariant data(const QModelIndex& index, int role) const override;
    [[nodiscard]] QVariant headerData(int section, Qt::Orientation orientation, int role) const override;
    [[nodiscard]] Qt::ItemFlags flags(const QModelIndex& index) const override;
    bool setData(const QModelIndex& index, const QVariant& value, int role) override;

signals:
    void typed(int row, int column, const QString& text);

private:
    void replaceRows(const QVector<Row>& rows);
    QStringList m_columns;
    QVector<Row> m_rows;
    QVector<int> m_left, m_editable;
};

/// Rows selected as a whole, no grid, columns as wide as what they hold, Ctrl+C copies.
void styleTable(QTableView* view);

/// The selected rows, or all of them, as tab-separated text with the header.
[[nodiscard]] QString tableAsText(const QTableView* view);

} // namespace uttrin::app
