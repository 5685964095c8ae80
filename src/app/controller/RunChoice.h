#pragma once

#include "LessonController.h"

#include <QComboBox>

namespace uttrin::app {

/// Which group's run of the present plan is looked at. Choosing another selects it.
class RunChoice : public QComboBox {
    Q_OBJECT
public:
    RunChoice(LessonController& controller, const QString& name);
    /// Fills in the runs of the present plan; hidden while there are fewer than `fewest`.
    void refresh(int fewest);

private:
    LessonController& m_controller;
};

/// Asks why a point is struck, with the usual reasons to choose from or to write over, and strikes it; one
/// that is struck is put back.
void strikeOrRestore(LessonController& controller, RowId readingId, bool struck, QWidget* parent);

} // namespace uttrin::app
