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
    /// Shows the present state.
    virtual void refresh() = 0;
    void showEvent(QShowEvent* event) override;
    LessonController& m_controller;
};

} // namespace uttrin::app
