#include "RunProgram.h"
#include "demo/DemoNotebook.h"
#include "notebook/Csv.h"
#include "support/TempDir.h"

#include <gtest/gtest.h>
#include <nlohmann/json.hpp>

#include <algorithm>
#include <array>
#include <cmath>
#include <cstdio>
#include <fstream>
#include <functional>
#include <iterator>

namespace uttrin {
namespace {

using testing::json, testing::Output, testing::run;

TEST(CommandLine, SaturationMeetsTheSteamTables) {
    const auto j = json("saturation --fluid water --temperature '80 degC'");
    EXPECT_NEAR(j["pressure_pa"], 47414.5, 1.0); // IAPWS-95 at 353.15 K: 47.4147 kPa
    EXPECT_NEAR(j["enthalpy_of_vaporisation_j_per_kg"], 2308.0e3, 0.3e3);
    EXPECT_NEAR(j["density_liquid_kg_per_m3"], 971.77, 0.05);
    EXPECT_EQ(j["phases"], "liquid-vapour");
    EXPECT_GT(j["pressure_pa_u"].get<double>(), 0.0);
    EXPECT_EQ(json("saturation --temperature '230 K'")["phases"], "solid-vapour");
    // Smithsonian Meteorological Tables at -20 °C: over ice 103.2 Pa, over water that has not frozen 125.4
    // Pa.
    const auto frozen = json("saturation --temperature '-20 degC'");
    EXPECT_NEAR(frozen["pressure_pa"], 103.2, 0.3);
    EXPECT_NEAR(frozen["supercooled_liquid_pressure_pa"], 125.4, 0.4);
    EXPECT_FALSE(j.contains("supercooled_liquid_pressure_pa"));
    EXPECT_FALSE(json("saturation --fluid carbon-dioxide --temperature '-80 degC'")
                     .contains("supercooled_liquid_pressure_pa"));
}

TEST(CommandLine, EverySubstanceOfTheContractIsThere) {
    const auto fluids = json("fluids")["fluids"];
    std::vector<std::string> ids;
    for (const auto& f : fluids) {
        ids.push_back(f["id"]);
        EXPECT_FALSE(f["sources"].empty());
        EXPECT_LT(f["triple_k"], f["critical_k"]);
    }
    EXPECT_EQ(ids, (std::vector<std::string>{"water", "acetone", "ethanol", "methanol", "propan-2-ol",
                                             "dichloromethane", "diethyl-ether", "n-pentane", "n-hexane",
                                             "ammonia", "nitrogen", "carbon-dioxide"}));
    EXPECT_NEAR(json("boil --fluid nitrogen --pressure '101325 Pa'")["boiling_point_k"], 77.355, 0.005);
    EXPECT_EQ(json("boil --fluid carbon-dioxide --pressure '1 bar'")["phases"], "solid-vapour");
    // Acetone's vapour density ends at 400 K, its vapour pressure at the critical point.
    const auto hot = json("saturation --fluid acetone --temperature '450 K'");
    EXPECT_TRUE(hot.contains("pressure_pa"));
    EXPECT_FALSE(hot.contains("density_vapour_kg_per_m3"));
    const auto cold = run("saturation --fluid acetone --temperature '-90 degC'");
    EXPECT_EQ(cold.code, 3);
    EXPECT_NE(cold.err.find("240 K to 508.1 K"), std::string::npos);
}

TEST(CommandLine, SolutionsBoilHigherAndFreezeLower) {
    // Saturated brine boils at 108.7 degC.
    EXPECT_NEAR(json("boil --pressure '1 atm' --solute nacl --molality 6.8")["boiling_point_k"],
                273.15 + 108.7, 0.25);
    const auto thin = json("boil --pressure '20 kPa' --solute nacl --molality 1.5");
    EXPECT_NEAR(thin["elevation_k"], 1.16, 0.03); // K_b(60 degC) 0.391, factor 1.9 and 3 % of curvature
    EXPECT_NEAR(json("boil --pressure '1 atm' --solute sucrose --mass-fraction 0.5")["elevation_k"], 1.8,
                0.2);
    EXPECT_NEAR(json("boil --pressure '1 atm' --solute ethanol --mass-fraction 0.9557")["boiling_point_k"],
                351.3, 0.2);
    EXPECT_NEAR(json("freeze --solute nacl --molality 2")["depression_k"], 6.93, 0.05);
    EXPECT_NEAR(json("freeze --solute ideal --molality 0.1")["freezing_point_k"], 272.964, 0.002);
    const auto wrong = run("boil --pressure '1 atm' --solute salt --molality 1");
    EXPECT_EQ(wrong.code, 2);
    EXPECT_NE(wrong.err.find("accepted: nacl, sucrose"), std::string::npos);
    EXPECT_EQ(run("boil --pressure '1 atm' --solute nacl --molality 9").code, 3);
    EXPECT_EQ(run("boil --pressure '1 atm' --molality 1").code, 2);
    EXPECT_EQ(run("freeze --solute nacl --molality 6.5").code, 3);
    EXPECT_TRUE(run("boil --pressure '1 atm' --molality 1").out.empty());
}

TEST(CommandLine, ABarometerAndEveryGaugeAreRead) {
    const auto b = json("barometer --reading '741.6 mmHg' --temperature '23.5 degC' --latitude 61.2 "
                        "--altitude '612 m' --scale brass");
    // 741.6 mmHg; (1.818e-4 - 1.84e-5) 23.5 / (1 + 1.818e-4 23.5) of it; g = 9.81822 m/s2.
    EXPECT_NEAR(b["temperature_correction_pa"], -378.0, 1.0);
    EXPECT_NEAR(b["gravity_correction_pa"], 116.2, 1.0);
    EXPECT_NEAR(b["station_pressure_pa"], 98610.1, 1.5);
    EXPECT_GT(b["station_pressure_pa_u"].get<double>(), 0.0);
    EXPECT_NEAR(
        json("gauge --type closed-u-tube --legs '25 cm' '15 cm' --temperature '20 degC'")["absolute_pa"],
        13284.0, 2.0);
    EXPECT_NEAR(
        json("gauge --type thermal-conductivity --reading '1 mbar' --gas water-vapour")["absolute_pa"], 60.0,
        1e-6);
    EXPECT_NEAR(json("gauge --type open-u-tube --liquid water --legs '60 cm' '40 cm' --room '1000 hPa'")
                    ["absolute_pa"],
                100000.0 - 0.2 * 998.2 * 9.80665, 1.0);
    EXPECT_EQ(run("gauge --type thermal-conductivity --reading '1 mbar' --gas smoke").code, 2);
    EXPECT_EQ(
        run("barometer --reading '74 mmHg' --temperature '20 degC' --latitude 50 --altitude '0 m'").code, 2);
}

TEST(CommandLine, AnOwnSubstanceIsOfferedAndABrokenOneIsNamed) {
    const testing::TempDir dir;
    std::filesystem::create_directories(dir / "uttrin/substances");
    std::ofstream(dir / "uttrin/substances/broken.json") << "{\n\"id\": 3\n}";
    const std::string environment = "XDG_DATA_HOME=" + (dir / ".").string() + " ";
    const auto listed = run("fluids", environment);
    EXPECT_EQ(listed.code, 0);
    EXPECT_NE(listed.err.find("broken.json, line 2: 'id' must be a text"), std::string::npos) << listed.err;
    EXPECT_NE(listed.out.find("carbon-dioxide"), std::string::npos);
}

TEST(CommandLine, AValueThatBeginsWithAMinusIsAValue) {
    const auto j = json("boil --fluid water --pressure '-0.7 bar' --kind gauge --room '1008.2 hPa'");
    EXPECT_NEAR(j["absolute_pa"], 30820.0, 1e-6);
    EXPECT_NEAR(j["boiling_point_k"], 342.866, 0.001); // 69.72 degC at 30.82 kPa
    EXPECT_EQ(json("boil --pressure '−0.7 bar' --kind gauge --room '1008.2 hPa'")["absolute_pa"],
              j["absolute_pa"]);
    EXPECT_NEAR(json("convert '-40 degF' --to degC")["value"], -40.0, 1e-9);
}

TEST(CommandLine, RoomAndGaugeGiveTheirWorkedExamples) {
    EXPECT_NEAR(json("room --altitude '612 m'")["station_pressure_pa"], 94186,
                5); // ISO 2533 table, interpolated
    EXPECT_NEAR(json("room --dead-head '-91.3 kPa' --ultimate '0.6 kPa'")["station_pressure_pa"], 91900,
                1e-6);
    const auto bound = json("room --dead-head '-71.4 kPa'"); // of a pump that nobody knows
    EXPECT_NEAR(bound["station_pressure_pa"], 71400, 1e-6);
    EXPECT_NE(bound["bias"].get<std::string>().find("not known"), std::string::npos);
    EXPECT_NEAR(
        json(
            "gauge --type open-u-tube --legs '66.0 cm' '21.0 cm' --temperature '22 degC' --room '1008.2 hPa'")
            ["absolute_pa"],
        100820 - 0.45 * 13540.97 * 9.80665, 1.0);
    EXPECT_NEAR(json("gauge --type vacuum-dial --reading '-21 inHg' --room '1 atm'")["absolute_pa"],
                101325 - 21 * 3386.389, 0.1);
    EXPECT_NEAR(json("convert '66.0 cmHg' --to kPa")["value"], 87.9928, 1e-4);
    EXPECT_EQ(json("fluids")["fluids"][0]["id"], "water");
}

struct BadRow {
    const char* words;
    int code;
    const char* says;
};

TEST(CommandLine, BadInputIsNamedOnStderrWithTheRightExitCode) {
    const BadRow rows[] = {
        {"boil --pressure 20", 2, "accepted units: Pa"},
        {"boil --pressure '20 kpa'", 2, "'kpa' is not a unit"},
        {"boil --pressure '-0.7 bar' --kind gauge", 2, "--room"},
        {"boil --pressure '-2 bar' --kind gauge --room '1 bar'", 2, "below a perfect vacuum"},
        {"boil --fluid treacle --pressure '20 kPa'", 2, "accepted: water"},
        {"boil --pressure '300 bar'", 3, "covers"},
        {"saturation --temperature '700 K'", 3, "50 K to 647.096 K"},
        {"room", 2, "--barometer"},
        {"room --altitude '30 km'", 3, "lowest layer"},
        {"gauge --type open-u-tube --legs '66 cm' --room '1 atm'", 2, "legs"},
        {"plan /nowhere.json", 2, "/nowhere.json cannot be read"},
        {"frobnicate", 2, "'frobnicate' is not a verb; accepted: fluids"},
        {"notebook info /nowhere.uttrin", 1, "no such file"},
    };
    for (const BadRow& row : rows) {
        SCOPED_TRACE(row.words);
        const Output o = run(std::string(row.words) + " --json");
        EXPECT_EQ(o.code, row.code);
        EXPECT_TRUE(o.out.empty()) << o.out;
        EXPECT_NE(o.err.find(row.says), std::string::npos) << o.err;
    }
}

TEST(CommandLine, PlanGivesDialReadingsAndCautions) {
    const testing::TempDir dir;
    std::ofstream(dir / "plan.json")
        << R"({"room":{"method":"barometer","reading":"943.1 hPa","uncertainty":"0.3 hPa"},
        "rig":{"gauge":{"convention":"gauge-negative","unit":"bar","division":0.02,"accuracy":0.02}},
        "ladder":{"spacing":"dial-steps","from":-0.7,"to":0,"step":0.1}})";
    const auto j = json("plan " + (dir / "plan.json").string());
    ASSERT_EQ(j["targets"].size(), 8U);
    EXPECT_NEAR(j["targets"][0]["dial"]["value"], -0.7, 1e-9);
    EXPECT_EQ(j["targets"][0]["dial"]["unit"], "bar");
    EXPECT_NEAR(j["targets"][0]["absolute_pa"], 24310, 1e-6);
    EXPECT_NEAR(j["targets"][0]["expected_boiling_point_k"], 337.47, 0.05); // 64.3 degC at 24.3 kPa
    EXPECT_GT(j["total_duration_s"].get<double>(), 600.0);
    EXPECT_FALSE(j["cautions"].empty());
    EXPECT_FALSE(j["materials"].empty());
}

TEST(CommandLine, FitFindsTheEnthalpyAndNamesBadLines) {
    const testing::TempDir dir;
    std::ofstream(dir / "run.csv") << "temperature_degC,gauge_kPa\n49.4,-82.31\n60.1,-74.31\n67.1,-66."
                                      "75\noops,1\n72.8,-59.2\n77.4,-51.64\n81.4,-44.09\n85.0,-36.53\n";
    const auto j = json("fit " + (dir / "run.csv").string() +
                        " --room '943.1 hPa' --method york --temperature-u '0.1 K' --pressure-u '60 Pa'");
    EXPECT_NEAR(j["enthalpy_of_vaporisation_j_per_mol"].get<double>(), 42350, 300);
    EXPECT_NEAR(j["relative_to_reference"].get<double>(), 0.0, 0.005);
    EXPECT_LT(j["ci95_low"], j["enthalpy_of_vaporisation_j_per_mol"]);
    EXPECT_EQ(j["points"].size(), 7U);
    EXPECT_EQ(j["unread_lines"].size(), 1U);
    EXPECT_FALSE(j["diagnosis"].empty());
    const auto stated =
        json("fit " + (dir / "run.csv").string() +
             " --room '943.1 hPa' --temperature-u '0.1 K' --pressure-u '60 Pa' --scale-errors no");
    EXPECT_NE(stated["enthalpy_of_vaporisation_j_per_mol_u"], j["enthalpy_of_vaporisation_j_per_mol_u"]);
    EXPECT_EQ(run("fit " + (dir / "run.csv").string()).code, 2);
}

TEST(CommandLine, NotebooksAreLookedIntoExportedImportedCheckedAndReported) {
    const testing::TempDir dir;
    ASSERT_TRUE(writeDemoNotebook(dir / "d.uttrin"));
    const std::string file = (dir / "d.uttrin").string();
    const auto info = json("notebook info " + file);
    EXPECT_EQ(info["lessons"][0]["runs"].size(), 7U);
    EXPECT_TRUE(json("notebook check " + file)["sound"].get<bool>());
    for (const char* format : {"csv", "json", "xlsx"})
        EXPECT_TRUE(std::filesystem::exists(json("notebook export " + file + " --format " + format +
                                                 " --out " + (dir / "out").string())["written"][0]
                                                .get<std::string>()));
    std::ofstream(dir / "new.csv") << "temperature_degC,absolute_kPa\n60.06,20.0\n81.3,50.0\n";
    EXPECT_EQ(json("notebook import " + file + " " + (dir / "new.csv").string())["readings"], 2);
    EXPECT_GE(json("report " + file + " --run 3 --out " + (dir / "r.pdf").string())["pages"].get<int>(), 2);
    EXPECT_EQ(json("report " + file + " --run 3 --out " + (dir / "r.html").string())["pages"], 1);
    EXPECT_EQ(run("report " + file + " --run 99 --out " + (dir / "r.html").string()).code, 2);
}

TEST(CommandLine, EveryVerbsHelpShowsAnExample) {
    for (const char* verb :
         {"fluids", "saturation", "boil", "convert", "room", "gauge", "plan", "fit", "notebook", "report"}) {
        const Output o = run(std::string(verb) + " --help");
        EXPECT_EQ(o.code, 0);
        EXPECT_NE(o.out.find(std::string("Example: uttrin-cli ") + verb), std::string::npos) << verb;
    }
}

TEST(CommandLine, SimulateGivesEventsAPathAndEqualBytes) {
    const testing::TempDir dir;
    const std::string first = (dir / "a.csv").string(), second = (dir / "b.csv").string();
    const auto j = json("simulate sealed-flask --out " + first);
    ASSERT_FALSE(j["events"].empty());
    EXPECT_TRUE(j["events"][0].contains("at_s") && j["events"][0].contains("what"));
    EXPECT_LT(j["mass_drift_relative"].get<double>(), 1e-6);
    EXPECT_LT(j["energy_drift_relative"].get<double>(), 1e-6);
    EXPECT_GT(j["final"]["temperature_k"].get<double>(), 290.0);
    EXPECT_EQ(json("simulate sealed-flask --out " + second), j);
    const auto text = [](const std::string& path) {
        std::ifstream in(path);
        return std::string(std::istreambuf_iterator<char>(in), {});
    };
    EXPECT_EQ(text(first), text(second));
    EXPECT_TRUE(text(first).starts_with("time_s,liquid_temperature_k,pressure_pa,"));
    for (const char* column : {"margin_k", "vigour", "liquid_kg", "vapour_kg", "air_kg"})
        EXPECT_NE(text(first).substr(0, text(first).find('\n')).find(column), std::string::npos) << column;
    EXPECT_LT(json("simulate sealed-flask --set '/moves/1/after=20 s'")["goal_met"].get<bool>(),
              j["goal_met"].get<bool>());
}

TEST(CommandLine, ThePathHoldsEveryMassOfARig) {
    const testing::TempDir dir;
    const auto path = [&](const std::string& id) {
        const std::string file = (dir / (id + ".csv")).string();
        (void)json("simulate " + id + " --out " + file);
        std::ifstream in(file);
        return parseCsv(std::string(std::istreambuf_iterator<char>(in), {}));
    };
    const auto columnOf = [](const std::vector<CsvRecord>& csv, const std::string& name) {
        const auto& names = csv.front().fields;
        const auto at = std::find(names.begin(), names.end(), name);
        EXPECT_NE(at, names.end()) << name;
        std::vector<double> values;
        for (std::size_t i = 1; i < csv.size() && at != names.end(); ++i) {
            EXPECT_EQ(csv[i].fields.size(), names.size());
            values.push_back(std::stod(csv[i].fields[static_cast<std::size_t>(at - names.begin())]));
        }
        return values;
    };
    const auto freezing = path("freeze-by-boiling");
    // All water is somewhere: in dish and trap, in the drying agent, in the pump's oil; some went through.
    for (const char* grows : {"drying agent_water_kg", "pump_oil_kg"})
        EXPECT_GT(columnOf(freezing, grows).back(), columnOf(freezing, grows).front()) << grows;
    EXPECT_GT(columnOf(freezing, "drying agent_temperature_k").back(), 294.0);
    // With it the balance can be drawn from the file alone, but for what leaks in.
    const auto held = [&](std::size_t row) {
        double all = 0.0;
        for (const char* of : {"", "trap_"})
            for (const char* part : {"liquid_kg", "solid_kg", "vapour_kg", "air_kg", "dissolved_air_kg"})
                all += columnOf(freezing, std::string(of) + part)[row];
        return all + columnOf(freezing, "drying agent_water_kg")[row] +
               columnOf(freezing, "pump_pumped_kg")[row];
    };
    EXPECT_NEAR(held(freezing.size() - 2), held(0), 2e-5);
    for (const char* column :
         {"gas_temperature_k", "wall_temperature_k", "trap_wall_temperature_k", "volume_m3"})
        EXPECT_GT(columnOf(freezing, column).back(), 0.0) << column;
    const auto flask = path("sealed-flask");
    EXPECT_GT(columnOf(flask, "force_n").back(), 30.0); // pushed in by nearly an atmosphere on 25 mm
    EXPECT_NEAR(columnOf(flask, "ice on the vapour_ice_kg").front(), 0.06, 1e-9);
    const auto syrup = columnOf(path("syrup-on-the-stove"), "solute_kg");
    EXPECT_NEAR(syrup.back(), syrup.front(), 1e-9); // sugar stays
}

TEST(CommandLine, SimulateRefusesAWrongRigWithItsPath) {
    const testing::TempDir dir;
    std::ofstream(dir / "rig.json")
        << R"({"name":"x","substance":"water","vessels":{"a":{"volume":"1 L","liquid":"-1 g"}},"duration":"1 min"})";
    const Output o = run("simulate " + (dir / "rig.json").string());
    EXPECT_EQ(o.code, 2);
    EXPECT_TRUE(o.out.empty());
    EXPECT_NE(o.err.find("/vessels/a/liquid"), std::string::npos) << o.err;
    EXPECT_EQ(run("simulate sealed-flask --set nothing").code, 2);
}

TEST(CommandLine, AForecastLearnsFromReadingsAndRefusesWithoutARoom) {
    const testing::TempDir dir;
    const auto write = [&](const char* name, const std::string& text) {
        std::ofstream(dir / name) << text;
        return (dir / name).string();
    };
    const std::string read = write("read.csv", "time_s,temperature_degC\n300,84.0\n600,72.5\n900,61.0\n");
    const auto j =
        json("forecast sealed-flask --room '850 hPa' --readings " + read + " --at '30 min' '45 min'");
    ASSERT_EQ(j["at"].size(), 2U);
    EXPECT_EQ(j["at"][0]["time_s"], 1800.0);
    EXPECT_LE(j["at"][0]["temperature_low_k"], j["at"][0]["temperature_k"]);
    EXPECT_LE(j["at"][0]["temperature_k"], j["at"][0]["temperature_high_k"]);
    EXPECT_LT(j["parameters"][2]["high"].get<double>() - j["parameters"][2]["low"].get<double>(),
              j["prior"]["parameters"][2]["high"].get<double>() -
                  j["prior"]["parameters"][2]["low"].get<double>());
    EXPECT_GT(j["boils_down_to_k"].get<double>(), 273.15);
    EXPECT_EQ(json("forecast sealed-flask --room '850 hPa' --at '30 min'")["readings"], 0);
    // A semicolon parts the columns: a decimal comma may stand in them.
    const auto same = json("forecast sealed-flask --room '850 hPa' --at '30 min' --readings " +
                           write("comma.csv", "time_s;temperature_degC\n300;84,0\n600;72,5\n900;61,0\n"));
    EXPECT_EQ(same["at"][0]["temperature_k"], j["at"][0]["temperature_k"]);
    EXPECT_EQ(run("forecast sealed-flask --readings " + read).code, 2);
    EXPECT_EQ(run("forecast closed-and-heated --room '850 hPa'").code, 2);
    EXPECT_EQ(run("forecast sealed-flask --room '850 hPa' --set 'salt=3 g'").code, 2);
    EXPECT_EQ(run("forecast sealed-flask --room '850 hPa' --readings " + write("x.csv", "a,b\n1,2\n")).code,
              2);
    EXPECT_EQ(run("forecast sealed-flask --room '850 hPa' --readings " +
                  write("late.csv", "time_s,temperature_degC\n1e9,20\n"))
                  .code,
              3);
    EXPECT_EQ(run("forecast sealed-flask --room '850 hPa' --at '-5 min'").code, 2);
}

TEST(CommandLine, ActsGoOutAndComeBack) {
    const testing::TempDir dir;
    ASSERT_TRUE(writeDemoNotebook(dir / "demo.uttrin"));
    const std::string file = (dir / "demo.uttrin").string(), out = (dir / "").string();
    const auto acts = json("lesson info " + file)["acts"].size();
    std::vector<std::string> written;
    for (const std::string format : {"csv", "json"})
        written.push_back(
            json("lesson export " + file + " --format " + format + " --out " + out)["written"][0]);
    for (const std::string& path : written)
        EXPECT_EQ(json("lesson import " + file + " " + path)["acts"], acts);
    const auto all = json("lesson info " + file)["acts"];
    ASSERT_EQ(all.size(), 3 * acts);
    for (std::size_t i = 0; i < acts; ++i) {
        EXPECT_EQ(all[i]["title"], all[i + 2 * acts]["title"]);
        EXPECT_EQ(all[i]["stamps"], all[i + 2 * acts]["stamps"]);
    }
    EXPECT_EQ(run("lesson import " + file).code, 2);
}

TEST(CommandLine, ThePrepSheetIsAPageOrTwoAndTheWholeLessonIsOneFile) {
    const testing::TempDir dir;
    ASSERT_TRUE(writeDemoNotebook(dir / "demo.uttrin"));
    const std::string file = (dir / "demo.uttrin").string();
    const auto prep = json("prep " + file + " --out " + (dir / "prep.pdf").string());
    EXPECT_GE(prep["pages"].get<int>(), 1);
    EXPECT_LE(prep["pages"].get<int>(), 2);
    EXPECT_EQ(prep["todo"], json("schedule " + file)["todo"]);
    EXPECT_FALSE(prep["materials"].empty());
    EXPECT_EQ(run("prep " + file + " --out prep.doc").code, 2);
    EXPECT_EQ(run("prep " + file + " --technician --out " + (dir / "t.html").string()).code, 0);
    EXPECT_EQ(run("prep " + file + " --hand-over --out " + (dir / "h.html").string()).code, 0);
    const auto whole = json("lesson report " + file + " --out " + (dir / "whole.pdf").string());
    EXPECT_GT(whole["pages"].get<int>(), prep["pages"].get<int>() + 3)
        << "a prep sheet and a paper for each act";
    EXPECT_EQ(run("lesson report " + file + " --out whole.doc").code, 2);
}

} // namespace
} // namespace uttrin
