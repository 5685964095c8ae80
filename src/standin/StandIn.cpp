#include "StandIn.h"

#include "physics/Constants.h"
#include "rig/Random.h"

#include <fmt/format.h>

#include <algorithm>
#include <array>
#include <cmath>

namespace uttrin {
namespace {

constexpr std::array<std::pair<std::string_view, StandInFault::Kind>, 5> kKinds{
    std::pair{std::string_view("gap"), StandInFault::Kind::Gap},
    {"rubbish", StandInFault::Kind::Rubbish},
    {"noise", StandInFault::Kind::Noise},
    {"unplugged", StandInFault::Kind::Unplugged},
    {"jump", StandInFault::Kind::ClockJump}};

const RigInstrument* instrumentOf(const RigSetup& setup, RigInstrument::Kind kind) {
    const auto at = std::ranges::find_if(setup.instruments, [&](const RigInstrument& i) {
        return i.kind == kind && i.vessel == setup.watched;
    });
    return at == setup.instruments.end() ? nullptr : &*at;
}

/// Between two samples, straight; the first or the last outside.
double between(const Rehearsal& r, const std::vector<double>& values, double seconds) {
    const std::size_t i = r.sampleAt(std::max(seconds, 0.0));
    if (i + 1 >= values.size()) return values.back();
    const double from = r.run.samples[i].seconds, to = r.run.samples[i + 1].seconds;
    return std::lerp(values[i], values[i + 1], std::clamp((seconds - from) / (to - from), 0.0, 1.0));
}

double inSteps(double value, double step) { return step > 0.0 ? step * std::round(value / step) : value; }

std::vector<double> truthOf(const Rehearsal& r, double VesselState::*part) {
    std::vector<double> values;
    for (std::size_t i = 0; i < r.run.samples.size(); ++i)
        values.push_back(r.watchedAt(i).*part);
    return values;
}

} // namespace

Result<StandInFault> readFault(std::string_view word) {
    const auto first = word.find(':'),
               second = word.find(':', first == std::string_view::npos ? first : first + 1);
    const auto wrong = [&] {
        return fail(Failure::BadInput,
                    Text::tr("'{}' is no fault; accepted: gap, rubbish, noise, unplugged or jump, with "
                             "when and for how long in seconds, such as gap:20:5",
                             std::string(word)));
    };
    if (second == std::string_view::npos) return wrong();
    const auto kind = std::ranges::find(kKinds, word.substr(0, first), &decltype(kKinds)::value_type::first);
    const auto from = parseNumber(std::string(word.substr(first + 1, second - first - 1)));
    const auto lasts = parseNumber(std::string(word.substr(second + 1)));
    if (kind == kKinds.end() || !from || !lasts || *from < 0.0 || !(*lasts > 0.0)) return wrong();
    return StandInFault{kind->second, *from, *lasts};
}

StandIn::StandIn(Rehearsal rehearsal, StandInSettings stand)
    : m_rehearsal(std::move(rehearsal)), m_stand(std::move(stand)) {
    if (const auto* gauge = instrumentOf(m_rehearsal.setup, RigInstrument::Gauge))
        m_pascalStep = gauge->resolution;
    if (const auto* t = instrumentOf(m_rehearsal.setup, RigInstrument::Thermometer))
        m_kelvinStep = t->resolution;
    // They look at it without their steps: those come last, on top of the noise.
    for (RigInstrument& i : m_rehearsal.setup.instruments)
        i.resolution = i.noise = 0.0;
    readInstruments(m_rehearsal);
}

Result<StandIn> StandIn::make(const RigFile& rig, const std::vector<RigSetting>& settings,
                              StandInSettings stand) {
    auto rehearsal = rehearse(rig, settings);
    if (!rehearsal) return tl::unexpected(rehearsal.error());
    if (!instrumentOf(rehearsal->setup, RigInstrument::Gauge) &&
        !instrumentOf(rehearsal->setup, RigInstrument::Thermometer))
        return fail(Failure::BadInput,
                    Text::tr("nothing reads the vessel of this rig: it has neither a gauge nor a "
                             "thermometer"));
    return StandIn(std::move(*rehearsal), std::move(stand));
}

StandIn::Shown StandIn::shownAt(double seconds) const {
    const auto value = [&](RigInstrument::Kind kind, double VesselState::*truth) {
        const auto* shown = shownOf(m_rehearsal, kind, m_rehearsal.setup.watched);
        return between(m_rehearsal, shown ? *shown : truthOf(m_rehearsal, truth), seconds);
    };
    constexpr double kMoreNoise = 10.0, kLeastPascal = 100.0, kLeastKelvin = 0.2, kTicks = 1000.0;
    NormalNumbers normal(m_stand.seed * 1'000'003 +
                         static_cast<std::uint64_t>(std::llround(kTicks * std::max(0.0, seconds))));
    const bool noisy = suffers(StandInFault::Kind::Noise, seconds);
    const auto noise = [&](double usual, double least) {
        return (noisy ? kMoreNoise * usual + least : usual) * normal.next();
    };
    Shown s;
    s.pascal = inSteps(value(RigInstrument::Gauge, &VesselState::pascal) + m_stand.zeroPascal +
                           noise(m_stand.noisePascal, kLeastPascal),
                       m_pascalStep);
    s.kelvin = kIcePointKelvin + inSteps(value(RigInstrument::Thermometer, &VesselState::kelvin) -
                                             kIcePointKelvin + noise(m_stand.noiseKelvin, kLeastKelvin),
                                         m_kelvinStep);
    return s;
}

bool StandIn::suffers(StandInFault::Kind kind, double seconds) const {
    return std::ranges::any_of(m_stand.faults, [&](const StandInFault& f) {
        return f.kind == kind && seconds >= f.from && seconds < f.from + f.lasts;
    });
}

std::string StandIn::lineAt(double seconds) const {
    if (suffers(StandInFault::Kind::Gap, seconds) || suffers(StandInFault::Kind::Unplugged, seconds))
        return {};
    if (suffers(StandInFault::Kind::Rubbish, seconds)) return "\xff\x01#?~\n";
    const Shown s = shownAt(seconds);
    return fmt::format("{:.3f} kPa {:.2f} C\r\n", s.pascal * 1e-3, s.kelvin - kIcePointKelvin);
}

std::string StandIn::fileHeader() {
    return "Time (s);Temperature (\xC2\xB0"
           "C);Pressure (kPa)\n";
}

std::string StandIn::fileLineAt(double seconds) const {
    if (suffers(StandInFault::Kind::Gap, seconds) || suffers(StandInFault::Kind::Unplugged, seconds))
        return {};
    if (suffers(StandInFault::Kind::Rubbish, seconds)) return "\xff\x01#?~\n";
    double clock = seconds;
    for (const StandInFault& f : m_stand.faults)
        if (f.kind == StandInFault::Kind::ClockJump && seconds >= f.from) clock += f.lasts;
    const Shown s = shownAt(seconds);
    std::string line =
        fmt::format("{:.2f};{:.2f};{:.3f}\n", clock, s.kelvin - kIcePointKelvin, s.pascal * 1e-3);
    std::ranges::replace(line, '.', ',');
    return line;
}

} // namespace uttrin
