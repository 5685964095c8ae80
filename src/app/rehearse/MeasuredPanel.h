#pragma once

#include "lesson/views/MeasuredView.h"

#include <QWidget>

class QLabel;
class QLineEdit;
class QPlainTextEdit;

namespace uttrin::app {

/// What was read off a vessel that is cooling, and what is wanted when: times of day with temperatures, line
/// by line, and what follows from them.
class MeasuredPanel : public QWidget {
    Q_OBJECT
public:
    explicit MeasuredPanel(QWidget* parent = nullptr);
    /// What the clock starts with, e.g. "clamp shut"; and forgets what it said of another rig.
    void setClockMove(const QString& what);
    /// The readings as typed; nothing if something is wrong with them, which it then says.
    [[nodiscard]] std::optional<std::vector<MeasuredMoment>> readings();
    [[nodiscard]] std::optional<std::vector<ClockMoment>> wanted();
    void showFit(const CoolingFit& fit);
    void showReady(const std::vector<Text>& lines);
    void showProblem(const QString& what);

signals:
    void fitWanted();
    void readyWanted();

private:
    QLabel *m_clockLabel, *m_fitText, *m_readyText;
    QLineEdit *m_clock, *m_target;
    QPlainTextEdit *m_readings, *m_wanted;
};

} // namespace uttrin::app
