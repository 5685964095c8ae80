#include "RoomJson.h"

#include "json/JsonText.h"

#include <nlohmann/json.hpp>

#include <algorithm>

namespace uttrin {
namespace {

using Json = nlohmann::ordered_json;
using Reader = JsonReader;

Json mercuryToJson(const MercuryReading& m) {
    Json j{{"main_scale", formatMeasure(m.mainScale, unit(m.unit))},
           {"main_division", m.mainDivision},
           {"vernier_divisions", m.vernierDivisions},
           {"vernier_line", m.vernierLine},
           {"attached", formatMeasure(m.attachedCelsius, unit("degC"))},
           {"scale", id(m.scale)},
           {"latitude_deg", m.latitudeDegrees},
           {"altitude", formatMeasure(m.altitudeM, unit("m"))},
           {"index", m.indexCorrection}};
    if (m.ticks) {
        j["ticked"] = Json::array();
        for (const BarometerTick& tick : barometerTicks())
            if ((*m.ticks).*tick.done) j["ticked"].push_back(tick.id);
    }
    return j;
}

void readMercuryFrom(Reader r, MercuryReading& m) {
    if (!r.has("main_scale"))
        r.refuse("main_scale", Text::tr("the barometer’s main scale as \"VALUE UNIT\""));
    Measure main{0.0, &unit("mmHg")};
    r.parsed("main_scale", main, [](std::string_view s) { return parseMeasure(s, Dimension::Pressure); });
    m.mainScale = main.number;
    m.unit = std::string(main.unit->symbol);
    r.number("main_division", m.mainDivision);
    r.count("vernier_divisions", m.vernierDivisions);
    r.count("vernier_line", m.vernierLine);
    r.parsed("attached", m.attachedCelsius, [](std::string_view s) {
        return parseTemperature(s).map([](Temperature t) { return t.celsius(); });
    });
    r.parsed("scale", m.scale, scaleMaterialFromId);
    r.number("latitude_deg", m.latitudeDegrees);
    r.parsed("altitude", m.altitudeM,
             [](std::string_view s) { return parseLength(s).map([](Length l) { return l.metre(); }); });
    r.number("index", m.indexCorrection);
    if (!r.has("ticked")) return;
    std::vector<std::string> ticked;
    r.strings("ticked", ticked);
    m.ticks.emplace();
    for (const std::string& word : ticked) {
        const auto tick = std::ranges::find(barometerTicks(), word, &BarometerTick::id);
        if (tick == barometerTicks().end())
            r.refuse("ticked", Text::tr("steps of {}", Text::list(barometerTicks(), &BarometerTick::id)));
        else
            (*m.ticks).*tick->done = true;
    }
}

constexpr std::pair<Reduction, std::string_view> kReductions[] = {
    {Reduction::Hypsometric, "hypsometric"},
    {Reduction::StandardAtmosphere, "standard-atmosphere"},
    {Reduction::AltimeterSetting, "altimeter-setting"}};

Result<Reduction> reductionFromId(std::string_view word) {
    for (const auto& [reduction, name] : kReductions)
        if (name == word) return reduction;
    return fail(Failure::BadInput, Text::tr("'{}' is not a reduction; accepted: {}", word,
                                            Text::list(kReductions, [](const auto& r) { return r.second; })));
}

} // namespace

Json roomToJson(const RoomEntry& e) {
    Json j{{"method", id(e.method)}};
    if (e.roomCelsius) j["room_temperature"] = formatMeasure(*e.roomCelsius, unit("degC"));
    if (e.method == RoomMethod::MercuryBarometer) {
        j["mercury"] = mercuryToJson(e.mercury);
        return j;
    }
    if (e.method != RoomMethod::Altitude) {
        j["reading"] = formatMeasure(e.value, unit(e.unit));
        j["uncertainty"] = formatMeasure(e.valueU, unit(e.unit));
    }
    const bool rests = e.method == RoomMethod::Altitude || e.method == RoomMethod::SeaLevelReport;
    if (rests || (e.method == RoomMethod::StationReport && e.altitudeM != 0.0)) // else it only compares
        j["altitude"] = formatMeasure(e.altitudeM, unit("m"));
    if (e.method == RoomMethod::SeaLevelReport) {
        j["air"] = formatMeasure(e.airCelsius, unit("degC"));
        for (const auto& [reduction, name] : kReductions)
            if (reduction == e.reduction) j["reduction"] = name;
    }
    if (e.method == RoomMethod::DeadHead && e.ultimatePa)
        j["ultimate"] = formatMeasure(*e.ultimatePa, unit("Pa"));
    return j;
}

void readRoomFrom(Reader r, RoomEntry& e) {
    r.parsed("method", e.method, roomMethodFromId);
    r.parsed("room_temperature", e.roomCelsius, [](std::string_view s) {
        return parseTemperature(s).map([](Temperature t) { return t.celsius(); });
    });
    if (e.method == RoomMethod::MercuryBarometer) return readMercuryFrom(r.child("mercury"), e.mercury);
    if (e.method != RoomMethod::Altitude) {
        Measure reading{0.0, &unit("hPa")}, u{0.0, nullptr};
        const auto measure = [](std::string_view s) { return parseMeasure(s, Dimension::Pressure); };
        if (!r.has("reading")) r.refuse("reading", Text::tr("the room’s pressure as \"VALUE UNIT\""));
        r.parsed("reading", reading, measure);
        r.parsed("uncertainty", u, measure);
        e.value = reading.number;
        e.unit = std::string(reading.unit->symbol);
        e.valueU = u.unit ? u.number * u.unit->factor / reading.unit->factor : 0.0;
    }
    r.parsed("altitude", e.altitudeM,
             [](std::string_view s) { return parseLength(s).map([](Length l) { return l.metre(); }); });
    r.parsed("air", e.airCelsius, [](std::string_view s) {
        return parseTemperature(s).map([](Temperature t) { return t.celsius(); });
    });
    r.parsed("reduction", e.reduction, reductionFromId);
    r.parsed("ultimate", e.ultimatePa, inPascal(parsePressureDifference)); // 0 for a pump that leaves nothing
}

/// Parses the text and lets `read` take what it wants from the root; checks nothing else.
Result<void> readObject(std::string_view text,
                        const std::function<void(Reader, std::optional<Failure>&)>& read) {
    const auto root = parseJson(text);
    if (!root) return tl::unexpected(root.error().failure());
    std::optional<Failure> failure;
    read(Reader(*root, "", failure), failure);
    if (failure) return tl::unexpected(*failure);
    return {};
}

std::string writeRoom(const RoomEntry& room) { return roomToJson(room).dump(); }

Result<RoomEntry> readRoom(std::string_view text) {
    RoomEntry room;
    const auto ok =
        readObject(text, [&](Reader r, std::optional<Failure>&) { readRoomFrom(std::move(r), room); });
    if (!ok) return tl::unexpected(ok.error());
    return room;
}

} // namespace uttrin
