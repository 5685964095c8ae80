#pragma once

#include "text/Text.h"

#include <SQLiteCpp/SQLiteCpp.h>

#include <string>

namespace uttrin {

inline constexpr int kApplicationId = 0x55545452; ///< "UTTR" in PRAGMA application_id
inline constexpr int kSchemaVersion = 11;         ///< PRAGMA user_version
inline constexpr int kFirstVersionWithPhotos = 2, kFirstVersionWithRunRigs = 3,
                     kFirstVersionWithPredictionPressures = 4, kFirstVersionWithLiquidStarts = 5,
                     kFirstVersionWithActs = 6, kFirstVersionWithQuestions = 7, kFirstVersionWithSupplies = 8,
                     kFirstVersionWithLive = 9, kFirstVersionWithBenchPictures = 10,
                     kFirstVersionWithInstruments = 11;

/// The tables of version 1. Readings are never deleted; struck ones keep their reason.
inline constexpr const char* kSchema = R"sql(
CREATE TABLE lesson (
  id INTEGER PRIMARY KEY, title TEXT NOT NULL, school TEXT NOT NULL, room_name TEXT NOT NULL, held_on TEXT NOT NULL,
  altitude_m REAL NOT NULL, altitude_known INTEGER NOT NULL, utc_offset_min INTEGER NOT NULL, made_up INTEGER NOT NULL);
CREATE TABLE class_group (
  id INTEGER PRIMARY KEY, lesson_id INTEGER NOT NULL REFERENCES lesson(id), name TEXT NOT NULL);
CREATE TABLE room (
  id INTEGER PRIMARY KEY, lesson_id INTEGER NOT NULL REFERENCES lesson(id), group_id INTEGER REFERENCES class_group(id),
  role TEXT NOT NULL CHECK (role IN ('start', 'end')), taken_at INTEGER NOT NULL, entered_at INTEGER NOT NULL,
  entry TEXT NOT NULL, current INTEGER NOT NULL);
CREATE TABLE setup (
  id INTEGER PRIMARY KEY, lesson_id INTEGER NOT NULL REFERENCES lesson(id), name TEXT NOT NULL, plan TEXT NOT NULL,
  predictions_locked_at INTEGER);
CREATE TABLE prediction (
  id INTEGER PRIMARY KEY, setup_id INTEGER NOT NULL REFERENCES setup(id), place INTEGER NOT NULL, temperature_k REAL NOT NULL);
CREATE TABLE run (
  id INTEGER PRIMARY KEY, setup_id INTEGER NOT NULL REFERENCES setup(id), group_id INTEGER NOT NULL REFERENCES class_group(id),
  number INTEGER NOT NULL, started_at INTEGER NOT NULL, ended_at INTEGER);
CREATE TABLE zero_check (
  id INTEGER PRIMARY KEY, run_id INTEGER NOT NULL REFERENCES run(id), taken_at INTEGER NOT NULL, gauge_first REAL NOT NULL,
  gauge_second REAL);
CREATE TABLE reading (
  id INTEGER PRIMARY KEY, run_id INTEGER NOT NULL REFERENCES run(id), position INTEGER NOT NULL, target_place INTEGER,
  taken_at INTEGER NOT NULL, gauge_first REAL NOT NULL, gauge_second REAL, temperature REAL NOT NULL,
  temperature_before_pull REAL, criterion TEXT NOT NULL, judge TEXT NOT NULL, isolated INTEGER NOT NULL,
  side TEXT NOT NULL CHECK (side IN ('heating', 'cooling')), vigour INTEGER NOT NULL CHECK (vigour BETWEEN 1 AND 5),
  zero_id INTEGER REFERENCES zero_check(id), use_in_fit INTEGER, struck_reason TEXT);
CREATE TABLE note (
  id INTEGER PRIMARY KEY, run_id INTEGER NOT NULL REFERENCES run(id), taken_at INTEGER NOT NULL, text TEXT NOT NULL);
CREATE INDEX reading_of_run ON reading(run_id, position);
CREATE INDEX run_of_setup ON run(setup_id);
)sql";

/// What version 2 adds: pictures of instruments, and what was measured in them.
inline constexpr const char* kPhotoTables = R"sql(
CREATE TABLE picture (id INTEGER PRIMARY KEY, bytes BLOB NOT NULL);
CREATE TABLE photo (
  id INTEGER PRIMARY KEY, lesson_id INTEGER NOT NULL REFERENCES lesson(id), reading_id INTEGER REFERENCES reading(id),
  room_id INTEGER REFERENCES room(id), shows TEXT NOT NULL CHECK (shows IN ('pressure', 'temperature', 'room')),
  added_at INTEGER NOT NULL, picture_id INTEGER NOT NULL REFERENCES picture(id), marks TEXT NOT NULL, u_first REAL NOT NULL,
  u_second REAL, CHECK ((reading_id IS NULL) <> (room_id IS NULL)));
)sql";

/// What version 3 adds: the rig of each run. Runs of older notebooks get that of their plan.
inline constexpr const char* kRunRigTable = R"sql(
CREATE TABLE run_rig (
  id INTEGER PRIMARY KEY, run_id INTEGER NOT NULL REFERENCES run(id), rig TEXT NOT NULL, recorded_at INTEGER NOT NULL,
  reason TEXT NOT NULL);
CREATE INDEX run_rig_of_run ON run_rig(run_id);
)sql";
inline constexpr const char* kRigsOfOldRuns = R"sql(
INSERT INTO run_rig (run_id, rig, recorded_at, reason)
  SELECT run.id, setup.plan, run.started_at, '' FROM run JOIN setup ON setup.id = run.setup_id;
)sql";

/// What version 4 adds: the pressure for which the class predicted, and when predictions were unlocked.
inline constexpr const char* kPredictionPressureTables = R"sql(
CREATE TABLE prediction_pressure (
  id INTEGER PRIMARY KEY REFERENCES prediction(id), pressure_pa REAL NOT NULL);
CREATE TABLE unlocking (
  id INTEGER PRIMARY KEY, setup_id INTEGER NOT NULL REFERENCES setup(id), unlocked_at INTEGER NOT NULL);
)sql";

/// What version 5 adds: how warm the liquid of a run was at its start.
inline constexpr const char* kLiquidStartTable = R"sql(
CREATE TABLE liquid_start (
  id INTEGER PRIMARY KEY, run_id INTEGER NOT NULL REFERENCES run(id), taken_at INTEGER NOT NULL, temperature REAL NOT NULL);
)sql";

/// What version 6 adds: the acts of a lesson, what is stamped in them, and its period.
inline constexpr const char* kActTable = R"sql(
CREATE TABLE act (
  id INTEGER PRIMARY KEY, lesson_id INTEGER NOT NULL REFERENCES lesson(id),
  kind TEXT NOT NULL CHECK (kind IN ('lab', 'demonstration', 'block')), title TEXT NOT NULL,
  doer TEXT NOT NULL CHECK (doer IN ('teacher', 'groups')), starts_s INTEGER NOT NULL, lasts_s INTEGER,
  state TEXT NOT NULL CHECK (state IN ('planned', 'prepared', 'going-on', 'done', 'skipped')),
  setup_id INTEGER REFERENCES setup(id), rig TEXT NOT NULL, ready_s INTEGER, ready_k REAL, why_skipped TEXT,
  frozen TEXT NOT NULL);
CREATE TABLE stamp (
  id INTEGER PRIMARY KEY, act_id INTEGER NOT NULL REFERENCES act(id), taken_at INTEGER NOT NULL,
  kind TEXT NOT NULL CHECK (kind IN ('begun', 'confirmed', 'skipped', 'seen', 'read', 'finished')), step INTEGER,
  what TEXT NOT NULL, value REAL, unit TEXT NOT NULL, place TEXT NOT NULL);
CREATE INDEX stamp_of_act ON stamp(act_id);
CREATE TABLE period (
  id INTEGER PRIMARY KEY, lesson_id INTEGER NOT NULL UNIQUE REFERENCES lesson(id), bell_at INTEGER,
  lasts_s INTEGER NOT NULL, pumps INTEGER NOT NULL, heaters INTEGER NOT NULL);
)sql";

/// What version 7 adds: how a stamp's value was read, what the class was asked and said, and bells.
inline constexpr const char* kQuestionTables = R"sql(
CREATE TABLE stamp_reading (
  id INTEGER PRIMARY KEY REFERENCES stamp(id), bound TEXT NOT NULL CHECK (bound IN ('=', '<', '>')),
  instrument TEXT NOT NULL);
CREATE TABLE question (
  id INTEGER PRIMARY KEY, act_id INTEGER NOT NULL REFERENCES act(id), step INTEGER, asks TEXT NOT NULL,
  kind TEXT NOT NULL CHECK (kind IN ('number', 'choice', 'yes-no')), unit TEXT NOT NULL, choices TEXT NOT NULL,
  locked_at INTEGER, revealed_at INTEGER, result TEXT NOT NULL);
CREATE TABLE answer (
  id INTEGER PRIMARY KEY, question_id INTEGER NOT NULL REFERENCES question(id),
  group_id INTEGER REFERENCES class_group(id), said TEXT NOT NULL, value REAL, votes INTEGER NOT NULL);
CREATE INDEX answer_of_question ON answer(question_id);
CREATE TABLE bell (
  id INTEGER PRIMARY KEY, lesson_id INTEGER NOT NULL REFERENCES lesson(id), act_id INTEGER REFERENCES act(id),
  title TEXT NOT NULL, source TEXT NOT NULL CHECK (source IN ('model', 'plan', 'hand')),
  state TEXT NOT NULL CHECK (state IN ('running', 'done')), lasts_ms INTEGER, started_at INTEGER NOT NULL,
  boot_ms INTEGER NOT NULL, boot_id TEXT NOT NULL);
)sql";

/// Makes all tables in an empty file. @throws SQLite::Exception, and nothing is made.
void createSchema(SQLite::Database& db);

/// What version 8 adds: how many people are in the room of a period, how much ice there is, and whose a stamp
/// is.
inline constexpr const char* kSuppliesTable = R"sql(
CREATE TABLE period_supplies (
  id INTEGER PRIMARY KEY REFERENCES period(id), people INTEGER, ice_g INTEGER);
CREATE TABLE stamp_group (
  id INTEGER PRIMARY KEY REFERENCES stamp(id), group_id INTEGER NOT NULL REFERENCES class_group(id));
)sql";

/// What version 9 adds: instruments that were listened to, what arrived, readings taken from it, in which
/// order readings were taken, and tests of a rig.
inline constexpr const char* kLiveTables = R"sql(
CREATE TABLE live_stream (
  id INTEGER PRIMARY KEY, lesson_id INTEGER NOT NULL REFERENCES lesson(id), name TEXT NOT NULL,
  quantity TEXT NOT NULL CHECK (quantity IN ('absolute-pressure', 'gauge-pressure', 'temperature')),
  source TEXT NOT NULL, started_at INTEGER NOT NULL, step REAL NOT NULL);
CREATE TABLE live_chunk (
  id INTEGER PRIMARY KEY, stream_id INTEGER NOT NULL REFERENCES live_stream(id), samples BLOB NOT NULL);
CREATE INDEX chunk_of_stream ON live_chunk(stream_id);
CREATE TABLE reading_live (
  id INTEGER PRIMARY KEY REFERENCES reading(id), from_ms INTEGER NOT NULL, to_ms INTEGER NOT NULL,
  steady INTEGER NOT NULL, made_up INTEGER NOT NULL, u_pressure_pa REAL, u_temperature_k REAL);
CREATE TABLE reading_way (
  id INTEGER PRIMARY KEY REFERENCES reading(id), read_order TEXT NOT NULL, heater_setting REAL);
CREATE TABLE rig_test (
  id INTEGER PRIMARY KEY, setup_id INTEGER NOT NULL REFERENCES setup(id), taken_at INTEGER NOT NULL,
  kind TEXT NOT NULL CHECK (kind IN ('leak', 'pump-down')), volume_l REAL NOT NULL, wet INTEGER NOT NULL,
  note TEXT NOT NULL, readings TEXT NOT NULL);
)sql";

/// What version 10 adds: pictures of points, and of boiling as a run means it.
inline constexpr const char* kBenchPictureTable = R"sql(
CREATE TABLE bench_picture (
  id INTEGER PRIMARY KEY, run_id INTEGER NOT NULL REFERENCES run(id), reading_id INTEGER REFERENCES reading(id),
  taken_at INTEGER NOT NULL, added_at INTEGER NOT NULL, picture_id INTEGER NOT NULL REFERENCES picture(id));
)sql";

/// What version 11 adds: what is known of instruments, for machines that do not know them.
inline constexpr const char* kInstrumentTable = R"sql(
CREATE TABLE instrument (id INTEGER PRIMARY KEY, known TEXT NOT NULL);
)sql";

/// Brings the tables of an older notebook up to this version, all of it or nothing. @throws SQLite::Exception
void upgradeSchema(SQLite::Database& db, int from);

/// What differs between the tables of a file and those that its version has; empty if nothing does.
[[nodiscard]] Text schemaTrouble(SQLite::Database& db, int version);

} // namespace uttrin
