#pragma once

#include "LessonController.h"

#include <QWidget>

namespace uttrin::app {

/// A station of the lesson: shows what the controller holds whenever that changes.
class StationPage : public QWidget {
    Q_OBJECT
public:
    explicit StationPage(LessonController& controller);
    /// Gives the keyboard to what a person begins with here: the first control.
    virtual void takeFocus();

protected:
    /// Shows the present state. Called when something changed while the page is visible, and when it becomes
    /// visible.
    virtual void refresh() = 0;
    /// The draft at the bench changed; only the Run station cares.
    virtual void refreshDraft() {}
    void showEvent(QShowEvent* event) override;
    [[nodiscard]] const LessonSession& session() const { return m_controller.session(); }
    LessonController& m_controller;
};

} // namespace uttrin::app
