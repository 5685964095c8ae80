#include "PdfReport.h"

#include "files/WholeFile.h"

#include <QAbstractTextDocumentLayout>
#include <QBuffer>
#include <QPainter>
#include <QPdfWriter>
#include <QSvgRenderer>
#include <QTextCursor>
#include <QTextDocument>
#include <QTextObjectInterface>
#include <QTextTable>

#include <algorithm>
#include <functional>

namespace uttrin {
namespace {

constexpr int kFigureObject = QTextFormat::UserObject + 1;
constexpr int kSvgProperty = 1, kWidthProperty = 2, kHeightProperty = 3;
constexpr double kMarginMm = 18.0, kFooterMm = 10.0;
constexpr double kPointsPerInch = 72.0;
constexpr double kPointsPerMm = kPointsPerInch / 25.4;
const QColor kInk(0x1D, 0x2B, 0x36), kMuted(0x5C, 0x68, 0x71), kCaution(0x7A, 0x52, 0x00),
    kHairline(0xDD, 0xD3, 0xBF), kCautionGround(0xFF, 0xF3, 0xD6);

/// A vector picture inside the text.
class FigureObject : public QObject, public QTextObjectInterface {
    Q_OBJECT
    Q_INTERFACES(QTextObjectInterface)
public:
    using QObject::QObject;
    QSizeF intrinsicSize(QTextDocument*, int, const QTextFormat& f) override {
        return {f.doubleProperty(kWidthProperty), f.doubleProperty(kHeightProperty)};
    }
    void drawObject(QPainter* p, const QRectF& rect, QTextDocument*, int, const QTextFormat& f) override {
        QSvgRenderer svg(f.property(kSvgProperty).toByteArray());
        svg.render(p, rect);
    }
};

/// Lays blocks out in points.
class Setter {
public:
    Setter(QTextDocument& document, double width, const Wording& wording)
        : m_cursor(&document), m_width(width), m_wording(wording) {
        m_cursor.beginEditBlock(); // one layout at the end, not one a cell
    }
    Setter(const Setter&) = delete;
    Setter& operator=(const Setter&) = delete;
    ~Setter() { m_cursor.endEditBlock(); }

    void operator()(const Heading& h) {
        text(h.text, h.level == 1 ? 19 : h.level == 2 ? 13 : 14, true, kInk, h.level == 1 ? 0 : 14, 4);
    }
    void operator()(const Paragraph& p) {
        text(p.text, p.muted ? 9 : 10, false, p.muted ? kMuted : kInk, 0, 6);
    }
    void operator()(const BulletList& list) {
        if (list.columns > 1) return inColumns(list);
        for (const auto& item : list.items)
            text(bullet(item), 10, false, kInk, 0, 3);
    }
    void operator()(const CautionBox& c) { boxed(Text::set("\u26A0  {}", c.text), false); }
    void operator()(const Banner& b) { boxed(b.text, true); }
    void operator()(const Figure& f) {
        QTextCharFormat format;
        format.setObjectType(kFigureObject);
        const double width = std::min(m_width, f.widthMm * kPointsPerMm);
        format.setProperty(kSvgProperty, QByteArray::fromStdString(toSvg(f.plot, m_wording)));
        format.setProperty(kWidthProperty, width);
        format.setProperty(kHeightProperty, width * f.heightMm / f.widthMm);
        block(10, 2);
        m_cursor.insertText(QString(QChar::ObjectReplacementCharacter), format);
        text(f.caption, 9, false, kMuted, 0, 8);
    }
    void operator()(const Table& t) {
        text(t.caption, 9, false, kMuted, 6, 2);
        QTextTableFormat format;
        format.setBorder(0);
        format.setCellPadding(2);
        format.setCellSpacing(0);
        format.setHeaderRowCount(1);
        format.setWidth(QTextLength(QTextLength::PercentageLength, 100));
        if (t.wordsInLastColumn) format.setColumnWidthConstraints(widthsOf(t));
        QTextTable* table = m_cursor.insertTable(static_cast<int>(t.rows.size()) + 1,
                                                 static_cast<int>(t.columns.size()), format);
        for (int c = 0; c < table->columns(); ++c)
            cell(*table, 0, c, t.columns[static_cast<std::size_t>(c)], true, false, t.wordsInLastColumn);
        for (int r = 1; r < table->rows(); ++r) {
            const auto& row = t.rows[static_cast<std::size_t>(r) - 1];
            const bool struck =
                static_cast<std::size_t>(r) <= t.struck.size() && t.struck[static_cast<std::size_t>(r) - 1];
            for (int c = 0; c < table->columns(); ++c)
                cell(*table, r, c, row[static_cast<std::size_t>(c)], false,
                     struck && !(t.wordsInLastColumn && c + 1 == table->columns()), t.wordsInLastColumn);
        }
        m_cursor.movePosition(QTextCursor::End);
    }

private:
    static Text bullet(const Text& item) { return Text::set("•  {}", item); }
    /// A list beside itself: it takes less of the page.
    void inColumns(const BulletList& list) {
        QTextTableFormat format;
        format.setBorder(0);
        format.setCellPadding(3);
        format.setCellSpacing(0);
        format.setWidth(QTextLength(QTextLength::PercentageLength, 100));
        const int count = static_cast<int>(list.items.size());
        const int rows = std::max(1, (count + list.columns - 1) / list.columns);
        format.setColumnWidthConstraints(QList<QTextLength>(
            list.columns, QTextLength(QTextLength::PercentageLength, 100.0 / list.columns)));
        QTextTable* table = m_cursor.insertTable(rows, list.columns, format);
        const QTextCharFormat letters = characters(9, false, kInk);
        for (int i = 0; i < count; ++i)
            table->cellAt(i % rows, i / rows)
                .firstCursorPosition()
                .insertText(said(bullet(list.items[static_cast<std::size_t>(i)])), letters);
        m_cursor.movePosition(QTextCursor::End);
    }
    /// Of a table with few columns: as wide as what stands in them needs; words take the rest. Of others even
    /// ones.
    QList<QTextLength> widthsOf(const Table& t) const {
        constexpr std::size_t kFew = 4;
        constexpr double kCharacter = 1.3, kAir = 2.0,
                         kWidest = 30.0; // % of the width, at the size of tables
        if (t.columns.size() > kFew) return {};
        QList<QTextLength> widths;
        double left = 100.0;
        for (std::size_t c = 0; c + 1 < t.columns.size(); ++c) {
            auto longest = said(t.columns[c]).size();
            for (const auto& row : t.rows)
                longest = std::max(longest, said(row[c]).size());
            const double width = std::min(kWidest, kAir + kCharacter * static_cast<double>(longest));
            widths << QTextLength(QTextLength::PercentageLength, width);
            left -= width;
        }
        return widths << QTextLength(QTextLength::PercentageLength, left);
    }
    void block(double above, double below) {
        QTextBlockFormat format;
        format.setTopMargin(above);
        format.setBottomMargin(below);
        if (m_first)
            m_cursor.setBlockFormat(format);
        else
            m_cursor.insertBlock(format);
        m_first = false;
    }
    QTextCharFormat characters(double points, bool bold, const QColor& colour) const {
        QTextCharFormat format;
        format.setFontFamilies({QStringLiteral("Inter Tabular")});
        format.setFontPointSize(points);
        format.setFontWeight(bold ? QFont::DemiBold : QFont::Normal);
        format.setForeground(colour);
        return format;
    }
    void text(const Text& s, double points, bool bold, const QColor& colour, double above, double below) {
        block(above, below);
        m_cursor.insertText(said(s), characters(points, bold, colour));
    }
    void boxed(const Text& s, bool bold) {
        QTextTableFormat format;
        format.setBorder(bold ? 1 : 0);
        format.setBorderCollapse(true);
        format.setCellSpacing(0);
        format.setBorderBrush(kCaution);
        format.setCellPadding(5);
        format.setBackground(kCautionGround);
        format.setTopMargin(3);
        format.setBottomMargin(3);
        format.setWidth(QTextLength(QTextLength::PercentageLength, 100));
        block(0, 0);
        QTextTable* table = m_cursor.insertTable(1, 1, format);
        table->cellAt(0, 0).firstCursorPosition().insertText(said(s), characters(10, bold, kCaution));
        m_cursor.movePosition(QTextCursor::End);
    }
    void cell(QTextTable& table, int row, int column, const Text& s, bool head, bool struck, bool lastLeft) {
        QTextTableCell target = table.cellAt(row, column);
        QTextCharFormat ground = target.format();
        QTextTableCellFormat border = ground.toTableCellFormat();
        border.setBottomBorder(head ? 1 : 0.5);
        border.setBottomBorderStyle(QTextFrameFormat::BorderStyle_Solid);
        border.setBottomBorderBrush(head ? kInk : kHairline);
        constexpr double kBeforeWords = 10.0;
        if (lastLeft && column + 1 == table.columns()) border.setLeftPadding(kBeforeWords);
        target.setFormat(border);
        QTextCursor at = target.firstCursorPosition();
        QTextBlockFormat alignment;
        alignment.setAlignment(lastLeft && column + 1 == table.columns() ? Qt::AlignLeft : Qt::AlignRight);
        at.setBlockFormat(alignment);
        QTextCharFormat format = characters(8.5, false, head || struck ? kMuted : kInk);
        format.setFontStrikeOut(struck);
        at.insertText(said(s), format);
    }

    [[nodiscard]] QString said(const Text& text) const {
        return QString::fromStdString(text.said(m_wording));
    }

    QTextCursor m_cursor;
    double m_width;
    const Wording& m_wording;
    bool m_first = true;
};

} // namespace

namespace {

/// A report laid out in points on pages of one size, ready to be painted on anything.
class Layout {
public:
    Layout(const Document& document, QSizeF page, const Wording& wording)
        : m_title(QString::fromStdString(document.title.said(wording))), m_page(page) {
        m_text.setDocumentMargin(0);
        m_base.setPointSizeF(10);
        m_text.setDefaultFont(m_base);
        m_text.documentLayout()->registerHandler(kFigureObject, &m_figures);
        m_points.setDotsPerMeterX(kDotsPerMetre); // 72 dots an inch make a point a unit
        m_points.setDotsPerMeterY(kDotsPerMetre);
        m_text.documentLayout()->setPaintDevice(&m_points);
        m_text.setPageSize(page);
        Setter setter(m_text, page.width(), wording);
        for (const Block& block : document.blocks)
            std::visit(std::ref(setter), block);
    }

    [[nodiscard]] int pages() const { return m_text.pageCount(); }

    /// Paints a page with its footer; the painter counts in points from the page's text corner.
    void paint(QPainter& painter, int page) {
        painter.save();
        painter.translate(0, -page * m_page.height());
        const QRectF visible(0, page * m_page.height(), m_page.width(), m_page.height());
        painter.setClipRect(visible);
        QAbstractTextDocumentLayout::PaintContext context;
        context.clip = visible;
        context.palette.setColor(QPalette::Text, kInk);
        m_text.documentLayout()->draw(&painter, context);
        painter.restore();
        painter.setPen(kMuted);
        QFont footer = m_base;
        footer.setPixelSize(8);
        painter.setFont(footer);
        painter.drawText(QRectF(0, m_page.height() + 8, m_page.width(), 16), Qt::AlignRight,
                         QStringLiteral("%1 / %2").arg(page + 1).arg(pages()));
        painter.drawText(QRectF(0, m_page.height() + 8, m_page.width() - 60, 16), Qt::AlignLeft, m_title);
    }

private:
    static constexpr int kDotsPerMetre = 2835;
    QString m_title;
    QSizeF m_page;
    QFont m_base{QStringLiteral("Inter Tabular")};
    QImage m_points{1, 1, QImage::Format_RGB32};
    FigureObject m_figures;
    QTextDocument m_text;
};

} // namespace

int paintReport(const Document& document, const Wording& wording, QPagedPaintDevice& device) {
    device.setPageMargins(QMarginsF(kMarginMm, kMarginMm, kMarginMm, kMarginMm), QPageLayout::Millimeter);
    QPainter painter;
    if (!painter.begin(&device)) return 0;
    const double scale = device.logicalDpiX() / kPointsPerInch;
    Layout layout(document,
                  QSizeF(device.width() / scale, device.height() / scale - kFooterMm * kPointsPerMm),
                  wording);
    painter.scale(scale, scale);
    for (int i = 0; i < layout.pages(); ++i) {
        if (i > 0) device.newPage();
        layout.paint(painter, i);
    }
    return painter.end() ? layout.pages() : 0;
}

QList<QImage> reportPages(const Document& document, const Wording& wording, double width) {
    constexpr double kA4Width = 210.0 * kPointsPerMm, kA4Height = 297.0 * kPointsPerMm,
                     kMargin = kMarginMm * kPointsPerMm;
    Layout layout(document,
                  QSizeF(kA4Width - 2 * kMargin, kA4Height - 2 * kMargin - kFooterMm * kPointsPerMm),
                  wording);
    const double scale = width / kA4Width;
    QList<QImage> pages;
    for (int i = 0; i < layout.pages(); ++i) {
        QImage page(QSizeF(width, kA4Height * scale).toSize(), QImage::Format_RGB32);
        page.fill(Qt::white);
        QPainter painter(&page);
        painter.setRenderHints(QPainter::Antialiasing | QPainter::TextAntialiasing);
        painter.scale(scale, scale);
        painter.translate(kMargin, kMargin);
        layout.paint(painter, i);
        painter.end();
        pages << page;
    }
    return pages;
}

Result<int> writePdf(const Document& document, const Wording& wording, const QString& path) {
    QBuffer pages;
    pages.open(QIODevice::WriteOnly);
    QPdfWriter writer(&pages);
    writer.setPageSize(QPageSize(QPageSize::A4));
    writer.setResolution(300);
    writer.setTitle(QString::fromStdString(document.title.said(wording)));
    writer.setCreator(QStringLiteral("Uttrin"));
    const int count = paintReport(document, wording, writer);
    const QByteArray& bytes = pages.data();
    return writeWholeFile(path.toStdString(), {bytes.constData(), static_cast<std::size_t>(bytes.size())})
        .map([count] { return count; });
}

} // namespace uttrin

#include "PdfReport.moc"
