#include "notebook/Notebook.h"

#include "support/TempDir.h"

#include <SQLiteCpp/SQLiteCpp.h>
#include <gtest/gtest.h>

#include <fcntl.h>
#include <fstream>
#include <iterator>
#include <sys/stat.h>
#include <unistd.h>

namespace uttrin {
namespace {

using testing::TempDir;

Lesson lesson(const std::string& title) {
    return {0, title, "Skarnfell Upper School", "K12", "2026-04-23", 612.0, true, 120, false};
}

/// Lays down the rights of the superuser, who may write everywhere, until it goes; nothing for anyone else.
class AsNobody {
public:
    AsNobody() {
        constexpr uid_t kNobody = 65534;
        if (m_before == 0) {
            EXPECT_EQ(::seteuid(kNobody), 0);
        }
    }
    AsNobody(const AsNobody&) = delete;
    AsNobody& operator=(const AsNobody&) = delete;
    ~AsNobody() {
        if (m_before == 0) {
            EXPECT_EQ(::seteuid(m_before), 0);
        }
    }

private:
    uid_t m_before = ::geteuid();
};

/// A notebook with one lesson, one run and `count` readings.
void fill(Notebook& notebook, int count) {
    const auto done = notebook.perform(Text::typed("fill"), [&](Notebook::Editor& edit) {
        const RowId l = edit.insert(lesson("Boiling"));
        const RowId s = edit.insert(Setup{0, l, "plan", "{}", std::nullopt});
        const RowId g = edit.insert(Group{0, l, "Cedar"});
        const RowId r = edit.insert(Run{0, s, g, 1, 1000, std::nullopt});
        for (int i = 0; i < count; ++i) {
            Reading reading;
            reading.runId = r;
            reading.position = i + 1;
            reading.first = -0.7 + 0.001 * i;
            reading.temperature = 60.0 + i;
            edit.insert(reading);
        }
    });
    ASSERT_TRUE(done) << done.error().message;
}

std::string bytes(const std::filesystem::path& path) {
    std::ifstream file(path, std::ios::binary);
    return {std::istreambuf_iterator<char>(file), {}};
}

void write(const std::filesystem::path& path, const std::string& content) {
    std::ofstream(path, std::ios::binary) << content;
}

TEST(Notebook, EveryFieldOfAReadingComesBackAsItWas) {
    const TempDir dir;
    Reading in;
    in.position = 4;
    in.place = -1;
    in.takenAt = 1776932460123;
    in.first = 61.75;
    in.second = 20.4;
    in.temperature = 73.9;
    in.beforePull = 75.1;
    in.criterion = BoilingCriterion::FirstBubbles;
    in.judge = "Cedar; \"the other\" half";
    in.isolated = false;
    in.side = ApproachSide::Cooling;
    in.vigour = 5;
    in.useInFit = false;
    in.struckReason = "superheated";
    in.readOrder = "isolate both";
    in.heaterSetting = 4.5;
    in.live = LiveCapture{0, 1776932450000, 1776932460000, true, false, 12.5, std::nullopt};
    {
        auto notebook = Notebook::create(dir / "a.uttrin");
        ASSERT_TRUE(notebook);
        fill(*notebook, 0);
        const auto done = notebook->perform(Text::typed("one"), [&](Notebook::Editor& edit) {
            in.runId = 1;
            in.zeroId = edit.insert(ZeroCheck{0, 1, 5, 0.1, 0.2});
            in.id = edit.insert(in);
        });
        ASSERT_TRUE(done);
    }
    const auto notebook = Notebook::open(dir / "a.uttrin");
    ASSERT_TRUE(notebook) << notebook.error().message;
    const auto data = notebook->load(notebook->lessons()->front().id).value();
    ASSERT_EQ(data.readings.size(), 1U);
    const Reading& out = data.readings.front();
    EXPECT_EQ(out.id, in.id);
    EXPECT_EQ(out.place, in.place);
    EXPECT_EQ(out.takenAt, in.takenAt);
    EXPECT_EQ(out.first, in.first);
    EXPECT_EQ(out.second, in.second);
    EXPECT_EQ(out.temperature, in.temperature);
    EXPECT_EQ(out.beforePull, in.beforePull);
    EXPECT_EQ(out.criterion, in.criterion);
    EXPECT_EQ(out.judge, in.judge);
    EXPECT_EQ(out.isolated, in.isolated);
    EXPECT_EQ(out.side, in.side);
    EXPECT_EQ(out.vigour, in.vigour);
    EXPECT_EQ(out.zeroId, in.zeroId);
    EXPECT_EQ(out.useInFit, in.useInFit);
    EXPECT_EQ(out.struckReason, in.struckReason);
    EXPECT_EQ(out.readOrder, in.readOrder);
    EXPECT_EQ(out.heaterSetting, in.heaterSetting);
    in.live->id = in.id;
    EXPECT_EQ(out.live, in.live);
    EXPECT_EQ(data.lesson.altitudeM, 612.0);
    EXPECT_TRUE(data.lesson.altitudeKnown);
}

TEST(Notebook, APictureComesBackByteForByteWithItsMarks) {
    const TempDir dir;
    const std::vector<std::byte> bytes{std::byte{0x89}, std::byte{0}, std::byte{0xFF}, std::byte{0}};
    {
        auto notebook = *Notebook::create(dir / "a.uttrin");
        fill(notebook, 1);
        ASSERT_TRUE(notebook.perform(Text::typed("photo"), [&](Notebook::Editor& edit) {
            const RowId picture = edit.insert(Picture{0, bytes});
            edit.insert(
                Photo{0, 1, 1, std::nullopt, PhotoSubject::Pressure, 7, picture, R"({"a":1})", 0.25, 0.5});
        }));
    }
    auto notebook = *Notebook::open(dir / "a.uttrin");
    const auto photos = notebook.load(1).value().photos;
    ASSERT_EQ(photos.size(), 1U);
    EXPECT_EQ(photos[0].readingId, 1);
    EXPECT_FALSE(photos[0].roomId);
    EXPECT_EQ(photos[0].marks, R"({"a":1})");
    EXPECT_EQ(photos[0].uFirst, 0.25);
    EXPECT_EQ(photos[0].uSecond, 0.5);
    EXPECT_EQ(notebook.picture(photos[0].pictureId), bytes);
    EXPECT_TRUE(notebook.picture(99)->empty());
    const auto homeless = notebook.perform(Text::typed("a picture of nothing"), [&](Notebook::Editor& edit) {
        edit.insert(Photo{
            0, 1, std::nullopt, std::nullopt, PhotoSubject::Room, 7, photos[0].pictureId, "{}", 0.0, {}});
    });
    EXPECT_FALSE(homeless) << "a picture belongs to a reading or to a room record";
    const auto saved = Notebook::salvage(dir / "a.uttrin", dir / "b.uttrin");
    ASSERT_TRUE(saved);
    auto copy = *Notebook::open(dir / "b.uttrin");
    EXPECT_EQ(copy.picture(copy.load(1).value().photos.at(0).pictureId), bytes);
}

// What instruments said is nothing that undo takes back: a lesson that has some of it stays too, and says
// why.
TEST(Notebook, ALessonThatHasATraceIsNotUndone) {
    const TempDir dir;
    auto notebook = *Notebook::create(dir / "a.uttrin");
    RowId lesson = 0;
    ASSERT_TRUE(notebook.perform(Text::typed("lesson"), [&](Notebook::Editor& edit) {
        lesson = edit.insert(Lesson{0, "Cedar", "", "", "", 0.0, false, 0, false});
    }));
    ASSERT_TRUE(notebook.openStream(LiveStream{0, lesson, "probe", "temperature", "file:x.csv", 5, 0.1}));
    const auto undone = notebook.undo();
    ASSERT_FALSE(undone);
    EXPECT_NE(plain(undone.error().message).find("live instruments said since"), std::string::npos);
    EXPECT_EQ(notebook.load(lesson)->streams.size(), 1U);
    EXPECT_TRUE(notebook.canUndo());
}

/// What versions 9 to 11 added.
constexpr const char* kDropLive = "DROP TABLE instrument; DROP TABLE bench_picture; DROP TABLE live_chunk; "
                                  "DROP TABLE live_stream; DROP TABLE reading_live; "
                                  "DROP TABLE reading_way; DROP TABLE rig_test";

/// A notebook as the first version of the program left it.
void makeVersion1(const std::filesystem::path& path) {
    {
        auto notebook = *Notebook::create(path);
        fill(notebook, 2);
    }
    SQLite::Database db(path.string(), SQLite::OPEN_READWRITE);
    db.exec(kDropLive);
    db.exec("DROP TABLE photo; DROP TABLE picture; DROP TABLE run_rig; DROP TABLE prediction_pressure; DROP "
            "TABLE unlocking; DROP TABLE liquid_start; DROP TABLE period_supplies; DROP TABLE stamp_group; "
            "DROP TABLE answer; DROP TABLE question; DROP TABLE stamp_reading; DROP "
            "TABLE bell; DROP TABLE stamp; DROP TABLE act; DROP TABLE period; "
            "PRAGMA user_version = 1");
}

TEST(Notebook, AnOlderNotebookIsBroughtUpToDateAndKeepsItsReadings) {
    const TempDir dir;
    makeVersion1(dir / "a.uttrin");
    auto notebook = *Notebook::open(dir / "a.uttrin");
    EXPECT_TRUE(notebook.notice().empty());
    EXPECT_EQ(notebook.load(1).value().readings.size(), 2U);
    EXPECT_EQ(notebook.count("photo"), 0);
    EXPECT_TRUE(notebook.check()->empty());
    auto again = Notebook::open(dir / "a.uttrin");
    ASSERT_TRUE(again) << again.error().message;
}

// One of the version before keeps its acts and stamps, and gets what was added.
TEST(Notebook, ANotebookOfTheVersionBeforeKeepsItsStamps) {
    const TempDir dir;
    {
        auto notebook = *Notebook::create(dir / "a.uttrin");
        fill(notebook, 1);
        ASSERT_TRUE(notebook.perform(Text::typed("act"), [](Notebook::Editor& edit) {
            Act act;
            act.lessonId = 1;
            act.title = "flask";
            Stamp stamp;
            stamp.actId = edit.insert(act);
            stamp.kind = StampKind::Read;
            stamp.value = 71.5;
            stamp.unit = "degC";
            edit.insert(stamp);
        }));
    }
    {
        SQLite::Database db((dir / "a.uttrin").string(), SQLite::OPEN_READWRITE);
        db.exec(kDropLive);
        db.exec("DROP TABLE period_supplies; DROP TABLE stamp_group; DROP TABLE answer; DROP TABLE question; "
                "DROP TABLE stamp_reading; DROP TABLE bell; "
                "PRAGMA user_version = 6");
    }
    auto notebook = *Notebook::open(dir / "a.uttrin");
    EXPECT_TRUE(notebook.notice().empty()) << notebook.notice();
    const auto data = notebook.load(1).value();
    ASSERT_EQ(data.stamps.size(), 1U);
    EXPECT_EQ(data.stamps[0].value, 71.5);
    EXPECT_EQ(data.stamps[0].bound, StampBound::None);
    EXPECT_TRUE(data.questions.empty());
    ASSERT_TRUE(notebook.perform(Text::typed("bound"), [](Notebook::Editor& edit) {
        Stamp stamp;
        stamp.actId = 1;
        stamp.kind = StampKind::Read;
        stamp.value = 60.0;
        stamp.bound = StampBound::Below;
        stamp.instrument = "spirit";
        edit.insert(stamp);
    }));
    EXPECT_EQ(notebook.load(1).value().stamps.back().instrument, "spirit");
    ASSERT_TRUE(notebook.undo());
    EXPECT_EQ(notebook.load(1).value().stamps.size(), 1U);
}

TEST(Notebook, AnOlderNotebookThatIsBrokenIsRefusedAndStaysAsItIs) {
    const TempDir dir;
    makeVersion1(dir / "a.uttrin");
    {
        SQLite::Database db((dir / "a.uttrin").string(), SQLite::OPEN_READWRITE);
        db.exec("ALTER TABLE lesson RENAME COLUMN title TO heading");
    }
    const auto bytes = [&] {
        std::ifstream file(dir / "a.uttrin", std::ios::binary);
        return std::string(std::istreambuf_iterator<char>(file), {});
    };
    const std::string before = bytes();
    EXPECT_FALSE(Notebook::open(dir / "a.uttrin"));
    EXPECT_EQ(bytes(), before);
}

TEST(Notebook, AnOlderNotebookThatIsReadOnlyIsReadAsItIs) {
    const TempDir dir;
    makeVersion1(dir / "a.uttrin");
    using std::filesystem::perms;
    std::filesystem::permissions(dir / "a.uttrin",
                                 perms::owner_read | perms::group_read | perms::others_read);
    const AsNobody nobody;
    ASSERT_NE(::faccessat(AT_FDCWD, (dir / "a.uttrin").c_str(), W_OK, AT_EACCESS), 0);
    const auto notebook = Notebook::open(dir / "a.uttrin");
    ASSERT_TRUE(notebook) << notebook.error().message;
    EXPECT_TRUE(notebook->readOnly());
    EXPECT_EQ(notebook->load(1).value().readings.size(), 2U);
    EXPECT_TRUE(notebook->load(1).value().photos.empty());
}

TEST(Notebook, WhatAPeriodHasIsKeptChangedAndUndone) {
    const TempDir dir;
    {
        auto notebook = *Notebook::create(dir / "a.uttrin");
        fill(notebook, 1);
        ASSERT_TRUE(notebook.perform(Text::typed("Period"), [](Notebook::Editor& edit) {
            PeriodRow p;
            p.lessonId = 1;
            p.lastsS = 3000;
            p.people = 28;
            edit.insert(p);
        }));
        const PeriodRow before = *notebook.load(1).value().period;
        EXPECT_EQ(before.people, 28);
        EXPECT_FALSE(before.iceG);
        PeriodRow after = before;
        after.people.reset();
        after.iceG = 900;
        ASSERT_TRUE(notebook.perform(Text::typed("Ice"),
                                     [&](Notebook::Editor& edit) { edit.update(before, after); }));
        ASSERT_TRUE(notebook.undo());
        EXPECT_EQ(notebook.load(1).value().period->people, 28);
        ASSERT_TRUE(notebook.redo());
    }
    const auto again = *Notebook::open(dir / "a.uttrin");
    EXPECT_FALSE(again.load(1).value().period->people);
    EXPECT_EQ(again.load(1).value().period->iceG, 900);
    ASSERT_TRUE(Notebook::salvage(dir / "a.uttrin", dir / "b.uttrin"));
    EXPECT_EQ(Notebook::open(dir / "b.uttrin")->load(1).value().period->iceG, 900);
}

TEST(Notebook, UndoAndRedoTakeAWholeChangeBackAndForth) {
    const TempDir dir;
    auto notebook = *Notebook::create(dir / "a.uttrin");
    fill(notebook, 3);
    auto data = notebook.load(1).value();
    Reading changed = data.readings[1];
    changed.struckReason = "misread";
    ASSERT_TRUE(notebook.perform(Text::typed("Strike point 2"),
                                 [&](Notebook::Editor& edit) { edit.update(data.readings[1], changed); }));
    EXPECT_EQ(notebook.undoLabel(), "Strike point 2");
    ASSERT_TRUE(notebook.undo());
    EXPECT_FALSE(notebook.load(1).value().readings[1].struckReason);
    EXPECT_EQ(notebook.redoLabel(), "Strike point 2");
    ASSERT_TRUE(notebook.redo());
    EXPECT_EQ(notebook.load(1).value().readings[1].struckReason, "misread");
    ASSERT_TRUE(notebook.undo());
    ASSERT_TRUE(notebook.undo());
    EXPECT_TRUE(notebook.lessons()->empty());
    EXPECT_FALSE(notebook.canUndo());
    ASSERT_TRUE(notebook.redo());
    EXPECT_EQ(notebook.load(1).value().readings.size(), 3U);
}

TEST(Notebook, AChangeThatThrowsChangesNothing) {
    const TempDir dir;
    auto notebook = *Notebook::create(dir / "a.uttrin");
    EXPECT_THROW((void)notebook.perform(Text::typed("bad"),
                                        [](Notebook::Editor& edit) {
                                            edit.insert(lesson("half"));
                                            throw std::runtime_error("no");
                                        }),
                 std::runtime_error);
    EXPECT_TRUE(notebook.lessons()->empty());
    EXPECT_FALSE(notebook.canUndo());
    Reading orphan;
    orphan.runId = 99;
    const auto refused =
        notebook.perform(Text::typed("orphan"), [&](Notebook::Editor& edit) { edit.insert(orphan); });
    ASSERT_FALSE(refused);
    EXPECT_EQ(refused.error().kind, Failure::Storage);
}

TEST(Notebook, NothingIsOverwritten) {
    const TempDir dir;
    write(dir / "taken.uttrin", "precious");
    EXPECT_FALSE(Notebook::create(dir / "taken.uttrin"));
    auto notebook = *Notebook::create(dir / "a.uttrin");
    EXPECT_FALSE(notebook.saveCopy(dir / "taken.uttrin"));
    EXPECT_EQ(bytes(dir / "taken.uttrin"), "precious");
}

TEST(Notebook, ACopyIsComplete) {
    const TempDir dir;
    auto notebook = *Notebook::create(dir / "a.uttrin");
    fill(notebook, 7);
    ASSERT_TRUE(notebook.saveCopy(dir / "b.uttrin"));
    const auto copy = Notebook::open(dir / "b.uttrin");
    ASSERT_TRUE(copy) << copy.error().message;
    EXPECT_EQ(copy->load(1).value().readings.size(), 7U);
    EXPECT_TRUE(copy->check()->empty());
}

struct BadFile {
    const char* name;
    std::string content;
    const char* says;
};

TEST(Notebook, WhatIsNotANotebookIsNamedAndLeftAlone) {
    const TempDir dir;
    std::string foreign;
    {
        auto notebook = *Notebook::create(dir / "a.uttrin");
        foreign = bytes(dir / "a.uttrin");
    }
    foreign.replace(68, 4, std::string("\0\0\0\7", 4)); // another application's id
    for (const BadFile& bad : {BadFile{"text", "temperature,pressure\n", "not an Uttrin notebook"},
                               BadFile{"empty", "", "not an Uttrin notebook"},
                               BadFile{"foreign", foreign, "not an Uttrin notebook"}}) {
        SCOPED_TRACE(bad.name);
        write(dir / bad.name, bad.content);
        const auto opened = Notebook::open(dir / bad.name);
        ASSERT_FALSE(opened);
        EXPECT_EQ(opened.error().kind, Failure::Storage);
        EXPECT_NE(plain(opened.error().message).find(bad.says), std::string::npos) << opened.error().message;
        EXPECT_EQ(bytes(dir / bad.name), bad.content);
    }
    EXPECT_NE(plain(Notebook::open(dir / "none").error().message).find("no such file"), std::string::npos);
}

TEST(Notebook, ATruncatedNotebookIsRefusedAndWhatCanBeReadIsSaved) {
    const TempDir dir;
    {
        auto notebook = *Notebook::create(dir / "a.uttrin");
        fill(notebook, 2000);
    }
    const std::string whole = bytes(dir / "a.uttrin");
    const std::string cut = whole.substr(0, whole.size() * 6 / 10);
    write(dir / "cut.uttrin", cut);
    const auto opened = Notebook::open(dir / "cut.uttrin");
    ASSERT_FALSE(opened);
    EXPECT_NE(plain(opened.error().message).find("what can be read can be saved"), std::string::npos)
        << opened.error().message;
    const auto saved = Notebook::salvage(dir / "cut.uttrin", dir / "rescued.uttrin");
    ASSERT_TRUE(saved) << saved.error().message;
    EXPECT_GT(*saved, 100);
    EXPECT_LT(*saved, 2000);
    const auto rescued = *Notebook::open(dir / "rescued.uttrin");
    const auto data = rescued.load(1).value();
    EXPECT_EQ(static_cast<int>(data.readings.size()), *saved);
    EXPECT_EQ(data.readings.front().temperature, 60.0);
    EXPECT_EQ(bytes(dir / "cut.uttrin"), cut);
}

TEST(Notebook, ANewerVersionOpensForReadingOnly) {
    const TempDir dir;
    {
        auto notebook = *Notebook::create(dir / "a.uttrin");
        fill(notebook, 2);
    }
    std::string newer = bytes(dir / "a.uttrin");
    newer.replace(60, 4, std::string("\0\0\0\x63", 4)); // user_version 99, big-endian
    write(dir / "newer.uttrin", newer);
    auto opened = Notebook::open(dir / "newer.uttrin");
    ASSERT_TRUE(opened) << opened.error().message;
    EXPECT_TRUE(opened->readOnly());
    EXPECT_NE(plain(opened->notice()).find("newer version"), std::string::npos);
    EXPECT_EQ(opened->load(1).value().readings.size(), 2U);
    EXPECT_FALSE(opened->perform(Text::typed("x"), [](Notebook::Editor& edit) { edit.insert(lesson("x")); }));
    EXPECT_EQ(bytes(dir / "newer.uttrin"), newer);
}

TEST(Notebook, TheFileSaysWhatItIs) {
    const TempDir dir;
    { auto notebook = *Notebook::create(dir / "a.uttrin"); }
    const std::string head = bytes(dir / "a.uttrin").substr(0, 100);
    EXPECT_EQ(head.substr(68, 4), "UTTR");
    EXPECT_EQ(head.substr(60, 4), std::string("\0\0\0\13", 4));
}

} // namespace
} // namespace uttrin
