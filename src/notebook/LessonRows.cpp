#include "NotebookState.h"
#include "RowAccess.h"
#include "Schema.h"

#include <fmt/format.h>

#include <algorithm>
#include <map>

namespace uttrin {
namespace {

/// How values of stamps were read, what the class was asked and said, and bells. REQUIRES: stamps are loaded.
void loadQuestions(StatementCache& statements, LessonData& data) {
    const RowId lessonId = data.lesson.id;
    for (const StampReading& how : tables::select<StampReading>(
             statements,
             "JOIN stamp ON stamp.id = stamp_reading.id JOIN act ON act.id = stamp.act_id WHERE "
             "act.lesson_id = ?",
             lessonId))
        if (const auto of = std::ranges::find(data.stamps, how.id, &Stamp::id); of != data.stamps.end()) {
            of->bound = how.bound;
            of->instrument = how.instrument;
        }
    data.questions = tables::select<Question>(
        statements, "JOIN act ON act.id = question.act_id WHERE act.lesson_id = ? ORDER BY question.id",
        lessonId);
    data.answers = tables::select<Answer>(
        statements,
        "JOIN question ON question.id = answer.question_id JOIN act ON act.id = question.act_id WHERE "
        "act.lesson_id = ? ORDER BY answer.id",
        lessonId);
    data.bells = tables::select<BellRow>(statements, "WHERE lesson_id = ? ORDER BY id", lessonId);
}

/// What was listened to, readings taken from it, and tests of rigs. REQUIRES: readings are loaded.
void loadLive(StatementCache& statements, LessonData& data) {
    const RowId lessonId = data.lesson.id;
    const auto ofReadings = [](const char* table) {
        return fmt::format(
            "JOIN reading ON reading.id = {}.id JOIN run ON run.id = reading.run_id JOIN setup ON "
            "setup.id = run.setup_id WHERE setup.lesson_id = ?",
            table);
    };
    std::map<RowId, Reading*> readings;
    for (Reading& r : data.readings)
        readings[r.id] = &r;
    for (const ReadingWay& way :
         tables::select<ReadingWay>(statements, ofReadings("reading_way"), lessonId)) {
        readings.at(way.id)->readOrder = way.readOrder;
        readings.at(way.id)->heaterSetting = way.heaterSetting;
    }
    for (const LiveCapture& live :
         tables::select<LiveCapture>(statements, ofReadings("reading_live"), lessonId))
        readings.at(live.id)->live = live;
    data.streams = tables::select<LiveStream>(statements, "WHERE lesson_id = ? ORDER BY id", lessonId);
    data.tests = tables::select<RigTest>(
        statements,
        "JOIN setup ON setup.id = rig_test.setup_id WHERE setup.lesson_id = ? ORDER BY rig_test.id",
        lessonId);
}

} // namespace

LessonData loadLesson(StatementCache& statements, RowId lessonId) {
    LessonData data;
    auto lesson = tables::select<Lesson>(statements, "WHERE id = ?", lessonId);
    if (lesson.empty())
        throw NotebookFault(Text::tr("this lesson is no longer in the notebook; choose another"));
    data.lesson = std::move(lesson.front());
    data.rooms = tables::select<RoomRecord>(statements, "WHERE lesson_id = ? ORDER BY id", lessonId);
    data.setups = tables::select<Setup>(statements, "WHERE lesson_id = ? ORDER BY id", lessonId);
    data.groups = tables::select<Group>(statements, "WHERE lesson_id = ? ORDER BY id", lessonId);
    data.predictions = tables::select<Prediction>(
        statements,
        "JOIN setup ON setup.id = prediction.setup_id WHERE setup.lesson_id = ? ORDER BY prediction.id",
        lessonId);
    data.runs = tables::select<Run>(
        statements, "JOIN setup ON setup.id = run.setup_id WHERE setup.lesson_id = ? ORDER BY run.id",
        lessonId);
    const auto ofRuns = [](const char* table, const char* order) {
        return fmt::format("JOIN run ON run.id = {0}.run_id JOIN setup ON setup.id = run.setup_id WHERE "
                           "setup.lesson_id = ? ORDER BY {1}",
                           table, order);
    };
    data.readings = tables::select<Reading>(
        statements, ofRuns("reading", "reading.run_id, reading.position, reading.id"), lessonId);
    data.zeros = tables::select<ZeroCheck>(statements, ofRuns("zero_check", "zero_check.id"), lessonId);
    data.notes = tables::select<Note>(statements, ofRuns("note", "note.id"), lessonId);
    const int version = pragma(statements.database(), "user_version");
    if (version >= kFirstVersionWithInstruments)
        data.instruments = tables::select<InstrumentRow>(statements, "ORDER BY id");
    if (version >= kFirstVersionWithPhotos)
        data.photos = tables::select<Photo>(statements, "WHERE lesson_id = ? ORDER BY id", lessonId);
    if (version >= kFirstVersionWithBenchPictures)
        data.benchPictures =
            tables::select<BenchPicture>(statements, ofRuns("bench_picture", "bench_picture.id"), lessonId);
    if (version >= kFirstVersionWithRunRigs)
        data.rigs =
            tables::select<RunRig>(statements, ofRuns("run_rig", "run_rig.run_id, run_rig.id"), lessonId);
    if (version >= kFirstVersionWithPredictionPressures) {
        for (const PredictionPressure& p : tables::select<PredictionPressure>(
                 statements,
                 "JOIN prediction ON prediction.id = prediction_pressure.id JOIN setup ON setup.id = "
                 "prediction.setup_id WHERE setup.lesson_id = ?",
                 lessonId))
            if (const auto of = std::ranges::find(data.predictions, p.id, &Prediction::id);
                of != data.predictions.end())
                of->pascal = p.pascal;
        data.unlockings = tables::select<Unlocking>(
            statements,
            "JOIN setup ON setup.id = unlocking.setup_id WHERE setup.lesson_id = ? ORDER BY unlocking.id",
            lessonId);
    }
    if (version >= kFirstVersionWithLiquidStarts)
        data.starts =
            tables::select<LiquidStart>(statements, ofRuns("liquid_start", "liquid_start.id"), lessonId);
    if (version >= kFirstVersionWithActs) {
        data.acts = tables::select<Act>(statements, "WHERE lesson_id = ? ORDER BY id", lessonId);
        data.stamps = tables::select<Stamp>(
            statements,
            "JOIN act ON act.id = stamp.act_id WHERE act.lesson_id = ? ORDER BY stamp.taken_at, stamp.id",
            lessonId);
        for (const PeriodRow& p : tables::select<PeriodRow>(statements, "WHERE lesson_id = ?", lessonId))
            data.period = p;
    }
    if (version >= kFirstVersionWithQuestions) loadQuestions(statements, data);
    if (version >= kFirstVersionWithSupplies)
        for (const StampGroup& whose :
             tables::select<StampGroup>(statements,
                                        "JOIN stamp ON stamp.id = stamp_group.id JOIN act ON act.id = "
                                        "stamp.act_id WHERE act.lesson_id = ?",
                                        lessonId))
            if (const auto of = std::ranges::find(data.stamps, whose.id, &Stamp::id); of != data.stamps.end())
                of->groupId = whose.groupId;
    if (version >= kFirstVersionWithSupplies && data.period)
        for (const PeriodSupplies& s :
             tables::select<PeriodSupplies>(statements, "WHERE id = ?", data.period->id)) {
            data.period->people = s.people;
            data.period->iceG = s.iceG;
        }
    if (version >= kFirstVersionWithLive) loadLive(statements, data);
    return data;
}

} // namespace uttrin
