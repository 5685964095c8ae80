#include "Verbs.h"
#include "analysis/Diagnosis.h"
#include "gui/PdfReport.h"
#include "lesson/Exports.h"
#include "lesson/LessonSession.h"
#include "lesson/ReadingsCsv.h"
#include "plan/PlanJson.h"
#include "plan/RunSheet.h"
#include "report/LabReport.h"
#include "substances/SubstanceLibrary.h"

#include <QFontDatabase>
#include <QGuiApplication>
#include <fmt/format.h>

#include <cmath>
#include <fstream>
#include <memory>

namespace uttrin::cli {

Job addPlan(CLI::App& verb) {
    auto path = std::make_shared<std::string>();
    verb.add_option("file", *path, "plan file (docs/plan-format.md)")->required();
    return [path] {
        const auto file = need(readPlanFile(fileText(*path)));
        const auto room = need(stationPressure(file.room));
        const auto sheet = need(makeRunSheet(file.plan, room));
        const auto& gauge = file.plan.rig.gauge;
        Answer a;
        a.json["method"] = id(file.plan.method);
        a.json["room_pa"] = room.station.pascal();
        a.json["room_pa_u"] = room.uPa;
        a.json["targets"] = Json::array();
        for (const Target& t : sheet.targets) {
            Json dial = t.dial.second
                            ? Json{{"left", t.dial.first}, {"right", *t.dial.second}, {"unit", gauge.unit}}
                            : Json{{"value", t.dial.first}, {"unit", gauge.unit}};
            a.json["targets"].push_back(
                {{"order", t.order},
                 {"absolute_pa", t.absolute.pascal()},
                 {"dial", dial},
                 {"expected_boiling_point_k", t.boils.kelvin()},
                 {"expected_boiling_point_k_u", t.boilsU},
                 {"kelvin_per_division_k", t.kelvinPerDivision},
                 {"depth_effect_k", t.depthKelvin},
                 {"expected_duration_s", t.seconds},
                 {"taster", t.taster},
                 {"in_fit", t.inFit},
                 {"state", t.state == TargetState::Ok          ? "ok"
                           : t.state == TargetState::AboveRoom ? "above-room"
                                                               : "below-pump-floor"}});
            a.text +=
                fmt::format("{:>3}  {:>16} {}  {:>7.2f} kPa  boils at {:>6.2f} +- {:.2f} degC{}\n", t.order,
                            text(gauge, t.dial), gauge.unit, t.absolute.kilopascal(), t.boils.celsius(),
                            t.boilsU, t.state == TargetState::Ok ? "" : "  (cannot be reached)");
        }
        a.json["total_duration_s"] = sheet.totalSeconds;
        a.json["fits_period"] = sheet.fits;
        a.json["second_run_fits"] = sheet.secondRunFits;
        a.json["cautions"] = Json::array();
        for (const Caution& c : sheet.cautions) {
            a.json["cautions"].push_back({{"id", c.id}, {"text", c.text}});
            a.text += "! " + c.text + "\n";
        }
        a.json["materials"] = sheet.materials;
        a.json["source"] = substanceOf(file.plan).source(Phases::LiquidVapour);
        a.text += fmt::format("about {:.0f} min\n", sheet.totalSeconds / 60.0);
        return a;
    };
}

namespace {

struct FitInput {
    std::string path, room, method = "york", temperatureU, pressureU, scale = "yes", fluid = "water";
};

/// Points of a CSV file in a room; struck lines stay out.
std::vector<BoilingDatum> dataOf(const ImportedReadings& imported, const FitInput& in,
                                 const std::optional<RoomPressure>& room, std::vector<int>& positions) {
    std::vector<BoilingDatum> data;
    for (const Reading& r : imported.readings) {
        if (r.struckReason) continue;
        const auto p = need(toAbsolute(imported.plan.rig.gauge, {r.first, r.second}, room));
        const auto t = need(toTemperature(imported.plan.rig.thermometer, r.temperature));
        if (!(p.pressure.pascal() > 0.0))
            throw Refusal{
                {Failure::BadInput, fmt::format("point {} lies below a perfect vacuum in this room; check "
                                                "the column's unit and sign, and --room",
                                                r.position)}};
        const double uT = in.temperatureU.empty()
                              ? t.uIndependent
                              : std::abs(need(parseTemperatureDifference(in.temperatureU)).kelvin());
        const double uP = in.pressureU.empty()
                              ? p.uIndependent
                              : std::abs(need(parsePressureDifference(in.pressureU)).pascal());
        data.push_back({t.temperature, p.pressure, uT, uP, 0.0, 0.0});
        positions.push_back(r.position);
    }
    return data;
}

Json pointsJson(const std::vector<BoilingDatum>& data, const ClausiusClapeyronFit& fit,
                const std::vector<int>& positions) {
    Json points = Json::array();
    for (std::size_t i = 0; i < data.size(); ++i) {
        const PointResult& p = fit.points[i];
        points.push_back(
            {{"point", positions[i]},
             {"temperature_k", data[i].temperature.kelvin()},
             {"absolute_pa", data[i].pressure.pascal()},
             {"residual", p.residual},
             {"residual_k", p.residualKelvin},
             {"residual_pa", p.residualPascal},
             {"superheat_k", p.superheatKelvin},
             {"leverage", p.leverage},
             {"studentised_residual", std::isfinite(p.studentised) ? Json(p.studentised) : Json()},
             {"flag", p.flag}});
    }
    return points;
}

Answer fitAnswer(const FitInput& in) {
    const auto imported = need(readReadingsCsv(fileText(in.path)));
    std::optional<RoomPressure> room;
    if (!in.room.empty()) room = RoomPressure{need(parsePressure(in.room)), 0.0, RoomMethod::Barometer};
    if (!room && countsFromRoom(imported.plan.rig.gauge.convention))
        throw Refusal{{Failure::Unreferenced, "these readings count from the room's pressure: give --room, "
                                              "for instance --room \"1008.2 hPa\""}};
    const Substance& substance = *need(findSubstance(in.fluid));
    std::vector<int> positions;
    const auto data = dataOf(imported, in, room, positions);
    const FitMethod method = in.method == "ols"        ? FitMethod::Ols
                             : in.method == "weighted" ? FitMethod::Weighted
                                                       : FitMethod::York;
    const auto fit = need(fitClausiusClapeyron(data, substance, {method, in.scale == "yes"}));
    Answer a;
    a.json = {{"method", in.method},
              {"errors_scaled_by_reduced_chi_square", fit.line.scaled},
              {"points_used", data.size()},
              {"enthalpy_of_vaporisation_j_per_mol", fit.enthalpy.value},
              {"enthalpy_of_vaporisation_j_per_mol_u", fit.enthalpy.u},
              {"ci95_low", fit.enthalpy.low},
              {"ci95_high", fit.enthalpy.high},
              {"intercept", fit.line.intercept},
              {"intercept_u", fit.line.interceptU},
              {"slope_k", fit.line.slope},
              {"slope_k_u", fit.line.slopeU},
              {"r_squared", fit.line.rSquared},
              {"reduced_chi_square", fit.line.reducedChiSquare()},
              {"normal_boiling_point_k", fit.normalBoilingPoint.value},
              {"normal_boiling_point_k_u", fit.normalBoilingPoint.u},
              {"reference_slope_j_per_mol", fit.referenceSlopeEnthalpy},
              {"relative_to_reference", fit.relativeToReference()},
              {"tabulated_mean_enthalpy_j_per_mol", fit.tabulatedMeanEnthalpy}};
    if (room) {
        const auto here = fit.boilingPointAt(room->station);
        a.json["room_boiling_point_k"] = here.value;
        a.json["room_boiling_point_k_u"] = here.u;
    }
    a.json["points"] = pointsJson(data, fit, positions);
    a.json["diagnosis"] = Json::array();
    for (const CauseEstimate& c :
         diagnose(data, substance, room ? std::optional(room->station) : std::nullopt))
        a.json["diagnosis"].push_back(
            {{"cause", c.id}, {"weight", c.weight}, {"amount", c.amount}, {"sentence", c.sentence}});
    a.json["unread_lines"] = imported.complaints;
    a.json["source"] = substance.source(Phases::LiquidVapour);
    a.text = fmt::format("enthalpy of vaporisation {:.2f} +- {:.2f} kJ/mol (95 %: {:.2f} to {:.2f}), {} "
                         "points\nthe accepted curve over the same span: {:.2f} kJ/mol ({:+.1f} %)\nboils at "
                         "{:.2f} +- {:.2f} degC at 101.325 kPa\n",
                         fit.enthalpy.value * 1e-3, fit.enthalpy.u * 1e-3, fit.enthalpy.low * 1e-3,
                         fit.enthalpy.high * 1e-3, data.size(), fit.referenceSlopeEnthalpy * 1e-3,
                         100.0 * fit.relativeToReference(), fit.normalBoilingPoint.value - kIcePointKelvin,
                         fit.normalBoilingPoint.u);
    for (const auto& c : imported.complaints)
        a.text += "not read: " + c + "\n";
    return a;
}

} // namespace

Job addFit(CLI::App& verb) {
    auto in = std::make_shared<FitInput>();
    verb.add_option("file", in->path, "CSV with units in the column names")->required();
    verb.add_option("--room", in->room,
                    "the room's absolute pressure; needed unless the column is absolute_UNIT");
    verb.add_option("--method", in->method, "ols, weighted or york")
        ->check(CLI::IsMember({"ols", "weighted", "york"}))
        ->capture_default_str();
    verb.add_option("--temperature-u", in->temperatureU, "standard uncertainty of every temperature");
    verb.add_option("--pressure-u", in->pressureU, "standard uncertainty of every pressure");
    verb.add_option("--scale-errors", in->scale, "errors from the scatter (yes) or as stated (no)")
        ->check(CLI::IsMember({"yes", "no"}))
        ->capture_default_str();
    verb.add_option("--fluid", in->fluid, "fluid id")->capture_default_str();
    return [in] { return fitAnswer(*in); };
}

namespace {

Answer notebookInfo(const Notebook& notebook) {
    Answer a;
    a.json = {{"file", notebook.path().string()},
              {"read_only", notebook.readOnly()},
              {"notice", notebook.notice()},
              {"lessons", Json::array()}};
    for (const Lesson& l : notebook.lessons()) {
        const LessonModel model(notebook.load(l.id));
        const auto room = model.room(std::nullopt);
        Json runs = Json::array();
        for (const Run& r : model.data().runs)
            runs.push_back({{"id", r.id},
                            {"group", model.group(r.groupId).name},
                            {"number", r.number},
                            {"plan", model.setup(r.setupId).name},
                            {"readings", model.readingsOf(r.id).size()}});
        a.json["lessons"].push_back({{"id", l.id},
                                     {"title", l.title},
                                     {"held_on", l.heldOn},
                                     {"made_up", l.madeUp},
                                     {"room_pa", room ? Json(room->station.pascal()) : Json()},
                                     {"runs", runs}});
        a.text +=
            fmt::format("lesson {}: {} ({}){}\n", l.id, l.title, l.heldOn, l.madeUp ? ", made-up data" : "");
        for (const Json& r : runs)
            a.text += fmt::format("  run {}: {} {}, {} readings ({})\n", r["id"].get<RowId>(),
                                  r["group"].get<std::string>(), r["number"].get<int>(),
                                  r["readings"].get<std::size_t>(), r["plan"].get<std::string>());
    }
    return a;
}

Answer notebookImport(Notebook notebook, const std::string& csv) {
    const auto imported = need(readReadingsCsv(fileText(csv)));
    const SystemClock clock;
    LessonSession session(std::move(notebook), clock, 0);
    if (!session.hasLesson())
        need(session.addLesson(Lesson{0, "Imported readings", "", "", "", 0.0, false, 0, false}));
    const auto run = need(
        session.addImported(std::filesystem::path(csv).stem().string(), imported.plan, imported.readings));
    Answer a;
    a.json = {{"run", run}, {"readings", imported.readings.size()}, {"unread_lines", imported.complaints}};
    a.text = fmt::format("{} readings imported as run {}\n", imported.readings.size(), run);
    for (const auto& c : imported.complaints)
        a.text += "not read: " + c + "\n";
    return a;
}

} // namespace

Job addNotebook(CLI::App& verb) {
    struct In {
        std::string action, file, extra, format = "csv", out = ".";
    };
    auto in = std::make_shared<In>();
    verb.add_option("action", in->action, "info, export, import or check")
        ->required()
        ->check(CLI::IsMember({"info", "export", "import", "check"}));
    verb.add_option("file", in->file, "notebook (.uttrin)")->required();
    verb.add_option("csv", in->extra, "import: the CSV file");
    verb.add_option("--format", in->format, "export: csv, json or xlsx")
        ->check(CLI::IsMember({"csv", "json", "xlsx"}))
        ->capture_default_str();
    verb.add_option("--out", in->out, "export: folder")->capture_default_str();
    return [in]() -> Answer {
        auto notebook = need(Notebook::open(in->file));
        if (in->action == "info") return notebookInfo(notebook);
        if (in->action == "import") {
            if (in->extra.empty())
                throw Refusal{{Failure::BadInput, "import needs a CSV file: notebook import FILE run.csv"}};
            return notebookImport(std::move(notebook), in->extra);
        }
        Answer a;
        if (in->action == "check") {
            const auto wrong = notebook.check();
            a.json = {{"file", in->file}, {"sound", wrong.empty()}, {"problems", wrong}};
            a.text = wrong.empty() ? "sound\n" : "";
            for (const auto& w : wrong)
                a.text += w + "\n";
            return a;
        }
        a.json["written"] = Json::array();
        for (const auto& path : need(exportNotebook(notebook, in->format, in->out))) {
            a.json["written"].push_back(path.string());
            a.text += path.string() + "\n";
        }
        return a;
    };
}

namespace {

int writeReportPdf(const Document& document, const std::string& out) {
    qputenv("QT_QPA_PLATFORM", "offscreen"); // no display is needed to set a page
    static int argc = 1;
    static char name[] = "uttrin-cli";
    static char* argv[] = {name, nullptr};
    const QGuiApplication app(argc, argv);
    for (const char* weight : {"Regular", "Medium", "SemiBold", "Bold"})
        QFontDatabase::addApplicationFont(
            QStringLiteral(":/fonts/InterTabular-%1.otf").arg(QLatin1String(weight)));
    return writePdf(document, QString::fromStdString(out));
}

} // namespace

Job addReport(CLI::App& verb) {
    struct In {
        std::string file, out;
        RowId run = 0;
        bool student = false;
    };
    auto in = std::make_shared<In>();
    verb.add_option("file", in->file, "notebook (.uttrin)")->required();
    verb.add_option("--run", in->run, "run id, see `notebook info`")->required();
    verb.add_option("--out", in->out, "report.pdf or report.html")->required();
    verb.add_flag("--student", in->student, "the student's copy, without answers");
    return [in] {
        const SystemClock clock;
        LessonSession session(need(Notebook::open(in->file)), clock, 0);
        bool found = false;
        for (const Lesson& l : session.notebook().lessons()) {
            session.selectLesson(l.id);
            for (const Run& r : session.model().data().runs)
                found = found || r.id == in->run;
            if (found) break;
        }
        if (!found)
            throw Refusal{
                {Failure::BadInput,
                 fmt::format("there is no run {} in {}; see `uttrin-cli notebook info`", in->run, in->file)}};
        session.selectRun(in->run);
        const auto document = need(labReport(session, {!in->student, {}}));
        const bool pdf = std::filesystem::path(in->out).extension() == ".pdf";
        if (!pdf && std::filesystem::path(in->out).extension() != ".html")
            throw Refusal{{Failure::BadInput, fmt::format("'{}' ends in neither .pdf nor .html", in->out)}};
        Answer a;
        a.json["path"] = in->out;
        if (pdf) {
            const int pages = writeReportPdf(document, in->out);
            if (pages == 0)
                throw Refusal{{Failure::Storage, fmt::format("'{}' could not be written", in->out)}};
            a.json["pages"] = pages;
        } else {
            std::ofstream file(in->out, std::ios::binary);
            file << toHtml(document);
            if (!file.flush())
                throw Refusal{{Failure::Storage, fmt::format("'{}' could not be written", in->out)}};
            a.json["pages"] = 1;
        }
        a.text = fmt::format("{}: {} page(s)\n", in->out, a.json["pages"].get<int>());
        return a;
    };
}

} // namespace uttrin::cli
