#pragma once

#include "Records.h"

#include <array>
#include <string_view>

namespace uttrin::tables {

/// How a record maps to its table: the table's name, its columns in order, and references to the matching
/// fields. The first column is always the row's id.
template <typename Record>
struct Table;

template <>
struct Table<Lesson> {
    static constexpr std::string_view name = "lesson";
    static constexpr std::array<std::string_view, 9> columns{
        "id",         "title",          "school",         "room_name", "held_on",
        "altitude_m", "altitude_known", "utc_offset_min", "made_up"};
    static auto fields(auto& r) {
        return std::tie(r.id, r.title, r.school, r.roomName, r.heldOn, r.altitudeM, r.altitudeKnown,
                        r.utcOffsetMin, r.madeUp);
    }
};

template <>
struct Table<RoomRecord> {
    static constexpr std::string_view name = "room";
    static constexpr std::array<std::string_view, 8> columns{"id",       "lesson_id",  "group_id", "role",
                                                             "taken_at", "entered_at", "entry",    "current"};
    static auto fields(auto& r) {
        return std::tie(r.id, r.lessonId, r.groupId, r.role, r.takenAt, r.enteredAt, r.entry, r.current);
    }
};

template <>
struct Table<Setup> {
    static constexpr std::string_view name = "setup";
    static constexpr std::array<std::string_view, 5> columns{"id", "lesson_id", "name", "plan",
                                                             "predictions_locked_at"};
    static auto fields(auto& r) { return std::tie(r.id, r.lessonId, r.name, r.plan, r.predictionsLockedAt); }
};

template <>
struct Table<Prediction> {
    static constexpr std::string_view name = "prediction";
    static constexpr std::array<std::string_view, 4> columns{"id", "setup_id", "place", "temperature_k"};
    static auto fields(auto& r) { return std::tie(r.id, r.setupId, r.place, r.kelvin); }
};

template <>
struct Table<PredictionPressure> {
    static constexpr std::string_view name = "prediction_pressure";
    static constexpr std::array<std::string_view, 2> columns{"id", "pressure_pa"};
    static auto fields(auto& r) { return std::tie(r.id, r.pascal); }
};

template <>
struct Table<Unlocking> {
    static constexpr std::string_view name = "unlocking";
    static constexpr std::array<std::string_view, 3> columns{"id", "setup_id", "unlocked_at"};
    static auto fields(auto& r) { return std::tie(r.id, r.setupId, r.unlockedAt); }
};

template <>
struct Table<Group> {
    static constexpr std::string_view name = "class_group";
    static constexpr std::array<std::string_view, 3> columns{"id", "lesson_id", "name"};
    static auto fields(auto& r) { return std::tie(r.id, r.lessonId, r.name); }
};

template <>
struct Table<Run> {
    static constexpr std::string_view name = "run";
    static constexpr std::array<std::string_view, 6> columns{"id",     "setup_id",   "group_id",
                                                             "number", "started_at", "ended_at"};
    static auto fields(auto& r) {
        return std::tie(r.id, r.setupId, r.groupId, r.number, r.startedAt, r.endedAt);
    }
};

template <>
struct Table<RunRig> {
    static constexpr std::string_view name = "run_rig";
    static constexpr std::array<std::string_view, 5> columns{"id", "run_id", "rig", "recorded_at", "reason"};
    static auto fields(auto& r) { return std::tie(r.id, r.runId, r.rig, r.recordedAt, r.reason); }
};

template <>
struct Table<Reading> {
    static constexpr std::string_view name = "reading";
    static constexpr std::array<std::string_view, 17> columns{
        "id",           "run_id",       "position",
        "target_place", "taken_at",     "gauge_first",
        "gauge_second", "temperature",  "temperature_before_pull",
        "criterion",    "judge",        "isolated",
        "side",         "vigour",       "zero_id",
        "use_in_fit",   "struck_reason"};
    static auto fields(auto& r) {
        return std::tie(r.id, r.runId, r.position, r.place, r.takenAt, r.first, r.second, r.temperature,
                        r.beforePull, r.criterion, r.judge, r.isolated, r.side, r.vigour, r.zeroId,
                        r.useInFit, r.struckReason);
    }
};

template <>
struct Table<ZeroCheck> {
    static constexpr std::string_view name = "zero_check";
    static constexpr std::array<std::string_view, 5> columns{"id", "run_id", "taken_at", "gauge_first",
                                                             "gauge_second"};
    static auto fields(auto& r) { return std::tie(r.id, r.runId, r.takenAt, r.first, r.second); }
};

template <>
struct Table<LiquidStart> {
    static constexpr std::string_view name = "liquid_start";
    static constexpr std::array<std::string_view, 4> columns{"id", "run_id", "taken_at", "temperature"};
    static auto fields(auto& r) { return std::tie(r.id, r.runId, r.takenAt, r.temperature); }
};

template <>
struct Table<Note> {
    static constexpr std::string_view name = "note";
    static constexpr std::array<std::string_view, 4> columns{"id", "run_id", "taken_at", "text"};
    static auto fields(auto& r) { return std::tie(r.id, r.runId, r.takenAt, r.text); }
};

template <>
struct Table<Act> {
    static constexpr std::string_view name = "act";
    static constexpr std::array<std::string_view, 14> columns{
        "id",    "lesson_id", "kind", "title",   "doer",    "starts_s",    "lasts_s",
        "state", "setup_id",  "rig",  "ready_s", "ready_k", "why_skipped", "frozen"};
    static auto fields(auto& r) {
        return std::tie(r.id, r.lessonId, r.kind, r.title, r.doer, r.startsS, r.lastsS, r.state, r.setupId,
                        r.rig, r.readyS, r.readyK, r.whySkipped, r.frozen);
    }
};

template <>
struct Table<Stamp> {
    static constexpr std::string_view name = "stamp";
    static constexpr std::array<std::string_view, 9> columns{"id",   "act_id", "taken_at", "kind", "step",
                                                             "what", "value",  "unit",     "place"};
    static auto fields(auto& r) {
        return std::tie(r.id, r.actId, r.takenAt, r.kind, r.step, r.what, r.value, r.unit, r.place);
    }
};

template <>
struct Table<StampReading> {
    static constexpr std::string_view name = "stamp_reading";
    static constexpr std::array<std::string_view, 3> columns{"id", "bound", "instrument"};
    static auto fields(auto& r) { return std::tie(r.id, r.bound, r.instrument); }
};

template <>
struct Table<StampGroup> {
    static constexpr std::string_view name = "stamp_group";
    static constexpr std::array<std::string_view, 2> columns{"id", "group_id"};
    static auto fields(auto& r) { return std::tie(r.id, r.groupId); }
};

template <>
struct Table<Question> {
    static constexpr std::string_view name = "question";
    static constexpr std::array<std::string_view, 10> columns{
        "id", "act_id", "step", "asks", "kind", "unit", "choices", "locked_at", "revealed_at", "result"};
    static auto fields(auto& r) {
        return std::tie(r.id, r.actId, r.step, r.asks, r.kind, r.unit, r.choices, r.lockedAt, r.revealedAt,
                        r.result);
    }
};

template <>
struct Table<Answer> {
    static constexpr std::string_view name = "answer";
    static constexpr std::array<std::string_view, 6> columns{"id",   "question_id", "group_id",
                                                             "said", "value",       "votes"};
    static auto fields(auto& r) { return std::tie(r.id, r.questionId, r.groupId, r.said, r.value, r.votes); }
};

template <>
struct Table<BellRow> {
    static constexpr std::string_view name = "bell";
    static constexpr std::array<std::string_view, 10> columns{
        "id",    "lesson_id", "act_id",     "title",   "source",
        "state", "lasts_ms",  "started_at", "boot_ms", "boot_id"};
    static auto fields(auto& r) {
        return std::tie(r.id, r.lessonId, r.actId, r.title, r.source, r.state, r.lastsMs, r.startedAt,
                        r.bootMs, r.bootId);
    }
};

template <>
struct Table<PeriodRow> {
    static constexpr std::string_view name = "period";
    static constexpr std::array<std::string_view, 6> columns{"id",      "lesson_id", "bell_at",
                                                             "lasts_s", "pumps",     "heaters"};
    static auto fields(auto& r) { return std::tie(r.id, r.lessonId, r.bellAt, r.lastsS, r.pumps, r.heaters); }
};

template <>
struct Table<PeriodSupplies> {
    static constexpr std::string_view name = "period_supplies";
    static constexpr std::array<std::string_view, 3> columns{"id", "people", "ice_g"};
    static auto fields(auto& r) { return std::tie(r.id, r.people, r.iceG); }
};

template <>
struct Table<LiveStream> {
    static constexpr std::string_view name = "live_stream";
    static constexpr std::array<std::string_view, 7> columns{"id",     "lesson_id",  "name", "quantity",
                                                             "source", "started_at", "step"};
    static auto fields(auto& r) {
        return std::tie(r.id, r.lessonId, r.name, r.quantity, r.source, r.startedAt, r.step);
    }
};

template <>
struct Table<LiveChunk> {
    static constexpr std::string_view name = "live_chunk";
    static constexpr std::array<std::string_view, 3> columns{"id", "stream_id", "samples"};
    static auto fields(auto& r) { return std::tie(r.id, r.streamId, r.samples); }
};

template <>
struct Table<LiveCapture> {
    static constexpr std::string_view name = "reading_live";
    static constexpr std::array<std::string_view, 7> columns{
        "id", "from_ms", "to_ms", "steady", "made_up", "u_pressure_pa", "u_temperature_k"};
    static auto fields(auto& r) {
        return std::tie(r.id, r.fromMs, r.toMs, r.steady, r.madeUp, r.uPascal, r.uKelvin);
    }
};

template <>
struct Table<ReadingWay> {
    static constexpr std::string_view name = "reading_way";
    static constexpr std::array<std::string_view, 3> columns{"id", "read_order", "heater_setting"};
    static auto fields(auto& r) { return std::tie(r.id, r.readOrder, r.heaterSetting); }
};

template <>
struct Table<RigTest> {
    static constexpr std::string_view name = "rig_test";
    static constexpr std::array<std::string_view, 8> columns{"id",       "setup_id", "taken_at", "kind",
                                                             "volume_l", "wet",      "note",     "readings"};
    static auto fields(auto& r) {
        return std::tie(r.id, r.setupId, r.takenAt, r.kind, r.litre, r.wet, r.note, r.readings);
    }
};

template <>
struct Table<InstrumentRow> {
    static constexpr std::string_view name = "instrument";
    static constexpr std::array<std::string_view, 2> columns{"id", "known"};
    static auto fields(auto& r) { return std::tie(r.id, r.known); }
};

template <>
struct Table<Picture> {
    static constexpr std::string_view name = "picture";
    static constexpr std::array<std::string_view, 2> columns{"id", "bytes"};
    static auto fields(auto& r) { return std::tie(r.id, r.bytes); }
};

template <>
struct Table<BenchPicture> {
    static constexpr std::string_view name = "bench_picture";
    static constexpr std::array<std::string_view, 6> columns{"id",       "run_id",   "reading_id",
                                                             "taken_at", "added_at", "picture_id"};
    static auto fields(auto& r) {
        return std::tie(r.id, r.runId, r.readingId, r.takenAt, r.addedAt, r.pictureId);
    }
};

template <>
struct Table<Photo> {
    static constexpr std::string_view name = "photo";
    static constexpr std::array<std::string_view, 10> columns{"id",      "lesson_id", "reading_id", "room_id",
                                                              "shows",   "added_at",  "picture_id", "marks",
                                                              "u_first", "u_second"};
    static auto fields(auto& r) {
        return std::tie(r.id, r.lessonId, r.readingId, r.roomId, r.shows, r.addedAt, r.pictureId, r.marks,
                        r.uFirst, r.uSecond);
    }
};

/// "INSERT INTO t (columns from this one on) VALUES (?, …)"
template <typename Record>
std::string insertSqlFrom(std::size_t first) {
    using T = Table<Record>;
    std::string columns, marks;
    for (std::size_t i = first; i < T::columns.size(); ++i) {
        columns += (i > first ? ", " : "") + std::string(T::columns[i]);
        marks += i > first ? ", ?" : "?";
    }
    return "INSERT INTO " + std::string(T::name) + " (" + columns + ") VALUES (" + marks + ")";
}

/// The id is SQLite's to give.
template <typename Record>
std::string insertSql() {
    return insertSqlFrom<Record>(1);
}
/// The record has its id.
template <typename Record>
std::string insertWithIdSql() {
    return insertSqlFrom<Record>(0);
}

/// "SELECT t.id, … FROM t" and what follows.
template <typename Record>
std::string selectSql(std::string_view rest) {
    using T = Table<Record>;
    std::string columns;
    for (std::size_t i = 0; i < T::columns.size(); ++i)
        columns += (i > 0 ? ", " : "") + std::string(T::name) + "." + std::string(T::columns[i]);
    return "SELECT " + columns + " FROM " + std::string(T::name) + " " + std::string(rest);
}

} // namespace uttrin::tables
