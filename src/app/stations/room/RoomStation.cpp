#include "RoomStation.h"

#include "MercuryForm.h"
#include "app/controls/Card.h"
#include "app/controls/FieldEdit.h"
#include "app/controls/Labels.h"
#include "app/controls/NumberField.h"
#include "app/controls/OnScreen.h"
#include "app/controls/ScrollColumn.h"
#include "app/controls/Segments.h"
#include "app/map/PhaseMap.h"
#include "instruments/BarometerScales.h"
#include "quantities/Rounding.h"
#include "substances/SubstanceLibrary.h"

#include <QComboBox>
#include <QGridLayout>
#include <QHBoxLayout>

#include <algorithm>
#include <cmath>

namespace uttrin::app {
namespace {

constexpr int kBarometer = 0, kReport = 1, kHeight = 2, kEmptyVessel = 3, kNominal = 4, kMercury = 5;
constexpr int kReducedYes = 0, kReducedNo = 1;
constexpr Milliseconds kMinuteMs = 60'000;

double boilingCelsius(double pascal) {
    const auto t = water().boilingPoint(Pressure::fromPascal(pascal));
    return t ? t->celsius() : std::nan("");
}

} // namespace

RoomStation::RoomStation(LessonController& controller) : StationPage(controller) {
    build();
    wire();
}

void RoomStation::build() {
    auto* row = new QHBoxLayout(this);
    row->setContentsMargins(20, 14, 16, 14);
    row->setSpacing(16);
    auto* left = new ScrollColumn;
    left->setWidths(440, 476);
    row->addWidget(left, 2);

    auto* card = new Card;
    card->column()->addWidget(makeLabel(tr("How do you know this room's pressure?"), "title"));
    m_method = new Segments(QStringLiteral("roomMethod"), Segments::Rows::AsNeeded);
    m_method->setChoices({tr("Barometer"), tr("Weather report"), tr("Height alone"), tr("Empty vessel"),
                          tr("Assume a value"), tr("Mercury column")});
    card->column()->addWidget(m_method);
    m_reducedQuestion = makeLabel(
        tr("Is the report reduced to sea level? Most are: near 1013 hPa whatever the height."), "muted");
    card->column()->addWidget(m_reducedQuestion);
    m_reduced = new Segments(QStringLiteral("roomReduced"));
    m_reduced->setChoices({tr("Yes, to sea level"), tr("No, as read at the station")});
    card->column()->addWidget(m_reduced);

    auto* grid = new QGridLayout;
    grid->setHorizontalSpacing(14);
    grid->setVerticalSpacing(8);
    m_value = new NumberField(tr("Reading"), QString(), QStringLiteral("roomValue"));
    m_uncertainty = new NumberField(tr("good to ±"), QString(), QStringLiteral("roomUncertainty"));
    m_unit = new QComboBox;
    m_unit->setObjectName(QStringLiteral("roomUnit"));
    m_unit->setAccessibleName(tr("Unit of the reading"));
    for (const Unit& u : unitsOf(Dimension::Pressure))
        m_unit->addItem(onScreen(u.display),
                        QString::fromUtf8(u.symbol.data(), static_cast<qsizetype>(u.symbol.size())));
    m_unit->setCurrentText(QStringLiteral("hPa"));
    m_altitude =
        new NumberField(tr("Height above sea level"), QStringLiteral("m"), QStringLiteral("roomAltitude"));
    m_air = new NumberField(tr("Air outdoors"), QStringLiteral("°C"), QStringLiteral("roomAir"));
    m_ultimate = new NumberField(tr("The pump leaves"), QStringLiteral("Pa"), QStringLiteral("roomUltimate"));
    m_time = new FieldEdit;
    m_time->setObjectName(QStringLiteral("roomTime"));
    m_time->setAccessibleName(tr("Time of the reading"));
    m_time->setPlaceholderText(tr("now"));
    m_time->setMinimumWidth(70);
    m_time->setMaximumWidth(86);
    m_unitBox = new QWidget;
    auto* unitColumn = new QVBoxLayout(m_unitBox);
    unitColumn->setContentsMargins(0, 0, 0, 0);
    unitColumn->setSpacing(3);
    unitColumn->addWidget(makeLabel(tr("unit"), "muted"));
    unitColumn->addWidget(m_unit);
    m_timeBox = new QWidget;
    auto* timeColumn = new QVBoxLayout(m_timeBox);
    timeColumn->setContentsMargins(0, 0, 0, 0);
    timeColumn->setSpacing(3);
    timeColumn->addWidget(makeLabel(tr("read at"), "muted"));
    timeColumn->addWidget(m_time);
    grid->addWidget(m_value, 0, 0);
    grid->addWidget(m_unitBox, 0, 1);
    grid->addWidget(m_uncertainty, 0, 2);
    grid->addWidget(m_altitude, 1, 0, 1, 2);
    grid->addWidget(m_air, 1, 2, 1, 2);
    grid->addWidget(m_ultimate, 2, 0, 1, 2);
    card->column()->addLayout(grid);
    m_mercury = new MercuryForm;
    card->column()->addWidget(m_mercury);
    m_result = makeLabel({}, "figure");
    m_result->setObjectName(QStringLiteral("roomResult"));
    m_resultUnder = makeLabel({}, "muted");
    m_warning = makeLabel({}, "caution");
    m_warning->setObjectName(QStringLiteral("roomWarning"));
    auto* outcome = new QHBoxLayout;
    outcome->addWidget(m_result, 1);
    outcome->addWidget(m_timeBox);
    card->column()->addLayout(outcome);
    card->column()->addWidget(m_resultUnder);
    card->column()->addWidget(m_warning);
    m_enter = new QPushButton(tr("Use this room pressure"));
    m_enter->setObjectName(QStringLiteral("roomEnter"));
    setRole(m_enter, "main");
    m_end = new QPushButton(tr("Enter as the second reading, at the end"));
    m_end->setObjectName(QStringLiteral("roomEnd"));
    m_end->setToolTip(tr("The drift between the two readings is interpolated in time, for every point."));
    card->column()->addWidget(m_enter);
    card->column()->addWidget(m_end);
    card->column()->addWidget(m_mercury->steps());
    left->column()->addWidget(card);

    auto* record = new Card;
    record->column()->addWidget(makeLabel(tr("In the record"), "heading"));
    m_scope = makeLabel({}, "note");
    m_history = makeLabel({});
    m_history->setObjectName(QStringLiteral("roomHistory"));
    m_disagreements = makeLabel({}, "caution");
    m_disagreements->setObjectName(QStringLiteral("roomDisagreements"));
    record->column()->addWidget(m_disagreements);
    record->column()->addWidget(m_scope);
    record->column()->addWidget(m_history);
    left->column()->addWidget(record);

    auto* lesson = new Card;
    lesson->column()->addWidget(makeLabel(tr("The lesson"), "heading"));
    const auto line = [&](const QString& label, const char* name) {
        auto* edit = new FieldEdit;
        edit->setObjectName(QLatin1String(name));
        edit->setAccessibleName(label);
        lesson->column()->addWidget(makeLabel(label, "muted"));
        lesson->column()->addWidget(edit);
        return edit;
    };
    m_title = line(tr("Title"), "lessonTitle");
    m_school = line(tr("School"), "lessonSchool");
    m_room = line(tr("Room"), "lessonRoom");
    left->column()->addWidget(lesson);
    left->column()->addStretch();

    m_map = new PhaseMap;
    row->addWidget(m_map, 1);
    showFields();
}

void RoomStation::wire() {
    connect(m_method, &Segments::picked, this, [this] {
        showFields();
        preview();
    });
    connect(m_reduced, &Segments::picked, this, [this] {
        showFields();
        preview();
    });
    for (NumberField* f : {m_value, m_uncertainty, m_altitude, m_air, m_ultimate})
        connect(f, &NumberField::edited, this, &RoomStation::preview);
    connect(m_unit, &QComboBox::currentIndexChanged, this, [this] {
        showFields();
        preview();
    });
    connect(m_mercury, &MercuryForm::edited, this, &RoomStation::preview);
    connect(m_time, &QLineEdit::textEdited, this, &RoomStation::preview);
    connect(m_enter, &QPushButton::clicked, this, [this] { enter("start"); });
    connect(m_end, &QPushButton::clicked, this, [this] { enter("end"); });
    for (QLineEdit* e : {m_title, m_school, m_room})
        connect(e, &QLineEdit::editingFinished, this, [this] {
            Lesson l = session().model().lesson();
            const Lesson before = l;
            l.title = m_title->text().toStdString();
            l.school = m_school->text().toStdString();
            l.roomName = m_room->text().toStdString();
            if (l.title != before.title || l.school != before.school || l.roomName != before.roomName)
                m_controller.report(session().changeLesson(l));
        });
}

RoomMethod RoomStation::method() const {
    switch (m_method->chosen()) {
    case kReport:
        return m_reduced->chosen() == kReducedNo ? RoomMethod::StationReport : RoomMethod::SeaLevelReport;
    case kHeight:
        return RoomMethod::Altitude;
    case kEmptyVessel:
        return RoomMethod::DeadHead;
    case kNominal:
        return RoomMethod::Nominal;
    case kMercury:
        return RoomMethod::MercuryBarometer;
    default:
        return RoomMethod::Barometer;
    }
}

void RoomStation::showFields() {
    const int chosen = m_method->chosen();
    const bool report = chosen == kReport, seaLevel = report && m_reduced->chosen() == kReducedYes;
    m_reducedQuestion->setVisible(report);
    m_reduced->setVisible(report);
    const bool typedValue = chosen >= 0 && chosen != kHeight && chosen != kMercury;
    m_mercury->setVisible(chosen == kMercury);
    m_value->setVisible(typedValue);
    m_unitBox->setVisible(typedValue);
    m_timeBox->setVisible(chosen >= 0);
    m_uncertainty->setVisible(typedValue && chosen != kNominal);
    m_altitude->setVisible(chosen == kHeight || seaLevel || chosen == kNominal);
    m_air->setVisible(seaLevel);
    m_ultimate->setVisible(chosen == kEmptyVessel);
    m_value->setLabel(chosen == kEmptyVessel ? tr("Gauge, pumped down (negative)")
                      : chosen == kNominal   ? tr("Assumed")
                                             : tr("Reading"));
    m_uncertainty->setUnit(QString());
}

std::optional<RoomEntry> RoomStation::typed() const {
    const int chosen = m_method->chosen();
    if (chosen < 0 || (chosen == kReport && m_reduced->chosen() < 0)) return std::nullopt;
    RoomEntry e;
    e.method = method();
    if (e.method == RoomMethod::MercuryBarometer) {
        const auto mercury = m_mercury->typed();
        if (!mercury) return std::nullopt;
        e.mercury = *mercury;
        return e;
    }
    e.unit = m_unit->currentData().toString().toStdString();
    const bool needsHeight = e.method == RoomMethod::Altitude || e.method == RoomMethod::SeaLevelReport;
    if (e.method != RoomMethod::Altitude && !m_value->value()) return std::nullopt;
    if (needsHeight && !m_altitude->value()) return std::nullopt;
    if (e.method == RoomMethod::SeaLevelReport && !m_air->value()) return std::nullopt;
    if (e.method == RoomMethod::DeadHead && !m_ultimate->value()) return std::nullopt;
    e.value = m_value->value().value_or(0.0);
    e.valueU = m_uncertainty->value().value_or(0.0);
    e.altitudeM = m_altitude->value().value_or(0.0);
    e.airCelsius = m_air->value().value_or(15.0);
    e.ultimatePa = m_ultimate->value().value_or(0.0);
    return e;
}

void RoomStation::preview() {
    m_warning->hide();
    m_mercury->showSteps(std::nullopt);
    m_enter->setEnabled(false);
    m_end->setEnabled(false);
    const auto entry = typed();
    if (!entry) {
        m_result->setText(QStringLiteral("– kPa"));
        m_resultUnder->setText(
            m_method->chosen() < 0
                ? tr("Nothing is assumed: readings stay unreferenced until a source is given.")
                : tr("Fill in the fields; the station pressure appears here."));
        return;
    }
    const auto room = stationPressure(*entry);
    if (!room) {
        m_result->setText(QStringLiteral("– kPa"));
        m_resultUnder->clear();
        m_warning->setText(QStringLiteral("\u26A0  ") + onScreen(room.error().message));
        m_warning->show();
        return;
    }
    if (entry->method == RoomMethod::MercuryBarometer) m_mercury->showSteps(entry->mercury);
    const double pa = room->station.pascal();
    const int decimals = std::min(3, decimalsForUncertainty(room->uPa * 1e-3));
    m_result->setText(
        room->uPa > 0.0
            ? tr("%1 ± %2 kPa").arg(onScreen(pa * 1e-3, decimals), onScreen(room->uPa * 1e-3, decimals))
            : tr("%1 kPa").arg(onScreen(pa * 1e-3, 2)));
    const auto s = water().saturationAt(room->station);
    m_resultUnder->setText(tr("station pressure, %1 hPa. Water boils here at %2 ± %3 °C.")
                               .arg(onScreen(pa * 1e-2, std::max(0, decimals - 1)),
                                    onScreen(boilingCelsius(pa), 2),
                                    onScreen(s ? room->uPa / s->slope : 0.0, 2)));
    QString warning = onScreen(biasOf(room->method));
    if (room->method == RoomMethod::Nominal) {
        const auto standard = m_altitude->value()
                                  ? standardAtmospherePressure(Length::fromMetre(*m_altitude->value()))
                                  : Result<Pressure>(tl::unexpected(Failure{}));
        const double cost = standard ? boilingCelsius(pa) - boilingCelsius(standard->pascal()) : 0.0;
        warning += standard ? tr(" At %1 m the pressure is usually near %2 kPa: boiling points come out "
                                 "about %3 K wrong near the room's pressure, and far more at low pressure.")
                                  .arg(onScreen(*m_altitude->value(), 0), onScreen(standard->kilopascal(), 1),
                                       onScreen(std::abs(cost), 1))
                            : tr(" Weather alone makes ± %1 K; height can make many kelvin more. Give the "
                                 "height to see what it costs here.")
                                  .arg(onScreen(kWeatherSpreadPascal / 3600.0, 1));
    }
    if (room->method == RoomMethod::DeadHead) {
        const RoomRecord* start = session().model().roomRecord(std::nullopt, "start");
        const RoomEntry* other = start ? session().model().roomEntry(start->id) : nullptr;
        if (other && other->method == RoomMethod::Barometer)
            if (const auto barometer = stationPressure(*other)) {
                const Unit& u = unit(entry->unit);
                warning += tr(" With your barometer this pull gives the pump's ultimate pressure: %1 kPa.")
                               .arg(onScreen(ultimateFromPair(*barometer,
                                                              GaugePressure::fromPascal(u.toSi(entry->value)))
                                                     .pascal() *
                                                 1e-3,
                                             2));
            }
    }
    m_warning->setVisible(!warning.isEmpty());
    m_warning->setText(QStringLiteral("\u26A0  ") + warning);
    m_enter->setEnabled(!session().notebook().readOnly());
    m_end->setEnabled(!session().notebook().readOnly() &&
                      session().model().roomRecord(std::nullopt, "start") != nullptr);
}

void RoomStation::enter(const char* role) {
    const auto entry = typed();
    if (!entry) return;
    Milliseconds at = m_controller.clock().now();
    const QString time = m_time->text().trimmed();
    if (!time.isEmpty()) {
        const QTime clock = QTime::fromString(time, QStringLiteral("H:mm"));
        if (!clock.isValid()) {
            m_controller.say(tr("'%1' is not a time. Type it as 8:42, or leave it empty for now.").arg(time));
            return;
        }
        const Milliseconds offset = session().model().lesson().utcOffsetMin * kMinuteMs;
        const Milliseconds local = at + offset, day = 24LL * 60 * kMinuteMs;
        at = local - local % day + clock.msecsSinceStartOfDay() - offset;
    }
    m_shownRecord = -1;
    // The group that gave its own value corrects its own.
    const auto group = session().groupId();
    const RoomRecord* current = session().model().roomRecord(group, role);
    const auto owner = current && current->groupId ? current->groupId : std::nullopt;
    const bool shown =
        m_photo && entry->method == RoomMethod::MercuryBarometer && entry->mercury.value() == m_photo->value;
    const bool entered = m_controller.report(
        session().enterRoom(*entry, role, at, owner, shown ? &m_photo->evidence : nullptr));
    if (entered) m_photo.reset();
    if (entered)
        m_controller.say(tr("Room pressure recorded. Everything that rests on it is worked out anew."));
}

void RoomStation::takePhoto(const PhotoEvidence& evidence, const QString& unit) {
    m_method->choose(kMercury);
    m_mercury->setRead(evidence.reading.first, unit);
    showFields();
    preview();
    const auto scale = barometerGraduatedIn(unit.toStdString());
    m_photo = PhotoTaken{evidence, withValue(scale, evidence.reading.first).value()};
    m_controller.say(tr("Set on the vernier. Type the attached thermometer, latitude and height if they are "
                        "missing; the picture goes with the room's pressure when you use it."));
}

void RoomStation::loadEntry(const RoomEntry& e) {
    const int chosen = e.method == RoomMethod::Barometer          ? kBarometer
                       : e.method == RoomMethod::Altitude         ? kHeight
                       : e.method == RoomMethod::DeadHead         ? kEmptyVessel
                       : e.method == RoomMethod::Nominal          ? kNominal
                       : e.method == RoomMethod::MercuryBarometer ? kMercury
                                                                  : kReport;
    m_method->choose(chosen);
    if (chosen == kMercury) {
        m_mercury->show(e.mercury);
        return;
    }
    m_reduced->choose(e.method == RoomMethod::SeaLevelReport  ? kReducedYes
                      : e.method == RoomMethod::StationReport ? kReducedNo
                                                              : -1);
    m_unit->setCurrentIndex(m_unit->findData(QString::fromStdString(e.unit)));
    m_value->setValue(e.method == RoomMethod::Altitude ? std::nullopt : std::optional(e.value));
    m_uncertainty->setValue(e.valueU);
    m_altitude->setValue(e.altitudeM != 0.0 ? std::optional(e.altitudeM) : std::nullopt);
    m_air->setValue(e.method == RoomMethod::SeaLevelReport ? std::optional(e.airCelsius) : std::nullopt);
    m_ultimate->setValue(e.method == RoomMethod::DeadHead ? std::optional(e.ultimatePa) : std::nullopt);
}

void RoomStation::refresh() {
    const auto& model = session().model();
    const Lesson& lesson = model.lesson();
    for (const auto& [edit, value] :
         {std::pair{m_title, lesson.title}, {m_school, lesson.school}, {m_room, lesson.roomName}})
        if (!edit->hasFocus()) edit->setText(QString::fromStdString(value));
    const auto group = session().groupId();
    const RoomRecord* start = model.roomRecord(group, "start");
    const RowId id = start ? start->id : 0;
    if (id != m_shownRecord) {
        m_shownRecord = id;
        if (const RoomEntry* e = start ? model.roomEntry(start->id) : nullptr) {
            loadEntry(*e);
            m_time->setText(onScreen(clockText(start->takenAt, lesson.utcOffsetMin)));
        } else {
            m_method->choose(-1);
            m_reduced->choose(-1);
            if (lesson.altitudeKnown) {
                m_altitude->setValue(lesson.altitudeM);
                m_mercury->setHeight(lesson.altitudeM);
            }
        }
    }
    QStringList disagreements;
    for (const auto& sentence : roomDisagreements(session()))
        disagreements << QStringLiteral("\u26A0  ") + onScreen(sentence);
    m_disagreements->setText(disagreements.join(QLatin1Char('\n')));
    m_disagreements->setVisible(!disagreements.isEmpty());
    m_scope->setVisible(start && start->groupId);
    if (start && start->groupId)
        m_scope->setText(tr("Group %1 used its own value, shown here.")
                             .arg(QString::fromStdString(model.group(*start->groupId).name)));
    QStringList history;
    for (auto r = model.data().rooms.rbegin(); r != model.data().rooms.rend(); ++r) {
        const RoomEntry* e = model.roomEntry(r->id);
        const auto room = e ? stationPressure(*e) : Result<RoomPressure>(tl::unexpected(Failure{}));
        if (!room) continue;
        QString line = tr("%1   %2 kPa   %3")
                           .arg(onScreen(clockText(r->takenAt, lesson.utcOffsetMin)),
                                onScreen(room->station.kilopascal(), 2), onScreen(label(room->method)));
        if (r->role == "end") line += tr(", at the end");
        if (r->groupId)
            line += tr(", group %1 only").arg(QString::fromStdString(model.group(*r->groupId).name));
        if (!r->current) line += tr(", corrected since");
        history << line;
    }
    m_history->setText(history.isEmpty()
                           ? tr("No reading yet. The first one appears here, and stays when it is corrected.")
                           : history.join(QLatin1Char('\n')));
    showFields();
    preview();
    m_map->show(mapView(session(), MapPurpose::Room));
}

} // namespace uttrin::app

#include "moc_RoomStation.cpp"
