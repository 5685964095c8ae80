#include "DialReader.h"

#include "app/controls/FieldEdit.h"
#include "app/controls/Grid.h"
#include "app/controls/Labels.h"
#include "app/controls/NumberField.h"
#include "app/controls/OnScreen.h"
#include "app/controls/Segments.h"
#include "app/controls/Theme.h"
#include "app/instruments/InstrumentPair.h"

#include <QHBoxLayout>

namespace uttrin::app {
namespace {

constexpr CountsFrom kFrom[] = {CountsFrom::Gauge, CountsFrom::Depth, CountsFrom::Absolute};

} // namespace

DialReader::DialReader(LessonController& controller, QWidget* parent) : ToolWindow(controller, parent) {
    setObjectName(QStringLiteral("dialReader"));
    setWindowTitle(tr("Dial reader"));
    auto* row = new QHBoxLayout(body());
    row->setContentsMargins(grid::kAround);
    row->setSpacing(grid::kMargin);
    auto* pictures = new QVBoxLayout;
    m_pair = new InstrumentPair;
    pictures->addWidget(m_pair, 1);
    m_take = new QPushButton(tr("Take it as the reading"));
    m_take->setObjectName(QStringLiteral("dialTake"));
    m_take->setToolTip(tr("Puts this into the fields of the Run station; nothing is captured yet."));
    pictures->addWidget(m_take);
    row->addLayout(pictures, 1);
    auto* column = new QVBoxLayout;
    column->addWidget(makeLabel(tr("What does this reading mean?"), "title"));
    m_text = new FieldEdit;
    m_text->setObjectName(QStringLiteral("dialText"));
    m_text->setAccessibleName(tr("A reading, typed or pasted"));
    m_text->setQuestion(tr("−0.62 bar, or 46 cm − 21 cm"));
    column->addWidget(m_text);
    m_question = makeLabel(tr("What does this number count from?"), "caution");
    m_question->setObjectName(QStringLiteral("dialQuestion"));
    column->addWidget(m_question);
    m_from = new Segments(QStringLiteral("dialFrom"), tr("What the number counts from"));
    m_from->setChoices({tr("gauge, above the room"), tr("depth of vacuum"), tr("absolute")});
    column->addWidget(m_from);
    m_meaning = makeLabel({});
    m_meaning->setObjectName(QStringLiteral("dialMeaning"));
    m_meaning->setTextFormat(Qt::RichText);
    column->addWidget(m_meaning);
    m_meaning->setAlignment(Qt::AlignTop | Qt::AlignLeft);
    column->addWidget(makeLabel(tr("And backwards: what will it show?"), "heading"));
    m_boils = new NumberField(tr("When it boils at"), QStringLiteral("°C"), QStringLiteral("dialBoils"));
    column->addWidget(m_boils);
    m_backwards = makeLabel({}, "note");
    m_backwards->setObjectName(QStringLiteral("dialBackwards"));
    column->addWidget(m_backwards);
    column->addStretch();
    row->addLayout(column, 1);
    wire();
}

void DialReader::wire() {
    connect(m_text, &QLineEdit::textEdited, this, [this] {
        m_from->choose(-1);
        readText();
    });
    connect(m_from, &Segments::picked, this, &DialReader::readText);
    connect(m_boils, &NumberField::edited, this, &DialReader::showBackwards);
    connect(m_pair, &InstrumentPair::temperatureMoved, this, [this](double celsius) {
        m_boils->setValue(celsius);
        showBackwards();
    });
    connect(m_pair, &InstrumentPair::gaugeMoved, this, [this](const GaugeReading& reading) {
        const auto& gauge = m_controller.session().plan().rig.gauge;
        m_text->setText(onScreen(uttrin::text(gauge, reading)));
        m_from->choose(-1);
        showReading({gauge, reading, false});
    });
    connect(m_take, &QPushButton::clicked, this, [this] {
        if (!m_ofTheRig) return;
        BenchDraft draft = m_controller.session().draft();
        draft.first = m_ofTheRig->first;
        draft.second = m_ofTheRig->second;
        m_controller.setDraft(draft);
        m_controller.refresh();
    });
}

void DialReader::showEvent(QShowEvent* event) {
    setUsualSize(theme().large ? QSize(940, 640) : QSize(780, 480));
    ToolWindow::showEvent(event);
    m_text->setFocus();
}

void DialReader::refresh() {
    if (!m_controller.isOpen()) return;
    const auto& gauge = m_controller.session().plan().rig.gauge;
    // What is asked backwards is a true temperature, whatever the rig's thermometer shows.
    Thermometer celsius;
    celsius.kind = ThermometerKind::Spirit;
    m_pair->setMinimumSize(scaled(350), scaled(330));
    m_pair->setInstruments(gauge, celsius, m_controller.session().roomOrStandard().pascal());
    readText();
    showBackwards();
}

void DialReader::read(const QString& text) {
    m_text->setText(text);
    m_from->choose(-1);
    readText();
}

void DialReader::readText() {
    m_ofTheRig.reset();
    m_take->setEnabled(false);
    const bool chosen = m_from->chosen() >= 0;
    const auto understood =
        readDialText(m_text->text().toStdString(), m_controller.session().plan().rig.gauge,
                     chosen ? kFrom[m_from->chosen()] : CountsFrom::Instrument);
    const bool ask = understood && (understood->ambiguous || chosen);
    m_question->setVisible(understood && understood->ambiguous);
    m_from->setVisible(ask);
    if (!understood) {
        m_meaning->setText(onScreen(understood.error().message).toHtmlEscaped());
    } else if (understood->ambiguous) {
        m_meaning->clear();
    } else {
        showReading(*understood);
    }
}

void DialReader::showReading(const DialText& text) {
    const auto& session = m_controller.session();
    const auto& gauge = session.plan().rig.gauge;
    const auto meaning = dialMeaning(session, text.instrument, text.reading);
    if (!meaning) {
        m_meaning->setText(onScreen(meaning.error().message).toHtmlEscaped());
        return;
    }
    QString html = QStringLiteral("<table cellspacing='6'>");
    for (const auto& line : meaning->lines)
        html += QStringLiteral("<tr><td>%1</td><td><b>%2</b></td></tr>")
                    .arg(onScreen(line.caption).toHtmlEscaped(), onScreen(line.value).toHtmlEscaped());
    m_meaning->setText(html + QStringLiteral("</table>"));
    // The picture shows the rig's own gauge at this pressure, whatever instrument the text came from.
    const auto room = session.room();
    if (!room && countsFromRoom(gauge.convention)) return;
    const bool own = text.instrument.convention == gauge.convention && text.instrument.unit == gauge.unit &&
                     hasTwoArms(gauge.convention) == text.reading.second.has_value();
    const GaugeReading shown =
        own ? text.reading
            : toReadableReading(gauge, *meaning->absolute, room ? room->station : *meaning->absolute);
    m_pair->showGauge(shown);
    m_ofTheRig = shown;
    m_take->setEnabled(session.runId().has_value());
}

void DialReader::showBackwards() {
    const auto celsius = m_boils->value();
    m_pair->showTemperature(celsius);
    if (!celsius) {
        m_backwards->setText(tr("Type a temperature: 60 °C, for instance."));
        return;
    }
    const auto sentence = dialForBoilingText(m_controller.session(), Temperature::fromCelsius(*celsius));
    m_backwards->setText(onScreen(sentence ? *sentence : sentence.error().message));
}

} // namespace uttrin::app

#include "moc_DialReader.cpp"
