#include "TraceWindow.h"

#include "ColumnDialog.h"
#include "TraceChart.h"
#include "app/controller/Dialogs.h"
#include "app/controls/Card.h"
#include "app/controls/FlowLayout.h"
#include "app/controls/Grid.h"
#include "app/controls/Labels.h"
#include "app/controls/OnScreen.h"
#include "quantities/Quantities.h"

#include <QClipboard>
#include <QComboBox>
#include <QGuiApplication>
#include <QHBoxLayout>
#include <QListWidget>
#include <QPushButton>

#include <algorithm>

namespace uttrin::app {

TraceWindow::TraceWindow(LessonController& controller, QWidget* parent) : ToolWindow(controller, parent) {
    setObjectName(QStringLiteral("traceWindow"));
    setWindowTitle(tr("Trace"));
    auto* column = new QVBoxLayout(body());
    column->setContentsMargins(grid::kAround);
    column->setSpacing(grid::kMargin);
    FlowLayout* row = FlowLayout::inRow();
    m_which = new QComboBox;
    m_which->setObjectName(QStringLiteral("traceWhich"));
    m_which->setAccessibleName(tr("Which trace"));
    m_which->setSizeAdjustPolicy(QComboBox::AdjustToMinimumContentsLengthWithIcon);
    m_which->setMinimumContentsLength(28);
    row->addWidget(m_which);
    m_file = new QPushButton(tr("Bring in a logger’s file…"));
    m_file->setObjectName(QStringLiteral("traceFile"));
    row->addFixed(m_file);
    m_paste = new QPushButton(tr("Paste a log"));
    m_paste->setObjectName(QStringLiteral("tracePaste"));
    m_paste->setShortcut(QKeySequence::Paste);
    m_paste->setToolTip(
        tr("Takes lines of readings from the clipboard, as a logger or a table copies them (%1)")
            .arg(m_paste->shortcut().toString(QKeySequence::NativeText)));
    row->addFixed(m_paste);
    connect(m_paste, &QPushButton::clicked, this, &TraceWindow::paste);
    column->addWidget(row->parentWidget());
    m_empty = makeLabel(tr("What live instruments say is kept here as it comes. Or bring in the file of a "
                           "logger, or paste its lines (%1).")
                            .arg(m_paste->shortcut().toString(QKeySequence::NativeText)),
                        "note");
    m_empty->setObjectName(QStringLiteral("traceEmpty"));
    column->addWidget(m_empty);
    auto* middle = new QHBoxLayout;
    m_chart = new TraceChart;
    m_chart->setCursorShown(true);
    m_chart->setToolTip(
        tr("Click or drag, or use the arrow keys, for a moment; turn the wheel, or press + and −, to "
           "come nearer."));
    middle->addWidget(m_chart, 2);
    auto* right = new Card;
    right->column()->addWidget(makeLabel(tr("Worth a look"), "heading"));
    m_places = new QListWidget;
    m_places->setObjectName(QStringLiteral("tracePlaces"));
    m_places->setAccessibleName(tr("Plateaus and turns in the trace"));
    m_places->setWordWrap(true);
    m_places->setHorizontalScrollBarPolicy(Qt::ScrollBarAlwaysOff);
    right->column()->addWidget(m_places, 1);
    middle->addWidget(right, 1);
    column->addLayout(middle, 1);
    m_moment = makeLabel({}, "heading");
    m_moment->setObjectName(QStringLiteral("traceMoment"));
    column->addWidget(m_moment);
    m_take = new QPushButton(tr("Take this moment as a point"));
    m_take->setObjectName(QStringLiteral("traceTake"));
    m_take->setToolTip(
        tr("Puts both into the fields at Run, with the time of this moment; Enter captures there."));
    setRole(m_take, "main");
    column->addWidget(m_take, 0, Qt::AlignRight);
    connect(m_which, &QComboBox::activated, this, &TraceWindow::choose);
    connect(m_file, &QPushButton::clicked, this, &TraceWindow::askForFile);
    connect(m_take, &QPushButton::clicked, this, &TraceWindow::take);
    connect(m_chart, &TraceChart::cursorMoved, this, &TraceWindow::showMoment);
    connect(m_chart, &TraceChart::framed, this, &TraceWindow::frame);
    connect(m_places, &QListWidget::currentRowChanged, this, [this](int place) {
        if (place < 0 || place >= static_cast<int>(m_suggestions.size())) return;
        const TraceSuggestion& s = m_suggestions[static_cast<std::size_t>(place)];
        m_chart->setCursor(0.5 * (s.from + s.to));
        showMoment();
    });
    setUsualSize({980, 620});
}

const KeptTrace* TraceWindow::kept() const {
    const auto at = static_cast<std::size_t>(std::max(0, m_which->currentIndex()));
    return at < m_traces.size() ? &m_traces[at] : nullptr;
}

QString TraceWindow::clockAt(double seconds) const {
    const KeptTrace* k = kept();
    constexpr double kMs = 1000.0;
    return k ? QString::fromStdString(
                   clockTextWithSeconds(k->begunMs + static_cast<Milliseconds>(seconds * kMs),
                                        m_controller.session().model().lesson().utcOffsetMin))
             : QString();
}

void TraceWindow::hideEvent(QHideEvent* event) {
    m_streams = kNone; // it is read anew when it is opened again
    ToolWindow::hideEvent(event);
}

void TraceWindow::refresh() {
    // All that came is read when the window opens, or an instrument or a file comes to it: not at each
    // change.
    const std::size_t streams = m_controller.session().model().data().streams.size();
    const std::pair of(m_controller.session().notebook().path(), m_controller.session().lessonId());
    const bool same = std::exchange(m_of, of) == of;
    if (std::exchange(m_streams, streams) == streams && same) return showChart();
    auto traces = keptTraces(m_controller.session());
    if (!traces) return m_controller.tell(traces.error());
    const KeptTrace* before = kept();
    const Milliseconds chosen = before ? before->begunMs : 0;
    m_traces = std::move(*traces);
    m_which->clear();
    int current = 0;
    for (std::size_t i = 0; i < m_traces.size(); ++i) {
        const KeptTrace& k = m_traces[i];
        m_which->addItem(QStringLiteral("%1  %2").arg(
            QString::fromStdString(
                clockText(k.begunMs, m_controller.session().model().lesson().utcOffsetMin)),
            onScreen(k.name)));
        if (k.begunMs == chosen) current = static_cast<int>(i);
    }
    m_which->setCurrentIndex(m_traces.empty() ? -1 : current);
    const bool any = !m_traces.empty();
    m_empty->setVisible(!any);
    for (QWidget* w :
         {static_cast<QWidget*>(m_chart), static_cast<QWidget*>(m_moment), static_cast<QWidget*>(m_take)})
        w->setVisible(any);
    m_places->parentWidget()->setVisible(any);
    if (any) choose();
}

void TraceWindow::choose() {
    const KeptTrace* k = kept();
    if (!k) return;
    m_from = k->from;
    m_to = k->to;
    m_suggestions = suggestionsIn(m_controller.session(), *k);
    const QSignalBlocker quiet(m_places);
    m_places->clear();
    for (const TraceSuggestion& s : m_suggestions)
        m_places->addItem(QStringLiteral("%1  %2").arg(clockAt(s.from), onScreen(s.what)));
    const auto steady = std::ranges::find_if(m_suggestions, [](const auto& s) { return s.to > s.from; });
    m_chart->setCursor(steady == m_suggestions.end() ? k->to : 0.5 * (steady->from + steady->to));
    showChart();
    showMoment();
}

void TraceWindow::frame(double from, double to) {
    const KeptTrace* k = kept();
    if (!k) return;
    constexpr double kLeast = 2.0; // s
    if (to - from < kLeast) return;
    m_from = std::max(from, k->from);
    m_to = std::min(to, std::max(k->to, m_from + kLeast));
    showChart();
}

void TraceWindow::showChart() {
    const KeptTrace* k = kept();
    if (!k) return;
    TraceChart::View view;
    Trace trace = absoluteOf(m_controller.session(), *k);
    view.pascal = std::move(trace.pascal);
    view.kelvin = std::move(trace.kelvin);
    view.from = m_from;
    view.to = m_to;
    for (const TraceSuggestion& s : m_suggestions)
        if (s.to > s.from)
            view.plateaus.emplace_back(s.from, s.to);
        else
            view.turns.push_back(s.from);
    constexpr double kMs = 1000.0;
    for (const Reading& r : m_controller.session().model().data().readings)
        if (r.live && !r.struckReason)
            view.captured.push_back(static_cast<double>(r.live->toMs - k->begunMs) / kMs);
    m_chart->show(std::move(view), [this](double seconds) { return clockAt(seconds); });
}

void TraceWindow::showMoment() {
    const KeptTrace* k = kept();
    const auto at = m_chart->cursor();
    if (!k || !at) return;
    const LiveMoment m = momentAt(m_controller.session(), *k, *at);
    QStringList said{clockAt(*at)};
    if (m.pressure) said << tr("%1 kPa absolute").arg(onScreen(m.pressure->mean * 1e-3, 2));
    if (m.temperature) said << tr("%1 °C").arg(onScreen(m.temperature->mean - kIcePointKelvin, 2));
    said << (m.steady ? tr("steady for %1 s").arg(onScreen(m.steadyFor, 0)) : tr("not steady"));
    m_moment->setText(said.join(QStringLiteral(", ")));
    m_take->setEnabled(m.pressure.has_value() || m.temperature.has_value());
}

void TraceWindow::take() {
    const KeptTrace* k = kept();
    const auto at = m_chart->cursor();
    if (!k || !at) return;
    const auto trouble = m_controller.carryOut(&TraceCommands::takeMoment, *k, *at);
    if (!trouble) return;
    if (!trouble->empty()) m_controller.complain(onScreen(*trouble));
    emit momentTaken();
}

void TraceWindow::askForFile() {
    const QString path = dialogs::openFile(this, tr("The file of a logger"),
                                           tr("Tables (*.csv *.txt *.tsv *.dat);;All files (*)"));
    if (path.isEmpty()) return;
    columns()->look(path);
    m_columns->show();
    m_columns->raise();
}

void TraceWindow::paste() {
    const QString text = QGuiApplication::clipboard()->text();
    if (text.trimmed().isEmpty())
        return m_controller.say(tr("The clipboard holds no text: copy the lines of a log first."));
    columns()->lookAtText(text);
    m_columns->show();
    m_columns->raise();
}

ColumnDialog* TraceWindow::columns() {
    if (!m_columns) {
        m_columns = new ColumnDialog(m_controller, this);
        connect(m_columns, &ColumnDialog::broughtIn, this, &TraceWindow::refresh);
    }
    return m_columns;
}

} // namespace uttrin::app

#include "moc_TraceWindow.cpp"
