#pragma once

#include "lesson/commands/LessonSession.h"
#include "substances/SubstanceLibrary.h"

#include <string>
#include <vector>

namespace uttrin {

/// One of the figures along the top: what it is, its number with unit, and a line under it. An empty number
/// shows as a dash.
struct StripFigure {
    std::string label, number, unit, under;
    bool missing = false; ///< a gap that costs data if it stays
};

/// The bench strip: room, gauge, liquid, boiling point here, margin.
struct StripView {
    StripFigure room, gauge, liquid, boils;
    StripFigure pressure;               ///< the absolute pressure in one number, for the back row
    std::optional<double> marginKelvin; ///< liquid less boiling point: below zero not boiling yet
    double marginU = 0.0;               ///< K
    bool boiling = false;               ///< as far as that can be told
    std::string marginText;             ///< "1.5 K to go", "boiling, 0.3 K above"
    std::string marginUnder;
};

/// The strip from the draft at the bench, or from the last captured reading where nothing is typed.
[[nodiscard]] StripView stripView(const LessonSession& session);

/// A station on the navigation column with its state in one or two short lines.
struct StationState {
    std::string line1, line2;
    bool done = false;
    bool missing = false; ///< something here must be given before the data mean anything
};

/// Order of the stations along the navigation column.
enum class Station { Room, Rig, Plan, Rehearse, Run, WorkUp, Report, Practise };
inline constexpr int kStations = 8;

[[nodiscard]] std::vector<StationState> navigationView(const LessonSession& session);

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

/// All that lies on the phase map.
/// A rehearsed path over the map.
struct MapPath {
    std::string name;
    std::vector<std::pair<double, double>> points; ///< K, Pa
    bool second = false;                           ///< the variant that is compared with
};

struct MapView {
    const Substance* substance = &water();  ///< whose phases are shown
    std::optional<Liquid> solution;         ///< what boils, where something is dissolved
    std::vector<const Substance*> overlays; ///< whose curves are laid over
    std::vector<MapTarget> targets;
    std::vector<MapPoint> points;
    std::vector<MapPath> paths;
    std::optional<double> roomPascal, pumpFloorPascal;
    std::optional<double> liveKelvin, livePascal; ///< what is typed now, or played
    bool liveBoils = true;                        ///< it is a liquid: its distance to boiling is shown
    bool liveQuiet = false;                       ///< it does not boil, wherever it stands
    std::optional<double> fitSlope, fitIntercept; ///< ln(p/Pa) against 1/T
    std::vector<std::string> groupNames;          ///< by MapPoint::group
    PressureInstrument gauge;                     ///< for the scale at the right edge
    double lowKelvin = 0.0, highKelvin = 0.0, lowPascal = 0.0,
           highPascal = 0.0; ///< frame of what matters now
};

/// Sources of the room's pressure that disagree, each pair as a sentence; the latest of each kind, the
/// group's own apart.
[[nodiscard]] std::vector<std::string> roomDisagreements(const LessonSession& session);

/// What the map is used for, and so what it frames.
enum class MapPurpose { Room, Plan, Run, WorkUp };
[[nodiscard]] MapView mapView(const LessonSession& session, MapPurpose purpose);

/// The working card of the Run station.
struct RunView {
    std::string heading;                     ///< "Target 6 of 11"
    std::string dial, unit;                  ///< what the instrument will show
    std::optional<GaugeReading> targetGauge; ///< the same, as numbers
    std::optional<double> targetTemperature; ///< as the thermometer will show it
    std::string instruction;                 ///< what to do now, in one sentence
    std::string next;                        ///< the target after this one
    std::string timeLeft;
    std::string picture; ///< how it looks when it boils as agreed
    struct Taken {
        RowId id = 0;
        int position = 0;
        std::string target, actual, temperature, deviation, marks;
        bool struck = false, inFit = true;
        bool hasPicture = false; ///< read from a picture that is in the notebook
        std::string struckReason;
    };
    std::vector<Taken> taken; ///< newest first
    std::string repeats;      ///< mean and spread of quick repeats at one target; empty without
    std::string drift;        ///< room drift or zero, a line; may be empty
    bool finished = false;
};
[[nodiscard]] RunView runView(const LessonSession& session);

/// The minute tape.
struct TapeView {
    struct Mark {
        double minute = 0.0;
        bool done = false, struck = false;
        std::string tip;
    };
    struct Block {
        double from = 0.0, to = 0.0;
        std::string label;
    };
    double period = 0.0;
    std::optional<double> now;
    std::string nowText;
    std::vector<Mark> marks;
    std::vector<Block> blocks;
};
[[nodiscard]] TapeView tapeView(const LessonSession& session);

/// Phrases that are stamped with the time at one press.
[[nodiscard]] const std::vector<std::string>& readyPhrases();

/// How the vigour numbers 1 to 5 are called.
[[nodiscard]] std::string_view vigourName(int vigour);

} // namespace uttrin
