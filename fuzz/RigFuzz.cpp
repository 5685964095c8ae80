#include "rehearsal/Rehearsal.h"

#include <cmath>
#include <cstdint>
#include <cstdlib>

// Any text is a rig that writes and reads back, or a failure with a sentence; a rig goes for a little while
// with finite numbers, or says why it ends.
extern "C" int LLVMFuzzerTestOneInput(const std::uint8_t* data, std::size_t size) {
    using namespace uttrin;
    const auto file = RigFile::parse({reinterpret_cast<const char*>(data), size});
    if (!file && file.error().message.empty()) std::abort();
    if (!file) return 0;
    if (!RigFile::parse(file->text({}, file->name()))) std::abort();
    const auto setup = file->setup();
    const auto fluid = rigFluid(setup->substance);
    int left = 20; // samples
    const auto run = simulate(setup->model, *fluid, std::min(setup->seconds, 60.0), 3.0, setup->moves,
                              [&left] { return --left > 0; });
    if (!run && run.error().message.empty()) std::abort();
    if (!run) return 0;
    for (const RigSample& s : run->samples)
        for (const VesselState& v : s.vessels)
            if (!std::isfinite(v.pascal) || !std::isfinite(v.kelvin)) std::abort();
    return 0;
}
