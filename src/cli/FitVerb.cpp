#include "Formats.h"
#include "Verbs.h"
#include "analysis/Diagnosis.h"
#include "lesson/exchange/ReadingsCsv.h"
#include "lesson/model/LessonModel.h"
#include "physics/Constants.h"
#include "substances/SubstanceLibrary.h"

#include <fmt/format.h>

#include <cmath>
#include <memory>

namespace uttrin::cli {
namespace {

struct FitInput {
    std::string path, room, method = "york", temperatureU, pressureU, scale = "yes", fluid = "water";
};

/// Points of a CSV file in a room; struck lines stay out.
std::vector<BoilingDatum> dataOf(const ImportedReadings& imported, const FitInput& in,
                                 const std::optional<RoomPressure>& room, std::vector<int>& positions) {
    std::vector<BoilingDatum> data;
    for (const Reading& r : imported.readings()) {
        if (r.struckReason) continue;
        const auto p = need(toAbsolute(imported.plan().rig.gauge, {r.first, r.second}, room));
        const auto t = need(toTemperature(imported.plan().rig.thermometer, r.temperature));
        if (!(p.pressure.pascal() > 0.0))
            throw Refusal{
                {Failure::BadInput, Text::tr("point {} lies below a perfect vacuum in this room; check "
                                             "the column’s unit and sign, and --room",
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
    if (imported.runs.size() > 1)
        throw Refusal{
            {Failure::BadInput, Text::tr("{} runs are in this file; accepted: one run, or a file of columns",
                                         imported.runs.size())}};
    std::optional<RoomPressure> room;
    if (!in.room.empty()) room = RoomPressure{need(parsePressure(in.room)), 0.0, RoomMethod::Barometer};
    if (!room && countsFromRoom(imported.plan().rig.gauge.convention))
        throw Refusal{
            {Failure::Unreferenced, Text::tr("these readings count from the room’s pressure: give --room, "
                                             "for instance --room \"1008.2 hPa\"")}};
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
        a.json["diagnosis"].push_back({{"cause", identifier(c.cause)},
                                       {"weight", c.weight},
                                       {"amount", c.amount},
                                       {"sentence", c.sentence}});
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
        a.text += fmt::format("not read: {}\n", c);
    return a;
}

} // namespace

Job addFit(VerbOptions& verb) {
    auto in = std::make_shared<FitInput>();
    verb.add("file", in->path, "CSV with units in the column names").required();
    verb.add("--room", in->room, "the room’s absolute pressure; needed unless the column is absolute_UNIT");
    verb.add("--method", in->method, "ols, weighted or york")
        .oneOf({"ols", "weighted", "york"})
        .showDefault();
    verb.add("--temperature-u", in->temperatureU, "standard uncertainty of every temperature");
    verb.add("--pressure-u", in->pressureU, "standard uncertainty of every pressure");
    verb.add("--scale-errors", in->scale, "errors from the scatter (yes) or as stated (no)")
        .oneOf({"yes", "no"})
        .showDefault();
    verb.add("--fluid", in->fluid, "fluid id").showDefault();
    return [in] { return fitAnswer(*in); };
}

} // namespace uttrin::cli
