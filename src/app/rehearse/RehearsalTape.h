#pragma once

#include "app/accessibility/Spoken.h"
#include "lesson/views/RehearseViews.h"
#include "rehearsal/Ensemble.h"

#include <QWidget>

#include <memory>

namespace uttrin::app {

/// The minutes of a rehearsal: temperature and boiling point, bursts of boiling, what lies on when, the
/// moves. A press or a drag goes to a moment; left and right step, Home and End go to the ends.
class RehearsalTape : public QWidget, public Spoken {
    Q_OBJECT
public:
    explicit RehearsalTape(QWidget* parent = nullptr);
    void show(const RehearsalTapeView& view);
    void setBand(std::shared_ptr<const EnsembleOutcome> chance);
    void setMoment(double seconds);
    /// Announces what has happened since a moment: moves and events.
    void tellSince(double seconds);
    [[nodiscard]] QAccessible::Role spokenRole() const override { return QAccessible::Slider; }
    [[nodiscard]] QString spokenValue() const override;
    [[nodiscard]] std::vector<Part> spokenParts() const override;
    [[nodiscard]] std::optional<Setting> spokenSetting() const override;
    void setSpoken(double seconds) override { emit momentPicked(seconds); }

signals:
    void momentPicked(double seconds);
    void stepped(int samples); ///< by the keyboard

protected:
    void paintEvent(QPaintEvent* event) override;
    void mousePressEvent(QMouseEvent* event) override;
    void mouseMoveEvent(QMouseEvent* event) override;
    void keyPressEvent(QKeyEvent* event) override;
    bool event(QEvent* event) override;

private:
    [[nodiscard]] double x(double seconds) const;
    [[nodiscard]] double secondsAt(double x) const;
    void drawAxis(QPainter& p) const;
    void drawCurves(QPainter& p) const;
    RehearsalTapeView m_view;
    std::shared_ptr<const EnsembleOutcome> m_chance;
    double m_moment = 0.0;
};

} // namespace uttrin::app
