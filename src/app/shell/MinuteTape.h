#pragma once

#include "app/accessibility/Spoken.h"
#include "lesson/views/TapeView.h"

#include <QWidget>

namespace uttrin::app {

/// The minutes of the period along the bottom: captures behind, targets ahead, blocks for what is not a
/// point.
class MinuteTape : public QWidget, public Spoken {
    Q_OBJECT
public:
    explicit MinuteTape(QWidget* parent = nullptr);
    void show(const TapeView& view);
    [[nodiscard]] QAccessible::Role spokenRole() const override { return QAccessible::Chart; }
    [[nodiscard]] QString spokenValue() const override;
    [[nodiscard]] std::vector<Part> spokenParts() const override;

protected:
    void paintEvent(QPaintEvent* event) override;
    bool event(QEvent* event) override;

private:
    [[nodiscard]] double x(double minute) const;
    TapeView m_view;
};

} // namespace uttrin::app
