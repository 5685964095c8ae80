#pragma once

#include "app/accessibility/Spoken.h"
#include "lesson/acts/ActTapeView.h"

#include <QWidget>

namespace uttrin::app {

/// Minutes of the period while acts go on: their lanes, bells, and the minute that it is.
class ActTape : public QWidget, public Spoken {
    Q_OBJECT
public:
    explicit ActTape(QWidget* parent = nullptr);
    void show(const ActTapeView& view);
    [[nodiscard]] QAccessible::Role spokenRole() const override { return QAccessible::Chart; }
    [[nodiscard]] QString spokenValue() const override;

protected:
    void paintEvent(QPaintEvent* event) override;

private:
    [[nodiscard]] double x(double minute) const;
    [[nodiscard]] double left() const { return m_left; }
    [[nodiscard]] double leftNow() const;
    void paintLane(QPainter& p, const ActTapeView::Lane& lane, double top) const;
    void paintBells(QPainter& p, double top) const;
    void paintAxis(QPainter& p, double top) const;
    ActTapeView m_view;
    double m_left = 0.0; ///< px, where the minutes begin
};

} // namespace uttrin::app
