#include "lesson/exchange/Exports.h"
#include "support/FakeClock.h"
#include "support/FaultyDisk.h"
#include "support/HandledSession.h"
#include "support/TempDir.h"

#include <gtest/gtest.h>
#include <sqlite3.h>

#include <fstream>
#include <iterator>

namespace uttrin::testing {
namespace {

namespace fs = std::filesystem;

/// What a disk can do wrong, and the code that SQLite's own layer gives for it.
struct Fault {
    FaultyDisk::Operation operation;
    int code;
    bool stays; ///< until the person mends it: a full disk, a stick pulled out
};
const std::vector<Fault> kFaults{
    {FaultyDisk::Read, SQLITE_IOERR_READ, false},         {FaultyDisk::Read, SQLITE_IOERR_READ, true},
    {FaultyDisk::Write, SQLITE_IOERR_WRITE, false},       {FaultyDisk::Write, SQLITE_FULL, true},
    {FaultyDisk::Sync, SQLITE_IOERR_FSYNC, false},        {FaultyDisk::Sync, SQLITE_IOERR_FSYNC, true},
    {FaultyDisk::Truncate, SQLITE_IOERR_TRUNCATE, false}, {FaultyDisk::Lock, SQLITE_BUSY, false},
    {FaultyDisk::Lock, SQLITE_IOERR_LOCK, true}};

/// A lesson with a run of three readings, one of them struck, as a file.
class StorageFaults : public ::testing::Test {
protected:
    static constexpr int kReadings = 3;
    TempDir dir;
    FakeClock clock;
    FaultyDisk disk;
    std::string sound; ///< the bytes of the notebook before anything failed

    void SetUp() override {
        {
            HandledSession s(*Notebook::create(dir / "sound.uttrin"), clock, 120);
            ASSERT_TRUE(s.addLesson(Lesson{0, "Boiling", "", "", "", 0.0, false, 0, false}));
            RoomEntry room;
            room.value = 943.1;
            room.valueU = 0.3;
            ASSERT_TRUE(s.enterRoom(room, RoomRole::Start, clock.time));
            ASSERT_TRUE(s.startRun("Cedar"));
            for (int i = 0; i < kReadings; ++i)
                capture(s, i);
            ASSERT_TRUE(s.strike(s.model().data().readings.front().id, "misread"));
        }
        std::ifstream file(dir / "sound.uttrin", std::ios::binary);
        sound.assign(std::istreambuf_iterator<char>(file), {});
    }

    Result<CaptureOutcome> capture(HandledSession& s, int i) {
        clock.time += 60'000;
        s.edit([&](BenchDraft& d) {
            d.first = -0.5 + 0.1 * i;
            d.temperature = 82.0 + i;
        });
        return s.capture(true);
    }

    fs::path fresh() {
        const auto path = dir / "a.uttrin";
        fs::remove(path);
        fs::remove(path.string() + "-journal");
        std::ofstream(path, std::ios::binary) << sound;
        return path;
    }

    /// What is in the file by itself: readings, and how many are struck.
    static std::pair<int, int> onDisk(const fs::path& path) {
        const auto notebook = Notebook::open(path);
        if (!notebook) {
            ADD_FAILURE() << notebook.error().message;
            return {-1, -1};
        }
        EXPECT_TRUE(notebook->check()->empty());
        int readings = 0, struck = 0;
        const auto lessons = *notebook->lessons();
        for (const Lesson& lesson : lessons) { // of a rescue some may hang under one called 'found'
            const auto data = notebook->load(lesson.id);
            for (const Reading& r : data->readings) {
                ++readings;
                struck += r.struckReason.has_value();
            }
        }
        return {readings, struck};
    }

    /// Does something to an open session with the n-th operation of a kind failing, for every n that occurs,
    /// and looks at it after each. `act` gives the failure's sentence, or an empty one.
    void forEveryFault(const std::function<std::string(HandledSession&)>& act,
                       const std::function<void(HandledSession&, bool failed)>& look) {
        for (const Fault& fault : kFaults)
            for (int n = 1; n < 400; ++n) {
                SCOPED_TRACE(nameOf(fault.operation) + " " + std::to_string(n) +
                             (fault.stays ? " stays" : ""));
                const auto path = fresh();
                bool occurred = false;
                {
                    HandledSession s(*Notebook::open(path), clock, 120);
                    s.edit([](BenchDraft& d) { // something that is typed and must not get lost
                        d.first = -0.3;
                        d.temperature = 89.0;
                    });
                    disk.breakAt(fault.operation, n, fault.code, fault.stays);
                    const std::string said = act(s);
                    occurred = disk.hasFailed();
                    disk.mend();
                    EXPECT_TRUE(occurred || said.empty()) << said;
                    EXPECT_FALSE(said.find("std::") != std::string::npos) << said;
                    const auto again = SelectionCommands(s).lookAgain(); // the disk is well: it goes on
                    EXPECT_TRUE(again) << again.error().message;
                    look(s, !said.empty());
                    if (HasFailure()) return;
                }
                if (!occurred) break;
            }
    }

    static std::string sentence(const auto& result) {
        return result ? std::string() : plain(result.error().message);
    }
};

TEST_F(StorageFaults, ACaptureIsOnDiskOrIsNotShown) {
    forEveryFault([](HandledSession& s) { return sentence(s.capture(true)); },
                  [&](HandledSession& s, bool failed) {
                      const auto shown = s.model().readingsOf(*s.runId()).size();
                      EXPECT_EQ(shown, failed ? 3U : 4U);
                      EXPECT_EQ(s.draft().first.has_value(), failed)
                          << "what was typed stays until it is stored";
                      EXPECT_EQ(*s.notebook().count("reading"), static_cast<int>(shown));
                      if (failed) {
                          const auto later = s.capture(true);
                          EXPECT_TRUE(later && later->readingId) << sentence(later);
                      }
                      EXPECT_EQ(*s.notebook().count("reading"), 4);
                  });
}

TEST_F(StorageFaults, StrikingUndoingAndStartingARunHappenWholeOrNotAtAll) {
    forEveryFault(
        [](HandledSession& s) {
            std::string said = sentence(s.strike(s.model().data().readings[1].id, "leak"));
            for (const auto& step : {sentence(s.startRun("Dune")), sentence(s.undo()), sentence(s.undo())})
                if (said.empty()) said = step;
            return said;
        },
        [&](HandledSession& s, bool) {
            EXPECT_EQ(*s.notebook().count("reading"), 3);
            EXPECT_EQ(*s.notebook().count("run"), static_cast<int>(s.model().data().runs.size()));
            EXPECT_EQ(*s.notebook().count("run"), *s.notebook().count("run_rig")) << "each run has its rig";
            while (s.canUndo())
                ASSERT_TRUE(s.undo());
            EXPECT_EQ(s.model().data().runs.size(), 1U);
            EXPECT_TRUE(s.notebook().check()->empty());
        });
}

TEST_F(StorageFaults, ACopyAndAnExportAreWholeOrNotThere) {
    forEveryFault(
        [this](HandledSession& s) {
            fs::remove(dir / "copy.uttrin");
            fs::remove_all(dir / "out");
            std::string said = sentence(s.saveCopy(dir / "copy.uttrin"));
            if (const auto exported = exportNotebook(s.notebook(), "csv", dir / "out");
                !exported && said.empty())
                said = plain(exported.error().message);
            return said;
        },
        [&](HandledSession& s, bool) {
            for (const auto& entry : fs::directory_iterator(static_cast<fs::path>(dir / "")))
                EXPECT_EQ(entry.path().string().find(".part-"), std::string::npos) << entry.path();
            if (fs::exists(dir / "copy.uttrin")) {
                EXPECT_EQ(onDisk(dir / "copy.uttrin").first, kReadings);
            }
            fs::remove(dir / "copy.uttrin");
            EXPECT_TRUE(s.saveCopy(dir / "copy.uttrin")) << "a failed copy does not block the next try";
        });
}

TEST_F(StorageFaults, OpeningFailsWithASentenceAndLeavesTheFileAsItIs) {
    for (const Fault& fault : kFaults)
        for (int n = 1; n < 400; ++n) {
            SCOPED_TRACE(nameOf(fault.operation) + " " + std::to_string(n));
            const auto path = fresh();
            disk.breakAt(fault.operation, n, fault.code, fault.stays);
            const auto notebook = Notebook::open(path);
            if (notebook) (void)notebook->lessons();
            const bool occurred = disk.hasFailed();
            disk.mend();
            if (!notebook) {
                EXPECT_FALSE(notebook.error().message.empty());
            }
            if (!occurred) break;
            std::ifstream file(path, std::ios::binary);
            EXPECT_EQ(std::string(std::istreambuf_iterator<char>(file), {}), sound);
            EXPECT_EQ(onDisk(path).first, kReadings);
            if (HasFailure()) return;
        }
}

TEST_F(StorageFaults, ARescueThatFailsLeavesNothingHalfAndCanBeTriedAgain) {
    for (const Fault& fault : kFaults)
        for (int n = 1; n < 600; n += fault.stays ? 7 : 3) {
            SCOPED_TRACE(nameOf(fault.operation) + " " + std::to_string(n));
            const auto path = fresh();
            fs::remove(dir / "rescued.uttrin");
            disk.breakAt(fault.operation, n, fault.code, fault.stays);
            const auto saved = Notebook::salvage(path, dir / "rescued.uttrin");
            const bool occurred = disk.hasFailed();
            disk.mend();
            if (saved && *saved == kReadings) {
                EXPECT_EQ(onDisk(dir / "rescued.uttrin").first, kReadings);
            }
            if (!saved) {
                EXPECT_FALSE(fs::exists(dir / "rescued.uttrin"));
            }
            fs::remove(dir / "rescued.uttrin");
            const auto again = Notebook::salvage(path, dir / "rescued.uttrin");
            EXPECT_TRUE(again && *again == kReadings);
            if (!occurred || HasFailure()) break;
        }
}

TEST_F(StorageFaults, ClosingOnABrokenDiskLosesNothing) {
    const auto path = fresh();
    for (const Fault& fault : kFaults) {
        {
            const auto notebook = Notebook::open(path);
            ASSERT_TRUE(notebook);
            disk.breakAt(fault.operation, 1, fault.code, true);
        }
        disk.mend();
        EXPECT_EQ(onDisk(path), std::pair(kReadings, 1));
    }
}

} // namespace
} // namespace uttrin::testing
