#pragma once

#include "app/controls/Card.h"
#include "plan/Plan.h"
#include "register/InstrumentRegister.h"

class QComboBox;
class QPushButton;

namespace uttrin::app {

class Words;

/// The instruments that a school has, across lessons: one is taken for the rig, or the rig's is kept.
class RegisterCard : public Card {
    Q_OBJECT
public:
    RegisterCard();
    /// @param nowMs  for how old a calibration is.
    void show(const Rig& rig, std::int64_t nowMs);
    using Card::show;

signals:
    void gaugePicked(const PressureInstrument& gauge);
    void thermometerPicked(const Thermometer& thermometer);
    void failed(const uttrin::Failure& failure);
    void told(const QString& sentence);

protected:
    void showEvent(QShowEvent* event) override;

private:
    void read();
    void pick();
    void keep(bool gauge);
    void calibrated();
    void remove();
    void showRemark();
    [[nodiscard]] const KnownInstrument* chosen() const;

    QComboBox* m_list;
    Words *m_remark, *m_empty;
    QPushButton *m_use, *m_calibrated, *m_remove;
    InstrumentRegister::Shelf m_shelf;
    Rig m_rig;
    std::int64_t m_nowMs = 0;
};

} // namespace uttrin::app
