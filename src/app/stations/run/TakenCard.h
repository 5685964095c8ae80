#pragma once

#include "app/controls/Card.h"
#include "lesson/views/RunView.h"

#include <QSet>

#include <optional>

class QTableView;

namespace uttrin::app {

class TableModel;
class Words;

/// The points taken in this run, newest first: target and actual are two columns.
class TakenCard : public Card {
    Q_OBJECT
public:
    TakenCard();
    /// @param temperatureUnit  of the thermometer, for the column's head.
    void show(const RunView& view, const QString& temperatureUnit);
    void choose(RowId readingId);
    [[nodiscard]] std::optional<RowId> chosen() const;
    [[nodiscard]] bool isStruck(RowId readingId) const;

signals:
    void strikeRequested();
    void retakeRequested();
    void pictureRequested();
    void attachRequested(); ///< of a picture
    void zeroRequested();   ///< the last zero check shall hold for it

private:
    Words* m_orders; ///< how many were read in which order
    QTableView* m_table;
    TableModel* m_rows;
    QPushButton* m_picture; ///< there when a point has one
    QPushButton* m_attach;
    QSet<RowId> m_withPicture;
};

} // namespace uttrin::app
