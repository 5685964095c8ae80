#include "plan/FillTally.h"

#include <gtest/gtest.h>
#include <rapidcheck/gtest.h>

namespace uttrin {
namespace {

using What = Filling::What;

RC_GTEST_PROP(FillTally, ANoteIsReadBackAsItWasMeant, ()) {
    const Filling in{*rc::gen::element(What::Ice, What::Water, What::Anew),
                     *rc::gen::inRange(1, 20'000) * 1e-3};
    const auto out = fillingOf(noteOf(in));
    RC_ASSERT(out.has_value());
    RC_ASSERT(out->what == in.what);
    RC_ASSERT(std::abs(out->kilograms - in.kilograms) < 1e-9);
}

TEST(FillTally, OtherNotesAreNone) {
    for (const char* note :
         {"", "added", "added  g of ice", "added 12 g of tea", "added -3 g of ice", "added 1.5 g of ice",
          "added 99999999999 g of water", "filled anew with x g", "bumped", "added 12 g of ice "})
        EXPECT_FALSE(fillingOf(note)) << note;
    EXPECT_EQ(noteOf({What::Ice, 0.1204}), "added 120 g of ice");
    EXPECT_EQ(noteOf({What::Anew, 0.3}), "filled anew with 300 g");
}

TEST(FillTally, ChargeAndDepthAddUpAndBeginAnew) {
    Rig rig;
    rig.liquidLitre = 0.4;
    rig.depthCm = 5.0;
    EXPECT_EQ(chargeAfter(rig, {}).kilograms, 0.4);
    EXPECT_EQ(chargeAfter(rig, {}).depthCm, 5.0);
    const Filling two[] = {{What::Ice, 0.1}, {What::Water, 0.3}};
    const Charge charge = chargeAfter(rig, two);
    EXPECT_NEAR(charge.kilograms, 0.8, 1e-12);
    EXPECT_NEAR(charge.depthCm, 10.0, 1e-9);
    EXPECT_EQ(charge.fillings, 2);
    const Filling anew[] = {{What::Ice, 0.1}, {What::Anew, 0.2}, {What::Water, 0.05}};
    EXPECT_NEAR(chargeAfter(rig, anew).kilograms, 0.25, 1e-12);
}

} // namespace
} // namespace uttrin
