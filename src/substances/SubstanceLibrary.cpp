#include "SubstanceLibrary.h"

#include "ShippedTexts.h"
#include "files/UserFolder.h"
#include "files/WholeFile.h"
#include "json/JsonSchema.h"
#include "json/JsonText.h"

#include <algorithm>
#include <cstdlib>
#include <iterator>
#include <stdexcept>

namespace uttrin {

SubstanceLibrary::SubstanceLibrary() {
    for (const ShippedText& shipped : shippedSubstances())
        for (const SubstanceProblem& problem : add(shipped.text, std::string(shipped.file)))
            throw std::logic_error("shipped substance: " + plain(problem.sentence()));
}

std::vector<SubstanceProblem> SubstanceLibrary::add(std::string_view text, const std::string& file) {
    auto definition = readSubstanceFile(text, file);
    return definition ? add(std::move(*definition), file) : definition.error();
}

std::vector<SubstanceProblem> SubstanceLibrary::add(SubstanceDefinition definition, const std::string& file) {
    const std::string id = definition.facts.id;
    if (std::any_of(m_order.begin(), m_order.end(), [&](const Substance* s) { return s->facts().id == id; }))
        return {{file, 0, Text::tr("the id '{}' is already taken by another substance; choose another", id)}};
    try {
        m_owned.push_back(std::make_unique<const Substance>(std::move(definition)));
    } catch (const std::logic_error&) {
        return {
            {file, 0,
             Text::tr(
                 "the two curves must meet at the triple point ('solid_vapour' and 'liquid_vapour', within a "
                 "thousandth in pressure)")}};
    }
    m_order.push_back(m_owned.back().get());
    return {};
}

std::vector<SubstanceProblem> SubstanceLibrary::addFolder(const std::filesystem::path& folder) {
    std::vector<std::filesystem::path> files;
    std::error_code none;
    for (const auto& entry : std::filesystem::directory_iterator(folder, none))
        if (entry.path().extension() == ".json" &&
            !entry.path().filename().string().ends_with(".schema.json"))
            files.push_back(entry.path());
    std::sort(files.begin(), files.end());
    std::vector<SubstanceProblem> problems;
    for (const auto& path : files) {
        const auto text = readWholeFile(path, kMostJsonBytes);
        if (!text) {
            problems.push_back({path.filename().string(), 0, text.error().message});
            continue;
        }
        const std::string file = path.filename().string();
        auto own = readSubstanceFile(*text, file); // first: it says more than the schema does
        std::vector<SubstanceProblem> found;
        if (!own)
            found = own.error();
        else if (const auto kept = keepsSchema(*text, shippedSubstanceSchema().front().text); !kept)
            found = {{file, 0, kept.error().message}};
        else
            found = add(std::move(*own), file);
        std::ranges::move(found, std::back_inserter(problems));
    }
    return problems;
}

Result<const Substance*> SubstanceLibrary::find(std::string_view id) const {
    const auto idOf = [](const Substance* s) -> const std::string& { return s->facts().id; };
    for (const Substance* s : m_order)
        if (idOf(s) == id) return s;
    return fail(Failure::BadInput, Text::tr("'{}' is not a fluid that Uttrin knows; accepted: {}", id,
                                            Text::list(m_order, idOf)));
}

SubstanceLibrary& substanceLibrary() {
    static SubstanceLibrary library;
    return library;
}

std::filesystem::path ownSubstanceFolder() { return userDataFolder() / "substances"; }

std::span<const Substance* const> substances() { return substanceLibrary().all(); }
Result<const Substance*> findSubstance(std::string_view id) { return substanceLibrary().find(id); }

const Substance& water() {
    static const Substance& instance = **findSubstance("water");
    return instance;
}

} // namespace uttrin
