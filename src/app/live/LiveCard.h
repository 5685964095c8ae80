#pragma once

#include "LiveBench.h"
#include "app/controls/Card.h"

class QCheckBox;
class QPushButton;

namespace uttrin::app {

class Words;

/// Live instruments in short: whether they stand still, how they move, what is wrong with one, and how to
/// begin.
class LiveCard : public Card {
    Q_OBJECT
public:
    /// @param bench  outlives this.
    explicit LiveCard(LiveBench& bench);
    void showState();
    void showMoment();
    /// Instruments that can be listened to again, by their names; empty for none.
    void offerAgain(const QString& names);

signals:
    void againRequested(); ///< to listen to those that were offered
    void connectRequested();
    void simulateRequested();
    void traceRequested();
    void gaugeRequested(); ///< the rig's gauge shall be as the live one

private:
    LiveBench& m_bench;
    Words *m_verdict, *m_trend, *m_trouble;
    QPushButton *m_connect, *m_simulate, *m_trace, *m_stop, *m_gauge, *m_again;
    QCheckBox* m_bySelf;
    QString m_known; ///< that can be listened to again
};

} // namespace uttrin::app
