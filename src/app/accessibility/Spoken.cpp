#include "Spoken.h"

#include "SpokenControls.h"
#include "SpokenDrawing.h"
#include "app/controls/FieldEdit.h"
#include "app/controls/Labels.h"

#include <QAbstractButton>
#include <QComboBox>
#include <QElapsedTimer>
#include <QPointer>
#include <QSlider>
#include <QTimer>

#include <functional>
#include <utility>

namespace uttrin::app {
namespace {

QAccessibleInterface* interfaceOf(const QString&, QObject* object) {
    auto* widget = qobject_cast<QWidget*>(object);
    if (!widget) return nullptr;
    if (dynamic_cast<Spoken*>(object)) return new SpokenDrawing(widget);
    if (auto* button = qobject_cast<QAbstractButton*>(widget)) return new SpokenButton(button);
    if (auto* list = qobject_cast<QComboBox*>(widget)) return new SpokenList(list);
    if (auto* field = qobject_cast<FieldEdit*>(widget)) return new SpokenField(field);
    if (auto* slider = qobject_cast<QSlider*>(widget)) return new SpokenSlider(slider);
    if (const auto role = spokenRoleOf(*widget)) return new QAccessibleWidget(widget, *role);
    return nullptr;
}

/// Tells something of a widget, but waits until a second has gone by since the last time.
class Pause : public QObject {
public:
    Pause(QWidget* widget, std::function<void()> what) : QObject(widget), m_tell(std::move(what)) {
        m_timer.setSingleShot(true);
        m_timer.setTimerType(Qt::PreciseTimer); // a coarse one may come a twentieth too early
        connect(&m_timer, &QTimer::timeout, this, [this] { tell(); });
    }
    void changed() {
        if (m_timer.isActive()) return; // it will be told
        if (m_last.isValid() && m_last.elapsed() < kLeast)
            m_timer.start(static_cast<int>(kLeast - m_last.elapsed()));
        else
            tell();
    }
    /// The widget's, made when it is first asked for.
    static Pause& of(QWidget* widget, const std::function<void()>& what) {
        constexpr const char* kPause = "spokenPause";
        auto* pause = static_cast<Pause*>(
            widget->findChild<QObject*>(QLatin1String(kPause), Qt::FindDirectChildrenOnly));
        if (!pause) {
            pause = new Pause(widget, what);
            pause->setObjectName(QLatin1String(kPause));
        }
        return *pause;
    }

private:
    static constexpr qint64 kLeast = 1000; // ms
    void tell() {
        m_last.start();
        m_tell();
    }
    std::function<void()> m_tell;
    QTimer m_timer;
    QElapsedTimer m_last;
};

constexpr const char* kNextName = "spokenNextName";

} // namespace

void spokenChanged(QWidget* widget) {
    if (!QAccessible::isActive()) return;
    Pause::of(widget, [widget] {
        const auto* spoken = dynamic_cast<Spoken*>(widget);
        if (!spoken) return;
        QAccessibleValueChangeEvent event(widget, spoken->spokenValue());
        QAccessible::updateAccessibility(&event);
    }).changed();
}

void spokenNamed(QWidget* label, const QString& name) {
    label->setProperty(kNextName, name);
    Pause::of(label, [label] { label->setAccessibleName(label->property(kNextName).toString()); }).changed();
}

void speakControls() { QAccessible::installFactory(interfaceOf); }

} // namespace uttrin::app
