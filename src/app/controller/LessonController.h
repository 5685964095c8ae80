#pragma once

#include "lesson/commands/BenchCommands.h"
#include "lesson/commands/LessonSession.h"

#include <QObject>

#include <memory>
#include <utility>

namespace uttrin::app {

/// The open notebook for the widgets: they look at the session, and state what a person wants as a command of
/// the core (`carryOut(&ReadingCommands::strike, id, reason)`). It carries the command out, turns failures
/// into sentences, and tells everyone to look again.
class LessonController : public QObject {
    Q_OBJECT
public:
    explicit LessonController(const Clock& clock, QObject* parent = nullptr);

    [[nodiscard]] bool isOpen() const { return m_session != nullptr; }
    [[nodiscard]] const LessonSession& session() const { return *m_session; }
    [[nodiscard]] const Clock& clock() const { return m_clock; }

    /// Opens a notebook; the one open before stays if that fails. One that is open already comes to the
    /// front.
    bool open(const QString& path);
    bool create(const QString& path);

    /// Carries out a command: on disk when it returns well. A failure is told as a sentence. Either way
    /// everyone looks again.
    template <typename Commands, typename T, typename... Parameters, typename... Arguments>
    Result<T> carryOut(Result<T> (Commands::*command)(Parameters...), Arguments&&... arguments) {
        Result<T> result = (Commands(*m_session).*command)(std::forward<Arguments>(arguments)...);
        (void)report(result);
        return result;
    }
    /// The same, and nobody is told: for what changes nothing that is shown, many times.
    template <typename Commands, typename T, typename... Parameters, typename... Arguments>
    Result<T> carryOutQuietly(Result<T> (Commands::*command)(Parameters...), Arguments&&... arguments) {
        return (Commands(*m_session).*command)(std::forward<Arguments>(arguments)...);
    }
    /// What is typed at the bench: strip, map and margin follow.
    void setDraft(const BenchDraft& draft);

    /// What instruments say now: into the draft where nothing is typed.
    void takeLive(const std::optional<LiveEvidence>& gauge, const std::optional<LiveEvidence>& thermometer);

    /// Reports a failure, or that the lesson could not be read again after a change; then everyone looks
    /// again.
    /// @return whether it went well.
    template <typename T>
    bool report(const Result<T>& result) {
        if (!result) tell(result.error());
        lookAgain();
        return result.has_value();
    }
    /// Reports a failure.
    void tell(const Failure& failure);
    void say(const QString& text) { emit said(text); }
    void complain(const QString& text) { emit failed(text); }
    /// Everyone looks again.
    void refresh() { emit changed(); }

signals:
    void opened();
    void changed();
    void draftChanged();
    void failed(const QString& message);
    void said(const QString& message);

private:
    bool adopt(Result<Notebook> notebook);
    void lookAgain();
    const Clock& m_clock;
    std::unique_ptr<LessonSession> m_session;
};

} // namespace uttrin::app
