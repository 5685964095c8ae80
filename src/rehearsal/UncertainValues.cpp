#include "UncertainValues.h"

#include <algorithm>
#include <cmath>

namespace uttrin {

UncertainValues::UncertainValues(const RigFile& rig, const std::vector<RigSetting>& settings)
    : m_rig(rig), m_settings(settings) {
    for (const RigUncertainty& u : rig.uncertainties()) {
        m_means.push_back(rig.value(u.pointer, settings));
        m_spreads.push_back(u.relative ? u.standard * std::abs(m_means.back()) : u.standard);
    }
}

double UncertainValues::value(std::size_t i, double moved) const {
    const RigUncertainty& u = m_rig.uncertainties()[i];
    const double there = m_means[i] + moved * m_spreads[i];
    if (!(u.low < u.high)) return std::max(0.0, there);
    // A person who sets a value beyond its usual range knows why.
    return std::clamp(there, std::min(u.low, m_means[i]), std::max(u.high, m_means[i]));
}

std::vector<RigSetting> UncertainValues::at(std::span<const double> moved) const {
    std::vector<RigSetting> all = m_settings;
    for (std::size_t i = 0; i < size(); ++i) {
        const RigUncertainty& u = m_rig.uncertainties()[i];
        all.push_back(m_rig.setting(u.pointer, value(i, moved[i]), m_settings));
    }
    return all;
}

std::vector<RigSetting> UncertainValues::beside(std::size_t i, double moved) const {
    std::vector<double> all(size(), 0.0);
    all[i] = moved;
    return at(all);
}

} // namespace uttrin
