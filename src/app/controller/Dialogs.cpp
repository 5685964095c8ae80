#include "Dialogs.h"

#include "app/controls/OnScreen.h"
#include "pdf/PdfReport.h"

#include <QComboBox>
#include <QFileDialog>
#include <QFileInfo>
#include <QInputDialog>
#include <QPrintDialog>
#include <QPrinter>
#include <QStandardPaths>

#include <deque>
#include <utility>

namespace uttrin::app::dialogs {
namespace {

std::deque<QString> answers;

std::optional<QString> prepared() {
    if (answers.empty()) return std::nullopt;
    const QString answer = answers.front();
    answers.pop_front();
    return answer;
}

/// A dialog that was answered with a file; empty if the person thinks better of it. Where the toolkit draws
/// it, its lists are named for those who do not see what stands beside them.
QString answered(QFileDialog& dialog) {
    for (const auto& [list, label] :
         {std::pair{"lookInCombo", QFileDialog::LookIn}, std::pair{"fileTypeCombo", QFileDialog::FileType}})
        if (auto* box = dialog.findChild<QComboBox*>(QLatin1String(list)))
            box->setAccessibleName(dialog.labelText(label));
    return dialog.exec() == QDialog::Accepted ? dialog.selectedFiles().value(0) : QString();
}

} // namespace

QString suggestedFile(const Text& name, const char* suffix) {
    return QStringLiteral("%1/%2.%3").arg(documentsFolder(), onScreen(name), QLatin1String(suffix));
}

QString notebookFilter() { return onScreen(Text::tr("Uttrin notebooks (*.uttrin)")); }

QString documentsFolder() { return QStandardPaths::writableLocation(QStandardPaths::DocumentsLocation); }

QString openFile(QWidget* parent, const QString& title, const QString& filter) {
    if (const auto answer = prepared()) return *answer;
    QFileDialog dialog(parent, title, QString(), filter);
    dialog.setFileMode(QFileDialog::ExistingFile);
    return answered(dialog);
}

QString saveFile(QWidget* parent, const QString& title, const QString& suggestion, const QString& filter,
                 const QString& suffix) {
    QString path;
    if (const auto answer = prepared()) {
        path = *answer;
    } else {
        QFileDialog dialog(parent, title, QFileInfo(suggestion).path(), filter);
        dialog.setAcceptMode(QFileDialog::AcceptSave);
        dialog.selectFile(suggestion);
        dialog.setDefaultSuffix(suffix); // asks before it writes over a file
        path = answered(dialog);
    }
    if (!path.isEmpty() && QFileInfo(path).suffix().isEmpty()) path += QLatin1Char('.') + suffix;
    return path;
}

std::optional<QString> askText(QWidget* parent, const QString& title, const QString& question,
                               const QStringList& phrases) {
    if (const auto answer = prepared()) return answer->isEmpty() ? std::nullopt : answer;
    bool ok = false;
    const QString text = QInputDialog::getItem(parent, title, question, phrases, 0, true, &ok);
    return ok ? std::optional(text) : std::nullopt;
}

bool print(QWidget* parent, const Document& document) {
    QPrinter printer(QPrinter::HighResolution);
    if (const auto answer = prepared()) {
        if (answer->isEmpty()) return false;
        printer.setOutputFormat(QPrinter::PdfFormat);
        printer.setOutputFileName(*answer);
    } else {
        QPrintDialog dialog(&printer, parent);
        if (dialog.exec() != QDialog::Accepted) return false;
    }
    return paintReport(document, ScreenWording(), printer) > 0;
}

void answerNext(const QString& answer) { answers.push_back(answer); }

} // namespace uttrin::app::dialogs
