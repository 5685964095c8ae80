#pragma once

#include "SpokenControls.h"

#include <vector>

namespace uttrin::app {

/// A drawn widget: its role, its value, and its parts as children.
class SpokenDrawing : public SpokenSetting {
public:
    /// @param widget  REQUIRES: is a Spoken too.
    explicit SpokenDrawing(QWidget* widget);
    ~SpokenDrawing() override;
    SpokenDrawing(const SpokenDrawing&) = delete;
    SpokenDrawing& operator=(const SpokenDrawing&) = delete;
    [[nodiscard]] QAccessible::Role role() const override;
    [[nodiscard]] QString text(QAccessible::Text kind) const override;
    [[nodiscard]] int childCount() const override;
    [[nodiscard]] QAccessibleInterface* child(int index) const override;
    [[nodiscard]] int indexOfChild(const QAccessibleInterface* child) const override;
    void setCurrentValue(const QVariant& value) override;

protected:
    [[nodiscard]] std::optional<Spoken::Setting> setting() const override;

private:
    [[nodiscard]] Spoken* spoken() const; ///< none while the widget is being taken apart
    mutable std::vector<QAccessible::Id> m_parts;
};

} // namespace uttrin::app
