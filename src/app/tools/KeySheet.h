#pragma once

#include <QDialog>
#include <QString>

#include <vector>

class QTextBrowser;

namespace uttrin::app {

/// A key and what it does, under the heading of where it does it.
struct KeyLine {
    QString heading, key, does;
};

/// All keys that do something in a window: of its menus' actions, of its buttons, and those of what is drawn.
[[nodiscard]] std::vector<KeyLine> keysOf(const QWidget& window);

/// All keys on one sheet. It is made from the actions and buttons themselves, so it knows no key that does
/// nothing.
class KeySheet : public QDialog {
    Q_OBJECT
public:
    explicit KeySheet(QWidget* window);

protected:
    void showEvent(QShowEvent* event) override;

private:
    QTextBrowser* m_text;
};

} // namespace uttrin::app
