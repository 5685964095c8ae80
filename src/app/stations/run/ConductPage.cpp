#include "ConductPage.h"

#include "ForecastChart.h"
#include "app/accessibility/Spoken.h"
#include "app/controller/Dialogs.h"
#include "app/controls/Card.h"
#include "app/controls/FieldEdit.h"
#include "app/controls/FlowLayout.h"
#include "app/controls/Grid.h"
#include "app/controls/Labels.h"
#include "app/controls/NumberField.h"
#include "app/controls/OnScreen.h"
#include "app/controls/ScrollColumn.h"
#include "app/controls/Theme.h"
#include "app/rigdrawing/RigDrawing.h"
#include "lesson/commands/ConductCommands.h"
#include "lesson/views/RehearseViews.h"

#include <QCheckBox>
#include <QComboBox>
#include <QHBoxLayout>
#include <QKeyEvent>
#include <QMouseEvent>
#include <QPushButton>
#include <QSignalBlocker>
#include <QTimer>

#include <algorithm>

namespace uttrin::app {
namespace {

constexpr int kTickMs = 1000;
constexpr int kFirstSeenKey = 2; // F2; F1 is for help

/// A box to tick with words beside it that break into lines; a click on them ticks it too.
class Confirmation : public QWidget {
public:
    Confirmation(const QString& says, const QString& name) : m_box(new QCheckBox) {
        auto* row = new QHBoxLayout(this);
        row->setContentsMargins(0, 0, 0, 0);
        row->setSpacing(grid::kStep);
        m_box->setObjectName(name);
        m_box->setAccessibleName(says);
        row->addWidget(m_box, 0, Qt::AlignTop);
        row->addWidget(makeLabel(says), 1);
    }

protected:
    void mouseReleaseEvent(QMouseEvent* event) override {
        if (rect().contains(event->position().toPoint())) m_box->click();
    }

private:
    QCheckBox* m_box;
};

bool canBeConducted(const Act& act) {
    return act.kind == ActKind::Demonstration && act.state != ActState::Skipped;
}

} // namespace

ConductPage::ConductPage(LessonController& controller, QWidget* before)
    : StationPage(controller), m_clock(new QTimer(this)) {
    auto* row = new QHBoxLayout(this);
    row->setContentsMargins(0, 0, 0, 0);
    row->setSpacing(grid::kMargin);
    auto* left = new QVBoxLayout;
    left->setSpacing(grid::kStep);
    left->addWidget(buildHead(before));
    m_drawing = new RigDrawing;
    left->addWidget(m_drawing, 3);
    m_now = makeLabel({}, "heading");
    m_now->setObjectName(QStringLiteral("conductNow"));
    left->addWidget(m_now);
    m_chart = new ForecastChart;
    left->addWidget(m_chart, 2);
    row->addLayout(left, 1);
    auto* right = new ScrollColumn;
    right->setWidths(scaled(400), scaled(520));
    right->column()->setSpacing(grid::kStep);
    right->column()->addWidget(buildStep());
    m_live = new QWidget;
    auto* live = new QVBoxLayout(m_live);
    live->setContentsMargins(0, 0, 0, 0);
    live->setSpacing(grid::kStep);
    live->addWidget(buildRead());
    live->addWidget(buildSeen());
    right->column()->addWidget(m_live);
    m_stamps = makeLabel({});
    m_stamps->setObjectName(QStringLiteral("conductStamps"));
    right->column()->addWidget(m_stamps);
    m_cautions = makeLabel({}, "caution");
    right->column()->addWidget(m_cautions);
    right->column()->addStretch();
    row->addWidget(right, 2);
    wire();
}

QWidget* ConductPage::buildHead(QWidget* before) {
    auto* head = FlowLayout::inRow();
    head->addFixed(before);
    m_acts = new QComboBox;
    m_acts->setObjectName(QStringLiteral("conductAct"));
    m_acts->setAccessibleName(tr("The act in hand"));
    m_begin = new QPushButton(tr("Begin"));
    m_begin->setObjectName(QStringLiteral("conductBegin"));
    m_begin->setToolTip(tr("It goes live, and its forecast is frozen"));
    m_finish = new QPushButton(tr("Finish"));
    m_finish->setObjectName(QStringLiteral("conductFinish"));
    head->addWidget(m_acts);
    head->addFixed(m_begin);
    head->addFixed(m_finish);
    return head->parentWidget();
}

QWidget* ConductPage::buildStep() {
    auto* card = new Card;
    m_heading = makeLabel({}, "heading");
    m_heading->setObjectName(QStringLiteral("conductHeading"));
    m_says = makeLabel({}, "title");
    m_says->setObjectName(QStringLiteral("conductSays"));
    m_hazard = makeLabel({}, "caution");
    m_hazard->setObjectName(QStringLiteral("conductHazard"));
    auto* confirmations = new QWidget;
    m_confirmations = new QVBoxLayout(confirmations);
    m_confirmations->setContentsMargins(0, 0, 0, 0);
    m_confirmations->setSpacing(grid::kHalfStep);
    m_see = makeLabel({}, "smallNote");
    m_see->setObjectName(QStringLiteral("conductSee"));
    auto* act = new QHBoxLayout;
    m_done = new QPushButton(tr("Done"));
    m_done->setObjectName(QStringLiteral("conductDone"));
    setRole(m_done, "main");
    m_skip = new QPushButton(tr("Skip…"));
    m_skip->setObjectName(QStringLiteral("conductSkip"));
    m_skip->setProperty("beside", "main");
    act->addWidget(m_done, 3);
    act->addWidget(m_skip, 1);
    for (QWidget* w :
         std::initializer_list<QWidget*>{m_heading, m_says, m_hazard, m_confirmations->parentWidget(), m_see})
        card->column()->addWidget(w);
    card->column()->addLayout(act);
    return card;
}

QWidget* ConductPage::buildRead() {
    auto* card = new Card;
    auto* fields = new QHBoxLayout;
    m_celsius = new NumberField(tr("thermometer"), QStringLiteral("°C"), QStringLiteral("conductCelsius"));
    m_celsius->setBig();
    m_words = new FieldEdit;
    m_words->setObjectName(QStringLiteral("conductWords"));
    m_words->setAccessibleName(tr("How warm it is, in words"));
    m_words->setQuestion(tr("hand-warm, under 60"));
    auto* beside = new QVBoxLayout;
    beside->setSpacing(grid::kHalfStep);
    beside->addLayout(labelled(tr("or in words"), m_words));
    m_place = new QComboBox;
    m_place->setObjectName(QStringLiteral("conductPlace"));
    m_place->setAccessibleName(tr("Where it is read"));
    for (const Text& place : placesRead())
        m_place->addItem(onScreen(place));
    fields->addWidget(m_celsius, 1);
    beside->addStretch();
    fields->addLayout(beside, 1);
    card->column()->addLayout(fields);
    auto* act = new QHBoxLayout;
    m_capture = new QPushButton(tr("Capture   ⏎"));
    m_capture->setObjectName(QStringLiteral("conductCapture"));
    m_capture->setToolTip(tr("Enter in the fields: on disk at once"));
    act->addWidget(m_place);
    act->addWidget(m_capture, 1);
    card->column()->addLayout(act);
    return card;
}

QWidget* ConductPage::buildSeen() {
    auto* row = FlowLayout::inRow();
    int key = kFirstSeenKey;
    for (const Text& thing : thingsSeen()) {
        const QKeySequence shortcut(QStringLiteral("F%1").arg(key));
        auto* button = new QPushButton(QStringLiteral("%1  F%2").arg(onScreen(thing)).arg(key++));
        button->setObjectName(QStringLiteral("seen%1").arg(key - 1 - kFirstSeenKey));
        button->setToolTip(tr("Seen: %1").arg(onScreen(thing)));
        setRole(button, "smallSegment");
        connect(button, &QPushButton::clicked, this, [this, thing] {
            if (!m_chosen || !m_controller.carryOut(&ConductCommands::see, *m_chosen, plain(thing))) return;
            const Act* now = act();
            const Text remark = remarkOn(thing, m_view, now ? m_forecasts.of(*now).get() : nullptr);
            if (!remark.empty()) m_controller.say(onScreen(remark));
        });
        row->addFixed(button);
    }
    return row->parentWidget();
}

void ConductPage::wire() {
    m_clock->setInterval(kTickMs);
    connect(m_clock, &QTimer::timeout, this, &ConductPage::tick);
    connect(m_acts, &QComboBox::activated, this,
            [this](int index) { choose(m_acts->itemData(index).toLongLong()); });
    connect(m_begin, &QPushButton::clicked, this, &ConductPage::begin);
    connect(m_finish, &QPushButton::clicked, this, [this] {
        if (m_chosen) m_controller.carryOut(&ConductCommands::finish, *m_chosen);
    });
    connect(m_done, &QPushButton::clicked, this, &ConductPage::confirm);
    connect(m_skip, &QPushButton::clicked, this, &ConductPage::skip);
    connect(m_capture, &QPushButton::clicked, this, &ConductPage::read);
    connect(m_celsius->edit(), &QLineEdit::returnPressed, this, &ConductPage::read);
    connect(m_words, &QLineEdit::returnPressed, this, &ConductPage::read);
}

const Act* ConductPage::act() const { return session().model().act(m_chosen.value_or(0)); }

bool ConductPage::isLive() const {
    const Act* now = m_controller.isOpen() ? act() : nullptr;
    return now && now->state == ActState::GoingOn;
}

bool ConductPage::hasActs() const {
    return m_controller.isOpen() && std::ranges::any_of(session().model().data().acts, canBeConducted);
}

void ConductPage::choose(RowId id) {
    m_chosen = id;
    refresh();
}

void ConductPage::takeFocus() { m_done->isEnabled() ? m_done->setFocus() : m_begin->setFocus(); }

void ConductPage::begin() {
    const Act* now = act();
    if (!now) return;
    const auto frozen = toFreeze(session(), *now);
    if (!frozen) {
        m_controller.tell(frozen.error());
        return;
    }
    if (m_controller.carryOut(&ConductCommands::begin, now->id, *frozen)) m_done->setFocus();
}

void ConductPage::confirm() {
    if (!m_chosen || !m_view.current) return;
    const auto boxes = m_confirmations->parentWidget()->findChildren<QCheckBox*>();
    for (const QCheckBox* box : boxes)
        if (!box->isChecked()) {
            m_controller.say(
                tr("Confirm first: %1. Or skip the step, with a word of why.").arg(box->accessibleName()));
            return;
        }
    m_controller.carryOut(&ConductCommands::confirm, *m_chosen, *m_view.current);
}

void ConductPage::skip() {
    if (!m_chosen || !m_view.current) return;
    const auto why = dialogs::askText(window(), tr("Skip"), tr("Why is this step skipped?"),
                                      {tr("done before"), tr("not needed today"), tr("no time")});
    if (why) m_controller.carryOut(&ConductCommands::skip, *m_chosen, *m_view.current, why->toStdString());
}

void ConductPage::read() {
    if (!m_chosen) return;
    const Text& place = placesRead()[static_cast<std::size_t>(std::max(0, m_place->currentIndex()))];
    if (!m_celsius->value() && !m_celsius->edit()->text().trimmed().isEmpty()) {
        m_controller.say(m_celsius->error());
        return;
    }
    if (!m_controller.carryOut(&ConductCommands::read, *m_chosen, m_celsius->value(),
                               m_words->text().trimmed().toStdString(), plain(place)))
        return;
    m_celsius->setValue(std::nullopt);
    m_celsius->edit()->clear();
    m_words->clear();
    m_celsius->edit()->setFocus();
}

/// Keys that no field takes, the same in every rig.
void ConductPage::keyPressEvent(QKeyEvent* event) {
    const int thing = event->key() - Qt::Key_F1 + 1 - kFirstSeenKey;
    if (m_view.live && !event->isAutoRepeat() && thing >= 0 &&
        thing < static_cast<int>(thingsSeen().size()) && event->key() <= Qt::Key_F35) {
        findChild<QPushButton*>(QStringLiteral("seen%1").arg(thing))->click();
        return;
    }
    StationPage::keyPressEvent(event);
}

void ConductPage::showStep() {
    const bool begun = m_view.live || !m_view.stamps.empty();
    const int current = m_view.current.value_or(-1);
    const auto count = static_cast<int>(m_view.steps.size());
    m_hazard->setText(m_view.hazard.empty() ? QString()
                                            : QStringLiteral("\u26A0 ") + onScreen(m_view.hazard));
    m_hazard->setVisible(!m_view.hazard.empty());
    m_done->setEnabled(current >= 0);
    m_skip->setEnabled(current >= 0);
    if (current < 0) {
        m_heading->setText(!m_view.hazard.empty() ? tr("Stopped")
                           : !begun               ? tr("%n step(s)", nullptr, count)
                           : m_view.live          ? tr("All steps are done")
                                                  : tr("Done"));
        m_says->setText(!m_view.hazard.empty()
                            ? tr("Uttrin leads this act no further. Undo (Ctrl+Z) takes the skipping back.")
                        : m_view.canBegin ? tr("Begin it when it goes live: its forecast is frozen then.")
                                          : QString());
    } else {
        const auto& step = m_view.steps[static_cast<std::size_t>(current)];
        m_heading->setText(tr("Step %1 of %2, %3").arg(current + 1).arg(count).arg(onScreen(step.kind)));
        m_says->setText(onScreen(step.says));
    }
    m_says->setVisible(!m_says->text().isEmpty());
    const QString see =
        current >= 0 ? onScreen(m_view.steps[static_cast<std::size_t>(current)].see) : QString();
    m_see->setText(tr("Seen then: %1").arg(see));
    m_see->setVisible(!see.isEmpty());
    if (current == m_stepShown) return;
    m_stepShown = current;
    while (QLayoutItem* item = m_confirmations->takeAt(0)) {
        item->widget()->hide();
        item->widget()->deleteLater();
        item->widget()->setParent(nullptr);
        delete item;
    }
    if (current >= 0)
        for (const auto& c : m_view.steps[static_cast<std::size_t>(current)].confirm) {
            m_confirmations->addWidget(new Confirmation(
                onScreen(c.says), QStringLiteral("confirm%1").arg(m_confirmations->count())));
        }
    keepFocusOrder(m_confirmations->parentWidget());
}

void ConductPage::showDrawing() {
    const Act* now = act();
    const auto forecast = now ? m_forecasts.of(*now) : nullptr;
    m_drawing->setVisible(forecast != nullptr);
    if (forecast) {
        const double seconds = m_view.seconds.value_or(0.0);
        if (m_view.live)
            emit stripChanged(rehearsalStrip(forecast->rehearsal, forecast->rehearsal.sampleAt(seconds)));
        m_drawing->show(sceneOf(forecast->rehearsal, forecast->rehearsal.sampleAt(seconds)), seconds);
    }
    m_chart->show(forecast, m_view);
    m_now->setText(onScreen(m_view.now));
    m_now->setVisible(!m_view.now.empty());
}

void ConductPage::tick() {
    if (!isVisible() || !m_controller.isOpen()) return;
    const Act* now = act();
    if (!now || !m_view.live) return;
    follow(m_view, session().clock().now(), m_forecasts.of(*now).get());
    showDrawing();
}

void ConductPage::refresh() {
    if (!m_controller.isOpen()) return;
    const QSignalBlocker quiet(m_acts);
    const auto& acts = session().model().data().acts;
    m_acts->clear();
    for (const Act& a : acts)
        if (canBeConducted(a))
            m_acts->addItem(QString::fromStdString(a.title), QVariant::fromValue<qlonglong>(a.id));
    if (!act() && m_acts->count() > 0) { // first what goes on, else what is next
        const auto live = std::ranges::find_if(
            acts, [](const Act& a) { return canBeConducted(a) && a.state == ActState::GoingOn; });
        const auto next = std::ranges::find_if(
            acts, [](const Act& a) { return canBeConducted(a) && a.state != ActState::Done; });
        m_chosen = live != acts.end()   ? live->id
                   : next != acts.end() ? next->id
                                        : m_acts->itemData(0).toLongLong();
    }
    const Act* now = act();
    m_acts->setCurrentIndex(m_acts->findData(QVariant::fromValue<qlonglong>(m_chosen.value_or(0))));
    m_view = now ? conductView(session(), *now, m_forecasts) : ConductView();
    m_begin->setEnabled(m_view.canBegin);
    m_finish->setEnabled(m_view.live);
    m_live->setEnabled(m_view.live);
    showStep();
    showDrawing();
    QStringList stamps;
    for (const auto& s : m_view.stamps)
        stamps << tr("%1  %2").arg(onScreen(s.when), onScreen(s.what));
    m_stamps->setText(stamps.join(QLatin1Char('\n')));
    QStringList cautions;
    for (const Text& c : m_view.cautions)
        cautions << QStringLiteral("\u26A0 ") + onScreen(c);
    m_cautions->setText(cautions.join(QLatin1Char('\n')));
    m_cautions->setVisible(!cautions.isEmpty());
    m_clock->start();
}

} // namespace uttrin::app

#include "moc_ConductPage.cpp"
