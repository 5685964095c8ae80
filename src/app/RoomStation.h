#pragma once

#include "StationPage.h"

class QLabel;
class QLineEdit;
class QPushButton;
class QComboBox;

namespace uttrin::app {

class NumberField;
class PhaseMap;
class Segments;
class VernierPicture;

/// The room's pressure: how it was obtained, what follows, what it costs if it is only assumed.
class RoomStation : public StationPage {
    Q_OBJECT
public:
    explicit RoomStation(LessonController& controller);

protected:
    void refresh() override;

private:
    void build();
    void wire();
    void showFields();
    void preview();
    void enter(const char* role);
    QWidget* buildMercury();
    [[nodiscard]] std::optional<MercuryReading> typedMercury() const;
    void showMercury(const MercuryReading& reading);
    [[nodiscard]] RoomMethod method() const;
    [[nodiscard]] std::optional<RoomEntry> typed() const;
    void loadEntry(const RoomEntry& entry);

    Segments *m_method, *m_reduced;
    QLabel *m_reducedQuestion, *m_result, *m_resultUnder, *m_warning, *m_history, *m_scope;
    NumberField *m_value, *m_uncertainty, *m_altitude, *m_air, *m_ultimate;
    QComboBox* m_unit;
    QLineEdit* m_time;
    QWidget *m_unitBox, *m_timeBox;
    QPushButton *m_enter, *m_end;
    QWidget* m_mercuryBox;
    VernierPicture* m_vernier;
    NumberField *m_mainScale, *m_vernierLine, *m_attached, *m_latitude, *m_barometerHeight, *m_index;
    QComboBox* m_barometerUnit;
    Segments* m_scaleMaterial;
    QLabel *m_steps, *m_disagreements;
    QLineEdit *m_title, *m_school, *m_room;
    PhaseMap* m_map;
    RowId m_shownRecord = -1;
};

} // namespace uttrin::app
