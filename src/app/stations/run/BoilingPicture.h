#pragma once

#include <QImage>
#include <QWidget>

class QMenu;
class QPushButton;

namespace uttrin::app {

class Words;

/// How it looks when it boils as the run means it: in a sentence, and in a picture of the run's own. Both
/// stand beside every capture.
class BoilingPicture : public QWidget {
    Q_OBJECT
public:
    BoilingPicture();
    /// @param picture  null where the run has none. @param canKeep  there is a run to keep one for.
    void show(const QString& sentence, const QImage& picture, bool canKeep);

signals:
    void fileRequested();  ///< to be asked for
    void pasteRequested(); ///< that on the clipboard
    void lookRequested();  ///< at the picture, large

private:
    QPushButton *m_thumbnail, *m_keep;
    Words* m_sentence;
};

} // namespace uttrin::app
