#include "WorkUpStation.h"

#include "ActResultPage.h"
#include "ResidualChart.h"
#include "app/conduct/ActAnalyses.h"
#include "app/controller/Dialogs.h"
#include "app/controller/Faces.h"
#include "app/controller/RunChoice.h"
#include "app/controls/Card.h"
#include "app/controls/FlowLayout.h"
#include "app/controls/Grid.h"
#include "app/controls/Labels.h"
#include "app/controls/OnScreen.h"
#include "app/controls/ScrollColumn.h"
#include "app/controls/Segments.h"
#include "app/controls/Theme.h"
#include "app/map/PhaseMap.h"
#include "app/tables/TableModel.h"
#include "lesson/commands/ReadingCommands.h"
#include "lesson/commands/SelectionCommands.h"
#include "lesson/views/BenchAids.h"
#include "lesson/views/MapView.h"
#include "lesson/views/WorkUp.h"

#include <QCheckBox>
#include <QHBoxLayout>
#include <QHeaderView>
#include <QStackedWidget>
#include <QTableView>

namespace uttrin::app {
namespace {

constexpr int kFirstAnswer = 3; // column of the absolute pressure; kelvin, inverse and logarithm follow
constexpr FitMethod kMethods[] = {FitMethod::York, FitMethod::Weighted, FitMethod::Ols};

} // namespace

WorkUpStation::WorkUpStation(LessonController& controller, ActAnalyses& analyses)
    : StationPage(controller), m_analyses(analyses) {
    auto* whole = new QVBoxLayout(this);
    whole->setContentsMargins(grid::kAround);
    m_faces = new Faces(
        tr("What is worked up"), {tr("Lab"), tr("Acts")},
        {tr("Points of the lab, and their line"), tr("Demonstrations: whether they went as they should")});
    whole->addWidget(m_faces);
    m_toActs = m_faces->makeChoice(QStringLiteral("workFace"));
    m_faces->addWidget(buildLab());
    m_faces->addWidget(
        new ActResultPage(controller, analyses, m_faces->makeChoice(QStringLiteral("workFaceActs"))));
    m_faces->showFace(0);
    wire();
}

QWidget* WorkUpStation::buildLab() {
    auto* page = new QWidget;
    auto* column = new QVBoxLayout(page);
    column->setContentsMargins(0, 0, 0, 0);
    column->setSpacing(grid::kStep);
    auto* top = new QHBoxLayout;
    top->setSpacing(grid::kMargin);
    auto* plot = new QVBoxLayout;
    auto* head = new QWidget;
    auto* plotHead = new FlowLayout(head);
    m_axes = new Segments(QStringLiteral("workAxes"), tr("Axes of the map"));
    m_axes->setChoices({tr("ln p against 1/T"), tr("phase map"), tr("residuals")});
    m_axes->choose(0);
    plotHead->addFixed(m_toActs);
    plotHead->addFixed(m_axes);
    m_run = new RunChoice(m_controller, QStringLiteral("workRun"));
    plotHead->addWidget(m_run);
    plot->addWidget(head);
    m_map = new PhaseMap;
    m_map->setOverviewShown(false);
    m_map->setAxes(PhaseMap::Axes::ClausiusClapeyron);
    m_plot = new QStackedWidget;
    m_plot->addWidget(m_map);
    m_plot->addWidget(buildResiduals());
    plot->addWidget(m_plot, 1);
    top->addLayout(plot, 1);
    auto* result = new ScrollColumn;
    result->setWidths(scaled(420), scaled(552));
    result->column()->addWidget(buildResult());
    auto* stepsCard = new Card;
    stepsCard->column()->addWidget(makeLabel(tr("Step by step"), "heading"));
    m_steps = makeLabel({});
    m_steps->setObjectName(QStringLiteral("workSteps"));
    m_steps->setTextInteractionFlags(Qt::TextSelectableByMouse);
    stepsCard->column()->addWidget(m_steps);
    result->column()->addWidget(stepsCard);
    result->column()->addStretch();
    top->addWidget(result, 2);
    column->addLayout(top, 3);

    auto* tableHead = new QHBoxLayout;
    auto* every = makeLabel(tr("Every point, from reading to line"), "heading");
    every->setWordWrap(false);
    tableHead->addWidget(every);
    tableHead->addSpacing(grid::kMargin);
    m_studentMode = new QCheckBox(tr("hide the results: students fill them in"));
    m_studentMode->setObjectName(QStringLiteral("studentMode"));
    m_student = makeLabel({}, "cautionText");
    m_student->setObjectName(QStringLiteral("studentVerdict"));
    tableHead->addWidget(m_studentMode);
    tableHead->addWidget(m_student, 1);
    column->addLayout(tableHead);
    m_table = new QTableView;
    m_table->setObjectName(QStringLiteral("workTable"));
    m_table->setAccessibleName(tr("Points from reading to line"));
    m_rows = new TableModel(m_table);
    m_table->setModel(m_rows);
    styleTable(m_table);
    column->addWidget(m_table, 2);
    return page;
}

QWidget* WorkUpStation::buildResiduals() {
    auto* page = new QWidget;
    auto* column = new QVBoxLayout(page);
    column->setContentsMargins(0, 0, 0, 0);
    column->setSpacing(grid::kHalfStep);
    m_against = new Segments(QStringLiteral("residualsAgainst"), tr("What the residuals are drawn against"));
    m_against->setChoices({tr("order"), tr("temperature"), tr("heater")});
    m_against->button(2)->setToolTip(tr("The heater’s setting, as it was typed at each point"));
    m_against->choose(0);
    column->addWidget(besideLabel(tr("against"), m_against));
    m_residuals = new ResidualChart;
    column->addWidget(m_residuals, 1);
    m_residualsSay = makeLabel({}, "note");
    m_residualsSay->setObjectName(QStringLiteral("residualsSay"));
    column->addWidget(m_residualsSay);
    connect(m_against, &Segments::picked, this, &WorkUpStation::refresh);
    return page;
}

void WorkUpStation::showResiduals(const WorkUpView& view) {
    constexpr ResidualAxis kAxes[] = {ResidualAxis::Order, ResidualAxis::Temperature,
                                      ResidualAxis::HeaterSetting};
    ResidualView residuals;
    if (view.fit && !m_studentMode->isChecked())
        residuals = residualView(*view.fit, m_readings, kAxes[std::max(0, m_against->chosen())]);
    else
        residuals.told = view.fit ? Text::tr("Hidden while students fill in the table.") : view.problem;
    m_residualsSay->setText(onScreen(residuals.told));
    m_residualsSay->setVisible(!residuals.points.empty());
    m_residuals->show(std::move(residuals));
    const Text orders = readOrderCounts(m_readings);
    m_orders->setText(onScreen(orders));
    m_orders->setVisible(!orders.empty());
}

QWidget* WorkUpStation::buildResult() {
    auto* card = new Card;
    auto* head = new QHBoxLayout;
    m_method = new Segments(QStringLiteral("fitMethod"), tr("Which fit"));
    m_method->setChoices({tr("both errors"), tr("weighted"), tr("unweighted")});
    m_method->choose(0);
    head->addWidget(m_method);
    head->addStretch();
    card->column()->addLayout(head);
    m_result = makeLabel({}, "figure");
    m_result->setObjectName(QStringLiteral("workResult"));
    m_resultUnder = makeLabel({}, "muted");
    m_comparison = makeLabel({});
    m_boils = makeLabel({}, "muted");
    m_causes = makeLabel({}, "note");
    m_causes->setObjectName(QStringLiteral("workCauses"));
    for (Words* l : {m_result, m_resultUnder, m_comparison, m_boils, m_causes})
        card->column()->addWidget(l);
    m_orders = makeLabel({}, "note");
    m_orders->setObjectName(QStringLiteral("workOrders"));
    card->column()->addWidget(m_orders);
    m_scale = new QCheckBox(tr("errors from the scatter of the points"));
    m_scale->setToolTip(tr("On: standard errors from how far the points lie off the line. Off: from what the "
                           "instruments state."));
    m_scale->setObjectName(QStringLiteral("scaleErrors"));
    m_scale->setChecked(true);
    card->column()->addWidget(m_scale);
    m_lines = new QTableView;
    m_lines->setObjectName(QStringLiteral("fitLines"));
    m_lines->setAccessibleName(tr("Fits side by side"));
    m_lineRows = new TableModel(m_lines);
    m_lines->setModel(m_lineRows);
    styleTable(m_lines);
    m_lines->setFocusPolicy(Qt::NoFocus);
    m_lines->setVerticalScrollBarPolicy(Qt::ScrollBarAlwaysOff);
    card->column()->addWidget(m_lines);
    return card;
}

void WorkUpStation::wire() {
    connect(m_axes, &Segments::picked, this, [this](int index) {
        constexpr int kResiduals = 2;
        m_plot->setCurrentIndex(index == kResiduals ? 1 : 0);
        if (index < kResiduals)
            m_map->setAxes(index == 0 ? PhaseMap::Axes::ClausiusClapeyron : PhaseMap::Axes::PressureLog);
    });
    connect(m_method, &Segments::picked, this, &WorkUpStation::refresh);
    connect(m_scale, &QCheckBox::clicked, this, &WorkUpStation::refresh);
    connect(m_studentMode, &QCheckBox::clicked, this, [this] {
        m_controller.carryOut(&SelectionCommands::hideResults, m_studentMode->isChecked());
        m_student->clear();
        refresh();
    });
    connect(m_table->selectionModel(), &QItemSelectionModel::selectionChanged, this,
            &WorkUpStation::showSteps);
    connect(m_map, &PhaseMap::pointPicked, this, [this](qlonglong id) {
        for (int r = 0; r < m_rows->rowCount(); ++r)
            if (m_rows->row(r).id == id) m_table->selectRow(r);
    });
    connect(m_rows, &TableModel::typed, this, [this](int row, int column, const QString& text) {
        if (column < kFirstAnswer || column >= kFirstAnswer + 4) return;
        m_answers[m_rows->row(row).id][static_cast<std::size_t>(column - kFirstAnswer)] = text;
        judgeStudent(row);
        showRows();
    });
}

std::optional<int> WorkUpStation::selectedRow() const {
    const auto rows = m_table->selectionModel()->selectedRows();
    return rows.isEmpty() ? std::nullopt : std::optional(rows.front().row());
}

void WorkUpStation::judgeStudent(int row) {
    const auto& typed = m_answers[m_rows->row(row).id];
    const StudentAnswer answer{typedNumber(typed[0]), typedNumber(typed[1]), typedNumber(typed[2]),
                               typedNumber(typed[3])};
    const auto wrong = firstWrongStep(m_readings[static_cast<std::size_t>(row)], answer);
    setRole(m_student, wrong ? "cautionText" : "muted");
    m_student->setText(wrong ? QStringLiteral("\u26A0 ") +
                                   tr("Point %1: ").arg(m_rows->row(row).cells.first()) + onScreen(*wrong)
                             : tr("Point %1: right so far.").arg(m_rows->row(row).cells.first()));
}

void WorkUpStation::strikeSelected() {
    const auto row = selectedRow();
    if (!row) {
        m_controller.say(tr("Choose a point in the table first."));
        return;
    }
    const auto& reading = m_readings[static_cast<std::size_t>(*row)];
    strikeOrRestore(m_controller, reading.raw.id, reading.struck(), this);
}

void WorkUpStation::toggleInFit() {
    if (const auto row = selectedRow()) {
        const auto& reading = m_readings[static_cast<std::size_t>(*row)];
        m_controller.carryOut(&ReadingCommands::useInFit, reading.raw.id, !reading.inFit);
    }
}

void WorkUpStation::showRows() {
    const FitOptions options{kMethods[std::max(0, m_method->chosen())], m_scale->isChecked()};
    const WorkUpView v = workUpView(session(), options);
    const bool student = m_studentMode->isChecked();
    QVector<TableModel::Row> rows;
    for (const WorkRow& r : v.rows) {
        TableModel::Row row;
        const auto& typed = m_answers[r.readingId];
        QString remark = r.outlier ? tr("stands out. ") : QString();
        remark += r.struck ? tr("struck: %1").arg(onScreen(r.struckReason)) : onScreen(r.marks);
        row.cells = {QString::number(r.position), onScreen(r.gauge), onScreen(r.temperature)};
        if (student)
            row.cells << typed[0] << typed[1] << typed[2] << typed[3] << QString() << QString() << QString();
        else
            row.cells << onScreen(r.absolute) << onScreen(r.kelvin) << onScreen(r.inverse)
                      << onScreen(r.logarithm) << onScreen(r.residualKelvin) << onScreen(r.residualPressure)
                      << onScreen(r.superheat);
        row.cells << remark;
        row.quiet = !r.inFit;
        row.struck = r.struck;
        row.strong = r.outlier;
        row.id = r.readingId;
        rows << row;
    }
    const Plan& p = session().plan();
    m_rows->setEditable(student ? QVector<int>{3, 4, 5, 6} : QVector<int>{});
    m_rows->show({QStringLiteral("#"),
                  tr("%1, %2").arg(onScreen(Text::data(p.rig.gauge.name)), asIs(unitText(p.rig.gauge))),
                  tr("t, %1").arg(asIs(readingUnit(p.rig.thermometer))), tr("p abs., kPa"), tr("T, K"),
                  tr("1000 K/T"), tr("ln(p/Pa)"), tr("off line, K"), tr("off line, kPa"), tr("off curve, K"),
                  tr("remarks")},
                 rows, {10});
    m_table->setMaximumHeight(
        m_table->horizontalHeader()->sizeHint().height() +
        std::max(3, static_cast<int>(rows.size())) * m_table->verticalHeader()->defaultSectionSize() + 16);
    const bool fitted = v.fit.has_value();
    m_result->setText(fitted && !student ? onScreen(v.result)
                      : fitted           ? tr("ΔH = ? kJ/mol")
                                         : tr("No result yet"));
    m_resultUnder->setText(
        student  ? tr("Hidden while students fill in the table. A typed value is checked at once.")
        : fitted ? onScreen(v.resultUnder)
                 : onScreen(v.problem));
    m_comparison->setText(student ? QString() : onScreen(v.comparison));
    m_boils->setText(student ? QString()
                             : onScreen(Text::join({v.boilingPoints, v.dissolved}, Text::set("\n"))));
    QStringList causes;
    for (const auto& c : v.causes)
        causes << onScreen(c);
    m_causes->setText(causes.join(QLatin1Char('\n')));
    for (QWidget* w : {static_cast<QWidget*>(m_comparison), static_cast<QWidget*>(m_boils),
                       static_cast<QWidget*>(m_causes), static_cast<QWidget*>(m_lines)})
        w->setVisible(fitted && !student);
    if (v.causes.empty()) m_causes->hide();
    showResiduals(v);

    QVector<TableModel::Row> lines;
    const auto add = [&](const FitLine& f) {
        TableModel::Row row;
        row.cells = {onScreen(f.label), onScreen(f.enthalpy), onScreen(f.interval), onScreen(f.difference)};
        row.tips = {
            onScreen(Text::tr("{0} {0|point|points}", f.points)), tr("kJ/mol, standard error"),
            tr("95 % confidence interval; boils at %1 °C at 101.325 kPa").arg(onScreen(f.boilingPoint)),
            tr("from the slope of the accepted curve over the same span")};
        row.strong = f.current;
        lines << row;
    };
    for (const FitLine& f : v.methods)
        add(f);
    if (v.runs.size() > 1)
        for (const FitLine& f : v.runs)
            add(f);
    m_lineRows->show({tr("side by side"), tr("ΔH, kJ/mol"), tr("95 %"), tr("from curve")}, lines, {0});
    m_lines->setFixedHeight(m_lines->horizontalHeader()->sizeHint().height() +
                            static_cast<int>(lines.size()) * m_lines->verticalHeader()->defaultSectionSize() +
                            4);
}

void WorkUpStation::showSteps() {
    const auto row = selectedRow();
    if (!row || static_cast<std::size_t>(*row) >= m_readings.size()) {
        m_steps->setText(
            tr("Choose a point: every step from its reading to its place on the line is written out here."));
        return;
    }
    if (m_studentMode->isChecked()) {
        m_steps->setText(
            tr("Double-click a cell and type your value. Steps are shown when the results are."));
        return;
    }
    const ReducedReading& r = m_readings[static_cast<std::size_t>(*row)];
    QStringList lines{tr("Point %1").arg(r.raw.position)};
    for (const WorkStep& s : stepsOf(r, session().benchPlan(), session().model().zeroOf(r.raw)))
        lines << tr("%1: %2\n   = %3").arg(onScreen(s.label), onScreen(s.how), onScreen(s.value));
    m_steps->setText(lines.join(QLatin1Char('\n')));
}

void WorkUpStation::refresh() {
    const bool hasActs = !m_analyses.acts().empty();
    m_toActs->setVisible(hasActs);
    if (!hasActs) m_faces->showFace(0);
    m_readings =
        session().runId() ? session().model().reduce(*session().runId()) : std::vector<ReducedReading>();
    m_run->refresh(2);
    showRows();
    showSteps();
    m_map->show(mapView(session(), MapPurpose::WorkUp));
}

} // namespace uttrin::app

#include "moc_WorkUpStation.cpp"
