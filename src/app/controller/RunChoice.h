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

/// The usual reasons for striking a point, to choose from or to write over.
[[nodiscard]] QStringList strikeReasons();

} // namespace uttrin::app
