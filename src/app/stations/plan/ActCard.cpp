#include "ActCard.h"

#include "ActSetUp.h"
#include "app/controller/Dialogs.h"
#include "app/controller/OwnRigs.h"
#include "app/controls/FieldEdit.h"
#include "app/controls/FlowLayout.h"
#include "app/controls/Grid.h"
#include "app/controls/Labels.h"
#include "app/controls/NumberField.h"
#include "app/controls/OnScreen.h"
#include "app/controls/Segments.h"
#include "lesson/actcommands/ActCommands.h"
#include "physics/Constants.h"

#include <QComboBox>
#include <QPushButton>
#include <QSignalBlocker>

#include <algorithm>
#include <cmath>

namespace uttrin::app {
namespace {

constexpr double kMinute = 60.0; // s

std::optional<int> secondsOf(const NumberField& field) {
    const auto minutes = field.value();
    return minutes ? std::optional(static_cast<int>(std::lround(*minutes * kMinute))) : std::nullopt;
}

std::optional<double> minutesOf(std::optional<int> seconds) {
    return seconds ? std::optional(std::round(*seconds / kMinute * 10.0) / 10.0) : std::nullopt;
}

} // namespace

ActCard::ActCard(LessonController& controller) : m_controller(controller) {
    build();
    wire();
}

void ActCard::build() {
    m_empty = makeLabel(tr("Choose an act in the period, or add one: its values stand here."), "muted");
    column()->addWidget(m_empty);
    m_fields = new QWidget;
    auto* fields = new QVBoxLayout(m_fields);
    fields->setContentsMargins(0, 0, 0, 0);
    fields->setSpacing(grid::kStep);
    auto* head = FlowLayout::inRow();
    m_title = new FieldEdit;
    m_title->setObjectName(QStringLiteral("actTitle"));
    m_title->setAccessibleName(tr("Title of the act"));
    m_title->setUsualWidth(220);
    m_doer = new Segments(QStringLiteral("actDoer"), tr("Who does it"));
    m_doer->setChoices({tr("teacher"), tr("groups")});
    head->addWidget(m_title);
    head->addFixed(m_doer);
    fields->addWidget(head->parentWidget());
    m_variant = new QComboBox;
    m_variant->setObjectName(QStringLiteral("actVariant"));
    m_variant->setAccessibleName(tr("Variant of the rig"));
    m_variantRow = besideLabel(tr("variant"), m_variant);
    fields->addWidget(m_variantRow);
    auto* times = FlowLayout::inRow();
    m_starts = new NumberField(tr("starts at minute"), QString(), QStringLiteral("actStarts"));
    m_lasts = new NumberField(tr("lasts"), QStringLiteral("min"), QStringLiteral("actLasts"));
    m_lasts->setPlaceholder(tr("by its model"));
    for (NumberField* f : {m_starts, m_lasts})
        times->addWidget(f);
    fields->addWidget(times->parentWidget());
    auto* wishes = FlowLayout::inRow();
    m_readyAt = new NumberField(tr("ready at minute"), QString(), QStringLiteral("actReady"));
    m_readyAtCelsius = new NumberField(tr("at"), QStringLiteral("°C"), QStringLiteral("actReadyCelsius"));
    for (NumberField* f : {m_readyAt, m_readyAtCelsius}) {
        f->setPlaceholder(tr("no wish"));
        wishes->addWidget(f);
    }
    m_wishes = wishes->parentWidget();
    fields->addWidget(m_wishes);
    m_knobs = FlowLayout::inRow();
    fields->addWidget(m_knobs->parentWidget());
    m_setUp = new ActSetUp;
    fields->addWidget(m_setUp);
    m_says = makeLabel({}, "smallNote");
    m_says->setObjectName(QStringLiteral("actSays"));
    fields->addWidget(m_says);
    auto* buttons = FlowLayout::inRow();
    m_toWish = new QPushButton(tr("Begin then"));
    m_toWish->setObjectName(QStringLiteral("actToWish"));
    m_toWish->setToolTip(tr("Moves the act to the start that its wish asks for"));
    m_rehearse = new QPushButton(tr("Rehearse it"));
    m_rehearse->setObjectName(QStringLiteral("actRehearse"));
    m_keep = new QPushButton(tr("Keep this rig…"));
    m_keep->setObjectName(QStringLiteral("actKeepRig"));
    m_keep->setToolTip(tr("Among your own rigs, with these values and this card, for other lessons too"));
    m_skip = new QPushButton(tr("Skip…"));
    m_skip->setObjectName(QStringLiteral("actSkip"));
    m_away = new QPushButton(tr("Take away"));
    m_away->setObjectName(QStringLiteral("actAway"));
    m_away->setToolTip(tr("Undo brings it back (Ctrl+Z)"));
    for (QPushButton* b : {m_toWish, m_rehearse, m_keep, m_skip, m_away})
        buttons->addFixed(b);
    fields->addWidget(buttons->parentWidget());
    column()->addWidget(m_fields);
    column()->addStretch();
}

void ActCard::wire() {
    connect(m_title, &QLineEdit::editingFinished, this, [this] {
        if (m_act && m_title->text().toStdString() != m_act->title)
            store([this](Act& a) { a.title = m_title->text().toStdString(); }, Text::tr("Change a title"));
    });
    connect(m_doer, &Segments::picked, this, [this](int index) {
        store([index](Act& a) { a.doer = index == 0 ? ActDoer::Teacher : ActDoer::Groups; },
              Text::tr("Change who does it"));
    });
    connect(m_starts, &NumberField::committed, this, [this] {
        if (const auto s = secondsOf(*m_starts))
            store([s](Act& a) { a.startsS = *s; }, Text::tr("Move an act"));
    });
    connect(m_lasts, &NumberField::committed, this, [this] {
        store([this](Act& a) { a.lastsS = secondsOf(*m_lasts); }, Text::tr("Change a length"));
    });
    for (NumberField* f : {m_readyAt, m_readyAtCelsius})
        connect(f, &NumberField::committed, this, [this] {
            store(
                [this](Act& a) {
                    a.readyS = secondsOf(*m_readyAt);
                    const auto celsius = m_readyAtCelsius->value();
                    a.readyK = celsius ? std::optional(*celsius + kIcePointKelvin) : std::nullopt;
                },
                Text::tr("Change a wish"));
        });
    connect(m_variant, &QComboBox::activated, this, [this](int index) {
        storeRig(
            [index](ActRig& rig) {
                rig.variant = index > 0 ? rig.rig()->variants()[static_cast<std::size_t>(index - 1)].name
                                        : std::string();
            },
            Text::tr("Change a variant"));
    });
    connect(m_setUp, &ActSetUp::conditionChosen, this,
            [this](const std::string& name, const std::string& chosen) {
                storeRig([&](ActRig& rig) { rig.choose(name, chosen); }, Text::tr("Change how it is set up"));
            });
    connect(m_setUp, &ActSetUp::makingChosen, this,
            [this](const std::string& vessel, const std::string& making) {
                storeRig(
                    [&](ActRig& rig) {
                        rig.set({"/vessels/" + vessel + "/made_for", making});
                    },
                    Text::tr("Change a vessel"));
            });
    connect(m_setUp, &ActSetUp::liquidChosen, this, [this](bool known) {
        storeRig([known](ActRig& rig) { rig.liquidKnown = known; }, Text::tr("Change the liquid"));
    });
    connect(m_keep, &QPushButton::clicked, this, &ActCard::keepRig);
    connect(m_toWish, &QPushButton::clicked, this, [this] {
        const auto starts = m_wishStarts;
        if (starts)
            store([&](Act& a) { a.startsS = static_cast<int>(std::floor(*starts / kMinute) * kMinute); },
                  Text::tr("Move an act"));
    });
    connect(m_rehearse, &QPushButton::clicked, this, [this] {
        if (!m_act) return;
        if (const auto rig = readActRig(m_act->rig)) emit rehearseRequested(QString::fromStdString(rig->id));
    });
    connect(m_skip, &QPushButton::clicked, this, [this] {
        if (!m_act) return;
        const auto why = dialogs::askText(window(), tr("Skip"), tr("Why is it skipped?"),
                                          {tr("no time"), tr("something is missing"), tr("not safe today")});
        if (why) m_controller.carryOut(&ActCommands::skip, m_act->id, why->toStdString());
    });
    connect(m_away, &QPushButton::clicked, this, [this] {
        if (m_act) m_controller.carryOut(&ActCommands::remove, m_act->id);
    });
}

void ActCard::store(const std::function<void(Act&)>& change, const Text& label) {
    if (!m_act) return;
    Act after = *m_act;
    change(after);
    if (const auto rig = readActRig(after.rig);
        after.kind == ActKind::Demonstration && rig && !rig->refused().empty()) {
        m_controller.complain(onScreen(rig->refused()));
        m_controller.refresh();
        return;
    }
    m_controller.carryOut(&ActCommands::change, after, label);
}

/// Nothing is stored where it is as it was.
void ActCard::storeRig(const std::function<void(ActRig&)>& change, const Text& label) {
    if (!m_act) return;
    auto rig = readActRig(m_act->rig);
    if (!rig) return;
    change(*rig);
    const std::string after = writeActRig(*rig);
    if (after != m_act->rig) store([&](Act& a) { a.rig = after; }, label);
}

void ActCard::storeKnob(const RigKnob& knob, double si) {
    storeRig(
        [&](ActRig& rig) {
            for (const std::string& pointer : knob.pointers)
                rig.set(rig.rig()->setting(pointer, si, rig.settings()));
        },
        Text::tr("Change {}", Text::data(knob.name)));
}

void ActCard::keepRig() {
    const auto rig = m_act ? readActRig(m_act->rig) : Result<ActRig>();
    if (!m_act || !rig) return;
    if (keepOwnRig(window(), m_controller, *rig->rig(), rig->settings(),
                   QString::fromStdString(m_act->title)))
        emit rigKept();
}

void ActCard::showRig(const Act& act) {
    const auto rig = readActRig(act.rig);
    if (!rig) return;
    const QSignalBlocker quiet(m_variant);
    const std::string which = rig->id + '\n' + rig->variant;
    if (which != m_shownRig) {
        m_shownRig = which;
        m_variant->clear();
        m_variant->addItem(tr("as in the file"));
        for (const RigVariant& v : rig->rig()->variants())
            m_variant->addItem(onScreen(Text::data(v.name)));
        emptyLayout(*m_knobs);
        int number = 0;
        for (const RigKnob& knob : rig->rig()->knobs()) {
            const Text title = knob.reference == RigReference::None
                                   ? Text::data(knob.name)
                                   : Text::set("{}, {}", Text::data(knob.name), phraseOf(knob.reference));
            auto* field = new NumberField(onScreen(title), asIs(knob.unit->display),
                                          QStringLiteral("actKnob%1").arg(++number));
            connect(field, &NumberField::committed, this, [this, field, knob] {
                const auto typed = field->value();
                if (!typed) return;
                const double si = knob.unit->toSi(*typed);
                if (si < knob.low || si > knob.high)
                    m_controller.complain(tr("From %1 to %2 %3.")
                                              .arg(fieldText(knob.unit->fromSi(knob.low)),
                                                   fieldText(knob.unit->fromSi(knob.high)),
                                                   asIs(knob.unit->display)));
                else
                    storeKnob(knob, si);
            });
            m_knobs->addWidget(field);
        }
        keepFocusOrder(m_knobs->parentWidget());
    }
    m_variant->setCurrentIndex(rig->variantPlace() + 1);
    m_setUp->show(*rig);
    const auto settings = rig->settings();
    for (int i = 0; i < m_knobs->count(); ++i) {
        const RigKnob& knob = rig->rig()->knobs()[static_cast<std::size_t>(i)];
        auto* field = qobject_cast<NumberField*>(m_knobs->itemAt(i)->widget());
        field->setValue(knob.unit->fromSi(rig->rig()->value(knob.pointers.front(), settings)));
    }
}

void ActCard::show(const Act* act, const ActForecast& forecast) {
    m_act = act ? std::optional(*act) : std::nullopt;
    m_empty->setVisible(!act);
    m_fields->setVisible(act);
    if (!act) return;
    const bool rig = act->kind == ActKind::Demonstration;
    if (!m_title->hasFocus()) m_title->setText(QString::fromStdString(act->title));
    m_doer->choose(act->doer == ActDoer::Teacher ? 0 : 1);
    m_starts->setValue(minutesOf(act->startsS));
    m_lasts->setValue(minutesOf(act->lastsS));
    m_readyAt->setValue(minutesOf(act->readyS));
    m_readyAtCelsius->setValue(act->readyK
                                   ? std::optional(std::round((*act->readyK - kIcePointKelvin) * 10.0) / 10.0)
                                   : std::nullopt);
    for (QWidget* w : std::initializer_list<QWidget*>{m_wishes, m_variantRow, m_knobs->parentWidget(),
                                                      m_setUp, m_rehearse, m_keep})
        w->setVisible(rig);
    if (rig) showRig(*act);
    m_wishStarts = forecast.wishStarts;
    m_toWish->setVisible(m_wishStarts && std::abs(*m_wishStarts - act->startsS) >= kMinute);
    QStringList says;
    if (!forecast.trouble.empty()) says << onScreen(forecast.trouble);
    if (!forecast.wish.empty()) says << onScreen(forecast.wish);
    if (!forecast.whoMay.empty()) says << onScreen(forecast.whoMay);
    m_says->setText(says.join(QLatin1Char(' ')));
    m_says->setVisible(!says.isEmpty());
}

void ActCard::takeFocus() { m_title->setFocus(); }

} // namespace uttrin::app

#include "moc_ActCard.cpp"
