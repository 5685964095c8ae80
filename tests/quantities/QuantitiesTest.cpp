#include "quantities/Quantities.h"

#include <gtest/gtest.h>

#include <type_traits>
#include <utility>

namespace uttrin {
namespace {

template <typename A, typename B, typename = void>
struct CanAdd : std::false_type {};
template <typename A, typename B>
struct CanAdd<A, B, std::void_t<decltype(std::declval<A>() + std::declval<B>())>> : std::true_type {};
template <typename A, typename B, typename = void>
struct CanSubtract : std::false_type {};
template <typename A, typename B>
struct CanSubtract<A, B, std::void_t<decltype(std::declval<A>() - std::declval<B>())>> : std::true_type {};

// What must not compile.
static_assert(!CanAdd<GaugePressure, GaugePressure>::value);
static_assert(!CanAdd<Pressure, Pressure>::value);
static_assert(!CanAdd<Pressure, GaugePressure>::value);
static_assert(!CanAdd<GaugePressure, Pressure>::value);
static_assert(!CanSubtract<Pressure, GaugePressure>::value);
static_assert(!CanAdd<Temperature, Temperature>::value);
static_assert(!CanAdd<Pressure, double>::value);
static_assert(!CanAdd<Pressure, TemperatureDifference>::value);
static_assert(!std::is_convertible_v<GaugePressure, Pressure>);
static_assert(!std::is_convertible_v<PressureDifference, Pressure>);
static_assert(!std::is_convertible_v<PressureDifference, GaugePressure>);
static_assert(!std::is_convertible_v<double, Pressure>);
static_assert(!std::is_constructible_v<Pressure, GaugePressure>);
// What must.
static_assert(CanAdd<Pressure, PressureDifference>::value);
static_assert(
    std::is_same_v<decltype(std::declval<Pressure>() - std::declval<Pressure>()), PressureDifference>);
static_assert(std::is_same_v<decltype(std::declval<Temperature>() - std::declval<Temperature>()),
                             TemperatureDifference>);

TEST(Quantities, AGaugePressureBecomesAbsoluteOnlyInARoom) {
    const auto room = Pressure::fromKilopascal(94.31);
    const auto gauge = GaugePressure::fromPascal(-70e3);
    EXPECT_DOUBLE_EQ(gauge.inRoom(room).pascal(), 24310.0);
    EXPECT_DOUBLE_EQ(GaugePressure::of(gauge.inRoom(room), room).pascal(), -70e3);
}

TEST(Quantities, CelsiusAndKelvinDifferByTheIcePoint) {
    EXPECT_DOUBLE_EQ(Temperature::fromCelsius(25.0).kelvin(), 298.15);
    EXPECT_DOUBLE_EQ((Temperature::fromCelsius(30.0) - Temperature::fromCelsius(25.0)).kelvin(), 5.0);
}

} // namespace
} // namespace uttrin
