#include "FlightHandles.h"

#include "OnScreen.h"

#include <QHBoxLayout>
#include <QPushButton>

namespace uttrin::app {

FlightHandles::FlightHandles(QWidget* parent) : QWidget(parent), m_row(new QHBoxLayout(this)) {
    m_row->setContentsMargins(0, 0, 0, 0);
}

void FlightHandles::take(Flight* flight) {
    m_flight = flight;
    for (QPushButton* h : m_handles) {
        h->hide();
        h->deleteLater();
    }
    m_handles.clear();
    if (!m_flight) return;
    int place = 0;
    for (const RigControl& control : m_flight->controls()) {
        auto* handle = new QPushButton(onScreen(control.name));
        handle->setObjectName(QStringLiteral("handle%1").arg(++place));
        handle->setProperty("role", "segment");
        handle->setCheckable(true);
        handle->setToolTip(tr("Key %1").arg(place));
        connect(handle, &QPushButton::clicked, this, [this, place] { press(place); });
        m_row->addWidget(handle);
        m_handles.push_back(handle);
    }
    showState();
}

bool FlightHandles::press(int place) {
    if (!m_flight || place < 1 || place > static_cast<int>(m_handles.size())) return false;
    m_flight->press(m_flight->controls()[static_cast<std::size_t>(place - 1)]);
    showState();
    emit pressed();
    return true;
}

void FlightHandles::showState() {
    const auto controls = m_flight->controls();
    for (std::size_t i = 0; i < m_handles.size(); ++i)
        m_handles[i]->setChecked(controls[i].on);
}

} // namespace uttrin::app
