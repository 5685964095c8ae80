#include "RigFileMoves.h"

#include <nlohmann/json.hpp>

namespace uttrin {
namespace {

using Json = nlohmann::ordered_json;

/// Reads the moves of a rig one after the other.
class MovesReader {
public:
    using PointsAt = std::function<ReferencePoints(int vessel)>;
    MovesReader(JsonReader& root, RigSetup& setup, const RigNames& names, const PointsAt& pointsAt,
                std::optional<Failure>& failure)
        : m_root(root), m_setup(setup), m_names(names), m_pointsAt(pointsAt), m_failure(failure) {}

    void read() {
        const Json* list = m_root.at("moves");
        if (!list) return;
        constexpr std::size_t kMost = 100;
        if (!list->is_array() || list->size() > kMost)
            return m_root.refuse("moves", Text::tr("a list of at most 100 moves"));
        for (std::size_t i = 0; i < list->size() && !m_failure; ++i) {
            JsonReader r((*list)[i], "/moves/" + std::to_string(i), m_failure);
            m_setup.moves.push_back(readMove(r));
            r.onlyKnown();
        }
    }

private:
    RigMove readMove(JsonReader& r) {
        RigMove move;
        r.string("says", move.says);
        if (r.has("at")) {
            move.when.kind = RigTrigger::AtTime;
            r.measure("at", move.when.value, Dimension::Time, 0.0, kLongestRehearsal);
        } else if (r.has("after")) {
            move.when.kind = RigTrigger::After;
            r.measure("after", move.when.value, Dimension::Time, 0.0, kLongestRehearsal);
        } else if (r.has("when")) {
            JsonReader when = r.child("when");
            readCondition(when, move.when);
            when.onlyKnown();
        } else
            r.refuse("", Text::tr("'at', 'after' or 'when', so that it is known when the move is due"));
        double over = 0.0;
        r.measure("over", over, Dimension::Time, 0.0, kLongestRehearsal);
        readActions(r, over, move.actions);
        if (move.actions.empty() && !m_failure)
            r.refuse(
                "",
                Text::tr("what is moved: open, pump, touch, ice, bath, heat, fan, volume, let_go, ballast, "
                         "stir_in or room_pressure"));
        return move;
    }

    void readCondition(JsonReader& r, RigTrigger& t) {
        t.vessel = m_names.vessel(r);
        r.measure("delay", t.delay, Dimension::Time, 0.0, kLongestRehearsal);
        int given = 0;
        const auto condition = [&](const char* key, RigTrigger::Kind kind, auto referred) {
            if (!r.has(key)) return;
            ++given;
            t.kind = kind;
            r.parsed(key, t.value,
                     [&](std::string_view word) { return referred(word, m_pointsAt(t.vessel), 0.0, 1e8); });
        };
        condition("warmer_than", RigTrigger::WarmerThan, referredKelvin);
        condition("cooler_than", RigTrigger::CoolerThan, referredKelvin);
        condition("above", RigTrigger::PressureOver, referredPascal);
        condition("below", RigTrigger::PressureUnder, referredPascal);
        if (r.has("event")) {
            ++given;
            t.kind = RigTrigger::OnEvent;
            r.parsed("event", t.event, rigEventFromId);
        }
        if (given != 1) r.refuse("", Text::tr("one of warmer_than, cooler_than, above, below, event"));
    }

    /// An object of part names and values under a key.
    template <typename Value>
    void actions(JsonReader& r, const char* key, RigPart::Kind kind, RigAction::What what, double over,
                 std::vector<RigAction>& into, Value value) {
        const Json* object = r.at(key);
        if (!object) return;
        if (!object->is_object())
            return r.refuse(key, Text::tr("an object of part names and what becomes of them"));
        JsonReader inner(*object, r.pointer(key), m_failure);
        for (const auto& item : object->items()) {
            if (m_failure) return;
            RigAction a{what, m_names.part(inner, item.key().c_str(), item.key(), kind), 0.0, over};
            value(inner, item.key().c_str(), a.value);
            into.push_back(a);
        }
    }

    void readActions(JsonReader& r, double over, std::vector<RigAction>& into) {
        const auto onOff = [](JsonReader& in, const char* key, double& value) {
            bool on = false;
            in.flag(key, on);
            value = on ? 1.0 : 0.0;
        };
        const auto quantity = [](Dimension d, double low, double high) {
            return
                [=](JsonReader& in, const char* key, double& value) { in.measure(key, value, d, low, high); };
        };
        actions(r, "open", RigPart::Link, RigAction::Open, over, into,
                quantity(Dimension::Fraction, 0.0, 1.0));
        actions(r, "pump", RigPart::Pump, RigAction::RunPump, over, into, onOff);
        actions(r, "ballast", RigPart::Pump, RigAction::Ballast, over, into,
                quantity(Dimension::Fraction, 0.0, 1.0));
        actions(r, "touch", RigPart::Contact, RigAction::Touch, over, into, onOff);
        actions(r, "ice", RigPart::Contact, RigAction::Ice, over, into,
                quantity(Dimension::Mass, 0.0, 100.0));
        actions(r, "bath", RigPart::Contact, RigAction::BathKelvin, over, into,
                [this](JsonReader& in, const char* key, double& value) {
                    in.parsed(key, value, [&](std::string_view word) {
                        return referredKelvin(word, m_pointsAt(0), 50.0, 1000.0);
                    });
                });
        actions(r, "heat", RigPart::Heater, RigAction::Heat, over, into,
                quantity(Dimension::Power, 0.0, 1e5));
        actions(r, "fan", RigPart::Draught, RigAction::Fan, over, into, onOff);
        actions(r, "volume", RigPart::Vessel, RigAction::Volume, over, into,
                quantity(Dimension::Volume, 1e-9, 10.0));
        actions(r, "let_go", RigPart::Vessel, RigAction::LetGo, over, into, onOff);
        if (r.has("stir_in") && !m_setup.model.solute)
            r.refuse("stir_in", Text::tr("a file that names its 'solute'"));
        actions(r, "stir_in", RigPart::Vessel, RigAction::StirIn, over, into,
                quantity(Dimension::Mass, 0.0, 100.0));
        if (r.has("room_pressure")) {
            RigAction a{RigAction::RoomPressure, 0, 0.0, over};
            r.parsed("room_pressure", a.value,
                     [&](std::string_view word) { return referredPascal(word, m_pointsAt(0), 1e3, 2e5); });
            into.push_back(a);
        }
    }

    JsonReader& m_root;
    RigSetup& m_setup;
    const RigNames& m_names;
    const PointsAt& m_pointsAt;
    std::optional<Failure>& m_failure;
};

} // namespace

void readRigMoves(JsonReader& root, RigSetup& setup, const RigNames& names,
                  const std::function<ReferencePoints(int)>& pointsAt, std::optional<Failure>& failure) {
    MovesReader(root, setup, names, pointsAt, failure).read();
}

} // namespace uttrin
