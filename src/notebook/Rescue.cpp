#include "NotebookState.h"
#include "RowAccess.h"
#include "Schema.h"

#include <fmt/format.h>

namespace uttrin {
namespace fs = std::filesystem;

namespace {

constexpr const char* kFound = "found";

/// Copies rows with their ids until the damaged file gives no more; rows that the tables refuse are left.
template <typename Record>
void copyTable(SQLite::Database& from, SQLite::Database& to) {
    try {
        SQLite::Statement source(from, tables::selectSql<Record>(""));
        while (source.executeStep()) {
            try {
                const auto record = tables::readRecord<Record>(source);
                tables::insertWithId(to, record);
            } catch (const std::runtime_error&) {
                // This row is not one of ours any more; the next may be.
            }
        }
    } catch (const std::runtime_error&) {
        // The rest of this table cannot be read; the next table may be.
    }
}

/// Hangs up what lost its place: a lesson, a plan, a group and runs called 'found' take it in.
void placeOrphans(SQLite::Database& db) {
    const auto orphans = [](const char* table, const char* key, const char* parent) {
        return fmt::format("{0} WHERE {1} IS NOT NULL AND {1} NOT IN (SELECT id FROM {2})", table, key,
                           parent);
    };
    const auto any = [&](const std::string& of) {
        return db.execAndGet(fmt::format("SELECT count(*) FROM {}", of)).getInt() > 0;
    };
    const auto clear = [&](const char* table, const char* key, const char* parent) {
        db.exec(
            fmt::format("UPDATE {0} SET {1} = NULL WHERE {1} IS NOT NULL AND {1} NOT IN (SELECT id FROM {2})",
                        table, key, parent));
    };
    db.exec(
        "DELETE FROM bench_picture WHERE picture_id NOT IN (SELECT id FROM picture) OR run_id NOT IN "
        "(SELECT id FROM run) OR (reading_id IS NOT NULL AND reading_id NOT IN (SELECT id FROM reading))");
    // A picture without what it shows says nothing; a prediction without its plan neither.
    db.exec(
        "DELETE FROM photo WHERE picture_id NOT IN (SELECT id FROM picture) OR (reading_id IS NOT NULL AND "
        "reading_id NOT IN (SELECT id FROM reading)) OR (room_id IS NOT NULL AND room_id NOT IN (SELECT id "
        "FROM "
        "room))");
    db.exec("DELETE FROM prediction WHERE setup_id NOT IN (SELECT id FROM setup)");
    db.exec("DELETE FROM prediction_pressure WHERE id NOT IN (SELECT id FROM prediction)");
    db.exec("DELETE FROM stamp WHERE act_id NOT IN (SELECT id FROM act)");
    db.exec("DELETE FROM stamp_reading WHERE id NOT IN (SELECT id FROM stamp)");
    db.exec(
        "DELETE FROM stamp_group WHERE id NOT IN (SELECT id FROM stamp) OR group_id NOT IN (SELECT id FROM "
        "class_group)");
    db.exec("DELETE FROM question WHERE act_id NOT IN (SELECT id FROM act)");
    db.exec("DELETE FROM answer WHERE question_id NOT IN (SELECT id FROM question)");
    db.exec("DELETE FROM bell WHERE lesson_id NOT IN (SELECT id FROM lesson)");
    db.exec("DELETE FROM period WHERE lesson_id NOT IN (SELECT id FROM lesson)");
    db.exec("DELETE FROM period_supplies WHERE id NOT IN (SELECT id FROM period)");
    db.exec("DELETE FROM live_chunk WHERE stream_id NOT IN (SELECT id FROM live_stream)");
    db.exec("DELETE FROM reading_live WHERE id NOT IN (SELECT id FROM reading)");
    db.exec("DELETE FROM reading_way WHERE id NOT IN (SELECT id FROM reading)");
    db.exec("DELETE FROM rig_test WHERE setup_id NOT IN (SELECT id FROM setup)");
    db.exec("DELETE FROM unlocking WHERE setup_id NOT IN (SELECT id FROM setup)");
    clear("room", "group_id", "class_group");
    clear("reading", "zero_id", "zero_check");
    clear("act", "setup_id", "setup");
    clear("answer", "group_id", "class_group");
    clear("bell", "act_id", "act");
    const bool lost =
        any(orphans("class_group", "lesson_id", "lesson")) || any(orphans("room", "lesson_id", "lesson")) ||
        any(orphans("setup", "lesson_id", "lesson")) || any(orphans("run", "setup_id", "setup")) ||
        any(orphans("run", "group_id", "class_group")) || any(orphans("reading", "run_id", "run")) ||
        any(orphans("zero_check", "run_id", "run")) || any(orphans("note", "run_id", "run")) ||
        any(orphans("liquid_start", "run_id", "run")) || any(orphans("photo", "lesson_id", "lesson")) ||
        any(orphans("act", "lesson_id", "lesson")) || any(orphans("live_stream", "lesson_id", "lesson"));
    if (lost) {
        const auto add = [&](const std::string& insert) {
            db.exec(insert);
            return static_cast<RowId>(db.getLastInsertRowid());
        };
        const RowId lesson =
            add(fmt::format("INSERT INTO lesson (title, school, room_name, held_on, altitude_m, "
                            "altitude_known, utc_offset_min, made_up) VALUES ('{}', '', '', '', 0, 0, 0, 0)",
                            kFound));
        const RowId setup = add(fmt::format(
            "INSERT INTO setup (lesson_id, name, plan) VALUES ({}, '{}', '{{}}')", lesson, kFound));
        const RowId group =
            add(fmt::format("INSERT INTO class_group (lesson_id, name) VALUES ({}, '{}')", lesson, kFound));
        for (const char* table : {"class_group", "room", "setup", "photo", "act", "live_stream"})
            db.exec(fmt::format("UPDATE {} SET lesson_id = {} WHERE lesson_id NOT IN (SELECT id FROM lesson)",
                                table, lesson));
        for (const char* table :
             {"reading", "zero_check", "liquid_start", "note"}) // their runs, with the ids that they had
            db.exec(fmt::format(
                "INSERT INTO run (id, setup_id, group_id, number, started_at) SELECT DISTINCT run_id, {}, "
                "{}, 1, taken_at FROM {} WHERE run_id NOT IN (SELECT id FROM run) GROUP BY run_id",
                setup, group, table));
        db.exec(
            fmt::format("UPDATE run SET setup_id = {} WHERE setup_id NOT IN (SELECT id FROM setup)", setup));
        db.exec(fmt::format("UPDATE run SET group_id = {} WHERE group_id NOT IN (SELECT id FROM class_group)",
                            group));
    }
    db.exec("DELETE FROM run_rig WHERE run_id NOT IN (SELECT id FROM run)");
    db.exec("INSERT INTO run_rig (run_id, rig, recorded_at, reason) SELECT run.id, setup.plan, "
            "run.started_at, '' FROM run "
            "JOIN setup ON setup.id = run.setup_id WHERE run.id NOT IN (SELECT run_id FROM run_rig)");
}

void copyReadable(SQLite::Database& from, SQLite::Database& to) {
    to.exec("PRAGMA foreign_keys = OFF");
    SQLite::Transaction transaction(to);
    copyTable<Lesson>(from, to);
    copyTable<Group>(from, to);
    copyTable<RoomRecord>(from, to);
    copyTable<Setup>(from, to);
    copyTable<Prediction>(from, to);
    copyTable<PredictionPressure>(from, to);
    copyTable<Unlocking>(from, to);
    copyTable<Run>(from, to);
    copyTable<RunRig>(from, to);
    copyTable<ZeroCheck>(from, to);
    copyTable<Reading>(from, to);
    copyTable<LiquidStart>(from, to);
    copyTable<Note>(from, to);
    copyTable<Act>(from, to);
    copyTable<Stamp>(from, to);
    copyTable<StampReading>(from, to);
    copyTable<StampGroup>(from, to);
    copyTable<Question>(from, to);
    copyTable<Answer>(from, to);
    copyTable<BellRow>(from, to);
    copyTable<PeriodRow>(from, to);
    copyTable<PeriodSupplies>(from, to);
    copyTable<LiveStream>(from, to);
    copyTable<LiveChunk>(from, to);
    copyTable<LiveCapture>(from, to);
    copyTable<ReadingWay>(from, to);
    copyTable<RigTest>(from, to);
    copyTable<InstrumentRow>(from, to);
    copyTable<Picture>(from, to);
    copyTable<BenchPicture>(from, to);
    copyTable<Photo>(from, to);
    placeOrphans(to);
    transaction.commit();
    to.exec("PRAGMA foreign_keys = ON");
}

/// How many readings a rescued notebook gives when it is opened and gone through; a failure if it does not.
Result<int> goThrough(const fs::path& path) {
    const auto rescued = Notebook::open(path);
    if (!rescued) return tl::unexpected(rescued.error());
    const auto wrong = rescued->check();
    if (!wrong) return tl::unexpected(wrong.error());
    if (!wrong->empty()) return storage(path, wrong->front());
    const auto lessons = rescued->lessons();
    if (!lessons) return tl::unexpected(lessons.error());
    int readings = 0;
    for (const Lesson& lesson : *lessons) {
        const auto data = rescued->load(lesson.id);
        if (!data) return tl::unexpected(data.error());
        readings += static_cast<int>(data->readings.size());
    }
    if (readings == 0 && lessons->empty()) return storage(path, Text::tr("nothing in it"));
    return readings;
}

} // namespace

Result<int> Notebook::salvage(const fs::path& damaged, const fs::path& to) {
    if (!hasSqliteHeader(damaged))
        return storage(damaged, Text::tr("nothing in this file can be read as a notebook"));
    {
        auto fresh = create(to);
        if (!fresh) return tl::unexpected(fresh.error());
        const auto copied = guarded(to, [&] {
            SQLite::Database source(damaged.string(), SQLite::OPEN_READONLY);
            configure(source, false);
            // Makes SQLite read a file that is shorter than its header says.
            source.exec("PRAGMA writable_schema = ON");
            copyReadable(source, fresh->m_state->db);
        });
        (void)copied; // whatever could not be read: what was saved is looked at below
    }
    auto saved = goThrough(to);
    if (saved) return saved;
    removeDatabase(to);
    return storage(damaged, Text::tr("nothing in this notebook can be read any more"));
}

} // namespace uttrin
