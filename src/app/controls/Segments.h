#pragma once

#include <QPushButton>
#include <QWidget>

class QButtonGroup;

namespace uttrin::app {

/// Where a value stands in a list of choices; -1 if it does not.
template <typename E, std::size_t N>
int indexOf(const E (&all)[N], E value) {
    for (std::size_t i = 0; i < N; ++i)
        if (all[i] == value) return static_cast<int>(i);
    return -1;
}

/// A row of buttons of which one is chosen.
class Segments : public QWidget {
    Q_OBJECT
public:
    enum class Rows { One, AsNeeded };
    /// @param title  what is chosen, for those who do not see what stands over it.
    Segments(const QString& name, const QString& title, Rows rows = Rows::One, QWidget* parent = nullptr);
    void setChoices(const QStringList& labels);
    [[nodiscard]] int chosen() const;
    void choose(int index); ///< emits nothing; -1 chooses none
    QPushButton* button(int index);
    bool eventFilter(QObject* watched, QEvent* event) override;

signals:
    void picked(int index); ///< by the person

private:
    QButtonGroup* m_group;
};

} // namespace uttrin::app
