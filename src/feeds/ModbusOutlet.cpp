#include "ModbusOutlet.h"

#include <array>
#include <bit>
#include <cstring>
#include <modbus.h>
#include <netinet/in.h>
#include <poll.h>
#include <sys/socket.h>
#include <unistd.h>

namespace uttrin {
namespace {

constexpr int kWaits = 100; // ms, between two looks whether it has to end

bool hears(int socket) {
    pollfd one{socket, POLLIN, 0};
    return ::poll(&one, 1, kWaits) > 0;
}

/// Puts a number into two registers, the high word first.
void hold(float number, std::uint16_t* registers) {
    const auto pattern = std::bit_cast<std::uint32_t>(number);
    registers[0] = static_cast<std::uint16_t>(pattern >> 16U);
    registers[1] = static_cast<std::uint16_t>(pattern);
}

} // namespace

Result<std::unique_ptr<ModbusOutlet>> ModbusOutlet::open(int port) {
    const int socket = ::socket(AF_INET, SOCK_STREAM | SOCK_CLOEXEC, 0);
    const int yes = 1;
    ::setsockopt(socket, SOL_SOCKET, SO_REUSEADDR, &yes, sizeof yes);
    sockaddr_in address{};
    address.sin_family = AF_INET;
    address.sin_addr.s_addr = htonl(INADDR_LOOPBACK);
    address.sin_port = htons(static_cast<std::uint16_t>(port));
    auto* plainAddress = reinterpret_cast<sockaddr*>(&address); // NOLINT: as sockets are used
    socklen_t size = sizeof address;
    if (socket < 0 || ::bind(socket, plainAddress, size) != 0 || ::listen(socket, 1) != 0 ||
        ::getsockname(socket, plainAddress, &size) != 0) {
        const std::string why = std::strerror(errno);
        if (socket >= 0) ::close(socket);
        return fail(Failure::BadInput, Text::tr("port {} of this machine cannot be used: {}", port, why));
    }
    return std::unique_ptr<ModbusOutlet>(new ModbusOutlet(socket, ntohs(address.sin_port)));
}

ModbusOutlet::ModbusOutlet(int socket, int port)
    : m_socket(socket), m_port(port), m_thread([this] { serve(); }) {}

ModbusOutlet::~ModbusOutlet() {
    m_ends = true;
    m_thread.join();
    ::close(m_socket);
}

void ModbusOutlet::show(float first, float second) {
    m_first = first;
    m_second = second;
}

void ModbusOutlet::serve() {
    modbus_t* server = modbus_new_tcp("127.0.0.1", m_port);
    constexpr int kRegisters = 4;
    modbus_mapping_t* registers = modbus_mapping_new(0, 0, kRegisters, 0);
    while (!m_ends) {
        if (!hears(m_socket)) continue;
        const int caller = ::accept(m_socket, nullptr, nullptr);
        if (caller < 0) continue;
        modbus_set_socket(server, caller);
        while (!m_ends) {
            if (!hears(caller)) continue;
            std::array<std::uint8_t, MODBUS_TCP_MAX_ADU_LENGTH> query{};
            const int length = modbus_receive(server, query.data());
            if (length < 0) break; // it has gone
            hold(m_first, registers->tab_registers);
            hold(m_second, registers->tab_registers + 2);
            if (length > 0) modbus_reply(server, query.data(), length, registers);
        }
        ::close(caller);
    }
    modbus_mapping_free(registers);
    modbus_free(server);
}

} // namespace uttrin
