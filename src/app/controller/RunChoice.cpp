#include "RunChoice.h"

#include "lesson/commands/SelectionCommands.h"

#include <QCoreApplication>

namespace uttrin::app {

RunChoice::RunChoice(LessonController& controller, const QString& name) : m_controller(controller) {
    setObjectName(name);
    setAccessibleName(tr("Group and run"));
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

QStringList strikeReasons() {
    const auto tr = [](const char* text) { return QCoreApplication::translate("StrikeReasons", text); };
    return {tr("superheated"), tr("misread"), tr("not settled"), tr("leak"), tr("disturbed")};
}

} // namespace uttrin::app

#include "lesson/commands/SelectionCommands.h"
#include "moc_RunChoice.cpp"
