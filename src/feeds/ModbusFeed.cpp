#include "ModbusFeed.h"

#include <QElapsedTimer>

#include <cerrno>
#include <modbus.h>

namespace uttrin {
namespace {

constexpr unsigned long kRetry = 1000, kNap = 10; // ms
constexpr std::uint32_t kPatience = 500'000;      // us, for an answer

struct Closes {
    void operator()(modbus_t* context) const {
        modbus_close(context);
        modbus_free(context);
    }
};
using Context = std::unique_ptr<modbus_t, Closes>;

char letterOf(SerialSettings::Parity parity) {
    return parity == SerialSettings::Parity::Even ? 'E' : parity == SerialSettings::Parity::Odd ? 'O' : 'N';
}

Context contextFor(const Endpoint& e, const LiveProfile& p) {
    Context context(e.kind == Endpoint::Kind::Modbus
                        ? modbus_new_tcp_pi(e.host.c_str(), std::to_string(e.port).c_str())
                        : modbus_new_rtu(e.path.c_str(), p.serial.speed, letterOf(p.serial.parity),
                                         p.serial.bits, p.serial.stopBits));
    if (!context) return context;
    modbus_set_slave(context.get(), p.station);
    modbus_set_response_timeout(context.get(), 0, kPatience);
    return context;
}

} // namespace

ModbusFeed::ModbusFeed(Endpoint endpoint, const LiveProfile& profile)
    : m_endpoint(std::move(endpoint)), m_profile(profile) {}

ModbusFeed::~ModbusFeed() {
    m_ends = true;
    if (m_thread) m_thread->wait();
}

void ModbusFeed::start() {
    if (m_thread) return;
    m_thread.reset(QThread::create([this] { work(); }));
    m_thread->start();
}

void ModbusFeed::work() {
    while (!m_ends) {
        const Context context = contextFor(m_endpoint, m_profile);
        if (context && modbus_connect(context.get()) == 0) {
            isFound();
            listenTo(context.get());
        }
        if (!m_ends) isLost(QString::fromUtf8(modbus_strerror(errno)));
        for (unsigned long waited = 0; waited < kRetry && !m_ends; waited += kNap)
            QThread::msleep(kNap);
    }
}

/// Until it does not answer any more.
void ModbusFeed::listenTo(void* of) {
    auto* context = static_cast<modbus_t*>(of);
    QElapsedTimer since;
    since.start();
    constexpr double kMs = 1000.0;
    for (qint64 next = 0; !m_ends; next += static_cast<qint64>(kMs * m_profile.period)) {
        while (since.elapsed() < next && !m_ends)
            QThread::msleep(kNap);
        std::vector<HeardReading> readings;
        for (const LiveRegister& value : m_profile.registers) {
            std::array<std::uint16_t, 2> registers{};
            const int count = registersOf(value.type);
            if (modbus_read_registers(context, value.address, count, registers.data()) != count) {
                // An instrument that answers with a refusal is there all the same.
                if (errno < MODBUS_ENOBASE) return;
                emit unreadable(QString::fromUtf8(modbus_strerror(errno)));
                continue;
            }
            if (const auto read =
                    decodeRegisters(value, std::span(registers.data(), static_cast<std::size_t>(count))))
                readings.push_back(*read);
            else
                emit unreadable(QString::fromStdString(plain(read.error().message)));
        }
        if (!readings.empty()) emit read(readings);
    }
}

} // namespace uttrin

#include "moc_ModbusFeed.cpp"
