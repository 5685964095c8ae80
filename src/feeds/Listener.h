#pragma once

#include "Feed.h"
#include "live/LineSplitter.h"
#include "live/LiveRecorder.h"

#include <QTimer>

#include <chrono>

namespace uttrin {

/// Listens to one instrument and records what it sends, by a clock that nobody can set.
class Listener : public QObject {
    Q_OBJECT
public:
    Listener(const Endpoint& endpoint, LiveProfile profile, std::optional<double> roomPascal);
    void start();
    /// Nothing more is taken; what was not whole yet is read if it can be.
    void finish();
    [[nodiscard]] const LiveRecorder& recorder() const { return m_recorder; }
    /// What came since it was asked last, and forgets it.
    [[nodiscard]] Trace takeAway() { return m_recorder.takeAway(); }
    /// Counts seconds from another moment than its start, so that several instruments have one clock.
    void countFrom(std::chrono::steady_clock::time_point begun) { m_begun = begun; }
    [[nodiscard]] double seconds() const; ///< since it was started

signals:
    void told(const QString& what); ///< that it is found or lost, or what cannot be read
    void found();
    void lost(const QString& why);
    void unreadable(const QString& why);
    void arrived(const QString& line); ///< as it is, before it is read
    void sampled();                 ///< something came that could be read

private:
    void take(const std::string& line);
    void tell(const Result<void>& taken);
    LiveProfile m_profile;
    LiveRecorder m_recorder;
    LineSplitter m_splitter;
    std::optional<std::chrono::steady_clock::time_point> m_begun;
    QTimer m_asks;
    std::unique_ptr<Feed> m_feed; ///< ends first
};

} // namespace uttrin
