#include "InstrumentRegister.h"

#include "files/UserFolder.h"
#include "json/JsonReader.h"
#include "plan/PlanJson.h"
#include "plan/RoomJson.h"

#include <nlohmann/json.hpp>

#include <algorithm>

namespace uttrin {
namespace {

using Json = nlohmann::ordered_json;

constexpr std::size_t kMostZeros = 200;
constexpr std::int64_t kDay = 86'400'000; // ms

void readZeros(JsonReader& parent, std::optional<Failure>& failure,
               std::vector<KnownInstrument::Zero>& zeros) {
    const Json* list = parent.at("zeros");
    if (!list) return;
    if (!list->is_array() || list->size() > kMostZeros)
        return parent.refuse("zeros", Text::tr("a list of at most {} objects", kMostZeros));
    for (std::size_t i = 0; i < list->size() && !failure; ++i) {
        JsonReader r((*list)[i], parent.pointer("zeros") + "/" + std::to_string(i), failure);
        KnownInstrument::Zero zero;
        r.require("at_ms", Text::tr("milliseconds since 1970-01-01 UTC"));
        r.moment("at_ms", zero.atMs);
        r.number("first", zero.reading.first);
        if (r.has("second")) r.number("second", zero.reading.second.emplace());
        r.onlyKnown();
        zeros.push_back(zero);
    }
}

/// What the file has as an object, read as a plan reads it.
template <typename T>
void readAs(JsonReader& r, std::optional<Failure>& failure, const char* key, std::optional<T>& into,
            Result<T> (*read)(std::string_view)) {
    const Json* object = r.at(key);
    if (!object || failure) return;
    auto one = read(object->dump());
    if (one)
        into = std::move(*one);
    else
        failure = Failure{one.error().kind, Text::set("{}: {}", r.path(key), one.error().message)};
}

} // namespace

std::string writeKnown(const KnownInstrument& i) {
    Json j{{"name", i.name}};
    if (i.gauge) j["gauge"] = Json::parse(writeInstrument(*i.gauge));
    if (i.thermometer) j["thermometer"] = Json::parse(writeInstrument(*i.thermometer));
    const std::size_t first = i.zeros.size() > kMostZeros ? i.zeros.size() - kMostZeros : 0;
    for (std::size_t z = first; z < i.zeros.size(); ++z) {
        Json zero{{"at_ms", i.zeros[z].atMs}, {"first", i.zeros[z].reading.first}};
        if (i.zeros[z].reading.second) zero["second"] = *i.zeros[z].reading.second;
        j["zeros"].push_back(std::move(zero));
    }
    if (i.calibratedMs) j["calibrated_ms"] = *i.calibratedMs;
    if (!i.way.profile.empty()) j["profile"] = i.way.profile;
    if (Json made = Json::parse(i.way.made, nullptr, false); made.is_object())
        j["own_profile"] = std::move(made);
    if (!i.way.endpoint.empty()) j["endpoint"] = i.way.endpoint;
    return j.dump(2, ' ', false, Json::error_handler_t::replace) + "\n";
}

Result<KnownInstrument> readKnown(std::string_view text) {
    KnownInstrument known;
    const auto ok = readObject(text, [&](JsonReader r, std::optional<Failure>& failure) {
        r.require("name", Text::tr("what the instrument is called, in quotes"));
        r.string("name", known.name);
        readAs(r, failure, "gauge", known.gauge, &readGauge);
        readAs(r, failure, "thermometer", known.thermometer, &readThermometer);
        readZeros(r, failure, known.zeros);
        if (r.has("calibrated_ms")) r.moment("calibrated_ms", known.calibratedMs.emplace());
        r.string("profile", known.way.profile);
        if (const Json* made = r.at("own_profile")) {
            if (!made->is_object()) r.refuse("own_profile", Text::tr("an object"));
            known.way.made = made->dump();
        }
        r.string("endpoint", known.way.endpoint);
        r.onlyKnown();
    });
    if (!ok) return tl::unexpected(ok.error());
    if (known.gauge.has_value() == known.thermometer.has_value())
        return fail(Failure::BadInput, Text::tr("an instrument is a \"gauge\" or a \"thermometer\""));
    return known;
}

Text remarkOn(const KnownInstrument& i, std::int64_t nowMs) {
    constexpr std::int64_t kOld = 365;
    std::vector<Text> remarks;
    std::optional<std::int64_t> calibrated = i.calibratedMs;
    if (i.thermometer && !i.thermometer->calibrations.empty())
        calibrated = i.thermometer->calibrations.back().atMs;
    if (!calibrated)
        remarks.push_back(Text::tr("Never calibrated."));
    else if (const std::int64_t days = (nowMs - *calibrated) / kDay; days > kOld)
        remarks.push_back(Text::tr("Its calibration is {} days old: look at it again.", days));
    if (i.gauge && i.zeros.size() >= 2) {
        const auto& last = i.zeros.back().reading;
        const auto& before = i.zeros[i.zeros.size() - 2].reading;
        if (zeroJumped(*i.gauge, before, last))
            remarks.push_back(Text::tr("Its zero jumped from {} to {} {}.", uttrin::text(*i.gauge, before),
                                       uttrin::text(*i.gauge, last), unitText(*i.gauge)));
    }
    return Text::sentences(remarks);
}

KnownInstrument merged(KnownInstrument known, const KnownInstrument& other) {
    for (const KnownInstrument::Zero& zero : other.zeros)
        if (std::ranges::find(known.zeros, zero) == known.zeros.end()) known.zeros.push_back(zero);
    std::ranges::stable_sort(known.zeros, {}, &KnownInstrument::Zero::atMs);
    known.calibratedMs = std::max(known.calibratedMs, other.calibratedMs); // nothing is before all
    if (known.way.profile.empty()) known.way = other.way;
    return known;
}

bool isSame(const KnownInstrument& a, const KnownInstrument& b) {
    return a.name == b.name && a.gauge.has_value() == b.gauge.has_value();
}

InstrumentRegister ownInstruments() { return InstrumentRegister(userDataFolder() / "instruments"); }

InstrumentRegister::Shelf InstrumentRegister::shelf() const {
    Shelf shelf;
    shelf.troubles = m_files.read([&](const std::string& id, const std::string& text) {
        return readKnown(text).map([&](auto one) {
            one.id = id;
            shelf.instruments.push_back(std::move(one));
        });
    });
    std::ranges::stable_sort(shelf.instruments, {}, &KnownInstrument::name);
    return shelf;
}

Result<std::string> InstrumentRegister::keep(const KnownInstrument& instrument) const {
    const std::string text = writeKnown(instrument);
    if (const auto back = readKnown(text); !back) return tl::unexpected(back.error());
    return m_files.keep(instrument.name, text);
}

Result<void> InstrumentRegister::change(const std::function<bool(const KnownInstrument&)>& is,
                                        const std::function<void(KnownInstrument&)>& how) const {
    std::vector<KnownInstrument> all = shelf().instruments;
    const auto known = std::ranges::find_if(all, is);
    if (known == all.end()) return {};
    how(*known);
    const auto kept = keep(*known);
    return kept ? Result<void>() : tl::unexpected(kept.error());
}

Result<void> InstrumentRegister::addZero(const std::string& name, const KnownInstrument::Zero& zero) const {
    return change([&](const KnownInstrument& known) { return known.gauge && known.name == name; },
                  [&](KnownInstrument& known) { known.zeros.push_back(zero); });
}

Result<void> InstrumentRegister::addWay(const std::string& name, const KnownInstrument::Way& way) const {
    return change([&](const KnownInstrument& known) { return known.name == name; },
                  [&](KnownInstrument& known) { known.way = way; });
}

std::vector<KnownInstrument> InstrumentRegister::heardOf(const Rig& rig) const {
    std::vector<KnownInstrument> heard;
    for (KnownInstrument& known : shelf().instruments) {
        const bool ofTheRig = known.gauge ? known.name == rig.gauge.name : known.name == rig.thermometer.name;
        const bool isNew = std::ranges::none_of(
            heard, [&](const KnownInstrument& other) { return other.way.endpoint == known.way.endpoint; });
        if (ofTheRig && isNew && !known.way.profile.empty() && !known.way.endpoint.empty())
            heard.push_back(std::move(known));
    }
    return heard;
}

} // namespace uttrin
