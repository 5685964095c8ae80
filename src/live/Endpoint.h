#pragma once

#include "quantities/Failure.h"

#include <string>
#include <string_view>

namespace uttrin {

/// Where an instrument is to be heard.
struct Endpoint {
    enum class Kind { Tcp, Serial, File, Modbus } kind = Kind::Tcp;
    std::string host; ///< Tcp, Modbus
    int port = 0;
    std::string path; ///< Serial: the device; File: the file
};

/// "tcp:127.0.0.1:5025", "serial:/dev/ttyUSB0", "file:run.csv", "modbus:127.0.0.1:502". BadInput says what is
/// accepted.
[[nodiscard]] Result<Endpoint> readEndpoint(std::string_view word);
/// The same as `readEndpoint` reads it back.
[[nodiscard]] std::string writeEndpoint(const Endpoint& endpoint);

} // namespace uttrin
