#include "ManualControls.h"

#include "app/controls/FlowLayout.h"
#include "app/controls/Grid.h"
#include "app/controls/Labels.h"
#include "app/controls/OnScreen.h"

#include <QPushButton>

#include <map>

namespace uttrin::app {

ManualControls::ManualControls(QWidget* parent) : QWidget(parent), m_row(new FlowLayout(this)) {
    m_row->setContentsMargins(0, 0, 0, 0);
    m_row->setSpacing(grid::kStep);
}

void ManualControls::take(ManualRun* manualRun) {
    m_manualRun = manualRun;
    for (QPushButton* h : m_handles) {
        h->hide();
        h->deleteLater();
    }
    m_handles.clear();
    m_keys.clear();
    if (!m_manualRun) return;
    int place = 0;
    std::map<RigControl::Kind, int> ofKind;
    for (const RigControl& control : m_manualRun->controls()) {
        auto* handle = new QPushButton;
        handle->setObjectName(QStringLiteral("handle%1").arg(++place));
        handle->setProperty("role", "segment");
        handle->setCheckable(true);
        handle->setAccessibleName(onScreen(control.name));
        m_keys.push_back(keyOf(control.kind, ++ofKind[control.kind]));
        connect(handle, &QPushButton::clicked, this, [this, place] { press(place); });
        m_row->addWidget(handle);
        m_handles.push_back(handle);
    }
    keepFocusOrder(this);
    showState();
}

QKeySequence ManualControls::keyOf(RigControl::Kind kind, int number) {
    constexpr Qt::Key kKeys[] = {Qt::Key_V, Qt::Key_P, Qt::Key_B, Qt::Key_H, Qt::Key_I, Qt::Key_T, Qt::Key_F};
    const Qt::Key key = kKeys[kind];
    return number == 1   ? QKeySequence(key)
           : number == 2 ? QKeySequence(Qt::SHIFT | key)
                         : QKeySequence(); // no rig has a third that a hand should find at once
}

void ManualControls::press(int place) {
    m_manualRun->press(m_manualRun->controls()[static_cast<std::size_t>(place - 1)]);
    showState();
    emit pressed();
}

void ManualControls::showState() {
    const auto controls = m_manualRun->controls();
    for (std::size_t i = 0; i < m_handles.size(); ++i) {
        const QString key = m_keys[i].toString(QKeySequence::NativeText);
        m_handles[i]->setText(tr("%1: %2").arg(onScreen(controls[i].name), onScreen(stateOf(controls[i]))) +
                              (key.isEmpty() ? QString() : QStringLiteral("  ") + key));
        m_handles[i]->setShortcut(m_keys[i]); // a new text takes it off
        m_handles[i]->setChecked(controls[i].on);
        m_handles[i]->setAccessibleDescription(onScreen(stateOf(controls[i])));
    }
}

} // namespace uttrin::app

#include "moc_ManualControls.cpp"
