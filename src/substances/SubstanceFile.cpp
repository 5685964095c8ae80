#include "SubstanceFile.h"

#include "SubstanceReader.h"
#include "json/JsonText.h"
#include "quantities/Units.h"

#include <fmt/format.h>
#include <nlohmann/json.hpp>

#include <cmath>
#include <limits>
#include <numbers>
#include <set>

namespace uttrin {
namespace {

using Json = nlohmann::ordered_json;
using Reader = SubstanceReader;

RelativeUncertainty relativeUncertainty(Reader& r, const Json& in, const std::string& at) {
    const Json* value = r.find(in, at, "relative_u");
    if (!value) return {{{0.0, 0.0}}};
    if (value->is_number()) return {{{0.0, r.number(in, at, "relative_u", Reader::kTiny, 1.0)}}};
    RelativeUncertainty u;
    for (const auto& row : r.rows(in, at, "relative_u", 2)) {
        if (!(row[1] > 0.0) || (!u.at.empty() && !(row[0] > u.at.back().kelvin)))
            r.complain(
                at + "/relative_u",
                Text::tr("'relative_u' must be above zero, at temperatures that rise from line to line"));
        u.at.push_back({row[0], row[1]});
    }
    if (u.at.empty()) u.at.push_back({0.0, 0.0});
    return u;
}

/// log10 or ln, in a pressure and a temperature unit, brought to ln(p / Pa) over kelvin.
ExtendedAntoine antoine(Reader& r, const Json& in, const std::string& at) {
    const double a = r.number(in, at, "a"), b = r.number(in, at, "b"), c = r.number(in, at, "c");
    const std::string logarithm = r.text(in, at, "logarithm"), pressure = r.text(in, at, "pressure_unit"),
                      temperature = r.text(in, at, "temperature_unit");
    if (logarithm != "log10" && logarithm != "ln")
        r.complain(at + "/logarithm", Text::tr("'logarithm' must be \"log10\" or \"ln\""));
    if (temperature != "K" && temperature != "degC")
        r.complain(at + "/temperature_unit", Text::tr("'temperature_unit' must be \"K\" or \"degC\""));
    const auto unit = findUnit(pressure, Dimension::Pressure);
    if (!unit) {
        r.complain(at + "/pressure_unit", unit.error().message);
        return {};
    }
    const double scale = logarithm == "log10" ? std::numbers::ln10 : 1.0;
    return {a * scale + std::log((*unit)->factor),
            -b * scale,
            temperature == "degC" ? c - kIcePointKelvin : c,
            0.0,
            0.0,
            0.0};
}

PressureTable pressureTable(Reader& r, const Json& in, const std::string& at) {
    PressureTable table;
    constexpr std::size_t kFewest = 4;
    for (const auto& row : r.rows(in, at, "points", 2)) {
        if (!table.points.empty() &&
            !(row[0] > table.points.back().kelvin && row[1] > table.points.back().pascal))
            r.complain(fmt::format("{}/points/{}", at, table.points.size()),
                       Text::tr("temperature and pressure must rise from point to point"));
        table.points.push_back({row[0], row[1]});
    }
    if (table.points.size() < kFewest)
        r.complain(at + "/points", Text::tr("a table needs at least four points"));
    return table;
}

std::optional<VapourPressureCurve> pressureCurve(Reader& r, const Json& file, const char* key, bool needed) {
    const Json* in = r.find(file, "", key, needed);
    if (!in) return std::nullopt;
    const std::string at = std::string("/") + key;
    const std::size_t before = r.problems.size();
    const std::string form = r.text(*in, at, "form");
    auto [low, high] = r.range(*in, at);
    const auto u = relativeUncertainty(r, *in, at);
    const std::string source = r.text(*in, at, "source");
    VapourPressureCurve::Form equation;
    if (form == "reduced-terms") {
        const double t = r.number(*in, at, "reference_temperature_k", Reader::kTiny),
                     p = r.number(*in, at, "reference_pressure_pa", Reader::kTiny);
        equation = ReducedTerms{t, p, r.terms(*in, at)};
        if (high > t)
            r.complain(at + "/range_k", Text::tr("the range must not go above the reference temperature"));
    } else if (form == "antoine") {
        equation = antoine(r, *in, at);
    } else if (form == "extended-antoine") {
        equation = ExtendedAntoine{r.number(*in, at, "a"), r.number(*in, at, "b"), 0.0,
                                   r.number(*in, at, "c"), r.number(*in, at, "d"), r.number(*in, at, "e")};
    } else if (form == "table") {
        auto table = pressureTable(r, *in, at);
        if (!table.points.empty() && (low < table.points.front().kelvin || high > table.points.back().kelvin))
            r.complain(at + "/range_k", Text::tr("the range must lie within the points"));
        equation = std::move(table);
    } else if (form == "iapws-r7-97") {
        equation = IapwsSaturation{};
    } else if (form == "iapws-r14-08") {
        equation = IapwsSublimation{};
    } else if (form == "murphy-koop-2005") {
        equation = SupercooledWater{};
    } else if (!form.empty()) {
        r.complain(at + "/form",
                   Text::tr("'{}' is not a form of vapour-pressure equation; accepted: reduced-terms, "
                            "antoine, extended-antoine, table, iapws-r7-97, iapws-r14-08, "
                            "murphy-koop-2005",
                            form));
    }
    if (r.problems.size() > before) return std::nullopt;
    try {
        return VapourPressureCurve(std::move(equation), low, high, u, source);
    } catch (const std::logic_error&) {
        r.complain(
            at,
            Text::tr(
                "the pressure does not rise with temperature all through 'range_k'; check the coefficients"));
        return std::nullopt;
    }
}

DensityCurve densityCurve(Reader& r, const Json& file, const char* key) {
    const Json* in = r.find(file, "", key);
    if (!in) return {ConstantDensity{0.0}, 0.0, 0.0, 0.0, {}};
    const std::string at = std::string("/") + key;
    const std::string form = r.text(*in, at, "form");
    const auto [low, high] = r.range(*in, at);
    const double u = r.number(*in, at, "relative_u", Reader::kTiny, 1.0);
    const std::string source = r.text(*in, at, "source");
    const auto critical = [&] { return r.number(*in, at, "critical_temperature_k", Reader::kTiny); };
    const auto reference = [&] { return r.number(*in, at, "reference_density_kg_per_m3", Reader::kTiny); };
    DensityCurve::Form equation = ConstantDensity{0.0};
    if (form == "exponential-terms" || form == "exponential-terms-over-temperature")
        equation = ExponentialDensity{critical(), reference(), r.terms(*in, at), form != "exponential-terms"};
    else if (form == "linear-terms")
        equation = LinearDensity{critical(), reference(), r.terms(*in, at)};
    else if (form == "rackett")
        equation = RackettDensity{critical(), r.number(*in, at, "reference_temperature_k", Reader::kTiny),
                                  reference(), r.number(*in, at, "rackett_factor", 0.1, 0.5)};
    else if (form == "constant")
        equation = ConstantDensity{r.number(*in, at, "value_kg_per_m3", Reader::kTiny)};
    else if (form == "virial") {
        equation = VirialVapour{r.numbers(*in, at, "coefficients_cm3_per_mol")};
    } else if (form == "corresponding-states")
        equation = CorrespondingVapour{critical(), r.number(*in, at, "critical_pressure_pa", Reader::kTiny),
                                       r.number(*in, at, "acentric_factor", -0.5, 2.0)};
    else if (form == "iapws-sr1-86-liquid")
        equation = IapwsLiquid{};
    else if (form == "iapws-sr1-86-vapour")
        equation = IapwsVapour{};
    else if (!form.empty())
        r.complain(at + "/form",
                   Text::tr("'{}' is not a form of density equation; accepted: exponential-terms, "
                            "exponential-terms-over-temperature, linear-terms, rackett, constant, virial, "
                            "corresponding-states, iapws-sr1-86-liquid, iapws-sr1-86-vapour",
                            form));
    return {std::move(equation), low, high, u, source};
}

std::optional<MeasuredProperty> measured(Reader& r, const Json& file, const char* key, const char* valueKey) {
    const Json* in = r.find(file, "", key, false);
    if (!in) return std::nullopt;
    const std::string at = std::string("/") + key;
    return MeasuredProperty{r.number(*in, at, valueKey, Reader::kTiny),
                            r.number(*in, at, "temperature_k", Reader::kTiny),
                            r.number(*in, at, "relative_u", Reader::kTiny, 1.0), r.text(*in, at, "source")};
}

std::optional<MeltingCurve> melting(Reader& r, const Json& file) {
    const Json* in = r.find(file, "", "melting", false);
    if (!in) return std::nullopt;
    const std::string form = r.text(*in, "/melting", "form");
    if (form != "ratio-powers" && form != "excess-powers")
        r.complain("/melting/form",
                   Text::tr("'form' of a melting curve must be \"ratio-powers\" or \"excess-powers\""));
    const auto [low, high] = r.range(*in, "/melting");
    return MeltingCurve{r.terms(*in, "/melting"), form == "ratio-powers", low, high,
                        r.text(*in, "/melting", "source")};
}

struct Kind {
    const char* id;
    PublishedValue::What what;
    const char* valueKey;
};
constexpr Kind kKinds[] = {
    {"pressure", PublishedValue::Pressure, "value_pa"},
    {"boiling-point", PublishedValue::BoilingPoint, "value_k"},
    {"enthalpy-of-vaporisation", PublishedValue::EnthalpyOfVaporisation, "value_j_per_mol"},
    {"liquid-density", PublishedValue::LiquidDensity, "value_kg_per_m3"},
};

std::vector<PublishedValue> published(Reader& r, const Json& file) {
    std::vector<PublishedValue> result;
    const Json* in = r.find(file, "", "published_values", false);
    if (!in) return result;
    for (std::size_t i = 0; i < in->size(); ++i) {
        const Json& value = (*in)[i];
        const std::string at = fmt::format("/published_values/{}", i);
        const std::string what = r.text(value, at, "what");
        const auto* kind =
            std::find_if(std::begin(kKinds), std::end(kKinds), [&](const Kind& k) { return what == k.id; });
        if (kind == std::end(kKinds)) {
            r.complain(
                at,
                Text::tr(
                    "'what' must be pressure, boiling-point, enthalpy-of-vaporisation or liquid-density"));
            continue;
        }
        PublishedValue v{kind->what,
                         0.0,
                         r.number(value, at, kind->valueKey, Reader::kTiny),
                         0.0,
                         r.number(value, at, "tolerance", Reader::kTiny),
                         r.text(value, at, "source")};
        if (v.what == PublishedValue::BoilingPoint)
            v.pascal = r.number(value, at, "pressure_pa", Reader::kTiny);
        else
            v.kelvin = r.number(value, at, "temperature_k", Reader::kTiny);
        if (v.what == PublishedValue::BoilingPoint) v.kelvin = v.value;
        result.push_back(std::move(v));
    }
    return result;
}

std::vector<std::string> hazards(Reader& r, const Json& file) {
    static const std::set<std::string> known{"flammable",  "toxic",    "cold",
                                             "asphyxiant", "narcotic", "pressure"};
    std::vector<std::string> result;
    const Json* in = r.find(file, "", "hazards", false);
    for (std::size_t i = 0; in && i < in->size(); ++i) {
        const auto word = (*in)[i].is_string() ? (*in)[i].get<std::string>() : std::string();
        if (known.contains(word))
            result.push_back(word);
        else
            r.complain(fmt::format("/hazards/{}", i),
                       Text::tr("a hazard must be flammable, toxic, cold, asphyxiant, narcotic or pressure"));
    }
    return result;
}

std::vector<std::string> sourcesOf(const SubstanceDefinition& d) {
    std::vector<std::string> result;
    const auto add = [&result](const std::string& source) {
        if (!source.empty() && std::find(result.begin(), result.end(), source) == result.end())
            result.push_back(source);
    };
    add(d.liquid.source());
    if (d.solid) add(d.solid->source());
    if (d.supercooled) add(d.supercooled->source());
    if (d.melting) add(d.melting->source);
    add(d.liquidDensity.source());
    add(d.vapourDensity.source());
    return result;
}

tl::expected<SubstanceDefinition, std::vector<SubstanceProblem>> build(Reader& r, const Json& file) {
    const auto point = [&](const char* key) -> std::pair<double, double> {
        const Json* in = r.find(file, "", key);
        const std::string at = std::string("/") + key;
        if (!in) return {0.0, 0.0};
        (void)r.text(*in, at, "source");
        return {r.number(*in, at, "temperature_k", Reader::kTiny),
                r.number(*in, at, "pressure_pa", Reader::kTiny)};
    };
    const std::string id = r.text(file, "", "id"), name = r.text(file, "", "name"),
                      formula = r.text(file, "", "formula");
    const double molarMass = r.number(file, "", "molar_mass_kg_per_mol", 1e-3, 1.0);
    const auto triple = point("triple_point"), critical = point("critical_point");
    auto liquid = pressureCurve(r, file, "liquid_vapour", true);
    auto solid = pressureCurve(r, file, "solid_vapour", false);
    auto supercooled = pressureCurve(r, file, "supercooled_liquid", false);
    auto liquidDensity = densityCurve(r, file, "liquid_density"),
         vapourDensity = densityCurve(r, file, "vapour_density");
    std::optional<DensityCurve> solidDensity, vapourOverSolid;
    if (file.contains("solid_density")) solidDensity = densityCurve(r, file, "solid_density");
    if (file.contains("vapour_density_over_solid"))
        vapourOverSolid = densityCurve(r, file, "vapour_density_over_solid");
    auto enthalpy = EnthalpySource::Clapeyron;
    if (file.contains("enthalpy_of_vaporisation")) {
        if (file["enthalpy_of_vaporisation"] == "iapws-sr1-86")
            enthalpy = EnthalpySource::IapwsSr186;
        else if (file["enthalpy_of_vaporisation"] != "clapeyron")
            r.complain("/enthalpy_of_vaporisation",
                       Text::tr("'enthalpy_of_vaporisation' must be \"clapeyron\" or \"iapws-sr1-86\""));
    }
    SubstanceProperties properties{measured(r, file, "liquid_heat_capacity", "value_j_per_mol_k"),
                                   measured(r, file, "vapour_heat_capacity", "value_j_per_mol_k"),
                                   measured(r, file, "solid_heat_capacity", "value_j_per_mol_k"),
                                   measured(r, file, "enthalpy_of_fusion", "value_j_per_mol"),
                                   measured(r, file, "vapour_viscosity", "value_pa_s")};
    auto melts = melting(r, file);
    auto dangers = hazards(r, file);
    auto values = published(r, file);
    if (!r.problems.empty()) return tl::unexpected(r.problems);
    const auto zero = Temperature::fromKelvin(0.0);
    SubstanceDefinition d{{id,
                           Text::data(name),
                           formula,
                           molarMass,
                           Temperature::fromKelvin(triple.first),
                           Pressure::fromPascal(triple.second),
                           zero,
                           Temperature::fromKelvin(critical.first),
                           Pressure::fromPascal(critical.second),
                           zero,
                           zero,
                           {}},
                          std::move(*liquid),
                          std::move(solid),
                          std::move(supercooled),
                          std::move(melts),
                          std::move(liquidDensity),
                          std::move(vapourDensity),
                          std::move(solidDensity),
                          std::move(vapourOverSolid),
                          enthalpy,
                          std::move(properties),
                          std::move(dangers),
                          std::move(values)};
    d.facts.sources = sourcesOf(d);
    return d;
}

} // namespace

Text SubstanceProblem::sentence() const {
    return line > 0 ? Text::tr("{}, line {}: {}", file, line, what) : Text::set("{}: {}", file, what);
}

tl::expected<SubstanceDefinition, std::vector<SubstanceProblem>> readSubstanceFile(std::string_view text,
                                                                                   const std::string& file) {
    const auto parsed = parseJson(text);
    if (!parsed) {
        const JsonProblem& problem = parsed.error();
        return tl::unexpected(std::vector{SubstanceProblem{
            file, problem.line,
            problem.syntax ? Text::tr("this is not JSON: {}", problem.what) : problem.what}});
    }
    const Json& json = *parsed;
    if (!json.is_object())
        return tl::unexpected(
            std::vector{SubstanceProblem{file, 1, Text::tr("a substance is one JSON object, in braces")}});
    Reader reader(text, file);
    return build(reader, json);
}

} // namespace uttrin
