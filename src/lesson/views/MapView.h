#pragma once

#include "lesson/commands/LessonSession.h"
#include "substances/SubstanceLibrary.h"
#include "text/Text.h"

#include <optional>
#include <string>
#include <utility>
#include <vector>

namespace uttrin {

/// A target or captured point on the phase map and on the tape.
struct MapTarget {
    int place = 0, order = 0;
    double kelvin = 0.0, pascal = 0.0;
    bool trial = false, possible = true, current = false, taken = false;
};
struct MapPoint {
    RowId readingId = 0;
    double kelvin = 0.0, pascal = 0.0, kelvinU = 0.0, pascalU = 0.0;
    bool struck = false, inFit = true;
    int group = 0; ///< index of the group, for shape and colour
    bool currentRun = true;
};

/// A rehearsed path over the map.
struct MapPath {
    Text name;
    std::vector<std::pair<double, double>> points; ///< K, Pa
    bool second = false;                           ///< the variant that is compared with
};

/// All that lies on the phase map.
struct MapView {
    const Substance* substance = &water();  ///< whose phases are shown
    std::optional<Liquid> solution;         ///< what boils, where something is dissolved
    std::vector<const Substance*> overlays; ///< whose curves are laid over
    std::vector<MapTarget> targets;
    std::vector<MapPoint> points;
    std::vector<MapPath> paths;
    std::optional<double> roomPascal, pumpFloorPascal;
    std::optional<double> icePascal;              ///< that the vapour over ice at the thermometer cannot pass
    std::optional<double> liveKelvin, livePascal; ///< what is typed now, or played
    bool liveBoils = true;                        ///< it is a liquid: its distance to boiling is shown
    bool liveQuiet = false;                       ///< it does not boil, wherever it stands
    std::optional<double> fitSlope, fitIntercept; ///< ln(p/Pa) against 1/T
    std::vector<std::string> groupNames;          ///< by MapPoint::group
    PressureInstrument gauge;                     ///< for the scale at the right edge
    double lowKelvin = 0.0, highKelvin = 0.0, lowPascal = 0.0,
           highPascal = 0.0; ///< frame of what matters now
};

/// What the map is used for, and so what it frames.
enum class MapPurpose { Room, Plan, Run, WorkUp };
[[nodiscard]] MapView mapView(const LessonSession& session, MapPurpose purpose);

} // namespace uttrin
