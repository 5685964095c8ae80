#pragma once

#include "RigFile.h"

#include <string>
#include <string_view>
#include <utility>

/// The words of a rig file and what they mean.
namespace uttrin {

/// A part of a rig by the name that its file gives it.
struct RigPart {
    enum Kind { Vessel, Link, Pump, Contact, Heater, Draught, Dish, LiquidTube, Skin } kind = Vessel;
    int index = 0;
};

inline constexpr std::pair<RigStep::Kind, std::string_view> kStepKinds[] = {
    {RigStep::Prepare, "prepare"},
    {RigStep::Do, "do"},
    {RigStep::Ask, "ask"},
    {RigStep::Look, "look"},
    {RigStep::Measure, "measure"},
    {RigStep::Vent, "vent"},
    {RigStep::CloseDown, "close-down"},
    {RigStep::ClearAway, "clear-away"}};
inline constexpr std::pair<VesselMaking, std::string_view> kMakings[] = {
    {VesselMaking::Vacuum, "vacuum"},
    {VesselMaking::Laboratory, "laboratory"},
    {VesselMaking::Household, "household"}};
inline constexpr std::pair<RigNeed, std::string_view> kNeeds[] = {
    {RigNeed::Sink, "sink"}, {RigNeed::CoolingWater, "cooling-water"},
    {RigNeed::Hood, "hood"}, {RigNeed::Power, "power"},
    {RigNeed::Dark, "dark"}, {RigNeed::OpenWindow, "open-window"}};
inline constexpr std::pair<RigDoer, std::string_view> kDoers[] = {{RigDoer::Teacher, "teacher"},
                                                                  {RigDoer::Pupils, "pupils"}};

inline constexpr std::pair<VesselShape, std::string_view> kShapes[] = {
    {VesselShape::RoundFlask, "round-flask"},
    {VesselShape::Jar, "jar"},
    {VesselShape::Bottle, "bottle"},
    {VesselShape::BellJar, "bell-jar"},
    {VesselShape::Dish, "dish"},
    {VesselShape::Bulb, "bulb"},
    {VesselShape::Syringe, "syringe"},
    {VesselShape::Kettle, "kettle"},
    {VesselShape::Tube, "tube"},
    {VesselShape::Cup, "cup"},
    {VesselShape::Film, "film"},
    {VesselShape::Pan, "pan"},
    {VesselShape::Bath, "bath"},
    {VesselShape::Balloon, "balloon"},
    {VesselShape::Sweet, "sweet"},
    {VesselShape::Foam, "foam"}};
inline constexpr std::pair<RigRemark, std::string_view> kRemarks[] = {
    {RigRemark::CookingTime, "cooking-time"},
    {RigRemark::SyrupStage, "syrup-stage"},
    {RigRemark::PressureByIce, "pressure-by-ice"},
    {RigRemark::Sizes, "sizes"}};
inline constexpr std::pair<RigEventKind, std::string_view> kEvents[] = {
    {RigEventKind::BoilingStarts, "boiling-starts"},
    {RigEventKind::BoilingStops, "boiling-stops"},
    {RigEventKind::IceAppears, "ice-appears"},
    {RigEventKind::FrozenThrough, "frozen-through"},
    {RigEventKind::Melted, "melted"},
    {RigEventKind::Dry, "dry"},
    {RigEventKind::AboveRoom, "above-room"},
    {RigEventKind::IceGone, "ice-gone"},
    {RigEventKind::GaveWay, "gave-way"},
    {RigEventKind::Moved, "moved"}};
inline constexpr std::pair<RigInstrument::Kind, std::string_view> kInstruments[] = {
    {RigInstrument::Gauge, "gauge"},
    {RigInstrument::Thermometer, "thermometer"},
    {RigInstrument::Infrared, "infrared"}};
/// What encloses a vessel.
enum class WallKind { Glass, None };
inline constexpr std::pair<WallKind, std::string_view> kWalls[] = {{WallKind::Glass, "glass"},
                                                                   {WallKind::None, "none"}};
inline constexpr std::pair<TouchedPart, std::string_view> kTouched[] = {{TouchedPart::Contents, "contents"},
                                                                        {TouchedPart::Wall, "wall"}};
inline constexpr std::pair<RigPart::Kind, Phrase> kPartNames[] = {
    {RigPart::Vessel, Text::phrase("vessel")},    {RigPart::Link, Text::phrase("link")},
    {RigPart::Pump, Text::phrase("pump")},        {RigPart::Contact, Text::phrase("contact")},
    {RigPart::Heater, Text::phrase("heater")},    {RigPart::Draught, Text::phrase("draught")},
    {RigPart::Dish, Text::phrase("drying dish")}, {RigPart::LiquidTube, Text::phrase("liquid tube")},
    {RigPart::Skin, Text::phrase("skin")}};
inline constexpr std::pair<SkinLaw, std::string_view> kSkinLaws[] = {
    {SkinLaw::Sheet, "sheet"}, {SkinLaw::Cells, "cells"}, {SkinLaw::Plunger, "plunger"}};

/// What a story may say in braces with a figure of the rig as it is played.
inline constexpr std::string_view kStoryFigures[] = {
    "air_over",        "below_sea", "boiling",    "dry_after",      "fall_per_km",       "highest",
    "ice_per_kelvin",  "liquid",    "lost",       "lowest_boiling", "metres_per_kelvin", "push",
    "rise_per_kelvin", "room",      "saturation", "start",          "times_room",        "valve_boiling"};

template <typename E, std::size_t N>
Result<E> fromWord(const std::pair<E, std::string_view> (&words)[N], std::string_view word) {
    for (const auto& [value, name] : words)
        if (name == word) return value;
    return fail(Failure::BadInput,
                Text::tr("'{}' is not known; accepted: {}", word,
                         Text::list(words, [](const auto& entry) { return entry.second; })));
}

} // namespace uttrin
