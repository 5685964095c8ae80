#pragma once

#include "app/controller/StationPage.h"
#include "plan/InstrumentMemory.h"

#include <filesystem>
#include <optional>
#include <utility>

class QPushButton;

namespace uttrin::app {

class Words;
class GaugeCard;
class InstrumentPair;
class PhaseMap;
class Segments;
class ThermometerCard;
class VesselCard;

/// The Rig station: instruments and vessel as they are, declared once, and what their dials mean.
class RigStation : public StationPage {
    Q_OBJECT
public:
    explicit RigStation(LessonController& controller);

signals:
    void sealedCoolingRequested();

protected:
    void refresh() override;

private:
    QWidget* buildLeft();
    QLayout* buildRight();
    void wire();
    void apply();
    void changeSubstance(const QString& id);
    void showMeaning();
    void calibrate(std::optional<double> ice, std::optional<double> steam, bool alsoEarlier);

    Segments* m_setup;
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
