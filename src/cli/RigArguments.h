#pragma once

#include "Arguments.h"
#include "rehearsal/rigfile/RigFile.h"

namespace uttrin::cli {

/// A rig file by its path, or a demonstration that ships by its id.
[[nodiscard]] RigFile rigFrom(const std::string& word);

/// "--set": "/JSON/pointer=VALUE UNIT" or "knob=VALUE UNIT". @throws Refusal for what sets nothing.
[[nodiscard]] std::vector<RigSetting> settingsFrom(const RigFile& rig, const std::vector<std::string>& words);

} // namespace uttrin::cli
