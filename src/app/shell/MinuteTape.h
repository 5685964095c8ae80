#pragma once

#include "app/accessibility/Spoken.h"
#include "app/controls/KeptPicture.h"
#include "lesson/views/TapeView.h"

#include <QWidget>

#include <tuple>

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
    /// The flag on the hand, of a view that has one.
    [[nodiscard]] QRectF handOf(const TapeView& view) const;
    void paintGround(QPainter& p) const;
    /// Announces the bell, and that it is near, when the hand comes to it.
    void tellBell(const TapeView& before);
    TapeView m_view;
    /// Kept by the period, the height of its text, theme and language.
    KeptPicture<std::tuple<double, int, QString, QString>> m_ground;
};

} // namespace uttrin::app
