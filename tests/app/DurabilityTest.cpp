#include "notebook/Notebook.h"
#include "support/TempDir.h"
#include "trace/PackedSamples.h"

#include <gtest/gtest.h>

#include <array>
#include <chrono>
#include <csignal>
#include <cstdlib>
#include <map>
#include <random>
#include <sstream>
#include <sys/wait.h>
#include <thread>
#include <unistd.h>
#include <vector>

namespace uttrin {
namespace {

constexpr int kKills = 100;

struct Child {
    pid_t pid;
    int out;
};

Child start(const std::string& program, const std::vector<std::string>& arguments) {
    int ends[2];
    if (pipe(ends) != 0) throw std::runtime_error("pipe");
    const pid_t pid = fork();
    if (pid == 0) {
        dup2(ends[1], STDOUT_FILENO);
        close(ends[0]);
        close(ends[1]);
        std::vector<char*> all{const_cast<char*>(program.c_str())};
        for (const std::string& argument : arguments)
            all.push_back(const_cast<char*>(argument.c_str()));
        all.push_back(nullptr);
        execv(program.c_str(), all.data());
        _exit(127);
    }
    close(ends[1]);
    return {pid, ends[0]};
}

std::string readUntil(int fd, const std::string& word) {
    std::string text;
    std::array<char, 4096> buffer{};
    while (word.empty() || text.find(word) == std::string::npos) {
        const auto n = read(fd, buffer.data(), buffer.size());
        if (n <= 0) break;
        text.append(buffer.data(), static_cast<std::size_t>(n));
    }
    return text;
}

/// Kills a child at a random moment. @param head  what it said so far. @return all that it said.
std::string killed(const Child& child, std::string head, std::mt19937& random, int least, int most) {
    std::this_thread::sleep_for(
        std::chrono::milliseconds(std::uniform_int_distribution<>(least, most)(random)));
    ::kill(child.pid, SIGKILL);
    head += readUntil(child.out, "");
    close(child.out);
    int status = 0;
    waitpid(child.pid, &status, 0);
    EXPECT_TRUE(WIFSIGNALED(status));
    return head;
}

/// An empty notebook with one lesson, as the window makes it.
bool makeNotebook(const std::filesystem::path& path) { return Notebook::create(path).has_value(); }

// The program is killed at random moments while it captures; every reading that its screen had shown as
// captured is in the file.
TEST(Durability, EveryConfirmedReadingSurvivesSigkill) {
    const testing::TempDir dir;
    const auto path = dir / "kill.uttrin";
    ASSERT_TRUE(makeNotebook(path));
    std::mt19937 random(612);
    std::map<std::string, std::string> confirmed; // position, temperature as shown
    for (int kill = 0; kill < kKills; ++kill) {
        const Child child = start(DURABILITY_CHILD, {path.string()});
        const std::string head = readUntil(child.out, "ready\n");
        ASSERT_NE(head.find("ready\n"), std::string::npos) << head;
        std::istringstream lines(killed(child, head.substr(head.find("ready\n") + 6), random, 0, 400));
        for (std::string position, temperature; lines >> position >> temperature;)
            confirmed[position] = temperature;

        const auto notebook = Notebook::open(path);
        ASSERT_TRUE(notebook) << notebook.error().message;
        ASSERT_TRUE(notebook->check()->empty());
        std::map<std::string, double> kept;
        const auto data = notebook->load(notebook->lessons()->front().id).value();
        for (const Reading& r : data.readings)
            kept[std::to_string(r.position)] = r.temperature;
        for (const auto& [position, temperature] : confirmed) {
            ASSERT_TRUE(kept.contains(position)) << "reading " << position << " was confirmed and is lost";
            EXPECT_NEAR(kept[position], std::stod(temperature), 0.06); // as shown, to a decimal
        }
    }
    EXPECT_GT(confirmed.size(),
              kKills / 4U); // enough rounds came far enough to mean something, even on a busy machine
    std::printf("%d kills, %zu readings confirmed on screen, none lost\n", kKills, confirmed.size());
}

/// UTTRIN_KILLS=200 for a whole period of them.
int killsAskedFor(int usual) {
    const char* said = std::getenv("UTTRIN_KILLS");
    return said ? std::atoi(said) : usual;
}
int killsOfActs() { return killsAskedFor(30); }

/// The time of the last sample that is in the file of any stream that was begun last, s.
double lastKept(const Notebook& notebook, const LessonData& data) {
    double last = 0.0;
    for (const LiveStream& stream : data.streams) {
        if (stream.startedAt != data.streams.back().startedAt) continue;
        const auto chunks = notebook.chunks(stream.id);
        EXPECT_TRUE(chunks);
        for (const LiveChunk& chunk : *chunks) {
            const auto samples = unpackSamples(chunk.samples);
            EXPECT_TRUE(samples) << "a packet of samples is damaged";
            if (samples && !samples->empty()) last = std::max(last, samples->seconds.back());
        }
    }
    return last;
}

// The program is killed while it listens: nothing that was captured is lost, and of what arrived no more than
// about the last second.
TEST(Durability, WhatArrivedSurvivesSigkillButForTheLastSecond) {
    const testing::TempDir dir;
    const auto path = dir / "live.uttrin";
    ASSERT_TRUE(makeNotebook(path));
    const Child instruments = start(STAND_IN, {"sealed-flask", "--tcp", "0", "--speed", "0.05"});
    const std::string said = readUntil(instruments.out, "\n");
    const auto from = said.find("tcp:");
    ASSERT_NE(from, std::string::npos) << said;
    ASSERT_EQ(
        setenv("DURABILITY_LISTEN", said.substr(from, said.find_first_of(" \n", from) - from).c_str(), 1), 0);
    std::mt19937 random(5025);
    double worst = 0.0;
    std::size_t captured = 0;
    const int kills = killsAskedFor(8);
    int told = 0;
    for (int kill = 0; kill < kills; ++kill) {
        const Child child = start(DURABILITY_CHILD, {path.string()});
        const std::string head = readUntil(child.out, "heard ");
        ASSERT_NE(head.find("heard "), std::string::npos) << head;
        std::istringstream lines(killed(child, head, random, 700, 2400));
        double heard = 0.0;
        for (std::string word; lines >> word;) {
            if (word == "heard")
                lines >> heard;
            else if (std::size_t shown = 0; word == "shown" && lines >> shown)
                captured = std::max(captured, shown);
        }
        const auto notebook = Notebook::open(path);
        ASSERT_TRUE(notebook) << notebook.error().message;
        ASSERT_TRUE(notebook->check()->empty());
        const auto data = notebook->load(notebook->lessons()->front().id).value();
        ASSERT_GE(data.readings.size(), captured) << "what was shown as captured is lost";
        if (data.streams.empty() || heard < 1.5) continue; // it had not kept its first second yet
        worst = std::max(worst, heard - lastKept(*notebook, data));
        ++told;
    }
    ASSERT_EQ(unsetenv("DURABILITY_LISTEN"), 0);
    ::kill(instruments.pid, SIGKILL);
    waitpid(instruments.pid, nullptr, 0);
    close(instruments.out);
    EXPECT_GT(told, kills / 3);
    EXPECT_GT(captured, 0U);
    EXPECT_LT(worst, 1.6) << "s; on disk once a second, and it is looked at twice a second";
    std::printf("%d kills while listening, %zu captured, none lost; at most %.2f s of what arrived\n", kills,
                captured, worst);
}

// Four acts go on at once and the program is killed again and again: what its page had shown as stamped is in
// the file, and each bell is as far from ringing as it was set.
TEST(Durability, StampsOfFourActsAndTheirBellsSurviveSigkill) {
    const testing::TempDir dir;
    const auto path = dir / "acts.uttrin";
    ASSERT_TRUE(makeNotebook(path));
    ASSERT_EQ(setenv("DURABILITY_ACTS", "1", 1), 0);
    ASSERT_EQ(setenv("DURABILITY_SPEED", "60", 1), 0); // a period in a minute
    std::mt19937 random(1604);
    std::size_t confirmed = 0;
    int bells = 0;
    for (int kill = 0; kill < killsOfActs(); ++kill) {
        const Child child = start(DURABILITY_CHILD, {path.string()});
        const std::string head = readUntil(child.out, "ready\n");
        ASSERT_NE(head.find("ready\n"), std::string::npos) << head;
        std::istringstream lines(killed(child, head, random, 0, 600));
        for (std::string word, value; lines >> word;) {
            if (word == "bell") {
                lines >> value;
                EXPECT_EQ(value, "right");
                ++bells;
            } else if (word == "stamps" && lines >> value) {
                confirmed = std::max(confirmed, static_cast<std::size_t>(std::stoul(value)));
            }
        }
        const auto notebook = Notebook::open(path);
        ASSERT_TRUE(notebook) << notebook.error().message;
        ASSERT_TRUE(notebook->check()->empty());
        const auto data = notebook->load(notebook->lessons()->front().id).value();
        ASSERT_GE(data.stamps.size(), confirmed) << "what was shown as stamped is lost";
    }
    ASSERT_EQ(unsetenv("DURABILITY_ACTS"), 0);
    ASSERT_EQ(unsetenv("DURABILITY_SPEED"), 0);
    EXPECT_GT(confirmed, static_cast<std::size_t>(killsOfActs()) / 4U);
    EXPECT_GT(bells, 0);
    std::printf("%d kills, %zu stamps confirmed on screen, none lost; bells right %d times\n", killsOfActs(),
                confirmed, bells);
}

} // namespace
} // namespace uttrin
