#pragma once

#include "app/accessibility/Spoken.h"
#include "lesson/views/StripView.h"

#include <QWidget>

class QLabel;

namespace uttrin::app {

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

protected:
    void paintEvent(QPaintEvent* event) override;
    void resizeEvent(QResizeEvent* event) override;

private:
    /// Sets the figures smaller where the window is too narrow for them: a cut number is a wrong one.
    void fit();
    struct Figure {
        QLabel *label, *number, *unit, *under;
    };
    void fill(Figure& figure, const StripFigure& shown);
    Figure m_figures[4];
    MarginBar* m_margin;
};

} // namespace uttrin::app
