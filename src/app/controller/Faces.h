#pragma once

#include "PageStack.h"

#include <QStringList>

#include <vector>

namespace uttrin::app {

class Segments;

/// Faces of a station, of which one is shown, with a choice among them on each face: all choices show the
/// same.
class Faces : public PageStack {
    Q_OBJECT
public:
    /// @param title  what is chosen, for those who do not see what stands around it. @param tips  for each
    /// face.
    Faces(QString title, QStringList names, QStringList tips);
    /// One more choice, to stand on a face.
    [[nodiscard]] Segments* makeChoice(const QString& name);
    void showFace(int face); ///< the first or the last where there is no such

signals:
    void picked(int face); ///< by the person

private:
    QString m_title;
    QStringList m_names, m_tips;
    std::vector<Segments*> m_choices;
};

} // namespace uttrin::app
