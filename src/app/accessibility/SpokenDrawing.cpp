#include "SpokenDrawing.h"

#include <QPointer>

namespace uttrin::app {
namespace {

/// The n-th part of a drawn widget, as it is now.
class SpokenPart : public QAccessibleInterface {
public:
    SpokenPart(QWidget* widget, std::size_t index) : m_widget(widget), m_index(index) {}

    [[nodiscard]] bool isValid() const override { return m_widget && part().has_value(); }
    [[nodiscard]] QObject* object() const override { return nullptr; }
    [[nodiscard]] QWindow* window() const override {
        return m_widget ? m_widget->window()->windowHandle() : nullptr;
    }
    [[nodiscard]] QAccessibleInterface* parent() const override {
        return m_widget ? QAccessible::queryAccessibleInterface(m_widget) : nullptr;
    }
    [[nodiscard]] QAccessibleInterface* child(int) const override { return nullptr; }
    [[nodiscard]] QAccessibleInterface* childAt(int, int) const override { return nullptr; }
    [[nodiscard]] int childCount() const override { return 0; }
    [[nodiscard]] int indexOfChild(const QAccessibleInterface*) const override { return -1; }
    [[nodiscard]] QAccessible::Role role() const override { return QAccessible::ListItem; }
    [[nodiscard]] QRect rect() const override {
        const auto now = part();
        return now ? QRect(m_widget->mapToGlobal(now->place.topLeft()), now->place.size()) : QRect();
    }
    [[nodiscard]] QAccessible::State state() const override {
        QAccessible::State state;
        const auto now = part();
        state.invisible = !now || !m_widget->isVisible();
        state.selectable = true;
        state.selected = now && now->chosen;
        return state;
    }
    [[nodiscard]] QString text(QAccessible::Text kind) const override {
        const auto now = part();
        return now && kind == QAccessible::Name ? now->name : QString();
    }
    void setText(QAccessible::Text, const QString&) override {}
    [[nodiscard]] std::size_t index() const { return m_index; }

private:
    [[nodiscard]] std::optional<Spoken::Part> part() const {
        const auto* spoken = dynamic_cast<const Spoken*>(m_widget.data());
        if (!spoken) return std::nullopt;
        auto all = spoken->spokenParts();
        return m_index < all.size() ? std::optional(std::move(all[m_index])) : std::nullopt;
    }
    QPointer<QWidget> m_widget;
    std::size_t m_index;
};

} // namespace

SpokenDrawing::SpokenDrawing(QWidget* widget) : SpokenSetting(widget, QAccessible::Graphic) {}

SpokenDrawing::~SpokenDrawing() {
    for (const QAccessible::Id id : m_parts)
        QAccessible::deleteAccessibleInterface(id);
}

Spoken* SpokenDrawing::spoken() const { return dynamic_cast<Spoken*>(object()); }

QAccessible::Role SpokenDrawing::role() const {
    return spoken() ? spoken()->spokenRole() : QAccessible::Graphic;
}

QString SpokenDrawing::text(QAccessible::Text kind) const {
    return kind == QAccessible::Value && spoken() ? spoken()->spokenValue() : QAccessibleWidget::text(kind);
}

int SpokenDrawing::childCount() const {
    return QAccessibleWidget::childCount() +
           (spoken() ? static_cast<int>(spoken()->spokenParts().size()) : 0);
}

QAccessibleInterface* SpokenDrawing::child(int index) const {
    const int widgets = QAccessibleWidget::childCount();
    if (index < 0 || index >= childCount()) return nullptr;
    if (index < widgets) return QAccessibleWidget::child(index);
    const auto part = static_cast<std::size_t>(index - widgets);
    while (m_parts.size() <= part)
        m_parts.push_back(QAccessible::registerAccessibleInterface(new SpokenPart(widget(), m_parts.size())));
    return QAccessible::accessibleInterface(m_parts[part]);
}

int SpokenDrawing::indexOfChild(const QAccessibleInterface* child) const {
    if (const auto* part = dynamic_cast<const SpokenPart*>(child))
        return QAccessibleWidget::childCount() + static_cast<int>(part->index());
    return QAccessibleWidget::indexOfChild(child);
}

std::optional<Spoken::Setting> SpokenDrawing::setting() const {
    return spoken() ? spoken()->spokenSetting() : std::nullopt;
}

void SpokenDrawing::setCurrentValue(const QVariant& value) {
    if (spoken()) spoken()->setSpoken(value.toDouble());
}

} // namespace uttrin::app
