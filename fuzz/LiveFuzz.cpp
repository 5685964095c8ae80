// Bytes as an instrument may send them, profiles as people may write them, traces as loggers may leave them:
// none of them may end the program, and what is read holds numbers.
#include "live/LineSplitter.h"
#include "live/LiveMoment.h"
#include "live/LiveRecorder.h"
#include "live/ShippedProfiles.h"
#include "plan/FillTally.h"
#include "plan/ReadOrder.h"
#include "register/InstrumentRegister.h"
#include "substances/SubstanceLibrary.h"
#include "trace/BoilingTurns.h"
#include "trace/HandPump.h"
#include "trace/LeakTest.h"
#include "trace/LoggerFile.h"
#include "trace/PackedSamples.h"
#include "trace/PumpDown.h"
#include "trace/Steady.h"
#include "trace/TraceCsv.h"

#include <cmath>
#include <cstdlib>

using namespace uttrin;

namespace {

void check(const TraceChannel& channel) {
    for (std::size_t i = 0; i < channel.size(); ++i)
        if (!std::isfinite(channel.values[i]) || (i > 0 && channel.seconds[i] <= channel.seconds[i - 1]))
            std::abort();
}

void listen(const LiveProfile& profile, std::string_view bytes) {
    LineSplitter splitter(profile.terminator);
    LiveRecorder recorder(profile, 94310.0);
    double at = 0.0;
    while (!bytes.empty()) {
        // Pieces of many sizes: split at every place in time.
        const std::size_t piece = 1 + static_cast<unsigned char>(bytes.front()) % 23;
        for (const std::string& line : splitter.feed(bytes.substr(0, piece)))
            (void)recorder.take(line, at += 0.01);
        bytes.remove_prefix(std::min(piece, bytes.size()));
    }
    (void)recorder.take(splitter.rest(), at);
    check(recorder.trace().pascal);
    check(recorder.trace().kelvin);
}

void judge(const Trace& trace) {
    (void)steadyStretches(trace, water(), {0.1, 10.0});
    if (const auto test = testForLeak(trace.pascal, {1e-3, 94310.0, {}});
        test && !std::isfinite(test->spread))
        std::abort();
    (void)boilingTurns(
        trace, [](double pascal) { return std::optional(300.0 + 1e-3 * pascal); }, 0.3);
    (void)fitPumpDown(trace.pascal, 1e-3);
    if (const auto pump = fitStrokes(trace.pascal, 1e-3); pump && !(pump->ratio > 0.0 && pump->ratio < 1.0))
        std::abort();
}

} // namespace

extern "C" int LLVMFuzzerTestOneInput(const unsigned char* data, std::size_t size) {
    const std::string_view text(reinterpret_cast<const char*>(data), size);
    for (const ShippedProfile& shipped : shippedProfiles())
        listen(shipped.profile, text);
    for (const char decimal : {'.', ','})
        for (const FoundNumber& number : findNumbers(text, decimal))
            (void)unitBehind(text, number);
    if (const auto profile = readProfileFile(text)) listen(*profile, "P=1.5 T=2\n-3e5;4,5\n");
    if (const auto layout = guessLayout(text))
        if (const auto read = readLogger(text, *layout, 94310.0)) {
            check(read->trace.pascal);
            check(read->trace.kelvin);
        }
    if (const auto packed = unpackSamples(std::as_bytes(std::span(data, size)))) {
        for (const double value : packed->values)
            if (!std::isfinite(value)) std::abort();
        (void)risesSince(*packed);
    }
    (void)readOrderOf(text);
    if (const auto filling = fillingOf(text); filling && fillingOf(noteOf(*filling)) != filling) std::abort();
    if (const auto known = readKnown(text))
        if (const auto back = readKnown(writeKnown(*known));
            !back || back->zeros != known->zeros || back->way != known->way)
            std::abort();
    if (size < 4000) // a fit takes its time
        if (const auto trace = readTraceCsv(text)) {
            check(trace->pascal);
            check(trace->kelvin);
            judge(*trace);
        }
    return 0;
}
