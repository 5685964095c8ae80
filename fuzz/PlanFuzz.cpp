#include "plan/PlanJson.h"
#include "plan/RunSheet.h"

#include <cstdint>
#include <cstdlib>

// Any text is a plan that writes and reads back as itself, or a failure with a sentence; a plan gives a run
// sheet or says why not.
extern "C" int LLVMFuzzerTestOneInput(const std::uint8_t* data, std::size_t size) {
    using namespace uttrin;
    const auto file = readPlanFile({reinterpret_cast<const char*>(data), size});
    if (!file && file.error().message.empty()) std::abort();
    if (!file) return 0;
    const std::string once = writePlanFile(*file);
    const auto back = readPlanFile(once);
    if (!back || writePlanFile(*back) != once) std::abort();
    const auto room = stationPressure(file->room);
    if (room) (void)makeRunSheet(file->plan, *room);
    return 0;
}
