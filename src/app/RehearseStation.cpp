#include "RehearseStation.h"

#include "Controls.h"
#include "Dialogs.h"
#include "KnobField.h"
#include "MeasuredPanel.h"
#include "OnScreen.h"
#include "Outputs.h"
#include "PhaseMap.h"
#include "RehearsalTape.h"
#include "RigDrawing.h"
#include "Theme.h"

#include <QComboBox>
#include <QFile>
#include <QFileInfo>
#include <QHBoxLayout>
#include <QKeyEvent>
#include <QSettings>
#include <QStackedWidget>
#include <QTextBrowser>
#include <QTimer>

#include <algorithm>
#include <array>
#include <cmath>

namespace uttrin::app {
namespace {

constexpr std::array kSpeeds{1.0, 5.0, 20.0, 60.0, 200.0};
constexpr int kTickMs = 40, kUsualSpeed = 2;
const QString kRigFilter = QStringLiteral("Rig files (*.json)");

QString htmlList(const QString& title, const std::vector<std::string>& items, const char* tag) {
    if (items.empty()) return {};
    QString html = QStringLiteral("<h4>%1</h4><%2>").arg(title, QLatin1String(tag));
    for (const std::string& item : items)
        html += QStringLiteral("<li>%1</li>").arg(onScreen(item).toHtmlEscaped());
    return html + QStringLiteral("</%1>").arg(QLatin1String(tag));
}

void emptyLayout(QLayout* layout) {
    while (QLayoutItem* item = layout->takeAt(0)) {
        if (item->widget()) {
            item->widget()->hide();
            item->widget()->deleteLater();
        }
        delete item;
    }
}

} // namespace

RehearseStation::RehearseStation(LessonController& controller)
    : StationPage(controller), m_rigs(demonstrations()), m_runner(new RehearsalRunner(this)),
      m_clock(new QTimer(this)) {
    auto* whole = new QVBoxLayout(this);
    whole->setContentsMargins(0, 0, 0, 0);
    whole->setSpacing(0);
    auto* upper = new QHBoxLayout;
    upper->setContentsMargins(16, 12, 16, 8);
    upper->setSpacing(14);
    auto *left = new QVBoxLayout, *right = new QVBoxLayout;
    left->setSpacing(6);
    right->setSpacing(8);
    buildLeft(left);
    buildRight(right);
    upper->addLayout(left, 6);
    upper->addLayout(right, 7);
    whole->addLayout(upper, 1);
    buildTape(whole);
    wire();
    fillChoices();
    const int last = QSettings().value(QStringLiteral("rehearse/demonstration"), 0).toInt();
    choose(last >= 0 && last < static_cast<int>(m_rigs.size()) ? last : 0);
}

void RehearseStation::buildLeft(QVBoxLayout* column) {
    m_choice = new QComboBox;
    m_choice->setObjectName(QStringLiteral("demonstration"));
    m_choice->setAccessibleName(tr("Demonstration"));
    column->addWidget(m_choice);
    m_variants = new Segments(QStringLiteral("rigVariant"));
    column->addWidget(m_variants);
    m_drawing = new RigDrawing;
    column->addWidget(m_drawing, 1);
    m_knobs = new QWidget;
    m_knobRow = new QHBoxLayout(m_knobs);
    m_knobRow->setContentsMargins(0, 0, 0, 0);
    m_knobRow->setSpacing(14);
    column->addWidget(m_knobs);
    m_handles = new QWidget;
    m_handleRow = new QHBoxLayout(m_handles);
    m_handleRow->setContentsMargins(0, 0, 0, 0);
    m_handles->hide();
    column->addWidget(m_handles);
}

void RehearseStation::buildRight(QVBoxLayout* column) {
    auto* top = new QHBoxLayout;
    m_face = new Segments(QStringLiteral("rehearseFace"));
    m_face->setChoices({tr("Map"), tr("Guide"), tr("Measured")});
    m_face->choose(0);
    top->addWidget(m_face);
    top->addStretch();
    top->addWidget(makeLabel(tr("beside"), "muted"));
    m_compare = new QComboBox;
    m_compare->setObjectName(QStringLiteral("compareWith"));
    m_compare->setAccessibleName(tr("Variant to compare with"));
    top->addWidget(m_compare);
    column->addLayout(top);
    m_faces = new QStackedWidget;
    m_map = new PhaseMap;
    m_map->setObjectName(QStringLiteral("rehearseMap"));
    m_map->setOverviewShown(false);
    m_faces->addWidget(m_map);
    auto* guide = new QWidget;
    auto* guideColumn = new QVBoxLayout(guide);
    guideColumn->setContentsMargins(0, 0, 0, 0);
    m_guide = new QTextBrowser;
    m_guide->setObjectName(QStringLiteral("rigGuide"));
    m_guide->setAccessibleName(tr("Guide to the demonstration"));
    guideColumn->addWidget(m_guide, 1);
    auto* files = new QHBoxLayout;
    auto* open = new QPushButton(tr("Open a rig file…"));
    open->setObjectName(QStringLiteral("openRig"));
    auto* save = new QPushButton(tr("Save this rig as…"));
    save->setObjectName(QStringLiteral("saveRig"));
    files->addWidget(open);
    files->addWidget(save);
    files->addStretch();
    guideColumn->addLayout(files);
    m_faces->addWidget(guide);
    m_measured = new MeasuredPanel;
    m_faces->addWidget(m_measured);
    m_faces->setMinimumHeight(170);
    column->addWidget(m_faces, 1);
    connect(open, &QPushButton::clicked, this, [this] {
        const QString path = dialogs::openFile(this, tr("Open a rig file"), kRigFilter);
        if (!path.isEmpty()) openRig(path);
    });
    connect(save, &QPushButton::clicked, this, [this] {
        const QString path = dialogs::saveFile(this, tr("Save this rig"), documentsFolder() + tr("/rig.json"),
                                               kRigFilter, QStringLiteral("json"));
        if (path.isEmpty()) return;
        QFile file(path);
        const std::string text =
            rig().text(settingsOf(m_variant), QFileInfo(path).completeBaseName().toStdString());
        if (!file.open(QIODevice::WriteOnly) || file.write(text.data(), qint64(text.size())) < 0 ||
            !file.flush())
            return emit m_controller.failed(tr("%1 could not be written: %2").arg(path, file.errorString()));
        emit m_controller.said(tr("The rig as it is set now is in %1.").arg(path));
    });

    auto* card = new Card;
    card->column()->setContentsMargins(14, 8, 14, 8);
    card->column()->setSpacing(2);
    card->column()->addWidget(makeLabel(tr("What you will see"), "muted"));
    m_see = makeLabel({}, "heading");
    m_see->setObjectName(QStringLiteral("willSee"));
    m_next = makeLabel({});
    m_next->setObjectName(QStringLiteral("comesNext"));
    for (QLabel* l : {m_see, m_next})
        card->column()->addWidget(l);
    column->addWidget(card);
    m_caution = makeLabel({}, "caution");
    m_caution->setObjectName(QStringLiteral("rigCaution"));
    column->addWidget(m_caution);
    auto* tiles = new QHBoxLayout;
    auto* chance = new Card;
    m_chanceUnder = makeLabel({}, "muted");
    m_chanceUnder->setObjectName(QStringLiteral("chanceUnder"));
    m_chance = makeLabel({}, "title");
    m_chance->setObjectName(QStringLiteral("chance"));
    m_chance->setWordWrap(false);
    chance->column()->setContentsMargins(12, 4, 12, 4);
    auto* words = new QHBoxLayout;
    words->setSpacing(12);
    words->addWidget(m_chance);
    words->addWidget(m_chanceUnder, 1);
    chance->column()->addLayout(words);
    tiles->addWidget(chance, 5);
    m_flyButton = new QPushButton(tr("Fly it yourself  F5"));
    m_flyButton->setObjectName(QStringLiteral("flyIt"));
    m_flyButton->setCheckable(true);
    m_flyButton->setProperty("role", "main");
    m_captureButton = new QPushButton(tr("Capture  C"));
    m_captureButton->setObjectName(QStringLiteral("flightCapture"));
    m_captureButton->setProperty("role", "main");
    m_captureButton->hide();
    tiles->addWidget(m_captureButton, 2);
    tiles->addWidget(m_flyButton, 2);
    column->addLayout(tiles);
}

void RehearseStation::buildTape(QVBoxLayout* column) {
    auto* row = new QHBoxLayout;
    row->setContentsMargins(16, 4, 8, 6);
    row->setSpacing(10);
    auto* controls = new QVBoxLayout;
    controls->setSpacing(4);
    auto* upper = new QHBoxLayout;
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
    m_speed = new Segments(QStringLiteral("rehearsalSpeed"));
    QStringList speeds;
    for (const double s : kSpeeds)
        speeds << QStringLiteral("%1×").arg(onScreen(s, 0));
    m_speed->setChoices(speeds);
    m_speed->choose(kUsualSpeed);
    controls->addWidget(m_speed);
    controls->addStretch();
    row->addLayout(controls);
    m_tape = new RehearsalTape;
    m_tape->setFixedHeight(112);
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
        fillKnobs();
        start();
    });
    connect(m_compare, &QComboBox::activated, this, [this](int index) {
        m_beside = m_compare->itemData(index).toInt();
        start();
    });
    connect(m_face, &Segments::picked, m_faces, &QStackedWidget::setCurrentIndex);
    connect(m_playButton, &QPushButton::toggled, this, &RehearseStation::play);
    connect(m_flyButton, &QPushButton::toggled, this, &RehearseStation::fly);
    connect(m_captureButton, &QPushButton::clicked, this, &RehearseStation::capture);
    connect(m_tape, &RehearsalTape::momentPicked, this, &RehearseStation::goTo);
    connect(m_tape, &RehearsalTape::stepped, this, [this](int samples) {
        if (const Rehearsal* r = shown()) goTo(m_moment + samples * r->setup.every);
    });
    connect(m_runner, &RehearsalRunner::played, this, [this](std::shared_ptr<const Rehearsal> r) {
        m_played = std::move(r);
        m_moment = std::min(m_moment, m_played->run.samples.back().seconds);
        m_tape->show(rehearsalTape(*m_played));
        showMoment();
    });
    connect(m_runner, &RehearsalRunner::playedOther, this, [this](std::shared_ptr<const Rehearsal> r) {
        m_other = std::move(r);
        showMoment();
    });
    connect(m_measured, &MeasuredPanel::fitWanted, this, [this] {
        if (const auto readings = m_measured->readings(); readings && !m_flight)
            m_runner->fit(rig(), settingsOf(m_variant), *readings);
    });
    connect(m_measured, &MeasuredPanel::readyWanted, this, [this] {
        if (const auto wanted = m_measured->wanted())
            m_runner->workOut([rig = rig(), settings = settingsOf(m_variant), moments = *wanted] {
                return readySentences(rig, settings, moments);
            });
    });
    connect(m_runner, &RehearsalRunner::fitted, this, [this](const std::shared_ptr<const CoolingFit>& fit) {
        m_measured->showFit(*fit);
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

void RehearseStation::fillChoices() {
    m_choice->clear();
    for (const Demonstration& d : m_rigs)
        m_choice->addItem(onScreen(d.rig.name()));
}

const RigFile& RehearseStation::rig() const { return m_rigs[static_cast<std::size_t>(m_rig)].rig; }

void RehearseStation::choose(int demonstration) {
    fly(false);
    play(false);
    m_rig = demonstration;
    m_variant = 0;
    m_moment = 0.0;
    m_played.reset();
    m_other.reset();
    QSettings().setValue(QStringLiteral("rehearse/demonstration"), demonstration);
    m_choice->setCurrentIndex(demonstration);
    QStringList names;
    m_compare->clear();
    m_compare->addItem(tr("nothing"), -1);
    const auto& variants = rig().variants();
    for (std::size_t i = 0; i < variants.size(); ++i) {
        names << onScreen(variants[i].name);
        m_compare->addItem(names.back(), static_cast<int>(i));
    }
    m_variants->setChoices(names);
    m_variants->choose(0);
    m_variants->setVisible(variants.size() > 1);
    m_beside = variants.size() > 1 ? 1 : -1;
    m_compare->setCurrentIndex(m_beside + 1);
    fillKnobs();
    fillGuide();
    if (m_controller.isOpen()) {
        std::string name = m_rigs[static_cast<std::size_t>(m_rig)].id;
        std::ranges::replace(name, '-', ' ');
        session().setRehearsing(name);
        m_controller.refresh();
    }
    start();
}

void RehearseStation::openRig(const QString& path) {
    QFile file(path);
    if (!file.open(QIODevice::ReadOnly))
        return emit m_controller.failed(tr("%1 could not be read: %2").arg(path, file.errorString()));
    auto read = RigFile::parse(file.readAll().toStdString());
    if (!read)
        return emit m_controller.failed(
            QStringLiteral("%1: %2").arg(QFileInfo(path).fileName(), onScreen(read.error().message)));
    m_rigs.push_back({QFileInfo(path).completeBaseName().toStdString(), std::move(*read)});
    fillChoices();
    choose(static_cast<int>(m_rigs.size()) - 1);
}

/// The room as the lesson knows it, a variant, and what the person turned, in this order.
std::vector<RigSetting> RehearseStation::settingsOf(int variant) const {
    std::vector<RigSetting> settings;
    const auto& variants = rig().variants();
    if (m_controller.isOpen())
        if (const auto room = m_controller.session().room(); room && rig().sets("/room/pressure"))
            settings.push_back({"/room/pressure", formatMeasure(room->station.pascal(), unit("Pa"))});
    if (variant >= 0 && static_cast<std::size_t>(variant) < variants.size()) {
        const auto& own = variants[static_cast<std::size_t>(variant)].settings;
        settings.insert(settings.end(), own.begin(), own.end());
    }
    if (variant == m_variant)
        if (const auto turned = m_turned.find(m_rig); turned != m_turned.end())
            settings.insert(settings.end(), turned->second.begin(), turned->second.end());
    return settings;
}

void RehearseStation::fillKnobs() {
    m_turned.erase(m_rig);
    emptyLayout(m_knobRow);
    m_knobFields.clear();
    int index = 0;
    for (const RigKnob& knob : rig().knobs()) {
        auto* field = new KnobField(knob, QStringLiteral("knob%1").arg(++index));
        field->setSi(rig().value(knob.pointers.front(), settingsOf(m_variant)));
        connect(field, &KnobField::turned, this, [this, field](double si) {
            auto& turned = m_turned[m_rig];
            const Unit& own = *field->knob().unit;
            for (const std::string& pointer : field->knob().pointers) {
                std::erase_if(turned, [&](const RigSetting& s) { return s.pointer == pointer; });
                turned.push_back({pointer, formatMeasure(own.fromSi(si), own)});
            }
            start();
        });
        m_knobRow->addWidget(field);
        m_knobFields.push_back(field);
    }
}

void RehearseStation::fillHandles() {
    emptyLayout(m_handleRow);
    if (!m_flight) return;
    int index = 0;
    for (const RigControl& control : m_flight->controls()) {
        auto* handle = new QPushButton(onScreen(control.name));
        handle->setObjectName(QStringLiteral("handle%1").arg(++index));
        handle->setProperty("role", "segment");
        handle->setCheckable(true);
        handle->setChecked(control.on);
        handle->setToolTip(tr("Key %1").arg(index));
        connect(handle, &QPushButton::clicked, this, [this, index] {
            const auto now = m_flight->controls();
            m_flight->press(now[static_cast<std::size_t>(index - 1)]);
            const auto after = m_flight->controls();
            for (std::size_t i = 0; i < after.size(); ++i)
                if (auto* h = findChild<QPushButton*>(QStringLiteral("handle%1").arg(i + 1)))
                    h->setChecked(after[i].on);
            showMoment();
        });
        m_handleRow->addWidget(handle);
    }
    m_handleRow->addStretch();
}

void RehearseStation::fillGuide() {
    const RigStory& s = rig().story();
    m_guide->setHtml(
        QStringLiteral("<h3>%1</h3><p>%2</p>")
            .arg(onScreen(rig().name()).toHtmlEscaped(), onScreen(s.aim).toHtmlEscaped()) +
        htmlList(tr("Cautions"), s.cautions, "ul") + htmlList(tr("What to fetch"), s.materials, "ul") +
        htmlList(tr("Steps"), s.steps, "ol") + htmlList(tr("What to look for"), s.lookFor, "ul") +
        QStringLiteral("<h4>%1</h4><p>%2</p>").arg(tr("The physics"), onScreen(s.physics).toHtmlEscaped()) +
        htmlList(tr("Usual mistakes"), s.mistakes, "ul") +
        QStringLiteral("<p>%1</p>")
            .arg(tr("Local rules, the vessel maker's rating and qualified staff come first.")));
    const auto setup = rig().setup();
    m_measured->setClockMove(setup && setup->clockMove >= 0
                                 ? onScreen(setup->moves[static_cast<std::size_t>(setup->clockMove)].says)
                                 : QString());
    m_caution->setText(s.cautions.empty() ? QString()
                                          : QStringLiteral("\u26A0  ") + onScreen(s.cautions.front()));
}

void RehearseStation::start() {
    if (m_flight) return;
    m_chance->setText(QStringLiteral("…"));
    m_tape->setBand(nullptr);
    std::optional<std::vector<RigSetting>> other;
    if (m_beside >= 0) other = settingsOf(m_beside);
    m_runner->play(rig(), settingsOf(m_variant), other);
}

const Rehearsal* RehearseStation::shown() const { return m_flight ? &m_flight->soFar() : m_played.get(); }

void RehearseStation::goTo(double seconds) {
    const Rehearsal* r = shown();
    if (!r) return;
    m_moment = std::clamp(seconds, 0.0, r->run.samples.back().seconds);
    showMoment();
}

void RehearseStation::showMoment() {
    const Rehearsal* r = shown();
    if (!r || !m_controller.isOpen()) return;
    const std::size_t at = r->sampleAt(m_moment);
    m_drawing->show(sceneOf(*r, at), m_phase);
    const RehearsalCard card = rehearsalCard(*r, at);
    m_see->setText(onScreen(card.see));
    m_next->setText(onScreen(card.next + (card.next.empty() || card.note.empty() ? "" : "  ") + card.note));
    m_time->setText(QStringLiteral("%1 / %2").arg(onScreen(momentText(m_moment)),
                                                  onScreen(momentText(r->setup.seconds))));
    const auto& variants = rig().variants();
    const auto named = [&](int variant) {
        return variant >= 0 && static_cast<std::size_t>(variant) < variants.size()
                   ? variants[static_cast<std::size_t>(variant)].name
                   : rig().name();
    };
    m_map->show(rehearsalMap(mapView(session(), MapPurpose::Room), *r,
                             m_flight ? tr("flown by hand").toStdString() : named(m_variant),
                             m_flight ? nullptr : m_other.get(), named(m_beside), at));
    m_caution->setVisible(!theme().large && !m_caution->text().isEmpty()); // the back row reads fewer things
    m_tape->setMoment(m_moment);
    emit stripChanged(rehearsalStrip(*r, at));
}

void RehearseStation::showChance(const std::shared_ptr<const RehearsalChance>& chance) {
    m_tape->setBand(chance);
    if (!m_played) return;
    const RigGoal& goal = m_played->setup.goal;
    m_chanceUnder->setText(
        goal.kind == RigGoal::None
            ? tr("played %1 times").arg(chance->members)
            : tr("chance that it %1").arg(onScreen(goal.says)) +
                  (chance->mainReason ? tr("; if not, %1").arg(onScreen(*chance->mainReason)) : QString()));
    m_chance->setText(goal.kind == RigGoal::None
                          ? QStringLiteral("–")
                          : QStringLiteral("%1 %").arg(onScreen(100.0 * chance->chance(), 0)));
}

void RehearseStation::play(bool on) {
    m_playButton->setChecked(on);
    m_playButton->setText(on ? tr("Pause") : tr("Play"));
    if (on == m_clock->isActive()) return;
    if (!on) return m_clock->stop();
    if (const Rehearsal* r = shown(); !m_flight && r && m_moment >= r->run.samples.back().seconds)
        m_moment = 0.0;
    m_since.start();
    m_clock->start();
}

void RehearseStation::tick() {
    const double real = std::min(0.5, static_cast<double>(m_since.restart()) / 1000.0);
    const double passed = real * kSpeeds[static_cast<std::size_t>(std::max(0, m_speed->chosen()))];
    m_phase += real;
    const Rehearsal* r = shown();
    if (!r) return;
    if (m_flight) {
        const bool goesOn = m_flight->goOn(passed);
        m_moment = m_flight->soFar().run.samples.back().seconds;
        m_tape->show(rehearsalTape(m_flight->soFar()));
        showMoment();
        if (!goesOn) play(false);
        return;
    }
    goTo(m_moment + passed);
    if (m_moment >= r->run.samples.back().seconds) play(false);
}

void RehearseStation::fly(bool on) {
    if (on == isFlying()) return;
    m_flyButton->setChecked(on);
    if (on) {
        m_runner->cancel();
        auto flight = Flight::make(rig(), settingsOf(m_variant));
        if (!flight) {
            m_flyButton->setChecked(false);
            return emit m_controller.failed(onScreen(flight.error().message));
        }
        m_flight = std::make_unique<Flight>(std::move(*flight));
        m_tape->setBand(nullptr);
        m_chance->setText(QString());
        m_chanceUnder->setText(tr("Capture when it boils: C. Handles: 1, 2, 3 …"));
        m_tape->show(rehearsalTape(m_flight->soFar()));
    } else
        m_flight.reset();
    m_moment = 0.0;
    m_flyButton->setText(on ? tr("Land  F5") : tr("Fly it yourself  F5"));
    m_captureButton->setVisible(on);
    m_handles->setVisible(on);
    m_knobs->setVisible(!on);
    m_variants->setEnabled(!on);
    m_compare->setEnabled(!on);
    fillHandles();
    play(on);
    on ? showMoment() : start();
}

void RehearseStation::capture() {
    if (!m_flight) return;
    const FlightCapture c = m_flight->capture();
    m_chance->setText(tr("%1 K off").arg(onScreen(c.offKelvin, 1)));
    m_chanceUnder->setText(tr("%1 °C at %2 kPa, where it boils at %3 °C. %4")
                               .arg(onScreen(c.shownKelvin - 273.15, 1), onScreen(c.shownPascal / 1000.0, 2),
                                    onScreen(c.boilsKelvin - 273.15, 1), onScreen(c.why)));
}

void RehearseStation::refresh() {
    if (session().rehearsing().empty()) {
        std::string name = m_rigs[static_cast<std::size_t>(m_rig)].id;
        std::ranges::replace(name, '-', ' ');
        session().setRehearsing(name);
        m_controller.refresh();
        return;
    }
    if (!m_flight && !m_played && !m_runner->isBusy()) start();
    showMoment();
}

void RehearseStation::keyPressEvent(QKeyEvent* e) {
    if (e->key() == Qt::Key_F5) return fly(!isFlying());
    if (e->key() == Qt::Key_Space) return play(!m_clock->isActive());
    if (m_flight && e->key() == Qt::Key_C) return capture();
    if (m_flight && e->key() >= Qt::Key_1 && e->key() <= Qt::Key_9)
        if (auto* h = findChild<QPushButton*>(QStringLiteral("handle%1").arg(e->key() - Qt::Key_0)))
            return h->click();
    StationPage::keyPressEvent(e);
}

} // namespace uttrin::app
