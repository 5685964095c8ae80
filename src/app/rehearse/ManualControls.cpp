#include "ManualControls.h"

#include "app/controls/OnScreen.h"

#include <QHBoxLayout>
#include <QPushButton>

namespace uttrin::app {

ManualControls::ManualControls(QWidget* parent) : QWidget(parent), m_row(new QHBoxLayout(this)) {
    m_row->setContentsMargins(0, 0, 0, 0);
}

void ManualControls::take(ManualRun* manualRun) {
    m_manualRun = manualRun;
    for (QPushButton* h : m_handles) {
        h->hide();
        h->deleteLater();
    }
    m_handles.clear();
    if (!m_manualRun) return;
    int place = 0;
    for (const RigControl& control : m_manualRun->controls()) {
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

bool ManualControls::press(int place) {
    if (!m_manualRun || place < 1 || place > static_cast<int>(m_handles.size())) return false;
    m_manualRun->press(m_manualRun->controls()[static_cast<std::size_t>(place - 1)]);
    showState();
    emit pressed();
    return true;
}

void ManualControls::showState() {
    const auto controls = m_manualRun->controls();
    for (std::size_t i = 0; i < m_handles.size(); ++i)
        m_handles[i]->setChecked(controls[i].on);
}

} // namespace uttrin::app

#include "moc_ManualControls.cpp"
