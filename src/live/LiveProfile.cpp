#include "LiveProfile.h"

#include "json/JsonReader.h"
#include "json/JsonSchema.h"
#include "json/JsonText.h"

#include <nlohmann/json.hpp>

#include <algorithm>
#include <array>
#include <cmath>

namespace uttrin {
namespace {

using Json = nlohmann::ordered_json;

constexpr std::array kQuantities{LiveQuantity::AbsolutePressure, LiveQuantity::GaugePressure,
                                 LiveQuantity::Temperature};
constexpr int kMostNumbers = 100, kMostRegisters = 65535;
constexpr double kHour = 3600.0, kQuickest = 0.01; // s

template <typename T, std::size_t N>
auto oneOf(const std::array<std::pair<std::string_view, T>, N>& words) {
    return [&words](std::string_view word) -> Result<T> {
        std::vector<Text> accepted;
        for (const auto& [name, value] : words) {
            if (name == word) return value;
            accepted.push_back(Text::data(std::string(name)));
        }
        return fail(Failure::BadInput,
                    Text::tr("'{}' is not known; accepted: {}", std::string(word), Text::list(accepted)));
    };
}

constexpr std::array kSpeaks{std::pair{std::string_view("lines"), LiveProfile::Speaks::Lines},
                             std::pair{std::string_view("modbus"), LiveProfile::Speaks::Modbus},
                             std::pair{std::string_view("csv"), LiveProfile::Speaks::Csv}};
constexpr std::array kParities{std::pair{std::string_view("none"), SerialSettings::Parity::None},
                               std::pair{std::string_view("even"), SerialSettings::Parity::Even},
                               std::pair{std::string_view("odd"), SerialSettings::Parity::Odd}};
constexpr std::array kTypes{std::pair{std::string_view("int16"), LiveRegister::Type::Int16},
                            std::pair{std::string_view("uint16"), LiveRegister::Type::Uint16},
                            std::pair{std::string_view("int32"), LiveRegister::Type::Int32},
                            std::pair{std::string_view("float32"), LiveRegister::Type::Float32}};

template <typename T, std::size_t N>
std::string_view wordOf(const std::array<std::pair<std::string_view, T>, N>& words, T value) {
    return std::ranges::find(words, value, &std::pair<std::string_view, T>::second)->first;
}

void counted(JsonReader& r, const char* key, int& into, int low, int high) {
    r.count(key, into);
    if (!r.failed() && (into < low || into > high))
        r.refuse(key, Text::tr("a whole number from {} to {}", low, high));
}

/// What a line's values and registers have in common.
template <typename Value>
void readMeaning(JsonReader& r, Value& v) {
    r.require("quantity", Text::tr("what it measures, such as \"temperature\""));
    r.parsed("quantity", v.quantity, liveQuantityFromId);
    r.require("unit", Text::tr("the unit of its figures, such as \"kPa\""));
    r.parsed("unit", v.unit, [&](std::string_view word) { return findUnit(word, dimensionOf(v.quantity)); });
    r.number("scale", v.scale);
    r.number("offset", v.offset);
    if (!r.failed() && !(std::isfinite(v.scale) && v.scale != 0.0))
        r.refuse("scale", Text::tr("a number other than 0"));
}

template <typename Read>
void eachOf(const JsonReader& r, const char* key, std::optional<Failure>& failure, Read read) {
    const Json* list = r.at(key);
    if (!list) return;
    constexpr std::size_t kMost = 16;
    if (!list->is_array() || list->empty() || list->size() > kMost)
        return r.refuse(key, Text::tr("a list of 1 to {} objects", kMost));
    for (std::size_t i = 0; i < list->size() && !failure; ++i) {
        JsonReader one((*list)[i], r.pointer(key) + "/" + std::to_string(i), failure);
        read(one);
        one.onlyKnown();
    }
}

void readSerial(JsonReader r, SerialSettings& serial) {
    constexpr int kFastest = 4'000'000;
    counted(r, "speed", serial.speed, 50, kFastest);
    counted(r, "bits", serial.bits, 5, 8);
    counted(r, "stop_bits", serial.stopBits, 1, 2);
    r.parsed("parity", serial.parity, oneOf(kParities));
    r.onlyKnown();
}

void readDecimal(JsonReader& r, char& decimal) {
    std::string sign(1, decimal);
    r.string("decimal", sign);
    if (sign != "." && sign != ",") return r.refuse("decimal", Text::tr("\".\" or \",\""));
    decimal = sign.front();
}

LiveProfile profileOf(JsonReader r, std::optional<Failure>& failure) {
    LiveProfile p;
    std::string schema;
    r.string("$schema", schema);
    r.require("name", Text::tr("what the instrument is called, in quotes"));
    r.string("name", p.name);
    r.require("speaks", Text::tr("\"lines\", \"modbus\" or \"csv\""));
    r.parsed("speaks", p.speaks, oneOf(kSpeaks));
    if (r.at("serial")) readSerial(r.child("serial"), p.serial);
    r.string("terminator", p.terminator);
    if (p.terminator.empty()) r.refuse("terminator", Text::tr("at least one character, usually \"\\n\""));
    r.string("poll", p.poll);
    r.measure("period", p.period, Dimension::Time, kQuickest, kHour);
    readDecimal(r, p.decimal);
    r.strings("overrange", p.overrange);
    std::erase_if(p.overrange, [](const std::string& word) { return word.empty(); });
    counted(r, "header_lines", p.headerLines, 0, kMostNumbers);
    int time = 0;
    if (r.has("time_number")) {
        counted(r, "time_number", time, 1, kMostNumbers);
        p.timeNumber = time;
    }
    constexpr int kLastStation = 247;
    counted(r, "station", p.station, 1, kLastStation);
    eachOf(r, "values", failure, [&](JsonReader& one) {
        LiveValue v;
        readMeaning(one, v);
        one.string("begins", v.begins);
        counted(one, "number", v.number, 1, kMostNumbers);
        p.values.push_back(v);
    });
    eachOf(r, "registers", failure, [&](JsonReader& one) {
        LiveRegister v;
        readMeaning(one, v);
        one.require("address", Text::tr("of its first register, from 0"));
        counted(one, "address", v.address, 0, kMostRegisters);
        one.parsed("type", v.type, oneOf(kTypes));
        one.flag("low_word_first", v.lowWordFirst);
        p.registers.push_back(v);
    });
    if (!r.failed() && p.speaks == LiveProfile::Speaks::Modbus && p.registers.empty())
        r.require("registers", Text::tr("a list of 1 to 16 objects"));
    if (!r.failed() && p.speaks != LiveProfile::Speaks::Modbus && p.values.empty())
        r.require("values", Text::tr("a list of 1 to 16 objects"));
    r.onlyKnown();
    return p;
}

Json meaningOf(LiveQuantity quantity, const Unit& unit, double scale, double offset) {
    Json j{{"quantity", id(quantity)}, {"unit", unit.symbol}};
    if (scale != 1.0) j["scale"] = scale;
    if (offset != 0.0) j["offset"] = offset;
    return j;
}

} // namespace

std::string_view id(LiveQuantity quantity) {
    constexpr std::array<std::string_view, 3> kIds{"absolute-pressure", "gauge-pressure", "temperature"};
    return kIds[static_cast<std::size_t>(quantity)];
}

Dimension dimensionOf(LiveQuantity quantity) {
    return quantity == LiveQuantity::Temperature ? Dimension::Temperature : Dimension::Pressure;
}

Result<LiveQuantity> liveQuantityFromId(std::string_view word) {
    std::vector<Text> accepted;
    for (const LiveQuantity q : kQuantities) {
        if (id(q) == word) return q;
        accepted.push_back(Text::data(std::string(id(q))));
    }
    return fail(Failure::BadInput,
                Text::tr("'{}' is not known; accepted: {}", std::string(word), Text::list(accepted)));
}

bool measures(const LiveProfile& profile, bool pressure) {
    const auto any = [&](const auto& values) {
        return std::ranges::any_of(
            values, [&](const auto& v) { return (v.quantity != LiveQuantity::Temperature) == pressure; });
    };
    return any(profile.values) || any(profile.registers);
}

LiveQuantity pressureQuantityOf(const LiveProfile& profile) {
    const auto countsFromRoom = [](const auto& values) {
        return std::ranges::any_of(values,
                                   [](const auto& v) { return v.quantity == LiveQuantity::GaugePressure; });
    };
    return countsFromRoom(profile.values) || countsFromRoom(profile.registers)
               ? LiveQuantity::GaugePressure
               : LiveQuantity::AbsolutePressure;
}

std::string writeLiveProfile(const LiveProfile& p) {
    Json j{{"name", p.name}, {"speaks", wordOf(kSpeaks, p.speaks)}};
    j["serial"] = {{"speed", p.serial.speed},
                   {"bits", p.serial.bits},
                   {"stop_bits", p.serial.stopBits},
                   {"parity", wordOf(kParities, p.serial.parity)}};
    j["terminator"] = p.terminator;
    if (!p.poll.empty()) j["poll"] = p.poll;
    j["period"] = formatMeasure(p.period, unit("s"));
    j["decimal"] = std::string(1, p.decimal);
    if (!p.overrange.empty()) j["overrange"] = p.overrange;
    if (p.headerLines != 0) j["header_lines"] = p.headerLines;
    if (p.timeNumber) j["time_number"] = *p.timeNumber;
    if (p.speaks == LiveProfile::Speaks::Modbus) j["station"] = p.station;
    for (const LiveValue& v : p.values) {
        Json one = meaningOf(v.quantity, *v.unit, v.scale, v.offset);
        if (!v.begins.empty()) one["begins"] = v.begins;
        one["number"] = v.number;
        j["values"].push_back(std::move(one));
    }
    for (const LiveRegister& v : p.registers) {
        Json one = meaningOf(v.quantity, *v.unit, v.scale, v.offset);
        one["address"] = v.address;
        one["type"] = wordOf(kTypes, v.type);
        if (v.lowWordFirst) one["low_word_first"] = true;
        j["registers"].push_back(std::move(one));
    }
    return j.dump(2, ' ', false, Json::error_handler_t::replace) + "\n";
}

Result<LiveProfile> readLiveProfile(std::string_view text) {
    const auto json = parseJson(text);
    if (!json) return tl::unexpected(json.error().failure());
    std::optional<Failure> failure;
    if (!json->is_object())
        return fail(Failure::BadInput, Text::tr("an instrument profile is a JSON object"));
    LiveProfile profile = profileOf(JsonReader(*json, "", failure), failure);
    if (failure) return tl::unexpected(withLine(*failure, text));
    return profile;
}

} // namespace uttrin
