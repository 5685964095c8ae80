#include "PhotoReader.h"

#include "MarkList.h"
#include "PhotoCanvas.h"
#include "SamplePhotos.h"
#include "app/controller/Dialogs.h"
#include "app/controller/PictureFiles.h"
#include "app/controls/FlowLayout.h"
#include "app/controls/Grid.h"
#include "app/controls/Labels.h"
#include "app/controls/NumberField.h"
#include "app/controls/OnScreen.h"
#include "app/controls/ScrollColumn.h"
#include "app/controls/Segments.h"
#include "app/controls/Theme.h"
#include "instruments/BarometerScales.h"
#include "lesson/commands/PictureCommands.h"
#include "lesson/lookups/DialMeaning.h"
#include "quantities/Rounding.h"

#include <QCheckBox>
#include <QClipboard>
#include <QComboBox>
#include <QDragEnterEvent>
#include <QFile>
#include <QFileInfo>
#include <QGuiApplication>
#include <QHBoxLayout>
#include <QMimeData>
#include <QShortcut>

#include <algorithm>
#include <cmath>

namespace uttrin::app {
namespace {

constexpr const char* kBarometerUnits[] = {"mmHg", "hPa", "inHg"};

} // namespace

PhotoReader::PhotoReader(LessonController& controller, QWidget* parent) : ToolWindow(controller, parent) {
    setObjectName(QStringLiteral("photoReader"));
    setWindowTitle(tr("Photo reader"));
    setAcceptDrops(true);
    resize(1160, 720);
    auto* row = new QHBoxLayout(body());
    row->setContentsMargins(grid::kAround);
    row->setSpacing(grid::kMargin);
    auto* left = new QVBoxLayout;
    m_canvas = new PhotoCanvas(m_marking);
    left->addWidget(m_canvas, 1);
    FlowLayout* bar = FlowLayout::inRow();
    const auto button = [&](const QString& text, const char* name, const QString& tip, auto action) {
        auto* b = new QPushButton(text);
        b->setObjectName(QLatin1String(name));
        b->setToolTip(tip);
        b->setAutoDefault(false);
        connect(b, &QPushButton::clicked, this, action);
        bar->addFixed(b);
        return b;
    };
    button(tr("Open a picture…"), "photoOpen", tr("PNG or JPEG"), [this] {
        const QString path =
            dialogs::openFile(this, tr("Open a picture"), tr("Pictures (*.png *.jpg *.jpeg)"));
        if (!path.isEmpty()) openPicture(path);
    });
    button(tr("Paste"), "photoPaste", tr("The picture on the clipboard (Ctrl+V)"),
           [this] { pastePicture(); });
    button(tr("Sample picture"), "photoSample",
           tr("A picture that the program draws of this instrument: to practise, never to be recorded"),
           [this] { openSample(); });
    m_showMe = button(tr("Show me"), "photoShowMe", tr("Puts the marks of the sample where they belong"),
                      [this] { markSample(); });
    button(QStringLiteral("\u2212"), "photoSmaller", tr("Smaller (minus key, wheel)"),
           [this] { m_canvas->enlarge(0.8); });
    button(QStringLiteral("+"), "photoLarger",
           tr("Larger (plus key, wheel); the right button moves the picture"),
           [this] { m_canvas->enlarge(1.25); });
    button(tr("Whole"), "photoWhole", tr("The whole picture"), [this] { m_canvas->showWhole(); });
    left->addWidget(bar->parentWidget());
    row->addLayout(left, 1);
    row->addWidget(buildSide());
    wire();
    refresh();
}

QWidget* PhotoReader::buildSide() {
    auto* side = new ScrollColumn;
    side->setWidths(scaled(theme().large ? 470 : 380), scaled(theme().large ? 520 : 400));
    auto* column = side->column();
    column->setSpacing(grid::kStep);
    column->addWidget(makeLabel(tr("What does the picture show?"), "heading"));
    m_shows = new Segments(QStringLiteral("photoShows"), tr("What the picture shows"));
    m_shows->setChoices({tr("gauge"), tr("thermometer"), tr("barometer")});
    m_shows->choose(0);
    column->addWidget(m_shows);
    m_barometerUnit = new QComboBox;
    m_barometerUnit->setObjectName(QStringLiteral("photoBarometerUnit"));
    m_barometerUnit->setAccessibleName(tr("What the barometer’s scale is graduated in"));
    for (const char* symbol : kBarometerUnits)
        m_barometerUnit->addItem(asIs(unit(symbol).display), QLatin1String(symbol));
    column->addWidget(m_barometerUnit);
    m_shape = new Segments(QStringLiteral("photoShape"), tr("Shape of the scale"));
    m_shape->setChoices({tr("straight scale"), tr("dial")});
    column->addWidget(m_shape);
    m_rise = new Segments(QStringLiteral("photoRise"), tr("Which way the numbers rise"));
    m_rise->setChoices({tr("numbers rise clockwise \u21BB"), tr("the other way \u21BA")});
    column->addWidget(m_rise);
    auto* view = new QHBoxLayout;
    m_tilted = new QCheckBox(tr("seen at an angle"));
    m_tilted->setObjectName(QStringLiteral("photoTilted"));
    m_tilted->setToolTip(tr("Asks for four points of the scale and corrects the perspective"));
    m_placing = new NumberField({}, QStringLiteral("px"), QStringLiteral("photoPlacing"));
    m_placing->setToolTip(tr("How well a mark can be placed: more in a blurred picture"));
    m_placing->edit()->setAccessibleName(tr("How well a mark can be placed, px"));
    m_placing->setFixedWidth(110);
    view->addWidget(m_tilted);
    view->addStretch();
    auto* good = makeLabel(tr("marks good to ±"), "muted");
    good->setWordWrap(false);
    view->addWidget(good);
    view->addWidget(m_placing);
    column->addLayout(view);
    auto* head = new QHBoxLayout;
    auto* order = makeLabel(tr("Click in the picture, in this order"), "heading");
    order->setWordWrap(false);
    head->addWidget(order);
    head->addStretch();
    m_clear = new QPushButton(tr("Clear"));
    m_clear->setObjectName(QStringLiteral("photoClear"));
    m_clear->setAutoDefault(false);
    setRole(m_clear, "link");
    head->addWidget(m_clear);
    column->addLayout(head);
    m_marks = new MarkList;
    column->addWidget(m_marks);
    auto* below = new QHBoxLayout;
    m_loupe = new Loupe;
    below->addWidget(m_loupe);
    auto* outcome = new QVBoxLayout;
    m_result = makeLabel({}, "title");
    m_result->setObjectName(QStringLiteral("photoResult"));
    outcome->addWidget(m_result);
    m_meaning = makeLabel({}, "note");
    m_meaning->setObjectName(QStringLiteral("photoMeaning"));
    outcome->addWidget(m_meaning);
    outcome->addStretch();
    below->addLayout(outcome, 1);
    column->addLayout(below);
    m_message = makeLabel({}, "muted");
    m_message->setObjectName(QStringLiteral("photoMessage"));
    column->addWidget(m_message);
    m_take = new QPushButton;
    m_take->setObjectName(QStringLiteral("photoTake"));
    m_take->setAutoDefault(false);
    setRole(m_take, "main");
    column->addWidget(m_take);
    column->addStretch();
    return side;
}

void PhotoReader::wire() {
    connect(m_shows, &Segments::picked, this, [this] {
        m_shape->choose(-1); // as this instrument usually is
        refresh();
    });
    connect(m_shape, &Segments::picked, this, &PhotoReader::refresh);
    connect(m_rise, &Segments::picked, this, &PhotoReader::refresh);
    connect(m_tilted, &QCheckBox::clicked, this, &PhotoReader::refresh);
    connect(m_barometerUnit, &QComboBox::activated, this, &PhotoReader::showMarks);
    connect(m_placing, &NumberField::edited, this, [this] {
        if (const auto px = m_placing->value()) m_marking.setPlacing(*px);
        readMarks();
    });
    connect(m_clear, &QPushButton::clicked, this, [this] {
        m_marking.clear();
        m_canvas->choose(0);
        showMarks();
    });
    connect(m_marks, &MarkList::picked, this, [this](int step) {
        m_canvas->choose(static_cast<std::size_t>(step));
        m_canvas->setFocus();
    });
    connect(m_marks, &MarkList::valueEdited, this, [this](int step, std::optional<double> value) {
        m_marking.setValue(static_cast<std::size_t>(step), value);
        readMarks();
    });
    connect(m_canvas, &PhotoCanvas::marked, this, &PhotoReader::showMarks);
    connect(m_canvas, &PhotoCanvas::chosenChanged, this, &PhotoReader::showMarks);
    connect(m_canvas, &PhotoCanvas::lookedAt, this,
            [this](QPointF at) { m_loupe->look(m_canvas->picture(), at); });
    connect(m_take, &QPushButton::clicked, this, &PhotoReader::take);
    connect(new QShortcut(QKeySequence::Paste, this), &QShortcut::activated, this,
            &PhotoReader::pastePicture);
}

void PhotoReader::showEvent(QShowEvent* event) {
    ToolWindow::showEvent(event);
    m_canvas->setFocus();
}

PhotoReader::Shows PhotoReader::shows() const { return static_cast<Shows>(std::max(0, m_shows->chosen())); }

QString PhotoReader::unitOfScale() const {
    switch (shows()) {
    case Shows::Thermometer:
        return asIs(readingUnit(m_controller.session().plan().rig.thermometer));
    case Shows::Barometer:
        return m_barometerUnit->currentText();
    case Shows::Gauge:
        break;
    }
    return asIs(unitText(m_controller.session().plan().rig.gauge));
}

QStringList PhotoReader::sights() const {
    if (m_marking.shape() == ScaleShape::Round) return {tr("tip of the needle")};
    switch (shows()) {
    case Shows::Thermometer:
        return {tr("end of the column")};
    case Shows::Barometer:
        return {tr("zero line of the vernier")};
    case Shows::Gauge:
        break;
    }
    switch (m_controller.session().plan().rig.gauge.convention) {
    case PressureConvention::TwoArm:
        return {tr("level, arm to the vessel"), tr("level, open arm")};
    case PressureConvention::ClosedTwoArm:
        return {tr("level, closed arm"), tr("level, arm to the vessel")};
    default:
        return {tr("pointer")};
    }
}

void PhotoReader::refresh() {
    if (!m_controller.isOpen()) return;
    const bool arms =
        shows() == Shows::Gauge && hasTwoArms(m_controller.session().plan().rig.gauge.convention);
    const bool needle = shows() == Shows::Gauge
                            ? !arms
                            : shows() == Shows::Thermometer &&
                                  m_controller.session().plan().rig.thermometer.kind == ThermometerKind::Dial;
    if (m_shape->chosen() < 0) m_shape->choose(needle ? 1 : 0);
    if (m_rise->chosen() < 0) m_rise->choose(0);
    const ScaleShape shape = m_shape->chosen() == 1 ? ScaleShape::Round : ScaleShape::Straight;
    m_marking.arrange(shape, m_tilted->isChecked(), arms ? 2 : 1);
    m_marking.setClockwise(m_rise->chosen() == 0);
    m_rise->setVisible(shape == ScaleShape::Round);
    m_barometerUnit->setVisible(shows() == Shows::Barometer);
    m_placing->setValue(m_marking.placing());
    if (m_canvas->chosen() >= m_marking.steps().size()) m_canvas->choose(m_marking.next().value_or(0));
    showMarks();
}

void PhotoReader::showMarks() {
    m_marks->show(m_marking, m_canvas->chosen(), sights(), unitOfScale());
    m_canvas->update();
    m_showMe->setVisible(m_sampleMarks.has_value());
    readMarks();
}

void PhotoReader::readMarks() {
    m_reading.clear();
    m_take->setEnabled(false);
    m_take->setText(m_attached                    ? tr("Read the point from its picture")
                    : shows() == Shows::Barometer ? tr("Take it to the Room station")
                                                  : tr("Take it as the reading"));
    m_meaning->hide();
    setRole(m_message, "muted");
    const auto marks = m_marking.marks();
    const auto read =
        marks ? readPhoto(*marks) : Result<std::vector<PhotoReading>>(tl::unexpected(marks.error()));
    if (!read) {
        m_result->setText(QStringLiteral("– ") + unitOfScale());
        m_message->setText(m_canvas->picture().isNull() ? tr("There is no picture yet.")
                                                        : onScreen(read.error().message));
        return;
    }
    m_reading = *read;
    QStringList values, close;
    for (std::size_t i = 0; i < m_reading.size(); ++i) {
        const auto& r = m_reading[i];
        const int decimals = decimalsForUncertainty(r.u);
        values << tr("%1 ± %2 %3").arg(onScreen(r.value, decimals), onScreen(r.u, decimals), unitOfScale());
        if (i < m_truth.size())
            close << tr("%1: you are %2 off")
                         .arg(onScreen(m_truth[i], decimals + 1),
                              onScreen(fixedSigned(r.value - m_truth[i], decimals + 1)));
    }
    m_result->setText(values.join(QLatin1Char('\n')));
    m_message->setText(
        tr("The uncertainty is that of the marks. A needle or level in front of its scale shifts "
           "with the eye: stand square."));
    if (!m_truth.empty()) {
        m_meaning->setText(tr("A sample, drawn at %1.").arg(close.join(tr("; and at "))));
        m_meaning->show();
        return;
    }
    if (shows() == Shows::Gauge) {
        const GaugeReading reading{m_reading[0].value,
                                   m_reading.size() > 1 ? std::optional(m_reading[1].value) : std::nullopt};
        const auto meaning =
            dialMeaning(m_controller.session(), m_controller.session().plan().rig.gauge, reading);
        if (meaning && meaning->absolute) {
            m_meaning->setText(tr("%1 kPa absolute").arg(onScreen(meaning->absolute->kilopascal(), 2)));
            m_meaning->show();
        }
    }
    if (m_ofTheRecord) {
        m_message->setText(
            tr("This picture is in the notebook with its reading. Marks moved here change nothing there."));
        return;
    }
    m_take->setEnabled(shows() == Shows::Barometer || m_controller.session().runId().has_value());
    if (!m_take->isEnabled())
        m_message->setText(tr("A reading belongs to a run: start one at the Run station first."));
}

void PhotoReader::take() {
    const auto marks = m_marking.marks();
    if (!marks || m_reading.empty() || !m_truth.empty()) return;
    PhotoEvidence evidence;
    evidence.bytes = pictures::bytesOf(m_bytes);
    evidence.marks = *marks;
    takeReadings(evidence, m_reading);
    if (shows() == Shows::Barometer && !m_attached) {
        evidence.shows = PhotoSubject::Room;
        emit barometerTaken(evidence, m_barometerUnit->currentData().toString());
        return;
    }
    evidence.shows = shows() == Shows::Thermometer ? PhotoSubject::Temperature
                     : shows() == Shows::Barometer ? PhotoSubject::Room
                                                   : PhotoSubject::Pressure;
    if (m_attached) {
        const BenchPicture from = *m_attached;
        if (const auto id = m_controller.carryOut(&PictureCommands::readFrom, from.id, evidence)) {
            if (const BenchPicture* now = m_controller.session().model().attachedTo(*id)) m_attached = *now;
            m_controller.say(
                tr("The point is read from its picture; as it was before it stays in the record, struck."));
        }
        return;
    }
    m_controller.carryOut(&BenchCommands::takeFromPhoto, std::move(evidence));
    m_controller.setDraft(m_controller.session().draft());
    m_controller.say(
        tr("Taken into the fields of the Run station; the picture goes with it when you capture."));
}

void PhotoReader::fail(const QString& sentence) {
    setRole(m_message, "caution");
    m_message->setText(QStringLiteral("\u26A0  ") + sentence);
}

} // namespace uttrin::app

#include "moc_PhotoReader.cpp"
