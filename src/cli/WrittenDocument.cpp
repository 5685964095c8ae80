#include "WrittenDocument.h"

#include "files/WholeFile.h"
#include "pdf/PdfReport.h"
#include "resources/Fonts.h"

#include <QGuiApplication>
#include <fmt/format.h>

#include <filesystem>

namespace uttrin::cli {
namespace {

Result<int> writeReportPdf(const Document& document, const std::string& out) {
    qputenv("QT_QPA_PLATFORM", "offscreen"); // no display is needed to set a page
    static int argc = 1;
    static char name[] = "uttrin-cli";
    static char* argv[] = {name, nullptr};
    const QGuiApplication app(argc, argv);
    loadFonts();
    return writePdf(document, Wording(), QString::fromStdString(out));
}

} // namespace

Answer written(const Document& document, const std::string& out) {
    const auto ending = std::filesystem::path(out).extension();
    if (ending != ".pdf" && ending != ".html")
        throw Refusal{{Failure::BadInput, Text::tr("'{}' ends in neither .pdf nor .html", out)}};
    Answer a;
    a.json["path"] = out;
    if (ending == ".pdf") {
        a.json["pages"] = need(writeReportPdf(document, out));
    } else {
        need(writeWholeFile(out, toHtml(document, Wording())));
        a.json["pages"] = 1;
    }
    a.text = fmt::format("{}: {} page(s)\n", out, a.json["pages"].get<int>());
    return a;
}

} // namespace uttrin::cli
