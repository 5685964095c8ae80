#pragma once

#include "substances/SubstanceLibrary.h"
#include "support/FakeClock.h"
#include "support/HandledSession.h"
#include "support/TempDir.h"

#include <gtest/gtest.h>

#include <cmath>
#include <memory>

namespace uttrin::testing {

/// A new notebook with one lesson and a vacuum dial in bar, driven as a careful person would.
class DrivenLesson : public ::testing::Test {
protected:
    static constexpr double kRoomPascal = 94310.0;
    TempDir dir;
    FakeClock clock;
    std::unique_ptr<HandledSession> s;

    void SetUp() override {
        s = std::make_unique<HandledSession>(*Notebook::create(dir / "a.uttrin"), clock, 120);
        ASSERT_TRUE(s->addLesson(Lesson{0, "Boiling", "", "", "", 0.0, false, 0, false}));
    }

    static RoomEntry barometer(double hPa) {
        RoomEntry e;
        e.method = RoomMethod::Barometer;
        e.value = hPa;
        e.valueU = 0.3;
        return e;
    }

    void enterRoom(double hPa = kRoomPascal / 100.0) {
        ASSERT_TRUE(s->enterRoom(barometer(hPa), RoomRole::Start, clock.time));
    }

    /// Types what the instruments show at an absolute pressure, the water `superheat` kelvin too hot.
    void type(double pascal, double superheat = 0.0, double roomPascal = kRoomPascal) {
        const auto& rig = s->plan().rig;
        const RoomPressure room{Pressure::fromPascal(roomPascal), 0.0, RoomMethod::Barometer};
        const auto shown = toReadableReading(rig.gauge, Pressure::fromPascal(pascal), room.station);
        const auto read = toAbsolute(rig.gauge, shown, room);
        const auto boils = liquidOf(s->plan()).boilingPoint(read->pressure);
        s->edit([&](BenchDraft& d) { d.first = shown.first; });
        s->edit([&](BenchDraft& d) { d.second = shown.second; });
        s->edit(
            [&](BenchDraft& d) { d.temperature = std::round((boils->celsius() + superheat) * 4.0) / 4.0; });
    }

    /// Takes every target of a new run.
    void captureAll(double roomPascal = kRoomPascal) {
        ASSERT_TRUE(s->startRun("Cedar"));
        while (const auto target = s->currentTarget()) {
            clock.time += 120'000;
            type(target->absolute.pascal(), 0.0, roomPascal);
            const auto outcome = s->capture();
            ASSERT_TRUE(outcome && outcome->readingId)
                << (outcome ? outcome->finding.sentence : outcome.error().message);
        }
    }

    /// Changes the plan in place.
    void change(const std::function<void(Plan&)>& how) {
        Plan plan = s->plan();
        how(plan);
        const auto done = s->changePlan(plan, Text::typed("change"));
        ASSERT_TRUE(done) << done.error().message;
    }
};

} // namespace uttrin::testing
