#include "RegisterCard.h"

#include "app/controls/FlowLayout.h"
#include "app/controls/Labels.h"
#include "app/controls/OnScreen.h"

#include <QComboBox>
#include <QPushButton>

#include <algorithm>

namespace uttrin::app {

RegisterCard::RegisterCard() {
    column()->addWidget(makeLabel(tr("Instruments of the school"), "heading"));
    m_empty = makeLabel(
        tr("None is kept yet. Declare gauge and thermometer below, then keep each: they are here in "
           "other lessons too."),
        "muted");
    column()->addWidget(m_empty);
    FlowLayout* row = FlowLayout::inRow();
    const auto link = [&](const QString& text, const char* name, const QString& tip) {
        QPushButton* made = makeLink(text, name, tip);
        row->addFixed(made);
        return made;
    };
    m_list = new QComboBox;
    m_list->setObjectName(QStringLiteral("registerList"));
    m_list->setAccessibleName(tr("Instruments that are kept"));
    m_list->setSizeAdjustPolicy(QComboBox::AdjustToMinimumContentsLengthWithIcon);
    m_list->setMinimumContentsLength(18);
    row->addWidget(m_list);
    m_use = link(tr("Use it"), "registerUse", tr("Takes it for the gauge or the thermometer of this plan"));
    m_calibrated = link(tr("Compared today"), "registerCalibrated",
                        tr("Notes that this gauge was compared with a better one today"));
    m_remove =
        link(tr("Take away"), "registerRemove", tr("Takes it out of the register; lessons keep theirs"));
    auto* keepGauge = link(tr("Keep the gauge"), "registerKeepGauge",
                           tr("Keeps the gauge as it is declared below, under its name"));
    auto* keepThermometer = link(tr("Keep the thermometer"), "registerKeepThermometer",
                                 tr("Keeps the thermometer as it is declared below, with its calibrations"));
    column()->addWidget(row->parentWidget());
    m_remark = makeLabel({}, "cautionText");
    m_remark->setObjectName(QStringLiteral("registerRemark"));
    column()->addWidget(m_remark);
    connect(m_list, &QComboBox::activated, this, &RegisterCard::showRemark);
    connect(m_use, &QPushButton::clicked, this, &RegisterCard::pick);
    connect(m_calibrated, &QPushButton::clicked, this, &RegisterCard::calibrated);
    connect(m_remove, &QPushButton::clicked, this, &RegisterCard::remove);
    connect(keepGauge, &QPushButton::clicked, this, [this] { keep(true); });
    connect(keepThermometer, &QPushButton::clicked, this, [this] { keep(false); });
}

/// Zero checks at Run, or another window, may have added to it.
void RegisterCard::showEvent(QShowEvent* event) {
    read();
    Card::showEvent(event);
}

const KnownInstrument* RegisterCard::chosen() const {
    const auto id = m_list->currentData().toString().toStdString();
    const auto at = std::ranges::find(m_shelf.instruments, id, &KnownInstrument::id);
    return at == m_shelf.instruments.end() ? nullptr : &*at;
}

void RegisterCard::read() {
    const QString before = m_list->currentData().toString();
    m_shelf = ownInstruments().shelf();
    m_list->clear();
    for (const KnownInstrument& i : m_shelf.instruments)
        m_list->addItem(QStringLiteral("%1, %2").arg(onScreen(Text::data(i.name)),
                                                     i.gauge ? tr("gauge") : tr("thermometer")),
                        QString::fromStdString(i.id));
    m_list->setCurrentIndex(m_list->count() == 0 ? -1 : std::max(0, m_list->findData(before)));
    const bool any = m_list->count() > 0;
    m_empty->setVisible(!any);
    for (QWidget* w :
         {static_cast<QWidget*>(m_list), static_cast<QWidget*>(m_use), static_cast<QWidget*>(m_remove)})
        w->setVisible(any);
    showRemark();
}

void RegisterCard::showRemark() {
    const KnownInstrument* known = chosen();
    QStringList remarks;
    for (const Text& trouble : m_shelf.troubles)
        remarks << onScreen(trouble);
    if (known)
        if (const Text remark = remarkOn(*known, m_nowMs); !remark.empty()) remarks << onScreen(remark);
    m_remark->setText(remarks.isEmpty() ? QString()
                                        : QStringLiteral("\u26A0 ") + remarks.join(QLatin1Char(' ')));
    m_remark->setVisible(!remarks.isEmpty());
    m_calibrated->setVisible(known && known->gauge);
}

void RegisterCard::show(const Rig& rig, std::int64_t nowMs) {
    m_rig = rig;
    m_nowMs = nowMs;
    showRemark();
}

void RegisterCard::pick() {
    const KnownInstrument* known = chosen();
    if (!known) return;
    if (known->gauge)
        emit gaugePicked(*known->gauge);
    else
        emit thermometerPicked(*known->thermometer);
}

void RegisterCard::keep(bool gauge) {
    KnownInstrument known;
    known.name = gauge ? m_rig.gauge.name : m_rig.thermometer.name;
    for (const KnownInstrument& i : m_shelf.instruments)
        if (i.name == known.name && i.gauge.has_value() == gauge) known = i; // with its history
    if (gauge)
        known.gauge = m_rig.gauge;
    else
        known.thermometer = m_rig.thermometer;
    for (const KnownInstrument& i : m_shelf.instruments)
        if (i.name == known.name && i.gauge.has_value() != gauge) {
            emit told(tr("Another instrument is kept as '%1' already: give this one a name of its own.")
                          .arg(onScreen(Text::data(known.name))));
            return;
        }
    const auto kept = ownInstruments().keep(known);
    if (!kept) {
        emit failed(kept.error());
        return;
    }
    const QString name = onScreen(Text::data(known.name));
    read();
    m_list->setCurrentIndex(m_list->findData(QString::fromStdString(*kept)));
    showRemark();
    emit told(tr("'%1' is kept, for other lessons too.").arg(name));
}

void RegisterCard::calibrated() {
    const KnownInstrument* known = chosen();
    if (!known) return;
    KnownInstrument now = *known;
    now.calibratedMs = m_nowMs;
    if (const auto kept = ownInstruments().keep(now); !kept) emit failed(kept.error());
    read();
}

void RegisterCard::remove() {
    const KnownInstrument* known = chosen();
    if (!known) return;
    const QString name = onScreen(Text::data(known->name));
    if (const auto done = ownInstruments().remove(known->id); !done) {
        emit failed(done.error());
        return;
    }
    read();
    emit told(tr("'%1' is out of the register; lessons keep what they have.").arg(name));
}

} // namespace uttrin::app

#include "moc_RegisterCard.cpp"
