#include "LiveBench.h"

#include "app/controls/OnScreen.h"
#include "lesson/live/KeptTrace.h"
#include "live/ShippedProfiles.h"
#include "rehearsal/Demonstrations.h"

#include <algorithm>
#include <cmath>

namespace uttrin::app {
namespace {

constexpr int kTickMs = 500, kTicksToKeep = 2; // on disk once a second

} // namespace

LiveBench::LiveBench(LessonController& controller, QObject* parent)
    : QObject(parent), m_controller(controller) {
    m_ticks.setInterval(kTickMs);
    connect(&m_ticks, &QTimer::timeout, this, &LiveBench::tick);
    connect(&m_controller, &LessonController::opened, this, [this] {
        forgetPending(); // of the notebook before, not of this one
        stop();
    });
}

LiveBench::~LiveBench() = default;

void LiveBench::begin() {
    m_begun = std::chrono::steady_clock::now();
    m_begunMs = m_controller.clock().now();
    m_trail.clear();
    m_watch = LiveWatch();
    m_moment = {};
    m_view = {};
    m_tick = 0;
    m_awaitsMove = m_failedToKeep = false;
}

double LiveBench::now() const {
    return std::chrono::duration<double>(std::chrono::steady_clock::now() - m_begun).count();
}

void LiveBench::listenTo(const QString& name, const Endpoint& endpoint, const LiveProfile& profile) {
    if (!isLive()) begin();
    auto made = std::make_shared<Instrument>();
    made->state.name = name;
    made->state.trouble = tr("not there yet");
    made->profile = profile;
    made->place = writeEndpoint(endpoint);
    made->source = std::make_unique<LiveSource>(endpoint, profile, m_begun);
    m_instruments.push_back(made);
    wire(made);
    made->source->start();
    m_ticks.start();
    if (!isSimulated()) emit begunToListen(profile, made->place);
    emit changed();
}

/// What its thread said last may arrive when it is listened to no more: then there is nobody whom it tells
/// of.
void LiveBench::wire(const std::weak_ptr<Instrument>& instrument) {
    const LiveSource* source = instrument.lock()->source.get();
    connect(source, &LiveSource::heard, this, [this, instrument](const Trace& came) {
        if (const auto one = instrument.lock()) hear(*one, came);
    });
    connect(source, &LiveSource::found, this, [this, instrument] {
        if (const auto one = instrument.lock()) isFound(*one);
    });
    connect(source, &LiveSource::lost, this, [this, instrument](const QString& why) {
        if (const auto one = instrument.lock()) isLost(*one, why);
    });
    connect(source, &LiveSource::unreadable, this, [this, instrument](const QString& why) {
        if (const auto one = instrument.lock()) isUnreadable(*one, why);
    });
}

void LiveBench::isFound(Instrument& one) {
    one.there = true;
    one.lastHeard = now();
    one.state.trouble.clear();
    emit told(tr("%1 is there.").arg(one.state.name));
    emit changed();
}

void LiveBench::isLost(Instrument& one, const QString& why) {
    one.there = false;
    one.state.trouble = tr("not there: %1").arg(why);
    emit told(tr("%1 is not there: %2. It is tried again each second; what came before is kept.")
                  .arg(one.state.name, why));
    emit changed();
}

void LiveBench::isUnreadable(Instrument& one, const QString& why) {
    const bool first = one.state.unreadable++ == 0;
    one.state.trouble = tr("cannot be read: %1").arg(why);
    if (first)
        emit told(
            tr("%1 sends what cannot be read (%2). What came before is kept.").arg(one.state.name, why));
    emit changed();
}

Result<void> LiveBench::listenAgain(const QString& name, const LiveProfile& profile,
                                    const std::string& place) {
    const auto where = readEndpoint(place);
    if (!where) return tl::unexpected(where.error());
    listenTo(name, *where, profile);
    return {};
}

void LiveBench::simulate() {
    if (!m_controller.isOpen() || m_simulated) return;
    const LessonSession& session = m_controller.session();
    const auto* demonstration = findDemonstration(
        session.benchPlan().method == Method::HoldTemperature ? "lab-held-temperature" : "lab-held-pressure");
    if (!demonstration) return;
    auto changes = demonstration->rig.roomSettings(session.roomOrStandard().pascal(), std::nullopt);
    constexpr double kSpeed = 1.0;
    m_simulated = std::make_unique<SimulatedBench>(demonstration->rig, std::move(changes), kSpeed);
    connect(m_simulated.get(), &SimulatedBench::ready, this, [this](const QString& where) {
        const auto endpoint = readEndpoint(where.toStdString());
        const ShippedProfile* profile = findProfile("pressure-and-temperature-lines");
        if (endpoint && profile) listenTo(tr("simulated instruments (made up)"), *endpoint, profile->profile);
    });
    connect(m_simulated.get(), &SimulatedBench::failed, this, [this](const QString& why) { emit told(why); });
    connect(m_simulated.get(), &SimulatedBench::controlsChanged, this, &LiveBench::simulatedChanged);
    m_simulated->start();
    emit changed();
}

void LiveBench::press(const RigControl& control) {
    if (m_simulated) m_simulated->press(control);
}

void LiveBench::stop() {
    m_simulated.reset();
    if (!isLive()) return emit changed();
    for (const auto& one : m_instruments)
        one->source.reset(); // nothing comes any more
    if (m_controller.isOpen()) keep();
    m_instruments.clear();
    m_pressureBy = m_temperatureBy = nullptr;
    m_ticks.stop();
    m_moment = {};
    m_view = {};
    if (m_controller.isOpen()) m_controller.takeLive(std::nullopt, std::nullopt);
    emit changed();
    emit moved();
}

bool LiveBench::hasTrace() const {
    return isLive() || (m_controller.isOpen() && !m_controller.session().model().data().streams.empty());
}

std::vector<LiveBench::State> LiveBench::states() const {
    std::vector<State> states;
    for (const auto& one : m_instruments)
        states.push_back(one->state);
    return states;
}

bool LiveBench::isSilent(const Instrument& one) const {
    constexpr double kPatience = 3.0; // s, or periods of its own
    return now() - one.lastHeard >= std::max(kPatience, kPatience * one.profile.period);
}

void LiveBench::hear(Instrument& from, const Trace& came) {
    from.lastHeard = now();
    if (!from.state.trouble.isEmpty()) {
        from.state.trouble.clear();
        emit changed();
    }
    const auto take = [&](LiveQuantity quantity, const TraceChannel& channel) {
        if (channel.empty()) return;
        // Two that measure the same are both kept; the first one speaks, as long as it does.
        const bool pressure = quantity != LiveQuantity::Temperature;
        Instrument*& speaks = pressure ? m_pressureBy : m_temperatureBy;
        if (!speaks || speaks == &from || isSilent(*speaks)) {
            speaks = &from;
            m_trail.take(quantity, channel);
        }
        from.pending[quantity].append(channel);
    };
    take(pressureQuantityOf(from.profile), came.pascal);
    take(LiveQuantity::Temperature, came.kelvin);
}

void LiveBench::tick() {
    if (!m_controller.isOpen()) return;
    for (const auto& one : m_instruments) {
        if (!one->there || !isSilent(*one)) continue;
        const double silent = now() - one->lastHeard;
        const bool isNew = one->state.trouble.isEmpty();
        one->state.trouble = tr("silent for %n s", nullptr, static_cast<int>(silent));
        if (isNew) emit told(tr("%1 says nothing any more.").arg(one->state.name));
        emit changed();
    }
    if (++m_tick % kTicksToKeep == 0) keep();
    look();
}

void LiveBench::keep() {
    const RowId lesson = m_controller.session().lessonId();
    if (std::exchange(m_lesson, lesson) != lesson)
        for (const auto& one : m_instruments)
            one->streams.clear();
    if (m_controller.session().notebook().readOnly()) return forgetPending(); // there is nowhere to keep it
    std::vector<LiveChunk> chunks;
    std::vector<TraceChannel*> kept;
    for (const auto& one : m_instruments)
        for (auto& [quantity, channel] : one->pending)
            if (const RowId stream = channel.empty() ? 0 : streamOf(*one, quantity, channel.step)) {
                chunks.push_back(chunkOf(stream, quantity, channel));
                kept.push_back(&channel);
            }
    if (chunks.empty()) return;
    if (const auto done = m_controller.carryOutQuietly(&TraceCommands::append, chunks); !done) {
        if (!std::exchange(m_failedToKeep, true)) m_controller.tell(done.error());
        return; // they wait, and are tried again
    }
    m_failedToKeep = false;
    for (TraceChannel* channel : kept)
        *channel = {};
}

void LiveBench::forgetPending() {
    for (const auto& one : m_instruments)
        one->pending.clear();
}

/// 0 where it cannot be opened: what came waits.
RowId LiveBench::streamOf(Instrument& from, LiveQuantity quantity, double step) {
    if (const auto known = from.streams.find(quantity); known != from.streams.end()) return known->second;
    const auto opened = m_controller.carryOutQuietly(
        &TraceCommands::openStream, LiveStream{0, m_lesson, from.state.name.toStdString(),
                                               std::string(id(quantity)), from.place, m_begunMs, step});
    if (opened) return from.streams[quantity] = *opened;
    if (!std::exchange(m_failedToKeep, true)) m_controller.tell(opened.error());
    return 0;
}

void LiveBench::look() {
    const LessonSession& session = m_controller.session();
    const Rig& rig = session.benchPlan().rig;
    m_moment = m_watch.look(m_trail, substanceOf(session.benchPlan()), session.roomOrStandard().pascal(),
                            lagsOf(rig), now());
    LiveReadings readings = liveReadings(session, m_moment, m_trail.pressureQuantity(), m_begunMs);
    m_view = liveView(session, m_trail, m_moment, readings);
    for (auto* evidence : {&readings.gauge, &readings.thermometer})
        if (*evidence) (*evidence)->madeUp = isSimulated();
    m_controller.takeLive(readings.gauge, readings.thermometer);
    emit moved();
    if (m_awaitsMove && hasMoved()) m_awaitsMove = false;
    if (m_capturesBySelf && m_moment.steady && !m_awaitsMove) {
        m_awaitsMove = true;
        emit steadyReached();
    }
}

/// Since the last capture, by more than what stands still may.
bool LiveBench::hasMoved() const {
    constexpr double kKelvin = 0.5, kOfPressure = 0.02;
    const auto& [pressure, temperature] = m_captured;
    return (pressure && m_moment.pressure &&
            std::abs(m_moment.pressure->mean - *pressure) > kOfPressure * *pressure) ||
           (temperature && m_moment.temperature &&
            std::abs(m_moment.temperature->mean - *temperature) > kKelvin);
}

void LiveBench::captured() {
    m_awaitsMove = true;
    m_captured = {m_moment.pressure ? std::optional(m_moment.pressure->mean) : std::nullopt,
                  m_moment.temperature ? std::optional(m_moment.temperature->mean) : std::nullopt};
    m_watch.beginAnew(now());
}

} // namespace uttrin::app

#include "moc_LiveBench.cpp"
