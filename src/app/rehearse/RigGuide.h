#pragma once

#include "rehearsal/Rehearsal.h"

#include <QWidget>

class QTextBrowser;

namespace uttrin::app {

/// The guide to a demonstration: aim, cautions, what to fetch, steps, what to look for, the physics,
/// mistakes; and the way to rig files of one's own.
class RigGuide : public QWidget {
    Q_OBJECT
public:
    explicit RigGuide(QWidget* parent = nullptr);
    /// @param variant  below 0 for the rig as it is. @param played  from which its figures follow; they are
    /// left open without it.
    /// @param setup  of the rig as it stands. @param fill  what its filling does, as far as it is known.
    void show(const RigFile& rig, int variant, const RigSetup& setup, const Rehearsal* played,
              const std::vector<Text>& fill);

signals:
    void openRequested();
    void saveRequested();
    void keepRequested();

private:
    QTextBrowser* m_text;
    QString m_shown;
};

} // namespace uttrin::app
