#include "RegisterCard.h"

#include "app/controls/FlowLayout.h"
#include "app/controls/Labels.h"
#include "app/controls/OnScreen.h"
#include "lesson/commands/InstrumentCommands.h"

#include <QComboBox>
#include <QPushButton>

#include <algorithm>

namespace uttrin::app {
namespace {

/// Told apart by what they are: those of the notebook have no file, and so no id.
QString keyOf(const KnownInstrument& i) {
    return QString::fromStdString((i.gauge ? "gauge " : "thermometer ") + i.name);
}

} // namespace

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
    m_keepHere =
        link(tr("Keep it here too"), "registerKeepHere",
             tr("This notebook came from another machine: keeps the instrument on this one, with its zeros "
                "and comparisons"));
    auto* keepGauge = link(tr("Keep the gauge"), "registerKeepGauge",
                           tr("Keeps the gauge as it is declared below, under its name"));
    auto* keepThermometer = link(tr("Keep the thermometer"), "registerKeepThermometer",
                                 tr("Keeps the thermometer as it is declared below, with its calibrations"));
    column()->addWidget(row->parentWidget());
    m_remark = makeLabel({}, "cautionText");
    m_remark->setObjectName(QStringLiteral("registerRemark"));
    column()->addWidget(m_remark);
    m_history = makeLabel({}, "muted");
    m_history->setObjectName(QStringLiteral("registerHistory"));
    column()->addWidget(m_history);
    connect(m_list, &QComboBox::activated, this, &RegisterCard::showRemark);
    connect(m_use, &QPushButton::clicked, this, &RegisterCard::pick);
    connect(m_calibrated, &QPushButton::clicked, this, &RegisterCard::calibrated);
    connect(m_remove, &QPushButton::clicked, this, &RegisterCard::remove);
    connect(m_keepHere, &QPushButton::clicked, this, [this] {
        if (const KnownInstrument* known = chosen()) keep(KnownInstrument(*known));
    });
    connect(keepGauge, &QPushButton::clicked, this, [this] { keepOfRig(true); });
    connect(keepThermometer, &QPushButton::clicked, this, [this] { keepOfRig(false); });
}

/// Zero checks at Run, or another window, may have added to it.
void RegisterCard::showEvent(QShowEvent* event) {
    read();
    Card::showEvent(event);
}

const KnownInstrument* RegisterCard::chosen() const {
    const QString key = m_list->currentData().toString();
    for (const auto* known : {&m_shelf.instruments, &m_ofNotebook})
        if (const auto at = std::ranges::find(*known, key, keyOf); at != known->end()) return &*at;
    return nullptr;
}

void RegisterCard::read(const QString& chosen) {
    m_shelf = ownInstruments().shelf();
    fill(chosen);
}

/// @param chosen  the key of what is chosen then; empty: what was.
void RegisterCard::fill(const QString& chosen) {
    const QString wanted = chosen.isEmpty() ? m_list->currentData().toString() : chosen;
    m_list->clear();
    const auto offer = [&](const KnownInstrument& i, const QString& place) {
        if (m_list->findData(keyOf(i)) < 0)
            m_list->addItem(place.arg(onScreen(Text::data(i.name))), keyOf(i));
    };
    for (const KnownInstrument& i : m_shelf.instruments)
        offer(i, i.gauge ? tr("%1, gauge") : tr("%1, thermometer"));
    for (const KnownInstrument& i : m_ofNotebook)
        offer(i, i.gauge ? tr("%1, gauge of this notebook") : tr("%1, thermometer of this notebook"));
    m_list->setCurrentIndex(m_list->count() == 0 ? -1 : std::max(0, m_list->findData(wanted)));
    const bool any = m_list->count() > 0;
    m_empty->setVisible(!any);
    m_list->setVisible(any);
    m_use->setVisible(any);
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
    m_history->setText(known ? onScreen(historyOf(*known, m_utcOffsetMin)) : QString());
    m_history->setVisible(!m_history->text().isEmpty());
    const bool isKept = known && !known->id.empty();
    m_calibrated->setVisible(isKept && known->gauge);
    m_remove->setVisible(isKept);
    m_keepHere->setVisible(known && !isKept);
}

void RegisterCard::show(const Rig& rig, std::int64_t nowMs, int utcOffsetMin,
                        std::vector<KnownInstrument> ofNotebook) {
    m_utcOffsetMin = utcOffsetMin;
    m_rig = rig;
    m_nowMs = nowMs;
    m_ofNotebook = std::move(ofNotebook);
    fill();
}

void RegisterCard::pick() {
    const KnownInstrument* known = chosen();
    if (!known) return;
    KnownInstrument taken = *known;
    for (const KnownInstrument& other : m_ofNotebook)
        if (isSame(taken, other)) taken = merged(taken, other); // it was at another machine meanwhile
    if (!known->id.empty() && writeKnown(taken) != writeKnown(*known) && !store(taken)) return;
    emit picked(taken);
}

/// On disk, or told why not.
bool RegisterCard::store(const KnownInstrument& instrument) {
    const auto done = ownInstruments().keep(instrument);
    if (!done) {
        emit failed(done.error());
        return false;
    }
    read(keyOf(instrument));
    return true;
}

void RegisterCard::keep(const KnownInstrument& instrument) {
    if (!store(instrument)) return;
    emit kept(instrument);
    emit told(tr("'%1' is kept, for other lessons too.").arg(onScreen(Text::data(instrument.name))));
}

void RegisterCard::keepOfRig(bool gauge) {
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
    keep(known);
}

void RegisterCard::calibrated() {
    const KnownInstrument* known = chosen();
    if (!known) return;
    KnownInstrument now = *known;
    now.calibratedMs = m_nowMs;
    if (store(now)) emit kept(now);
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
