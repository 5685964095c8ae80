#include "KeySheet.h"

#include "app/controls/Labels.h"

#include <QAbstractButton>
#include <QAction>
#include <QMainWindow>
#include <QMenu>
#include <QMenuBar>
#include <QTextBrowser>
#include <QVBoxLayout>

namespace uttrin::app {
namespace {

/// A caption without the dots of a dialog to come.
QString plain(const QString& caption) { return plainCaption(caption).remove(QStringLiteral("…")).trimmed(); }

void addMenu(const QMenu& menu, std::vector<KeyLine>& out) {
    const auto actions = menu.actions();
    for (const QAction* a : actions) {
        if (a->menu()) addMenu(*a->menu(), out);
        if (!a->shortcut().isEmpty())
            out.push_back(
                {plain(menu.title()), a->shortcut().toString(QKeySequence::NativeText), plain(a->text())});
    }
}

} // namespace

std::vector<KeyLine> keysOf(const QWidget& window) {
    std::vector<KeyLine> out;
    if (const auto* main = qobject_cast<const QMainWindow*>(&window)) {
        const auto menus = main->menuBar()->actions();
        for (const QAction* a : menus)
            if (a->menu()) addMenu(*a->menu(), out);
    }
    const QString buttons = KeySheet::tr("Buttons");
    const auto all = window.findChildren<QAbstractButton*>();
    const auto withMenus = window.findChildren<QPushButton*>();
    for (const QPushButton* b : withMenus)
        if (b->menu()) addMenu(*b->menu(), out);
    for (const QAbstractButton* b : all)
        if (!b->shortcut().isEmpty())
            out.push_back({buttons, b->shortcut().toString(QKeySequence::NativeText),
                           plain(b->accessibleName().isEmpty() ? b->text() : b->accessibleName())});
    const QString everywhere = KeySheet::tr("Everywhere"), drawn = KeySheet::tr("What is drawn");
    out.push_back(
        {everywhere, KeySheet::tr("Tab, Shift+Tab"), KeySheet::tr("the next control, the one before")});
    out.push_back({everywhere, KeySheet::tr("Enter"),
                   KeySheet::tr("presses the button that has the ring; captures in a field of a reading")});
    out.push_back(
        {everywhere, KeySheet::tr("arrows"), KeySheet::tr("go among choices; Space or Enter chooses")});
    out.push_back({everywhere, KeySheet::tr("F10"), KeySheet::tr("opens the menu")});
    const QString acts = KeySheet::tr("While an act goes on");
    out.push_back({acts, KeySheet::tr("F2 to F9"), KeySheet::tr("stamp what is seen, as on the buttons")});
    out.push_back({acts, KeySheet::tr("Alt+1 to Alt+5"), KeySheet::tr("stamp how hard it boils")});
    out.push_back({acts, KeySheet::tr("Alt+B"), KeySheet::tr("a bell for the move that is due next")});
    out.push_back({acts, KeySheet::tr("Alt+P"), KeySheet::tr("bells for all that the plan has to come")});
    out.push_back(
        {acts, KeySheet::tr("Alt+D"), KeySheet::tr("liquid in the pump’s line: drained before all else")});
    out.push_back({acts, KeySheet::tr("Alt+Shift+1 …"), KeySheet::tr("one more of the class says so")});
    out.push_back({acts, KeySheet::tr("Alt+L, Alt+R"), KeySheet::tr("lock the answers; reveal")});
    out.push_back({drawn, KeySheet::tr("left, right on a trace"),
                   KeySheet::tr("the moment before, the next; with Shift further; + and − come nearer")});
    out.push_back({drawn, KeySheet::tr("arrows on an instrument"),
                   KeySheet::tr("set it by what can be read; Page keys by ten")});
    out.push_back(
        {drawn, KeySheet::tr("left, right on a map"),
         KeySheet::tr("the target before, the next; up and down move it on Plan; Home frames what matters")});
    out.push_back({drawn, KeySheet::tr("left, right on the tape of a rehearsal"),
                   KeySheet::tr("a step back, a step on; with Shift ten; Home and End to the ends")});
    return out;
}

KeySheet::KeySheet(QWidget* window) : QDialog(window), m_text(new QTextBrowser) {
    setWindowTitle(tr("All keys"));
    resize(640, 600);
    auto* column = new QVBoxLayout(this);
    m_text->setObjectName(QStringLiteral("keySheet"));
    m_text->setAccessibleName(tr("All keys"));
    column->addWidget(m_text);
}

void KeySheet::showEvent(QShowEvent* event) {
    QString html, heading;
    for (const KeyLine& line : keysOf(*parentWidget())) {
        if (line.heading != heading) {
            if (!heading.isEmpty()) html += QStringLiteral("</table>");
            html += QStringLiteral("<h3>%1</h3><table cellpadding=\"3\">").arg(line.heading.toHtmlEscaped());
            heading = line.heading;
        }
        html += QStringLiteral("<tr><td width=\"210\"><b>%1</b></td><td>%2</td></tr>")
                    .arg(line.key.toHtmlEscaped(), line.does.toHtmlEscaped());
    }
    m_text->setHtml(html + QStringLiteral("</table>"));
    QDialog::showEvent(event);
}

} // namespace uttrin::app

#include "moc_KeySheet.cpp"
