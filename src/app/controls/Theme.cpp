#include "Theme.h"

#include "Grid.h"

#include <QApplication>
#include <QFontDatabase>
#include <QPalette>
#include <QPointer>
#include <QProxyStyle>
#include <QWidget>

#include <algorithm>
#include <cmath>
#include <utility>

namespace uttrin::app {
namespace {

/// The toolkit's style, its own distances on the grid.
class GridStyle : public QProxyStyle {
public:
    GridStyle() : QProxyStyle(QStringLiteral("Fusion")) {}
    int pixelMetric(PixelMetric metric, const QStyleOption* option, const QWidget* widget) const override {
        switch (metric) {
        case PM_LayoutHorizontalSpacing:
        case PM_LayoutVerticalSpacing:
            return grid::kStep;
        case PM_LayoutLeftMargin:
        case PM_LayoutRightMargin:
        case PM_LayoutTopMargin:
        case PM_LayoutBottomMargin:
            return grid::kMargin;
        default:
            return QProxyStyle::pixelMetric(metric, option, widget);
        }
    }
};

Theme current = Theme::paper();

QString styleSheet(const Theme& t) {
    QString css = QStringLiteral(R"css(
QWidget { color: @ink; font-size: @textpx; }
QMainWindow { background: @paper; }
QScrollArea { border: none; }
QFrame#card { background: @card; border: 1px solid @hairline; border-radius: 6px; }
QLabel { background: transparent; }
QLabel[role="title"] { font-size: @titlepx; font-weight: 600; }
QLabel[role="heading"] { font-weight: 600; }
QLabel[role="muted"] { color: @muted; font-size: @smallpx; }
QLabel[role="stripLabel"] { color: @muted; font-size: @linepx; font-weight: 600; } QLabel[role="stripLine"] { color: @muted; font-size: @linepx; } QLabel[role="stripMissing"] { color: @caution; font-size: @linepx; font-weight: 600; }
QLabel[role="live"] { font-size: @livepx; font-weight: 600; } QLabel[role="liveNarrow"] { font-size: @livenarrowpx; font-weight: 600; }
QLabel[role="actFigure"] { font-size: @actfigurepx; font-weight: 600; }
QLabel[role="figure"] { font-size: @figurepx; font-weight: 600; }
QLabel[role="caution"] { color: @caution; background: @cautionGround; border-radius: 6px; padding: 8px 10px; font-weight: 500; }
QLabel[role="cautionText"] { color: @caution; font-weight: 600; }
QLabel[role="message"], QLabel[role="failure"] { border-radius: 6px; padding: 4px 10px; font-weight: 500; }
QLabel[role="message"] { background: @liquidTint; } QLabel[role="failure"] { color: @caution; background: @cautionGround; }
QLabel[role="note"] { background: @liquidTint; border-radius: 6px; padding: 8px 10px; }
QLabel[role="smallNote"] { background: @liquidTint; border-radius: 6px; padding: 4px 10px; font-size: @smallpx; }
QLineEdit, QComboBox, QDateTimeEdit { padding: 0 8px; min-height: @controlpx; } QTextEdit, QPlainTextEdit { padding: 4px 8px; }
QLineEdit, QComboBox, QTextEdit, QPlainTextEdit, QDateTimeEdit { background: @card; border: 1px solid @edge; border-radius: 6px; selection-background-color: @done; selection-color: @card; }
QLineEdit[wrong="true"] { border: 2px solid @caution; background: @cautionGround; padding: 0 7px; min-height: @controlinpx; }
QLineEdit[big="true"] { font-size: @bigpx; font-weight: 600; padding: 0 10px; min-height: @tallpx; } QLineEdit[big="true"][wrong="true"] { min-height: @tallinpx; }
QLineEdit:read-only { background: @paper; }
QComboBox QAbstractItemView { background: @card; border: 1px solid @hairline; selection-background-color: @done; selection-color: @card; }
QPushButton { outline: none; background: @card; border: 1px solid @edge; border-radius: 6px; padding: 0 14px; min-height: @controlpx; font-weight: 500; }
QPushButton:hover { border-color: @muted; }
QPushButton:pressed { background: @hairline; }
QPushButton:disabled { color: @muted; background: @paper; }
QPushButton[role="main"] { background: @action; color: @onAction; border: 1px solid @action; font-size: @titlepx; font-weight: 600; padding: 0 16px; min-height: @tallpx; }
QPushButton[beside="main"] { min-height: @tallpx; }
QPushButton[role="main"]:disabled { background: @hairline; color: @muted; border-color: @hairline; }
QPushButton[role="segment"] { padding: 0 7px; }
QPushButton[role="smallSegment"] { padding: 0 4px; font-size: @smallpx; }
QPushButton[role="segment"]:checked, QPushButton[role="smallSegment"]:checked { background: @done; color: @card; border-color: @done; }
QPushButton[role="mark"] { text-align: left; padding: 0 10px; } QPushButton[role="mark"]:checked { border: 2px solid @done; background: @liquidTint; padding: 0 9px; min-height: @controlinpx; }
QPushButton[role="link"] { border: none; background: transparent; color: @done; padding: 0 6px; min-height: @linkpx; text-align: left; }
QToolTip { background: @ink; color: @card; border: none; padding: 5px 7px; font-size: @smallpx; }
QMenuBar { background: @navigation; } QMenuBar::item { padding: 5px 10px; background: transparent; } QMenuBar::item:selected { background: @hairline; }
QMenu { background: @card; border: 1px solid @hairline; padding: 4px; } QMenu::item { padding: 6px 24px 6px 12px; border-radius: 4px; } QMenu::item:selected { background: @done; color: @card; } QMenu::item:disabled { color: @muted; } QMenu::separator { height: 1px; background: @hairline; margin: 4px 8px; }
QTableView { background: @card; border: 1px solid @hairline; border-radius: 6px; gridline-color: @hairline; selection-background-color: @liquidTint; selection-color: @ink; font-size: @tablepx; }
QTableView::item { padding: 2px 4px; }
QHeaderView { background: @card; } QHeaderView::section { background: @card; color: @muted; border: none; border-bottom: 1px solid @hairline; padding: 5px 4px; font-size: @smallpx; font-weight: 500; }
QTextBrowser { background: @card; border: 1px solid @hairline; border-radius: 6px; }
QCheckBox { spacing: 8px; background: transparent; outline: none; }
QCheckBox { min-height: 24px; } QCheckBox::indicator { width: 16px; height: 16px; border: 1px solid @edge; border-radius: 4px; background: @card; }
QCheckBox::indicator:checked { background: @done; border-color: @done; image: url(:/icons/@check.svg); }
QCheckBox::indicator:disabled { border-color: @hairline; }
QComboBox { padding-right: 4px; } QComboBox::drop-down { border: none; width: 20px; } QComboBox::down-arrow { image: url(:/icons/arrow.svg); width: 12px; height: 12px; }
QTableView::indicator { width: 16px; height: 16px; }
QListWidget { background: @card; border: 1px solid @hairline; border-radius: 6px; }
QScrollBar:vertical { background: transparent; width: 24px; } QScrollBar::handle:vertical { background: @edge; border-radius: 5px; min-height: 32px; margin: 0 7px; }
QScrollBar:horizontal { background: transparent; height: 24px; } QScrollBar::handle:horizontal { background: @edge; border-radius: 5px; min-width: 32px; margin: 7px 0; }
QSlider { min-height: 24px; }
QScrollBar::add-line, QScrollBar::sub-line { width: 0; height: 0; } QScrollBar::add-page, QScrollBar::sub-page { background: transparent; }
QDialog { background: @paper; }
)css");
    constexpr int kBig = 24; // px, a figure being typed that a page is about
    const auto inside = [&](int px, int border) {
        return QStringLiteral("%1px").arg(std::lround(px * t.factor) - 2 * border);
    };
    const std::pair<const char*, QString> values[] = {
        {"@cautionGround", t.cautionGround.name()},
        {"@caution", t.caution.name()},
        {"@paper", t.ground.name()},
        {"@card", t.card.name()},
        {"@hairline", t.hairline.name()},
        {"@edge", t.edge.name()},
        {"@ink", t.ink.name()},
        {"@muted", t.muted.name()},
        {"@liquidTint", t.liquid.name()},
        {"@done", t.done.name()},
        {"@navigation", t.navigation.name()},
        {"@onAction", t.onAction.name()},
        {"@action", t.action.name()},
        {"@controlinpx", inside(grid::kControl, 2)},
        {"@controlpx", inside(grid::kControl, 1)},
        {"@linkpx", inside(grid::kLink, 0)},
        {"@tallinpx", inside(grid::kAction, 2)},
        {"@tallpx", inside(grid::kAction, 1)},
        {"@bigpx", inside(kBig, 0)},
        {"@textpx", QString::number(t.text) + "px"},
        {"@titlepx", QString::number(t.title) + "px"},
        {"@linepx", QString::number(std::max(t.tick, t.small - 1)) + "px"},
        {"@smallpx", QString::number(t.small) + "px"},
        {"@livepx", QString::number(t.live) + "px"},
        {"@livenarrowpx", QString::number(t.live * 2 / 3) + "px"},
        {"@actfigurepx",
         QString::number(std::max(t.figure, static_cast<int>(std::lround(40 * t.factor)))) + "px"},
        {"@figurepx", QString::number(t.figure) + "px"},
        {"@check", t.dark ? QStringLiteral("check-dark") : QStringLiteral("check-light")},
        {"@tablepx", QString::number(t.text - 1) + "px"}};
    for (const auto& [token, value] : values)
        css.replace(QLatin1String(token), value);
    return css;
}

} // namespace

Theme Theme::paper() {
    Theme t;
    t.name = QStringLiteral("paper");
    t.ground = QColor(0xFA, 0xF6, 0xEC);
    t.card = QColor(0xFF, 0xFD, 0xF8);
    t.hairline = QColor(0xDD, 0xD3, 0xBF);
    t.edge = QColor(0x8C, 0x83, 0x70);
    t.ink = QColor(0x1D, 0x2B, 0x36);
    t.muted = QColor(0x5C, 0x68, 0x71);
    t.liquid = QColor(0xCD, 0xE5, 0xE6);
    t.vapour = QColor(0xFB, 0xF1, 0xD8);
    t.ice = QColor(0xDE, 0xE2, 0xF6);
    t.done = QColor(0x0F, 0x6F, 0x7C);
    t.hot = QColor(0xC6, 0x3D, 0x1B);
    t.hotTint = QColor(0xF5, 0xCD, 0xC0);
    t.caution = QColor(0x7A, 0x52, 0x00);
    t.cautionGround = QColor(0xFF, 0xF3, 0xD6);
    t.focus = QColor(0x0F, 0x6F, 0x7C);
    t.navigation = QColor(0xF2, 0xEC, 0xDC);
    t.action = t.ink;
    t.onAction = t.card;
    return t;
}

Theme Theme::night() {
    Theme t;
    t.name = QStringLiteral("night");
    t.ground = QColor(0x12, 0x1B, 0x22);
    t.card = QColor(0x1B, 0x27, 0x30);
    t.hairline = QColor(0x45, 0x55, 0x61);
    t.edge = QColor(0x7F, 0x90, 0x9C);
    t.ink = QColor(0xF6, 0xF1, 0xE4);
    t.muted = QColor(0xB6, 0xC0, 0xC6);
    t.liquid = QColor(0x1F, 0x4A, 0x54);
    t.vapour = QColor(0x3A, 0x35, 0x27);
    t.ice = QColor(0x35, 0x3C, 0x58);
    t.done = QColor(0x5F, 0xD0, 0xDC);
    t.hot = QColor(0xFF, 0x7A, 0x55);
    t.hotTint = QColor(0x6B, 0x2D, 0x1D);
    t.caution = QColor(0xFF, 0xD2, 0x7A);
    t.cautionGround = QColor(0x3D, 0x30, 0x12);
    t.focus = QColor(0x5F, 0xD0, 0xDC);
    t.navigation = QColor(0x0D, 0x14, 0x1A);
    t.action = QColor(0xF6, 0xF1, 0xE4);
    t.onAction = QColor(0x12, 0x1B, 0x22);
    t.dark = true;
    return t;
}

Theme Theme::projector() {
    Theme t = night();
    t.name = QStringLiteral("projector");
    t.live = 72;
    t.figure = 42;
    t.large = true;
    t.title = 30;
    t.text = 19;
    t.small = 16;
    t.tick = 14;
    return t;
}

Theme Theme::contrast() {
    Theme t = paper();
    t.name = QStringLiteral("contrast");
    t.ground = t.card = t.navigation = t.cautionGround = t.onAction = Qt::white;
    t.ink = t.edge = t.hairline = t.action = Qt::black;
    t.muted = QColor(0x26, 0x26, 0x26);
    t.liquid = QColor(0xD6, 0xEE, 0xF2);
    t.vapour = QColor(0xFF, 0xF6, 0xDC);
    t.ice = QColor(0xE0, 0xE2, 0xFA);
    t.done = t.focus = QColor(0x00, 0x46, 0x52);
    t.hot = QColor(0x9E, 0x1F, 0x00);
    t.caution = QColor(0x5C, 0x36, 0x00);
    return t;
}

Theme Theme::at(int percent) const {
    constexpr int kLeast = 90, kMost = 200;
    Theme t = *this;
    t.factor = std::clamp(percent, kLeast, kMost) / 100.0;
    for (int* px : {&t.live, &t.figure, &t.title, &t.text, &t.small, &t.tick})
        *px = static_cast<int>(std::lround(*px * t.factor));
    t.tick = std::max(t.tick, tick); // never smaller than it is drawn at 100 %
    t.small = std::max(t.small, tick);
    return t;
}

const Theme& theme() { return current; }

PaintedIn::PaintedIn(const Theme& t) : m_before(std::exchange(current, t)) {}
PaintedIn::~PaintedIn() { current = m_before; }

int scaled(int px) { return static_cast<int>(std::lround(px * current.factor)); }

int lineOf(int px) {
    constexpr double kAscentAndDescent = 1.25; // of the size of a letter of the font in use
    return static_cast<int>(std::ceil(kAscentAndDescent * px)) + 1;
}
int tickLine() { return lineOf(current.tick); }

QFont fontOf(int px, QFont::Weight weight) {
    QFont font(QStringLiteral("Inter Tabular"));
    font.setPixelSize(px);
    font.setWeight(weight);
    return font;
}

void applyTheme(const Theme& t) {
    current = t;
    static QPointer<GridStyle> style; // the application's, and gone with it
    if (!style) QApplication::setStyle(style = new GridStyle);
    QPalette palette;
    palette.setColor(QPalette::Window, t.ground);
    palette.setColor(QPalette::Base, t.card);
    palette.setColor(QPalette::AlternateBase, t.ground);
    palette.setColor(QPalette::Button, t.card);
    for (const auto role : {QPalette::WindowText, QPalette::Text, QPalette::ButtonText})
        palette.setColor(role, t.ink);
    palette.setColor(QPalette::PlaceholderText, t.muted);
    palette.setColor(QPalette::Highlight, t.done);
    palette.setColor(QPalette::HighlightedText, t.card);
    palette.setColor(QPalette::Disabled, QPalette::Text, t.muted);
    palette.setColor(QPalette::Disabled, QPalette::ButtonText, t.muted);
    QApplication::setPalette(palette);
    QApplication::setFont(fontOf(t.text));
    qApp->setStyleSheet(styleSheet(t));
    const auto all = QApplication::allWidgets();
    for (QWidget* w : all)
        w->update();
}

} // namespace uttrin::app
