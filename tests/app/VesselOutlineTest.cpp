#include "app/rigdrawing/VesselOutline.h"

#include <gtest/gtest.h>

namespace uttrin::app {
namespace {

constexpr VesselShape kAll[] = {VesselShape::RoundFlask, VesselShape::Jar,    VesselShape::Bottle,
                                VesselShape::BellJar,    VesselShape::Dish,   VesselShape::Bulb,
                                VesselShape::Syringe,    VesselShape::Kettle, VesselShape::Tube,
                                VesselShape::Cup,        VesselShape::Film};

TEST(VesselOutline, StaysInItsBoxAndItsLevelRisesWithWhatIsInIt) {
    const QRectF box(10, 20, 260, 300);
    for (const VesselShape shape : kAll) {
        SCOPED_TRACE(static_cast<int>(shape));
        const QRectF outline = vesselOutline(shape, box, 0.7).boundingRect(), body = bodyOf(shape, box, 0.7);
        EXPECT_TRUE(box.adjusted(-1, -1, 1, 1).contains(outline));
        EXPECT_TRUE(box.adjusted(-1, -1, 1, 1).contains(body));
        double before = levelIn(shape, body, 0.0);
        EXPECT_NEAR(before, body.bottom(), 1e-4);
        for (const double fill : {0.01, 0.2, 0.5, 0.9}) {
            const double level = levelIn(shape, body, fill);
            EXPECT_LE(level, before + 1e-9);
            EXPECT_GE(level, body.top() - 1e-9);
            before = level;
        }
    }
}

TEST(VesselOutline, AHalfFullSphereStandsAtItsMiddleAndASyringeGrowsAsItIsPulled) {
    const QRectF box(0, 0, 200, 300), ball = bodyOf(VesselShape::Bulb, box, 1.0);
    EXPECT_NEAR(levelIn(VesselShape::Bulb, ball, 0.5), ball.center().y(), 0.01);
    // A cap a quarter of the diameter high holds 5/32 of a sphere.
    EXPECT_NEAR(levelIn(VesselShape::RoundFlask, ball, 5.0 / 32.0), ball.bottom() - ball.height() / 4.0,
                0.01);
    EXPECT_GT(bodyOf(VesselShape::Syringe, box, 0.9).height(),
              bodyOf(VesselShape::Syringe, box, 0.4).height());
}

} // namespace
} // namespace uttrin::app
