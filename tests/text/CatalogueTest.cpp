#include <gtest/gtest.h>

#include <fstream>
#include <regex>
#include <sstream>
#include <string>
#include <vector>

namespace {

/// All texts that translators are asked for, as the catalogue has them.
std::vector<std::string> sources() {
    std::ifstream file(CATALOGUE);
    std::stringstream all;
    all << file.rdbuf();
    const std::string text = all.str();
    std::vector<std::string> found;
    constexpr std::string_view kOpen = "<source>", kClose = "</source>";
    for (auto at = text.find(kOpen); at != std::string::npos; at = text.find(kOpen, at)) {
        at += kOpen.size();
        found.push_back(text.substr(at, text.find(kClose, at) - at));
    }
    return found;
}

/// A text's sentences and parts of sentences.
std::vector<std::string> sentencesOf(const std::string& text) {
    static const std::regex ends("[.:;!?]( |$)");
    return {std::sregex_token_iterator(text.begin(), text.end(), ends, -1), std::sregex_token_iterator()};
}

bool says(const std::string& text, const char* words) {
    return std::regex_search(text, std::regex(words, std::regex::icase));
}

TEST(Catalogue, HoldsTheTextsOfTheWindowTheCoreAndTheDataFiles) {
    const auto all = sources();
    EXPECT_GT(all.size(), 1500U);
    for (const char* needed :
         {"&amp;Notebook",
          "There is no folder of your own for the sample notebook; open it from where it lies.",
          "Steam and boiling water scald.", "the disk is full; free some space, or choose another folder"})
        EXPECT_NE(std::find(all.begin(), all.end(), needed), all.end()) << needed;
}

// A "higher vacuum" is a lower pressure to one and a higher one to another: a vacuum is deeper or shallower,
// and beside that stands what it is in absolute pressure.
TEST(Catalogue, AVacuumIsDeeperOrShallowerWithItsAbsolutePressureBesideIt) {
    for (const std::string& text : sources())
        for (const std::string& sentence : sentencesOf(text)) {
            if (!says(sentence, "vacuum")) continue;
            EXPECT_FALSE(says(sentence, "\\b(reduc|lower|rais|higher|increas|decreas|high |low )")) << text;
            const bool compares = says(sentence, "\\b(deep|deeper|deepest|shallow|shallower)\\b");
            EXPECT_TRUE(!compares || says(text, "kPa absolute")) << text;
        }
}

TEST(Catalogue, TheRulesCanBeBroken) {
    EXPECT_TRUE(says("Never reduce the vacuum", "\\b(reduc|lower)"));
    EXPECT_EQ(sentencesOf("One. Two: three").size(), 3U);
}

} // namespace
