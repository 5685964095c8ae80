#include "Exports.h"

#include "files/WholeFile.h"
#include "lesson/model/Clock.h"
#include "notebook/Csv.h"
#include "plan/PlanJson.h"

#include <fmt/format.h>
#include <nlohmann/json.hpp>

#include <xlsxwriter.h>

namespace uttrin {
namespace {

using Json = nlohmann::ordered_json;

/// One reading as column names and values; numbers stay numbers so that a spreadsheet can reckon with them.
/// @param begins  whether it is the run's first: the rig stands there once.
std::vector<std::pair<std::string, Json>> cells(const LessonModel& model, const Run& run,
                                                const ReducedReading& r, bool begins) {
    const Plan& plan = model.planOfRun(run.id);
    const auto& gauge = plan.rig.gauge;
    const bool arms = hasTwoArms(gauge.convention);
    const auto orNull = [](const auto& value) { return value ? Json(*value) : Json(); };
    const auto rigs = begins ? model.rigsOf(run.id) : std::vector<RunRig>(); // as the run was taken
    const LiquidStart* start = begins ? model.startRecord(run.id) : nullptr;
    const ZeroCheck* zero = nullptr;
    for (const ZeroCheck& z : model.data().zeros)
        if (z.id == r.raw.zeroId) zero = &z;
    const auto& live = r.raw.live;
    return {
        {"group", model.group(run.groupId).name},
        {"run", run.number},
        {"method", id(plan.method)},
        {"point", r.raw.position},
        {"target", orNull(r.raw.place)},
        {"taken_at", isoText(r.raw.takenAt, model.lesson().utcOffsetMin)},
        {"instrument", gauge.name},
        {"convention", id(gauge.convention)},
        {"gauge_unit", gauge.unit},
        {"gauge", arms ? Json() : Json(r.raw.first)},
        {"left_arm", arms ? Json(r.raw.first) : Json()},
        {"right_arm", arms ? orNull(r.raw.second) : Json()},
        {"thermometer_unit",
         readsOhms(plan.rig.thermometer) ? std::string("ohm") : plan.rig.thermometer.unit},
        {"temperature", r.raw.temperature},
        {"temperature_before_pull", orNull(r.raw.beforePull)},
        {"room_pa", r.room ? Json(r.room->station.pascal()) : Json()},
        {"absolute_pa", r.absolute ? Json(r.absolute->pressure.pascal()) : Json()},
        {"absolute_pa_u", r.absolute ? Json(r.absolute->u()) : Json()},
        {"temperature_k", r.liquid.temperature.kelvin()},
        {"temperature_k_u", r.liquid.u()},
        {"superheat_k", orNull(r.superheatKelvin)},
        {"criterion", identifier(r.raw.criterion)},
        {"judge", r.raw.judge},
        {"isolated", r.raw.isolated},
        {"side", identifier(r.raw.side)},
        {"vigour", r.raw.vigour},
        {"read_order", r.raw.readOrder},
        {"heater_setting", orNull(r.raw.heaterSetting)},
        {"live_from_ms", live ? Json(live->fromMs) : Json()},
        {"live_to_ms", live ? Json(live->toMs) : Json()},
        {"live_steady", live ? Json(live->steady) : Json()},
        {"live_made_up", live ? Json(live->madeUp) : Json()},
        {"live_u_pa", live ? orNull(live->uPascal) : Json()},
        {"live_u_k", live ? orNull(live->uKelvin) : Json()},
        {"zero_first", zero ? Json(zero->first) : Json()},
        {"zero_second", zero ? orNull(zero->second) : Json()},
        {"zero_at", zero ? Json(isoText(zero->takenAt, model.lesson().utcOffsetMin)) : Json()},
        {"start_temperature", start ? Json(start->temperature) : Json()},
        {"start_at", start ? Json(isoText(start->takenAt, model.lesson().utcOffsetMin)) : Json()},
        {"use_in_fit", orNull(r.raw.useInFit)},
        {"in_fit", r.inFit},
        {"struck", r.raw.struckReason.value_or("")},
        {"marks", plain(Text::join(r.marks, Text::set("; ")))},
        {"rig", begins ? Json(rigs.empty() ? writePlan(plan) : rigs.back().rig) : Json()},
    };
}

std::string cellText(const Json& value) {
    if (value.is_null()) return {};
    if (value.is_string()) return csvText(value.get<std::string>());
    if (value.is_boolean()) return value.get<bool>() ? "yes" : "no";
    return value.dump();
}

/// Calls `use` with the cells of every reading, run by run.
template <typename Use>
void forEachReading(const LessonModel& model, Use use) {
    for (const Run& run : model.data().runs) {
        bool begins = true;
        for (const ReducedReading& r : model.reduce(run.id)) {
            use(cells(model, run, r, begins));
            begins = false;
        }
    }
}

/// A text as a workbook can hold it: a sign in the place of what is no UTF-8.
std::string workbookText(const Json& text) {
    const std::string quoted = text.dump(-1, ' ', false, Json::error_handler_t::replace);
    return Json::parse(quoted).get<std::string>();
}

/// @throws nothing: a workbook that cannot be written is told by its closing.
Result<void> writeWorkbook(const LessonModel& model, const std::filesystem::path& path) {
    lxw_workbook* book = workbook_new(path.c_str());
    if (!book) return fail(Failure::Storage, Text::tr("{} could not be written", path.string()));
    lxw_worksheet* sheet = workbook_add_worksheet(book, "readings");
    lxw_format* bold = workbook_add_format(book);
    format_set_bold(bold);
    lxw_row_t row = 0;
    forEachReading(model, [&](const auto& line) {
        lxw_col_t column = 0;
        if (row == 0)
            for (const auto& [name, value] : line)
                worksheet_write_string(sheet, 0, column++, name.c_str(), bold);
        ++row;
        column = 0;
        for (const auto& [name, value] : line) {
            if (value.is_number())
                worksheet_write_number(sheet, row, column, value.template get<double>(), nullptr);
            else // a text, whatever it begins with: no formula
                worksheet_write_string(
                    sheet, row, column,
                    value.is_string() ? workbookText(value).c_str() : cellText(value).c_str(), nullptr);
            ++column;
        }
    });
    worksheet_freeze_panes(sheet, 1, 0);
    if (const auto error = workbook_close(book); error != LXW_NO_ERROR)
        return fail(Failure::Storage,
                    Text::tr("{} could not be written: {}; free some space, or choose another folder",
                             path.string(), lxw_strerror(error)));
    return {};
}

} // namespace

std::string readingsCsv(const LessonModel& model) {
    std::string out;
    if (model.lesson().madeUp) out += "# made-up sample data\r\n";
    bool first = true;
    forEachReading(model, [&](const auto& line) {
        std::vector<std::string> names, values;
        for (const auto& [name, value] : line) {
            names.push_back(name);
            values.push_back(cellText(value));
        }
        if (first) out += csvLine(names);
        first = false;
        out += csvLine(values);
    });
    return out;
}

std::string lessonJson(const LessonModel& model) {
    const Lesson& l = model.lesson();
    Json j{{"lesson",
            {{"title", l.title},
             {"school", l.school},
             {"room", l.roomName},
             {"held_on", l.heldOn},
             {"made_up", l.madeUp}}}};
    if (l.altitudeKnown) j["lesson"]["altitude_m"] = l.altitudeM;
    j["room_pressures"] = Json::array();
    for (const RoomRecord& r : model.data().rooms) {
        Json room = Json::parse(r.entry, nullptr, false);
        if (!room.is_object()) room = {{"unreadable", r.entry}}; // the rest of the lesson goes on
        room["role"] = identifier(r.role);
        room["taken_at"] = isoText(r.takenAt, l.utcOffsetMin);
        room["current"] = r.current;
        if (r.groupId) room["group"] = model.group(*r.groupId).name;
        j["room_pressures"].push_back(std::move(room));
    }
    j["plans"] = Json::array();
    for (const Setup& s : model.data().setups) {
        Json plan = Json::parse(s.plan, nullptr, false);
        j["plans"].push_back(plan.is_object() ? std::move(plan) : Json{{"unreadable", s.plan}});
    }
    j["readings"] = Json::array();
    forEachReading(model, [&](const auto& line) {
        Json reading = Json::object();
        for (const auto& [name, value] : line)
            reading[name] = value;
        j["readings"].push_back(std::move(reading));
    });
    // Text that is no UTF-8, as damaged or foreign notebooks may hold it, is shown with a replacement sign.
    return j.dump(2, ' ', false, Json::error_handler_t::replace) + "\n";
}

Result<std::vector<std::filesystem::path>> exportNotebook(const Notebook& notebook, const std::string& format,
                                                          const std::filesystem::path& directory) {
    if (format != "csv" && format != "json" && format != "xlsx")
        return fail(Failure::BadInput, Text::tr("'{}' is not a format; accepted: csv, json, xlsx", format));
    std::error_code error;
    std::filesystem::create_directories(directory, error);
    std::vector<std::filesystem::path> written;
    const auto lessons = notebook.lessons();
    if (!lessons) return tl::unexpected(lessons.error());
    for (const Lesson& lesson : *lessons) {
        auto data = notebook.load(lesson.id);
        if (!data) return tl::unexpected(data.error());
        const LessonModel model(std::move(*data));
        const auto path = directory / fmt::format("lesson-{}.{}", lesson.id, format);
        const auto workbook = [&](const std::filesystem::path& beside) {
            return writeWorkbook(model, beside);
        };
        const auto done = format == "csv"    ? writeWholeFile(path, readingsCsv(model))
                          : format == "json" ? writeWholeFile(path, lessonJson(model))
                                             : writeBeside(path, workbook);
        if (!done) return tl::unexpected(done.error());
        written.push_back(path);
    }
    return written;
}

} // namespace uttrin
