#pragma once

#include "rehearsal/RigFile.h"

#include <QWidget>

class QTextBrowser;

namespace uttrin::app {

/// The guide to a demonstration: aim, cautions, what to fetch, steps, what to look for, the physics,
/// mistakes; and the way to rig files of one's own.
class RigGuide : public QWidget {
    Q_OBJECT
public:
    explicit RigGuide(QWidget* parent = nullptr);
    void show(const RigFile& rig);

signals:
    void openRequested();
    void saveRequested();

private:
    QTextBrowser* m_text;
};

} // namespace uttrin::app
