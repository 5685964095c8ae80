#include "lesson/acts/ActRig.h"
#include "lesson/exchange/ActsExchange.h"
#include "lesson/exchange/ObservedCsv.h"

#include <cmath>
#include <cstdint>
#include <cstdlib>

namespace {

template <typename T>
void mustSayWhy(const uttrin::Result<T>& read) {
    if (!read && read.error().message.empty()) std::abort();
}

} // namespace

// Any text is acts, readings or the rig of an act, or a failure with a sentence; what was read is finite, and
// the rig of an act reads back.
extern "C" int LLVMFuzzerTestOneInput(const std::uint8_t* data, std::size_t size) {
    using namespace uttrin;
    const std::string_view text(reinterpret_cast<const char*>(data), size);
    const auto json = readActsJson(text);
    const auto csv = readActsCsv(text);
    mustSayWhy(json);
    mustSayWhy(csv);
    for (const auto* read : {&json, &csv})
        if (*read)
            for (const ImportedAct& act : (*read)->acts)
                for (const Stamp& s : act.stamps)
                    if (s.value && !std::isfinite(*s.value)) std::abort();
    const auto observed = readObservedCsv(text, 0.5, {});
    mustSayWhy(observed);
    if (observed)
        for (const auto& r : observed->observed.readings)
            if (!std::isfinite(r.seconds) || !std::isfinite(r.kelvin)) std::abort();
    const auto rig = readActRig(std::string(text));
    mustSayWhy(rig);
    if (rig && !readActRig(writeActRig(*rig))) std::abort();
    return 0;
}
