#include "ShownInstruments.h"

#include "physics/Constants.h"
#include "quantities/Units.h"
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

double inSteps(double value, double step) { return step > 0.0 ? step * std::round(value / step) : value; }

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

ShownInstruments::Shown ShownInstruments::shownAt(double seconds) {
    constexpr double kMoreNoise = 10.0, kLeastPascal = 100.0, kLeastKelvin = 0.2, kTicks = 1000.0;
    NormalNumbers normal(m_settings.seed * 1'000'003 +
                         static_cast<std::uint64_t>(std::llround(kTicks * std::max(0.0, seconds))));
    const bool noisy = suffers(StandInFault::Kind::Noise, seconds);
    const auto noise = [&](double usual, double least) {
        return (noisy ? kMoreNoise * usual + least : usual) * normal.next();
    };
    Shown s = followed(seconds);
    s.pascal = inSteps(s.pascal + m_settings.zeroPascal + noise(m_settings.noisePascal, kLeastPascal),
                       m_pascalStep);
    s.kelvin = kIcePointKelvin +
               inSteps(s.kelvin - kIcePointKelvin + noise(m_settings.noiseKelvin, kLeastKelvin), m_kelvinStep);
    return s;
}

bool ShownInstruments::suffers(StandInFault::Kind kind, double seconds) const {
    return std::ranges::any_of(m_settings.faults, [&](const StandInFault& f) {
        return f.kind == kind && seconds >= f.from && seconds < f.from + f.lasts;
    });
}

std::string ShownInstruments::lineAt(double seconds) {
    if (suffers(StandInFault::Kind::Gap, seconds) || suffers(StandInFault::Kind::Unplugged, seconds))
        return {};
    if (suffers(StandInFault::Kind::Rubbish, seconds)) return "\xff\x01#?~\n";
    const Shown s = shownAt(seconds);
    return fmt::format("{:.3f} kPa {:.2f} C\r\n", s.pascal * 1e-3, s.kelvin - kIcePointKelvin);
}

std::string ShownInstruments::fileHeader() {
    return "Time (s);Temperature (\xC2\xB0"
           "C);Pressure (kPa)\n";
}

std::string ShownInstruments::fileLineAt(double seconds) {
    if (suffers(StandInFault::Kind::Gap, seconds) || suffers(StandInFault::Kind::Unplugged, seconds))
        return {};
    if (suffers(StandInFault::Kind::Rubbish, seconds)) return "\xff\x01#?~\n";
    double clock = seconds;
    for (const StandInFault& f : m_settings.faults)
        if (f.kind == StandInFault::Kind::ClockJump && seconds >= f.from) clock += f.lasts;
    const Shown s = shownAt(seconds);
    std::string line =
        fmt::format("{:.2f};{:.2f};{:.3f}\n", clock, s.kelvin - kIcePointKelvin, s.pascal * 1e-3);
    std::ranges::replace(line, '.', ',');
    return line;
}

} // namespace uttrin
