#pragma once

#include "app/controller/NewestWish.h"
#include "rehearsal/CoolingFit.h"
#include "rehearsal/Ensemble.h"

#include <memory>

namespace uttrin::app {

/// Plays rigs through on a thread of its own, newest wish first: a new one ends the one before.
class RehearsalRunner : public NewestWish {
    Q_OBJECT
public:
    explicit RehearsalRunner(QObject* parent = nullptr);

    /// Plays a rig with settings, then the one that it is compared with, then the chance that it works.
    void play(const RigFile& rig, const std::vector<RigSetting>& settings,
              const std::optional<std::vector<RigSetting>>& other);
    /// Fits a rig to readings, then shows it as a rehearsal.
    void fit(const RigFile& rig, const std::vector<RigSetting>& settings,
             const std::vector<MeasuredMoment>& readings);
    /// Works out sentences on the thread.
    void workOut(const std::function<std::vector<Text>()>& sentences);

signals:
    /// As far as it has come, while a longer one is still being worked out; then the whole.
    void played(std::shared_ptr<const uttrin::Rehearsal> rehearsal);
    void playedOther(std::shared_ptr<const uttrin::Rehearsal> rehearsal); ///< empty if none was wanted
    void weighed(std::shared_ptr<const uttrin::EnsembleOutcome> chance);
    void fitted(std::shared_ptr<const uttrin::CoolingFit> fit);
    void workedOut(const std::vector<Text>& sentences);
    void failed(const QString& why);

private:
    void done(const QString& why); ///< the wish ended; failed if why is not empty
};

} // namespace uttrin::app
