#include "Endpoint.h"

#include "quantities/Units.h"

#include <cmath>

namespace uttrin {
namespace {

constexpr double kLastPort = 65535.0;

/// "HOST:PORT"; an address of version 6 stands in brackets.
Result<void> readHost(std::string_view word, Endpoint& e) {
    const auto colon = word.rfind(':');
    if (colon == std::string_view::npos || colon == 0)
        return fail(
            Failure::BadInput,
            Text::tr("'{}' has no port; accepted: HOST:PORT, such as 127.0.0.1:5025", std::string(word)));
    e.host = word.substr(0, colon);
    if (e.host.front() == '[' && e.host.back() == ']') e.host = e.host.substr(1, e.host.size() - 2);
    const auto port = parseNumber(std::string(word.substr(colon + 1)));
    if (e.host.empty() || !port || *port < 1.0 || *port > kLastPort || std::trunc(*port) != *port)
        return fail(Failure::BadInput,
                    Text::tr("'{}' names no port; accepted: HOST:PORT with a port from 1 to 65535",
                             std::string(word)));
    e.port = static_cast<int>(*port);
    return {};
}

} // namespace

Result<Endpoint> readEndpoint(std::string_view word) {
    const auto colon = word.find(':');
    const std::string_view kind = word.substr(0, colon), rest = colon == std::string_view::npos
                                                                    ? std::string_view()
                                                                    : word.substr(colon + 1);
    Endpoint e;
    if (!rest.empty() && (kind == "serial" || kind == "file")) {
        e.kind = kind == "file" ? Endpoint::Kind::File : Endpoint::Kind::Serial;
        e.path = rest;
        return e;
    }
    if (!rest.empty() && (kind == "tcp" || kind == "modbus")) {
        e.kind = kind == "tcp" ? Endpoint::Kind::Tcp : Endpoint::Kind::Modbus;
        if (const auto read = readHost(rest, e); !read) return tl::unexpected(read.error());
        return e;
    }
    return fail(Failure::BadInput,
                Text::tr("'{}' says not where to listen; accepted: tcp:HOST:PORT, serial:DEVICE, "
                         "file:CSV, modbus:HOST:PORT",
                         std::string(word)));
}

std::string writeEndpoint(const Endpoint& e) {
    // An address of version 6 stands in brackets.
    const std::string host = e.host.find(':') == std::string::npos ? e.host : "[" + e.host + "]";
    switch (e.kind) {
    case Endpoint::Kind::Tcp:
        return "tcp:" + host + ":" + std::to_string(e.port);
    case Endpoint::Kind::Modbus:
        return "modbus:" + host + ":" + std::to_string(e.port);
    case Endpoint::Kind::Serial:
        return "serial:" + e.path;
    case Endpoint::Kind::File:
        break;
    }
    return "file:" + e.path;
}

} // namespace uttrin
