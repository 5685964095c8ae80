#pragma once

#include "KeptForecasts.h"
#include "app/controller/LessonController.h"
#include "lesson/acts/ActTapeView.h"
#include "lesson/acts/ConductView.h"

class QTimer;

namespace uttrin::app {

/// The act that is conducted, for the teacher's page and the class's window alike: which one, how it is now,
/// its frozen forecast, and what was learned since. Forecasts are worked out on threads of their own.
class ActInHand : public QObject {
    Q_OBJECT
public:
    /// @param forecasts  outlive this.
    ActInHand(LessonController& controller, KeptForecasts& forecasts, QObject* parent = nullptr);

    void choose(RowId act);
    /// Whose rig is in hand, where each group has its own; nothing for all of them.
    void chooseGroup(std::optional<RowId> group);
    [[nodiscard]] std::optional<RowId> group() const { return m_group; }
    /// The one chosen; else the one that goes on, or that is next. Null without one.
    [[nodiscard]] const Act* act() const;
    /// Those that can be conducted, in the order of the lesson.
    [[nodiscard]] std::vector<const Act*> acts() const;
    [[nodiscard]] bool isLive() const;
    [[nodiscard]] const ConductView& view(); ///< as it is now
    [[nodiscard]] std::shared_ptr<const FrozenForecast> frozen() const;
    /// What was learned until now; null while nothing was.
    [[nodiscard]] std::shared_ptr<const LearnedForecast> learned() const;
    /// What is known of how an act goes: of the one in hand what was learned, too.
    [[nodiscard]] KnownCourse courseOf(const Act& act) const;
    /// How it should look now: the likeliest course, else the frozen one; null without one.
    [[nodiscard]] const Rehearsal* course();
    /// s of that, now.
    [[nodiscard]] double courseSeconds();

signals:
    void changed(); ///< the act, or what is known of it
    void moved();   ///< a moment has passed

private:
    void tick();
    void lookAgain();
    void learn();
    LessonController& m_controller;
    KeptForecasts& m_forecasts;
    QTimer* m_clock;
    NewestWish m_learning;
    std::optional<RowId> m_chosen, m_group;
    std::shared_ptr<const LearnedForecast> m_learned;
    std::string m_learnedKey; ///< of what is learned, or being learned
    RowId m_learnedAct = 0;
    ConductView m_view;
    bool m_stale = true;
};

} // namespace uttrin::app
