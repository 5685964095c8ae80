#pragma once

#include "RowTypes.h"
#include "quantities/Observation.h"

#include <optional>
#include <string>
#include <tuple>
#include <vector>

/// Rows of the notebook that tell of the acts of a lesson, see Records.h.
namespace uttrin {

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
    std::optional<RowId> groupId =
        {}; ///< whose it is, where each group has a rig of its own; kept as StampGroup
};

/// What the stamp of a confirmed step says that is to be repeated.
inline constexpr const char* kAgain = "again";

/// Whose a stamp is, whose id it has.
struct StampGroup {
    RowId id = 0;
    RowId groupId = 0;
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
    std::string unit;                       ///< of a number, as "degC"; else empty
    std::string choices;                    ///< of a choice, one a line; else empty
    std::optional<Milliseconds> lockedAt;   ///< from when on no answer changes
    std::optional<Milliseconds> revealedAt; ///< from when on forecast and answers are seen by the class
    std::string result;                     ///< how it came out; empty while nobody has said so
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
    std::optional<int> people = {}; ///< in the room, the teacher too; kept as PeriodSupplies
    std::optional<int> iceG = {};   ///< that there is for all of it, g; the same
};

/// Of what there is so much for a period, whose id it has.
struct PeriodSupplies {
    RowId id = 0;
    std::optional<int> people, iceG;
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

} // namespace uttrin
