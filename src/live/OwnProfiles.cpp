#include "OwnProfiles.h"

#include "files/UserFolder.h"

#include <nlohmann/json.hpp>

#include <algorithm>

namespace uttrin {
namespace {

using OutJson = nlohmann::ordered_json;

OutJson meaningOf(LiveQuantity quantity, const Unit& unit, double scale, double offset) {
    OutJson j{{"quantity", id(quantity)}, {"unit", unit.symbol}};
    if (scale != 1.0) j["scale"] = scale;
    if (offset != 0.0) j["offset"] = offset;
    return j;
}

std::string_view wordOf(LiveProfile::Speaks speaks) {
    return speaks == LiveProfile::Speaks::Modbus ? "modbus" : speaks == LiveProfile::Speaks::Csv ? "csv" : "lines";
}

std::string_view wordOf(SerialSettings::Parity parity) {
    return parity == SerialSettings::Parity::Even  ? "even"
           : parity == SerialSettings::Parity::Odd ? "odd"
                                                   : "none";
}

std::string_view wordOf(LiveRegister::Type type) {
    switch (type) {
    case LiveRegister::Type::Int16:
        return "int16";
    case LiveRegister::Type::Uint16:
        return "uint16";
    case LiveRegister::Type::Int32:
        return "int32";
    case LiveRegister::Type::Float32:
        break;
    }
    return "float32";
}

} // namespace

std::string writeLiveProfile(const LiveProfile& p) {
    OutJson j{{"name", p.name}, {"speaks", wordOf(p.speaks)}};
    j["serial"] = {{"speed", p.serial.speed},
                   {"bits", p.serial.bits},
                   {"stop_bits", p.serial.stopBits},
                   {"parity", wordOf(p.serial.parity)}};
    j["terminator"] = p.terminator;
    if (!p.poll.empty()) j["poll"] = p.poll;
    j["period"] = formatMeasure(p.period, unit("s"));
    j["decimal"] = std::string(1, p.decimal);
    if (!p.overrange.empty()) j["overrange"] = p.overrange;
    if (p.headerLines != 0) j["header_lines"] = p.headerLines;
    if (p.timeNumber) j["time_number"] = *p.timeNumber;
    if (p.speaks == LiveProfile::Speaks::Modbus) j["station"] = p.station;
    for (const LiveValue& v : p.values) {
        OutJson one = meaningOf(v.quantity, *v.unit, v.scale, v.offset);
        if (!v.begins.empty()) one["begins"] = v.begins;
        one["number"] = v.number;
        j["values"].push_back(std::move(one));
    }
    for (const LiveRegister& v : p.registers) {
        OutJson one = meaningOf(v.quantity, *v.unit, v.scale, v.offset);
        one["address"] = v.address;
        one["type"] = wordOf(v.type);
        if (v.lowWordFirst) one["low_word_first"] = true;
        j["registers"].push_back(std::move(one));
    }
    return j.dump(2, ' ', false, OutJson::error_handler_t::replace) + "\n";
}

OwnProfiles ownProfiles() { return OwnProfiles(userDataFolder() / "instruments-live"); }

OwnProfiles::Shelf OwnProfiles::shelf() const {
    Shelf shelf;
    auto kept = m_files.shelf();
    shelf.troubles = std::move(kept.troubles);
    for (const NamedFiles::File& file : kept.files)
        if (auto profile = readProfileFile(file.text))
            shelf.profiles.push_back({file.id, std::move(*profile)});
        else
            shelf.troubles.push_back(
                Text::tr("{}: {}", Text::typed(file.id + ".json"), profile.error().message));
    std::ranges::stable_sort(shelf.profiles, {}, [](const ShippedProfile& p) { return p.profile.name; });
    return shelf;
}

Result<std::string> OwnProfiles::keep(const LiveProfile& profile) const {
    const std::string text = writeLiveProfile(profile);
    if (const auto back = readProfileFile(text); !back) return tl::unexpected(back.error());
    return m_files.keep(profile.name, text);
}

} // namespace uttrin
