#pragma once

#include "RehearsalRunner.h"
#include "StationPage.h"
#include "lesson/RehearseViews.h"
#include "rehearsal/Demonstrations.h"
#include "rehearsal/Flight.h"

#include <QElapsedTimer>

#include <memory>

class QComboBox;
class QLabel;
class QPushButton;
class QVBoxLayout;
class QHBoxLayout;
class QStackedWidget;
class QTimer;

namespace uttrin::app {

class ChanceTile;
class FlightHandles;
class MeasuredPanel;
class PhaseMap;
class RehearsalTape;
class RigDrawing;
class RigGuide;
class Segments;

/// The Rehearse station: a demonstration is chosen, changed, played through and flown by hand; its path lies
/// on the map, its minutes on the tape.
class RehearseStation : public StationPage {
    Q_OBJECT
public:
    explicit RehearseStation(LessonController& controller);

    void choose(int demonstration);
    void goTo(double seconds);
    void play(bool on);
    void fly(bool on);
    void capture();
    [[nodiscard]] bool isFlying() const { return m_flight != nullptr; }
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
    void buildLeft(QVBoxLayout* column);
    void buildRight(QVBoxLayout* column);
    void buildTape(QVBoxLayout* column);
    void showFace(int face);
    void fit();
    void nameFlight();
    void wire();
    void fillChoices();
    void fillKnobs();
    void announce();
    void fillGuide();
    void fillCaution();
    [[nodiscard]] const RigFile& rig() const;
    [[nodiscard]] std::vector<RigSetting> settingsOf(int variant) const;
    void start();
    void showMoment();
    void showChance(const std::shared_ptr<const RehearsalChance>& chance);
    void tick();
    [[nodiscard]] const Rehearsal* shown() const;

    std::vector<Demonstration> m_rigs;
    int m_rig = 0, m_variant = 0, m_beside = -1;
    std::vector<RigSetting> m_turned; ///< what the person changed
    RehearsalRunner* m_runner;
    std::shared_ptr<const Rehearsal> m_played, m_other;
    std::unique_ptr<Flight> m_flight;
    double m_moment = 0.0, m_phase = 0.0;
    QTimer* m_clock;
    QElapsedTimer m_since;

    QComboBox *m_choice, *m_compare;
    Segments *m_variants, *m_speed, *m_face;
    RigDrawing* m_drawing;
    QHBoxLayout* m_knobRow;
    QWidget* m_knobs;
    FlightHandles* m_handles;
    QStackedWidget* m_faces;
    PhaseMap* m_map;
    RigGuide* m_guide;
    MeasuredPanel* m_measured;
    QLabel *m_see, *m_next, *m_caution, *m_time, *m_besideLabel;
    ChanceTile* m_chance;
    QPushButton *m_playButton, *m_flyButton, *m_captureButton;
    RehearsalTape* m_tape;
};

} // namespace uttrin::app
