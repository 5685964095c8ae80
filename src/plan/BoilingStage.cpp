#include "BoilingStage.h"

#include <array>

namespace uttrin {

std::span<const NamedStage> boilingStages() {
    using enum BoilingStage;
    static const std::array<NamedStage, 7> all{{{Fog, Text::phrase("fog")},
                                                {Gas, Text::phrase("dissolved air comes out")},
                                                {FirstBubbles, Text::phrase("first bubbles at the chips")},
                                                {Boiling, Text::phrase("boiling")},
                                                {Hard, Text::phrase("boiling hard")},
                                                {Dying, Text::phrase("boiling dies away")},
                                                {Shaken, Text::phrase("shaken")}}};
    return all;
}

} // namespace uttrin
