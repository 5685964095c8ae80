#pragma once

#include <compare>

namespace uttrin {

/// Base of all quantities: one double in SI units, ordered, made and read only by functions that name the
/// unit.
template <typename Self>
class Quantity {
public:
    friend constexpr auto operator<=>(const Quantity&,
                                      const Quantity&) = default; // NOLINT(modernize-use-nullptr)

protected:
    constexpr explicit Quantity(double si) : m_si(si) {}
    double m_si; ///< value in the SI unit of the quantity
};

/// A difference between two absolute pressures; may be of either sign. Adds, subtracts and scales.
class PressureDifference : public Quantity<PressureDifference> {
public:
    static constexpr PressureDifference fromPascal(double pa) { return PressureDifference(pa); }
    [[nodiscard]] constexpr double pascal() const { return m_si; }

    friend constexpr PressureDifference operator+(PressureDifference a, PressureDifference b) {
        return PressureDifference(a.m_si + b.m_si);
    }
    friend constexpr PressureDifference operator-(PressureDifference a, PressureDifference b) {
        return PressureDifference(a.m_si - b.m_si);
    }
    friend constexpr PressureDifference operator-(PressureDifference a) {
        return PressureDifference(-a.m_si);
    }
    friend constexpr PressureDifference operator*(PressureDifference a, double k) {
        return PressureDifference(a.m_si * k);
    }

private:
    using Quantity::Quantity;
};

/// An absolute pressure. Two of them have a difference, but no sum.
class Pressure : public Quantity<Pressure> {
public:
    static constexpr Pressure fromPascal(double pa) { return Pressure(pa); }
    static constexpr Pressure fromKilopascal(double kpa) { return Pressure(kpa * 1e3); }
    [[nodiscard]] constexpr double pascal() const { return m_si; }
    [[nodiscard]] constexpr double kilopascal() const { return m_si * 1e-3; }

    friend constexpr PressureDifference operator-(Pressure a, Pressure b) {
        return PressureDifference::fromPascal(a.m_si - b.m_si);
    }
    friend constexpr Pressure operator+(Pressure a, PressureDifference d) {
        return Pressure(a.m_si + d.pascal());
    }
    friend constexpr Pressure operator-(Pressure a, PressureDifference d) {
        return Pressure(a.m_si - d.pascal());
    }

private:
    using Quantity::Quantity;
};

/// A pressure counted from the room's: negative below it. It means nothing without a room pressure, and two
/// gauge pressures, possibly of two rooms, have no sum; only `inRoom` makes an absolute pressure of it.
class GaugePressure : public Quantity<GaugePressure> {
public:
    static constexpr GaugePressure fromPascal(double pa) { return GaugePressure(pa); }
    static constexpr GaugePressure of(Pressure absolute, Pressure room) {
        return GaugePressure((absolute - room).pascal());
    }
    [[nodiscard]] constexpr double pascal() const { return m_si; }
    [[nodiscard]] constexpr Pressure inRoom(Pressure room) const {
        return room + PressureDifference::fromPascal(m_si);
    }

    friend constexpr GaugePressure operator+(GaugePressure g, PressureDifference d) {
        return GaugePressure(g.m_si + d.pascal());
    }
    friend constexpr GaugePressure operator-(GaugePressure g, PressureDifference d) {
        return GaugePressure(g.m_si - d.pascal());
    }

private:
    using Quantity::Quantity;
};

/// A difference between two temperatures, in kelvin.
class TemperatureDifference : public Quantity<TemperatureDifference> {
public:
    static constexpr TemperatureDifference fromKelvin(double k) { return TemperatureDifference(k); }
    [[nodiscard]] constexpr double kelvin() const { return m_si; }

    friend constexpr TemperatureDifference operator+(TemperatureDifference a, TemperatureDifference b) {
        return TemperatureDifference(a.m_si + b.m_si);
    }
    friend constexpr TemperatureDifference operator-(TemperatureDifference a) {
        return TemperatureDifference(-a.m_si);
    }

private:
    using Quantity::Quantity;
};

inline constexpr double kIcePointKelvin = 273.15; ///< K at 0 degC, exact by definition

/// A thermodynamic temperature. Two of them have a difference, but no sum.
class Temperature : public Quantity<Temperature> {
public:
    static constexpr Temperature fromKelvin(double k) { return Temperature(k); }
    static constexpr Temperature fromCelsius(double c) { return Temperature(c + kIcePointKelvin); }
    [[nodiscard]] constexpr double kelvin() const { return m_si; }
    [[nodiscard]] constexpr double celsius() const { return m_si - kIcePointKelvin; }

    friend constexpr TemperatureDifference operator-(Temperature a, Temperature b) {
        return TemperatureDifference::fromKelvin(a.m_si - b.m_si);
    }
    friend constexpr Temperature operator+(Temperature a, TemperatureDifference d) {
        return Temperature(a.m_si + d.kelvin());
    }
    friend constexpr Temperature operator-(Temperature a, TemperatureDifference d) {
        return Temperature(a.m_si - d.kelvin());
    }

private:
    using Quantity::Quantity;
};

/// A length or a height above sea level.
class Length : public Quantity<Length> {
public:
    static constexpr Length fromMetre(double m) { return Length(m); }
    static constexpr Length fromCentimetre(double cm) { return Length(cm * 1e-2); }
    [[nodiscard]] constexpr double metre() const { return m_si; }

    friend constexpr Length operator-(Length a, Length b) { return Length(a.m_si - b.m_si); }

private:
    using Quantity::Quantity;
};

} // namespace uttrin
