#pragma once

#include "app/controls/Card.h"
#include "lesson/commands/LessonSession.h"
#include "lesson/live/LiveView.h"

#include <array>
#include <vector>

class QCheckBox;
class QComboBox;
class QPushButton;

namespace uttrin::app {

class Words;
class FieldEdit;
class NumberField;
class Segments;

/// What the instruments show and how it boils, as it is typed; what looks odd about it; the key that captures
/// it.
class ReadingCard : public Card {
    Q_OBJECT
public:
    ReadingCard();
    /// The fields as the session has them, for the rig of its run.
    void show(const LessonSession& session);
    /// What instruments say now, where nothing is typed; heating or cooling, and whether the pump is shut
    /// off, as the trend tells it.
    void showLive(const BenchDraft& draft, const LiveView& view);
    /// What the fields hold now.
    [[nodiscard]] BenchDraft typed() const;
    void setGauge(const GaugeReading& reading);
    void setTemperature(double reading);
    void setVigour(int vigour);
    void showRepeats(const QString& text);
    void showCarried(const QString& text); ///< how one instrument was brought to the moment of the other
    void focusFirst();
    /// Asks whether the pump was shut off; the answer captures.
    void askWhetherShut();
    void focusTemperature();
    /// Where a slip is mended: its offer, or the thermometer's field.
    void focusMending();

    /// Shows what looks odd; nothing where nothing does.
    /// @param waiting  a capture waits for it to be mended or kept: Enter again does not let it through.
    void showFinding(const SlipFinding& finding, bool waiting);
    [[nodiscard]] QWidget* findingBox() const { return m_findingBox; }
    void hideFinding();
    [[nodiscard]] bool showsFinding() const { return m_finds; }
    [[nodiscard]] bool findingWaits() const { return m_waits; }

signals:
    void edited();
    void captureRequested();
    void keepRequested(); ///< although it looks odd
    void bracketRequested();
    void zeroRequested();
    void startRequested();
    void noteRequested();
    void stageRequested(int stage); ///< its place among boilingStages()
    void insulated(bool wrapped);   ///< the vessel, or no longer
    void heaterSet();               ///< to another setting, in the draft
    void topUpRequested();
    void stepDone(); ///< of the read order

protected:
    bool eventFilter(QObject* watched, QEvent* event) override;
    void resizeEvent(QResizeEvent* event) override;
    void moveEvent(QMoveEvent* event) override;

private:
    void buildTop();
    void buildFields();
    void buildVigour();
    void buildStages();
    void buildOrder();
    void buildDetails();
    void buildFinding();
    void placeFinding();
    void buildActions();
    void wire();
    void mend(std::size_t which);
    [[nodiscard]] std::vector<NumberField*> needed() const;

    NumberField *m_first, *m_second, *m_temperature, *m_beforePull, *m_heater;
    QWidget* m_heaterBox;
    Words* m_step;
    QPushButton* m_stepDone;
    Segments* m_vigour;
    QComboBox* m_criterion;
    FieldEdit* m_judge;
    QCheckBox* m_cooling;
    Segments* m_pump; ///< shut off or pulling, when both were read
    QPushButton *m_capture, *m_confirm, *m_zero, *m_startTemperature, *m_note, *m_stage, *m_topUp;
    Card* m_findingBox; ///< lies over what is below this card while it is shown: nothing moves for it
    Words* m_finding;
    QPushButton* m_keep;
    std::array<QPushButton*, 3> m_mend{}; ///< one for each offer
    Words *m_repeats, *m_carried;
    SlipFinding m_shownFinding;
    bool m_twoArms = false, m_asksBefore = false; ///< which fields the rig and the method need
    bool m_finds = false, m_waits = false;
    bool m_asksShut = false; ///< a capture waits for whether the pump was shut off
    std::size_t m_stepsDone = 0;
};

} // namespace uttrin::app
