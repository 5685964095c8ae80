#include "SolutionsWindow.h"

#include "app/controls/Grid.h"
#include "app/controls/Labels.h"
#include "app/controls/NumberField.h"
#include "app/controls/OnScreen.h"
#include "app/controls/Segments.h"
#include "app/controls/Theme.h"
#include "app/map/ChartStyle.h"
#include "app/tables/TableModel.h"

#include <QHBoxLayout>
#include <QTableView>
#include <qcustomplot.h>

#include <algorithm>

namespace uttrin::app {
namespace {

struct Topic {
    SolutionTopic topic;
    double percent; ///< shown at first
};
constexpr Topic kTopics[] = {{SolutionTopic::SaltBath, 15.0},
                             {SolutionTopic::Syrup, 80.0},
                             {SolutionTopic::EthanolWater, 40.0},
                             {SolutionTopic::MethanolWater, 40.0},
                             {SolutionTopic::AcetoneWater, 40.0}};

/// Slope of a curve's chord about an abscissa.
double slopeAt(const SolutionChart::Curve& curve, double x) {
    const auto& p = curve.points;
    if (p.size() < 2) return 0.0;
    auto after = std::ranges::upper_bound(p, x, {}, [](const auto& point) { return point.first; });
    after = std::clamp(after, p.begin() + 1, p.end() - 1);
    const auto before = after - 1;
    return (after->second - before->second) / (after->first - before->first);
}

} // namespace

SolutionsWindow::SolutionsWindow(LessonController& controller, QWidget* parent)
    : ToolWindow(controller, parent) {
    setObjectName(QStringLiteral("solutionsWindow"));
    setWindowTitle(tr("Salted ice, syrup and mixtures"));
    auto* whole = new QVBoxLayout(body());
    whole->setContentsMargins(grid::kAround);
    whole->setSpacing(grid::kStep);
    m_topic = new Segments(QStringLiteral("solutionTopic"), tr("Topic"), Segments::Rows::AsNeeded);
    m_topic->setChoices({tr("ice with salt"), tr("syrup on the stove"), tr("ethanol and water"),
                         tr("methanol and water"), tr("acetone and water")});
    m_topic->choose(0);
    whole->addWidget(m_topic);
    auto* row = new QHBoxLayout;
    row->setSpacing(grid::kMargin);
    m_chart = new QCustomPlot;
    m_chart->setObjectName(QStringLiteral("solutionChart"));
    m_chart->setMinimumSize(420, 320);
    row->addWidget(m_chart, 3);
    auto* column = new QVBoxLayout;
    m_percent = new NumberField(tr("Composition"), tr("% by mass"), QStringLiteral("solutionPercent"));
    m_percent->setValue(kTopics[0].percent);
    column->addWidget(m_percent);
    m_answer = makeLabel({}, "heading");
    m_answer->setObjectName(QStringLiteral("solutionAnswer"));
    column->addWidget(m_answer);
    m_table = new QTableView;
    m_table->setObjectName(QStringLiteral("solutionTable"));
    m_table->setAccessibleName(tr("Values of the chart as a table"));
    m_rows = new TableModel(m_table);
    m_table->setModel(m_rows);
    styleTable(m_table);
    column->addWidget(m_table, 1);
    row->addLayout(column, 2);
    whole->addLayout(row, 1);
    m_advice = makeLabel({}, "note");
    m_advice->setObjectName(QStringLiteral("solutionAdvice"));
    whole->addWidget(m_advice);
    m_source = makeLabel({}, "muted");
    whole->addWidget(m_source);
    connect(m_topic, &Segments::picked, this, [this](int index) {
        m_percent->setValue(kTopics[index].percent);
        refresh();
    });
    connect(m_percent, &NumberField::edited, this, &SolutionsWindow::refresh);
}

void SolutionsWindow::refresh() {
    setUsualSize(theme().large ? QSize(1240, 720) : QSize(940, 600));
    const auto percent = m_percent->value();
    if (!percent) {
        m_answer->setText(tr("Type a composition: 20, for instance."));
        return;
    }
    const auto room = m_controller.isOpen() ? m_controller.session().room() : std::nullopt;
    const auto chart = solutionChart(kTopics[std::max(0, m_topic->chosen())].topic,
                                     room ? std::optional(room->station) : std::nullopt, *percent);
    if (!chart) {
        m_answer->setText(onScreen(chart.error().message));
        return;
    }
    const bool needsRoom = m_topic->chosen() > 0 && !room;
    m_answer->setText(onScreen(chart->answer) +
                      (needsRoom ? tr(" (At 101.3 kPa: the room’s pressure is not known yet.)") : QString()));
    m_advice->setText(onScreen(chart->advice));
    m_source->setText(onScreen(chart->source));
    QStringList columns;
    for (const auto& name : chart->columns)
        columns << onScreen(name);
    columns << QStringLiteral(" "); // takes what is left of the width
    QVector<TableModel::Row> rows;
    for (const auto& cells : chart->rows) {
        TableModel::Row row;
        for (const auto& cell : cells)
            row.cells << onScreen(cell);
        row.cells << QString();
        rows << row;
    }
    m_rows->show(columns, rows, {});
    draw(*chart);
}

void SolutionsWindow::draw(const SolutionChart& chart) {
    const Theme& t = theme();
    restyleChart(*m_chart);
    m_chart->setAccessibleName(tr("%1 against %2").arg(onScreen(chart.vertical), onScreen(chart.horizontal)));
    m_chart->xAxis->setLabel(onScreen(chart.horizontal));
    m_chart->yAxis->setLabel(onScreen(chart.vertical));
    m_chart->legend->setVisible(chart.curves.size() > 1);
    m_chart->legend->setFont(fontOf(t.small));
    m_chart->legend->setTextColor(t.ink);
    m_chart->legend->setBrush(t.card);
    m_chart->legend->setBorderPen(QPen(t.hairline));
    QCPRange horizontal, vertical;
    bool first = true;
    for (const auto& curve : chart.curves) {
        auto* graph = m_chart->addGraph();
        graph->setPen(QPen(t.ink, 2, curve.dashed ? Qt::DashLine : Qt::SolidLine));
        graph->setName(onScreen(curve.label));
        for (const auto& [x, y] : curve.points) {
            graph->addData(x, y);
            if (first) {
                horizontal = QCPRange(x, x);
                vertical = QCPRange(y, y);
                first = false;
            }
            horizontal.expand(x);
            vertical.expand(y);
        }
    }
    const bool rising =
        !chart.curves.front().points.empty() &&
        chart.curves.front().points.back().second > chart.curves.front().points.front().second;
    m_chart->axisRect()->insetLayout()->setInsetAlignment(0, Qt::AlignTop |
                                                                 (rising ? Qt::AlignLeft : Qt::AlignRight));
    constexpr double kBorder = 0.06;
    m_chart->xAxis->setRange(horizontal.lower - kBorder * horizontal.size(),
                             horizontal.upper + kBorder * horizontal.size());
    m_chart->yAxis->setRange(vertical.lower - 2 * kBorder * vertical.size(),
                             vertical.upper + 2 * kBorder * vertical.size());
    double lowestFree = m_chart->height(); // px; words beside a rising curve stand above each other
    for (const auto& mark : chart.marks) {
        markPoint(*m_chart, mark.x, mark.y, mark.chosen);
        // Where the curve is not: above it, and to the side to which it falls; below where that is the end.
        constexpr double kFlat = 0.2; // of the chart's height across its width
        const bool rises =
            slopeAt(chart.curves.front(), mark.x) > kFlat * vertical.size() / horizontal.size();
        const bool atTheEnd = mark.x > horizontal.lower + 0.7 * horizontal.size();
        const auto corner = rises && mark.chosen ? Qt::AlignLeft | Qt::AlignTop
                            : rises              ? Qt::AlignRight | Qt::AlignBottom
                            : atTheEnd           ? Qt::AlignRight | Qt::AlignTop
                                                 : Qt::AlignLeft | Qt::AlignBottom;
        int lift = 0;
        if (rises && !mark.chosen) {
            const double y = m_chart->yAxis->coordToPixel(mark.y);
            lift = std::max(0, static_cast<int>(y - lowestFree));
            lowestFree = y - lift - QFontMetrics(fontOf(t.small)).height();
        }
        writeBeside(*m_chart, mark.x, mark.y, onScreen(mark.text), corner, mark.chosen, lift);
    }
    m_chart->replot();
}

} // namespace uttrin::app

#include "moc_SolutionsWindow.cpp"
