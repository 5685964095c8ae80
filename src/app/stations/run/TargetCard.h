#pragma once

#include "app/controls/Card.h"
#include "lesson/views/RunView.h"
#include "plan/FillTally.h"

class QAction;
class QPushButton;

namespace uttrin::app {

class Words;
/// The target in hand, large: what the instrument will show, what to do, what comes next, the time left.
class TargetCard : public Card {
    Q_OBJECT
public:
    TargetCard();
    void show(const RunView& view);
    /// Lets what comes next take several lines.
    void setNarrow(bool narrow);
    void warn(const QString& warning); ///< empty: of nothing

signals:
    void stepped(int by); ///< -1 the target before, 1 the one after
    void pumpOnRequested();
    void advisedFilled();
    void fillRequested(uttrin::Filling::What what);

private:
    Words *m_heading, *m_dial, *m_unit, *m_instruction, *m_next, *m_timeLeft, *m_aids, *m_warmUp, *m_warning;
    QPushButton *m_pumpOn, *m_fill;
    QAction* m_asAdvised;
};

} // namespace uttrin::app
