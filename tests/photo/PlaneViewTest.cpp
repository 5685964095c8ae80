#include "photo/PlaneView.h"

#include "support/Camera.h"

#include <gtest/gtest.h>
#include <rapidcheck.h>
#include <rapidcheck/gtest.h>

namespace uttrin {
namespace {

using testing::Camera;

double within(double low, double high) { return low + (high - low) * (*rc::gen::inRange(0, 10001)) / 1e4; }

RC_GTEST_PROP(PlaneView, FourPointsGiveBackEveryOtherPointOfThePlane, ()) {
    const Camera camera{within(-0.9, 0.9), within(-0.9, 0.9), within(-3.0, 3.0)};
    const std::array<PhotoPoint, 4> plane{
        PhotoPoint{-1.0, -0.8}, {1.1, -1.0}, {0.9, 1.0}, {-1.0, within(0.5, 1.2)}};
    std::array<PhotoPoint, 4> picture;
    for (std::size_t i = 0; i < 4; ++i)
        picture[i] = camera.see(plane[i]);
    const auto view = PlaneView::through(picture, plane);
    RC_ASSERT(view.has_value());
    const PhotoPoint point{within(-1.5, 1.5), within(-1.5, 1.5)};
    const auto back = view->toPlane(camera.see(point));
    RC_ASSERT(back.has_value());
    RC_ASSERT(std::abs(back->x - point.x) < 1e-8);
    RC_ASSERT(std::abs(back->y - point.y) < 1e-8);
}

TEST(PlaneView, PointsOnOneLineOrInTheSamePlaceShowNoPlane) {
    const std::array<PhotoPoint, 4> square{PhotoPoint{0, 0}, {1, 0}, {1, 1}, {0, 1}};
    EXPECT_FALSE(PlaneView::through({PhotoPoint{0, 0}, {10, 0}, {20, 0}, {0, 10}}, square));
    EXPECT_FALSE(PlaneView::through({PhotoPoint{5, 5}, {5, 5}, {20, 0}, {0, 10}}, square));
    EXPECT_FALSE(PlaneView::through({PhotoPoint{0, 0}, {10, 0}, {0, 10}, {10, 10}}, square))
        << "crossed over";
    EXPECT_TRUE(PlaneView::through({PhotoPoint{0, 0}, {10, 0}, {10, 10}, {0, 10}}, square));
}

TEST(PlaneView, BeyondTheHorizonNothingIsSeen) {
    const Camera camera{1.2, 0.0, 0.0}; // leans far back: the horizon crosses the picture
    const std::array<PhotoPoint, 4> plane{PhotoPoint{-1, -1}, {1, -1}, {1, 1}, {-1, 1}};
    std::array<PhotoPoint, 4> picture;
    for (std::size_t i = 0; i < 4; ++i)
        picture[i] = camera.see(plane[i]);
    const auto view = PlaneView::through(picture, plane);
    ASSERT_TRUE(view);
    // The vanishing point of the plane's y axis: focal / tan(tilt) above the middle.
    const double horizon = camera.middleY - camera.focal / std::tan(camera.tiltX);
    EXPECT_TRUE(view->toPlane({camera.middleX, horizon + 5.0}));
    EXPECT_FALSE(view->toPlane({camera.middleX, horizon - 5.0}));
}

} // namespace
} // namespace uttrin
