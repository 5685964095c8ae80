#include "RunChoice.h"

#include "Dialogs.h"
#include "app/controls/OnScreen.h"
#include "lesson/commands/ReadingCommands.h"
#include "lesson/commands/SelectionCommands.h"

#include <QCoreApplication>

namespace uttrin::app {

RunChoice::RunChoice(LessonController& controller, const QString& name) : m_controller(controller) {
    setObjectName(name);
    setAccessibleName(tr("Group and run"));
    setSizeAdjustPolicy(QComboBox::AdjustToContents);
    setMinimumWidth(170);
    connect(this, &QComboBox::activated, this, [this](int index) {
        m_controller.carryOut(&SelectionCommands::selectRun,
                              static_cast<RowId>(itemData(index).toLongLong()));
    });
}

void RunChoice::refresh(int fewest) {
    const LessonSession& session = m_controller.session();
    clear();
    for (const Run& r : session.model().runsOf(session.setupId())) {
        const QString group = QString::fromStdString(session.model().group(r.groupId).name);
        addItem(tr("%1, run %2").arg(group).arg(r.number), static_cast<qlonglong>(r.id));
        if (session.runId() == r.id) setCurrentIndex(count() - 1);
    }
    setVisible(count() >= fewest);
}

namespace {

QStringList strikeReasons() {
    QStringList reasons;
    for (const Text& reason : {Text::tr("superheated"), Text::tr("misread"), Text::tr("not settled"),
                               Text::tr("leak"), Text::tr("disturbed")})
        reasons << onScreen(reason);
    return reasons;
}

} // namespace

void strikeOrRestore(LessonController& controller, RowId readingId, bool struck, QWidget* parent) {
    if (struck) {
        if (controller.carryOut(&ReadingCommands::restore, readingId))
            controller.say(RunChoice::tr("Put back: it takes part again."));
        return;
    }
    const auto reason =
        dialogs::askText(parent, RunChoice::tr("Strike a point"),
                         RunChoice::tr("It stays in the record, hollow, with this reason:"), strikeReasons());
    if (reason && controller.carryOut(&ReadingCommands::strike, readingId, reason->toStdString()))
        controller.say(RunChoice::tr("Struck: it stays in the record with its reason, and out of the fit."));
}

} // namespace uttrin::app

#include "lesson/commands/SelectionCommands.h"
#include "moc_RunChoice.cpp"
