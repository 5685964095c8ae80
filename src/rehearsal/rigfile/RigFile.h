#pragma once

#include "RigCard.h"
#include "RigReference.h"
#include "quantities/Units.h"
#include "rig/RigInstrument.h"
#include "rig/RigSimulation.h"

#include <nlohmann/json_fwd.hpp>

#include <memory>
#include <optional>
#include <string>
#include <string_view>
#include <utility>
#include <vector>

namespace uttrin {

/// What must be so before a step is done.
struct RigConfirmation {
    std::string says;
    std::string
        hazard; ///< what happens to whoever goes on without it; of what may not be left out, else empty
};

/// What the class is asked before a step: a number if it has a unit, else one of its choices, else yes or no.
struct RigQuestion {
    std::string asks;
    std::string unit; ///< "degC"
    std::vector<std::string> choices;
};

/// A step of a demonstration.
struct RigStep {
    enum Kind { Prepare, Do, Ask, Look, Measure, Vent, CloseDown, ClearAway } kind = Do;
    std::string says;
    std::vector<RigConfirmation> confirm;
    std::string see; ///< what is seen then; may be empty
    std::optional<RigQuestion> question;
    std::vector<int> makes; ///< the moves that are made with it, by their place in the procedure
    std::vector<std::pair<std::string, bool>>
        valves;           ///< links, pumps, heaters by their names, and whether they are open or on after it
    std::string measures; ///< the unit of what is measured with it, "g"; may be empty
    bool repeats = false; ///< for each point anew
};

/// What a demonstration is for and how it goes, for people.
struct RigStory {
    std::string aim, physics;
    std::vector<RigMaterial> materials;
    std::vector<RigStep> steps;
    std::vector<std::string> lookFor, mistakes, cautions;
    RigCard card;
};

/// How a vessel is drawn.
enum class VesselShape {
    RoundFlask,
    Jar,
    Bottle,
    BellJar,
    Dish,
    Bulb,
    Syringe,
    Kettle,
    Tube,
    Cup,
    Film,
    Pan,
    Bath,
    Balloon, ///< this and those below: what swells in another vessel
    Sweet,
    Foam
};

/// What a demonstration is there to tell beside the picture, moment by moment.
enum class RigRemark {
    CookingTime,   ///< of vegetables, by that at 100 degC
    SyrupStage,    ///< what a drop does in cold water
    PressureByIce, ///< from the thermometer alone, by the sublimation curve
    Sizes          ///< of what swells, by those at the start
};

/// A value of a rig file written anew: where (JSON pointer) and what ("450 g", "true").
struct RigSetting {
    std::string pointer, value;
    friend bool operator==(const RigSetting&, const RigSetting&) = default;
};

/// A value of a rig file that matters enough to be changed beside its picture; it may stand in several
/// places.
struct RigKnob {
    std::string name;
    std::vector<std::string> pointers; ///< at least one
    double low = 0.0, high = 0.0;      ///< SI
    const Unit* unit = nullptr;        ///< in which it is shown
    RigReference reference = RigReference::None;
};

/// The same rig with some values set otherwise.
struct RigVariant {
    std::string name;
    std::string says; ///< to people who choose it; may be empty
    std::vector<RigSetting> settings;
    RigStory story; ///< the file's, with what the variant says otherwise
    std::string onlyLookedAt =
        {}; ///< why it is no act of a lesson, but only rehearsed; empty if it may be one
};

/// A value that is not known better than this.
struct RigUncertainty {
    std::string name, pointer;
    Dimension dimension = Dimension::Fraction; ///< of the value
    double standard = 0.0;                     ///< SI, or a share of the value
    bool relative = false;
    double low = 0.0, high = 0.0; ///< SI, between which the value lies in any case; both 0: nobody says
    std::string source;           ///< of all that
};

/// What may have gone wrong with it.
struct RigFault {
    std::string name;                           ///< "shut late"
    std::string says;                           ///< how it comes about and what it does, for people
    std::vector<std::vector<RigSetting>> tries; ///< how far it may go: each is tried
};

/// What makes a demonstration a success.
struct RigGoal {
    enum Kind { None, BoilsBelow, Happens } kind = None;
    double kelvin = 0.0;                              ///< BoilsBelow
    RigEventKind event = RigEventKind::FrozenThrough; ///< Happens
    std::string says;                                 ///< Happens: "freezes through", for people
};

/// A rig, ready to go.
struct RigSetup {
    std::string substance;
    RigModel model;
    std::vector<RigMove> moves;
    std::vector<RigInstrument> instruments;
    std::vector<VesselShape> shapes;  ///< vessel by vessel
    std::vector<VesselMaking> making; ///< the same
    double seconds = 0.0, every = 0.0;
    int watched = 0;    ///< the vessel that the lesson is about
    int clockMove = -1; ///< the move at which people start their clock; -1 for the beginning
    RigGoal goal;
    std::vector<RigRemark> tells;
};

/// Where a rig file has the temperature of its room.
inline constexpr const char* kRoomTemperature = "/room/temperature";

/// A rig file (docs/rig-format.md): a demonstration as data, with its story, its knobs and its variants.
class RigFile {
public:
    /// Reads and checks a file whole, with each of its variants. A failure names the JSON path and what is
    /// accepted.
    [[nodiscard]] static Result<RigFile> parse(std::string_view text);

    [[nodiscard]] const std::string& name() const { return m_name; }
    /// Of a variant; of the rig as it is below 0 and above the last.
    [[nodiscard]] const RigStory& story(int variant = -1) const;
    /// Why it is only rehearsed and no act of a lesson; empty if it may be one. Of a variant, or of the rig
    /// as it is.
    [[nodiscard]] const std::string& onlyLookedAt(int variant = -1) const;
    [[nodiscard]] const std::vector<RigKnob>& knobs() const { return m_knobs; }
    [[nodiscard]] const std::vector<RigVariant>& variants() const { return m_variants; }
    [[nodiscard]] const std::vector<RigUncertainty>& uncertainties() const { return m_uncertainties; }
    [[nodiscard]] const std::vector<RigFault>& faults() const { return m_faults; }

    /// The room as a lesson knows it, as far as this file asks for it: what a rig is set in first.
    [[nodiscard]] std::vector<RigSetting> roomSettings(std::optional<double> pascal,
                                                       std::optional<double> celsius) const;
    /// The rig with some values set otherwise; later ones win.
    [[nodiscard]] Result<RigSetup> setup(const std::vector<RigSetting>& settings = {}) const;
    /// A value in SI, as the file and the settings have it, without what it counts from. REQUIRES: the
    /// pointer leads to a quantity.
    [[nodiscard]] double value(const std::string& pointer,
                               const std::vector<RigSetting>& settings = {}) const;
    /// A value set anew, in the unit of the file and counted from where the settings count it. REQUIRES: the
    /// pointer leads to a quantity.
    [[nodiscard]] RigSetting setting(const std::string& pointer, double si,
                                     const std::vector<RigSetting>& settings = {}) const;
    /// Whether a pointer leads to a text, or to true or false, that can be set.
    [[nodiscard]] bool sets(const std::string& pointer) const;
    /// The file with these values in it, to be saved as another.
    [[nodiscard]] std::string text(const std::vector<RigSetting>& settings, const std::string& name) const;

private:
    using Json = nlohmann::ordered_json;
    explicit RigFile(Json document);
    Result<void> readAround();
    [[nodiscard]] Json with(const std::vector<RigSetting>& settings) const;

    std::shared_ptr<const Json> m_document; ///< shared by copies: it never changes
    std::string m_name, m_onlyLookedAt;
    RigStory m_story;
    std::vector<RigKnob> m_knobs;
    std::vector<RigVariant> m_variants;
    std::vector<RigUncertainty> m_uncertainties;
    std::vector<RigFault> m_faults;
};

/// The substance of a rig file as a rig needs it, made once. BadInput if there is no such substance, or if it
/// cannot be put into a rig.
[[nodiscard]] Result<RigFluid> rigFluid(const std::string& substance);
/// What is dissolved in it, made once. BadInput for what is not known in that substance.
[[nodiscard]] Result<RigSolute> rigSolute(SoluteKind kind, const std::string& substance);

[[nodiscard]] std::string_view id(RigEventKind kind);
[[nodiscard]] Result<RigEventKind> rigEventFromId(std::string_view word);

} // namespace uttrin
