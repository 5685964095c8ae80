#include "substances/SubstanceFile.h"

#include <cmath>
#include <cstdint>
#include <cstdlib>
#include <stdexcept>

// Any text is a substance whose curve rises and inverts, or complaints that each say something.
extern "C" int LLVMFuzzerTestOneInput(const std::uint8_t* data, std::size_t size) {
    auto read = uttrin::readSubstanceFile({reinterpret_cast<const char*>(data), size}, "fuzz.json");
    if (!read) {
        if (read.error().empty()) std::abort();
        for (const auto& problem : read.error())
            if (problem.what.empty()) std::abort();
        return 0;
    }
    try {
        const uttrin::Substance substance(std::move(*read));
        const auto low = substance.vapourPressure(substance.facts().lowest);
        if (!low || !std::isfinite(low->pascal())) std::abort();
        if (!substance.boilingPoint(*low)) std::abort();
    } catch (const std::logic_error&) {
        // Branches that do not meet; the library says so to the person.
    }
    return 0;
}
