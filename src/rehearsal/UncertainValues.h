#pragma once

#include "rehearsal/rigfile/RigFile.h"

#include <span>

namespace uttrin {

/// The uncertain values of a rig file, each told by how many standard uncertainties it lies from where the
/// file and the settings have it.
class UncertainValues {
public:
    /// @param rig  outlives this, as do the settings.
    UncertainValues(const RigFile& rig, const std::vector<RigSetting>& settings);

    [[nodiscard]] std::size_t size() const { return m_means.size(); }
    [[nodiscard]] double mean(std::size_t i) const { return m_means[i]; }
    [[nodiscard]] double spread(std::size_t i) const {
        return m_spreads[i];
    } ///< SI, one standard uncertainty
    /// A value moved so far, SI, within its range; without one not below nothing.
    [[nodiscard]] double value(std::size_t i, double moved) const;
    /// The settings with all values moved so far.
    [[nodiscard]] std::vector<RigSetting> at(std::span<const double> moved) const;
    /// The settings with one value moved so far, the others where they are.
    [[nodiscard]] std::vector<RigSetting> beside(std::size_t i, double moved) const;

private:
    const RigFile& m_rig;
    const std::vector<RigSetting>& m_settings;
    std::vector<double> m_means, m_spreads;
};

} // namespace uttrin
