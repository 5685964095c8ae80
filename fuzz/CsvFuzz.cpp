#include "lesson/exchange/ReadingsCsv.h"
#include "plan/PlanJson.h"

#include <cstdint>
#include <cstdlib>

// Any text gives readings with a plan that makes sense, or a failure with a sentence.
extern "C" int LLVMFuzzerTestOneInput(const std::uint8_t* data, std::size_t size) {
    const auto in = uttrin::readReadingsCsv({reinterpret_cast<const char*>(data), size});
    if (!in && in.error().message.empty()) std::abort();
    if (!in) return 0;
    if (in->readings.empty()) std::abort();
    if (!uttrin::check(in->plan)) std::abort();
    return 0;
}
