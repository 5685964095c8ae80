#pragma once

#include "app/accessibility/Spoken.h"
#include "lesson/views/StripView.h"

#include <QWidget>

#include <tuple>
#include <utility>

namespace uttrin::app {

class Words;
/// How far the liquid is from boiling: quiet at the left of zero, boiling at zero, superheated at the right.
class MarginBar : public QWidget, public Spoken {
    Q_OBJECT
public:
    explicit MarginBar(QWidget* parent = nullptr);
    void show(const StripView& view);
    [[nodiscard]] QAccessible::Role spokenRole() const override { return QAccessible::Indicator; }
    [[nodiscard]] QString spokenValue() const override;

protected:
    void paintEvent(QPaintEvent* event) override;

private:
    StripView m_view;
};

/// The figures along the top: room, gauge, liquid, boiling point here, margin.
class BenchStrip : public QWidget {
    Q_OBJECT
public:
    explicit BenchStrip(QWidget* parent = nullptr);
    void show(const StripView& view);
    [[nodiscard]] QSize minimumSizeHint() const override;

protected:
    void paintEvent(QPaintEvent* event) override;
    void resizeEvent(QResizeEvent* event) override;

private:
    struct Figure {
        Words *label, *number, *unit, *under;
        bool missing = false;
        std::tuple<QString, QString, QString, QString, int, int> shown; ///< texts, and sizes of text
        /// px, of what they show now: the number in both sizes, the widest line beside it.
        int full = 0, narrow = 0, unitWide = 0, linesWide = 0;
        int numberWide = 0, wide = 0; ///< px, the widest so far: what is beside it stays where it is
    };
    void forgetWidths();
    static void measure(Figure& figure);
    /// Widens the figures to what they show now. @return px, what the strip needs for them.
    int widen(bool narrow);
    /// Sets the figures smaller where the window is too narrow for them: a cut number is a wrong one. Placed
    /// by hand, not by a layout: nothing else of the window is laid out anew while a number is typed.
    void fit();
    void arrange();
    /// What the widths were made for: the width of the strip and the size of its numbers, px.
    std::pair<int, int> m_fitted;
    int m_least = 0; ///< px, the least that the figures needed so far, in their smaller size
    bool m_narrow = false;
    void fill(Figure& figure, const StripFigure& shown);
    Figure m_figures[4];
    MarginBar* m_margin;
};

} // namespace uttrin::app
