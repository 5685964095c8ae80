#include "rehearsal/learning/FaultSearch.h"

#include "rehearsal/CoolingFit.h"
#include "rehearsal/Demonstrations.h"
#include "rehearsal/Observed.h"
#include "support/DrawnRig.h"

#include <gtest/gtest.h>

#include <cstdlib>

namespace uttrin {
namespace {

/// A demonstration as somebody conducted it: read every so often to half a kelvin, what was seen stamped some
/// seconds late, moves stamped.
Observed conducted(const RigFile& rig, const std::vector<RigSetting>& truth, std::uint64_t seed) {
    NormalNumbers normal(seed);
    const Rehearsal r = *rehearse(rig, testing::drawnRig(rig, truth, normal));
    const double clock = clockStart(r), lasts = std::min(3600.0, r.run.samples.back().seconds - clock);
    Observed o;
    o.now = lasts;
    const double every = lasts > 1800.0 ? 300.0 : 60.0;
    for (double at = every; at < lasts; at += every)
        o.readings.push_back({Observed::Reading::Is, at, kelvinFromClock(r, at) + 0.5 * normal.next(), 0.5});
    for (const RigEvent& e : r.run.events) {
        const double at = e.seconds - clock;
        if (at > lasts) break;
        const bool begins = e.kind == RigEventKind::BoilingStarts;
        if (begins || e.kind == RigEventKind::BoilingStops)
            o.boiling.push_back({at + 4.0 + 3.0 * normal.next(), begins});
        if (e.kind == RigEventKind::Moved && e.part > r.setup.clockMove) o.moves.push_back({e.part, at});
    }
    std::ranges::sort(o.boiling, {}, &Observed::Boiling::seconds);
    return o;
}

/// Acts of each kind; UTTRIN_ACTS=16 makes a hundred with a fault.
int acts() {
    const char* said = std::getenv("UTTRIN_ACTS");
    return said ? std::atoi(said) : 1;
}

TEST(FaultSearch, NamesTheFaultAndIsSilentOnGoodOnes) {
    int right = 0, faulty = 0, silent = 0, good = 0;
    for (const char* id : {"sealed-flask", "bell-jar"}) {
        const RigFile& rig = findDemonstration(id)->rig;
        for (int i = 0; i < 2 * acts(); ++i, ++good) {
            const auto found = searchFault(rig, {}, conducted(rig, {}, static_cast<std::uint64_t>(900 + i)));
            ASSERT_TRUE(found) << found.error().message;
            silent += found->asForeseen ? 1 : 0;
            EXPECT_TRUE(!found->asForeseen || found->candidates.empty());
        }
        for (const RigFault& fault : rig.faults())
            for (int i = 0; i < acts(); ++i, ++faulty) {
                const auto& truth = fault.tries[static_cast<std::size_t>(i) % fault.tries.size()];
                const auto found =
                    searchFault(rig, {}, conducted(rig, truth, static_cast<std::uint64_t>(300 + i)));
                ASSERT_TRUE(found) << found.error().message;
                // What cannot be told apart is named together, and no more than that.
                EXPECT_LE(found->candidates.size(), 3U);
                right += std::ranges::find(found->candidates, fault.name, &FaultFinding::Candidate::name) !=
                                 found->candidates.end()
                             ? 1
                             : 0;
            }
    }
    std::printf("right in %d of %d, silent on %d of %d\n", right, faulty, silent, good);
    EXPECT_GE(right, static_cast<int>(0.85 * faulty));
    EXPECT_GE(silent, static_cast<int>(0.95 * good) - 1);
}

// A step straight to where the slopes point ended one in twenty of them kelvins away.
TEST(FaultSearch, NoFlaskIsLeftFurtherFromItsReadingsThanTheyAreGood) {
    const RigFile& rig = findDemonstration("sealed-flask")->rig;
    for (std::uint64_t seed = 900; seed < 930; ++seed) {
        const auto found = likeliestValues(rig, {}, conducted(rig, {}, seed), RigSimulator::Accuracy::Coarse);
        ASSERT_TRUE(found);
        EXPECT_LT(found->rmsKelvin, 1.0) << seed;
        const auto again =
            valuesMoved(rig, {}, conducted(rig, {}, seed), found->moved, RigSimulator::Accuracy::Coarse);
        EXPECT_NEAR(again->cost, found->cost, 1e-6 * found->cost) << seed;
        std::vector<double> beside = found->moved;
        beside[2] += 1.0; // its heat loss, of which they tell
        EXPECT_GT(
            valuesMoved(rig, {}, conducted(rig, {}, seed), beside, RigSimulator::Accuracy::Coarse)->cost,
            found->cost);
    }
}

TEST(FaultSearch, ARigWithoutFaultsIsComparedAllTheSame) {
    const RigFile& rig = findDemonstration("two-bulbs")->rig;
    ASSERT_TRUE(rig.faults().empty());
    Observed o = conducted(rig, {}, 1);
    EXPECT_TRUE(searchFault(rig, {}, o)->asForeseen);
    for (auto& reading : o.readings)
        reading.kelvin += 15.0;
    const auto off = searchFault(rig, {}, o);
    EXPECT_FALSE(off->asForeseen);
    EXPECT_TRUE(off->candidates.empty()) << "and names none";
    EXPECT_GT(off->cost, off->allowed);
}

} // namespace
} // namespace uttrin
