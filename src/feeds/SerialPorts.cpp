#include "SerialPorts.h"

#include <QSerialPortInfo>

namespace uttrin {

QStringList serialPorts() {
    QStringList ports;
    for (const QSerialPortInfo& info : QSerialPortInfo::availablePorts())
        ports << info.systemLocation();
    return ports;
}

} // namespace uttrin
