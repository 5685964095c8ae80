#include "ActSetUp.h"

#include "app/controls/FlowLayout.h"
#include "app/controls/Labels.h"
#include "app/controls/OnScreen.h"
#include "rehearsal/card/ToldCard.h"
#include "rehearsal/rigfile/RigWords.h"

#include <QCheckBox>
#include <QComboBox>
#include <QLineEdit>
#include <QSignalBlocker>
#include <QVBoxLayout>

#include <algorithm>

namespace uttrin::app {
namespace {

/// What a vessel of the rig as it is set is made for; by its place in the list above.
int makingOf(const RigSetup& setup, const std::string& vessel) {
    for (std::size_t i = 0; i < setup.model.vessels.size(); ++i)
        if (setup.model.vessels[i].name == vessel)
            return static_cast<int>(
                std::ranges::find(kMakings, setup.making[i], [](const auto& m) { return m.first; }) -
                std::begin(kMakings));
    return 0;
}

} // namespace

ActSetUp::ActSetUp(QWidget* parent) : QWidget(parent) {
    auto* column = new QVBoxLayout(this);
    column->setContentsMargins(0, 0, 0, 0);
    m_row = FlowLayout::inRow();
    column->addWidget(m_row->parentWidget());
    m_unknown = new QCheckBox(tr("the liquid is unknown: nothing is forecast"));
    m_unknown->setObjectName(QStringLiteral("actUnknown"));
    connect(m_unknown, &QCheckBox::clicked, this, [this](bool unknown) { emit liquidChosen(!unknown); });
    column->addWidget(m_unknown);
}

void ActSetUp::build(const ActRig& rig) {
    emptyLayout(*m_row);
    m_vessels.clear();
    m_conditions.clear();
    const RigCard& card = rig.story().card;
    for (const std::string& vessel : card.evacuated) {
        if (!rig.rig()->sets("/vessels/" + vessel + "/made_for")) continue;
        auto* box = new QComboBox;
        box->setObjectName(QStringLiteral("actVessel%1").arg(m_row->count()));
        const QString name = onScreen(Text::data(vessel));
        box->setAccessibleName(tr("What the %1 is made for").arg(name));
        for (const auto& [making, word] : kMakings) {
            box->addItem(onScreen(makingText(making)), asIs(word));
            box->setItemData(box->count() - 1, onScreen(makingAdvice(making)), Qt::ToolTipRole);
        }
        connect(box, &QComboBox::activated, this, [this, vessel, box](int index) {
            emit makingChosen(vessel, box->itemData(index).toString().toStdString());
        });
        m_row->addWidget(besideLabel(name, box));
        m_vessels.emplace_back(vessel, box);
    }
    for (const RigCondition& condition : card.conditions) {
        auto* box = new QComboBox;
        box->setObjectName(QStringLiteral("actCondition%1").arg(m_row->count()));
        const QString name = onScreen(Text::data(condition.name));
        box->setAccessibleName(name);
        box->setEditable(true);
        box->setInsertPolicy(QComboBox::NoInsert);
        for (const std::string& choice : condition.choices)
            box->addItem(onScreen(Text::data(choice)), QString::fromStdString(choice));
        const auto tell = [this, condition, box] {
            const int place = box->findText(box->currentText());
            const QString chosen =
                place >= 0 ? box->itemData(place).toString() : box->currentText().trimmed();
            emit conditionChosen(condition.name, chosen.toStdString());
        };
        connect(box, &QComboBox::activated, this, tell);
        connect(box->lineEdit(), &QLineEdit::editingFinished, this, tell);
        m_row->addWidget(besideLabel(name, box));
        m_conditions.emplace_back(condition.name, box);
    }
    keepFocusOrder(m_row->parentWidget());
}

void ActSetUp::show(const ActRig& rig) {
    const auto setup = rig.rig()->setup(rig.settings());
    if (!setup) return;
    std::string which = rig.rig()->name() + '\n' + rig.variant;
    for (const RigCondition& c : rig.story().card.conditions)
        which += '\n' + c.name;
    if (which != m_shown) build(rig);
    m_shown = which;
    for (const auto& [vessel, box] : m_vessels)
        box->setCurrentIndex(makingOf(*setup, vessel));
    for (const auto& [condition, box] : m_conditions) {
        const QSignalBlocker quiet(box->lineEdit());
        const auto own = rig.conditions.find(condition);
        const int place =
            own == rig.conditions.end() ? 0 : box->findData(QString::fromStdString(own->second));
        if (place >= 0)
            box->setCurrentIndex(place);
        else if (!box->lineEdit()->hasFocus())
            box->setEditText(QString::fromStdString(own->second));
    }
    m_unknown->setChecked(!rig.liquidKnown);
}

} // namespace uttrin::app

#include "moc_ActSetUp.cpp"
