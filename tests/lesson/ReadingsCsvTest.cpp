#include "lesson/exchange/ReadingsCsv.h"

#include "lesson/commands/LessonSession.h"
#include "lesson/exchange/Exports.h"
#include "notebook/Csv.h"
#include "support/FakeClock.h"
#include "support/HandledSession.h"
#include "support/TempDir.h"

#include <gtest/gtest.h>
#include <nlohmann/json.hpp>
#include <rapidcheck/gtest.h>

#include <array>
#include <cmath>
#include <cstdio>

namespace uttrin {
namespace {

TEST(ReadingsCsv, ColumnsDeclareTheInstruments) {
    const auto in = readReadingsCsv(
        "temperature_degC,left_cm,right_cm,vigour,struck\n73.9,61.7,20.4,2,\n74.9,60.1,22.0,3,misread\n");
    ASSERT_TRUE(in) << in.error().message;
    EXPECT_EQ(in->plan().rig.gauge.convention, PressureConvention::TwoArm);
    EXPECT_EQ(in->plan().rig.gauge.unit, "cm");
    EXPECT_DOUBLE_EQ(in->plan().rig.gauge.division, 0.1);
    ASSERT_EQ(in->readings().size(), 2U);
    EXPECT_EQ(in->readings()[0].second, 20.4);
    EXPECT_EQ(in->readings()[1].struckReason, "misread");
    for (const auto& [column, convention] : {std::pair{"gauge_bar", PressureConvention::GaugeNegative},
                                             {"vacuum_inHg", PressureConvention::VacuumDepth},
                                             {"absolute_kPa", PressureConvention::Absolute}}) {
        const auto other = readReadingsCsv(std::string("temperature_K;") + column + "\n350;20\n");
        ASSERT_TRUE(other) << other.error().message;
        EXPECT_EQ(other->plan().rig.gauge.convention, convention);
    }
}

TEST(ReadingsCsv, BadLinesAreNamedWithTheirNumberAndTheGoodOnesKept) {
    const auto in =
        readReadingsCsv("temperature_degC,gauge_kPa\n49.9,-82\nwarm,-74\n60.1\n-300,-60\n67.2,-66.7\n");
    ASSERT_TRUE(in);
    EXPECT_EQ(in->readings().size(), 2U);
    ASSERT_EQ(in->complaints.size(), 3U);
    EXPECT_EQ(plain(in->complaints[0]).substr(0, 7), "line 3:");
    EXPECT_NE(plain(in->complaints[0]).find("'warm'"), std::string::npos);
    EXPECT_EQ(plain(in->complaints[1]).substr(0, 7), "line 4:");
    EXPECT_NE(plain(in->complaints[2]).find("absolute zero"), std::string::npos);
}

struct BadRow {
    const char* text;
    const char* says;
};

TEST(ReadingsCsv, AFileWithoutTheNeededColumnsIsRefused) {
    for (const BadRow& row : {BadRow{"", "empty"},
                              {"a,b\n1,2\n", "temperature_UNIT"},
                              {"temperature_degC,x\n1,2\n", "no pressure column"},
                              {"temperature_degC,gauge_xyz\n1,2\n", "'xyz' is not a unit of pressure"},
                              {"temperature_degC,gauge_kPa\n", "no readings"},
                              {"temperature_degC,gauge_kPa\na,b\n", "no line can be read"},
                              {"temperature_degC,left_cm,right_mm\n1,2,3\n", "one unit"}}) {
        SCOPED_TRACE(row.text);
        const auto in = readReadingsCsv(row.text);
        ASSERT_FALSE(in);
        EXPECT_NE(plain(in.error().message).find(row.says), std::string::npos) << in.error().message;
    }
}

TEST(ReadingsCsv, ImportedReadingsComeOutOfTheExportsAsTheyWent) {
    const testing::TempDir dir;
    const testing::FakeClock clock;
    testing::HandledSession s(*Notebook::create(dir / "a.uttrin"), clock, 120);
    ASSERT_TRUE(s.addLesson(Lesson{0, "x", "", "", "", 0, false, 0, true}));
    const auto in = *readReadingsCsv(
        "temperature_degC,absolute_kPa,struck\n60.06,20.0,\n81.3,50.0,superheated\n96.7,90.0,\n");
    ASSERT_TRUE(s.addImported("run", in.runs));
    const auto records = parseCsv(readingsCsv(s.model()));
    ASSERT_EQ(records.size(), 4U);
    const auto column = [&](const std::string& name) {
        return static_cast<std::size_t>(std::find(records[0].fields.begin(), records[0].fields.end(), name) -
                                        records[0].fields.begin());
    };
    EXPECT_EQ(records[1].fields[column("temperature")], "60.06");
    EXPECT_EQ(records[2].fields[column("struck")], "superheated");
    EXPECT_EQ(records[2].fields[column("in_fit")], "no");
    EXPECT_NEAR(std::stod(records[3].fields[column("absolute_pa")]), 90000.0, 1e-6);
    const auto json = nlohmann::json::parse(lessonJson(s.model()));
    EXPECT_TRUE(json["lesson"]["made_up"].get<bool>());
    EXPECT_EQ(json["readings"].size(), 3U);
    EXPECT_NEAR(json["readings"][0]["temperature_k"].get<double>(), 333.21, 1e-9);
    const auto files = exportNotebook(s.notebook(), "xlsx", dir / "out");
    ASSERT_TRUE(files);
    EXPECT_GT(std::filesystem::file_size(files->front()), 3000U);
    EXPECT_FALSE(exportNotebook(s.notebook(), "doc", dir / "out"));
}

TEST(ReadingsCsv, ADecimalCommaIsReadBetweenSemicolonsAndNamedBetweenCommas) {
    const auto semicolons = readReadingsCsv("temperature_degC;gauge_kPa\n60,5;-70,1\n");
    ASSERT_TRUE(semicolons) << semicolons.error().message;
    EXPECT_DOUBLE_EQ(semicolons->readings()[0].temperature, 60.5);
    EXPECT_DOUBLE_EQ(semicolons->readings()[0].first, -70.1);
    // A single separator before exactly three digits may part thousands: refused, whichever it is.
    const auto twoWays = readReadingsCsv("temperature_degC;absolute_hPa\n60,5;1,013\n60,5;1.013\n60,5;0,"
                                         "913\n61;1013,25\n62;1013\n63;1,0130\n");
    ASSERT_TRUE(twoWays) << twoWays.error().message;
    ASSERT_EQ(twoWays->readings().size(), 4U);
    EXPECT_DOUBLE_EQ(twoWays->readings()[0].first, 0.913);
    EXPECT_DOUBLE_EQ(twoWays->readings()[3].first, 1.013);
    ASSERT_EQ(twoWays->complaints.size(), 2U);
    for (const Text& complaint : twoWays->complaints)
        EXPECT_NE(plain(complaint).find(
                      "pressure can be read two ways: write 1013 or, with one more decimal, 1,0130"),
                  std::string::npos)
            << complaint;
    // Where points stand before decimals throughout, they do.
    EXPECT_DOUBLE_EQ(readReadingsCsv("temperature_degC;gauge_bar\n60.5;-1.013\n")->readings()[0].first,
                     -1.013);
    const auto commas = readReadingsCsv("temperature_degC,gauge_kPa\n60,5,-70,1\n61.5,-69\nx,-0.1\n");
    ASSERT_TRUE(commas);
    EXPECT_EQ(commas->readings().size(), 1U);
    ASSERT_EQ(commas->complaints.size(), 2U);
    EXPECT_NE(plain(commas->complaints[0]).find("decimal comma"), std::string::npos) << commas->complaints[0];
    EXPECT_NE(plain(commas->complaints[1]).find("line 4"), std::string::npos) << commas->complaints[1];
}

/// A notebook with runs of several groups and rigs, zeros, brackets and all that a reading may carry.
void fillAtRandom(testing::HandledSession& s, testing::FakeClock& clock) {
    ASSERT_TRUE(s.addLesson(Lesson{0, "x", "", "", "", 0, false, 120, false}));
    std::vector<ImportedRun> runs;
    const int count = *rc::gen::inRange(1, 4);
    for (int i = 0; i < count; ++i) {
        ImportedRun run;
        run.group = *rc::gen::element(std::string("Cedar"), std::string("=Dune"), std::string("#\"E,mber"));
        run.number = i + 1;
        run.plan.rig.gauge.convention = *rc::gen::element(
            PressureConvention::GaugeNegative, PressureConvention::TwoArm, PressureConvention::Absolute);
        const bool arms = run.plan.rig.gauge.convention == PressureConvention::TwoArm;
        if (arms) {
            run.plan.rig.gauge.unit = "cm";
            run.plan.rig.gauge.armSum = 82.0;
        }
        run.plan.rig.gauge.name = *rc::gen::element(std::string("gauge"), std::string("-a; \"b\""));
        run.plan.rig.depthCm = *rc::gen::inRange(0, 9);
        if (*rc::gen::arbitrary<bool>())
            run.zeros.push_back({0, 0, 1'700'000'000'000, 0.02, arms ? std::optional(0.5) : std::nullopt});
        if (*rc::gen::arbitrary<bool>())
            run.start = LiquidStart{0, 0, 1'699'999'000'000, *rc::gen::inRange(0, 4000) / 100.0};
        const int points = *rc::gen::inRange(1, 6);
        for (int k = 0; k < points; ++k) {
            Reading r;
            r.position = k + 1;
            if (*rc::gen::arbitrary<bool>()) r.place = *rc::gen::inRange(-1, 9);
            r.takenAt = 1'700'000'000'000 + 1000LL * *rc::gen::inRange(0, 100'000);
            r.first = *rc::gen::inRange(-9000, 9000) / 100.0;
            if (arms) r.second = *rc::gen::inRange(0, 9000) / 100.0;
            r.temperature = *rc::gen::inRange(0, 10'000) / 100.0;
            if (*rc::gen::arbitrary<bool>()) r.beforePull = r.temperature + 0.25;
            r.criterion = *rc::gen::element(BoilingCriterion::Steady, BoilingCriterion::BracketStops,
                                            BoilingCriterion::FirstBubbles);
            r.judge = *rc::gen::element(std::string(), std::string("=1+1"), std::string("'quoted"),
                                        std::string("two\nlines"));
            r.isolated = *rc::gen::arbitrary<bool>();
            r.side = *rc::gen::element(ApproachSide::Heating, ApproachSide::Cooling);
            r.vigour = *rc::gen::inRange(1, 6);
            r.readOrder = *rc::gen::element(std::string(), std::string("isolate plateau both"));
            if (*rc::gen::arbitrary<bool>()) r.heaterSetting = *rc::gen::inRange(0, 9);
            if (*rc::gen::arbitrary<bool>())
                r.live = LiveCapture{0, r.takenAt - 12'345, r.takenAt, *rc::gen::arbitrary<bool>(),
                                     *rc::gen::arbitrary<bool>(), 12.5, std::nullopt};
            if (!run.zeros.empty() && *rc::gen::arbitrary<bool>()) r.zeroId = 1;
            if (*rc::gen::arbitrary<bool>()) r.useInFit = *rc::gen::arbitrary<bool>();
            if (*rc::gen::arbitrary<bool>())
                r.struckReason = *rc::gen::element(std::string("#1"), std::string("too, \"fast\""));
            run.readings.push_back(r);
        }
        runs.push_back(std::move(run));
    }
    clock.time = 1'700'000'000'000;
    ASSERT_TRUE(s.addImported("x", runs));
}

// What goes out comes in again: exported, imported into a new notebook and exported once more it is the same.
RC_GTEST_PROP(Exports, ComeBackTheSameThroughCsvAndJson, ()) {
    const testing::TempDir dir;
    testing::FakeClock clock;
    testing::HandledSession first(*Notebook::create(dir / "a.uttrin"), clock, 120);
    fillAtRandom(first, clock);
    const std::string csv = readingsCsv(first.model());
    const auto json = nlohmann::ordered_json::parse(lessonJson(first.model()))["readings"];
    int which = 0;
    for (const auto& in : {readReadingsCsv(csv), readReadingsJson(lessonJson(first.model()))}) {
        if (!in) RC_LOG() << in.error().message;
        RC_ASSERT(in.has_value());
        RC_ASSERT(in->complaints.empty());
        testing::HandledSession again(*Notebook::create(dir / ("b" + std::to_string(which++) + ".uttrin")),
                                      clock, 120);
        RC_ASSERT(again.addLesson(Lesson{0, "y", "", "", "", 0, false, 120, false}).has_value());
        RC_ASSERT(again.addImported("y", in->runs).has_value());
        RC_ASSERT(readingsCsv(again.model()) == csv);
        RC_ASSERT(nlohmann::ordered_json::parse(lessonJson(again.model()))["readings"] == json);
    }
}

/// What a reader of another make finds in a workbook.
nlohmann::json readWorkbook(const std::filesystem::path& path) {
    FILE* pipe = popen((READ_WORKBOOK " '" + path.string() + "'").c_str(), "r");
    std::string text;
    std::array<char, 4096> part{};
    for (std::size_t n = 0; (n = fread(part.data(), 1, part.size(), pipe)) > 0;)
        text.append(part.data(), n);
    return pclose(pipe) == 0 ? nlohmann::json::parse(text) : nlohmann::json();
}

// A workbook opens elsewhere with the numbers and texts of the export, and with no formula in it.
RC_GTEST_PROP(Exports, AWorkbookOpensWithTheSameNumbers, ()) {
    if (*rc::gen::inRange(0, 8) != 0) return; // the other reader is slow to start: one in eight
    const testing::TempDir dir;
    testing::FakeClock clock;
    testing::HandledSession s(*Notebook::create(dir / "a.uttrin"), clock, 120);
    fillAtRandom(s, clock);
    const auto files = exportNotebook(s.notebook(), "xlsx", dir / "out");
    RC_ASSERT(files.has_value());
    const auto book = readWorkbook(files->front());
    RC_ASSERT(book.is_object());
    RC_ASSERT(book["formulas"].empty());
    const auto readings = nlohmann::json::parse(lessonJson(s.model()))["readings"];
    RC_ASSERT(book["rows"].size() == readings.size());
    for (std::size_t i = 0; i < readings.size(); ++i)
        for (const auto& [name, value] : readings[i].items()) {
            const auto& cell = book["rows"][i][name];
            RC_LOG() << name << ": " << value << " " << cell << "\n";
            if (value.is_number())
                RC_ASSERT(std::abs(cell.get<double>() - value.get<double>()) <=
                          1e-14 * std::abs(value.get<double>()));
            else if (value.is_boolean())
                RC_ASSERT(cell == (value.get<bool>() ? "yes" : "no"));
            else
                RC_ASSERT(cell == value || (cell.is_null() && value == ""));
        }
}

TEST(Exports, ARoomThatCannotBeReadIsNamedAndTheRestIsExported) {
    const testing::TempDir dir;
    const testing::FakeClock clock;
    auto notebook = *Notebook::create(dir / "a.uttrin");
    ASSERT_TRUE(notebook.perform(Text::set("x"), [](Notebook::Editor& edit) {
        const RowId lesson = edit.insert(Lesson{0, "x", "", "", "", 0, false, 0, false});
        edit.insert(RoomRecord{0, lesson, {}, RoomRole::Start, 0, 0, "not JSON", true});
    }));
    const testing::HandledSession s(std::move(notebook), clock, 0);
    const auto json = nlohmann::json::parse(lessonJson(s.model()));
    EXPECT_EQ(json["room_pressures"][0]["unreadable"], "not JSON");
    EXPECT_EQ(json["lesson"]["title"], "x");
}

TEST(Exports, TextThatIsNoUtf8IsExportedWithASignInItsPlace) {
    const testing::TempDir dir;
    const testing::FakeClock clock;
    testing::HandledSession s(*Notebook::create(dir / "a.uttrin"), clock, 0);
    ASSERT_TRUE(s.addLesson(Lesson{0, "caf\xe9", "\xff\xfe", "", "", 0, false, 0, true}));
    const auto json = nlohmann::json::parse(lessonJson(s.model()));
    EXPECT_EQ(json["lesson"]["title"], "caf\uFFFD");
    EXPECT_EQ(json["lesson"]["school"], "\uFFFD\uFFFD");
    auto in = *readReadingsCsv("temperature_degC,absolute_kPa\n60.06,20.0\n");
    in.runs[0].readings[0].judge = "C\xe9\x01";
    ASSERT_TRUE(s.addImported("x", in.runs));
    const auto book = readWorkbook(exportNotebook(s.notebook(), "xlsx", dir / "out")->front());
    ASSERT_TRUE(book.is_object());
    EXPECT_TRUE(book["rows"][0]["judge"].get<std::string>().starts_with("C\uFFFD"))
        << book["rows"][0]["judge"];
}

RC_GTEST_PROP(ReadingsCsv, AnyTextIsReadOrRefusedWithAReason, (std::string text)) {
    const auto in = readReadingsCsv("temperature_degC,gauge_kPa,vigour,time_s\n" + text);
    if (in)
        RC_ASSERT(!in->readings().empty());
    else
        RC_ASSERT(!in.error().message.empty());
}

} // namespace
} // namespace uttrin
