#pragma once

#include "app/controller/StationPage.h"

class QCheckBox;
class QComboBox;
class QLabel;
class QLineEdit;
class QPushButton;
class QStackedWidget;

namespace uttrin::app {

class InstrumentPair;
class NumberField;
class PhaseMap;
class ScrollColumn;
class Segments;
class RunChoice;
class TakenCard;
class TargetCard;

/// At the bench: one target at a time, big; type what the instruments show, one key captures both at the same
/// instant.
class RunStation : public StationPage {
    Q_OBJECT
public:
    explicit RunStation(LessonController& controller);

signals:
    void pictureRequested(RowId readingId); ///< of a point that was read from one

public slots:
    void capture();
    void confirmBracket();
    void askNote();
    void setVigour(int vigour);
    void startRunFor(const QString& group);
    void strikeSelected();
    void retakeSelected();

protected:
    void refresh() override;
    void refreshDraft() override;
    bool eventFilter(QObject* watched, QEvent* event) override;

private:
    QWidget* buildRuns();
    QWidget* buildReadings();
    void wire();
    void takeDraft();
    void showInstruments();
    void settle(bool keepOdd);
    void showFinding(const SlipFinding& finding, bool waiting);

    PhaseMap* m_map;
    InstrumentPair* m_pair;
    QStackedWidget* m_beside; ///< the map, or the instruments
    Segments* m_shown;
    ScrollColumn* m_right;
    RunChoice* m_run;
    QLineEdit* m_newGroup;
    QPushButton* m_start;
    TargetCard* m_target;
    TakenCard* m_taken;
    NumberField *m_first, *m_second, *m_temperature, *m_beforePull;
    Segments* m_vigour;
    QComboBox* m_criterion;
    QLineEdit* m_judge;
    QCheckBox *m_isolated, *m_cooling;
    QPushButton *m_capture, *m_confirm, *m_zero, *m_note;
    QWidget* m_findingBox;
    QLabel* m_finding;
    QPushButton *m_keep, *m_mend;
    QLabel* m_repeats;
    SlipFinding m_shownFinding;
    bool m_filling = false;
};

} // namespace uttrin::app
