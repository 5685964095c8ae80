#pragma once

#include "ActRecords.h"
#include "LiveRecords.h"
#include "RowTypes.h"
#include "quantities/Observation.h"

#include <cstddef>
#include <optional>
#include <string>
#include <tuple>
#include <vector>

/// Rows of the notebook as plain structs. Times are milliseconds since 1970-01-01 UTC; readings are kept
/// exactly as they were taken, in the unit of the instrument. docs/notebook-format.md describes the file.
namespace uttrin {

/// One lesson in one room.
struct Lesson {
    RowId id = 0;
    std::string title;
    std::string school;
    std::string roomName;
    std::string heldOn;     ///< date, "2026-04-24"
    double altitudeM = 0.0; ///< of the room; NaN is not stored, 0 with altitudeKnown false means unknown
    bool altitudeKnown = false;
    int utcOffsetMin = 0; ///< of the place, so that times print alike everywhere
    bool madeUp = false;  ///< sample data, labelled so on screen and in reports
};

/// When in the lesson a reading of the room's pressure was taken.
enum class RoomRole { Start, End };

/// A reading of the room's pressure. Corrections make a new row and leave the old one in the record.
struct RoomRecord {
    RowId id = 0;
    RowId lessonId = 0;
    std::optional<RowId> groupId; ///< set when one group used its own value
    RoomRole role = RoomRole::Start;
    Milliseconds takenAt = 0; ///< when the instrument was read
    Milliseconds enteredAt = 0;
    std::string entry;   ///< JSON of the room part of a plan file
    bool current = true; ///< false once corrected by a later row
};

/// A method with its rig and ladder, as one plan.
struct Setup {
    RowId id = 0;
    RowId lessonId = 0;
    std::string name;
    std::string plan; ///< JSON of a plan file without its room
    std::optional<Milliseconds> predictionsLockedAt;
};

/// What the class expects at one target before the run. It belongs to the pressure that the target had.
struct Prediction {
    RowId id = 0;
    RowId setupId = 0;
    int place = 0;                ///< place in the ladder then, -1 for the trial point
    double kelvin = 0.0;          ///< predicted boiling point
    std::optional<double> pascal; ///< absolute; nothing in notebooks before version 4
};

/// The pressure of a prediction, whose id it has.
struct PredictionPressure {
    RowId id = 0;
    double pascal = 0.0;
};

/// That predictions were unlocked after the class had made them.
struct Unlocking {
    RowId id = 0;
    RowId setupId = 0;
    Milliseconds unlockedAt = 0;
};

struct Group {
    RowId id = 0;
    RowId lessonId = 0;
    std::string name;
};

struct Run {
    RowId id = 0;
    RowId setupId = 0;
    RowId groupId = 0;
    int number = 1; ///< counts a group's runs of one plan
    Milliseconds startedAt = 0;
    std::optional<Milliseconds> endedAt;
};

/// The instruments and the set-up with which a run's readings were taken: the plan's when the run began, kept
/// so that a later change of the plan gives no reading another meaning. A correction adds a row; the last one
/// counts.
struct RunRig {
    RowId id = 0;
    RowId runId = 0;
    std::string rig; ///< JSON of a plan's rig, substance and solute, see docs/notebook-format.md
    Milliseconds recordedAt = 0;
    std::string reason; ///< of a correction; empty for the first
};

/// One captured pair of readings.
struct Reading {
    RowId id = 0;
    RowId runId = 0;
    int position = 0;                 ///< order of taking
    std::optional<int> place;         ///< target it was taken for: place in the ladder, -1 the trial point
    Milliseconds takenAt = 0;         ///< one instant for pressure and temperature
    double first = 0.0;               ///< gauge as shown, or the left arm
    std::optional<double> second;     ///< right arm
    double temperature = 0.0;         ///< thermometer as shown
    std::optional<double> beforePull; ///< thermometer before the pump was opened; never fitted
    BoilingCriterion criterion = BoilingCriterion::Steady;
    std::string judge;
    bool isolated = true; ///< from the pump, when read
    ApproachSide side = ApproachSide::Heating;
    int vigour = 2;                          ///< 1 few bubbles … 5 violent
    std::optional<RowId> zeroId;             ///< zero check that applies
    std::optional<bool> useInFit;            ///< a person's decision; empty: by the rules
    std::optional<std::string> struckReason; ///< struck points stay, with their reason
    std::string readOrder;                   ///< in which it was read, see plan/ReadOrder.h; empty: not said
    std::optional<double> heaterSetting;     ///< of the heat source then, as its knob or meter shows it
    std::optional<LiveCapture> live;         ///< taken from instruments that were listened to
};

/// In which order a reading was taken, and how its heater stood; it has the reading's id.
struct ReadingWay {
    RowId id = 0;
    std::string readOrder;
    std::optional<double> heaterSetting;
};

/// The gauge read while open to the room.
struct ZeroCheck {
    RowId id = 0;
    RowId runId = 0;
    Milliseconds takenAt = 0;
    double first = 0.0;
    std::optional<double> second;
};

/// How warm a run's liquid was before anything was done to it, as its thermometer showed. The last one
/// counts.
struct LiquidStart {
    RowId id = 0;
    RowId runId = 0;
    Milliseconds takenAt = 0;
    double temperature = 0.0;
};

struct Note {
    RowId id = 0;
    RowId runId = 0;
    Milliseconds takenAt = 0;
    std::string text;
};

/// A picture of an instrument as it was taken, in its own file format.
struct Picture {
    RowId id = 0;
    std::vector<std::byte> bytes; ///< PNG or JPEG
};

/// What a picture shows.
enum class PhotoSubject { Pressure, Temperature, Room };

/// What was measured in a picture, and for which reading. Belongs to a reading or to a room record.
struct Photo {
    RowId id = 0;
    RowId lessonId = 0;
    std::optional<RowId> readingId, roomId; ///< one of them
    PhotoSubject shows = PhotoSubject::Pressure;
    Milliseconds addedAt = 0;
    RowId pictureId = 0;
    std::string marks;             ///< JSON, see docs/notebook-format.md
    double uFirst = 0.0;           ///< standard uncertainty from the marks, in the instrument's unit
    std::optional<double> uSecond; ///< of the right arm
};

/// A picture taken at the bench: of one point, or of how it looks when it boils as the run means it.
struct BenchPicture {
    RowId id = 0;
    RowId runId = 0;
    std::optional<RowId> readingId; ///< empty: the run's own picture of boiling, of which the last one holds
    Milliseconds takenAt = 0;       ///< by its camera, else by its file
    Milliseconds addedAt = 0;
    RowId pictureId = 0;
};

/// All that belongs to one lesson.
struct LessonData {
    Lesson lesson;
    std::vector<RoomRecord> rooms;
    std::vector<Setup> setups;
    std::vector<Prediction> predictions;
    std::vector<Unlocking> unlockings;
    std::vector<Group> groups;
    std::vector<Run> runs;
    std::vector<RunRig> rigs;      ///< by run, oldest first
    std::vector<Reading> readings; ///< by run, then by position
    std::vector<ZeroCheck> zeros;
    std::vector<LiquidStart> starts;
    std::vector<Note> notes;
    std::vector<Act> acts; ///< in the order in which they were added
    std::optional<PeriodRow> period;
    std::vector<Stamp> stamps; ///< of all acts, in the order of time
    std::vector<Question> questions;
    std::vector<Answer> answers;
    std::vector<BellRow> bells;
    std::vector<LiveStream> streams;         ///< without what arrived: see Notebook::chunks
    std::vector<RigTest> tests;              ///< of its rigs, oldest first
    std::vector<InstrumentRow> instruments;  ///< of the notebook, for all its lessons
    std::vector<BenchPicture> benchPictures; ///< likewise
    std::vector<Photo> photos;               ///< without the pictures themselves: see Notebook::picture
};

template <>
struct Identifiers<RoomRole> {
    static Text what() { return Text::tr("a part of the lesson"); }
    static constexpr std::array table{std::pair{RoomRole::Start, std::string_view("start")},
                                      std::pair{RoomRole::End, std::string_view("end")}};
};

template <>
struct Identifiers<PhotoSubject> {
    static Text what() { return Text::tr("what a picture shows"); }
    static constexpr std::array table{std::pair{PhotoSubject::Pressure, std::string_view("pressure")},
                                      std::pair{PhotoSubject::Temperature, std::string_view("temperature")},
                                      std::pair{PhotoSubject::Room, std::string_view("room")}};
};

} // namespace uttrin
