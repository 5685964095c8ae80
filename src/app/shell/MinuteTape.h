#pragma once

#include "lesson/views/TapeView.h"

#include <QWidget>

namespace uttrin::app {

/// The minutes of the period along the bottom: captures behind, targets ahead, blocks for what is not a
/// point.
class MinuteTape : public QWidget {
    Q_OBJECT
public:
    explicit MinuteTape(QWidget* parent = nullptr);
    void show(const TapeView& view);

protected:
    void paintEvent(QPaintEvent* event) override;
    bool event(QEvent* event) override;

private:
    [[nodiscard]] double x(double minute) const;
    TapeView m_view;
};

} // namespace uttrin::app
