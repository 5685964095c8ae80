#pragma once

#include "RigFile.h"
#include "RigReference.h"
#include "json/JsonReader.h"

#include <optional>
#include <string>
#include <vector>

namespace uttrin {

/// Reads the vessels of a rig file with their walls, and whatever counts from what is in them.
class VesselReader {
public:
    /// @param setup  into which they are read. @param failure  where what is refused is noted.
    VesselReader(RigSetup& setup, const RigFluid& fluid, std::optional<Failure>& failure)
        : m_setup(setup), m_fluid(fluid), m_failure(failure) {}

    void read(JsonReader& r, const std::string& name);
    /// What swells has no glass; other glass that nothing else reaches stands in the room's air. REQUIRES:
    /// contacts and skins have been read.
    void finish();

    /// What references count from at a vessel.
    [[nodiscard]] ReferencePoints pointsAt(const Vessel& vessel) const;
    void kelvinAt(JsonReader& r, const char* key, double& into, const Vessel& vessel, double low,
                  double high);
    void pascalAt(JsonReader& r, const char* key, double& into, const Vessel& vessel, double low,
                  double high);
    /// Of what is in a vessel.
    void temperature(JsonReader& r, const char* key, double& into, const Vessel& vessel);
    /// What a contact or a heater touches: the contents, the wall, or a wall by its name.
    void readTouched(JsonReader& r, int vessel, TouchedPart& part, int& wall);

private:
    void kelvins(JsonReader& r, const char* key, double& into);
    void readHeadspace(JsonReader& r, Vessel& vessel);
    void readWalls(JsonReader& r, VesselShape shape, Vessel& vessel);
    void readGivesWay(JsonReader& r, Vessel& vessel);

    RigSetup& m_setup;
    const RigFluid m_fluid;
    std::optional<Failure>& m_failure;
    std::vector<bool> m_ownWalls; ///< vessel by vessel: whether its file says what its wall is
};

} // namespace uttrin
