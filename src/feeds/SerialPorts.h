#pragma once

#include <QStringList>

namespace uttrin {

/// The serial ports of this machine, as they are opened: "/dev/ttyUSB0".
[[nodiscard]] QStringList serialPorts();

} // namespace uttrin
