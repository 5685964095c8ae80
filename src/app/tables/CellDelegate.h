#pragma once

#include <QCache>
#include <QStaticText>
#include <QStyledItemDelegate>

namespace uttrin::app {

/// Draws a cell of words or figures on one line, cut with an ellipsis where the column is too narrow. What
/// was laid out once is kept: a table that gets a row draws all the others again.
class CellDelegate final : public QStyledItemDelegate {
    Q_OBJECT
public:
    explicit CellDelegate(QObject* parent);
    void paint(QPainter* painter, const QStyleOptionViewItem& option,
               const QModelIndex& index) const override;
    [[nodiscard]] QSize sizeHint(const QStyleOptionViewItem& option, const QModelIndex& index) const override;

private:
    [[nodiscard]] const QStaticText& laidOut(const QString& text, const QFont& font) const;
    mutable QCache<QString, QStaticText> m_texts;
};

} // namespace uttrin::app
