#include "ReadingCard.h"

#include "RowInSight.h"
#include "app/controls/FieldEdit.h"
#include "app/controls/FlowLayout.h"
#include "app/controls/Grid.h"
#include "app/controls/Labels.h"
#include "app/controls/MessageLine.h"
#include "app/controls/NumberField.h"
#include "app/controls/OnScreen.h"
#include "app/controls/Segments.h"
#include "app/controls/Theme.h"
#include "lesson/views/RunView.h"
#include "plan/BoilingStage.h"

#include <QCheckBox>
#include <QComboBox>
#include <QHBoxLayout>
#include <QKeyEvent>
#include <QMenu>
#include <QPushButton>

namespace uttrin::app {
namespace {

constexpr BoilingCriterion kCriteria[] = {BoilingCriterion::FirstBubbles, BoilingCriterion::Steady,
                                          BoilingCriterion::ThroughBulk,
                                          BoilingCriterion::StopsAfterIsolating};

} // namespace

ReadingCard::ReadingCard() {
    column()->setContentsMargins(grid::kAround);
    buildTop();
    buildOrder();
    buildFields();
    buildVigour();
    buildDetails();
    buildFinding();
    buildActions();
    wire();
}

void ReadingCard::buildTop() {
    column()->setContentsMargins(grid::kAround);
    column()->setSpacing(grid::kStep);
    FlowLayout* top = FlowLayout::inRow();
    auto* instant = makeLabel(tr("Both at once"), "heading");
    instant->setWordWrap(false);
    top->addWidget(instant);
    m_zero = new QPushButton(tr("Zero check"));
    m_zero->setObjectName(QStringLiteral("zeroCheck"));
    m_zero->setToolTip(tr("Open the gauge to the room, type what it shows, press this: its zero is stored "
                          "and taken off from now on."));
    m_startTemperature = new QPushButton(tr("At the start"));
    m_startTemperature->setObjectName(QStringLiteral("startTemperature"));
    m_startTemperature->setToolTip(
        tr("Type how warm the liquid is before anything is done to it, press this: the minutes "
           "that are still needed count from it."));
    m_note = new QPushButton(tr("Note…"));
    m_note->setObjectName(QStringLiteral("note"));
    m_note->setToolTip(tr("Stamp a phrase with the time (Ctrl+T)"));
    m_note->setShortcut(QKeySequence(QStringLiteral("Ctrl+T")));
    buildStages();
    for (QPushButton* b : {m_zero, m_startTemperature, m_topUp, m_stage, m_note}) {
        setRole(b, "link");
        top->addFixed(b);
    }
    column()->addWidget(top->parentWidget());
}

void ReadingCard::buildStages() {
    m_stage = new QPushButton(tr("Stage"));
    m_stage->setObjectName(QStringLiteral("stage"));
    m_stage->setToolTip(tr("Stamp how far boiling has come, with how far below the boiling point that is "
                           "(Ctrl+Alt+1 to 7)"));
    auto* menu = new QMenu(tr("Stage"), m_stage);
    int place = 0;
    for (const NamedStage& stage : boilingStages()) {
        QAction* action = menu->addAction(onScreen(stage.name));
        action->setObjectName(QStringLiteral("stage%1").arg(place));
        action->setShortcut(QKeySequence(QStringLiteral("Ctrl+Alt+%1").arg(place + 1)));
        connect(action, &QAction::triggered, this, [this, place] { emit stageRequested(place); });
        addAction(action); // its key works while the menu is shut
        ++place;
    }
    menu->addSeparator();
    for (const bool wrapped : {true, false}) {
        QAction* action = menu->addAction(wrapped ? tr("Vessel wrapped") : tr("Wrap taken off"));
        action->setObjectName(wrapped ? QStringLiteral("stageWrapped") : QStringLiteral("stageUnwrapped"));
        connect(action, &QAction::triggered, this, [this, wrapped] { emit insulated(wrapped); });
    }
    m_stage->setMenu(menu);
    m_topUp = new QPushButton(tr("Topped up"));
    m_topUp->setObjectName(QStringLiteral("topUp"));
    m_topUp->setShortcut(QKeySequence(QStringLiteral("Ctrl+U")));
    m_topUp->setToolTip(tr("Stamp a stroke of the hand pump that tops the vacuum up (Ctrl+U)"));
    connect(m_topUp, &QPushButton::clicked, this, &ReadingCard::topUpRequested);
}

void ReadingCard::buildOrder() {
    auto* order = new QHBoxLayout;
    m_step = makeLabel({}, "note");
    m_step->setObjectName(QStringLiteral("readStep"));
    order->addWidget(m_step, 1);
    m_stepDone = new QPushButton(tr("Done"));
    m_stepDone->setObjectName(QStringLiteral("readStepDone"));
    m_stepDone->setShortcut(QKeySequence(QStringLiteral("Ctrl+Return")));
    m_stepDone->setToolTip(
        tr("This step of the read order is done (%1). Which were done stands with the point.")
            .arg(m_stepDone->shortcut().toString(QKeySequence::NativeText)));
    order->addWidget(m_stepDone);
    column()->addLayout(order);
    connect(m_stepDone, &QPushButton::clicked, this, &ReadingCard::stepDone);
}

void ReadingCard::buildFields() {
    auto* fields = new QHBoxLayout;
    fields->setSpacing(grid::kStep);
    m_first = new NumberField(tr("gauge"), {}, QStringLiteral("readFirst"));
    m_second = new NumberField(tr("right arm"), {}, QStringLiteral("readSecond"));
    m_temperature = new NumberField(tr("thermometer"), {}, QStringLiteral("readTemperature"));
    m_beforePull = new NumberField(tr("before the pull"), {}, QStringLiteral("readBeforePull"));
    for (NumberField* f : {m_first, m_second, m_temperature})
        f->setBig();
    m_beforePull->setToolTip(
        tr("The liquid before the pump was opened. Only the temperature at the reading is fitted."));
    for (NumberField* f : {m_first, m_second, m_temperature, m_beforePull})
        fields->addWidget(f);
    column()->addLayout(fields);
}

void ReadingCard::buildVigour() {
    auto* how = new QHBoxLayout;
    how->setSpacing(grid::kStep);
    auto* boils = makeLabel(tr("it boils"), "muted");
    boils->setWordWrap(false);
    how->addWidget(boils);
    m_vigour = new Segments(QStringLiteral("vigour"), tr("How it boils"), Segments::Rows::AsNeeded);
    QStringList names;
    for (int v = 1; v <= 5; ++v)
        names << QStringLiteral("%1 %2").arg(v).arg(onScreen(vigourName(v)));
    m_vigour->setChoices(names);
    for (int v = 0; v < 5; ++v) {
        const QKeySequence key(QStringLiteral("Alt+%1").arg(v + 1));
        m_vigour->button(v)->setShortcut(key);
        m_vigour->button(v)->setToolTip(key.toString(QKeySequence::NativeText));
        setRole(m_vigour->button(v), "smallSegment");
    }
    how->addWidget(m_vigour, 1);
    column()->addLayout(how);
}

void ReadingCard::buildDetails() {
    FlowLayout* details = FlowLayout::inRow();
    m_pump = new Segments(QStringLiteral("pumpState"), tr("The pump, when both were read"));
    m_pump->setChoices({tr("shut off"), tr("pulling")});
    for (int i = 0; i < 2; ++i) {
        const QKeySequence key(i == 0 ? QStringLiteral("Alt+O") : QStringLiteral("Alt+U"));
        m_pump->button(i)->setShortcut(key);
        m_pump->button(i)->setToolTip(
            (i == 0 ? tr("The pump was shut off when both were read: asked anew for each point (%1)")
                    : tr("The pump was pulling when both were read: asked anew for each point (%1)"))
                .arg(key.toString(QKeySequence::NativeText)));
        setRole(m_pump->button(i), "smallSegment");
    }
    m_heater = new NumberField(QString(), {}, QStringLiteral("heaterSetting"));
    m_heater->edit()->setAccessibleName(tr("How the heater stands"));
    m_heater->setToolTip(
        tr("How the heater stands, as its knob or meter shows it: stays until it is changed, and "
           "stands with each point"));
    m_cooling = new QCheckBox(tr("cooling"));
    m_cooling->setToolTip(tr("Read while the liquid was cooling, not while it was heated"));
    m_cooling->setObjectName(QStringLiteral("cooling"));
    m_judge = new FieldEdit;
    m_judge->setObjectName(QStringLiteral("judge"));
    m_judge->setToolTip(tr("Who said that it boils: people differ, and it stands with the point"));
    m_judge->setAccessibleName(tr("Who said that it boils"));
    m_criterion = new QComboBox;
    m_criterion->setObjectName(QStringLiteral("criterion"));
    m_criterion->setAccessibleName(tr("What counts as boiling for this point"));
    m_criterion->addItems({tr("first bubbles"), tr("steady"), tr("through the bulk"), tr("stops, shut off")});
    details->addFixed(m_criterion);
    details->addWidget(besideLabel(tr("pump"), m_pump));
    details->addFixed(m_cooling);
    m_judge->setUsualWidth(58);
    details->addWidget(besideLabel(tr("seen by"), m_judge));
    m_heaterBox = besideLabel(tr("heater at"), m_heater);
    details->addWidget(m_heaterBox);
    column()->addWidget(details->parentWidget());
}

void ReadingCard::buildActions() {
    auto* inSight = new RowInSight(*column());
    auto* act = inSight->row();
    m_capture = new QPushButton(tr("Capture   ⏎"));
    m_capture->setObjectName(QStringLiteral("capture"));
    m_capture->setToolTip(
        tr("Enter or Space in the fields: pressure and temperature at the same instant, on disk at once"));
    setRole(m_capture, "main");
    m_confirm = new QPushButton(tr("Confirm…"));
    m_confirm->setObjectName(QStringLiteral("confirm"));
    m_confirm->setProperty("beside", "main");
    m_confirm->setToolTip(tr("Bracket this point: bleed until boiling stops and capture, pull until it "
                             "starts again and capture."));
    act->addWidget(m_capture, 3);
    act->addWidget(m_confirm, 1);
    m_carried = makeLabel({}, "note");
    m_carried->setObjectName(QStringLiteral("carried"));
    m_carried->hide();
    column()->addWidget(m_carried);
    m_repeats = makeLabel({}, "note");
    m_repeats->setObjectName(QStringLiteral("repeats"));
    column()->addWidget(m_repeats);
}

void ReadingCard::wire() {
    for (NumberField* f : {m_first, m_second, m_temperature, m_beforePull, m_heater}) {
        connect(f, &NumberField::edited, this, &ReadingCard::edited);
        f->edit()->installEventFilter(this);
    }
    connect(m_heater, &NumberField::committed, this, &ReadingCard::heaterSet);
    connect(m_vigour, &Segments::picked, this, &ReadingCard::edited);
    connect(m_criterion, &QComboBox::activated, this, &ReadingCard::edited);
    connect(m_pump, &Segments::picked, this, [this] {
        emit edited();
        if (std::exchange(m_asksShut, false)) emit captureRequested();
    });
    connect(m_cooling, &QCheckBox::clicked, this, &ReadingCard::edited);
    connect(m_judge, &QLineEdit::textEdited, this, &ReadingCard::edited);
    connect(m_capture, &QPushButton::clicked, this, &ReadingCard::captureRequested);
    connect(m_keep, &QPushButton::clicked, this, &ReadingCard::keepRequested);
    connect(m_confirm, &QPushButton::clicked, this, &ReadingCard::bracketRequested);
    connect(m_note, &QPushButton::clicked, this, &ReadingCard::noteRequested);
    connect(m_zero, &QPushButton::clicked, this, &ReadingCard::zeroRequested);
    connect(m_startTemperature, &QPushButton::clicked, this, &ReadingCard::startRequested);
}

std::vector<NumberField*> ReadingCard::needed() const {
    if (m_twoArms) return {m_first, m_second, m_temperature};
    return {m_first, m_temperature};
}

bool ReadingCard::eventFilter(QObject* watched, QEvent* event) {
    if (event->type() == QEvent::KeyPress) {
        const auto* key = static_cast<QKeyEvent*>(event);
        // Enter goes to the next empty field, and captures from the last: one hand, one key.
        if (key->key() == Qt::Key_Return || key->key() == Qt::Key_Enter) {
            for (NumberField* f : needed())
                if (!f->value() && f->edit() != watched) {
                    f->edit()->setFocus();
                    return true;
                }
            emit captureRequested();
            return true;
        }
        if (key->key() == Qt::Key_Space) {
            emit captureRequested();
            return true;
        }
    }
    return Card::eventFilter(watched, event);
}

void ReadingCard::showLive(const BenchDraft& draft, const LiveView& view) {
    if (!draft.gaugeIsTyped()) {
        m_first->setValue(draft.first);
        m_second->setValue(draft.second);
    }
    if (!draft.temperatureIsTyped()) m_temperature->setValue(draft.temperature);
    // Told by the trend as long as nobody says otherwise.
    if (view.looksShut && m_pump->chosen() < 0) m_pump->choose(0);
    if (view.side) m_cooling->setChecked(*view.side == ApproachSide::Cooling);
}

BenchDraft ReadingCard::typed() const {
    BenchDraft d;
    d.first = m_first->value();
    d.second = m_twoArms ? m_second->value() : std::nullopt;
    d.temperature = m_temperature->value();
    d.beforePull = m_asksBefore ? m_beforePull->value() : std::nullopt;
    if (m_pump->chosen() >= 0) d.isolated = m_pump->chosen() == 0;
    d.heaterSetting = m_heater->value();
    d.stepsDone = m_stepsDone;
    d.side = m_cooling->isChecked() ? ApproachSide::Cooling : ApproachSide::Heating;
    d.judge = m_judge->text().toStdString();
    d.vigour = m_vigour->chosen() + 1;
    if (m_criterion->currentIndex() >= 0) d.criterion = kCriteria[m_criterion->currentIndex()];
    return d;
}

void ReadingCard::setGauge(const GaugeReading& reading) {
    m_first->setValue(reading.first);
    m_second->setValue(reading.second);
    emit edited();
}

void ReadingCard::setTemperature(double reading) {
    m_temperature->setValue(reading);
    emit edited();
}

void ReadingCard::setVigour(int vigour) {
    m_vigour->choose(vigour - 1);
    emit edited();
}

void ReadingCard::showCarried(const QString& text) {
    m_carried->setText(text);
    m_carried->setVisible(!text.isEmpty());
}

void ReadingCard::showRepeats(const QString& text) {
    m_repeats->setText(text);
    m_repeats->setVisible(!text.isEmpty());
}

void ReadingCard::askWhetherShut() {
    m_asksShut = true;
    m_pump->button(0)->setFocus(Qt::OtherFocusReason);
}

void ReadingCard::focusTemperature() { m_temperature->edit()->setFocus(); }
void ReadingCard::focusFirst() { m_first->edit()->setFocus(); }

void ReadingCard::show(const LessonSession& session) {
    const Plan& p = session.benchPlan();
    m_twoArms = hasTwoArms(p.rig.gauge.convention);
    m_asksBefore = p.method == Method::HoldTemperature;
    const QString u = asIs(unitText(p.rig.gauge)), tu = asIs(readingUnit(p.rig.thermometer));
    m_first->setLabel(m_twoArms ? tr("left arm") : onScreen(Text::data(p.rig.gauge.name)));
    m_first->setUnit(u);
    m_second->setUnit(u);
    m_second->setVisible(m_twoArms);
    m_temperature->setLabel(tr("thermometer"));
    m_temperature->setUnit(tu);
    m_beforePull->setUnit(tu);
    m_beforePull->setVisible(m_asksBefore);
    const BenchDraft& d = session.draft();
    m_first->setValue(d.first);
    m_second->setValue(d.second);
    m_temperature->setValue(d.temperature);
    m_beforePull->setValue(d.beforePull);
    m_vigour->choose(d.vigour - 1);
    m_pump->choose(d.isolated ? (*d.isolated ? 0 : 1) : -1);
    if (d.isEmpty()) m_asksShut = false;
    m_heater->setValue(d.heaterSetting);
    m_heaterBox->setVisible(p.method == Method::HoldPressure);
    m_stepsDone = d.stepsDone;
    const ReadOrder& order = p.rig.readOrder;
    m_step->setVisible(!order.empty());
    m_stepDone->setVisible(!order.empty());
    if (m_stepsDone < order.size())
        m_step->setText(tr("%1 of %2: %3")
                            .arg(m_stepsDone + 1)
                            .arg(order.size())
                            .arg(onScreen(instruction(order[m_stepsDone]))));
    m_cooling->setChecked(d.side == ApproachSide::Cooling);
    m_criterion->setCurrentIndex(indexOf(kCriteria, d.criterion));
    m_judge->setText(QString::fromStdString(d.judge));
    const bool running = session.runId().has_value();
    for (QWidget* w :
         {static_cast<QWidget*>(m_capture), static_cast<QWidget*>(m_confirm), static_cast<QWidget*>(m_zero),
          static_cast<QWidget*>(m_startTemperature), static_cast<QWidget*>(m_note),
          static_cast<QWidget*>(m_stage), static_cast<QWidget*>(m_topUp)})
        w->setEnabled(running);
    m_topUp->setVisible(p.rig.pump == PumpKind::Hand);
    m_confirm->setText(session.bracketAwaitsRestart() ? tr("It starts again") : tr("Confirm…"));
}

} // namespace uttrin::app

#include "moc_ReadingCard.cpp"
