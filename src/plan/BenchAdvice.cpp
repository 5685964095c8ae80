#include "RunSheet.h"

#include <cctype>

namespace uttrin {
namespace {

/// What this substance adds to the dangers of any boiling at reduced pressure.
void addHazards(const Substance& liquid, Method method, std::vector<Caution>& out) {
    const Text& name = liquid.facts().name;
    const Text capital = Text::capitalised(name); // at the beginning of a sentence
    const auto add = [&](const char* id, const Text& text) { out.push_back({id, text}); };
    if (liquid.hasHazard("flammable"))
        add("flammable",
            method == Method::HoldPressure
                ? Text::tr(
                      "The vapour of {} burns and creeps along benches; a pump can light it. No flame, no "
                      "glowing or sparking thing in the room, heat by a warm-water bath only, never by a "
                      "mantle; trap the vapour before the pump, lead the exhaust outdoors.",
                      name)
                : Text::tr(
                      "The vapour of {} burns and creeps along benches; a pump can light it. No flame, no "
                      "glowing or sparking thing in the room; trap the vapour before the pump, lead the "
                      "exhaust outdoors.",
                      name));
    if (liquid.hasHazard("toxic"))
        add("toxic",
            Text::tr("{} is poisonous to breathe, to swallow and on the skin: work in a fume cupboard, with "
                     "gloves that withstand it.",
                     capital));
    if (liquid.hasHazard("narcotic"))
        add("narcotic",
            Text::tr(
                "The vapour of {} makes people drowsy before it is noticed: fume cupboard, small amounts.",
                name));
    if (liquid.hasHazard("cold"))
        add("cold",
            Text::tr("{} is cold enough to freeze skin and to crack ordinary glass: insulating gloves, face "
                     "shield, vessels made for it.",
                     capital));
    if (liquid.hasHazard("asphyxiant"))
        add("asphyxiant",
            Text::tr("{} that boils away takes the place of air: a large, aired room, never a cold "
                     "store or a lift.",
                     capital));
    if (liquid.hasHazard("pressure"))
        add("pressure", Text::tr("{} in anything closed bursts it when it warms up: every vessel stays "
                                 "open or has a relief valve.",
                                 capital));
}

/// What heats the liquid; a flammable one is never heated otherwise than by warm water.
Text heatSourceFor(const Plan& plan) {
    if (substanceOf(plan).hasHazard("flammable") || plan.rig.heat == HeatSource::WaterBath)
        return Text::tr("warm-water bath, filled from the tap or a kettle elsewhere");
    return plan.rig.heat == HeatSource::HotPlate
               ? Text::tr("hot plate with a regulator; it stays hot when it is off")
               : Text::tr("heating mantle with a regulator");
}

} // namespace

std::vector<Text> thingsFor(const Plan& plan) {
    std::vector<Text> out;
    const bool heat = plan.method == Method::HoldPressure;
    out.emplace_back(heat ? Text::tr("round-bottomed flask rated for vacuum, on a stand")
                          : Text::tr("vacuum-rated jar or bell jar with its plate"));
    if (heat) out.push_back(heatSourceFor(plan));
    if (heat) out.emplace_back(Text::tr("reflux condenser with cooling water"));
    if (!heat) out.emplace_back(Text::tr("hot water, ice water and a jug, to set the water’s temperature"));
    out.emplace_back(
        plan.rig.pump == PumpKind::Hand
            ? Text::tr("hand pump with its valve, hose and a bleed valve")
            : Text::tr("pump behind a ballast bottle, with a stopcock to close it off and a bleed valve"));
    out.emplace_back(hasTwoArms(plan.rig.gauge.convention)
                         ? Text::tr("U-tube with its ruler, both arms readable")
                         : Text::data(plan.rig.gauge.name));
    out.push_back(Text::data(plan.rig.thermometer.name));
    if (plan.rig.aid == NucleationAid::Chips)
        out.emplace_back(Text::tr("boiling chips, fresh ones for each run"));
    if (plan.rig.aid == NucleationAid::Stirrer) out.emplace_back(Text::tr("magnetic stirrer with its bar"));
    const Substance& liquid = substanceOf(plan);
    if (liquid.facts().id == "water")
        out.emplace_back(Text::tr("de-aired (boiled and cooled) water"));
    else
        out.push_back(Text::tr("{} in its labelled bottle, no more on the bench than {} L",
                               liquid.facts().name, plan.rig.liquidLitre));
    if (plan.solute.kind != SoluteKind::None)
        out.push_back(Text::tr("{}, made up and labelled; a balance to weigh it", liquidOf(plan).name()));
    if (liquid.hasHazard("flammable") || liquid.hasHazard("toxic") || liquid.hasHazard("narcotic"))
        out.emplace_back(
            Text::tr("fume cupboard, or a cold trap before the pump and its exhaust led outdoors"));
    if (liquid.hasHazard("cold")) out.emplace_back(Text::tr("insulating gloves and a face shield"));
    out.emplace_back(Text::tr("safety screen"));
    out.emplace_back(Text::tr("insulating gloves, a pair"));
    return out;
}

std::vector<Text> materialsFor(const Plan& plan) {
    std::vector<Text> out = thingsFor(plan);
    out.emplace_back(Text::tr("eye protection, for everybody"));
    return out;
}

std::vector<Caution> cautionsFor(const Plan& plan, std::optional<RoomMethod> room) {
    std::vector<Caution> out;
    out.push_back(
        {"implosion",
         Text::tr("Glass under vacuum can implode. Use only vessels that their maker rates for vacuum, "
                  "look for scratches and stars first, put up the shield, wear goggles.")});
    if (plan.method == Method::HoldPressure) {
        out.push_back({"closed-heating", Text::tr("Never warm a closed flask: the pump draws against the "
                                                  "open bleed valve as long as the heat is on, "
                                                  "and the heat is off before the pump is shut off. A "
                                                  "ballast bottle lets nothing out. Cooling water "
                                                  "runs first and last.")});
        out.push_back({"flashing",
                       Text::tr("Going back to a lower pressure with hot liquid makes it flash over: let it "
                                "cool first.")});
        out.push_back(
            {"scald", Text::tr("Boiling water scalds, and so does the steam let out when a flask is opened. "
                               "Let it cool, bleed to the room’s pressure first.")});
    } else {
        out.push_back(
            {"scald", Text::tr("Hot water up to boiling is carried and poured: use a jug with a handle, "
                               "gloves, and keep the way clear.")});
    }
    out.push_back(
        {"pump-vapour",
         Text::tr(
             "Vapour goes through the pump: follow its maker, keep a trap before it. A pump that stops with "
             "its valve open sucks its oil or water back; keep its electric parts away from water.")});
    addHazards(substanceOf(plan), plan.method, out);
    if (plan.substance == "diethyl-ether")
        out.push_back(
            {"peroxides",
             Text::tr("Old ether holds peroxides that explode when it boils away: test it, never boil "
                      "it to dryness.")});
    if (plan.substance == "water")
        out.push_back(
            {"microwave",
             Text::tr("Water from a microwave oven can be superheated and erupt when it is moved or "
                      "chips fall in: heat it otherwise.")});
    if (plan.rig.aid == NucleationAid::None)
        out.push_back(
            {"bumping", Text::tr("Nothing in the liquid starts bubbles: it may superheat and bump. Add "
                                 "boiling chips before heating, never to hot liquid.")});
    const bool inTube =
        hasTwoArms(plan.rig.gauge.convention) && plan.rig.gauge.liquid == ManometerLiquid::Mercury;
    const bool inThermometer = plan.rig.thermometer.kind == ThermometerKind::Mercury;
    if (inTube)
        out.push_back(
            {"mercury", Text::tr("Mercury vapour is poisonous. Keep the U-tube over a tray, change pressure "
                                 "slowly, have the spill kit and the local rules at hand.")});
    else if (inThermometer || room == RoomMethod::MercuryBarometer)
        out.push_back(
            {"mercury",
             Text::tr("Mercury vapour is poisonous: thermometers and barometers with mercury break; have "
                      "the spill kit and the local rules at hand, and prefer one without.")});
    out.push_back(
        {"who",
         Text::tr("Who may do it: the teacher behind a shield, pupils under the teacher’s eyes where local "
                  "rules allow; poisonous, strongly flammable and very cold liquids by the teacher only.")});
    out.push_back(
        {"rules",
         Text::tr("Local rules, the vessel maker’s rating and qualified staff come before this sheet.")});
    return out;
}

} // namespace uttrin
