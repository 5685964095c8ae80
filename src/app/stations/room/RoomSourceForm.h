#pragma once

#include "instruments/RoomPressure.h"

#include <QWidget>

#include <optional>

class QComboBox;
class QVBoxLayout;

namespace uttrin::app {

class Words;
class MercuryForm;
class NumberField;
class Segments;

/// How the room's pressure is known: a source, and the fields that it needs.
class RoomSourceForm : public QWidget {
    Q_OBJECT
public:
    RoomSourceForm();
    /// What the fields hold; nothing while one that is needed is empty.
    [[nodiscard]] std::optional<RoomEntry> typed() const;
    [[nodiscard]] bool isChosen() const;
    /// The height that was typed, whatever the source.
    [[nodiscard]] std::optional<double> altitude() const;
    void show(const RoomEntry& entry);
    /// No source is chosen. @param altitudeM  of the room, where it is known.
    void clear(std::optional<double> altitudeM);
    /// Chooses the mercury column and sets it.
    void setMercury(double value, const QString& unit);
    [[nodiscard]] MercuryForm& mercury() { return *m_mercury; }

signals:
    void edited();

private:
    void buildSource();
    void buildFields();
    void wire();
    void showFields();
    [[nodiscard]] RoomMethod method() const;

    QVBoxLayout* m_column;
    Segments *m_method, *m_reduced;
    Words* m_reducedQuestion;
    NumberField *m_value, *m_uncertainty, *m_altitude, *m_air, *m_ultimate, *m_roomTemperature;
    QComboBox* m_unit;
    QWidget* m_unitBox;
    MercuryForm* m_mercury;
};

} // namespace uttrin::app
