#include "TakenCard.h"

#include "app/controls/Grid.h"
#include "app/controls/Labels.h"
#include "app/controls/OnScreen.h"
#include "app/controls/Theme.h"
#include "app/tables/TableModel.h"

#include <QHBoxLayout>
#include <QMenu>
#include <QTableView>

namespace uttrin::app {

namespace {

/// Asks for its least height, and takes what more there is.
class ShortTable : public QTableView {
public:
    [[nodiscard]] QSize sizeHint() const override {
        return {QTableView::sizeHint().width(), minimumHeight()};
    }
};

} // namespace

TakenCard::TakenCard() {
    column()->setContentsMargins(grid::kMargin, grid::kStep, grid::kMargin, grid::kHalfStep);
    column()->setSpacing(grid::kHalfStep);
    auto* head = new QHBoxLayout;
    head->addWidget(makeLabel(tr("Taken"), "heading"));
    m_picture = makeLink(tr("Picture"), "takenPicture",
                         tr("The picture of the chosen point, with the marks from which it was read"));
    head->addWidget(m_picture);
    connect(m_picture, &QPushButton::clicked, this, &TakenCard::pictureRequested);
    m_attach = makeLink(tr("Attach a picture…"), "takenAttach",
                        tr("A picture to the chosen point, or to the newest: it can be read later"));
    head->addWidget(m_attach);
    connect(m_attach, &QPushButton::clicked, this, &TakenCard::attachRequested);
    auto* against = makeLabel(tr("against the curve"), "muted");
    against->setAlignment(Qt::AlignRight);
    head->addWidget(against);
    column()->addLayout(head);
    m_orders = makeLabel({}, "note");
    m_orders->setObjectName(QStringLiteral("takenOrders"));
    m_orders->hide();
    column()->addWidget(m_orders);
    m_table = new ShortTable;
    m_table->setObjectName(QStringLiteral("taken"));
    m_table->setAccessibleName(tr("Points taken, newest first"));
    m_rows = new TableModel(m_table);
    m_table->setModel(m_rows);
    styleTable(m_table);
    constexpr int kHeaderAndRows = 36 + 5 * 26; // five are always seen
    m_table->setMinimumHeight(scaled(kHeaderAndRows));
    m_table->setContextMenuPolicy(Qt::CustomContextMenu);
    column()->addWidget(m_table, 1);
    connect(m_table, &QWidget::customContextMenuRequested, this, [this](const QPoint& at) {
        const QModelIndex index = m_table->indexAt(at);
        if (!index.isValid()) return;
        m_table->selectRow(index.row());
        QMenu menu(this);
        menu.addAction(tr("Strike with a reason…"), this, &TakenCard::strikeRequested);
        menu.addAction(tr("Retake"), this, &TakenCard::retakeRequested);
        menu.addAction(tr("Take the last zero check for it"), this, &TakenCard::zeroRequested);
        menu.addAction(tr("Attach a picture…"), this, &TakenCard::attachRequested);
        if (m_withPicture.contains(m_rows->row(index.row()).id))
            menu.addAction(tr("Look at its picture"), this, &TakenCard::pictureRequested);
        menu.exec(m_table->viewport()->mapToGlobal(at));
    });
}

void TakenCard::show(const RunView& v, const QString& temperatureUnit) {
    QVector<TableModel::Row> rows;
    rows.reserve(static_cast<int>(v.taken.size()));
    m_withPicture.clear();
    const RowId newest = m_rows->rowCount() > 0 ? m_rows->row(0).id : 0;
    const QString aimed = tr("what was aimed at; never fitted"), read = tr("what was read; this is fitted"),
                  off = tr("temperature less boiling point at the pressure read"),
                  pictured = tr("with a picture");
    const auto numbered = [](const auto& t) { // ■: no word is cut off in a narrow column
        return QString::number(t.position) + (t.hasPicture ? QStringLiteral(" \u25A0") : QString());
    };
    for (const auto& t : v.taken) {
        TableModel::Row row;
        const QString remark = t.struck ? tr("struck: %1").arg(onScreen(t.struckReason)) : onScreen(t.marks);
        row.cells = {numbered(t), onScreen(t.target), onScreen(t.actual), onScreen(t.temperature)};
        row.tips = {t.hasPicture ? pictured : QString(), aimed, read, QString()};
        if (v.predicted) {
            row.cells << onScreen(t.predicted);
            row.tips << tr("what the class said before, °C");
        }
        row.cells << onScreen(t.deviation) << remark;
        row.tips << off << remark;
        row.quiet = t.struck || !t.inFit;
        row.struck = t.struck;
        row.id = t.id;
        if (t.hasPicture) m_withPicture << t.id;
        rows << row;
    }
    QStringList heads{QStringLiteral("#"), tr("target"), tr("actual, %1").arg(onScreen(v.unit)),
                      temperatureUnit};
    if (v.predicted) heads << tr("class");
    heads << QStringLiteral("K") << QStringLiteral(" ");
    m_rows->show(heads, rows, {static_cast<int>(heads.size()) - 1});
    if (!rows.isEmpty() && rows.first().id != newest) m_table->scrollToTop();
    m_picture->setVisible(!m_withPicture.isEmpty());
    m_attach->setVisible(!rows.isEmpty());
    m_orders->setText(onScreen(v.orders));
    m_orders->setVisible(!v.orders.empty());
}

void TakenCard::choose(RowId readingId) {
    for (int r = 0; r < m_rows->rowCount(); ++r)
        if (m_rows->row(r).id == readingId) m_table->selectRow(r);
}

std::optional<RowId> TakenCard::chosen() const {
    const auto rows = m_table->selectionModel()->selectedRows();
    return rows.isEmpty() ? std::nullopt : std::optional<RowId>(m_rows->row(rows.front().row()).id);
}

bool TakenCard::isStruck(RowId readingId) const {
    for (int r = 0; r < m_rows->rowCount(); ++r)
        if (m_rows->row(r).id == readingId) return m_rows->row(r).struck;
    return false;
}

} // namespace uttrin::app

#include "moc_TakenCard.cpp"
