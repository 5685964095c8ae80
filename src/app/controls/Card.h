#pragma once

#include <QFrame>
#include <QVBoxLayout>

namespace uttrin::app {

/// A surface that lies on the paper, told apart by a hairline, with a column of things on it.
class Card : public QFrame {
    Q_OBJECT
public:
    explicit Card(QWidget* parent = nullptr);
    QVBoxLayout* column() { return m_column; }

private:
    QVBoxLayout* m_column;
};

} // namespace uttrin::app
