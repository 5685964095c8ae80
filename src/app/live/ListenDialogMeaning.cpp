// What the figures of an instrument mean: the part of the dialog in which numbers are clicked.
#include "LineAnatomy.h"
#include "ListenDialog.h"
#include "UnitBox.h"
#include "app/controls/FieldEdit.h"
#include "app/controls/Labels.h"
#include "app/controls/NumberField.h"
#include "app/controls/OnScreen.h"
#include "app/controls/Segments.h"
#include "app/instruments/InstrumentPair.h"
#include "lesson/live/LiveReadings.h"
#include "live/LiveDecoder.h"
#include "live/OwnProfiles.h"
#include "quantities/Quantities.h"

#include <QComboBox>

#include <algorithm>

namespace uttrin::app {
namespace {

constexpr LiveQuantity kQuantities[] = {LiveQuantity::AbsolutePressure, LiveQuantity::GaugePressure,
                                        LiveQuantity::Temperature};
constexpr LiveRegister::Type kHeldAs[] = {LiveRegister::Type::Float32, LiveRegister::Type::Int16,
                                          LiveRegister::Type::Uint16, LiveRegister::Type::Int32};

} // namespace

void ListenDialog::arrived(const QString& line) {
    const bool first = m_lastLine.isEmpty();
    m_lastLine = line;
    if (first) return showMeaning();
    m_line->show(line, m_profile);
}

/// The unit that the line itself writes behind the number in hand; null where it writes none.
const Unit* ListenDialog::writtenUnit() const {
    const LiveValue* value = valueOfNumber(m_profile, m_number);
    if (value && !value->begins.empty()) return nullptr; // it is counted from elsewhere
    const std::string line = m_lastLine.toStdString();
    const auto numbers = findNumbers(line, m_profile.decimal);
    const auto at = static_cast<std::size_t>(m_number) - 1;
    return at < numbers.size() ? unitBehind(line, numbers[at]) : nullptr;
}

void ListenDialog::pickNumber(int number) {
    m_number = number;
    if (valueOfNumber(m_profile, number)) return showMeaning();
    // What is not said of another number yet: the pressure first, then the temperature.
    const auto has = [&](bool temperature) {
        return std::ranges::any_of(m_profile.values, [&](const LiveValue& v) {
            return (v.quantity == LiveQuantity::Temperature) == temperature;
        });
    };
    if (has(false) && has(true)) return showMeaning(); // a person says which it replaces
    const Unit* written = writtenUnit();
    const bool temperature = written ? written->dimension == Dimension::Temperature : has(false);
    m_quantity->setCurrentIndex(temperature ? indexOf(kQuantities, LiveQuantity::Temperature) : 0);
    m_unit->clear();
    takeMeaning();
}

void ListenDialog::takeMeaning() {
    const LiveQuantity quantity = kQuantities[std::max(0, m_quantity->currentIndex())];
    const Dimension dimension = dimensionOf(quantity);
    const Unit* chosen = unitIn(*m_unit, dimension);
    const Unit* written = writtenUnit();
    if (written && written->dimension != dimension) written = nullptr;
    const Unit* usual = &unit(dimension == Dimension::Temperature ? "degC" : "kPa");
    const Unit* in = chosen ? chosen : written ? written : usual;
    m_profile.decimal = m_decimal->currentIndex() == 1 ? ',' : '.';
    m_profile.poll = m_poll->text().toStdString();
    if (!m_profile.poll.empty()) m_profile.poll += m_profile.terminator;
    if (m_profile.speaks == LiveProfile::Speaks::Modbus) {
        LiveRegister r;
        r.quantity = quantity;
        r.unit = in;
        r.address = static_cast<int>(m_register->value().value_or(0.0));
        r.type = kHeldAs[std::max(0, m_type->currentIndex())];
        m_profile.registers = {r};
        m_profile.station = static_cast<int>(m_station->value().value_or(1.0));
    } else {
        std::erase_if(m_profile.values, [&](const LiveValue& v) {
            return v.number == m_number || v.quantity == quantity; // it can be one number only
        });
        LiveValue v;
        v.quantity = quantity;
        v.number = m_number;
        v.unit = in;
        m_profile.values.push_back(v);
    }
    showMeaning();
    if (m_source) lookAt();
}

void ListenDialog::showMeaning() {
    const bool modbus = m_profile.speaks == LiveProfile::Speaks::Modbus;
    LiveQuantity quantity = kQuantities[std::max(0, m_quantity->currentIndex())];
    const Unit* in = nullptr;
    if (modbus && !m_profile.registers.empty()) {
        quantity = m_profile.registers.front().quantity;
        in = m_profile.registers.front().unit;
    } else if (const auto at = std::ranges::find(m_profile.values, m_number, &LiveValue::number);
               at != m_profile.values.end()) {
        quantity = at->quantity;
        in = at->unit;
    }
    m_quantity->setCurrentIndex(indexOf(kQuantities, quantity));
    offerUnits(*m_unit, dimensionOf(quantity), in);
    m_numberIs->setVisible(!modbus);
    const Unit* written = modbus ? nullptr : writtenUnit();
    const bool differs = written && in && written != in;
    setRole(m_numberIs, differs ? "caution" : "muted");
    m_numberIs->setText(
        m_lastLine.isEmpty()
            ? tr("See what it sends, then click the number that is the pressure or the temperature.")
        : differs ? tr("\u26A0 The line itself says %1 behind number %2, not %3.")
                        .arg(asIs(written->display))
                        .arg(m_number)
                        .arg(asIs(in->display))
                  : tr("Number %1 of the line is:").arg(m_number));
    if (!m_lastLine.isEmpty()) m_line->show(m_lastLine, m_profile);
    showReadings();
}

void ListenDialog::showReadings() {
    QStringList said;
    std::optional<double> kelvin;
    if (!m_last.pascal.empty()) said << tr("%1 kPa").arg(onScreen(m_last.pascal.values.back() * 1e-3, 2));
    if (!m_last.kelvin.empty()) {
        kelvin = m_last.kelvin.values.back();
        said << tr("%1 °C").arg(onScreen(*kelvin - kIcePointKelvin, 2));
    }
    m_says->setText(said.join(QStringLiteral("   ")));
    if (!m_controller.isOpen()) return;
    LiveMoment moment;
    const auto one = [](const TraceChannel& c) {
        Settled s;
        s.mean = c.values.back();
        return s;
    };
    const LiveQuantity quantity = pressureQuantityOf(m_profile);
    const auto& session = m_controller.session();
    if (!m_last.pascal.empty()) {
        moment.pressure = one(m_last.pascal);
        if (quantity == LiveQuantity::GaugePressure)
            moment.pressure->mean += session.roomOrStandard().pascal();
    }
    if (!m_last.kelvin.empty()) moment.temperature = one(m_last.kelvin);
    const LiveReadings readings = liveReadings(session, moment, quantity, 0);
    m_pair->showGauge(readings.gauge ? std::optional(readings.gauge->reading) : std::nullopt);
    m_pair->showTemperature(readings.thermometer ? std::optional(readings.thermometer->reading.first)
                                                 : std::nullopt);
}

void ListenDialog::keepProfile() {
    const auto kept = ownProfiles().keep(profile());
    if (!kept) return m_state->setText(onScreen(kept.error().message));
    const QString name = m_name->text();
    m_state->setText(tr("'%1' is kept, for other lessons too.").arg(name));
}

} // namespace uttrin::app
