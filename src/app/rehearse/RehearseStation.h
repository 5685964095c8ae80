#pragma once

#include "RehearsalRunner.h"
#include "app/controller/StationPage.h"
#include "lesson/views/RehearseViews.h"
#include "rehearsal/Demonstrations.h"
#include "rehearsal/ManualRun.h"

#include <QElapsedTimer>

#include <array>
#include <memory>

class QComboBox;
class QPushButton;
class QVBoxLayout;
class QHBoxLayout;
class QStackedWidget;
class QTimer;

namespace uttrin::app {

class Words;
class SuccessTile;
class ManualControls;
class MeasuredPanel;
class PhaseMap;
class RehearsalTape;
class RigDrawing;
class RigGuide;
class Segments;

/// The Rehearse station: a demonstration is chosen, changed, played through and run by hand; its path lies
/// on the map, its minutes on the tape.
class RehearseStation : public StationPage {
    Q_OBJECT
public:
    explicit RehearseStation(LessonController& controller);

    void choose(int demonstration);
    void goTo(double seconds);
    void play(bool on);
    void runByHand(bool on);
    void capture();
    [[nodiscard]] bool isManual() const { return m_manualRun != nullptr; }
    [[nodiscard]] bool isReady() const { return m_played && !m_runner->isBusy(); }
    /// Whether there is a path, or a part of one.
    [[nodiscard]] bool isPlayed() const { return m_played != nullptr; }
    [[nodiscard]] double moment() const { return m_moment; }

signals:
    /// The bench strip over what is rehearsed now.
    void stripChanged(const uttrin::StripView& view);

protected:
    void refresh() override;
    void resizeEvent(QResizeEvent* event) override;
    void keyPressEvent(QKeyEvent* event) override;

private:
    static constexpr std::array kSpeeds{1.0, 5.0, 20.0, 60.0, 200.0}; ///< times real time
    static constexpr int kTickMs = 40, kUsualSpeed = 2;
    void buildLeft(QVBoxLayout* column);
    void buildRight(QVBoxLayout* column);
    void buildTape(QVBoxLayout* column);
    void showFace(int face);
    void fit();
    void nameManualRun();
    void nameCurves();
    void wire();
    void fillChoices();
    void fillKnobs();
    void announce();
    void fillGuide();
    void showGuide();
    void workOutFill();
    void fillCaution();
    [[nodiscard]] const RigFile& rig() const;
    [[nodiscard]] std::vector<RigSetting> settingsOf(int variant) const;
    [[nodiscard]] std::optional<double> roomCelsius() const;
    void start();
    void showMoment();
    void showChance(const std::shared_ptr<const EnsembleOutcome>& chance);
    void tick();
    [[nodiscard]] const Rehearsal* shown() const;

    std::vector<Demonstration> m_rigs;
    int m_rig = 0, m_variant = 0, m_beside = -1;
    std::vector<RigSetting> m_turned; ///< what the person changed
    bool m_isFitted = false;          ///< what is shown was fitted to readings; the forecast stands beside it
    std::vector<RigSetting> m_started; ///< with which the last rehearsal was started
    std::vector<Text> m_fill;          ///< what the filling of that does; empty while it is worked out
    NewestWish m_filling;
    RehearsalRunner* m_runner;
    std::shared_ptr<const Rehearsal> m_played, m_other;
    std::unique_ptr<ManualRun> m_manualRun;
    double m_moment = 0.0, m_phase = 0.0;
    QTimer* m_clock;
    QElapsedTimer m_since;

    QComboBox *m_choice, *m_compare;
    Segments *m_variants, *m_speed, *m_face;
    RigDrawing* m_drawing;
    QHBoxLayout* m_knobRow;
    QWidget* m_knobs;
    ManualControls* m_handles;
    QStackedWidget* m_faces;
    PhaseMap* m_map;
    RigGuide* m_guide;
    MeasuredPanel* m_measured;
    Words *m_see, *m_next, *m_caution, *m_time, *m_besideLabel, *m_curves;
    SuccessTile* m_chance;
    QPushButton *m_playButton, *m_manualButton, *m_captureButton;
    RehearsalTape* m_tape;
};

} // namespace uttrin::app
