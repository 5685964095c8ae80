#pragma once

#include "app/controls/Card.h"
#include "rehearsal/Ensemble.h"
#include "rehearsal/ManualRun.h"

namespace uttrin::app {

class Words;
/// One figure with a line beside it: the chance that a demonstration works, or how far off a capture was.
class SuccessTile : public Card {
    Q_OBJECT
public:
    explicit SuccessTile(QWidget* parent = nullptr);
    [[nodiscard]] QSize sizeHint() const override;
    void wait(); ///< it is being worked out
    void show(const EnsembleOutcome& chance, const RigGoal& goal);
    void show(const ManualCapture& capture);
    void invite(); ///< to capture

private:
    Words *m_figure, *m_line;
};

} // namespace uttrin::app
