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
    /// @param nowMs  for how old a calibration is. @param utcOffsetMin  for dates. @param ofNotebook  what
    /// the notebook knows: offered where the school's register does not have it.
    void show(const Rig& rig, std::int64_t nowMs, int utcOffsetMin, std::vector<KnownInstrument> ofNotebook);
    using Card::show;

signals:
    void picked(const KnownInstrument& instrument);
    void kept(const KnownInstrument& instrument); ///< on disk, in the register
    void failed(const uttrin::Failure& failure);
    void told(const QString& sentence);

protected:
    void showEvent(QShowEvent* event) override;

private:
    void read(const QString& chosen = {});
    void pick();
    void keepOfRig(bool gauge);
    void keep(const KnownInstrument& instrument);
    void calibrated();
    void remove();
    void fill(const QString& chosen = {});
    void showRemark();
    bool store(const KnownInstrument& instrument);
    [[nodiscard]] const KnownInstrument* chosen() const;

    QComboBox* m_list;
    Words *m_remark, *m_history, *m_empty;
    QPushButton *m_use, *m_calibrated, *m_remove, *m_keepHere;
    InstrumentRegister::Shelf m_shelf;
    std::vector<KnownInstrument> m_ofNotebook;
    Rig m_rig;
    std::int64_t m_nowMs = 0;
    int m_utcOffsetMin = 0;
};

} // namespace uttrin::app
