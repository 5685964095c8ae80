#include "ReadingCard.h"

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

#include <QCheckBox>
#include <QComboBox>
#include <QHBoxLayout>
#include <QKeyEvent>
#include <QPushButton>

namespace uttrin::app {
namespace {

constexpr BoilingCriterion kCriteria[] = {BoilingCriterion::FirstBubbles, BoilingCriterion::Steady,
                                          BoilingCriterion::StopsAfterIsolating};

} // namespace

ReadingCard::ReadingCard() {
    column()->setContentsMargins(grid::kAround);
    buildTop();
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
    auto* top = new QHBoxLayout;
    auto* instant = makeLabel(tr("Read both at once"), "heading");
    top->addWidget(instant, 1);
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
    for (QPushButton* b : {m_zero, m_startTemperature, m_note}) {
        setRole(b, "link");
        top->addWidget(b);
    }
    column()->addLayout(top);
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
    m_isolated = new QCheckBox(tr("isolated"));
    m_isolated->setToolTip(tr("The pump was closed off when this point was read"));
    m_isolated->setObjectName(QStringLiteral("isolated"));
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
    m_criterion->addItems({tr("first bubbles"), tr("steady"), tr("stops, isolated")});
    details->addFixed(m_criterion);
    details->addFixed(m_isolated);
    details->addFixed(m_cooling);
    m_judge->setUsualWidth(58);
    details->addWidget(besideLabel(tr("seen by"), m_judge));
    column()->addWidget(details->parentWidget());
}

void ReadingCard::buildFinding() {
    m_findingBox = new Card(this);
    auto* box = m_findingBox->column();
    m_finding = makeLabel({}, "caution");
    m_finding->setObjectName(QStringLiteral("finding"));
    box->addWidget(m_finding);
    FlowLayout* choices = FlowLayout::inRow();
    // One button for each thing that may have been meant, the likeliest first.
    for (std::size_t i = 0; i < m_mend.size(); ++i) {
        m_mend[i] = new QPushButton;
        m_mend[i]->setObjectName(i == 0 ? QStringLiteral("mend") : QStringLiteral("mend%1").arg(i));
        connect(m_mend[i], &QPushButton::clicked, this, [this, i] { mend(i); });
        choices->addWidget(m_mend[i]);
    }
    m_keep = new QPushButton(tr("Keep as typed"));
    m_keep->setObjectName(QStringLiteral("keep"));
    choices->addWidget(m_keep);
    box->addWidget(choices->parentWidget());
    m_findingBox->hide();
}

void ReadingCard::buildActions() {
    auto* act = new QHBoxLayout;
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
    column()->addLayout(act);
    m_repeats = makeLabel({}, "note");
    m_repeats->setObjectName(QStringLiteral("repeats"));
    column()->addWidget(m_repeats);
}

void ReadingCard::wire() {
    for (NumberField* f : {m_first, m_second, m_temperature, m_beforePull}) {
        connect(f, &NumberField::edited, this, &ReadingCard::edited);
        f->edit()->installEventFilter(this);
    }
    connect(m_vigour, &Segments::picked, this, &ReadingCard::edited);
    connect(m_criterion, &QComboBox::activated, this, &ReadingCard::edited);
    connect(m_isolated, &QCheckBox::clicked, this, &ReadingCard::edited);
    connect(m_cooling, &QCheckBox::clicked, this, &ReadingCard::edited);
    connect(m_judge, &QLineEdit::textEdited, this, &ReadingCard::edited);
    connect(m_capture, &QPushButton::clicked, this, &ReadingCard::captureRequested);
    connect(m_keep, &QPushButton::clicked, this, &ReadingCard::keepRequested);
    connect(m_confirm, &QPushButton::clicked, this, &ReadingCard::bracketRequested);
    connect(m_note, &QPushButton::clicked, this, &ReadingCard::noteRequested);
    connect(m_zero, &QPushButton::clicked, this, &ReadingCard::zeroRequested);
    connect(m_startTemperature, &QPushButton::clicked, this, &ReadingCard::startRequested);
}

void ReadingCard::mend(std::size_t which) {
    if (which >= m_shownFinding.offers.size()) return;
    const SlipOffer& offer = m_shownFinding.offers[which];
    if (offer.gauge) {
        m_first->setValue(offer.gauge->first);
        m_second->setValue(offer.gauge->second);
    }
    if (offer.temperature) m_temperature->setValue(offer.temperature);
    emit edited();
    hideFinding();
    m_capture->setFocus();
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

BenchDraft ReadingCard::typed() const {
    BenchDraft d;
    d.first = m_first->value();
    d.second = m_twoArms ? m_second->value() : std::nullopt;
    d.temperature = m_temperature->value();
    d.beforePull = m_asksBefore ? m_beforePull->value() : std::nullopt;
    d.isolated = m_isolated->isChecked();
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

void ReadingCard::showRepeats(const QString& text) {
    m_repeats->setText(text);
    m_repeats->setVisible(!text.isEmpty());
}

void ReadingCard::focusTemperature() { m_temperature->edit()->setFocus(); }
void ReadingCard::focusFirst() { m_first->edit()->setFocus(); }

void ReadingCard::focusMending() {
    if (!m_shownFinding.offers.empty())
        m_mend.front()->setFocus();
    else
        m_temperature->edit()->setFocus();
}

void ReadingCard::showFinding(const SlipFinding& finding, bool waiting) {
    m_shownFinding = finding;
    m_finds = finding.kind != SlipKind::None;
    m_waits = m_finds && waiting;
    if (!m_finds) return m_findingBox->hide();
    const bool isNew = !m_findingBox->isVisible() || m_finding->text() != onScreen(finding.sentence);
    m_finding->setText(onScreen(finding.sentence));
    QStringList said{m_finding->text()};
    for (std::size_t i = 0; i < m_mend.size(); ++i) {
        m_mend[i]->setVisible(i < finding.offers.size());
        if (i >= finding.offers.size()) continue;
        m_mend[i]->setText(tr("Take %1").arg(onScreen(finding.offers[i].meant)));
        m_mend[i]->setToolTip(onScreen(finding.offers[i].sentence));
        said << m_mend[i]->text();
    }
    m_keep->setVisible(waiting);
    placeFinding();
    if (isNew) announce(m_finding, said.join(QStringLiteral(". ")));
}

void ReadingCard::placeFinding() {
    if (!m_finds) return;
    constexpr int kApart = 8;
    if (m_findingBox->parentWidget() != parentWidget()) m_findingBox->setParent(parentWidget());
    const int height = m_findingBox->hasHeightForWidth() ? m_findingBox->heightForWidth(width())
                                                         : m_findingBox->sizeHint().height();
    m_findingBox->setGeometry(x(), y() + this->height() + kApart, width(), height);
    m_findingBox->show();
    m_findingBox->raise();
}

void ReadingCard::resizeEvent(QResizeEvent* event) {
    Card::resizeEvent(event);
    placeFinding();
}

void ReadingCard::moveEvent(QMoveEvent* event) {
    Card::moveEvent(event);
    placeFinding();
}

void ReadingCard::hideFinding() { showFinding({}, false); }

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
    m_isolated->setChecked(d.isolated);
    m_cooling->setChecked(d.side == ApproachSide::Cooling);
    m_criterion->setCurrentIndex(indexOf(kCriteria, d.criterion));
    m_judge->setText(QString::fromStdString(d.judge));
    const bool running = session.runId().has_value();
    for (QWidget* w :
         {static_cast<QWidget*>(m_capture), static_cast<QWidget*>(m_confirm), static_cast<QWidget*>(m_zero),
          static_cast<QWidget*>(m_startTemperature), static_cast<QWidget*>(m_note)})
        w->setEnabled(running);
    m_confirm->setText(session.bracketAwaitsRestart() ? tr("It starts again") : tr("Confirm…"));
}

} // namespace uttrin::app

#include "moc_ReadingCard.cpp"
