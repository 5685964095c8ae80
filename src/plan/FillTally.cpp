#include "FillTally.h"

#include <array>
#include <charconv>
#include <cmath>
#include <utility>

namespace uttrin {
namespace {

constexpr double kGrams = 1000.0, kMostGrams = 1e6;

/// What stands before and after the grams.
struct NoteWords {
    Filling::What what;
    std::string_view before, after;
};
constexpr std::array<NoteWords, 3> kNoteWords{NoteWords{Filling::What::Ice, "added ", " g of ice"},
                                              NoteWords{Filling::What::Water, "added ", " g of water"},
                                              NoteWords{Filling::What::Anew, "filled anew with ", " g"}};

} // namespace

std::string noteOf(const Filling& filling) {
    for (const NoteWords& w : kNoteWords)
        if (w.what == filling.what)
            return std::string(w.before) + std::to_string(std::lround(kGrams * filling.kilograms)) +
                   std::string(w.after);
    return {};
}

std::optional<Filling> fillingOf(std::string_view note) {
    for (const NoteWords& w : kNoteWords) {
        if (!note.starts_with(w.before) || !note.ends_with(w.after) ||
            note.size() <= w.before.size() + w.after.size())
            continue;
        const std::string_view grams =
            note.substr(w.before.size(), note.size() - w.before.size() - w.after.size());
        unsigned whole = 0;
        const auto [end, trouble] = std::from_chars(grams.data(), grams.data() + grams.size(), whole);
        if (trouble == std::errc() && end == grams.data() + grams.size() && whole <= kMostGrams)
            return Filling{w.what, whole / kGrams};
    }
    return std::nullopt;
}

Charge chargeAfter(const Rig& rig, std::span<const Filling> fillings) {
    Charge charge{rig.liquidLitre, rig.depthCm, static_cast<int>(fillings.size())};
    for (const Filling& f : fillings)
        charge.kilograms = f.kilograms + (f.what == Filling::What::Anew ? 0.0 : charge.kilograms);
    charge.depthCm = rig.depthCm * charge.kilograms / rig.liquidLitre;
    return charge;
}

} // namespace uttrin
