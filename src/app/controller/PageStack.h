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
};

/// An area that scrolls pages where what they stand in is smaller than they can be.
[[nodiscard]] QScrollArea* scrolled(PageStack* pages);

} // namespace uttrin::app
