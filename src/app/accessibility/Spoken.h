#pragma once

#include <QAccessible>
#include <QRect>
#include <QString>

#include <optional>
#include <utility>
#include <vector>

class QWidget;

namespace uttrin::app {

/// What a drawn widget says to those who do not see it. Its name is the widget's accessible name; what is
/// here is its value, as it is shown: rounded, with its unit.
class Spoken {
public:
    /// Something on it that stands for itself: a target, a point, an event.
    struct Part {
        QString name;
        QRect place; ///< px, in the widget
        bool chosen = false;
    };
    /// A number that can be set: between these ends, in such steps.
    struct Setting {
        double value = 0.0, low = 0.0, high = 0.0, step = 0.0;
    };

    Spoken() = default;
    Spoken(const Spoken&) = delete;
    Spoken& operator=(const Spoken&) = delete;
    virtual ~Spoken() = default;
    [[nodiscard]] virtual QAccessible::Role spokenRole() const = 0;
    [[nodiscard]] virtual QString spokenValue() const = 0;
    [[nodiscard]] virtual std::vector<Part> spokenParts() const { return {}; }
    [[nodiscard]] virtual std::optional<Setting> spokenSetting() const { return std::nullopt; }
    virtual void setSpoken(double) {}
};

/// Tells listeners that a drawn widget says something else now; at most once a second for each.
void spokenChanged(QWidget* widget);

/// Gives a label whose text changes many times a second the name that is spoken: at most one a second, and
/// the last one always. REQUIRES: called for each change, so that none is told by the label itself.
void spokenNamed(QWidget* label, const QString& name);

/// Makes every control say what it is: exclusive choices radio buttons, lists their label, sliders their
/// value with its unit, drawn widgets what they show. What a screen reader presses is pressed as by the
/// mouse.
void speakControls();

} // namespace uttrin::app
