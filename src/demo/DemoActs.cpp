#include "DemoActs.h"

#include "DemoNotebook.h"
#include "physics/Constants.h"
#include "rehearsal/CoolingFit.h"
#include "rehearsal/Demonstrations.h"
#include "rehearsal/Observed.h"
#include "rig/Random.h"

#include <cmath>
#include <stdexcept>

namespace uttrin {
namespace {

constexpr int kSecondsAMinute = 60;
constexpr std::uint64_t kActSeed = 1604;
// The room as the lesson has it, as an act freezes it.
const std::vector<RigSetting> kRoom{{"/room/pressure", "94310 Pa"}, {"/room/temperature", "21 degC"}};
constexpr const char* kFrozenRoom = R"("room":{"/room/pressure":"94310 Pa","/room/temperature":"21 degC"})";

Rehearsal played(const char* id, std::vector<RigSetting> truth) {
    truth.insert(truth.begin(), kRoom.begin(), kRoom.end());
    auto r = rehearse(findDemonstration(id)->rig, truth);
    if (!r) throw std::logic_error(plain(r.error().message));
    return std::move(*r);
}

double when(const Rehearsal& r, int move) {
    const auto at = movedAt(r, move);
    if (!at) throw std::logic_error("the sample's rig makes a move too few");
    return *at;
}

/// Stamps of an act whose rig is at a time of its rehearsal at a moment.
class Stamps {
public:
    Stamps(Notebook::Editor& edit, RowId act, const Rehearsal& r, double seconds, Milliseconds moment)
        : m_edit(edit), m_act(act), m_r(r), m_begins(moment - milliseconds(seconds)),
          m_chance(kActSeed + static_cast<std::uint64_t>(act)) {}

    void begun(double seconds) { put(StampKind::Begun, seconds, {}, std::nullopt); }
    void finished(double seconds) { put(StampKind::Finished, seconds, {}, std::nullopt); }
    void step(int step, double seconds) { put(StampKind::Confirmed, seconds, {}, step); }
    void skipped(int step, double seconds, const char* why) { put(StampKind::Skipped, seconds, why, step); }
    void seen(const char* what, double seconds) { put(StampKind::Seen, seconds, what, std::nullopt); }
    /// The thermometer, to a tenth, as far off as one is that is read before a class.
    void read(double seconds) {
        constexpr double kOff = 0.3; // K
        const double kelvin = m_r.watchedAt(m_r.sampleAt(seconds)).kelvin + kOff * m_chance.next();
        Stamp s = at(StampKind::Read, seconds);
        s.value = std::round(10.0 * (kelvin - kIcePointKelvin)) / 10.0;
        s.unit = "degC";
        s.place = "in the liquid";
        m_edit.insert(s);
    }
    [[nodiscard]] Milliseconds moment(double seconds) const { return m_begins + milliseconds(seconds); }

private:
    static Milliseconds milliseconds(double seconds) { return std::llround(seconds) * 1000; }
    [[nodiscard]] Stamp at(StampKind kind, double seconds) const {
        Stamp s;
        s.actId = m_act;
        s.kind = kind;
        s.takenAt = moment(seconds);
        return s;
    }
    void put(StampKind kind, double seconds, const char* what, std::optional<int> step) {
        Stamp s = at(kind, seconds);
        s.step = step;
        if (what) s.what = what;
        m_edit.insert(s);
    }
    Notebook::Editor& m_edit;
    RowId m_act;
    const Rehearsal& m_r;
    Milliseconds m_begins;
    NormalNumbers m_chance;
};

void ask(Notebook::Editor& edit, RowId act, int step, const char* asks, int yes, int no,
         Milliseconds lockedAt, const char* result) {
    Question q;
    q.actId = act;
    q.step = step;
    q.asks = asks;
    q.lockedAt = lockedAt;
    if (*result) q.revealedAt = lockedAt + 240'000;
    q.result = result;
    const RowId id = edit.insert(q);
    edit.insert(Answer{0, id, std::nullopt, "yes", std::nullopt, yes});
    edit.insert(Answer{0, id, std::nullopt, "no", std::nullopt, no});
}

Act demonstration(RowId lesson, const char* title, int startsMinute, ActState state) {
    Act act;
    act.lessonId = lesson;
    act.kind = ActKind::Demonstration;
    act.title = title;
    act.startsS = startsMinute * kSecondsAMinute;
    act.state = state;
    return act;
}

/// Water of room temperature under a bell jar, in the first minutes.
void writeJar(Notebook::Editor& edit, RowId lesson, Milliseconds bell) {
    Act act = demonstration(lesson, "Boiling under the jar", 1, ActState::Done);
    act.rig = R"({"rig":"bell-jar","values":{}})";
    act.frozen = std::string(R"({"rig":"bell-jar","values":{},)") + kFrozenRoom + "}";
    const RowId id = edit.insert(act);
    const Rehearsal r = played("bell-jar", {});
    const double pump = when(r, 0);
    Stamps stamps(edit, id, r, pump, bell + 150'000);
    stamps.begun(pump - 90.0);
    stamps.step(0, pump - 20.0);
    ask(edit, id, 1, "Does water of room temperature boil under the jar?", 9, 15, stamps.moment(pump - 10.0),
        "yes");
    stamps.step(1, pump);
    for (const RigEvent& e : r.run.events)
        if (e.kind == RigEventKind::BoilingStarts) stamps.seen("boils", e.seconds + 3.0);
    for (const double seconds : {60.0, 180.0, 300.0, 420.0})
        stamps.read(seconds);
    stamps.skipped(2, 430.0, "no time");
    stamps.step(3, when(r, 1));
    stamps.finished(when(r, 2) + 20.0);
}

/// A flask that a hand shut twenty seconds late; its second ice is due now.
void writeFlask(Notebook::Editor& edit, RowId lesson) {
    Act act = demonstration(lesson, "Sealed flask", -2, ActState::GoingOn);
    act.rig = R"({"rig":"sealed-flask","values":{"/vessels/flask/liquid":"400 g"}})";
    act.frozen = std::string(R"({"rig":"sealed-flask","values":{"/vessels/flask/liquid":"400 g"},)") +
                 kFrozenRoom + "}";
    act.readyS = 30 * kSecondsAMinute;
    act.readyK = 60.0 + kIcePointKelvin;
    const RowId id = edit.insert(act);
    const Rehearsal r = played("sealed-flask", {{"/vessels/flask/liquid", "400 g"},
                                                {"/moves/1/after", "20 s"},
                                                {"/contacts/room at the water/conductance", "0.39 W/K"}});
    const double shut = when(r, 1), ice = when(r, 2), due = when(r, 3);
    Stamps stamps(edit, id, r, due, kDemoNow);
    stamps.begun(0.0);
    for (const RigEvent& e : r.run.events) {
        if (e.kind == RigEventKind::BoilingStarts && e.seconds < due) stamps.seen("boils", e.seconds + 4.0);
        if (e.kind == RigEventKind::BoilingStops && e.seconds < due) stamps.seen("stops", e.seconds + 4.0);
    }
    stamps.step(0, 20.0);
    stamps.step(1, when(r, 0) - 5.0);
    stamps.step(2, shut);
    ask(edit, id, 3, "Will it boil again?", 7, 17, stamps.moment(shut + 60.0), "");
    stamps.step(3, shut + 70.0);
    stamps.step(4, ice);
    for (double seconds = shut + 120.0; seconds < due - 30.0; seconds += 180.0)
        stamps.read(seconds);
}

/// A lab of groups, led by its card: six of its points are taken.
void writeLab(Notebook::Editor& edit, RowId lesson, RowId lab, Milliseconds bell) {
    Act eleven;
    eleven.lessonId = lesson;
    eleven.kind = ActKind::Lab;
    eleven.title = "Eleven points";
    eleven.doer = ActDoer::Groups;
    eleven.startsS = 4 * kSecondsAMinute;
    eleven.state = ActState::GoingOn;
    eleven.setupId = lab;
    eleven.rig = R"({"rig":"lab-held-pressure","values":{}})";
    const RowId id = edit.insert(eleven);
    const auto put = [&](double minute, StampKind kind, std::optional<int> step, const char* what = "") {
        Stamp s;
        s.actId = id;
        s.takenAt = bell + std::llround(1000.0 * kSecondsAMinute * minute);
        s.kind = kind;
        s.step = step;
        s.what = what;
        edit.insert(s);
    };
    put(4.0, StampKind::Begun, std::nullopt);
    put(9.0, StampKind::Confirmed, 0);
    constexpr int kTaken = 6;
    constexpr double kEach = 1.8; // min
    for (int point = 0; point < kTaken; ++point) {
        put(10.0 + kEach * point, StampKind::Confirmed, 1, kAgain);
        put(10.4 + kEach * point, StampKind::Confirmed, 2, kAgain);
    }
}

} // namespace

void writeDemoActs(Notebook::Editor& edit, RowId lesson, RowId lab, Milliseconds bell) {
    edit.insert(PeriodRow{0, lesson, bell, 55 * kSecondsAMinute, 1, 2, 25, 500});
    Act talk;
    talk.lessonId = lesson;
    talk.title = "What boils first?";
    talk.lastsS = 4 * kSecondsAMinute;
    talk.state = ActState::Done;
    edit.insert(talk);
    writeJar(edit, lesson, bell);
    writeFlask(edit, lesson);
    writeLab(edit, lesson, lab, bell);
    Act freezing = demonstration(lesson, "Freezing by boiling", 48, ActState::Planned);
    freezing.rig = R"({"rig":"freeze-by-boiling","variant":"calcium chloride","values":{}})";
    edit.insert(freezing);
}

} // namespace uttrin
