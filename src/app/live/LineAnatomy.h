#pragma once

#include "live/LiveProfile.h"

#include <QWidget>

#include <vector>

namespace uttrin::app {

class FlowLayout;

/// A line as an instrument sends it, its numbers as buttons: one clicks what is meant.
class LineAnatomy : public QWidget {
    Q_OBJECT
public:
    explicit LineAnatomy(QWidget* parent = nullptr);
    /// @param profile  what it says of the numbers is written on them.
    void show(const QString& line, const LiveProfile& profile);
    using QWidget::show;

signals:
    void numberPicked(int number); ///< which one it is, from 1

private:
    FlowLayout* m_row;
    QString m_shape; ///< of the line: while that stays, only the figures change
};

/// What a number of a line is by a profile; null for one that says nothing.
[[nodiscard]] const LiveValue* valueOfNumber(const LiveProfile& profile, int number);

} // namespace uttrin::app
