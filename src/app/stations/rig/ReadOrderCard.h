#pragma once

#include "app/controls/Card.h"
#include "plan/Plan.h"

class QComboBox;

namespace uttrin::app {

class FieldEdit;
class Words;

/// In which order a point is read, agreed once for the rig: one of the usual ones, or made of steps.
class ReadOrderCard : public Card {
    Q_OBJECT
public:
    ReadOrderCard();
    void show(const ReadOrder& order);

signals:
    void picked(const ReadOrder& order);

private:
    void takeWords();
    QComboBox* m_usual;
    FieldEdit* m_words;
    Words *m_says, *m_wrong;
};

} // namespace uttrin::app
