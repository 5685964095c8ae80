#pragma once

#include "SubstanceFile.h"

#include <filesystem>
#include <memory>
#include <span>
#include <vector>

namespace uttrin {

/// The substances that are known, in the order in which they are offered. Not for use from several threads
/// while substances are added.
class SubstanceLibrary {
public:
    /// The shipped ones only.
    SubstanceLibrary();

    /// Adds a substance from the text of its file. @return what is wrong with it; empty if it was added.
    std::vector<SubstanceProblem> add(std::string_view text, const std::string& file);

    /// Adds every *.json of a folder, in the order of the names; a broken file is named and the others still
    /// load. A folder that does not exist is no problem.
    std::vector<SubstanceProblem> addFolder(const std::filesystem::path& folder);

    [[nodiscard]] std::span<const Substance* const> all() const { return m_order; }
    /// The substance with this id, or a failure that lists those that exist.
    [[nodiscard]] Result<const Substance*> find(std::string_view id) const;

private:
    std::vector<SubstanceProblem> add(SubstanceDefinition definition, const std::string& file);
    std::vector<std::unique_ptr<const Substance>> m_owned;
    std::vector<const Substance*> m_order;
};

/// The library of this process: the shipped substances, and those that the program adds when it starts.
[[nodiscard]] SubstanceLibrary& substanceLibrary();

/// Where a person's own substances lie: uttrin/substances under XDG_DATA_HOME (~/.local/share).
[[nodiscard]] std::filesystem::path ownSubstanceFolder();

/// Shorthands for substanceLibrary().
[[nodiscard]] std::span<const Substance* const> substances();
[[nodiscard]] Result<const Substance*> findSubstance(std::string_view id);
/// Ordinary water, which ships always.
[[nodiscard]] const Substance& water();

} // namespace uttrin
