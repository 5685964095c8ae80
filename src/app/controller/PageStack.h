#pragma once

#include <QStackedWidget>

class QScrollArea;

namespace uttrin::app {

/// Pages of which one is shown, no smaller than that one needs; the others ask for nothing.
class PageStack : public QStackedWidget {
    Q_OBJECT
public:
    explicit PageStack(QWidget* parent = nullptr);
    [[nodiscard]] QSize minimumSizeHint() const override;
    [[nodiscard]] QSize sizeHint() const override;
    /// What a page needs at least is asked of it, not what it would like at a width.
    [[nodiscard]] bool hasHeightForWidth() const override { return false; }

protected:
    void resizeEvent(QResizeEvent* event) override;

private:
    [[nodiscard]] int heightOfScrolled(int least) const;
};

/// An area that scrolls pages, or what else is in it, where it is smaller than that can be.
[[nodiscard]] QScrollArea* scrolled(QWidget* content);

} // namespace uttrin::app
