#pragma once

#include "rehearsal/ManualRun.h"

#include <QKeySequence>
#include <QWidget>

#include <vector>

class QPushButton;

namespace uttrin::app {

class FlowLayout;

/// What hands can reach on a rig that is run by hand: a button each, which says how it is, with a key that
/// presses the same kind of thing in every rig.
class ManualControls : public QWidget {
    Q_OBJECT
public:
    explicit ManualControls(QWidget* parent = nullptr);
    /// @param manualRun  outlives this, or is replaced by another or by none.
    void take(ManualRun* manualRun);
    /// Presses the handle of a place, counted from 1. REQUIRES: it is there.
    void press(int place);

signals:
    void pressed();

private:
    void showState();
    /// V opens and shuts the first valve, Shift+V the second.
    [[nodiscard]] static QKeySequence keyOf(RigControl::Kind kind, int number);
    FlowLayout* m_row;
    ManualRun* m_manualRun = nullptr;
    std::vector<QPushButton*> m_handles;
    std::vector<QKeySequence> m_keys;
};

} // namespace uttrin::app
