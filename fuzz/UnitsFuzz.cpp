#include "quantities/Units.h"

#include <cmath>
#include <cstdint>
#include <cstdlib>

// Any text is a finite measure or a failure with a sentence; a measure writes and reads back as itself.
extern "C" int LLVMFuzzerTestOneInput(const std::uint8_t* data, std::size_t size) {
    const std::string_view text(reinterpret_cast<const char*>(data), size);
    using namespace uttrin;
    for (const auto dimension : {Dimension::Pressure, Dimension::Temperature, Dimension::Length}) {
        const auto m = parseMeasure(text, dimension);
        if (!m && m.error().message.empty()) std::abort();
        if (!m) continue;
        if (!std::isfinite(m->number)) std::abort();
        const auto back = parseMeasure(formatMeasure(m->number, *m->unit), dimension);
        if (!back || back->number != m->number || back->unit != m->unit) std::abort();
    }
    if (const auto p = parsePressure(text); p && !(p->pascal() > 0.0)) std::abort();
    (void)parseTemperature(text);
    (void)parseTemperatureDifference(text);
    return 0;
}
