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

/// Waits until a second has gone by since the last time.
class Pause : public QObject {
public:
    explicit Pause(QWidget* widget) : QObject(widget), m_widget(widget) {
        m_timer.setSingleShot(true);
        connect(&m_timer, &QTimer::timeout, this, [this] { tell(); });
    }
    void changed() {
        if (m_timer.isActive()) return; // it will be told
        if (m_last.isValid() && m_last.elapsed() < kLeast)
            m_timer.start(static_cast<int>(kLeast - m_last.elapsed()));
        else
            tell();
    }

private:
    static constexpr qint64 kLeast = 1000; // ms
    void tell() {
        m_last.start();
        const auto* spoken = dynamic_cast<Spoken*>(m_widget);
        if (!spoken) return;
        QAccessibleValueChangeEvent event(m_widget, spoken->spokenValue());
        QAccessible::updateAccessibility(&event);
    }
    QWidget* m_widget;
    QTimer m_timer;
    QElapsedTimer m_last;
};

} // namespace

void spokenChanged(QWidget* widget) {
    if (!QAccessible::isActive()) return;
    constexpr const char* kName = "spokenPause";
    auto* pause =
        static_cast<Pause*>(widget->findChild<QObject*>(QLatin1String(kName), Qt::FindDirectChildrenOnly));
    if (!pause) {
        pause = new Pause(widget);
        pause->setObjectName(QLatin1String(kName));
    }
    pause->changed();
}

void speakControls() { QAccessible::installFactory(interfaceOf); }

} // namespace uttrin::app
