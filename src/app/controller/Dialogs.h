#pragma once

#include "text/Text.h"

#include <QString>
#include <QStringList>

#include <optional>

class QWidget;

namespace uttrin {
struct Document;
}

namespace uttrin::app::dialogs {

/// File and text dialogs go through here, so that a test can answer them in advance.

/// Where files go unless another place is chosen.
[[nodiscard]] QString documentsFolder();
/// A file of this name there, to begin with.
[[nodiscard]] QString suggestedFile(const Text& name, const char* suffix);
/// What notebooks are called in a file dialog.
[[nodiscard]] QString notebookFilter();

/// A file to open; empty if the person thinks better of it.
[[nodiscard]] QString openFile(QWidget* parent, const QString& title, const QString& filter);
/// A file to write; the suffix is added where it is missing.
[[nodiscard]] QString saveFile(QWidget* parent, const QString& title, const QString& suggestion,
                               const QString& filter, const QString& suffix);
/// One line of text, with phrases to choose from.
[[nodiscard]] std::optional<QString> askText(QWidget* parent, const QString& title, const QString& question,
                                             const QStringList& phrases);

/// Asks for a printer and sets the pages on it. @return whether it was printed; false also if the person
/// thinks better of it. A prepared answer is a file to print into.
bool print(QWidget* parent, const Document& document);

/// Answers the next dialog without showing it.
void answerNext(const QString& answer);

} // namespace uttrin::app::dialogs
