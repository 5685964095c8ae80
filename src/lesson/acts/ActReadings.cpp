#include "ActReadings.h"

#include "quantities/Rounding.h"

#include <algorithm>
#include <cmath>

namespace uttrin {
namespace {

constexpr double kPlainU = 0.5; // K, of a thermometer of which nothing is known, read before a class
constexpr double kHandU = 3.0;  // K, of what a hand feels

struct PlainUnit {
    Phrase says;
    const char* unit;
};
constexpr PlainUnit kPlain[] = {{Text::phrase("thermometer, °C"), "degC"},
                                {Text::phrase("thermometer, °F"), "degF"},
                                {Text::phrase("thermometer, K"), "K"}};

// What the figures of a plain gauge count from.
constexpr Phrase kAbsolute = Text::phrase("absolute"), kFromRoom = Text::phrase("against the room");

template <typename Instrument>
const Instrument* called(const LessonModel& model, const std::string& name, Instrument Rig::*which) {
    for (const Setup& setup : model.data().setups)
        if (model.hasPlan(setup.id))
            if (const Instrument& i = model.plan(setup.id).rig.*which; i.name == name) return &i;
    return nullptr;
}

/// Gauges for a unit: those of the lesson's rigs that show one figure, then plain ones.
std::vector<WayToRead> gauges(const LessonModel& model, const std::string& unit) {
    std::vector<WayToRead> ways;
    for (const Setup& setup : model.data().setups) {
        if (!model.hasPlan(setup.id)) continue;
        const PressureInstrument& g = model.plan(setup.id).rig.gauge;
        if (hasTwoArms(g.convention) || std::ranges::find(ways, g.name, &WayToRead::instrument) != ways.end())
            continue;
        ways.push_back({Text::set("{}, {}", Text::typed(g.name), unitText(g)), g.name, g.unit, unitText(g)});
    }
    for (const Phrase& from : {kAbsolute, kFromRoom})
        ways.push_back({Text::tr("gauge, {}, {}", Text(from), std::string(shownUnit(unit))),
                        {},
                        unit,
                        shownUnit(unit),
                        plain(Text(from))});
    return ways;
}

} // namespace

bool WayToRead::isTemperature() const {
    return unit == "ohm" || findUnit(unit, Dimension::Temperature).has_value();
}

std::string_view shownUnit(const std::string& symbol) {
    if (const Unit* found = anyUnit(symbol)) return found->display;
    return symbol == "ohm" ? "Ω" : std::string_view(symbol);
}

std::vector<WayToRead> waysToRead(const LessonModel& model, const std::string& measures) {
    std::vector<WayToRead> ways;
    if (findUnit(measures, Dimension::Pressure))
        ways = gauges(model, measures);
    else if (!measures.empty() && !findUnit(measures, Dimension::Temperature))
        ways.push_back({findUnit(measures, Dimension::Mass)
                            ? Text::tr("balance, {}", std::string(shownUnit(measures)))
                            : Text::set("{}", std::string(shownUnit(measures))),
                        {},
                        measures,
                        shownUnit(measures)});
    for (const PlainUnit& p : kPlain)
        ways.push_back({p.says, {}, p.unit, unit(p.unit).display});
    for (const Setup& setup : model.data().setups) {
        if (!model.hasPlan(setup.id)) continue;
        const Thermometer& t = model.plan(setup.id).rig.thermometer;
        if (std::ranges::find(ways, t.name, &WayToRead::instrument) != ways.end()) continue;
        ways.push_back({Text::set("{}, {}", Text::typed(t.name), readingUnit(t)), t.name,
                        readsOhms(t) ? "ohm" : t.unit, readingUnit(t)});
    }
    return ways;
}

std::optional<StampedTemperature> temperatureOf(const LessonModel& model, const Stamp& stamp) {
    if (stamp.kind != StampKind::Read || !stamp.value) return std::nullopt;
    StampedTemperature read;
    const auto& places = placesRead();
    read.ofTheLiquid = stamp.place.empty() || stamp.place == plain(places.front());
    if (const Thermometer* t =
            stamp.instrument.empty() ? nullptr : called(model, stamp.instrument, &Rig::thermometer)) {
        const auto k = toTemperature(*t, *stamp.value, stamp.takenAt);
        if (!k) return std::nullopt;
        read.kelvin = k->temperature.kelvin();
        read.u = k->u();
        return read;
    }
    const auto in = findUnit(stamp.unit, Dimension::Temperature);
    if (!in) return std::nullopt;
    read.kelvin = (*in)->toSi(*stamp.value);
    read.u = stamp.place == plain(places.back()) ? kHandU : kPlainU;
    return read.kelvin > 0.0 ? std::optional(read) : std::nullopt;
}

std::optional<bool> isInBand(const ForecastBand& band, double seconds, const Stamp& stamp,
                             const StampedTemperature& read) {
    const auto k = read.ofTheLiquid ? band.at(seconds) : std::nullopt;
    if (!k) return std::nullopt;
    // "Under 60" is outside of a band that lies above 60, not of one below it.
    return (stamp.bound == StampBound::Above || read.kelvin >= k->low) &&
           (stamp.bound == StampBound::Below || read.kelvin <= k->high);
}

std::optional<StampedPressure> pressureOf(const LessonModel& model, const Stamp& stamp,
                                          const std::optional<RoomPressure>& room) {
    if (stamp.kind != StampKind::Read || !stamp.value) return std::nullopt;
    PressureInstrument plainGauge;
    const PressureInstrument* gauge =
        stamp.instrument.empty() ? &plainGauge : called(model, stamp.instrument, &Rig::gauge);
    if (!gauge || !findUnit(stamp.unit, Dimension::Pressure)) return std::nullopt;
    plainGauge.unit = stamp.unit;
    plainGauge.convention = stamp.place == plain(Text(kFromRoom)) ? PressureConvention::GaugeNegative
                                                                  : PressureConvention::Absolute;
    // Of a gauge of which nothing is known: good to a percent of the room.
    constexpr double kPlainGauge = 1000.0; // Pa, its limits of error
    plainGauge.accuracy = kPlainGauge / pascalPerScaleUnit(plainGauge);
    const auto read = toAbsolute(*gauge, {*stamp.value, std::nullopt}, room);
    if (!read) return std::nullopt;
    return StampedPressure{read->pressure.pascal(), read->u()};
}

Text byGroup(const LessonModel& model, const Stamp& stamp, const Text& what) {
    return stamp.groupId ? Text::set("{}: {}", Text::typed(model.group(*stamp.groupId).name), what) : what;
}

Text readingText(const Stamp& s) {
    Text read = Text::typed(s.what);
    if (s.value) {
        const Text figure =
            Text::set("{} {}", fixed(*s.value, decimalsTyped(*s.value)), std::string(shownUnit(s.unit)));
        read = s.bound == StampBound::Below   ? Text::tr("under {}", figure)
               : s.bound == StampBound::Above ? Text::tr("over {}", figure)
                                              : figure;
    }
    if (!s.instrument.empty()) read = Text::tr("{}, {}", read, Text::typed(s.instrument));
    return s.place.empty() ? read : Text::tr("{}, {}", read, Text::data(s.place));
}

const std::vector<Text>& placesRead() {
    static const std::vector<Text> kPlaces{Text::phrase("in the liquid"), Text::phrase("on the glass"),
                                           Text::phrase("in the vapour"), Text::phrase("by hand")};
    return kPlaces;
}

} // namespace uttrin
