#pragma once

#include "quantities/Units.h"

#include <optional>
#include <string>
#include <string_view>
#include <vector>

namespace uttrin {

/// What a figure of an instrument means.
enum class LiveQuantity { AbsolutePressure, GaugePressure, Temperature };
[[nodiscard]] std::string_view
id(LiveQuantity quantity); ///< "absolute-pressure", "gauge-pressure", "temperature"
[[nodiscard]] Dimension dimensionOf(LiveQuantity quantity);

/// How a serial port is set.
struct SerialSettings {
    enum class Parity { None, Even, Odd };
    int speed = 9600; ///< bits each second
    int bits = 8, stopBits = 1;
    Parity parity = Parity::None;
};

/// One value of what an instrument sends.
struct LiveValue {
    LiveQuantity quantity = LiveQuantity::AbsolutePressure;
    std::string begins; ///< text after which its numbers are counted; empty: from the beginning of the line
    int number = 1;     ///< which number it is, from 1
    const Unit* unit = nullptr;
    double scale = 1.0, offset = 0.0; ///< the figure times the one, plus the other, in `unit`
};

/// One value in the registers of an instrument that speaks Modbus.
struct LiveRegister {
    enum class Type { Int16, Uint16, Int32, Float32 };
    LiveQuantity quantity = LiveQuantity::AbsolutePressure;
    int address = 0; ///< of its first register, from 0
    Type type = Type::Float32;
    bool lowWordFirst = false; ///< of two registers
    const Unit* unit = nullptr;
    double scale = 1.0, offset = 0.0;
};

/// How what an instrument sends becomes values: the instrument-profile file (docs/instrument-profiles.md).
struct LiveProfile {
    enum class Speaks { Lines, Modbus, Csv };
    std::string name;
    Speaks speaks = Speaks::Lines;
    SerialSettings serial;
    std::string terminator = "\n";       ///< of a line; a carriage return before it belongs to it
    std::string poll;                    ///< sent to ask for a line; empty for one that sends by itself
    double period = 1.0;                 ///< s, between two of its readings, as it is set
    char decimal = '.';                  ///< '.' or ','
    std::vector<std::string> overrange;  ///< what stands in a line where it cannot measure
    int headerLines = 0;                 ///< Csv: before the first reading
    std::optional<int> timeNumber;       ///< Csv: which number is the time, s; else it is when the line came
    int station = 1;                     ///< Modbus: the instrument's own number
    std::vector<LiveValue> values;       ///< Lines, Csv
    std::vector<LiveRegister> registers; ///< Modbus
};

/// Whether it measures a pressure, or else a temperature.
[[nodiscard]] bool measures(const LiveProfile& profile, bool pressure);
/// Which pressure an instrument measures; absolute where it measures none.
[[nodiscard]] LiveQuantity pressureQuantityOf(const LiveProfile& profile);
/// What an identifier names. BadInput says what is accepted.
[[nodiscard]] Result<LiveQuantity> liveQuantityFromId(std::string_view id);

/// A profile file as `readLiveProfile` reads it back.
[[nodiscard]] std::string writeLiveProfile(const LiveProfile& profile);
/// Reads a profile file. BadInput names the line, the path and what is accepted there.
[[nodiscard]] Result<LiveProfile> readLiveProfile(std::string_view text);

} // namespace uttrin
