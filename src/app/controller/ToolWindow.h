#pragma once

#include "LessonController.h"

#include <QDialog>

namespace uttrin::app {

/// A window that stays open beside the lesson and follows it: it is shown anew when it opens, and whenever
/// something changed while it is seen.
class ToolWindow : public QDialog {
    Q_OBJECT
public:
    ToolWindow(LessonController& controller, QWidget* parent);

protected:
    /// What stands in it: scrolled where the window is smaller than that can be.
    [[nodiscard]] QWidget* body() { return m_body; }
    /// As large as it is meant to be, where the screen and the text allow: it can be made smaller.
    void setUsualSize(QSize usual);
    /// Shows the present state.
    virtual void refresh() = 0;
    void showEvent(QShowEvent* event) override;
    LessonController& m_controller;

private:
    QWidget* m_body;
    QSize m_usual;
};

} // namespace uttrin::app
