#include "Formats.h"
#include "Verbs.h"
#include "plan/PlanJson.h"
#include "plan/RunSheet.h"
#include "substances/SubstanceLibrary.h"

#include <fmt/format.h>

#include <memory>

namespace uttrin::cli {
Job addPlan(VerbOptions& verb) {
    auto path = std::make_shared<std::string>();
    verb.add("file", *path, "plan file (docs/plan-format.md)").required();
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
                 {"taster", t.trial},
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
        a.json["second_run_fits"] = sheet.second.fits;
        a.json["second_run_s"] = std::isfinite(sheet.second.seconds) ? Json(sheet.second.seconds) : Json();
        a.json["second_run_cooling_s"] =
            std::isfinite(sheet.second.coolSeconds) ? Json(sheet.second.coolSeconds) : Json();
        a.json["cautions"] = Json::array();
        for (const Caution& c : sheet.cautions) {
            a.json["cautions"].push_back({{"id", c.id}, {"text", c.text}});
            a.text += fmt::format("! {}\n", c.text);
        }
        a.json["materials"] = sheet.materials;
        a.json["source"] = substanceOf(file.plan).source(Phases::LiquidVapour);
        a.text += fmt::format("about {:.0f} min\n", sheet.totalSeconds / 60.0);
        return a;
    };
}

} // namespace uttrin::cli
