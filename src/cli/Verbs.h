#pragma once

#include "Arguments.h"

#include <CLI/CLI.hpp>

#include <functional>

namespace uttrin::cli {

/// A verb's job, run after its arguments are parsed.
using Job = std::function<Answer()>;

/// Each adds one verb to the program and gives what it does when chosen.
Job addFluids(CLI::App& app);
Job addSaturation(CLI::App& verb);
Job addBoil(CLI::App& verb);
Job addFreeze(CLI::App& verb);
Job addBarometer(CLI::App& verb);
Job addConvert(CLI::App& verb);
Job addRoom(CLI::App& verb);
Job addGauge(CLI::App& verb);
Job addPlan(CLI::App& verb);
Job addFit(CLI::App& verb);
Job addNotebook(CLI::App& verb);
Job addReport(CLI::App& verb);
Job addSimulate(CLI::App& verb);

} // namespace uttrin::cli
