#include "rehearsal/Demonstrations.h"

#include <gtest/gtest.h>

#include <algorithm>
#include <stdexcept>

namespace uttrin {
namespace {

// What a variant says anew takes the place of what the demonstration says: nothing of the other is left.
TEST(Stories, AVariantSaysWhatItIsAndNothingOfTheOthers) {
    const auto variant = [](std::string_view id, std::string_view name) -> const RigVariant& {
        for (const RigVariant& v : findDemonstration(id)->rig.variants())
            if (v.name == name) return v;
        throw std::logic_error(std::string(name));
    };
    for (const char* name :
         {"calcium chloride", "pump alone", "trap in ice and salt", "damp calcium chloride"}) {
        const RigStory& s = variant("freeze-by-boiling", name).story;
        for (const RigMaterial& m : s.materials)
            EXPECT_EQ(m.says.find("acid"), std::string::npos) << name << ": " << m.says;
        for (const std::string& text : s.cautions)
            EXPECT_EQ(text.find("acid"), std::string::npos) << name << ": " << text;
    }
    EXPECT_NE(variant("freeze-by-boiling", "strong acid").story.cautions.front().find("acid"),
              std::string::npos);
    // What nobody is to do has no list of what to fetch and no steps.
    for (const auto& [id, name] : {std::pair{"sealed-flask", "household jar"},
                                   {"sealed-flask", "bottle"},
                                   {"bell-jar", "in the palm of a hand"},
                                   {"syrup-on-the-stove", "with alcohol"}}) {
        const RigStory& s = variant(id, name).story;
        EXPECT_TRUE(s.steps.empty() && s.materials.empty()) << name;
        EXPECT_FALSE(s.cautions.empty()) << name;
    }
}

// What a step uses stands in the list of what to fetch.
TEST(Stories, EachThingThatAStepUsesStandsInTheMaterials) {
    const std::vector<std::pair<std::string, std::vector<std::string>>> things{
        {"thermometer", {"thermometer"}},
        {"gauge", {"gauge"}},
        {"bleed", {"bleed"}},
        {"clamp", {"clamp"}},
        {"hob", {"hob", "hot plate"}},
        {"glove", {"glove"}},
        {"chips", {"chips"}},
        {"cork", {"cork"}},
        {"spoon", {"spoon"}},
        {"string", {"string"}},
        {"salt", {"salt"}},
        {"pump", {"pump"}},
        {"valve", {"valve"}},
        {"jar", {"jar"}},
        {"drying agent", {"acid", "chloride"}},
        {"bottle", {"bottle"}},
        {"balloon", {"balloon"}},
        {"sweet", {"sweet"}},
        {"foam", {"foam"}},
        {"cooling water", {"cooling water"}},
        {"beaker", {"beaker"}}};
    for (const Demonstration& d : demonstrations())
        for (int variant = -1; variant < static_cast<int>(d.rig.variants().size()); ++variant) {
            const RigStory& story = d.rig.story(variant);
            if (story.steps.empty()) continue;
            std::string materials;
            for (const RigMaterial& m : story.materials)
                materials += m.says + "\n";
            for (const auto& [word, stands] : things)
                for (const RigStep& one : story.steps)
                    if (const std::string& step = one.says; step.find(word) != std::string::npos) {
                        EXPECT_TRUE(std::ranges::any_of(
                            stands,
                            [&](const std::string& s) { return materials.find(s) != std::string::npos; }))
                            << d.id << " variant " << variant << ": " << word << " in: " << step;
                    }
        }
}

} // namespace
} // namespace uttrin
