#pragma once

#include "quantities/Failure.h"

#include <QString>

namespace uttrin::app {

/// A fresh copy of the shipped sample in a folder that only this person may look into, so that the sample
/// stays as it is.
[[nodiscard]] Result<QString> copyOfSample();

} // namespace uttrin::app
