#include "OwnRigs.h"

#include "Dialogs.h"
#include "app/controls/OnScreen.h"
#include "rehearsal/library/RigLibrary.h"

#include <QComboBox>
#include <QStandardItemModel>

namespace uttrin::app {

bool keepOwnRig(QWidget* parent, LessonController& controller, const RigFile& rig,
                const std::vector<RigSetting>& settings, const QString& suggested) {
    const auto name = dialogs::askText(parent, LessonController::tr("Keep this rig"),
                                       LessonController::tr("Under which name?"), {suggested});
    if (!name) return false;
    const auto kept = ownRigs().keep(rig, settings, name->toStdString());
    if (!kept) {
        controller.tell(kept.error());
        return false;
    }
    controller.say(LessonController::tr("'%1' is among your own rigs, at Plan and at Rehearse.").arg(*name));
    return true;
}

void listTroubles(QComboBox& list, const std::vector<Text>& troubles) {
    auto* items = qobject_cast<QStandardItemModel*>(list.model());
    for (const Text& trouble : troubles) {
        list.addItem(QStringLiteral("\u26A0 ") + onScreen(trouble));
        list.setItemData(list.count() - 1, onScreen(trouble), Qt::ToolTipRole);
        if (items) items->item(list.count() - 1)->setEnabled(false);
    }
}

} // namespace uttrin::app
