#include <gtest/gtest.h>

#include <filesystem>
#include <fstream>
#include <map>
#include <set>
#include <string>

namespace {

namespace fs = std::filesystem;

/// What each room may include; docs/architecture.md shows the same as a picture.
const std::map<std::string, std::set<std::string>> kMayUse{
    {"quantities", {}},
    {"physics", {"quantities"}},
    {"substances", {"physics", "quantities"}},
    {"solutions", {"physics", "quantities", "substances"}},
    {"instruments", {"physics", "quantities", "substances"}},
    {"photo", {"quantities"}},
    {"plan", {"instruments", "physics", "quantities", "solutions", "substances"}},
    {"rig", {"physics", "quantities", "solutions"}},
    {"rehearsal", {"physics", "quantities", "rig", "solutions", "substances"}},
    {"analysis", {"instruments", "physics", "quantities", "solutions", "substances"}},
    {"notebook", {"quantities"}},
    {"lesson",
     {"analysis", "instruments", "notebook", "photo", "physics", "plan", "quantities", "rehearsal", "rig",
      "solutions", "substances"}},
    {"report",
     {"analysis", "instruments", "lesson", "notebook", "physics", "plan", "quantities", "solutions",
      "substances"}},
    {"demo", {"instruments", "notebook", "physics", "plan", "quantities", "solutions", "substances"}},
    {"accuracy", {"instruments", "physics", "quantities", "solutions", "substances"}},
    {"gui", {"report"}},
    {"cli",
     {"analysis", "instruments", "lesson", "notebook", "gui", "physics", "plan", "quantities", "rehearsal",
      "report", "rig", "solutions", "substances"}},
    {"app",
     {"analysis", "demo", "instruments", "lesson", "notebook", "gui", "photo", "physics", "plan",
      "quantities", "rehearsal", "report", "rig", "solutions", "substances"}},
};
const std::set<std::string> kWithQt{"gui", "cli", "app"};

/// The room that an include line names: "physics" of #include "physics/Substance.h"; empty for any other
/// line.
std::string includedRoom(const std::string& line) {
    const std::string start = "#include \"";
    if (line.rfind(start, 0) != 0) return {};
    const auto slash = line.find('/', start.size());
    return slash == std::string::npos ? std::string() : line.substr(start.size(), slash - start.size());
}

TEST(Layers, NoRoomReachesUpwardsAndTheCoreKnowsNoQt) {
    int files = 0;
    for (const auto& entry : fs::recursive_directory_iterator(SOURCE_DIR)) {
        const std::string extension = entry.path().extension();
        if (extension != ".h" && extension != ".cpp") continue;
        const std::string room = entry.path().parent_path().filename();
        ASSERT_TRUE(kMayUse.contains(room)) << entry.path();
        ++files;
        std::ifstream file(entry.path());
        for (std::string line; std::getline(file, line);) {
            const std::string used = includedRoom(line);
            const bool upwards = !used.empty() && !kMayUse.at(room).contains(used);
            EXPECT_FALSE(upwards) << entry.path() << ": " << line;
            const bool strayQt = line.rfind("#include <Q", 0) == 0 && !kWithQt.contains(room);
            EXPECT_FALSE(strayQt) << entry.path() << ": " << line;
        }
    }
    EXPECT_GT(files, 60);
}

} // namespace
