#include "ColumnDialog.h"

#include "TraceChart.h"
#include "UnitBox.h"
#include "app/controls/Card.h"
#include "app/controls/FieldEdit.h"
#include "app/controls/FlowLayout.h"
#include "app/controls/Grid.h"
#include "app/controls/Labels.h"
#include "app/controls/NumberField.h"
#include "app/controls/OnScreen.h"
#include "app/controls/Segments.h"
#include "files/WholeFile.h"
#include "lesson/live/KeptTrace.h"

#include <QComboBox>
#include <QDateTime>
#include <QFileInfo>
#include <QGridLayout>
#include <QPushButton>
#include <QSettings>
#include <QTimeZone>

namespace uttrin::app {
namespace {

constexpr LoggerMeaning kMeanings[] = {
    LoggerMeaning::Ignored,    LoggerMeaning::Elapsed,          LoggerMeaning::Clock,
    LoggerMeaning::Date,       LoggerMeaning::AbsolutePressure, LoggerMeaning::GaugePressure,
    LoggerMeaning::Temperature};
constexpr char kSeparators[] = {',', ';', '\t', ' '};
constexpr std::size_t kMostBytes = 64 * kMebibyte;

Dimension dimensionOf(LoggerMeaning meaning) {
    return meaning == LoggerMeaning::Elapsed       ? Dimension::Time
           : meaning == LoggerMeaning::Temperature ? Dimension::Temperature
                                                   : Dimension::Pressure;
}

bool hasUnit(LoggerMeaning meaning) {
    return meaning == LoggerMeaning::Elapsed || meaning == LoggerMeaning::AbsolutePressure ||
           meaning == LoggerMeaning::GaugePressure || meaning == LoggerMeaning::Temperature;
}

} // namespace

ColumnDialog::ColumnDialog(LessonController& controller, QWidget* parent) : ToolWindow(controller, parent) {
    setObjectName(QStringLiteral("columnDialog"));
    setWindowTitle(tr("Bring in a logger’s file"));
    auto* column = new QVBoxLayout(body());
    column->setContentsMargins(grid::kAround);
    column->setSpacing(grid::kMargin);
    auto* card = new Card;
    card->column()->addWidget(makeLabel(tr("What stands in its columns?"), "heading"));
    FlowLayout* row = FlowLayout::inRow();
    m_separator = new QComboBox;
    m_separator->setObjectName(QStringLiteral("loggerSeparator"));
    m_separator->setAccessibleName(tr("What parts the columns"));
    m_separator->addItems({tr("comma"), tr("semicolon"), tr("tab"), tr("space")});
    m_decimal = new QComboBox;
    m_decimal->setObjectName(QStringLiteral("loggerDecimal"));
    m_decimal->setAccessibleName(tr("Decimal sign"));
    m_decimal->addItems({tr("decimal point"), tr("decimal comma")});
    m_header =
        new NumberField(QString(), tr("lines before the first reading"), QStringLiteral("loggerHeader"));
    m_begun = new FieldEdit;
    m_begun->setObjectName(QStringLiteral("loggerBegun"));
    m_begun->setUsualWidth(90);
    m_begun->setToolTip(tr("When its first reading was taken: 10:31 or 10:31:05 of the lesson’s day"));
    row->addWidget(besideLabel(tr("columns parted by"), m_separator));
    row->addFixed(m_decimal);
    row->addWidget(m_header);
    row->addWidget(besideLabel(tr("began at"), m_begun));
    card->column()->addWidget(row->parentWidget());
    m_columns = new QGridLayout;
    card->column()->addLayout(m_columns);
    column->addWidget(card);
    m_state = makeLabel({}, "note");
    m_state->setObjectName(QStringLiteral("loggerState"));
    column->addWidget(m_state);
    m_chart = new TraceChart;
    m_chart->setMinimumHeight(220);
    column->addWidget(m_chart, 1);
    m_bring = new QPushButton(tr("Bring it in"));
    m_bring->setObjectName(QStringLiteral("loggerBringIn"));
    setRole(m_bring, "main");
    column->addWidget(m_bring, 0, Qt::AlignRight);
    connect(m_bring, &QPushButton::clicked, this, &ColumnDialog::bringIn);
    for (QComboBox* box : {m_separator, m_decimal})
        connect(box, &QComboBox::activated, this, &ColumnDialog::takeColumns);
    connect(m_header, &NumberField::committed, this, &ColumnDialog::takeColumns);
    setUsualSize({820, 640});
}

void ColumnDialog::refresh() {}

QString ColumnDialog::headingKey() const {
    const std::string first = m_text.substr(0, m_text.find('\n'));
    return QStringLiteral("loggerLayouts/%1").arg(qHash(QByteArray::fromStdString(first)), 0, 16);
}

void ColumnDialog::look(const QString& path) {
    const QFileInfo file(path);
    auto text = readWholeFile(path.toStdString(), kMostBytes);
    if (text) return lookAt(std::move(*text), file.fileName(), file.lastModified().toMSecsSinceEpoch());
    m_trace = {};
    m_layout = {};
    m_text.clear();
    buildColumns();
    m_state->setText(onScreen(text.error().message));
    m_bring->setEnabled(false);
}

void ColumnDialog::lookAtText(const QString& text) {
    const Milliseconds now = m_controller.clock().now();
    lookAt(text.toStdString(), tr("pasted log"), now);
}

void ColumnDialog::lookAt(std::string text, const QString& name, std::int64_t writtenMs) {
    m_name = name;
    m_trace = {};
    m_layout = {};
    m_text = std::move(text);
    if (const auto guessed = guessLayout(m_text))
        m_layout = *guessed;
    else
        m_state->setText(onScreen(guessed.error().message));
    const bool known = recall();
    if (m_begun->text().isEmpty()) {
        const auto& session = m_controller.session();
        m_begun->setText(QString::fromStdString(clockText(writtenMs, session.model().lesson().utcOffsetMin)));
    }
    buildColumns();
    showTrace();
    if (known) m_state->setText(m_state->text() + QLatin1Char(' ') + tr("Laid out as last time."));
}

void ColumnDialog::buildColumns() {
    emptyLayout(*m_columns);
    m_meanings.clear();
    m_units.clear();
    for (int i = 0; i < 4; ++i)
        if (kSeparators[i] == m_layout.separator) m_separator->setCurrentIndex(i);
    m_decimal->setCurrentIndex(m_layout.decimal == ',' ? 1 : 0);
    m_header->setValue(m_layout.headerLines);
    for (int i = 0; i < static_cast<int>(m_layout.columns.size()); ++i) {
        const LoggerColumn& c = m_layout.columns[static_cast<std::size_t>(i)];
        auto* name = makeLabel(
            c.name.empty() ? tr("column %1").arg(i + 1) : QString::fromStdString(c.name).left(40), "muted");
        auto* meaning = new QComboBox;
        meaning->setObjectName(QStringLiteral("loggerColumn%1").arg(i + 1));
        meaning->setAccessibleName(tr("What column %1 holds").arg(i + 1));
        meaning->addItems({tr("passed over"), tr("time since the start"), tr("time of day"),
                           tr("date and time"), tr("absolute pressure"), tr("pressure against the room"),
                           tr("temperature")});
        meaning->setCurrentIndex(indexOf(kMeanings, c.meaning));
        auto* in = new QComboBox;
        in->setObjectName(QStringLiteral("loggerUnit%1").arg(i + 1));
        in->setAccessibleName(tr("Unit of column %1").arg(i + 1));
        m_columns->addWidget(name, i, 0);
        m_columns->addWidget(meaning, i, 1);
        m_columns->addWidget(in, i, 2);
        connect(meaning, &QComboBox::activated, this, &ColumnDialog::takeColumns);
        connect(in, &QComboBox::activated, this, &ColumnDialog::takeColumns);
        in->setVisible(hasUnit(c.meaning));
        if (hasUnit(c.meaning)) offerUnits(*in, dimensionOf(c.meaning), c.unit);
        m_meanings.push_back(meaning);
        m_units.push_back(in);
    }
    m_columns->setColumnStretch(3, 1);
    keepFocusOrder(this);
}

void ColumnDialog::takeColumns() {
    m_layout.separator = kSeparators[std::max(0, m_separator->currentIndex())];
    m_layout.decimal = m_decimal->currentIndex() == 1 ? ',' : '.';
    m_layout.headerLines = static_cast<int>(std::max(0.0, m_header->value().value_or(m_layout.headerLines)));
    for (std::size_t i = 0; i < m_meanings.size(); ++i) {
        LoggerColumn& c = m_layout.columns[i];
        c.meaning = kMeanings[std::max(0, m_meanings[i]->currentIndex())];
        c.unit = nullptr;
        if (!hasUnit(c.meaning)) continue;
        const Unit* chosen = unitIn(*m_units[i], dimensionOf(c.meaning));
        c.unit = chosen ? chosen : &unitsOf(dimensionOf(c.meaning)).front();
    }
    buildColumns();
    showTrace();
}

void ColumnDialog::showTrace() {
    const auto read = readLogger(m_text, m_layout, m_controller.session().roomOrStandard().pascal());
    m_bring->setEnabled(read.has_value());
    m_trace = read ? read->trace : Trace();
    TraceChart::View view;
    view.pascal = m_trace.pascal;
    view.kelvin = m_trace.kelvin;
    for (const TraceChannel* c : {&m_trace.pascal, &m_trace.kelvin})
        if (!c->empty()) view.to = std::max(view.to, c->seconds.back());
    if (m_trace.pascal.empty() && m_trace.kelvin.empty()) view.to = 60.0;
    m_chart->show(std::move(view),
                  [](double seconds) { return QStringLiteral("%1 s").arg(onScreen(seconds, 0)); });
    if (!read)
        m_state->setText(QStringLiteral("\u26A0 ") + onScreen(read.error().message));
    else
        m_state->setText(tr("%1: %2 pressures, %3 temperatures, %4 lines passed over.")
                             .arg(m_name)
                             .arg(m_trace.pascal.size())
                             .arg(m_trace.kelvin.size())
                             .arg(read->unread));
}

void ColumnDialog::remember() const {
    QStringList words{QString(QLatin1Char(m_layout.separator)), QString(QLatin1Char(m_layout.decimal)),
                      QString::number(m_layout.headerLines)};
    for (const LoggerColumn& c : m_layout.columns)
        words << QStringLiteral("%1 %2")
                     .arg(static_cast<int>(c.meaning))
                     .arg(c.unit ? asIs(c.unit->symbol) : QString());
    QSettings().setValue(headingKey(), words);
}

bool ColumnDialog::recall() {
    const QStringList words = QSettings().value(headingKey()).toStringList();
    constexpr qsizetype kBefore = 3;
    if (words.size() != kBefore + static_cast<qsizetype>(m_layout.columns.size())) return false;
    LoggerLayout known = m_layout;
    known.separator = words[0].isEmpty() ? ',' : words[0].at(0).toLatin1();
    known.decimal = words[1] == QLatin1String(",") ? ',' : '.';
    known.headerLines = std::max(0, words[2].toInt());
    for (std::size_t i = 0; i < known.columns.size(); ++i) {
        const QString& word = words[kBefore + static_cast<qsizetype>(i)];
        const int meaning = word.section(QLatin1Char(' '), 0, 0).toInt();
        if (meaning < 0 || meaning >= static_cast<int>(std::size(kMeanings))) return false;
        known.columns[i].meaning = static_cast<LoggerMeaning>(meaning);
        known.columns[i].unit = anyUnit(word.section(QLatin1Char(' '), 1).toStdString());
        if (hasUnit(known.columns[i].meaning) && !known.columns[i].unit) return false;
    }
    m_layout = known;
    return true;
}

void ColumnDialog::bringIn() {
    const auto& session = m_controller.session();
    const int offset = session.model().lesson().utcOffsetMin;
    const QTime at = QTime::fromString(m_begun->text().trimmed(), m_begun->text().count(QLatin1Char(':')) == 2
                                                                      ? QStringLiteral("H:m:s")
                                                                      : QStringLiteral("H:m"));
    if (!at.isValid())
        return m_state->setText(
            QStringLiteral("\u26A0 ") +
            tr("'%1' is no time of day; accepted: 10:31 or 10:31:05.").arg(m_begun->text()));
    QDate day = QDate::fromString(QString::fromStdString(session.model().lesson().heldOn), Qt::ISODate);
    if (!day.isValid()) day = QDateTime::fromMSecsSinceEpoch(m_controller.clock().now()).date();
    constexpr int kSecondsAMinute = 60;
    const QDateTime begun(day, at, QTimeZone(offset * kSecondsAMinute));
    const auto done = m_controller.carryOut(&TraceCommands::importTrace, m_name.toStdString(), m_trace,
                                            static_cast<Milliseconds>(begun.toMSecsSinceEpoch()));
    if (!done) return;
    remember();
    m_begun->clear();
    hide();
    emit broughtIn();
}

} // namespace uttrin::app

#include "moc_ColumnDialog.cpp"
