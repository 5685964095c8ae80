#pragma once

#include "quantities/Failure.h"

#include <QString>

namespace uttrin::app {

/// A fresh copy of the shipped sample in the folder of temporary files, so that the sample stays as it is.
[[nodiscard]] Result<QString> copyOfSample();

} // namespace uttrin::app
