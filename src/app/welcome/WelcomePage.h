#pragma once

#include <QStringList>
#include <QWidget>

class QVBoxLayout;

namespace uttrin::app {

/// What is seen while no notebook is open: it asks what one has before oneself, and leads there in one step;
/// beside it the notebooks that were open last.
class WelcomePage : public QWidget {
    Q_OBJECT
public:
    explicit WelcomePage(QWidget* parent = nullptr);
    /// Shows these notebooks, the last one first.
    void showRecent(const QStringList& paths, long long now);

protected:
    void showEvent(QShowEvent* event) override;

signals:
    void newRequested();
    void openRequested();
    void sampleRequested();
    void demonstrationRequested();
    void numberRequested();
    void notebookPicked(const QString& path);

private:
    QWidget* buildWays();
    QWidget* buildRecent();
    void buildCards();
    QVBoxLayout* m_recent = nullptr;
    QStringList m_paths;
    long long m_now = 0;
    QList<QWidget*> m_cards; ///< of the notebooks, or the sentence in their place
};

} // namespace uttrin::app
