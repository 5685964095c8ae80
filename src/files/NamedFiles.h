#pragma once

#include "quantities/Failure.h"

#include <filesystem>
#include <functional>
#include <string>
#include <vector>

namespace uttrin {

/// What a person keeps across lessons under names of their own: one JSON file each, in a folder.
class NamedFiles {
public:
    explicit NamedFiles(std::filesystem::path folder) : m_folder(std::move(folder)) {}

    /// Hands each file to `take`, by their ids; nothing where there is no folder yet.
    /// @param take  its id, which is its name without the ending, and its text; says why that cannot be read.
    /// @return files that cannot be read, and why.
    [[nodiscard]] std::vector<Text>
    read(const std::function<Result<void>(const std::string& id, const std::string& text)>& take) const;
    /// Keeps a text under a name, on disk before it returns; one of the same name is replaced. BadInput for a
    /// name without a letter or a figure. @return its id.
    [[nodiscard]] Result<std::string> keep(const std::string& name, const std::string& text) const;
    /// Storage says why it cannot be taken away; one that is not there is no failure.
    [[nodiscard]] Result<void> remove(const std::string& id) const;

private:
    std::filesystem::path m_folder;
};

} // namespace uttrin
