#include "notebook/Notebook.h"
#include "support/TempDir.h"

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

namespace uttrin {
namespace {

constexpr int kKills = 100;

struct Child {
    pid_t pid;
    int out;
};

Child start(const std::string& program, const std::string& notebook) {
    int ends[2];
    if (pipe(ends) != 0) throw std::runtime_error("pipe");
    const pid_t pid = fork();
    if (pid == 0) {
        dup2(ends[1], STDOUT_FILENO);
        close(ends[0]);
        close(ends[1]);
        execl(program.c_str(), program.c_str(), notebook.c_str(), nullptr);
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
        const Child child = start(DURABILITY_CHILD, path.string());
        const std::string head = readUntil(child.out, "ready\n");
        ASSERT_NE(head.find("ready\n"), std::string::npos) << head;
        std::this_thread::sleep_for(
            std::chrono::milliseconds(std::uniform_int_distribution<>(0, 400)(random)));
        ::kill(child.pid, SIGKILL);
        std::istringstream lines(head.substr(head.find("ready\n") + 6) + readUntil(child.out, ""));
        close(child.out);
        int status = 0;
        waitpid(child.pid, &status, 0);
        ASSERT_TRUE(WIFSIGNALED(status));
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
int killsOfActs() {
    const char* said = std::getenv("UTTRIN_KILLS");
    return said ? std::atoi(said) : 30;
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
        const Child child = start(DURABILITY_CHILD, path.string());
        const std::string head = readUntil(child.out, "ready\n");
        ASSERT_NE(head.find("ready\n"), std::string::npos) << head;
        std::this_thread::sleep_for(
            std::chrono::milliseconds(std::uniform_int_distribution<>(0, 600)(random)));
        ::kill(child.pid, SIGKILL);
        std::istringstream lines(head + readUntil(child.out, ""));
        close(child.out);
        int status = 0;
        waitpid(child.pid, &status, 0);
        ASSERT_TRUE(WIFSIGNALED(status));
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
