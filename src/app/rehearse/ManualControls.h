#pragma once

#include "rehearsal/ManualRun.h"

#include <QWidget>

class QHBoxLayout;
class QPushButton;

namespace uttrin::app {

/// What hands can reach on a rig that is run by hand: a button each, also by the keys 1, 2, 3 …
class ManualControls : public QWidget {
    Q_OBJECT
public:
    explicit ManualControls(QWidget* parent = nullptr);
    /// @param manualRun  outlives this, or is replaced by another or by none.
    void take(ManualRun* manualRun);
    /// Presses the handle of a place, counted from 1; false if there is none.
    bool press(int place);

signals:
    void pressed();

private:
    void showState();
    QHBoxLayout* m_row;
    ManualRun* m_manualRun = nullptr;
    std::vector<QPushButton*> m_handles;
};

} // namespace uttrin::app
