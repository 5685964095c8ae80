#pragma once

#include "app/accessibility/Spoken.h"
#include "lesson/views/ResidualView.h"

#include <QWidget>

namespace uttrin::app {

/// How far points lie off their line, drawn against something that may have moved them.
class ResidualChart : public QWidget, public Spoken {
    Q_OBJECT
public:
    explicit ResidualChart(QWidget* parent = nullptr);
    using QWidget::show;
    void show(ResidualView view);

    [[nodiscard]] QAccessible::Role spokenRole() const override { return QAccessible::Chart; }
    [[nodiscard]] QString spokenValue() const override;
    [[nodiscard]] QSize minimumSizeHint() const override;

protected:
    void paintEvent(QPaintEvent* event) override;

private:
    ResidualView m_view;
};

} // namespace uttrin::app
