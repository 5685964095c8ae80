#include "RehearseStation.h"

#include "KnobField.h"
#include "ManualControls.h"
#include "MeasuredPanel.h"
#include "RehearsalTape.h"
#include "RigFileDialogs.h"
#include "RigGuide.h"
#include "SuccessTile.h"
#include "app/controller/OwnRigs.h"
#include "app/controls/Card.h"
#include "app/controls/Grid.h"
#include "app/controls/Labels.h"
#include "app/controls/OnScreen.h"
#include "app/controls/ScrollColumn.h"
#include "app/controls/Segments.h"
#include "app/controls/Theme.h"
#include "app/map/PhaseMap.h"
#include "app/rigdrawing/RigDrawing.h"
#include "lesson/commands/SelectionCommands.h"
#include "rehearsal/card/FillRange.h"
#include "rehearsal/library/RigLibrary.h"

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
RehearseStation::RehearseStation(LessonController& controller)
    : StationPage(controller), m_rigs(demonstrations()), m_runner(new RehearsalRunner(this)),
      m_clock(new QTimer(this)) {
    auto* whole = new QVBoxLayout(this);
    whole->setContentsMargins(0, 0, 0, 0);
    whole->setSpacing(0);
    auto* upper = new QHBoxLayout;
    upper->setContentsMargins(grid::kAround);
    upper->setSpacing(grid::kMargin);
    auto* left = new QVBoxLayout;
    auto* right = new ScrollColumn;
    left->setSpacing(grid::kStep);
    right->column()->setSpacing(grid::kStep);
    buildLeft(left);
    buildRight(right->column());
    upper->addLayout(left, 1);
    upper->addWidget(right, 1);
    whole->addLayout(upper, 1);
    buildTape(whole);
    wire();
    showFace(0);
    fillChoices();
    const int last = QSettings().value(QStringLiteral("rehearse/demonstration"), 0).toInt();
    choose(last >= 0 && last < static_cast<int>(m_rigs.size()) ? last : 0);
}

/// Those that ship, the person's own, then what was opened.
void RehearseStation::fillChoices() {
    const int chosen = m_choice->currentIndex();
    auto shelf = ownRigs().shelf();
    for (Demonstration& own : shelf.rigs) {
        const auto known = std::ranges::find(m_rigs, own.id, &Demonstration::id);
        if (known == m_rigs.end())
            m_rigs.push_back(std::move(own));
        else if (known - m_rigs.begin() >= static_cast<std::ptrdiff_t>(demonstrations().size()))
            *known = std::move(own);
    }
    m_choice->clear();
    for (const Demonstration& d : m_rigs)
        m_choice->addItem(onScreen(Text::data(d.rig.name())));
    listTroubles(*m_choice, shelf.troubles);
    m_choice->setCurrentIndex(std::max(0, chosen));
}

const RigFile& RehearseStation::rig() const { return m_rigs[static_cast<std::size_t>(m_rig)].rig; }

void RehearseStation::choose(int demonstration) {
    runByHand(false);
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
        names << onScreen(Text::data(variants[i].name));
        m_compare->addItem(names.back(), static_cast<int>(i));
    }
    m_variants->setChoices(names);
    m_variants->choose(0);
    m_variants->setVisible(variants.size() > 1);
    m_beside = variants.size() > 1 ? 1 : -1;
    m_compare->setCurrentIndex(m_beside + 1);
    m_turned.clear();
    fillKnobs();
    fillGuide();
    if (m_controller.isOpen()) announce();
    start();
}

/// Tells the navigation column what is being rehearsed.
void RehearseStation::announce() {
    std::string name = m_rigs[static_cast<std::size_t>(m_rig)].id;
    std::ranges::replace(name, '-', ' ');
    m_controller.carryOut(&SelectionCommands::setRehearsing, name);
}

/// The room's temperature as the lesson knows it, if this rig has one.
std::optional<double> RehearseStation::roomCelsius() const {
    if (!m_controller.isOpen() || !rig().sets(kRoomTemperature)) return std::nullopt;
    const LessonSession& s = m_controller.session();
    return s.model().roomCelsius(s.groupId());
}

/// The room as the lesson knows it, a variant, and what the person turned, in this order.
std::vector<RigSetting> RehearseStation::settingsOf(int variant) const {
    std::vector<RigSetting> settings;
    const auto& variants = rig().variants();
    if (m_controller.isOpen()) {
        const auto room = m_controller.session().room();
        settings =
            rig().roomSettings(room ? std::optional(room->station.pascal()) : std::nullopt, roomCelsius());
    }
    if (variant >= 0 && static_cast<std::size_t>(variant) < variants.size()) {
        const auto& own = variants[static_cast<std::size_t>(variant)].settings;
        settings.insert(settings.end(), own.begin(), own.end());
    }
    if (variant == m_variant) settings.insert(settings.end(), m_turned.begin(), m_turned.end());
    return settings;
}

/// What the person has set stays when another variant is chosen.
void RehearseStation::fillKnobs() {
    emptyLayout(*m_knobRow);
    int index = 0;
    for (const RigKnob& knob : rig().knobs()) {
        auto* field = new KnobField(knob, QStringLiteral("knob%1").arg(++index));
        field->setSi(rig().value(knob.pointers.front(), settingsOf(m_variant)));
        connect(field, &KnobField::turned, this, [this, field](double si) {
            for (const std::string& pointer : field->knob().pointers) {
                std::erase_if(m_turned, [&](const RigSetting& s) { return s.pointer == pointer; });
                m_turned.push_back(rig().setting(pointer, si, settingsOf(m_variant)));
            }
            start();
        });
        m_knobRow->addWidget(field, 0, Qt::AlignBottom);
    }
    keepFocusOrder(m_knobs);
}

/// The guide, with the figures of the rehearsal once it is played through.
void RehearseStation::showGuide() {
    const bool whole =
        m_played && !m_manualRun &&
        (m_played->run.stopped || m_played->run.samples.back().seconds >= m_played->setup.seconds);
    if (const auto setup = rig().setup(settingsOf(m_variant)))
        m_guide->show(rig(), m_variant, *setup, whole ? m_played.get() : nullptr, m_fill);
}

/// What more and less in it would do takes some eight rehearsals: on a thread of its own.
void RehearseStation::workOutFill() {
    m_fill.clear();
    m_filling.start([this, of = rig(), settings = m_started](const std::function<bool()>& goOn,
                                                             const NewestWish::Tell& tell) {
        const auto range = fillRange(of, settings, goOn);
        if (!range) return;
        tell([this, texts = fillTexts(*range)] {
            m_fill = texts;
            showGuide();
        });
    });
}

void RehearseStation::fillGuide() {
    showGuide();
    const auto setup = rig().setup();
    m_measured->showRig(
        QString::fromStdString(m_rigs[static_cast<std::size_t>(m_rig)].id),
        setup && setup->clockMove >= 0
            ? onScreen(Text::data(setup->moves[static_cast<std::size_t>(setup->clockMove)].says))
            : QString());
    fillCaution();
}

/// What is said of the variant comes before what is said of all.
void RehearseStation::fillCaution() {
    const auto& cautions = rig().story(m_variant).cautions;
    const auto& variants = rig().variants();
    const auto variant = static_cast<std::size_t>(m_variant);
    Text text = Text::data(cautions.empty() ? std::string() : cautions.front());
    if (variant < variants.size() && !variants[variant].says.empty())
        text = Text::data(variants[variant].says);
    m_caution->setText(text.empty() ? QString() : QStringLiteral("\u26A0  ") + onScreen(text));
}

void RehearseStation::start() {
    if (m_manualRun) return;
    m_chance->wait();
    m_tape->setBand(nullptr);
    std::optional<std::vector<RigSetting>> other;
    if (m_beside >= 0) other = settingsOf(m_beside);
    m_isFitted = false;
    m_started = settingsOf(m_variant);
    m_runner->play(rig(), m_started, other);
    workOutFill();
}

const Rehearsal* RehearseStation::shown() const {
    return m_manualRun ? &m_manualRun->soFar() : m_played.get();
}

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
    m_next->setText(onScreen(Text::join({card.next, card.note}, Text::set("  "))));
    m_next->setVisible(!m_next->text().isEmpty());
    m_time->setText(QStringLiteral("%1 / %2").arg(onScreen(momentText(m_moment)),
                                                  onScreen(momentText(r->setup.seconds))));
    const auto& variants = rig().variants();
    const auto named = [&](int variant) {
        return variant >= 0 && static_cast<std::size_t>(variant) < variants.size()
                   ? Text::data(variants[static_cast<std::size_t>(variant)].name)
                   : Text::data(rig().name());
    };
    m_map->show(rehearsalMap(mapView(session(), MapPurpose::Room), *r,
                             m_manualRun  ? Text::tr("run by hand")
                             : m_isFitted ? Text::tr("fitted to your readings")
                                          : named(m_variant),
                             m_manualRun ? nullptr : m_other.get(),
                             m_isFitted ? Text::tr("forecast") : named(m_beside), at));
    fit();
    m_tape->setMoment(m_moment);
    const bool turned =
        std::ranges::any_of(m_turned, [](const RigSetting& s) { return s.pointer == kRoomTemperature; });
    emit stripChanged(rehearsalStrip(*r, at, turned || roomCelsius()));
}

void RehearseStation::showChance(const std::shared_ptr<const EnsembleOutcome>& chance) {
    m_tape->setBand(chance);
    if (m_played) m_chance->show(*chance, m_played->setup.goal);
}

void RehearseStation::play(bool on) {
    m_playButton->setChecked(on);
    m_playButton->setText(on ? tr("Pause") : tr("Play"));
    if (on == m_clock->isActive()) return;
    if (!on) return m_clock->stop();
    if (const Rehearsal* r = shown(); !m_manualRun && r && m_moment >= r->run.samples.back().seconds)
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
    const double before = m_moment;
    if (m_manualRun) {
        const bool goesOn = m_manualRun->goOn(passed);
        m_moment = m_manualRun->soFar().run.samples.back().seconds;
        m_tape->show(rehearsalTape(m_manualRun->soFar()));
        showMoment();
        m_tape->tellSince(before);
        if (!goesOn) play(false);
        return;
    }
    const double known = r->run.samples.back().seconds;
    if (m_moment + passed > known && known < r->setup.seconds && !r->run.stopped) return; // more comes
    goTo(m_moment + passed);
    m_tape->tellSince(before);
    if (m_moment >= known) play(false);
}

void RehearseStation::runByHand(bool on) {
    if (on == isManual()) return;
    m_manualButton->setChecked(on);
    if (on) {
        m_runner->cancel();
        auto manualRun = ManualRun::make(rig(), settingsOf(m_variant));
        if (!manualRun) {
            m_manualButton->setChecked(false);
            return m_controller.tell(manualRun.error());
        }
        m_manualRun = std::make_unique<ManualRun>(std::move(*manualRun));
        m_tape->setBand(nullptr);
        m_chance->invite();
        m_tape->show(rehearsalTape(m_manualRun->soFar()));
    } else
        m_manualRun.reset();
    m_moment = 0.0;
    fit();
    m_captureButton->setVisible(on);
    m_handles->setVisible(on);
    m_variants->setEnabled(!on);
    m_compare->setEnabled(!on);
    m_handles->take(m_manualRun.get());
    play(on);
    on ? showMoment() : start();
}

/// The three curves of the tape by name: told apart by their lines as well as by their colours.
void RehearseStation::nameCurves() {
    const auto entry = [](const QColor& colour, const char16_t* sign, const QString& name) {
        return QStringLiteral("<span style='color:%1'>%2</span>&nbsp;%3")
            .arg(colour.name(), QString::fromUtf16(sign), name.toHtmlEscaped());
    };
    const Theme& t = theme();
    m_curves->setText(QStringList{entry(t.done, u"\u2501\u2501", tr("liquid")),
                                  entry(t.ink, u"\u2500\u2500", tr("boils at")),
                                  entry(t.hot, u"\u2582\u2582", tr("boiling"))}
                          .join(QStringLiteral("&ensp; ")));
}

/// The back row reads fewer things; what may hurt is said there too.
void RehearseStation::fit() {
    nameCurves();
    constexpr int kLow = 560, kNarrow = 900;
    const bool large = theme().large;
    constexpr int kFace = 170,
                  kLargeFace = 230; // px: below it the column scrolls instead of squeezing the map
    m_faces->setMinimumHeight(scaled(large ? kLargeFace : kFace));
    m_caution->setVisible(!m_caution->text().isEmpty());
    m_knobs->setVisible(!isManual() && !(large && height() < kLow));
    m_besideLabel->setVisible(!large || width() >= kNarrow);
    nameManualRun();
}

void RehearseStation::resizeEvent(QResizeEvent* event) {
    StationPage::resizeEvent(event);
    fit();
}

void RehearseStation::nameManualRun() {
    const QString name = isManual()      ? tr("Stop  F5")
                         : theme().large ? tr("By hand  F5") // its letters are larger
                                         : tr("Run it by hand  F5");
    if (name == m_manualButton->text()) return;
    m_manualButton->setText(name);
    m_manualButton->setShortcut(Qt::Key_F5); // wherever the keyboard is; a new text takes it off
}

void RehearseStation::capture() {
    if (m_manualRun) m_chance->show(m_manualRun->capture());
}

void RehearseStation::refresh() {
    if (session().selection().rehearsing.empty()) return announce();
    // Anew where the room has become another.
    if (!m_manualRun && ((!m_played && !m_runner->isBusy()) || m_started != settingsOf(m_variant))) start();
    showMoment();
}

void RehearseStation::keyPressEvent(QKeyEvent* e) {
    if (e->key() == Qt::Key_Space) return play(!m_clock->isActive());
    StationPage::keyPressEvent(e);
}

} // namespace uttrin::app

#include "moc_RehearseStation.cpp"
