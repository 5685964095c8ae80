#include "rehearsal/library/RigLibrary.h"

#include "rehearsal/card/ToldCard.h"
#include "support/TempDir.h"

#include <gtest/gtest.h>

#include <fstream>

namespace uttrin {
namespace {

using testing::TempDir;

const RigFile& sealedFlask() { return findDemonstration("sealed-flask")->rig; }

TEST(RigLibrary, KeepsARigWithItsValuesAndItsCardAcrossLessons) {
    const TempDir dir;
    const RigLibrary library(dir / "deep" / "rigs");
    EXPECT_TRUE(library.shelf().rigs.empty()) << "no folder yet";
    const auto id =
        library.keep(sealedFlask(), {{"/vessels/flask/liquid", "320 g"}}, "Wednesday’s flask (K12)");
    ASSERT_TRUE(id) << plain(id.error().message);
    const auto shelf = RigLibrary(dir / "deep" / "rigs").shelf();
    ASSERT_EQ(shelf.rigs.size(), 1U);
    EXPECT_EQ(shelf.rigs[0].id, *id);
    EXPECT_EQ(shelf.rigs[0].rig.name(), "Wednesday’s flask (K12)");
    EXPECT_NEAR(shelf.rigs[0].rig.value("/vessels/flask/liquid"), 0.320, 1e-12);
    EXPECT_EQ(shelf.rigs[0].rig.story().card.control, sealedFlask().story().card.control);
    ASSERT_TRUE(library.keep(sealedFlask(), {{"/vessels/flask/liquid", "250 g"}}, "Wednesday’s flask (K12)"));
    ASSERT_EQ(library.shelf().rigs.size(), 1U) << "one of the same name is replaced";
    EXPECT_NEAR(library.shelf().rigs[0].rig.value("/vessels/flask/liquid"), 0.250, 1e-12);
    ASSERT_TRUE(library.remove(*id));
    EXPECT_TRUE(library.shelf().rigs.empty());
    EXPECT_TRUE(library.remove(*id)) << "it is gone already";
}

TEST(RigLibrary, NamesStayInTheFolder) {
    const TempDir dir;
    const RigLibrary library(dir / "rigs");
    EXPECT_FALSE(library.keep(sealedFlask(), {}, " /.. "));
    const auto id = library.keep(sealedFlask(), {}, "../../over there/ÄÖ.json");
    ASSERT_TRUE(id);
    EXPECT_EQ(id->find('/'), std::string::npos);
    EXPECT_FALSE(std::filesystem::exists(dir / "over there"));
    EXPECT_EQ(library.shelf().rigs.size(), 1U);
    std::ofstream(dir / "beside.json") << "{}";
    EXPECT_TRUE(library.remove("../beside"));
    EXPECT_TRUE(std::filesystem::exists(dir / "beside.json"));
    ASSERT_TRUE(library.keep(sealedFlask(), {}, std::string(400, 'x')));
}

TEST(RigLibrary, AFileThatCannotBeReadIsToldAndHidesNoOther) {
    const TempDir dir;
    const RigLibrary library(dir / ".");
    ASSERT_TRUE(library.keep(sealedFlask(), {}, "good"));
    std::ofstream(dir / "bad.json") << "{\"name\": ";
    std::ofstream(dir / "notes.txt") << "not a rig";
    const auto shelf = library.shelf();
    EXPECT_EQ(shelf.rigs.size(), 1U);
    ASSERT_EQ(shelf.troubles.size(), 1U);
    EXPECT_EQ(plain(shelf.troubles[0]).rfind("bad.json", 0), 0U);
    std::ofstream(dir / "file") << "";
    const auto blocked = RigLibrary(dir / "file" / "rigs").keep(sealedFlask(), {}, "x");
    ASSERT_FALSE(blocked) << "a file stands where the folder should";
    EXPECT_EQ(blocked.error().kind, Failure::Storage);
}

} // namespace
} // namespace uttrin
