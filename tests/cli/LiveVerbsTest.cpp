#include "RunProgram.h"

#include <algorithm>
#include <cmath>
#include <functional>

namespace uttrin {
namespace {

using testing::json, testing::run;

/// A trace of closed forms as a logger writes it: semicolons, commas before decimals.
std::string traceOf(double lasts, const std::function<double(double)>& kiloPascal,
                    const std::function<double(double)>& celsius) {
    std::string text = "time_s;absolute_kPa;temperature_degC\n";
    for (double at = 0.0; at <= lasts; at += 1.0) {
        std::array<char, 80> line{};
        std::snprintf(line.data(), line.size(), "%.1f;%.4f;%.2f\n", at, kiloPascal(at), celsius(at));
        text += line.data();
    }
    std::ranges::replace(text, '.', ',');
    return text;
}

TEST(CommandLine, ALeakIsToldFromVapourAndInKelvinForEachTarget) {
    const testing::TempDir dir;
    const auto file = [&](const char* name, const std::string& text) {
        std::ofstream(dir / name) << text;
        return "'" + (dir / name).string() + "'";
    };
    const auto room = [](double) { return 20.0; };
    // 5 Pa/s into a litre: 5e-3 Pa m3/s. At 12 kPa water's boiling point rises by 1 K for 0.65 kPa.
    const std::string leaks =
        file("leaks.csv",
             traceOf(
                 200.0, [](double at) { return 3.0 + 0.005 * at + 0.002 * std::sin(at * at); }, room));
    const auto leak =
        json("leak-test " + leaks + " --volume '1 L' --targets '12 kPa' '50 kPa' --capture '30 s' --dry");
    EXPECT_EQ(leak["kind"], "leak");
    EXPECT_GT(leak["odds_leak"], 100.0);
    EXPECT_NEAR(leak["rise_pa_per_s"], 5.0, 0.05);
    EXPECT_NEAR(leak["leak_pa_m3_per_s"], 5e-3, 5e-5);
    EXPECT_GT(leak["leak_pa_m3_per_s_u"], 0.0);
    ASSERT_EQ(leak["targets"].size(), 2U);
    EXPECT_NEAR(leak["targets"][0]["kelvin_per_capture"], 0.25, 0.03);
    EXPECT_LT(leak["targets"][1]["kelvin_per_capture"], leak["targets"][0]["kelvin_per_capture"]);
    // Steam tables: 2.339 kPa at 20 °C.
    const std::string wets = file(
        "wet.csv",
        traceOf(
            200.0, [](double at) { return 2.4393 - 1.2 * std::exp(-at / 15.0) + 0.002 * std::sin(at * at); },
            room));
    EXPECT_EQ(json("leak-test " + wets + " --volume '1 L' --wet water")["kind"], "vapour");
    EXPECT_EQ(run("leak-test " + wets + " --volume '1 L'").code, 2);
    EXPECT_NE(run("leak-test " + wets + " --volume '1 L'").err.find("--wet"), std::string::npos);
    EXPECT_EQ(run("leak-test " + wets + " --volume '0 L' --dry").code, 2);
    EXPECT_EQ(run("leak-test " + wets + " --volume '1 L' --dry --targets '50 MPa'").code, 3);
    EXPECT_EQ(run("leak-test no-such.csv --volume '1 L' --dry").code, 2);
}

TEST(CommandLine, APumpIsToldByItsPumpDownAndAStretchThatStandsStillByItsDrift) {
    const testing::TempDir dir;
    const auto file = [&](const char* name, const std::string& text) {
        std::ofstream(dir / name) << text;
        return "'" + (dir / name).string() + "'";
    };
    const auto falling = [](double at) { return 0.45 + 93.86 * std::exp(-at / 6.0); }; // 10 L/min on a litre
    const std::string down = file("down.csv", traceOf(90.0, falling, [](double) { return 20.0; }));
    const auto pump = json("pump-down " + down + " --volume '1 L'");
    EXPECT_NEAR(pump["speed_m3_per_s"], 1e-3 / 6.0, 5e-6);
    EXPECT_NEAR(pump["ultimate_pa"], 450.0, 10.0);
    EXPECT_EQ(pump["freezing_in_reach"], true); // below 611.7 Pa
    EXPECT_LT(pump["boils_down_to_k"], 273.16);
    EXPECT_EQ(pump["floor"], "dry");
    const std::string wet =
        file("wet.csv", traceOf(
                            90.0, [](double at) { return 2.339 + 92.0 * std::exp(-at / 6.0); },
                            [](double) { return 20.0; }));
    EXPECT_EQ(json("pump-down " + wet + " --volume '1 L' --wet water")["floor"], "wet");
    // A hand pump on two litres: each stroke leaves four fifths of what is above 8 kPa.
    const auto strokes = [](double at) { return 8.0 + 92.0 * std::pow(0.8, std::floor(at / 10.0)); };
    const std::string byHand = file("hand.csv", traceOf(120.0, strokes, [](double) { return 20.0; }));
    const auto hand = json("pump-down " + byHand + " --volume '2 L' --hand");
    EXPECT_EQ(hand["strokes"], 12);
    EXPECT_NEAR(hand["stroke_m3"], 0.5e-3, 0.01e-3);
    EXPECT_NEAR(hand["ultimate_pa"], 8000.0, 100.0);
    EXPECT_EQ(run("pump-down " + down + " --volume '1 L' --hand").code, 2) << "a motor pumps";
    const std::string trace =
        file("still.csv", traceOf(
                              120.0, [](double) { return 19.95; },
                              [](double at) { return 60.0 - 8.0 * std::exp(-at / 10.0); }));
    const auto still = json("steady " + trace + " --tolerance '0.1 K' --seconds 10")["stretches"];
    ASSERT_EQ(still.size(), 1U);
    // 0.8 K/s e^(-t/10) falls below 0.01 K/s at 44 s.
    EXPECT_NEAR(still[0]["from_s"].get<double>(), 44.0, 8.0);
    EXPECT_NEAR(still[0]["mean_pa"], 19950.0, 1.0);
    EXPECT_NEAR(still[0]["mean_k"], 333.15, 0.05);
    EXPECT_GE(still[0]["mean_k_u"], 0.01 / std::sqrt(12.0));
    EXPECT_EQ(run("steady " + trace + " --tolerance '0 K'").code, 2);
    EXPECT_EQ(run("steady " + trace + " --tolerance '0.1'").code, 2);
}

/// A stand-in that plays; it ends with this.
class PlayingStandIn {
public:
    explicit PlayingStandIn(const std::string& words)
        : m_pipe(popen((std::string("exec ") + UTTRIN_STANDIN + " " + words).c_str(), "r")) {
        std::array<char, 256> line{};
        if (fgets(line.data(), line.size(), m_pipe)) m_where = line.data();
        std::erase(m_where, '\n');
    }
    ~PlayingStandIn() { pclose(m_pipe); }
    PlayingStandIn(const PlayingStandIn&) = delete;
    PlayingStandIn& operator=(const PlayingStandIn&) = delete;
    [[nodiscard]] const std::string& where() const { return m_where; } ///< "tcp:127.0.0.1:40001"

private:
    FILE* m_pipe;
    std::string m_where;
};

TEST(CommandLine, WhatAStandInSendsIsHeardAndItsSilenceIsAGap) {
    const testing::TempDir dir;
    // Ten times as fast: silent for two seconds of the clock, then rubbish for one.
    const PlayingStandIn standIn("bell-jar --tcp 0 --speed 10 --every '0.05 s' --seconds '7 s' --fault "
                                 "gap:15:20 --fault rubbish:45:8");
    ASSERT_EQ(standIn.where().find("tcp:127.0.0.1:"), 0U) << standIn.where();
    const auto heard = json("listen --profile pressure-and-temperature-lines --from " + standIn.where() +
                            " --seconds 6 --out '" + (dir / "trace.csv").string() + "'");
    EXPECT_GT(heard["samples"], 40);
    EXPECT_GT(heard["rejected"], 5);
    EXPECT_GE(heard["gaps"].size(), 1U);
    EXPECT_NEAR(heard["gaps"][0]["to_s"].get<double>() - heard["gaps"][0]["from_s"].get<double>(), 2.0, 0.5);
    // What was written is a trace that the other verbs read.
    EXPECT_EQ(
        run("steady '" + (dir / "trace.csv").string() + "' --tolerance '50 K' --seconds 0.5 --json").code, 0);
}

TEST(CommandLine, AFileThatAStandInWritesIsFollowed) {
    const testing::TempDir dir;
    const std::string file = (dir / "run.csv").string();
    const PlayingStandIn standIn("sealed-flask --room '866 hPa' --csv '" + file +
                                 "' --speed 100 --every '0.05 s' --seconds '4 s'");
    const auto heard = json("listen --profile logger-file --from 'file:" + file + "' --seconds 3");
    EXPECT_GT(heard["samples"], 40);
    EXPECT_EQ(heard["rejected"], 0);
}

TEST(CommandLine, ListeningRefusesWhatItCannotHear) {
    const auto unknown = run("listen --profile no-such --from tcp:127.0.0.1:1");
    EXPECT_EQ(unknown.code, 2);
    EXPECT_NE(unknown.err.find("'no-such'"), std::string::npos) << unknown.err;
    EXPECT_NE(unknown.err.find("pressure-transmitter-modbus"), std::string::npos) << unknown.err;
    EXPECT_NE(run("listen --profile manometer-lines --from usb:1").err.find("tcp:HOST:PORT"),
              std::string::npos);
    EXPECT_EQ(run("listen --profile manometer-lines --from modbus:127.0.0.1:502").code, 2);
    EXPECT_EQ(run("listen --profile manometer-lines --from tcp:127.0.0.1:9 --seconds 0").code, 2);
    const auto nobody = json("listen --profile manometer-lines --from tcp:127.0.0.1:9 --seconds 0.3");
    EXPECT_EQ(nobody["samples"], 0);
    EXPECT_FALSE(nobody["said"].empty()) << "that nobody is there";
}

} // namespace
} // namespace uttrin
