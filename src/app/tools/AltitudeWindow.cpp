#include "AltitudeWindow.h"

#include "app/controls/Grid.h"
#include "app/controls/Labels.h"
#include "app/controls/NumberField.h"
#include "app/controls/OnScreen.h"
#include "app/controls/Theme.h"
#include "app/map/ChartStyle.h"
#include "app/tables/TableModel.h"
#include "lesson/lookups/AltitudeView.h"

#include <QComboBox>
#include <QHBoxLayout>
#include <QTableView>
#include <qcustomplot.h>

#include <algorithm>

namespace uttrin::app {
namespace {

constexpr double kLowest = -400.0, kHighest = 5600.0, kTableStep = 500.0, kChartStep = 100.0; // m

} // namespace

AltitudeWindow::AltitudeWindow(LessonController& controller, QWidget* parent)
    : ToolWindow(controller, parent) {
    setObjectName(QStringLiteral("altitudeWindow"));
    setWindowTitle(tr("Boiling against height"));
    setUsualSize(QSize(900, 560));
    auto* row = new QHBoxLayout(body());
    row->setContentsMargins(grid::kAround);
    row->setSpacing(grid::kMargin);
    m_chart = new QCustomPlot;
    m_chart->setObjectName(QStringLiteral("altitudeChart"));
    m_chart->setAccessibleName(tr("Boiling point of water against height above sea level"));
    row->addWidget(m_chart, 1);
    auto* column = new QVBoxLayout;
    column->addWidget(makeLabel(tr("Cooking time grows as the boiling point falls"), "heading"));
    auto* choose = new QHBoxLayout;
    m_process = new QComboBox;
    m_process->setObjectName(QStringLiteral("cookingProcess"));
    m_process->setAccessibleName(tr("What is cooked"));
    for (const CookingProcess& p : cookingProcesses())
        m_process->addItem(onScreen(p.name), p.activationEnergy * 1e-3);
    m_energy = new NumberField(tr("activation energy"), QStringLiteral("kJ/mol"),
                               QStringLiteral("activationEnergy"));
    m_energy->setValue(m_process->currentData().toDouble());
    choose->addWidget(m_process, 1, Qt::AlignBottom);
    choose->addWidget(m_energy);
    column->addLayout(choose);
    m_table = new QTableView;
    m_table->setObjectName(QStringLiteral("altitudeTable"));
    m_table->setAccessibleName(tr("Boiling point and cooking time by height"));
    m_rows = new TableModel(m_table);
    m_table->setModel(m_rows);
    styleTable(m_table);
    column->addWidget(m_table, 1);
    m_advice = makeLabel({}, "note");
    m_advice->setObjectName(QStringLiteral("altitudeAdvice"));
    column->addWidget(m_advice);
    column->addWidget(makeLabel(
        tr("Arrhenius’s law with the activation energy above; published ones spread by a third."), "muted"));
    row->addLayout(column, 1);
    connect(m_process, &QComboBox::activated, this, [this] {
        m_energy->setValue(m_process->currentData().toDouble());
        refresh();
    });
    connect(m_energy, &NumberField::edited, this, &AltitudeWindow::refresh);
}

void AltitudeWindow::refresh() {
    const Theme& t = theme();
    const double energy = std::max(m_energy->value().value_or(0.0), 0.0) * 1e3;
    std::optional<Pressure> room;
    if (m_controller.isOpen())
        if (const auto known = m_controller.session().room()) room = known->station;
    const auto rows = altitudeRows(0.0, 5500.0, kTableStep, energy, room);
    QVector<TableModel::Row> shown;
    const AltitudeRow* here = nullptr;
    for (const AltitudeRow& r : rows) {
        TableModel::Row row;
        row.cells = {onScreen(r.metre, 0), onScreen(r.kilopascal, 1), onScreen(r.celsius, 1),
                     QStringLiteral("×") + onScreen(r.relativeTime, 2), r.here ? tr("here") : QString()};
        row.strong = r.here;
        shown << row;
        if (r.here) here = &r;
    }
    m_rows->show({tr("height, m"), tr("kPa"), tr("boils, °C"), tr("time"), QString()}, shown, {4});
    m_advice->setText(
        here ? onScreen(altitudeAdvice(
                   *here, cookingProcesses()[static_cast<std::size_t>(m_process->currentIndex())].name))
             : tr("Enter the room’s pressure, and this says what it means for cooking here. "
                  "Boiling water scalds at every "
                  "height."));
    restyleChart(*m_chart);
    m_chart->xAxis->setRange(kLowest, kHighest);
    m_chart->yAxis->setRange(80.0, 102.0);
    auto* graph = m_chart->addGraph();
    graph->setPen(QPen(t.ink, 2));
    for (const AltitudeRow& r : altitudeRows(kLowest, kHighest, kChartStep, energy, std::nullopt))
        graph->addData(r.metre, r.celsius);
    if (here) {
        markPoint(*m_chart, here->metre, here->celsius, true);
        writeBeside(*m_chart, here->metre, here->celsius, tr("here: %1 °C").arg(onScreen(here->celsius, 1)),
                    Qt::AlignLeft | Qt::AlignBottom, true);
    }
    m_chart->xAxis->setLabel(tr("height above sea level on a standard day, m"));
    m_chart->yAxis->setLabel(tr("water boils at, °C"));
    m_chart->replot();
}

} // namespace uttrin::app

#include "moc_AltitudeWindow.cpp"
