#include "ActResultPage.h"

#include "app/conduct/ActAnalyses.h"
#include "app/conduct/ForecastChart.h"
#include "app/controls/FlowLayout.h"
#include "app/controls/Grid.h"
#include "app/controls/Labels.h"
#include "app/controls/OnScreen.h"
#include "app/controls/Theme.h"

#include <QComboBox>
#include <QHBoxLayout>
#include <QSignalBlocker>
#include <QTextBrowser>

#include <algorithm>

namespace uttrin::app {
namespace {

using Rows = std::vector<std::vector<QString>>;

QString tableHtml(const QString& title, const QStringList& columns, const Rows& rows) {
    if (rows.empty()) return {};
    QString html =
        QStringLiteral("<h3>%1</h3><table cellpadding=\"3\" width=\"100%\"><tr>").arg(title.toHtmlEscaped());
    for (const QString& column : columns)
        html += QStringLiteral("<th align=\"left\">%1</th>").arg(column.toHtmlEscaped());
    html += QStringLiteral("</tr>");
    for (const auto& row : rows) {
        html += QStringLiteral("<tr>");
        for (const QString& cell : row)
            html += QStringLiteral("<td>%1</td>").arg(cell.toHtmlEscaped());
        html += QStringLiteral("</tr>");
    }
    return html + QStringLiteral("</table>");
}

} // namespace

ActResultPage::ActResultPage(LessonController& controller, ActAnalyses& analyses, QWidget* before)
    : StationPage(controller), m_analyses(analyses) {
    auto* row = new QHBoxLayout(this);
    row->setContentsMargins(0, 0, 0, 0);
    row->setSpacing(grid::kMargin);
    auto* left = new QVBoxLayout;
    left->setSpacing(grid::kStep);
    auto* head = FlowLayout::inRow();
    head->addFixed(before);
    m_acts = new QComboBox;
    m_acts->setObjectName(QStringLiteral("resultAct"));
    m_acts->setAccessibleName(tr("The act that is looked at"));
    head->addWidget(m_acts);
    left->addWidget(head->parentWidget());
    const auto label = [&](const char* name, const char* role) {
        Words* words = makeLabel({}, role);
        words->setObjectName(QLatin1String(name));
        left->addWidget(words);
        return words;
    };
    m_verdict = label("resultVerdict", "title");
    m_evidence = label("resultEvidence", nullptr);
    m_notMeasured = label("resultNotMeasured", "caution");
    m_chart = new ForecastChart;
    left->addWidget(m_chart, 1);
    m_lowest = label("resultLowest", "note");
    row->addLayout(left, 1);
    m_tables = new QTextBrowser;
    m_tables->setObjectName(QStringLiteral("resultTables"));
    m_tables->setAccessibleName(tr("What was read and seen"));
    m_tables->setMinimumWidth(scaled(360));
    m_tables->setHorizontalScrollBarPolicy(Qt::ScrollBarAlwaysOff); // cells break
    row->addWidget(m_tables, 1);
    connect(m_acts, &QComboBox::activated, this, [this](int index) {
        m_chosen = m_acts->itemData(index).toLongLong();
        refresh();
    });
    connect(&m_analyses, &ActAnalyses::ready, this, [this] {
        if (isVisible()) refresh();
    });
}

const Act* ActResultPage::act() const {
    const auto acts = m_analyses.acts();
    const auto chosen = std::ranges::find(acts, m_chosen.value_or(0), &Act::id);
    return chosen != acts.end() ? *chosen : acts.empty() ? nullptr : acts.back();
}

void ActResultPage::refresh() {
    if (!m_controller.isOpen()) return;
    const QSignalBlocker quiet(m_acts);
    m_acts->clear();
    for (const Act* a : m_analyses.acts())
        m_acts->addItem(QString::fromStdString(a->title), QVariant::fromValue<qlonglong>(a->id));
    const Act* now = act();
    m_acts->setEnabled(now != nullptr);
    if (!now) {
        m_verdict->setText(tr("No demonstration has begun yet: begin one in Run."));
        for (QWidget* w : std::initializer_list<QWidget*>{m_evidence, m_notMeasured, m_lowest})
            w->hide();
        m_chart->show(nullptr, nullptr, ConductView());
        m_tables->clear();
        return;
    }
    m_acts->setCurrentIndex(m_acts->findData(QVariant::fromValue<qlonglong>(now->id)));
    const auto frozen = m_analyses.frozen(*now);
    const auto analysis = m_analyses.of(*now);
    const ActResult r = actResult(session(), *now, frozen.get(), analysis.get());
    std::shared_ptr<const LearnedForecast> learned;
    if (analysis && analysis->learned) learned = {analysis, &*analysis->learned};
    m_chart->show(frozen, learned, conductView(session(), *now, frozen.get(), learned.get()));
    m_verdict->setText(onScreen(r.verdict));
    const auto show = [](Words* words, const QString& text) {
        words->setText(text);
        words->setVisible(!text.isEmpty());
    };
    QStringList evidence;
    for (const Text& e : r.evidence)
        evidence << onScreen(e);
    show(m_evidence, evidence.join(QLatin1Char('\n')));
    show(m_notMeasured,
         r.notMeasured.empty() ? QString() : QStringLiteral("\u26A0 ") + onScreen(r.notMeasured));
    QStringList found;
    for (const Text* t : {&r.lowest, &r.bracket, &r.pooled})
        if (!t->empty()) found << onScreen(*t);
    show(m_lowest, found.join(QLatin1Char('\n')));
    Rows reads, seen, values, questions, groups;
    for (const auto& x : r.groups)
        groups.push_back({onScreen(x.name), onScreen(x.read, 0), onScreen(x.outside, 0), onScreen(x.lowest),
                          onScreen(x.inside)});
    for (const auto& x : r.reads)
        reads.push_back({onScreen(x.when), onScreen(x.minute),
                         onScreen(x.read) + (x.outside ? tr(" (outside)") : QString()), onScreen(x.forecast),
                         onScreen(x.inside)});
    for (const auto& x : r.seen)
        seen.push_back({onScreen(x.when), onScreen(x.minute), onScreen(x.what), onScreen(x.forecast)});
    for (const auto& x : r.values)
        values.push_back({onScreen(x.name), onScreen(x.expected), onScreen(x.found)});
    for (const auto& q : r.questions)
        questions.push_back({onScreen(q.asks), onScreen(q.tally), onScreen(q.result), onScreen(q.verdict)});
    QString steps;
    for (const Text& step : r.steps)
        steps += QStringLiteral("<br>%1").arg(onScreen(step).toHtmlEscaped());
    m_tables->setHtml(
        tableHtml(tr("Read"), {tr("at"), tr("min"), tr("read"), tr("forecast, 90 %"), tr("inside")}, reads) +
        tableHtml(tr("By groups"),
                  {tr("group"), tr("read"), tr("outside"), tr("boiled down to"), tr("inside then")}, groups) +
        tableHtml(tr("Seen"), {tr("at"), tr("min"), tr("seen"), tr("by the forecast")}, seen) +
        tableHtml(tr("The class"), {tr("question"), tr("answers"), tr("it came out"), QString()}, questions) +
        tableHtml(tr("Values, with 90 %"), {tr("value"), tr("as expected"), tr("by what was read")}, values) +
        QStringLiteral("<h3>%1</h3>%2").arg(tr("Steps").toHtmlEscaped(), steps.mid(4)));
}

} // namespace uttrin::app

#include "moc_ActResultPage.cpp"
