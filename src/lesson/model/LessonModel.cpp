#include "LessonModel.h"

#include "plan/PlanJson.h"
#include "substances/SubstanceLibrary.h"

#include <fmt/format.h>

#include <algorithm>
#include <cmath>
#include <stdexcept>

namespace uttrin {
namespace {

template <typename Record>
const Record& byId(const std::vector<Record>& rows, RowId id) {
    const auto found = std::find_if(rows.begin(), rows.end(), [id](const Record& r) { return r.id == id; });
    if (found == rows.end()) throw std::logic_error(fmt::format("no row {}", id));
    return *found;
}

/// Whether readings taken with one plan's rig mean the same with the other's.
bool sameRig(const Plan& a, const Plan& b) {
    Plan x = a, y = b; // the parts that give readings their meaning, the rest alike
    x.title = y.title;
    x.method = y.method;
    x.ladder = y.ladder;
    x.periodMinutes = y.periodMinutes;
    x.startCelsius = y.startCelsius;
    x.criterion = y.criterion;
    x.rig.alsoUnit = y.rig.alsoUnit;
    x.rig.warmUpMinutes = y.rig.warmUpMinutes;
    return writePlan(x) == writePlan(y);
}

} // namespace

LessonModel::LessonModel(LessonData data) : m_data(std::move(data)) {
    readPlans();
    readRooms();
    for (std::size_t i = 0; i < m_data.photos.size(); ++i)
        if (const Photo& photo = m_data.photos[i]; photo.readingId)
            m_photos[{*photo.readingId, photo.shows}] = i;
    for (std::size_t i = 0; i < m_data.groups.size(); ++i)
        m_groupPlaces[m_data.groups[i].id] = i;
    for (std::size_t i = 0; i < m_data.zeros.size(); ++i)
        m_zeroPlaces[m_data.zeros[i].id] = i;
}

void LessonModel::readPlans() {
    std::map<std::string, Plan, std::less<>> read; // runs mostly have the rig of their plan, word for word
    const auto planOf = [&](const std::string& text, const std::string& name) -> const Plan* {
        if (const auto known = read.find(text); known != read.end()) return &known->second;
        auto plan = readPlan(text);
        if (plan) return &read.emplace(text, std::move(*plan)).first->second;
        m_troubles.push_back(Text::tr("The plan '{}' cannot be read: {}", name, plan.error().message));
        return nullptr;
    };
    std::map<RowId, std::string> names;
    for (const Setup& s : m_data.setups) {
        const Plan* plan = planOf(s.plan, s.name);
        m_plans.emplace(s.id, plan ? *plan : Plan{});
        names[s.id] = s.name;
    }
    std::map<RowId, const RunRig*> latest;
    for (const RunRig& r : m_data.rigs)
        latest[r.runId] = &r; // oldest first: the last one stays
    for (const Run& run : m_data.runs) {
        Plan plan = m_plans.at(run.setupId);
        const auto rig = latest.find(run.id);
        const Plan* own = rig == latest.end() ? nullptr : planOf(rig->second->rig, names[run.setupId]);
        if (own) {
            plan.rig = own->rig;
            plan.substance = own->substance;
            plan.solute = own->solute;
        }
        m_runPlans.emplace(run.id, std::move(plan));
    }
}

const LiquidStart* LessonModel::startRecord(RowId runId) const {
    const auto last =
        std::ranges::find(m_data.starts.rbegin(), m_data.starts.rend(), runId, &LiquidStart::runId);
    return last == m_data.starts.rend() ? nullptr : &*last;
}

std::optional<LiquidTemperature> LessonModel::startOf(RowId runId) const {
    const LiquidStart* start = startRecord(runId);
    if (!start) return std::nullopt;
    const auto t = toTemperature(planOfRun(runId).rig.thermometer, start->temperature, start->takenAt);
    return t ? std::optional(*t) : std::nullopt;
}

std::vector<RunRig> LessonModel::rigsOf(RowId runId) const {
    std::vector<RunRig> out;
    std::copy_if(m_data.rigs.begin(), m_data.rigs.end(), std::back_inserter(out),
                 [=](const RunRig& r) { return r.runId == runId; });
    return out;
}

bool LessonModel::differsFromPlan(RowId runId) const {
    return !sameRig(planOfRun(runId), plan(run(runId).setupId));
}

const Setup& LessonModel::setup(RowId id) const { return byId(m_data.setups, id); }
const Run& LessonModel::run(RowId id) const { return byId(m_data.runs, id); }
const Act* LessonModel::act(RowId id) const {
    const auto at = std::ranges::find(m_data.acts, id, &Act::id);
    return at == m_data.acts.end() ? nullptr : &*at;
}
const Group& LessonModel::group(RowId id) const {
    const auto found = m_groupPlaces.find(id);
    if (found == m_groupPlaces.end()) throw std::logic_error(fmt::format("no group {}", id));
    return m_data.groups[found->second];
}

std::vector<Run> LessonModel::runsOf(RowId setupId) const {
    std::vector<Run> out;
    std::copy_if(m_data.runs.begin(), m_data.runs.end(), std::back_inserter(out),
                 [=](const Run& r) { return r.setupId == setupId; });
    return out;
}

std::vector<Prediction> LessonModel::predictionsOf(RowId setupId) const {
    std::vector<Prediction> own;
    for (const Prediction& p : m_data.predictions)
        if (p.setupId == setupId) own.push_back(p);
    std::ranges::stable_sort(own, {}, [](const Prediction& p) { return p.pascal.value_or(0.0); });
    return own;
}

bool belongs(const Prediction& p, const Target& target) {
    constexpr double kSame = 1e-6; // of the pressure: it was worked out, not read
    if (!p.pascal) return p.place == target.place;
    return std::abs(*p.pascal - target.absolute.pascal()) <= kSame * target.absolute.pascal();
}

std::optional<double> predictedFor(const std::vector<Prediction>& predictions, const Target& target) {
    std::optional<double> kelvin;
    for (const Prediction& p : predictions)
        if (belongs(p, target)) kelvin = p.kelvin;
    return kelvin;
}

Result<RunSheet> LessonModel::sheetIn(const Plan& plan, std::optional<RowId> groupId) const {
    const auto known = room(groupId);
    if (!known)
        return fail(
            Failure::Unreferenced,
            Text::tr("The dial readings of the targets count from the room’s pressure, and that is not known "
                     "yet. Enter it at the Room station (Ctrl+1)."));
    return makeRunSheet(plan, *known, roomCelsius(groupId));
}

const Result<RunSheet>& LessonModel::sheet(RowId setupId, std::optional<RowId> groupId) const {
    const auto key = std::pair(setupId, groupId);
    const auto known = m_sheets.find(key);
    return known != m_sheets.end() ? known->second
                                   : m_sheets.emplace(key, sheetIn(plan(setupId), groupId)).first->second;
}

const Result<RunSheet>& LessonModel::sheetOfRun(RowId runId) const {
    if (const auto known = m_runSheets.find(runId); known != m_runSheets.end()) return known->second;
    Plan plan = planOfRun(runId);
    if (const auto start = startOf(runId)) plan.startCelsius = start->temperature.celsius();
    return m_runSheets.emplace(runId, sheetIn(plan, run(runId).groupId)).first->second;
}

std::span<const Reading> LessonModel::readingsOf(RowId runId) const {
    struct ByRun {
        bool operator()(const Reading& r, RowId id) const { return r.runId < id; }
        bool operator()(RowId id, const Reading& r) const { return id < r.runId; }
    };
    const auto [first, last] =
        std::equal_range(m_data.readings.begin(), m_data.readings.end(), runId, ByRun{});
    return {first, last};
}

std::optional<GaugeReading> LessonModel::zeroOf(const Reading& reading) const {
    if (!reading.zeroId) return std::nullopt;
    const auto place = m_zeroPlaces.find(*reading.zeroId);
    if (place == m_zeroPlaces.end()) return std::nullopt;
    const ZeroCheck& z = m_data.zeros[place->second];
    return GaugeReading{z.first, z.second};
}

const Photo* LessonModel::photoOf(RowId readingId, PhotoSubject shows) const {
    const auto found = m_photos.find({readingId, shows});
    return found == m_photos.end() ? nullptr : &m_data.photos[found->second];
}

const BenchPicture* LessonModel::referenceOf(RowId runId) const {
    const BenchPicture* last = nullptr;
    for (const BenchPicture& p : m_data.benchPictures)
        if (p.runId == runId && !p.readingId) last = &p;
    return last;
}

const BenchPicture* LessonModel::attachedTo(RowId readingId) const {
    const BenchPicture* last = nullptr;
    for (const BenchPicture& p : m_data.benchPictures)
        if (p.readingId == readingId) last = &p;
    return last;
}

ReducedReading LessonModel::reduce(const Reading& reading, const Run& run) const {
    const auto own = m_runPlans.find(run.id);
    const Plan& p = own == m_runPlans.end() ? plan(run.setupId) : own->second;
    ReducedReading out;
    out.raw = reading;
    out.room = room(run.groupId, reading.takenAt);
    out.trial = reading.place == -1;
    if (const auto t = toTemperature(p.rig.thermometer, reading.temperature, reading.takenAt)) {
        out.hasTemperature = true;
        out.liquid = *t;
        if (const Photo* photo = photoOf(reading.id, PhotoSubject::Temperature))
            out.liquid.uIndependent *= photo->uFirst / readingU(p.rig.thermometer);
        if (reading.live && reading.live->uKelvin) out.liquid.uIndependent = *reading.live->uKelvin;
    }
    const auto absolute = toAbsolute(p.rig.gauge, {reading.first, reading.second}, out.room, zeroOf(reading));
    if (!absolute) return out;
    out.absolute = *absolute;
    if (const Photo* photo =
            photoOf(reading.id, PhotoSubject::Pressure)) // read on the picture, not between divisions
        out.absolute->uIndependent =
            pascalPerScaleUnit(p.rig.gauge) * std::hypot(photo->uFirst, photo->uSecond.value_or(0.0));
    if (reading.live && reading.live->uPascal) out.absolute->uIndependent = *reading.live->uPascal;
    const auto boils = liquidOf(p).saturationAt(absolute->pressure);
    if (!boils || !out.hasTemperature) return out;
    out.superheatKelvin = (out.liquid.temperature - boils->temperature).kelvin();
    out.superheatU = std::hypot(out.liquid.u(), out.absolute->u() / boils->slope, boils->temperatureU());
    return out;
}

const std::vector<ReducedReading>& LessonModel::reduce(RowId runId) const {
    const auto known = m_reduced.find(runId);
    if (known != m_reduced.end()) return known->second;
    const Run& r = run(runId);
    std::vector<ReducedReading> out;
    for (const Reading& reading : readingsOf(runId))
        out.push_back(reduce(reading, r));
    mark(out, planOfRun(runId));
    return m_reduced.emplace(runId, std::move(out)).first->second;
}

const Result<RunFit>& LessonModel::fit(RowId runId, const FitOptions& options, bool causes) const {
    const FitKey key{runId, options.method, options.scaleErrors, causes};
    const auto known = m_fits.find(key);
    return known != m_fits.end() ? known->second
                                 : m_fits.emplace(key, fitAnew(runId, options, causes)).first->second;
}

namespace {

/// The point between a stop and its restart: rectangular between them, the temperature half-way.
BoilingDatum between(const ReducedReading& stop, const ReducedReading& start) {
    const double low = std::min(stop.absolute->pressure, start.absolute->pressure).pascal(),
                 high = std::max(stop.absolute->pressure, start.absolute->pressure).pascal();
    const double width = (high - low) / std::sqrt(12.0);
    const double kelvin = 0.5 * (stop.liquid.temperature.kelvin() + start.liquid.temperature.kelvin()),
                 apart = std::abs(stop.liquid.temperature.kelvin() - start.liquid.temperature.kelvin()) /
                         std::sqrt(12.0);
    return {Temperature::fromKelvin(kelvin),
            Pressure::fromPascal(0.5 * (low + high)),
            std::hypot(stop.liquid.uIndependent, apart),
            std::hypot(stop.absolute->uIndependent, width),
            stop.liquid.uShared,
            stop.absolute->uShared};
}

} // namespace

Result<RunFit> LessonModel::fitAnew(RowId runId, const FitOptions& options, bool causes) const {
    const Plan& plan = planOfRun(runId);
    const Substance& substance = substanceOf(plan);
    RunFit out;
    const auto& readings = reduce(runId);
    std::optional<Pressure> roomPressure;
    for (std::size_t i = 0; i < readings.size(); ++i) {
        const ReducedReading& reading = readings[i];
        if (!reading.inFit) continue;
        out.used.push_back(i);
        if (reading.otherHalf)
            out.data.push_back(between(reading, readings[*reading.otherHalf]));
        else
            out.data.push_back({reading.liquid.temperature, reading.absolute->pressure,
                                reading.liquid.uIndependent, reading.absolute->uIndependent,
                                reading.liquid.uShared, reading.absolute->uShared});
        if (reading.room) roomPressure = reading.room->station;
    }
    auto fitted = fitClausiusClapeyron(out.data, substance, options);
    if (!fitted) return tl::unexpected(fitted.error());
    out.fit = std::move(*fitted);
    const Solute& solute = plan.solute;
    if (solute.kind != SoluteKind::None)
        if (auto dissolved = estimateDissolved(out.data, substance, solute.kind)) out.dissolved = *dissolved;
    // The causes bend the pure substance's curve; a solution lies off it by design.
    if (causes && solute.kind == SoluteKind::None) out.causes = diagnose(out.data, substance, roomPressure);
    return out;
}

} // namespace uttrin
