#pragma once

#include "quantities/Failure.h"

#include <string>
#include <string_view>

namespace uttrin {

enum class DryingAgentKind { SulfuricAcid, CalciumChloride };

/// What takes up water vapour: so much of it, with the water that it has taken up so far.
struct DryingAgent {
    DryingAgentKind kind = DryingAgentKind::SulfuricAcid;
    double dryKg = 0.0; ///< of the agent without any water

    /// Activity of the water over it: its vapour pressure by that of pure water at the same temperature.
    ///
    /// The acid: relative humidities over it at 25 degC, R. H. Stokes, R. A. Robinson, Ind. Eng. Chem. 41
    /// (1949) 2013, between the points by the logarithm. The salt: some 0.2 to 0.4 % until it is the
    /// dihydrate, 10 and 20 % over its next hydrates, within a quarter; from the hexahydrate on 32 % as over
    /// its saturated solution at 20 degC, L. Greenspan, J. Res. Natl. Bur. Stand. 81A (1977) 89.
    [[nodiscard]] double activity(double waterKg) const;
    /// Share of the molecules that meet it and stay, an estimate: what comes into the acid must mix with what
    /// lies below it; into grains of the salt it must get through the crust of hydrates, which grows.
    [[nodiscard]] double uptake(double waterKg) const;
    /// Heat set free, beside that of condensation, when it has taken up so much water, J.
    ///
    /// The acid: J. Thomsen's equation, 74.7 kJ/mol n / (n + 1.798), n moles of water to one. The salt: 33
    /// kJ for each mole of water up to two, then 13 up to six.
    [[nodiscard]] double heat(double waterKg) const;
    [[nodiscard]] double dryHeatCapacity() const; ///< J/K
};

[[nodiscard]] std::string_view id(DryingAgentKind kind);
/// BadInput names those accepted.
[[nodiscard]] Result<DryingAgentKind> dryingAgentFromId(std::string_view word);

} // namespace uttrin
