#pragma once

#include "notebook/Notebook.h"

#include <filesystem>

namespace uttrin {

/// Writes the sample notebook: Skarnfell Upper School, room K12, one lesson, five groups, both methods. All
/// values are made up: true boiling points of water, seen through instruments with errors from a fixed seed.
/// The same bytes of data every time. Fails where the file exists or cannot be written.
[[nodiscard]] Result<void> writeDemoNotebook(const std::filesystem::path& path);

/// The moment at which the sample lesson is shown: Cedar's second run, half-way.
inline constexpr Milliseconds kDemoNow = 1776932460000; // 2026-04-23T10:21:00+02:00

} // namespace uttrin
