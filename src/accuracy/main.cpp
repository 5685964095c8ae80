// Writes docs/accuracy.md: what Uttrin computes beside what is published.
#include "quantities/Rounding.h"
#include "substances/SubstanceLibrary.h"

#include <fmt/format.h>

#include <cstdio>

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

} // namespace

int main() {
    fmt::print("# Accuracy\n\nMade by `uttrin-accuracy`; a test compares this file with what the program "
               "says today. The published values owe\n"
               "nothing to the equations beside which they stand: the enthalpies follow from the slope of "
               "the vapour pressure and the\n"
               "volumes of both phases (Clapeyron), water's from IAPWS SR1-86.\n\n## Pure substances\n");
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
    return 0;
}
