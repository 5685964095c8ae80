// Writes docs/accuracy.md: what Uttrin computes beside what is published.
#include "instruments/MercuryBarometer.h"
#include "instruments/PressureInstrument.h"
#include "instruments/Thermometry.h"
#include "physics/Constants.h"
#include "quantities/Rounding.h"
#include "solutions/BinaryMixture.h"
#include "solutions/Liquid.h"
#include "solutions/SodiumChloride.h"
#include "solutions/Sucrose.h"
#include "substances/SubstanceLibrary.h"
#include "text/PlainFormat.h"

#include <fmt/format.h>

#include <cstdio>
#include <tuple>

namespace {

using namespace uttrin;

struct Line {
    std::string what, ours, published, difference;
};

Line lineOf(const Substance& s, const PublishedValue& v) {
    const auto t = Temperature::fromKelvin(v.kelvin);
    const auto line = [&](std::string what, double ours, double published, int decimals, double allowed) {
        const double relative = ours / published - 1.0;
        return Line{std::move(what), fmt::format("{:.{}f}", ours, decimals),
                    fmt::format("{:.{}f}", published, decimals),
                    fmt::format("{} % (allowed {:g} %)", fixedSigned(100.0 * relative, 3), 100.0 * allowed)};
    };
    switch (v.what) {
    case PublishedValue::Pressure: {
        const int decimals = v.value < 1e4 ? 4 : 2;
        return line(fmt::format("vapour pressure at {:.2f} K, kPa", v.kelvin),
                    s.vapourPressure(t)->kilopascal(), v.value * 1e-3, decimals, v.tolerance);
    }
    case PublishedValue::BoilingPoint: {
        const double ours = s.boilingPoint(Pressure::fromPascal(v.pascal))->kelvin();
        return {fmt::format("{} point at {:.3f} kPa, K",
                            ours < s.facts().triple.kelvin() ? "sublimation" : "boiling", v.pascal * 1e-3),
                fmt::format("{:.3f}", ours), fmt::format("{:.3f}", v.value),
                fmt::format("{} K (allowed {:g} K)", fixedSigned(ours - v.value, 3), v.tolerance)};
    }
    case PublishedValue::EnthalpyOfVaporisation:
        return line(fmt::format("enthalpy of {} at {:.2f} K, kJ/mol",
                                v.kelvin < s.facts().triple.kelvin() ? "sublimation" : "vaporisation",
                                v.kelvin),
                    *s.molarEnthalpyOfVaporisation(t) * 1e-3, v.value * 1e-3, 2, v.tolerance);
    case PublishedValue::LiquidDensity:
        return line(fmt::format("density of the liquid at {:.2f} K, kg/m³", v.kelvin), *s.condensedDensity(t),
                    v.value, 1, v.tolerance);
    }
    return {};
}

/// Published values of solutions beside ours.
void printSolutions() {
    fmt::print("\n## Solutions\n\n### Sodium chloride in water\n{}; freezing: {}.\n\n"
               "| quantity | Uttrin | published | difference | source |\n| --- | ---: | ---: | --- | --- |\n",
               Text(sodiumChloride::kBoilingSource), Text(sodiumChloride::kFreezingSource));
    const auto row = [](const std::string& what, double ours, double published, int decimals,
                        const char* unit, const char* source) {
        fmt::print("| {} | {} | {} | {}{} | {} |\n", what, fixed(ours, decimals), fixed(published, decimals),
                   fixedSigned(ours - published, decimals), unit, source);
    };
    for (const auto& [molality, phi] :
         {std::pair{0.1, 0.9324}, {1.0, 0.9355}, {3.0, 1.0453}, {5.0, 1.1916}, {6.0, 1.2706}})
        row(fmt::format("osmotic coefficient at {} mol/kg, 25 °C", molality),
            *sodiumChloride::osmoticCoefficient(molality, Temperature::fromCelsius(25.0)), phi, 4, "",
            "W. J. Hamer and Y.-C. Wu, J. Phys. Chem. Ref. Data 1 (1972) 1047");
    const auto standard = Pressure::fromPascal(kStandardAtmospherePascal);
    const double saturated = sodiumChloride::saturationMolality(Temperature::fromCelsius(108.7));
    row("boiling point of the saturated solution at 101.325 kPa, °C",
        Liquid::make(water(), {SoluteKind::SodiumChloride, saturated, 1.0})
            ->boilingPoint(standard)
            ->celsius(),
        108.7, 2, " K", "handbooks of chemistry");
    row("ebullioscopic constant of water at 101.325 kPa, K kg/mol", *ebullioscopicConstant(water(), standard),
        0.513, 4, "", "CRC Handbook of Chemistry and Physics");
    fmt::print("\n### Sucrose in water\n{}. Sources differ by up to 2.9 K (92 %); above 95 % "
               "there is no second one to compare with.\n\n| quantity | Uttrin | published | difference | "
               "source |\n| "
               "--- | ---: | "
               "---: | --- | --- |\n",
               Text(sucrose::kSource));
    for (const auto& [percent, kelvin] :
         {std::pair{20, 0.3}, {40, 1.0}, {60, 3.0}, {70, 5.1}, {80, 9.8}, {85, 13.5}})
        row(fmt::format("elevation at 101.325 kPa, {} % by mass, K", percent),
            sucrose::elevationAtStandardPressure(0.01 * percent)->kelvin(), kelvin, 1, " K",
            "handbooks of sugar technology");
    for (const BinaryMixture& m : waterMixtures()) {
        fmt::print("\n### {}\n{}.\n\n| quantity | Uttrin | published | difference | source |\n| --- | ---: | "
                   "---: | --- | --- |\n",
                   m.id(), m.source());
        const auto bubble = [&](double x, double celsius) {
            row(fmt::format("bubble point at 101.325 kPa, x = {}, °C", x),
                m.bubblePoint(x, standard)->temperature.celsius(), celsius, 2, " K",
                "handbook table of vapour-liquid equilibria");
        };
        if (m.id() == "ethanol-water") {
            for (const auto& [x, t] :
                 {std::pair{0.0966, 86.7}, {0.2337, 82.7}, {0.5079, 79.8}, {0.7472, 78.41}, {0.8943, 78.15}})
                bubble(x, t);
            row("azeotrope at 101.325 kPa, K", m.azeotrope(standard)->temperature.kelvin(), 351.3, 2, " K",
                "handbooks of chemistry");
            row("azeotrope at 101.325 kPa, fraction of ethanol", m.azeotrope(standard)->liquidFraction, 0.894,
                3, "", "handbooks of chemistry");
        } else if (m.id() == "methanol-water") {
            for (const auto& [x, t] : {std::pair{0.1, 87.7}, {0.4, 75.3}, {0.8, 67.5}})
                bubble(x, t);
        } else {
            for (const auto& [x, t] : {std::pair{0.1, 68.53}, {0.4, 60.75}, {0.8, 57.49}})
                bubble(x, t);
        }
    }
}

/// Instruments beside their standards.
void printInstruments() {
    fmt::print("\n## Instruments\n\n| quantity | Uttrin | published | difference | source |\n| --- | ---: | "
               "---: | --- | --- |\n");
    const auto row = [](const std::string& what, double ours, double published, int decimals,
                        const char* source) {
        fmt::print("| {} | {} | {} | {} | {} |\n", what, fixed(ours, decimals), fixed(published, decimals),
                   fixedSigned(ours - published, decimals), source);
    };
    for (const auto& [celsius, ohm] :
         {std::pair{-100.0, 60.26}, {0.0, 100.0}, {100.0, 138.51}, {400.0, 247.09}})
        row(fmt::format("platinum, 100 Ω at 0 °C, at {} °C, Ω", celsius),
            thermometry::platinumResistance(celsius, 100.0), ohm, 2, "IEC 60751:2008, table 1");
    for (const auto& [mm, celsius, off] :
         {std::tuple{760.0, 20.0, 2.47}, {760.0, 25.0, 3.09}, {740.0, 20.0, 2.41}}) {
        MercuryReading m;
        m.mainScale = mm;
        m.attachedCelsius = celsius;
        row(fmt::format("mercury barometer, brass scale, {} mm at {} °C: temperature correction, mm", mm,
                        celsius),
            stationPressure(m)->temperature.pascal() / unit("mmHg").factor, -off, 2,
            "CRC Handbook of Chemistry and Physics");
    }
    PressureInstrument tube;
    tube.convention = PressureConvention::TwoArm;
    row("density of mercury at 20 °C, kg/m³", manometerDensity(tube), 13545.85, 2,
        "P. H. Bigg, Br. J. Appl. Phys. 15 (1964) 1111");
    row("emergent stem of mercury in glass, 50 K out at 25 °C, 100 °C read, K",
        thermometry::emergentStemCorrection(100, 50, 25, true), 0.60, 2, "ASTM E77, 0.00016 per kelvin");
}

} // namespace

int main() {
    fmt::print("# Accuracy\n\nMade by `uttrin-accuracy`; a test compares this file with what the program "
               "says today. The published values owe\n"
               "nothing to the equations beside which they stand: the enthalpies follow from the slope of "
               "the vapour pressure and the\n"
               "volumes of both phases (Clapeyron), water’s from IAPWS SR1-86.\n\n## Pure substances\n");
    for (const Substance* s : substances()) {
        fmt::print("\n### {} ({})\n", s->facts().name, s->facts().formula);
        fmt::print("Vapour pressure: {}.\n\n| quantity | Uttrin | published | difference | source |\n| --- | "
                   "---: | ---: | --- | --- |\n",
                   s->source(Phases::LiquidVapour));
        for (const PublishedValue& v : s->published()) {
            const Line l = lineOf(*s, v);
            fmt::print("| {} | {} | {} | {} | {} |\n", l.what, l.ours, l.published, l.difference, v.source);
        }
    }
    printSolutions();
    printInstruments();
    return 0;
}
