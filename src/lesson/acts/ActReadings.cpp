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

const Thermometer* thermometerCalled(const LessonModel& model, const std::string& name) {
    for (const Setup& setup : model.data().setups)
        if (model.hasPlan(setup.id))
            if (const Thermometer& t = model.plan(setup.id).rig.thermometer; t.name == name) return &t;
    return nullptr;
}

} // namespace

bool WayToRead::isTemperature() const {
    return unit == "ohm" || findUnit(unit, Dimension::Temperature).has_value();
}

std::string_view shownUnit(const std::string& symbol) {
    for (const Dimension d : allDimensions())
        if (const auto found = findUnit(symbol, d)) return (*found)->display;
    return symbol == "ohm" ? "Ω" : std::string_view(symbol);
}

std::vector<WayToRead> waysToRead(const LessonModel& model, const std::string& measures) {
    std::vector<WayToRead> ways;
    if (!measures.empty() && !findUnit(measures, Dimension::Temperature))
        ways.push_back({findUnit(measures, Dimension::Mass) ? Text::tr("balance, {}", std::string(shownUnit(measures)))
                                                            : Text::set("{}", std::string(shownUnit(measures))),
                        {}, measures, shownUnit(measures)});
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
    if (const Thermometer* t = stamp.instrument.empty() ? nullptr
                                                        : thermometerCalled(model, stamp.instrument)) {
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
