#include "notebook/Notebook.h"
#include "support/TempDir.h"

#include <SQLiteCpp/SQLiteCpp.h>
#include <gtest/gtest.h>

#include <fstream>

namespace uttrin {
namespace {

namespace fs = std::filesystem;
using testing::TempDir;

/// One lesson with a plan, a run and a reading.
void fill(Notebook& notebook) {
    ASSERT_TRUE(notebook.perform(Text::typed("fill"), [](Notebook::Editor& edit) {
        const RowId lesson = edit.insert(Lesson{0, "L", "", "", "2026-04-23", 0, false, 0, false});
        const RowId setup = edit.insert(Setup{0, lesson, "p", "{}", {}});
        const RowId run = edit.insert(Run{0, setup, edit.insert(Group{0, lesson, "Ember"}), 1, 0, {}});
        edit.insert(RunRig{0, run, "{}", 0, {}});
        Reading r;
        r.runId = run;
        r.position = 1;
        r.temperature = 60.0;
        edit.insert(r);
    }));
}

Result<void> insertReading(Notebook& notebook) {
    return notebook.perform(Text::typed("capture"), [](Notebook::Editor& edit) {
        Reading r;
        r.runId = 1;
        r.position = 2;
        edit.insert(r);
    });
}

/// A notebook to which another program did something.
fs::path doctored(const TempDir& dir, const std::string& sql) {
    const auto path = dir / "a.uttrin";
    {
        auto notebook = *Notebook::create(path);
        fill(notebook);
    }
    SQLite::Database db(path.string(), SQLite::OPEN_READWRITE);
    db.exec(sql);
    return path;
}

// A trigger that ignores what is inserted made the screen say 'Captured, and on disk' with nothing stored.
TEST(HostileNotebook, ATriggerIsNotRun) {
    const TempDir dir;
    auto notebook = *Notebook::open(
        doctored(dir, "CREATE TRIGGER t BEFORE INSERT ON reading BEGIN SELECT raise(ignore); END; "
                      "CREATE TRIGGER u AFTER INSERT ON reading BEGIN DELETE FROM reading; END"));
    ASSERT_TRUE(insertReading(notebook));
    EXPECT_EQ(*notebook.count("reading"), 2);
}

TEST(HostileNotebook, AViewOrATableOfAnotherShapeIsRefusedAtOnce) {
    for (const char* sql :
         {"ALTER TABLE note RENAME TO n2; CREATE VIEW note AS WITH RECURSIVE r(id) AS (SELECT 1 UNION ALL "
          "SELECT id + 1 "
          "FROM r) SELECT id, 1 AS run_id, 0 AS taken_at, '' AS text FROM r",
          "ALTER TABLE reading ADD COLUMN g TEXT AS (hex(zeroblob(100000000)))", "DROP TABLE note",
          "CREATE TABLE other (id INTEGER)", "ALTER TABLE room RENAME COLUMN entry TO entries"}) {
        const TempDir dir;
        const auto path = doctored(dir, sql);
        const auto notebook = Notebook::open(path);
        ASSERT_FALSE(notebook) << sql;
        EXPECT_NE(plain(notebook.error().message).find("can be saved to a new notebook"), std::string::npos)
            << notebook.error().message;
        const auto saved = Notebook::salvage(path, dir / "rescued.uttrin");
        ASSERT_TRUE(saved) << saved.error().message;
        EXPECT_EQ(*saved, 1);
    }
}

// The rescue copied what hangs in the air, and the rescued file ended the program at each opening.
TEST(HostileNotebook, ARescueHangsUpWhatLostItsPlace) {
    const TempDir dir;
    const auto path = doctored(
        dir, "PRAGMA foreign_keys = OFF; DELETE FROM run; DELETE FROM setup; DELETE FROM lesson; "
             "UPDATE reading SET zero_id = 7; INSERT INTO note (run_id, taken_at, text) VALUES (9, 1, 'x')");
    ASSERT_EQ(*Notebook::salvage(path, dir / "b.uttrin"), 1);
    auto rescued = *Notebook::open(dir / "b.uttrin");
    EXPECT_TRUE(rescued.check()->empty());
    const auto lessons = *rescued.lessons();
    ASSERT_EQ(lessons.size(), 1U);
    EXPECT_EQ(lessons.front().title, "found");
    const auto data = *rescued.load(lessons.front().id);
    ASSERT_EQ(data.readings.size(), 1U);
    EXPECT_EQ(data.readings.front().temperature, 60.0);
    EXPECT_EQ(data.notes.size(), 1U);
    EXPECT_EQ(data.rigs.size(), data.runs.size());
    EXPECT_TRUE(insertReading(rescued));
}

TEST(HostileNotebook, AValueThatIsNoneIsAFailureNotTheEnd) {
    const TempDir dir;
    auto notebook = *Notebook::open(doctored(dir, "UPDATE reading SET criterion = 'whenever'"));
    const auto data = notebook.load(1);
    ASSERT_FALSE(data);
    EXPECT_NE(plain(data.error().message).find("'whenever' is not a boiling criterion"), std::string::npos)
        << data.error().message;
}

TEST(HostileNotebook, ASecondWindowReadsAndDoesNotWrite) {
    const TempDir dir;
    auto first = *Notebook::create(dir / "a.uttrin");
    fill(first);
    {
        auto second = *Notebook::open(dir / "a.uttrin");
        EXPECT_TRUE(second.readOnly());
        EXPECT_NE(plain(second.notice()).find("open in another window"), std::string::npos);
        EXPECT_FALSE(insertReading(second));
        ASSERT_TRUE(insertReading(first));
        EXPECT_EQ(second.load(1)->readings.size(), 2U);
    }
    ASSERT_TRUE(insertReading(first));
    first = *Notebook::create(dir / "b.uttrin");
    EXPECT_FALSE(Notebook::open(dir / "a.uttrin")->readOnly()) << "the first one was closed";
}

TEST(HostileNotebook, WhatAnotherProgramChangedMeanwhileIsNotWrittenOver) {
    const TempDir dir;
    auto notebook = *Notebook::create(dir / "a.uttrin");
    fill(notebook);
    const Reading before = notebook.load(1)->readings.front();
    SQLite::Database other((dir / "a.uttrin").string(), SQLite::OPEN_READWRITE);
    other.exec("UPDATE reading SET struck_reason = 'there'");
    Reading after = before;
    after.struckReason = "here";
    const auto strike = [&] {
        return notebook.perform(Text::typed("strike"),
                                [&](Notebook::Editor& edit) { edit.update(before, after); });
    };
    const auto refused = strike();
    ASSERT_FALSE(refused);
    EXPECT_NE(plain(refused.error().message).find("changed or taken away in another window meanwhile"),
              std::string::npos);
    EXPECT_EQ(notebook.load(1)->readings.front().struckReason, "there");
    after = before;
    after.vigour = 5; // what the other left alone can be changed
    EXPECT_TRUE(strike());
    EXPECT_EQ(notebook.load(1)->readings.front().struckReason, "there");
    other.exec("DELETE FROM reading");
    EXPECT_FALSE(strike());
    EXPECT_FALSE(notebook.undo());
    EXPECT_TRUE(notebook.load(1)->readings.empty());
}

TEST(HostileNotebook, AFileThatIsReplacedOrEmptiedUnderTheProgramIsNoticed) {
    const TempDir dir;
    auto notebook = *Notebook::create(dir / "a.uttrin");
    fill(notebook);
    ASSERT_TRUE(notebook.saveCopy(dir / "b.uttrin"));
    fs::rename(dir / "b.uttrin", dir / "a.uttrin");
    EXPECT_FALSE(notebook.isStillThere());
    const auto refused = insertReading(notebook);
    ASSERT_FALSE(refused);
    EXPECT_NE(plain(refused.error().message).find("replaced by another program"), std::string::npos);
    EXPECT_TRUE(notebook.saveCopy(dir / "c.uttrin")) << "what is here can still be kept";
    auto emptied = *Notebook::open(dir / "c.uttrin");
    std::ofstream(dir / "c.uttrin", std::ios::trunc).close();
    EXPECT_FALSE(emptied.lessons());
    EXPECT_FALSE(insertReading(emptied));
}

} // namespace
} // namespace uttrin
