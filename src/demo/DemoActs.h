#pragma once

#include "notebook/Notebook.h"

namespace uttrin {

/// The acts of the sample's second period: a talk and a bell jar are done, with a step that was skipped; a
/// flask goes on that was shut late, and its second ice is due at `kDemoNow`; a lab goes on beside it; one is
/// to come. What was read and seen is made up: played by the program's own simulator, with errors from a
/// fixed seed.
/// @param bell  with which the period begins. @param lab  the plan of the lab.
void writeDemoActs(Notebook::Editor& edit, RowId lesson, RowId lab, Milliseconds bell);

} // namespace uttrin
