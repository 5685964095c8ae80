#include "TableModel.h"

#include "CellDelegate.h"
#include "app/controls/Theme.h"

#include <QApplication>
#include <QClipboard>
#include <QHeaderView>
#include <QShortcut>
#include <QTableView>

namespace uttrin::app {

namespace {

int rowHeight() { return theme().text + 11; }

} // namespace

void TableModel::show(const QStringList& columns, const QVector<Row>& rows, const QVector<int>& leftColumns) {
    // The size of the text may have changed; where it has not, laying all rows out anew would be for nothing.
    if (auto* view = qobject_cast<QTableView*>(QObject::parent());
        view && view->verticalHeader()->defaultSectionSize() != rowHeight())
        view->verticalHeader()->setDefaultSectionSize(rowHeight());
    if (columns == m_columns && leftColumns == m_left) return replaceRows(rows);
    beginResetModel();
    m_columns = columns;
    m_rows = rows;
    m_left = leftColumns;
    endResetModel();
}

/// Rows that stay keep their place in the view, and whether they are chosen: only those between the first and
/// the last that changed come, go or are said to have changed.
void TableModel::replaceRows(const QVector<Row>& rows) {
    const auto before = m_rows.size(), after = rows.size(), fewer = std::min(before, after);
    qsizetype first = 0, same = 0; // alike at the top and at the bottom
    while (first < fewer && m_rows[first].id == rows[first].id)
        ++first;
    while (same < fewer - first && m_rows[before - 1 - same].id == rows[after - 1 - same].id)
        ++same;
    const int row = static_cast<int>(first);
    if (before - same > first) {
        beginRemoveRows({}, row, static_cast<int>(before - same) - 1);
        m_rows.remove(first, before - same - first);
        endRemoveRows();
    }
    if (after - same > first) {
        beginInsertRows({}, row, static_cast<int>(after - same) - 1);
        m_rows = m_rows.first(first) + rows.mid(first, after - same - first) + m_rows.last(same);
        endInsertRows();
    }
    qsizetype from = 0, to = after;
    while (from < to && m_rows[from] == rows[from])
        ++from;
    while (to > from && m_rows[to - 1] == rows[to - 1])
        --to;
    m_rows = rows;
    if (to > from)
        emit dataChanged(index(static_cast<int>(from), 0),
                         index(static_cast<int>(to) - 1, columnCount() - 1));
}

int TableModel::rowCount(const QModelIndex& parent) const {
    return parent.isValid() ? 0 : static_cast<int>(m_rows.size());
}
int TableModel::columnCount(const QModelIndex& parent) const {
    return parent.isValid() ? 0 : static_cast<int>(m_columns.size());
}

QVariant TableModel::data(const QModelIndex& index, int role) const {
    if (!index.isValid()) return {};
    const Row& row = m_rows[index.row()];
    switch (role) {
    case Qt::DisplayRole:
    case Qt::EditRole:
        return row.cells.value(index.column());
    case Qt::ToolTipRole:
        return row.tips.value(index.column());
    case Qt::TextAlignmentRole:
        return static_cast<int>((m_left.contains(index.column()) ? Qt::AlignLeft : Qt::AlignRight) |
                                Qt::AlignVCenter);
    case Qt::ForegroundRole:
        return row.quiet ? theme().muted : theme().ink;
    case Qt::FontRole: {
        QFont font = fontOf(theme().text - 1, row.strong ? QFont::DemiBold : QFont::Normal);
        font.setStrikeOut(row.struck && !m_left.contains(index.column()));
        return font;
    }
    default:
        return {};
    }
}

QVariant TableModel::headerData(int section, Qt::Orientation orientation, int role) const {
    if (orientation != Qt::Horizontal) return {};
    if (role == Qt::DisplayRole) return m_columns.value(section);
    if (role == Qt::TextAlignmentRole)
        return static_cast<int>((m_left.contains(section) ? Qt::AlignLeft : Qt::AlignRight) |
                                Qt::AlignVCenter);
    return {};
}

Qt::ItemFlags TableModel::flags(const QModelIndex& index) const {
    const auto base = QAbstractTableModel::flags(index);
    return m_editable.contains(index.column()) ? base | Qt::ItemIsEditable : base;
}

bool TableModel::setData(const QModelIndex& index, const QVariant& value, int role) {
    if (role != Qt::EditRole || value.toString() == data(index, Qt::EditRole).toString()) return false;
    emit typed(index.row(), index.column(), value.toString());
    return true;
}

void styleTable(QTableView* view) {
    view->setItemDelegate(new CellDelegate(view));
    view->verticalHeader()->hide();
    view->verticalHeader()->setDefaultSectionSize(rowHeight());
    view->horizontalHeader()->setHighlightSections(false);
    view->horizontalHeader()->setSectionResizeMode(QHeaderView::ResizeToContents);
    constexpr int kRowsAsked = 40; // rows of a kind are alike: asking all of a long table takes long
    view->horizontalHeader()->setResizeContentsPrecision(kRowsAsked);
    view->horizontalHeader()->setStretchLastSection(true);
    view->setShowGrid(false);
    view->setSelectionBehavior(QAbstractItemView::SelectRows);
    view->setWordWrap(false);
    view->setSizePolicy(QSizePolicy::Ignored, QSizePolicy::Expanding);
    view->setMinimumWidth(120);
    view->setTabKeyNavigation(false);
    view->setHorizontalScrollMode(QAbstractItemView::ScrollPerPixel);
    auto* copy = new QShortcut(QKeySequence::Copy, view, nullptr, nullptr, Qt::WidgetShortcut);
    QObject::connect(copy, &QShortcut::activated, view,
                     [view] { QApplication::clipboard()->setText(tableAsText(view)); });
}

QString tableAsText(const QTableView* view) {
    const auto* model = view->model();
    const auto selected = view->selectionModel() ? view->selectionModel()->selectedRows() : QModelIndexList();
    QString out;
    const auto line = [&](const std::function<QString(int)>& cell) {
        for (int c = 0; c < model->columnCount(); ++c)
            out += (c > 0 ? QStringLiteral("\t") : QString()) + cell(c);
        out += QLatin1Char('\n');
    };
    line([&](int c) { return model->headerData(c, Qt::Horizontal, Qt::DisplayRole).toString(); });
    for (int r = 0; r < model->rowCount(); ++r)
        if (selected.isEmpty() || view->selectionModel()->isRowSelected(r))
            line([&](int c) { return model->index(r, c).data().toString(); });
    return out;
}

} // namespace uttrin::app

#include "moc_TableModel.cpp"
