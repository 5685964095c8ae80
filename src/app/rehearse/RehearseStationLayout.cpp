// What stands where at the Rehearse station, and what is wired to what.
#include "KnobField.h"
#include "ManualControls.h"
#include "MeasuredPanel.h"
#include "RehearsalTape.h"
#include "RehearseStation.h"
#include "RigFileDialogs.h"
#include "RigGuide.h"
#include "SuccessTile.h"
#include "app/controller/OwnRigs.h"
#include "app/controls/Card.h"
#include "app/controls/FlowLayout.h"
#include "app/controls/Grid.h"
#include "app/controls/Labels.h"
#include "app/controls/OnScreen.h"
#include "app/controls/Segments.h"
#include "app/controls/Theme.h"
#include "app/map/PhaseMap.h"
#include "app/rigdrawing/RigDrawing.h"
#include "lesson/commands/SelectionCommands.h"

#include <QComboBox>
#include <QHBoxLayout>
#include <QKeyEvent>
#include <QSettings>
#include <QStackedWidget>
#include <QTimer>

#include <algorithm>
#include <array>
#include <cmath>
namespace uttrin::app {

void RehearseStation::buildLeft(QVBoxLayout* column) {
    m_choice = new QComboBox;
    m_choice->setObjectName(QStringLiteral("demonstration"));
    m_choice->setAccessibleName(tr("Demonstration"));
    column->addWidget(m_choice);
    m_variants = new Segments(QStringLiteral("rigVariant"), tr("Variant of the demonstration"),
                              Segments::Rows::AsNeeded);
    column->addWidget(m_variants);
    m_drawing = new RigDrawing;
    column->addWidget(m_drawing, 1);
    m_knobs = new QWidget;
    m_knobRow = new QHBoxLayout(m_knobs);
    m_knobRow->setContentsMargins(0, 0, 0, 0);
    m_knobRow->setSpacing(grid::kMargin);
    column->addWidget(m_knobs);
    m_handles = new ManualControls;
    m_handles->hide();
    column->addWidget(m_handles);
}

void RehearseStation::buildRight(QVBoxLayout* column) {
    FlowLayout* top = FlowLayout::inRow();
    m_face = new Segments(QStringLiteral("rehearseFace"), tr("What is shown of the demonstration"));
    m_face->setChoices({tr("Map"), tr("Guide"), tr("Measured")});
    m_face->choose(0);
    top->addFixed(m_face);
    auto* other = new QWidget;
    auto* beside = new QHBoxLayout(other);
    beside->setContentsMargins(0, 0, 0, 0);
    beside->setSpacing(grid::kHalfStep);
    beside->addStretch();
    m_besideLabel = makeLabel(tr("beside"), "muted");
    m_besideLabel->setWordWrap(false);
    beside->addWidget(m_besideLabel);
    m_compare = new QComboBox;
    m_compare->setObjectName(QStringLiteral("compareWith"));
    m_compare->setAccessibleName(tr("Variant to compare with"));
    m_compare->setSizeAdjustPolicy(QComboBox::AdjustToContents);
    beside->addWidget(m_compare);
    top->addWidget(other);
    column->addWidget(top->parentWidget());
    m_faces = new QStackedWidget;
    m_map = new PhaseMap;
    m_map->setObjectName(QStringLiteral("rehearseMap"));
    m_map->setOverviewShown(false);
    m_map->setMinimumHeight(0); // as low as the faces are
    m_faces->addWidget(m_map);
    m_guide = new RigGuide;
    m_faces->addWidget(m_guide);
    m_measured = new MeasuredPanel;
    m_faces->addWidget(m_measured);
    m_faces->setMinimumHeight(130);
    column->addWidget(m_faces, 1);
    auto* card = new Card;
    card->column()->setContentsMargins(grid::kAround);
    card->column()->setSpacing(grid::kHalfStep);
    card->column()->addWidget(makeLabel(tr("What you will see"), "muted"));
    card->column()->addWidget(m_see = makeLabel({}, "heading"));
    m_see->setObjectName(QStringLiteral("willSee"));
    card->column()->addWidget(m_next = makeLabel({}));
    m_next->setObjectName(QStringLiteral("comesNext"));
    column->addWidget(card);
    m_caution = makeLabel({}, "caution");
    m_caution->setObjectName(QStringLiteral("rigCaution"));
    column->addWidget(m_caution);
    FlowLayout* tiles = FlowLayout::inRow();
    m_chance = new SuccessTile;
    tiles->addWidget(m_chance);
    m_manualButton = new QPushButton;
    m_manualButton->setObjectName(QStringLiteral("runByHand"));
    m_manualButton->setCheckable(true);
    m_manualButton->setProperty("role", "main");
    m_captureButton = new QPushButton(tr("Capture  C"));
    m_captureButton->setObjectName(QStringLiteral("manualCapture"));
    m_captureButton->setProperty("role", "main");
    m_captureButton->setShortcut(Qt::Key_C);
    m_captureButton->hide();
    tiles->addWidget(m_captureButton);
    tiles->addWidget(m_manualButton);
    column->addWidget(tiles->parentWidget());
}

/// Only the face that is seen asks for room.
void RehearseStation::showFace(int face) {
    for (int i = 0; i < m_faces->count(); ++i) {
        const auto policy = i == face ? QSizePolicy::Preferred : QSizePolicy::Ignored;
        m_faces->widget(i)->setSizePolicy(policy, policy);
    }
    m_faces->setCurrentIndex(face);
    fit();
}

void RehearseStation::buildTape(QVBoxLayout* column) {
    auto* row = new QHBoxLayout;
    row->setContentsMargins(grid::kAround);
    row->setSpacing(grid::kStep);
    auto* controls = new QVBoxLayout;
    controls->setSpacing(grid::kStep);
    auto* upper = new QHBoxLayout;
    upper->setSpacing(grid::kStep);
    m_playButton = new QPushButton(tr("Play"));
    m_playButton->setObjectName(QStringLiteral("playRehearsal"));
    m_playButton->setCheckable(true);
    m_playButton->setToolTip(tr("Play or pause: Space. Left and right on the tape step."));
    m_time = makeLabel({}, "heading");
    m_time->setObjectName(QStringLiteral("rehearsalTime"));
    m_time->setWordWrap(false);
    upper->addWidget(m_playButton);
    upper->addWidget(m_time);
    controls->addLayout(upper);
    m_speed = new Segments(QStringLiteral("rehearsalSpeed"), tr("Speed of playing"));
    QStringList speeds;
    for (const double s : kSpeeds)
        speeds << QStringLiteral("%1×").arg(onScreen(s, 0));
    m_speed->setChoices(speeds);
    m_speed->choose(kUsualSpeed);
    controls->addWidget(m_speed);
    m_curves = makeLabel({}, "muted");
    m_curves->setObjectName(QStringLiteral("tapeCurves"));
    m_curves->setTextFormat(Qt::RichText);
    controls->addWidget(m_curves);
    controls->addStretch();
    row->addLayout(controls);
    m_tape = new RehearsalTape;
    m_tape->setFixedHeight(scaled(112));
    row->addWidget(m_tape, 1);
    column->addLayout(row);
}

void RehearseStation::wire() {
    m_clock->setInterval(kTickMs);
    connect(m_clock, &QTimer::timeout, this, &RehearseStation::tick);
    connect(m_choice, &QComboBox::activated, this, &RehearseStation::choose);
    connect(m_variants, &Segments::picked, this, [this](int variant) {
        m_variant = variant;
        if (m_beside == variant) m_beside = -1;
        m_compare->setCurrentIndex(m_beside + 1);
        fillKnobs();
        fillCaution();
        showGuide();
        start();
    });
    connect(m_compare, &QComboBox::activated, this, [this](int index) {
        m_beside = m_compare->itemData(index).toInt();
        start();
    });
    connect(m_guide, &RigGuide::openRequested, this, [this] {
        auto opened = openRigFile(this, m_controller);
        if (!opened) return;
        m_rigs.push_back(std::move(*opened));
        fillChoices();
        choose(static_cast<int>(m_rigs.size()) - 1);
    });
    connect(m_guide, &RigGuide::keepRequested, this, [this] {
        if (keepOwnRig(this, m_controller, rig(), settingsOf(m_variant), onScreen(Text::data(rig().name()))))
            fillChoices();
    });
    connect(m_guide, &RigGuide::saveRequested, this,
            [this] { saveRigFile(this, m_controller, rig(), settingsOf(m_variant)); });
    connect(m_handles, &ManualControls::pressed, this, &RehearseStation::showMoment);
    connect(m_face, &Segments::picked, this, &RehearseStation::showFace);
    connect(m_playButton, &QPushButton::toggled, this, &RehearseStation::play);
    connect(m_manualButton, &QPushButton::toggled, this, &RehearseStation::runByHand);
    connect(m_captureButton, &QPushButton::clicked, this, &RehearseStation::capture);
    connect(m_tape, &RehearsalTape::momentPicked, this, &RehearseStation::goTo);
    connect(m_tape, &RehearsalTape::stepped, this, [this](int samples) {
        if (const Rehearsal* r = shown()) goTo(m_moment + samples * r->setup.every);
    });
    connect(m_runner, &RehearsalRunner::played, this, [this](std::shared_ptr<const Rehearsal> r) {
        m_played = std::move(r);
        m_moment = std::min(m_moment, m_played->setup.seconds); // a part of it may not have come so far
        m_tape->show(rehearsalTape(*m_played));
        showGuide();
        showMoment();
    });
    connect(m_runner, &RehearsalRunner::playedOther, this, [this](std::shared_ptr<const Rehearsal> r) {
        m_other = std::move(r);
        showMoment();
    });
    connect(m_measured, &MeasuredPanel::fitWanted, this, [this] {
        if (const auto readings = m_measured->readings(); readings && !m_manualRun)
            m_runner->fit(rig(), settingsOf(m_variant), *readings);
    });
    connect(m_measured, &MeasuredPanel::forecastWanted, this, &RehearseStation::start);
    connect(m_measured, &MeasuredPanel::readyWanted, this, [this] {
        if (const auto wanted = m_measured->wanted())
            m_runner->workOut([rig = rig(), settings = settingsOf(m_variant), moments = *wanted] {
                return readySentences(rig, settings, moments);
            });
    });
    connect(m_runner, &RehearsalRunner::fitted, this, [this](const std::shared_ptr<const CoolingFit>& fit) {
        m_measured->showFit(*fit);
        if (!m_isFitted) m_other = m_played; // the forecast is kept, beside it
        m_isFitted = true;
        m_played = std::make_shared<const Rehearsal>(fit->rehearsal);
        m_tape->show(rehearsalTape(*m_played));
        showMoment();
    });
    connect(m_runner, &RehearsalRunner::workedOut, m_measured, &MeasuredPanel::showReady);
    connect(m_runner, &RehearsalRunner::weighed, this, &RehearseStation::showChance);
    connect(m_runner, &RehearsalRunner::failed, this, [this](const QString& why) {
        m_measured->showProblem(why);
        emit m_controller.failed(why);
    });
}

} // namespace uttrin::app
