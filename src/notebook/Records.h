#pragma once

#include "quantities/Observation.h"

#include <cstddef>
#include <cstdint>
#include <optional>
#include <string>
#include <tuple>
#include <vector>

/// Rows of the notebook as plain structs. Times are milliseconds since 1970-01-01 UTC; readings are kept
/// exactly as they were taken, in the unit of the instrument. docs/notebook-format.md describes the file.
namespace uttrin {

using RowId = std::int64_t;
using Milliseconds = std::int64_t;

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

/// What an act of a lesson is.
enum class ActKind {
    Lab,           ///< a plan with its runs
    Demonstration, ///< a rig with this teacher's own values
    PlainBlock     ///< talk, setting up, clearing away
};

/// Who does it.
enum class ActDoer { Teacher, Groups };

/// How far an act has come.
enum class ActState { Planned, Prepared, GoingOn, Done, Skipped };

/// Something that is done in a lesson, alone or beside others. Times are seconds from the bell with which the
/// period begins, negative before it.
struct Act {
    RowId id = 0;
    RowId lessonId = 0;
    ActKind kind = ActKind::PlainBlock;
    std::string title;
    ActDoer doer = ActDoer::Teacher;
    int startsS = 0;
    std::optional<int> lastsS; ///< as a person set it; empty: as long as its model takes
    ActState state = ActState::Planned;
    std::optional<RowId> setupId; ///< of a lab
    std::string rig;              ///< of a demonstration: JSON, see docs/notebook-format.md; else empty
    std::optional<int> readyS;    ///< a wish: by then its liquid shall be …
    std::optional<double> readyK; ///< … at this temperature
    std::optional<std::string> whySkipped;
    std::string frozen; ///< the rig with the values and the room for which the forecast stood when it went
                        ///< live; else empty
};

/// What is stamped while an act goes on.
enum class StampKind {
    Begun,     ///< it went live
    Confirmed, ///< a step, with what had to be so before it
    Skipped,   ///< a step; `what` says why
    Seen,      ///< by somebody, in words
    Read,      ///< an instrument, or in words what cannot be told in a number
    Finished
};

/// Whether a value that was read is only a bound.
enum class StampBound { None, Below, Above };

/// A moment of an act. A stamp is taken back by undo, and never changed.
struct Stamp {
    RowId id = 0;
    RowId actId = 0;
    Milliseconds takenAt = 0;
    StampKind kind = StampKind::Seen;
    std::optional<int> step;     ///< of its rig's story, from 0
    std::string what;            ///< in words
    std::optional<double> value; ///< as read, in `unit`
    std::string unit;            ///< "degC"; empty without a value
    std::string place;           ///< where it was read: "in the liquid"
    StampBound bound = StampBound::None;
    std::string instrument; ///< with which it was read, by its name; may be empty
};

/// How a value was read and with what, of a stamp whose id it has.
struct StampReading {
    RowId id = 0;
    StampBound bound = StampBound::None;
    std::string instrument;
};

/// How the class answers a question.
enum class QuestionKind { Number, Choice, YesOrNo };

/// What the class is asked before a step.
struct Question {
    RowId id = 0;
    RowId actId = 0;
    std::optional<int> step; ///< of its rig's story, from 0; none of a teacher's own
    std::string asks;
    QuestionKind kind = QuestionKind::YesOrNo;
    std::string unit;                         ///< of a number, as "degC"; else empty
    std::string choices;                      ///< of a choice, one a line; else empty
    std::optional<Milliseconds> lockedAt;     ///< from when on no answer changes
    std::optional<Milliseconds> revealedAt;   ///< from when on forecast and answers are seen by the class
    std::string result;                       ///< how it came out; empty while nobody has said so
};

/// What somebody of the class answered, or how many did.
struct Answer {
    RowId id = 0;
    RowId questionId = 0;
    std::optional<RowId> groupId; ///< of a group's answer
    std::string said;             ///< a choice, "yes", "no", or a number as it was said
    std::optional<double> value;  ///< of a number, in the question's unit
    int votes = 1;
};

/// What a bell is for.
enum class BellSource { Model, Plan, Hand };
enum class BellState { Running, Done };

/// A bell that will ring, or a count of how long something has gone on. It is kept on two clocks: the one on
/// the wall, that may be set, and the machine's own since it was started, that goes on while it sleeps.
struct BellRow {
    RowId id = 0;
    RowId lessonId = 0;
    std::optional<RowId> actId;
    std::string title;
    BellSource source = BellSource::Hand;
    BellState state = BellState::Running;
    std::optional<std::int64_t> lastsMs; ///< until it rings; none counts up
    Milliseconds startedAt = 0;          ///< on the wall's clock
    std::int64_t bootMs = 0;             ///< on the machine's own
    std::string bootId;                  ///< which start of the machine that counts from
};

/// When the period of a lesson begins and ends, and of what the room has more than one.
struct PeriodRow {
    RowId id = 0;
    RowId lessonId = 0;
    std::optional<Milliseconds> bellAt; ///< at which it begins; empty: nobody has said so
    int lastsS = 0;
    int pumps = 1, heaters = 2;
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
    std::vector<Photo> photos; ///< without the pictures themselves: see Notebook::picture
};

template <>
struct Identifiers<RoomRole> {
    static Text what() { return Text::tr("a part of the lesson"); }
    static constexpr std::array table{std::pair{RoomRole::Start, std::string_view("start")},
                                      std::pair{RoomRole::End, std::string_view("end")}};
};

template <>
struct Identifiers<ActKind> {
    static Text what() { return Text::tr("a kind of act"); }
    static constexpr std::array table{std::pair{ActKind::Lab, std::string_view("lab")},
                                      std::pair{ActKind::Demonstration, std::string_view("demonstration")},
                                      std::pair{ActKind::PlainBlock, std::string_view("block")}};
};

template <>
struct Identifiers<ActDoer> {
    static Text what() { return Text::tr("who does it"); }
    static constexpr std::array table{std::pair{ActDoer::Teacher, std::string_view("teacher")},
                                      std::pair{ActDoer::Groups, std::string_view("groups")}};
};

template <>
struct Identifiers<StampKind> {
    static Text what() { return Text::tr("a kind of stamp"); }
    static constexpr std::array table{std::pair{StampKind::Begun, std::string_view("begun")},
                                      std::pair{StampKind::Confirmed, std::string_view("confirmed")},
                                      std::pair{StampKind::Skipped, std::string_view("skipped")},
                                      std::pair{StampKind::Seen, std::string_view("seen")},
                                      std::pair{StampKind::Read, std::string_view("read")},
                                      std::pair{StampKind::Finished, std::string_view("finished")}};
};

template <>
struct Identifiers<StampBound> {
    static Text what() { return Text::tr("a bound"); }
    static constexpr std::array table{std::pair{StampBound::None, std::string_view("=")},
                                      std::pair{StampBound::Below, std::string_view("<")},
                                      std::pair{StampBound::Above, std::string_view(">")}};
};

template <>
struct Identifiers<QuestionKind> {
    static Text what() { return Text::tr("a kind of question"); }
    static constexpr std::array table{std::pair{QuestionKind::Number, std::string_view("number")},
                                      std::pair{QuestionKind::Choice, std::string_view("choice")},
                                      std::pair{QuestionKind::YesOrNo, std::string_view("yes-no")}};
};

template <>
struct Identifiers<BellSource> {
    static Text what() { return Text::tr("what a bell is for"); }
    static constexpr std::array table{std::pair{BellSource::Model, std::string_view("model")},
                                      std::pair{BellSource::Plan, std::string_view("plan")},
                                      std::pair{BellSource::Hand, std::string_view("hand")}};
};

template <>
struct Identifiers<BellState> {
    static Text what() { return Text::tr("the state of a bell"); }
    static constexpr std::array table{std::pair{BellState::Running, std::string_view("running")},
                                      std::pair{BellState::Done, std::string_view("done")}};
};

template <>
struct Identifiers<ActState> {
    static Text what() { return Text::tr("the state of an act"); }
    static constexpr std::array table{std::pair{ActState::Planned, std::string_view("planned")},
                                      std::pair{ActState::Prepared, std::string_view("prepared")},
                                      std::pair{ActState::GoingOn, std::string_view("going-on")},
                                      std::pair{ActState::Done, std::string_view("done")},
                                      std::pair{ActState::Skipped, std::string_view("skipped")}};
};

template <>
struct Identifiers<PhotoSubject> {
    static Text what() { return Text::tr("what a picture shows"); }
    static constexpr std::array table{std::pair{PhotoSubject::Pressure, std::string_view("pressure")},
                                      std::pair{PhotoSubject::Temperature, std::string_view("temperature")},
                                      std::pair{PhotoSubject::Room, std::string_view("room")}};
};

} // namespace uttrin
