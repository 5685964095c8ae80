#pragma once

#include "RigFluid.h"
#include "solutions/Liquid.h"

#include <memory>
#include <string_view>

namespace uttrin {

/// What is dissolved in a rig's substance, or mixed with it, as balances of mass and heat need it at every
/// step.
///
/// Salt and sugar stay in the liquid; ethanol, methanol and acetone have a vapour of their own. Activities
/// are those of `Liquid`, tabulated in the fraction by mass; the salt's run in a straight line in temperature
/// from the measured freezing points at 0 degC and below to the equations at 100 degC, so that brine, ice and
/// vapour agree with one another; between them it lies within 0.015 of the equations. What freezes is the
/// pure solvent, where its solid and the solution have one vapour pressure. Heats of mixing: of the dissolved
/// solid only, a single number; none between liquids.
class RigSolute {
public:
    /// BadInput unless the substance is water, and for what is not known in it.
    [[nodiscard]] static Result<RigSolute> make(SoluteKind kind, const Substance& solvent);

    [[nodiscard]] SoluteKind kind() const;
    [[nodiscard]] Text name() const; ///< "salt", "sugar", "ethanol" …
    /// Its own vapour and liquid; null for what does not evaporate.
    [[nodiscard]] const RigFluid* fluid() const;
    [[nodiscard]] double highestShare() const; ///< of it in the liquid, by mass, that the model knows
    [[nodiscard]] double density() const;      ///< kg/m3, of its share in the liquid
    [[nodiscard]] double heatCapacity() const; ///< J/(kg K), in the liquid
    /// J/kg in the liquid, counted from where `energyBefore` counts.
    [[nodiscard]] double energy(double kelvin) const;
    [[nodiscard]] double energyBefore(double kelvin) const; ///< J/kg, before it is stirred in

    /// Partial pressures over the solution by those over the pure liquids.
    struct Activities {
        double solvent = 1.0, solute = 0.0;
    };
    /// @param share  of it in the liquid, by mass, 0 to `highestShare`.
    [[nodiscard]] Activities activities(double share, double kelvin) const;

    /// Whether it stays solid beside ice and solution at `coldestKelvin`; else no more is known below.
    [[nodiscard]] bool hasEutectic() const;
    /// Vapour pressures over the solution, Pa: of the solvent and of what evaporates beside it.
    struct Saturation {
        double solvent = 0.0, solute = 0.0;
    };
    /// @param solvent  the one of `make`. REQUIRES: its liquid is known at the temperature.
    [[nodiscard]] Saturation saturation(const RigFluid& solvent, double share, double kelvin) const;

    /// Where the solution boils under a pressure, K.
    [[nodiscard]] double boilingKelvin(const RigFluid& solvent, double share, double pascal) const;

    [[nodiscard]] double coldestKelvin() const; ///< down to which the solution with ice in it is known
    /// Share of it in the liquid that stands beside ice at a temperature from `coldestKelvin` to the
    /// solvent's triple point; and its slope, per K.
    [[nodiscard]] double shareBesideIce(double kelvin) const;
    [[nodiscard]] double shareBesideIceSlope(double kelvin) const;
    /// The inverse: where a solution begins to freeze; `coldestKelvin` for one that stays liquid further
    /// down.
    [[nodiscard]] double freezingKelvin(double share) const;

private:
    struct Tables;
    explicit RigSolute(std::shared_ptr<const Tables> tables) : m_tables(std::move(tables)) {}
    std::shared_ptr<const Tables> m_tables;
};

} // namespace uttrin
