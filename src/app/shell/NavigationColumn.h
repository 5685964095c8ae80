#pragma once

#include "lesson/views/NavigationView.h"

#include <QAbstractButton>
#include <QWidget>

#include <vector>

namespace uttrin::app {

/// One station on the navigation column: its name with its state in one or two short lines.
class StationButton : public QAbstractButton {
    Q_OBJECT
public:
    StationButton(const QString& name, QWidget* parent);
    void show(const StationState& state);
    [[nodiscard]] const StationState& state() const { return m_state; }
    [[nodiscard]] QSize sizeHint() const override;

protected:
    void paintEvent(QPaintEvent* event) override;

private:
    StationState m_state;
};

/// The column at the left: a glass tube that fills as the lesson moves on, each station a graduation with its
/// state.
class NavigationColumn : public QWidget {
    Q_OBJECT
public:
    explicit NavigationColumn(QWidget* parent = nullptr);
    void show(const std::vector<StationState>& states);
    void setCurrent(int station);
    [[nodiscard]] int current() const { return m_current; }
    StationButton* station(int index) { return m_stations[static_cast<std::size_t>(index)]; }
    static QString stationName(int index);

signals:
    void picked(int station);

protected:
    void paintEvent(QPaintEvent* event) override;
    void changeEvent(QEvent* event) override;

private:
    /// To the size of the text.
    void fit();
    std::vector<StationButton*> m_stations;
    int m_current = 0;
};

} // namespace uttrin::app
