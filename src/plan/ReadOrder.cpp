#include "ReadOrder.h"

#include <algorithm>
#include <array>

namespace uttrin {
namespace {

struct StepFacts {
    ReadStep step;
    std::string_view id;
    Phrase name, instruction;
};

const std::array<StepFacts, 8>& steps() {
    static const std::array<StepFacts, 8> all{{
        {ReadStep::Isolate, "isolate", Text::phrase("shut off"), Text::phrase("Shut the pump off.")},
        {ReadStep::AwaitPlateau, "plateau", Text::phrase("plateau"),
         Text::phrase("Wait until the pressure stands still.")},
        {ReadStep::AwaitQuiet, "quiet", Text::phrase("bubbling stops"),
         Text::phrase("Wait until the bubbling stops.")},
        {ReadStep::ReadPressure, "pressure", Text::phrase("pressure"), Text::phrase("Read the pressure.")},
        {ReadStep::ReadTemperature, "temperature", Text::phrase("temperature"),
         Text::phrase("Read the temperature.")},
        {ReadStep::ReadBoth, "both", Text::phrase("both at once"), Text::phrase("Read both at one instant.")},
        {ReadStep::Vent, "vent", Text::phrase("air in"), Text::phrase("Let the air in, slowly.")},
        {ReadStep::Zero, "zero", Text::phrase("zero again"),
         Text::phrase("Read the gauge open to the room and press Zero check.")},
    }};
    return all;
}

const StepFacts& factsOf(ReadStep step) {
    return *std::ranges::find(steps(), step, &StepFacts::step);
}

} // namespace

std::string_view id(ReadStep step) { return factsOf(step).id; }
Text instruction(ReadStep step) { return factsOf(step).instruction; }

std::string wordsOf(const ReadOrder& order) {
    std::string words;
    for (const ReadStep step : order)
        words += (words.empty() ? "" : " ") + std::string(id(step));
    return words;
}

Result<ReadOrder> readOrderOf(std::string_view words) {
    ReadOrder order;
    while (!words.empty()) {
        const auto end = std::min(words.find(' '), words.size());
        const auto word = words.substr(0, end);
        words.remove_prefix(std::min(end + 1, words.size()));
        if (word.empty()) continue;
        const auto found = std::ranges::find(steps(), word, &StepFacts::id);
        if (found == steps().end())
            return fail(Failure::BadInput,
                        Text::tr("'{}' is no step of a read order; accepted: isolate, plateau, quiet, pressure, "
                                 "temperature, both, vent, zero",
                                 word));
        order.push_back(found->step);
    }
    if (const auto sound = check(order); !sound) return tl::unexpected(sound.error());
    return order;
}

Text nameOf(const ReadOrder& order) {
    std::vector<Text> names;
    for (const ReadStep step : order)
        names.emplace_back(factsOf(step).name);
    return Text::list(names);
}

Result<void> check(const ReadOrder& order) {
    if (order.empty()) return {};
    const auto count = [&](ReadStep step) { return std::ranges::count(order, step); };
    const auto pressure = count(ReadStep::ReadPressure) + count(ReadStep::ReadBoth),
               temperature = count(ReadStep::ReadTemperature) + count(ReadStep::ReadBoth);
    if (pressure != 1 || temperature != 1)
        return fail(Failure::BadInput,
                    Text::tr("a read order reads pressure and temperature once each: 'both', or 'pressure' and "
                             "'temperature'"));
    if (order.size() > steps().size())
        return fail(Failure::BadInput, Text::tr("a read order does nothing twice"));
    for (const auto& facts : steps())
        if (count(facts.step) > 1)
            return fail(Failure::BadInput, Text::tr("a read order does nothing twice: '{}'", facts.id));
    if (count(ReadStep::Zero) > 0 && order.back() != ReadStep::Zero)
        return fail(Failure::BadInput, Text::tr("the zero comes last in a read order"));
    return {};
}

int lastReadStep(const ReadOrder& order) {
    int last = -1;
    for (std::size_t i = 0; i < order.size(); ++i)
        if (order[i] == ReadStep::ReadBoth || order[i] == ReadStep::ReadPressure ||
            order[i] == ReadStep::ReadTemperature)
            last = static_cast<int>(i);
    return last;
}

std::span<const UsualReadOrder> usualReadOrders() {
    using enum ReadStep;
    static const std::array<UsualReadOrder, 5> all{{
        {Text::phrase("shut off, wait for the plateau, both"), {Isolate, AwaitPlateau, ReadBoth}},
        {Text::phrase("shut off, until the bubbling stops, both"), {Isolate, AwaitQuiet, ReadBoth}},
        {Text::phrase("pressure shut off, air in, then temperature"),
         {Isolate, AwaitQuiet, ReadPressure, Vent, ReadTemperature}},
        {Text::phrase("shut off, plateau, both, air in, zero again"),
         {Isolate, AwaitPlateau, ReadBoth, Vent, Zero}},
        {Text::phrase("both while the pump pulls"), {ReadBoth}},
    }};
    return all;
}

} // namespace uttrin
