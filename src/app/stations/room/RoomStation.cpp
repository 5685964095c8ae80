#include "RoomStation.h"

#include "MercuryForm.h"
#include "RoomSourceForm.h"
#include "app/controls/Card.h"
#include "app/controls/FieldEdit.h"
#include "app/controls/Grid.h"
#include "app/controls/Labels.h"
#include "app/controls/OnScreen.h"
#include "app/controls/ScrollColumn.h"
#include "app/map/PhaseMap.h"
#include "instruments/BarometerScales.h"
#include "lesson/commands/LessonCommands.h"
#include "lesson/commands/RoomCommands.h"
#include "lesson/views/MapView.h"
#include "lesson/views/RoomViews.h"

#include <QDateTime>
#include <QHBoxLayout>
#include <QPushButton>
#include <QTime>

#include <algorithm>
#include <iterator>

namespace uttrin::app {
namespace {

constexpr Milliseconds kMinuteMs = 60'000;

/// Lines, each a caution with its sign.
QString cautions(const std::vector<Text>& sentences) {
    QStringList lines;
    for (const Text& sentence : sentences)
        lines << QStringLiteral("\u26A0  ") + onScreen(sentence);
    return lines.join(QLatin1Char('\n'));
}

} // namespace

RoomStation::RoomStation(LessonController& controller) : StationPage(controller) {
    auto* row = new QHBoxLayout(this);
    row->setContentsMargins(grid::kAround);
    row->setSpacing(grid::kMargin);
    auto* left = new ScrollColumn;
    left->setWidths(440, 476);
    row->addWidget(left, 2);
    left->column()->addWidget(buildSource());
    left->column()->addWidget(buildRecord());
    left->column()->addWidget(buildLesson());
    left->column()->addStretch();
    m_map = new PhaseMap;
    row->addWidget(m_map, 1);
    wire();
}

QWidget* RoomStation::buildSource() {
    auto* card = new Card;
    m_source = new RoomSourceForm;
    card->column()->addWidget(m_source);
    m_time = new FieldEdit;
    m_time->setObjectName(QStringLiteral("roomTime"));
    m_time->setAccessibleName(tr("Time of the reading"));
    m_time->setPlaceholderText(tr("now"));
    m_time->setMinimumWidth(70);
    m_time->setMaximumWidth(86);
    m_timeBox = new QWidget;
    m_timeBox->setLayout(labelled(tr("read at"), m_time));
    m_timeBox->layout()->setContentsMargins(0, 0, 0, 0);
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
    card->column()->addWidget(m_source->mercury().steps());
    return card;
}

QWidget* RoomStation::buildRecord() {
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
    return record;
}

QWidget* RoomStation::buildLesson() {
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
    return lesson;
}

void RoomStation::wire() {
    connect(m_source, &RoomSourceForm::edited, this, &RoomStation::preview);
    connect(m_time, &QLineEdit::textEdited, this, &RoomStation::preview);
    connect(m_enter, &QPushButton::clicked, this, [this] { enter(RoomRole::Start); });
    connect(m_end, &QPushButton::clicked, this, [this] { enter(RoomRole::End); });
    for (QLineEdit* e : {m_title, m_school, m_room})
        connect(e, &QLineEdit::editingFinished, this, &RoomStation::renameLesson);
}

void RoomStation::renameLesson() {
    Lesson l = session().model().lesson();
    const Lesson before = l;
    l.title = m_title->text().toStdString();
    l.school = m_school->text().toStdString();
    l.roomName = m_room->text().toStdString();
    if (l.title != before.title || l.school != before.school || l.roomName != before.roomName)
        m_controller.carryOut(&LessonCommands::changeLesson, l);
}

void RoomStation::preview() {
    m_source->mercury().showSteps(std::nullopt);
    const auto entry = m_source->typed();
    const RoomPreview view = roomPreview(session(), entry, m_source->isChosen(), m_source->altitude());
    m_timeBox->setVisible(m_source->isChosen());
    m_result->setText(onScreen(view.result));
    m_resultUnder->setText(onScreen(view.under));
    m_warning->setText(cautions(view.warnings));
    m_warning->setVisible(!view.warnings.empty());
    m_enter->setEnabled(view.canBeEntered);
    m_end->setEnabled(view.canBeEntered && session().model().roomRecord(std::nullopt, RoomRole::Start));
    if (view.canBeEntered && entry->method == RoomMethod::MercuryBarometer)
        m_source->mercury().showSteps(entry->mercury);
}

void RoomStation::enter(RoomRole role) {
    const auto entry = m_source->typed();
    if (!entry) return;
    // The time that stands there is the first reading's: it stays when that is corrected, and is nobody's for
    // the second.
    const RoomRecord* first = session().model().roomRecord(session().groupId(), role);
    Milliseconds at = first && role == RoomRole::Start ? first->takenAt : m_controller.clock().now();
    if (m_time->isModified() && !m_time->text().trimmed().isEmpty()) {
        const auto typed = typedTime(m_time->text().trimmed(), at);
        if (!typed)
            return m_controller.say(
                tr("'%1' is not a time. Type it as 8:42, with the date before it where it was another "
                   "day (2026-04-24 8:42), or leave it empty for now.")
                    .arg(m_time->text().trimmed()));
        at = *typed;
    } else if (m_time->text().trimmed().isEmpty())
        at = m_controller.clock().now();
    m_shownRecord = -1;
    // The group that gave its own value corrects its own.
    const auto group = session().groupId();
    const RoomRecord* current = session().model().roomRecord(group, role);
    const auto owner = current && current->groupId ? current->groupId : std::nullopt;
    const bool shown =
        m_photo && entry->method == RoomMethod::MercuryBarometer && entry->mercury.value() == m_photo->value;
    const auto entered = m_controller.carryOut(&RoomCommands::enterRoom, *entry, role, at, owner,
                                               shown ? &m_photo->evidence : nullptr);
    if (entered) m_photo.reset();
    if (entered)
        m_controller.say(tr("Room pressure recorded. Everything that rests on it is worked out anew."));
}

/// "8:42" on the day of another moment, or "2026-04-24 8:42".
std::optional<Milliseconds> RoomStation::typedTime(const QString& text, Milliseconds onDayOf) const {
    const QStringList parts = text.split(QLatin1Char(' '), Qt::SkipEmptyParts);
    const QTime clock = QTime::fromString(parts.last(), QStringLiteral("H:mm"));
    const Milliseconds offset = session().model().lesson().utcOffsetMin * kMinuteMs;
    QDate day = QDateTime::fromMSecsSinceEpoch(onDayOf + offset, Qt::UTC).date();
    if (parts.size() == 2) day = QDate::fromString(parts.first(), Qt::ISODate);
    if (parts.size() > 2 || !clock.isValid() || !day.isValid()) return std::nullopt;
    return QDateTime(day, clock, Qt::UTC).toMSecsSinceEpoch() - offset;
}

void RoomStation::takePhoto(const PhotoEvidence& evidence, const QString& unit) {
    m_source->setMercury(evidence.reading.first, unit);
    preview();
    const auto scale = barometerGraduatedIn(unit.toStdString());
    m_photo = PhotoTaken{evidence, withValue(scale, evidence.reading.first).value()};
    m_controller.say(tr("Set on the vernier. Type the attached thermometer, latitude and height if they are "
                        "missing; the picture goes with the room’s pressure when you use it."));
}

void RoomStation::refresh() {
    const auto& model = session().model();
    const Lesson& lesson = model.lesson();
    for (const auto& [edit, value] :
         {std::pair{m_title, lesson.title}, {m_school, lesson.school}, {m_room, lesson.roomName}})
        if (!edit->hasFocus()) edit->setText(QString::fromStdString(value));
    const RoomRecord* start = model.roomRecord(session().groupId(), RoomRole::Start);
    const RowId id = start ? start->id : 0;
    const std::string notebook = session().notebook().path().string();
    if (id != m_shownRecord || notebook != m_shownNotebook) { // another notebook starts with nothing typed
        m_shownRecord = id;
        m_shownNotebook = notebook;
        if (const RoomEntry* e = start ? model.roomEntry(start->id) : nullptr) {
            m_source->show(*e);
            m_time->setText(QString::fromStdString(roomTimeText(session(), start->takenAt)));
        } else {
            m_time->clear();
            m_source->clear(lesson.altitudeKnown ? std::optional(lesson.altitudeM) : std::nullopt);
        }
    }
    auto disagreements = roomDisagreements(session());
    std::ranges::move(roomTimeRemarks(session()), std::back_inserter(disagreements));
    m_disagreements->setText(cautions(disagreements));
    m_disagreements->setVisible(!disagreements.empty());
    m_scope->setVisible(start && start->groupId);
    if (start && start->groupId)
        m_scope->setText(tr("Group %1 used its own value, shown here.")
                             .arg(QString::fromStdString(model.group(*start->groupId).name)));
    QStringList history;
    for (const Text& line : roomHistory(session()))
        history << onScreen(line);
    m_history->setText(history.isEmpty()
                           ? tr("No reading yet. The first one appears here, and stays when it is corrected.")
                           : history.join(QLatin1Char('\n')));
    preview();
    m_map->show(mapView(session(), MapPurpose::Room));
}

} // namespace uttrin::app

#include "moc_RoomStation.cpp"
