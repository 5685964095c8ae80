#pragma once

#include "quantities/Failure.h"
#include "report/Document.h"

#include <QImage>
#include <QList>
#include <QString>

class QPagedPaintDevice;

namespace uttrin {

/// Sets a report, as a face says it, on pages of a PDF writer or printer: text stays text, pictures stay
/// vectors, every page numbered. REQUIRES: a QGuiApplication.
/// @return the number of pages; 0 if the device cannot be painted on.
int paintReport(const Document& document, const Wording& wording, QPagedPaintDevice& device);

/// The pages of a report as pictures of this width in px, A4, for a preview.
[[nodiscard]] QList<QImage> reportPages(const Document& document, const Wording& wording, double width);

/// Writes a report as an A4 PDF, whole or not at all. @return the number of pages.
[[nodiscard]] Result<int> writePdf(const Document& document, const Wording& wording, const QString& path);

} // namespace uttrin
