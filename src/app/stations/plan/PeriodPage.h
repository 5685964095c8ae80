#pragma once

#include "app/controller/StationPage.h"
#include "lesson/acts/PeriodView.h"

class QComboBox;
class QPushButton;

namespace uttrin::app {

class ActCard;
class NumberField;
class FieldEdit;
class PeriodTimeline;
class Words;

/// The period of a lesson: its acts in lanes, what conflicts, what to do when, what to fetch.
class PeriodPage : public StationPage {
    Q_OBJECT
public:
    /// @param before  a control that stands at the beginning of its row.
    PeriodPage(LessonController& controller, QWidget* before);
    void choose(RowId act);
    void addSealedCooling();

signals:
    void rehearseRequested(const QString& rig);

protected:
    void refresh() override;

private:
    QWidget* buildHead(QWidget* before);
    QWidget* buildPeriod();
    void wire();
    void fillDemonstrations();
    void addDemonstration(int index);
    void addRig(const ActRig& rig, const std::string& title, ActDoer doer);
    void takeOver();
    void add(Act act);
    void move(RowId act, int minutes);
    void lengthen(RowId act, int minutes);
    void mend();
    void applyPeriod();
    void showBell();
    [[nodiscard]] const Act* chosenAct() const;
    /// After all that is planned, min.
    [[nodiscard]] double endOfAll() const;

    ActForecasts m_forecasts;
    PeriodView m_view;
    std::vector<ActRig> m_rigs; ///< that can be added, in the order of the list
    std::optional<RowId> m_chosen;
    QComboBox* m_demonstrations;
    QPushButton *m_lab, *m_sealed, *m_block, *m_earlier, *m_mend;
    PeriodTimeline* m_timeline;
    ActCard* m_card;
    FieldEdit* m_bell;
    NumberField *m_lasts, *m_pumps, *m_heaters, *m_people, *m_ice;
    Words *m_clashes, *m_summary, *m_todo, *m_fetch, *m_cautions;
};

} // namespace uttrin::app
