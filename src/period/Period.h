#pragma once

#include <optional>
#include <span>
#include <vector>

namespace uttrin {

/// What a room has only one or a few of, so that two acts may want it at once.
enum class Resource { Pump, Heater, TeachersHands, Hood };

/// That an act takes one of a resource, s from its own start.
struct Occupation {
    Resource what = Resource::Pump;
    double from = 0.0, to = 0.0; ///< from < to
    friend bool operator==(const Occupation&, const Occupation&) = default;
};

/// An act as far as the clock is concerned. Times are seconds from the bell, negative before it.
struct TimedAct {
    double starts = 0.0, lasts = 0.0;
    double shown =
        0.0; ///< s from its start at which it wants the class: before that it may be before the bell
    bool fixed = false; ///< it goes on or is over: nothing moves it any more
    std::vector<Occupation> takes;
    /// Ice that is laid on, at a time from its start.
    struct Ice {
        double at = 0.0, kg = 0.0;
        friend bool operator==(const Ice&, const Ice&) = default;
    };
    std::vector<Ice> ice = {};

    [[nodiscard]] double ends() const { return starts + lasts; }
};

/// The room and the time that acts share.
struct Period {
    double lasts = 55.0 * 60.0;      ///< s, from bell to bell
    double earliest = -180.0 * 60.0; ///< s; nobody is there before
    int pumps = 1, heaters = 2;      ///< that the room has
    std::optional<double> iceKg;     ///< that there is; nothing: nobody has said so
    [[nodiscard]] int has(Resource what) const;
};

/// Why acts cannot be as they are.
struct Conflict {
    enum Kind {
        Wanted,      ///< more of `what` than there is
        AfterBell,   ///< an act ends after the period
        BeforeClass, ///< an act wants the class before the bell
        TooEarly,    ///< an act starts before anybody is there
        IceRunsOut   ///< from then on there is too little for the acts that lay it on
    } kind = Wanted;
    Resource what = Resource::Pump; ///< of Wanted
    std::vector<std::size_t> acts;  ///< by their places, ascending; one but for Wanted
    double from = 0.0, to = 0.0;    ///< s of the period
};

/// What cannot be, in the order of time; of acts that are fixed only what they take counts.
[[nodiscard]] std::vector<Conflict> conflictsOf(const Period& period, std::span<const TimedAct> acts);

} // namespace uttrin
