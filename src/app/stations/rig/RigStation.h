#pragma once

#include "app/controller/StationPage.h"
#include "plan/InstrumentMemory.h"

#include <filesystem>
#include <functional>
#include <optional>
#include <utility>

class QPushButton;

namespace uttrin::app {

class Words;
class Faces;
class GaugeCard;
class InstrumentPair;
class LiveBench;
class PhaseMap;
class ReadOrderCard;
class RegisterCard;
class Segments;
class ThermometerCard;
class VesselCard;

/// The Rig station: instruments and vessel as they are, declared once, and what their dials mean.
class RigStation : public StationPage {
    Q_OBJECT
public:
    /// @param live  instruments that are listened to; outlives this.
    RigStation(LessonController& controller, LiveBench& live);

signals:
    void sealedCoolingRequested();

protected:
    void refresh() override;

private:
    QWidget* buildRig(QWidget* choice);
    QWidget* buildLeft(QWidget* choice);
    void change(const std::function<void(Plan&)>& how, const Text& label);
    QLayout* buildRight();
    void wire();
    void apply();
    void changeSubstance(const QString& id);
    void showMeaning();
    void calibrate(std::optional<double> ice, std::optional<double> steam, bool alsoEarlier);

    Faces* m_faces; ///< the rig as it is declared, and its tests
    Segments* m_setup;
    RegisterCard* m_register;
    ReadOrderCard* m_order;
    GaugeCard* m_gauge;
    ThermometerCard* m_thermometer;
    VesselCard* m_vessel;
    Words *m_meaning, *m_runNote;
    QPushButton* m_correct;
    PhaseMap* m_map;
    InstrumentPair* m_pair;
    std::optional<Temperature> m_boils; ///< at which the instruments are shown, once a person moved one
    InstrumentMemory m_memory;
    std::pair<RowId, std::filesystem::path> m_remembered; ///< the set-up, and its notebook, that it is of
    bool m_filling = false;
};

} // namespace uttrin::app
