#pragma once

#include "SimulatedBench.h"
#include "app/controller/LessonController.h"
#include "feeds/LiveSource.h"
#include "lesson/live/LiveView.h"

#include <QTimer>

#include <map>
#include <memory>
#include <vector>

namespace uttrin::app {

/// The instruments that are listened to at the bench: each on a thread of its own, all by one clock. What
/// they say goes into the draft, and all of it into the notebook, once a second.
class LiveBench : public QObject {
    Q_OBJECT
public:
    explicit LiveBench(LessonController& controller, QObject* parent = nullptr);
    ~LiveBench() override;

    /// Listens to one more. What is named is connected to, and nothing else.
    void listenTo(const QString& name, const Endpoint& endpoint, const LiveProfile& profile);
    /// Listens to one as before. @param place  an endpoint in words; BadInput where it is none any more.
    [[nodiscard]] Result<void> listenAgain(const QString& name, const LiveProfile& profile,
                                           const std::string& place);
    /// Starts a simulated rig for the plan in hand, and listens to it.
    void simulate();
    [[nodiscard]] bool isSimulated() const { return m_simulated != nullptr; }
    void press(const uttrin::RigControl& control); ///< on the simulated rig
    /// Stops listening; what came stays.
    void stop();
    [[nodiscard]] bool isLive() const { return !m_instruments.empty(); }
    /// Whether the lesson in hand has a trace to be read.
    [[nodiscard]] bool hasTrace() const;

    /// One that is listened to, as it is now.
    struct State {
        QString name, trouble; ///< why nothing comes, in words; empty while it does
        std::size_t unreadable = 0;
    };
    [[nodiscard]] std::vector<State> states() const;
    [[nodiscard]] const LiveTrail& trail() const { return m_trail; }
    [[nodiscard]] const LiveMoment& moment() const { return m_moment; }
    [[nodiscard]] const LiveView& view() const { return m_view; }
    [[nodiscard]] double now() const;                                ///< s of its clock
    [[nodiscard]] Milliseconds begunMs() const { return m_begunMs; } ///< the wall's time at its second nought
    /// The finest figures of the pressure that came, Pa.
    [[nodiscard]] double pressureStep() const { return m_trail.pressure().step; }

    void setCapturesBySelf(bool captures) { m_capturesBySelf = captures; }
    [[nodiscard]] bool capturesBySelf() const { return m_capturesBySelf; }
    /// A point was captured: the next one has to move first.
    void captured();

signals:
    /// One is listened to by the wish of a person. @param place  "tcp:127.0.0.1:5025".
    void begunToListen(const uttrin::LiveProfile& profile, const std::string& place);
    void changed();       ///< an instrument came, went, was found or lost
    void moved();         ///< they say something new
    void steadyReached(); ///< they stand still for the first time since the last capture; only where it
                          ///< captures by itself
    void told(const QString& what);
    void simulatedChanged(const std::vector<uttrin::RigControl>& controls); ///< what a hand can reach on it

private:
    struct Instrument {
        State state;
        LiveProfile profile;
        std::unique_ptr<LiveSource> source;
        std::string place; ///< where it is heard
        bool there = false;
        double lastHeard = 0.0;
        std::map<LiveQuantity, TraceChannel> pending; ///< not in the notebook yet
        std::map<LiveQuantity, RowId> streams;        ///< of the lesson in hand
    };
    void wire(const std::weak_ptr<Instrument>& instrument);
    void isFound(Instrument& one);
    void isLost(Instrument& one, const QString& why);
    void isUnreadable(Instrument& one, const QString& why);
    [[nodiscard]] bool isSilent(const Instrument& one) const;
    void hear(Instrument& from, const Trace& came);
    void tick();
    void keep();
    void forgetPending();
    [[nodiscard]] RowId streamOf(Instrument& from, LiveQuantity quantity, double step);
    [[nodiscard]] bool hasMoved() const;
    void look();
    void begin();

    LessonController& m_controller;
    std::unique_ptr<SimulatedBench> m_simulated;
    std::vector<std::shared_ptr<Instrument>> m_instruments;
    Instrument *m_pressureBy = nullptr, *m_temperatureBy = nullptr; ///< whose readings are those of the bench
    std::chrono::steady_clock::time_point m_begun;
    Milliseconds m_begunMs = 0;
    LiveTrail m_trail;
    LiveWatch m_watch;
    LiveMoment m_moment;
    LiveView m_view;
    QTimer m_ticks;
    int m_tick = 0;
    RowId m_lesson = 0;
    std::pair<std::optional<double>, std::optional<double>> m_captured; ///< Pa, K, of the last point
    bool m_capturesBySelf = false, m_awaitsMove = false, m_failedToKeep = false;
};

} // namespace uttrin::app
