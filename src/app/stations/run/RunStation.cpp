#include "RunStation.h"

#include "TakenCard.h"
#include "TargetCard.h"
#include "app/controller/Dialogs.h"
#include "app/controller/RunChoice.h"
#include "app/controls/Card.h"
#include "app/controls/FieldEdit.h"
#include "app/controls/Labels.h"
#include "app/controls/NumberField.h"
#include "app/controls/OnScreen.h"
#include "app/controls/ScrollColumn.h"
#include "app/controls/Segments.h"
#include "app/controls/Theme.h"
#include "app/instruments/InstrumentPair.h"
#include "app/map/PhaseMap.h"

#include <QCheckBox>
#include <QComboBox>
#include <QHBoxLayout>
#include <QKeyEvent>
#include <QPushButton>
#include <QStackedWidget>

namespace uttrin::app {
namespace {

constexpr const char* kCriteria[] = {"first-bubbles", "steady", "stops-after-isolating"};

} // namespace

RunStation::RunStation(LessonController& controller) : StationPage(controller) {
    auto* row = new QHBoxLayout(this);
    row->setContentsMargins(12, 8, 12, 8);
    row->setSpacing(12);
    auto* left = new QVBoxLayout;
    left->setSpacing(4);
    left->addWidget(buildRuns());
    m_beside = new QStackedWidget;
    m_map = new PhaseMap;
    m_beside->addWidget(m_map);
    m_pair = new InstrumentPair;
    m_beside->addWidget(m_pair);
    left->addWidget(m_beside, 1);
    auto* caution = makeLabel(
        QStringLiteral("\u26A0 ") + tr("Goggles on, shield up. Never warm a closed flask."), "cautionText");
    caution->setToolTip(tr("Local rules, the vessel maker's rating and qualified staff come first. All "
                           "cautions stand on the Plan."));
    auto* below = new QHBoxLayout;
    below->addWidget(caution, 1);
    m_shown = new Segments(QStringLiteral("runShown"));
    m_shown->setChoices({tr("Map"), tr("Instruments")});
    m_shown->choose(0);
    m_shown->button(1)->setToolTip(
        tr("Your instruments as they look: drag them until they stand like those before you"));
    below->addWidget(m_shown);
    left->addLayout(below);
    row->addLayout(left, 1);
    m_right = new ScrollColumn;
    m_right->column()->setSpacing(8);
    row->addWidget(m_right, 2);
    m_target = new TargetCard;
    m_right->column()->addWidget(m_target);
    m_right->column()->addWidget(buildReadings());
    m_taken = new TakenCard;
    m_right->column()->addWidget(m_taken, 1);
    wire();
}

QWidget* RunStation::buildRuns() {
    auto* bar = new QWidget;
    auto* runs = new QHBoxLayout(bar);
    runs->setContentsMargins(0, 0, 0, 0);
    m_run = new RunChoice(m_controller, QStringLiteral("runChoice"));
    m_newGroup = new FieldEdit;
    m_newGroup->setObjectName(QStringLiteral("newGroup"));
    m_newGroup->setPlaceholderText(tr("group"));
    m_newGroup->setAccessibleName(tr("Group that starts a run"));
    m_newGroup->setMinimumWidth(70);
    m_newGroup->setMaximumWidth(110);
    m_start = new QPushButton(tr("Start a run"));
    m_start->setObjectName(QStringLiteral("startRun"));
    runs->addWidget(m_run);
    runs->addWidget(m_newGroup);
    runs->addWidget(m_start);
    runs->addStretch();
    return bar;
}

QWidget* RunStation::buildReadings() {
    auto* card = new Card;
    card->column()->setContentsMargins(16, 8, 16, 10);
    auto* top = new QHBoxLayout;
    auto* instant = makeLabel(tr("Read both at the same instant"), "heading");
    instant->setWordWrap(false);
    top->addWidget(instant);
    top->addStretch();
    m_zero = new QPushButton(tr("Zero check"));
    m_zero->setObjectName(QStringLiteral("zeroCheck"));
    m_zero->setToolTip(tr("Open the gauge to the room, type what it shows, press this: its zero is stored "
                          "and taken off from now on."));
    m_note = new QPushButton(tr("Note…"));
    m_note->setObjectName(QStringLiteral("note"));
    m_note->setToolTip(tr("Stamp a phrase with the time (Ctrl+T)"));
    m_note->setShortcut(QKeySequence(QStringLiteral("Ctrl+T")));
    for (QPushButton* b : {m_zero, m_note}) {
        setRole(b, "link");
        top->addWidget(b);
    }
    card->column()->addLayout(top);
    auto* fields = new QHBoxLayout;
    fields->setSpacing(8);
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
    card->column()->addLayout(fields);
    auto* how = new QHBoxLayout;
    how->addWidget(makeLabel(tr("How it boils"), "heading"));
    how->addStretch();
    auto* keys = makeLabel(tr("keys Alt+1 … 5"), "muted");
    keys->setWordWrap(false);
    how->addWidget(keys);
    card->column()->addLayout(how);
    m_vigour = new Segments(QStringLiteral("vigour"));
    QStringList names;
    for (int v = 1; v <= 5; ++v)
        names << QStringLiteral("%1 %2").arg(v).arg(onScreen(vigourName(v)));
    m_vigour->setChoices(names);
    for (int v = 0; v < 5; ++v) {
        m_vigour->button(v)->setShortcut(QKeySequence(QStringLiteral("Alt+%1").arg(v + 1)));
        m_vigour->button(v)->setStyleSheet(
            QStringLiteral("padding: 6px 4px; font-size: %1px;").arg(theme().small));
    }
    card->column()->addWidget(m_vigour);
    auto* details = new QHBoxLayout;
    m_isolated = new QCheckBox(tr("isolated"));
    m_isolated->setToolTip(tr("The pump was closed off when this point was read"));
    m_isolated->setObjectName(QStringLiteral("isolated"));
    m_cooling = new QCheckBox(tr("cooling"));
    m_cooling->setToolTip(tr("Read while the liquid was cooling, not while it was heated"));
    m_cooling->setObjectName(QStringLiteral("cooling"));
    m_judge = new FieldEdit;
    m_judge->setObjectName(QStringLiteral("judge"));
    m_judge->setPlaceholderText(tr("observer"));
    m_judge->setAccessibleName(tr("Who said that it boils"));
    m_criterion = new QComboBox;
    m_criterion->setObjectName(QStringLiteral("criterion"));
    m_criterion->setAccessibleName(tr("What counts as boiling for this point"));
    m_criterion->addItems({tr("first bubbles"), tr("steady"), tr("stops, isolated")});
    details->addWidget(m_criterion);
    details->addWidget(m_isolated);
    details->addWidget(m_cooling);
    m_judge->setMinimumWidth(70);
    details->addWidget(m_judge, 1);
    card->column()->addLayout(details);
    m_findingBox = new QWidget;
    auto* box = new QVBoxLayout(m_findingBox);
    box->setContentsMargins(0, 0, 0, 0);
    box->setSpacing(6);
    m_finding = makeLabel({}, "caution");
    m_finding->setObjectName(QStringLiteral("finding"));
    box->addWidget(m_finding);
    auto* choices = new QHBoxLayout;
    m_mend = new QPushButton(tr("Mend it"));
    m_mend->setObjectName(QStringLiteral("mend"));
    m_keep = new QPushButton(tr("Keep as typed"));
    m_keep->setObjectName(QStringLiteral("keep"));
    choices->addWidget(m_mend);
    choices->addWidget(m_keep);
    choices->addStretch();
    box->addLayout(choices);
    card->column()->addWidget(m_findingBox);
    m_findingBox->hide();

    auto* act = new QHBoxLayout;
    m_capture = new QPushButton(tr("Capture   ⏎"));
    m_capture->setObjectName(QStringLiteral("capture"));
    m_capture->setToolTip(
        tr("Enter or Space in the fields: pressure and temperature at the same instant, on disk at once"));
    setRole(m_capture, "main");
    m_confirm = new QPushButton(tr("Confirm…"));
    m_confirm->setObjectName(QStringLiteral("confirm"));
    m_confirm->setToolTip(tr("Bracket this point: bleed until boiling stops and capture, pull until it "
                             "starts again and capture."));
    m_confirm->setMinimumHeight(46);
    act->addWidget(m_capture, 3);
    act->addWidget(m_confirm, 1);
    card->column()->addLayout(act);
    m_repeats = makeLabel({}, "note");
    m_repeats->setObjectName(QStringLiteral("repeats"));
    card->column()->addWidget(m_repeats);
    return card;
}

void RunStation::wire() {
    for (NumberField* f : {m_first, m_second, m_temperature, m_beforePull}) {
        connect(f, &NumberField::edited, this, &RunStation::takeDraft);
        f->edit()->installEventFilter(this);
    }
    connect(m_shown, &Segments::picked, m_beside, &QStackedWidget::setCurrentIndex);
    connect(m_pair, &InstrumentPair::gaugeMoved, this, [this](const GaugeReading& reading) {
        m_first->setValue(reading.first);
        m_second->setValue(reading.second);
        takeDraft();
    });
    connect(m_pair, &InstrumentPair::temperatureMoved, this, [this](double reading) {
        m_temperature->setValue(reading);
        takeDraft();
    });
    connect(m_vigour, &Segments::picked, this, [this](int index) { setVigour(index + 1); });
    connect(m_criterion, &QComboBox::activated, this, &RunStation::takeDraft);
    connect(m_isolated, &QCheckBox::clicked, this, &RunStation::takeDraft);
    connect(m_cooling, &QCheckBox::clicked, this, &RunStation::takeDraft);
    connect(m_judge, &QLineEdit::textEdited, this, &RunStation::takeDraft);
    connect(m_capture, &QPushButton::clicked, this, &RunStation::capture);
    connect(m_keep, &QPushButton::clicked, this, [this] { settle(true); });
    connect(m_mend, &QPushButton::clicked, this, [this] {
        if (m_shownFinding.mendedGauge) {
            m_first->setValue(m_shownFinding.mendedGauge->first);
            m_second->setValue(m_shownFinding.mendedGauge->second);
        }
        if (m_shownFinding.mendedTemperature) m_temperature->setValue(m_shownFinding.mendedTemperature);
        takeDraft();
        m_findingBox->hide();
        m_capture->setFocus();
    });
    connect(m_confirm, &QPushButton::clicked, this, &RunStation::confirmBracket);
    connect(m_note, &QPushButton::clicked, this, &RunStation::askNote);
    connect(m_zero, &QPushButton::clicked, this, [this] {
        if (!m_first->value()) {
            m_controller.say(tr("Open the gauge to the room and type what it shows, then press Zero check."));
            m_first->edit()->setFocus();
            return;
        }
        const auto done =
            session().checkZero(*m_first->value(), m_second->isVisible() ? m_second->value() : std::nullopt);
        if (done) {
            m_first->setValue(std::nullopt);
            m_second->setValue(std::nullopt);
            takeDraft();
        }
        if (m_controller.report(done))
            m_controller.say(tr("Zero stored; it is taken off the readings from now on."));
    });
    connect(m_start, &QPushButton::clicked, this, [this] { startRunFor(m_newGroup->text()); });
    connect(m_newGroup, &QLineEdit::returnPressed, this, [this] { startRunFor(m_newGroup->text()); });
    const auto step = [this](int by) {
        const auto sheet = session().sheet();
        const auto now = session().currentTarget();
        if (!sheet) return;
        const int order = (now ? now->order : static_cast<int>(sheet->targets.size()) + 1) + by;
        for (const Target& t : sheet->targets)
            if (t.order == order) session().selectTarget(t.place);
        m_controller.refresh();
    };
    connect(m_target, &TargetCard::stepped, this, step);
    connect(m_map, &PhaseMap::targetPicked, this, [this](int place) {
        session().selectTarget(place);
        m_controller.refresh();
    });
    connect(m_map, &PhaseMap::pointPicked, m_taken, &TakenCard::choose);
    connect(m_taken, &TakenCard::strikeRequested, this, &RunStation::strikeSelected);
    connect(m_taken, &TakenCard::retakeRequested, this, &RunStation::retakeSelected);
    connect(m_taken, &TakenCard::pictureRequested, this, [this] {
        if (const auto id = m_taken->chosen())
            emit pictureRequested(*id);
        else
            m_controller.say(tr("Choose the point in the list first."));
    });
}

bool RunStation::eventFilter(QObject* watched, QEvent* event) {
    if (event->type() == QEvent::KeyPress) {
        const auto* key = static_cast<QKeyEvent*>(event);
        // Enter goes to the next empty field, and captures from the last: one hand, one key.
        if (key->key() == Qt::Key_Return || key->key() == Qt::Key_Enter) {
            for (NumberField* f : {m_first, m_second, m_temperature})
                if (f->isVisible() && !f->value() && f->edit() != watched) {
                    f->edit()->setFocus();
                    return true;
                }
            capture();
            return true;
        }
        if (key->key() == Qt::Key_Space) {
            capture();
            return true;
        }
    }
    return StationPage::eventFilter(watched, event);
}

void RunStation::takeDraft() {
    if (m_filling) return;
    Draft& d = session().draft;
    d.first = m_first->value();
    d.second = m_second->isVisible() ? m_second->value() : std::nullopt;
    d.temperature = m_temperature->value();
    d.beforePull = m_beforePull->isVisible() ? m_beforePull->value() : std::nullopt;
    d.isolated = m_isolated->isChecked();
    d.side = m_cooling->isChecked() ? "cooling" : "heating";
    d.judge = m_judge->text().toStdString();
    if (m_criterion->currentIndex() >= 0) d.criterion = kCriteria[m_criterion->currentIndex()];
    m_controller.touchDraft();
}

void RunStation::setVigour(int vigour) {
    session().draft.vigour = vigour;
    m_vigour->choose(vigour - 1);
    m_controller.touchDraft();
}

void RunStation::capture() {
    takeDraft();
    settle(false);
}

void RunStation::settle(bool keepOdd) {
    const auto outcome = session().capture(keepOdd);
    if (!outcome) {
        m_controller.report(outcome);
        return;
    }
    if (!outcome->readingId) {
        showFinding(outcome->finding, true);
        // Enter again must not let a slip through.
        if (m_mend->isVisible())
            m_mend->setFocus();
        else
            m_temperature->edit()->setFocus();
        return;
    }
    m_findingBox->hide();
    m_controller.refresh();
    m_controller.say(tr("Captured, and on disk."));
    m_first->edit()->setFocus();
}

void RunStation::showFinding(const SlipFinding& finding, bool waiting) {
    m_shownFinding = finding;
    const bool odd = finding.kind != SlipKind::None;
    m_findingBox->setVisible(odd);
    if (!odd) return;
    m_finding->setText(onScreen(finding.sentence));
    m_mend->setVisible(finding.mendedGauge || finding.mendedTemperature);
    m_keep->setVisible(waiting);
}

void RunStation::confirmBracket() {
    takeDraft();
    const Draft& d = session().draft;
    if (!d.first || !d.temperature) {
        m_controller.say(!session().bracketAwaitsRestart()
                             ? tr("Bleed until boiling stops, type both instruments, press Confirm.")
                             : tr("Pull until it boils again, type both instruments, press the button."));
        m_first->edit()->setFocus();
        return;
    }
    m_controller.report(session().captureBracket());
}

void RunStation::askNote() {
    QStringList phrases;
    for (const auto& p : readyPhrases())
        phrases << onScreen(p);
    const auto text = dialogs::askText(this, tr("Note"), tr("Stamped with the time:"), phrases);
    if (text) m_controller.report(session().addNote(text->toStdString()));
}

void RunStation::startRunFor(const QString& group) {
    if (m_controller.report(session().startRun(group.trimmed().toStdString()))) {
        m_newGroup->clear();
        m_first->edit()->setFocus();
    }
}

void RunStation::strikeSelected() {
    const auto id = m_taken->chosen();
    if (!id) {
        m_controller.say(tr("Choose the point to strike in the list first."));
        return;
    }
    const auto reason = dialogs::askText(
        this, tr("Strike a point"), tr("It stays in the record, hollow, with this reason:"), strikeReasons());
    if (reason) m_controller.report(session().strike(*id, reason->toStdString()));
}

void RunStation::retakeSelected() {
    if (const auto id = m_taken->chosen())
        m_controller.report(session().retake(*id));
    else
        m_controller.say(tr("Choose the point to retake in the list first."));
}

void RunStation::showInstruments() {
    const Draft& d = session().draft;
    m_pair->showGauge(d.first ? std::optional(GaugeReading{*d.first, d.second}) : std::nullopt);
    m_pair->showTemperature(d.temperature);
}

void RunStation::refreshDraft() {
    showInstruments();
    m_map->show(mapView(session(), MapPurpose::Run));
    if (m_findingBox->isVisible()) showFinding(session().checkDraft(), m_keep->isVisible());
}

void RunStation::refresh() {
    m_filling = true;
    m_right->setWidths(theme().large ? 580 : 446, theme().large ? 600 : 452);
    const Plan& p = session().plan();
    const bool twoArm = hasTwoArms(p.rig.gauge.convention);
    const QString u = onScreen(unitText(p.rig.gauge)), tu = onScreen(readingUnit(p.rig.thermometer));
    m_first->setLabel(twoArm ? tr("left arm") : onScreen(p.rig.gauge.name));
    m_first->setUnit(u);
    m_second->setUnit(u);
    m_second->setVisible(twoArm);
    m_temperature->setLabel(tr("thermometer"));
    m_temperature->setUnit(tu);
    m_beforePull->setUnit(tu);
    m_beforePull->setVisible(p.method == Method::HoldTemperature);
    const Draft& d = session().draft;
    m_first->setValue(d.first);
    m_second->setValue(d.second);
    m_temperature->setValue(d.temperature);
    m_beforePull->setValue(d.beforePull);
    m_vigour->choose(d.vigour - 1);
    m_isolated->setChecked(d.isolated);
    m_cooling->setChecked(d.side == "cooling");
    for (int i = 0; i < 3; ++i)
        if (d.criterion == kCriteria[i]) m_criterion->setCurrentIndex(i);
    m_judge->setText(QString::fromStdString(d.judge));
    m_run->refresh(1);

    m_pair->setInstruments(p.rig.gauge, p.rig.thermometer, session().roomOrStandard().pascal());
    showInstruments();
    const RunView v = runView(session());
    m_target->show(v);
    m_pair->showTarget(v.targetGauge, v.targetTemperature);
    m_repeats->setText(onScreen(v.repeats));
    m_repeats->setVisible(!v.repeats.empty());
    const bool running = session().runId().has_value();
    for (QWidget* w : {static_cast<QWidget*>(m_capture), static_cast<QWidget*>(m_confirm),
                       static_cast<QWidget*>(m_zero), static_cast<QWidget*>(m_note)})
        w->setEnabled(running);
    m_confirm->setText(session().bracketAwaitsRestart() ? tr("It starts again") : tr("Confirm…"));
    m_taken->show(v, tu);
    m_map->show(mapView(session(), MapPurpose::Run));
    m_filling = false;
}

} // namespace uttrin::app

#include "moc_RunStation.cpp"
