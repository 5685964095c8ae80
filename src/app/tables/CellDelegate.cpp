#include "CellDelegate.h"

#include "app/controls/Theme.h"

#include <QPainter>

namespace uttrin::app {
namespace {

constexpr int kMostTexts = 2000;      // of a few dozen bytes each
constexpr int kBeside = 4, kOver = 4; // px, between a text and the edges of its cell, as in the headers
constexpr int kApart = 6;             // px, between the columns besides

} // namespace

CellDelegate::CellDelegate(QObject* parent) : QStyledItemDelegate(parent), m_texts(kMostTexts) {}

const QStaticText& CellDelegate::laidOut(const QString& text, const QFont& font) const {
    const QString key = font.key() + QLatin1Char('\n') + text;
    if (const QStaticText* known = m_texts.object(key)) return *known;
    auto* made = new QStaticText(text);
    made->setTextFormat(Qt::PlainText);
    made->prepare({}, font);
    m_texts.insert(key, made);
    return *made;
}

void CellDelegate::paint(QPainter* p, const QStyleOptionViewItem& option, const QModelIndex& index) const {
    const Theme& t = theme();
    if (option.state & QStyle::State_Selected) p->fillRect(option.rect, t.liquid);
    const QString text = index.data().toString();
    if (text.isEmpty()) return;
    const QFont font = index.data(Qt::FontRole).value<QFont>();
    const QRectF place = QRectF(option.rect).adjusted(kBeside, 0, -kBeside, 0);
    const QStaticText* shown = &laidOut(text, font);
    if (shown->size().width() > place.width())
        shown = &laidOut(QFontMetricsF(font).elidedText(text, Qt::ElideRight, place.width()), font);
    const auto align = Qt::Alignment(index.data(Qt::TextAlignmentRole).toInt());
    const double x = align & Qt::AlignRight ? place.right() - shown->size().width() : place.left();
    p->setFont(font);
    p->setPen(index.data(Qt::ForegroundRole).value<QColor>());
    p->drawStaticText(QPointF(x, place.center().y() - shown->size().height() / 2.0), *shown);
}

QSize CellDelegate::sizeHint(const QStyleOptionViewItem&, const QModelIndex& index) const {
    const QSizeF text = laidOut(index.data().toString(), index.data(Qt::FontRole).value<QFont>()).size();
    return {qCeil(text.width()) + 2 * kBeside + kApart, qCeil(text.height()) + kOver};
}

} // namespace uttrin::app

#include "moc_CellDelegate.cpp"
