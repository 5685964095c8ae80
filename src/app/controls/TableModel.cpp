#include "TableModel.h"

#include "Theme.h"

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
    const bool sameShape = columns == m_columns && rows.size() == m_rows.size();
    if (!sameShape) beginResetModel();
    m_columns = columns;
    m_rows = rows;
    m_left = leftColumns;
    if (!sameShape)
        endResetModel();
    else if (!rows.isEmpty())
        emit dataChanged(index(0, 0), index(rowCount() - 1, columnCount() - 1));
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
