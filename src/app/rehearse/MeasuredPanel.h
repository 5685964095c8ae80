#pragma once

#include "lesson/views/MeasuredView.h"

#include <QWidget>

#include <map>

class QLineEdit;
class QPlainTextEdit;
class QPushButton;

namespace uttrin::app {

class Words;
/// What was read off a vessel that is cooling, and what is wanted when: times of day with temperatures, line
/// by line, and what follows from them.
class MeasuredPanel : public QWidget {
    Q_OBJECT
public:
    explicit MeasuredPanel(QWidget* parent = nullptr);
    /// Readings belong to one rig: those of another are put aside until that one is shown again.
    /// @param clockMove  what the clock starts with, e.g. "clamp shut".
    void showRig(const QString& id, const QString& clockMove);
    /// The readings as typed; nothing if something is wrong with them, which it then says.
    [[nodiscard]] std::optional<std::vector<MeasuredMoment>> readings();
    [[nodiscard]] std::optional<std::vector<ClockMoment>> wanted();
    void showFit(const CoolingFit& fit);
    void showReady(const std::vector<Text>& lines);
    void showProblem(const QString& what);

signals:
    void fitWanted();
    void readyWanted();
    void forecastWanted(); ///< as it was before the fit

private:
    Words *m_clockLabel, *m_fitText, *m_readyText;
    QLineEdit *m_clock, *m_target;
    QPlainTextEdit *m_readings, *m_wanted;
    QPushButton* m_back;
    struct Typed {
        QString clock, readings, wanted;
    };
    QString m_rig;
    std::map<QString, Typed> m_typed; ///< by rig
};

} // namespace uttrin::app
