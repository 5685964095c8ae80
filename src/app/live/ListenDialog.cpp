#include "ListenDialog.h"

#include "LineAnatomy.h"
#include "app/controller/Dialogs.h"
#include "app/controls/Card.h"
#include "app/controls/FieldEdit.h"
#include "app/controls/FlowLayout.h"
#include "app/controls/Grid.h"
#include "app/controls/Labels.h"
#include "app/controls/NumberField.h"
#include "app/controls/OnScreen.h"
#include "app/controls/Segments.h"
#include "app/instruments/InstrumentPair.h"
#include "feeds/SerialPorts.h"
#include "lesson/live/LiveReadings.h"
#include "live/OwnProfiles.h"

#include <QComboBox>
#include <QHBoxLayout>
#include <QPushButton>

#include <algorithm>

namespace uttrin::app {
namespace {

enum Place { Network, Serial, File, Modbus }; // as the choices stand

constexpr int kSpeeds[] = {1200, 2400, 4800, 9600, 19200, 38400, 57600, 115200};
constexpr LiveRegister::Type kRegisterTypes[] = {LiveRegister::Type::Float32, LiveRegister::Type::Int16,
                                                 LiveRegister::Type::Uint16, LiveRegister::Type::Int32};

QComboBox* makeBox(const char* name, const QString& accessible) {
    auto* box = new QComboBox;
    box->setObjectName(QLatin1String(name));
    box->setAccessibleName(accessible);
    return box;
}

/// A profile of nothing yet: lines with numbers.
LiveProfile blank() {
    LiveProfile p;
    p.name = ListenDialog::tr("My instrument").toStdString();
    return p;
}

} // namespace

ListenDialog::ListenDialog(LessonController& controller, LiveBench& bench, QWidget* parent)
    : ToolWindow(controller, parent), m_bench(bench), m_profile(blank()) {
    setObjectName(QStringLiteral("listenDialog"));
    setWindowTitle(tr("Listen to an instrument"));
    auto* column = new QVBoxLayout(body());
    column->setContentsMargins(grid::kAround);
    column->setSpacing(grid::kMargin);
    column->addWidget(buildPlace());
    auto* row = new QHBoxLayout;
    row->addWidget(buildMeaning(), 3);
    m_pair = new InstrumentPair;
    m_pair->setMinimumHeight(220);
    m_pair->setEnabled(false);
    row->addWidget(m_pair, 2);
    column->addLayout(row, 1);
    buildActions();
    choosePlace(Network);
    fillProfiles();
    setUsualSize({860, 640});
}

QWidget* ListenDialog::buildPlace() {
    auto* card = new Card;
    card->column()->addWidget(makeLabel(tr("Where is it?"), "heading"));
    m_kind = new Segments(QStringLiteral("listenKind"), tr("How it is connected"), Segments::Rows::AsNeeded);
    m_kind->setChoices({tr("network"), tr("serial port"), tr("a file that grows"), tr("Modbus")});
    card->column()->addWidget(m_kind);
    connect(m_kind, &Segments::picked, this, &ListenDialog::choosePlace);
    FlowLayout* row = FlowLayout::inRow();
    m_address = new FieldEdit;
    m_address->setObjectName(QStringLiteral("listenAddress"));
    m_address->setUsualWidth(260);
    m_addressBox = besideLabel(tr("address"), m_address);
    row->addWidget(m_addressBox);
    m_browse = new QPushButton(tr("Choose…"));
    m_browse->setObjectName(QStringLiteral("listenBrowse"));
    row->addFixed(m_browse);
    connect(m_browse, &QPushButton::clicked, this, [this] {
        const QString path =
            dialogs::openFile(this, tr("The file that the logger writes"), tr("CSV (*.csv *.txt)"));
        if (!path.isEmpty()) m_address->setText(path);
    });
    m_port = makeBox("listenPort", tr("Serial port"));
    m_port->setEditable(true);
    m_port->setMinimumWidth(180);
    m_speed = makeBox("listenSpeed", tr("Speed, bits each second"));
    for (const int speed : kSpeeds)
        m_speed->addItem(QString::number(speed), speed);
    m_frame = makeBox("listenFrame", tr("Bits and parity"));
    m_frame->addItems(
        {QStringLiteral("8N1"), QStringLiteral("8E1"), QStringLiteral("7E1"), QStringLiteral("7O1")});
    m_serialBox = new QWidget;
    auto* serial = new QHBoxLayout(m_serialBox);
    serial->setContentsMargins(0, 0, 0, 0);
    for (QComboBox* box : {m_port, m_speed, m_frame})
        serial->addWidget(box);
    row->addWidget(m_serialBox);
    m_look = new QPushButton(tr("See what it sends"));
    m_look->setObjectName(QStringLiteral("listenLook"));
    row->addFixed(m_look);
    connect(m_look, &QPushButton::clicked, this, &ListenDialog::lookAt);
    card->column()->addWidget(row->parentWidget());
    m_state = makeLabel(tr("Nothing is connected to but what you name here."), "muted");
    m_state->setObjectName(QStringLiteral("listenState"));
    card->column()->addWidget(m_state);
    return card;
}

QWidget* ListenDialog::buildMeaning() {
    auto* card = new Card;
    card->column()->addWidget(makeLabel(tr("What do its figures mean?"), "heading"));
    m_profiles = makeBox("listenProfile", tr("Kind of instrument"));
    m_profiles->setSizeAdjustPolicy(QComboBox::AdjustToMinimumContentsLengthWithIcon);
    m_profiles->setMinimumContentsLength(24);
    card->column()->addWidget(m_profiles);
    connect(m_profiles, &QComboBox::activated, this, &ListenDialog::chooseProfile);
    m_line = new LineAnatomy;
    connect(m_line, &LineAnatomy::numberPicked, this, &ListenDialog::pickNumber);
    card->column()->addWidget(m_line);
    m_numberIs = makeLabel({}, "muted");
    m_numberIs->setObjectName(QStringLiteral("numberIs"));
    card->column()->addWidget(m_numberIs);
    FlowLayout* meaning = FlowLayout::inRow();
    m_quantity = makeBox("numberQuantity", tr("What the number is"));
    m_quantity->addItems({tr("absolute pressure"), tr("pressure against the room"), tr("temperature")});
    m_unit = makeBox("numberUnit", tr("In which unit"));
    meaning->addFixed(m_quantity);
    meaning->addFixed(m_unit);
    m_decimal = makeBox("numberDecimal", tr("Decimal sign"));
    m_decimal->addItems({tr("decimal point"), tr("decimal comma")});
    m_poll = new FieldEdit;
    m_poll->setObjectName(QStringLiteral("listenPoll"));
    m_poll->setUsualWidth(90);
    m_poll->setToolTip(tr("What is sent to ask for a reading; empty for an instrument that sends by itself"));
    m_lineBox = new QWidget;
    auto* lines = new QHBoxLayout(m_lineBox);
    lines->setContentsMargins(0, 0, 0, 0);
    lines->addWidget(m_decimal);
    lines->addWidget(besideLabel(tr("ask with"), m_poll));
    meaning->addWidget(m_lineBox);
    m_register = new NumberField(tr("register"), {}, QStringLiteral("registerAddress"));
    m_station = new NumberField(tr("station"), {}, QStringLiteral("registerStation"));
    m_type = makeBox("registerType", tr("How the register holds it"));
    m_type->addItems({QStringLiteral("float32"), QStringLiteral("int16"), QStringLiteral("uint16"),
                      QStringLiteral("int32")});
    m_registerBox = new QWidget;
    auto* registers = new QHBoxLayout(m_registerBox);
    registers->setContentsMargins(0, 0, 0, 0);
    registers->addWidget(m_register);
    registers->addWidget(m_station);
    registers->addLayout(labelled(tr("holds"), m_type));
    meaning->addWidget(m_registerBox);
    card->column()->addWidget(meaning->parentWidget());
    m_says = makeLabel({}, "figure");
    m_says->setObjectName(QStringLiteral("listenSays"));
    card->column()->addWidget(m_says);
    card->column()->addStretch();
    connect(m_quantity, &QComboBox::activated, this, [this] {
        m_unit->clear();
        takeMeaning();
    });
    for (QComboBox* box : {m_unit, m_type, m_decimal})
        connect(box, &QComboBox::activated, this, &ListenDialog::takeMeaning);
    for (NumberField* field : {m_register, m_station})
        connect(field, &NumberField::committed, this, &ListenDialog::takeMeaning);
    connect(m_poll, &QLineEdit::editingFinished, this, &ListenDialog::takeMeaning);
    return card;
}

void ListenDialog::buildActions() {
    FlowLayout* row = FlowLayout::inRow();
    m_name = new FieldEdit;
    m_name->setObjectName(QStringLiteral("profileName"));
    m_name->setUsualWidth(200);
    row->addWidget(besideLabel(tr("name"), m_name));
    m_keep = new QPushButton(tr("Keep for other lessons"));
    m_keep->setObjectName(QStringLiteral("profileKeep"));
    m_keep->setToolTip(tr("Keeps what its figures mean under this name, in your own folder."));
    row->addFixed(m_keep);
    m_listen = new QPushButton(tr("Listen to it"));
    m_listen->setObjectName(QStringLiteral("listenStart"));
    setRole(m_listen, "main");
    row->addFixed(m_listen);
    body()->layout()->addWidget(row->parentWidget());
    connect(m_keep, &QPushButton::clicked, this, &ListenDialog::keepProfile);
    connect(m_listen, &QPushButton::clicked, this, &ListenDialog::listen);
}

void ListenDialog::choosePlace(int kind) {
    m_kind->choose(kind);
    m_serialBox->setVisible(kind == Serial);
    m_addressBox->setVisible(kind != Serial);
    m_browse->setVisible(kind == File);
    m_lineBox->setVisible(kind != Modbus);
    m_registerBox->setVisible(kind == Modbus);
    m_line->setVisible(kind != Modbus);
    m_address->setPlaceholderText(kind == File     ? tr("/home/…/run.csv")
                                  : kind == Modbus ? QStringLiteral("127.0.0.1:502")
                                                   : QStringLiteral("127.0.0.1:5025"));
    if (kind == Serial) {
        const QString before = m_port->currentText();
        m_port->clear();
        m_port->addItems(serialPorts());
        if (!before.isEmpty()) m_port->setCurrentText(before);
    }
    m_profile.speaks = kind == Modbus ? LiveProfile::Speaks::Modbus
                       : kind == File ? LiveProfile::Speaks::Csv
                                      : LiveProfile::Speaks::Lines;
    fillProfiles();
}

void ListenDialog::fillProfiles() {
    m_offered.clear();
    m_profiles->clear();
    const auto offer = [&](const LiveProfile& p) {
        if (p.speaks != m_profile.speaks) return;
        m_offered.push_back(p);
        m_profiles->addItem(onScreen(Text::data(p.name)));
    };
    const auto own = ownProfiles().shelf();
    for (const ShippedProfile& p : own.profiles)
        offer(p.profile);
    for (const ShippedProfile& p : shippedProfiles())
        offer(p.profile);
    LiveProfile another = blank();
    another.speaks = m_profile.speaks;
    m_offered.push_back(another);
    m_profiles->addItem(tr("another one: say it by clicking its numbers"));
    m_profiles->setToolTip(own.troubles.empty() ? QString()
                                                : onScreen(Text::join(own.troubles, Text::set("\n"))));
    chooseProfile();
}

void ListenDialog::chooseProfile() {
    const auto at = static_cast<std::size_t>(std::max(0, m_profiles->currentIndex()));
    if (at >= m_offered.size()) return;
    m_profile = m_offered[at];
    m_number = m_profile.values.empty() ? 1 : m_profile.values.front().number;
    m_name->setText(onScreen(Text::data(m_profile.name)));
    m_name->setCursorPosition(0);
    m_poll->setText(QString::fromStdString(m_profile.poll).trimmed());
    m_decimal->setCurrentIndex(m_profile.decimal == ',' ? 1 : 0);
    m_speed->setCurrentIndex(m_speed->findData(m_profile.serial.speed));
    const auto& s = m_profile.serial;
    m_frame->setCurrentIndex(s.bits == 7 ? (s.parity == SerialSettings::Parity::Odd ? 3 : 2)
                             : s.parity == SerialSettings::Parity::Even ? 1
                                                                        : 0);
    if (!m_profile.registers.empty()) {
        const LiveRegister& r = m_profile.registers.front();
        m_register->setValue(r.address);
        m_type->setCurrentIndex(indexOf(kRegisterTypes, r.type));
    }
    m_station->setValue(m_profile.station);
    showMeaning();
    if (m_source) lookAt(); // by what it is now
}

LiveProfile ListenDialog::profile() const {
    LiveProfile p = m_profile;
    p.name = m_name->text().trimmed().toStdString();
    p.serial.speed = m_speed->currentData().toInt() > 0 ? m_speed->currentData().toInt() : p.serial.speed;
    const int frame = m_frame->currentIndex();
    p.serial.bits = frame >= 2 ? 7 : 8;
    p.serial.parity = frame == 1 || frame == 2 ? SerialSettings::Parity::Even
                      : frame == 3             ? SerialSettings::Parity::Odd
                                               : SerialSettings::Parity::None;
    return p;
}

Result<Endpoint> ListenDialog::endpoint() const {
    const int kind = std::max(0, m_kind->chosen());
    const QString words = (kind == Serial ? m_port->currentText() : m_address->text()).trimmed();
    if (words.isEmpty())
        return fail(Failure::BadInput, Text::tr("Say where it is first: its address, its port or its file."));
    constexpr const char* kWords[] = {"tcp:", "serial:", "file:", "modbus:"};
    return readEndpoint(kWords[kind] + words.toStdString());
}

void ListenDialog::lookAt() {
    const auto where = endpoint();
    m_source.reset();
    m_last = {};
    if (!where) return m_state->setText(onScreen(where.error().message));
    m_state->setText(tr("Connecting …"));
    LiveProfile looked = profile();
    if (looked.speaks == LiveProfile::Speaks::Modbus && looked.registers.empty())
        takeMeaning(), looked = profile();
    m_source = std::make_unique<LiveSource>(*where, looked, std::chrono::steady_clock::now());
    connect(m_source.get(), &LiveSource::found, this, [this] { m_state->setText(tr("It is there.")); });
    connect(m_source.get(), &LiveSource::lost, this,
            [this](const QString& why) { m_state->setText(tr("It is not there: %1").arg(why)); });
    connect(m_source.get(), &LiveSource::arrived, this, &ListenDialog::arrived);
    connect(m_source.get(), &LiveSource::unreadable, this, [this](const QString& why) {
        if (!m_profile.values.empty() || !m_profile.registers.empty())
            m_state->setText(tr("It is there, and cannot be read as said below: %1").arg(why));
    });
    connect(m_source.get(), &LiveSource::heard, this, [this](const Trace& came) {
        m_last = came;
        showReadings();
    });
    m_source->start();
}

void ListenDialog::listen() {
    const auto where = endpoint();
    if (!where) return m_state->setText(onScreen(where.error().message));
    const LiveProfile taken = profile();
    if (taken.values.empty() && taken.registers.empty())
        return m_state->setText(
            tr("Say first what its figures mean: see what it sends, and click the number."));
    m_source.reset();
    m_bench.listenTo(QString::fromStdString(taken.name), *where, taken);
    hide();
}

void ListenDialog::refresh() {
    const auto& session = m_controller.session();
    const Rig& rig = session.benchPlan().rig;
    m_pair->setInstruments(rig.gauge, rig.thermometer, session.roomOrStandard().pascal());
    showReadings();
}

void ListenDialog::hideEvent(QHideEvent* event) {
    m_source.reset(); // nothing is listened to behind a closed window
    ToolWindow::hideEvent(event);
}

} // namespace uttrin::app

#include "moc_ListenDialog.cpp"
