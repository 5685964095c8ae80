#pragma once

#include "lesson/commands/LessonSession.h"
#include "lesson/views/BenchViews.h"

#include <QObject>

#include <memory>

namespace uttrin::app {

/// The open notebook for the widgets: carries out what they ask, says when something changed, and turns
/// failures into sentences.
class LessonController : public QObject {
    Q_OBJECT
public:
    explicit LessonController(const Clock& clock, QObject* parent = nullptr);

    [[nodiscard]] bool isOpen() const { return m_session != nullptr; }
    [[nodiscard]] LessonSession& session() { return *m_session; }
    [[nodiscard]] const LessonSession& session() const { return *m_session; }
    [[nodiscard]] const Clock& clock() const { return m_clock; }

    /// Opens a notebook; the one open before stays if that fails.
    bool open(const QString& path);
    bool create(const QString& path);

    /// Reports a failure, or tells everyone to look again. @return whether it went well.
    template <typename T>
    bool report(const Result<T>& result) {
        if (!result) emit failed(QString::fromStdString(result.error().message));
        emit changed();
        return result.has_value();
    }
    void say(const QString& text) { emit said(text); }
    void complain(const QString& text) { emit failed(text); }
    /// The draft at the bench changed: strip, map and margin follow.
    void touchDraft() { emit draftChanged(); }
    /// The selection changed.
    void refresh() { emit changed(); }

signals:
    void opened();
    void changed();
    void draftChanged();
    void failed(const QString& message);
    void said(const QString& message);

private:
    bool adopt(Result<Notebook> notebook);
    const Clock& m_clock;
    std::unique_ptr<LessonSession> m_session;
};

} // namespace uttrin::app
