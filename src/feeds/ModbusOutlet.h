#pragma once

#include "quantities/Failure.h"

#include <atomic>
#include <memory>
#include <thread>

namespace uttrin {

/// An instrument with four holding registers, to whoever asks on this machine: two numbers as float32, the high
/// word first. One asker at a time, on a thread of its own.
class ModbusOutlet {
public:
    /// @param port  0: any that is free. BadInput where it cannot be used.
    [[nodiscard]] static Result<std::unique_ptr<ModbusOutlet>> open(int port);
    ~ModbusOutlet();
    [[nodiscard]] int port() const { return m_port; }
    void show(float first, float second);

private:
    ModbusOutlet(int socket, int port);
    void serve();
    int m_socket, m_port;
    std::atomic<float> m_first = 0.0F, m_second = 0.0F;
    std::atomic<bool> m_ends = false;
    std::thread m_thread; ///< begins last
};

} // namespace uttrin
