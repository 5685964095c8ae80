#pragma once

#include "Arguments.h"
#include "VerbOptions.h"

#include <functional>

namespace uttrin::cli {

/// A verb's job, run after its arguments are parsed.
using Job = std::function<Answer()>;

/// Each adds one verb to the program and gives what it does when chosen.
Job addFluids(VerbOptions& verb);
Job addSaturation(VerbOptions& verb);
Job addBoil(VerbOptions& verb);
Job addFreeze(VerbOptions& verb);
Job addBarometer(VerbOptions& verb);
Job addConvert(VerbOptions& verb);
Job addRoom(VerbOptions& verb);
Job addGauge(VerbOptions& verb);
Job addPlan(VerbOptions& verb);
Job addFit(VerbOptions& verb);
Job addNotebook(VerbOptions& verb);
Job addReport(VerbOptions& verb);
Job addForecast(VerbOptions& verb);
Job addSimulate(VerbOptions& verb);
Job addLesson(VerbOptions& verb);
Job addPrep(VerbOptions& verb);
Job addSchedule(VerbOptions& verb);
Job addListen(VerbOptions& verb);
Job addLeakTest(VerbOptions& verb);
Job addPumpDown(VerbOptions& verb);
Job addSteady(VerbOptions& verb);

} // namespace uttrin::cli
