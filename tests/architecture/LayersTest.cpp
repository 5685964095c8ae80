#include <gtest/gtest.h>

#include <filesystem>
#include <fstream>
#include <map>
#include <regex>
#include <set>
#include <sstream>
#include <string>

namespace {

namespace fs = std::filesystem;
using Rooms = std::set<std::string>;

/// What each room may include; docs/architecture.md shows the same as a picture.
const std::map<std::string, Rooms> kMayUse{
    {"text", {}}, // every room may use it
    {"quantities", {}},
    {"files", {"quantities"}},
    {"json", {"quantities"}},
    {"physics", {"quantities"}},
    {"substances", {"files", "json", "physics", "quantities"}},
    {"solutions", {"physics", "quantities", "substances"}},
    {"instruments", {"physics", "quantities", "substances"}},
    {"photo", {"json", "quantities"}},
    {"plan", {"instruments", "json", "physics", "quantities", "solutions", "substances"}},
    {"period", {}},
    {"rig/matter", {"physics", "quantities", "solutions", "substances"}},
    {"rig", {"physics", "quantities", "rig/matter", "solutions"}},
    {"rehearsal/rigfile", {"json", "physics", "quantities", "rig", "rig/matter", "solutions", "substances"}},
    {"rehearsal/card", {"physics", "quantities", "rehearsal", "rehearsal/rigfile", "rig", "rig/matter"}},
    {"rehearsal/library", {"files", "rehearsal", "quantities"}},
    {"rehearsal/learning", {"physics", "quantities", "rehearsal", "rehearsal/rigfile", "rig"}},
    {"rehearsal",
     {"json", "physics", "quantities", "rehearsal/rigfile", "rig", "rig/matter", "solutions", "substances"}},
    {"analysis", {"instruments", "physics", "quantities", "rig/matter", "solutions", "substances"}},
    {"notebook", {"files", "quantities"}},
    {"lesson/model",
     {"analysis", "instruments", "notebook", "photo", "physics", "plan", "quantities", "solutions",
      "substances"}},
    {"lesson/commands",
     {"analysis", "instruments", "lesson/model", "notebook", "photo", "physics", "plan", "quantities",
      "register", "solutions", "substances"}},
    {"lesson/actcommands", {"lesson/commands", "lesson/model", "notebook", "quantities"}},
    {"lesson/acts",
     {"instruments", "json", "lesson/actcommands", "lesson/commands", "lesson/model", "notebook", "period",
      "physics", "plan", "quantities", "rehearsal", "rehearsal/card", "rehearsal/learning",
      "rehearsal/rigfile", "rig", "solutions", "substances"}},
    {"lesson/results",
     {"lesson/acts", "lesson/commands", "lesson/model", "notebook", "physics", "quantities", "rehearsal",
      "rehearsal/learning", "rehearsal/rigfile", "substances"}},
    {"lesson/views",
     {"analysis", "instruments", "lesson/commands", "lesson/model", "notebook", "photo", "physics", "plan",
      "quantities", "rehearsal", "rehearsal/rigfile", "rig", "rig/matter", "solutions", "substances"}},
    {"lesson/lookups",
     {"instruments", "lesson/commands", "physics", "plan", "quantities", "solutions", "substances"}},
    {"lesson/exchange",
     {"files", "instruments", "json", "lesson/model", "notebook", "physics", "plan", "quantities",
      "rehearsal", "rig", "substances"}},
    {"trace", {"notebook", "physics", "quantities"}},
    {"live", {"files", "json", "quantities", "substances", "trace"}},
    {"standin", {"physics", "quantities", "rehearsal", "rig"}},
    {"feeds", {"live", "physics", "quantities", "standin", "trace"}},
    {"register", {"files", "instruments", "json", "plan"}},
    {"lesson/live", {"analysis", "lesson/commands", "live", "plan", "quantities", "trace"}},
    {"report",
     {"analysis", "instruments", "lesson/acts", "lesson/commands", "lesson/model", "lesson/results",
      "lesson/views", "notebook", "physics", "plan", "quantities", "rehearsal", "rehearsal/card",
      "rehearsal/rigfile", "solutions", "substances"}},
    {"demo",
     {"instruments", "notebook", "physics", "plan", "quantities", "rehearsal", "rig", "solutions",
      "substances"}},
    {"accuracy", {"instruments", "physics", "quantities", "solutions", "substances"}},
    {"resources", {}},
    {"pdf", {"files", "quantities", "report"}},
    {"cli",
     {"analysis",
      "feeds",
      "files",
      "instruments",
      "lesson/actcommands",
      "lesson/acts",
      "lesson/commands",
      "lesson/exchange",
      "lesson/model",
      "lesson/results",
      "lesson/views",
      "live",
      "notebook",
      "pdf",
      "physics",
      "plan",
      "quantities",
      "rehearsal",
      "rehearsal/learning",
      "rehearsal/library",
      "rehearsal/rigfile",
      "report",
      "resources",
      "rig",
      "rig/matter",
      "solutions",
      "standin",
      "substances",
      "trace"}},
    {"app/controls", {"quantities"}},
    {"app/accessibility", {"app/controls"}},
    {"app/tables", {"app/controls"}},
    {"app/map",
     {"app/accessibility", "app/controls", "instruments", "lesson/views", "physics", "quantities",
      "substances"}},
    {"app/instruments", {"app/accessibility", "app/controls", "instruments", "physics", "quantities"}},
    {"app/controller",
     {"app/controls", "lesson/commands", "lesson/model", "lesson/views", "notebook", "pdf", "quantities",
      "rehearsal/library", "rehearsal/rigfile"}},
    {"app/photo",
     {"app/accessibility", "app/controller", "app/controls", "app/instruments", "instruments",
      "lesson/commands", "lesson/lookups", "lesson/views", "photo", "quantities"}},
    {"app/rigdrawing",
     {"app/accessibility", "app/controls", "lesson/views", "rehearsal", "rehearsal/rigfile"}},
    {"app/rehearse",
     {"app/accessibility", "app/controller", "app/controls", "app/map", "app/rigdrawing", "files",
      "lesson/commands", "lesson/views", "physics", "quantities", "rehearsal", "rehearsal/card",
      "rehearsal/library", "rehearsal/rigfile"}},
    {"app/live",
     {"app/accessibility", "app/controller", "app/controls", "app/instruments", "app/tables", "feeds",
      "files", "lesson/live", "live", "quantities", "rehearsal", "standin", "trace"}},
    {"app/conduct",
     {"app/accessibility", "app/controller", "app/controls", "app/live", "app/rigdrawing",
      "lesson/actcommands", "lesson/acts", "lesson/commands", "lesson/model", "lesson/results",
      "lesson/views", "physics", "quantities", "rehearsal"}},
    {"app/stations/room",
     {"app/controller", "app/controls", "app/instruments", "app/map", "instruments", "lesson/commands",
      "lesson/views", "quantities"}},
    {"app/stations/rig",
     {"app/controller", "app/controls", "app/instruments", "app/live", "app/map", "instruments",
      "lesson/commands", "lesson/model", "lesson/views", "plan", "quantities", "register", "substances"}},
    {"app/stations/plan",
     {"app/accessibility", "app/controller", "app/controls", "app/map", "app/tables", "lesson/actcommands",
      "lesson/acts", "lesson/commands", "lesson/exchange", "lesson/model", "lesson/views", "physics",
      "quantities", "rehearsal", "rehearsal/card", "rehearsal/library", "rehearsal/rigfile"}},
    {"app/stations/run",
     {"app/conduct", "app/controller", "app/controls", "app/instruments", "app/live", "app/map", "app/tables",
      "lesson/commands", "lesson/live", "lesson/views", "live", "plan", "quantities", "register"}},
    {"app/stations/workup",
     {"app/accessibility", "app/conduct", "app/controller", "app/controls", "app/map", "app/tables",
      "lesson/commands", "lesson/views", "quantities"}},
    {"app/stations/report",
     {"app/conduct", "app/controller", "app/controls", "files", "lesson/actcommands", "lesson/acts",
      "lesson/commands", "lesson/exchange", "lesson/views", "pdf", "report"}},
    {"app/tools",
     {"app/controller", "app/controls", "app/instruments", "app/map", "app/tables", "lesson/lookups",
      "quantities"}},
    {"app/welcome", {"app/controls", "lesson/model", "quantities"}},
    {"app/shell",
     {"app/accessibility",
      "app/conduct",
      "app/controller",
      "app/controls",
      "app/live",
      "app/map",
      "app/photo",
      "app/rehearse",
      "app/stations/plan",
      "app/stations/report",
      "app/stations/rig",
      "app/stations/room",
      "app/stations/run",
      "app/stations/workup",
      "app/tools",
      "app/welcome",
      "demo",
      "files",
      "lesson/commands",
      "lesson/model",
      "lesson/views",
      "notebook",
      "pdf",
      "quantities",
      "rehearsal",
      "report",
      "resources",
      "substances"}},
};
const Rooms kWithQt{"resources", "pdf", "cli", "feeds"};

bool isOfTheWindow(const std::string& room) { return room.rfind("app/", 0) == 0; }

/// The room that an include line names: "physics" of #include "physics/Substance.h"; empty for any other
/// line.
std::string includedRoom(const std::string& line) {
    const std::string start = "#include \"";
    if (line.rfind(start, 0) != 0) return {};
    const auto end = line.rfind('/');
    return end == std::string::npos || end < start.size() ? std::string()
                                                          : line.substr(start.size(), end - start.size());
}

template <typename Use>
void eachSource(Use use) {
    for (const auto& entry : fs::recursive_directory_iterator(SOURCE_DIR)) {
        const std::string extension = entry.path().extension();
        if (extension == ".h" || extension == ".cpp") use(entry.path());
    }
}

std::string roomOf(const fs::path& file) { return fs::relative(file.parent_path(), SOURCE_DIR).string(); }

TEST(Layers, NoRoomReachesUpwardsAndTheCoreKnowsNoQt) {
    int files = 0;
    eachSource([&](const fs::path& path) {
        const std::string room = roomOf(path);
        ASSERT_TRUE(kMayUse.contains(room)) << path;
        ++files;
        std::ifstream file(path);
        for (std::string line; std::getline(file, line);) {
            const std::string used = includedRoom(line);
            const bool upwards = !used.empty() && used != "text" && !kMayUse.at(room).contains(used);
            EXPECT_FALSE(upwards) << path << ": " << line;
            const bool qt = line.rfind("#include <Q", 0) == 0 || line.rfind("#include <q", 0) == 0;
            EXPECT_FALSE(qt && !kWithQt.contains(room) && !isOfTheWindow(room)) << path << ": " << line;
            const bool widgets =
                qt && std::regex_search(
                          line, std::regex("<Q(Widget|Application|MainWindow|Dialog|Label|PushButton)>"));
            EXPECT_FALSE(widgets && !isOfTheWindow(room)) << path << ": " << line;
        }
    });
    EXPECT_GT(files, 200);
}

/// A target's name as CMake has it: "uttrin_window_station_run" of "app/stations/run".
std::string targetOf(std::string room) {
    const auto replace = [&](const std::string& from, const std::string& to) {
        if (room.rfind(from, 0) == 0) room = to + room.substr(from.size());
    };
    replace("app/stations/", "window_station_");
    replace("app/", "window_");
    for (char& c : room)
        if (c == '/') c = '_';
    return "uttrin_" + room;
}

// A link that no include rule allows would let a room use another behind this test's back.
TEST(Layers, NoTargetLinksARoomThatItsSourcesMayNotUse) {
    std::map<std::string, std::string> roomOfTarget;
    for (const auto& [room, uses] : kMayUse)
        roomOfTarget[targetOf(room)] = room;
    for (const auto& [room, uses] : kMayUse) {
        std::ifstream file(fs::path(SOURCE_DIR) / room / "CMakeLists.txt");
        ASSERT_TRUE(file) << room;
        std::stringstream text;
        text << file.rdbuf();
        const std::string all = text.str();
        const std::regex word("uttrin_[a-z_]+");
        for (std::sregex_iterator it(all.begin(), all.end(), word), end; it != end; ++it) {
            const auto linked = roomOfTarget.find(it->str());
            if (linked == roomOfTarget.end() || linked->second == room || linked->second == "text") continue;
            EXPECT_TRUE(uses.contains(linked->second)) << room << " links " << it->str();
        }
    }
}

// Nobody should have to search: a folder shows what is in it, a file is about one thing.
TEST(Layers, FoldersAndFilesStaySmall) {
    constexpr int kMostFiles = 26, kMostLines = 400;
    std::map<std::string, int> files;
    eachSource([&](const fs::path& path) {
        ++files[roomOf(path)];
        std::ifstream file(path);
        int lines = 0;
        bool says = false;
        for (std::string line; std::getline(file, line); ++lines)
            says = says || line.rfind("// Long because ", 0) == 0;
        EXPECT_TRUE(lines <= kMostLines || says)
            << path << " has " << lines << " lines and no line '// Long because …'";
    });
    for (const auto& [room, count] : files)
        EXPECT_LE(count, kMostFiles) << room;
}

} // namespace
