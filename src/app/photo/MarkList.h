#pragma once

#include "photo/PhotoMarking.h"

#include <QStringList>
#include <QVector>
#include <QWidget>

class QPushButton;
class QVBoxLayout;

namespace uttrin::app {

class NumberField;

/// The marks that a picture asks for, one line each: what to click on, and what is printed there.
class MarkList : public QWidget {
    Q_OBJECT
public:
    explicit MarkList(QWidget* parent = nullptr);
    /// @param sights  what is read, in words: "tip of the needle"
    void show(const PhotoMarking& marking, std::size_t chosen, const QStringList& sights,
              const QString& unit);

signals:
    void picked(int step);
    void valueEdited(int step, std::optional<double> value);

private:
    struct Line {
        QWidget* box;
        QPushButton* name;
        NumberField* value;
    };
    Line& line(std::size_t step);
    QVBoxLayout* m_column;
    QVector<Line> m_lines;
};

} // namespace uttrin::app
