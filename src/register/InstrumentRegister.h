#pragma once

#include "files/NamedFiles.h"
#include "instruments/PressureInstrument.h"
#include "instruments/Thermometer.h"
#include "plan/Plan.h"

#include <cstdint>
#include <optional>
#include <string>
#include <vector>

namespace uttrin {

/// An instrument that a school has, as it is known across lessons: what it is, what its zero was, when it was
/// calibrated, and how it is listened to.
struct KnownInstrument {
    std::string id; ///< of its file; empty while it is not kept
    std::string name;
    std::optional<PressureInstrument> gauge; ///< one of the two is there
    std::optional<Thermometer> thermometer;
    /// What the gauge showed open to the room.
    struct Zero {
        std::int64_t atMs = 0; ///< since 1970-01-01 UTC
        GaugeReading reading;
        friend bool operator==(const Zero&, const Zero&) = default;
    };
    std::vector<Zero> zeros;                  ///< by time, the last two hundred
    std::optional<std::int64_t> calibratedMs; ///< of a gauge: when it was last compared with a better one
    /// How it is listened to.
    struct Way {
        std::string profile; ///< id of a profile; empty: it was never listened to
        std::string made; ///< the profile itself where it does not ship: JSON (docs/instrument-profiles.md)
        std::string endpoint; ///< where it was heard last: "serial:/dev/ttyUSB0"
        friend bool operator==(const Way&, const Way&) = default;
    };
    Way way;
};

/// The register as text, and back. BadInput names what is wrong.
[[nodiscard]] std::string writeKnown(const KnownInstrument& instrument);
[[nodiscard]] Result<KnownInstrument> readKnown(std::string_view text);

/// What two places know of one instrument: it is as the first has it, with the zeros of both, the later
/// comparison, and the second's way of listening where the first knows none.
[[nodiscard]] KnownInstrument merged(KnownInstrument known, const KnownInstrument& other);
/// Whether both are about the same instrument: by its name, a gauge as a gauge.
[[nodiscard]] bool isSame(const KnownInstrument& a, const KnownInstrument& b);

/// What a person should know of it before it is used: that its calibration is old or missing, that its zero
/// has jumped. Empty where nothing is.
[[nodiscard]] Text remarkOn(const KnownInstrument& instrument, std::int64_t nowMs);

/// A school's instruments, kept in the user's folder.
class InstrumentRegister {
public:
    explicit InstrumentRegister(std::filesystem::path folder) : m_files(std::move(folder)) {}
    struct Shelf {
        std::vector<KnownInstrument> instruments; ///< by their names
        std::vector<Text> troubles;
    };
    [[nodiscard]] Shelf shelf() const;
    /// Keeps it under its name, on disk before it returns; one of the same name is replaced.
    [[nodiscard]] Result<std::string> keep(const KnownInstrument& instrument) const;
    [[nodiscard]] Result<void> remove(const std::string& id) const { return m_files.remove(id); }
    /// Keeps how and where an instrument of this name is listened to; nothing where there is none.
    [[nodiscard]] Result<void> addWay(const std::string& name, const KnownInstrument::Way& way) const;
    /// Those of a rig, by their names, of which it is known how and where they are listened to: one for each
    /// place.
    [[nodiscard]] std::vector<KnownInstrument> heardOf(const Rig& rig) const;
    /// Adds a zero to the gauge of this name; nothing where there is none.
    [[nodiscard]] Result<void> addZero(const std::string& name, const KnownInstrument::Zero& zero) const;

private:
    /// Changes the instrument of a name that a test holds for; nothing where there is none.
    [[nodiscard]] Result<void> change(const std::function<bool(const KnownInstrument&)>& is,
                                      const std::function<void(KnownInstrument&)>& how) const;
    NamedFiles m_files;
};

/// Those of whoever uses this program.
[[nodiscard]] InstrumentRegister ownInstruments();

} // namespace uttrin
