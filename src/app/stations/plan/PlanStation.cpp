#include "PlanStation.h"

#include "PeriodPage.h"
#include "app/controller/Faces.h"
#include "app/controls/Card.h"
#include "app/controls/FlowLayout.h"
#include "app/controls/Grid.h"
#include "app/controls/Labels.h"
#include "app/controls/NumberField.h"
#include "app/controls/OnScreen.h"
#include "app/controls/ScrollColumn.h"
#include "app/controls/Segments.h"
#include "app/map/PhaseMap.h"
#include "app/tables/TableModel.h"
#include "lesson/commands/PlanCommands.h"
#include "lesson/views/MapView.h"

#include <QCheckBox>
#include <QGridLayout>
#include <QHBoxLayout>
#include <QHeaderView>
#include <QPushButton>
#include <QSettings>
#include <QTableView>

namespace uttrin::app {
namespace {

constexpr Spacing kSpacings[] = {Spacing::Pressure, Spacing::Temperature, Spacing::InverseTemperature,
                                 Spacing::DialSteps};
constexpr BoilingCriterion kCriteria[] = {BoilingCriterion::FirstBubbles, BoilingCriterion::Steady,
                                          BoilingCriterion::ThroughBulk,
                                          BoilingCriterion::StopsAfterIsolating};
constexpr int kPredictionColumn = 4;
constexpr const char* kFace = "planFace"; // of the settings

} // namespace

PlanStation::PlanStation(LessonController& controller) : StationPage(controller) {
    auto* whole = new QVBoxLayout(this);
    whole->setContentsMargins(grid::kAround);
    m_faces =
        new Faces(tr("What is planned"), {tr("Lab ladder"), tr("Lesson")},
                  {tr("The targets of the lab"), tr("The acts of the period, before and after the bell")});
    whole->addWidget(m_faces);
    m_faces->addWidget(buildLadderPage());
    m_acts = new PeriodPage(controller, m_faces->makeChoice(QStringLiteral("planFace")));
    m_faces->addWidget(m_acts);
    connect(m_acts, &PeriodPage::rehearseRequested, this, &PlanStation::rehearseRequested);
    connect(m_faces, &Faces::picked, this, [](int face) { QSettings().setValue(kFace, face); });
    wire();
    m_faces->showFace(
        QSettings().value(kFace, 0).toInt()); // the ladder first: what every lesson with a lab has
}

void PlanStation::addSealedCooling() {
    constexpr int kLesson = 1; // of the faces
    m_faces->showFace(kLesson);
    m_acts->addSealedCooling();
}

QWidget* PlanStation::buildLadderPage() {
    auto* page = new QWidget;
    auto* row = new QHBoxLayout(page);
    row->setContentsMargins(0, 0, 0, 0);
    row->setSpacing(grid::kMargin);
    auto* left = new QVBoxLayout;
    left->setSpacing(grid::kStep);
    auto* choice = new QHBoxLayout;
    choice->addWidget(m_faces->makeChoice(QStringLiteral("planFaceLadder")));
    choice->addStretch();
    left->addLayout(choice);
    m_map = new PhaseMap;
    m_map->setTargetsMovable(true);
    left->addWidget(m_map, 1);
    row->addLayout(left, 1);
    auto* right = new ScrollColumn;
    right->setWidths(540, 704);
    right->column()->setSpacing(grid::kStep);
    row->addWidget(right, 2);
    right->column()->addWidget(buildLadder());

    m_problem = makeLabel({}, "caution");
    right->column()->addWidget(m_problem);
    m_summary = makeLabel({}, "smallNote");
    m_summary->setObjectName(QStringLiteral("planSummary"));
    right->column()->addWidget(m_summary);
    m_table = new QTableView;
    m_table->setObjectName(QStringLiteral("runSheet"));
    m_table->setAccessibleName(tr("Run sheet"));
    m_rows = new TableModel(m_table);
    m_rows->setEditable({kPredictionColumn});
    m_table->setModel(m_rows);
    styleTable(m_table);
    m_table->setVerticalScrollBarPolicy(Qt::ScrollBarAlwaysOff);
    m_flash = makeLabel({}, "caution");
    m_flash->setObjectName(QStringLiteral("planFlash"));
    m_colder = new QPushButton;
    m_colder->setObjectName(QStringLiteral("planColder"));
    m_colder->setToolTip(tr("Puts that start into the plan; undo takes it back"));
    connect(m_colder, &QPushButton::clicked, this, [this] {
        Plan p = session().plan();
        if (const auto& sheet = session().sheet()) p.startCelsius = sheet->colderCelsius;
        m_controller.carryOut(&PlanCommands::changePlan, p, Text::tr("Start colder"));
    });
    FlowLayout* buttons = FlowLayout::inRow();
    auto* print = new QPushButton(tr("Print…"));
    print->setToolTip(tr("The run sheet, on paper for the bench"));
    print->setObjectName(QStringLiteral("printSheet"));
    auto* boilingPoints = new QCheckBox(tr("with boiling points"));
    boilingPoints->setObjectName(QStringLiteral("sheetBoilingPoints"));
    boilingPoints->setToolTip(
        tr("On the sheet that is printed or saved; off for a class that is to find them"));
    boilingPoints->setChecked(true);
    connect(print, &QPushButton::clicked, this,
            [this, boilingPoints] { emit printRequested(boilingPoints->isChecked()); });
    auto* save = new QPushButton(tr("PDF…"));
    save->setObjectName(QStringLiteral("saveSheet"));
    save->setToolTip(tr("The run sheet as a file"));
    connect(save, &QPushButton::clicked, this,
            [this, boilingPoints] { emit saveSheetRequested(boilingPoints->isChecked()); });
    auto* even = new QPushButton(tr("Targets back"));
    even->setObjectName(QStringLiteral("resetTargets"));
    even->setToolTip(tr("Puts targets that were moved by hand back into their row"));
    connect(even, &QPushButton::clicked, this, [this] {
        Plan p = session().plan();
        p.ladder.moved.clear();
        m_controller.carryOut(&PlanCommands::changePlan, p, Text::tr("Put moved targets back"));
    });
    auto* lock = new QPushButton(tr("Lock predictions"));
    lock->setObjectName(QStringLiteral("lockPredictions"));
    connect(lock, &QPushButton::clicked, this, [this] {
        if (session().model().setup(session().setupId()).predictionsLockedAt)
            m_controller.carryOut(&PlanCommands::unlockPredictions);
        else
            m_controller.carryOut(&PlanCommands::lockPredictions);
    });
    for (QAbstractButton* b : std::initializer_list<QAbstractButton*>{print, save, boilingPoints, even, lock})
        buttons->addFixed(b);
    right->column()->addWidget(m_flash);
    right->column()->addWidget(m_colder, 0, Qt::AlignLeft);
    right->column()->addWidget(buttons->parentWidget());
    right->column()->addWidget(m_table);
    auto* fetch = new Card;
    fetch->column()->addWidget(makeLabel(tr("To fetch"), "heading"));
    m_materials = makeLabel({});
    fetch->column()->addWidget(m_materials);
    right->column()->addWidget(fetch);
    m_cautions = makeLabel({}, "caution");
    m_cautions->setObjectName(QStringLiteral("planCautions"));
    right->column()->addWidget(m_cautions);
    right->column()->addStretch();
    return page;
}

QWidget* PlanStation::buildLadder() {
    auto* card = new Card;
    card->column()->setContentsMargins(grid::kAround);
    card->column()->setSpacing(grid::kStep);
    m_spacing =
        new Segments(QStringLiteral("planSpacing"), tr("Targets evenly spaced in"), Segments::Rows::AsNeeded);
    m_spacing->setChoices({tr("pressure"), tr("temperature"), tr("1/T"), tr("dial steps")});
    card->column()->addWidget(besideLabel(tr("Targets evenly spaced in"), m_spacing));
    auto* grid = new QGridLayout;
    grid->setHorizontalSpacing(grid::kMargin);
    m_from = new NumberField(tr("from"), {}, QStringLiteral("planFrom"));
    m_to = new NumberField(tr("to"), {}, QStringLiteral("planTo"));
    m_count = new NumberField(tr("targets"), {}, QStringLiteral("planCount"));
    m_step = new NumberField(tr("step"), {}, QStringLiteral("planStep"));
    m_trial = new NumberField(tr("one trial point"), tr("kPa abs."), QStringLiteral("planTrial"));
    m_trial->setPlaceholder(tr("none"));
    m_trial->setToolTip(
        tr("One point at a low pressure before the others, to see how the rig behaves. It is left out of the "
           "fit unless you put it in."));
    m_trialInFit = new QCheckBox(tr("trial point in the fit"));
    m_trialInFit->setObjectName(QStringLiteral("planTrialInFit"));
    m_period = new NumberField(tr("period"), QStringLiteral("min"), QStringLiteral("planPeriod"));
    m_start = new NumberField(tr("starts at"), QStringLiteral("°C"), QStringLiteral("planStart"));
    m_start->setPlaceholder(tr("room"));
    m_start->setToolTip(tr("How warm the liquid is before the first point: the times count from it, and a "
                           "target that boils below it flashes"));
    grid->addWidget(m_from, 0, 0);
    grid->addWidget(m_to, 0, 1);
    grid->addWidget(m_count, 0, 2);
    grid->addWidget(m_step, 0, 2);
    grid->addWidget(m_trial, 1, 0);
    grid->addWidget(m_period, 0, 3);
    grid->addWidget(m_trialInFit, 1, 1, 1, 2, Qt::AlignBottom);
    grid->addWidget(m_start, 1, 3);
    card->column()->addLayout(grid);
    m_criterion = new Segments(QStringLiteral("planCriterion"), tr("Boiling means, for every point"),
                               Segments::Rows::AsNeeded);
    m_criterion->setChoices(
        {tr("first bubbles"), tr("slow and steady"), tr("through the bulk"), tr("stops, shut off")});
    card->column()->addWidget(besideLabel(tr("Boiling means"), m_criterion));
    return card;
}

void PlanStation::wire() {
    connect(m_map, &PhaseMap::targetMoved, this, [this](int place, double pascal) {
        m_controller.carryOut(&PlanCommands::moveTarget, place, Pressure::fromPascal(pascal));
    });
    connect(m_map, &PhaseMap::targetPicked, this, [this](int place) {
        for (std::size_t i = 0; i < m_targets.size(); ++i)
            if (m_targets[i].place == place) m_table->selectRow(static_cast<int>(i));
    });
    connect(m_spacing, &Segments::picked, this, [this](int index) {
        const auto room = session().room();
        if (!room) {
            m_controller.say(tr("The spacing can be changed once the room’s pressure is known (Ctrl+1)."));
            m_controller.refresh();
            return;
        }
        const auto ladder = withSpacing(session().plan(), kSpacings[index], room->station);
        Plan p = session().plan();
        if (ladder) p.ladder = *ladder;
        if (ladder)
            m_controller.carryOut(&PlanCommands::changePlan, p, Text::tr("Change the spacing"));
        else
            m_controller.report(ladder);
    });
    for (NumberField* f : {m_from, m_to, m_count, m_step, m_trial, m_start, m_period})
        connect(f, &NumberField::committed, this, &PlanStation::apply);
    connect(m_trialInFit, &QCheckBox::clicked, this, &PlanStation::apply);
    connect(m_criterion, &Segments::picked, this, &PlanStation::apply);
    connect(m_rows, &TableModel::typed, this,
            [this](int row, int, const QString& text) { predicted(row, text); });
}

void PlanStation::predicted(int row, const QString& text) {
    const auto celsius = typedNumber(text);
    if (!text.trimmed().isEmpty() && !celsius) {
        m_controller.say(tr("'%1' is not a temperature; type degrees Celsius, for instance 75.").arg(text));
        return;
    }
    const auto place = m_targets[static_cast<std::size_t>(row)].place;
    m_controller.carryOut(&PlanCommands::predict, place,
                          celsius ? std::optional(Temperature::fromCelsius(*celsius)) : std::nullopt);
}

void PlanStation::apply() {
    if (m_filling || !m_controller.isOpen()) return;
    Plan p = session().plan();
    Ladder& l = p.ladder;
    const auto end = [&](const NumberField* f, double& into) {
        if (const auto v = f->value())
            into = l.spacing == Spacing::Pressure    ? *v * 1e3
                   : l.spacing == Spacing::DialSteps ? *v
                                                     : *v + kIcePointKelvin;
    };
    const Ladder before = l;
    end(m_from, l.from);
    end(m_to, l.to);
    if (const auto v = m_count->value()) l.count = static_cast<int>(*v);
    if (const auto v = m_step->value(); v && l.spacing == Spacing::DialSteps) l.dialStep = *v;
    l.trialPa = m_trial->value() ? std::optional(*m_trial->value() * 1e3) : std::nullopt;
    l.trialInFit = m_trialInFit->isChecked();
    if (l.from != before.from || l.to != before.to || l.count != before.count ||
        l.dialStep != before.dialStep)
        l.moved.clear();
    p.startCelsius = m_start->value();
    if (const auto v = m_period->value()) p.periodMinutes = *v;
    if (m_criterion->chosen() >= 0) p.criterion = kCriteria[m_criterion->chosen()];
    m_controller.carryOut(&PlanCommands::changePlan, p, Text::tr("Change the plan"));
}

void PlanStation::showEnds() {
    const Ladder& l = session().plan().ladder;
    const bool dial = l.spacing == Spacing::DialSteps, pressure = l.spacing == Spacing::Pressure;
    const QString u = dial       ? asIs(unitText(session().plan().rig.gauge))
                      : pressure ? tr("kPa abs.")
                                 : QStringLiteral("°C");
    const auto shown = [&](double v) {
        return QString::number(pressure ? v * 1e-3 : dial ? v : v - kIcePointKelvin, 'g', 5).toDouble();
    };
    m_from->setUnit(u);
    m_to->setUnit(u);
    m_from->setValue(shown(l.from));
    m_to->setValue(shown(l.to));
    m_count->setVisible(!dial);
    m_step->setVisible(dial);
    m_count->setValue(l.count);
    m_step->setUnit(u);
    m_step->setValue(l.dialStep);
    m_trial->setValue(l.trialPa ? std::optional(*l.trialPa * 1e-3) : std::nullopt);
    m_trialInFit->setChecked(l.trialInFit);
    m_trialInFit->setEnabled(l.trialPa.has_value());
}

void PlanStation::showSheet(const RunSheet& sheet) {
    m_targets = sheet.targets;
    const auto& gauge = session().plan().rig.gauge;
    QVector<TableModel::Row> rows;
    const auto predictions = session().model().predictionsOf(session().setupId());
    for (const Target& t : sheet.targets) {
        const auto kelvin = predictedFor(predictions, t);
        const QString predicted = kelvin ? onScreen(*kelvin - kIcePointKelvin, 1) : QString();
        TableModel::Row row;
        const QString remark = t.state == TargetState::AboveRoom        ? tr("above the room")
                               : t.state == TargetState::BelowPumpFloor ? tr("below the pump’s floor")
                               : t.flashes                              ? tr("flashes: start colder")
                               : t.trial ? (t.inFit ? tr("trial point") : tr("trial point, not fitted"))
                               : t.moved ? tr("moved")
                                         : QString();
        row.cells = {QString::number(t.order),
                     onScreen(tableText(gauge, t.dial)),
                     onScreen(t.absolute.kilopascal(), 1),
                     tr("%1 ± %2").arg(onScreen(t.boils.celsius(), 2), onScreen(t.boilsU, 2)),
                     predicted,
                     onScreen(t.kelvinPerDivision, t.kelvinPerDivision < 1.0 ? 2 : 1),
                     QStringLiteral("+") + onScreen(t.depthKelvin, 2),
                     onScreen(t.seconds / 60.0, 1),
                     remark};
        row.tips = {QString(),
                    tr("what the instrument will show"),
                    QString(),
                    QString(),
                    tr("what the class expects; double-click to type, before the run"),
                    tr("change of the boiling point for one smallest division: small is good"),
                    tr("boiling point at the bottom of the liquid above the one at its surface"),
                    QString(),
                    remark};
        row.quiet = t.state != TargetState::Ok;
        rows << row;
    }
    const bool locked = session().model().setup(session().setupId()).predictionsLockedAt.has_value();
    m_rows->show({QStringLiteral("#"), tr("shows, %1").arg(asIs(unitText(gauge))), tr("kPa abs."),
                  tr("boils, °C"), locked ? tr("class says") : tr("class, °C"), tr("K/div."), tr("depth, K"),
                  tr("min"), tr(" ")},
                 rows, {8});
    m_table->setFixedHeight(m_table->horizontalHeader()->sizeHint().height() +
                            static_cast<int>(rows.size()) * m_table->verticalHeader()->defaultSectionSize() +
                            6);
    const QString verdict = sheet.fits ? onScreen(secondRunText(sheet))
                                       : tr("That does not fit into the period: take fewer targets.");
    // What was predicted for pressures that the ladder has no more.
    QStringList elsewhere;
    for (const Prediction& p : predictions)
        if (p.pascal && std::ranges::none_of(sheet.targets, [&](const Target& t) { return belongs(p, t); }))
            elsewhere << tr("%1 °C at %2 kPa")
                             .arg(onScreen(p.kelvin - kIcePointKelvin, 1), onScreen(*p.pascal / 1000.0, 1));
    const QString others = elsewhere.isEmpty()
                               ? QString()
                               : tr(" The class also said: %1.").arg(elsewhere.join(QStringLiteral(", ")));
    m_summary->setText(tr("About %1 of %2 min with setting up and clearing away. %3 %4")
                           .arg(onScreen(sheet.totalSeconds / 60.0, 0),
                                onScreen(session().plan().periodMinutes, 0), verdict,
                                onScreen(sheet.whyLowestFirst)) +
                       QLatin1Char(' ') + onScreen(startText(session().plan(), sheet)) + others);
    const Text flash = flashText(sheet);
    m_flash->setText(flash.empty() ? QString() : QStringLiteral("\u26A0  ") + onScreen(flash));
    m_flash->setVisible(!flash.empty());
    m_colder->setVisible(sheet.colderCelsius.has_value());
    if (sheet.colderCelsius) m_colder->setText(tr("Start at %1 °C").arg(onScreen(*sheet.colderCelsius, 0)));
    auto* lock = findChild<QPushButton*>(QStringLiteral("lockPredictions"));
    lock->setText(locked ? tr("Unlock predictions") : tr("Lock predictions"));
    lock->setToolTip(locked ? tr("To change one; the report says that it was done")
                            : tr("So that they stay as the class made them"));
}

void PlanStation::refresh() {
    m_filling = true;
    const Plan& p = session().plan();
    for (int i = 0; i < 4; ++i)
        if (kSpacings[i] == p.ladder.spacing) m_spacing->choose(i);
    m_criterion->choose(indexOf(kCriteria, p.criterion));
    m_period->setValue(p.periodMinutes);
    m_start->setValue(p.startCelsius);
    showEnds();
    const auto& sheet = session().sheet();
    m_problem->setVisible(!sheet);
    m_table->setVisible(sheet.has_value());
    m_summary->setVisible(sheet.has_value());
    if (!sheet) {
        m_flash->hide();
        m_colder->hide();
    }
    if (sheet)
        showSheet(*sheet);
    else
        m_problem->setText(QStringLiteral("\u26A0  ") + onScreen(sheet.error().message));
    QStringList materials, cautions;
    for (const auto& m : materialsFor(p))
        materials << QStringLiteral("•  ") + onScreen(m);
    const auto room = session().room();
    for (const auto& c : cautionsFor(p, room ? std::optional(room->method) : std::nullopt))
        cautions << QStringLiteral("\u26A0  ") + onScreen(c.text);
    m_materials->setText(materials.join(QLatin1Char('\n')));
    m_cautions->setText(cautions.join(QStringLiteral("\n\n")));
    m_map->show(mapView(session(), MapPurpose::Plan));
    m_filling = false;
}

} // namespace uttrin::app

#include "moc_PlanStation.cpp"
