#include "RigTestPage.h"

#include "TraceChart.h"
#include "app/controls/Card.h"
#include "app/controls/FieldEdit.h"
#include "app/controls/FlowLayout.h"
#include "app/controls/Grid.h"
#include "app/controls/Labels.h"
#include "app/controls/NumberField.h"
#include "app/controls/OnScreen.h"
#include "app/controls/ScrollColumn.h"
#include "app/controls/Segments.h"
#include "app/controls/Theme.h"
#include "app/tables/TableModel.h"
#include "quantities/Quantities.h"
#include "trace/TraceCsv.h"

#include <QComboBox>
#include <QHBoxLayout>
#include <QHeaderView>
#include <QPlainTextEdit>
#include <QPushButton>
#include <QSettings>
#include <QTableView>

#include <algorithm>

namespace uttrin::app {
namespace {

constexpr double kMs = 1000.0;

} // namespace

RigTestPage::RigTestPage(LessonController& controller, LiveBench& bench, QWidget* choice)
    : StationPage(controller), m_bench(bench) {
    auto* row = new QHBoxLayout(this);
    row->setContentsMargins(0, 0, 0, 0);
    row->setSpacing(grid::kMargin);
    row->addWidget(buildTest(choice), 2);
    row->addWidget(buildResult(), 3);
    connect(&m_bench, &LiveBench::moved, this, &RigTestPage::showLive);
    connect(&m_bench, &LiveBench::changed, this, &RigTestPage::showState);
}

QWidget* RigTestPage::buildTest(QWidget* choice) {
    auto* left = new ScrollColumn;
    left->setWidths(380, 440);
    left->column()->addWidget(choice, 0, Qt::AlignLeft);
    auto* card = new Card;
    card->column()->addWidget(makeLabel(tr("Test the rig"), "title"));
    m_kind = new Segments(QStringLiteral("testKind"), tr("What is tested"), Segments::Rows::AsNeeded);
    m_kind->setChoices({tr("Leak test"), tr("Pump-down")});
    m_kind->choose(0);
    card->column()->addWidget(m_kind);
    m_how = makeLabel({}, "muted");
    m_how->setObjectName(QStringLiteral("testHow"));
    card->column()->addWidget(m_how);
    m_wet = new Segments(QStringLiteral("testWet"), tr("What is in the vessel"), Segments::Rows::AsNeeded);
    m_wet->setChoices({tr("dry"), tr("with liquid")});
    m_wet->choose(0);
    card->column()->addWidget(m_wet);
    auto* fields = new QGridLayout;
    m_volume = new NumberField(tr("Volume of gas"), QStringLiteral("L"), QStringLiteral("testVolume"));
    m_volume->setToolTip(tr("That the air comes into: the vessel less its liquid, with hoses and ballast"));
    m_liquid = new NumberField(tr("Liquid at"), QStringLiteral("°C"), QStringLiteral("testLiquid"));
    m_capture = new NumberField(tr("A point takes"), QStringLiteral("s"), QStringLiteral("testCapture"));
    m_kelvin = new NumberField(tr("and may move by"), QStringLiteral("K"), QStringLiteral("testKelvin"));
    fields->addWidget(m_volume, 0, 0);
    fields->addWidget(m_liquid, 0, 1);
    fields->addWidget(m_capture, 1, 0);
    fields->addWidget(m_kelvin, 1, 1);
    card->column()->addLayout(fields);
    m_note = new FieldEdit;
    m_note->setObjectName(QStringLiteral("testNote"));
    m_note->setPlaceholderText(tr("for instance: seat greased"));
    card->column()->addLayout(labelled(tr("What was done before it"), m_note));
    m_begin = new QPushButton;
    m_begin->setObjectName(QStringLiteral("testBegin"));
    setRole(m_begin, "main");
    card->column()->addWidget(m_begin);
    m_typedBox = new QWidget;
    auto* typed = new QVBoxLayout(m_typedBox);
    typed->setContentsMargins(0, 0, 0, 0);
    FlowLayout* stamps = FlowLayout::inRow();
    m_reading = new NumberField(tr("The gauge shows"), {}, QStringLiteral("testReading"));
    m_stamp = new QPushButton(tr("Stamp it now"));
    m_stamp->setObjectName(QStringLiteral("testStamp"));
    m_stamp->setToolTip(
        tr("Adds what the gauge shows, with the time since the first one. Enter in the field does the "
           "same."));
    stamps->addWidget(m_reading);
    stamps->addFixed(m_stamp);
    typed->addWidget(stamps->parentWidget());
    m_typed = new QPlainTextEdit;
    m_typed->setObjectName(QStringLiteral("testTyped"));
    m_typed->setAccessibleName(tr("Seconds and what the gauge shows, one pair a line"));
    m_typed->setPlaceholderText(
        tr("0 −0.80\n30 −0.79\n60 −0.78\nseconds and what the gauge shows: ten lines or more"));
    m_typed->setMinimumHeight(scaled(72));
    m_typed->setMaximumHeight(scaled(150));
    m_typed->setTabChangesFocus(true);
    typed->addWidget(m_typed, 1);
    m_keep = new QPushButton(tr("Work it out and keep it"));
    m_keep->setObjectName(QStringLiteral("testKeep"));
    typed->addWidget(m_keep);
    card->column()->addWidget(m_typedBox);
    left->column()->addWidget(card);
    left->column()->addStretch();
    connect(m_kind, &Segments::picked, this, &RigTestPage::refresh);
    connect(m_wet, &Segments::picked, this, &RigTestPage::showState);
    connect(m_begin, &QPushButton::clicked, this, [this] { m_begun ? end() : begin(); });
    connect(m_stamp, &QPushButton::clicked, this, &RigTestPage::stamp);
    connect(m_reading->edit(), &QLineEdit::returnPressed, this, &RigTestPage::stamp);
    connect(m_keep, &QPushButton::clicked, this, [this] {
        if (const auto trace = typedTrace())
            keep(*trace);
        else
            m_controller.tell(trace.error());
    });
    for (NumberField* f : {m_capture, m_kelvin})
        connect(f, &NumberField::committed, this, [this] {
            QSettings().setValue(QStringLiteral("rigTest/capture"), limits().captureSeconds);
            QSettings().setValue(QStringLiteral("rigTest/kelvin"), limits().kelvin);
            showTest();
        });
    return left;
}

QWidget* RigTestPage::buildResult() {
    auto* card = new Card;
    FlowLayout* row = FlowLayout::inRow();
    m_tests = new QComboBox;
    m_tests->setObjectName(QStringLiteral("testChoice"));
    m_tests->setAccessibleName(tr("Which test"));
    m_tests->setSizeAdjustPolicy(QComboBox::AdjustToMinimumContentsLengthWithIcon);
    m_tests->setMinimumContentsLength(26);
    row->addWidget(m_tests);
    m_use = makeLink(tr("Take the pump as tested"), "testUse",
                     tr("Puts the tested speed and floor into the plan; Undo takes it back."));
    m_remove = makeLink(tr("Take this test away"), "testRemove", {});
    for (QPushButton* b : {m_use, m_remove})
        row->addFixed(b);
    card->column()->addWidget(row->parentWidget());
    m_verdict = makeLabel({}, "title");
    m_verdict->setObjectName(QStringLiteral("testVerdict"));
    m_rate = makeLabel({}, "note");
    m_rate->setObjectName(QStringLiteral("testRate"));
    m_enthalpy = makeLabel({}, "note");
    m_enthalpy->setObjectName(QStringLiteral("testEnthalpy"));
    m_advice = makeLabel({}, "caution");
    m_advice->setObjectName(QStringLiteral("testAdvice"));
    m_comparison = makeLabel({}, "note");
    m_comparison->setObjectName(QStringLiteral("testComparison"));
    for (Words* w : {m_verdict, m_rate, m_comparison, m_enthalpy, m_advice})
        card->column()->addWidget(w);
    m_chart = new TraceChart;
    m_chart->setMinimumHeight(scaled(150));
    card->column()->addWidget(m_chart, 3);
    m_table = new QTableView;
    m_table->setObjectName(QStringLiteral("testTargets"));
    m_table->setAccessibleName(tr("What it means for each planned target"));
    m_rows = new TableModel(m_table);
    m_table->setModel(m_rows);
    styleTable(m_table);
    m_table->setMinimumHeight(scaled(110));
    card->column()->addWidget(m_table, 2);
    card->column()->addStretch(0);
    connect(m_tests, &QComboBox::activated, this, &RigTestPage::showTest);
    connect(m_remove, &QPushButton::clicked, this, [this] {
        if (const RigTest* test = chosen()) m_controller.carryOut(&RigTestCommands::removeTest, test->id);
    });
    connect(m_use, &QPushButton::clicked, this, [this] {
        if (const RigTest* test = chosen();
            test && m_controller.carryOut(&RigTestCommands::usePump, test->id))
            m_controller.say(tr("The plan has the pump as it was tested."));
    });
    return card;
}

RigTestLimits RigTestPage::limits() const {
    RigTestLimits limits;
    if (const auto s = m_capture->value(); s && *s > 0.0) limits.captureSeconds = *s;
    if (const auto k = m_kelvin->value(); k && *k > 0.0) limits.kelvin = *k;
    return limits;
}

const RigTest* RigTestPage::chosen() const {
    const RowId id = m_tests->currentData().toLongLong();
    for (const RigTest* test : testsInHand(session()))
        if (test->id == id) return test;
    return nullptr;
}

void RigTestPage::begin() {
    m_begun = m_bench.now();
    m_chart->show();
    showState();
    showLive();
}

void RigTestPage::end() {
    if (!m_begun) return;
    const double from = *std::exchange(m_begun, std::nullopt);
    Trace trace = m_bench.trail().aligned(session().roomOrStandard().pascal(), lagsOf(session().plan().rig),
                                          from, m_bench.now());
    for (TraceChannel* c : {&trace.pascal, &trace.kelvin})
        for (double& s : c->seconds)
            s -= from;
    keep(trace);
    showState();
}

void RigTestPage::stamp() {
    const auto shown = m_reading->value();
    if (!shown) {
        m_controller.say(tr("Type what the gauge shows first."));
        m_reading->edit()->setFocus();
        return;
    }
    const Milliseconds now = m_controller.clock().now();
    if (m_typed->toPlainText().trimmed().isEmpty()) m_firstStamp = now;
    const double seconds = static_cast<double>(now - m_firstStamp.value_or(now)) / kMs;
    m_typed->appendPlainText(QStringLiteral("%1 %2").arg(fieldText(seconds), fieldText(*shown)));
    m_reading->setValue(std::nullopt);
    m_reading->edit()->clear();
}

Result<Trace> RigTestPage::typedTrace() const {
    Trace trace;
    const auto& rig = session().plan().rig;
    const auto room = session().room();
    const QStringList lines = m_typed->toPlainText().split(QLatin1Char('\n'));
    for (int i = 0; i < lines.size(); ++i) {
        const QStringList words = lines[i].simplified().split(QLatin1Char(' '), Qt::SkipEmptyParts);
        if (words.isEmpty()) continue;
        const auto seconds = typedNumber(words.first()), shown = typedNumber(words.last());
        if (words.size() != 2 || !seconds || !shown)
            return fail(
                Failure::BadInput,
                Text::tr("Line {} is no pair of seconds and what the gauge shows, such as ‘30 −0.79’.",
                         i + 1));
        const auto absolute = toAbsolute(rig.gauge, readingAt(rig.gauge, *shown), room);
        if (!absolute) return tl::unexpected(absolute.error());
        if (!trace.pascal.empty() && *seconds <= trace.pascal.seconds.back())
            return fail(Failure::BadInput,
                        Text::tr("The time of line {} does not lie after the one before.", i + 1));
        trace.pascal.seconds.push_back(*seconds);
        trace.pascal.values.push_back(absolute->pressure.pascal());
    }
    if (const auto celsius = m_liquid->value(); celsius && m_wet->chosen() == 1 && !trace.pascal.empty()) {
        trace.kelvin.seconds = {trace.pascal.seconds.front(), trace.pascal.seconds.back()};
        trace.kelvin.values = {*celsius + kIcePointKelvin, *celsius + kIcePointKelvin};
    }
    return trace;
}

void RigTestPage::keep(const Trace& trace) {
    RigTest test;
    test.kind = m_kind->chosen() == 1 ? RigTestKind::PumpDown : RigTestKind::Leak;
    test.wet = m_wet->chosen() == 1;
    test.litre = m_volume->value().value_or(0.0);
    test.note = m_note->text().trimmed().toStdString();
    test.readings = writeTraceCsv(trace);
    if (!m_controller.carryOut(&RigTestCommands::keepTest, test)) return;
    m_note->clear();
    m_typed->clear();
    m_firstStamp.reset();
    m_controller.say(tr("The test is kept, and on disk."));
}

void RigTestPage::showLive() {
    if (!isVisible() || !m_begun) return;
    TraceChart::View view;
    const Trace trace =
        m_bench.trail().aligned(session().roomOrStandard().pascal(), {}, *m_begun, m_bench.now());
    view.pascal = trace.pascal;
    view.kelvin = trace.kelvin;
    view.from = *m_begun;
    view.to = std::max(m_bench.now(), *m_begun + 30.0);
    m_chart->show(std::move(view),
                  [this](double s) { return QStringLiteral("%1 s").arg(onScreen(s - *m_begun, 0)); });
}

void RigTestPage::showState() {
    if (!m_controller.isOpen()) return;
    const bool live = m_bench.isLive(), leak = m_kind->chosen() != 1;
    if (!live) m_begun.reset();
    m_how->setText(
        leak
            ? tr("Pump down to the deepest target, shut the pump off, wait half a minute, then watch for two "
                 "minutes or longer. Screen up, goggles on.")
            : tr("Open to the room, then begin, start the pump and let it pull until it goes no deeper. "
                 "Screen up, goggles on."));
    m_begin->setVisible(live);
    m_begin->setText(m_begun ? tr("End and work it out")
                     : leak  ? tr("Shut off: watch from now")
                             : tr("Begin, then start the pump"));
    m_typedBox->setVisible(!live);
    m_liquid->setVisible(!live && m_wet->chosen() == 1);
    const PressureInstrument& gauge = session().plan().rig.gauge;
    m_reading->setUnit(asIs(unitText(gauge)));
}

void RigTestPage::refresh() {
    if (m_volume->value() == std::nullopt) {
        const Rig& rig = session().plan().rig;
        m_volume->setValue(std::round(100.0 * (rig.vesselLitre - rig.liquidLitre)) / 100.0);
    }
    if (!m_capture->value())
        m_capture->setValue(
            QSettings().value(QStringLiteral("rigTest/capture"), RigTestLimits{}.captureSeconds).toDouble());
    if (!m_kelvin->value())
        m_kelvin->setValue(
            QSettings().value(QStringLiteral("rigTest/kelvin"), RigTestLimits{}.kelvin).toDouble());
    showState();
    const RigTest* before = chosen();
    const RowId last = before ? before->id : 0;
    RowId newest = 0;
    m_tests->clear();
    const auto kind = m_kind->chosen() == 1 ? RigTestKind::PumpDown : RigTestKind::Leak;
    for (const RigTest* test : testsInHand(session())) {
        if (test->kind != kind) continue;
        newest = std::max(newest, test->id);
        m_tests->addItem(onScreen(rigTestHeading(session(), *test)), static_cast<qlonglong>(test->id));
    }
    const int same = m_tests->findData(static_cast<qlonglong>(last == 0 || newest > last ? newest : last));
    m_tests->setCurrentIndex(m_tests->count() == 0 ? -1 : std::max(0, same));
    showTest();
}

void RigTestPage::showTest() {
    const RigTest* test = chosen();
    for (QWidget* w :
         {static_cast<QWidget*>(m_tests), static_cast<QWidget*>(m_remove), static_cast<QWidget*>(m_table),
          static_cast<QWidget*>(m_rate), static_cast<QWidget*>(m_enthalpy), static_cast<QWidget*>(m_advice),
          static_cast<QWidget*>(m_comparison)})
        w->setVisible(test != nullptr);
    m_use->setVisible(false);
    if (!test) {
        m_verdict->setText(m_kind->chosen() == 1
                               ? tr("No pump-down yet. What it tells stands here: how deep the pump "
                                    "goes, and which targets it reaches.")
                               : tr("No leak test yet. What it tells stands here: by how much a point "
                                    "moves while it is captured."));
        m_chart->setVisible(m_begun.has_value());
        return;
    }
    m_chart->show();
    const RigTestView view = rigTestView(session(), *test, limits());
    m_verdict->setText((view.passes ? QStringLiteral("\u2713 ") : QStringLiteral("\u26A0 ")) +
                       onScreen(view.trouble.empty() ? view.verdict : view.trouble));
    for (const auto& [label, words] : {std::pair{m_rate, view.rate},
                                       {m_enthalpy, view.enthalpy},
                                       {m_advice, view.advice},
                                       {m_comparison, view.comparison}}) {
        label->setText(onScreen(words));
        label->setVisible(!words.empty());
    }
    m_use->setVisible(view.litrePerMinute > 0.0);
    QVector<TableModel::Row> rows;
    for (const RigTestView::Line& line : view.targets) {
        TableModel::Row row;
        row.cells = {onScreen(line.target), onScreen(line.kelvin),
                     line.tooMuch ? tr("\u26A0 too much") : QString()};
        row.tips = {QString(), QString(), QString()};
        rows << row;
    }
    const bool leak = test->kind == RigTestKind::Leak;
    m_rows->show({tr("target"), leak ? tr("moves while captured") : tr("reached in"), QStringLiteral(" ")},
                 rows, {2});
    if (m_begun) return; // the chart shows what is watched
    TraceChart::View chart;
    chart.pascal = view.trace.pascal;
    chart.kelvin = view.trace.kelvin;
    chart.explained = view.explained;
    if (!chart.pascal.empty()) {
        chart.from = chart.pascal.seconds.front();
        chart.to = chart.pascal.seconds.back();
    }
    m_chart->show(std::move(chart), [](double s) { return QStringLiteral("%1 s").arg(onScreen(s, 0)); });
}

} // namespace uttrin::app

#include "moc_RigTestPage.cpp"
