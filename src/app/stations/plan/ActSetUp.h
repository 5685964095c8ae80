#pragma once

#include "lesson/acts/ActRig.h"

#include <QWidget>

class QCheckBox;
class QComboBox;

namespace uttrin::app {

class FlowLayout;

/// How an act is set up beside its values: its vessels' making and the conditions of its card, each with its
/// usual choices; a condition takes own words too.
class ActSetUp : public QWidget {
    Q_OBJECT
public:
    explicit ActSetUp(QWidget* parent = nullptr);
    void show(const ActRig& rig);

signals:
    void conditionChosen(const std::string& condition, const std::string& chosen);
    void liquidChosen(bool known);
    void makingChosen(const std::string& vessel, const std::string& making);

private:
    void build(const ActRig& rig);
    std::string m_shown; ///< for which the fields were made
    FlowLayout* m_row;
    std::vector<std::pair<std::string, QComboBox*>> m_vessels, m_conditions; ///< by their names
    QCheckBox* m_unknown;
};

} // namespace uttrin::app
