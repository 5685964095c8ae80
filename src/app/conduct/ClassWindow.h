#pragma once

#include "ActInHand.h"
#include "app/accessibility/Spoken.h"
#include "lesson/acts/ClassView.h"

#include <QWidget>

namespace uttrin::app {

class ForecastChart;
class LiveBench;
class RigDrawing;
class TraceChart;

/// What the class sees, painted in the projector's colours and as large as its window: the question, what was
/// said once it is locked, the rig, the big figures, cautions and bells; the forecast only once it is
/// revealed. Nothing of the teacher's notes is on it.
class ClassWindow : public QWidget, public Spoken {
    Q_OBJECT
public:
    /// @param hand  the act that is conducted. @param live  instruments that are listened to: shown while no
    /// act goes on. Both outlive this.
    ClassWindow(LessonController& controller, ActInHand& hand, LiveBench& live);
    /// Shows the forecast whatever is not revealed yet.
    void setShowsForecast(bool shows);
    [[nodiscard]] const ClassView& view() const { return m_view; }
    [[nodiscard]] QAccessible::Role spokenRole() const override { return QAccessible::Document; }
    [[nodiscard]] QString spokenValue() const override;
    /// Height of its big figures, px.
    [[nodiscard]] int figureHeight() const;

signals:
    void closed();

protected:
    void paintEvent(QPaintEvent* event) override;
    void keyPressEvent(QKeyEvent* event) override;
    void closeEvent(QCloseEvent* event) override;
    void showEvent(QShowEvent* event) override;

private:
    void look();
    [[nodiscard]] int px(int at1080) const; ///< of a size as it is at 1920 by 1080
    void paintHead(QPainter& p, QRect& room) const;
    void paintQuestion(QPainter& p, QRect& room) const;
    void paintAnswers(QPainter& p, QRect& room) const;
    void paintFigures(QPainter& p, QRect& room) const;
    void paintFoot(QPainter& p, QRect& room) const;
    void paintLive(QPainter& p, QRect room) const;
    [[nodiscard]] bool showsLive() const;
    void paintPicture(QPainter& p, QWidget* picture, const QRect& where) const;
    /// Text from the top of what room is left, as high as it needs.
    void write(QPainter& p, QRect& room, const QString& text, int at1080, QFont::Weight weight,
               const QColor& colour) const;
    LessonController& m_controller;
    ActInHand& m_hand;
    LiveBench& m_live;
    TraceChart* m_trace;
    ClassView m_view;
    bool m_shows = false;
    RigDrawing* m_drawing;
    ForecastChart* m_chart;
};

} // namespace uttrin::app
